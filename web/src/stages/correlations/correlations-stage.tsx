import { type CorrelationResult, type CorrelationSettings, correlationSettingsSchema, type Study } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { analysisQuery } from '../../api/queries';
import { FailureNotice } from '../../frame/failure-notice';
import { rowsInWords } from '../../frame/rows-in-use';
import { MethodsLine } from '../../methods-line/methods-line';
import { useSettings } from '../../settings/use-settings';
import { useWorkingSet, type WorkingSet } from '../../settings/use-working-set';
import { useShapeMarks } from '../shape/use-shape-marks';
import { AboveChooser } from './above-chooser';
import { CorrelationGrid } from './correlation-grid';
import { correlationMethods } from './correlation-methods';
import { GridLegend } from './grid-legend';
import { GridSkeleton } from './grid-skeleton';
import { INTERVAL_LEVEL } from './interval-level';
import { usePairSelection } from './use-pair-selection';

const PairCard = lazy(async () => ({ default: (await import('../../pair-card/pair-card')).PairCard }));
const DEFAULTS = correlationSettingsSchema.parse({});
const MOST_IN_GRID = 60;

/** The Correlations stage: the sentence, the grid, and the card of a chosen pair. */
export function CorrelationsStage({ study }: { study: Study }) {
  const workingSet = useWorkingSet(study);
  const { settings, change } = useSettings(study.id, 'correlations', DEFAULTS);
  const selection = usePairSelection(study);
  if (!workingSet || !settings) return <GridSkeleton size={8} />;
  const patch = (part: Partial<CorrelationSettings>) => change({ ...settings, ...part });
  const facts = { variables: workingSet.variables.length, rows: rowsInWords(study), study };
  return (
    <>
      <section className="flex min-w-0 flex-1 flex-col" aria-label="Correlations">
        <MethodsLine parts={correlationMethods(settings, facts, patch)} />
        <div className="min-h-0 flex-1 overflow-auto px-5 py-3">
          <GridArea study={study} workingSet={workingSet} settings={settings} patch={patch} selection={selection} />
        </div>
      </section>
      {selection.pair && (
        <Suspense fallback={null}>
          <PairCard
            study={study}
            pair={selection.pair}
            settings={settings}
            workingSet={workingSet}
            onSwap={selection.swap}
            onClose={selection.close}
          />
        </Suspense>
      )}
    </>
  );
}

interface GridAreaProps {
  readonly study: Study;
  readonly workingSet: WorkingSet;
  readonly settings: CorrelationSettings;
  readonly patch: (part: Partial<CorrelationSettings>) => void;
  readonly selection: ReturnType<typeof usePairSelection>;
}

function GridArea({ study, workingSet, settings, patch, selection }: GridAreaProps) {
  const { variables } = workingSet;
  const marks = useShapeMarks(study, variables);
  const enough = variables.length >= 2 && variables.length <= MOST_IN_GRID;
  const request = {
    kind: 'correlation' as const,
    variables: variables.map(({ id }) => id),
    method: settings.method,
    byVariable: study.state.pairMethods,
    alternative: settings.alternative,
    missing: settings.missing,
    level: INTERVAL_LEVEL,
  };
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, request),
    enabled: enough,
    placeholderData: keepPreviousData,
  });
  if (!enough) return <NotEnough count={variables.length} />;
  if (!data) return error ? <FailureNotice error={error} /> : <GridSkeleton size={variables.length} />;
  const shown = shownVariables(study, data);
  return (
    <>
      <AboveChooser above={settings.above} onChoose={(above) => patch({ above })} />
      <CorrelationGrid
        study={study}
        variables={shown}
        result={data}
        settings={settings}
        selected={selection.pair}
        onOpen={selection.open}
        marked={marks.marked}
      />
      <GridLegend variables={shown} result={data} settings={settings} marks={marks} pairMethods={study.state.pairMethods} />
    </>
  );
}

/** The variables that a result is about: for a moment after a change, still the previous ones. */
function shownVariables(study: Study, { variables }: CorrelationResult) {
  return variables.flatMap((id) => study.state.variables.filter((variable) => variable.id === id));
}

function NotEnough({ count }: { count: number }) {
  const sentences: Readonly<Record<number, string>> = {
    0: 'Tick two or more variables on the left, and their correlations stand here.',
    1: 'One variable is ticked. Tick another on the left, and their correlation stands here.',
  };
  return (
    <p className="mx-auto max-w-md py-24 text-center font-serif text-lg text-muted">
      {sentences[count] ?? `${count} variables are ticked; the grid shows up to ${MOST_IN_GRID}. Untick some on the left.`}
    </p>
  );
}
