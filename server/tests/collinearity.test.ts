import { readFileSync } from 'node:fs';
import {
  collinearityResultSchema,
  completeRowsResultSchema,
  importPreviewSchema,
  type RegressionResult,
  regressionResultSchema,
  type Study,
  studyListItemSchema,
  studySchema,
} from '@ivlen/contract';
import { type ModelTriangle, modelFromTriangle, termInflation, varianceInflation } from '@ivlen/core';
import { loadDemo } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, it, test } from 'vitest';
import { z } from 'zod';
import { bytesOf, openTestApplication, type TestApplication } from './test-application';

interface Model {
  n: number;
  df: number;
  coefficients: number[];
  se: number[];
  t: number[];
  p: number[];
  low: number[];
  r2: number;
  f: number;
  fP: number;
  cooks: number[];
  leverage: number[];
  studentized: number[];
  breuschPagan: { predictors: [number, number]; fitted: [number, number] };
}
/** Computed outside by reference/generate.py with mpmath, numpy and statsmodels. */
const reference = JSON.parse(readFileSync('reference/collinear.json', 'utf8')) as {
  longley: { names: string[]; y: number[]; xs: number[][]; vif: number[]; cooks: number[] };
  duncan: {
    type: string[];
    income: number[];
    education: number[];
    prestige: number[];
    adjustedGvif: Record<string, number[]>;
    model: Model;
  };
  kilns: { fuel: string[]; columns: Record<string, number[]>; strength: number[]; vif: number[]; model: Model };
  survey: { outcome: string; predictors: string[]; vif: number[]; model: Model };
};
/** NIST StRD; core/tests holds them equal to its own. */
const certified = JSON.parse(readFileSync('reference/certified-regressions.json', 'utf8')) as {
  sets: {
    name: string;
    y: number[];
    xs: number[][];
    coefficients: number[];
    se: number[];
    residualSd: number;
    r2: number;
    digits: number;
  }[];
};

let app: TestApplication;
let survey: Study;
beforeAll(async () => {
  app = await openTestApplication();
  await loadDemo(app.database, 'samples');
  const studies = await app.ask(z.array(studyListItemSchema), 'GET', '/studies');
  survey = await app.ask(studySchema, 'GET', `/studies/${studies.find(({ name }) => name === 'Aldermere streams')?.id}`);
});
afterAll(() => app.close());

const id = (name: string, study = survey) => study.state.variables.find((variable) => variable.name === name)?.id ?? '';
const ask = <S extends z.ZodType>(schema: S, analysis: object, study = survey) =>
  app.ask(schema, 'POST', `/studies/${study.id}/analyses`, { revision: study.head, analysis });
const quantities = (names: readonly string[], study = survey) => names.map((name) => ({ variable: id(name, study), as: 'quantity' }));
const near = (got: number | null | undefined, wanted: number | undefined, tolerance = 1e-9) =>
  expect(
    Math.abs((got ?? Number.NaN) - (wanted ?? Number.NaN)) / Math.max(1e-12, Math.abs(wanted ?? 1)),
    `${got} for ${wanted}`,
  ).toBeLessThan(tolerance);

async function studyFrom(name: string, table: Record<string, readonly (string | number)[]>): Promise<Study> {
  const names = Object.keys(table);
  const rows = (table[names[0] ?? ''] ?? []).map((_, i) => names.map((column) => table[column]?.[i] ?? '').join(','));
  const preview = await app.ask(
    importPreviewSchema,
    'POST',
    `/imports?name=${encodeURIComponent(name)}.csv`,
    bytesOf([names.join(','), ...rows].join('\n')),
  );
  const { id: study } = await app.ask(z.object({ id: z.string() }), 'POST', '/studies', { importId: preview.id, name });
  let made = await app.ask(studySchema, 'GET', `/studies/${study}`);
  // Whole numbers that all differ are taken for an identifier.
  for (const { id: variable, kind, storage } of made.state.variables) {
    if (kind !== 'identifier') continue;
    const change = { type: 'edit-variable', variable, patch: { kind: storage === 'number' ? 'continuous' : 'nominal' } };
    made = await app.ask(studySchema, 'POST', `/studies/${study}/changes`, { expectedHead: made.head, change });
  }
  return made;
}

/** The triangle as the core has it. */
function triangleOf(result: z.infer<typeof collinearityResultSchema>): ModelTriangle {
  const size = result.measured.length;
  const triangle = new Float64Array(size * size);
  let at = 0;
  for (let i = 0; i < size; i++) for (let j = i; j < size; j++) triangle[i * size + j] = result.triangle[at++] ?? Number.NaN;
  const of = (field: 'mean' | 'length' | 'tolerance') => Float64Array.from(result.measured, (column) => column[field]);
  return {
    n: result.n,
    triangle,
    lengths: of('length'),
    means: of('mean'),
    tolerances: of('tolerance'),
    predictors: result.columns.length,
    hasOutcome: size > result.columns.length,
  };
}
const estimates = ({ model }: RegressionResult) => [model.intercept, ...model.coefficients];
function expectModel(result: RegressionResult, wanted: Model, tolerance = 1e-9) {
  const { model } = result;
  expect([model.n, model.dfResidual]).toEqual([wanted.n, wanted.df]);
  for (const [got, value] of [
    [model.r2, wanted.r2],
    [model.f, wanted.f],
  ] as const)
    near(got, value, tolerance);
  expect(Math.abs((model.pValue ?? 1) - wanted.fP)).toBeLessThan(1e-9);
  estimates(result).forEach((term, k) => {
    near(term.value, wanted.coefficients[k], tolerance);
    near(term.se, wanted.se[k], tolerance);
    near(term.low, wanted.low[k], 1e-7);
    expect(Math.abs((term.pValue ?? 1) - (wanted.p[k] ?? 0))).toBeLessThan(1e-9);
  });
}

describe('the survey', () => {
  const { predictors, outcome, vif, model } = reference.survey;
  it('inflation from the triangle, and the regression whole, are as computed outside', async () => {
    const found = await ask(collinearityResultSchema, {
      kind: 'collinearity',
      predictors: quantities(predictors),
      outcome: id(outcome),
    });
    expect([found.n, found.rowsInUse, found.outcomeValues]).toEqual([248, 248, 3]);
    const terms = found.terms.map(({ columns }) => columns);
    termInflation(triangleOf(found), terms).forEach(({ gvif }, k) => void near(gvif, vif[k]));
    near(modelFromTriangle(triangleOf(found), terms.flat()).r2, model.r2);
    const whole = await ask(regressionResultSchema, {
      kind: 'regression',
      predictors: quantities(predictors),
      outcome: id(outcome),
      level: 0.95,
    });
    expectModel(whole, model, 1e-8);
    near(whole.breuschPagan.predictors.statistic ?? 0, model.breuschPagan.predictors[0], 1e-7);
    near(whole.breuschPagan.fitted.statistic ?? 0, model.breuschPagan.fitted[0], 1e-7);
    expect([whole.breuschPagan.predictors.df, whole.breuschPagan.fitted.df]).toEqual([5, 1]);
    const order = [...model.cooks.keys()].sort((a, b) => (model.cooks[b] ?? 0) - (model.cooks[a] ?? 0));
    expect(whole.influential.map(({ row }) => row)).toEqual(order.slice(0, 12).map((row) => row + 1));
    const [first] = whole.influential;
    near(first?.cooksDistance, model.cooks[order[0] ?? 0], 1e-7);
    near(first?.leverage, model.leverage[order[0] ?? 0], 1e-7);
    near(first?.studentized, model.studentized[order[0] ?? 0], 1e-7);
    expect(first?.name).toMatch(/^[A-Z]{2}-\d{3}/);
    expect([whole.points.length, whole.quantiles.sample.length]).toEqual([248, 248]);
  });

  it('a row tried without is gone from every number, by its number in the table', async () => {
    const request = { kind: 'regression', predictors: quantities(predictors), outcome: id(outcome), level: 0.95 };
    const all = await ask(regressionResultSchema, request);
    const row = all.influential[0]?.row ?? 0;
    const without = await ask(regressionResultSchema, { ...request, without: [row] });
    expect(without.model.n).toBe(247);
    expect(without.influential.map((item) => item.row)).not.toContain(row);
    expect(without.model.r2).not.toBe(all.model.r2);
  });

  it('rows complete for all that were chosen stay the rows of fewer predictors', async () => {
    const chosen = ['canopy_cover', 'chlorophyll', 'phosphate'];
    const costly = await ask(collinearityResultSchema, { kind: 'collinearity', predictors: quantities(chosen) });
    const { counts } = await ask(completeRowsResultSchema, {
      kind: 'complete-rows',
      sets: [chosen.map((name) => id(name)), [id('canopy_cover'), id('phosphate')], []],
    });
    expect(counts[0]).toBe(costly.n);
    expect(costly.costs.find(({ variable }) => variable === id('chlorophyll'))).toMatchObject({ missing: 9, without: counts[1] });
    expect(counts[2]).toBe(248);
    const kept = await ask(regressionResultSchema, {
      kind: 'regression',
      predictors: quantities(['canopy_cover', 'phosphate']),
      outcome: id('mayfly_taxa'),
      level: 0.95,
      rows: { completeFor: chosen.map((name) => id(name)) },
    });
    expect(kept.model.n).toBe(costly.n);
  });
});

describe('levels', () => {
  it('Duncan: the same inflation whatever the reference level; the most frequent unless one is chosen', async () => {
    const { duncan } = reference;
    const study = await studyFrom('occupations', {
      type: duncan.type.map((type) => ({ p: 'professional', w: 'white', b: 'blue' })[type] ?? ''),
      income: duncan.income,
      education: duncan.education,
      prestige: duncan.prestige,
    });
    const request = (reference: number | null) => ({
      predictors: [...quantities(['income', 'education'], study), { variable: id('type', study), as: 'levels', reference }],
      outcome: id('prestige', study),
    });
    const found = await ask(collinearityResultSchema, { kind: 'collinearity', ...request(null) }, study);
    const [, , type] = found.terms;
    expect([type?.columns, type?.levels.map(({ rows }) => rows).sort((a, b) => a - b)]).toEqual([
      [2, 3],
      [6, 18, 21],
    ]);
    expect(type?.levels.find(({ value }) => value === type.reference)?.rows).toBe(21);
    for (const level of type?.levels ?? []) {
      const again = await ask(collinearityResultSchema, { kind: 'collinearity', ...request(level.value) }, study);
      expect(again.terms[2]?.reference).toBe(level.value);
      const terms = again.terms.map(({ columns }) => columns);
      termInflation(triangleOf(again), terms).forEach(({ adjusted }, k) => void near(adjusted, duncan.adjustedGvif.b?.[k]));
    }
    const whole = await ask(regressionResultSchema, { kind: 'regression', ...request(null), level: 0.95 }, study);
    near(whole.model.r2, duncan.model.r2);
    near(whole.model.coefficients[0]?.value, duncan.model.coefficients[1]);
    near(whole.model.coefficients[0]?.se, duncan.model.se[1]);
    expect(whole.model.coefficients[2]?.level).toBe(type?.levels.find(({ value }) => value !== type.reference)?.value);
  });

  it('a level with one row: the row is named and has no distance', async () => {
    const study = await studyFrom('one of a kind', {
      bed: ['clay', ...Array.from({ length: 24 }, (_, i) => (i % 2 === 0 ? 'gravel' : 'sand'))],
      depth: Array.from({ length: 25 }, (_, i) => 10 + ((i * 7) % 11)),
      taxa: Array.from({ length: 25 }, (_, i) => 3 + ((i * 5) % 13)),
    });
    const whole = await ask(
      regressionResultSchema,
      {
        kind: 'regression',
        predictors: [...quantities(['depth'], study), { variable: id('bed', study), as: 'levels' }],
        outcome: id('taxa', study),
        level: 0.95,
      },
      study,
    );
    expect(whole.alone).toEqual([expect.objectContaining({ row: 1, cooksDistance: null, studentized: null })]);
    expect(whole.influential).toHaveLength(12);
    expect(whole.influential.map(({ row }) => row)).not.toContain(1);
    expect(whole.model.because).toBeNull();
  });

  it('more levels than can be told apart, and what has none, are refused in words', async () => {
    const refused = async (predictors: object[], outcome: string | null = null) => {
      const body = { revision: survey.head, analysis: { kind: 'collinearity', predictors, outcome } };
      const response = await app.send('POST', `/studies/${survey.id}/analyses`, body);
      return { status: response.status, ...((await response.json()) as { error: { code: string; message: string } }).error };
    };
    expect(await refused([{ variable: id('station'), as: 'levels' }])).toMatchObject({ code: 'no-levels' });
    expect(await refused([{ variable: id('catchment'), as: 'quantity' }])).toMatchObject({ code: 'cannot-be-correlated' });
    expect(await refused(quantities(['ph', 'ph']))).toMatchObject({
      code: 'predictor-twice',
      message: 'ph stands among the predictors twice.',
    });
    expect(await refused(quantities(['ph', 'nitrate']), id('ph'))).toMatchObject({ code: 'outcome-among-predictors' });
    expect((await refused([])).status).toBe(422);
  });
});

describe('more than can be told apart', () => {
  it('is refused before it is computed, and says where', async () => {
    const levels = (count: number, step: number) => Array.from({ length: 60 }, (_, i) => `l${(i * step) % count}`);
    const wide = Object.fromEntries(Array.from({ length: 9 }, (_, k) => [`f${k}`, levels(29, k + 2)]));
    const study = await studyFrom('levels', { many: levels(31, 1), ...wide });
    const failure = async (names: readonly string[]) => {
      const predictors = names.map((name) => ({ variable: id(name, study), as: 'levels' }));
      const body = { revision: study.head, analysis: { kind: 'collinearity', predictors } };
      return (await (await app.send('POST', `/studies/${study.id}/analyses`, body)).json()) as { error: object };
    };
    expect((await failure(['many'])).error).toMatchObject({ code: 'too-many-groups', where: id('many', study) });
    expect((await failure(Object.keys(wide))).error).toMatchObject({ code: 'too-many-columns' });
  });
});

describe('a hundred predictors', () => {
  it('are looked at together, each as from the columns themselves', async () => {
    const names = Array.from({ length: 100 }, (_, k) => `x${k}`);
    const value = (i: number, k: number) => Math.sin((k + 1) * (i + 1) * 1.37) + (k % 10 === 3 ? Math.sin(k * (i + 1) * 1.37) : 0);
    const table = Object.fromEntries(names.map((name, k) => [name, Array.from({ length: 260 }, (_, i) => Number(value(i, k).toFixed(6)))]));
    const study = await studyFrom('hundred', table);
    const found = await ask(collinearityResultSchema, { kind: 'collinearity', predictors: quantities(names, study) }, study);
    expect([found.n, found.columns.length, found.triangle.length]).toEqual([260, 100, 5050]);
    const terms = found.terms.map(({ columns }) => columns);
    const { vif } = varianceInflation(names.map((name) => Float64Array.from(table[name] ?? [])));
    termInflation(triangleOf(found), terms).forEach(({ gvif }, k) => void near(gvif, vif[k]));
    expect(Math.max(...vif)).toBeGreaterThan(3);
  });
});

describe('edges', () => {
  it('kilns: F, coefficients and inflation of four predictors', async () => {
    const { kilns } = reference;
    const study = await studyFrom('kilns', { fuel: kilns.fuel, ...kilns.columns, strength: kilns.strength });
    const names = Object.keys(kilns.columns);
    const found = await ask(collinearityResultSchema, { kind: 'collinearity', predictors: quantities(names, study) }, study);
    termInflation(
      triangleOf(found),
      found.terms.map(({ columns }) => columns),
    ).forEach(({ gvif }, k) => void near(gvif, kilns.vif[k]));
    const whole = await ask(
      regressionResultSchema,
      { kind: 'regression', predictors: quantities(names, study), outcome: id('strength', study), level: 0.95 },
      study,
    );
    expectModel(whole, kilns.model);
  });

  it('constant, empty and too few: numbers where there are some, the reason where not', async () => {
    const study = await studyFrom('small', {
      a: [1, 2, 3, 4, 5, ''],
      b: [2, 2, 2, 2, 2, 2],
      c: [1, '', 2, 3, 5, 8],
      d: [5, 1, 4, 2, 2, 9],
      one: ['x', 'x', 'x', 'x', 'x', 'y'],
    });
    const names = ['a', 'c', 'd'];
    const found = await ask(collinearityResultSchema, { kind: 'collinearity', predictors: quantities(names, study) }, study);
    expect([found.n, found.costs.map(({ without }) => without)]).toEqual([4, [5, 5, 4]]);
    const whole = await ask(
      regressionResultSchema,
      { kind: 'regression', predictors: quantities(['a', 'c', 'd'], study), outcome: id('b', study), level: 0.95 },
      study,
    );
    expect([whole.model.because, whole.points, whole.model.r2]).toEqual(['too-few-cases', [], null]);
    const flat = await ask(
      regressionResultSchema,
      { kind: 'regression', predictors: quantities(['d'], study), outcome: id('b', study), level: 0.95 },
      study,
    );
    expect([flat.model.because, flat.influential]).toEqual(['constant-outcome', []]);
    const constant = await ask(
      collinearityResultSchema,
      { kind: 'collinearity', predictors: quantities(['b', 'd'], study), outcome: id('a', study) },
      study,
    );
    expect(constant.measured.map(({ length }) => length > 0)).toEqual([false, true, true]);
    const single = await ask(
      collinearityResultSchema,
      { kind: 'collinearity', predictors: [{ variable: id('one', study), as: 'levels' }], rows: { completeFor: [id('a', study)] } },
      study,
    );
    expect([single.n, single.columns, single.triangle, single.terms[0]?.levels.length]).toEqual([5, [], [], 1]);
  });
});

describe('certified regressions through a study', () => {
  test.each(certified.sets.map((set) => [set.name, set] as const))('%s', async (name, set) => {
    const names = set.xs.map((_, k) => `x${k + 1}`);
    const study = await studyFrom(name, { y: [...set.y], ...Object.fromEntries(set.xs.map((x, k) => [`x${k + 1}`, [...x]])) });
    const whole = await ask(
      regressionResultSchema,
      { kind: 'regression', predictors: quantities(names, study), outcome: id('y', study), level: 0.95 },
      study,
    );
    expect(whole.model.because).toBeNull();
    estimates(whole).forEach(({ value, se }, k) => {
      near(value, set.coefficients[k], 10 ** -Math.min(9, set.digits));
      if (set.residualSd > 0) near(se, set.se[k], 10 ** -Math.min(8, set.digits));
    });
    near(whole.model.r2, set.r2, 1e-9);
  });
});

describe('left out for good', () => {
  const change = (study: Study, to: object, reason?: string) =>
    app.ask(studySchema, 'POST', `/studies/${study.id}/changes`, { expectedHead: study.head, change: to, ...(reason ? { reason } : {}) });
  const decisions = async (study: Study) =>
    (
      await app.ask(
        z.object({ decisions: z.array(z.object({ kind: z.string(), summary: z.string(), reason: z.string().nullable() })) }),
        'GET',
        `/studies/${study.id}/trail`,
      )
    ).decisions;
  const { predictors, vif, model } = reference.survey;

  it('is a decision with its figures and reason, can be taken back, and goes with a removed variable', async () => {
    const copy = await app.ask(z.object({ id: z.string() }), 'POST', `/studies/${survey.id}/duplicate`);
    let study = await app.ask(studySchema, 'GET', `/studies/${copy.id}`);
    const among = quantities(predictors, study);
    const solids = id('dissolved_solids', study);
    study = await change(study, { type: 'leave-out-predictor', variable: solids, among }, 'says the same as another');
    expect(study.state.leftOut).toEqual([solids]);
    expect((await decisions(study))[0]).toEqual({
      kind: 'predictor',
      summary: `dissolved_solids left out of the predictors; largest VIF among 5 predictors ${Math.max(...vif).toFixed(0)}, then 1.69`,
      reason: 'says the same as another',
    });
    expect(model.n).toBe(248);
    const again = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { type: 'leave-out-predictor', variable: solids, among },
    });
    expect(again.status).toBe(422);
    const other = await app.send('POST', `/studies/${study.id}/changes`, {
      expectedHead: study.head,
      change: { type: 'leave-out-predictor', variable: id('turbidity', study), among },
    });
    expect(await other.text()).toContain('turbidity is not among the predictors.');
    const removed = await change(study, { type: 'remove-variable', variable: solids });
    expect(removed.state.leftOut).toEqual([]);
    const undone = await app.ask(studySchema, 'POST', `/studies/${study.id}/undo`, { expectedHead: removed.head });
    expect(undone.state.leftOut).toEqual([solids]);
    const back = await change(undone, { type: 'take-in-predictor', variable: solids });
    expect(back.state.leftOut).toEqual([]);
    expect((await decisions(back))[0]?.summary).toBe('dissolved_solids among the predictors again');
  });

  it('an exact dependence has no number, levels are among them', async () => {
    const study = await studyFrom('dependent', {
      a: Array.from({ length: 30 }, (_, i) => (i * 7) % 11),
      b: Array.from({ length: 30 }, (_, i) => (i * 5) % 13),
      sum: Array.from({ length: 30 }, (_, i) => ((i * 7) % 11) + ((i * 5) % 13)),
      bed: Array.from({ length: 30 }, (_, i) => ['clay', 'sand', 'rock'][i % 3] ?? ''),
    });
    const among = [...quantities(['a', 'b', 'sum'], study), { variable: id('bed', study), as: 'levels' }];
    const left = await change(study, { type: 'leave-out-predictor', variable: id('sum', study), among });
    expect((await decisions(left))[0]?.summary).toMatch(
      /^sum left out of the predictors; largest VIF among 4 predictors infinite \(told exactly\), then 1\.\d\d$/,
    );
  });

  it('centred follows which rows are in', async () => {
    let study = await studyFrom('centring', { a: [1, 2, 3, 4, 90], b: [2, 3, 5, 7, 11] });
    study = await change(study, {
      type: 'derive',
      definition: { name: 'a_centred', unit: null, derivation: { type: 'scale', source: id('a', study), scale: 'centre', shift: 0 } },
    });
    expect((await decisions(study))[0]?.summary).toContain('a_centred = deviations from the mean of a');
    const describe = async () => {
      const response = await app.send('GET', `/studies/${study.id}/revisions/${study.head}/variables/${id('a_centred', study)}/values`);
      return [...new Float64Array(await response.arrayBuffer())];
    };
    expect(await describe()).toEqual([-19, -18, -17, -16, 70]);
    study = await change(study, { type: 'set-aside', choice: { rows: [[5, 5]] }, because: 'misread' });
    expect((await describe()).slice(0, 4)).toEqual([-1.5, -0.5, 0.5, 1.5]);
  });

  it('choices go along to another table, without what only the first one has', async () => {
    const first = await studyFrom('first', { a: [1, 4, 2, 8], b: [2, 3, 9, 7], c: [5, 1, 2, 2] });
    const settings = {
      from: 'own',
      predictors: [id('a', first), id('c', first)],
      off: [id('c', first)],
      before: [],
      enter: { [id('a', first)]: { as: 'quantity', reference: 3 } },
      sets: { [id('a', first)]: 2 },
      outcome: id('b', first),
    };
    await app.ask(z.object({ version: z.number() }), 'PUT', `/studies/${first.id}/settings/collinearity`, { version: 0, settings });
    const second = await studyFrom('second', { z: [1, 2, 3, 4], a: [9, 4, 2, 8], b: [2, 3, 1, 7] });
    const left = await change(first, { type: 'leave-out-predictor', variable: id('a', first), among: quantities(['a', 'c'], first) });
    const taken = await change(second, { type: 'take-over', from: left.id });
    expect(taken.state.leftOut).toEqual([id('a', taken)]);
    const { settings: got } = await app.ask(z.object({ settings: z.unknown() }), 'GET', `/studies/${taken.id}/settings/collinearity`);
    expect(got).toMatchObject({
      from: 'own',
      predictors: [id('a', taken)],
      off: [],
      before: null,
      enter: { [id('a', taken)]: { reference: null } },
      sets: { [id('a', taken)]: 2 },
      outcome: id('b', taken),
    });
  });
});
