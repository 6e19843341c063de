import type { PairCaution, TakenRemedy } from '@ivlen/contract';

/** What a caution's advice needs to be carried out. */
export interface AdviceContext {
  /** The variable that names the cases. */
  readonly identifier: string | null;
  /** The variable whose groups are compared. */
  readonly groupBy: string | null;
}

/** What a caution advises, as it can be decided on; null where it advises nothing that is a coefficient of this pair. */
export function advisedRemedy({ remedy, values }: PairCaution, { identifier, groupBy }: AdviceContext): TakenRemedy | null {
  switch (remedy?.kind) {
    case 'ranks':
      return { kind: 'method', method: 'spearman' };
    case 'distribution-free':
    case 'permutation':
    case 'behind-steps':
      return { kind: remedy.kind };
    case 'maximum-likelihood':
      return { kind: 'maximum-likelihood', among: [] };
    case 'below-limit':
      return { kind: 'below-limit', logs: values.logs === 1 };
    case 'within-cases':
      return identifier === null ? null : { kind: 'within', by: identifier };
    case 'within-groups':
      return groupBy === null ? null : { kind: 'within', by: groupBy };
    case 'component-constant':
      return remedy.held.length === 0 ? null : { kind: 'constant', held: remedy.held };
    default:
      return null;
  }
}

/** The row that a caution advises to do without; null for other advice. That it carries a coefficient is no reason to set it aside. */
export function rowToDoWithout({ remedy, code }: PairCaution): number | null {
  return code === 'one-point' ? (remedy?.row ?? null) : null;
}

/** Remedies that are about the rows or the variables of a study, not about one pair: for all they are one decision. */
export function isForAll({ kind }: TakenRemedy): boolean {
  return kind === 'within' || kind === 'maximum-likelihood' || kind === 'behind-steps' || kind === 'below-limit';
}

/** Whether what was decided for a pair is what a caution advises, so that it warns of nothing any more. */
export function isSettled(caution: PairCaution, taken: TakenRemedy | null, context: AdviceContext): boolean {
  if (!taken) return false;
  if (caution.code === 'rows-not-independent') {
    return taken.kind === 'between' || taken.kind === 'cases-drawn' || (taken.kind === 'within' && taken.by === context.identifier);
  }
  // Also where the advice could not be computed for this pair alone: over a set maximum likelihood may be.
  if (ANSWERED_BY[caution.code] === taken.kind) return true;
  const advised = advisedRemedy(caution, context);
  if (advised?.kind === 'within' && taken.kind === 'within') return advised.by === taken.by;
  return advised?.kind === taken.kind;
}

const ANSWERED_BY: Readonly<Partial<Record<PairCaution['code'], TakenRemedy['kind']>>> = {
  'many-missing': 'maximum-likelihood',
  ordinal: 'behind-steps',
  'below-limit': 'below-limit',
};
