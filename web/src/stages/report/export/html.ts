import type { RichBlock, RichInline, RichItem, RichText } from '@ivlen/contract';
import { escapeHtml } from '../../../controls/rich-text';
import { asHtml } from '../../../tables/table-as-text';
import { citeOf } from '../text/cite-of';
import type { WrittenBlock, WrittenReport, WrittenTable } from '../written-report';
import { shownValue } from './plain-text';

type Values = WrittenReport['values'];
const TAGS = { bold: 'b', italic: 'i', subscript: 'sub', superscript: 'sup' } as const;

/** Texts and tables of blocks, to be pasted elsewhere. */
export function blocksAsHtml(blocks: readonly WrittenBlock[], values: Values): string {
  return blocks
    .map(({ heading, text, tables }) =>
      [
        heading ? `<h2>${escapeHtml(heading)}</h2>` : '',
        text ? textAsHtml(text, values) : '',
        ...tables.map((table) => asHtml({ ...table, caption: tableTitle(table) })),
      ].join(''),
    )
    .join('');
}

/** "Table 2. Pearson’s r among 12 variables (part 1 of 2)". */
export function tableTitle({ number, caption, part }: WrittenTable): string {
  return `Table ${number}. ${caption.replace(/\.$/, '')}${part ? ` (${part})` : ''}`;
}

export function textAsHtml({ content }: RichText, values: Values): string {
  return content.map((block) => blockAsHtml(block, values)).join('');
}

function blockAsHtml(block: RichBlock, values: Values): string {
  const inlines = (content: readonly RichInline[] | undefined) => (content ?? []).map((inline) => inlineAsHtml(inline, values)).join('');
  switch (block.type) {
    case 'paragraph':
      return `<p>${inlines(block.content)}</p>`;
    case 'heading':
      return `<h${block.attrs.level + 1}>${inlines(block.content)}</h${block.attrs.level + 1}>`;
    default: {
      const tag = block.type === 'bulletList' ? 'ul' : 'ol';
      return `<${tag}>${block.content.map((item) => itemAsHtml(item, values)).join('')}</${tag}>`;
    }
  }
}

function itemAsHtml({ content }: RichItem, values: Values): string {
  return `<li>${content.map((block) => blockAsHtml(block, values)).join('')}</li>`;
}

function inlineAsHtml(inline: RichInline, values: Values): string {
  const html = bareHtml(inline, values);
  return (inline.marks ?? []).reduce((inner, { type }) => `<${TAGS[type]}>${inner}</${TAGS[type]}>`, html);
}

function bareHtml(inline: RichInline, values: Values): string {
  switch (inline.type) {
    case 'text':
      return escapeHtml(inline.text);
    case 'value':
      return escapeHtml(shownValue(inline, values));
    case 'reference':
      return escapeHtml(citeOf(inline.attrs.key));
    case 'hardBreak':
      return '<br>';
  }
}
