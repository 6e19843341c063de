import type { CorrelationSettings } from '@ivlen/contract';
import { useCoefficientScale } from '../../../figures/use-coefficient-scale';
import { isUnderlined } from '../grid-cells';
import { pairName, type RankedColumn, type RankedPair } from './ranked-columns';

interface RankedRowProps {
  readonly index: number;
  readonly pair: RankedPair;
  readonly columns: readonly RankedColumn[];
  readonly settings: CorrelationSettings;
  readonly chosen: boolean;
  readonly onOpen: () => void;
}

/** One pair as a line of the table; its name opens the card. */
export function RankedRow({ index, pair, columns, settings, chosen, onOpen }: RankedRowProps) {
  const scale = useCoefficientScale();
  const { main } = pair;
  const wavy = isUnderlined(main, settings.cautions) ? 'underline decoration-wavy decoration-1 underline-offset-3' : '';
  return (
    <tr aria-rowindex={index + 2} className={`h-[30px] border-b border-rule ${chosen ? 'bg-accent-soft' : ''}`}>
      {columns.map((column) => {
        if (column.id === 'pair') {
          return (
            <th key={column.id} scope="row" className="px-1.5 text-left font-normal">
              <button type="button" className="text-left hover:underline" onClick={onOpen}>
                {pairName(pair)}
              </button>
            </th>
          );
        }
        if (column.id === 'size') {
          const { background, text } = scale(Number.isNaN(main.coefficient) ? 0 : main.coefficient);
          return (
            <td key={column.id} className="px-1.5">
              <span className={`ml-auto block w-16 rounded py-0.5 text-center ${wavy}`} style={{ background, color: text }}>
                {column.shown(pair)}
              </span>
            </td>
          );
        }
        return (
          <td
            key={column.id}
            className={`px-1.5 whitespace-nowrap ${column.align === 'left' ? 'max-w-72 truncate text-left text-caution' : 'text-right'}`}
            title={column.align === 'left' ? column.shown(pair) : undefined}
          >
            {column.id === 'interval' ? (
              <Whisker low={main.low} high={main.high} at={main.coefficient} words={column.shown(pair)} />
            ) : (
              column.shown(pair)
            )}
          </td>
        );
      })}
    </tr>
  );
}

const WIDTH = 84;

/** The interval on an axis from −1 to 1, with its limits in words. */
function Whisker({ low, high, at, words }: { low: number; high: number; at: number; words: string }) {
  const place = (value: number) => ((value + 1) / 2) * WIDTH;
  return (
    <span className="inline-flex items-center justify-end gap-2">
      <span>{words}</span>
      <svg width={WIDTH} height={12} aria-hidden="true">
        <line x1={WIDTH / 2} x2={WIDTH / 2} y1={0} y2={12} stroke="var(--rule)" />
        {!Number.isNaN(low) && <line x1={place(low)} x2={place(high)} y1={6} y2={6} stroke="var(--muted)" strokeWidth={1.5} />}
        {!Number.isNaN(at) && <circle cx={place(at)} cy={6} r={2.6} fill="var(--ink)" />}
      </svg>
    </span>
  );
}
