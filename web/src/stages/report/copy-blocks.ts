import { toast } from 'sonner';
import { copyAs } from '../../controls/clipboard';
import { asTabs } from '../../tables/table-as-text';
import { blocksAsHtml, tableTitle } from './export/html';
import { plainText } from './export/plain-text';
import type { WrittenBlock, WrittenReport } from './written-report';

/** Copies blocks so that they paste as text and tables into word processors, and plainly elsewhere. Figures are copied as pictures, each by itself. */
export async function copyBlocks(blocks: readonly WrittenBlock[], report: Pick<WrittenReport, 'values'>): Promise<void> {
  const html = blocksAsHtml(blocks, report.values);
  const plain = blocks
    .flatMap(({ heading, text, tables }) => [
      ...(heading ? [heading] : []),
      ...(text ? [plainText(text, report.values)] : []),
      ...tables.flatMap((table) => [tableTitle(table), asTabs(table), table.note ?? '']),
    ])
    .filter(Boolean)
    .join('\n\n');
  try {
    await copyAs({ 'text/html': html, 'text/plain': plain });
    toast('Copied.');
  } catch {
    toast.error('The browser does not let this page copy. Select the text and copy it yourself, or export the report.');
  }
}
