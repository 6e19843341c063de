import {
  type AnalysisInput,
  type Categories,
  type ReportPart,
  type ReportSettings,
  type ResultOf,
  rowsInUse,
  type SettingsOf,
  type SettingsScope,
  type Study,
  settingsSchemas,
} from '@ivlen/contract';
import type { QueryClient } from '@tanstack/react-query';
import { analysisQuery, categoriesQuery, rowsInUseQuery, settingsQuery, valuesQuery } from '../api/queries';

/** What those who say something of a study may ask for. */
export interface Asking {
  /** As it stands, or as it was where something is held at a decision. */
  readonly study: Study;
  readonly report: ReportSettings;
  /** The parts that are shown of what is told; null for all. What is not shown need not be asked for. */
  readonly parts: readonly ReportPart[] | null;
  readonly client: QueryClient;
  ask<A extends AnalysisInput>(analysis: A): Promise<ResultOf<A>>;
  /** All values of a variable. */
  values(variable: string): Promise<Float64Array>;
  /** Numbers of the rows in use, from 0; undefined where all are. */
  rowsInUse(): Promise<Float64Array | undefined>;
  /** Settings of the study as they are now, or as usual where none were saved. */
  settings<S extends SettingsScope>(scope: S): Promise<SettingsOf<S>>;
  categories(variable: string): Promise<Categories>;
}

interface AskingOptions {
  readonly parts?: Asking['parts'];
  /** Called with every analysis, so that a record can name them. */
  readonly asked?: (analysis: AnalysisInput) => unknown;
}

/** Asks the server, each thing once. */
export function askingOf(
  client: QueryClient,
  study: Study,
  report: ReportSettings,
  { parts = null, asked = () => {} }: AskingOptions = {},
): Asking {
  return {
    study,
    report,
    parts,
    client,
    ask: (analysis) => {
      asked(analysis);
      return client.fetchQuery(analysisQuery(study.id, study.head, analysis));
    },
    values: (variable) => client.fetchQuery(valuesQuery(study, variable)),
    rowsInUse: async () => (rowsInUse(study) < study.rows ? client.fetchQuery(rowsInUseQuery(study)) : undefined),
    settings: async (scope) => {
      const stored = await client.fetchQuery({ ...settingsQuery(study.id, scope), staleTime: Number.POSITIVE_INFINITY });
      return (
        stored.settings ??
        (settingsSchemas[scope].parse(
          scope === 'working-set' ? { variables: [] } : scope === 'grouping' ? { variable: null } : {},
        ) as never)
      );
    },
    categories: (variable) => client.fetchQuery(categoriesQuery(study.id, study.head, variable)),
  };
}
