import type { ReactNode } from 'react';

interface Example {
  readonly title: string;
  readonly words: string;
  /** Cells as they stand in the file. */
  readonly cells: readonly (readonly string[])[];
  /** What comes of them. */
  readonly becomes: string;
}

const EXAMPLES: readonly Example[] = [
  {
    title: 'Lines above the names',
    words:
      'A title, a date or a note over the table is left out: the row of names is guessed, and how many rows stand above it can be changed on the left. A head of two lines, or of merged cells, is joined to one name.',
    cells: [
      ['Aldermere survey, spring', '', ''],
      ['station', 'nitrate', 'phosphate'],
      ['AS-001', '0.82', '10.5'],
    ],
    becomes: 'The first row is left out; the columns are station, nitrate and phosphate.',
  },
  {
    title: 'Units',
    words: 'A row of short words under the names, or a unit in brackets behind a name, goes into the codebook.',
    cells: [
      ['station', 'nitrate (mg/L)', 'elevation'],
      ['', '', 'm'],
      ['AS-001', '0.82', '348'],
    ],
    becomes: 'nitrate is in mg/L, elevation in m; no row of data is made of them.',
  },
  {
    title: 'Means and totals at the foot',
    words:
      'Last rows whose numbers are the sum, mean, SD, smallest or largest of those above are found, with a name or without. They are left out once you confirm it: as rows of data they would draw every coefficient to themselves.',
    cells: [
      ['station', 'nitrate', 'taxa'],
      ['AS-001', '0.8', '14'],
      ['AS-002', '1.6', '10'],
      ['', '1.2', '12'],
    ],
    becomes: 'Two rows of data; the third, their means, is left out.',
  },
  {
    title: 'Numbers for “missing”',
    words:
      'A value such as 999, −9 or 99.9 that stands apart from all others of its column is offered as a code. “Means missing”, in the preview or later under To check, makes it so for the column or the whole study; the cell’s number is kept beside, and undoing brings it back.',
    cells: [
      ['station', 'taxa'],
      ['AS-001', '14'],
      ['AS-002', '999'],
    ],
    becomes: 'The taxa of AS-002 are missing, not 999.',
  },
  {
    title: 'Numbers written as text',
    words:
      'Signs of money, percent signs, units, footnote marks, brackets for minus and marks between thousands are read away where you say so. “<0.5” is below a limit: choose the limit, half of it, or missing. Half of it biases r and SD; ranks are the same for either, save beside values seen at the limit itself. Which limit stood in which row is kept in a variable beside the numbers, by which rows can be coloured or left out.',
    cells: [
      ['station', 'cost', 'phosphate'],
      ['AS-001', '€16.50', '<0.5'],
      ['AS-002', '€1,204.00', '12.4*'],
    ],
    becomes: 'cost is 16.5 and 1204, in €; phosphate is what you chose, and 12.4.',
  },
];

const KINDS: readonly (readonly [kind: string, words: string, example: string])[] = [
  ['continuous', 'a measured quantity', '0.82, 1.64, 2.05'],
  ['discrete', 'counted, in whole numbers', '14, 10, 7'],
  ['ordinal', 'an order without equal steps: correlated by ranks', '1 poor, 2 fair, 3 good'],
  ['two-valued', 'two values: correlated when ticked (point-biserial r, φ for two of them), and makes groups', '0, 1'],
  ['nominal', 'names without an order: makes groups, is never correlated', 'Aster, Birk, Corrin'],
  ['identifier', 'tells the cases apart; running numbers are taken as one', 'AS-001, AS-002'],
  ['date', 'a day', '2023-05-07'],
];

/** What a table may look like, and what is made of it. */
export function BringingInHelp() {
  return (
    <>
      <p className="mb-4 font-serif text-[17px]">
        A file or pasted cells are shown before anything is stored. What looks odd is listed under the preview with what can be done about
        it; where it is a guess, it is offered and never done unasked. What you do not take stays under To check. The trail’s first line
        says what was decided.
      </p>
      {EXAMPLES.map(({ title, words, cells, becomes }) => (
        <section key={title} className="mb-6">
          <h2 className="mb-1">{title}</h2>
          <p>{words}</p>
          <Cells label={`Example: ${title}`}>
            {cells.map((row, i) => (
              <tr key={i}>
                {row.map((cell, k) => (
                  <td key={k} className="h-7 min-w-20 border border-rule px-2 py-0.5">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </Cells>
          <p className="mt-1 text-muted">{becomes}</p>
        </section>
      ))}
      <h2 className="mb-1">Kinds</h2>
      <p>Each column gets a kind, which stands over it and can be changed there, and later in the codebook.</p>
      <Cells label="Kinds of variables">
        {KINDS.map(([kind, words, example]) => (
          <tr key={kind}>
            <th scope="row" className="border border-rule px-2 py-1 text-left">
              {kind}
            </th>
            <td className="border border-rule px-2 py-1">{words}</td>
            <td className="numerals border border-rule px-2 py-1">{example}</td>
          </tr>
        ))}
      </Cells>
    </>
  );
}

function Cells({ label, children }: { label: string; children: ReactNode }) {
  return (
    <table aria-label={label} className="mt-2 border-collapse bg-surface">
      <tbody>{children}</tbody>
    </table>
  );
}
