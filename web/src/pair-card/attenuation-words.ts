import type { AttenuationResult, Variable, VariableReliability } from '@ivlen/contract';
import { fineCoefficientText } from '../numbers/number-text';

/** Names of the three reliabilities, and when each belongs to a column. */
export const RELIABILITY_FORMS: Readonly<
  Record<Extract<VariableReliability, { kind: 'repeated' }>['form'], { name: string; when: string }>
> = {
  one: { name: 'ICC(1,1)', when: 'one of these columns is used by itself' },
  mean: { name: 'ICC(1,k)', when: 'their mean is used, and each row had other repeats' },
  alpha: { name: 'ICC(3,k), Cronbach’s α', when: 'their mean is used, and all rows had the same repeats' },
};

/** "known, .80", "ICC(1,1) of 2 columns". */
export function reliabilityInWords(reliability: VariableReliability): string {
  return reliability.kind === 'known'
    ? `known, ${fineCoefficientText(reliability.value)}`
    : `${RELIABILITY_FORMS[reliability.form].name} of ${reliability.columns.length} columns`;
}

/** r with and without the errors of measurement, in sentences; the observed one first. */
export function attenuationInWords(
  { observed, reliabilities, corrected, low, high, method, replicates, seed, n }: AttenuationResult,
  [x, y]: readonly [Pick<Variable, 'name' | 'reliability'>, Pick<Variable, 'name' | 'reliability'>],
): string[] {
  if (observed === null) return ['No r: too few rows are complete, or a variable does not vary.'];
  const of = ({ name, reliability }: Pick<Variable, 'name' | 'reliability'>, value: number | null) =>
    reliability === null
      ? `${name} counts as measured without error`
      : `${name} has a reliability of ${value === null ? '–' : fineCoefficientText(value)}`;
  const given = `${of(x, reliabilities[0])}, ${of(y, reliabilities[1])}.`;
  if (corrected === null)
    return [
      `Observed r = ${fineCoefficientText(observed)} (n = ${n}).`,
      given,
      'A reliability is not above zero: nothing tells true values from error.',
    ];
  const interval = low === null || high === null ? '' : ` [${numberText(low)}, ${numberText(high)}]`;
  const how =
    method === 'known'
      ? 'The limits are those of r, divided likewise; the reliabilities are taken as known.'
      : `The limits are from ${replicates.toLocaleString('en-GB')} samples of the rows, in which the reliabilities are estimated again (seed ${seed}); they are approximate: in simulated samples of 50 rows limits of 95 % held the true value in 91 %.`;
  const beyond = [corrected, low, high].some((value) => value !== null && Math.abs(value) > 1);
  return [
    `Observed r = ${fineCoefficientText(observed)} (n = ${n}).`,
    given,
    `Without errors of measurement r would be ${numberText(corrected)}${interval}.`,
    how,
    ...(beyond ? ['What lies beyond 1 says that the reliabilities are too low for these rows, or the sample too small.'] : []),
  ];
}

/** A coefficient that may lie beyond ±1, which is said. */
function numberText(value: number): string {
  return Math.abs(value) <= 1 ? fineCoefficientText(value) : value.toFixed(3).replace('-', '−');
}
