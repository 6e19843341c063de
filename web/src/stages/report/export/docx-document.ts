import type { RichBlock, RichInline, RichItem, RichList } from '@ivlen/contract';
import {
  AlignmentType,
  BorderStyle,
  convertMillimetersToTwip,
  Document,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  LineRuleType,
  PageOrientation,
  Paragraph,
  type ParagraphChild,
  Table,
  TableCell,
  TableLayoutType,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import { symbolStretches } from '../../../controls/rich-text';
import { isSymbol } from '../../../tables/symbol-names';
import type { PaperBlock, PaperDocument, PaperFigure, PaperTable } from './paper-document';

const [PAGE_WIDE, PAGE_HIGH, MARGIN] = [210, 297, 25].map(convertMillimetersToTwip) as [number, number, number];
const PIXELS_PER_MM = 96 / 25.4;
const FONT = 'Times New Roman';
const [LISTED, NUMBERED] = ['listed', 'numbered'];
const HALF_POINTS = { text: 22, table: 18, note: 18 } as const;
const LINE = { style: BorderStyle.SINGLE, size: 6, color: '000000' } as const;
const NONE = { style: BorderStyle.NONE, size: 0, color: 'auto' } as const;

/** A report as a Word document: real headings, lists and tables, captions, figures with their text alternative. */
export function docxOf({ title, paper, blocks }: PaperDocument): Document {
  const landscape = paper === 'landscape';
  const room = (landscape ? PAGE_HIGH : PAGE_WIDE) - 2 * MARGIN;
  return new Document({
    title,
    creator: 'Ivlen',
    styles: {
      default: {
        document: {
          run: { font: FONT, size: HALF_POINTS.text },
          paragraph: { spacing: { after: 120, line: 276, lineRule: LineRuleType.AUTO } },
        },
        title: { run: { font: FONT, size: 36, bold: true }, paragraph: { spacing: { after: 240 } } },
        heading1: { run: { font: FONT, size: 28, bold: true }, paragraph: { spacing: { before: 320, after: 120 }, keepNext: true } },
        heading2: { run: { font: FONT, size: 24, bold: true }, paragraph: { spacing: { before: 240, after: 80 }, keepNext: true } },
        heading3: { run: { font: FONT, size: 22, italics: true }, paragraph: { spacing: { before: 160, after: 60 }, keepNext: true } },
      },
      paragraphStyles: [
        {
          id: 'Caption',
          name: 'caption',
          basedOn: 'Normal',
          run: { size: HALF_POINTS.text },
          paragraph: { spacing: { before: 200, after: 80 } },
        },
        {
          id: 'TableNote',
          name: 'Table note',
          basedOn: 'Normal',
          run: { size: HALF_POINTS.note },
          paragraph: { spacing: { before: 60, after: 240 } },
        },
        {
          id: 'TableText',
          name: 'Table text',
          basedOn: 'Normal',
          run: { size: HALF_POINTS.table },
          paragraph: { spacing: { before: 20, after: 20, line: 240, lineRule: LineRuleType.AUTO } },
        },
      ],
    },
    numbering: {
      config: [
        { reference: LISTED, levels: levels(LevelFormat.BULLET, () => '•') },
        { reference: NUMBERED, levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`) },
      ],
    },
    sections: [
      {
        properties: {
          page: {
            size: {
              // Written as portrait: the orientation turns it.
              width: PAGE_WIDE,
              height: PAGE_HIGH,
              orientation: landscape ? PageOrientation.LANDSCAPE : PageOrientation.PORTRAIT,
            },
            margin: { top: MARGIN, right: MARGIN, bottom: MARGIN, left: MARGIN },
          },
        },
        children: [new Paragraph({ text: title, heading: HeadingLevel.TITLE }), ...blocks.flatMap((block) => blockOf(block, room))],
      },
    ],
  });
}

function levels(format: (typeof LevelFormat)[keyof typeof LevelFormat], text: (level: number) => string) {
  return Array.from({ length: 9 }, (_, level) => ({
    level,
    format,
    text: text(level),
    alignment: AlignmentType.LEFT,
    style: { paragraph: { indent: { left: 360 * (level + 1), hanging: 260 }, spacing: { after: 60 } } },
  }));
}

function blockOf({ heading, text, tables, figures }: PaperBlock, room: number): (Paragraph | Table)[] {
  return [
    ...(heading ? [new Paragraph({ text: heading, heading: HeadingLevel.HEADING_1 })] : []),
    ...(text?.content.flatMap((part) => textOf(part)) ?? []),
    ...tables.flatMap((table) => tableOf(table, room)),
    ...figures.flatMap(figureOf),
  ];
}

function textOf(block: RichBlock): Paragraph[] {
  switch (block.type) {
    case 'paragraph':
      return [new Paragraph({ children: runsOf(block.content) })];
    case 'heading':
      return [
        new Paragraph({
          children: runsOf(block.content),
          heading: block.attrs.level === 2 ? HeadingLevel.HEADING_2 : HeadingLevel.HEADING_3,
        }),
      ];
    default:
      return listOf(block, 0);
  }
}

function listOf({ type, content }: RichList, level: number): Paragraph[] {
  const numbering = { reference: type === 'bulletList' ? LISTED : NUMBERED, level } as { reference: string; level: number };
  const item = (children: RichItem['content']) =>
    children.flatMap((child, i) =>
      child.type === 'paragraph'
        ? [new Paragraph({ children: runsOf(child.content), ...(i === 0 ? { numbering } : { indent: { left: 360 * (level + 1) } }) })]
        : listOf(child, level + 1),
    );
  return content.flatMap((child) => item(child.content));
}

function runsOf(inlines: readonly RichInline[] | undefined): ParagraphChild[] {
  return (inlines ?? []).flatMap((inline): ParagraphChild[] => {
    if (inline.type === 'hardBreak') return [new TextRun({ break: 1 })];
    if (inline.type !== 'text') return [];
    const has = (mark: string) => inline.marks?.some(({ type }) => type === mark) ?? false;
    return [
      new TextRun({
        text: inline.text,
        bold: has('bold'),
        italics: has('italic'),
        subScript: has('subscript'),
        superScript: has('superscript'),
      }),
    ];
  });
}

/** A sentence whose symbols of statistics are in italics. */
function withSymbols(text: string): TextRun[] {
  const runs: TextRun[] = [];
  let at = 0;
  for (const [from, to] of symbolStretches(text)) {
    runs.push(new TextRun(text.slice(at, from)), new TextRun({ text: text.slice(from, to), italics: true }));
    at = to;
  }
  return [...runs, new TextRun(text.slice(at))];
}

function titled(title: string, italic: boolean, keepNext: boolean): Paragraph {
  const [, number = '', rest = title] = /^((?:Table|Figure) \d+\.) (.*)$/s.exec(title) ?? [];
  return new Paragraph({
    style: 'Caption',
    keepNext,
    children: [
      new TextRun({ text: `${number} `, bold: true }),
      ...(italic ? [new TextRun({ text: rest, italics: true })] : withSymbols(rest)),
    ],
  });
}

function tableOf({ title, head, align, rows, note }: PaperTable, room: number): (Paragraph | Table)[] {
  const widths = columnWidths(head, rows, room);
  const cell = (text: string, j: number, run: { italics?: boolean }, borders: object) =>
    new TableCell({
      borders: { top: NONE, bottom: NONE, left: NONE, right: NONE, ...borders },
      width: { size: widths[j] ?? 0, type: WidthType.DXA },
      margins: { left: 60, right: 60 },
      children: text.split('\n').map(
        (line) =>
          new Paragraph({
            style: 'TableText',
            alignment: align[j] === 'left' ? AlignmentType.LEFT : AlignmentType.RIGHT,
            children: [new TextRun({ text: line, ...run })],
          }),
      ),
    });
  const table = new Table({
    width: { size: widths.reduce((sum, width) => sum + width, 0), type: WidthType.DXA },
    columnWidths: widths,
    layout: TableLayoutType.FIXED,
    borders: { top: LINE, bottom: LINE, left: NONE, right: NONE, insideHorizontal: NONE, insideVertical: NONE },
    rows: [
      new TableRow({
        tableHeader: true,
        cantSplit: true,
        children: head.map((name, j) => cell(name, j, { italics: isSymbol(name) }, { top: LINE, bottom: LINE })),
      }),
      ...rows.map(
        (cells, i) =>
          new TableRow({
            cantSplit: true,
            children: cells.map((text, j) => cell(text, j, {}, i === rows.length - 1 ? { bottom: LINE } : {})),
          }),
      ),
    ],
  });
  const noted = note ? [new TextRun({ text: 'Note. ', italics: true }), ...withSymbols(note)] : [];
  return [titled(title, true, true), table, new Paragraph({ style: 'TableNote', children: noted })];
}

/** Columns as wide as their longest line, names of rows first; all of them narrower where they do not fit. */
function columnWidths(head: readonly string[], rows: readonly (readonly string[])[], room: number): number[] {
  const letters = head.map((name, j) =>
    Math.max(
      4,
      // Words of a heading may stand under each other; what stands in a cell may not.
      ...name.split(' ').map(({ length }) => length),
      ...rows.flatMap((cells) => (cells[j] ?? '').split('\n').map(({ length }) => Math.min(length, 44))),
    ),
  );
  const wanted = letters.map((count) => count * 98 + 150);
  const total = wanted.reduce((sum, width) => sum + width, 0);
  const scale = total > room ? room / total : 1;
  return wanted.map((width) => Math.floor(width * scale));
}

function figureOf({ number, caption, alternative, png, width, height }: PaperFigure): Paragraph[] {
  if (!png) return [];
  const picture = new ImageRun({
    type: 'png',
    data: png,
    transformation: { width: Math.round(width * PIXELS_PER_MM), height: Math.round(height * PIXELS_PER_MM) },
    altText: { name: `Figure ${number}`, title: `Figure ${number}`, description: alternative },
  });
  return [
    new Paragraph({ children: [picture], keepNext: true, spacing: { before: 200, after: 60, line: 240, lineRule: LineRuleType.AUTO } }),
    titled(`Figure ${number}. ${caption}`, false, false),
  ];
}
