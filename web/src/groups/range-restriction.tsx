import type { SubgroupPairResult, Variable } from '@ivlen/contract';
import { correctRangeRestriction, formatFixed, isRangeRestricted } from '@ivlen/core';
import { useState } from 'react';
import { coefficientText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import type { ComparedPair, ShownGroup } from './compared-pairs';
import { placeInResult } from './place-in-result';
import { withInterval } from './words';

interface RangeRestrictionProps {
  readonly pair: ComparedPair;
  readonly groups: readonly ShownGroup[];
  readonly details: SubgroupPairResult;
  readonly x: Variable;
  readonly y: Variable;
  /** Of partial coefficients the correction does not hold. */
  readonly partial: boolean;
}

/** A group whose spread is so small that its coefficient is lower for that alone. */
interface Restricted {
  readonly group: ShownGroup;
  readonly place: number;
  readonly x: { readonly is: boolean; readonly ratio: number };
  readonly y: { readonly is: boolean; readonly ratio: number };
}

/** Says which groups are narrow, and corrects Pearson’s r for the range on request. */
export function RangeRestriction({ pair, groups, details, x, y, partial }: RangeRestrictionProps) {
  const [selectedOn, setSelectedOn] = useState<string | null>(null);
  const restricted = restrictedGroups(details, groups);
  if (restricted.length === 0) return null;
  const offered = pair.method === 'pearson' && !partial ? restricted.filter((one) => one.x.is !== one.y.is) : [];
  const choices = [x, y].filter((variable) => offered.some((one) => (variable === x ? one.x.is : one.y.is)));
  return (
    <div className="mt-2 border-l-2 border-caution pl-2 text-[13px]" data-testid="range-restriction">
      {restricted.map((one) => (
        <p key={one.group.label}>{restrictedInWords(one, x, y)}</p>
      ))}
      {choices.length > 0 && (
        <p className="mt-1">
          Were these groups selected on{' '}
          {choices.map((variable, k) => (
            <span key={variable.id}>
              {k > 0 && ' or '}
              <button
                type="button"
                className="button-quiet inline"
                aria-pressed={selectedOn === variable.id}
                onClick={() => setSelectedOn(selectedOn === variable.id ? null : variable.id)}
              >
                {displayName(variable)}
              </button>
            </span>
          ))}
          ? Then what r would be over the whole range can be had (Thorndike 1949, case 2), if line and spread about it are the same all
          along.
        </p>
      )}
      {selectedOn !== null &&
        offered
          .filter((one) => (selectedOn === x.id ? one.x.is : one.y.is))
          .map((one) => (
            <p key={one.group.label} className="numerals">
              {correctedInWords(pair, one, selectedOn === x.id ? one.x.ratio : one.y.ratio)}
            </p>
          ))}
    </div>
  );
}

/** SDs of the pair’s own rows, over all groups and in each. */
export function restrictedGroups(details: SubgroupPairResult, groups: readonly ShownGroup[]): Restricted[] {
  const { whole } = details;
  return groups.flatMap((group, place) => {
    const spread = details.spreads[placeInResult(details, group)];
    if (!spread || whole.sdX === null || whole.sdY === null) return [];
    const one = (inGroup: number | null, over: number) => ({
      is: inGroup !== null && inGroup > 0 && isRangeRestricted(inGroup, over),
      ratio: over / (inGroup ?? Number.NaN),
    });
    const found = { group, place, x: one(spread.sdX, whole.sdX), y: one(spread.sdY, whole.sdY) };
    return found.x.is || found.y.is ? [found] : [];
  });
}

function restrictedInWords({ group, x: first, y: second }: Restricted, x: Variable, y: Variable): string {
  const share = (ratio: number) => `${formatFixed(100 / ratio, 0)} %`;
  const both = first.is && second.is;
  if (both) {
    return `${group.label}: the SD of ${displayName(x)} is ${share(first.ratio)}, that of ${displayName(y)} ${share(second.ratio)} of the one over all these groups; a coefficient can be lower for that alone. With both narrow there is no correction.`;
  }
  const [variable, ratio] = first.is ? [x, first.ratio] : [y, second.ratio];
  return `${group.label}: the SD of ${displayName(variable)} is ${share(ratio)} of that over all these groups; a coefficient can be lower for that alone.`;
}

/** "Aster: r = .30 becomes .53 [.2, .7], corrected for the range (u = 2.00)." */
export function correctedInWords({ cells }: ComparedPair, { group, place }: Pick<Restricted, 'group' | 'place'>, ratio: number): string {
  const cell = cells[place];
  if (!cell || cell.coefficient === null) return `${group.label} has no coefficient.`;
  const interval = cell.low === null || cell.high === null ? null : { low: cell.low, high: cell.high, level: 0.95, method: 'fisher' };
  const corrected = correctRangeRestriction({ coefficient: cell.coefficient, interval }, ratio);
  const after = withInterval('r', {
    coefficient: corrected.coefficient,
    low: corrected.interval?.low ?? null,
    high: corrected.interval?.high ?? null,
  });
  return `${group.label}: r = ${coefficientText(cell.coefficient)}; corrected for the range (u = ${formatFixed(ratio, 2)}) ${after}.`;
}
