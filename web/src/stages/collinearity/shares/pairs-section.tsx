import { canBeCorrelated, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { CopyButton } from '../../../controls/copy-button';
import { coefficientText, fineCoefficientText, relationText } from '../../../numbers/number-text';
import type { ClosePair, Shares } from '../../../predictors/find-shares';
import { noPairSentence } from '../../../predictors/words';
import type { PredictorsViewProps } from '../stage-props';

const MOST_LISTED = 12;

/** Pairs of predictors at or above the threshold, judged unrounded on the rows complete for all. */
export function PairsSection(props: PredictorsViewProps & { readonly shares: Shares }) {
  const { model, settings, shares, onOpen } = props;
  const close = shares.pairs.filter(({ r }) => Math.abs(r) >= settings.threshold);
  const over = useOverOwnRows(props, close);
  const said =
    close.length === 0
      ? [noPairSentence(shares, model.columnNames, settings)]
      : close.map(({ a, b, r }) => `${model.columnNames[a]} and ${model.columnNames[b]}: ${relationText('r', fineCoefficientText(r))}.`);
  const variableOf = (column: number): Variable | undefined => model.terms[model.result.columns[column]?.term ?? -1]?.of;
  return (
    <section aria-label="Close pairs">
      <div className="flex items-baseline gap-5">
        <h2 className="text-[15px]">Close pairs</h2>
        <CopyButton className="ml-auto text-[13px]" label="Copy the sentences" text={said.join('\n')} />
      </div>
      {close.length === 0 ? (
        <p className="mt-1 font-serif text-[16px]" data-testid="no-close-pair">
          {said[0]}
        </p>
      ) : (
        <ul className="mt-1" aria-label={`Pairs of at least |r| = ${coefficientText(settings.threshold)}`}>
          {close.slice(0, MOST_LISTED).map(({ a, b, r }) => {
            const [x, y] = [variableOf(a), variableOf(b)];
            const own = x && y ? over(x, y) : null;
            const names = `${model.columnNames[a]} × ${model.columnNames[b]}`;
            const canOpen = x && y && canBeCorrelated(x) && canBeCorrelated(y);
            return (
              <li key={`${a} ${b}`} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5">
                {canOpen ? (
                  <button type="button" className="button-quiet" onClick={() => onOpen(x, y)}>
                    {names}
                  </button>
                ) : (
                  <span>{names}</span>
                )}
                <span className="numerals font-semibold">{relationText('r', fineCoefficientText(r))}</span>
                {own && (
                  <span className="numerals text-[13px] text-muted">
                    {fineCoefficientText(own.r)} over the {own.n.toLocaleString('en-GB')} rows that have both
                  </span>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {close.length > MOST_LISTED && <p className="mt-1 text-[13px] text-muted">and {close.length - MOST_LISTED} more pairs.</p>}
    </section>
  );
}

/** What the matrix, pair by pair, has of the same: where it has more rows, and so another value. */
function useOverOwnRows({ study, model }: PredictorsViewProps, close: readonly ClosePair[]) {
  const { n, rowsInUse } = model.result;
  const ids = new Set(
    close
      .flatMap(({ a, b }) => [a, b].map((column) => model.terms[model.result.columns[column]?.term ?? -1]))
      .flatMap((term) => (term?.as === 'quantity' ? [term.of.id] : [])),
  );
  const variables = study.state.variables.flatMap(({ id }) => (ids.has(id) ? [id] : []));
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, {
      kind: 'correlation',
      variables,
      method: 'pearson',
      byVariable: {},
      alternative: 'two-sided',
      level: 0.95,
    }),
    enabled: n < rowsInUse && variables.length > 1,
  });
  return (x: Variable, y: Variable): { r: number; n: number } | null => {
    const [i, j] = [variables.indexOf(x.id), variables.indexOf(y.id)];
    const at = i * variables.length + j;
    const found = data && i >= 0 && j >= 0 ? { r: data.coefficient[at], n: data.n[at] } : null;
    return found?.n !== undefined && found.r !== null && found.r !== undefined && found.n !== n ? { r: found.r, n: found.n } : null;
  };
}
