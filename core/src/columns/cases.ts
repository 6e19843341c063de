/** Which case each row belongs to, numbered in the order in which cases first stand; rows without an identifier stand for themselves. */
export interface Cases {
  readonly caseOf: Int32Array;
  readonly count: number;
}

export function casesOf(identifiers: Float64Array): Cases {
  const known = new Map<number, number>();
  let count = 0;
  const caseOf = Int32Array.from(identifiers, (identifier) => {
    const before = known.get(identifier);
    if (before !== undefined) return before;
    if (identifier === identifier) known.set(identifier, count);
    return count++;
  });
  return { caseOf, count };
}

/** The mean of each case. */
export function meansOfCases(column: Float64Array, { caseOf, count }: Cases): Float64Array {
  // From the first value of each, so that large values with small differences keep their digits.
  const first = new Float64Array(count).fill(Number.NaN);
  const [sums, rows] = [new Float64Array(count), new Float64Array(count)];
  for (let i = 0; i < column.length; i++) {
    const at = caseOf[i];
    if (first[at] !== first[at]) first[at] = column[i];
    sums[at] += column[i] - first[at];
    rows[at]++;
  }
  return first.map((value, at) => value + sums[at] / rows[at]);
}

/** The label that all rows of a case share; NaN where they differ. */
export function labelsOfCases(labels: Float64Array, { caseOf, count }: Cases): Float64Array {
  const shared = new Float64Array(count);
  const seen = new Uint8Array(count);
  for (let i = 0; i < labels.length; i++) {
    const at = caseOf[i];
    if (seen[at] === 0) shared[at] = labels[i];
    else if (shared[at] !== labels[i]) shared[at] = Number.NaN;
    seen[at] = 1;
  }
  return shared;
}
