import { createElement, useCallback, useMemo } from 'react';
import { asFile } from '../../../figures/export/as-file';
import { filePalette } from '../../../figures/export/day-colours';
import { ExportFigureButton } from '../../../figures/export/export-figure-button';
import { type BuildFigure, drawingWidth, FONT_UNITS } from '../../../figures/export/figure-options';
import type { ComparedPair } from '../../../groups/compared-pairs';
import { wholeSentence } from '../../../groups/words';
import { displayName } from '../../../study/variable-name';
import { TableTools } from '../../../tables/table-tools';
import type { SubgroupProps } from '../stage-props';
import { PairsFigure } from './pairs-figure';
import { pairsTable } from './pairs-table';

/** More lanes than this are no figure. */
const MOST_LANES = 120;

/** Takes the pairs along: as a table for the paper, as a file with every digit, as a figure. */
export function PairsExport({ study, settings, taking, compared, shown }: SubgroupProps & { readonly shown: readonly ComparedPair[] }) {
  const { groups } = compared;
  const table = useMemo(() => pairsTable(shown, groups, taking, settings), [shown, groups, taking, settings]);
  const name = `${study.name} by ${displayName(taking.by)}`;
  const build = useCallback<BuildFigure>(
    async (options, fontFace) => {
      const pairs = shown.slice(0, MOST_LANES);
      const caption = `${table.caption}: coefficients with intervals. ${wholeSentence(compared, taking, settings)}${shownInWords(pairs.length, shown.length, compared.pairs.length)}`;
      const element = createElement(PairsFigure, {
        pairs,
        groups,
        levels: settings.levels,
        palette: filePalette(options.colour),
        width: drawingWidth(options, FONT_UNITS),
        title: name,
        caption,
        millimetres: options.width,
        ...(fontFace ? { fontFace } : {}),
      });
      return { svg: await asFile(element), caption, shapes: true };
    },
    [shown, groups, compared, taking, settings, table.caption, name],
  );
  return (
    <span className="inline-flex items-center gap-4">
      <TableTools table={table} fileName={name} />
      <ExportFigureButton name={name} build={shown.length > 0 ? build : null} />
    </span>
  );
}

/** Which of the pairs the figure has, where it has not all that the sentence before speaks of. */
export function shownInWords(drawn: number, shown: number, all: number): string {
  const some = shown < all ? ` ${shown} of these ${all} pairs are chosen.` : '';
  return `${some}${drawn < shown ? ` The first ${drawn} of ${shown} pairs are drawn.` : ''}`;
}
