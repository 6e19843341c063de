import type { FigureProps } from './figure-props';

/** Rows of each sample, and the r from which on p is at most .05: two-sided, and one-sided. */
export const SAMPLE = { n: 30, twoSided: 0.361, oneSided: 0.306 } as const;
const HEIGHT = 200;
const [TITLE, FOOT, GAP] = [28, 40, 24];
const STEPS = 120;

/** How r comes out if nothing is associated, with what counts as significant two-sided and one-sided. */
export function Sides({ width, label }: FigureProps) {
  const each = (width - GAP) / 2;
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label}>
      <Bell left={0} width={each} title="two-sided" from={[-SAMPLE.twoSided, SAMPLE.twoSided]} shares={['.025', '.025']} />
      <Bell left={each + GAP} width={each} title="one-sided, positive" from={[null, SAMPLE.oneSided]} shares={['', '.05']} />
    </svg>
  );
}

interface BellProps {
  readonly left: number;
  readonly width: number;
  readonly title: string;
  /** Where the significant ones begin, below and above 0. */
  readonly from: readonly [number | null, number];
  readonly shares: readonly [string, string];
}

const ENDS = 0.75;

function Bell({ left, width, title, from: [below, above], shares }: BellProps) {
  const foot = HEIGHT - FOOT;
  const x = (r: number) => ((r + ENDS) / (2 * ENDS)) * width;
  const y = (r: number) => foot - densityOfR(r) * (foot - TITLE);
  const area = (from: number, to: number) => {
    const places = Array.from({ length: STEPS + 1 }, (_, i) => from + ((to - from) * i) / STEPS);
    return `M${x(from).toFixed(1)} ${foot}${places.map((r) => `L${x(r).toFixed(1)} ${y(r).toFixed(1)}`).join('')}L${x(to).toFixed(1)} ${foot}Z`;
  };
  return (
    <g transform={`translate(${left},0)`} fontSize={12} fill="var(--ink)" className="numerals">
      <text x={width / 2} y={15} textAnchor="middle" fontSize={13}>
        {title}
      </text>
      <path d={area(-ENDS, ENDS)} fill="var(--bar)" fillOpacity={0.35} />
      <path d={area(above, ENDS)} fill="var(--accent)" />
      {below !== null && <path d={area(-ENDS, below)} fill="var(--accent)" />}
      <text x={x(above) + 14} y={foot - 26}>
        {shares[1]}
      </text>
      {below !== null && (
        <text x={x(below) - 14} y={foot - 26} textAnchor="end">
          {shares[0]}
        </text>
      )}
      <line x2={width} y1={foot} y2={foot} stroke="var(--edge)" />
      {[below, 0, above].map(
        (r) =>
          r !== null && (
            <g key={r} transform={`translate(${x(r)},${foot})`}>
              <line y2={4} stroke="var(--edge)" />
              <text y={17} textAnchor="middle">
                {r === 0 ? '0' : `${r < 0 ? '−' : ''}${Math.abs(r).toFixed(2).slice(1)}`}
              </text>
            </g>
          ),
      )}
      <text x={width / 2} y={HEIGHT - 4} textAnchor="middle">
        {`r in samples of ${SAMPLE.n} rows`}
      </text>
    </g>
  );
}

/** Density of r if nothing is associated, as a share of its highest; Fisher (1915). */
function densityOfR(r: number): number {
  return (1 - r * r) ** ((SAMPLE.n - 4) / 2);
}
