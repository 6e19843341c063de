/** Why a formula cannot be understood, and at which character (from 1). The message is a sentence for its author. */
export class FormulaError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
    this.name = 'FormulaError';
  }
}
