import { join } from 'node:path';
import { expect, type Page, test } from '../application/test';

/** Invented depths and nitrate of ten stations. */
const X = [4.1, 5.3, 6.2, 4.8, 7.1, 5.9, 6.6, 5.1, 4.4, 6.9];
const Y = [11.2, 14.1, 12.9, 12.2, 15.8, 12.1, 14.9, 13.3, 12.7, 13.6];

/** Pearson's r by its definition, as it is written on screen. */
function writtenR(x: readonly number[], y: readonly number[]): string {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(x), mean(y)];
  const sum = (of: (i: number) => number) => x.reduce((total, _, i) => total + of(i), 0);
  const product = sum((i) => ((x[i] ?? 0) - mx) * ((y[i] ?? 0) - my));
  const r = product / Math.sqrt(sum((i) => ((x[i] ?? 0) - mx) ** 2) * sum((i) => ((y[i] ?? 0) - my) ** 2));
  return r.toFixed(3).replace('0.', '.');
}

const stations = X.map((_, i) => `station ${String.fromCharCode(65 + i)}`);
const lines = (cells: (i: number) => readonly (string | number)[], separator = ',') => X.map((_, i) => cells(i).join(separator)).join('\n');

async function bring(page: Page, name: string, content: string): Promise<void> {
  await page.goto('/studies/new');
  await page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
}

/** Makes the study, whose two quantities are then the screen, and reads their coefficient. */
async function expectR(page: Page, r: string, n: number): Promise<void> {
  await page.getByRole('button', { name: 'Create study' }).click();
  const values = page.getByTestId('pair-values');
  await expect(values).toContainText(`Pearson’s r${r}`);
  await expect(values.getByRole('row', { name: /n, rows used/ })).toContainText(String(n));
}

test('title lines above the names, and units under them', async ({ page }) => {
  const table = `Survey of streams, spring\nnot published\n\nstation,depth,nitrate\n,cm,mg/L\n${lines((i) => [stations[i] ?? '', X[i] ?? 0, Y[i] ?? 0])}\n`;
  await bring(page, 'survey.csv', table);
  await expect(page.getByText('2 rows above the table are left out: “Survey of streams spring”, “not published”.')).toBeVisible();
  await page.getByRole('button', { name: 'These are the units' }).click();
  await expect(page.getByText('10 rows × 3 variables')).toBeVisible();
  await expectR(page, writtenR(X, Y), 10);
});

test('means and SDs at the foot without labels', async ({ page }) => {
  await bring(page, 'foot.csv', `depth,nitrate\n${lines((i) => [X[i] ?? 0, Y[i] ?? 0])}\n5.64,13.28\n1.06,1.38\n`);
  await expect(page.getByText('The last 2 rows are no cases: the means of the rows above, the SDs of the rows above.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave them out' }).click();
  await expect(page.getByText('10 rows × 2 variables')).toBeVisible();
  await expectR(page, writtenR(X, Y), 10);
});

test('a number that means missing', async ({ page }) => {
  await bring(page, 'codes.csv', `station,depth,nitrate\n${lines((i) => [stations[i] ?? '', X[i] ?? 0, i === 3 ? 999 : (Y[i] ?? 0)])}\n`);
  await expect(page.getByText('nitrate: 1 cell holds 999 (row 4), far from all other values.')).toBeVisible();
  await page.getByRole('button', { name: '999 means missing' }).click();
  await expect(page.getByRole('columnheader', { name: /1 missing/ })).toBeVisible();
  const without = (values: readonly number[]) => values.filter((_, i) => i !== 3);
  await expectR(page, writtenR(without(X), without(Y)), 9);
});

test('numbers inside texts: a currency, and a unit', async ({ page }) => {
  await bring(page, 'prices.csv', `price,weight\n${lines((i) => [`€${(X[i] ?? 0).toFixed(2)}`, `${Y[i]} kg`])}\n`);
  await expect(page.getByText('price: numbers stand inside texts: “€4.10”, “€5.30”, “€6.20”.')).toBeVisible();
  await page.getByRole('button', { name: 'Read them as numbers' }).first().click();
  await expect(page.getByText('price: numbers are read out of what stands around them; the unit is €.')).toBeVisible();
  await page.getByRole('button', { name: 'Read them as numbers' }).click();
  await expect(page.getByText('weight: numbers are read out of what stands around them; the unit is kg.')).toBeVisible();
  await expectR(page, writtenR(X, Y), 10);
});

test('a workbook of three sheets, with numbers that stand as texts', async ({ page }) => {
  await page.goto('/studies/new');
  // Made by hand: “Read me” has words, “Values” depth × 1,000 as texts with commas beside nitrate, “Old values” other numbers.
  await page.locator('input[type=file]').setInputFiles(join(import.meta.dirname, '..', 'files', 'three-sheets.xlsx'));
  await expect(page.getByText('Of 3 sheets “Values” is read, the first that looks like a table')).toBeVisible();
  await page.getByRole('button', { name: 'Read “,” between thousands' }).click();
  await expect(page.getByRole('combobox', { name: 'Kind of depth' })).toHaveValue('discrete');
  await expectR(page, writtenR(X, Y), 10);
});
