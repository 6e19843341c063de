import { lazy, Suspense, useEffect } from 'react';
import { useParams } from 'react-router';
import { useStudy } from '../frame/study-frame';
import { CorrelationsStage } from './correlations/correlations-stage';
import { PlannedStage } from './planned/planned-stage';
import { STAGES } from './stages';

const DataStage = lazy(async () => ({ default: (await import('./data/data-stage')).DataStage }));

/** The stage that the address names. */
export function StagePage() {
  const study = useStudy();
  const params = useParams();
  const stage = STAGES.find(({ id }) => id === params.stage);
  useEffect(() => {
    document.title = `${stage?.name ?? ''} · ${study.name} · Ivlen`;
  }, [stage, study.name]);
  if (!stage) return null;
  if (stage.planned !== null) return <PlannedStage name={stage.name} sentence={stage.planned} />;
  if (stage.id === 'correlations') return <CorrelationsStage study={study} />;
  return (
    <Suspense fallback={null}>
      <DataStage study={study} />
    </Suspense>
  );
}
