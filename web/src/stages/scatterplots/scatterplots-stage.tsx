import { canBeCorrelated, correlationSettingsSchema, rowsInUse, type Study, scatterplotSettingsSchema } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { lazy, type ReactNode, Suspense, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { completeForOf } from '../../coefficients/requests';
import { useMatrix } from '../../coefficients/use-matrix';
import { ViewBar } from '../../controls/view-bar';
import { inUseEditors } from '../../in-use/in-use-editors';
import { MethodsLine } from '../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../methods-line/methods-parts';
import { usePairSelection } from '../../pair-card/use-pair-selection';
import { PinButton } from '../../pins/pin-button';
import { useGrouping } from '../../settings/use-grouping';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet, type WorkingSet } from '../../settings/use-working-set';
import { useStudyPath } from '../../study/read-only';
import { rowsInWords } from '../../study/rows-in-use';
import { MOST_POINTS } from './matrix/layout';
import { MatrixView } from './matrix/matrix-view';
import { scatterplotEditors } from './scatterplot-editors';
import { sentence } from './sentence';
import { useGroupsShown } from './use-groups-shown';
import { useMatrixOnScreen } from './use-matrix-on-screen';
import { usePrefetchedColumns } from './use-plot-data';
import { VIEWS } from './views';

const PairCard = lazy(async () => ({ default: (await import('../../pair-card/pair-card')).PairCard }));
const SingleView = lazy(async () => ({ default: (await import('./single/single-view')).SingleView }));

type View = (typeof VIEWS)[number]['id'];

const DEFAULTS = scatterplotSettingsSchema.parse({});
const CORRELATION_DEFAULTS = correlationSettingsSchema.parse({});
const MOST_VARIABLES = 60;

/** The Scatterplots stage: the matrix of panels, the panels of outcomes against predictors, or one pair at large. */
export function ScatterplotsStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const [params, setParams] = useSearchParams();
  const view: View = VIEWS.find(({ id }) => id === params.get('view'))?.id ?? 'matrix';
  const open = (next: View) =>
    setParams((current) => {
      if (next === 'matrix') current.delete('view');
      else current.set('view', next);
      return current;
    });
  const bar = (tools: ReactNode) => (
    <ViewBar label="Parts of the Scatterplots stage" views={VIEWS} current={view} onOpen={open}>
      {tools}
    </ViewBar>
  );
  return (
    <>
      <section className="flex min-w-0 flex-1 flex-col overflow-y-auto" aria-label="Scatterplots">
        {workingSet && view !== 'single' && <Panels study={study} workingSet={workingSet} rectangle={view === 'rectangle'} bar={bar} />}
        {view === 'single' && bar(null)}
        {workingSet && view === 'single' && (
          <Suspense fallback={<Drawing />}>
            <SingleView study={study} variables={study.state.variables.filter(canBeCorrelated)} workingSet={workingSet} />
          </Suspense>
        )}
      </section>
      {workingSet && view !== 'single' && <OpenPair study={study} workingSet={workingSet} rectangle={view === 'rectangle'} />}
    </>
  );
}

/** The settings of both stages that the panels rest on; nothing is held constant among them. */
function useBothSettings(study: Study) {
  const scatterplots = useSettings(study.id, 'scatterplots', DEFAULTS);
  const correlations = useSettings(study.id, 'correlations', CORRELATION_DEFAULTS);
  const stored = correlations.settings;
  const plain = useMemo(() => {
    if (!stored) return null;
    const method = stored.methods[0] ?? 'pearson';
    const rankMethod = COEFFICIENTS[method].onRanks;
    const methods = [...new Set([method, rankMethod])];
    return { rankMethod, correlation: { ...stored, methods, control: [], order: 'listed' as const } };
  }, [stored]);
  return { scatterplots, correlations, ...plain };
}

interface PanelsProps {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  readonly rectangle: boolean;
  /** The parts of the stage, with tools beside them. */
  readonly bar: (tools: ReactNode) => ReactNode;
}

function Panels({ study, workingSet, rectangle, bar }: PanelsProps) {
  const { scatterplots, correlations, correlation, rankMethod } = useBothSettings(study);
  const settings = scatterplots.settings ?? DEFAULTS;
  const grouping = useGrouping(study);
  const groups = useGroupsShown(study, grouping, settings);
  const pairs = usePairSelection(study);
  const [params, setParams] = useSearchParams();
  const path = useStudyPath();
  const { variables } = workingSet;
  const [outcomes, predictors] = useMemo(
    () => (['outcome', 'predictor'] as const).map((role) => variables.filter((variable) => variable.role === role)),
    [variables],
  );
  const rows = rectangle ? (outcomes ?? []) : variables;
  const columns = rectangle ? (predictors ?? []) : variables;
  const enough = rectangle ? rows.length > 0 && columns.length > 0 : variables.length >= 2 && variables.length <= MOST_VARIABLES;
  const used = correlation ?? CORRELATION_DEFAULTS;
  // The server looks for cautions once the panels are there: they are for words only.
  const [isDrawn, setDrawn] = useState(false);
  const state = useMatrix(study, variables, used, enough && correlation !== undefined, isDrawn);
  const matrix = useMatrixOnScreen(state, variables, rectangle, used.adjust);
  usePrefetchedColumns(study, variables);
  if (!correlation || !rankMethod || !scatterplots.settings || !correlations.settings || groups.isLoading) {
    return (
      <>
        {bar(null)}
        <Drawing />
      </>
    );
  }
  const stored = correlations.settings;
  const patch = (part: Partial<typeof settings>) => scatterplots.change({ ...settings, ...part });
  const said = sentence(settings, stored, {
    variables: variables.length,
    rows: rowsInWords(study),
    grouping,
    taking: groups.taking,
    rectangle: rectangle ? { outcomes: rows.length, predictors: columns.length } : null,
    canJitter: variables.some(({ kind }) => kind !== 'continuous'),
    binned: rowsInUse(study) > MOST_POINTS,
  });
  const patchCorrelation = (part: Partial<typeof stored>) => correlations.change({ ...stored, ...part });
  const parts = withEditors(said, scatterplotEditors(inUseEditors(study, workingSet), settings, grouping, patch, stored, patchCorrelation));
  if (!enough) {
    return (
      <>
        {bar(null)}
        <NotEnough count={variables.length} rectangle={rectangle} dataPath={`${path}/data?view=codebook`} />
      </>
    );
  }
  const facts = {
    study,
    rows,
    columns,
    settings,
    correlation,
    rankMethod,
    matrix,
    cautionsKnown: state.cautionsKnown,
    groups,
    completeFor: completeForOf(correlation, variables),
  };
  return (
    <MatrixView
      {...facts}
      top={(tools) => (
        <>
          {bar(tools)}
          <MethodsLine parts={parts}>
            <PinButton
              study={study}
              pinned={{
                stage: 'scatterplots',
                thing: 'figure',
                title: sentenceOf(parts),
                request: null,
                settings: { ...settings, rows: rows.map(({ id }) => id), columns: columns.map(({ id }) => id), correlations: correlation },
              }}
            />
          </MethodsLine>
        </>
      )}
      patch={patch}
      state={state}
      pairs={pairs}
      sentence={sentenceOf(parts)}
      onDrawn={setDrawn}
      asTable={params.get('table') === '1'}
      onAsTable={(on) =>
        setParams(
          (current) => {
            if (on) current.set('table', '1');
            else current.delete('table');
            return current;
          },
          { replace: true },
        )
      }
    />
  );
}

function OpenPair({ study, workingSet, rectangle }: Omit<PanelsProps, 'bar'>) {
  const { correlations, correlation } = useBothSettings(study);
  const selection = usePairSelection(study);
  const { variables } = workingSet;
  const enough = variables.length >= 2 && variables.length <= MOST_VARIABLES;
  const state = useMatrix(study, variables, correlation ?? CORRELATION_DEFAULTS, enough && correlation !== undefined, false);
  const matrix = useMatrixOnScreen(state, variables, rectangle, correlation?.adjust ?? 'none');
  if (!selection.pair || !correlations.settings) return null;
  const { x, y } = selection.pair;
  const known = [x, y].every((item) => matrix?.variables.includes(item));
  const adjusted = known && matrix ? matrix.cell(y, x).adjustedP : Number.NaN;
  return (
    <Suspense fallback={null}>
      <PairCard
        study={study}
        pair={selection.pair}
        settings={{ ...correlations.settings, control: [] }}
        variables={variables}
        selection={selection}
        state={state}
        adjustedP={Number.isNaN(adjusted) ? null : adjusted}
        onSwap={selection.swap}
        onClose={selection.close}
      />
    </Suspense>
  );
}

function Drawing() {
  return <div role="status" aria-label="Drawing the panels" className="m-5 flex-1 rounded bg-rule/40" />;
}

function NotEnough({ count, rectangle, dataPath }: { count: number; rectangle: boolean; dataPath: string }) {
  return (
    <div className="max-w-xl p-8 font-serif text-[17px]">
      {rectangle ? (
        <p>
          No panels yet: among the ticked variables there has to be an outcome and a predictor. Set the roles in a variable’s menu at the
          left, or in the{' '}
          <Link to={dataPath} className="text-accent underline">
            codebook
          </Link>
          .
        </p>
      ) : count < 2 ? (
        <p>Tick at least two variables at the left to see how they go together.</p>
      ) : (
        <p>
          {count} variables make more panels than anybody can look through: tick up to {MOST_VARIABLES}. The Correlations stage holds more.
        </p>
      )}
    </div>
  );
}
