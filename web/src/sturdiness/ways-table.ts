import type { WayResult, WaysResult } from '@ivlen/contract';
import { coefficientText, intervalText, pText } from '../numbers/number-text';
import type { TableColumn, ValueTable } from '../tables/columns';
import type { NamedChoice } from './pinned-ways';
import { impossibleInWords } from './ways-words';

/** All ways in order of size, the impossible ones last, with what each rests on. */
export function waysTable(
  result: WaysResult,
  choices: readonly NamedChoice[],
  caption: string,
  levels: readonly number[],
): ValueTable<WayResult> {
  const size = ({ coefficient }: WayResult) => coefficient ?? Number.POSITIVE_INFINITY;
  const own = result.ways[result.own];
  return {
    caption,
    columns: [
      {
        name: 'coefficient',
        align: 'right',
        shown: ({ coefficient }) => (coefficient === null ? '–' : coefficientText(coefficient)),
        exact: ({ coefficient }) => coefficient,
      },
      {
        name: 'interval',
        only: 'screen',
        shown: ({ low, high }) => (low === null || high === null ? '' : intervalText(low, high)),
      },
      { name: 'low', only: 'file', shown: () => '', exact: ({ low }) => low },
      { name: 'high', only: 'file', shown: () => '', exact: ({ high }) => high },
      { name: 'p', shown: ({ pValue }) => (pValue === null ? '' : pText(pValue, levels)), exact: ({ pValue }) => pValue },
      { name: 'n', shown: ({ n }) => n.toLocaleString('en-GB'), exact: ({ n }) => n },
      ...choices.flatMap(choiceColumn),
      { name: 'in force', align: 'left', shown: (way) => (way === own ? 'yes' : '') },
      ...(result.summary.impossible > 0 ? [{ name: 'impossible', align: 'left', shown: impossibleInWords } as const] : []),
    ],
    rows: result.ways.toSorted((a, b) => size(a) - size(b)),
    isStrong: (way) => way === own,
  };
}

function choiceColumn({ title, options, places }: NamedChoice, choice: number): TableColumn<WayResult>[] {
  if (places.length < 2) return [];
  const text = (way: WayResult) => {
    const stands = way.options[choice] ?? [];
    return stands.length === places.length ? 'any' : stands.map((option) => options[places[option] ?? 0]?.label ?? '').join(' or ');
  };
  return [{ name: title, align: 'left', shown: text }];
}
