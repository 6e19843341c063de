import { DomainError } from '../errors/domain-error';

/** What a worker sends back: errors lose their class on the way between threads, so refusals travel as data. */
export type Outcome = { result: unknown } | { refused: { code: string; message: string; where?: string; hint?: string } };

export function isOutcome(value: unknown): value is Outcome {
  return typeof value === 'object' && value !== null && ('result' in value || 'refused' in value);
}

export async function outcomeOf(perform: () => Promise<unknown>): Promise<Outcome> {
  try {
    return { result: await perform() };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    const { code, message, where, hint } = error;
    return { refused: { code, message, ...(where ? { where } : {}), ...(hint ? { hint } : {}) } };
  }
}

/** What was computed elsewhere, as if it had been here. @throws {DomainError} what was refused there */
export function resultOf(outcome: Outcome): unknown {
  if ('result' in outcome) return outcome.result;
  const { code, message, where, hint } = outcome.refused;
  throw new DomainError(code, message, { ...(where ? { where } : {}), ...(hint ? { hint } : {}) });
}
