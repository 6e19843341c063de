import type { MessyTable } from './case';

const DATA = [
  ['birk', '1.5', '12'],
  ['dray', '2.5', '14'],
  ['aster', '3.5', '19'],
  ['cole', '2.9', '17'],
];
const under = (names: string, units: string) => `${[names, units, ...DATA.map((cells) => cells.join('\t'))].join('\n')}\n`;

export const UNITS: readonly MessyTable[] = [
  ...[
    ['ft', 'oz'],
    ['hPa', 'lux'],
    ['years', 'euros'],
    ['weeks', 'hands'],
    ['furlongs', 'score points'],
  ].map(
    ([first = '', second = '']): MessyTable => ({
      name: `${first} and ${second} under the names`,
      text: under('site\tlength\tweight', `\t${first}\t${second}`),
      told: { 'units-row': `The first row of data holds units: “${first}”, “${second}”.` },
      mends: ['units-row'],
      rows: 4,
      columns: { length: { unit: first, values: [1.5, 2.5, 3.5, 2.9] }, weight: { unit: second } },
    }),
  ),
  {
    name: 'units in the names',
    text: `site,Depth (cm),"load, kN",Yield [kg],score (mean)\n${DATA.map((cells, i) => `${cells.join(',')},${i + 0.25},${i * i}`).join('\n')}\n`,
    told: { 'units-in-names': '3 names hold a unit: “Depth (cm)”, “load, kN”, “Yield [kg]”.' },
    mends: ['units-in-names'],
    rows: 4,
    columns: { Depth: { unit: 'cm' }, load: { unit: 'kN' }, Yield: { unit: 'kg' }, 'score (mean)': { unit: null } },
  },
  {
    name: 'a unit over one of several columns, in a row of its own',
    text: `site\tlength\tweight\n\t\tkg\n${DATA.map((cells) => cells.join('\t')).join('\n')}\n`,
    told: { 'units-row': 'holds units: “kg”' },
    mends: ['units-row'],
    rows: 4,
    columns: { weight: { unit: 'kg' }, length: { unit: null } },
  },
  {
    name: 'a missing value in the first row is no unit',
    text: under('site\tlength\tweight', 'elm\tNA\t15'),
    told: {},
    notTold: ['units-row'],
    rows: 5,
  },
  {
    name: 'a remark in one cell of the first row is no row of units',
    text: `site\tlength\nelm\tbroken\n${DATA.map(([a, b]) => `${a}\t${b}`).join('\n')}\n`,
    told: { 'not-numbers': '“broken” in row 1' },
    notTold: ['units-row'],
    rows: 5,
  },
];
