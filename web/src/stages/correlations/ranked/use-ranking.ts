import { useSearchParams } from 'react-router';

export const SIGNIFICANCE = ['any', 'marked', 'unmarked'] as const;
export const CAUTIONED = ['any', 'decisive', 'some', 'none'] as const;

/** How the pairs are sorted and which of them are shown. */
export interface Ranking {
  readonly sort: string;
  readonly ascending: boolean;
  /** A part of a variable's name. */
  readonly find: string;
  /** Smallest |coefficient| shown. */
  readonly least: number;
  readonly significance: (typeof SIGNIFICANCE)[number];
  readonly cautioned: (typeof CAUTIONED)[number];
}

const DEFAULTS: Ranking = { sort: 'size', ascending: false, find: '', least: 0, significance: 'any', cautioned: 'any' };

/** The ranking in the address: it survives reload and can be shared. */
export function useRanking(): { ranking: Ranking; change: (part: Partial<Ranking>) => void } {
  const [params, setParams] = useSearchParams();
  const least = Number(params.get('least'));
  const ranking: Ranking = {
    sort: params.get('sort') ?? DEFAULTS.sort,
    ascending: params.get('ascending') === 'yes',
    find: params.get('find') ?? '',
    least: least > 0 && least <= 1 ? least : 0,
    significance: SIGNIFICANCE.find((item) => item === params.get('significance')) ?? 'any',
    cautioned: CAUTIONED.find((item) => item === params.get('cautioned')) ?? 'any',
  };
  const change = (part: Partial<Ranking>) =>
    setParams(
      (current) => {
        const next: Ranking = { ...ranking, ...part };
        for (const key of Object.keys(DEFAULTS) as (keyof Ranking)[]) {
          if (next[key] === DEFAULTS[key]) current.delete(key);
          else current.set(key, next[key] === true ? 'yes' : String(next[key]));
        }
        return current;
      },
      { replace: true },
    );
  return { ranking, change };
}
