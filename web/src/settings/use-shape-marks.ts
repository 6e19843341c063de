import { type ShapeSettings, type Study, shapeSettingsSchema, type Variable, type VariableDescription } from '@ivlen/contract';
import { shapeVerdict } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { ruleInWords } from './shape-rule-in-words';
import { useSettings } from './use-settings';

const DEFAULTS = shapeSettingsSchema.parse({});
const NONE: ReadonlyMap<string, string> = new Map();

export interface ShapeMarks {
  /** What the chosen rule says of the variables that it marks, by id: "skewed to the right". */
  readonly marked: ReadonlyMap<string, string>;
  /** The rule in words. */
  readonly rule: string;
  /** Whether it is known of these very variables; until then nothing is marked, and nothing cleared. */
  readonly known: boolean;
}

/** The variables whose shape the rule of the Shape stage marks, for the other stages. */
export function useShapeMarks(study: Study, variables: readonly Variable[]): ShapeMarks {
  const { settings } = useSettings(study.id, 'shape', DEFAULTS);
  const ids = variables.map(({ id }) => id);
  const { data, isPlaceholderData } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'describe', variables: ids }),
    enabled: ids.length > 0,
    placeholderData: keepPreviousData,
  });
  const rule = settings?.rule ?? DEFAULTS.rule;
  const marked = useMemo(() => (data ? markedAmong(data.variables, rule) : NONE), [data, rule]);
  return { marked, rule: ruleInWords(rule), known: data !== undefined && !isPlaceholderData };
}

export function markedAmong(descriptions: readonly VariableDescription[], rule: ShapeSettings['rule']): ReadonlyMap<string, string> {
  const orNaN = (value: number | null) => value ?? Number.NaN;
  return new Map(
    descriptions.flatMap(({ id, n, min, max, skewness, skewnessSe, excessKurtosis, excessKurtosisSe }) => {
      const statistics = {
        n,
        min: orNaN(min),
        max: orNaN(max),
        skewness: orNaN(skewness),
        skewnessSe: orNaN(skewnessSe),
        excessKurtosis: orNaN(excessKurtosis),
        excessKurtosisSe: orNaN(excessKurtosisSe),
      };
      const { marked, words } = shapeVerdict(statistics, { rule, test: null, level: 0.05 });
      return marked ? [[id, words] as const] : [];
    }),
  );
}
