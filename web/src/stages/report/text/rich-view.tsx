import type { RichBlock, RichInline, RichItem, RichText } from '@ivlen/contract';
import { Fragment, type ReactNode } from 'react';
import { Link } from 'react-router';
import { citeOf } from './cite-of';

export interface ValueOnPage {
  readonly shown: string;
  /** Whether it is another one than when the text was last looked at, or no longer told. */
  readonly state: 'same' | 'changed' | 'gone';
  /** The address of the pair that it is of. */
  readonly to: string | null;
}

type ValueOf = (attributes: Extract<RichInline, { type: 'value' }>['attrs']) => ValueOnPage;

/** A text of the report as it is read; its numbers lead to the pairs they are of. */
export function RichView({ text, onPage }: { text: RichText; onPage: ValueOf }) {
  return text.content.map((block, i) => <Block key={i} block={block} onPage={onPage} />);
}

function Block({ block, onPage }: { block: RichBlock; onPage: ValueOf }): ReactNode {
  switch (block.type) {
    case 'paragraph':
      return (
        <p className="mb-2">
          <Inlines inlines={block.content ?? []} onPage={onPage} />
        </p>
      );
    case 'heading':
      return block.attrs.level === 2 ? (
        <h3 className="mt-3 mb-1 text-[17px]">
          <Inlines inlines={block.content ?? []} onPage={onPage} />
        </h3>
      ) : (
        <h4 className="mt-2 mb-1 text-[15px] italic">
          <Inlines inlines={block.content ?? []} onPage={onPage} />
        </h4>
      );
    default: {
      const List = block.type === 'bulletList' ? 'ul' : 'ol';
      return (
        <List className={`mb-2 pl-6 ${block.type === 'bulletList' ? 'list-disc' : 'list-decimal'}`}>
          {block.content.map((item, i) => (
            <Item key={i} item={item} onPage={onPage} />
          ))}
        </List>
      );
    }
  }
}

function Item({ item, onPage }: { item: RichItem; onPage: ValueOf }) {
  return (
    <li>
      {item.content.map((block, i) =>
        block.type === 'paragraph' ? (
          <Fragment key={i}>
            {i > 0 && <br />}
            <Inlines inlines={block.content ?? []} onPage={onPage} />
          </Fragment>
        ) : (
          <Block key={i} block={block} onPage={onPage} />
        ),
      )}
    </li>
  );
}

function Inlines({ inlines, onPage }: { inlines: readonly RichInline[]; onPage: ValueOf }) {
  return inlines.map((inline, i): ReactNode => {
    const marked = (content: ReactNode) => (
      <Fragment key={i}>{(inline.marks ?? []).reduce<ReactNode>((inner, { type }) => withMark(inner, type), content)}</Fragment>
    );
    switch (inline.type) {
      case 'text':
        return marked(inline.text);
      case 'hardBreak':
        return <br key={i} />;
      case 'reference':
        return marked(citeOf(inline.attrs.key));
      default:
        return marked(<Value value={onPage(inline.attrs)} />);
    }
  });
}

const VALUE_CLASSES = {
  same: 'report-value',
  changed: 'report-value report-value-changed',
  gone: 'report-value report-value-gone',
} as const;

function Value({ value: { shown, state, to } }: { value: ValueOnPage }) {
  const text = shown.replace(/^([<>=≤≥]) /, '$1\u00a0');
  if (to === null) return <span className={VALUE_CLASSES[state]}>{text}</span>;
  return (
    <Link to={to} className={VALUE_CLASSES[state]} onClick={(event) => event.stopPropagation()}>
      {text}
    </Link>
  );
}

function withMark(content: ReactNode, mark: string): ReactNode {
  switch (mark) {
    case 'bold':
      return <strong>{content}</strong>;
    case 'italic':
      return <em>{content}</em>;
    case 'subscript':
      return <sub>{content}</sub>;
    case 'superscript':
      return <sup>{content}</sup>;
    default:
      return content;
  }
}
