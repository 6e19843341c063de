import { type CollinearitySettings, collinearitySettingsSchema, type Pinned, rowsInUse } from '@ivlen/contract';
import { blocksFromTriangle, CHECK_SOURCES, nearDependences, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { type Chosen, type ChosenPredictor, chosenPredictors } from '../../../predictors/chosen-predictors';
import { findShares } from '../../../predictors/find-shares';
import { besideOthersSentence, equationInWords, modelSentence, NO_MODEL, ownShare, sharedSentence } from '../../../predictors/model-words';
import { levelNames, type ModelTerm, type PredictorModel, predictorModel } from '../../../predictors/predictor-model';
import { collinearityRequest, looking, regressionRequest } from '../../../predictors/requests';
import { regressionTable, sharesTable, termRows } from '../../../predictors/tables';
import { dependenceInWords, nearSentences, noNearSentence, shareSentence } from '../../../predictors/words';
import { rowsInWords } from '../../../study/rows-in-use';
import { displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { namedVariables } from '../../../telling/named-variables';
import { NOTHING_TOLD, paragraph, sentence, type Tell, type Told } from '../../../telling/told';
import { quantileSentence, spreadSentence } from '../residuals/residual-words';
import { sentence as methodsSentence } from '../sentence';
import { shareAxis } from '../shares/share-axis';
import type { ShareLine } from '../shares/share-lines';
import { buildSharesFigure } from '../shares/shares-figure';
import { VIEWS, type View } from '../views';
import { residualFigure, residualQuantilesFigure } from './residual-figures';

const withView = z.object({ view: z.string().default('predictors') });
const LEVELS = z.object({ levels: z.array(z.number()).default([0.05, 0.01, 0.001]) });

/** What was pinned of the Collinearity stage, with the rows gone through. */
interface PredictorPin {
  readonly settings: CollinearitySettings;
  readonly chosen: Chosen;
  readonly among: readonly ChosenPredictor[];
  readonly model: PredictorModel;
  /** Those kept that vary. */
  readonly terms: readonly ModelTerm[];
  readonly methods: string;
  readonly levels: readonly number[];
}

/** What is pinned in the Collinearity stage. */
export const tell: Tell = async (pinned, asking) => {
  const { view } = withView.parse(pinned.settings);
  const known: View = VIEWS.find(({ id }) => id === view)?.id ?? 'predictors';
  const pin = await pinOf(pinned, asking, known);
  return known === 'predictors' ? tellShares(pin) : tellRegression(pin, asking, known === 'residuals');
};

async function pinOf({ request, settings: stored }: Pinned, asking: Asking, view: View): Promise<PredictorPin> {
  const { study } = asking;
  const parsed = collinearitySettingsSchema.parse(stored);
  const named = request?.kind === 'collinearity' || request?.kind === 'regression' ? request : null;
  if (!named) throw new Error('No predictors were chosen when this was pinned.');
  namedVariables(study, [...named.predictors.map(({ variable }) => variable), ...(named.outcome === null ? [] : [named.outcome])]);
  // What was ticked or had a role then is a choice of its own now.
  const all =
    named.kind === 'regression' ? [...new Set([...named.rows.completeFor, ...named.predictors.map(({ variable }) => variable)])] : null;
  const settings: CollinearitySettings = {
    ...parsed,
    from: 'own',
    predictors: all ?? named.predictors.map(({ variable }) => variable),
    outcome: named.outcome,
    off: all ? all.filter((id) => !named.predictors.some(({ variable }) => variable === id)) : parsed.off,
  };
  const chosen = chosenPredictors(study, [], settings);
  const among = looking(chosen, settings.released);
  const byLevels = among.filter(({ as }) => as === 'levels').map(({ of }) => of);
  const [result, categories, correlations] = await Promise.all([
    asking.ask(collinearityRequest(among, chosen.outcome)),
    Promise.all(byLevels.map(({ id }) => asking.categories(id))),
    asking.settings('correlations'),
  ]);
  const model = predictorModel(result, study.state.variables, levelNames(byLevels, categories));
  const kept = new Set(chosen.kept.map(({ variable }) => variable));
  const facts = { chosen, rows: rowsInWords(study), complete: result.n, rowsInUse: rowsInUse(study), view };
  return {
    settings,
    chosen,
    among,
    model,
    terms: model.terms.filter(({ of, varies }) => varies && kept.has(of.id)),
    methods: sentenceOf(methodsSentence(study, settings, facts)),
    levels: LEVELS.parse(correlations).levels,
  };
}

/** How much of each predictor the others tell, and the near-dependences. */
function tellShares({ settings, chosen, model, terms, methods }: PredictorPin): Told {
  const columns = terms.map((term) => term.columns);
  const shares = findShares(model.triangle, columns);
  const near = nearDependences(model.triangle, columns.flat(), { centred: settings.centred });
  const names = columns.flat().map((column) => model.columnNames[column] ?? '');
  const nearWords = nearSentences(near, settings.centred ? names : ['intercept', ...names]);
  const caption = `How much of each of ${terms.length} predictors the others tell`;
  const lines = chosen.predictors.map(
    (predictor): ShareLine => ({
      predictor,
      term: model.terms.find(({ of }) => of.id === predictor.variable) ?? null,
      place: terms.findIndex(({ of }) => of.id === predictor.variable),
    }),
  );
  const exact = shares.dependences.map((set) => `Exact dependence: ${dependenceInWords(set, model)}.`);
  return {
    ...NOTHING_TOLD,
    heading: 'Collinearity of the predictors',
    paragraphs: [
      paragraph(
        ...exact.map((words, k) => sentence(`exact-${k}`, words)),
        ...terms.map(({ of }, k) => sentence(of.id, shareSentence(terms, shares, k))),
      ),
      paragraph(...(nearWords.length > 0 ? nearWords : [noNearSentence(near)]).map((words, k) => sentence(`near-${k}`, words))),
    ],
    tables: [journalTable(sharesTable(terms, shares, caption))],
    figures: [
      {
        caption: `${caption}; ticks at 80 % (VIF 5) and 90 % (VIF 10).`,
        alternative: `Bars of the share of each predictor that the others tell; the table has the same numbers.`,
        draw: buildSharesFigure({ lines, shares, former: null, axis: shareAxis(shares.largest), limit: settings.limit, caption }),
      },
    ],
    methods: [methods],
    sources: [...RULE_SOURCES['variance inflation'], ...RULE_SOURCES['condition indices']],
  };
}

/** The regression: one sentence, one table, and where wanted what its residuals say. */
async function tellRegression(
  { settings, chosen, among, model, terms, methods, levels }: PredictorPin,
  asking: Asking,
  residuals: boolean,
): Promise<Told> {
  const { outcome } = chosen;
  const heading = residuals ? 'Residuals of the regression' : 'Regression';
  if (!outcome || terms.length === 0) {
    const words = outcome ? 'None of the predictors varies in these rows.' : 'There is no outcome for a linear regression.';
    return { ...NOTHING_TOLD, heading, paragraphs: [paragraph(sentence('none', words))] };
  }
  const kept = chosen.kept.filter(({ variable }) => terms.some((term) => term.of.id === variable));
  const whole = await asking.ask(regressionRequest({ predictors: kept, among, outcome, level: settings.level }));
  const values = whole.model;
  const columns = terms.map((term) => term.columns);
  const names = columns.flat().map((column) => model.columnNames[column] ?? '');
  const name = displayName(outcome);
  if (values.because !== null) {
    const words = NO_MODEL[values.because]({ n: values.n, predictors: names.length, outcome: name });
    return { ...NOTHING_TOLD, heading, paragraphs: [paragraph(sentence('none', words))], methods: [methods] };
  }
  const facts = { outcome: name, unit: outcome.unit, predictors: terms.map((term) => term.name), levels };
  const said = modelSentence(values, facts);
  if (residuals) {
    const words = [spreadSentence(whole.breuschPagan, levels), quantileSentence(whole.quantiles)].filter(Boolean);
    return {
      ...NOTHING_TOLD,
      heading,
      paragraphs: [paragraph(...words.map((text, k) => sentence(`residuals-${k}`, text)))],
      figures: [residualFigure(asking, whole, name), residualQuantilesFigure(asking, whole, name)].filter((figure) => figure !== null),
      methods: [methods],
      sources: [...CHECK_SOURCES['even-spread'], ...RULE_SOURCES['normal quantile plot'], ...RULE_SOURCES['smooth curve']],
      tests: 2,
    };
  }
  const { inflation } = findShares(model.triangle, columns);
  const together = columns.map((own, k) =>
    own.length > 1 ? blocksFromTriangle(model.triangle, [columns.filter((_, other) => other !== k).flat(), own])[1] : undefined,
  );
  const own = terms.map((term, k): number | null => {
    if (term.columns.length > 1) return together[k]?.change ?? null;
    const coefficient = values.coefficients[columns.slice(0, k).flat().length];
    return coefficient ? ownShare(coefficient) : null;
  });
  const rows = termRows(values, {
    terms,
    columnNames: names,
    inflation,
    together,
    referenceNames: terms.map(({ referenceName }) => referenceName),
  });
  const more = [sharedSentence(values.r2, own), besideOthersSentence(values, names)];
  return {
    ...NOTHING_TOLD,
    heading,
    paragraphs: [
      paragraph(sentence('model', said), ...more.map((words, k) => (words ? sentence(`model-${k}`, words) : null))),
      paragraph(sentence('equation', `${equationInWords(values, name, names)}.`)),
    ],
    tables: [
      journalTable(
        regressionTable(rows, {
          caption: `Linear regression of ${name} on ${terms.length === 1 ? terms[0]?.name : `${terms.length} predictors`}`,
          level: settings.level,
          levels,
          note: said,
        }),
      ),
    ],
    methods: [methods],
    sources: RULE_SOURCES['variance inflation'],
    tests: terms.length + 1,
  };
}
