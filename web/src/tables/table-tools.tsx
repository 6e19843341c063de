import { Check, Copy, Download } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { copyAs } from '../controls/clipboard';
import { saveText } from '../controls/save-text';
import { tableCsv, textTable, type ValueTable } from './columns';
import { asHtml, asTabs } from './table-as-text';

const SHOWN_MS = 1500;
/** So many rows go into a copied table. */
const MOST_COPIED = 500;

interface TableToolsProps<Row> {
  readonly table: ValueTable<Row>;
  /** Of the file, without its ending; the caption where nothing is said. */
  readonly fileName?: string;
  readonly className?: string;
  /** Some of its numbers are still being computed: nothing is taken along until they are there. */
  readonly waiting?: boolean;
}

const WAITING = 'Some numbers are still being computed';

/** Takes a table along: copied as it is read, or as a file with every digit. */
export function TableTools<Row>({ table, fileName = table.caption, className = 'text-[13px]', waiting = false }: TableToolsProps<Row>) {
  const save = () => saveText(`${fileName.replaceAll(/[\\/:*?"<>|]+/g, ' ')}.csv`, 'text/csv', tableCsv(table));
  return (
    <span className={`inline-flex gap-4 ${className}`}>
      {table.rows.length <= MOST_COPIED && <CopyTableButton table={table} waiting={waiting} />}
      <button type="button" className="button-quiet" disabled={waiting} title={waiting ? WAITING : undefined} onClick={save}>
        <Download size={14} aria-hidden="true" /> Export CSV
      </button>
    </span>
  );
}

/** Copies so that it pastes as a table into word processors and as cells into spreadsheets. */
function CopyTableButton<Row>({ table, waiting }: { table: ValueTable<Row>; waiting: boolean }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    const texts = textTable(table);
    try {
      await copyAs({ 'text/html': asHtml(texts), 'text/plain': asTabs(texts) });
      setCopied(true);
      setTimeout(() => setCopied(false), SHOWN_MS);
    } catch {
      toast.error('The browser does not let this page copy. Export the table instead.');
    }
  };
  return (
    <button type="button" className="button-quiet" disabled={waiting} title={waiting ? WAITING : undefined} onClick={() => void copy()}>
      {copied ? <Check size={14} aria-hidden="true" /> : <Copy size={14} aria-hidden="true" />}
      <span aria-live="polite">{copied ? 'Copied' : 'Copy table'}</span>
    </button>
  );
}
