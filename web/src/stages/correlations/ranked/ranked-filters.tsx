import { CAUTIONED_WORDS, SIGNIFICANCE_WORDS } from './ranking-words';
import { CAUTIONED, type Ranking, SIGNIFICANCE } from './use-ranking';

const SIZES = [0, 0.1, 0.3, 0.5, 0.7, 0.9];

interface RankedFiltersProps {
  readonly ranking: Ranking;
  readonly onChange: (part: Partial<Ranking>) => void;
}

/** Which pairs are shown: of a variable, from a size, by significance, by cautions. */
export function RankedFilters({ ranking, onChange }: RankedFiltersProps) {
  const select = 'rounded border border-edge bg-surface px-1.5 py-1';
  return (
    <>
      <input
        type="search"
        className="field w-40"
        aria-label="Only pairs of a variable"
        placeholder="pairs of …"
        value={ranking.find}
        onChange={(event) => onChange({ find: event.target.value })}
      />
      <select
        aria-label="Smallest size"
        className={select}
        value={String(ranking.least)}
        onChange={(event) => onChange({ least: Number(event.target.value) })}
      >
        {SIZES.map((size) => (
          <option key={size} value={String(size)}>
            {size === 0 ? 'any size' : `at least ${String(size).replace(/^0/, '')}`}
          </option>
        ))}
      </select>
      <select
        aria-label="Significance"
        className={select}
        value={ranking.significance}
        onChange={(event) => onChange({ significance: SIGNIFICANCE.find((item) => item === event.target.value) ?? 'any' })}
      >
        {SIGNIFICANCE.map((item) => (
          <option key={item} value={item}>
            {SIGNIFICANCE_WORDS[item]}
          </option>
        ))}
      </select>
      <select
        aria-label="Cautions"
        className={`${select} max-w-56`}
        value={ranking.cautioned}
        onChange={(event) => onChange({ cautioned: CAUTIONED.find((item) => item === event.target.value) ?? 'any' })}
      >
        {CAUTIONED.map((item) => (
          <option key={item} value={item}>
            {CAUTIONED_WORDS[item]}
          </option>
        ))}
      </select>
    </>
  );
}
