import type { Study } from '@ivlen/contract';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { loadedLater } from '../controls/loaded-later';
import { useStudy } from '../frame/study-frame';
import { STAGES } from '../stages';

const LOADED = new Map(STAGES.map(({ id, load }) => [id, loadedLater(load)]));
const IDLE_MS = 1500;

// The stage that the page was opened at is loaded while the study is still on its way.
void LOADED.get(window.location.pathname.split('/').at(-1) ?? '')
  ?.preload()
  .catch(() => {});

/** The stage that the address names. */
export function StagePage() {
  const study = useStudy();
  const params = useParams();
  const client = useQueryClient();
  const stage = STAGES.find(({ id }) => id === params.stage);
  useEffect(() => {
    document.title = `${stage?.name ?? ''} · ${study.name} · Ivlen`;
  }, [stage, study.name]);
  // Read while nothing else is to be done, so that the stages open at once; what cannot be now is when they are opened.
  useEffect(() => {
    const handle = setTimeout(() => void readEverythingAhead(client, study).catch(() => {}), IDLE_MS);
    return () => clearTimeout(handle);
  }, [client, study]);
  const Shown = stage && LOADED.get(stage.id)?.Component;
  return Shown ? <Shown key={stage.id} study={study} /> : null;
}

async function readEverythingAhead(client: QueryClient, study: Study): Promise<void> {
  await Promise.all([...LOADED.values()].map(({ preload }) => preload()));
  await Promise.all(STAGES.map(({ tell }) => tell?.()));
  for (const { readAhead } of STAGES) await (await readAhead?.())?.(client, study);
}
