import { canBeCorrelated, correlationSettingsSchema, type Study, type Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { lazy, Suspense, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { rectangleFamily } from '../../coefficients/rectangle-family';
import { commonMethod, correlatedVariables, matrixRequest } from '../../coefficients/requests';
import { useMatrix } from '../../coefficients/use-matrix';
import { FailureNotice } from '../../controls/failure-notice';
import { ProgressLine } from '../../controls/progress-line';
import { StoppedNotice } from '../../controls/stopped-notice';
import { ViewBar } from '../../controls/view-bar';
import { MethodsLine } from '../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../methods-line/methods-parts';
import type { ArrangementProps } from '../../pair-card/arrangement';
import { pairContext, pinnedPair } from '../../pair-card/pair-request';
import { type Pair, usePairSelection } from '../../pair-card/use-pair-selection';
import { PinButton } from '../../pins/pin-button';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet } from '../../settings/use-working-set';
import { rowsInWords } from '../../study/rows-in-use';
import { correlationEditors } from './correlation-editors';
import { GridSkeleton } from './grid-skeleton';
import { GridView } from './grid-view';
import { useRanking } from './ranked/use-ranking';
import { questionsSentence, sentence } from './sentence';
import { VIEWS, VIEWS_OF_ONE_PAIR } from './views';

const PairCard = lazy(async () => ({ default: (await import('../../pair-card/pair-card')).PairCard }));
const PairArea = lazy(async () => ({ default: (await import('../../pair-card/pair-area')).PairArea }));
const RankedView = lazy(async () => ({ default: (await import('./ranked/ranked-view')).RankedView }));
const RectangleView = lazy(async () => ({ default: (await import('./rectangle/rectangle-view')).RectangleView }));
const QuestionsView = lazy(async () => ({ default: (await import('./questions/questions-view')).QuestionsView }));
const SturdinessView = lazy(async () => ({ default: (await import('./sturdiness/sturdiness-view')).SturdinessView }));
const DEFAULTS = correlationSettingsSchema.parse({});
const MOST_VARIABLES = 200;

type View = (typeof VIEWS)[number]['id'];

/** The Correlations stage: the sentence, the coefficients in an arrangement, and the card of a chosen pair. */
export function CorrelationsStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const { settings, change } = useSettings(study.id, 'correlations', DEFAULTS);
  if (!workingSet || !settings) return <GridSkeleton size={8} />;
  return <Stage study={study} workingSet={workingSet} settings={settings} patch={(part) => change({ ...settings, ...part })} />;
}

type StageProps = Pick<ArrangementProps, 'study' | 'workingSet' | 'settings' | 'patch'>;

function Stage({ study, workingSet, settings, patch }: StageProps) {
  const selection = usePairSelection(study);
  const [params, setParams] = useSearchParams();
  const variables = useMemo(() => correlatedVariables(workingSet.variables, settings), [workingSet, settings]);
  const [a, b] = variables;
  const enough = variables.length >= 2 && variables.length <= MOST_VARIABLES;
  const state = useMatrix(study, variables, settings, enough);
  const { ranking } = useRanking();
  const view: View = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'grid';
  const facts = {
    variables,
    rectangle: view === 'rectangle',
    candidates: study.state.variables.filter(canBeCorrelated),
    rows: rowsInWords(study),
  };
  const open = (next: View) =>
    setParams((current) => {
      if (next === 'grid') current.delete('view');
      else current.set('view', next);
      return current;
    });
  const common = { study, workingSet, variables, settings, patch, state, selection };
  const asking = view === 'questions';
  const inWays = view === 'sturdiness';
  const parts = (asking ? questionsSentence : sentence)(study, settings, facts);
  const alone = view === 'grid' && variables.length === 2 && a !== undefined && b !== undefined;
  return (
    <>
      <section className="flex min-w-0 flex-1 flex-col" aria-label="Correlations">
        <ViewBar
          label="Parts of the Correlations stage"
          views={variables.length === 2 ? VIEWS_OF_ONE_PAIR : VIEWS}
          current={view}
          onOpen={open}
        />
        <MethodsLine parts={withEditors(parts, correlationEditors(study, settings, facts, workingSet, patch))}>
          {!inWays && (
            <PinButton
              study={study}
              pinned={
                alone
                  ? {
                      ...pinnedPair(pairContext(study, selection.pair ?? { x: a, y: b }, settings, variables, null)),
                      title: sentenceOf(parts),
                    }
                  : {
                      stage: 'correlations',
                      thing: 'matrix',
                      title: sentenceOf(parts),
                      request: enough ? matrixRequest(study, variables, settings, commonMethod(settings)) : null,
                      settings: { ...settings, view, variables: variables.map(({ id }) => id), ...(view === 'ranked' ? { ranking } : {}) },
                    }
              }
            />
          )}
        </MethodsLine>
        <div data-scrolls className="min-h-0 flex-1 overflow-auto px-5 py-3">
          <Suspense fallback={<GridSkeleton size={Math.min(12, variables.length)} />}>
            {asking && <QuestionsView {...common} />}
            {inWays && <SturdinessView {...common} />}
            {!asking && !inWays && !enough && <NotEnough count={variables.length} />}
            {alone && <PairArea {...common} pair={selection.pair ?? { x: a, y: b }} />}
            {!asking && !inWays && enough && !alone && <Arrangement {...common} view={view} />}
          </Suspense>
        </div>
      </section>
      {!alone && !inWays && selection.pair && (
        <Suspense fallback={null}>
          <PairCard
            {...common}
            pair={selection.pair}
            adjustedP={adjustedOf(selection.pair, view, common)}
            onSwap={selection.swap}
            onClose={selection.close}
          />
        </Suspense>
      )}
    </>
  );
}

/** The adjusted p of the open pair in the family on screen; null where nothing is adjusted, and among questions, which are families of their own. */
function adjustedOf({ x, y }: Pair, view: View, { state: { matrix, stale }, settings, variables }: ArrangementProps): number | null {
  const known = [x, y].every((item) => matrix?.variables.includes(item));
  if (!matrix || !known || stale || settings.adjust === 'none' || view === 'questions') return null;
  const byRole = (wanted: Variable['role']) => variables.filter(({ role }) => role === wanted);
  const cell = matrix.cell(y, x);
  const { adjustedP } = view === 'rectangle' ? rectangleFamily(matrix, byRole('outcome'), byRole('predictor'), settings)(cell) : cell;
  return Number.isNaN(adjustedP) ? null : adjustedP;
}

function Arrangement({ view, ...common }: ArrangementProps & { readonly view: View }) {
  const { state, variables, settings } = common;
  const { matrix, error, stale, progress, stopped } = state;
  if (error && (!matrix || stale)) return <FailureNotice error={error} />;
  if (stopped) {
    return <StoppedNotice onResume={state.resume} />;
  }
  const label = `Computing ${COEFFICIENTS[commonMethod(settings)].name}`;
  if (!matrix)
    return progress ? (
      <ProgressLine label={label} progress={progress} onStop={state.stop} />
    ) : (
      <GridSkeleton size={Math.min(12, variables.length)} />
    );
  const waiting = stale && progress !== undefined;
  return (
    <>
      {waiting && (
        <div className="mb-3">
          <ProgressLine label={label} progress={progress} onStop={state.stop} />
        </div>
      )}
      <div className={stale ? 'opacity-50 transition-opacity delay-150 duration-0' : ''}>
        {view === 'grid' && <GridView {...common} matrix={matrix} />}
        {view === 'ranked' && <RankedView {...common} />}
        {view === 'rectangle' && <RectangleView {...common} />}
      </div>
    </>
  );
}

function NotEnough({ count }: { count: number }) {
  const sentences: Readonly<Record<number, string>> = {
    0: 'Tick two or more variables on the left, and their correlations stand here.',
    1: 'One variable is ticked. Tick another on the left, and their correlation stands here.',
  };
  return (
    <p className="mx-auto max-w-md py-24 text-center font-serif text-lg text-muted">
      {sentences[count] ?? `${count} variables are ticked; up to ${MOST_VARIABLES} can be correlated at once. Untick some on the left.`}
    </p>
  );
}
