import type { ReportSettings, RichBlock, RichInline, RichList, RichText } from '@ivlen/contract';
import { symbolStretches } from '../../../controls/rich-text';
import type { TextTable } from '../../../tables/columns';
import { isSymbol } from '../../../tables/symbol-names';
import type { WrittenReport } from '../written-report';
import { tableTitle } from './html';
import { inWords } from './paper-document';

/** The report as LaTeX for LuaLaTeX or XeLaTeX: tables with booktabs; figures by their captions, for the files exported beside it. */
export function reportAsLatex({ title, blocks, values }: WrittenReport, { paper }: Pick<ReportSettings, 'paper'>): string {
  const parts = blocks.flatMap(({ heading, text, tables, figures }) => [
    ...(heading ? [`\\section*{${escaped(heading)}}`] : []),
    ...(text ? [textAsLatex(inWords(text, values))] : []),
    ...tables.map((table) => tableAsLatex(table, tableTitle(table))),
    ...figures.map(({ number, caption }) => `% Figure ${number}: ${caption.replaceAll(/[\r\n]+/g, ' ')}`),
  ]);
  return [
    '\\documentclass[11pt]{article}',
    `\\usepackage[a4paper,margin=25mm${paper === 'landscape' ? ',landscape' : ''}]{geometry}`,
    '\\usepackage{booktabs,longtable,array,caption,fontspec}',
    '\\captionsetup{justification=raggedright,singlelinecheck=false}\\setlength{\\LTleft}{0pt}',
    '\\begin{document}',
    `\\title{${escaped(title)}}\\date{}\\maketitle`,
    ...parts,
    '\\end{document}',
    '',
  ].join('\n\n');
}

export function tableAsLatex({ head, align, rows, note }: TextTable, title: string): string {
  const line = (cells: readonly string[], write: (cell: string) => string) => `${cells.map(write).join(' & ')} \\\\`;
  const cell = (text: string) => {
    const lines = text.split('\n').map(escaped);
    return lines.length === 1 ? (lines[0] ?? '') : `\\shortstack[r]{${lines.join(' \\\\ ')}}`;
  };
  return [
    // A table of as many letters as fit on the paper fits in small ones with little between its columns.
    '{\\footnotesize\\setlength{\\tabcolsep}{2.5pt}\\setlength{\\LTcapwidth}{\\linewidth}',
    `\\begin{longtable}{${align.map((side) => (side === 'left' ? 'l' : 'r')).join('')}}`,
    `\\caption*{${escaped(title)}} \\\\`,
    '\\toprule',
    line(head, (name) => (isSymbol(name) ? `\\textit{${escaped(name)}}` : escaped(name))),
    '\\midrule \\endhead',
    ...rows.map((cells) => line(cells, cell)),
    '\\bottomrule',
    '\\end{longtable}',
    ...(note ? [`\\noindent\\textit{Note.} ${withSymbols(note)}\\par`] : []),
    '}',
  ].join('\n');
}

export function textAsLatex({ content }: RichText): string {
  return content.map(blockText).join('\n\n');
}

function blockText(block: RichBlock): string {
  switch (block.type) {
    case 'paragraph':
      return inlinesText(block.content);
    case 'heading':
      return `\\${block.attrs.level === 2 ? 'subsection' : 'subsubsection'}*{${inlinesText(block.content)}}`;
    default:
      return listText(block);
  }
}

function listText({ type, content }: RichList): string {
  const name = type === 'bulletList' ? 'itemize' : 'enumerate';
  const items = content.map(
    (item) =>
      `\\item ${item.content.map((block) => (block.type === 'paragraph' ? inlinesText(block.content) : listText(block))).join('\n\n')}`,
  );
  return [`\\begin{${name}}`, ...items, `\\end{${name}}`].join('\n');
}

const COMMANDS = { bold: 'textbf', italic: 'textit', subscript: 'textsubscript', superscript: 'textsuperscript' } as const;

function inlinesText(inlines: readonly RichInline[] | undefined): string {
  return (inlines ?? [])
    .map((inline) => {
      if (inline.type === 'hardBreak') return '\\\\ ';
      if (inline.type !== 'text') return '';
      return (inline.marks ?? []).reduce((text, { type }) => `\\${COMMANDS[type]}{${text}}`, escaped(inline.text));
    })
    .join('');
}

function withSymbols(text: string): string {
  let [written, at] = ['', 0];
  for (const [from, to] of symbolStretches(text)) {
    written += `${escaped(text.slice(at, from))}\\textit{${escaped(text.slice(from, to))}}`;
    at = to;
  }
  return written + escaped(text.slice(at));
}

const COMMAND_OF: Readonly<Record<string, string>> = {
  '\\': '\\textbackslash{}',
  '^': '\\textasciicircum{}',
  '~': '\\textasciitilde{}',
  '−': '$-$',
  '≤': '$\\le$',
  '≥': '$\\ge$',
  '≠': '$\\ne$',
  '×': '$\\times$',
  ρ: '$\\rho$',
  τ: '$\\tau$',
  '²': '$^{2}$',
  '<': '$<$',
  '>': '$>$',
};

/** Longer than a line, as checksums are: it may be broken anywhere. */
const LONG_WORD = /\S{50,}/g;
const BREAK = '\u200B';

/** Signs that mean something in LaTeX stand for themselves; those that its usual letters lack are written as mathematics. */
function escaped(text: string): string {
  const broken = text.replaceAll(LONG_WORD, (word) => word.replaceAll(/.{16}(?=.)/gu, `$&${BREAK}`));
  return broken.replaceAll(/[\\^~−≤≥≠×ρτ²<>]|[&%$#_{}]/g, (sign) => COMMAND_OF[sign] ?? `\\${sign}`).replaceAll(BREAK, '\\allowbreak{}');
}
