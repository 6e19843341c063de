import { COMPARED_SCALES, SCALE_WORDS, type Variable } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { MethodsLine } from '../../../methods-line/methods-line';
import { withEditors } from '../../../methods-line/methods-parts';
import { useShapeMarks } from '../../../settings/use-shape-marks';
import { useReadOnly } from '../../../study/read-only';
import { rowsInWords } from '../../../study/rows-in-use';
import { TableTools } from '../../../tables/table-tools';
import { scalesSentence } from '../sentence';
import { shapeEditors } from '../shape-editors';
import type { ShapeViewProps } from '../shape-view';
import { ScalesRow, scalesQuery } from './scales-row';
import { manyScalesTable } from './scales-table';
import { type ScaleChoice, useScaleDecisions } from './use-scale-decisions';

/** Several variables on all scales side by side: choose one for each, and keep them together. */
export function ScalesView(props: ShapeViewProps) {
  const { study, workingSet, settings, grouping } = props;
  const { marked, rule } = useShapeMarks(study, workingSet.variables);
  const [everyOne, setEveryOne] = useState(false);
  const [chosen, setChosen] = useState<ReadonlyMap<string, ScaleChoice>>(new Map());
  const { keep, pending } = useScaleDecisions(study);
  const readOnly = useReadOnly();
  const onlyMarked = workingSet.variables.filter(({ id }) => marked.has(id));
  const shown = everyOne || onlyMarked.length === 0 ? workingSet.variables : onlyMarked;
  const choices = [...chosen.values()].filter(({ variable }) => shown.includes(variable));
  const choose = (variable: Variable, choice: ScaleChoice | null) => {
    const next = new Map(chosen);
    if (choice) next.set(variable.id, choice);
    else next.delete(variable.id);
    setChosen(next);
  };
  const keepChosen = async () => {
    await keep(choices);
    setChosen(new Map());
  };
  const computed = useQueries({
    // Asked for by the rows as they come into view; here only what they have.
    queries: shown.map(({ id }) => ({ ...scalesQuery(study, id), enabled: false })),
    combine: (results) => new Map(results.flatMap(({ data }, i) => (data ? [[shown[i]?.id ?? '', data.scales] as const] : []))),
  });
  const facts = { variables: shown.length, rows: rowsInWords(study), grouping };
  return (
    <>
      <MethodsLine parts={withEditors(scalesSentence(settings, facts), shapeEditors(props))} />
      <div className="flex flex-wrap items-center gap-5 border-b border-rule px-5 py-2">
        <fieldset className="flex items-center gap-4">
          <legend className="sr-only">Which variables</legend>
          <label className="flex items-center gap-1.5">
            <input
              type="radio"
              className="accent-accent"
              checked={!everyOne && onlyMarked.length > 0}
              disabled={onlyMarked.length === 0}
              onChange={() => setEveryOne(false)}
            />
            {onlyMarked.length === 0 ? `none is marked beyond ${rule}` : `the ${onlyMarked.length} marked`}
          </label>
          <label className="flex items-center gap-1.5">
            <input
              type="radio"
              className="accent-accent"
              checked={everyOne || onlyMarked.length === 0}
              onChange={() => setEveryOne(true)}
            />
            all {workingSet.variables.length}
          </label>
        </fieldset>
        {!readOnly && (
          <button
            type="button"
            className={choices.length > 0 ? 'button-primary ml-auto' : 'button ml-auto'}
            disabled={choices.length === 0 || pending}
            onClick={() => void keepChosen()}
          >
            {choices.length === 0
              ? 'Choose a scale in a row to keep it'
              : `Keep ${choices.length === 1 ? 'the chosen scale' : `the ${choices.length} chosen scales`}`}
          </button>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-auto pb-8">
        <table className="numerals" aria-label={`${shown.length} variables on other scales`}>
          <thead>
            <tr className="text-[13px] text-muted">
              <th scope="col" className="sticky top-0 left-0 z-20 border-b border-edge bg-paper py-1.5 pr-4 pl-5 text-left font-normal">
                variable
              </th>
              {COMPARED_SCALES.map((scale) => (
                <th key={scale} scope="col" className="sticky top-0 z-10 border-b border-edge bg-paper px-1.5 text-left font-normal">
                  {SCALE_WORDS[scale]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((variable) => (
              <ScalesRow
                key={variable.id}
                study={study}
                variable={variable}
                settings={settings}
                choice={chosen.get(variable.id) ?? null}
                onChoose={readOnly ? null : (choice) => choose(variable, choice)}
              />
            ))}
          </tbody>
        </table>
        <p className="mt-2 px-5">
          <TableTools table={manyScalesTable(shown, computed, settings)} className="text-[12px]" />
        </p>
        <p className="mt-3 max-w-3xl px-5 text-[13px] text-muted">
          G₁ is the skewness, G₂ the excess kurtosis; p is of the test in the sentence above. Bold: neither the rule nor the test speaks
          against it. What a scale does to the correlations of one variable is shown when its strip is open under “Each variable”.
        </p>
      </div>
    </>
  );
}
