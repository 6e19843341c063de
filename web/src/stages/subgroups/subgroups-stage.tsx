import { canBeCorrelated, correlationSettingsSchema, type Study, subgroupSettingsSchema } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { lazy, Suspense, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { commonMethod, correlatedVariables } from '../../coefficients/requests';
import { FailureNotice } from '../../controls/failure-notice';
import { ProgressLine } from '../../controls/progress-line';
import { Skeleton } from '../../controls/skeleton';
import { StoppedNotice } from '../../controls/stopped-notice';
import { ViewBar } from '../../controls/view-bar';
import { EVERY_PAIR, OUTCOMES_BY_PREDICTORS } from '../../groups/compared-pairs';
import { useComparedPairs } from '../../groups/use-compared-pairs';
import { MethodsLine } from '../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../methods-line/methods-parts';
import { OpenPair } from '../../pair-card/open-pair';
import { usePairSelection } from '../../pair-card/use-pair-selection';
import { PinButton } from '../../pins/pin-button';
import { useGrouping, useTakingPart } from '../../settings/use-grouping';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet } from '../../settings/use-working-set';
import { rowsInWords } from '../../study/rows-in-use';
import { displayName } from '../../study/variable-name';
import { PairsView } from './pairs/pairs-view';
import { sentence } from './sentence';
import { subgroupEditors } from './subgroup-editors';
import { VIEWS, type View } from './views';

const SideView = lazy(async () => ({ default: (await import('./side/side-view')).SideView }));
const DifferenceView = lazy(async () => ({ default: (await import('./difference/difference-view')).DifferenceView }));
const GroupDescriptives = lazy(async () => ({ default: (await import('./descriptives/group-descriptives')).GroupDescriptives }));
const DependentView = lazy(async () => ({ default: (await import('./dependent/dependent-view')).DependentView }));

const CORRELATION_DEFAULTS = correlationSettingsSchema.parse({});
const DEFAULTS = subgroupSettingsSchema.parse({});
const MOST_VARIABLES = 60;

/** The Subgroups stage: whether correlations agree across the groups of a variable. */
export function SubgroupsStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const correlations = useSettings(study.id, 'correlations', CORRELATION_DEFAULTS);
  const stored = useSettings(study.id, 'subgroups', DEFAULTS);
  const grouping = useGrouping(study);
  const found = useTakingPart(study, grouping);
  // The sentence, in which groups are chosen, stays while those of another variable come.
  const taking = found ?? null;
  const [params, setParams] = useSearchParams();
  const selection = usePairSelection(study);
  const view: View = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'pairs';
  const settings = correlations.settings ?? CORRELATION_DEFAULTS;
  const layout = stored.settings ?? DEFAULTS;
  // The grouping variable does not vary inside its groups.
  const variables = useMemo(
    () => (workingSet ? correlatedVariables(workingSet.variables, settings).filter(({ id }) => id !== taking?.by.id) : []),
    [workingSet, settings, taking],
  );
  const enough = variables.length >= 2 && variables.length <= MOST_VARIABLES;
  const ready = workingSet !== undefined && correlations.settings !== undefined && stored.settings !== undefined;
  const state = useComparedPairs(study, variables, settings, taking, {
    family: layout.byRole ? OUTCOMES_BY_PREDICTORS : EVERY_PAIR,
    enabled: ready && enough && view !== 'dependent' && view !== 'descriptives',
  });
  if (!workingSet || !correlations.settings || !stored.settings || !grouping) {
    return <Skeleton label="Opening the stage" className="m-5 h-64 flex-1" />;
  }
  const patch = (part: Partial<typeof layout>) => stored.change({ ...layout, ...part });
  const patchCorrelations = (part: Partial<typeof settings>) => correlations.change({ ...settings, ...part });
  const facts = {
    variables,
    candidates: study.state.variables.filter(canBeCorrelated),
    rows: rowsInWords(study),
    taking,
    byName: grouping.by && displayName(grouping.by),
    view,
  };
  const parts = sentence(study, settings, facts);
  const editors = subgroupEditors({ study, workingSet, candidates: facts.candidates, grouping, taking }, settings, patchCorrelations);
  const open = (next: View) =>
    setParams((current) => {
      if (next === 'pairs') current.delete('view');
      else current.set('view', next);
      return current;
    });
  const common = { study, variables, settings, layout, patch };
  const { compared } = state;
  return (
    <>
      <section className="flex min-w-0 flex-1 flex-col" aria-label="Subgroups">
        <ViewBar label="Parts of the Subgroups stage" views={VIEWS} current={view} onOpen={open} />
        <MethodsLine parts={withEditors(parts, editors)}>
          {view !== 'dependent' && (
            <PinButton
              study={study}
              pinned={{
                stage: 'subgroups',
                thing: 'matrix',
                title: sentenceOf(parts),
                request: taking && enough ? state.request : null,
                settings: { ...settings, ...layout, view, groups: taking?.request ?? null, variables: variables.map(({ id }) => id) },
              }}
            />
          )}
        </MethodsLine>
        <div data-scrolls className="min-h-0 flex-1 overflow-auto px-5 py-3">
          <Suspense fallback={<Skeleton label="Opening" className="h-64" />}>
            {view === 'dependent' && <DependentView study={study} variables={variables} settings={settings} />}
            {view !== 'dependent' && whyNothing()}
            {view === 'descriptives' && taking && taking.groups.length > 1 && variables.length > 0 && (
              <GroupDescriptives {...common} taking={taking} />
            )}
            {isComparing() && comparing()}
          </Suspense>
        </div>
      </section>
      {selection.pair && <OpenPair study={study} variables={variables} settings={settings} selection={selection} />}
    </>
  );

  function isComparing(): boolean {
    return enough && taking != null && taking.groups.length > 1 && view !== 'dependent' && view !== 'descriptives';
  }

  function whyNothing() {
    if (grouping?.by && found === undefined) return <Skeleton label="Opening the groups" className="h-64" />;
    const words = whyNotCompared();
    return words && <p className="mx-auto max-w-md py-16 text-center font-serif text-lg text-muted">{words}</p>;
  }

  function whyNotCompared(): string | null {
    if (!grouping?.by) {
      return grouping?.candidates.length === 0
        ? 'No variable makes groups: none is nominal, ordinal or two-valued. Cut a quantity into groups in the sentence above, under “no groups yet”.'
        : 'No grouping variable is chosen. Choose one in the sentence above.';
    }
    if (!taking)
      return `${displayName(grouping.by)} has too many different values to make groups. Choose another variable in the sentence above.`;
    if (taking.groups.length < 2) return `${displayName(grouping.by)} has one group only. Choose another variable in the sentence above.`;
    if (variables.length > MOST_VARIABLES)
      return `${variables.length} variables are ticked; up to ${MOST_VARIABLES} can be compared across groups. Untick some on the left.`;
    if (view !== 'descriptives' && variables.length < 2)
      return 'Tick two or more variables on the left, and their correlations are compared across groups here.';
    return null;
  }

  function comparing() {
    if (!taking) return null;
    const label = `Comparing ${COEFFICIENTS[commonMethod(settings)].name} across groups`;
    if (view === 'difference') return <DifferenceView {...common} taking={taking} onOpen={({ x, y }) => selection.open(x, y)} />;
    if (state.error && (!compared || state.stale)) return <FailureNotice error={state.error} />;
    if (state.stopped) {
      return <StoppedNotice onResume={state.resume} />;
    }
    const line = state.progress && <ProgressLine label={label} progress={state.progress} onStop={state.stop} />;
    if (!compared) return line || <Skeleton label={label} className="h-96" />;
    return (
      <>
        {state.stale && line && <div className="mb-3">{line}</div>}
        <div className={state.stale ? 'opacity-50 transition-opacity delay-150 duration-0' : ''}>
          {view === 'pairs' && (
            <PairsView {...common} taking={compared.taking} compared={compared} request={state.request} onCard={selection.open} />
          )}
          {view === 'side' && <SideView {...common} taking={compared.taking} compared={compared} onOpen={selection.open} />}
        </div>
      </>
    );
  }
}
