import { cellOf, expect, openCopy, test, whileSaving } from '../application/test';

test('what was stored survives kill -9 of the server', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await whileSaving(page, () => page.getByRole('checkbox', { name: 'turbidity' }).uncheck());
  await whileSaving(page, () => page.getByRole('combobox', { name: 'Above the diagonal' }).selectOption('interval'));
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 11 variables');
  await application.killAndRestart();
  await page.reload();
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 11 variables');
  await expect(page.getByRole('checkbox', { name: 'turbidity' })).not.toBeChecked();
  await expect(page.getByRole('combobox', { name: 'Above the diagonal' })).toHaveValue('interval');
});

test('with the database gone the page says so, keeps what is shown, and recovers', async ({ page, application }) => {
  await openCopy(page, 'Aldermere kick samples');
  application.cutDatabase();
  const [box] = await page.getByRole('list', { name: 'Variables that can be correlated' }).getByRole('checkbox').all();
  await box?.click();
  await expect(page.getByRole('alert').filter({ hasText: 'The database does not answer.' })).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('grid')).toBeVisible();
  application.mendDatabase();
  await expect(page.getByRole('alert').filter({ hasText: 'The database does not answer.' })).toHaveCount(0, { timeout: 20_000 });
  await openCopy(page, 'Aldermere streams');
  await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toBeVisible();
});
