import { Random } from './random';
import type { Cell, Sample } from './sample';

const SEED = 20230611;
const LOGGERS = 40;
const MISSING_SHARE = 0.004;
const CATCHMENTS = ['Aster', 'Birk', 'Corrin', 'Dray'] as const;
const DAY_MS = 86_400_000;
const FIRST_DAY = Date.UTC(2022, 2, 1);
const READINGS_A_DAY = 24;

/** Hourly readings of forty loggers, for size: written on request only. */
export function aldermereLoggers(count = 200_000): Sample {
  const random = new Random(SEED);
  const height = Array.from({ length: LOGGERS }, () => 60 + 480 * random.uniform());
  const rows = Array.from({ length: count }, (_, i) => reading(random, height, i));
  return {
    file: 'aldermere-loggers',
    name: 'Aldermere loggers',
    rowMeaning: 'one hourly reading of a logger',
    source: 'Aldermere stream survey, loggers 2022–2023',
    variables: {
      logger: { kind: 'nominal', label: 'Logger', role: 'grouping' },
      catchment: { kind: 'nominal', label: 'Catchment', role: 'grouping' },
      read_on: { kind: 'date', label: 'Day of the reading' },
      hour: { kind: 'discrete', label: 'Hour of the day', decimals: 0 },
      ...Object.fromEntries(
        Object.entries(QUANTITIES).map(([name, [unit, decimals, label]]) => [name, { kind: 'continuous', label, unit, decimals }] as const),
      ),
    },
    rows,
  };
}

/** Unit, decimals and label. */
const QUANTITIES = {
  elevation: ['m', 0, 'Elevation'],
  air_temp: ['°C', 1, 'Air temperature'],
  water_temp: ['°C', 2, 'Water temperature'],
  bed_temp: ['°C', 2, 'Temperature of the bed'],
  depth: ['cm', 1, 'Depth'],
  current: ['m/s', 2, 'Speed of the current'],
  discharge: ['L/s', 1, 'Discharge'],
  rain: ['mm', 1, 'Rain in the hour'],
  light: ['W/m²', 0, 'Light'],
  cover: ['%', 0, 'Canopy cover'],
  oxygen: ['mg/L', 2, 'Dissolved oxygen'],
  saturation: ['%', 1, 'Oxygen saturation'],
  ph: ['', 2, 'Acidity'],
  conductivity: ['µS/cm', 0, 'Conductivity'],
  solids: ['mg/L', 1, 'Dissolved solids'],
  turbidity: ['NTU', 1, 'Turbidity'],
  nitrate: ['mg/L', 2, 'Nitrate'],
  phosphate: ['µg/L', 1, 'Phosphate'],
  chlorophyll: ['µg/L', 2, 'Chlorophyll'],
  battery: ['V', 2, 'Battery'],
} as const;

function reading(random: Random, heights: readonly number[], i: number): Record<string, Cell> {
  const logger = i % LOGGERS;
  const hours = Math.floor(i / LOGGERS);
  const [day, hour] = [Math.floor(hours / READINGS_A_DAY), hours % READINGS_A_DAY];
  const elevation = heights[logger] ?? 0;
  const sun = Math.max(0, Math.sin(((hour - 6) / 12) * Math.PI));
  const season = Math.sin(((day - 50) / 365) * 2 * Math.PI);
  const air = 9 + 8 * season + 5 * sun - elevation / 160 + random.normal(0, 2);
  const water = 8 + 5 * season + 1.2 * sun - elevation / 250 + random.normal(0, 0.6);
  const rain = random.uniform() < 0.12 ? -2.2 * Math.log(1 - random.uniform()) : 0;
  const depth = Math.max(3, 22 - 6 * season + 3 * rain + random.normal(0, 4));
  const current = Math.max(0.02, 0.12 + depth / 90 + random.normal(0, 0.06));
  const conductivity = 90 + 60 * (logger % 4) - 2 * rain + random.normal(0, 15);
  const oxygen = 13.6 - 0.32 * water + 0.3 * sun + random.normal(0, 0.3);
  const turbidity = Math.exp(1.1 + 0.35 * rain + random.normal(0, 0.5));
  const nitrate = Math.exp(0.2 - elevation / 500 + 0.05 * rain + random.normal(0, 0.4));
  const phosphate = Math.exp(2.6 + 0.3 * Math.log(nitrate) + random.normal(0, 0.4));
  const values: Record<keyof typeof QUANTITIES, number> = {
    elevation,
    air_temp: air,
    water_temp: water,
    bed_temp: water - 0.4 + random.normal(0, 0.2),
    depth,
    current,
    discharge: depth * current * 9,
    rain,
    light: 800 * sun * (0.4 + 0.6 * random.uniform()),
    cover: 20 + 15 * (logger % 5),
    oxygen,
    saturation: (100 * oxygen) / (14.2 - 0.33 * water),
    ph: 7 + (logger % 4) / 10 + 0.1 * sun + random.normal(0, 0.15),
    conductivity,
    solids: 0.64 * conductivity + random.normal(0, 2),
    turbidity,
    nitrate,
    phosphate,
    chlorophyll: Math.exp(0.3 * Math.log(phosphate) + 0.4 * season + random.normal(0, 0.5)),
    battery: 12.6 - 0.002 * day + random.normal(0, 0.05),
  };
  const written = Object.entries(QUANTITIES).map(([name, [, decimals]]) => {
    const value = values[name as keyof typeof QUANTITIES];
    return [name, random.uniform() < MISSING_SHARE ? '' : value.toFixed(decimals)] as const;
  });
  return {
    logger: `L${String(logger + 1).padStart(2, '0')}`,
    catchment: CATCHMENTS[logger % CATCHMENTS.length] ?? '',
    read_on: new Date(FIRST_DAY + day * DAY_MS).toISOString().slice(0, 10),
    hour,
    ...Object.fromEntries(written),
  };
}
