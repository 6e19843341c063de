import { expect, test } from '../application/test';

/** 37 invented visits as cells copied from a spreadsheet: no column called anything useful, units below, means at the foot. */
function copiedCells(): { text: string; nitrate: number[] } {
  const rows = Array.from({ length: 37 }, (_, i) => {
    const nitrate = 0.4 + ((i * 29) % 37) * 0.11;
    const depth = 12 + ((i * 17) % 23);
    return { station: `AL-${String(i + 1).padStart(3, '0')}`, nitrate, depth, bank: 1 + ((i * 5) % 4) };
  });
  const mean = (of: (row: (typeof rows)[number]) => number) => (rows.reduce((sum, row) => sum + of(row), 0) / rows.length).toFixed(2);
  const lines = [
    ['place', 'NO3', 'd', 'b'],
    ['', 'mg/L', 'cm', ''],
    ...rows.map(({ station, nitrate, depth, bank }) => [station, nitrate.toFixed(2), String(depth), String(bank)]),
    ['Mean', mean(({ nitrate }) => nitrate), mean(({ depth }) => depth), ''],
  ];
  return { text: lines.map((cells) => cells.join('\t')).join('\r\n'), nitrate: rows.map(({ nitrate }) => nitrate) };
}

test('a block pasted with units under the names and means at the foot is put right, named and described', async ({ page }) => {
  await page.goto('/studies/new');
  await page.getByRole('button', { name: 'Paste cells' }).click();
  await page.getByRole('textbox', { name: 'Cells' }).fill(copiedCells().text);
  await page.getByRole('button', { name: 'Read the cells' }).click();
  await expect(page.getByText('39 rows × 4 variables')).toBeVisible();

  // Both mends are one click each, and nothing is taken out before that.
  await expect(page.getByText('The first row of data holds units: “mg/L”, “cm”.')).toBeVisible();
  await page.getByRole('button', { name: 'These are the units' }).click();
  await expect(page.getByText('38 rows × 4 variables')).toBeVisible();
  await expect(page.getByText('The last row is no case: “Mean”.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('37 rows × 4 variables')).toBeVisible();
  await expect(page.getByRole('columnheader', { name: /mg\/L · none missing/ })).toBeVisible();

  for (const [column, name] of ['station', 'nitrate', 'depth', 'bank condition'].entries()) {
    await page.getByRole('textbox', { name: `Name of column ${column + 1}` }).fill(name);
    await page.getByRole('textbox', { name: `Name of column ${column + 1}` }).press('Enter');
    await expect(page.getByRole('combobox', { name: `Kind of ${name}` })).toBeVisible();
  }
  const stored = page.waitForResponse((response) => response.request().method() === 'PATCH' && response.url().includes('/imports/'));
  await page.getByRole('combobox', { name: 'Kind of depth' }).selectOption('continuous');
  await stored;
  await expect(page.getByRole('combobox', { name: 'Kind of bank condition' })).toHaveValue('ordinal');
  await page.getByRole('textbox', { name: 'Name of the study' }).fill('Pasted visits');
  await page.reload();
  await expect(page.getByText('37 rows × 4 variables')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name of the study' }).fill('Pasted visits');
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('region', { name: /^Pair / })).toBeVisible();

  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await page.getByRole('button', { name: 'Edit the entry of depth' }).click();
  const form = page.getByRole('form', { name: 'Entry of depth' });
  await expect(form.getByLabel('Unit')).toHaveValue('cm');
  await form.getByLabel('Decimals').fill('1');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('cm, continuous, shown to 1 decimal')).toBeVisible();
  await page.getByRole('button', { name: 'Rows', exact: true }).click();
  const grid = page.getByRole('grid', { name: 'Rows of Pasted visits' });
  await expect(grid.getByRole('row', { name: /^1 / }).getByRole('gridcell').nth(2)).toHaveText('12.0');
  await grid.press('Control+End');
  await expect(grid.getByRole('row', { name: /^37 / }).getByRole('gridcell').first()).toHaveText('AL-037');
});
