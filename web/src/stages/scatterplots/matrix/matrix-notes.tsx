import { rowsInUse } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { joined } from '../../../coefficients/coefficient-names';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { displayName } from '../../../study/variable-name';
import { shareInWords } from '../panel-words';
import { MOST_SMOOTHED } from '../plotting/pair-fits';
import { MOST_SHAPED } from '../plotting/plotter';
import { MOST_POINTS } from './layout';
import type { SceneFacts } from './use-matrix-scene';

interface MatrixNotesProps {
  readonly facts: SceneFacts;
  /** Most rows in one bin. */
  readonly most: number;
  readonly levels: readonly number[];
}

/** What the marks in the panels mean, in words. */
export function MatrixNotes({ facts, most, levels }: MatrixNotesProps) {
  const notes = matrixNotes(facts, most, levels);
  return notes.length === 0 ? null : <p className="min-w-0 flex-1 text-[13px] text-muted">{notes.join(' ')}</p>;
}

export function matrixNotes(
  { study, rows, columns, settings, correlation, rankMethod, groups }: SceneFacts,
  most: number,
  levels: readonly number[],
): string[] {
  const square = rows === columns;
  const contents = square ? [settings.below, settings.above] : [settings.below];
  const method = correlation.methods[0] ?? 'pearson';
  const [own, ranked] = [COEFFICIENTS[method].symbol, COEFFICIENTS[rankMethod].symbol];
  const used = rowsInUse(study);
  const adjusted =
    correlation.adjust === 'none' ? '' : ` (${adjustmentInWords(correlation.adjust)}${groups.by ? '; those of groups unadjusted' : ''})`;
  const zoomed = [...new Set([...rows, ...columns])].filter(({ id }) => settings.bulk.includes(id)).map(displayName);
  const binned = contents.includes('bins') || (used > MOST_POINTS && (contents.includes('points') || contents.includes('ranks')));
  const plotted = contents.some((content) => content !== 'coefficient' && content !== 'nothing');
  return [
    settings.corners && contents.includes('ranks') && contents.some((content) => content === 'points' || content === 'bins')
      ? `Over values ${own}, over ranks ${ranked}.`
      : '',
    contents.includes('coefficient') ? `${own}: ${marksInWords(levels)}${adjusted}.` : '',
    plotted ? `n is noted where a pair lacks values${contents.includes('ranks') ? '; its ranks end there' : ''}.` : '',
    zoomed.length > 0 && plotted ? `Zoomed to the bulk: ${joined(zoomed)}; values beyond are marked at the edge.` : '',
    settings.ellipse
      ? `Ellipses would hold ${shareInWords(settings.share)} of ${groups.by ? 'a group’s' : 'the'} cases if jointly normal.`
      : '',
    settings.curve && used > MOST_SMOOTHED ? `Smooth curves run through ${MOST_SMOOTHED.toLocaleString('en-GB')} rows, taken evenly.` : '',
    binned && most > 0 ? `Bins: darker for more rows, up to ${most.toLocaleString('en-GB')} in one.` : '',
    groups.by && binned ? 'Groups are not told apart in bins.' : '',
    groups.by && !binned && plotted && used > MOST_SHAPED ? 'So many points are squares; the groups’ shapes have no room.' : '',
  ].filter(Boolean);
}

/** "* p ≤ .05, ** p ≤ .01" */
function marksInWords(levels: readonly number[]): string {
  return levels.map((level, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(level)}`).join(', ');
}
