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

/** Another test of the same, for all variables. */
export interface OtherJointTest {
  readonly name: string;
  readonly pValue: number;
}

/** From here on the test rejects departures that do not matter. */
const LARGE = 500;

/**
 * What a test of joint normality, repeated leaving each variable out, says in words.
 * Other tests are named where they decide otherwise, so that the words never stand against numbers beside them.
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
  { names, level, test, others = [] }: { names: readonly string[]; level: number; test?: string; others?: readonly OtherJointTest[] },
): JointVerdict {
  const verdict = verdictOf(all, without, { names, level, ...(test ? { test } : {}) });
  if (verdict.rejected === null) return verdict;
  const differing = others.filter(({ pValue }) => pValue >= 0 && pValue <= level !== verdict.rejected).map(({ name }) => name);
  if (differing.length === 0) return verdict;
  const list = differing.length === 1 ? differing[0] : `${differing.slice(0, -1).join(', ')} and ${differing.at(-1)}`;
  const otherwise = verdict.rejected
    ? `${list} ${differing.length === 1 ? 'detects' : 'detect'} none`
    : `${list} ${differing.length === 1 ? 'rejects' : 'reject'} joint normality`;
  return { ...verdict, words: `${verdict.words.replace(/\.$/, '')}; but ${otherwise}.` };
}

function verdictOf(
  all: JointP & { readonly n: number },
  without: readonly (JointP | undefined)[],
  { names, level, test }: { names: readonly string[]; level: number; test?: string },
): JointVerdict {
  const by = test ? ` by ${test}` : '';
  const { n } = all;
  if (!(all.pValue >= 0)) return { rejected: null, leading: null, words: 'The test has no p here.' };
  if (all.pValue > level) return { rejected: false, leading: null, words: `No departure from joint normality detected${by}.` };
  const large = n >= LARGE ? ` At n = ${n.toLocaleString('en-GB')} it rejects even trifles: look at the plot as well.` : '';
  const toCome = without.filter((p) => p === undefined).length;
  if (toCome > 0)
    return {
      rejected: true,
      leading: null,
      words: `Joint normality is rejected${by}; which variable brings it is still being computed.${large}`,
    };
  const leading = mostSparing(without);
  if (leading === null) return { rejected: true, leading, words: `Joint normality is rejected${by}.${large}` };
  const name = names[leading];
  const spared = without.flatMap((p, i) => (p && p.pValue > level ? [names[i]] : []));
  if (spared.length === 1) {
    return { rejected: true, leading, words: `Joint normality is rejected${by} because of ${name}: without it no departure is detected.` };
  }
  if (spared.length > 1) {
    const list = `${spared.slice(0, -1).join(', ')} or ${spared.at(-1)}`;
    return { rejected: true, leading, words: `Joint normality is rejected${by}; leaving out any one of ${list} is enough, ${name} most.` };
  }
  return {
    rejected: true,
    leading,
    words: `Joint normality is rejected${by}, and no single variable brings it: it still is without ${name}, which matters most.${large}`,
  };
}

function mostSparing(without: readonly (JointP | undefined)[]): number | null {
  let best: number | null = null;
  without.forEach((p, i) => {
    if (p && p.log10P === p.log10P && (best === null || p.log10P > (without[best]?.log10P ?? Number.NEGATIVE_INFINITY))) best = i;
  });
  return best;
}
