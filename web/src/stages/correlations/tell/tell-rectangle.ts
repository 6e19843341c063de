import type { Pinned } from '@ivlen/contract';
import { RULE_SOURCES } from '@ivlen/core';
import { rectangleFamily } from '../../../coefficients/rectangle-family';
import { commonMethod } from '../../../coefficients/requests';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { rowsInWords } from '../../../study/rows-in-use';
import { adjustedBy } from '../../../telling/adjusted-by';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import { rectangleTable } from '../rectangle/rectangle-table';
import { sentence as methodsSentence } from '../sentence';
import { pinnedOfCorrelations } from './asked-matrix';
import { askedPair, checkedPair, pairInWords } from './reported-pair';

/** Up to so many pairs have a sentence each. */
const MOST_SAID = 12;

/** Outcomes with predictors: the table, and a sentence for each pair where they are few. */
export async function tellRectangle(pinned: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const { settings, variables } = pinnedOfCorrelations(pinned, asking);
  const byRole = (wanted: 'outcome' | 'predictor') => variables.filter(({ role }) => role === wanted);
  const [outcomes, predictors] = [byRole('outcome'), byRole('predictor')];
  if (outcomes.length === 0 || predictors.length === 0) {
    const words = 'No variable of these has the role of an outcome, or none that of a predictor, any more.';
    return { ...NOTHING_TOLD, heading: 'Outcomes and predictors', paragraphs: [paragraph(sentence('none', words))] };
  }
  const matrix = await askedMatrix(asking, variables, settings);
  const family = rectangleFamily(matrix, outcomes, predictors, settings);
  const pairs = outcomes.flatMap((y) => predictors.map((x) => ({ x, y })));
  const said = pairs.length > MOST_SAID ? [] : pairs;
  const told = await Promise.all(
    said.map(async ({ x, y }) => {
      const { method, adjustedP } = family(matrix.cell(x, y));
      const reported = { x, y, method, settings, among: variables };
      const result = await askedPair(asking, reported);
      const words = pairInWords(asking, reported, result, Number.isNaN(adjustedP) ? null : adjustedP);
      return { words, id: `${x.id}~${y.id}`, pair: await checkedPair(asking, reported) };
    }),
  );
  const facts = { variables, rectangle: true, candidates: study.state.variables, rows: rowsInWords(study) };
  return {
    ...NOTHING_TOLD,
    heading: 'Results',
    paragraphs: told.flatMap(({ words, id }) => (words === null ? [] : [paragraph(sentence(id, words))])),
    tables: [journalTable(rectangleTable(matrix, outcomes, predictors, settings, family))],
    methods: [sentenceOf(methodsSentence(study, settings, facts))],
    sources: [...sourcesOfSettings(settings, [commonMethod(settings)]), ...RULE_SOURCES['strength words of Cohen']],
    pairs: told.map(({ pair }) => pair),
    tests: pairs.length * settings.methods.length,
    ...adjustedBy(settings),
  };
}
