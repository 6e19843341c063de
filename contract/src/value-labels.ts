/** The label of a value as it is written, if it has one. What every object inherits, such as `constructor`, is none. */
export function labelOf(labels: Readonly<Record<string, string>>, written: string): string | undefined {
  return Object.hasOwn(labels, written) ? labels[written] : undefined;
}
