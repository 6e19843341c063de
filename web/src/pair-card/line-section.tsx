import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { PinButton } from '../pins/pin-button';
import { displayName } from '../study/variable-name';
import { ValueTableView } from '../tables/value-table-view';
import { LinePrediction } from './line-prediction';
import { lineInWords, lineTable } from './line-words';
import { type PairContext, pairOf, pinnedSection } from './pair-request';

/** The simple regression of the pair: y on x, whole. */
export function LineSection(context: PairContext) {
  const { study, pair, settings } = context;
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'line', ...pairOf(context), level: settings.level }));
  if (error) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Computing the line" className="h-32" />;
  const [x, y] = [displayName(pair.x), displayName(pair.y)];
  const said = lineInWords(data, x, y, settings.levels);
  if (!said) return <p>No line: too few rows, or {x} does not vary.</p>;
  const table = lineTable(data, x, y, settings);
  return (
    <div data-testid="line-values">
      <p className="font-serif text-[16px]">{said.equation}</p>
      <ValueTableView table={table} className="mt-2 w-full text-[13px]" />
      <p className="numerals mt-2 text-[13px]">{said.fit}</p>
      <p className="mt-1 text-[13px] text-muted">This p is the same as that of r, two-sided: both ask whether the slope is zero.</p>
      {said.outside && <p className="mt-1 text-[13px] text-caution">{said.outside}</p>}
      <p className="mt-1 text-right text-[12px]">
        <PinButton study={study} pinned={pinnedSection(context, 'line', `Line of ${y} on ${x}`)} />
      </p>
      <LinePrediction context={context} />
    </div>
  );
}
