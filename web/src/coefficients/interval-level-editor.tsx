import { UsualOrOwn } from '../controls/usual-or-own';

const USUAL = [0.9, 0.95, 0.99].map((value) => ({ value, name: `${Math.round(value * 100)} %` }));

/** Confidence level of the intervals: a usual one, or an own one. */
export function IntervalLevel({ level, onChoose }: { level: number; onChoose: (level: number) => void }) {
  return (
    <div className="mt-2 border-t border-rule">
      <UsualOrOwn
        usual={USUAL}
        chosen={level}
        label="Another level, in per cent"
        placeholder="99.9"
        read={(text) => Number(text.replace('%', '')) / 100}
        fits={(value) => value > 0 && value < 1}
        problem="A level lies between 0 and 100 %, such as 95."
        onChoose={onChoose}
      />
    </div>
  );
}
