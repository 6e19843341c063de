import type { CorrelationSettings, Half, Pinned, ReportSettings } from '@ivlen/contract';
import { COEFFICIENTS, countMarks } from '@ivlen/core';
import { createElement } from 'react';
import { decisiveP, type GridCellData } from '../../../coefficients/cell-data';
import { coefficientNames } from '../../../coefficients/coefficient-names';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { tally } from '../../../coefficients/tally';
import { asFile } from '../../../figures/export/as-file';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { coefficientText, intervalText, pRelationText } from '../../../numbers/number-text';
import { rowsInWords } from '../../../study/rows-in-use';
import { adjustedBy } from '../../../telling/adjusted-by';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { sourcesOfRemedies, sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import { cellText, describeRequest, matrixTable } from '../matrix-table';
import { sentence as methodsSentence } from '../sentence';
import { pinnedOfCorrelations } from './asked-matrix';
import { MatrixFigure } from './matrix-figure';

/** The matrix as a table with means and standard deviations, as a figure, and counted in a sentence. */
export async function tellMatrix(pinned: Pinned, asking: Asking): Promise<Told> {
  const { study, report } = asking;
  const { settings, variables } = pinnedOfCorrelations(pinned, asking);
  const [matrix, described] = await Promise.all([askedMatrix(asking, variables, settings), asking.ask(describeRequest(variables))]);
  const table = matrixTable(study, matrix, settings, described.variables, (cell, half) => written(cell, half, settings, report));
  const under = intervalNote(settings, report);
  const methods = sentenceOf(methodsSentence(study, settings, { variables, candidates: study.state.variables, rows: rowsInWords(study) }));
  const names = coefficientNames([settings.methods[0] ?? 'pearson']);
  const caption = `${names} among ${variables.length} variables.`;
  return {
    ...NOTHING_TOLD,
    heading: 'Correlations',
    paragraphs: [paragraph(sentence('tally', talliedInWords(matrix, settings)))],
    tables: [journalTable(under ? { ...table, note: `${table.note ?? ''} ${under}` } : table)],
    figures: [
      {
        caption,
        alternative: `Tiles of ${names} among ${variables.length} variables, coloured by sign and size; the table has the same numbers.`,
        draw: async (options, fontFace) => ({
          svg: await asFile(
            createElement(MatrixFigure, { matrix, settings, options, caption, title: caption, ...(fontFace ? { fontFace } : {}) }),
          ),
          caption,
          shapes: true,
        }),
      },
    ],
    usual: ['text', 'tables'],
    methods: [methods],
    sources: [
      ...sourcesOfSettings(settings, settings.methods),
      ...(settings.control.length > 0 ? [] : sourcesOfRemedies(study, Object.keys(study.state.remedies.pairs))),
    ],
    tests: tally(matrix, settings).pairs * settings.methods.length,
    ...adjustedBy(settings),
  };
}

/** A cell of the journal's table: the coefficient with its marks or its p, and its interval under it where wanted. */
function written(cell: GridCellData, half: Half, settings: CorrelationSettings, { significance, intervals }: ReportSettings): string {
  if (half === 'plot') return '';
  if (half !== 'coefficient') return cellText(cell, half, settings);
  if (Number.isNaN(cell.coefficient)) return '–';
  const p = decisiveP(cell);
  const marks = significance === 'marks' ? '*'.repeat(countMarks(p, settings.levels)) : '';
  const lines = [`${coefficientText(cell.coefficient)}${marks}`];
  if (significance === 'p' && !Number.isNaN(p)) lines.push(pRelationText(p, settings.levels));
  if (intervals && !Number.isNaN(cell.low)) lines.push(intervalText(cell.low, cell.high));
  return lines.join('\n');
}

function intervalNote({ level, methods }: CorrelationSettings, { intervals }: ReportSettings): string {
  if (!intervals) return '';
  return `Under each ${COEFFICIENTS[methods[0] ?? 'pearson'].symbol} its ${Math.round(level * 1000) / 10} % confidence interval.`;
}

/** "Of 66 correlations among 12 variables, 43 reached p ≤ .05, unadjusted; 3.3 would be expected if nothing were associated." */
function talliedInWords(matrix: Parameters<typeof tally>[0], settings: CorrelationSettings): string {
  const { pairs, marked, expected, without } = tally(matrix, settings);
  const [alpha = 0.05] = settings.levels;
  const chance = expected === null ? '' : `; ${expected} would be expected if nothing were associated`;
  const missing = without === 0 ? '' : ` ${without} could not be computed.`;
  const of = `Of ${pairs} ${pairs === 1 ? 'correlation' : 'correlations'} among ${matrix.variables.length} variables`;
  return `${of}, ${marked === 0 ? 'none' : marked} reached p ≤ ${levelInWords(alpha)}, ${adjustmentInWords(settings.adjust)}${chance}.${missing}`;
}
