import type { Study } from '@ivlen/contract';
import type { QueryClient } from '@tanstack/react-query';
import type { ComponentType } from 'react';
import { VIEWS as COLLINEARITY_VIEWS } from './stages/collinearity/views';
import { VIEWS as CORRELATIONS_VIEWS } from './stages/correlations/views';
import { VIEWS as DATA_VIEWS } from './stages/data/views';
import { VIEWS as SCATTERPLOTS_VIEWS } from './stages/scatterplots/views';
import { VIEWS as SHAPE_VIEWS } from './stages/shape/views';
import { VIEWS as SUBGROUPS_VIEWS } from './stages/subgroups/views';
import type { TellingStages } from './telling/telling-stages';
import type { Tell } from './telling/told';

/** A stage of the work: what it is called, its parts, and how what it shows is loaded. */
export interface Stage {
  readonly id: string;
  readonly name: string;
  readonly views: readonly { readonly id: string; readonly name: string }[];
  readonly load: () => Promise<ComponentType<{ study: Study }>>;
  /** How what is pinned in it is told in the report. */
  readonly tell?: () => Promise<Tell>;
  /** What it will ask for, read while nothing else is to be done. */
  readonly readAhead?: () => Promise<ReadAhead>;
}

/** Reads what a stage will ask for, so that it opens at once. */
export type ReadAhead = (client: QueryClient, study: Study) => Promise<void>;

/** The stages of a study, in the order of the work; the only list of them. */
export const STAGES: readonly Stage[] = [
  {
    id: 'data',
    name: 'Data',
    views: DATA_VIEWS,
    load: async () => (await import('./stages/data/data-stage')).DataStage,
    tell: async () => (await import('./stages/data/tell/tell')).tell,
  },
  {
    id: 'shape',
    name: 'Shape',
    views: SHAPE_VIEWS,
    load: async () => (await import('./stages/shape/shape-stage')).ShapeStage,
    tell: async () => (await import('./stages/shape/tell/tell')).tell,
  },
  {
    id: 'correlations',
    name: 'Correlations',
    views: CORRELATIONS_VIEWS,
    load: async () => (await import('./stages/correlations/correlations-stage')).CorrelationsStage,
    tell: async () => (await import('./stages/correlations/tell/tell')).tell,
  },
  {
    id: 'scatterplots',
    name: 'Scatterplots',
    views: SCATTERPLOTS_VIEWS,
    load: async () => (await import('./stages/scatterplots/scatterplots-stage')).ScatterplotsStage,
    tell: async () => (await import('./stages/scatterplots/tell/tell')).tell,
    readAhead: async () => (await import('./stages/scatterplots/read-ahead')).readAhead,
  },
  {
    id: 'subgroups',
    name: 'Subgroups',
    views: SUBGROUPS_VIEWS,
    load: async () => (await import('./stages/subgroups/subgroups-stage')).SubgroupsStage,
    tell: async () => (await import('./stages/subgroups/tell/tell')).tell,
  },
  {
    id: 'collinearity',
    name: 'Collinearity',
    views: COLLINEARITY_VIEWS,
    load: async () => (await import('./stages/collinearity/collinearity-stage')).CollinearityStage,
    tell: async () => (await import('./stages/collinearity/tell/tell')).tell,
  },
  {
    id: 'report',
    name: 'Report',
    views: [],
    load: async () => (await import('./stages/report/report-stage')).ReportStage,
    readAhead: async () => {
      const { readAhead } = await import('./stages/report/read-ahead');
      return (client, study) => readAhead(client, study, TELLING);
    },
  },
];

/** How what is pinned is told, by stage. */
export const TELLING: TellingStages = Object.fromEntries(STAGES.flatMap(({ id, tell }) => (tell ? [[id, tell]] : [])));

export function isStage(id: string | undefined): boolean {
  return STAGES.some((stage) => stage.id === id);
}
