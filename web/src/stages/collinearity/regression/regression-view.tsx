import type { ModelValues } from '@ivlen/contract';
import { useState } from 'react';
import { CopyButton } from '../../../controls/copy-button';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { significant } from '../../../figures/as-measured';
import { PinButton } from '../../../pins/pin-button';
import {
  besideOthersSentence,
  equationInSymbols,
  equationInWords,
  modelSentence,
  NO_MODEL,
  ownShare,
  sharedSentence,
  subscript,
} from '../../../predictors/model-words';
import { sameTerms } from '../../../predictors/predictor-model';
import { regressionTable, type TermRow, termRows } from '../../../predictors/tables';
import { useComputing } from '../../../predictors/use-computing';
import { useShares } from '../../../predictors/use-shares';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import type { PartProps } from '../stage-props';
import { NoOutcome } from './no-outcome';
import { PredictionSection } from './prediction-section';
import { SetsSection } from './sets-section';
import { useFormerModel } from './use-former-model';
import { useRegression } from './use-regression';

/** An equation of more terms than this is shown on request. */
const MOST_AT_ONCE = 6;

/** The regression whole: one sentence about the model, one table of its terms. */
export function RegressionView(props: PartProps) {
  const { chosen, model, terms } = props;
  const regression = useRegression(props, { rows: false });
  if (!chosen.outcome || model.result.outcomeValues === 2) return <NoOutcome {...props} />;
  if (terms.length === 0) return <p className="pt-6 font-serif text-[17px]">None of the predictors varies in these rows.</p>;
  if (regression.error && !regression.values) return <FailureNotice error={regression.error} />;
  if (!regression.values) return <Skeleton label="Computing the regression" className="mt-4 h-96" />;
  return (
    <Regression
      {...props}
      values={regression.values}
      request={regression.request}
      largestLeverage={regression.whole?.largestLeverage ?? null}
    />
  );
}

interface RegressionProps extends PartProps {
  readonly values: ModelValues;
  readonly request: ReturnType<typeof useRegression>['request'];
  readonly largestLeverage: number | null;
}

function Regression(props: RegressionProps) {
  const { study, settings, chosen, model, terms, of, levels, values, request } = props;
  const outcome = displayName(chosen.outcome ?? { name: '' });
  const columns = terms.map((term) => term.columns);
  const names = columns.flat().map((column) => model.columnNames[column] ?? '');
  const shares = useShares(of, model, terms);
  const several = terms.some((term) => term.columns.length > 1);
  const last = useComputing('last', of, several ? [model.triangle, columns] : null, terms);
  const former = useFormerModel(props);
  if (values.because !== null) {
    return (
      <div className="pt-6">
        <p className="max-w-3xl font-serif text-[17px]" data-testid="no-model">
          {NO_MODEL[values.because]({ n: values.n, predictors: names.length, outcome })}
        </p>
      </div>
    );
  }
  const facts = { outcome, unit: chosen.outcome?.unit ?? null, predictors: terms.map(({ name }) => name), levels };
  const said = modelSentence(values, facts);
  const inflation = shares.data && sameTerms(shares.data.facts.terms, terms) ? shares.data.found.inflation : [];
  const together = last.data && sameTerms(last.data.facts, terms) ? last.data.found : [];
  const own = terms.map((term, k): number | null => {
    if (term.columns.length > 1) return together[k]?.change ?? null;
    const coefficient = values.coefficients[columns.slice(0, k).flat().length];
    return coefficient ? ownShare(coefficient) : null;
  });
  const shared = [sharedSentence(values.r2, own), besideOthersSentence(values, names)].filter(Boolean);
  const rows = termRows(values, {
    terms,
    columnNames: names,
    inflation,
    together,
    referenceNames: terms.map(({ referenceName }) => referenceName),
  });
  const table = withFormer(
    regressionTable(rows, {
      caption: `Linear regression of ${outcome} on ${terms.length === 1 ? terms[0]?.name : `${terms.length} predictors`}`,
      level: settings.level,
      levels,
      note: said,
    }),
    former,
  );
  return (
    <div className="flex flex-col gap-6 pt-3 pb-10">
      <section aria-label="The model">
        <p className="max-w-4xl font-serif text-[18px] leading-snug" data-testid="model-sentence">
          {said}
        </p>
        <p className="mt-1 flex gap-4 text-[13px]">
          <CopyButton label="Copy the sentence" text={said} />
          <PinButton
            study={study}
            pinned={{ stage: 'collinearity', thing: 'table', title: table.caption, request, settings: { ...settings, view: 'regression' } }}
          />
        </p>
        <Equation values={values} outcome={outcome} names={names} />
      </section>
      <section aria-label="Terms of the regression">
        <div className="overflow-x-auto">
          <ValueTableView table={table} captionShown className="w-full text-[13px]" testId="regression-table" />
        </div>
        {former && (
          <p className="mt-1 text-[13px] text-muted">
            “was”: with the predictors that were switched on before.{' '}
            <button type="button" className="button-quiet" onClick={() => props.patch({ before: null })}>
              Dismiss
            </button>
          </p>
        )}
        <p className="mt-2 max-w-4xl text-[13px] text-muted">
          b: how much {outcome} differs, on the average, for one unit more of the predictor while the others stay the same. Semipartial: its
          correlation with {outcome} beyond the others; squared it is the share of variance that only it tells.
        </p>
        {shared.map((words) => (
          <p key={words} className="mt-1 max-w-4xl font-serif text-[16px] leading-snug" data-testid="shared-variance">
            {words}
          </p>
        ))}
      </section>
      {terms.length > 1 && <SetsSection {...props} />}
      <PredictionSection {...props} outcomeName={axisLabel(chosen.outcome ?? { name: '', unit: null })} />
    </div>
  );
}

function Equation({ values, outcome, names }: { values: ModelValues; outcome: string; names: readonly string[] }) {
  const words = equationInWords(values, outcome, names);
  const [open, setOpen] = useState(names.length <= MOST_AT_ONCE);
  if (!open) {
    return (
      <button type="button" className="button-quiet mt-2 text-[13px]" onClick={() => setOpen(true)}>
        Show the equation
      </button>
    );
  }
  return (
    <div className="mt-3 max-w-4xl text-[13px]" data-testid="equation">
      <p className="font-serif text-[16px]">{words}</p>
      <p className="numerals mt-1 text-muted">
        {equationInSymbols(values)}, with {names.map((name, k) => `x${subscript(k + 1)} ${name}`).join(', ')}.{' '}
        <CopyButton className="ml-2" label="Copy the equation" text={`${words}\n${equationInSymbols(values)}`} />
      </p>
    </div>
  );
}

/** Beside b and SE what they were before a switch. */
function withFormer(table: ValueTable<TermRow>, former: ReadonlyMap<string, { b: number; se: number }> | null): ValueTable<TermRow> {
  if (!former) return table;
  const beside = (field: 'b' | 'se') => (row: TermRow) => {
    const now = row.estimate?.[field === 'b' ? 'value' : 'se'] ?? null;
    const was = former.get(row.name)?.[field];
    return (
      <>
        {row.estimate ? significant(now) : ''}
        {was !== undefined && significant(was) !== significant(now) && (
          <span className="block text-[11px] text-muted">was {significant(was)}</span>
        )}
      </>
    );
  };
  return {
    ...table,
    columns: table.columns.map((column) =>
      column.name === 'b' ? { ...column, onScreen: beside('b') } : column.name === 'SE' ? { ...column, onScreen: beside('se') } : column,
    ),
  };
}
