import { isSymbol } from '../../../tables/symbol-names';
import type { WrittenTable } from '../written-report';
import { CopyTable } from './copy-table';

const SIDES = { left: 'text-left', right: 'text-right' } as const;

/** A table as papers print it: its number and title above, lines over head and foot alone, its note below. */
export function ReportTable({ table }: { table: WrittenTable }) {
  const { number, part, caption, head, align, rows, note } = table;
  const title = `${caption.replace(/\.$/, '')}${part ? ` (${part})` : ''}`;
  return (
    <figure className="my-4" data-testid="report-table">
      <figcaption className="mb-1 flex items-baseline gap-4">
        <span className="min-w-0 flex-1">
          <strong className="font-semibold">Table {number}.</strong> <em>{title}</em>
        </span>
        <CopyTable table={table} />
      </figcaption>
      <div className="overflow-x-auto">
        <table className="numerals w-full border-y border-ink font-sans text-[13px]" aria-label={`Table ${number}. ${title}`}>
          <thead>
            <tr className="border-b border-ink">
              {head.map((name, j) => (
                <th key={j} scope="col" className={`px-1.5 py-1 align-bottom font-normal ${SIDES[align[j] ?? 'right']}`}>
                  {isSymbol(name) ? <em>{name}</em> : name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((cells, i) => (
              <tr key={i} className="break-inside-avoid">
                {cells.map((cell, j) => {
                  const side = SIDES[align[j] ?? 'right'];
                  return j === 0 ? (
                    <th key={j} scope="row" className={`px-1.5 py-0.5 font-normal ${side}`}>
                      {cell}
                    </th>
                  ) : (
                    <td key={j} className={`px-1.5 py-0.5 whitespace-pre ${side} ${align[j] === 'left' ? 'whitespace-pre-line' : ''}`}>
                      {cell}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {note && (
        <p className="mt-1 text-[13px]">
          <em>Note.</em> {note}
        </p>
      )}
    </figure>
  );
}
