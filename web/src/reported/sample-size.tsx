import { formatFixed, powerForCorrelation, sampleSizeForCorrelation, smallestDetectable } from '@ivlen/core';
import { useMemo, useState } from 'react';
import { coefficientProblem, readNumber } from '../controls/read-number';
import { NamedValues } from '../tables/named-values';
import { Calculator, NumberField, Problem } from './number-fields';

/** How many cases find a correlation of a size, and what a number of cases finds. */
export function SampleSize() {
  const [fields, setFields] = useState({ r: '.3', power: '.80', alpha: '.05', n: '' });
  const [sided, setSided] = useState<'two-sided' | 'greater'>('two-sided');
  const set = (name: keyof typeof fields) => (value: string) => setFields({ ...fields, [name]: value });
  const [r, power, alpha, n] = [fields.r, fields.power, fields.alpha, fields.n].map((text) => readNumber(text));
  const problem =
    coefficientProblem(r ?? null) ??
    (r === 0 ? 'No number of cases finds a correlation of 0.' : null) ??
    (r != null && Math.abs(r) < 0.005 ? 'Choose a size of at least .005: smaller ones need more cases than anybody has.' : null) ??
    (alpha != null && !(alpha > 0 && alpha < 0.5) ? 'The level lies between 0 and .5, such as .05.' : null) ??
    (power != null && !(power > (alpha ?? 0) && power < 1) ? 'The power lies between the level and 1, such as .80.' : null) ??
    (n != null && !(Number.isInteger(n) && n >= 4 && n <= 100_000) ? 'n is a whole number from 4 to 100,000.' : null);
  const complete = r != null && power != null && alpha != null;
  return (
    <Calculator
      title="Sample size and power"
      fields={
        <>
          <NumberField label="population r" value={fields.r} onChange={set('r')} />
          <NumberField label="power" value={fields.power} onChange={set('power')} />
          <NumberField label="level" value={fields.alpha} onChange={set('alpha')} />
          <NumberField label="n, if fixed" value={fields.n} onChange={set('n')} />
          <label className="flex items-center gap-1.5 pb-1.5 text-[13px] text-muted">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={sided === 'greater'}
              onChange={(event) => setSided(event.target.checked ? 'greater' : 'two-sided')}
            />
            one-sided
          </label>
        </>
      }
    >
      {problem ? (
        <Problem>{problem}</Problem>
      ) : (
        complete && <Answer r={Math.abs(r)} power={power} alpha={alpha} n={n ?? null} alternative={sided} />
      )}
    </Calculator>
  );
}

interface AnswerProps {
  readonly r: number;
  readonly power: number;
  readonly alpha: number;
  readonly n: number | null;
  readonly alternative: 'two-sided' | 'greater';
}

/** Above so many cases the exact distribution of r and Fisher’s z agree, and the exact one takes long. */
const MOST_EXACT = 3000;

function Answer({ r, power, alpha, n, alternative }: AnswerProps) {
  const needed = useMemo(() => {
    const fisher = sampleSizeForCorrelation({ r, power, alpha, alternative, method: 'fisher' });
    return fisher.n > MOST_EXACT
      ? { ...fisher, exact: false }
      : { ...sampleSizeForCorrelation({ r, power, alpha, alternative }), exact: true };
  }, [r, power, alpha, alternative]);
  const fixed = useMemo(() => {
    if (n === null) return null;
    const method = n > MOST_EXACT ? ('fisher' as const) : ('exact' as const);
    return {
      power: powerForCorrelation({ r, n, alpha, alternative, method }),
      detectable: smallestDetectable({ n, power, alpha, alternative, method }),
    };
  }, [r, n, power, alpha, alternative]);
  return (
    <div data-testid="reported-size">
      <NamedValues
        label="What follows"
        rows={[
          [`cases needed${needed.exact ? '' : ' (Fisher’s z)'}`, needed.n.toLocaleString('en-GB')],
          ['power with them', formatFixed(needed.power, 3)],
          ...(fixed
            ? [
                [`power with n = ${n}`, formatFixed(fixed.power, 3)] as const,
                [`smallest r found with n = ${n}`, formatFixed(fixed.detectable, 3)] as const,
              ]
            : []),
        ]}
      />
      <p className="mt-2 text-[13px] text-muted">
        By the exact distribution of r. Power is a matter of planning: it says nothing about a result that is there.
      </p>
    </div>
  );
}
