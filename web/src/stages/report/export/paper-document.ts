import type { ReportSettings, RichText } from '@ivlen/contract';
import { embeddedFonts } from '../../../figures/export/figure-fonts';
import type { FigureOptions } from '../../../figures/export/figure-options';
import { svgToPng } from '../../../figures/export/to-png';
import type { TextTable } from '../../../tables/columns';
import { FIGURE_ON_PAGE } from '../blocks/figure-on-page';
import { citeOf } from '../text/cite-of';
import { mapInlines, type WrittenReport } from '../written-report';
import { tableTitle } from './html';
import { shownValue } from './plain-text';

/** A figure as a picture, with its size on paper in millimetres. */
export interface PaperFigure {
  readonly number: number;
  readonly caption: string;
  readonly alternative: string;
  readonly svg: string;
  readonly png: ArrayBuffer | null;
  readonly width: number;
  readonly height: number;
}

export interface PaperTable extends TextTable {
  /** "Table 2. …" */
  readonly title: string;
}

export interface PaperBlock {
  readonly heading: string;
  /** Numbers and sources in it are words. */
  readonly text: RichText | null;
  readonly tables: readonly PaperTable[];
  readonly figures: readonly PaperFigure[];
}

/** A report made ready for paper: every number as it is now, every figure drawn. */
export interface PaperDocument {
  readonly title: string;
  readonly paper: ReportSettings['paper'];
  readonly blocks: readonly PaperBlock[];
}

export type Tell = (done: number, total: number) => void;

interface PaperOptions {
  /** Whether figures are needed as pictures of dots as well, each drawn with fonts of its own. */
  readonly pictures: boolean;
}

/** Draws the figures of a report one after the other, telling how far it has come. */
export async function paperDocument(
  { title, blocks, values }: WrittenReport,
  { paper }: Pick<ReportSettings, 'paper'>,
  tell: Tell,
  { pictures }: PaperOptions,
): Promise<PaperDocument> {
  const total = blocks.reduce((sum, { figures }) => sum + figures.length, 0) + 1;
  let done = 0;
  const fontFace = pictures && total > 1 ? await embeddedFonts() : undefined;
  const ready: PaperBlock[] = [];
  for (const { heading, text, tables, figures } of blocks) {
    const drawn: PaperFigure[] = [];
    for (const { number, caption, alternative, draw } of figures) {
      const { svg } = await draw(FIGURE_ON_PAGE, fontFace);
      const png = pictures ? await (await svgToPng(svg, FIGURE_ON_PAGE)).arrayBuffer() : null;
      drawn.push({ number, caption, alternative, svg: svg.replace(/^<\?xml[^>]*>\s*/, ''), png, ...sizeOf(svg, FIGURE_ON_PAGE) });
      tell(++done, total);
    }
    ready.push({
      heading,
      text: text && inWords(text, values),
      tables: tables.map((table) => ({ ...table, title: tableTitle(table) })),
      figures: drawn,
    });
  }
  return { title, paper, blocks: ready };
}

/** A text with its numbers and sources as words. */
export function inWords(text: RichText, values: WrittenReport['values']): RichText {
  return mapInlines(text, (inline) => {
    const marks = inline.marks ? { marks: inline.marks } : {};
    if (inline.type === 'value') return { type: 'text', text: shownValue(inline, values) || '–', ...marks };
    return inline.type === 'reference' ? { type: 'text', text: citeOf(inline.attrs.key), ...marks } : inline;
  });
}

/** Width and height on paper, from the drawing's own proportions. */
function sizeOf(svg: string, { width }: FigureOptions): { width: number; height: number } {
  const [, wide = '1', high = '1'] = /viewBox="[\d.-]+ [\d.-]+ ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
  return { width, height: (width * Number(high)) / Number(wide) };
}
