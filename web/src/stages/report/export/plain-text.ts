import type { RichBlock, RichInline, RichItem, RichText } from '@ivlen/contract';
import { citeOf } from '../text/cite-of';
import type { WrittenReport } from '../written-report';

type Values = WrittenReport['values'];

/** A number of a text as it is now; as it last was where it is no longer told. */
export function shownValue({ attrs: { block, key, shown } }: Extract<RichInline, { type: 'value' }>, values: Values): string {
  return values.get(block)?.get(key)?.shown ?? shown;
}

/** A text without its looks. */
export function plainText({ content }: RichText, values: Values): string {
  return content.map((block) => blockText(block, values, '')).join('\n\n');
}

function blockText(block: RichBlock, values: Values, indent: string): string {
  if (block.type === 'paragraph' || block.type === 'heading')
    return indent + (block.content ?? []).map((inline) => inlineText(inline, values)).join('');
  return block.content.map((item, i) => itemText(item, values, indent, block.type === 'orderedList' ? `${i + 1}. ` : '• ')).join('\n');
}

function itemText({ content }: RichItem, values: Values, indent: string, mark: string): string {
  return content
    .map((block, i) =>
      block.type === 'paragraph'
        ? `${indent}${i === 0 ? mark : '  '}${blockText(block, values, '')}`
        : blockText(block, values, `${indent}  `),
    )
    .join('\n');
}

function inlineText(inline: RichInline, values: Values): string {
  switch (inline.type) {
    case 'text':
      return inline.text;
    case 'value':
      return shownValue(inline, values);
    case 'reference':
      return citeOf(inline.attrs.key);
    case 'hardBreak':
      return '\n';
  }
}
