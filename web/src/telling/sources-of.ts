import type { CorrelationSettings, PairTest } from '@ivlen/contract';
import { ADJUSTMENT_SOURCES, INTERVAL_KINDS, INTERVAL_SOURCES, METHOD_SOURCES, type Method, type ReferenceKey } from '@ivlen/core';

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
