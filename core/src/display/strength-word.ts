const COHEN: readonly (readonly [number, string])[] = [
  [0.5, 'large'],
  [0.3, 'medium'],
  [0.1, 'small'],
];

/** The conventional word for the size of a correlation; lower bounds inclusive. Source: Cohen (1988), sect. 3.2.1. */
export function strengthWord(coefficient: number): string {
  const size = Math.abs(coefficient);
  return COHEN.find(([bound]) => size >= bound)?.[1] ?? 'negligible';
}
