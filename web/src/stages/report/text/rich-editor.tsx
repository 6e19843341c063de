import { type RichText, richTextSchema } from '@ivlen/contract';
import { REFERENCES } from '@ivlen/core';
import { Mark, mergeAttributes, Node } from '@tiptap/core';
import { type Editor, EditorContent, type JSONContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef } from 'react';
import { toast } from 'sonner';
import { useLatest } from '../../../controls/use-latest';
import { citeOf } from './cite-of';

interface RichEditorProps {
  readonly text: RichText;
  /** What it is the text of, for those who listen. */
  readonly label: string;
  /** The present number of a key. */
  readonly shownNow: (block: string, key: string) => string | null;
  readonly onChange: (text: RichText) => void;
  readonly onDone: () => void;
}

const SAVE_AFTER_MS = 800;

/** Edits a text in place; what is written is kept as it is written. */
export function RichEditor({ text, label, shownNow, onChange, onDone }: RichEditorProps) {
  const keep = useLatest((written: JSONContent) => {
    const parsed = richTextSchema.safeParse(written);
    if (parsed.success) onChange(parsed.data);
    else toast.error(`The text is not kept as it is now. ${parsed.error.issues[0]?.message ?? ''}`);
  });
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        blockquote: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        link: false,
        strike: false,
        underline: false,
        heading: { levels: [2, 3] },
        // A paragraph after the last list or heading would be text that nobody wrote.
        trailingNode: false,
      }),
      raisedMark('subscript', 'sub', 'Mod-,'),
      raisedMark('superscript', 'sup', 'Mod-.'),
      valueNode(shownNow),
      referenceNode,
    ],
    content: text as JSONContent,
    editorProps: { attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true', class: 'report-editor outline-none' } },
    autofocus: 'end',
    onUpdate: ({ editor: current }) => {
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => {
        timer.current = null;
        keep(current.getJSON());
      }, SAVE_AFTER_MS);
    },
  });
  // What was typed last is kept also where the editor is closed at once.
  useEffect(
    () => () => {
      if (!timer.current) return;
      clearTimeout(timer.current);
      keep(editor.getJSON());
    },
    [editor, keep],
  );
  return (
    <div
      className="-mx-2 rounded border border-accent bg-surface px-2 pt-1"
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onDone();
        }
      }}
    >
      <Tools editor={editor} onDone={onDone} />
      <EditorContent editor={editor} />
    </div>
  );
}

interface Tool {
  readonly name: string;
  readonly shown: string;
  readonly isOn: (editor: Editor) => boolean;
  readonly run: (editor: Editor) => void;
}

const TOOLS: readonly Tool[] = [
  { name: 'Bold', shown: 'B', isOn: (e) => e.isActive('bold'), run: (e) => e.chain().focus().toggleBold().run() },
  { name: 'Italic', shown: 'I', isOn: (e) => e.isActive('italic'), run: (e) => e.chain().focus().toggleItalic().run() },
  { name: 'Subscript', shown: 'x₂', isOn: (e) => e.isActive('subscript'), run: (e) => e.chain().focus().toggleMark('subscript').run() },
  {
    name: 'Superscript',
    shown: 'x²',
    isOn: (e) => e.isActive('superscript'),
    run: (e) => e.chain().focus().toggleMark('superscript').run(),
  },
  {
    name: 'Heading',
    shown: 'Heading',
    isOn: (e) => e.isActive('heading', { level: 2 }),
    run: (e) => e.chain().focus().toggleHeading({ level: 2 }).run(),
  },
  {
    name: 'Smaller heading',
    shown: 'Smaller',
    isOn: (e) => e.isActive('heading', { level: 3 }),
    run: (e) => e.chain().focus().toggleHeading({ level: 3 }).run(),
  },
  { name: 'List', shown: '• List', isOn: (e) => e.isActive('bulletList'), run: (e) => e.chain().focus().toggleBulletList().run() },
  {
    name: 'Numbered list',
    shown: '1. List',
    isOn: (e) => e.isActive('orderedList'),
    run: (e) => e.chain().focus().toggleOrderedList().run(),
  },
];

const SOURCES = Object.entries(REFERENCES).toSorted(([, a], [, b]) => a.cite.localeCompare(b.cite, 'en'));

function Tools({ editor, onDone }: { editor: Editor; onDone: () => void }) {
  const on = useEditorState({ editor, selector: ({ editor: current }) => TOOLS.map(({ isOn }) => isOn(current)) });
  return (
    <div
      role="toolbar"
      aria-label="Text"
      className="mb-1 flex flex-wrap items-center gap-1 border-b border-rule pb-1 font-sans text-[13px] print:hidden"
    >
      {TOOLS.map(({ name, shown, run }, i) => (
        <button
          key={name}
          type="button"
          aria-label={name}
          aria-pressed={on[i] ?? false}
          className={`min-h-6 min-w-6 rounded px-1.5 py-0.5 hover:bg-accent-soft aria-pressed:bg-accent-soft aria-pressed:text-accent ${name === 'Bold' ? 'font-bold' : ''} ${name === 'Italic' ? 'italic' : ''}`}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => run(editor)}
        >
          {shown}
        </button>
      ))}
      <select
        aria-label="Cite a source"
        className="field ml-1 max-w-40 py-0 text-[13px]"
        value=""
        onChange={(event) =>
          editor
            .chain()
            .focus()
            .insertContent({ type: 'reference', attrs: { key: event.target.value } })
            .run()
        }
      >
        <option value="">Cite …</option>
        {SOURCES.map(([key, { cite }]) => (
          <option key={key} value={key}>
            {cite}
          </option>
        ))}
      </select>
      <button type="button" className="button ml-auto py-0" onClick={onDone}>
        Done
      </button>
    </div>
  );
}

function raisedMark(name: 'subscript' | 'superscript', tag: 'sub' | 'sup', shortcut: string) {
  return Mark.create({
    name,
    excludes: name === 'subscript' ? 'superscript' : 'subscript',
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
    addKeyboardShortcuts() {
      return { [shortcut]: () => this.editor.commands.toggleMark(name) };
    },
  });
}

/** A number that follows the data: one piece of the text, which can be moved and deleted, not typed into. */
function valueNode(shownNow: RichEditorProps['shownNow']) {
  const attribute = (name: string) => ({ parseHTML: (element: HTMLElement) => element.getAttribute(`data-${name}`) });
  return Node.create({
    name: 'value',
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({
      block: attribute('block'),
      key: attribute('key'),
      shown: attribute('shown'),
      at: { parseHTML: (element: HTMLElement) => Number(element.getAttribute('data-at')) },
    }),
    parseHTML: () => [{ tag: 'span[data-key]' }],
    renderHTML: ({ node, HTMLAttributes }) => {
      const { block, key, shown, at } = node.attrs as { block: string; key: string; shown: string; at: number };
      const data = { 'data-block': block, 'data-key': key, 'data-shown': shown, 'data-at': String(at) };
      return ['span', mergeAttributes(HTMLAttributes, data, { class: 'report-value' }), shownNow(block, key) ?? shown];
    },
    renderText: ({ node }) => {
      const { block, key, shown } = node.attrs as { block: string; key: string; shown: string };
      return shownNow(block, key) ?? shown;
    },
  });
}

const referenceNode = Node.create({
  name: 'reference',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ key: { parseHTML: (element: HTMLElement) => element.getAttribute('data-reference') } }),
  parseHTML: () => [{ tag: 'span[data-reference]' }],
  renderHTML: ({ node: { attrs } }) => {
    const { key } = attrs as { key: string };
    return ['span', { 'data-reference': key }, citeOf(key)];
  },
  renderText: ({ node: { attrs } }) => citeOf((attrs as { key: string }).key),
});
