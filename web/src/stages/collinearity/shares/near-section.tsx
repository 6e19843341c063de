import { CopyButton } from '../../../controls/copy-button';
import { Skeleton } from '../../../controls/skeleton';
import { significant } from '../../../figures/as-measured';
import { nearTable } from '../../../predictors/tables';
import { useComputing } from '../../../predictors/use-computing';
import { nearSentences, noNearSentence } from '../../../predictors/words';
import { ValueTableView } from '../../../tables/value-table-view';
import { useAddress } from '../address';
import type { PredictorsViewProps } from '../stage-props';

/** Near-dependences: condition indices with variance proportions, in sentences; the table on request. */
export function NearSection({ model, terms, of, settings }: PredictorsViewProps) {
  const [shown, show] = useAddress('indices');
  const open = shown !== null;
  const columns = terms.flatMap((term) => term.columns);
  const names = columns.map((column) => model.columnNames[column] ?? '');
  const { data } = useComputing('near', of, [model.triangle, columns, settings.centred], names);
  if (!data) return <Skeleton label="Looking for near-dependences" className="h-24" />;
  const { facts, found } = data;
  const coefficients = found.centred ? facts : ['intercept', ...facts];
  const sentences = nearSentences(found, coefficients);
  const said = sentences.length > 0 ? sentences : [noNearSentence(found)];
  return (
    <section aria-label="Near-dependences">
      <div className="flex items-baseline gap-5">
        <h2 className="text-[15px]">Near-dependences</h2>
        <CopyButton className="ml-auto text-[13px]" label="Copy the sentences" text={said.join('\n')} />
      </div>
      <ul className="mt-1" data-testid="near-dependences">
        {said.map((words) => (
          <li key={words} className="max-w-4xl py-0.5 font-serif text-[16px] leading-snug">
            {words}
          </li>
        ))}
      </ul>
      <p className="numerals mt-1 text-[13px] text-muted">
        Determinant of the correlation matrix {significant(found.determinant)}; its eigenvalues from{' '}
        {significant(found.eigenvalues[0] ?? null)} to {significant(found.eigenvalues.at(-1) ?? null)}.{' '}
        <button type="button" className="button-quiet" aria-expanded={open} onClick={() => show(open ? null : 'table')}>
          {open ? 'Hide the table' : 'Show the table'}
        </button>
      </p>
      {open && (
        <div className="mt-2 overflow-x-auto">
          <ValueTableView table={nearTable(found, coefficients)} className="text-[13px]" testId="near-table" />
          <p className="numerals mt-2 text-[13px] text-muted">
            Eigenvalues of the correlation matrix: {[...found.eigenvalues].map((value) => significant(value)).join(', ')}.
          </p>
        </div>
      )}
    </section>
  );
}
