import { expect, openCopy, test, whileSaving } from '../application/test';

test('a study is renamed, duplicated, deleted, and the deletion undone', async ({ page }) => {
  await page.goto('/');
  const menuOf = (name: string) => page.getByRole('button', { name: `Menu of ${name}`, exact: true });
  await menuOf('Aldermere kick samples').click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  const made = page.getByText(/^“.+” was made\.$/);
  await expect(made).toBeVisible();
  const copyName = /“(.+)”/.exec((await made.textContent()) ?? '')?.[1] ?? '';

  await menuOf(copyName).click();
  await page.getByRole('menuitem', { name: 'Rename …' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('  ');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('alert')).toHaveText('A study needs a name.');
  await page.getByRole('textbox', { name: 'Name' }).fill('Kick samples, second look');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('link', { name: 'Kick samples, second look' })).toBeVisible();

  await menuOf('Kick samples, second look').click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('link', { name: 'Kick samples, second look' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Kick samples, second look' })).toBeVisible();
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/studies/00000000-0000-4000-8000-000000000000/correlations');
  await expect(page.getByRole('alert')).toContainText('There is no such study');
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is no page at this address' })).toBeVisible();
});

test('two windows do not overwrite each other’s settings', async ({ page, context }) => {
  await openCopy(page, 'Aldermere streams');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('grid')).toBeVisible();
  await whileSaving(page, () => page.getByRole('combobox', { name: 'Above the diagonal' }).selectOption('n'));
  await other.getByRole('button', { name: /change the alternative/ }).click();
  await other.getByRole('radio', { name: /One-sided, positive/ }).click();
  await expect(other.getByText(/This setting was not saved/)).toBeVisible();
  await expect(other.getByRole('combobox', { name: 'Above the diagonal' })).toHaveValue('n');
  await expect(other.getByTestId('methods-line')).toContainText('two-sided');
});
