import { type ShapeResult, type ShapeSettings, shapeResultSchema, shapeSettingsSchema, type VariableDescription } from '@ivlen/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ruleInWords } from '../src/settings/shape-rule-in-words';
import { markedAmong } from '../src/settings/use-shape-marks';
import { ShapeStage } from '../src/stages/shape/shape-stage';
import { sorted, verdictOf } from '../src/stages/shape/strips/shape-columns';
import { serve, show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const settings: ShapeSettings = shapeSettingsSchema.parse({});
const test = { statistic: 0.95, pValue: 0.2, log10P: -0.7, undefinedBecause: null };

function shape(variable: string, part: Partial<ShapeResult['description']> = {}, pValue = 0.2): ShapeResult {
  const named = { ...test, pValue, log10P: Math.log10(pValue) };
  return shapeResultSchema.parse({
    kind: 'shape',
    variable,
    description: {
      n: 40,
      missing: 0,
      distinct: 40,
      mean: 5,
      sd: 1,
      median: 5,
      min: 1,
      max: 9,
      q1: 4,
      q3: 6,
      skewness: 0.1,
      skewnessSe: 0.37,
      excessKurtosis: 0.2,
      excessKurtosisSe: 0.73,
      ...part,
    },
    histogram: { edges: [1, 5, 9], counts: [18, 22] },
    density: { x: [1, 5, 9], y: [0.05, 0.2, 0.05] },
    box: { whiskers: [1.5, 8], outside: [{ row: 17, value: 9, far: true }], more: 0 },
    quantiles: {
      theoretical: [-1, 0, 1],
      sample: [-1, 0, 3],
      low: [-2, -1, 0],
      high: [0, 1, 2],
      rows: [3, 8, 17],
      outside: 1,
      pattern: 'outlier-high',
    },
    tests: { 'shapiro-wilk': named, 'anderson-darling': named, lilliefors: named, 'dagostino-pearson': named, 'jarque-bera': named },
  });
}

const shapes: Record<string, ShapeResult> = {
  v1: shape('v1', { skewness: 3.2, excessKurtosis: 14 }, 1e-9),
  v2: shape('v2', { skewness: -0.4 }),
  v3: shape('v3', { n: 6000, skewness: 0.9 }, 1e-4),
};

let sent: ReturnType<typeof serve>;
beforeEach(() => {
  sent = serve({
    'GET /settings/working-set': { version: 0, settings: null },
    'GET /settings/shape': { version: 0, settings: null },
    'GET /settings/grouping': { version: 0, settings: null },
    'PUT /settings/shape': ({ settings: saved }: { settings: object }) => ({ version: 1, settings: saved }),
    'POST /analyses': ({ analysis }: { analysis: { variable: string } }) => shapes[analysis.variable] ?? {},
    'POST /changes': { ...study, head: 2 },
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('the strips', () => {
  it('show each variable with its numbers and a verdict that follows rule and test', async () => {
    show(<ShapeStage study={study} />);
    const table = within(await screen.findByRole('table', { name: 'Shape of 3 variables' }));
    const nitrate = await table.findByRole('row', { name: /^nitrate/ });
    await waitFor(() => expect(nitrate.textContent).toContain('skewed to the right and heavy-tailed'));
    expect(nitrate.textContent).toContain('3.20SE 0.37');
    expect(nitrate.textContent).toContain('W .950p < .001');
    expect(table.getByRole('row', { name: /^phosphate/ }).textContent).toContain('no departure detected');
    expect(table.getByRole('row', { name: /^mayfly taxa/ }).textContent).toContain('mild; at this n the test rejects even trifles');
    expect(table.getByRole('img', { name: /^Histogram of nitrate: from 1.00 to 9.00.*1 outside the fences/ })).toBeTruthy();
    expect(screen.getByTestId('methods-line').textContent).toBe(
      'Shape of 3 variables in all 40 rows, all rows together; marked beyond skewness 2 or excess kurtosis 7; Shapiro–Wilk at .05.',
    );
  });

  it('change rule and test without computing anything', async () => {
    const { user } = show(<ShapeStage study={study} />);
    await screen.findByText('no departure detected');
    const computed = sent.filter(({ what }) => what === 'POST /analyses').length;
    await user.click(screen.getByRole('button', { name: /change the rule/ }));
    await user.type(screen.getByLabelText('Limit of skewness'), '0,3');
    await user.type(screen.getByLabelText('Limit of excess kurtosis'), '20{Enter}');
    expect(await screen.findByText('skewed to the left, though the test does not reject')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: /change the test/ }));
    await user.click(screen.getByRole('radio', { name: /^No test/ }));
    expect(await screen.findByText('skewed to the left')).toBeTruthy();
    expect(screen.getByTestId('methods-line').textContent).toContain('marked beyond skewness 0.3 or excess kurtosis 20; no test.');
    expect(sent.filter(({ what }) => what === 'POST /analyses')).toHaveLength(computed);
    await user.click(screen.getByRole('button', { name: /change the rule/ }));
    await user.type(screen.getByLabelText('Limit of skewness'), '-1{Enter}');
    expect(screen.getByRole('alert').textContent).toBe('Write two numbers above 0, such as 2 and 9.');
  });

  it('are ordered by a figure, larger ones first, and keep the order in the address', async () => {
    const { user, router } = show(<ShapeStage study={study} />);
    await screen.findByText('no departure detected');
    const names = () =>
      screen.getAllByRole('rowheader').map((row) =>
        within(row)
          .getByRole('button')
          .textContent?.replace(/n [\d,]+$/, ''),
      );
    await user.click(screen.getByRole('button', { name: 'skewness' }));
    await waitFor(() => expect(names()).toEqual(['nitrate', 'mayfly taxa', 'phosphate']));
    expect(router.state.location.search).toBe('?sort=-skewness');
    expect(screen.getByText('1 of the 3 variables is marked by the rule.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'skewness' }));
    await user.click(screen.getByRole('button', { name: 'skewness' }));
    expect(router.state.location.search).toBe('');
  });

  it('open to the plots large, what they mean, and outliers to be set aside', async () => {
    const { user } = show(<ShapeStage study={study} />);
    await user.click(await screen.findByRole('button', { name: /^nitrate/ }));
    const open = within(await screen.findByRole('region', { name: 'Shape of nitrate' }));
    expect(open.getByText(/^One value lies far above the others/)).toBeTruthy();
    expect(open.getByText(/^One point outside the band/)).toBeTruthy();
    expect(open.getByRole('img', { name: 'Box plot of nitrate' })).toBeTruthy();
    await user.click(open.getByRole('button', { name: 'Set row 17 aside' }));
    await user.type(screen.getByLabelText('Another reason'), 'logger was dry{Enter}');
    await waitFor(() =>
      expect(sent.find(({ what }) => what === 'POST /changes')?.body).toMatchObject({
        change: { type: 'set-aside', choice: { rows: [[17, 17]] }, because: 'logger was dry' },
      }),
    );
  });
});

it('lines without a figure come last, whatever the order', () => {
  const lines = study.state.variables.map((variable) => ({
    subject: { variable, group: null },
    shape: variable.id === 'v2' ? undefined : shapes[variable.id],
  }));
  const order = (descending: boolean) =>
    sorted(lines, { column: 'skewness', descending }, 'lilliefors').map(({ subject }) => subject.variable.id);
  expect(order(true)).toEqual(['v1', 'v3', 'v2']);
  expect(order(false)).toEqual(['v3', 'v1', 'v2']);
  expect(sorted(lines, { column: 'name', descending: true }, null).map(({ subject }) => subject.variable.name)).toEqual([
    'phosphate',
    'nitrate',
    'mayfly_taxa',
  ]);
  expect(sorted(lines, null, null)).toBe(lines);
});

it('rules are said in words', () => {
  expect(ruleInWords({ kind: 'standard-errors', limit: 1.96 })).toBe('1.96 standard errors of skewness or kurtosis');
  expect(verdictOf(shapes.v1 as ShapeResult, { ...settings, rule: { kind: 'standard-errors', limit: 1.96 } }).marked).toBe(true);
});

it('what the rule marks is known to the other stages', () => {
  const description = { ...shapes.v1?.description, id: 'v1', se: 0.1, variance: 1, range: 8, bins: [] } as VariableDescription;
  const limits = { kind: 'limits', skewness: 2, excessKurtosis: 7 } as const;
  expect([...markedAmong([description, { ...description, id: 'v2', skewness: 1, excessKurtosis: null }], limits)]).toEqual([
    ['v1', 'skewed to the right and heavy-tailed'],
  ]);
});
