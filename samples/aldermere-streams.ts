import { Random } from './random';
import type { Cell, Sample } from './sample';

const STATIONS = 236;
const REPEATED = 12;

/** What sets the four catchments apart; the fields are centres of the variables of the same name. */
const CATCHMENTS = {
  Aster: {
    code: 'AS',
    elevation: 180,
    canopy: 66,
    logPhosphate: 3.75,
    warmthToChlorophyll: 0.3,
    geology: [
      ['limestone', 7],
      ['shale', 3],
    ],
  },
  Birk: {
    code: 'BI',
    elevation: 250,
    canopy: 48,
    logPhosphate: 3.25,
    warmthToChlorophyll: 0.16,
    geology: [
      ['limestone', 3],
      ['shale', 7],
    ],
  },
  Corrin: {
    code: 'CO',
    elevation: 370,
    canopy: 31,
    logPhosphate: 2.75,
    warmthToChlorophyll: 0.1,
    geology: [
      ['granite', 6],
      ['shale', 4],
    ],
  },
  Dray: {
    code: 'DR',
    elevation: 460,
    canopy: 18,
    logPhosphate: 2.3,
    warmthToChlorophyll: 0,
    geology: [
      ['granite', 9],
      ['shale', 1],
    ],
  },
} as const;
type Catchment = keyof typeof CATCHMENTS;

const DETECTION_LIMIT = 1.5;
const CONDUCTIVITY = { granite: 78, shale: 165, limestone: 390 } as const;

interface Visit {
  station: string;
  catchment: Catchment;
  geology: keyof typeof CONDUCTIVITY;
  day: number;
  streamOrder: number;
  elevation: number;
  canopy: number;
}

function placeStation(random: Random, index: number, counts: Record<Catchment, number>): Visit {
  const catchment = random.pick<Catchment>([
    ['Aster', 62],
    ['Birk', 60],
    ['Corrin', 64],
    ['Dray', 50],
  ]);
  const place = CATCHMENTS[catchment];
  counts[catchment]++;
  return {
    station: `${place.code}-${String(counts[catchment]).padStart(3, '0')}`,
    catchment,
    geology: random.pick<keyof typeof CONDUCTIVITY>(place.geology),
    day: Math.floor(index * 0.6 + random.uniform() * 12),
    streamOrder: random.pick([
      [1, 34],
      [2, 31],
      [3, 22],
      [4, 13],
    ]),
    elevation: Math.max(42, random.normal(place.elevation, 68)),
    canopy: clamp(random.normal(place.canopy, 13), 0, 100),
  };
}

/** The chemistry and life of one visit. By design: log-normal nutrients, conductivity with two humps by geology, … */
function measure(random: Random, visit: Visit): Record<string, Cell> {
  const place = CATCHMENTS[visit.catchment];
  const waterTemp = 17.2 - 0.0125 * visit.elevation - 0.018 * visit.canopy + 0.012 * visit.day + random.normal(0, 0.9);
  const oxygen = 14.3 - 0.31 * waterTemp + random.normal(0, 0.42);
  const conductivity = CONDUCTIVITY[visit.geology] * Math.exp(random.normal(0, 0.17));
  const ph = 6.55 + 0.55 * Math.log10(conductivity / 60) + random.normal(0, 0.16);
  const nitrate = Math.exp(0.75 - 0.0022 * (visit.elevation - 300) + random.normal(0, 0.62));
  // … canopy lowers phosphate inside every catchment, while the shadier catchments have more of it: the sign reverses.
  const phosphate = Math.exp(place.logPhosphate - 0.024 * (visit.canopy - place.canopy) + random.normal(0, 0.3));
  const chlorophyll = Math.exp(0.6 + place.warmthToChlorophyll * (waterTemp - 12.5) + random.normal(0, 0.48));
  const turbidity = Math.exp(1.1 + 0.16 * visit.streamOrder + random.normal(0, 0.68));
  // Taxa fall steeply with the first nitrate and then level off: a curved pair.
  const taxa = random.poisson(3 + 15 * Math.exp(-0.42 * nitrate) * (0.75 + visit.elevation / 1600));
  const bank = clamp(Math.round(2.4 + 0.016 * (visit.canopy - 40) + random.normal(0, 0.8)), 1, 4);
  return {
    station: visit.station,
    catchment: visit.catchment,
    geology: visit.geology,
    sampled_on: new Date(Date.UTC(2023, 4, 2 + visit.day)).toISOString().slice(0, 10),
    stream_order: visit.streamOrder,
    bank_condition: bank,
    elevation: visit.elevation.toFixed(0),
    // Estimated by eye in steps of five.
    canopy_cover: Math.round(visit.canopy / 5) * 5,
    water_temp: waterTemp.toFixed(1),
    dissolved_oxygen: oxygen.toFixed(2),
    ph: ph.toFixed(2),
    conductivity: conductivity.toFixed(0),
    dissolved_solids: (0.64 * conductivity + random.normal(0, 2.4)).toFixed(1),
    turbidity: turbidity.toFixed(1),
    nitrate: nitrate.toFixed(2),
    phosphate: phosphate.toFixed(1),
    // Everything below the detection limit is recorded as the limit: a heap with a tail, which no scale makes normal.
    chlorophyll: Math.max(DETECTION_LIMIT, chlorophyll).toFixed(2),
    mayfly_taxa: taxa,
  };
}

const MISSING: Readonly<Record<string, readonly number[]>> = {
  dissolved_oxygen: [88, 201],
  turbidity: [14, 92, 180, 211],
  phosphate: [31, 77, 160],
  chlorophyll: [5, 31, 64, 65, 118, 143, 160, 199, 230],
  ph: [92],
};

/** The stream survey: 248 visits to 236 stations, with all that a real table has wrong with it. */
export function aldermereStreams(): Sample {
  const random = new Random(20230502);
  const counts = { Aster: 0, Birk: 0, Corrin: 0, Dray: 0 };
  const stations = Array.from({ length: STATIONS }, (_, i) => placeStation(random, i, counts));
  const again = Array.from({ length: REPEATED }, (_, i) => ({ ...pickVisit(stations, 7 + i * 19), day: 130 + i }));
  const rows = [...stations, ...again].map((visit) => measure(random, visit));

  for (const [variable, missing] of Object.entries(MISSING)) for (const row of missing) rowAt(rows, row)[variable] = '';
  // A lost decimal point.
  rowAt(rows, 137).ph = '74';
  // One flooded station, high in two variables that have nothing to do with each other elsewhere.
  Object.assign(rowAt(rows, 102), { turbidity: '148.0', dissolved_oxygen: '3.10' });
  return {
    file: 'aldermere-streams',
    name: 'Aldermere streams',
    rowMeaning: 'one visit to a station',
    source: 'Aldermere stream survey, 2023',
    variables: {
      station: { kind: 'identifier', label: 'Station' },
      catchment: { kind: 'nominal', label: 'Catchment', role: 'grouping' },
      geology: { kind: 'nominal', label: 'Bedrock under the station' },
      sampled_on: { kind: 'date', label: 'Day of the visit' },
      stream_order: { kind: 'ordinal', label: 'Stream order', highMeans: 'a larger stream' },
      bank_condition: {
        kind: 'ordinal',
        label: 'Condition of the bank',
        highMeans: 'a sounder bank',
        valueLabels: { 1: 'eroded', 2: 'worn', 3: 'fair', 4: 'sound' },
      },
      elevation: { kind: 'continuous', label: 'Elevation above the sea', unit: 'm', decimals: 0 },
      canopy_cover: { kind: 'continuous', label: 'Canopy cover over the water', unit: '%', decimals: 0 },
      water_temp: { kind: 'continuous', label: 'Water temperature', unit: '°C', decimals: 1 },
      dissolved_oxygen: { kind: 'continuous', label: 'Dissolved oxygen', unit: 'mg/L', decimals: 2 },
      ph: { kind: 'continuous', label: 'Acidity', decimals: 2 },
      conductivity: { kind: 'continuous', label: 'Electrical conductivity', unit: 'µS/cm', decimals: 0 },
      dissolved_solids: { kind: 'continuous', label: 'Total dissolved solids', unit: 'mg/L', decimals: 1 },
      turbidity: { kind: 'continuous', label: 'Turbidity', unit: 'NTU', decimals: 1 },
      nitrate: { kind: 'continuous', label: 'Nitrate', unit: 'mg/L', decimals: 2, role: 'predictor' },
      phosphate: { kind: 'continuous', label: 'Phosphate', unit: 'µg/L', decimals: 1, role: 'predictor' },
      chlorophyll: { kind: 'continuous', label: 'Chlorophyll a; 1.50 is the detection limit', unit: 'µg/L', decimals: 2 },
      mayfly_taxa: { kind: 'discrete', label: 'Mayfly taxa in the sample', unit: 'count', decimals: 0, role: 'outcome' },
    },
    rows,
  };
}

function rowAt<T>(rows: readonly T[], number: number): T {
  const row = rows[number - 1];
  if (row === undefined) throw new RangeError(`there is no row ${number}`);
  return row;
}

function pickVisit(stations: readonly Visit[], index: number): Visit {
  return rowAt(stations, (index % stations.length) + 1);
}

function clamp(value: number, low: number, high: number): number {
  return Math.max(low, Math.min(high, value));
}
