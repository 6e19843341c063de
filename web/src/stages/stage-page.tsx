import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { settingsQuery } from '../api/queries';
import { useStudy } from '../frame/study-frame';
import { CorrelationsStage } from './correlations/correlations-stage';
import { loadedLater } from './loaded-later';
import { PlannedStage } from './planned/planned-stage';
import { STAGES } from './stages';
import { startPlotting } from './start-plotting';

const { Component: DataStage, preload: preloadDataStage } = loadedLater(async () => (await import('./data/data-stage')).DataStage);

const { Component: ShapeStage, preload: preloadShapeStage } = loadedLater(async () => (await import('./shape/shape-stage')).ShapeStage);
const { Component: ScatterplotsStage, preload: preloadScatterplotsStage } = loadedLater(
  async () => (await import('./scatterplots/scatterplots-stage')).ScatterplotsStage,
);
const IDLE_MS = 1500;

/** Stages that are loaded later, by the end of their address. */
const LATER: Readonly<Record<string, () => Promise<unknown>>> = {
  data: preloadDataStage,
  shape: preloadShapeStage,
  scatterplots: preloadScatterplotsStage,
};
// The stage that the page was opened at is loaded while the study is still on its way.
void LATER[window.location.pathname.split('/').at(-1) ?? '']?.().catch(() => {});

/** The stage that the address names. */
export function StagePage() {
  const study = useStudy();
  const params = useParams();
  const client = useQueryClient();
  const stage = STAGES.find(({ id }) => id === params.stage);
  useEffect(() => {
    document.title = `${stage?.name ?? ''} · ${study.name} · Ivlen`;
  }, [stage, study.name]);
  // Read while nothing else is to be done, so that the stages open at once; if they cannot be now, they are when they are opened.
  useEffect(() => {
    const handle = setTimeout(
      () =>
        void Promise.all([preloadDataStage(), preloadShapeStage(), preloadScatterplotsStage()])
          .then(startPlotting)
          .then(() => client.prefetchQuery(settingsQuery(study.id, 'scatterplots')))
          .catch(() => {}),
      IDLE_MS,
    );
    return () => clearTimeout(handle);
  }, [client, study.id]);
  if (!stage) return null;
  if (stage.planned !== null) return <PlannedStage name={stage.name} sentence={stage.planned} />;
  if (stage.id === 'correlations') return <CorrelationsStage study={study} />;
  if (stage.id === 'shape') return <ShapeStage study={study} />;
  if (stage.id === 'scatterplots') return <ScatterplotsStage study={study} />;
  return <DataStage study={study} />;
}
