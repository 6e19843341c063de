import { cellOf, expect, openCopy, test, whileSaving } from '../application/test';

test('the home page shows the demo studies, and a study opens with its quantities ticked, up to twelve', async ({ page }) => {
  await page.goto('/');
  const study = (name: string) => page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) });
  await expect(study('Aldermere streams')).toContainText('248 rows × 18 variables');
  await expect(study('Aldermere kick samples')).toContainText('12 rows × 6 variables');
  await page.getByRole('link', { name: 'Aldermere streams', exact: true }).click();
  await expect(page.getByTestId('ticked-count')).toHaveText('12 of 14');
  await expect(page.getByRole('checkbox', { name: /stream order/ })).not.toBeChecked();
  const refused = page.getByRole('list', { name: 'Variables that are not correlated' });
  await expect(refused.getByRole('listitem')).toHaveCount(4);
  await expect(refused.getByRole('button', { name: /^catchment: Categories have no order/ })).toBeVisible();
});

test('a cell opens the pair card with its working, its sentence to copy, and axes that swap', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  // The demo's own values, as mpmath computes them from samples/aldermere-streams.csv (reference/pearson.json).
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  const card = page.getByRole('complementary', { name: 'Pair nitrate and mayfly taxa' });
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText('−.634');
  await expect(card.getByRole('row', { name: /95 % confidence interval/ })).toContainText('[−.703, −.553]');
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /p, two-sided/ })).toContainText('< .001');
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /p, two-sided/ })).toContainText('2.7 × 10⁻²⁹');
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /n, rows used/ })).toContainText('248');
  await expect(card.getByRole('row', { name: /^t / })).toContainText('−12.862');
  await expect(card.getByRole('row', { name: /degrees of freedom/ })).toContainText('246');
  await expect(card.getByRole('row', { name: /r², variance shared/ })).toContainText('.402');
  const sentence = 'There was a negative association of nitrate with mayfly taxa, r(246) = −.63, 95 % CI [−.70, −.55], p < .001';
  await expect(card.getByTestId('pair-sentence')).toContainText(sentence);
  await card.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(card.getByText('Copied')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(sentence);

  const figure = card.getByRole('img', { name: /mayfly taxa.*nitrate|nitrate.*mayfly taxa/ });
  await expect(figure).toBeVisible();
  await card.getByRole('button', { name: 'Swap axes' }).click();
  await expect(page.getByRole('complementary', { name: 'Pair mayfly taxa and nitrate' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toHaveCount(0);
});

test('the keyboard alone ticks, moves in the matrix, opens, swaps and closes', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('/');
  await page.keyboard.type('stream o');
  await page.getByRole('checkbox', { name: /stream order/ }).press('Space');
  await expect(page.getByTestId('ticked-count')).toHaveText('13 of 14');
  await expect(page.getByTestId('legend')).toContainText(
    'stream order is ordinal: Pearson’s r takes the steps between the values as equal.',
  );

  await page.getByRole('gridcell').and(page.locator('[tabindex="0"]')).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const card = page.getByRole('complementary', { name: 'Pair elevation and canopy cover' });
  await expect(card).toBeVisible();
  await page.keyboard.press('x');
  await expect(page.getByRole('complementary', { name: 'Pair canopy cover and elevation' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toHaveCount(0);
  await page.keyboard.press('2');
  await expect(page.getByRole('table', { name: /^Shape of/ })).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.getByRole('grid')).toBeVisible();
});

test('listwise deletion, marks and the half above the diagonal change in place and are kept', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  await page.getByRole('button', { name: /change which rows are used/ }).click();
  await page.getByRole('radio', { name: /Only rows complete for all/ }).click();
  await page.getByRole('button', { name: /\.05, \.01 and \.001; change/ }).click();
  await page.getByRole('textbox').and(page.locator('[placeholder=".1 .05"]')).fill('.02');
  await page.keyboard.press('Enter');
  await whileSaving(page, () => page.getByRole('combobox', { name: 'Above the diagonal' }).selectOption('n'));
  await expect(page.getByTestId('methods-line')).toContainText(
    'using only rows complete for all of them, marked at .02, unadjusted, with 95 % intervals',
  );
  await expect(page.getByTestId('legend')).toContainText('p ≤ .02');
  await expect(page.getByTestId('legend')).not.toContainText('.05');
  await page.reload();
  await expect(page.getByTestId('methods-line')).toContainText(
    'using only rows complete for all of them, marked at .02, unadjusted, with 95 % intervals',
  );
  await expect(page.getByRole('combobox', { name: 'Above the diagonal' })).toHaveValue('n');
});

test('the kind of a variable is corrected from its menu: a category leaves the matrix', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  const before = await page.getByRole('columnheader').count();
  const [first] = await page.getByRole('list', { name: 'Variables that can be correlated' }).getByRole('checkbox').all();
  const name = (await first?.evaluate((box) => box.closest('label')?.textContent)) ?? '';
  await page.getByRole('button', { name: `Menu of ${name}` }).click();
  await page.getByRole('menuitemradio', { name: /^nominal/ }).click();
  await expect(page.getByRole('columnheader')).toHaveCount(before - 1);
  await page.getByRole('button', { name: `Menu of ${name}` }).click();
  await page.getByRole('menuitemradio', { name: /^discrete/ }).click();
  await expect(page.getByRole('columnheader')).toHaveCount(before);
});
