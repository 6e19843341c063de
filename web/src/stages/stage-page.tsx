import { useEffect } from 'react';
import { useParams } from 'react-router';
import { useStudy } from '../frame/study-frame';
import { CorrelationsStage } from './correlations/correlations-stage';
import { PlannedStage } from './planned/planned-stage';
import { STAGES } from './stages';

/** The stage that the address names. */
export function StagePage() {
  const study = useStudy();
  const params = useParams();
  const stage = STAGES.find(({ id }) => id === params.stage);
  useEffect(() => {
    document.title = `${stage?.name ?? ''} · ${study.name} · Ivlen`;
  }, [stage, study.name]);
  if (!stage) return null;
  return stage.planned === null ? <CorrelationsStage study={study} /> : <PlannedStage name={stage.name} sentence={stage.planned} />;
}
