import {
  type AnalysisInput,
  analysisResultSchema,
  categoriesSchema,
  checksumSchema,
  choicesPreviewSchema,
  type Definition,
  derivationPreviewSchema,
  foundCellsSchema,
  importPreviewSchema,
  locatedSchema,
  type MergeMode,
  mergeSummarySchema,
  type Reading,
  type ResultOf,
  type RowOrder,
  readingPreviewSchema,
  readSettings,
  rowBlockSchema,
  type SettingsOf,
  type SettingsScope,
  type Study,
  type Subset,
  spaceSchema,
  storedSettingsSchema,
  studyListItemSchema,
  studySchema,
  subsetCountSchema,
  trailSchema,
} from '@ivlen/contract';
import { type QueryKey, queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { type Progress, request, requestJob, requestNumbers } from './client';

export const studiesQuery = () =>
  queryOptions({
    queryKey: ['studies'],
    queryFn: ({ signal }) => request('/studies', z.array(studyListItemSchema), { signal }),
  });

/** How much the studies take on the disk; it changes with each of them. */
export const spaceQuery = () =>
  queryOptions({
    queryKey: ['studies', 'space'],
    queryFn: ({ signal }) => request('/space', spaceSchema, { signal }),
  });

export const studyQuery = (id: string) =>
  queryOptions({
    queryKey: ['study', id],
    queryFn: ({ signal }) => request(`/studies/${id}`, studySchema, { signal }),
  });

/** A study as it was at a revision, which never changes. */
export const studyAtQuery = (id: string, revision: number) =>
  queryOptions({
    queryKey: ['study-at', id, revision],
    queryFn: ({ signal }) => request(`/studies/${id}/revisions/${revision}`, studySchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The trail as it leads to a head: another head has another one. */
export const trailQuery = (id: string, head: number) =>
  queryOptions({
    queryKey: ['trail', id, head],
    queryFn: ({ signal }) => request(`/studies/${id}/trail`, trailSchema, { signal }),
  });

export const importQuery = (id: string) =>
  queryOptions({
    queryKey: ['import', id],
    queryFn: ({ signal }) => request(`/imports/${id}`, importPreviewSchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Saved settings; null where none were ever saved, or none that are understood. */
export interface StoredSettings<S extends SettingsScope> {
  readonly version: number;
  readonly settings: SettingsOf<S> | null;
  readonly unreadable: boolean;
}

/** What saves of some settings are known by while they are under way. */
export const savingSettingsKey = (study: string, scope: SettingsScope) => ['save-settings', study, scope];

export const settingsQuery = <S extends SettingsScope>(study: string, scope: S) =>
  queryOptions({
    queryKey: ['settings', study, scope],
    queryFn: async ({ signal, client, queryKey }): Promise<StoredSettings<S>> => {
      const stored = await request(`/studies/${study}/settings/${scope}`, storedSettingsSchema, { signal });
      // A change that is being saved, or was saved while this answer was on its way, is newer than the answer.
      const current = client.getQueryData<StoredSettings<S>>(queryKey);
      const isSaving = client.isMutating({ mutationKey: savingSettingsKey(study, scope) }) > 0;
      if (current && (isSaving || current.version > stored.version)) return current;
      const settings = readSettings(scope, stored.settings);
      return { version: stored.version, settings, unreadable: stored.unreadable };
    },
  });

/** An analysis of a revision; the same request always has the same result, so that it never goes stale. */
export const analysisQuery = <A extends AnalysisInput>(study: string, revision: number, analysis: A) =>
  queryOptions({
    queryKey: ['analysis', study, revision, analysis],
    queryFn: async ({ signal, client, queryKey }) => {
      const json = { revision, analysis };
      const onProgress = (progress: Progress) => client.setQueryData(progressKey(queryKey), progress);
      const result = await requestJob(`/studies/${study}/analyses`, analysisResultSchema, { method: 'POST', json, signal, onProgress });
      if (result.kind !== analysis.kind) throw new Error(`asked for ${analysis.kind}, got ${result.kind}`);
      return result as ResultOf<A>;
    },
    staleTime: Number.POSITIVE_INFINITY,
  });

function progressKey(analysisKey: QueryKey): QueryKey {
  return ['progress', ...analysisKey];
}

/** How far an analysis that takes long has come; nothing is asked for, the analysis itself tells it. */
export const progressQuery = (analysisKey: QueryKey) =>
  queryOptions({ queryKey: progressKey(analysisKey), queryFn: (): Progress => ({ what: '', done: 0, total: 0 }), enabled: false });

/** What a waiting file would add to a study or change in it. */
export const mergePreviewQuery = (study: string, head: number, importId: string, reading: object, mode: MergeMode) =>
  queryOptions({
    queryKey: ['merge-preview', study, head, importId, reading, mode],
    queryFn: ({ signal }) =>
      request(`/studies/${study}/merge-preview`, mergeSummarySchema, { method: 'POST', json: { importId, mode }, signal }),
    retry: false,
  });

/** What of another study's choices would fit. */
export const choicesQuery = (study: string, head: number, from: string) =>
  queryOptions({
    queryKey: ['choices', study, head, from],
    queryFn: ({ signal }) => request(`/studies/${study}/choices/${from}`, choicesPreviewSchema, { signal }),
    retry: false,
  });

/** All values of a variable, by their version: fetched once for all revisions that leave them alone. */
export const valuesQuery = ({ id: study, head, state }: Study, variable: string) => {
  const version = state.variables.find(({ id }) => id === variable)?.version ?? head;
  return queryOptions({
    queryKey: ['values', study, version, variable],
    queryFn: ({ signal }) => requestNumbers(`/studies/${study}/revisions/${version}/variables/${variable}/values`, signal),
    staleTime: Number.POSITIVE_INFINITY,
  });
};

const at = (study: string, revision: number) => `/studies/${study}/revisions/${revision}`;
const inQuery = (order: RowOrder, more: Record<string, string>) => new URLSearchParams({ ...(order as Record<string, string>), ...more });

/** A block of rows as they are shown; what a revision holds never changes. */
export const blockQuery = (study: string, revision: number, order: RowOrder, block: number) =>
  queryOptions({
    queryKey: ['rows', study, revision, order, block],
    queryFn: ({ signal }) => request(`${at(study, revision)}/rows?${inQuery(order, { block: String(block) })}`, rowBlockSchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });

export const findQuery = (study: string, revision: number, order: RowOrder, text: string) =>
  queryOptions({
    queryKey: ['find', study, revision, order, text],
    queryFn: ({ signal }) => request(`${at(study, revision)}/find?${inQuery(order, { text })}`, foundCellsSchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const positionQuery = (study: string, revision: number, order: RowOrder, row: number) =>
  queryOptions({
    queryKey: ['position', study, revision, order, row],
    queryFn: ({ signal }) => request(`${at(study, revision)}/position?${inQuery(order, { row: String(row) })}`, locatedSchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const categoriesQuery = (study: string, revision: number, variable: string) =>
  queryOptions({
    queryKey: ['categories', study, revision, variable],
    queryFn: ({ signal }) => request(`${at(study, revision)}/variables/${variable}/categories`, categoriesSchema, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const subsetCountQuery = (study: string, revision: number, subset: Subset) =>
  queryOptions({
    queryKey: ['subset-count', study, revision, subset],
    queryFn: ({ signal }) =>
      request(`/studies/${study}/subset-count`, subsetCountSchema, { method: 'POST', json: { revision, subset }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const readingPreviewQuery = (study: string, revision: number, variable: string, reading: Reading | null) =>
  queryOptions({
    queryKey: ['reading', study, revision, variable, reading],
    queryFn: ({ signal }) =>
      request(`/studies/${study}/reading-preview`, readingPreviewSchema, {
        method: 'POST',
        json: { revision, variable, ...(reading ? { reading } : {}) },
        signal,
      }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const derivationPreviewQuery = (study: string, revision: number, definition: Definition) =>
  queryOptions({
    queryKey: ['derivation', study, revision, definition],
    queryFn: ({ signal }) =>
      request(`/studies/${study}/derivation-preview`, derivationPreviewSchema, { method: 'POST', json: { revision, definition }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** SHA-256 of the data of a revision, as the study archive holds them. */
export const checksumQuery = (study: string, revision: number) =>
  queryOptions({
    queryKey: ['checksum', study, revision],
    queryFn: ({ signal }) => requestJob(`${at(study, revision)}/checksum`, checksumSchema, { signal, onProgress: () => {} }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Numbers, from 0, of the rows that are computed with, by when that last changed. */
export const rowsInUseQuery = ({ id: study, head, state }: Study) => {
  const version = state.inUse?.version ?? head;
  return queryOptions({
    queryKey: ['rows-in-use', study, version],
    queryFn: ({ signal }) => requestNumbers(`${at(study, version)}/rows-in-use`, signal),
    staleTime: Number.POSITIVE_INFINITY,
  });
};
