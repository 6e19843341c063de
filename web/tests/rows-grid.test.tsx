import { BLOCK_ROWS, type Row, type Study } from '@ivlen/contract';
import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Place } from '../src/stages/data/rows/grid-cursor';
import { RowsGrid } from '../src/stages/data/rows/rows-grid';
import type { RowSelection } from '../src/study/row-selection';
import { serve, show } from './served';
import { testStudy } from './test-study';

const large: Study = { ...testStudy(), rows: 100_000 };
const last = Math.ceil(large.rows / BLOCK_ROWS) - 1;

/** Row 7 lacks the first value, row 3 is set aside. */
function rowsOf(block: number): Row[] {
  const from = block * BLOCK_ROWS;
  return Array.from({ length: Math.min(BLOCK_ROWS, large.rows - from) }, (_, i) => {
    const number = from + i + 1;
    return { number, setAside: number === 3 ? 1 : 0, inSubset: true, cells: [number === 7 ? null : number / 10, number * 2, -number] };
  });
}

let sent: ReturnType<typeof serve>;
beforeEach(() => {
  // jsdom lays nothing out: the window onto the table is given its size.
  vi.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(300);
  vi.spyOn(Element.prototype, 'clientWidth', 'get').mockReturnValue(900);
  const blocks = [0, 1, 2, last - 2, last - 1, last].map((block) => [`GET /rows?descending=0&block=${block}`, { rows: rowsOf(block) }]);
  sent = serve({ ...Object.fromEntries(blocks), 'POST /analyses': { kind: 'summary', variables: [] } });
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

function Grid({ from, study = large, onSelected }: { from: Place; study?: Study; onSelected?: (selection: RowSelection) => void }) {
  const [cursor, setCursor] = useState(from);
  const [selection, setSelection] = useState<RowSelection>(new Set());
  const nothing = () => {};
  return (
    <RowsGrid
      study={study}
      order={{ descending: '0' }}
      cursor={cursor}
      onCursor={setCursor}
      selection={selection}
      onSelect={(next) => {
        setSelection(next);
        onSelected?.(next);
      }}
      found={{ total: 1, cells: [{ row: 2, position: 1, variable: 'v2' }] }}
      foot={false}
      head={{ onSort: nothing, onDescribe: nothing, onOpenEntry: nothing, onDefine: nothing }}
    />
  );
}

const cell = (position: number, column: number) => document.getElementById(`cell-${position}-${column}`);

describe('a large table', () => {
  it('begins with row 1, of which only what is in view is drawn and read', async () => {
    show(<Grid from={{ position: 0, column: 0 }} />);
    await waitFor(() => expect(cell(0, 0)?.textContent).toContain('0.1'));
    const [names, first] = screen.getAllByRole('row');
    expect(names?.getAttribute('aria-rowindex')).toBe('1');
    expect(first?.getAttribute('aria-rowindex')).toBe('2');
    expect(first?.querySelector('[role="rowheader"]')?.textContent).toBe('1');
    expect(first?.style.transform).toBe('translateY(0px)');
    expect(screen.getByRole('grid')?.getAttribute('aria-rowcount')).toBe('100001');
    expect(screen.getAllByRole('row').length).toBeLessThan(60);
    expect(sent.filter(({ what }) => what.startsWith('GET /rows')).length).toBeLessThanOrEqual(3);
  });

  it('shows numbers with a minus sign, missing cells as missing, rows set aside with their reason, and what was found', async () => {
    const study = { ...large, state: { ...large.state, setAside: { reasons: ['misread'], count: 1, version: 1 } } };
    show(<Grid from={{ position: 0, column: 0 }} study={study} />);
    await waitFor(() => expect(cell(0, 2)?.textContent).toContain('−1.0'));
    expect(cell(6, 0)?.textContent).toContain('missing');
    screen.getByText('set aside: misread,');
    expect(cell(1, 1)?.className).toContain('underline');
    expect(cell(1, 0)?.className).not.toContain('underline');
  });

  it('is walked by keys and marks rows', async () => {
    const chosen: number[][] = [];
    const { user } = show(<Grid from={{ position: 0, column: 0 }} onSelected={(selection) => chosen.push([...selection])} />);
    await waitFor(() => expect(cell(0, 0)?.textContent).toContain('0.1'));
    screen.getByRole('grid').focus();
    await user.keyboard('{ArrowDown}{ArrowDown}{ArrowRight}');
    expect(screen.getByRole('grid')?.getAttribute('aria-activedescendant')).toBe('cell-2-1');
    await user.keyboard(' ');
    expect(chosen.at(-1)).toEqual([3]);
    await user.keyboard('{Control>}{ArrowUp}{/Control} ');
    expect(screen.getByRole('grid')?.getAttribute('aria-activedescendant')).toBe('cell-0-1');
    expect(chosen.at(-1)).toEqual([3, 1]);
    await user.keyboard('{Escape}');
    expect(chosen.at(-1)).toEqual([]);
  });
});
