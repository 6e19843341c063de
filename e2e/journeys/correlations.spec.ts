import { readFileSync } from 'node:fs';
import { cellOf, expect, openCopy, type Page, test, whileSaving } from '../application/test';

/** Computed from the demo tables outside the project, by reference/generate.py. */
const reference = JSON.parse(readFileSync(new URL('../../reference/demo-pairs.json', import.meta.url), 'utf8'));

/** As papers write a coefficient: "−.63". */
const written = (value: number, decimals = 2) =>
  value
    .toFixed(decimals)
    .replace('-', '−')
    .replace(/^(−?)0\./, '$1.');
const interval = ([low, high]: [number, number], decimals = 2) => `[${written(low, decimals)}, ${written(high, decimals)}]`;

const section = (page: Page, title: string) => page.getByRole('region', { name: title, exact: true });
async function openSection(page: Page, title: string) {
  await page.getByRole('button', { name: title, exact: true }).click();
  return section(page, title);
}

async function tickOnly(page: Page, names: readonly string[]) {
  await page.getByRole('button', { name: 'None', exact: true }).click();
  for (const name of names) await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
}

test('with two variables ticked the pair is the screen: statement, r, t, df, p, interval, sentence', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['nitrate', 'mayfly taxa']);
  const pair = page.getByRole('region', { name: 'Pair nitrate and mayfly taxa' });
  const { r, n } = reference.nitrateByTaxa;
  const values = pair.getByTestId('pair-values');
  await expect(values).toContainText(`Pearson’s r${written(r.coefficient, 3)}`);
  await expect(values).toContainText(interval(r.interval, 3));
  await expect(values.getByRole('row', { name: /^t / })).toContainText(written(r.t, 3));
  await expect(values.getByRole('row', { name: /degrees of freedom/ })).toContainText(String(n - 2));
  await expect(values.getByRole('row', { name: /p, two-sided/ })).toContainText('< .001');
  await expect(pair.getByTestId('pair-sentence')).toContainText(
    `There was a negative association of nitrate with mayfly taxa, r(${n - 2}) = ${written(r.coefficient)}, 95 % CI ${interval(r.interval)}, p < .001`,
  );
  await expect(pair.getByRole('img', { name: /with the fitted line/ })).toBeVisible();

  const line = await openSection(page, 'Line');
  await expect(line).toContainText(`${reference.line.intercept.value.toFixed(2)}`);
  await expect(line).toContainText(`r² = ${written(reference.line.r2, 3)}`);
  await expect(line).toContainText('This p is the same as that of r');
  const working = await openSection(page, 'Working');
  await expect(working).toContainText(`= ${written(r.t, 3)}`);
  await expect(working).toContainText('r itself is not a percentage');

  // Pinned where it stands alone, it says in the report what it says here.
  const address = page.url();
  const sentence = (await pair.getByTestId('pair-sentence').textContent()) ?? '';
  await page
    .getByRole('button', { name: /^Pin for the report: / })
    .first()
    .click();
  await expect(page.getByText(/^Pinned for the report/)).toBeVisible();
  await page.goto(address.replace(/\/correlations.*/, '/report'));
  await expect(page.getByRole('main')).toContainText(sentence.replace(/ *Copy.*$/, '').slice(0, 100));
  await expect(page.getByText('no longer in the study')).toHaveCount(0);
  await page.goto(address);

  // A third variable brings the matrix; the two stay.
  await page.getByRole('checkbox', { name: /^elevation/ }).check();
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 3 variables');
});

test('a variable is swapped for another in place, moved, and taken out; the order is kept', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['elevation', 'water temp', 'nitrate', 'mayfly taxa']);
  const names = () => page.getByRole('columnheader').allTextContents();
  await expect(page.getByRole('columnheader')).toHaveCount(5);
  const menu = async (name: string, item: string) => {
    await page.getByRole('columnheader', { name }).getByRole('button').click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await page.getByRole('columnheader', { name: 'nitrate' }).getByRole('button').click();
  await page.getByRole('menuitem', { name: 'Replace by …' }).click();
  await whileSaving(page, () => page.getByRole('menuitem', { name: 'phosphate' }).click());
  await expect.poll(names).toEqual(['', 'elevation', 'water temp', 'phosphate', 'mayfly taxa']);
  await whileSaving(page, () => menu('mayfly taxa', 'Move to the front'));
  await expect.poll(names).toEqual(['', 'mayfly taxa', 'elevation', 'water temp', 'phosphate']);
  await page.reload();
  await expect.poll(names).toEqual(['', 'mayfly taxa', 'elevation', 'water temp', 'phosphate']);
  await page.getByRole('combobox', { name: 'Order' }).selectOption('name');
  await expect.poll(names).toEqual(['', 'elevation', 'mayfly taxa', 'phosphate', 'water temp']);
  await menu('water temp', 'Take out');
  await expect.poll(names).toEqual(['', 'elevation', 'mayfly taxa', 'phosphate']);
});

test('two outcomes against one predictor: r and ρ with interval and n, adjusted for these pairs alone', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('button', { name: /change the method/ }).click();
  await page.getByRole('checkbox', { name: /^Spearman’s ρ/ }).check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Outcomes × predictors' }).click();
  await page.getByRole('combobox', { name: 'Add to the outcomes' }).selectOption({ label: 'chlorophyll' });
  await page.getByRole('button', { name: 'phosphate is no predictor' }).click();
  const rectangle = page.getByRole('table', { name: 'Outcomes by predictors' });
  await expect(rectangle.getByRole('row')).toHaveCount(2);
  for (const [outcome, wanted] of [
    ['mayfly taxa', reference.nitrateByTaxa],
    ['chlorophyll', reference.nitrateByChlorophyll],
  ] as const) {
    const cell = rectangle.getByRole('button', { name: `nitrate and ${outcome}: ` });
    await expect(cell).toContainText(`r ${written(wanted.r.coefficient)}`);
    await expect(cell).toContainText(`ρ ${written(wanted.rho.coefficient)}`);
    await expect(cell).toContainText(`${interval(wanted.r.interval)} n ${wanted.n}`);
  }
  await page.getByRole('button', { name: /change the adjustment/ }).click();
  await page.getByRole('radio', { name: /^Bonferroni/ }).click();
  await expect(page.getByTestId('rectangle-legend')).toContainText('adjusted after Bonferroni among these 2 pairs');
  await rectangle.getByRole('button', { name: 'nitrate and mayfly taxa: ' }).click();
  const card = page.getByRole('complementary', { name: 'Pair nitrate and mayfly taxa' });
  await expect(card.getByTestId('pair-values')).toContainText('p, adjusted after Bonferroni< .001');
  await expect(card.getByTestId('pair-sentence')).toContainText('p < .001, adjusted (');
});

test('a clicked tile stays under the pointer while its card opens, and its numbers stand at it', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  const tile = cellOf(page, 'nitrate', 'canopy cover');
  const before = await tile.boundingBox();
  await tile.click();
  await expect(page.getByRole('complementary', { name: 'Pair nitrate and canopy cover' }).getByTestId('pair-values')).toBeVisible();
  expect(await tile.boundingBox()).toEqual(before);
  // Once the pointer has left, the panel folds and the tiles fit beside the card.
  await page.mouse.move(1200, 30);
  await expect(page.getByRole('button', { name: 'Unfold the variables' })).toBeVisible();
  const grid = page.getByRole('grid', { name: /^Correlation matrix/ });
  await expect.poll(async () => ((await grid.boundingBox())?.x ?? 0) + ((await grid.boundingBox())?.width ?? 0)).toBeLessThan(1280 - 344);
  // A tile that the card would cover comes into view.
  await page.getByRole('button', { name: 'Close the card' }).click();
  await expect(page.getByRole('button', { name: 'Fold the variables away' })).toBeVisible();
  const last = cellOf(page, 'mayfly taxa', 'chlorophyll');
  await last.click();
  await expect(page.getByRole('complementary', { name: 'Pair chlorophyll and mayfly taxa' })).toBeVisible();
  await expect
    .poll(async () => ((await last.boundingBox())?.x ?? 0) + ((await last.boundingBox())?.width ?? 0))
    .toBeLessThanOrEqual(1280 - 344);
});

test('two variables leave the arrangements where they are: a question is put to them', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  const line = page.getByTestId('methods-line');
  await line.getByRole('button', { name: /change the variables/ }).click();
  const list = page.getByRole('group', { name: 'Variables looked at' });
  for (const name of [
    'elevation',
    'canopy cover',
    'water temp',
    'dissolved oxygen',
    'ph',
    'conductivity',
    'dissolved solids',
    'turbidity',
    'phosphate',
    'chlorophyll',
  ])
    await list.getByRole('checkbox', { name, exact: true }).uncheck();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Pair nitrate and mayfly taxa' })).toBeVisible();
  const views = page.getByRole('navigation', { name: 'Parts of the Correlations stage' });
  await expect(views.getByRole('button')).toHaveText(['Pair', 'Ranked', 'Outcomes × predictors', 'Questions', 'Sturdiness']);
  await views.getByRole('button', { name: 'Ranked' }).click();
  await expect(page.getByRole('row', { name: /nitrate/ }).first()).toBeVisible();
  await views.getByRole('button', { name: 'Questions' }).click();
  await page
    .getByRole('textbox', { name: /question/i })
    .first()
    .fill('Does nitrate go with fewer mayflies?');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Does nitrate go with fewer mayflies?')).toBeVisible();
  await expect(views.getByRole('button', { name: 'Pair' })).toBeVisible();
});

test('14 variables: strong ones of both signs are outlined, the diagonal is not, and the others can be dimmed', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  for (const name of ['stream order', 'bank condition']) await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
  await expect(page.getByRole('grid')).toHaveAccessibleName('Correlation matrix of 14 variables');
  await page.getByRole('button', { name: 'Outline strong ones' }).click();
  await page.getByRole('button', { name: '.5', exact: true }).click();
  await page.getByLabel('Dim the others').check();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('legend')).toContainText('outlined: |r| ≥ .5; others dimmed');
  const outlined = (row: string, column: string) =>
    cellOf(page, row, column)
      .first()
      .evaluate((cell) => getComputedStyle(cell).outlineStyle);
  expect(await outlined('mayfly taxa', 'nitrate')).toBe('solid');
  expect(await outlined('conductivity', 'canopy cover')).toBe('solid');
  expect(await outlined('mayfly taxa', 'elevation')).toBe('none');
  const diagonal = page.getByRole('gridcell', { name: /^elevation: distribution/ });
  expect(await diagonal.evaluate((cell) => getComputedStyle(cell).outlineStyle)).toBe('none');
  await expect(cellOf(page, 'mayfly taxa', 'elevation').first()).toHaveCSS('opacity', '0.35');
  await page.getByRole('combobox', { name: 'Size' }).selectOption('colour');
  const matrix = page.getByRole('application', { name: /Correlation matrix of 14 variables as colours/ });
  await matrix.press('ArrowDown');
  await expect(matrix).toContainText(/: r = /);
  await matrix.press('Enter');
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toBeVisible();
});

test('twelve rows with ties have an exact p, and the card says so', async ({ page }) => {
  await openCopy(page, 'Aldermere kick samples');
  await page.getByRole('button', { name: /change the method/ }).click();
  await whileSaving(page, () => page.getByRole('radio', { name: /^Kendall’s τ/ }).click());
  await page.keyboard.press('Escape');
  await cellOf(page, 'mayfly taxa', 'depth').click();
  const card = page.getByRole('complementary', { name: 'Pair depth and mayfly taxa' });
  const { tau, exact } = reference.kick.depthByTaxa;
  await expect(card.getByTestId('pair-values')).toContainText(`Kendall’s τ${written(tau.coefficient, 3)}`);
  await expect(card.getByRole('row', { name: /how p was got/ })).toContainText('exact');
  await expect(card.getByTestId('pair-values').getByRole('row', { name: /p, two-sided/ })).toContainText(`< .001${written(exact.tau, 7)}`);
  await expect(card.getByTestId('pair-sentence')).toContainText('< .001, exact');
});

test('the pair that one station carries: with and without it side by side, set aside from there', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'turbidity', 'dissolved oxygen').click();
  const card = page.getByRole('complementary', { name: 'Pair dissolved oxygen and turbidity' });
  await expect(card.getByTestId('pair-cautions')).toContainText('Without it r = −.09, with it −.50: p = .181 instead of p < .001.');
  const points = await openSection(page, 'Points that matter');
  await points.getByRole('checkbox', { name: /^row 102/ }).check();
  const table = page.getByTestId('with-and-without');
  const { with: all, without } = reference.carried;
  for (const [symbol, key] of [
    ['r', 'r'],
    ['ρ', 'rho'],
    ['τ', 'tau'],
  ] as const) {
    const row = table.getByRole('row', { name: new RegExp(`^${symbol} `) });
    await expect(row).toContainText(written(all[key].coefficient, 3));
    await expect(row).toContainText(written(without[key].coefficient, 3));
    await expect(row).toContainText(written(without[key].p, 3));
  }
  await points.getByRole('button', { name: 'Set row 102 aside' }).click();
  await page.getByRole('button', { name: 'other population' }).click();
  await expect(card.getByTestId('pair-values')).toContainText(`Pearson’s r${written(without.r.coefficient, 3)}`);
});

test('groups, a dependent comparison, a reported value, a bootstrap and a note in the card', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'phosphate', 'canopy cover').click();
  await expect(page.getByTestId('pair-cautions')).toContainText('Inside every group the sign is the other one');
  const groups = await openSection(page, 'By group');
  await expect(groups.getByRole('row', { name: /^Birk / }).first()).toContainText(written(reference.byCatchment.groups.Birk.r));
  await expect(groups).toContainText(`Q(3) = ${reference.byCatchment.q.toFixed(2)}`);

  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  await cellOf(page, 'mayfly taxa', 'phosphate').click({ modifiers: ['ControlOrMeta'] });
  const comparison = await openSection(page, 'More closely than to another?');
  const wanted = reference.taxaCloserToNitrateThanPhosphate;
  await expect(comparison).toContainText('Yes, they differ: mayfly taxa is tied more closely to nitrate than to phosphate.');
  await expect(comparison).toContainText(`Williams: t(${wanted.df}) = ${written(wanted.t, 3)}`);

  const reported = await openSection(page, 'Against a reported value');
  await reported.getByLabel('reported r').fill('-.45');
  await reported.getByLabel('its n, if known').fill('120');
  await expect(reported).toContainText('z = −2.');
  await reported.getByLabel('reported r').fill('4');
  await expect(reported.getByRole('alert')).toContainText('between −1 and 1');

  const resampling = await openSection(page, 'Bootstrap and permutation');
  await resampling.getByRole('button', { name: 'Bootstrap interval', exact: true }).click();
  await expect(resampling.getByTestId('resampled')).toContainText('95 % bootstrap interval (BCa) of r: [−.');
  await expect(resampling.getByTestId('resampled')).toContainText('2,000 samples of the rows, seed 1, n = 248');

  // A long one tells how far it is, and can be stopped.
  await resampling.getByLabel('samples').fill('1000000');
  await resampling.getByRole('button', { name: 'Bootstrap interval', exact: true }).click();
  await expect(resampling.getByRole('status')).toContainText(/Drawing samples: [\d,]+ of 1,000,000 samples/);
  await resampling.getByRole('button', { name: 'Stop' }).click();
  await expect(resampling.getByRole('status')).toHaveCount(0);

  const note = await openSection(page, 'Note');
  await note.getByRole('textbox').fill('Look at the two visits apart.');
  await note.getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Note about/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note about the pair' })).toHaveValue('Look at the two visits apart.');
  // The next pair and back.
  await page.getByRole('heading', { name: 'nitrate × mayfly taxa' }).click();
  await page.keyboard.press(']');
  await expect(page.getByRole('complementary', { name: 'Pair phosphate and mayfly taxa' })).toBeVisible();
  await page.keyboard.press('[');
  await expect(page.getByRole('complementary', { name: 'Pair nitrate and mayfly taxa' })).toBeVisible();
});

test('a partial correlation: the sentence, the cells and the card say what is held constant', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('button', { name: /change what is held constant/ }).click();
  await whileSaving(page, () => page.getByRole('checkbox', { name: 'elevation', exact: true }).last().check());
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('methods-line')).toContainText(
    'Partial correlations by Pearson’s r among 11 variables in all 248 rows, holding elevation constant',
  );
  const { r, df } = reference.partialOnElevation;
  await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toContainText(written(r));
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  await expect(page.getByTestId('pair-sentence')).toContainText(
    `With elevation held constant, there was a negative association of nitrate with mayfly taxa, r(${df}) = ${written(r)}`,
  );
});

test('the ranked pairs are sorted and filtered, and the matrix pastes as a table', async ({ page, context }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('button', { name: 'Ranked', exact: true }).click();
  const table = page.getByRole('table', { name: 'Pairs, ranked' });
  await expect(page.getByTestId('ranked-count')).toHaveText('66 pairs');
  await expect(table.getByRole('row').nth(1)).toContainText('conductivity × dissolved solids');
  await page.getByRole('searchbox', { name: 'Only pairs of a variable' }).fill('mayfly');
  await expect(page.getByTestId('ranked-count')).toHaveText('11 of 66 pairs');
  await expect(table.getByRole('row').nth(1)).toContainText('nitrate × mayfly taxa');
  await expect(table.getByRole('row').nth(1)).toContainText(written(reference.nitrateByTaxa.tau.coefficient));
  await page.getByRole('combobox', { name: 'Cautions' }).selectOption('decisive');
  // Of the eleven, one would come out otherwise if its cautions were heeded.
  await expect(page.getByTestId('ranked-count')).toHaveText('1 of 66 pairs');
  await expect(table.getByRole('row').nth(1)).toContainText('turbidity × mayfly taxa');
  await expect(table.getByRole('row').nth(1)).toContainText('methods disagree');
  await page.reload();
  await expect(table.getByRole('row').nth(1)).toContainText('turbidity × mayfly taxa');

  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Grid', exact: true }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await page.getByRole('button', { name: 'Copy table' }).click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  await page.evaluate(() => {
    const field = document.createElement('div');
    field.contentEditable = 'true';
    field.id = 'paste-here';
    document.body.prepend(field);
    field.focus();
  });
  await page.keyboard.press('ControlOrMeta+v');
  const pasted = page.locator('#paste-here table');
  await expect(pasted.locator('tbody tr')).toHaveCount(12);
  await expect(pasted.locator('thead th').nth(1)).toHaveText('M');
  const row = pasted.locator('tbody tr').last().locator('th, td');
  await expect(row.first()).toHaveText('12. mayfly taxa');
  await expect(row.nth(1)).toHaveText(/^\d+\.\d$/);
  await expect(row.nth(3 + 8)).toHaveText(`${written(reference.nitrateByTaxa.r.coefficient)}***`);
});

test('a table of its own: names with spaces and accents, a constant, too few common rows, perfect pairs, nothing at all', async ({
  page,
}) => {
  const lines = ['Tiefe übers Wehr,débit °,one value,twin of débit,few,empty'];
  for (let i = 0; i < 12; i++) lines.push(`${(i * 7) % 11},${i * i},5,${2 * i * i + 1},${i < 2 ? i : ''},`);
  await page.goto('/');
  await page
    .getByLabel('Table to bring in')
    .setInputFiles({ name: 'strange.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await expect(cellOf(page, 'twin of débit', 'débit °')).toContainText('1.00');
  const constant = cellOf(page, 'one value', 'débit °');
  await expect(constant).toContainText('–');
  await expect(constant).toHaveAccessibleName(/one value has the same value in all 12 rows used/);
  await expect(cellOf(page, 'few', 'débit °')).toHaveAccessibleName(/only 2 rows are complete for both; at least 3 are needed/);
  await expect(page.getByTestId('legend')).toContainText('have no coefficient (–)');
  await page.getByRole('button', { name: /change which rows are used/ }).click();
  await page.getByRole('radio', { name: /Only rows complete for all/ }).click();
  await expect(cellOf(page, 'twin of débit', 'débit °')).toHaveAccessibleName(/only 2 rows are complete/);
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await expect(page.getByText('Tick two or more variables on the left')).toBeVisible();
});

test('from reported figures: p and interval, a comparison, a sample size, and what is wrong said in words', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'from reported figures' }).click();
  // t of the r = .42 and n = 50 that stand there at first, by hand.
  await expect(page.getByTestId('reported-one')).toContainText(((0.42 * Math.sqrt(48)) / Math.sqrt(1 - 0.42 ** 2)).toFixed(3));
  await page.getByLabel('Pearson’s r').fill('1.4');
  await expect(page.getByRole('region', { name: 'p and interval of r' }).getByRole('alert')).toContainText('between −1 and 1');
  // Zou (2007), example 1, from memory: [−.087, .359].
  await expect(page.getByTestId('reported-two')).toContainText('[−.087, .359]');
  // For r = .3 at .80: 84 cases by the exact distribution.
  await expect(page.getByTestId('reported-size').getByRole('row', { name: /cases needed/ })).toContainText('84');
});

test('a question: hypotheses stated first, results shown on request, decisions, sentence, summary, and late changes in the trail', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('button', { name: 'Questions', exact: true }).click();
  await page.getByLabel('Your question').fill('Does fertiliser go with the mayflies?');
  await page.keyboard.press('Enter');
  const question = page.getByRole('region', { name: 'Question 1: Does fertiliser go with the mayflies?' });
  await question.getByRole('button', { name: 'State a hypothesis' }).click();
  const form = page.getByRole('form', { name: 'New hypothesis' });
  await form.getByRole('combobox', { name: 'First variable' }).selectOption({ label: 'nitrate' });
  await form.getByRole('combobox', { name: 'Second variable' }).selectOption({ label: 'mayfly taxa' });
  await expect(form).toContainText(
    'H₀: the population correlation of nitrate and mayfly taxa is zero (population r = 0). H₁: it is not zero (population r ≠ 0), two-sided.',
  );
  await form.getByRole('combobox', { name: 'Method of the hypothesis' }).selectOption('pearson');
  await form.getByLabel('because').fill('asked for by the reviewers');
  await form.getByRole('button', { name: 'State it' }).click();
  await expect(question).toContainText('By Pearson’s r: asked for by the reviewers.');
  await expect(question.getByTestId('hypothesis-outcome')).toHaveCount(0);

  await question.getByRole('button', { name: 'Show the result' }).click();
  const { r, rho, n } = reference.nitrateByTaxa;
  const outcome = question.getByTestId('hypothesis-outcome');
  await expect(outcome).toContainText(
    `H₀ is rejected: r = ${written(r.coefficient)}, 95 % interval ${interval(r.interval)}, t(${n - 2}) = ${written(r.t, 3)}, n = ${n}, p < .001, at .05.`,
  );
  await expect(outcome.getByTestId('pair-sentence')).toContainText(`r(${n - 2}) = ${written(r.coefficient)}`);
  await expect(question.getByTestId('question-summary')).toContainText(
    'The hypothesis is supported at .05: nitrate and mayfly taxa are associated, in either direction.',
  );

  await question.getByRole('button', { name: 'Change', exact: true }).click();
  const change = page.getByRole('form', { name: 'Change the hypothesis' });
  await expect(change).toContainText('Its result was shown already');
  await change.getByRole('radio', { name: 'more nitrate, fewer mayfly taxa' }).check();
  await change.getByRole('combobox', { name: 'Method of the hypothesis' }).selectOption('spearman');
  await change.getByRole('button', { name: 'Change it' }).click();
  await expect(outcome).toContainText(`ρ = ${written(rho.coefficient)}, 95 % interval [−1.00, `);
  await expect(question).toContainText('Changed after its result was shown');
  await page.reload();
  await expect(question.getByTestId('question-summary')).toContainText('One hypothesis was changed after the result was shown.');
  await page.getByRole('button', { name: /^Trail/ }).click();
  await expect(
    page
      .getByRole('dialog', { name: /^Trail of/ })
      .getByRole('listitem')
      .first(),
  ).toContainText('Hypothesis changed after its result was shown: more nitrate, fewer mayfly_taxa (Spearman’s ρ)');
});

test('roles come from the panel, a header is dragged to another place, and bootstrap intervals are computed for the whole matrix', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['elevation', 'water temp', 'nitrate', 'mayfly taxa']);
  const names = () => page.getByRole('columnheader').allTextContents();
  await expect(page.getByRole('columnheader')).toHaveCount(5);
  const header = (name: string) => page.getByRole('columnheader', { name }).getByRole('button');
  await whileSaving(page, () => header('mayfly taxa').dragTo(header('water temp')));
  await expect.poll(names).toEqual(['', 'elevation', 'mayfly taxa', 'water temp', 'nitrate']);

  await page.getByRole('button', { name: 'Menu of water temp' }).click();
  await page.getByRole('menuitemradio', { name: 'predictor' }).click();
  await page.getByRole('button', { name: 'Outcomes × predictors' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('Pearson’s r of 1 outcome with 2 predictors in all 248 rows');
  await expect(page.getByRole('table', { name: 'Outcomes by predictors' }).getByRole('row')).toHaveCount(3);
  await page.getByRole('button', { name: 'Grid', exact: true }).click();

  await page.getByRole('combobox', { name: 'Above the diagonal' }).selectOption('interval');
  const above = page.getByRole('gridcell', { name: 'mayfly taxa and nitrate: ' });
  // The lower limit over the upper one.
  const stacked = reference.nitrateByTaxa.r.interval.map((limit: number) => written(limit, 2)).join('');
  await expect(above).toHaveText(stacked);
  await page.getByRole('button', { name: /change the intervals/ }).click();
  await page.getByRole('radio', { name: /^Bootstrap/ }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('methods-line')).toContainText('with 95 % bootstrap intervals');
  await expect(above).not.toHaveText(stacked);
  await expect(above).toHaveText(/^−\.\d\d−\.\d\d$/);
});

test('what r and ρ do not see: asked of a pair in its card, and searched for among all', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'mayfly taxa', 'nitrate').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await card.getByRole('button', { name: 'Anything at all?', exact: true }).click();
  await expect(card.getByTestId('dependence')).toContainText(/^Something is there, of whatever form: p < \.001 of the two together\./);
  await expect(card.getByTestId('dependence')).toContainText(/Distance correlation \.\d{3} .* by 999 permutations \(seed 1\), n = 248\./);
  await page.getByRole('button', { name: 'Ranked', exact: true }).click();
  await page.getByRole('button', { name: 'Search for pairs that no straight or monotone coefficient sees' }).click();
  await expect(page.getByTestId('unseen')).toContainText(/^Of 66 pairs /, { timeout: 60_000 });
});
