import type { Study, Variable, VariableDescription } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import type { VirtualItem } from '@tanstack/react-virtual';
import { type RefObject, useEffect, useRef } from 'react';
import { analysisQuery } from '../../../api/queries';
import { formatMeasured } from '../../../figures/format-measured';
import { cellText } from '../cell-text';
import { NUMBER_WIDTH } from './row-line';

const LINE_HEIGHT = 21;
/** As many as one request describes. */
const MOST_DESCRIBED = 200;

interface FootLine {
  readonly name: string;
  readonly text: (described: VariableDescription, variable: Variable) => string;
}

const LINES: readonly FootLine[] = [
  { name: 'n', text: ({ n }) => n.toLocaleString('en-GB') },
  { name: 'mean', text: ({ mean, sd }, { decimals }) => formatMeasured(mean, sd, decimals) },
  { name: 'SD', text: ({ sd }, { decimals }) => formatMeasured(sd, sd, decimals) },
  { name: 'smallest', text: ({ min }, variable) => extreme(min, variable) },
  { name: 'largest', text: ({ max }, variable) => extreme(max, variable) },
];

/** As it stands in the data, without labels for codes. */
function extreme(value: number | null, variable: Variable): string {
  return (value === null ? null : cellText(value, { ...variable, valueLabels: {} })) ?? '–';
}

interface RowsFootProps {
  readonly study: Study;
  /** Those in view. */
  readonly columns: readonly VirtualItem[];
  /** What scrolls above it, which it follows sideways. */
  readonly scroller: RefObject<HTMLElement | null>;
}

/** Under the table, and no part of it: what the rows in use have in each column of numbers. */
export function RowsFoot({ study, columns, scroller }: RowsFootProps) {
  const { variables } = study.state;
  const numbers = variables.filter(({ storage, kind }) => storage === 'number' && kind !== 'identifier').map(({ id }) => id);
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'describe', variables: numbers.slice(0, MOST_DESCRIBED) }),
    enabled: numbers.length > 0,
  });
  const moving = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const follow = () => {
      if (moving.current) moving.current.style.transform = `translateX(${-element.scrollLeft}px)`;
    };
    follow();
    element.addEventListener('scroll', follow, { passive: true });
    return () => element.removeEventListener('scroll', follow);
  }, [scroller]);
  const described = new Map(data?.variables.map((item) => [item.id, item]));
  return (
    <div
      role="table"
      aria-label="Of the rows in use"
      className="numerals relative shrink-0 overflow-hidden border-t border-edge bg-sunken text-[13px]"
      style={{ height: LINES.length * LINE_HEIGHT }}
    >
      <div ref={moving} role="presentation">
        {LINES.map(({ name, text }, line) => (
          <div key={name} role="row" className="absolute left-0" style={{ top: line * LINE_HEIGHT, height: LINE_HEIGHT }}>
            <span role="rowheader" className="sr-only">
              {name}
            </span>
            {columns.map(({ index, start, size }) => {
              const variable = variables[index];
              const found = variable && described.get(variable.id);
              return (
                <span
                  key={index}
                  role="cell"
                  className="absolute truncate px-2 text-right leading-[21px]"
                  style={{ left: NUMBER_WIDTH + start, width: size }}
                >
                  {variable && found ? text(found, variable) : ''}
                </span>
              );
            })}
          </div>
        ))}
      </div>
      <div
        aria-hidden="true"
        className="absolute inset-y-0 left-0 z-10 border-r border-rule bg-sunken text-muted"
        style={{ width: NUMBER_WIDTH }}
      >
        {LINES.map(({ name }) => (
          <p key={name} className="pr-2 text-right" style={{ height: LINE_HEIGHT, lineHeight: `${LINE_HEIGHT}px` }}>
            {name}
          </p>
        ))}
      </div>
    </div>
  );
}
