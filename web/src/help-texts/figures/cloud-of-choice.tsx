import { useId, useState } from 'react';
import { coefficientText, relationText } from '../../numbers/number-text';
import { useFrom } from '../from';
import { CloudTile } from './clouds';
import { OwnPair } from './own-pair';

const SIDE = 220;
const FIRST = 0.6;

/** A cloud of any r, on a slider, and beside it the pair that help was asked from. */
export function CloudOfChoice() {
  const [r, setR] = useState(FIRST);
  const from = useFrom();
  const id = useId();
  const words = `${relationText('r', coefficientText(r))}: a straight line accounts for ${Math.round(r * r * 100)}\u00a0% of the variance.`;
  return (
    <div className="mt-3 flex flex-wrap gap-8 print:hidden">
      <div>
        <label htmlFor={id} className="block text-[13px] text-muted">
          A cloud of your choice
        </label>
        <input
          id={id}
          type="range"
          min={-1}
          max={1}
          step={0.05}
          value={r}
          onChange={(event) => setR(Number(event.target.value))}
          aria-valuetext={words}
          className="w-55 accent-[var(--accent)]"
        />
        <svg width={SIDE + 2} height={SIDE + 22} role="img" aria-label={`A cloud with ${words}`} className="block">
          <CloudTile left={1} top={1} side={SIDE} r={r} />
        </svg>
        <p className="w-55 text-[13px]" role="status">
          {words}
        </p>
      </div>
      {from && <OwnPair from={from} />}
    </div>
  );
}
