import { readFileSync, writeFileSync } from 'node:fs';

/** What a simulation found: of how many samples which share did what, beside what is wanted. */
export interface Simulated {
  readonly what: string;
  readonly setting: string;
  readonly share: number;
  readonly wanted: string;
  readonly samples: number;
}

const FILE = 'reference/simulated.json';

/** Keeps what a simulation found for the table in docs/statistics.md; the latest run of each setting counts. */
export function record(found: readonly Simulated[]): void {
  const known = readKnown();
  const keyOf = ({ what, setting }: Simulated) => `${what} ${setting}`;
  const renewed = new Map(known.map((item) => [keyOf(item), item]));
  for (const item of found) renewed.set(keyOf(item), item);
  writeFileSync(FILE, `${JSON.stringify([...renewed.values()], null, 1)}\n`);
}

function readKnown(): Simulated[] {
  try {
    return JSON.parse(readFileSync(FILE, 'utf8')) as Simulated[];
  } catch {
    return [];
  }
}
