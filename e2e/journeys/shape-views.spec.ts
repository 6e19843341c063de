import { readFileSync } from 'node:fs';
import { expect, openCopy, type Page, test, whileSaving } from '../application/test';

/** Henze–Zirkler by numpy on samples/aldermere-streams.csv (reference/cases/demo.py). */
const { joint } = JSON.parse(readFileSync(new URL('../../reference/demo.json', import.meta.url), 'utf8'));

async function tickOnly(page: Page, names: readonly RegExp[]): Promise<void> {
  await whileSaving(page, () => page.getByRole('button', { name: 'None', exact: true }).click());
  for (const name of names) await whileSaving(page, () => page.getByRole('checkbox', { name }).check());
}
const view = (page: Page, name: string) => page.getByRole('navigation', { name: 'Parts of the Shape stage' }).getByRole('button', { name });

test('joint normality fails because of one variable; on its logarithm the reason is another', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, [/^water temp/, /^nitrate/, /^turbidity/]);
  await page.getByRole('link', { name: 'Shape', exact: true }).click();
  await view(page, 'Together').click();
  await expect(page.getByTestId('methods-line')).toHaveText(
    'Joint normality of 3 variables in 244 of 248 rows, those complete for all of them; Henze–Zirkler at .05.',
  );
  await expect(page.getByTestId('joint-verdict')).toHaveText(
    'Joint normality is rejected by Henze–Zirkler, and no single variable brings it: it still is without turbidity, which matters most.',
  );
  await expect(page.getByRole('row', { name: /^Henze–Zirkler/ })).toContainText(`HZ ${joint.raw.all.statistic.toFixed(2)}`);
  const leftOut = page.getByRole('table', { name: /^p without each variable/ });
  await expect(leftOut.getByRole('row').nth(1)).toContainText('turbidity');
  await expect(leftOut.getByRole('row', { name: /turbidity/ })).toContainText('1.3 × 10⁻¹¹');
  expect(joint.raw.turbidity.p.toExponential(1)).toBe('1.3e-11');

  await view(page, 'Other scales').click();
  await page.getByRole('radio', { name: 'turbidity: logarithm to base 10' }).check();
  await page.getByRole('button', { name: 'Keep the chosen scale' }).click();
  await expect(page.getByRole('checkbox', { name: /^log10 turbidity/ })).toBeChecked();
  await view(page, 'Together').click();
  await expect(page.getByTestId('joint-verdict')).toHaveText(
    'Joint normality is rejected by Henze–Zirkler because of nitrate: without it no departure is detected.',
  );
  await expect(leftOut.getByRole('row', { name: /nitrate/ })).toContainText(joint.logged.nitrate.p.toFixed(3).slice(1));

  // The furthest rows are named, and can be set aside from here.
  const furthest = page.getByRole('list', { name: 'Rows furthest out' }).getByRole('listitem');
  await expect(furthest.first()).toContainText(/^row \d+ \([A-Z]{2}-\d{3}\)d² [\d.]+, p × n/);
  await expect(furthest.first()).toContainText('what the others suggest');
  await furthest
    .first()
    .getByRole('button', { name: /^Set row \d+ aside/ })
    .click();
  await page.getByRole('button', { name: 'misread' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('247 of 248 rows in use');
  await page.reload();
  await expect(page.getByTestId('methods-line')).toContainText('3 variables in 243 of 247 rows');
});

test('several variables are taken to other scales at once, each with its line in the trail', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.keyboard.press('2');
  await view(page, 'Other scales').click();
  const table = page.getByRole('table', { name: '5 variables on other scales' });
  // scipy.stats.skew(…, bias=False) of the column: 9.0445.
  await expect(table.getByRole('row', { name: /^turbidity/ })).toContainText('G₁ 9.04');
  await page.getByRole('radio', { name: 'turbidity: logarithm to base 10' }).check();
  await page.getByRole('radio', { name: 'nitrate: cube root' }).check();
  await page.getByRole('button', { name: 'Keep the 2 chosen scales' }).click();
  await expect(page.getByRole('checkbox', { name: /^cube root nitrate/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^log10 turbidity/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^nitrate/ })).not.toBeChecked();
  await expect(page.getByRole('button', { name: 'Trail · 3 decisions' })).toBeVisible();
  await page.getByRole('radio', { name: 'all 12' }).check();
  await expect(page.getByRole('table', { name: '12 variables on other scales' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('checkbox', { name: /^cube root nitrate/ })).toHaveCount(0);
});

test('a strip for each group shows two humps as groups that differ, kept over a reload and in the table', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, [/^elevation/, /^water temp/]);
  await page.getByRole('link', { name: 'Shape', exact: true }).click();
  await page.getByRole('button', { name: /change whether groups/ }).click();
  await whileSaving(page, () => page.getByRole('radio', { name: 'Per catchment' }).click());
  const table = page.getByRole('table', { name: 'Shape of 2 variables' });
  await expect(table.getByRole('rowheader')).toHaveCount(10);
  await expect(table.getByRole('row', { name: /^elevation, Aster n 63/ })).toContainText('171.1');
  await page.reload();
  await expect(page.getByTestId('methods-line')).toContainText('Shape of 2 variables in all 248 rows, per catchment;');
  await table.getByRole('button', { name: /^elevation, Dray/ }).click();
  await expect(page.getByRole('region', { name: 'Shape of elevation, Dray' })).toBeVisible();

  await view(page, 'Descriptives').click();
  const descriptives = page.getByRole('table', { name: 'Descriptives of 2 variables' });
  await expect(descriptives.getByRole('row', { name: /^Aster/ }).first()).toContainText('171.1');
  await page.getByRole('button', { name: 'Columns' }).click();
  await whileSaving(page, () => page.getByRole('checkbox', { name: 'first quartile' }).check());
  await whileSaving(page, () => page.getByRole('checkbox', { name: 'missing' }).uncheck());
  await page.keyboard.press('Escape');
  await expect(descriptives.getByRole('columnheader')).toHaveText([
    'variable',
    'n',
    'mean',
    'SD',
    'median',
    'min',
    'max',
    'first quartile',
    'skewness',
    'excess kurtosis',
    'Shapiro–Wilk W, p',
  ]);
  await page.getByRole('button', { name: 'Copy table' }).click();
  await expect(page.getByText('Copied')).toBeVisible();
  const pasted = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    const html = await (await item?.getType('text/html'))?.text();
    const rows = [...new DOMParser().parseFromString(html ?? '', 'text/html').querySelectorAll('tr')];
    return rows.map((row) => [...row.children].map((cell) => cell.textContent));
  });
  expect(pasted).toHaveLength(11);
  expect(pasted[2]?.slice(0, 4)).toEqual(['elevation, Aster', '63', '171.1', '61.5']);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Export CSV' }).click()]);
  const lines = readFileSync(await file.path(), 'utf8').split('\r\n');
  expect(lines[0]).toMatch(/^variable,group,unit,n,mean,SD,median,min,max,first quartile,skewness,excess kurtosis,Shapiro–Wilk,/);
  expect(lines[2]).toMatch(/^elevation,Aster,m,63,171\.0\d{8,},/);
});

test('a strange table: accents and spaces, rows that miss everything, a scale of five values, zeros under a logarithm', async ({
  page,
}) => {
  const rows = Array.from({ length: 30 }, (_, i) => {
    if (i === 4 || i === 20) return '\t\t\t';
    return [`P${i + 1}`, (i * 7) % 13 === 0 ? 0 : ((i * 7) % 13) ** 2 / 10, ((i * 11) % 5) + 1, 3].join('\t');
  });
  await page.goto('/studies/new');
  await page.getByRole('button', { name: 'Paste cells' }).click();
  await page
    .getByRole('textbox', { name: 'Cells' })
    .fill(`${['pröbe', 'dépôt fin (mg)', 'état de la berge', 'même'].join('\t')}\n${rows.join('\n')}`);
  await page.getByRole('button', { name: 'Read the cells' }).click();
  await page.getByRole('textbox', { name: 'Name of the study' }).fill('Étrange');
  const stored = page.waitForResponse((response) => response.request().method() === 'PATCH');
  await page.getByRole('combobox', { name: 'Kind of état de la berge' }).selectOption('discrete');
  await stored;
  await page.getByRole('button', { name: 'Create study' }).click();
  await page.getByRole('link', { name: 'Shape', exact: true }).click();
  const all = page.getByRole('checkbox', { name: /^même/ });
  await expect(all).toBeEnabled();
  if (!(await all.isChecked())) await whileSaving(page, () => all.check());
  const table = page.getByRole('table', { name: 'Shape of 3 variables' });
  await expect(table.getByRole('row', { name: /^même n 28 2 missing/ })).toContainText('one value throughout');
  await page.getByRole('button', { name: /^état de la berge/ }).click();
  await expect(page.getByText('All points lie in the band, as those of a normal sample of this size would.')).toBeVisible();
  await page
    .getByRole('region', { name: 'Shape', exact: true })
    .getByRole('button', { name: /^dépôt fin/ })
    .click();
  await page
    .getByRole('region', { name: 'Shape', exact: true })
    .getByRole('button', { name: /^Other scales of dépôt fin/ })
    .click();
  const scales = page.getByRole('region', { name: /^Other scales of dépôt fin/ });
  await expect(scales.getByRole('row', { name: /^logarithm/ })).toContainText(
    /cannot be taken: \d values are 0 or less; adding [\d.]+ to each would serve\./,
  );
  await scales
    .getByRole('row', { name: /^logarithm/ })
    .getByRole('button', { name: /^Add .* and keep$/ })
    .click();
  await expect(page.getByRole('checkbox', { name: /^log10 dépôt fin/ })).toBeChecked();
  await view(page, 'Together').click();
  await expect(page.getByText('One of the variables has the same value in every complete row; untick it.')).toBeVisible();
  await whileSaving(page, () => all.uncheck());
  await expect(page.getByTestId('joint-verdict')).toContainText(/^Joint normality is rejected|^No departure/);
  await expect(page.getByTestId('methods-line')).toContainText('2 variables in 28 of 30 rows');
});
