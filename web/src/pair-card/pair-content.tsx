import { type CorrelationSettings, type PairResult, pairKey, type Study, type Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { Section } from '../controls/section';
import { takenInWords } from '../remedies/remedy-words';
import { displayName } from '../study/variable-name';
import { AttenuationSection } from './attenuation-section';
import { ByGroupSection } from './by-group-section';
import { CompareSection } from './compare-section';
import { DependenceSection } from './dependence-section';
import { LineSection } from './line-section';
import { MethodChoice } from './method-choice';
import { PairCautions } from './pair-cautions';
import { PairNote } from './pair-note';
import type { PairContext } from './pair-request';
import { PairSentence } from './pair-sentence';
import { PairValues } from './pair-values';
import { PointsSection } from './points-section';
import { RepeatedSection } from './repeated-section';
import { ReportedSection } from './reported-section';
import { ResampleSection } from './resample-section';
import { SturdinessSection } from './sturdiness-section';
import type { Pair } from './use-pair-selection';
import { VariableValues } from './variable-values';
import { WorkingSection } from './working-section';

interface PairContentProps {
  readonly context: PairContext;
  readonly variables: readonly Variable[];
  readonly result: PairResult;
  readonly second: Pair | null;
}

/** The pair in numbers, in a sentence, with its cautions. */
export function PairSummary({ context, result }: Pick<PairContentProps, 'context' | 'result'>) {
  const { study, pair, method, settings } = context;
  const taken = takenInWords(study, { ...pair, method }, result);
  return (
    <>
      <PairValues
        title={`${displayName(pair.x)} × ${displayName(pair.y)}`}
        result={result}
        method={method}
        settings={settings}
        taken={taken}
        adjustedP={context.adjustedP}
      />
      <TwoValuedNote pair={pair} ofRanks={COEFFICIENTS[method].ofRanks} />
      <PairSentence
        pair={pair}
        result={result}
        method={method}
        alternative={settings.alternative}
        alpha={settings.levels[0] ?? 0.05}
        rowMeaning={study.state.rowMeaning}
        held={heldConstant(study, settings)}
        taken={taken}
        adjustedP={context.adjustedP}
      />
      <PairCautions context={context} />
      <MethodChoice context={context} result={result} />
      <VariableValues pair={pair} result={result} />
    </>
  );
}

/** What can be looked at further, each part opened on request. */
export function PairSections({ context, variables, result, second }: PairContentProps) {
  const { study, pair, method, settings } = context;
  const key = `${pair.x.id}~${pair.y.id}`;
  // Another study reports a coefficient of rows, and is compared with one.
  const plain = result.without[method] ?? result.tests[method];
  return (
    <div className="mt-4 border-b border-rule">
      {settings.control.length > 0 && (
        <p className="pb-2 text-[13px] text-muted">
          The plot, and what follows the working, are of the values as they are, with nothing held constant.
        </p>
      )}
      <Section id="working" title="Working">
        {() => <WorkingSection context={context} result={result} />}
      </Section>
      <Section id="line" title="Line">
        {() => <LineSection {...context} />}
      </Section>
      <Section id="points" title="Points that matter">
        {() => <PointsSection key={key} {...context} />}
      </Section>
      <Section id="sturdiness" title="Sturdiness">
        {() => <SturdinessSection key={key} context={context} />}
      </Section>
      <Section id="dependence" title="Anything at all?">
        {() => <DependenceSection key={key} context={context} />}
      </Section>
      <Section id="attenuation" title="Measured with error">
        {() => <AttenuationSection key={key} context={context} />}
      </Section>
      <Section id="repeated" title="Rows of the same case">
        {() => <RepeatedSection key={key} context={context} />}
      </Section>
      <Section id="groups" title="By group">
        {() => <ByGroupSection {...context} />}
      </Section>
      <Section id="compare" title="More closely than to another?">
        {() => <CompareSection key={`${key}.${second?.x.id}.${second?.y.id}`} context={context} variables={variables} second={second} />}
      </Section>
      <Section id="reported" title="Against a reported value">
        {() => <ReportedSection context={context} coefficient={plain.coefficient ?? Number.NaN} n={result.n} />}
      </Section>
      <Section id="resampling" title="Bootstrap and permutation">
        {() => <ResampleSection key={key} {...context} />}
      </Section>
      <Section id="note" title={study.state.pairNotes[pairKey(pair.x.id, pair.y.id)] ? 'Note ·' : 'Note'}>
        {() => <PairNote key={key} context={context} />}
      </Section>
    </div>
  );
}

/** What r is called where a variable has two values only. */
function TwoValuedNote({ pair: { x, y }, ofRanks }: { pair: Pair; ofRanks: boolean }) {
  const twoValued = [x, y].filter(({ kind }) => kind === 'two-valued').map(displayName);
  const [only] = twoValued;
  if (ofRanks || !only) return null;
  return (
    <p className="mt-1 text-[13px] text-muted">
      {twoValued.length === 2
        ? 'Both have two values: r between them is the coefficient φ.'
        : `${only} has two values: r is the point-biserial correlation.`}
    </p>
  );
}

function heldConstant(study: Study, { control }: CorrelationSettings): readonly Variable[] {
  return study.state.variables.filter(({ id }) => control.includes(id));
}
