import { expect, openCopy, test } from '../application/test';

test('an entry of the codebook is edited with a reason, undone, redone, and outlives kill -9', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await page.getByRole('button', { name: 'Edit the entry of nitrate' }).click();
  const form = page.getByRole('form', { name: 'Entry of nitrate' });
  await form.getByLabel('Unit').fill('µg/L');
  await form.getByLabel('Kind').selectOption('nominal');
  await expect(form.getByText('Categories have no correlation: it leaves the matrix')).toBeVisible();
  await form.getByLabel('Reason for the change').fill('read off the bottle');
  await form.getByRole('button', { name: 'Save' }).click();

  // A category leaves the working set; the trail says what was decided, and why.
  await expect(page.getByTestId('ticked-count')).toHaveText('11 of 13');
  await page.getByRole('button', { name: /^Trail/ }).click();
  const trail = page.getByRole('dialog', { name: /^Trail of/ });
  await expect(trail.getByRole('listitem').first()).toContainText('nitrate: unit µg/L; kind nominal');
  await expect(trail.getByRole('listitem').first()).toContainText('read off the bottle');
  await trail.getByRole('button', { name: 'Edit the reason' }).first().click();
  await trail.getByRole('textbox', { name: 'Reason' }).fill('the bottle says so');
  await trail.getByRole('button', { name: 'Save' }).click();
  await expect(trail.getByText('the bottle says so')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('ticked-count')).toHaveText('12 of 14');
  await expect(page.getByRole('button', { name: 'Redo: nitrate: unit µg/L; kind nominal' })).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByTestId('ticked-count')).toHaveText('11 of 13');
  await application.killAndRestart();
  await page.reload();
  await expect(page.getByText('Nitrate: µg/L, nominal')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo: nitrate: unit µg/L; kind nominal' })).toBeVisible();
});

test('the study’s own entry is written in place, and stands in sentences', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await page.getByRole('button', { name: 'Edit the study’s entry' }).click();
  await page.getByLabel('One row is').fill('one kick sample');
  await page.getByLabel('Known to be missing').fill('pools deeper than a metre');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Each row is one kick sample.')).toContainText('Known to be missing: pools deeper than a metre.');
  await page.reload();
  await expect(page.getByText('Each row is one kick sample.')).toBeVisible();
});

test('two windows editing one study: the second is told, sees the newest state, and nothing is overwritten', async ({ page, context }) => {
  await openCopy(page, 'Aldermere kick samples');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  const other = await context.newPage();
  await other.goto(page.url());
  const setUnit = async (window: typeof page, unit: string) => {
    await window.getByRole('button', { name: 'Edit the entry of depth' }).click();
    await window.getByRole('textbox', { name: 'Unit' }).fill(unit);
    await window.getByRole('button', { name: 'Save' }).click();
  };
  await setUnit(page, 'mm');
  await expect(page.getByRole('button', { name: 'Undo: depth: unit mm' })).toBeVisible();
  await setUnit(other, 'inch');
  await expect(other.getByText('The study was changed in another window meanwhile.')).toBeVisible();
  await expect(other.getByRole('button', { name: 'Undo: depth: unit mm' })).toBeVisible();
});
