import {
  type Analysis,
  analysisResultSchema,
  importPreviewSchema,
  type ResultOf,
  type SettingsOf,
  type SettingsScope,
  settingsSchemas,
  storedSettingsSchema,
  studyListItemSchema,
  studySchema,
  trailSchema,
} from '@ivlen/contract';
import { queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { request, requestNumbers } from './client';

export const studiesQuery = () =>
  queryOptions({
    queryKey: ['studies'],
    queryFn: ({ signal }) => request('/studies', z.array(studyListItemSchema), { signal }),
  });

export const studyQuery = (id: string) =>
  queryOptions({
    queryKey: ['study', id],
    queryFn: ({ signal }) => request(`/studies/${id}`, studySchema, { signal }),
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

/** Saved settings; null where none were ever saved. */
export interface StoredSettings<S extends SettingsScope> {
  readonly version: number;
  readonly settings: SettingsOf<S> | null;
}

export const settingsQuery = <S extends SettingsScope>(study: string, scope: S) =>
  queryOptions({
    queryKey: ['settings', study, scope],
    queryFn: async ({ signal }): Promise<StoredSettings<S>> => {
      const stored = await request(`/studies/${study}/settings/${scope}`, storedSettingsSchema, { signal });
      const settings = stored.settings === null ? null : (settingsSchemas[scope].parse(stored.settings) as SettingsOf<S>);
      return { version: stored.version, settings };
    },
  });

/** An analysis of a revision; the same request always has the same result, so that it never goes stale. */
export const analysisQuery = <A extends Analysis>(study: string, revision: number, analysis: A) =>
  queryOptions({
    queryKey: ['analysis', study, revision, analysis],
    queryFn: async ({ signal }) => {
      const json = { revision, analysis };
      const result = await request(`/studies/${study}/analyses`, analysisResultSchema, { method: 'POST', json, signal });
      if (result.kind !== analysis.kind) throw new Error(`asked for ${analysis.kind}, got ${result.kind}`);
      return result as ResultOf<A>;
    },
    staleTime: Number.POSITIVE_INFINITY,
  });

export const valuesQuery = (study: string, revision: number, variable: string) =>
  queryOptions({
    queryKey: ['values', study, revision, variable],
    queryFn: ({ signal }) => requestNumbers(`/studies/${study}/revisions/${revision}/variables/${variable}/values`, signal),
    staleTime: Number.POSITIVE_INFINITY,
  });
