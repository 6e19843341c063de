import { paragraphSchema, type ReportBlock, type ReportParagraph } from '@ivlen/contract';
import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';

const WORDS: Readonly<Record<ReportParagraph, string>> = {
  own: 'A text of your own',
  data: 'Data: what they are, and what was done to them',
  methods: 'Methods: how everything here is computed',
  results: 'Results: a sentence for each pair and hypothesis here',
  checks: 'Checks: what was looked at, and what held',
  limits: 'Limits: cautions that remain, number of tests',
  references: 'References: published sources of what is used',
};

/** Paragraphs that can be put in: one's own, and those written from the study that are not there yet. */
export function AddMenu({ blocks, onAdd }: { blocks: readonly ReportBlock[]; onAdd: (of: ReportParagraph) => void }) {
  const there = new Set(blocks.flatMap(({ content }) => (content.kind === 'paragraph' && content.of !== 'own' ? [content.of] : [])));
  const free = ['own' as const, ...paragraphSchema.options.filter((of) => of !== 'own' && !there.has(of))];
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button">
        <Plus size={14} aria-hidden="true" /> Add
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start">
          {free.map((of) => (
            <DropdownMenu.Item key={of} className="menu-item" onSelect={() => onAdd(of)}>
              {WORDS[of]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
