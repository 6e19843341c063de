/** What a service refuses, in words for the researcher; the error handler turns the code into a status. */
export class DomainError extends Error {
  readonly where: string | undefined;
  readonly hint: string | undefined;

  constructor(
    readonly code: string,
    message: string,
    { where, hint }: { where?: string; hint?: string } = {},
  ) {
    super(message);
    this.name = 'DomainError';
    this.where = where;
    this.hint = hint;
  }
}
