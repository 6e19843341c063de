import {
  type CollinearityResult,
  type CollinearitySettings,
  collinearityResultSchema,
  collinearitySettingsSchema,
  type ModelValues,
  modelValuesOf,
  type Study,
  type Variable,
  variableSchema,
} from '@ivlen/contract';
import { linearModel, modelTriangle, nearDependences } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { RequestError } from '../src/api/client';
import { sentenceOf } from '../src/methods-line/methods-parts';
import { chosenPredictors, switched } from '../src/predictors/chosen-predictors';
import { combination, combinedName, standardScores } from '../src/predictors/combine-draft';
import { findHarm } from '../src/predictors/find-harm';
import { findShares, type Shares } from '../src/predictors/find-shares';
import {
  besideOthersSentence,
  equationInSymbols,
  equationInWords,
  modelSentence,
  NO_MODEL,
  ownShare,
  sharedSentence,
  stepSentence,
} from '../src/predictors/model-words';
import { namedFailure } from '../src/predictors/named-failure';
import { indexText, shareText, toleranceText, vifText } from '../src/predictors/numbers';
import { formerTerms, predictorModel, sameTerms } from '../src/predictors/predictor-model';
import { collinearityRequest, looking, regressionRequest } from '../src/predictors/requests';
import { nearTable, regressionTable, rowColumns, sharesTable, termRows } from '../src/predictors/tables';
import {
  computedSentences,
  dependenceInWords,
  harmSentence,
  nearSentences,
  noNearSentence,
  noPairSentence,
  noSuggestion,
  partnersInWords,
  shareSentence,
  suggestionSentence,
  suggestionsOf,
} from '../src/predictors/words';
import { rowsInAddress, typedAsAddress, typedInAddress } from '../src/stages/collinearity/address';
import { outsideInWords, predictionInWords } from '../src/stages/collinearity/regression/prediction-words';
import { aloneSentence, quantileSentence, spreadSentence } from '../src/stages/collinearity/residuals/residual-words';
import { costsInWords, isCostly } from '../src/stages/collinearity/row-costs';
import { sentence } from '../src/stages/collinearity/sentence';
import { shareAxis } from '../src/stages/collinearity/shares/share-axis';
import { tableCsv, textTable } from '../src/tables/columns';
import { testStudy } from './test-study';

const plain = testStudy();
const variable = (id: string, name: string, more: Partial<Variable> = {}): Variable =>
  variableSchema.parse({ ...plain.state.variables[0], id, name, ...more });
const gravel = variable('g', 'gravel', { unit: '%' });
const sand = variable('s', 'sand', { unit: '%' });
const depth = variable('d', 'depth', { unit: 'cm' });
const bed = variable('b', 'bed', { kind: 'nominal', storage: 'code' });
const order = variable('o', 'stream_order', { kind: 'ordinal' });
const shaded = variable('y', 'shaded', { kind: 'two-valued' });
const name = variable('i', 'station', { kind: 'identifier', storage: 'code' });
const taxa = variable('t', 'taxa', { role: 'outcome' });
const all = [name, bed, order, shaded, gravel, sand, depth, taxa];
const study: Study = { ...plain, state: { ...plain.state, variables: all } };
const DEFAULTS = collinearitySettingsSchema.parse({});
const settings = (more: Partial<CollinearitySettings> = {}): CollinearitySettings => ({ ...DEFAULTS, ...more });
const ticked = [gravel, sand, depth, taxa];
const ids = (list: readonly { variable: string }[]) => list.map((item) => item.variable);

describe('which predictors are looked at', () => {
  it('those ticked but the outcome, which has that role', () => {
    const chosen = chosenPredictors(study, ticked, settings());
    expect([ids(chosen.predictors), chosen.outcome?.id, chosen.outcomeAmong]).toEqual([['g', 's', 'd'], 't', false]);
  });
  it('those with the role of a predictor, nominal ones too', () => {
    const state = {
      ...study.state,
      variables: all.map((item) => (['b', 'd'].includes(item.id) ? { ...item, role: 'predictor' as const } : item)),
    };
    const chosen = chosenPredictors({ state }, ticked, settings({ from: 'role' }));
    expect(ids(chosen.predictors)).toEqual(['b', 'd']);
    expect(chosenPredictors(study, ticked, settings({ from: 'role' })).predictors).toEqual([]);
  });
  it('a choice of one’s own, in which an outcome is none and an identifier cannot be', () => {
    const chosen = chosenPredictors(study, ticked, settings({ from: 'own', predictors: ['t', 'i', 'b', 'o', 'y', 'g'] }));
    expect([ids(chosen.predictors), chosen.outcomeAmong]).toEqual([['b', 'o', 'y', 'g'], true]);
    expect(chosen.predictors.map(({ as, asked }) => [as, asked])).toEqual([
      ['levels', false],
      ['quantity', true],
      ['levels', false],
      ['quantity', false],
    ]);
  });
  it('an ordinal one as was said; left out for good is left out of all', () => {
    const own = settings({ from: 'own', predictors: ['o', 'g', 's'], enter: { o: { as: 'levels', reference: 2 } } });
    const state = { ...study.state, leftOut: ['s'] };
    const chosen = chosenPredictors({ state }, ticked, own);
    expect(chosen.predictors.map(({ variable: id, as, reference, asked }) => [id, as, reference, asked])).toEqual([
      ['o', 'levels', 2, false],
      ['g', 'quantity', null, false],
    ]);
    expect(chosen.leftOut).toEqual([sand]);
  });
  it.each([
    ['b', null],
    ['y', null],
    ['g', 'g'],
  ])('the outcome %s: a regression has %s', (outcome, fits) => {
    const chosen = chosenPredictors(study, ticked, settings({ outcome }));
    expect([chosen.outcome?.id ?? null, chosen.refused?.id ?? null]).toEqual([fits, fits ? null : outcome]);
    expect(ids(chosen.predictors)).not.toContain(outcome);
  });
  it('a switch keeps the values from before the first one, until all is as it was', () => {
    const off = switched(settings(), 'g', false);
    expect([off.off, off.before]).toEqual([['g'], []]);
    const more = switched(off, 's', false);
    expect([more.off, more.before]).toEqual([['g', 's'], []]);
    expect(switched(switched(more, 's', true), 'g', true)).toMatchObject({ off: [], before: null });
    // On rows of their own there is nothing to compare with.
    expect(switched(settings({ off: ['g'], released: true }), 's', false).before).toBeNull();
    expect(switched(settings({ off: ['g'], released: true }), 'g', true)).toMatchObject({ off: [], released: false });
  });
  it('nobody has said which of the ticked is the outcome, until a role or a choice does', () => {
    const none = { ...study, state: { ...study.state, variables: study.state.variables.map((v) => ({ ...v, role: null })) } };
    const unsaid = (of: typeof study, part: Parameters<typeof settings>[0] = {}) =>
      chosenPredictors(of as typeof study, ticked, settings(part)).outcomeUnsaid;
    expect(unsaid(none as unknown as typeof study)).toBe(true);
    expect(unsaid(none as unknown as typeof study, { outcome: null })).toBe(false);
    expect(unsaid(none as unknown as typeof study, { outcome: 't' })).toBe(false);
    expect(unsaid(study)).toBe(false);
    expect(unsaid(none as unknown as typeof study, { from: 'own', predictors: ['g', 's'] })).toBe(false);
  });

  it('requests rest on all that were chosen, or on those kept where their rows are used', () => {
    const chosen = chosenPredictors(study, ticked, settings({ off: ['s'] }));
    expect(ids(looking(chosen, false))).toEqual(['g', 's', 'd']);
    expect(ids(looking(chosen, true))).toEqual(['g', 'd']);
    expect(collinearityRequest(looking(chosen, false), taxa)).toEqual({
      kind: 'collinearity',
      predictors: ['g', 's', 'd'].map((id) => ({ variable: id, as: 'quantity', reference: null })),
      outcome: 't',
    });
    const request = regressionRequest({ predictors: chosen.kept, among: chosen.predictors, outcome: taxa, level: 0.9, without: [9, 2] });
    expect([request.rows.completeFor, ids(request.predictors), request.without]).toEqual([
      ['g', 's', 'd'],
      ['g', 'd'],
      [2, 9],
    ]);
  });
});

/** Forty rows of a bed, of which gravel and sand nearly add up to 60. */
const wave = (step: number, size: number, about: number) =>
  Float64Array.from({ length: 40 }, (_, i) => about + size * Math.sin(step * i + step));
const g = wave(1, 10, 30);
const s = g.map((value, i) => 60 - value + 0.3 * Math.cos(7 * i));
const d = wave(2.3, 8, 25);
const t = g.map((value, i) => 2 + 0.1 * value - 0.05 * (d[i] ?? 0) + Math.cos(11 * i));
function resultOf(columns: Float64Array[], terms: CollinearityResult['terms'], outcome: Float64Array | null): CollinearityResult {
  const model = modelTriangle(columns, outcome);
  const size = model.lengths.length;
  const given = outcome ? [...columns, outcome] : columns;
  return collinearityResultSchema.parse({
    kind: 'collinearity',
    n: model.n,
    rowsInUse: model.n,
    terms,
    costs: [],
    columns: terms.flatMap(({ columns: own, levels, reference }, term) =>
      own.map((_, k) => ({ term, level: levels.filter(({ value }) => value !== reference)[k]?.value ?? null })),
    ),
    measured: given.map((column, j) => ({
      mean: model.means[j],
      length: model.lengths[j],
      tolerance: model.tolerances[j],
      min: Math.min(...column),
      max: Math.max(...column),
    })),
    outcomeValues: outcome ? 3 : null,
    triangle: Array.from({ length: size }, (_, i) => [...model.triangle.subarray(i * size + i, (i + 1) * size)]).flat(),
  });
}
const term = (id: string, columns: number[]) => ({ variable: id, as: 'quantity' as const, columns, levels: [], reference: null });
const result = resultOf([g, s, d], [term('g', [0]), term('s', [1]), term('d', [2])], t);
const model = predictorModel(result, all, new Map());
const shares = findShares(model.triangle, [[0], [1], [2]]);

describe('the model of the predictors', () => {
  it('unpacks the triangle as it was', () => {
    const { triangle, lengths, means } = modelTriangle([g, s, d], t);
    expect([...model.triangle.triangle]).toEqual([...triangle].map((value, at) => (Math.floor(at / 4) <= at % 4 ? value : 0)));
    expect([model.triangle.lengths, model.triangle.means, model.triangle.hasOutcome]).toEqual([lengths, means, true]);
  });
  it('names columns by their levels, and knows what does not vary', () => {
    const clay = g.map((_, i) => (i % 3 === 0 ? 1 : 0));
    const levels = [
      { value: 0, rows: 26 },
      { value: 1, rows: 14 },
    ];
    const made = predictorModel(
      resultOf([clay, g.map(() => 5)], [{ variable: 'b', as: 'levels', columns: [0], levels, reference: 0 }, term('g', [1])], null),
      all,
      new Map([
        [
          'b',
          new Map([
            [0, 'rock'],
            [1, 'clay'],
          ]),
        ],
      ]),
    );
    expect(made.columnNames).toEqual(['bed: clay', 'gravel']);
    expect(made.terms.map(({ varies, referenceName }) => [varies, referenceName])).toEqual([
      [true, 'rock'],
      [false, ''],
    ]);
    expect(formerTerms(made, [{ variable: 'b' }, { variable: 'g' }], [])?.map(({ of }) => of.id)).toEqual(['b']);
    expect(formerTerms(made, [{ variable: 'b' }], null)).toBeNull();
    expect(sameTerms(made.terms, model.terms)).toBe(false);
    expect(sameTerms(model.terms, [...model.terms])).toBe(true);
  });
});

describe('words follow from the figures', () => {
  it('who tells whom, with r where it is one', () => {
    expect(partnersInWords(model.terms, shares, 0)).toMatch(/^chiefly sand, r [=<>] −?\.?\d*/);
    const told = shares.inflation[0]?.share ?? 0;
    expect(shareSentence(model.terms, shares, 0)).toBe(
      `gravel: ${shareText(told)} told by the others, ${partnersInWords(model.terms, shares, 0)}.`,
    );
    // Hardly told: nobody is named.
    expect(shares.inflation[2]?.share).toBeLessThan(0.5);
    expect(partnersInWords(model.terms, shares, 2)).toBe('');
    const others: Pick<Shares, 'told' | 'pairs'> = { ...shares, told: [{ partners: [1, 2], share: 0.7, enough: false }, null, null] };
    expect(partnersInWords(model.terms, others, 0)).toBe('chiefly sand, depth and others');
  });
  it('suggestions in order of effect, those as good together, each with the figure that remains', () => {
    const suggestions = suggestionsOf(shares, 10);
    expect(suggestions).toHaveLength(1);
    expect(new Set(suggestions[0]?.places)).toEqual(new Set([0, 1]));
    const words = suggestionSentence(suggestions[0] ?? { places: [], low: 0, high: 0 }, model.terms, 10);
    expect(words).toMatch(
      /^Without (sand or gravel|gravel or sand), either one, the largest VIF is \d\.\d\d( to \d\.\d\d)?, not above 10: equally good\.$/,
    );
    expect(words).toContain(vifText(Math.min(...shares.largestWithout)));
    // Longley: the best single one is not the one with the highest VIF.
    const longley = { largest: 1788.5, largestWithout: [1034.2, 271.19, 243.52, 1395.8, 644.6, 639] };
    const names = ['deflator', 'GNP', 'unemployed', 'armed forces', 'population', 'year'].map((item) => ({ name: item, columns: [0] }));
    const list = suggestionsOf(longley, 10);
    expect(list.map(({ places }) => places)).toEqual([[2], [1], [5]]);
    expect(suggestionSentence(list[0] ?? { places: [], low: 0, high: 0 }, names, 10)).toBe(
      'Without unemployed the largest VIF is 244, still above 10.',
    );
    expect(noSuggestion({ largest: 3.14 }, 10)).toBe('No VIF is above 10; the largest is 3.14.');
    expect(suggestionsOf({ largest: 3.14, largestWithout: [1, 2] }, 10)).toEqual([]);
    expect(
      suggestionsOf({ largest: Number.POSITIVE_INFINITY, largestWithout: [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY] }, 10),
    ).toEqual([]);
    expect(noSuggestion({ largest: Number.POSITIVE_INFINITY }, 10)).toContain('more than one has to go');
    expect(noSuggestion({ largest: Number.NaN }, 10)).toBe('');
  });
  it('no close pair: how close the closest are, and what that leaves open', () => {
    const low = { pairs: [{ a: 0, b: 2, r: -0.748 }], largest: 639 };
    const by = { threshold: 0.9, limit: 10 };
    expect(noPairSentence(low, ['depth', 'x', 'current'], by)).toBe(
      'No pair of predictors reaches |r| = .90; the closest are depth and current, r = −.748. A dependence of three or more hides below that: the shares show it.',
    );
    // Never what reads as the threshold that it does not reach.
    const near = (r: number) => noPairSentence({ pairs: [{ a: 0, b: 2, r }], largest: 2 }, ['depth', 'x', 'current'], by);
    expect(near(0.8993)).toContain('r = .899.');
    expect(near(-0.89996)).toContain('r = −.89996.');
    expect(near(0.89999999)).toContain('r = just below .90.');
    expect(noPairSentence({ ...low, largest: 2 }, ['depth', 'x', 'current'], by)).toContain(
      'would not rule out a dependence of three or more',
    );
    expect(noPairSentence({ pairs: [], largest: 1 }, [], by)).toBe('');
    // A pair alone can be enough, where the threshold is set high.
    const one = { pairs: [{ a: 0, b: 1, r: 0.97 }], largest: 17 };
    expect(noPairSentence(one, ['a', 'b'], { threshold: 0.99, limit: 10 })).toContain('That is enough for a VIF above 10.');
    expect(noPairSentence(one, ['a', 'b'], { threshold: 0.99, limit: 20 })).toContain('would not rule out');
  });
  it('near-dependences: those above 30 with who takes part; the intercept with one is no dependence to mend', () => {
    const near = nearDependences(model.triangle, [0, 1, 2]);
    const said = nearSentences(near, ['intercept', 'gravel', 'sand', 'depth']);
    expect(near.conditionIndices.filter((index) => index > 30)).toHaveLength(1);
    expect(said).toHaveLength(1);
    expect(said[0]).toContain(`Condition index ${indexText(near.conditionIndices[3] ?? 0)}: this near-dependence involves`);
    for (const who of ['gravel', 'sand', 'intercept']) expect(said[0]).toContain(who);
    const far = modelTriangle([g.map((value) => 1e4 + value), d]);
    const alone = nearSentences(nearDependences(far, [0, 1]), ['intercept', 'gravel', 'depth']);
    expect(alone.at(0)).toContain('gravel varies little about a mean far from 0. Centring it removes this; its slope is not harmed.');
    const centred = nearDependences(far, [0, 1], { centred: true });
    expect(nearSentences(centred, ['gravel', 'depth'])).toEqual([]);
    expect(noNearSentence(centred)).toBe(
      `No near-dependence: the largest condition index is ${indexText(centred.conditionIndices[1] ?? 0)}, not above 30.`,
    );
  });
  it('an exact dependence is told of the sum, with its coefficients and no rounding', () => {
    const total = g.map((value, i) => value + (d[i] ?? 0));
    const derived = variable('x', 'total', {
      derivation: { type: 'formula', formula: 'g + d', sources: ['g', 'd'], ignoreMissing: false },
    });
    const exact = resultOf([g, d, total], [term('g', [0]), term('d', [1]), term('x', [2])], null);
    const withSum = predictorModel(exact, [...all, derived], new Map());
    const found = findShares(withSum.triangle, [[0], [1], [2]]);
    expect(found.dependences.map((set) => dependenceInWords(set, withSum))).toEqual(['total = gravel + depth']);
    expect(found.inflation.map(({ share }) => shareText(share))).toEqual(['100 %', '100 %', '100 %']);
    const twice = resultOf([g, g.map((value) => 3 - 0.64 * value)], [term('g', [0]), term('s', [1])], null);
    const scaled = predictorModel(twice, all, new Map());
    const [set] = findShares(scaled.triangle, [[0], [1]]).dependences;
    expect(set && dependenceInWords(set, scaled)).toMatch(/^(sand = 3\.000 − 0\.6400 · gravel|gravel = 4\.688 − 1\.5\d+ · sand)$/);
    expect(dependenceInWords({ dependent: 0, name: 'gravel', constant: 5, terms: [] }, scaled)).toBe(
      'gravel has the same value, 5.000, in all these rows.',
    );
  });
  it('the harm: √VIF, and what b and SE become without the partner, as the regression without it has them', () => {
    const harms = findHarm(model.triangle, [[0], [1], [2]]) ?? [];
    expect(harms.map(({ term: place }) => place)).toEqual([0, 1]);
    expect(harms[0]?.factor).toBeCloseTo(Math.sqrt(shares.inflation[0]?.inflation ?? 0), 10);
    const without = linearModel(t, [g, d]);
    expect(harms[0]?.without[0]?.b).toBeCloseTo(without.coefficients[1] ?? 0, 8);
    expect(harms[0]?.without[0]?.se).toBeCloseTo(without.se[1] ?? 0, 8);
    // Left out before it in the list: its place moves.
    const second = linearModel(t, [s, d]);
    expect(harms[1]?.without[0]?.b).toBeCloseTo(second.coefficients[1] ?? 0, 8);
    expect(harmSentence(harms, (place) => model.terms[place]?.name ?? '')).toContain(
      'times what it would be if the others told nothing of it. Such estimates are imprecise, not biased',
    );
    expect(harmSentence([], String)).toContain('no standard error is even doubled');
    expect(findHarm(model.triangle, [[2]])).toEqual([]);
    // An exact dependence harms all: never "hardly any".
    const twice = resultOf([g, g.map((value) => 2 * value)], [term('g', [0]), term('s', [1])], t);
    const none = findHarm(predictorModel(twice, all, new Map()).triangle, [[0], [1]]);
    expect(none).toBeNull();
    expect(harmSentence(none, String)).toContain('There is no regression to be harmed');
  });
});

describe('the regression in words and as a table', () => {
  const summary = linearModel(t, [g, d]);
  const values = modelValuesOf(summary, [
    { term: 0, level: null },
    { term: 1, level: null },
  ]);
  const facts = { outcome: 'taxa', unit: null, predictors: ['gravel', 'depth'], levels: [0.05, 0.01, 0.001] };
  it('the sentence has the model’s own figures', () => {
    const words = modelSentence(values, facts);
    expect(words).toContain(`The 2 predictors explain ${(100 * summary.r2).toFixed(0)} % of the variance of taxa`);
    expect(words).toContain(`R² = ${summary.r2.toFixed(3).slice(1)}`);
    expect(words).toContain(`F(2, 37) = ${summary.f.toPrecision(4)}`);
    expect(modelSentence(values, { ...facts, predictors: ['gravel'] })).toMatch(/^gravel explains/);
    const nearly: ModelValues = { ...values, r2: 0.9999 };
    expect(modelSentence(nearly, facts)).toContain('> 99.9 %');
    expect(modelSentence({ ...values, f: null }, facts)).toContain('F undefined');
  });
  it('the equation has the signs of its terms', () => {
    expect(equationInWords(values, 'taxa', ['gravel', 'depth'])).toMatch(/^taxa = [\d.−]+ \+ 0\.\d+ · gravel − 0\.\d+ · depth$/);
    expect(equationInSymbols(values)).toMatch(/^ŷ = [\d.−]+ \+ 0\.\d+ x₁ − 0\.\d+ x₂$/);
  });
  it('what each tells alone and what is shared, also where that is less than nothing', () => {
    const own = values.coefficients.map(ownShare);
    // By the definition: R² less what it is without the predictor.
    expect(own[0]).toBeCloseTo(summary.r2 - linearModel(t, [d]).r2, 10);
    const words = sharedSentence(values.r2, own);
    const alone = own.reduce((sum, share) => sum + share, 0);
    expect(words).toContain(`adds up to ${(100 * alone).toFixed(1)} % of the variance`);
    expect(sharedSentence(0.2, [0.16, 0.16])).toContain('32.0 % of the variance, 12.0 % more than all of them tell together');
    expect(sharedSentence(0.5, [0.16, 0.16])).toBe(
      'What each tells alone adds up to 32.0 % of the variance; another 18.0 % is told by several of them alike.',
    );
    expect(sharedSentence(0.32, [0.16, 0.16])).toBe('What each tells alone adds up to R²: nothing of it is shared.');
    expect([
      sharedSentence(0.4, [0.4]),
      sharedSentence(null, [0.1, 0.2]),
      sharedSentence(0.5, [0.1, null]),
      sharedSentence(0.5, [0.1, Number.NaN]),
    ]).toEqual(['', '', '', '']);
    const part = (value: number) => ({ ...(values.coefficients[0] as ModelValues['coefficients'][number]), part: value, zeroOrder: 0.1 });
    expect(besideOthersSentence({ ...values, coefficients: [part(0.4), { ...part(0.05) }] }, ['gravel', 'depth'])).toBe(
      'More beside the others than alone: gravel (semipartial .400, alone r = .100). A small r by itself is no reason to leave a predictor out.',
    );
    expect(besideOthersSentence({ ...values, coefficients: [part(0.1), part(0.05)] }, ['gravel', 'depth'])).toBe('');
  });
  it('ordered sets say what each adds, and what cannot be tested', () => {
    const step = { r2: 0.99548, change: 0.0220234, f: 10.9605524, df: 4, dfResidual: 9, pValue: 0.001643862, log10P: -2.78 };
    expect(stepSentence(step, ['deflator', 'population'], 1, [0.05])).toBe(
      'Beyond the first set deflator and population add ΔR² = .022, F(4, 9) = 10.96, p = .002; R² is then .995.',
    );
    expect(stepSentence({ ...step, r2: 0.9734556 }, ['GNP'], 0, [0.05])).toContain('GNP explains R² = .973, F(4, 9)');
    expect(stepSentence({ ...step, f: Number.NaN }, ['GNP'], 2, [0.05])).toContain('Beyond the sets before GNP adds');
    expect(stepSentence({ ...step, f: Number.NaN }, ['GNP'], 2, [0.05])).toContain('which cannot be tested here');
  });
  it('a table with the intercept last, and every digit in its file', () => {
    const rows = termRows(values, {
      terms: model.terms.filter(({ of }) => of !== sand),
      columnNames: ['gravel', 'depth'],
      inflation: [shares.inflation[0], shares.inflation[2]].flatMap((item) => item ?? []),
      together: [],
      referenceNames: ['', ''],
    });
    const table = regressionTable(rows, { caption: 'Regression', level: 0.95, levels: [0.05], note: '' });
    expect(textTable(table).rows.map(([first]) => first)).toEqual(['gravel', 'depth', 'intercept']);
    expect(textTable(table).head).toContain('95 % interval');
    expect(tableCsv(table)).toContain(String(summary.coefficients[1]));
    expect(tableCsv(table).split('\r\n')[0]).toContain('low,high');
    expect(textTable(table).rows[2]?.slice(6)).toEqual(['', '', '', '', '', '']);
  });
  it('several indicators of one predictor stand under what they add together', () => {
    const bedTerm = {
      of: bed,
      name: 'bed',
      columns: [0, 1],
      as: 'levels' as const,
      levels: [],
      reference: 0,
      referenceName: 'rock',
      varies: true,
    };
    const together = { r2: 0.5, change: 0.08489, f: 19.53, df: 2, dfResidual: 40, pValue: 1.2e-6, log10P: -5.9 };
    const rows = termRows(values, {
      terms: [bedTerm],
      columnNames: ['bed: clay', 'bed: sand'],
      inflation: [{ df: 2, gvif: 5.0986, adjusted: 1.50267, inflation: 2.258, share: 0.557, tolerance: 0.443 }],
      together: [together],
      referenceNames: ['rock'],
    });
    const table = textTable(regressionTable(rows, { caption: '', level: 0.95, levels: [0.05], note: '' }));
    expect(table.rows.map(([first]) => first)).toEqual(['bed, against rock', 'bed: clay', 'bed: sand', 'intercept']);
    expect(table.rows[0]).toEqual(expect.arrayContaining(['F(2) 19.53', '< .001', '8.5 %', '1.50']));
    expect(table.head).toContain('VIF, or GVIF^(1/2df)');
  });
  it('why there is none', () => {
    expect(NO_MODEL['too-few-cases']({ n: 4, predictors: 3, outcome: 'taxa' })).toBe(
      '4 rows are complete, and a regression on 3 columns of predictors needs at least 5.',
    );
    expect(NO_MODEL['constant-outcome']({ n: 4, predictors: 3, outcome: 'taxa' })).toContain('taxa has the same value');
  });
});

describe('tables of shares, indices and rows', () => {
  it('shares by predictor; infinite ones stay readable and are no number in a file', () => {
    const table = sharesTable(model.terms, shares, 'Shares');
    expect(textTable(table).rows[0]?.slice(0, 3)).toEqual([
      'gravel',
      shareText(shares.inflation[0]?.share ?? 0),
      vifText(shares.inflation[0]?.gvif ?? 0),
    ]);
    expect(textTable(table).rows[0]?.at(-1)).toMatch(/^sand/);
    const infinite = {
      ...shares,
      inflation: shares.inflation.map((item) => ({ ...item, gvif: Number.POSITIVE_INFINITY, share: 1, tolerance: 0 })),
    };
    expect(textTable(sharesTable(model.terms, infinite, '')).rows[0]?.slice(1, 4)).toEqual(['100 %', '∞', '0']);
    expect(tableCsv(sharesTable(model.terms, infinite, ''))).toContain('gravel,1,infinite,0');
  });
  it('proportions by index, those above 30 strong', () => {
    const near = nearDependences(model.triangle, [0, 1, 2]);
    const table = nearTable(near, ['intercept', 'gravel', 'sand', 'depth']);
    expect(textTable(table).head).toEqual(['index', 'intercept', 'gravel', 'sand', 'depth']);
    expect(table.rows.map((row) => table.isStrong?.(row))).toEqual([false, false, false, true]);
  });
  it('rows with what they are by', () => {
    const row = {
      row: 5,
      name: 'BD-005',
      observed: 3,
      fitted: 4.25,
      residual: -1.25,
      leverage: 0.6155,
      cooksDistance: 0.6139,
      studentized: 1.844,
    };
    const columns = rowColumns([row]);
    expect(columns.map(({ shown }) => shown(row))).toEqual(['row 5 (BD-005)', '3', '4.250', '.616', '1.844', '0.6139']);
    expect(columns.map(({ shown }) => shown({ ...row, cooksDistance: null, studentized: null })).slice(-2)).toEqual(['–', '–']);
  });
});

describe('numbers', () => {
  test.each([
    [0.0164, '2 %'],
    [0.8, '80 %'],
    [0.984, '98 %'],
    [0.995, '99.5 %'],
    [0.99918, '99.9 %'],
    [0.99996, '99.996 %'],
    [1, '100 %'],
    [Number.NaN, '–'],
  ])('a share of %d is %s', (value, text) => expect(shareText(value)).toBe(text));
  test.each([
    [1.0234, '1.02'],
    [9.994, '9.99'],
    [9.999, '10.0'],
    [135.5, '136'],
    [43275.04, '43,275'],
    [Number.POSITIVE_INFINITY, '∞'],
    [Number.NaN, '–'],
  ])('a VIF of %d is %s', (value, text) => expect(vifText(value)).toBe(text));
  test.each([
    [0.98, '0.98'],
    [0.0494, '0.049'],
    [0.0016, '0.0016'],
    [0.00082, '0.00082'],
    [1e-7, '1.0 × 10⁻⁷'],
    [0, '0'],
  ])('a tolerance of %d is %s', (value, text) => expect(toleranceText(value)).toBe(text));
  it('the axis opens up toward 100 %: equal steps are equal factors of VIF', () => {
    const axis = shareAxis(1220);
    expect(axis.at(1)).toBe(0);
    expect(axis.at(100) - axis.at(10)).toBeCloseTo(axis.at(10) - axis.at(1), 12);
    expect(axis.ticks.find(({ vif }) => vif === 5)?.share).toBe('80 %');
    expect(axis.at(Number.POSITIVE_INFINITY)).toBe(1);
    expect(shareAxis(Number.POSITIVE_INFINITY).ticks.at(-1)?.vif).toBe(10_000);
    expect(shareAxis(1.2).ticks.map(({ vif }) => vif)).toEqual([1, 2, 5, 10]);
  });
});

describe('rows, residuals and predictions in words', () => {
  const costs = [
    { variable: 'g', missing: 9, without: 239 },
    { variable: 's', missing: 4, without: 235 },
    { variable: 'd', missing: 0, without: 232 },
  ];
  it('what costs rows, the dearest first', () => {
    expect(costsInWords(232, 248, costs, (id) => id)).toBe(
      '16 of 248 rows in use lack a value of one or more of these. Most by g (9 missing; 239 rows complete without it), s (4 missing; 235 rows complete without it).',
    );
    expect(costsInWords(247, 248, [{ variable: 'g', missing: 1, without: 247 }], (id) => id)).toBe(
      '1 of 248 rows in use lacks a value of one or more of these. By g (1 missing; none gained without it alone).',
    );
    expect(costsInWords(248, 248, [], String)).toBe('');
    expect([isCostly(79, 100), isCostly(80, 100)]).toEqual([true, false]);
  });
  it('whether the spread changes: by neither, one or both of the tests', () => {
    const test = (pValue: number | null) => ({ statistic: pValue === null ? null : 3.2, df: 2, pValue });
    const of = (a: number | null, b: number | null) => spreadSentence({ predictors: test(a), fitted: { ...test(b), df: 1 } }, [0.05]);
    expect(of(0.4, 0.06)).toContain('No change of their spread was detected.');
    expect(of(0.05, 0.3)).toContain('Their spread changes by one of the two:');
    expect(of(0.01, 0.02)).toContain('Their spread changes: standard errors');
    expect(of(null, null)).toContain('The rows lie on the model, or nearly.');
  });
  it('points outside the band are counted', () => {
    const band = { theoretical: [-1, 0, 1], low: [-2, -1, 0], high: [0, 1, 2], rows: [1, 2, 3] };
    expect(quantileSentence({ ...band, sample: [-1, 0, 1] })).toContain('no departure from normality detected');
    expect(quantileSentence({ ...band, sample: [-3, 0, 1] })).toMatch(/^1 of 3 points lies outside/);
    expect(quantileSentence({ ...band, sample: [-3, 0, 9] })).toMatch(/^2 of 3 points lie outside/);
    expect(quantileSentence({ theoretical: [], sample: [], low: [], high: [], rows: [] })).toBe('');
  });
  it('rows that a level rests on alone', () => {
    const row = { row: 4, name: null, observed: 1, fitted: 1, residual: 0, leverage: 1, cooksDistance: null, studentized: null };
    expect(aloneSentence([row])).toMatch(/^row 4 is fitted whatever the outcome is .* it has no Cook’s distance\.$/);
    expect(aloneSentence([row, { ...row, row: 7, name: 'K07' }])).toMatch(
      /^row 4 and row 7 \(K07\) are fitted .* they have no Cook’s distance\.$/,
    );
  });
  it('a prediction with its intervals, and values beyond those measured', () => {
    const interval = (low: number, high: number) => ({ low, high, level: 0.95, method: 't' });
    const found = {
      value: 70757.757825,
      leverage: 0.69,
      meanSe: 252.98,
      mean: interval(70185.5, 71330),
      newCase: interval(69861.609, 71653.906),
      df: 9,
    };
    expect(predictionInWords(found, 'employed', '95 %')).toBe(
      'employed = 70,758; the mean of such cases lies in [70,186, 71,330], a new case in [69,862, 71,654], each at 95 % (t, 9 df).',
    );
    expect(predictionInWords({ ...found, mean: null, newCase: null }, 'employed', '95 %')).toContain('exactly on the model');
    expect(predictionInWords({ ...found, value: Number.NaN }, 'employed', '95 %')).toContain('not determined');
    expect(outsideInWords(model.terms, [1000, 30, null], result.measured, { leverage: 9, largest: 0.5 })).toMatch(
      /^Outside what was measured: gravel \(the rows run from [\d.]+ to [\d.]+\)\. There the model is a guess\.$/,
    );
    const inside = (leverage: number, largest: number | null) =>
      outsideInWords(model.terms, [30, 30, 25], result.measured, { leverage, largest });
    expect([inside(0.1, 0.5), inside(0.5 + 1e-12, 0.5), inside(0.9, null), inside(Number.NaN, 0.5)]).toEqual(['', '', '', '']);
    expect(inside(0.9, 0.5)).toContain('no row is so unusual in all of them together');
  });
});

describe('the sentence of the stage', () => {
  const chosen = chosenPredictors(study, ticked, settings({ off: ['s'] }));
  const facts = { chosen, rows: 'all 248 rows', complete: 232, rowsInUse: 248, view: 'predictors' as const };
  it('says what is looked at, on which rows, by which limits', () => {
    expect(sentenceOf(sentence(study, settings({ off: ['s'] }), facts)).replaceAll('\u00a0', ' ')).toBe(
      'How much 2 of 3 predictors tell of each other, in all 248 rows, 232 of them complete for all of these; pairs from |r| = .90, marked above VIF 10, condition indices with the intercept; outcome: taxa.',
    );
    expect(sentenceOf(sentence(study, settings({ centred: true, limit: 5 }), { ...facts, complete: 248 }))).toContain(
      'in all 248 rows (complete for all of them); pairs',
    );
    expect(sentenceOf(sentence(study, settings({ level: 0.99 }), { ...facts, view: 'regression' }))).toBe(
      'Linear regression of taxa on 2 of 3 predictors in all 248 rows, 232 of them complete for all of these, with 99 % intervals.',
    );
    expect(sentenceOf(sentence(study, settings(), { ...facts, chosen: { ...chosen, outcome: null, refused: null } }))).toContain(
      'outcome: none.',
    );
  });
});

describe('a failure that names a variable', () => {
  it('by its name, not its id; others stay as they are', () => {
    const failure = new RequestError({ code: 'too-many-groups', message: 'Too many levels.', where: 'o', hint: 'Group them.' });
    const named = namedFailure(failure, all) as RequestError;
    expect([named.where, named.message, named.hint, named.code]).toEqual([
      'stream order',
      'Too many levels.',
      'Group them.',
      'too-many-groups',
    ]);
    const other = new RequestError({ code: 'x', message: 'y', where: 'row 3' });
    expect(namedFailure(other, all)).toBe(other);
    expect(namedFailure(new Error('z'), all)).toEqual(new Error('z'));
  });
});

describe('what the address keeps', () => {
  it('rows and typed values, and nothing that is none', () => {
    expect(rowsInAddress('17,3,3,x,-2,1.5')).toEqual([3, 17]);
    expect(rowsInAddress(null)).toEqual([]);
    const typed = { v3: '12,5', v4: '−2' };
    expect(typedInAddress(typedAsAddress(typed))).toEqual(typed);
    expect(typedInAddress('nonsense')).toEqual({});
  });
});

describe('squares and products', () => {
  it('are told apart from other collinearity: no harm, and what helps', () => {
    const squared = variable('q', 'depth_squared', { derivation: { type: 'scale', source: 'd', scale: 'square', shift: 0 } });
    const product = variable('p', 'gravel_by_sand', {
      derivation: { type: 'formula', formula: 'g * s', sources: ['g', 's'], ignoreMissing: false },
    });
    const terms = [gravel, sand, depth, squared, product].map((item) => ({ of: item, name: item.name.replaceAll('_', ' ') }));
    const said = computedSentences(terms);
    expect(said).toHaveLength(2);
    expect(said[0]).toMatch(/^depth squared is computed from depth\. .* made of depth centred, it would have less in common with it\.$/);
    expect(said[1]).toMatch(
      /^gravel by sand is computed from gravel and sand\. .* made of both centred, it would have less in common with them\.$/,
    );
    expect(computedSentences(terms.filter(({ of }) => of !== depth && of !== gravel && of !== sand))).toEqual([]);
  });
});

describe('one predictor of two', () => {
  it('by ratio, sum, standard scores that follow the data, or less its mean', () => {
    const of = { first: gravel, second: depth, scores: null, r: -0.4 };
    expect(combination('sum', 'a', of)).toMatchObject({ unit: null, derivation: { formula: 'gravel + depth' } });
    expect(combination('sum', 'a', { ...of, second: sand })?.unit).toBe('%');
    expect(combination('ratio', 'a', of)).toMatchObject({ derivation: { formula: 'gravel / depth' } });
    expect(combination('z-mean', 'a', { ...of, scores: ['gravel_z', 'depth_z'] })).toMatchObject({
      derivation: { formula: '(gravel_z - depth_z) / 2' },
    });
    expect(combination('z-mean', 'a', { ...of, scores: ['gravel_z', 'depth_z'], r: 0.4 })).toMatchObject({
      derivation: { formula: '(gravel_z + depth_z) / 2' },
    });
    expect(combination('z-mean', 'a', of)).toBeNull();
    expect(combination('ratio', 'a', { ...of, second: null })).toBeNull();
    expect(combination('centre', 'a', { ...of, second: null })).toMatchObject({
      unit: '%',
      derivation: { type: 'scale', scale: 'centre', source: 'g' },
    });
    expect(combinedName('ratio', gravel, depth, all)).toBe('gravel_per_depth');
    expect(combinedName('centre', gravel, null, [...all, variable('q', 'gravel_centred')])).toBe('gravel_centred_2');
    expect(standardScores(gravel, all)).toMatchObject({ make: { name: 'gravel_z', derivation: { scale: 'standardize', source: 'g' } } });
    const known = variable('z', 'gz', { derivation: { type: 'scale', source: 'g', scale: 'standardize', shift: 0 } });
    expect(standardScores(gravel, [...all, known])).toEqual({ known: 'gz' });
  });
});
