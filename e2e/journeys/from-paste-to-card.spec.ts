import { cellOf, expect, test, whileSaving } from '../application/test';

// Heights over sea level and taxa of ten made-up stations; r, t and p were computed from these numbers with scipy 1.10.
const CELLS = [
  'station\televation\tnitrate\tmayfly taxa\tslope',
  'A1\t120\t4,1\t3\t2,0',
  'A2\t180\t3,6\t5\t3,5',
  'A3\t240\t3,9\t4\t1,0',
  'A4\t310\t2,2\t9\t2,5',
  'A5\t355\t2,9\t7\tNA',
  'A6\t420\t1,6\t12\t3,0',
  'A7\t480\t1,9\t10\t1,5',
  'A8\t530\t1,1\t14\t2,5',
  'A9\t610\t0,8\t15\t4,0',
  'B1\t690\t0,9\t13\t2,0',
].join('\n');

test('cells pasted from a spreadsheet become a matrix, a pair card, and outlive a reload', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Paste cells' }).click();
  await page.getByRole('textbox', { name: 'Cells' }).fill(CELLS);
  await page.getByRole('button', { name: 'Read the cells' }).click();

  // The preview: tab, decimal comma, header and missing code are guessed; kinds are inferred.
  await expect(page.getByRole('combobox', { name: 'Between cells' })).toHaveValue('\t');
  await expect(page.getByRole('combobox', { name: 'Decimal mark' })).toHaveValue(',');
  await expect(page.getByRole('checkbox', { name: 'The first row holds names' })).toBeChecked();
  await expect(page.getByRole('button', { name: 'No longer read NA as missing' })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Kind of station' })).toHaveValue('identifier');
  await expect(page.getByRole('combobox', { name: 'Kind of nitrate' })).toHaveValue('continuous');
  await expect(page.getByRole('combobox', { name: 'Kind of mayfly taxa' })).toHaveValue('discrete');
  await page.getByRole('textbox', { name: 'Name of the study' }).fill('Ten stations');
  await page.getByRole('button', { name: 'Create study' }).click();

  // All quantities are ticked; the identifier is refused with the reason.
  await expect(page.getByTestId('ticked-count')).toHaveText('4 of 4');
  await expect(page.getByRole('button', { name: /^station: An identifier only names the rows/ })).toBeVisible();
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 4 variables');
  await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toHaveText('−.99***');
  await expect(cellOf(page, 'nitrate', 'elevation')).toHaveText('−.94***');
  await expect(cellOf(page, 'slope', 'mayfly taxa')).toHaveText('.42');
  await expect(page.getByTestId('legend')).toContainText('n = 9 to 10');
  await expect(page.getByTestId('legend')).toContainText('3 of 6 pairs marked at .05; 0.3 expected');

  // Untick one: the matrix follows, all else stays.
  await page.getByRole('checkbox', { name: 'slope' }).uncheck();
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 3 variables');
  await expect(page.getByTestId('legend')).toContainText('n = 10 in every pair. 3 of 3 pairs');

  // The methods line says what is on screen, and changes it.
  await page.getByRole('button', { name: /change the alternative/ }).click();
  await whileSaving(page, () => page.getByRole('radio', { name: /One-sided, negative/ }).click());
  await expect(page.getByTestId('methods-line')).toHaveText(
    'Pearson’s r among 3 variables in all 10 rows, one-sided for a negative correlation, using every complete pair, marked at .05, .01 and .001, unadjusted, with 95 % intervals, holding nothing constant.',
  );

  await cellOf(page, 'mayfly taxa', 'elevation').click();
  const card = page.getByRole('complementary', { name: 'Pair elevation and mayfly taxa' });
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText('.920');
  await expect(card.getByRole('row', { name: /p, one-sided \(negative\)/ })).toContainText('> .999');
  await expect(card.getByRole('row', { name: /^t / })).toContainText('6.633');
  await expect(card.getByRole('row', { name: /degrees of freedom/ })).toHaveText(/degrees of freedom\s*8$/);
  await expect(card.getByTestId('pair-sentence')).toContainText('No negative association between elevation and mayfly taxa was detected');

  await page.reload();
  await expect(page.getByTestId('ticked-count')).toHaveText('3 of 4');
  await expect(page.getByTestId('methods-line')).toContainText('one-sided for a negative correlation');
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText('.920');
  await page.goBack();
  await expect(card).toBeHidden();
});
