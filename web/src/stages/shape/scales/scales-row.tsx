import { SCALE_WORDS, type ScalesResult, type ShapeSettings, type Study, type Variable } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { analysisQuery } from '../../../api/queries';
import { Skeleton } from '../../../controls/skeleton';
import { HistogramFigure } from '../../../figures/marks/histogram-figure';
import { QuantileFigure } from '../../../figures/marks/quantile-figure';
import { pRelationText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import { verdictOf } from '../strips/shape-columns';
import { useInView } from '../strips/use-in-view';
import { refusalInWords, servingShift } from './scale-words';
import type { ScaleChoice } from './use-scale-decisions';

interface ScalesRowProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly settings: ShapeSettings;
  readonly choice: ScaleChoice | null;
  /** null where nothing can be changed. */
  readonly onChoose: ((choice: ScaleChoice | null) => void) | null;
}

/** What a row asks for. */
export function scalesQuery(study: Study, variable: string) {
  return analysisQuery(study.id, study.head, { kind: 'scales', variable, others: [] });
}

/** One variable on every scale; computed when it comes into view. */
export function ScalesRow({ study, variable, settings, choice, onChoose }: ScalesRowProps) {
  const row = useRef<HTMLTableRowElement>(null);
  const seen = useInView(row);
  const { data, error } = useQuery({
    ...scalesQuery(study, variable.id),
    enabled: seen,
    placeholderData: keepPreviousData,
  });
  const name = displayName(variable);
  return (
    <tr ref={row}>
      <th
        scope="row"
        className="sticky left-0 z-[5] max-w-36 border-b border-rule bg-paper py-2 pr-4 pl-5 text-left align-top font-semibold"
      >
        {name}
        <span className="block text-[12px] font-normal text-muted">{variable.unit}</span>
      </th>
      {data ? (
        data.scales.map((line) => (
          <ScaleCell key={line.scale} name={name} variable={variable} line={line} settings={settings} choice={choice} onChoose={onChoose} />
        ))
      ) : (
        <td colSpan={9} className="border-b border-rule">
          {error ? (
            <p className="text-caution">{error.message}</p>
          ) : (
            <Skeleton label={`Computing the scales of ${name}`} className="m-1.5 h-20" />
          )}
        </td>
      )}
    </tr>
  );
}

interface ScaleCellProps extends Pick<ScalesRowProps, 'variable' | 'settings' | 'choice' | 'onChoose'> {
  readonly name: string;
  readonly line: ScalesResult['scales'][number];
}

function ScaleCell({ name, variable, line: { scale, refused, reversed, shape }, settings, choice, onChoose }: ScaleCellProps) {
  const serves = servingShift(refused);
  const isChosen = scale === 'raw' ? choice === null : choice?.scale === scale;
  const radio = (label: string) =>
    onChoose && (
      <label className="flex items-center gap-1.5 text-[12px] text-muted">
        <input
          type="radio"
          name={`scale-${variable.id}`}
          className="accent-accent"
          aria-label={`${name}: ${SCALE_WORDS[scale]}`}
          checked={isChosen}
          onChange={() => onChoose(scale === 'raw' ? null : { variable, scale, shift: serves ?? 0 })}
        />
        {label}
      </label>
    );
  const ground = isChosen && scale !== 'raw' ? 'bg-accent-soft' : '';
  if (!shape) {
    return (
      <td className={`min-w-32 border-b border-rule px-1.5 py-2 align-top text-[12px] text-muted ${ground}`}>
        {refusalInWords(refused)}
        {serves !== null && radio(`add ${serves} first`)}
      </td>
    );
  }
  const { description: d, quantiles } = shape;
  const verdict = verdictOf(shape, settings);
  const p = settings.test && shape.tests[settings.test].pValue;
  const fine = d.skewness !== null && !verdict.marked && verdict.rejected !== true;
  return (
    <td className={`border-b border-rule px-1.5 py-2 align-top ${ground}`} title={verdict.words}>
      <span className="flex gap-1">
        <HistogramFigure shape={shape} width={76} height={48} label={`${name}, ${SCALE_WORDS[scale]}: histogram`} plain />
        <QuantileFigure
          shape={shape}
          width={44}
          height={44}
          label={`${name}, ${SCALE_WORDS[scale]}: ${quantiles.outside} points outside the band`}
        />
      </span>
      <span className={`block text-[12px] ${fine ? 'font-semibold' : ''} ${verdict.marked ? 'text-caution' : ''}`}>
        {verdict.marked && <span aria-hidden="true">▲ </span>}
        G₁ {shown(d.skewness)}, G₂ {shown(d.excessKurtosis)}
        <span className="block">{p === null ? 'no p' : `${pRelationText(p, [settings.level])}`}</span>
      </span>
      {reversed && <span className="block text-[12px] text-caution">signs change</span>}
      {radio(scale === 'raw' ? 'leave it' : 'choose')}
    </td>
  );
}

function shown(value: number | null): string {
  return value === null ? '–' : formatFixed(value, Math.abs(value) < 10 ? 2 : 1);
}
