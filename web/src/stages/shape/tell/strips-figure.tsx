import type { ShapeResult, ShapeSettings } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { formatMeasured } from '../../../figures/format-measured';
import { HistogramFigure } from '../../../figures/marks/histogram-figure';
import { QuantileFigure } from '../../../figures/marks/quantile-figure';
import { axisLabel } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import type { ToldFigure } from '../../../telling/told';
import { verdictOf } from '../strips/shape-columns';
import type { StripSubject } from '../strips/shape-lines';

interface DrawnStrip {
  readonly subject: StripSubject;
  readonly shape: ShapeResult | undefined;
}

const [STRIP, PLOT] = [70, 60];
const [NAME_LETTERS, VERDICT_LETTERS] = [22, 32];

/** Each variable as a strip: histogram, normal quantile plot, its numbers and what they say. */
export function stripsFigure({ client }: Asking, strips: readonly DrawnStrip[], settings: ShapeSettings): ToldFigure {
  const names = strips.map(({ subject }) => nameOf(subject)).join(', ');
  return drawnFigure(client, {
    title: 'Shapes',
    caption: `Shape of ${strips.length === 1 ? names : `${strips.length} variables`}: histogram with kernel density and normal curve, quartiles and outliers on its axis; normal quantile plot with the band that holds all points of 95 in 100 normal samples.`,
    alternative: `Histograms and normal quantile plots of ${names}.`,
    element: (width) => <Strips strips={strips} settings={settings} width={width} />,
  });
}

function Strips({ strips, settings, width }: { strips: readonly DrawnStrip[]; settings: ShapeSettings; width: number }) {
  const name = 116;
  const numbers = 170;
  const histogram = width - name - numbers - PLOT - 24;
  return (
    <svg width={width} height={strips.length * STRIP} role="img" aria-label="Shapes">
      {strips.map(({ subject, shape }, i) => {
        const label = nameOf(subject);
        const d = shape?.description;
        const measured = (value: number | null) => formatMeasured(value, d?.sd ?? null, subject.variable.decimals);
        return (
          <g key={label} transform={`translate(0,${i * STRIP})`}>
            {i > 0 && <line x2={width} stroke="var(--rule)" />}
            {linesOf(label, NAME_LETTERS).map((line, k) => (
              <text key={line} x={0} y={STRIP / 2 - 2 + k * 13} fontSize={11} fill="var(--ink)">
                {line}
              </text>
            ))}
            {shape && d && (
              <>
                <g transform={`translate(${name},5)`}>
                  <HistogramFigure shape={shape} label={label} width={histogram} height={PLOT} />
                </g>
                <g transform={`translate(${name + histogram + 12},5)`}>
                  <QuantileFigure shape={shape} label={label} width={PLOT} height={PLOT} />
                </g>
                {[
                  `mean ${measured(d.mean)}, SD ${measured(d.sd)}`,
                  `skewness ${fixed(d.skewness)}, kurtosis ${fixed(d.excessKurtosis)}`,
                  ...linesOf(verdictOf(shape, settings).words, VERDICT_LETTERS),
                ].map((line, k) => (
                  <text
                    key={k}
                    x={width - numbers + 12}
                    y={16 + k * 14}
                    fontSize={10}
                    fill={k >= 2 ? 'var(--ink)' : 'var(--muted)'}
                    fontWeight={k >= 2 && verdictOf(shape, settings).marked ? 600 : 400}
                  >
                    {line}
                  </text>
                ))}
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}

function nameOf({ variable, group }: StripSubject): string {
  return group ? `${axisLabel(variable)}: ${group.label}` : axisLabel(variable);
}

/** Words on two lines where they are long, and cut where they are longer still. */
function linesOf(words: string, letters: number): string[] {
  if (words.length <= letters) return [words];
  const at = words.lastIndexOf(' ', letters);
  const cut = at > 4 ? at : letters;
  const rest = words.slice(cut).trim();
  return [words.slice(0, cut), rest.length > letters ? `${rest.slice(0, letters - 1)}…` : rest];
}

function fixed(value: number | null): string {
  return value === null ? '–' : formatFixed(value, 2);
}
