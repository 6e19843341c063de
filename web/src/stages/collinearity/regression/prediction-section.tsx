import { useId, useState } from 'react';
import { percent } from '../../../coefficients/cell-data';
import { readNumber } from '../../../controls/read-number';
import { asMeasured, significant } from '../../../figures/as-measured';
import type { ModelTerm } from '../../../predictors/predictor-model';
import { useComputing } from '../../../predictors/use-computing';
import { axisLabel, displayName } from '../../../study/variable-name';
import { typedAsAddress, typedInAddress, useAddress } from '../address';
import type { PartProps } from '../stage-props';
import { outsideInWords, predictionInWords } from './prediction-words';

interface PredictionSectionProps extends PartProps {
  readonly outcomeName: string;
  /** Of all rows; null while they have not been gone through. */
  readonly largestLeverage: number | null;
}

/** What the model says of a case whose predictors are typed: for the mean of such cases, and for a new one. */
export function PredictionSection({ model, terms, of, settings, chosen, outcomeName, largestLeverage }: PredictionSectionProps) {
  const [address, write] = useAddress('at');
  // The fields follow the hand; the address, which a reload reads, comes after.
  const [typed, setFields] = useState(() => typedInAddress(address));
  const setTyped = (next: Readonly<Record<string, string>>) => {
    setFields(next);
    write(typedAsAddress(next));
  };
  const id = useId();
  const textOf = (term: ModelTerm) => typed[term.of.id] ?? usualText(term, model.result.measured);
  const values = terms.map((term) => (term.as === 'quantity' ? readNumber(textOf(term)) : null));
  const wrong = terms.filter((term, k) => term.as === 'quantity' && !Number.isFinite(values[k] ?? Number.NaN));
  const at = terms.flatMap((term, k) =>
    term.as === 'quantity'
      ? [values[k] ?? Number.NaN]
      : term.columns.map((column) => (String(model.result.columns[column]?.level) === textOf(term) ? 1 : 0)),
  );
  const columns = terms.flatMap((term) => term.columns);
  const { data } = useComputing('predict', of, wrong.length === 0 ? [model.triangle, columns, at, settings.level] : null, at);
  const outcome = displayName(chosen.outcome ?? { name: '' });
  const isNow = data !== undefined && data.facts.length === at.length && data.facts.every((value, k) => value === at[k]);
  const leverage = data && isNow ? data.found.leverage : Number.NaN;
  const outside = outsideInWords(terms, values, model.result.measured, { leverage, largest: largestLeverage });
  return (
    <section aria-label="Prediction">
      <h2 className="text-[15px]">Predicted {outcomeName}</h2>
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-x-6 gap-y-2">
        {terms.map((term) => (
          <div key={term.of.id} className="flex items-center justify-between gap-2 text-[13px]">
            <label htmlFor={`${id}-${term.of.id}`} className="min-w-0 truncate" title={axisLabel(term.of)}>
              {axisLabel(term.of)}
            </label>
            {term.as === 'quantity' ? (
              <input
                id={`${id}-${term.of.id}`}
                className="field numerals w-24 py-0.5 text-right"
                inputMode="decimal"
                value={textOf(term)}
                onChange={(event) => setTyped({ ...typed, [term.of.id]: event.target.value })}
              />
            ) : (
              <select
                id={`${id}-${term.of.id}`}
                className="field w-32 py-0.5"
                value={textOf(term)}
                onChange={(event) => setTyped({ ...typed, [term.of.id]: event.target.value })}
              >
                <option value={String(term.reference)}>{term.referenceName}</option>
                {term.columns.map((column) => (
                  <option key={column} value={String(model.result.columns[column]?.level)}>
                    {model.columnNames[column]?.slice(term.name.length + 2)}
                  </option>
                ))}
              </select>
            )}
          </div>
        ))}
      </div>
      {wrong.length > 0 && (
        <p role="alert" className="mt-2 text-[13px] text-caution">
          {wrong.map(({ name }) => name).join(', ')}: a number is needed.
        </p>
      )}
      {wrong.length === 0 && data && isNow && (
        <p className="numerals mt-2 max-w-4xl font-serif text-[16px]" data-testid="prediction">
          {predictionInWords(data.found, outcome, percent(settings.level))}
        </p>
      )}
      {outside && <p className="mt-1 text-[13px] text-caution">{outside}</p>}
      <p className="mt-1 text-[13px] text-muted">
        Quantities stand at their means at first, levels at the reference. The mean of {outcome} is{' '}
        {significant(model.result.measured[model.result.columns.length]?.mean ?? null)}.
      </p>
    </section>
  );
}

/** A predictor's mean, with the decimals that are shown of it; the reference level. */
function usualText(term: ModelTerm, measured: PartProps['model']['result']['measured']): string {
  if (term.as === 'levels') return String(term.reference);
  const mean = measured[term.columns[0] ?? -1]?.mean ?? 0;
  const { decimals } = term.of;
  return decimals === null ? asMeasured(Number(mean.toPrecision(4))).replaceAll(',', '') : mean.toFixed(decimals).replace('-', '−');
}
