import type { MessyTable } from './case';

const DATA = [
  ['birk 1', '1.5', '12.1'],
  ['birk 2', '2.5', '14.4'],
  ['dray 1', '3.5', '19.2'],
  ['dray 2', '2.8', '15.3'],
];
const rows = (separator: string) => DATA.map((cells) => cells.join(separator)).join('\n');

export const TOP: readonly MessyTable[] = [
  {
    name: 'a title and a note above the names, apart by commas',
    text: `Stream survey, spring\nunpublished\n\nstation,nitrate,depth\n${rows(',')}\n`,
    settings: { top: 2, header: true, nameRows: 1, separator: ',' },
    told: { 'top-left-out': '2 rows above the table are left out: “Stream survey spring”, “unpublished”.' },
    rows: 4,
    columns: { nitrate: { kind: 'continuous', values: [1.5, 2.5, 3.5, 2.8] }, depth: {} },
  },
  {
    name: 'a title in a row of as many cells, as a spreadsheet writes it',
    text: `Survey of streams;;\n;;\nstation;nitrate;depth\n${rows(';')}\n`,
    settings: { top: 2, separator: ';' },
    told: { 'top-left-out': '“Survey of streams”' },
    rows: 4,
    columns: { station: { kind: 'identifier' }, nitrate: {} },
  },
  {
    name: 'names of groups above names of columns',
    text: `\tspring\t\tautumn\t\nstation\tnitrate\tdepth\tnitrate\tdepth\n${DATA.map(([a, b, c]) => [a, b, c, c, b].join('\t')).join('\n')}\n`,
    settings: { top: 0, nameRows: 2 },
    told: { 'names-joined': 'The names are joined from 2 rows' },
    rows: 4,
    columns: { 'spring nitrate': { values: [1.5, 2.5, 3.5, 2.8] }, 'autumn depth': { values: [1.5, 2.5, 3.5, 2.8] }, station: {} },
  },
  {
    name: 'a title, groups, names and units under each other',
    text: `Survey\t\t\n\tchemistry\tform\nstation\tnitrate\tdepth\n\tmg/L\tcm\n${rows('\t')}\n`,
    settings: { top: 1, nameRows: 2 },
    told: { 'top-left-out': '1 row above the table is left out: “Survey”', 'units-row': '“mg/L”, “cm”' },
    mends: ['units-row'],
    rows: 4,
    columns: { 'chemistry nitrate': { unit: 'mg/L' }, 'form depth': { unit: 'cm' } },
  },
  {
    name: 'a title above a table without names',
    text: `Measured in spring\n${DATA.map(([, b, c]) => `${b},${c}`).join('\n')}\n`,
    settings: { top: 1, header: false },
    told: { 'top-left-out': '“Measured in spring”', 'no-names': 'No row of names' },
    rows: 4,
  },
  {
    name: 'a first row with gaps among numbers is data',
    text: `a,b,c\n1,,\n2,3,4\n5,6,8\n7,8,9\n`,
    settings: { top: 0, nameRows: 1, header: true },
    told: {},
    notTold: ['top-left-out', 'names-joined'],
    rows: 4,
  },
];
