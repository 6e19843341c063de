import { SCALE_WORDS, type ScalesResult, type ShapeSettings, type Study, type Variable } from '@ivlen/contract';
import { formatFixed, METHOD_NAMES, patternSentence } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { useScrollToItself } from '../../../controls/use-scroll-to-itself';
import { HistogramFigure } from '../../../figures/marks/histogram-figure';
import { QuantileFigure } from '../../../figures/marks/quantile-figure';
import { coefficientText, pRelationText } from '../../../numbers/number-text';
import { PinButton } from '../../../pins/pin-button';
import { useWorkingSet } from '../../../settings/use-working-set';
import { useReadOnly } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';
import { TableTools } from '../../../tables/table-tools';
import { WithTerms } from '../../../terms/with-terms';
import { pinnedShape } from '../pinned-shape';
import { verdictOf } from '../strips/shape-columns';
import { TESTS } from '../test-words';
import { CorrelationsOnScales } from './correlations-on-scales';
import { refusalInWords, servingShift } from './scale-words';
import { scalesTable } from './scales-table';
import { type OtherScale, useScaleDecisions } from './use-scale-decisions';

const PARTNERS_SHOWN = 2;

interface OtherScalesProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly settings: ShapeSettings;
}

/** The variable on other scales beside its own: keep one, or write down that none helped. */
export function OtherScales({ study, variable, settings }: OtherScalesProps) {
  const workingSet = useWorkingSet(study);
  const others = workingSet?.variables.map(({ id }) => id).filter((id) => id !== variable.id) ?? [];
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'scales', variable: variable.id, others: others.slice(0, 60) }),
    enabled: workingSet !== undefined,
    placeholderData: keepPreviousData,
  });
  const { keep, keepNone, pending } = useScaleDecisions(study);
  const [all, setAll] = useState(false);
  const readOnly = useReadOnly();
  const opened = useScrollToItself<HTMLElement>(data !== undefined);
  if (error && !data) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Computing other scales" className="mt-4 h-48" />;
  const partners = strongest(data);
  const nameOf = (id: string) => displayName(study.state.variables.find((item) => item.id === id) ?? { name: id });
  const keepOne = (scale: OtherScale, shift: number) => void keep([{ variable, scale, shift }]);
  const why = because(data);
  return (
    <section ref={opened} aria-label={`Other scales of ${displayName(variable)}`} className="col-span-2 mt-2 scroll-mt-12 scroll-mb-4">
      <table className="numerals w-full">
        <thead>
          <tr className="border-b border-edge text-left text-[13px] text-muted">
            <th scope="col" className="font-normal">
              scale
            </th>
            <th scope="col" className="font-normal">
              distribution
            </th>
            <th scope="col" className="font-normal">
              <WithTerms text="quantiles" />
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              <WithTerms text="skewness" />
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              <WithTerms text="excess kurtosis" />
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              <WithTerms text={settings.test ? TESTS[settings.test].name : 'test'} />
            </th>
            {partners.map((id) => (
              <th key={id} scope="col" className="max-w-28 px-2 text-right font-normal">
                r, ρ, τ with {nameOf(id)}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {data.scales.map((line) => (
            <ScaleLine key={line.scale} line={line} settings={settings} partners={partners} {...(readOnly ? {} : { onKeep: keepOne })} />
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap items-baseline justify-between gap-x-4">
        {others.length > PARTNERS_SHOWN && (
          <button type="button" className="button-quiet text-[13px]" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Hide the correlations' : `Correlations with all ${others.length} variables`}
          </button>
        )}
        <span className="ml-auto flex gap-4 text-[12px]">
          <PinButton study={study} pinned={pinnedShape([variable], settings, 'scales', `${displayName(variable)} on other scales`)} />
          <TableTools table={scalesTable(variable, data.scales, settings, partners, nameOf)} className="text-[12px]" />
        </span>
      </p>
      {all && <CorrelationsOnScales scales={data.scales} nameOf={nameOf} variable={displayName(variable)} />}
      {!readOnly && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button type="button" className="button" disabled={pending} onClick={() => void keepNone(variable, null)}>
            None helped: keep it as it is
          </button>
          {study.state.pairMethods[variable.id] === undefined && (
            <button type="button" className="button" disabled={pending} onClick={() => void keepNone(variable, { because: why })}>
              None helped: Spearman’s ρ for its pairs
            </button>
          )}
          <span className="text-[13px] text-muted">Both go into the trail, with the skewness on each scale.</span>
        </div>
      )}
    </section>
  );
}

/** Why ranks are used for a variable that no scale helped, for the trail: to be edited there. */
function because({ scales }: ScalesResult): string {
  const raw = scales.find(({ scale }) => scale === 'raw')?.shape;
  return raw ? `No scale helped. ${patternSentence(raw.quantiles.pattern, raw.description.distinct)}` : 'No scale helped.';
}

/** The variables that the raw one is most strongly correlated with. */
function strongest({ scales }: ScalesResult): string[] {
  const raw = scales.find(({ scale }) => scale === 'raw')?.correlations ?? [];
  return [...raw]
    .sort((a, b) => Math.abs(b.coefficients.pearson ?? 0) - Math.abs(a.coefficients.pearson ?? 0))
    .slice(0, PARTNERS_SHOWN)
    .map((item) => item.with);
}

interface ScaleLineProps {
  readonly line: ScalesResult['scales'][number];
  readonly settings: ShapeSettings;
  readonly partners: readonly string[];
  readonly onKeep?: (scale: OtherScale, shift: number) => void;
}

function ScaleLine({ line: { scale, refused, reversed, shape, correlations }, settings, partners, onKeep }: ScaleLineProps) {
  const name = SCALE_WORDS[scale];
  const serves = servingShift(refused);
  const keepButton = scale !== 'raw' && onKeep && (
    <button type="button" className="button py-0.5" onClick={() => onKeep(scale, serves ?? 0)}>
      {serves === null ? 'Keep' : `Add ${serves} and keep`}
    </button>
  );
  if (!shape) {
    return (
      <tr className="border-b border-rule">
        <th scope="row" className="py-2 text-left font-semibold">
          {name}
        </th>
        <td colSpan={5 + partners.length} className="text-[13px] text-muted">
          cannot be taken: {refusalInWords(refused)}
          {serves !== null && `; adding ${serves} to each would serve`}.
        </td>
        <td className="text-right">{serves !== null && keepButton}</td>
      </tr>
    );
  }
  const { description: d, quantiles } = shape;
  const verdict = verdictOf(shape, settings);
  const p = settings.test && shape.tests[settings.test].pValue;
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="py-1 text-left">
        <span className={verdict.marked ? '' : 'font-semibold'}>{name}</span>
        <span className={`block text-[12px] font-normal ${verdict.marked ? 'text-caution' : 'text-muted'}`}>{verdict.words}</span>
        {reversed && <span className="block text-[12px] font-normal text-caution">turns the order round: signs change</span>}
      </th>
      <td>
        <HistogramFigure shape={shape} width={140} height={52} label={`Histogram: ${name}`} />
      </td>
      <td>
        <QuantileFigure
          shape={shape}
          width={56}
          height={52}
          label={`Normal quantile plot: ${name}, ${quantiles.outside} points outside the band`}
        />
      </td>
      <td className="px-2 text-right">{d.skewness === null ? '–' : formatFixed(d.skewness, 2)}</td>
      <td className="px-2 text-right">{d.excessKurtosis === null ? '–' : formatFixed(d.excessKurtosis, 2)}</td>
      <td className="px-2 text-right">{p === null ? '–' : `${pRelationText(p, [settings.level])}`}</td>
      {partners.map((id) => {
        const found = correlations.find((item) => item.with === id);
        return (
          <td key={id} className="px-2 text-right">
            {found ? METHOD_NAMES.map((method) => coefficientText(found.coefficients[method] ?? Number.NaN)).join(', ') : '–'}
          </td>
        );
      })}
      <td className="text-right">{keepButton}</td>
    </tr>
  );
}
