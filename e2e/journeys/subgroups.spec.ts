import { readFileSync } from 'node:fs';
import { expect, openCopy, type Page, test, whileSaving } from '../application/test';

/** Computed outside the project by reference/generate.py, with scipy. */
const reference: {
  demo: {
    catchments: string[];
    pairs: { x: string; y: string; n: number[]; within: number; pearson: Coefficients; spearman: Coefficients }[];
  };
} = JSON.parse(readFileSync(new URL('../../reference/groups.json', import.meta.url), 'utf8'));
interface Coefficients {
  readonly groups: number[];
  readonly pooled: number;
  readonly q: number;
  readonly p: number;
}

const written = (value: number, decimals = 2) =>
  value
    .toFixed(decimals)
    .replace('-', '−')
    .replace(/^(−?)0\./, '$1.');
const pairOf = (x: string, y: string) => {
  const found = reference.demo.pairs.find((pair) => pair.x === x && pair.y === y);
  if (!found) throw new Error(`no reference for ${x} and ${y}`);
  return found;
};

async function tickOnly(page: Page, names: readonly string[]) {
  await page.getByRole('button', { name: 'None', exact: true }).click();
  for (const name of names) await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
}

const EIGHT = ['elevation', 'canopy cover', 'water temp', 'dissolved oxygen', 'conductivity', 'nitrate', 'phosphate', 'mayfly taxa'];

async function openSubgroups(page: Page, ticked: readonly string[] = EIGHT) {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ticked);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Pairs across groups' })).toBeVisible();
}

const part = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const rowOf = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}: `) });

test('the same matrix per catchment: which pairs differ, by how much, side by side', async ({ page }) => {
  await openSubgroups(page);
  await expect(page.getByTestId('methods-line')).toContainText('Pearson’s r among 8 variables across 4 groups of catchment, all 248 rows');
  // Unadjusted homogeneity, smallest p first.
  const byP = reference.demo.pairs.toSorted((a, b) => a.pearson.p - b.pearson.p);
  const alpha = byP.filter(({ pearson }) => pearson.p <= 0.05).length;
  await expect(page.getByTestId('whole-sentence')).toContainText(
    `${alpha} of 28 pairs differed between groups of catchment at .05; 1.4 expected if no groups differed`,
  );
  const first = byP[0];
  if (!first) throw new Error('no pairs');
  const name = `${first.x} × ${first.y}`.replaceAll('_', ' ');
  const row = page.getByRole('listitem').filter({ has: rowOf(page, name) });
  await expect(row).toContainText(first.pearson.q.toFixed(1));
  await expect(page.getByRole('list', { name: 'Pairs across groups' }).getByRole('listitem').first()).toContainText(name);

  // Opened: each group's numbers, the sentence, slopes apart from coefficients; the address keeps it.
  await rowOf(page, name).click();
  const opened = page.getByTestId('by-group');
  const [aster] = first.pearson.groups;
  await expect(opened.getByRole('row', { name: /Aster/ })).toContainText(`${first.n[0]}${written(aster ?? Number.NaN)}`);
  await expect(opened.getByTestId('difference-sentence')).toContainText(`Q(3) = ${first.pearson.q.toFixed(2)}`);
  await expect(opened.getByTestId('slopes')).toContainText(/^Slopes of .* F\(3, \d+\) = /);
  await expect(opened.getByRole('img', { name: /by group, \d+ points; Aster (rising|falling)/ })).toBeVisible();
  await page.reload();
  await expect(opened).toBeVisible();
  await opened.getByRole('button', { name: 'Every two groups' }).click();
  const everyTwo = page.getByRole('table', { name: `${name}: every two groups` });
  await expect(everyTwo.getByRole('row')).toHaveCount(7);
  await expect(page.getByText('adjusted after Holm for the 6 comparisons of this pair')).toBeVisible();
  await opened.getByRole('button', { name: 'Permutation of the groups' }).click();
  await opened.getByLabel('permutations').fill('499');
  await opened.getByRole('button', { name: 'Permute' }).click();
  await expect(page.getByTestId('group-permutation')).toContainText('of 499 permutations (seed 1) were at least as extreme as Q = ');
  await rowOf(page, name).click();
  await expect(opened).toBeHidden();

  // Side by side, one pair marked in all groups.
  await part(page, 'Side by side').click();
  const { pearson } = pairOf('elevation', 'water_temp');
  for (const [k, catchment] of reference.demo.catchments.entries()) {
    const grid = page.getByRole('grid', { name: `Correlations in ${catchment}` });
    await expect(grid.getByRole('gridcell', { name: /^elevation × water temp: / })).toHaveAccessibleName(
      new RegExp(`: ${written(pearson.groups[k] ?? Number.NaN)}\\**$`),
    );
  }
  await page
    .getByRole('grid', { name: 'Correlations in Birk' })
    .getByRole('gridcell', { name: /^elevation × water temp/ })
    .hover();
  await expect(page.locator('[data-lit]')).toHaveCount(5);
  await expect(page.getByTestId('side-readout')).toContainText(`Aster ${written(pearson.groups[0] ?? Number.NaN, 3)}`);
});

test('order, filter and levels ask the server for nothing; ranks do', async ({ page }) => {
  await openSubgroups(page);
  const asked: string[] = [];
  page.on('request', (request) => {
    const { analysis } = (request.url().endsWith('/analyses') ? request.postDataJSON() : null) ?? {};
    if (analysis?.kind === 'subgroups') asked.push(analysis.method);
  });
  await page.getByRole('combobox', { name: 'Order of the pairs' }).selectOption('by name');
  await expect(page.getByRole('list', { name: 'Pairs across groups' }).getByRole('listitem').first()).toContainText(
    'canopy cover × conductivity',
  );
  await page.getByRole('combobox', { name: 'Only pairs with' }).selectOption('pairs of nitrate');
  await expect(page.getByTestId('pair-count')).toHaveText('7 of 28 pairs');
  await page.getByLabel('only where groups differ').check();
  const { nitrate } = {
    nitrate: reference.demo.pairs.filter(({ x, y, pearson }) => [x, y].includes('nitrate') && pearson.p <= 0.05).length,
  };
  await expect(page.getByTestId('pair-count')).toHaveText(`${nitrate} of 28 pairs`);
  await page.getByLabel('only where groups differ').uncheck();
  await whileSaving(page, () => page.getByRole('combobox', { name: 'Only pairs with' }).selectOption('pairs of any variable'));
  await page.getByRole('button', { name: /change the adjustment/ }).click();
  await page.getByRole('radio', { name: /^Holm/ }).click();
  await expect(page.getByTestId('lane-head').getByText('p, adjusted')).toBeVisible();
  await expect(page.getByTestId('whole-sentence')).toContainText('p adjusted after Holm for these 28 pairs');
  expect(asked).toEqual([]);

  await page.getByRole('button', { name: /change the method/ }).click();
  await page.getByRole('radio', { name: /^Spearman/ }).click();
  await page.keyboard.press('Escape');
  const { spearman } = pairOf('conductivity', 'nitrate');
  await expect(page.getByRole('listitem').filter({ has: rowOf(page, 'conductivity × nitrate') })).toContainText(spearman.q.toFixed(1));
  expect(asked).toEqual(['spearman']);
});

test('the reversing pair is named on top and its plot shows it', async ({ page }) => {
  await openSubgroups(page);
  const stories = page.getByTestId('other-stories');
  const { pearson } = pairOf('canopy_cover', 'phosphate');
  const story = stories.getByRole('listitem').filter({ hasText: 'canopy cover × phosphate' });
  await expect(story).toContainText(
    `a reversal: r = ${written(pearson.pooled)} over all rows of these groups, but ${written(Math.min(...pearson.groups))} to`,
  );
  await expect(story).toContainText('the sign comes from how the groups’ means lie');
  await story.getByRole('button', { name: 'Show why' }).click();
  const plot = stories.getByRole('img', { name: /^Scatterplot of/ });
  await expect(plot).toHaveAccessibleName(/Aster falling, Birk falling, Corrin falling, Dray falling; all rows together rising$/);
  await expect(plot.getByTestId('group-line')).toHaveCount(4);
  await expect(plot.getByTestId('pooled-line')).toHaveCount(1);
  // The bar says how many such pairs there are, and the pair's card says the same.
  await expect(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Subgroups: / })).toHaveText(
    String(await stories.getByRole('listitem').count()),
  );
  await story.getByRole('button', { name: 'Open its row' }).click();
  const opened = page.getByTestId('by-group');
  await expect(opened).toContainText('The sign reverses inside the groups.');
  const sentence = await opened.getByTestId('difference-sentence').textContent();
  await opened.getByRole('button', { name: 'Pair card' }).click();
  const card = page.getByRole('complementary', { name: /^Pair / });
  await card.getByRole('button', { name: 'By group', exact: true }).click();
  await expect(card.getByTestId('difference-sentence')).toHaveText(sentence ?? '');
});

test('which groups take part is kept once: card, Scatterplots and sentences agree', async ({ page }) => {
  await openSubgroups(page, ['nitrate', 'phosphate', 'mayfly taxa']);
  await page.getByRole('button', { name: /change the groups/ }).click();
  await whileSaving(page, () => page.getByRole('group', { name: 'Groups that take part' }).getByLabel(/^Dray/).uncheck());
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('methods-line')).toContainText('across 3 of 4 groups of catchment (Aster, Birk and Corrin)');
  await expect(page.getByTestId('group-legend')).not.toContainText('Dray');
  await page.reload();
  await expect(page.getByTestId('methods-line')).toContainText('3 of 4 groups of catchment');
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Scatterplots', exact: true }).click();
  await page.getByRole('button', { name: /whether groups are told apart/ }).click();
  await page.getByRole('radio', { name: 'Coloured by catchment' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('coloured by 3 of 4 groups of catchment (Aster, Birk and Corrin)');
  await expect(page.getByRole('group', { name: 'Groups of catchment' }).getByRole('button', { name: 'Dray' })).toHaveCount(0);

  // A quantity is cut right here, and is then what makes the groups.
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
  await page.getByRole('button', { name: /change the groups/ }).click();
  await page.getByLabel('or cut a quantity into groups').selectOption({ label: 'elevation' });
  await page.getByRole('combobox', { name: 'How it is cut' }).selectOption('at values:');
  await page.getByLabel('Values of elevation at which it is cut').fill('300 200');
  await expect(page.getByRole('alert')).toHaveText('Values go from small to large.');
  await page.getByLabel('Values of elevation at which it is cut').fill('250 350');
  await page.getByRole('button', { name: 'Make these groups' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('across 3 groups of elevation group');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('group-legend')).toContainText('below 250');
  // Every combination with a second variable is one more grouping variable.
  await page.getByRole('button', { name: /change the groups/ }).click();
  await page.getByRole('combobox', { name: 'every combination with' }).selectOption('catchment');
  await expect(page.getByTestId('methods-line')).toContainText('groups of elevation group and catchment');
  await page.getByRole('combobox', { name: 'Groups of' }).selectOption('elevation group');
  await page.keyboard.press('Escape');
  await page.getByRole('checkbox', { name: 'elevation', exact: true }).check();
  await expect(page.getByTestId('narrowed')).toContainText(
    'The groups of elevation group are made from elevation, which therefore varies less',
  );
  await expect(page.getByRole('button', { name: /^Trail · / })).toContainText('decision');
});

/** Forty invented trees in two orchards, weighed three times; in the second, height and yield do not go together. */
function orchards() {
  const trees = Array.from({ length: 40 }, (_, i) => {
    const height = 2.1 + ((i * 17) % 23) * 0.06;
    const noise = (((i * 29) % 31) - 15) / 60;
    const crop = i < 20 ? 9 + 4 * (height - 2.1) + 4 * noise : 12 + 8 * noise;
    const weighings = [crop, crop - 0.4 - ((i * 7) % 5) / 10, crop - 0.2 - ((i * 11) % 7) / 10];
    return { orchard: i < 20 ? 'upper' : 'lower', height, weighings, girth: 20 + ((i * 13) % 19) };
  });
  const text = ['orchard,height,weighing_1,weighing_2,weighing_3,girth']
    .concat(
      trees.map(({ orchard, height, weighings, girth }) =>
        [orchard, height.toFixed(2), ...weighings.map((w) => w.toFixed(2)), girth].join(','),
      ),
    )
    .join('\n');
  const columnOf = (orchard: string, of: (tree: (typeof trees)[number]) => number) =>
    trees.filter((tree) => tree.orchard === orchard).map(of);
  const r = (orchard: string) =>
    pearson(
      columnOf(orchard, ({ height }) => Number(height.toFixed(2))),
      columnOf(orchard, ({ weighings }) => Math.max(...weighings.map((w) => Number(w.toFixed(2))))),
    );
  return { text, upper: r('upper'), lower: r('lower') };
}

function pearson(x: readonly number[], y: readonly number[]): number {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(x), mean(y)];
  const sum = (of: (i: number) => number) => x.reduce((total, _, i) => total + of(i), 0);
  const product = sum((i) => ((x[i] ?? 0) - mx) * ((y[i] ?? 0) - my));
  return product / Math.sqrt(sum((i) => ((x[i] ?? 0) - mx) ** 2) * sum((i) => ((y[i] ?? 0) - my) ** 2));
}

test('trees in two orchards: the largest of three weighings, one matrix per orchard, the difference with z, p, q and interval', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const { text, upper, lower } = orchards();
  await page.goto('/studies/new');
  await page.locator('input[type=file]').setInputFiles({ name: 'orchards.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Derive a variable' }).click();
  const dialog = page.getByRole('dialog', { name: 'Derive a variable' });
  await dialog.getByRole('tab', { name: 'Of several repeats' }).click();
  await expect(dialog.getByRole('checkbox', { name: /weighing/ })).toHaveCount(3);
  await dialog.getByLabel('Its name').fill('yield');
  await dialog.getByRole('button', { name: 'Make the variable' }).click();
  await expect(dialog).toBeHidden();
  await tickOnly(page, ['height', 'yield', 'girth']);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
  await expect(page.getByTestId('methods-line')).toContainText('across 2 groups of orchard');

  await part(page, 'Side by side').click();
  const cell = (orchard: string) =>
    page.getByRole('grid', { name: `Correlations in ${orchard}` }).getByRole('gridcell', { name: /^height × yield/ });
  await expect(cell('upper')).toHaveAccessibleName(new RegExp(`: ${written(upper)}`));
  await expect(cell('lower')).toHaveAccessibleName(new RegExp(`: ${written(lower)}`));

  await part(page, 'Difference').click();
  const [first] = await page.getByRole('combobox', { name: 'First group' }).locator('option:checked').allTextContents();
  const sign = first === 'upper' ? 1 : -1;
  const q = sign * (Math.atanh(upper) - Math.atanh(lower));
  await page.getByRole('gridcell', { name: /^height × yield/ }).hover();
  const readout = page.getByTestId('difference-readout');
  await expect(readout).toContainText(`difference ${written(sign * (upper - lower))}, 95 % interval [`);
  await expect(readout).toContainText(
    `q ${q.toFixed(2).replace('-', '−')}, z = ${(q * Math.sqrt(17 / 2)).toFixed(2).replace('-', '−')}, p`,
  );
  await page.getByRole('combobox', { name: 'other half' }).selectOption('Cohen’s q');
  await expect(page.getByRole('grid').getByText(q.toFixed(2).replace('-', '−'), { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Copy table' }).click();
  const copiedLine = async () => {
    const copied = await page.evaluate(() => navigator.clipboard.readText());
    return (copied.split('\n').find((words) => words.startsWith('height × yield')) ?? '').split('\t').slice(1, 5);
  };
  await expect
    .poll(copiedLine)
    .toEqual((first === 'upper' ? [upper, lower] : [lower, upper]).flatMap((r) => [written(r).replace('−', '-'), '20']));
});

test('a ratio and its own part, each with mayfly taxa: a dependent comparison, with the caution about the shared component', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('link', { name: 'Data', exact: true }).click();
  await page.getByRole('button', { name: 'Derive a variable' }).click();
  const dialog = page.getByRole('dialog', { name: 'Derive a variable' });
  await dialog.getByRole('tab', { name: 'Formula' }).click();
  await dialog.getByRole('combobox', { name: 'Formula' }).fill('chlorophyll / phosphate');
  await dialog.getByLabel('Its name').fill('chlorophyll per phosphate');
  await dialog.getByRole('button', { name: 'Make the variable' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
  await part(page, 'Dependent comparisons').click();
  const choose = (label: string, option: string) => page.getByRole('combobox', { name: label }).selectOption(option);
  await choose('First variable of the first pair', 'mayfly taxa');
  await choose('Second variable of the first pair', 'chlorophyll per phosphate');
  await choose('First variable of the second pair', 'mayfly taxa');
  await choose('Second variable of the second pair', 'chlorophyll');
  const view = page.getByTestId('dependent-view');
  await expect(view).toContainText('The pairs share mayfly taxa: Williams’ test');
  const answer = page.getByTestId('dependent-answer');
  await expect(answer).toContainText(/Williams: t\(\d+\) = −?\d/);
  await expect(answer).toContainText('Shared component: ');
  await expect(answer).toContainText('chlorophyll per phosphate is computed from chlorophyll');
  await page.reload();
  await expect(answer).toContainText('of mayfly taxa and chlorophyll per phosphate');
  // Four different variables: another test; the same pair twice: refused in words.
  await choose('First variable of the second pair', 'nitrate');
  await expect(answer).toContainText('Dunn and Clark: z = ');
  await choose('First variable of the second pair', 'chlorophyll per phosphate');
  await choose('Second variable of the second pair', 'mayfly taxa');
  await expect(page.getByRole('alert')).toHaveText('Both are the same pair. Choose another variable in one of them.');
});

test('groups are made where they are chosen, also when none were chosen before', async ({ page }) => {
  await openSubgroups(page, ['nitrate', 'phosphate', 'mayfly taxa']);
  await page.getByRole('button', { name: /change the groups/ }).click();
  await page.getByLabel('or cut a quantity into groups').selectOption({ label: 'elevation' });
  await page.getByLabel('Number of groups').fill('2');
  await page.getByRole('button', { name: 'Make these groups' }).click();
  await expect(page.getByTestId('methods-line')).toContainText('across 2 groups of elevation group');
  await page.keyboard.press('Escape');
  // Of two groups the row has the difference, q and z.
  await expect(page.getByTestId('lane-head')).toHaveText(/difference.*q.*z.*p$/);
  await expect(page.getByTestId('group-legend')).toContainText('group 1 of 2 (lowest)');
  await page.getByRole('button', { name: /change the groups/ }).click();
  await page.getByRole('combobox', { name: 'every combination with' }).selectOption('catchment');
  await expect(page.getByTestId('methods-line')).toContainText('groups of elevation group and catchment');
});

test('two cells of the matrix are sent here, whether they share a variable or not', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['elevation', 'nitrate', 'phosphate', 'mayfly taxa']);
  const cell = (row: string, column: string) => page.getByRole('gridcell', { name: `${row} and ${column}: ` });
  await cell('nitrate', 'elevation').click();
  await cell('mayfly taxa', 'phosphate').click({ modifiers: ['ControlOrMeta'] });
  const card = page.getByRole('complementary', { name: /^Pair / });
  await card.getByRole('button', { name: 'More closely than to another?' }).click();
  await expect(card.getByTestId('dependent-comparison')).toContainText(
    'Are nitrate and elevation tied more closely than phosphate and mayfly taxa?',
  );
  await card.getByRole('link', { name: 'Compare them in Subgroups' }).click();
  await expect(page.getByTestId('dependent-answer')).toContainText('r of nitrate and elevation');
  await expect(page.getByRole('combobox', { name: 'Second variable of the second pair' })).toContainText('mayfly taxa');
});

/** Sixty groups of unequal size, rows without a group, a group that does not vary, one that lies on a line, and tiny ones. */
function strangeTable(): string {
  const lines = ['plot,a,b,c'];
  for (let i = 0; i < 60; i++) {
    const size = i === 0 ? 30 : i === 1 ? 25 : i === 2 ? 20 : i < 12 ? 12 : 3;
    for (let k = 0; k < size; k++) {
      const a = ((i * 31 + k * 17) % 97) / 10;
      const b = i === 0 ? 5 : i === 1 ? 2 * a + 1 : ((i * 13 + k * 29) % 89) / 7;
      const c = i === 2 ? '' : ((k * 37 + i * 5) % 53) / 3;
      lines.push(`p${i + 1},${a},${b},${c}`);
    }
  }
  for (let k = 0; k < 9; k++) lines.push(`,${(k * 7) % 10},${(k * 3) % 11},${k}`);
  return lines.join('\n');
}

test('a strange table: sixty groups, rows without one, a constant, a line and nothing inside groups', async ({ page }) => {
  await page.goto('/studies/new');
  await page.locator('input[type=file]').setInputFiles({ name: 'strange.csv', mimeType: 'text/csv', buffer: Buffer.from(strangeTable()) });
  await page.getByRole('combobox', { name: 'Kind of plot' }).selectOption('nominal');
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('grid')).toBeVisible();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
  await expect(page.getByText('No grouping variable is chosen. Choose one in the sentence above.')).toBeVisible();
  await page.getByRole('button', { name: /change the groups/ }).click();
  await page.getByRole('combobox', { name: 'Groups of' }).selectOption('plot');
  const taking = page.getByRole('group', { name: 'Groups that take part' });
  await expect(taking).toContainText('12 of 60 take part');
  await taking.getByRole('searchbox', { name: 'Find a group' }).fill('p60');
  await whileSaving(page, () => taking.getByLabel('p60').check());
  await expect(taking).toContainText('13 of 60 take part');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('methods-line')).toContainText('13 of 60 groups of plot');
  await expect(page.getByText('9 rows have no plot and are left out.')).toBeVisible();
  await expect(page.getByText('More than 12 groups: points without intervals')).toBeVisible();
  const table = page.getByRole('list', { name: 'Pairs across groups' });
  await expect(table).not.toContainText('NaN');
  await rowOf(page, 'a × b').click();
  const opened = page.getByTestId('by-group');
  await expect(opened).toContainText('Not tested: p1: one of the two has a single value there.');
  await expect(opened).toContainText('Not tested: p2: r is exactly 1, which has no spread to compare by.');
  await expect(opened).toContainText('Not tested: p60: 3 complete rows, at least 4 are needed.');
  await expect(opened.getByTestId('difference-sentence')).toContainText('Q(9) = ');
  await expect(opened).not.toContainText('NaN');
  await rowOf(page, 'a × c').click();
  await expect(opened).toContainText('Not tested: p3: no complete row.');

  await page.getByRole('button', { name: /change the groups/ }).click();
  await whileSaving(page, () => page.getByLabel('Rows without plot are a group of their own').check());
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('group-legend')).toContainText('no group n 9');
  await expect(page.getByTestId('methods-line')).toContainText('and rows without one');
  for (const name of ['Side by side', 'Difference', 'Descriptives']) {
    await part(page, name).click();
    await expect(page.getByRole('region', { name: 'Subgroups' })).not.toContainText('NaN');
  }
  await expect(page.getByTestId('group-descriptives')).toBeVisible();
});
