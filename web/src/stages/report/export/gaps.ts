import type { RichText } from '@ivlen/contract';
import type { WrittenBlock, WrittenReport } from '../written-report';

/** The blocks that cannot be shown. */
export function notShown({ blocks }: Pick<WrittenReport, 'blocks'>): WrittenBlock[] {
  return blocks.filter(({ state }) => state !== null && state.error !== null);
}

/** What is said before a file is written; null where nothing is missing. */
export function gapsInWords(missing: readonly WrittenBlock[]): string | null {
  const [first] = missing;
  if (!first) return null;
  return missing.length === 1
    ? `“${titleOf(first)}” cannot be shown: its place is marked in the file.`
    : `${missing.length} blocks cannot be shown: their places are marked in the file.`;
}

/** The report with a sentence in the place of each block that cannot be shown, so that no reader takes it for whole. */
export function withGapsMarked(report: WrittenReport): WrittenReport {
  const missing = new Set(notShown(report));
  if (missing.size === 0) return report;
  return { ...report, blocks: report.blocks.map((block) => (missing.has(block) ? { ...block, text: markOf(block) } : block)) };
}

function markOf(block: WrittenBlock): RichText {
  const why = block.state?.error?.message ?? '';
  return { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: `[Not shown: ${titleOf(block)}. ${why}]` }] }] };
}

function titleOf({ block: { title, content } }: WrittenBlock): string {
  return title ?? (content.kind === 'pin' ? content.pin.title : content.of);
}
