import table from '../../../samples/aldermere-streams.csv?raw';

/** The table of the demo as it is shipped, so that a figure of help is the same whatever became of the study. */
const [names = [], ...rows] = table
  .trim()
  .split('\n')
  .map((line) => line.split(','));

/** A column of the demo as numbers; what is no number is missing. */
export function demoValues(name: string): Float64Array {
  return Float64Array.from(demoTexts(name), (text) => (text === '' ? Number.NaN : Number(text)));
}

/** A column of the demo as it stands. */
export function demoTexts(name: string): readonly string[] {
  const at = names.indexOf(name);
  if (at < 0) throw new RangeError(`The demo has no ${name}.`);
  return rows.map((cells) => cells[at] ?? '');
}

/** How many rows and which columns it has. */
export const DEMO = { names, rows: rows.length } as const;
