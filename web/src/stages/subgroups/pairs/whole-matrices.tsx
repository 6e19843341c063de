import type { EqualMatricesResult } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { rowsOf } from '../../../coefficients/requests';
import { greatest, least } from '../../../numbers/ends';
import { pRelationText } from '../../../numbers/number-text';
import type { SubgroupProps } from '../stage-props';

/** Whether the matrices of the groups are equal as a whole, where that can be tested; else why not. */
export function WholeMatrices({ study, variables, settings, taking }: SubgroupProps) {
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, {
      kind: 'equal-matrices',
      variables: variables.map(({ id }) => id).toSorted(),
      groups: taking.request,
      rows: rowsOf(settings, variables),
    }),
    enabled: variables.length >= 2,
  });
  return data ? (
    <span className="text-muted" data-testid="whole-matrices">
      {matricesInWords(data, settings.levels)}
    </span>
  ) : null;
}

const WHY_NOT: Readonly<Record<NonNullable<EqualMatricesResult['because']>, string>> = {
  'too-few-groups': 'fewer than two groups have rows',
  'too-few-cases': 'each group needs more complete rows than there are variables',
  singular: 'some variables tell each other exactly',
  'not-a-correlation-matrix': 'the coefficients of a group do not fit together',
  constant: 'a variable does not vary in one of the groups',
};

export function matricesInWords(
  { statistic, df, pValue, n, rejectsTooOften, because }: EqualMatricesResult,
  levels: readonly number[],
): string {
  if (because !== null || statistic === null || pValue === null) {
    return `Whole matrices are not compared: ${WHY_NOT[because ?? 'singular']}.`;
  }
  const [alpha = 0.05] = levels;
  const said = pValue <= alpha ? 'Whole matrices differ' : 'Whole matrices do not detectably differ';
  const [fewest, most] = [least(n), greatest(n)];
  const rows = n.length > 0 ? `, ${fewest === most ? most : `${fewest} to ${most}`} complete rows a group` : '';
  const often = rejectsTooOften ? '; with groups this small it rejects too often' : '';
  return `${said}: Jennrich’s χ²(${df}) = ${formatFixed(statistic, 1)}, ${pRelationText(pValue, levels)}${rows}${often}.`;
}
