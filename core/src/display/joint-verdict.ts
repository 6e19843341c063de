/** A p-value of joint normality, of all variables or with one left out; log10 tells apart what is too small to be a number. */
export interface JointP {
  readonly pValue: number;
  readonly log10P: number;
}

export interface JointVerdict {
  /** Whether the test rejects for all variables; null where it has no p. */
  readonly rejected: boolean | null;
  /** Place of the variable without which the test speaks least against joint normality; null where nothing is rejected. */
  readonly leading: number | null;
  readonly words: string;
}

/** From here on the test rejects departures that do not matter. */
const LARGE = 500;

/**
 * What a test of joint normality, repeated leaving each variable out, says in words.
 * @param without one for each name, on the same rows; undefined while it is not computed yet: until all are there, no variable
 * is named or cleared
 *
 * @example
 * jointVerdict({ pValue: 0.3, log10P: -0.52, n: 80 }, [], { names: [],
 *   level: 0.05 }).words; // 'No departure from joint normality detected.'
 */
export function jointVerdict(
  all: JointP & { readonly n: number },
  without: readonly (JointP | undefined)[],
  { names, level }: { names: readonly string[]; level: number },
): JointVerdict {
  const { n } = all;
  if (!(all.pValue >= 0)) return { rejected: null, leading: null, words: 'The test has no p here.' };
  if (all.pValue > level) return { rejected: false, leading: null, words: 'No departure from joint normality detected.' };
  const large = n >= LARGE ? ` At n = ${n.toLocaleString('en-GB')} it rejects even trifles: look at the plot as well.` : '';
  const toCome = without.filter((p) => p === undefined).length;
  if (toCome > 0)
    return {
      rejected: true,
      leading: null,
      words: `Joint normality is rejected; which variable brings it is still being computed.${large}`,
    };
  const leading = mostSparing(without);
  if (leading === null) return { rejected: true, leading, words: `Joint normality is rejected.${large}` };
  const name = names[leading];
  const spared = without.flatMap((p, i) => (p && p.pValue > level ? [names[i]] : []));
  if (spared.length === 1) {
    return { rejected: true, leading, words: `Joint normality is rejected because of ${name}: without it no departure is detected.` };
  }
  if (spared.length > 1) {
    const list = `${spared.slice(0, -1).join(', ')} or ${spared.at(-1)}`;
    return { rejected: true, leading, words: `Joint normality is rejected; leaving out any one of ${list} is enough, ${name} most.` };
  }
  return {
    rejected: true,
    leading,
    words: `Joint normality is rejected, and no single variable brings it: it still is without ${name}, which matters most.${large}`,
  };
}

function mostSparing(without: readonly (JointP | undefined)[]): number | null {
  let best: number | null = null;
  without.forEach((p, i) => {
    if (p && p.log10P === p.log10P && (best === null || p.log10P > (without[best]?.log10P ?? Number.NEGATIVE_INFINITY))) best = i;
  });
  return best;
}
