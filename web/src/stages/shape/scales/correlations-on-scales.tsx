import { SCALE_WORDS, type ScalesResult } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { coefficientText } from '../../../numbers/number-text';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';

const OF_RANKS = METHOD_NAMES.filter((method) => COEFFICIENTS[method].ofRanks);
const OF_VALUES = METHOD_NAMES.filter((method) => !COEFFICIENTS[method].ofRanks);

type Partner = ScalesResult['scales'][number]['correlations'][number];

interface CorrelationsOnScalesProps {
  readonly scales: ScalesResult['scales'];
  readonly nameOf: (variable: string) => string;
  /** Its name. */
  readonly variable: string;
}

/** What the correlations of a variable become: ranks once, since scales that keep the order leave them alone, r on each scale. */
export function CorrelationsOnScales({ scales, nameOf, variable }: CorrelationsOnScalesProps) {
  const taken = scales.filter(({ shape }) => shape !== null);
  const raw = taken.find(({ scale }) => scale === 'raw')?.correlations ?? [];
  const column = (name: string, of: (partner: Partner) => number | null | undefined): TableColumn<Partner> => ({
    name,
    shown: (partner) => coefficientText(of(partner) ?? Number.NaN),
    exact: (partner) => of(partner) ?? null,
  });
  const table: ValueTable<Partner> = {
    caption: 'Rank coefficients are the same on every scale that keeps the order; r is given on each.',
    columns: [
      { name: 'with', shown: (partner) => nameOf(partner.with) },
      ...OF_RANKS.map((method) => column(COEFFICIENTS[method].symbol, ({ coefficients }) => coefficients[method])),
      ...OF_VALUES.flatMap((method) =>
        taken.map(({ scale, correlations }) =>
          column(
            `${COEFFICIENTS[method].symbol}, ${SCALE_WORDS[scale]}`,
            (partner) => correlations.find((item) => item.with === partner.with)?.coefficients[method],
          ),
        ),
      ),
    ],
    rows: raw,
  };
  return (
    <div className="mt-2 overflow-x-auto">
      <ValueTableView table={table} captionShown className="" fileName={`Correlations of ${variable} on other scales`} />
    </div>
  );
}
