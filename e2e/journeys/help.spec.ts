import { cellOf, expect, openCopy, type Page, test } from '../application/test';

const popover = (page: Page, term: string) => page.getByRole('dialog', { name: `What ${term} means` });

test('from an unknown word beside the matrix to its explanation, the page about it, the thing to try, and back to the cell', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  await expect(page.getByTestId('pair-values')).toContainText('confidence interval');
  const there = page.url();

  await page.getByTestId('pair-values').getByRole('button', { name: 'confidence interval' }).click();
  await expect(popover(page, 'confidence interval')).toContainText('ranges made this way hold the population’s coefficient');
  await expect(popover(page, 'confidence interval')).toContainText('Misread as where other samples’ coefficients will fall');
  await popover(page, 'confidence interval').getByRole('link', { name: 'p, interval and power' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'p, interval and power' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Mayfly taxa and elevation of the demo among the first 20/ })).toBeVisible();

  // The thing to try is a pair of the demo.
  await page.getByRole('link', { name: 'open a pair of the demo' }).click();
  await expect(page.getByRole('heading', { name: 'nitrate × chlorophyll' })).toBeVisible();
  await page.goBack();
  await page.getByRole('link', { name: 'Back to the study' }).click();
  await expect(page).toHaveURL(there);
  await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toHaveAttribute('aria-selected', 'true');

  // From a pair, its own points stand among the clouds.
  await page.getByRole('link', { name: 'Help', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Correlations' })).toBeVisible();
  await page.getByRole('navigation', { name: 'Pages of help' }).getByRole('link', { name: 'What a coefficient says' }).click();
  await expect(page.getByRole('img', { name: 'The points of nitrate × mayfly taxa' })).toContainText('r = −.63');
  await page.getByRole('slider', { name: 'A cloud of your choice' }).press('Home');
  await expect(page.getByText('r = −1.00: a straight line accounts for 100\u00a0% of the variance.')).toBeVisible();
});

test('the first steps lead from the demo’s first screen to a copied sentence; put away they stay away, until they are started again', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Aldermere streams', exact: true }).click();
  const hint = page.getByRole('region', { name: /^First steps/ });
  const next = hint.getByRole('button', { name: 'Next hint' });
  await expect(hint).toContainText('Every stage shows the variables that are ticked here.');
  await isBeside(page, 'aside[aria-label="Variables"]');
  // By keys alone: it comes right after the bar.
  await next.focus();
  await page.keyboard.press('Enter');
  await expect(hint).toContainText('Next: Data. Press it.');
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await stages.getByRole('link', { name: 'Data', exact: true }).click();
  await expect(hint).toContainText('lost its decimal point');
  await isBeside(page, '[data-view="check"]');
  await next.click();
  await stages.getByRole('link', { name: 'Shape', exact: true }).click();
  await expect(hint).toContainText('what a logarithm would make of it');
  await isBeside(page, '[data-view="scales"]');
  await next.click();
  await stages.getByRole('link', { name: 'Correlations', exact: true }).click();
  await expect(hint).toContainText('Press an underlined part to change it.');
  await isBeside(page, '[data-testid="methods-line"]');
  await next.click();
  await expect(hint).toContainText('Each cell is one pair.');
  await next.click();
  await expect(hint).toContainText('Press a cell of the matrix, and its card opens here.');
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  await expect(hint).toContainText('“Copy” takes it along.');
  await isBeside(page, '[data-testid="pair-sentence"]');
  const sentence = page.getByTestId('pair-sentence');
  await sentence.locator('..').getByRole('button', { name: 'Copy', exact: true }).click();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied).toContain('r(246) = −.63');

  await hint.getByRole('button', { name: 'No more hints' }).click();
  await expect(hint).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('grid')).toBeVisible();
  await expect(hint).toHaveCount(0);

  await page.getByRole('link', { name: 'Help', exact: true }).click();
  await page.getByRole('link', { name: 'Start the first steps' }).click();
  await expect(hint).toContainText('Every stage shows the variables that are ticked here.');
});

test('search finds terms by their name and a page by a word of its text, also by Ctrl K', async ({ page }) => {
  await page.goto('/help');
  await expect(page.getByRole('heading', { level: 1, name: 'Help' })).toBeVisible();
  for (const [typed, found] of [
    ['VIF', 'Glossary: VIF'],
    ['kurtosis', 'Glossary: excess kurtosis'],
    ['one-sided', 'Glossary: one-sided'],
    ['towns', 'Reading a matrix'],
  ] as const) {
    await page.getByRole('searchbox', { name: 'Search help' }).fill(typed);
    await expect(page.getByRole('main').getByRole('link').first()).toHaveText(found);
  }
  await page.getByRole('main').getByRole('link').first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Reading a matrix' })).toBeVisible();
  await page.goto('/help?search=kurtosis');
  await page.getByRole('main').getByRole('link', { name: 'Glossary: excess kurtosis' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'excess kurtosis' })).toBeInViewport();

  await openCopy(page, 'Aldermere kick samples');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Search this study' }).fill('kurtosis');
  await page.getByRole('option', { name: /^Glossary: excess kurtosis/ }).click();
  await expect(page).toHaveURL(/\/help\/glossary\?from=.*#excess-kurtosis$/);
});

/** A hint points at its control and does not cover it. */
async function isBeside(page: Page, control: string): Promise<void> {
  await expect
    .poll(async () => {
      const [hint, of] = [await page.getByTestId('first-step').boundingBox(), await page.locator(control).first().boundingBox()];
      if (!hint || !of) return 'not there';
      const apart = hint.x >= of.x + of.width || of.x >= hint.x + hint.width || hint.y >= of.y + of.height || of.y >= hint.y + hint.height;
      const inWindow = hint.x >= 0 && hint.y >= 0 && hint.x + hint.width <= 1280 && hint.y + hint.height <= 800;
      return apart && inWindow ? 'beside it' : `over it: ${JSON.stringify([hint, of])}`;
    })
    .toBe('beside it');
}
