import { Random } from './random';
import type { Sample } from './sample';

const STATIONS = 60;

/** What the beds of the stations are made of: shares that add up to nearly all, so that each is told by the others. */
export function aldermereBeds(): Sample {
  const random = new Random(1980);
  return {
    file: 'aldermere-beds',
    name: 'Aldermere beds',
    rowMeaning: 'one station',
    source: 'Aldermere stream survey, 2023',
    variables: {
      station: { kind: 'identifier', label: 'Station' },
      reach: { kind: 'nominal', label: 'Kind of reach' },
      gravel: { kind: 'continuous', label: 'Share of gravel in the bed', unit: '%', decimals: 1, role: 'predictor' },
      sand: { kind: 'continuous', label: 'Share of sand in the bed', unit: '%', decimals: 1, role: 'predictor' },
      silt: { kind: 'continuous', label: 'Share of silt in the bed', unit: '%', decimals: 1, role: 'predictor' },
      depth: { kind: 'continuous', label: 'Depth of the water', unit: 'cm', decimals: 0, role: 'predictor' },
      current: { kind: 'continuous', label: 'Speed of the current', unit: 'm/s', decimals: 2, role: 'predictor' },
      caddis_taxa: { kind: 'discrete', label: 'Caddis taxa in the sample', unit: 'count', decimals: 0, role: 'outcome' },
    },
    rows: Array.from({ length: STATIONS }, (_, i) => station(random, i)),
  };
}

function station(random: Random, i: number) {
  const reach = random.pick([
    ['riffle', 4],
    ['run', 4],
    ['pool', 2],
  ] as const);
  const speed = { riffle: 0.55, run: 0.36, pool: 0.16 }[reach];
  const current = Math.max(0.03, random.normal(speed, 0.14));
  const depth = Math.max(6, random.normal({ riffle: 16, run: 28, pool: 46 }[reach], 8));
  // What is neither gravel nor sand nor silt (wood, leaves) is at most 2 % of the bed.
  const rest = 2 * random.uniform();
  const weights = [
    Math.exp(random.normal(0.9 + 0.7 * current, 0.45)),
    Math.exp(random.normal(0.6, 0.45)),
    Math.exp(random.normal(0.4 - 0.8 * current, 0.5)),
  ];
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  const [gravel = 0, sand = 0, silt = 0] = weights.map((weight) => ((100 - rest) * weight) / whole);
  const caddis = random.poisson(Math.exp(1.1 + 0.012 * gravel - 0.012 * silt + 0.5 * current));
  return {
    station: `BD-${String(i + 1).padStart(3, '0')}`,
    reach,
    gravel: gravel.toFixed(1),
    sand: sand.toFixed(1),
    silt: silt.toFixed(1),
    depth: depth.toFixed(0),
    current: current.toFixed(2),
    caddis_taxa: caddis,
  };
}
