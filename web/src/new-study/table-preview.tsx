import type { ImportPreview, ImportSettingsPatch } from '@ivlen/contract';
import { ColumnHeader } from './column-header';

/** More columns than this are not drawn; they are read all the same. */
const MOST_DRAWN = 80;

/** The first rows as they stand in the file, under what each column is taken for. */
export function TablePreview({ preview, onCorrect }: { preview: ImportPreview; onCorrect: (patch: ImportSettingsPatch) => void }) {
  const { columns, head, rows, settings } = preview;
  const drawn = columns.slice(0, MOST_DRAWN);
  const missing = new Set(settings.missingCodes);
  if (rows === 0) return null;
  return (
    <section aria-labelledby="preview">
      <h2 id="preview" className="mb-1.5">
        The table as it is read
      </h2>
      <div className="w-fit max-w-full overflow-x-auto rounded border border-rule bg-surface">
        <table className="border-collapse text-[13px]">
          <thead>
            <tr className="border-b border-rule align-bottom">
              <th scope="col" className="px-2 py-2 text-right font-normal text-muted">
                row
              </th>
              {drawn.map((column, i) => (
                <ColumnHeader key={i} column={column} index={i} onCorrect={onCorrect} />
              ))}
            </tr>
          </thead>
          <tbody>
            {head.map((cells, row) => (
              <tr key={row} className="border-b border-rule last:border-0">
                <th scope="row" className="px-2 py-0.5 text-right font-normal text-muted">
                  {row + 1}
                </th>
                {drawn.map((column, i) => {
                  const text = cells[i]?.trim() ?? '';
                  const absent = text === '' || missing.has(text);
                  const numeric = column.storage === 'number';
                  return (
                    <td
                      key={i}
                      className={`max-w-40 truncate px-3 py-0.5 ${numeric ? 'text-right' : ''} ${column.leftOut ? 'opacity-35' : ''} ${absent ? 'text-muted italic' : ''}`}
                    >
                      {text === '' ? 'missing' : text}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1.5 text-[13px] text-muted">
        {head.length < rows && `The first ${head.length} of ${rows.toLocaleString('en-GB')} rows. `}
        {columns.length > MOST_DRAWN && `The first ${MOST_DRAWN} of ${columns.length} columns; the others are read too.`}
      </p>
    </section>
  );
}
