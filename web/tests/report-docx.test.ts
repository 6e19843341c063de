import type { RichText } from '@ivlen/contract';
import { Packer } from 'docx';
import { strFromU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { docxOf } from '../src/stages/report/export/docx-document';
import { htmlPage } from '../src/stages/report/export/html-page';
import type { PaperDocument } from '../src/stages/report/export/paper-document';

/** The smallest PNG there is: one grey dot. */
const DOT = Uint8Array.from(
  atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg=='),
  (letter) => letter.charCodeAt(0),
).buffer;

const text: RichText = {
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'There was ' },
        { type: 'text', text: 'r', marks: [{ type: 'italic' }] },
        { type: 'text', text: ' = −.63 & “more” <than> 😀 硝酸 עברית.' },
      ],
    },
    { type: 'bulletList', content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'listed' }] }] }] },
    { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'Under it' }] },
  ],
};
const paper: PaperDocument = {
  title: 'Streams & <b>',
  paper: 'portrait',
  blocks: [
    {
      heading: 'Results',
      text,
      tables: [
        {
          title: 'Table 1. Pearson’s r among 2 variables',
          caption: '',
          head: ['Variable', 'M', '1', '2'],
          align: ['left', 'right', 'right', 'right'],
          rows: [
            ['1. nitrate_%', '2.47', '–', ''],
            ['2. mayfly <taxa>', '8.9', '−.63***\n[−.70, −.55]', '–'],
          ],
          note: 'n = 248. * p ≤ .05',
        },
      ],
      figures: [
        {
          number: 1,
          caption: 'taxa against nitrate',
          alternative: 'Scatterplot; the line falls.',
          svg: '<svg xmlns="http://www.w3.org/2000/svg"/>',
          png: DOT,
          width: 160,
          height: 115,
        },
      ],
    },
  ],
};

describe('a Word document', () => {
  let parts: Record<string, Uint8Array>;
  let page: Document;
  const all = (tag: string, within: Document | Element = page) => [...within.getElementsByTagName(tag)];
  beforeAll(async () => {
    parts = unzipSync(new Uint8Array(await Packer.toArrayBuffer(docxOf(paper))));
    page = new DOMParser().parseFromString(strFromU8(parts['word/document.xml'] ?? new Uint8Array()), 'application/xml');
  });

  it('has real headings, a real list, and every sign of names', () => {
    const styles = all('w:p').map((paragraph) => [all('w:pStyle', paragraph)[0]?.getAttribute('w:val'), paragraph.textContent]);
    expect(styles).toContainEqual(['Title', 'Streams & <b>']);
    expect(styles).toContainEqual(['Heading1', 'Results']);
    expect(styles).toContainEqual(['Heading2', 'Under it']);
    expect(styles).toContainEqual(['Caption', 'Table 1. Pearson’s r among 2 variables']);
    expect(page.documentElement.textContent).toContain('r = −.63 & “more” <than> 😀 硝酸 עברית.');
    expect(all('w:numPr')).toHaveLength(1);
  });

  it('has a real table whose head stands again on each page, symbols in italics', () => {
    const [table] = all('w:tbl');
    const rows = table
      ? all('w:tr', table).map((row) => all('w:tc', row).map((cell) => all('w:p', cell).map(({ textContent }) => textContent)))
      : [];
    expect(rows).toEqual([
      [['Variable'], ['M'], ['1'], ['2']],
      [['1. nitrate_%'], ['2.47'], ['–'], ['']],
      [['2. mayfly <taxa>'], ['8.9'], ['−.63***', '[−.70, −.55]'], ['–']],
    ]);
    expect(all('w:tblHeader')).toHaveLength(1);
    const italic = all('w:r').filter((run) => all('w:i', run).some((mark) => mark.getAttribute('w:val') !== 'false'));
    expect(italic.map(({ textContent }) => textContent)).toEqual(expect.arrayContaining(['r', 'M', 'n', 'p', 'Note. ']));
    expect(italic.map(({ textContent }) => textContent)).not.toContain('Variable');
  });

  it('has its figure as a picture of its size with a text alternative', () => {
    const [description] = all('wp:docPr');
    expect(description?.getAttribute('descr')).toBe('Scatterplot; the line falls.');
    // 160 mm at 36,000 units each, to a dot of a screen.
    expect(Number(all('wp:extent')[0]?.getAttribute('cx')) / 36_000).toBeCloseTo(160, 0);
    expect(Object.keys(parts).filter((name) => /^word\/media\/./.test(name))).toHaveLength(1);
  });

  it('turns the paper', async () => {
    const turned = unzipSync(new Uint8Array(await Packer.toArrayBuffer(docxOf({ ...paper, paper: 'landscape' }))));
    const size = /<w:pgSz [^>]*>/.exec(strFromU8(turned['word/document.xml'] ?? new Uint8Array()))?.[0];
    expect(size).toContain('w:orient="landscape"');
    const [, wide, high] = /w:w="(\d+)" w:h="(\d+)"/.exec(size ?? '') ?? [];
    expect(Number(wide)).toBeGreaterThan(Number(high));
  });
});

describe('one page of HTML', () => {
  it('is whole without a network and without scripts', () => {
    const html = htmlPage(paper);
    const page = new DOMParser().parseFromString(html, 'text/html');
    expect(page.querySelectorAll('script, link, iframe')).toHaveLength(0);
    expect(html).not.toMatch(/(?:src|href)=/);
    expect(page.querySelector('h1')?.textContent).toBe('Streams & <b>');
    expect([...page.querySelectorAll('tbody tr')].map((row) => row.textContent)).toEqual([
      '1. nitrate_%2.47–',
      '2. mayfly <taxa>8.9−.63***[−.70, −.55]–',
    ]);
    expect(page.querySelector('caption')?.textContent).toBe('Table 1. Pearson’s r among 2 variables');
    expect(page.querySelector('figure [role=img]')?.getAttribute('aria-label')).toBe('Scatterplot; the line falls.');
  });
});
