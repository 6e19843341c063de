import { inlinesOf, type RichText, richTextSchema } from '@ivlen/contract';
import { describe, expect, it } from 'vitest';
import { changedInWords } from '../src/stages/report/blocks/block-notes';
import { gapsInWords, notShown, withGapsMarked } from '../src/stages/report/export/gaps';
import { blocksAsHtml, textAsHtml } from '../src/stages/report/export/html';
import { reportAsLatex, tableAsLatex, textAsLatex } from '../src/stages/report/export/latex';
import { reportAsMarkdown, tableAsMarkdown, textAsMarkdown } from '../src/stages/report/export/markdown';
import { plainText } from '../src/stages/report/export/plain-text';
import { tablesOfWidth } from '../src/stages/report/table-parts';
import { lookedAt, type WrittenBlock } from '../src/stages/report/written-report';
import { alignedText, asHtml, asTabs } from '../src/tables/table-as-text';
import { generatedText } from '../src/telling/generated-text';
import { namesWithPoints, toldWithLeadingZero, withLeadingZero } from '../src/telling/leading-zero';
import { numbersInText } from '../src/telling/numbers-in-text';
import { fixedSentence, NOTHING_TOLD, paragraph, sentence } from '../src/telling/told';
import { valuesOf } from '../src/telling/values-of';
import { testStudy } from './test-study';

const PAIR =
  'There was a negative association of nitrate with taxa, r(246) = −.63, 95 % CI [−.70, −.55], p < .001 (large; 40 % of variance shared).';
const valuesIn = (text: string, names: readonly string[] = []) =>
  numbersInText('s', text, names).flatMap((piece) => ('value' in piece ? [piece] : []));

it('a zero goes before points of numbers, not before those of names and of files', () => {
  expect(withLeadingZero('r = .42, p < .001 [−.3, .5]')).toBe('r = 0.42, p < 0.001 [−0.3, 0.5]');
  expect(withLeadingZero('PM .5 with depth, r = .42, in a.7z and .7z', ['PM .5'])).toBe('PM .5 with depth, r = 0.42, in a.7z and .7z');
  expect(withLeadingZero('PM .55 and PM .5', ['PM .5', 'PM .55'])).toBe('PM .55 and PM .5');
  const study = testStudy();
  const [first] = study.state.variables;
  const named = { state: { ...study.state, variables: [{ ...first, name: 'PM .5', label: '', valueLabels: {} }] } };
  expect(namesWithPoints(named as unknown as typeof study)).toContain('PM .5');
  expect(namesWithPoints(study)).toEqual([]);
});

describe('numbers of a sentence', () => {
  it('are found with their relation, each by its place among all and by what it is of', () => {
    expect(valuesIn(PAIR).map(({ value, name }) => [name, value])).toEqual([
      ['df of r', '246'],
      ['r', '= −.63'],
      ['% CI', '95'],
      ['the lower limit', '−.70'],
      ['the upper limit', '−.55'],
      ['p', '< .001'],
      ['% of variance shared', '40'],
    ]);
    expect(valuesIn(PAIR)[1]?.key).toBe('s.2/7');
    const joinedAgain = numbersInText('s', PAIR, [])
      .map((piece) => ('value' in piece ? piece.value : piece.words))
      .join('');
    expect(joinedAgain).toBe(PAIR);
  });

  it('are not digits of names, of words, or of both ends of a sign', () => {
    expect(valuesIn('pm10 and stream order 2 were 3.', ['stream order 2']).map(({ value }) => value)).toEqual(['3']);
    expect(valuesIn('pH7 rose to 1,204 by 1.5 × 10⁻⁷.').map(({ value }) => value)).toEqual(['1,204', '1.5 × 10⁻⁷']);
    expect(valuesIn('No number at all.')).toEqual([]);
    expect(valuesIn('')).toEqual([]);
  });

  it('of a sentence that is built otherwise are none of the former ones', () => {
    const keys = (text: string) => valuesIn(text).map(({ key }) => key);
    const none = keys('No association was detected, r(246) = −.03, p = .640.');
    expect(keys(PAIR).filter((key) => none.includes(key))).toEqual([]);
  });
});

describe('a generated text', () => {
  const told = [
    paragraph(sentence('pair', 'Pearson’s r(12) = .40.'), fixedSentence('source', 'After Fisher (1915).')),
    { ...paragraph(sentence('a', 'one 1')), item: true },
    { ...paragraph(sentence('b', 'two 2')), item: true },
  ];
  const text = generatedText(told, 'block', 14, []);

  it('has numbers that follow, symbols in italics, fixed words, and lists of one piece', () => {
    expect(richTextSchema.parse(text)).toEqual(text);
    const inlines = inlinesOf(text);
    expect(inlines.filter(({ type }) => type === 'value').map((inline) => inline.type === 'value' && inline.attrs)).toEqual([
      { block: 'block', key: 'pair.1/2', shown: '12', at: 14 },
      { block: 'block', key: 'pair.2/2', shown: '= .40', at: 14 },
      { block: 'block', key: 'a.1/1', shown: '1', at: 14 },
      { block: 'block', key: 'b.1/1', shown: '2', at: 14 },
    ]);
    expect(
      inlines.filter((inline) => inline.type === 'text' && inline.marks).map((inline) => inline.type === 'text' && inline.text),
    ).toEqual(['r']);
    expect(text.content.map(({ type }) => type)).toEqual(['paragraph', 'bulletList']);
    expect(plainText(text, new Map())).toBe('Pearson’s r(12) = .40. After Fisher (1915).\n\n• one 1\n• two 2');
  });

  it('is shown with the numbers of now, the words around them as they were', () => {
    const now = valuesOf([paragraph(sentence('pair', 'Otherwise r(10) = .25.'))], []);
    const values = new Map([['block', now]]);
    expect(plainText(text, values)).toContain('Pearson’s r(10) = .25.');
    expect(textAsHtml(text, values)).toContain('<i>r</i>(10) = .25.');
    const looked = lookedAt(text, values, 15);
    expect(inlinesOf(looked).slice(0, 6)).toMatchObject([
      {},
      {},
      {},
      { type: 'value', attrs: { shown: '10', at: 15 } },
      {},
      { type: 'value', attrs: { shown: '= .25', at: 15 } },
    ]);
    // What is no longer told becomes words, as it last was.
    expect(inlinesOf(looked).filter(({ type }) => type === 'value')).toHaveLength(2);
    expect(plainText(looked, values)).toContain('• one 1');
  });

  it('says what changed under it', () => {
    expect(changedInWords({ name: 'r', was: '= −.42', is: '= −.39', at: 14 })).toBe('r was −.42 at decision 14, is −.39 now');
    expect(changedInWords({ name: 'p', was: '= .03', is: '< .001', at: 2 })).toBe('p was .03 at decision 2, is < .001 now');
    expect(changedInWords({ name: 'r', was: '= −.42', is: null, at: 14 })).toContain('−.42, of decision 14, is no longer told');
  });
});

describe('a zero before the point', () => {
  it('is put before bare points alone', () => {
    expect(withLeadingZero('r = −.42, p < .001, [.10, .20], (.5), 12.5, v1.2, e.g. .3')).toBe(
      'r = −0.42, p < 0.001, [0.10, 0.20], (0.5), 12.5, v1.2, e.g. 0.3',
    );
  });

  it('goes through sentences, cells but not names of rows, notes and captions', () => {
    const told = toldWithLeadingZero({
      ...NOTHING_TOLD,
      paragraphs: [paragraph(sentence('a', 'r = .5'))],
      tables: [{ caption: 't', head: ['', 'r'], align: ['left', 'right'], rows: [['dose .5', '.5**']], note: '* p ≤ .05', csv: '.5' }],
    });
    expect(told.paragraphs[0]?.sentences[0]?.text).toBe('r = 0.5');
    expect(told.tables[0]).toMatchObject({ rows: [['dose .5', '0.5**']], note: '* p ≤ 0.05', csv: '.5' });
  });
});

const table = {
  caption: 'Three & four',
  head: ['Variable', 'M', 'SD', '1', '2'],
  align: ['left', 'right', 'right', 'right', 'right'] as const,
  rows: [
    ['1. nitrate_1 | <b>', '2.47', '1.81', '–', ''],
    ['2. 硝酸 50 % #4', '8.9', '4.6', '−.63***\n[−.70, −.55]', '–'],
  ],
  note: 'n = 4. * p ≤ .05',
};

describe('tables leave the report', () => {
  it('as aligned text, in columns of one width', () => {
    const lines = alignedText(table).split('\n');
    expect(lines[0]).toBe('Three & four');
    expect(lines[2]).toBe('Variable               M    SD                     1  2');
    expect(lines[4]).toBe('1. nitrate_1 | <b>  2.47  1.81                     –');
    expect(lines[5]).toBe('2. 硝酸 50 % #4        8.9   4.6  −.63*** [−.70, −.55]  –');
    expect(new Set([lines[1], lines[3], lines[6]]).size).toBe(1);
  });

  it('as cells of a spreadsheet: one line each, minus signs that are numbers', () => {
    expect(asTabs(table).split('\n')).toHaveLength(3);
    expect(asTabs({ head: ['a'], rows: [['−.5'], ['−x']] })).toBe('a\n-.5\n−x');
  });

  it('as HTML with symbols in italics and names that stay names', () => {
    const html = asHtml(table);
    expect(html).toContain('<i>M</i>');
    expect(html).toContain('1. nitrate_1 | &lt;b&gt;');
    expect(html).toContain('−.63***<br>[−.70, −.55]');
    expect(html).toContain('<i>n</i> = 4. * <i>p</i> ≤ .05');
  });

  it('as Markdown and LaTeX, signs that mean something there standing for themselves', () => {
    const markdown = tableAsMarkdown(table, 'Table 1. Three & four');
    expect(markdown).toContain('| 1. nitrate\\_1 \\| &lt;b&gt; | 2.47 |');
    expect(markdown).toContain('| 2. 硝酸 50 % \\#4 | 8.9 | 4.6 | −.63\\*\\*\\*<br>\\[−.70, −.55\\] | – |');
    expect(markdown.split('\n')[3]).toBe('| :-- | --: | --: | --: | --: |');
    const latex = tableAsLatex(table, 'Table 1. Three & four');
    expect(latex).toContain('Table 1. Three \\& four');
    expect(latex).toContain('1. nitrate\\_1 | $<$b$>$ & 2.47');
    expect(latex).toContain('50 \\% \\#4');
    expect(latex).toContain('\\shortstack[r]{$-$.63*** \\\\ [$-$.70, $-$.55]}');
    expect(latex).toContain('\\textit{M}');
    expect(latex).toMatch(/\\toprule[\s\S]*\\midrule \\endhead[\s\S]*\\bottomrule/);
  });

  it('of sixty variables in parts, each coefficient once, names and none of the empty rows in each', () => {
    const names = Array.from({ length: 60 }, (_, i) => `${i + 1}. quantity_${i + 1}`);
    const table = {
      caption: 'sixty',
      head: ['Variable', ...names.map((_, i) => String(i + 1))],
      align: names.map(() => 'right' as const),
      rows: names.map((name, i) => [name, ...names.map((_, j) => (j < i ? `.${i + 10}**` : j === i ? '–' : ''))]),
      csv: '',
    };
    for (const paper of ['portrait', 'landscape'] as const) {
      const parts = tablesOfWidth(table, { paper, split: true });
      expect(parts.length).toBeGreaterThan(paper === 'portrait' ? 4 : 2);
      expect(parts.flatMap(({ head }) => head.slice(1))).toEqual(names.map((_, i) => String(i + 1)));
      const filled = parts.flatMap(({ rows }) => rows.flatMap((cells) => cells.slice(1).filter((text) => text !== '')));
      expect(filled).toHaveLength((60 * 61) / 2);
      for (const { rows } of parts) for (const [name, ...cells] of rows) expect([name !== '', cells.some(Boolean)]).toEqual([true, true]);
      const widest = parts.map(({ rows }) => Math.max(...rows.map((cells) => cells.join('  ').length)));
      expect(Math.max(...widest)).toBeLessThanOrEqual(paper === 'portrait' ? 92 : 140);
    }
    expect(tablesOfWidth(table, { paper: 'portrait', split: false })).toEqual([table]);
  });

  it('cut into parts that fit on the paper, names again in each, the note under the last', () => {
    const wide = {
      caption: 'wide',
      head: ['Variable', ...Array.from({ length: 20 }, (_, j) => String(j + 1))],
      align: Array.from({ length: 21 }, (_, j) => (j === 0 ? ('left' as const) : ('right' as const))),
      rows: Array.from({ length: 20 }, (_, i) => [
        `${i + 1}. variable`,
        ...Array.from({ length: 20 }, (_, j) => (j < i ? '−.63***' : j === i ? '–' : '')),
      ]),
      note: 'a note',
      csv: '',
    };
    const parts = tablesOfWidth(wide, { paper: 'portrait', split: true });
    expect(parts.length).toBeGreaterThan(1);
    expect(parts.flatMap(({ head }) => head.slice(1))).toEqual(wide.head.slice(1));
    expect(parts.map(({ head }) => head[0])).toEqual(parts.map(() => 'Variable'));
    expect(parts.map(({ note }) => note)).toEqual([...parts.slice(1).map(() => undefined), 'a note']);
    // A triangle leaves rows empty in its later parts.
    expect(parts[1]?.rows[0]?.[0]).toBe(`${parts[0] ? parts[0].head.length : 0}. variable`);
    const landscape = tablesOfWidth(wide, { paper: 'landscape', split: true });
    expect(landscape.length).toBeLessThan(parts.length);
    expect(tablesOfWidth(wide, { paper: 'portrait', split: false })).toEqual([wide]);
    expect(tablesOfWidth({ ...table, align: [...table.align], csv: '' }, { paper: 'portrait', split: true })).toHaveLength(1);
  });
});

describe('texts leave the report', () => {
  const text: RichText = {
    type: 'doc',
    content: [
      { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'A & B' }] },
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'x' },
          { type: 'text', text: '2', marks: [{ type: 'superscript' }] },
          { type: 'text', text: ' is *not* 50 % of <y>', marks: [{ type: 'bold' }] },
          { type: 'hardBreak' },
          { type: 'reference', attrs: { key: 'fisher-1915' } },
        ],
      },
      {
        type: 'orderedList',
        content: [
          {
            type: 'listItem',
            content: [
              { type: 'paragraph', content: [{ type: 'text', text: 'first' }] },
              {
                type: 'bulletList',
                content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'inner' }] }] }],
              },
            ],
          },
          { type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'second 😀 עברית' }] }] },
        ],
      },
    ],
  };
  const block = { heading: 'Own_words', text, tables: [], figures: [], state: null } as unknown as WrittenBlock;
  const report = { title: 'T & T', blocks: [block], values: new Map(), complete: true };

  it('says what cannot be shown, and marks its place', () => {
    const content = { kind: 'pin', pin: { title: 'Pearson’s r of nitrate and taxa' } };
    const failed = {
      ...block,
      text: null,
      block: { title: null, content },
      state: { pin: undefined, error: new Error('A variable is gone.') },
    };
    const whole = { ...report, blocks: [block, failed as unknown as WrittenBlock] };
    expect(gapsInWords(notShown(whole))).toBe('“Pearson’s r of nitrate and taxa” cannot be shown: its place is marked in the file.');
    expect(gapsInWords(notShown({ blocks: [...whole.blocks, failed as unknown as WrittenBlock] }))).toContain('2 blocks cannot be shown');
    expect(gapsInWords(notShown({ blocks: [{ ...block, state: null }] }))).toBeNull();
    expect(reportAsMarkdown(withGapsMarked(whole))).toContain('Not shown: Pearson’s r of nitrate and taxa. A variable is gone.');
    const shown = { ...report, blocks: [{ ...block, state: null }] };
    expect(withGapsMarked(shown)).toBe(shown);
  });

  it('as HTML', () => {
    expect(blocksAsHtml([block], new Map())).toBe(
      '<h2>Own_words</h2><h3>A &amp; B</h3><p>x<sup>2</sup><b> is *not* 50 % of &lt;y&gt;</b><br>Fisher (1915)</p><ol><li><p>first</p><ul><li><p>inner</p></li></ul></li><li><p>second 😀 עברית</p></li></ol>',
    );
  });

  it('as Markdown', () => {
    expect(reportAsMarkdown(report)).toBe(
      '# T &amp; T\n\n## Own\\_words\n\n### A &amp; B\n\nx<sup>2</sup> **is \\*not\\* 50 % of &lt;y&gt;**  \nFisher (1915)\n\n1. first\n   - inner\n2. second 😀 עברית\n',
    );
    expect(textAsMarkdown({ type: 'doc', content: [] })).toBe('');
  });

  it('as LaTeX', () => {
    const latex = reportAsLatex(report, { paper: 'landscape' });
    expect(latex).toContain('margin=25mm,landscape');
    expect(latex).toContain('\\section*{Own\\_words}');
    const checksum: RichText = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'f00d'.repeat(16) }] }] };
    expect(textAsLatex(checksum).split('\\allowbreak{}')).toEqual(Array.from({ length: 4 }, () => 'f00d'.repeat(4)));
    expect(latex).toContain('\\subsection*{A \\& B}');
    expect(latex).toContain('x\\textsuperscript{2}\\textbf{ is *not* 50 \\% of $<$y$>$}');
    expect(latex).toContain('\\begin{enumerate}\n\\item first\n\n\\begin{itemize}\n\\item inner\n\\end{itemize}\n\\item second');
  });

  it('as plain words', () => {
    expect(plainText(text, new Map())).toBe('A & B\n\nx2 is *not* 50 % of <y>\nFisher (1915)\n\n1. first\n  • inner\n2. second 😀 עברית');
  });
});
