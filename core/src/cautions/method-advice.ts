import type { Method } from '../correlation/types';

/** What is known of one variable of a pair. */
export interface AdvisedVariable {
  readonly name: string;
  /** What the shape rule says of it: "skewed to the right"; null where it does not mark it. */
  readonly shape: string | null;
  readonly ordinal: boolean;
}

export interface MethodAdvice {
  readonly method: Method;
  /** Why, as a sentence. */
  readonly because: string;
}

/**
 * Which coefficient suits a pair, and why; a recommendation, never a switch. Orders with few steps have many ties, for
 * which Kendall's τ-b is made; a marked shape is left to ranks (Spearman); else Pearson says most.
 *
 * @example
 * adviseMethod({ name: 'nitrate', shape: null, ordinal: false }, { name: 'stream order', shape: null,
 *   ordinal: true }).method; // 'kendall'
 */
export function adviseMethod(x: AdvisedVariable, y: AdvisedVariable): MethodAdvice {
  const both = [x, y];
  const ordinal = both.filter((variable) => variable.ordinal);
  if (ordinal.length > 0) {
    return {
      method: 'kendall',
      because: `${names(ordinal)} ${ordinal.length === 1 ? 'is' : 'are'} ordinal: the steps between values need not be equal, and there are ties.`,
    };
  }
  const shaped = both.filter(({ shape }) => shape !== null);
  if (shaped.length > 0) {
    return {
      method: 'spearman',
      because: `${capital(shaped.map(({ name, shape }) => `${name} is ${shape}`).join(', and '))}; ranks do not mind.`,
    };
  }
  return { method: 'pearson', because: 'Neither shape is marked, and r says most of a straight relation.' };
}

function names(variables: readonly AdvisedVariable[]): string {
  return capital(variables.map(({ name }) => name).join(' and '));
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
