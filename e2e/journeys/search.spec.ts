import { expect, openCopy, test } from '../application/test';

test('found by keys: a pair by parts of two names, a list that stays in its window, a page of help', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  // Typed in one go, as by someone who knows the way.
  await page.keyboard.press('Control+k');
  const search = page.getByRole('dialog', { name: 'Search this study' });
  await expect(search.getByRole('combobox')).toBeFocused();
  // All that can be found is more than there is room for: it scrolls, and nothing lies outside.
  const frame = await search.boundingBox();
  const list = await search.getByRole('listbox').boundingBox();
  expect((list?.y ?? 0) + (list?.height ?? 0)).toBeLessThanOrEqual((frame?.y ?? 0) + (frame?.height ?? 0));
  expect(await search.getByRole('listbox').evaluate((element) => element.scrollHeight > element.clientHeight)).toBe(true);
  await page.keyboard.press('ArrowUp');
  await expect(search.getByRole('option', { selected: true })).toBeInViewport();

  await page.keyboard.type('nitr mayf');
  await expect(search.getByRole('option', { selected: true })).toHaveText('nitrate × mayfly taxa');
  await page.keyboard.press('Enter');
  await expect(search).toHaveCount(0);
  await expect(page.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText('−.634');

  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Search this study' }).fill('no such thing');
  await expect(page.getByText('Nothing in this study or in help is called “no such thing”.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Search this study' }).fill('cautions');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/help\/cautions\?from=/);
});
