import { readFileSync } from 'node:fs';
import { cellOf, expect, openCopy, type Page, test } from '../application/test';

const { polychoric } = JSON.parse(readFileSync(new URL('../../reference/latent.json', import.meta.url), 'utf8')) as {
  polychoric: { table: number[][]; rho: number }[];
};
/** As screens write it, to two digits. */
const written = (value: number) =>
  value
    .toFixed(2)
    .replace(/^(-?)0/, '$1')
    .replace('-', '−');

async function bringIn(page: Page, name: string, lines: readonly string[]) {
  await page.goto('/studies/new');
  await page.getByLabel('Table to bring in').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('link', { name: 'Correlations', exact: true })).toBeVisible();
}

test('repeated visits: the advice is taken for all pairs, the matrix is within stations, the trail says so, and it is taken back', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  const tile = cellOf(page, 'mayfly taxa', 'nitrate');
  const plain = (await tile.getAttribute('aria-label')) ?? '';
  expect(plain).toMatch(/n = 2\d\d/);
  await tile.click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  const caution = card.locator('[data-caution="rows-not-independent"]');
  await expect(caution).toContainText('24 rows share their station with another row');
  await expect(caution.getByRole('button', { name: 'Take it within each station' })).toBeVisible();
  await caution.getByRole('button', { name: 'For all pairs' }).click();

  await expect(page.getByTestId('methods-line')).toContainText('Pearson’s r within each station among 12 variables');
  await expect(tile).toHaveAttribute('aria-label', /n = 24/);
  await expect(card.getByTestId('pair-sentence')).toContainText(/, taken within each station, r\(11\)\s=\s−\.70/);
  await expect(card.getByTestId('pair-values')).toContainText('Pearson’s r within each station');
  await expect(card.getByTestId('pair-values')).toContainText('Pearson’s r without that');
  await expect(caution).toContainText('Done, as decided');
  await expect(page.getByTestId('legend')).not.toContainText('every n here is counted too high');

  await page.reload();
  await expect(tile).toHaveAttribute('aria-label', /n = 24/);
  await page.getByRole('button', { name: /^Trail/ }).click();
  const newest = page
    .getByRole('dialog', { name: /^Trail of/ })
    .getByRole('listitem')
    .first();
  await expect(newest).toContainText('All pairs within each station');
  await expect(newest).toContainText('rows of the same case are not independent');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: All pairs within each station/ }).click();
  await expect(page.getByTestId('methods-line')).toContainText('Pearson’s r among 12 variables');
  await expect(tile).toHaveAttribute('aria-label', plain);
});

test('one pair by its own: a dagger in the matrix, said in the line, taken back in its popover', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'ph', 'canopy cover').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  const shape = card.locator('[data-caution="shape"]');
  await expect(shape).toContainText('By ranks ρ = .50');
  await shape.getByRole('button', { name: 'By Spearman’s ρ' }).click();
  await expect(card.getByTestId('pair-sentence')).toContainText('ρ(245) = .50');
  await expect(page.getByTestId('methods-line')).toContainText('1 pair otherwise, as decided');
  await expect(page.getByTestId('legend')).toContainText('1 pair is got otherwise');
  await expect(cellOf(page, 'ph', 'canopy cover')).toHaveAttribute('aria-label', /ρ = \.496/);
  await expect(cellOf(page, 'ph', 'elevation')).toHaveAttribute('aria-label', /r = /);
  await page
    .getByTestId('methods-line')
    .getByRole('button', { name: /1 pair otherwise/ })
    .click();
  await page.getByRole('button', { name: /canopy cover × ph as all others|ph × canopy cover as all others/ }).click();
  await page.keyboard.press('Escape');
  await expect(cellOf(page, 'ph', 'canopy cover')).toHaveAttribute('aria-label', /r = −\.05/);
});

test('one row carries it: set aside from the caution, with its reason', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'ph', 'canopy cover').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await card.locator('[data-caution="one-point"]').getByRole('button', { name: 'Set row 137 aside' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('248 rows');
  await page.getByRole('button', { name: 'misread' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('247 of 248 rows');
  await expect(card.locator('[data-caution="one-point"]')).toHaveCount(0);
});

test('five-level items: polychoric beside ρ, as computed outside, and for all pairs', async ({ page }) => {
  const { table = [], rho = Number.NaN } = polychoric.find(({ table: counts }) => counts.length === 5) ?? {};
  const rows = table.flatMap((counts, i) => counts.flatMap((count, j) => Array.from({ length: count }, () => [i + 1, j + 1] as const)));
  const lines = ['row,bank_state,bed_state,shade_state', ...rows.map(([a, b], k) => `R-${k},${a},${b},${((a + k) % 5) + 1}`)];
  await bringIn(page, 'items.csv', lines);
  // Orders begin with ρ; r takes the steps as equal, and says so.
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Correlations', exact: true }).click();
  await page
    .getByTestId('methods-line')
    .getByRole('button', { name: /Spearman’s ρ/ })
    .click();
  await page.getByRole('radio', { name: /^Pearson’s r/ }).click();
  await page.getByRole('checkbox', { name: 'Spearman’s ρ' }).check();
  await page.keyboard.press('Escape');
  await cellOf(page, 'bed state', 'bank state').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  const ordinal = card.locator('[data-caution="ordinal"]');
  await expect(ordinal).toContainText(`If normal variables were behind the steps r = ${written(rho)}`);
  await ordinal.getByRole('button', { name: 'For all pairs' }).click();
  await expect(page.getByTestId('methods-line')).toContainText(
    'Pearson’s r and Spearman’s ρ (r of the normal variables behind the steps) among 3 variables',
  );
  await expect(card.getByTestId('pair-values')).toContainText(written(rho));
  // ρ stands beside it, as of the steps themselves.
  await expect(card.getByRole('region', { name: 'Methods', exact: true })).toContainText('Spearman’s ρ');
  await expect(cellOf(page, 'bed state', 'bank state')).toHaveAttribute(
    'aria-label',
    new RegExp(`r = ${written(rho).replace('.', '\\.')}`),
  );
});

test('a table of which a fifth is missing: pairs, complete rows and maximum likelihood side by side, and in the matrix', async ({
  page,
}) => {
  // A gap every fifth cell, where the first column is large: what is missing hangs on what is there.
  const value = (i: number, k: number) => Math.round(1000 * (Math.sin(i * 1.7 + k) + 0.02 * i + 0.3 * Math.cos(3.1 * i * (k + 1)))) / 1000;
  const rows = Array.from({ length: 60 }, (_, i) =>
    [0, 1, 2].map((k) => (k > 0 && i % 5 > 5 - k - 2 && i > 20 ? '' : String(value(i, k)))),
  );
  await bringIn(page, 'gaps.csv', ['depth,flow,silt', ...rows.map((cells) => cells.join(','))]);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Missing values', exact: true }).click();
  await expect(page.getByRole('table', { name: /^Pearson’s r by three ways/ })).toBeVisible();

  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Correlations', exact: true }).click();
  const tile = cellOf(page, 'silt', 'depth');
  const pairwise = (await tile.getAttribute('aria-label')) ?? '';
  await page
    .getByTestId('methods-line')
    .getByRole('button', { name: /every complete pair/ })
    .click();
  await page.getByRole('radio', { name: /^Maximum likelihood/ }).click();
  await expect(page.getByTestId('methods-line')).toContainText('using maximum likelihood, gaps included');
  await expect(tile).toHaveAttribute('aria-label', /n = 60/);
  expect(pairwise).toMatch(/n = 3\d/);
  await page
    .getByTestId('methods-line')
    .getByRole('button', { name: /maximum likelihood/ })
    .click();
  await page.getByRole('radio', { name: /^Every complete pair/ }).click();
  await expect(tile).toHaveAttribute('aria-label', /n = 3\d/);
});

test('a detection limit in the codebook: what lies below it is counted, and r knows it', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await page.getByRole('button', { name: 'Edit the entry of chlorophyll' }).click();
  const form = page.getByRole('form', { name: /^Entry of chlorophyll/ });
  await form.getByLabel('Detection limit').fill('1.5');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('not measured up to 1.5')).toBeVisible();

  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Correlations', exact: true }).click();
  const tile = cellOf(page, 'chlorophyll', 'phosphate');
  await tile.click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  const caution = card.locator('[data-caution="below-limit"]');
  await expect(caution).toContainText(/\d+ of 23\d values of chlorophyll lie below the detection limit/);
  await expect(caution).toContainText(/With what lies below its limit as such r = \.31 \[.*\], of logarithms, as it stands \.34/);
  await caution.getByRole('button', { name: 'Take it with values below their limits as such, on logarithms' }).click();
  await expect(tile).toHaveAttribute('aria-label', /r = \.308/);
  await expect(card.getByTestId('pair-sentence')).toContainText('taken with values below their limits as such, on logarithms');
  await expect(caution).toContainText('Done, as decided');
});

test('a reliability, known or from repeated columns: r without errors of measurement beside the observed one', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await card.getByRole('button', { name: 'Measured with error', exact: true }).click();
  await expect(card).toContainText('No reliability is known of nitrate or mayfly taxa.');

  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Codebook', exact: true }).click();
  await page.getByRole('button', { name: 'Edit the entry of nitrate' }).click();
  const form = page.getByRole('form', { name: /^Entry of nitrate/ });
  await form.getByLabel('Reliability, if known').fill('1.4');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toContainText('A number above 0 and at most 1.');
  await form.getByLabel('Reliability, if known').fill('.64');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('reliability known, .640')).toBeVisible();

  await page.getByRole('button', { name: 'Edit the entry of conductivity' }).click();
  await page.getByRole('button', { name: 'Reliability from repeated columns …' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('checkbox', { name: 'dissolved solids' }).check();
  await expect(dialog.getByRole('list', { name: 'Reliabilities' })).toContainText(/ICC\(1,1\) = /);
  await dialog.getByRole('button', { name: 'Use ICC(3,k), Cronbach’s α' }).click();
  await expect(page.getByText('reliability ICC(3,k), Cronbach’s α of 2 columns')).toBeVisible();

  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Correlations', exact: true }).click();
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  const words = card.getByTestId('attenuation');
  // What was opened before stays open.
  const section = card.getByRole('button', { name: 'Measured with error', exact: true });
  if ((await section.getAttribute('aria-expanded')) !== 'true') await section.click();
  await expect(words).toContainText('Observed r = −.634 (n = 248).');
  // −.634 and its limits over √.64.
  await expect(words).toContainText(/r would be −\.79\d \[−\.87\d, −\.69\d\]/);
});
