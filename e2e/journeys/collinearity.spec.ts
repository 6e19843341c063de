import { readFileSync } from 'node:fs';
import { expect, openCopy, type Page, test, whileSaving } from '../application/test';

interface Model {
  readonly coefficients: number[];
  readonly se: number[];
  readonly t: number[];
  readonly r2: number;
  readonly f: number;
  readonly df: number;
  readonly cooks: number[];
}
/** Computed outside the project by reference/generate.py, with numpy and statsmodels. */
const reference: {
  survey: {
    predictors: string[];
    vif: number[];
    largestWithout: number[];
    model: Model;
    withoutEach: Pick<Model, 'coefficients' | 'se' | 'r2'>[];
  };
  beds: { vif: number[]; largestWithout: number[] };
  kilns: {
    fuel: string[];
    columns: Record<string, number[]>;
    strength: number[];
    vif: number[];
    model: Model;
    withFuel: { adjustedGvif: number[]; model: Model };
  };
} = JSON.parse(readFileSync(new URL('../../reference/collinear.json', import.meta.url), 'utf8'));

/** Four digits that count, as the tables write them. */
const four = (value: number) => value.toFixed(Math.max(0, 3 - Math.floor(Math.log10(Math.abs(value))))).replace('-', '−');
const vif = (value: number) => value.toFixed(value < 9.995 ? 2 : value < 99.95 ? 1 : 0);
const share = (page: Page, name: string) => page.getByTestId(`share-${name}`);
const part = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

async function openStage(page: Page) {
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Collinearity', exact: true }).click();
  // Where no variable has the role of an outcome it is asked for first.
  const asked = page.getByRole('heading', { name: 'Is one of these the outcome?' });
  await expect(page.getByRole('heading', { name: 'Share already told by the others' }).or(asked)).toBeVisible();
}

async function tickOnly(page: Page, names: readonly string[]) {
  await page.getByRole('button', { name: 'None', exact: true }).click();
  for (const name of names) await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
}

async function create(page: Page, name: string, table: string) {
  await page.goto('/studies/new');
  await page.locator('input[type=file]').setInputFiles({ name: `${name}.csv`, mimeType: 'text/csv', buffer: Buffer.from(table) });
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
}

/** Chooses predictors in the sentence, exactly these of those listed. */
async function choose(page: Page, on: readonly string[]) {
  await page.getByRole('button', { name: /change the predictors/ }).click();
  const list = page.getByRole('group', { name: 'Predictors' });
  for (const name of on) await list.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
  await page.keyboard.press('Escape');
}

test('a close pair leads to a high VIF; without one of the two it falls; the regression before and after', async ({ page }) => {
  const { predictors, vif: vifs, largestWithout, model, withoutEach } = reference.survey;
  const solids = predictors.indexOf('dissolved_solids');
  const conductivity = predictors.indexOf('conductivity');
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['water temp', 'conductivity', 'dissolved solids', 'nitrate', 'canopy cover', 'mayfly taxa']);
  await openStage(page);
  await expect(page.getByTestId('methods-line')).toContainText('How much 5 predictors tell of each other, in all 248 rows');
  const pair = page.getByRole('list', { name: 'Pairs of at least |r| = .90' }).getByRole('listitem');
  await expect(pair).toHaveCount(1);
  await expect(pair).toContainText('conductivity × dissolved solids');
  for (const [k, name] of predictors.entries()) await expect(share(page, name)).toContainText(vif(vifs[k] ?? 0));
  await expect(share(page, 'dissolved_solids')).toContainText('99.9 %');
  await expect(share(page, 'dissolved_solids')).toContainText('chiefly conductivity, r > .99');
  await expect(page.getByTestId('suggestions')).toContainText(
    `Without conductivity or dissolved solids, either one, the largest VIF is ${vif(largestWithout[solids] ?? 0)}`,
  );
  await expect(page.getByTestId('near-dependences')).toContainText('involves conductivity > .99 and dissolved solids > .99');
  const harm = page.getByTestId('harm-table').getByRole('row', { name: /^conductivity/ });
  await expect(harm).toContainText(four(Math.sqrt(vifs[conductivity] ?? 0)));
  const without = withoutEach[solids];
  // The intercept comes first there; conductivity stands before dissolved solids.
  await expect(harm).toContainText(four(without?.coefficients[conductivity + 1] ?? 0));

  // The card of the pair, then the switch; former values stay, also over a reload.
  await pair.getByRole('button').click();
  await expect(page.getByRole('complementary', { name: 'Pair conductivity and dissolved solids' })).toBeVisible();
  await page.getByRole('button', { name: 'Close the card' }).click();
  await whileSaving(page, () => page.getByRole('switch', { name: 'dissolved solids among the predictors' }).click());
  await expect(share(page, 'conductivity')).toContainText(`was ${vif(vifs[conductivity] ?? 0)}`);
  await expect(share(page, 'conductivity')).not.toContainText('99.9 %was');
  await expect(page.getByTestId('suggestions')).toContainText(`No VIF is above 10; the largest is ${vif(largestWithout[solids] ?? 0)}.`);
  await expect(page.getByTestId('methods-line')).toContainText('4 of 5 predictors');
  await page.reload();
  await expect(share(page, 'conductivity')).toContainText(`was ${vif(vifs[conductivity] ?? 0)}`);

  await part(page, 'Regression').click();
  const row = page.getByTestId('regression-table').getByRole('row', { name: /^conductivity/ });
  await expect(row).toContainText(four(without?.coefficients[conductivity + 1] ?? 0));
  await expect(row).toContainText(`was ${four(model.coefficients[conductivity + 1] ?? 0)}`);
  await expect(row).toContainText(four(without?.se[conductivity + 1] ?? 0));
  await expect(page.getByTestId('model-sentence')).toContainText(`R² = ${(without?.r2 ?? 0).toFixed(3).slice(1)}`);
  await page.getByRole('button', { name: 'Dismiss' }).click();
  await expect(row).not.toContainText('was');
  await part(page, 'Predictors').click();
  await page.getByRole('switch', { name: 'dissolved solids among the predictors' }).click();
  await part(page, 'Regression').click();
  await expect(page.getByTestId('regression-table').getByRole('row', { name: /^nitrate/ })).toContainText(
    four(model.coefficients[predictors.indexOf('nitrate') + 1] ?? 0),
  );
  await expect(page.getByTestId('model-sentence')).toContainText(`F(5, ${model.df}) = ${four(model.f)}`);

  // Does the chemistry add anything beyond temperature and shade?
  await page.getByRole('button', { name: 'Enter the predictors in two or three sets' }).click();
  await page.getByLabel('Set of nitrate').selectOption('second set');
  await page.getByLabel('Set of conductivity').selectOption('second set');
  await expect(page.getByTestId('set-sentence').last()).toContainText(
    /^Beyond the first set conductivity and nitrate add ΔR² = \.\d{3}, F\(2, 242\) = /,
  );

  // A prediction at typed values, and one beyond what was measured.
  await expect(page.getByTestId('prediction')).toContainText(/^mayfly taxa = \d/);
  const before = await page.getByTestId('prediction').textContent();
  await page.getByLabel('nitrate, mg/L').fill('40');
  await expect(page.getByText(/^Outside what was measured: nitrate \(the rows run from /)).toBeVisible();
  await expect(page.getByTestId('prediction')).not.toHaveText(before ?? '');
  await page.getByLabel('nitrate, mg/L').fill('much');
  await expect(page.getByText('nitrate: a number is needed.')).toBeVisible();
});

test('left out for good, with a reason in the trail and the way back; combined into one', async ({ page }) => {
  const { vif: vifs, largestWithout } = reference.beds;
  const { id } = (await (await page.request.get('/api/studies')).json()).find((study: { name: string }) => study.name === 'Aldermere beds');
  const copy = await (await page.request.post(`/api/studies/${id}/duplicate`)).json();
  await page.goto(`/studies/${copy.id}/collinearity`);
  await expect(page.getByTestId('no-close-pair')).toContainText(
    'the closest are depth and current, r = −.754. A dependence of three or more hides below that',
  );
  for (const [k, name] of ['gravel', 'sand', 'silt', 'depth', 'current'].entries())
    await expect(share(page, name)).toContainText(vif(vifs[k] ?? 0));
  await expect(share(page, 'silt')).toContainText('chiefly gravel and sand');
  await page.getByRole('button', { name: 'Which largest sets stay within VIF 10?' }).click();
  await expect(page.getByTestId('largest-sets')).toContainText('At most 4 of 5 predictors stay within VIF 10; these 3 sets do:');
  await page.getByRole('button', { name: 'More about silt' }).click();
  await page.getByRole('button', { name: 'follows from others' }).click();
  await expect(share(page, 'silt')).toHaveCount(0);
  await expect(page.getByText(/Left out for good, for the reasons in the trail: ?silt/)).toBeVisible();
  await page.getByRole('button', { name: /^Trail/ }).click();
  const trail = page.getByRole('dialog', { name: /Trail/ });
  await expect(trail).toContainText(
    `silt left out of the predictors; largest VIF among 5 predictors ${vif(vifs[0] ?? 0)}, then ${vif(largestWithout[2] ?? 0)}`,
  );
  await expect(trail).toContainText('follows from others');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'take in again' }).click();
  await expect(share(page, 'silt')).toBeVisible();

  // With silt switched off the near sum is gone: the trail says what leaving sand out does to the four that are on.
  await page.getByRole('switch', { name: 'silt among the predictors' }).click();
  await expect(share(page, 'gravel')).toContainText(`was ${vif(vifs[0] ?? 0)}`);
  await page.getByRole('button', { name: 'More about sand' }).click();
  await page.getByRole('button', { name: 'follows from others' }).click();
  await page.getByRole('button', { name: /^Trail/ }).click();
  await expect(trail).toContainText(`sand left out of the predictors; largest VIF among 4 predictors ${vif(largestWithout[2] ?? 0)}, then`);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'take in again' }).click();
  await page.getByRole('switch', { name: 'silt among the predictors' }).click();
  await expect(share(page, 'sand')).toBeVisible();

  await page.getByRole('button', { name: 'More about depth' }).click();
  await page.getByRole('button', { name: /^Combine it with another/ }).click();
  await page.getByRole('radio', { name: /^Mean of their standard scores/ }).click();
  await expect(page.getByText('They go against each other, so current is turned.')).toBeVisible();
  await page.getByLabel('Its name').fill('slowness');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(share(page, 'slowness')).toBeVisible();
  await expect(share(page, 'depth')).toHaveCount(0);
  await expect(page.getByTestId('methods-line')).toContainText('4 predictors');
});

test('a derived sum beside its parts is named, and nothing is a huge number', async ({ page }) => {
  const { id } = (await (await page.request.get('/api/studies')).json()).find((study: { name: string }) => study.name === 'Aldermere beds');
  const copy = await (await page.request.post(`/api/studies/${id}/duplicate`)).json();
  await page.goto(`/studies/${copy.id}/data`);
  const study = await (await page.request.get(`/api/studies/${copy.id}`)).json();
  const derived = await page.request.post(`/api/studies/${copy.id}/changes`, {
    data: {
      expectedHead: study.head,
      change: {
        type: 'derive',
        definition: { name: 'total', unit: '%', derivation: { type: 'formula', formula: 'gravel + sand + silt', ignoreMissing: false } },
      },
    },
  });
  expect(derived.ok()).toBe(true);
  await page.goto(`/studies/${copy.id}/collinearity`);
  await choose(page, ['total']);
  await expect(page.getByTestId('exact-dependences')).toContainText('total = gravel + sand + silt');
  for (const name of ['gravel', 'sand', 'silt', 'total']) await expect(share(page, name)).toContainText('100 %∞0');
  await expect(share(page, 'depth')).toContainText('60 %');
  await part(page, 'Regression').click();
  await expect(page.getByTestId('no-model')).toContainText('Some predictors follow exactly from others');
  await part(page, 'Predictors').click();
  await page.getByRole('switch', { name: 'total among the predictors' }).click();
  await expect(page.getByTestId('exact-dependences')).toHaveCount(0);
  await part(page, 'Regression').click();
  await expect(page.getByTestId('model-sentence')).toContainText('The 5 predictors explain');
});

test('kilns: F, coefficients and VIF of four quantities, then the fuel by its levels with GVIF', async ({ page }) => {
  const { fuel, columns, strength, vif: vifs, model, withFuel } = reference.kilns;
  const names = Object.keys(columns);
  const table = [
    ['fuel', ...names, 'strength'].join(','),
    ...strength.map((value, i) => [fuel[i], ...names.map((name) => columns[name]?.[i]), value].join(',')),
  ].join('\n');
  await create(page, 'kilns', table);
  await openStage(page);
  const question = page.getByRole('region', { name: 'Is one of these the outcome?' });
  await expect(page.getByRole('heading', { name: 'Share already told by the others' })).toHaveCount(0);
  await question.getByRole('button', { name: 'strength' }).click();
  await expect(question).toHaveCount(0);
  for (const [k, name] of names.entries()) await expect(share(page, name)).toContainText(vif(vifs[k] ?? 0));
  await part(page, 'Regression').click();
  await expect(page.getByTestId('model-sentence')).toContainText(`F(4, ${model.df}) = ${four(model.f)}`);
  for (const [k, name] of [...names, 'intercept'].entries()) {
    const row = page.getByTestId('regression-table').getByRole('row', { name: new RegExp(`^${name}`) });
    const at = name === 'intercept' ? 0 : k + 1;
    await expect(row).toContainText(four(model.coefficients[at] ?? 0));
    await expect(row).toContainText(four(model.se[at] ?? 0));
  }
  await expect(page.getByTestId('regression-table').getByRole('row').last()).toHaveAccessibleName(/^intercept/);

  // The fuel, against electric.
  await part(page, 'Predictors').click();
  await choose(page, ['fuel']);
  await page.getByRole('button', { name: /choose the reference level of fuel/ }).click();
  await page.getByRole('radio', { name: /^electric/ }).click();
  await expect(page.getByRole('button', { name: /^against electric/ })).toBeVisible();
  await expect(share(page, 'fuel')).toContainText((withFuel.adjustedGvif.at(-1) ?? 0).toFixed(2));
  await part(page, 'Regression').click();
  const wood = page.getByTestId('regression-table').getByRole('row', { name: /^fuel: wood/ });
  await expect(wood).toContainText(four(withFuel.model.coefficients.at(-1) ?? 0));
  await expect(page.getByTestId('regression-table').getByRole('row', { name: /^fuel, against electric/ })).toContainText('F(2)');

  // Each alone: of the fuel what its levels add together.
  const { t, r2, df } = withFuel.model;
  const alone = t.slice(1, 5).reduce((sum, value) => sum + (value ** 2 * (1 - r2)) / df, 0) + (r2 - model.r2);
  await expect(page.getByTestId('shared-variance').first()).toContainText(`adds up to ${(100 * alone).toFixed(1)} % of the variance`);

  // What the rows say: the one that matters most, without it, and set aside.
  await part(page, 'Residuals and rows').click();
  const cooks = withFuel.model.cooks;
  const first = cooks.indexOf(Math.max(...cooks)) + 1;
  const row = page.getByTestId('influential-rows').getByRole('row').nth(1);
  await expect(row).toContainText(`row ${first}`);
  await expect(row).toContainText(four(Math.max(...cooks)));
  await row.getByRole('checkbox').check();
  await expect(page.getByTestId('with-and-without-rows').getByRole('row', { name: /^R²/ })).toContainText(
    withFuel.model.r2.toFixed(3).slice(1),
  );
  await page.getByRole('button', { name: new RegExp(`^Set row ${first} aside`) }).click();
  await page.getByRole('button', { name: 'misread' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('39 of 40 rows in use');
  await expect(page.getByTestId('influential-rows').getByRole('row').nth(1)).not.toContainText(`row ${first} `);
});

test('a strange table: rows that collapse, a constant, a level with one row, an outcome that is none', async ({ page }) => {
  const rows = Array.from({ length: 40 }, (_, i) => {
    const gaps = i % 2 === 0 ? '' : (i * 13) % 29;
    return [
      ['clay', 'gravel', 'sand'][i === 3 ? 0 : 1 + (i % 2)],
      12 + ((i * 7) % 11),
      gaps,
      5,
      3 + ((i * 5) % 17),
      i % 3 === 0 ? 'yes' : 'no',
    ].join(',');
  });
  await create(page, 'strange', ['bed,depth,drift,fixed,taxa,shaded', ...rows].join('\n'));
  await openStage(page);
  await page.getByRole('button', { name: /change the outcome/ }).click();
  await page.getByRole('radio', { name: 'taxa' }).click();
  await choose(page, ['bed', 'depth', 'drift', 'fixed']);
  await expect(page.getByTestId('row-costs')).toContainText(
    '20 of 40 rows in use lack a value of one or more of these. By drift (20 missing; 40 rows complete without it).',
  );
  await expect(
    page.getByText('fixed has the same value, 5.000, in all these rows: it tells nothing and is left out of everything below.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Look without drift: 40 rows' }).click();
  await expect(page.getByTestId('row-costs')).toHaveCount(0);
  await expect(page.getByText('These are the rows complete without drift, 40 of them.')).toBeVisible();
  await part(page, 'Residuals and rows').click();
  await expect(page.getByTestId('alone')).toContainText('row 4 is fitted whatever the outcome is (leverage 1)');
  await expect(page.getByTestId('influential-rows')).not.toContainText('row 4 ');
  await page.getByRole('button', { name: /change the outcome/ }).click();
  await page.getByRole('radio', { name: 'shaded' }).click();
  await expect(page.getByText(/^shaded is (two-valued|nominal): a linear regression needs a quantity as its outcome/)).toBeVisible();
  await part(page, 'Predictors').click();
  await expect(share(page, 'bed')).toContainText('%');
  await expect(page.getByRole('heading', { name: /^What harm it does/ })).toHaveCount(0);
});

test('rows stay those complete for all chosen until they are asked for; what is computed in the browser asks the server for nothing', async ({
  page,
}) => {
  await openCopy(page, 'Aldermere streams');
  await tickOnly(page, ['canopy cover', 'phosphate', 'chlorophyll', 'conductivity', 'mayfly taxa']);
  await openStage(page);
  await expect(page.getByTestId('methods-line')).toContainText(', 238 of them complete for all of these');
  await whileSaving(page, () => page.getByRole('switch', { name: 'chlorophyll among the predictors' }).click());
  await expect(page.getByTestId('rows-return')).toContainText(
    'Rows stay those complete for all that were chosen: 238. Without chlorophyll there would be 245.',
  );
  const asked: string[] = [];
  page.on('request', (request) => {
    if (request.url().includes('/analyses')) asked.push(request.postData() ?? '');
  });
  await whileSaving(page, () => page.getByRole('switch', { name: 'phosphate among the predictors' }).click());
  await expect(share(page, 'phosphate')).toContainText('switched off');
  expect(asked.filter((body) => body.includes('"collinearity"'))).toEqual([]);
  await page.getByRole('switch', { name: 'phosphate among the predictors' }).click();
  await page.getByRole('button', { name: 'Use them' }).click();
  await expect(page.getByTestId('methods-line')).toContainText(', 245 of them complete for all of these');
  await page.getByRole('button', { name: 'Only rows complete for all chosen' }).click();
  await expect(page.getByTestId('methods-line')).toContainText(', 238 of them complete for all of these');
});
