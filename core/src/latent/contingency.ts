import { completePair } from '../columns/complete-rows';

/** Counts of the pairs of levels of two variables. */
export interface Contingency {
  /** rows × columns, row-major. */
  readonly counts: Float64Array;
  readonly rows: number;
  readonly columns: number;
  readonly n: number;
  /** The values of the levels that are used, ascending. */
  readonly rowLevels: Float64Array;
  readonly columnLevels: Float64Array;
}

/** Distinct values of complete values, ascending. */
export function levelsOf(values: Float64Array): Float64Array {
  return Float64Array.from(new Set(values)).sort();
}

/** The complete rows of a pair, counted by the two levels; levels that nobody chose are none. */
export function contingencyOf(x: Float64Array, y: Float64Array): Contingency {
  const complete = completePair(x, y);
  const [rowLevels, columnLevels] = [levelsOf(complete.x), levelsOf(complete.y)];
  const [rowOf, columnOf] = [placesOf(rowLevels), placesOf(columnLevels)];
  const columns = columnLevels.length;
  const counts = new Float64Array(rowLevels.length * columns);
  for (let i = 0; i < complete.x.length; i++) {
    counts[(rowOf.get(complete.x[i]) ?? 0) * columns + (columnOf.get(complete.y[i]) ?? 0)]++;
  }
  return { counts, rows: rowLevels.length, columns, n: complete.x.length, rowLevels, columnLevels };
}

function placesOf(levels: Float64Array): Map<number, number> {
  return new Map(Array.from(levels, (level, place) => [level, place]));
}

export function marginsOf({ counts, rows, columns }: Pick<Contingency, 'counts' | 'rows' | 'columns'>) {
  const [ofRows, ofColumns] = [new Float64Array(rows), new Float64Array(columns)];
  for (let i = 0; i < rows; i++) {
    for (let j = 0; j < columns; j++) {
      ofRows[i] += counts[i * columns + j];
      ofColumns[j] += counts[i * columns + j];
    }
  }
  return { ofRows, ofColumns };
}

/**
 * Whether counts stand on a path of cells that only rises (1) or only falls (−1), so that a coefficient of ±1 with the
 * thresholds of the margins gives each cell exactly its share; 0 where cells lie on both sides of every such path.
 */
export function separationOf({ counts, rows, columns }: Pick<Contingency, 'counts' | 'rows' | 'columns'>): -1 | 0 | 1 {
  const isPath = (columnAt: (place: number) => number) => {
    let furthest = -1;
    for (let i = 0; i < rows; i++) {
      let last = furthest;
      for (let place = 0; place < columns; place++) {
        if (counts[i * columns + columnAt(place)] === 0) continue;
        if (place < furthest) return false;
        last = Math.max(last, place);
      }
      furthest = last;
    }
    return true;
  };
  if (isPath((place) => place)) return 1;
  return isPath((place) => columns - 1 - place) ? -1 : 0;
}
