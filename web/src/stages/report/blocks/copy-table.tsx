import { DropdownMenu } from 'radix-ui';
import { toast } from 'sonner';
import { copyAs } from '../../../controls/clipboard';
import { saveText } from '../../../controls/save-text';
import { alignedText, asHtml, asTabs } from '../../../tables/table-as-text';
import { tableTitle } from '../export/html';
import type { WrittenTable } from '../written-report';

/** Takes a table along: so that it pastes as one, as aligned text where no tables are known, or as a file with all digits. */
export function CopyTable({ table }: { table: WrittenTable }) {
  const copy = async (forms: Readonly<Record<string, string>>) => {
    try {
      await copyAs(forms);
      toast(`Table ${table.number} copied.`);
    } catch {
      toast.error('The browser does not let this page copy. Export the report, or the table as CSV, instead.');
    }
  };
  const titled = { ...table, caption: tableTitle(table) };
  return (
    <span className="flex shrink-0 gap-3 font-sans text-[13px] print:hidden">
      <button
        type="button"
        className="button-quiet"
        onClick={() => void copy({ 'text/html': asHtml(titled), 'text/plain': asTabs(table) })}
      >
        Copy table
      </button>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="button-quiet" aria-label={`More ways to take table ${table.number} along`}>
          …
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="end">
            <DropdownMenu.Item className="menu-item" onSelect={() => void copy({ 'text/plain': alignedText(titled) })}>
              Copy as aligned text
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => saveText(`table-${table.number}.csv`, 'text/csv', table.csv)}>
              Export CSV with all digits
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </span>
  );
}
