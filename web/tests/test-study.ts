import { type CorrelationResult, type Study, studySchema, variableSchema } from '@ivlen/contract';

/** A study of three made-up quantities, as the server would send it. */
export function testStudy(): Study {
  const variables = ['nitrate', 'phosphate', 'mayfly_taxa'].map((name, i) =>
    variableSchema.parse({
      id: `v${i + 1}`,
      name,
      label: null,
      unit: null,
      kind: 'continuous',
      storage: 'number',
      decimals: 1,
      role: null,
      highMeans: null,
      valueLabels: {},
      missingCodes: [],
      validRange: null,
      note: null,
      derivation: null,
    }),
  );
  return studySchema.parse({
    id: '0b6a5f0e-3a0e-4a52-9f43-0d2f4f5f8a11',
    name: 'Three quantities',
    head: 1,
    rows: 40,
    changed: '2026-05-01T00:00:00.000Z',
    state: { variables, rowMeaning: null, source: null, citation: null, exclusions: null },
  });
}

/** Coefficients −.63 (p < .001), .15 (p = .04, fewer rows) and none. */
export function testResult(): CorrelationResult {
  return {
    kind: 'correlation',
    variables: ['v1', 'v2', 'v3'],
    methods: Array.from({ length: 9 }, () => 'pearson' as const),
    coefficient: [1, 0.15, -0.63, 0.15, 1, null, -0.63, null, 1],
    pValue: [null, 0.04, 1e-9, 0.04, null, null, 1e-9, null, null],
    log10P: [null, -1.4, -9, -1.4, null, null, -9, null, null],
    n: [40, 38, 40, 38, 40, 38, 40, 38, 40],
    low: [null, 0.01, -0.77, 0.01, null, null, -0.77, null, null],
    high: [null, 0.28, -0.42, 0.28, null, null, -0.42, null, null],
    pMethod: Array.from({ length: 9 }, () => 't' as const),
    undefinedBecause: [null, null, null, null, null, 'constant-x', null, 'constant-y', null],
    remedied: Array.from({ length: 9 }, () => false),
  };
}
