import type { Cell, Definition, DerivationPreview, Study } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { RequestError } from '../../../api/client';
import { derivationPreviewQuery } from '../../../api/queries';
import { Skeleton } from '../../../controls/skeleton';
import { asMeasured } from '../../../figures/as-measured';
import { Sparkline } from '../../../figures/sparkline';

const PAUSE_MS = 200;

/** The first rows of what a definition gives, what cannot be computed, and the shape before and after. */
export function DerivationPreviewTable({ study, definition }: { study: Study; definition: Definition | null }) {
  const settled = useSettled(definition);
  const { data, error } = useQuery({
    ...derivationPreviewQuery(
      study.id,
      study.head,
      settled ?? { name: '', unit: null, derivation: { type: 'formula', formula: '0', ignoreMissing: false, sources: [] } },
    ),
    enabled: settled !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (settled === null)
    return <p className="text-muted">The first rows are shown here as soon as it is said how the variable is computed.</p>;
  if (error) {
    return (
      <p role="alert" className="border-l-4 border-caution bg-caution-soft px-3 py-2">
        {error.message} {error instanceof RequestError && <span className="text-muted">{error.hint}</span>}
      </p>
    );
  }
  return data ? <Preview preview={data} rows={study.rows} /> : <Skeleton label="Computing the first rows" className="h-32" />;
}

function Preview({ preview, rows }: { preview: DerivationPreview; rows: number }) {
  const { sources, before, after } = preview;
  return (
    <div className="flex gap-8">
      <table className="numerals h-fit">
        <thead>
          <tr className="border-b border-rule text-[13px] text-muted">
            <th scope="col" className="pr-3 text-right font-normal">
              row
            </th>
            {sources.map((name) => (
              <th key={name} scope="col" className="px-3 text-right font-normal">
                {name}
              </th>
            ))}
            <th scope="col" className="pl-3 text-right font-semibold text-ink">
              result
            </th>
          </tr>
        </thead>
        <tbody>
          {preview.rows.map((row) => (
            <tr key={row.number}>
              <td className="pr-3 text-right text-muted">{row.number}</td>
              {row.sources.map((cell, i) => (
                <td key={sources[i]} className="px-3 text-right">
                  {shown(cell)}
                </td>
              ))}
              <td className="pl-3 text-right font-semibold">{shown(row.result)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="min-w-0 flex-1">
        <p role="status">{computedInWords(preview, rows)}</p>
        <dl className="mt-3 space-y-2">
          {[...before, ...(after ? [after] : [])].map((shape) => (
            <div key={shape.name} className="flex items-center gap-3">
              <dt className="w-36 truncate">{shape.name}</dt>
              <dd className="numerals flex items-center gap-3 text-muted">
                <Sparkline bins={shape.bins} width={110} height={26} />
                skewness&nbsp;{shape.skewness === null ? '–' : formatFixed(shape.skewness, 2)}
              </dd>
            </div>
          ))}
        </dl>
      </div>
    </div>
  );
}

export function computedInWords({ computed, missing, undefinedCount, undefinedRows }: DerivationPreview, rows: number): string {
  const count = (n: number) => `${n.toLocaleString('en-GB')} ${n === 1 ? 'row' : 'rows'}`;
  const parts = [`${computed.toLocaleString('en-GB')} of ${count(rows)} can be computed.`];
  if (missing > 0) parts.push(`${count(missing)} ${missing === 1 ? 'lacks' : 'lack'} a value.`);
  if (undefinedCount > 0) {
    const more = undefinedCount > undefinedRows.length ? ' and more' : '';
    parts.push(
      `${count(undefinedCount)} ${undefinedCount === 1 ? 'has' : 'have'} no result, such as a division by zero: row ${undefinedRows.join(', ')}${more}.`,
    );
  }
  return parts.join(' ');
}

function shown(cell: Cell): string {
  if (cell === null) return '–';
  return typeof cell === 'string' ? cell : asMeasured(Number(cell.toPrecision(6)));
}

/** What was last given for a moment: a preview is not asked for at every key. */
function useSettled(definition: Definition | null): Definition | null {
  const key = JSON.stringify(definition);
  const [settled, setSettled] = useState(definition);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a definition is the same if it says the same.
  useEffect(() => {
    const timer = setTimeout(() => setSettled(definition), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [key]);
  return settled;
}
