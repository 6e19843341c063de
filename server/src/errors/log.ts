/**
 * Writes an error into the log, without what it may hold of a study: the texts of the database and of parsers quote
 * values, so that only what they are called is kept of them, and where in the program it happened.
 */
export function logError(what: string, error: unknown): void {
  console.error(`${new Date().toISOString()} ${what}: ${loggable(error)}`);
}

/** Names of things of the database, none of which is a value. */
const FACTS = ['code', 'severity', 'routine', 'table', 'column', 'constraint'] as const;

/** An error in words for the log: its kind, its facts, the places in the program; a message only if it is our own. */
export function loggable(error: unknown): string {
  if (!(error instanceof Error)) return typeof error;
  const facts = FACTS.flatMap((name) => {
    const value = (error as Error & Partial<Record<typeof name, unknown>>)[name];
    return typeof value === 'string' ? [`${name} ${value}`] : [];
  });
  const places = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const quotes = 'severity' in error || error instanceof SyntaxError;
  const message = quotes ? '(its text is not kept, since it may quote values)' : error.message.slice(0, 300);
  return [`${error.name}: ${message}`, ...facts.map((fact) => `  ${fact}`), ...places].join('\n');
}
