import { greatest } from '../numbers/ends';

const WIDTH = 40;
const HEIGHT = 16;

/** The outline of a distribution, small enough for a line of text. */
export function Sparkline({
  bins,
  faint,
  width = WIDTH,
  height = HEIGHT,
}: {
  bins: readonly number[];
  faint?: boolean;
  width?: number;
  height?: number;
}) {
  const highest = Math.max(1, greatest(bins));
  const step = width / Math.max(1, bins.length);
  return (
    <svg width={width} height={height} className={`shrink-0 ${faint ? 'opacity-50' : ''}`} aria-hidden="true">
      {bins.map((count, i) => {
        const tall = count === 0 ? 0 : Math.max(1, (count / highest) * height);
        return <rect key={i} x={i * step} y={height - tall} width={Math.max(1, step - 0.6)} height={tall} fill="var(--bar)" />;
      })}
    </svg>
  );
}
