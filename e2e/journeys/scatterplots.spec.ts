import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { expect, openCopy, type Page, test, whileSaving } from '../application/test';

/** Computed from the demo tables outside the project, by reference/generate.py. */
const reference = JSON.parse(readFileSync(new URL('../../reference/demo-pairs.json', import.meta.url), 'utf8'));
const written = (value: number, decimals = 2) =>
  value
    .toFixed(decimals)
    .replace('-', '−')
    .replace(/^(−?)0\./, '$1.');

const CHEMISTRY = ['water temp', 'dissolved oxygen', 'conductivity', 'nitrate', 'phosphate', 'mayfly taxa'];
const ROWS = 248;

async function tickOnly(page: Page, names: readonly string[]) {
  await page.getByRole('button', { name: 'None', exact: true }).click();
  for (const name of names) await page.getByRole('checkbox', { name: new RegExp(`^${name}(?![a-z])`) }).check();
}

/** The stage with some variables, once its panels are drawn. */
async function openScatterplots(page: Page, names: readonly string[] = CHEMISTRY, study = 'Aldermere streams') {
  await openCopy(page, study);
  await tickOnly(page, names);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Scatterplots', exact: true }).click();
  await drawn(page);
}

const figure = (page: Page) => page.getByRole('figure', { name: 'Scatterplot matrix' });
const drawn = (page: Page) => expect(figure(page)).toHaveAttribute('aria-busy', 'false');
const stage = (page: Page) => page.getByRole('region', { name: 'Scatterplots', exact: true });
const panel = (page: Page, row: string, column: string) => page.getByRole('gridcell', { name: new RegExp(`^${row} against ${column}`) });

async function choose(page: Page, part: RegExp, option: string) {
  await stage(page).getByRole('button', { name: part }).click();
  await page.getByRole('radio', { name: new RegExp(`^${option}`) }).click();
}

/** Drags across a panel, between places given in parts of its plotting area. */
async function drag(page: Page, row: string, column: string, places: readonly (readonly [number, number])[]) {
  const box = await panel(page, row, column).locator('div').boundingBox();
  if (!box) throw new Error('the panel is not there');
  const at = ([x, y]: readonly [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
  const [first, ...others] = places;
  if (!first) return;
  await page.mouse.move(...at(first));
  await page.mouse.down();
  for (const place of others) await page.mouse.move(...at(place), { steps: 4 });
  await page.mouse.up();
}

/** Coloured pixels of the canvas inside a panel, by a condition on red, green and blue. */
async function pixels(page: Page, row: string, column: string, kind: 'accent' | 'dark') {
  const cell = panel(page, row, column);
  return cell.evaluate((element, wanted) => {
    const canvas = element.closest('[data-scrolls]')?.querySelector('canvas');
    const context = canvas?.getContext('2d');
    const plot = element.querySelector('div')?.getBoundingClientRect();
    const sheet = canvas?.getBoundingClientRect();
    if (!canvas || !context || !plot || !sheet) return -1;
    const ratio = canvas.width / sheet.width;
    const { data } = context.getImageData((plot.x - sheet.x) * ratio, (plot.y - sheet.y) * ratio, plot.width * ratio, plot.height * ratio);
    let count = 0;
    for (let i = 0; i < data.length; i += 4) {
      const [r = 0, g = 0, b = 0] = [data[i], data[i + 1], data[i + 2]];
      if (wanted === 'accent' ? r > g + 40 && b > g + 40 : r < 120 && g < 120 && b < 120) count++;
    }
    return count;
  }, kind);
}

test('six variables: the curved pair is straight in ranks; then densities on the diagonal and coefficients above', async ({ page }) => {
  await openScatterplots(page);
  await expect(page.getByRole('gridcell')).toHaveCount(36);
  const { r, rho } = reference.nitrateByTaxa;
  const values = panel(page, 'mayfly taxa', 'nitrate');
  const ranks = panel(page, 'nitrate', 'mayfly taxa');
  await expect(values).toHaveAccessibleName(new RegExp(`: r ${written(r.coefficient)} \\[.*falling, curved`));
  await expect(ranks).toHaveAccessibleName(new RegExp(`, in ranks: ρ ${written(rho.coefficient)} \\[.*falling, about straight`));
  await expect(values).toContainText(`r ${written(r.coefficient)}`);
  await expect(ranks).toContainText(`ρ ${written(rho.coefficient)}`);
  expect(await pixels(page, 'mayfly taxa', 'nitrate', 'dark')).toBeGreaterThan(200);
  expect(await pixels(page, 'nitrate', 'mayfly taxa', 'dark')).toBeGreaterThan(200);
  const diagonal = page.getByRole('gridcell', { name: 'nitrate: its distribution' });
  await expect(diagonal.locator('[data-mark="histogram"]')).toHaveCount(1);
  await expect(page.getByTestId('methods-line')).toContainText(
    'Scatterplots of 6 variables in all 248 rows, all rows together, values below the diagonal, ranks above, histograms on it; Pearson’s r with 95 % intervals, every complete pair; nothing laid over, no jitter.',
  );

  await choose(page, /what is shown on the diagonal/, 'Densities');
  await expect(diagonal.locator('[data-mark="density"]')).toHaveCount(1);
  await whileSaving(page, () => choose(page, /what is shown above the diagonal/, 'Coefficients'));
  await expect(panel(page, 'nitrate', 'mayfly taxa')).toContainText(`${written(r.coefficient)}***`);
  await page.reload();
  await drawn(page);
  await expect(panel(page, 'nitrate', 'mayfly taxa')).toContainText(`${written(r.coefficient)}***`);
  await expect(page.getByTestId('methods-line')).toContainText('values below the diagonal, coefficients above, densities on it');
});

test('coloured by catchment, the pair whose sign reverses is visible, and the card says it', async ({ page }) => {
  await openScatterplots(page, ['canopy cover', 'phosphate', 'nitrate']);
  await choose(page, /whether groups are told apart/, 'Coloured by catchment');
  await choose(page, /what is shown above the diagonal/, 'Coefficients');
  const legend = page.getByRole('group', { name: 'Groups of catchment' });
  await expect(legend.getByRole('button', { pressed: true })).toHaveText(['Aster', 'Birk', 'Corrin', 'Dray']);
  const pair = panel(page, 'phosphate', 'canopy cover');
  await expect(pair).toHaveAccessibleName(
    /r \.30 .*the other way inside the groups; Aster −\.\d+; Birk −\.\d+; Corrin −\.\d+; Dray −\.\d+/,
  );
  await expect(panel(page, 'canopy cover', 'phosphate')).toContainText(/\.30\*\*\*−\.\d+/);
  await stage(page)
    .getByRole('button', { name: /what is laid over the points/ })
    .click();
  await page.getByRole('checkbox', { name: /^Line with its band/ }).check();
  await page.keyboard.press('Escape');
  await expect(pair.locator('[data-mark="line"]')).toHaveCount(4);

  // Hidden and isolated groups.
  await legend.getByRole('button', { name: 'Aster', exact: true }).click();
  await expect(pair.locator('[data-mark="line"]')).toHaveCount(3);
  await legend.getByRole('button', { name: 'Only Dray' }).click();
  await expect(pair.locator('[data-mark="line"]')).toHaveCount(1);
  await legend.getByRole('button', { name: 'show all' }).click();
  await expect(pair.locator('[data-mark="line"]')).toHaveCount(4);

  await pair.focus();
  await page.keyboard.press('Enter');
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await expect(card).toContainText('Inside every group the sign is the other one');
  // The pair is in the address: it is open again after a reload.
  await page.reload();
  await expect(card).toBeVisible();
});

test('the odd points: lassoed, r with and without them, set aside, taken back', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'mayfly taxa', 'phosphate']);
  const before = await pixels(page, 'phosphate', 'nitrate', 'accent');
  await page.getByRole('button', { name: 'Lasso' }).click();
  // Around the two rows with the most nitrate, far to the right.
  const { r } = reference.nitrateByTaxa;
  await drag(page, 'mayfly taxa', 'nitrate', [
    [0.68, 0.55],
    [0.99, 0.55],
    [0.99, 0.99],
    [0.68, 0.99],
    [0.68, 0.6],
  ]);
  const lit = page.getByRole('region', { name: 'Selected rows' });
  await expect(page.getByTestId('lit-count')).toHaveText('2 rows selected');
  const values = page.getByTestId('lit-values');
  await expect(values).toContainText(`r${written(r.coefficient, 3)} → −.`);
  await expect(values).toContainText('n248 → 246');
  const without = (await values.textContent())?.match(/r−\.\d+ → (−\.\d+)/)?.[1];
  // The same rows are lit in the other panels, whose coefficients follow.
  expect(await pixels(page, 'phosphate', 'nitrate', 'accent')).toBeGreaterThan(before);
  await expect(panel(page, 'phosphate', 'nitrate')).toContainText('→');

  await lit.getByRole('button', { name: 'Set aside …' }).click();
  await page.getByRole('button', { name: 'other population' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('246 of 248 rows in use');
  await drawn(page);
  await expect(lit).toBeHidden();
  await expect(panel(page, 'mayfly taxa', 'nitrate')).toHaveAccessibleName(/246 rows/);
  const aside = (await panel(page, 'mayfly taxa', 'nitrate').getAttribute('aria-label'))?.match(/r (−\.\d+)/)?.[1];
  expect(Number(aside?.replace('−', '-'))).toBeCloseTo(Number(without?.replace('−', '-')), 2);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('rows-in-use')).toContainText('248 rows, all in use');
  await expect(panel(page, 'mayfly taxa', 'nitrate')).toContainText(`r ${written(r.coefficient)}`);
});

test('several brushes add or narrow; the lit rows are used alone, kept as a variable, and shown among the rows', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'mayfly taxa', 'phosphate']);
  const count = page.getByTestId('lit-count');
  const number = async () => Number((await count.textContent())?.match(/^\d+/)?.[0]);
  await drag(page, 'mayfly taxa', 'nitrate', [
    [0.4, 0.02],
    [0.99, 0.99],
  ]);
  // The last step of the brush is the one that counts: two fifths of the way across, nitrate is about 5.5 mg/L, and 18 rows have more.
  await expect.poll(number).toBeGreaterThanOrEqual(15);
  await expect.poll(number).toBeLessThanOrEqual(20);
  const first = await number();
  await page.getByRole('button', { name: 'add', exact: true }).click();
  await drag(page, 'phosphate', 'nitrate', [
    [0.02, 0.02],
    [0.3, 0.5],
  ]);
  await expect.poll(number).toBeGreaterThan(first);
  await page.getByRole('button', { name: 'narrow', exact: true }).click();
  await drag(page, 'mayfly taxa', 'nitrate', [
    [0.4, 0.02],
    [0.99, 0.99],
  ]);
  await expect.poll(number).toBe(first);

  await page.getByRole('button', { name: 'Keep as a variable …' }).click();
  await page.getByLabel('Name of the variable').fill('much_nitrate');
  await page.getByLabel(/selected rows are called/).fill('much');
  await page.getByLabel('All others are called').fill('little');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('complementary', { name: 'Variables' })).toContainText('much nitrate2 categories');
  await choose(page, /whether groups are told apart/, 'Coloured by much nitrate');
  await expect(page.getByRole('group', { name: 'Groups of much nitrate' }).getByRole('button', { pressed: true })).toHaveText([
    'little',
    'much',
  ]);

  await page.getByRole('button', { name: 'Select by values …' }).click();
  await page.getByLabel('nitrate from').fill('4');
  await page.getByRole('button', { name: 'Select them' }).click();
  const chosen = await number();
  await page.getByRole('button', { name: 'Show among the rows' }).click();
  const rows = page.getByRole('region', { name: 'Selected rows' });
  await expect(rows).toContainText(`${chosen} rows selected`);
  await page.goBack();
  await drawn(page);
  await page.getByRole('button', { name: 'Select by values …' }).click();
  await page.getByLabel('nitrate from').fill('4');
  await page.getByRole('button', { name: 'Select them' }).click();
  await page.getByRole('button', { name: 'Use only these' }).click();
  const dialog = page.getByRole('dialog');
  await expect(page.getByTestId('rows-in-use').getByText(`of 248`).or(dialog.getByText('too scattered'))).toBeVisible();
  if (await dialog.isVisible()) await dialog.getByRole('button', { name: 'Keep and use only these' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText(`${chosen} of 248 rows in use`);
});

test('the figure as SVG: as many panels, points and lines as on screen; as PNG in the size asked for', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'phosphate', 'mayfly taxa']);
  await stage(page)
    .getByRole('button', { name: /what is laid over the points/ })
    .click();
  await page.getByRole('checkbox', { name: /^Ellipse/ }).check();
  await page.keyboard.press('Escape');
  await stage(page).getByRole('button', { name: 'Export …' }).click();
  await expect(page.getByAltText('The figure as it will be')).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Width' }).fill('120');
  await expect(page.getByTestId('figure-caption')).toContainText('Scatterplots of 3 variables in all 248 rows');
  await expect(page.getByTestId('figure-caption')).toContainText('Ellipses would hold 95 % of the cases if jointly normal.');
  const save = async (format: string) => {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: `Save ${format}` }).click()]);
    return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
  };
  const svg = await save('SVG');
  expect(svg.name).toMatch(/scatterplots\.svg$/);
  const found = await page.evaluate((text) => {
    const parsed = new DOMParser().parseFromString(text, 'image/svg+xml');
    const points = [...parsed.querySelectorAll('[data-panel] [data-part="points"]')].map((group) => group.children.length);
    return {
      error: parsed.querySelector('parsererror')?.textContent ?? null,
      width: parsed.documentElement.getAttribute('width'),
      panels: [...parsed.querySelectorAll('[data-panel]')].map((item) => item.getAttribute('data-panel')),
      points,
      ellipses: parsed.querySelectorAll('[data-mark="ellipse"]').length,
      histograms: parsed.querySelectorAll('[data-mark="histogram"]').length,
      description: parsed.querySelector('desc')?.textContent,
    };
  }, svg.bytes.toString('utf8'));
  expect(found.error).toBeNull();
  expect(found.width).toBe('120mm');
  expect(found.panels.filter((half) => half === 'diagonal')).toHaveLength(3);
  expect(found.panels.filter((half) => half === 'below')).toHaveLength(3);
  expect(found.panels.filter((half) => half === 'above')).toHaveLength(3);
  // Three rows lack phosphate: the pairs with it have 245 points, in values and in ranks.
  expect(found.points.toSorted()).toEqual([ROWS - 3, ROWS - 3, ROWS - 3, ROWS - 3, ROWS, ROWS]);
  expect([found.ellipses, found.histograms]).toEqual([3, 3]);
  expect(found.description).toContain('Scatterplots of 3 variables');

  const png = await save('PNG');
  expect(png.bytes.subarray(1, 4).toString('latin1')).toBe('PNG');
  expect(png.bytes.readUInt32BE(16)).toBe(Math.round((120 / 25.4) * 300));
  // Its resolution is written in it: 300 dots per inch are 11,811 a metre.
  expect(png.bytes.readUInt32BE(png.bytes.indexOf('pHYs') + 4)).toBe(11_811);
  const drawn = await page.evaluate(comparePictures, { svg: svg.bytes.toString('base64'), png: png.bytes.toString('base64') });
  expect(drawn.size).toEqual([png.bytes.readUInt32BE(16), png.bytes.readUInt32BE(20)]);
  // Some ink on white, and what is dark in the one is dark in the other, beside the edges of letters set in another font.
  expect(drawn.ink).toBeGreaterThan(0.01);
  expect(drawn.ink).toBeLessThan(0.5);
  expect(drawn.agreement).toBeGreaterThan(0.85);
  expect(drawn.agreementMirrored).toBeLessThan(0.5);
});

test('an outlying value squeezes the rest: zoomed to the bulk, it is marked at the edge; the row is named under the pointer', async ({
  page,
}) => {
  await openScatterplots(page, ['ph', 'nitrate']);
  await page.getByRole('button', { name: /1 axis squeezed by outlying values/ }).click();
  await page.getByRole('checkbox', { name: 'Zoom ph to the bulk' }).check();
  await expect(page.getByText('74', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /1 axis zoomed to the bulk/ })).toBeVisible();
  const plot = panel(page, 'nitrate', 'ph').locator('div');
  const box = await plot.boundingBox();
  // The slipped value is at the right edge; its row is found there and named with the value it has.
  const under = async () => (await page.getByTestId('row-under-pointer').allTextContents())[0] ?? '';
  const find = async () => {
    for (let y = 4; y < (box?.height ?? 0); y += 8) {
      await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) - 3, (box?.y ?? 0) + y);
      await page.waitForTimeout(40);
      if (!(await under()).includes('ph 74')) continue;
      // What is said may be of the place before: it has to stay so.
      await page.waitForTimeout(250);
      const text = await under();
      if (text.includes('ph 74')) return text;
    }
    return '';
  };
  await expect.poll(find).toMatch(/row \d+ \([A-Z]+-\d+\): ph 74, nitrate/);
  // The key sets the row under the pointer aside.
  await page.keyboard.press('a');
  await expect(page.getByTestId('lit-count')).toHaveText('1 row selected');
  await page.getByRole('button', { name: 'misread' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('247 of 248 rows in use');
});

test('outcomes against predictors; the figure in words', async ({ page }) => {
  await openScatterplots(page);
  await page.getByRole('button', { name: 'Outcomes × predictors' }).click();
  await drawn(page);
  await expect(page.getByRole('gridcell')).toHaveCount(2);
  await expect(page.getByTestId('methods-line')).toContainText('1 outcome against 2 predictors');
  await page.getByRole('button', { name: 'Show as table' }).click();
  const table = page.getByRole('table', { name: 'Pairs in words' });
  const { r, rho } = reference.nitrateByTaxa;
  await expect(table.getByRole('row', { name: /^mayfly taxa × nitrate/ })).toContainText(
    `${written(r.coefficient, 3)}[−.70, −.55]< .001${written(rho.coefficient, 3)}248falling, curved`,
  );
  await page.reload();
  await expect(table).toBeVisible();
});

test('one large pair: margins, equation, a third variable, names beside points; axes swapped', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'mayfly taxa', 'phosphate']);
  await page.getByRole('button', { name: 'One pair' }).click();
  await choose(page, /the variable upwards/, 'mayfly taxa');
  const plot = page.getByRole('img', { name: /^Scatterplot of mayfly taxa, count against nitrate, mg\/L, 248 points/ });
  await expect(plot.locator('[data-place]')).toHaveCount(ROWS);
  await expect(plot.locator('[data-part="margin"]')).toHaveCount(2);
  await stage(page)
    .getByRole('button', { name: /margins and equation/ })
    .click();
  await page.getByRole('checkbox', { name: /^Equation of the line/ }).check();
  await page.keyboard.press('Escape');
  const { line } = reference;
  const { r } = reference.nitrateByTaxa;
  await expect(plot.locator('[data-part="equation"]')).toHaveText(
    new RegExp(
      `mayfly taxa = ${line.intercept.value.toFixed(2)} − ${Math.abs(line.slope.value).toFixed(3)} · nitrate, r² = ${written(r.coefficient ** 2)}`,
    ),
  );
  await choose(page, /a third variable/, 'Sized by phosphate');
  await expect(page.getByText('phosphate, µg/L:')).toBeVisible();
  await choose(page, /a third variable/, 'Coloured by catchment');
  await expect(page.getByRole('list', { name: 'Groups of catchment' }).getByRole('listitem')).toHaveText([
    /Aster/,
    /Birk/,
    /Corrin/,
    /Dray/,
  ]);
  await page.getByLabel('Name row').fill('12');
  await whileSaving(page, () => page.getByRole('button', { name: 'Name', exact: true }).click());
  await expect(plot.locator('[data-part="label"]')).toHaveText(/^[A-Z]+-\d+$/);
  await page.getByRole('button', { name: 'Swap axes' }).click();
  await expect(page.getByRole('img', { name: /^Scatterplot of nitrate, mg\/L against mayfly taxa, count/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: /^Scatterplot of nitrate/ }).locator('[data-part="label"]')).toHaveCount(1);
});

test('panels are reached by keys', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'mayfly taxa', 'phosphate']);
  await panel(page, 'phosphate', 'nitrate')
    .or(panel(page, 'mayfly taxa', 'nitrate'))
    .first()
    .focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Control+Home');
  await expect(page.getByRole('gridcell', { name: 'nitrate: its distribution' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toBeHidden();
});

test('printed, the sentence and all panels stand alone; in a narrow window the panels follow', async ({ page }) => {
  await openScatterplots(page, ['nitrate', 'mayfly taxa', 'phosphate']);
  const before = await panel(page, 'mayfly taxa', 'nitrate').boundingBox();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('complementary', { name: 'Variables' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Export …' })).toBeHidden();
  await expect(page.getByTestId('methods-line')).toBeVisible();
  await expect(page.getByRole('gridcell')).toHaveCount(9);
  await page.emulateMedia({ media: null });
  await page.setViewportSize({ width: 1024, height: 700 });
  await expect.poll(async () => (await panel(page, 'mayfly taxa', 'nitrate').boundingBox())?.width).toBeLessThan(before?.width ?? 0);
  await drawn(page);
  expect(await pixels(page, 'mayfly taxa', 'nitrate', 'dark')).toBeGreaterThan(200);
});

/** Decodes both files: how much of the PNG is ink, and what share of the ink of either lies where the other has some, within a pixel or two. */
async function comparePictures(files: { svg: string; png: string }) {
  const decode = async (type: string, base64: string) => {
    const image = new Image();
    image.src = `data:${type};base64,${base64}`;
    await image.decode();
    return image;
  };
  const [png, svg] = [await decode('image/png', files.png), await decode('image/svg+xml', files.svg)];
  const [width, height] = [png.naturalWidth, png.naturalHeight];
  const inkOf = (image: HTMLImageElement) => {
    const context = Object.assign(document.createElement('canvas'), { width, height }).getContext('2d');
    if (!context) throw new Error('no canvas');
    context.drawImage(image, 0, 0, width, height);
    const { data } = context.getImageData(0, 0, width, height);
    return Uint8Array.from({ length: width * height }, (_, i) => Number((data[i * 4 + 1] ?? 0) < 200 && (data[i * 4 + 3] ?? 0) > 127));
  };
  const [one, other] = [inkOf(png), inkOf(svg)];
  const near = (ink: Uint8Array, x: number, y: number) => {
    for (let dy = -2; dy <= 2; dy++) for (let dx = -2; dx <= 2; dx++) if (ink[(y + dy) * width + x + dx]) return true;
    return false;
  };
  const share = (of: Uint8Array, at: (x: number) => number) => {
    let [all, met] = [0, 0];
    for (let i = 0; i < of.length; i++) {
      if (!of[i]) continue;
      all++;
      if (near(other, at(i % width), Math.floor(i / width))) met++;
    }
    return met / all;
  };
  return {
    size: [width, height],
    ink: one.reduce((sum, value) => sum + value, 0) / one.length,
    agreement: share(one, (x) => x),
    agreementMirrored: share(one, (x) => width - 1 - x),
  };
}
