import { ClipboardPaste, FileUp } from 'lucide-react';
import { type DragEvent, useEffect, useRef, useState } from 'react';
import { ProgressLine } from '../controls/progress-line';
import { PasteDialog } from './paste-dialog';
import { PASTED_FILE } from './pasted-file';
import { useStartImport } from './use-start-import';

const ACCEPTED =
  '.csv,.tsv,.txt,.tab,.xlsx,.parquet,.json,.ndjson,.jsonl,.zip,text/csv,text/tab-separated-values,text/plain,application/json';

/** The ways a table comes in: dropped, chosen, or pasted from a spreadsheet. */
export function SourceChooser() {
  const { start, reading, progress, failure, stop } = useStartImport();
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const [pasting, setPasting] = useState(false);
  usePastedCells((text) => start(PASTED_FILE, new Blob([text])));

  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file) start(file.name, file);
  };
  return (
    <div
      className={`eased rounded border border-dashed px-6 py-6 ${over ? 'border-accent bg-accent-soft' : 'border-edge bg-surface'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      data-testid="drop-zone"
    >
      {reading ? (
        <ProgressLine label={reading} progress={progress} onStop={stop} />
      ) : (
        <div className="flex items-center gap-4">
          <p className="min-w-0 flex-1">
            Drop a file here (CSV, TSV, XLSX, Parquet, JSON, or a study archive), or paste cells (Ctrl V).
            <span className="block text-[13px] text-muted">
              Names in the first row, one case in each row below. Nothing is stored before you have seen how it is read.
            </span>
          </p>
          <button type="button" className="button-primary shrink-0" onClick={() => input.current?.click()}>
            <FileUp size={16} aria-hidden="true" /> Choose a file
          </button>
          <button type="button" className="button shrink-0" onClick={() => setPasting(true)}>
            <ClipboardPaste size={16} aria-hidden="true" /> Paste cells
          </button>
          <input
            ref={input}
            type="file"
            accept={ACCEPTED}
            className="sr-only"
            tabIndex={-1}
            aria-label="Table to bring in"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) start(file.name, file);
              event.target.value = '';
            }}
          />
        </div>
      )}
      {failure && (
        <p role="alert" className="mt-4 border-l-4 border-caution bg-caution-soft px-3 py-2">
          <strong>{failure.name}:</strong> {failure.message} {failure.hint}
        </p>
      )}
      {pasting && <PasteDialog onClose={() => setPasting(false)} onPaste={(text) => start(PASTED_FILE, new Blob([text]))} />}
    </div>
  );
}

/** Cells pasted anywhere on the page but in a field. */
function usePastedCells(onCells: (text: string) => void): void {
  const latest = useRef(onCells);
  latest.current = onCells;
  useEffect(() => {
    const onPaste = (event: ClipboardEvent) => {
      if (event.target instanceof HTMLElement && event.target.matches('input, textarea')) return;
      const text = event.clipboardData?.getData('text/plain');
      if (text?.includes('\n')) latest.current(text);
    };
    document.addEventListener('paste', onPaste);
    return () => document.removeEventListener('paste', onPaste);
  }, []);
}
