import { importSettingsSchema } from '@ivlen/contract';
import { readBytes } from '@ivlen/server';
import { describe, expect, it } from 'vitest';
import type { MessyTable } from './tables/case';
import { FOOT } from './tables/foot';
import { TOP } from './tables/top';
import { bytesOf } from './test-application';

const KINDS: Readonly<Record<string, readonly MessyTable[]>> = {
  'rows at the foot that are no cases': FOOT,
  'titles, notes and names above the data': TOP,
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
