import type { Sample } from './sample';

// Written out rather than drawn: twelve rows with ties in every variable, for exact small-sample p-values.
const ROWS = [
  ['K01', 'riffle', 12, 0.42, 9, 6],
  ['K02', 'riffle', 15, 0.51, 11, 6],
  ['K03', 'riffle', 15, 0.48, 10, 7],
  ['K04', 'riffle', 18, 0.6, 11, 8],
  ['K05', 'run', 25, 0.33, 8, 4],
  ['K06', 'run', 28, 0.33, 8, 5],
  ['K07', 'run', 25, 0.29, 7, 4],
  ['K08', 'run', 31, 0.25, 5, 3],
  ['K09', 'pool', 44, 0.08, 3, 1],
  ['K10', 'pool', 52, 0.08, 3, 0],
  ['K11', 'pool', 44, 0.12, 4, 1],
  ['K12', 'pool', 60, 0.05, 3, 2],
] as const;

/** Twelve kick samples of one stream. */
export function aldermereKickSamples(): Sample {
  return {
    file: 'aldermere-kick-samples',
    name: 'Aldermere kick samples',
    rowMeaning: 'one kick sample',
    source: 'Aldermere stream survey, 2023',
    variables: {
      sample: { kind: 'identifier', label: 'Kick sample' },
      habitat: { kind: 'nominal', label: 'Habitat', role: 'grouping' },
      depth: { kind: 'continuous', label: 'Depth of the water', unit: 'cm', decimals: 0 },
      current: { kind: 'continuous', label: 'Speed of the current', unit: 'm/s', decimals: 2 },
      mayfly_taxa: { kind: 'discrete', label: 'Mayfly taxa in the sample', unit: 'count', decimals: 0, role: 'outcome' },
      stonefly_taxa: { kind: 'discrete', label: 'Stonefly taxa in the sample', unit: 'count', decimals: 0 },
    },
    rows: ROWS.map(([sample, habitat, depth, current, mayfly_taxa, stonefly_taxa]) => ({
      sample,
      habitat,
      depth,
      current,
      mayfly_taxa,
      stonefly_taxa,
    })),
  };
}
