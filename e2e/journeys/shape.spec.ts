import { readFileSync } from 'node:fs';
import { expect, openCopy, test, whileSaving } from '../application/test';

/** Figures as numpy and scipy compute them from samples/aldermere-streams.csv (reference/cases/demo.py). */
const { shape, conductivityByNitrate } = JSON.parse(readFileSync(new URL('../../reference/demo.json', import.meta.url), 'utf8'));
const shown = (value: number, decimals: number) => value.toFixed(decimals).replace('-', '−');

test('each variable is a strip with its numbers and a verdict by the chosen rule and test, kept over a reload', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('2');
  const table = page.getByRole('table', { name: 'Shape of 12 variables' });
  const strip = (name: RegExp) => table.getByRole('row', { name });
  const { turbidity, water_temp: temperature } = shape;
  for (const text of [
    `n ${turbidity.n}`,
    shown(turbidity.mean, 2),
    shown(turbidity.sd, 2),
    shown(turbidity.skewness, 2),
    shown(turbidity.excessKurtosis, 2),
    `W ${shown(turbidity.w, 3).replace(/^0/, '')}`,
    'skewed to the right and heavy-tailed',
  ]) {
    await expect(strip(/^turbidity/)).toContainText(text);
  }
  await expect(strip(/^water temp/)).toContainText(`W ${shown(temperature.w, 3).replace(/^0/, '')}`);
  await expect(strip(/^water temp/)).toContainText('no departure detected');

  await page.getByRole('button', { name: /change the rule/ }).click();
  await whileSaving(page, () => page.getByRole('radio', { name: /^skewness 1 or excess kurtosis 1/ }).click());
  await page.getByRole('button', { name: /change the test/ }).click();
  await whileSaving(page, () => page.getByRole('radio', { name: /^Jarque–Bera/ }).click());
  await page.getByRole('button', { name: 'skewness', exact: true }).click();
  await page.reload();
  await expect(page.getByTestId('methods-line')).toContainText('marked beyond skewness 1 or excess kurtosis 1; Jarque–Bera at .05.');
  await expect(table.getByRole('rowheader').first()).toContainText('ph');
  await expect(page.getByText(/^\d+ of the 12 variables are marked by the rule\./)).toBeVisible();
});

test('a strip opens to its plots and outliers; one is set aside from there, and everything follows', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^ph n / }).click();
  const open = page.getByRole('region', { name: 'Shape of ph' });
  await expect(open.getByText('One value lies far above the others')).toBeVisible();
  await expect(open.getByRole('img', { name: 'Box plot of ph' })).toBeVisible();
  await open.getByLabel('Bins').fill('5');
  await expect(open.getByText('As the rule has it')).toBeVisible();
  await expect(open.getByRole('list', { name: 'Outliers of ph' })).toContainText('row 137 (DR-034): 74');
  await open.getByRole('button', { name: 'Set row 137 aside' }).click();
  await page.getByLabel('Another reason').fill('decimal slip');
  await page.getByLabel('Another reason').press('Enter');
  await expect(page.getByTestId('rows-in-use')).toContainText('247 of 248 rows in use');
  await expect(page.getByTestId('methods-line')).toContainText('in 247 of 248 rows');
  await expect(page.getByRole('row', { name: /^ph n / })).not.toContainText('heavy-tailed');
  await expect(page.getByRole('button', { name: /^Undo: Row 137 \(DR-034\) set aside: decimal slip/ })).toBeVisible();
});

test('what the rule marks is seen in the panel, on the diagonal and in the pair card', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  const turbidity = page.getByRole('gridcell', { name: /^turbidity: distribution/ });
  await expect(turbidity).toHaveAccessibleName(/skewed to the right and heavy-tailed/);
  await expect(page.getByRole('checkbox', { name: /^turbidity ?, skewed to the right/ })).toBeChecked();
  await expect(page.getByTestId('legend')).toContainText(/ph, turbidity.*: beyond skewness 2 or excess kurtosis 7/);
  await page.getByRole('gridcell', { name: 'turbidity and water temp: ' }).click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await expect(card.getByText(/^Marked by its shape: turbidity is skewed to the right and heavy-tailed\./)).toBeVisible();
  await card.getByRole('link', { name: 'See the shape' }).click();
  await expect(page.getByRole('region', { name: 'Shape of turbidity' })).toBeVisible();
});

test('turbidity is skewed: other scales, the logarithm kept in its place; panel, matrix and card follow', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('2');
  await page
    .getByRole('region', { name: 'Shape', exact: true })
    .getByRole('button', { name: /^turbidity/ })
    .click();
  await page.getByRole('button', { name: /^Other scales of / }).click();
  const scales = page.getByRole('region', { name: 'Other scales of turbidity' });
  await expect(scales.getByRole('row', { name: /^reciprocal/ })).toContainText('turns the order round: signs change');
  await expect(scales.getByRole('row', { name: /^as it is/ })).toContainText(shown(shape.turbidity.skewness, 2));
  await scales
    .getByRole('row', { name: /^logarithm/ })
    .getByRole('button', { name: 'Keep' })
    .click();

  // It takes the place of the raw variable among the ticked ones, which stays in the study.
  await expect(page.getByRole('checkbox', { name: /^log10 turbidity/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^turbidity/ })).not.toBeChecked();
  await expect(page.getByRole('table', { name: 'Shape of 12 variables' }).getByRole('row', { name: /^log10 turbidity/ })).not.toContainText(
    'skewed',
  );
  await page.getByRole('link', { name: 'Correlations', exact: true }).click();
  await expect(page.getByRole('gridcell', { name: /^log10 turbidity: distribution of 244 values$/ })).toBeVisible();
  await page.getByRole('gridcell', { name: /^nitrate and log10 turbidity: / }).click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await expect(card.getByTestId('pair-sentence')).toContainText('turbidity');
  await expect(card.getByText(/turbidity is skewed/)).toHaveCount(0);
  await page.getByRole('button', { name: /^Trail/ }).click();
  await expect(
    page
      .getByRole('dialog', { name: /^Trail of/ })
      .getByRole('listitem')
      .first(),
  ).toContainText(`log10_turbidity = logarithm to base 10 of turbidity; skewness ${shown(shape.turbidity.skewness, 2)}, then `);
});

test('a variable that no scale cures: none is kept, Spearman is chosen for its pairs, and the trail says why', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('2');
  await page
    .getByRole('region', { name: 'Shape', exact: true })
    .getByRole('button', { name: /^conductivity/ })
    .click();
  const open = page.getByRole('region', { name: 'Shape of conductivity' });
  await expect(open.getByText(/two humps/)).toBeVisible();
  await open.getByRole('button', { name: /^Other scales of / }).click();
  const scales = page.getByRole('region', { name: 'Other scales of conductivity' });
  await scales.getByRole('button', { name: 'Correlations with all 11 variables' }).click();
  // scipy 1.10.1: spearmanr of the columns .1053, pearsonr with log10 of conductivity .105; both are written .11.
  await expect(scales.getByRole('row', { name: /^nitrate / })).toContainText('.11');
  await scales.getByRole('button', { name: 'None helped: Spearman’s ρ for its pairs' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Pairs with conductivity by Spearman’s ρ/ })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /^conductivity/ })).toBeChecked();
  await page.getByRole('button', { name: /^Trail/ }).click();
  const decisions = page.getByRole('dialog', { name: /^Trail of/ }).getByRole('listitem');
  await expect(decisions.first()).toContainText('No scale helped. The points run in an S: there are two humps.');
  // scipy.stats.skew(…, bias=False) of the column: .9191.
  await expect(decisions.nth(1)).toContainText('No other scale kept for conductivity: skewness as it is 0.92, square root ');
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Correlations', exact: true }).click();
  await expect(page.getByTestId('methods-line')).toContainText('Pearson’s r among 12 variables, Spearman’s ρ for pairs with conductivity');
  const rho = conductivityByNitrate.rho.toFixed(3).replace(/^0/, '');
  const cell = page.getByRole('gridcell', {
    name: `nitrate and conductivity: ρ = ${rho}, p = ${conductivityByNitrate.p.toFixed(3).slice(1)}`,
  });
  await expect(cell).toContainText('ρ');
  await expect(page.getByTestId('legend')).toContainText('ρ in the tiles of conductivity');
  await cell.click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await expect(card.getByTestId('pair-values')).toContainText(`Spearman’s ρ${rho}`);
  await expect(card.getByTestId('method-advice')).toContainText('Spearman’s ρ, as decided for conductivity; the trail says why.');
  await card.getByRole('button', { name: 'Treat conductivity as all others again' }).click();
  await expect(card.getByTestId('pair-values')).toContainText('Pearson’s r');
  await expect(page.getByTestId('methods-line')).not.toContainText('Spearman');
});

test('the card recommends a method with its reason, and follows it only by a decision', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('gridcell', { name: 'turbidity and water temp: ' }).click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await expect(card.getByTestId('method-advice')).toHaveText(
    'Recommended: Spearman’s ρ. Ranks do not mind that turbidity is skewed to the right and heavy-tailed. Or Kendall’s τ: its interval counts ties.',
  );
  await expect(card.getByTestId('pair-values')).toContainText('Pearson’s r');
  await card.getByRole('button', { name: 'Use ρ for the pairs of turbidity' }).click();
  await expect(card.getByTestId('pair-values')).toContainText('Spearman’s ρ');
  await expect(card.getByTestId('pair-sentence')).toContainText('ρ(242)');
  await page.reload();
  await expect(card.getByTestId('pair-values')).toContainText('Spearman’s ρ');
});
