import type { CorrelationSettings, SubgroupPairResult } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { adjustmentInWords } from '../coefficients/sentence-parts';
import { coefficientText, pText } from '../numbers/number-text';
import type { ValueTable } from '../tables/columns';
import { intervalColumns } from '../tables/interval-columns';
import { ValueTableView } from '../tables/value-table-view';
import { type ComparedPair, pairName, type ShownGroup } from './compared-pairs';
import { limitsOf } from './group-table';
import { placeInResult } from './place-in-result';

interface EveryTwoGroupsProps {
  readonly details: SubgroupPairResult;
  readonly groups: readonly ShownGroup[];
  readonly pair: ComparedPair;
  readonly settings: CorrelationSettings;
}

interface TwoGroups {
  readonly first: ShownGroup;
  readonly second: ShownGroup;
  readonly compared: SubgroupPairResult['everyTwo'][number];
}

/** Each two groups of a pair compared, p adjusted for the number of comparisons. */
export function EveryTwoGroups({ details, groups, pair, settings }: EveryTwoGroupsProps) {
  const { levels, level, adjust } = settings;
  const method = adjust === 'none' ? 'holm' : adjust;
  const rows = everyTwo(details, groups);
  const tested = rows.filter(({ compared }) => compared.pValue !== null).length;
  const table: ValueTable<TwoGroups> = {
    caption: `${pairName(pair)}: every two groups`,
    columns: [
      { name: 'groups', shown: ({ first, second }) => `${first.label} − ${second.label}` },
      {
        name: 'difference',
        shown: ({ compared }) => text(compared.difference, coefficientText),
        exact: ({ compared }) => compared.difference,
      },
      ...intervalColumns<TwoGroups>(`${percent(level)} interval`, ({ compared }) => limitsOf(compared)),
      {
        name: 'q',
        nameInFile: 'Cohen’s q',
        shown: ({ compared }) => text(compared.cohensQ, (q) => formatFixed(q, 2)),
        exact: ({ compared }) => compared.cohensQ,
      },
      { name: 'z', shown: ({ compared }) => text(compared.z, (z) => formatFixed(z, 2)), exact: ({ compared }) => compared.z },
      { name: 'p', shown: ({ compared }) => text(compared.pValue, (p) => pText(p, levels)), exact: ({ compared }) => compared.pValue },
      {
        name: 'p, adjusted',
        shown: ({ compared }) => text(compared.adjustedP, (p) => pText(p, levels)),
        exact: ({ compared }) => compared.adjustedP,
      },
    ],
    rows,
    isStrong: ({ compared }) => (compared.adjustedP ?? Number.NaN) <= (levels[0] ?? 0.05),
  };
  return (
    <>
      <ValueTableView table={table} className="w-full text-[13px]" />
      <p className="mt-1 text-[13px] text-muted">
        q is Cohen’s, the difference of z. p {adjustmentInWords(method)} for{' '}
        {tested === 1 ? 'the one comparison' : `the ${tested} comparisons`} of this pair
        {adjust === 'none' ? ', though the study adjusts nothing: among several comparisons some are small by chance' : ''}; intervals
        unadjusted.
      </p>
    </>
  );
}

/** As the groups are shown: the first less the second. */
function everyTwo(details: SubgroupPairResult, groups: readonly ShownGroup[]): TwoGroups[] {
  const places = groups.map((group) => placeInResult(details, group));
  return groups.flatMap((first, i) =>
    groups.slice(i + 1).flatMap((second, k) => {
      const [a, b] = [places[i], places[i + 1 + k]];
      const found = details.everyTwo.find((two) => (two.first === a && two.second === b) || (two.first === b && two.second === a));
      return found ? [{ first, second, compared: found.first === a ? found : turned(found) }] : [];
    }),
  );
}

function turned(two: SubgroupPairResult['everyTwo'][number]): SubgroupPairResult['everyTwo'][number] {
  const minus = (value: number | null) => (value === null ? null : 0 - value);
  const { difference, low, high, z, cohensQ } = two;
  return { ...two, difference: minus(difference), low: minus(high), high: minus(low), z: minus(z), cohensQ: minus(cohensQ) };
}

function text(value: number | null, write: (value: number) => string): string {
  return value === null ? '–' : write(value);
}
