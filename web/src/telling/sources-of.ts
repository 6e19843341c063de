import type { CorrelationSettings, PairTest, Study, TakenRemedy } from '@ivlen/contract';
import {
  ADJUSTMENT_SOURCES,
  CAUTION_SOURCES,
  INTERVAL_KINDS,
  INTERVAL_SOURCES,
  METHOD_SOURCES,
  type Method,
  type ReferenceKey,
  RULE_SOURCES,
} from '@ivlen/core';

/** Where coefficients, their intervals and the adjustment of p under the settings are published. */
export function sourcesOfSettings(
  { interval, adjust }: Pick<CorrelationSettings, 'interval' | 'adjust'>,
  methods: readonly Method[],
): ReferenceKey[] {
  return [
    ...methods.flatMap((method) => {
      const kinds = INTERVAL_KINDS[method];
      const kind = interval === 'bootstrap' ? interval : (kinds.find((item) => item === interval) ?? kinds[0]);
      return [...METHOD_SOURCES[method], ...(kind ? INTERVAL_SOURCES[kind] : [])];
    }),
    ...(adjust === 'none' ? [] : ADJUSTMENT_SOURCES[adjust]),
  ];
}

/** Where the interval that a test has is published. */
export function sourcesOfInterval({ interval }: Pick<PairTest, 'interval'>): readonly ReferenceKey[] {
  const kind = interval?.method.replace(/^bootstrap-.*$/, 'bootstrap');
  return kind !== undefined && kind in INTERVAL_SOURCES ? INTERVAL_SOURCES[kind as keyof typeof INTERVAL_SOURCES] : [];
}

const OF_REMEDIES: Readonly<Record<Exclude<TakenRemedy['kind'], 'method'>, readonly ReferenceKey[]>> = {
  'distribution-free': INTERVAL_SOURCES.adf,
  permutation: RULE_SOURCES['permutation tests'],
  within: RULE_SOURCES['rows of the same case'],
  between: RULE_SOURCES['rows of the same case'],
  'cases-drawn': RULE_SOURCES['rows of the same case'],
  'maximum-likelihood': CAUTION_SOURCES['many-missing'],
  'behind-steps': RULE_SOURCES['polychoric and polyserial correlation'],
  'below-limit': RULE_SOURCES['values below a detection limit'],
  constant: [],
};

/** Where the remedies that were decided on are published: those of all pairs, and of some pairs by `pairKey`. */
export function sourcesOfRemedies({ state: { remedies } }: Pick<Study, 'state'>, pairs: readonly string[]): ReferenceKey[] {
  const taken = [...(remedies.every ? [remedies.every] : []), ...pairs.flatMap((key) => remedies.pairs[key] ?? [])];
  return [...new Set(taken.flatMap((remedy) => (remedy.kind === 'method' ? METHOD_SOURCES[remedy.method] : OF_REMEDIES[remedy.kind])))];
}
