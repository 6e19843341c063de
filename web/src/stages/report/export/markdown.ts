import type { RichBlock, RichInline, RichItem, RichList, RichText } from '@ivlen/contract';
import type { TextTable } from '../../../tables/columns';
import type { WrittenReport } from '../written-report';
import { tableTitle } from './html';
import { inWords } from './paper-document';

/** The report as Markdown: tables with bars; figures by their captions, since a text holds no pictures. */
export function reportAsMarkdown({ title, blocks, values }: WrittenReport): string {
  const parts = blocks.flatMap(({ heading, text, tables, figures }) => [
    ...(heading ? [`## ${escaped(heading)}`] : []),
    ...(text ? [textAsMarkdown(inWords(text, values))] : []),
    ...tables.map((table) => tableAsMarkdown(table, tableTitle(table))),
    ...figures.map(({ number, caption, alternative }) => `*Figure ${number}.* ${escaped(caption)} (${escaped(alternative)})`),
  ]);
  return `${[`# ${escaped(title)}`, ...parts].filter(Boolean).join('\n\n')}\n`;
}

export function tableAsMarkdown({ head, align, rows, note }: TextTable, title: string): string {
  const line = (cells: readonly string[]) => `| ${cells.map((cell) => escaped(cell).replaceAll('\n', '<br>')).join(' | ')} |`;
  const rule = `|${align.map((side) => (side === 'left' ? ' :-- ' : ' --: ')).join('|')}|`;
  return [`**${escaped(title)}**`, '', line(head), rule, ...rows.map(line), ...(note ? ['', `*Note.* ${escaped(note)}`] : [])].join('\n');
}

export function textAsMarkdown({ content }: RichText): string {
  return content.map((block) => blockText(block)).join('\n\n');
}

function blockText(block: RichBlock): string {
  switch (block.type) {
    case 'paragraph':
      return inlinesText(block.content);
    case 'heading':
      return `${'#'.repeat(block.attrs.level + 1)} ${inlinesText(block.content)}`;
    default:
      return listText(block, '');
  }
}

function listText({ type, content }: RichList, indent: string): string {
  return content.map((item, i) => itemText(item, indent, type === 'bulletList' ? '- ' : `${i + 1}. `)).join('\n');
}

function itemText({ content }: RichItem, indent: string, mark: string): string {
  const further = indent + ' '.repeat(mark.length);
  return content
    .map((block, i) =>
      block.type === 'paragraph' ? `${i === 0 ? indent + mark : `\n${further}`}${inlinesText(block.content)}` : listText(block, further),
    )
    .join('\n');
}

const MARKS = { bold: ['**', '**'], italic: ['*', '*'], subscript: ['<sub>', '</sub>'], superscript: ['<sup>', '</sup>'] } as const;

function inlinesText(inlines: readonly RichInline[] | undefined): string {
  return (inlines ?? [])
    .map((inline) => {
      if (inline.type === 'hardBreak') return '  \n';
      if (inline.type !== 'text') return '';
      return (inline.marks ?? []).reduce((text, { type }) => emphasised(text, MARKS[type]), escaped(inline.text));
    })
    .join('');
}

/** A mark has to touch its words: spaces at the ends stand outside. */
function emphasised(text: string, [open, close]: readonly [string, string]): string {
  const [, before = '', inner = '', after = ''] = /^(\s*)(.*?)(\s*)$/s.exec(text) ?? [];
  return inner === '' ? text : before + open + inner + close + after;
}

/** Signs that mean something in Markdown or HTML stand for themselves. */
function escaped(text: string): string {
  return text
    .replaceAll(/[\\`*_{}[\]|#~$]/g, '\\$&')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;');
}
