import type { Method } from '../correlation/types';
import { formatP } from '../display/format-numbers';

/** What is known of one variable of a pair. */
export interface AdvisedVariable {
  readonly name: string;
  /** What the shape rule says of it: "skewed to the right"; null where it does not mark it. */
  readonly shape: string | null;
  readonly ordinal: boolean;
  /** How many different values it has; left out where that is not known. */
  readonly distinct?: number | null;
  /** p of the Shapiro–Wilk test; left out where it is not known. */
  readonly shapiroWilkP?: number | null;
}

/** What is known of a pair besides its variables. */
export interface AdvisedPair {
  /** Rows complete for both. */
  readonly n?: number;
  /** Whether r and ρ differ so that the cautions say so. */
  readonly disagree?: boolean;
  /** Whether a row carries r, as the cautions judge it. */
  readonly oneRow?: boolean;
}

export interface MethodAdvice {
  readonly method: Method;
  /** Why, as a sentence; variables keep their names as they are. */
  readonly because: string;
  /** Another coefficient that suits as well, and what speaks for it. */
  readonly also: { readonly method: Method; readonly because: string } | null;
}

/** Up to so many rows the Shapiro–Wilk test is asked: a larger sample averages a departure out, and rejects trifles. */
const SMALL = 50;
const REJECTED = 0.05;
/** A variable with fewer different values has many ties. */
const FEW_VALUES = 8;
/** Up to so many rows without ties, p of Kendall's τ is exact. */
const EXACT_ROWS = 60;

/**
 * Which coefficient suits a pair, and why; a recommendation, never a switch.
 *
 * In this order, the first that holds: an ordinal variable (Kendall's τ-b, made for ties); a shape marked by the rule (ranks); Shapiro–Wilk
 * rejecting at .05 with fewer than 50 rows (ranks); fewer than 8 different values (Kendall's τ-b); r and ρ that differ, or one row that
 * carries r, as the cautions judge both (ranks); else Pearson's r. Never by which p is smaller. Where Spearman's ρ is advised, Kendall's τ is
 * named beside it with what speaks for it: an exact p up to 60 rows without ties, and an interval that counts them.
 *
 * @example
 * adviseMethod({ name: 'nitrate', shape: null, ordinal: false }, { name: 'stream order', shape: null,
 *   ordinal: true }).method; // 'kendall'
 */
export function adviseMethod(
  x: AdvisedVariable,
  y: AdvisedVariable,
  { n, disagree = false, oneRow = false }: AdvisedPair = {},
): MethodAdvice {
  const both = [x, y];
  const byTies = (because: string): MethodAdvice => ({ method: 'kendall', because, also: null });
  const byRanks = (because: string): MethodAdvice => ({ method: 'spearman', because, also: tauToo(n) });
  const ordinal = both.filter((variable) => variable.ordinal).map(({ name }) => name);
  if (ordinal.length > 0) return byTies(`The steps between the values of ${ordinal.join(' and ')} need not be equal, and there are ties.`);

  const shaped = both.filter(({ shape }) => shape !== null);
  if (shaped.length > 0)
    return byRanks(`Ranks do not mind that ${shaped.map(({ name, shape }) => `${name} is ${shape}`).join(', and that ')}.`);

  const rejected = both.filter(({ shapiroWilkP }) => typeof shapiroWilkP === 'number' && shapiroWilkP <= REJECTED);
  if (n !== undefined && n < SMALL && rejected.length > 0) {
    const tests = rejected.map(({ name, shapiroWilkP }) => `of ${name} (p ${withRelation(formatP(shapiroWilkP ?? Number.NaN))})`);
    return byRanks(`Shapiro–Wilk rejects normality ${tests.join(' and ')}, and at n = ${n} nothing averages that out.`);
  }

  const few = both.filter(({ distinct }) => typeof distinct === 'number' && distinct < FEW_VALUES);
  if (few.length > 0)
    return byTies(`Many ties: ${few.map(({ name, distinct }) => `${name} has ${distinct} different values`).join(', ')}.`);
  if (disagree) return byRanks('Pearson’s r and Spearman’s ρ differ here, as the cautions say: ranks follow whatever rises or falls.');
  if (oneRow) return byRanks('One row carries r, as the cautions say: among ranks it weighs no more than others.');
  return { method: 'pearson', because: 'Neither shape is marked, and r says most of a straight relation.', also: null };
}

function tauToo(n: number | undefined): MethodAdvice['also'] {
  const exact = n !== undefined && n <= EXACT_ROWS;
  return { method: 'kendall', because: exact ? 'its p is exact for so few rows without ties' : 'its interval counts ties' };
}

function withRelation(p: string): string {
  return /^[<>]/.test(p) ? p : `= ${p}`;
}
