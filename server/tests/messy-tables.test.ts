import { importSettingsSchema } from '@ivlen/contract';
import { readBytes } from '@ivlen/server';
import { describe, expect, it } from 'vitest';
import { BETWEEN } from './tables/between';
import type { MessyTable } from './tables/case';
import { CODES } from './tables/codes';
import { FOOT } from './tables/foot';
import { KIND_CASES } from './tables/kinds';
import { NUMBERS } from './tables/numbers';
import { TOP } from './tables/top';
import { UNITS } from './tables/units';
import { bytesOf } from './test-application';

const KINDS: Readonly<Record<string, readonly MessyTable[]>> = {
  'rows at the foot that are no cases': FOOT,
  'rows between the data that are no cases': BETWEEN,
  'titles, notes and names above the data': TOP,
  'numbers that mean missing': CODES,
  'units under and in names': UNITS,
  'numbers inside texts': NUMBERS,
  'what columns are': KIND_CASES,
};

describe.each(Object.entries(KINDS))('%s', (_, cases) => {
  it.each(cases.map((item) => [item.name, item] as const))('%s', async (__, item) => {
    const bytes = bytesOf(item.text);
    let table = await readBytes(bytes, null);
    const find = (code: string) => table.preview.problems.find((problem) => problem.code === code);
    if (item.settings) expect(table.preview.settings).toMatchObject(item.settings);
    for (const [code, words] of Object.entries(item.told)) expect(find(code)?.message, code).toContain(words);
    for (const code of item.notTold ?? []) expect(find(code), code).toBeUndefined();
    for (const code of item.mends ?? []) {
      const patch = find(code)?.mends[0]?.patch;
      expect(patch, `a mend of ${code}`).toBeDefined();
      const { settings } = table.preview;
      const columns = { ...settings.columns };
      for (const [column, correction] of Object.entries(patch?.columns ?? {})) columns[column] = { ...columns[column], ...correction };
      table = await readBytes(bytes, importSettingsSchema.parse({ ...settings, ...patch, columns }));
      expect(find(code), `${code} after its mend`).toBeUndefined();
    }
    if (item.rows !== undefined) expect(table.preview.rows).toBe(item.rows);
    for (const [name, { kind, unit, values }] of Object.entries(item.columns ?? {})) {
      const at = table.preview.columns.findIndex((column) => column.name === name);
      expect(at, name).toBeGreaterThanOrEqual(0);
      if (kind) expect(table.preview.columns[at]?.kind, name).toBe(kind);
      if (unit !== undefined) expect(table.preview.columns[at]?.unit, name).toBe(unit);
      if (values) expect([...(table.columns[at] ?? [])], name).toEqual(values.map((value) => value ?? Number.NaN));
    }
  });
});

describe('limits of measurement', () => {
  const text = `a;b\n${['<0.5', '1.25', '0.75', '<0.5', '2.5'].map((cell, i) => `${cell};${i * i}`).join('\n')}\n`;
  it.each([
    ['limit', [0.5, 1.25, 0.75, 0.5, 2.5], 'read as the limit'],
    ['half', [0.25, 1.25, 0.75, 0.25, 2.5], 'read as half of it'],
    ['missing', [Number.NaN, 1.25, 0.75, Number.NaN, 2.5], 'read as missing'],
  ] as const)('as %s: the values, the rows in the codebook’s note, and the other readings as offers', async (limits, values, words) => {
    const { preview } = await readBytes(bytesOf(text), null);
    const settings = { ...preview.settings, columns: { 0: { loose: true, limits } } };
    const table = await readBytes(bytesOf(text), importSettingsSchema.parse(settings));
    expect([...(table.columns[0] ?? [])]).toEqual(values);
    expect(table.preview.columns[0]?.note).toBe(`2 cells tell a limit only (“<0.5” in rows 1 and 4), ${words}.`);
    const problem = table.preview.problems.find(({ code }) => code === 'limits-read');
    expect(problem?.hint).toContain('the mean, the SD and r are off');
    expect(problem?.mends).toHaveLength(2);
    expect(table.preview.problems.some(({ code }) => code === 'not-numbers')).toBe(false);
  });
});
