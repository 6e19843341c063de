import { readFileSync } from 'node:fs';
import { expect, openCopy, type Page, test } from '../application/test';

const KICKS = readFileSync(new URL('../../samples/aldermere-kick-samples.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n');
const STREAMS = readFileSync(new URL('../../samples/aldermere-streams.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n');

async function bringInto(page: Page, entry: string, lines: readonly string[]) {
  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Bring in' }).click();
  await page.getByRole('menuitem', { name: entry }).click();
  const buffer = Buffer.from(lines.join('\n'));
  await page.getByLabel('Table to bring in').setInputFiles({ name: 'kicks.csv', mimeType: 'text/csv', buffer });
}

test('more rows come from another file with the same columns, and go again', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  const [header = '', first = ''] = KICKS;
  const [, ...cells] = first.split(',');
  await bringInto(page, 'More rows, from another file …', [header, ['K-91', ...cells].join(','), first, ['K-92', ...cells].join(',')]);
  const panel = page.getByRole('region', { name: /^Into / });
  await expect(panel.getByRole('status')).toContainText('3 rows would follow the 12 that are there.');
  await expect(panel.getByRole('status')).toContainText('1 identifier of them is in the study already');
  await page.reload();
  await panel.getByRole('button', { name: 'Add the rows' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('15 rows, all in use');
  await page.getByRole('grid').press('Control+End');
  await expect(page.getByRole('row', { name: /^15 / }).getByRole('gridcell').first()).toHaveText('K-92');
  await page.getByRole('button', { name: /^Undo: 3 rows added from “kicks.csv”/ }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('12 rows, all in use');
});

test('a corrected file shows what it changes before it takes the place of the data', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  const [header = '', ...rows] = KICKS;
  const corrected = rows.slice(1).map((row, i) => (i === 2 ? row.replace(/,[^,]*$/, ',99') : row));
  await bringInto(page, 'The data corrected, from another file …', [header, ...corrected.toReversed()]);
  const panel = page.getByRole('region', { name: /^Into / });
  await expect(panel.getByRole('status')).toContainText(
    '1 cell would change. 1 row of the study is not in the file, and would be set aside.',
  );
  await expect(panel.getByRole('row').nth(1)).toContainText(/row 4: \d+ becomes 99/);
  await panel.getByRole('button', { name: 'Replace the data' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('11 of 12 rows in use');
  await expect(page.getByRole('row', { name: /not in the corrected file.*1/ }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Trail/ }).click();
  await expect(
    page
      .getByRole('dialog', { name: /^Trail of/ })
      .getByRole('listitem')
      .first(),
  ).toContainText('Data replaced by “kicks.csv”: 1 cell changed, 1 row no longer there and set aside');
});

test('choices of another study are taken over, with a list of what does not fit', async ({ page }) => {
  await page.goto('/studies/new');
  const lines = STREAMS.map((line) =>
    line
      .split(',')
      .filter((_, i) => i !== 13)
      .join(','),
  );
  await page
    .getByLabel('Table to bring in')
    .setInputFiles({ name: 'next year.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await page.getByRole('button', { name: 'Create study' }).click();
  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Bring in' }).click();
  await page.getByRole('menuitem', { name: 'The choices of another study …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Choices of another study' });
  const streams = await dialog.getByRole('option', { name: 'Aldermere streams (248 × 18)' }).getAttribute('value');
  await dialog.getByRole('combobox').selectOption(streams);
  await expect(dialog.getByRole('list', { name: 'Would be taken over' })).toContainText('the entries of 17 variables');
  await expect(dialog.getByRole('list', { name: 'Does not fit' })).toContainText('There is no variable turbidity.');
  await dialog.getByRole('button', { name: 'Take over what fits' }).click();
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await expect(page.getByText('Condition of the bank: ordinal; 1 is eroded')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Undo: Choices of “Aldermere streams” taken over/ })).toBeVisible();
});

test('a repeated identifier is a caution, with one row per identifier as an offer', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  const stations = new Set(STREAMS.slice(1).map((line) => line.split(',')[0])).size;
  expect(stations).toBeLessThan(248);
  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: /^To check/ }).click();
  const line = page.getByRole('listitem').filter({ hasText: 'stand in more than one row' });
  await expect(line).toContainText('not independent of each other');
  await line.getByLabel('What stands for a station with several rows').selectOption('first');
  await line.getByRole('button', { name: 'New study with one row per station' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText(`${stations} rows, all in use`);
  await page.getByRole('button', { name: /^To check/ }).click();
  await expect(page.getByText('What may be wrong')).toBeVisible();
  await expect(page.getByText('stand in more than one row')).toHaveCount(0);
});
