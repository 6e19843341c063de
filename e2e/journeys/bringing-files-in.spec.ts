import { expect, test } from '../application/test';

const csv = (text: string) => ({ name: 'table.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });

test('a file is dropped, its reading corrected, and its problems mended with one click', async ({ page }) => {
  await page.goto('/');
  const text = 'site;depth;taxa;flow\na;1,5;4;-99\nb;2,25;5;3\nc;n/a;7;4\nd;3,5;9;oops\ne;4;8;5\nf;5;10;2\n';
  const transfer = await page.evaluateHandle((content) => {
    const data = new DataTransfer();
    data.items.add(new File([content], 'brook survey.csv', { type: 'text/csv' }));
    return data;
  }, text);
  await page.getByTestId('drop-zone').dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.getByRole('textbox', { name: 'Name of the study' })).toHaveValue('brook survey');
  await expect(page.getByRole('combobox', { name: 'Between cells' })).toHaveValue(';');

  await expect(page.getByText('flow: 1 cell is not a number: “oops” in row 4.')).toBeVisible();
  await page.getByRole('button', { name: '“oops” means missing' }).click();
  await page.getByRole('button', { name: '−99 means missing' }).click();
  await expect(page.getByText(/things? to check/)).toHaveCount(0);
  await expect(page.getByRole('columnheader', { name: /flow/ })).toContainText('2 missing');

  // A column is renamed and another left out before anything is stored.
  await page.getByRole('textbox', { name: 'Name of column 2' }).fill('water depth');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'Kind of site' }).selectOption('leave out');
  await expect(page.getByRole('status')).toContainText('6 rows × 3 variables');
  await page.reload();
  await expect(page.getByRole('status')).toContainText('6 rows × 3 variables');
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('rowheader', { name: 'water depth' })).toBeVisible();
  await expect(page.getByTestId('legend')).toContainText('n = 3 to 5');
});

const REFUSED: readonly (readonly [string, Buffer, RegExp])[] = [
  ['an empty file', Buffer.alloc(0), /The file is empty/],
  ['a binary file', Buffer.from(Array.from({ length: 400 }, (_, i) => (i * 7) % 13)), /The file is neither text nor a workbook/],
];
for (const [what, buffer, words] of REFUSED) {
  test(`${what} is refused in words`, async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Table to bring in').setInputFiles({ name: 'survey.csv', mimeType: 'text/csv', buffer });
    await expect(page.getByRole('alert')).toContainText(words);
    await expect(page).toHaveURL('/');
  });
}

const STOPPED: readonly (readonly [string, string, RegExp])[] = [
  ['a header only', 'a,b,c\n', /Under the row of names no row of data follows/],
  ['quotes that never close', 'a,b\n1,"2\n3,4\n', /A quotation mark opens in row 1 and never closes/],
];
for (const [what, text, words] of STOPPED) {
  test(`${what} stops the import, and nothing is stored`, async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Table to bring in').setInputFiles(csv(text));
    await expect(page.getByText(words)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Create study' })).toBeDisabled();
    await page.getByRole('button', { name: 'Give up' }).click();
    await expect(page).toHaveURL('/');
    await expect(page.getByRole('link', { name: 'Aldermere streams', exact: true })).toBeVisible();
    await expect(page.getByRole('link', { name: 'table' })).toHaveCount(0);
  });
}

test('a table without quantities becomes a study that says what is needed', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Table to bring in').setInputFiles(csv('site,bank\na,soft\nb,hard\nc,soft\nd,hard\n'));
  await expect(page.getByText('No column holds quantities')).toBeVisible();
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByText('Tick two or more variables on the left')).toBeVisible();
});
