import { fittedLine, partialCorrelation, pearson, rankColumn, spearman } from '@ivlen/core';
import { endsOf } from '../../figures/charts/nice-axis';
import { coefficientText, relationText } from '../../numbers/number-text';
import { demoValues } from '../demo-values';
import type { FigureProps } from './figure-props';
import { Dots, Line, Panel } from './panel';

const HEIGHT = 262;
const GAP = 12;

interface Plot {
  readonly title: string;
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly xLabel: string;
  readonly yLabel: string;
}

/** Phosphate against water temperature of the demo, before and after what elevation tells was taken out. */
export function HeldConstant({ width, label }: FigureProps) {
  const [temperature, phosphate, elevation] = complete('water_temp', 'phosphate', 'elevation');
  const r = pearson(temperature, phosphate).coefficient;
  const partial = partialCorrelation(temperature, phosphate, [elevation], { method: 'pearson' }).coefficient;
  return (
    <TwoPlots
      width={width}
      label={label}
      plots={[
        {
          title: `all stations: ${relationText('r', coefficientText(r))}`,
          x: [...temperature],
          y: [...phosphate],
          xLabel: 'water temp, °C',
          yLabel: 'phosphate, µg/L',
        },
        {
          title: `elevation held constant: ${relationText('r', coefficientText(partial))}`,
          x: rest(elevation, temperature),
          y: rest(elevation, phosphate),
          xLabel: 'water temp, what elevation leaves',
          yLabel: 'phosphate, what is left',
        },
      ]}
    />
  );
}

/** Mayfly taxa against nitrate of the demo, as values and as ranks. */
export function ValuesAndRanks({ width, label }: FigureProps) {
  const [nitrate, taxa] = complete('nitrate', 'mayfly_taxa');
  return (
    <TwoPlots
      width={width}
      label={label}
      plots={[
        {
          title: `values: ${relationText('r', coefficientText(pearson(nitrate, taxa).coefficient))}`,
          x: [...nitrate],
          y: [...taxa],
          xLabel: 'nitrate, mg/L',
          yLabel: 'mayfly taxa',
        },
        {
          title: `ranks: ${relationText('ρ', coefficientText(spearman(nitrate, taxa).coefficient))}`,
          x: midranks(nitrate),
          y: midranks(taxa),
          xLabel: 'rank of nitrate',
          yLabel: 'rank of mayfly taxa',
        },
      ]}
    />
  );
}

function TwoPlots({ width, label, plots }: FigureProps & { readonly plots: readonly Plot[] }) {
  const each = (width - GAP) / 2;
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label}>
      {plots.map(({ title, x, y, xLabel, yLabel }, i) => {
        const line = fittedLine(Float64Array.from(x), Float64Array.from(y));
        return (
          <Panel key={title} left={i * (each + GAP)} width={each} height={HEIGHT} x={x} y={y} xLabel={xLabel} yLabel={yLabel} title={title}>
            {(scaleX, scaleY) => (
              <>
                <Dots x={x.map((value) => scaleX(value))} y={y.map((value) => scaleY(value))} />
                <Line scales={[scaleX, scaleY]} from={[0, line.intercept]} slope={line.slope} ends={endsOf(x)} />
              </>
            )}
          </Panel>
        );
      })}
    </svg>
  );
}

/** Columns of the demo, of the rows that have all of them. */
function complete<Names extends readonly string[]>(...names: Names): { [K in keyof Names]: Float64Array } {
  const columns = names.map(demoValues);
  const rows = [...(columns[0] ?? []).keys()].filter((row) => columns.every((column) => !Number.isNaN(column[row])));
  return columns.map((column) => Float64Array.from(rows, (row) => column[row] ?? Number.NaN)) as { [K in keyof Names]: Float64Array };
}

/** What one variable leaves of another. */
function rest(told: Float64Array, of: Float64Array): number[] {
  const { slope, intercept } = fittedLine(told, of);
  return [...of].map((value, i) => value - intercept - slope * (told[i] ?? 0));
}

/** Ranks from 1, of which tied values share the middle. */
function midranks(values: Float64Array): number[] {
  const { dense } = rankColumn(values);
  const sizes: number[] = [];
  for (const place of dense) sizes[place] = (sizes[place] ?? 0) + 1;
  let below = 0;
  const middles = sizes.map((size) => {
    const middle = below + (size + 1) / 2;
    below += size;
    return middle;
  });
  return [...dense].map((place) => middles[place] ?? Number.NaN);
}
