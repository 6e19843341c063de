import type { CorrelationSettings, Pinned } from '@ivlen/contract';
import { byMethod, COEFFICIENTS, RULE_SOURCES, smallestDetectable } from '@ivlen/core';
import { z } from 'zod';
import { levelInWords } from '../../../coefficients/levels';
import type { Matrix } from '../../../coefficients/matrix';
import { commonMethod } from '../../../coefficients/requests';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { adjustedForPicking, bySize, strongestOf } from '../../../coefficients/strongest';
import { distinctPairs, tally } from '../../../coefficients/tally';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { coefficientText } from '../../../numbers/number-text';
import { rowsInWords } from '../../../study/rows-in-use';
import { adjustedBy } from '../../../telling/adjusted-by';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import { filterPairs, rankedColumns, sortPairs } from '../ranked/ranked-columns';
import { rankedTable } from '../ranked/ranked-table';
import { filtersInWords } from '../ranked/ranking-words';
import { CAUTIONED, SIGNIFICANCE } from '../ranked/use-ranking';
import { sentence as methodsSentence } from '../sentence';
import { askedByEveryMethod, askedCautions, pinnedOfCorrelations } from './asked-matrix';
import { askedPair, checkedPair, pairInWords } from './reported-pair';

/** How the pairs were sorted and filtered. */
const rankingSchema = z.object({
  ranking: z
    .object({
      sort: z.string(),
      ascending: z.boolean(),
      find: z.string(),
      least: z.number(),
      significance: z.enum(SIGNIFICANCE),
      cautioned: z.enum(CAUTIONED),
    })
    .optional(),
});
/** A test at this level would find anything with the probability of .80 that is asked for. */
const WIDEST = 0.8;
/** What of the ranked pairs is printed. */
const PRINTED = new Set(['pair', 'size', 'n', 'p', 'adjusted', 'interval', 'shared']);

/** All pairs as a list, the strongest first. */
export async function tellRanked(pinned: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const { settings, variables } = pinnedOfCorrelations(pinned, asking);
  const { ranking } = rankingSchema.parse(pinned.settings);
  const looksAtCautions = ranking !== undefined && (ranking.cautioned !== 'any' || ranking.sort === 'cautions');
  const cautions = looksAtCautions ? await askedCautions(asking, variables, settings) : undefined;
  const matrix = await askedByEveryMethod(asking, variables, settings, cautions);
  const all = rankedColumns(settings);
  const columns = all.filter(({ id }) => PRINTED.has(id) || (id === 'cautions' && looksAtCautions));
  const listed = distinctPairs(matrix)
    .map((main) => ({ main, by: byMethod((method) => matrix.cellBy(method, main.row, main.column)) }))
    .toSorted((a, b) => bySize(a.main, b.main));
  const pairs = ranking ? sortPairs(filterPairs(listed, ranking, settings), ranking, all) : listed;
  const table = rankedTable(pairs, columns, settings);
  const left = ranking ? filtersInWords(ranking, pairs.length, listed.length) : '';
  const facts = { variables, candidates: study.state.variables, rows: rowsInWords(study) };
  return {
    ...NOTHING_TOLD,
    heading: 'Correlations',
    tables: [journalTable({ ...table, note: [left, table.note].filter(Boolean).join(' ') })],
    methods: [sentenceOf(methodsSentence(study, settings, facts))],
    sources: sourcesOfSettings(settings, [commonMethod(settings)]),
    tests: tally(matrix, settings).pairs,
    ...adjustedBy(settings),
  };
}

/** The strongest pairs in a sentence each, with how they were picked and among how many. */
export async function tellStrongest(pinned: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const { settings: own, variables } = pinnedOfCorrelations(pinned, asking);
  // Picked among many, a p by itself says little.
  const settings = adjustedForPicking(own);
  const matrix = await askedMatrix(asking, variables, settings);
  const picked = strongestOf(matrix, settings);
  const told = await Promise.all(
    picked.map(async (cell) => {
      const [x, y] = cell.row.role === 'predictor' || cell.column.role === 'outcome' ? [cell.row, cell.column] : [cell.column, cell.row];
      const reported = { x, y, method: cell.method, settings, among: variables };
      const words = pairInWords(asking, reported, await askedPair(asking, reported), cell.adjustedP);
      return { words, id: `${x.id}~${y.id}`, pair: await checkedPair(asking, reported) };
    }),
  );
  const facts = { variables, candidates: study.state.variables, rows: rowsInWords(study) };
  return {
    ...NOTHING_TOLD,
    heading: 'Results',
    paragraphs: [
      paragraph(sentence('picked', pickedInWords(matrix, settings, picked.length, own.adjust === 'none'))),
      ...told.flatMap(({ words, id }) => (words === null ? [] : [paragraph(sentence(id, words))])),
    ],
    methods: [sentenceOf(methodsSentence(study, settings, facts))],
    sources: [...sourcesOfSettings(settings, [commonMethod(settings)]), ...RULE_SOURCES['strength words of Cohen']],
    pairs: told.map(({ pair }) => pair),
    tests: tally(matrix, settings).pairs,
    ...adjustedBy(settings),
  };
}

/** How the pairs that are said were picked; or that none was, with what could have been found. */
function pickedInWords(
  matrix: Pick<Matrix, 'variables' | 'cell'>,
  settings: CorrelationSettings,
  said: number,
  adjustedForThis: boolean,
): string {
  const { pairs, marked, fewest } = tally(matrix, settings);
  const { levels, alternative } = settings;
  const [alpha = 0.05] = levels;
  const { symbol } = COEFFICIENTS[commonMethod(settings)];
  const adjusted = `${adjustmentInWords(settings.adjust)}${adjustedForThis ? ', which was done for this choice' : ''}`;
  if (said === 0) {
    const least = alpha < WIDEST ? smallestDetectable({ n: fewest, alpha, alternative }) : Number.NaN;
    const detectable = Number.isNaN(least)
      ? ''
      : ` With ${fewest} rows, an association of |r| = ${coefficientText(Math.abs(least))} would be found with a probability of .80 by a single test at ${levelInWords(alpha)}.`;
    return `No association reached p ≤ ${levelInWords(alpha)}, ${adjusted}, among ${pairs} pairs.${detectable}`;
  }
  const those =
    said === marked
      ? `${said === 1 ? 'That is' : 'These are'} said below, the largest |${symbol}| first.`
      : `The ${said} with the largest |${symbol}| are said below.`;
  return `Of ${pairs} pairs, ${marked} reached p ≤ ${levelInWords(alpha)}, ${adjusted}. ${those}`;
}
