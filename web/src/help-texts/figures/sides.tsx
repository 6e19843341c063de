import type { FigureProps } from './figure-props';
import { SHUFFLED, shuffledCoefficients } from './shuffled';

/** The r of 30 rows from which on p is at most .05: two-sided, and one-sided. */
export const SAMPLE = { n: SHUFFLED.rows, twoSided: 0.361, oneSided: 0.306 } as const;
const HEIGHT = 200;
const [TITLE, FOOT, GAP] = [28, 40, 24];
const ENDS = 0.75;
const BINS = 50;

/** How r comes out where nothing is associated, with what counts as significant two-sided and one-sided. */
export function Sides({ width, label }: FigureProps) {
  const each = (width - GAP) / 2;
  const found = shuffledCoefficients();
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={label}>
      <Bell left={0} width={each} title="two-sided" from={[-SAMPLE.twoSided, SAMPLE.twoSided]} found={found} />
      <Bell left={each + GAP} width={each} title="one-sided, positive" from={[null, SAMPLE.oneSided]} found={found} />
    </svg>
  );
}

interface BellProps {
  readonly left: number;
  readonly width: number;
  readonly title: string;
  /** Where the significant ones begin, below and above 0. */
  readonly from: readonly [number | null, number];
  readonly found: readonly number[];
}

function Bell({ left, width, title, from: [below, above], found }: BellProps) {
  const foot = HEIGHT - FOOT;
  const x = (r: number) => ((r + ENDS) / (2 * ENDS)) * width;
  const isFar = (r: number) => r >= above || (below !== null && r <= below);
  const bins = Array.from({ length: BINS }, () => ({ near: 0, far: 0 }));
  for (const r of found) {
    const bin = bins[Math.min(BINS - 1, Math.max(0, Math.floor(((r + ENDS) / (2 * ENDS)) * BINS)))];
    if (bin) bin[isFar(r) ? 'far' : 'near']++;
  }
  const most = bins.reduce((highest, { near, far }) => Math.max(highest, near + far), 0);
  const high = (count: number) => (count / most) * (foot - TITLE);
  const share = (of: (r: number) => boolean) => `${((100 * found.filter(of).length) / found.length).toFixed(1)} %`;
  return (
    <g transform={`translate(${left},0)`} fontSize={12} fill="var(--ink)" className="numerals">
      <text x={width / 2} y={15} textAnchor="middle" fontSize={13}>
        {title}
      </text>
      {bins.map(({ near, far }, i) => (
        <g key={i}>
          <rect
            x={(i * width) / BINS + 0.4}
            width={width / BINS - 0.8}
            y={foot - high(near)}
            height={high(near)}
            fill="var(--bar)"
            fillOpacity={0.5}
          />
          <rect
            x={(i * width) / BINS + 0.4}
            width={width / BINS - 0.8}
            y={foot - high(near + far)}
            height={high(far)}
            fill="var(--accent)"
          />
        </g>
      ))}
      <text x={x(above) + 16} y={foot - 28}>
        {share((r) => r >= above)}
      </text>
      {below !== null && (
        <text x={x(below) - 16} y={foot - 28} textAnchor="end">
          {share((r) => r <= below)}
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
        {`r of ${SHUFFLED.rows} stations, shuffled ${SHUFFLED.times.toLocaleString('en-GB')} times`}
      </text>
    </g>
  );
}
