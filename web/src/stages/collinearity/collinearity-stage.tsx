import { collinearitySettingsSchema, correlationSettingsSchema, MOST_PREDICTORS, rowsInUse, type Study } from '@ivlen/contract';
import { lazy, Suspense, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { FailureNotice } from '../../controls/failure-notice';
import { ProgressLine } from '../../controls/progress-line';
import { Skeleton } from '../../controls/skeleton';
import { StoppedNotice } from '../../controls/stopped-notice';
import { ViewBar } from '../../controls/view-bar';
import { MethodsLine } from '../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../methods-line/methods-parts';
import { OpenPair } from '../../pair-card/open-pair';
import { usePairSelection } from '../../pair-card/use-pair-selection';
import { PinButton } from '../../pins/pin-button';
import { chosenPredictors, switched } from '../../predictors/chosen-predictors';
import { namedFailure } from '../../predictors/named-failure';
import { collinearityRequest, looking, regressionRequest } from '../../predictors/requests';
import { usePredictorModel } from '../../predictors/use-predictor-model';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet } from '../../settings/use-working-set';
import { rowsInWords } from '../../study/rows-in-use';
import { collinearityEditors } from './collinearity-editors';
import { Notices } from './notices';
import { sentence } from './sentence';
import { PredictorsView } from './shares/predictors-view';
import { VIEWS, type View } from './views';
import { WhichOutcome } from './which-outcome';

const RegressionView = lazy(async () => ({ default: (await import('./regression/regression-view')).RegressionView }));
const ResidualsView = lazy(async () => ({ default: (await import('./residuals/residuals-view')).ResidualsView }));

const DEFAULTS = collinearitySettingsSchema.parse({});
const CORRELATION_DEFAULTS = correlationSettingsSchema.parse({});

/** The Collinearity stage: which predictors say the same, and the regression that they make. */
export function CollinearityStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const stored = useSettings(study.id, 'collinearity', DEFAULTS);
  const correlations = useSettings(study.id, 'correlations', CORRELATION_DEFAULTS);
  const [params, setParams] = useSearchParams();
  const selection = usePairSelection(study);
  const view: View = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'predictors';
  const settings = stored.settings ?? DEFAULTS;
  const ticked = workingSet?.variables;
  const chosen = useMemo(() => chosenPredictors(study, ticked ?? [], settings), [study, ticked, settings]);
  const among = useMemo(() => looking(chosen, settings.released), [chosen, settings.released]);
  const request = useMemo(() => collinearityRequest(among, chosen.outcome), [among, chosen.outcome]);
  const ready = workingSet !== undefined && stored.settings !== undefined && correlations.settings !== undefined;
  const enough = among.length > 0 && among.length <= MOST_PREDICTORS;
  const state = usePredictorModel(study, among, request, ready && enough && !chosen.outcomeUnsaid);
  const { model } = state;
  const terms = useMemo(() => {
    const kept = new Set(chosen.kept.map(({ variable }) => variable));
    return model?.terms.filter(({ of, varies }) => varies && kept.has(of.id)) ?? [];
  }, [model, chosen.kept]);
  const of = useMemo(() => [study.id, study.head, request], [study.id, study.head, request]);
  if (!workingSet || !stored.settings || !correlations.settings) return <Skeleton label="Opening the stage" className="m-5 h-64 flex-1" />;
  const card = { ...correlations.settings, control: [] };
  const patch = (part: Partial<typeof settings>) => stored.change({ ...settings, ...part });
  const facts = { chosen, rows: rowsInWords(study), complete: model?.result.n, rowsInUse: rowsInUse(study), view };
  const parts = sentence(study, settings, facts);
  const open = (next: View) =>
    setParams((current) => {
      if (next === 'predictors') current.delete('view');
      else current.set('view', next);
      return current;
    });
  const predictors = chosen.predictors.filter(({ as }) => as === 'quantity').map(({ of: variable }) => variable);
  return (
    <>
      <section className="flex min-w-0 flex-1 flex-col" aria-label="Collinearity">
        <ViewBar label="Parts of the Collinearity stage" views={VIEWS} current={view} onOpen={open} />
        <MethodsLine parts={withEditors(parts, collinearityEditors({ study, chosen, ticked: workingSet.variables }, settings, patch))}>
          {!chosen.outcomeUnsaid && (
            <PinButton
              study={study}
              pinned={{
                stage: 'collinearity',
                thing: view === 'residuals' ? 'figure' : 'table',
                title: sentenceOf(parts),
                request: enough ? (view === 'predictors' ? request : modelRequest()) : null,
                settings: { ...settings, view },
              }}
            />
          )}
        </MethodsLine>
        <div data-scrolls className="min-h-0 flex-1 overflow-auto px-5 py-3">
          {shown()}
        </div>
      </section>
      <OpenPair study={study} variables={predictors} settings={card} selection={selection} />
    </>
  );

  /** What the parts about the regression show; null while there is none. */
  function modelRequest() {
    const kept = chosen.kept.filter(({ variable }) => terms.some((term) => term.of.id === variable));
    return chosen.outcome && kept.length > 0
      ? regressionRequest({ predictors: kept, among, outcome: chosen.outcome, level: settings.level })
      : null;
  }

  function shown() {
    const why = whyNothing();
    if (why) return <p className="mx-auto max-w-md py-16 text-center font-serif text-lg text-muted">{why}</p>;
    if (chosen.outcomeUnsaid) return <WhichOutcome chosen={chosen} onSay={(outcome) => patch({ outcome })} />;
    if (state.error) return <FailureNotice error={namedFailure(state.error, study.state.variables)} />;
    const label = 'Going through the rows of the predictors';
    if (state.stopped) {
      return <StoppedNotice onResume={state.resume} />;
    }
    if (!model) {
      const { progress } = state;
      return progress ? (
        <ProgressLine label={label} progress={progress} onStop={state.stop} />
      ) : (
        <Skeleton label={label} className="h-96" />
      );
    }
    const common = { study, settings, patch, chosen, among, model, terms, of, levels: card.levels };
    return (
      <Suspense fallback={<Skeleton label="Opening" className="h-64" />}>
        <Notices {...common} detailed={view === 'predictors'} />
        {view === 'predictors' && (
          <PredictorsView {...common} onSwitch={(id, on) => stored.change(switched(settings, id, on))} onOpen={selection.open} />
        )}
        {view === 'regression' && <RegressionView {...common} />}
        {view === 'residuals' && <ResidualsView {...common} />}
      </Suspense>
    );
  }

  function whyNothing(): string | null {
    if (chosen.predictors.length === 0) {
      return chosen.how === 'role'
        ? 'No variable has the role of a predictor. Set roles in a variable’s menu on the left, or choose predictors in the sentence above.'
        : 'No predictors are chosen. Tick variables on the left, or choose predictors in the sentence above.';
    }
    if (among.length === 0) return 'All predictors are switched off. Choose others in the sentence above.';
    if (among.length > MOST_PREDICTORS) {
      return `${among.length} predictors are chosen; up to ${MOST_PREDICTORS} are looked at together. Choose fewer in the sentence above.`;
    }
    return null;
  }
}
