import { expect, it } from 'vitest';
import { withItalics } from '../src/controls/rich-text';
import { asHtml } from '../src/tables/table-as-text';

it.each([
  ['r(234) = −.42, 95 % CI [−.52, −.31], p < .001', '<i>r</i>(234) = −.42, 95 % CI [−.52, −.31], <i>p</i> &lt; .001'],
  ['τ = .21, n = 12, p = .034', '<i>τ</i> = .21, <i>n</i> = 12, <i>p</i> = .034'],
  ['Pearson’s r among 3 variables', 'Pearson’s <i>r</i> among 3 variables'],
  ['Kendall’s τ', 'Kendall’s <i>τ</i>'],
  ['r² = .18', '<i>r</i>² = .18'],
  // Names of variables and words are no symbols.
  ['station t and p-anisidine', 'station t and p-anisidine'],
  ['car = 4, map < 3', 'car = 4, map &lt; 3'],
  ['pearl’s rate', 'pearl’s rate'],
])('of “%s” only the symbols of statistics are in italics', (text, html) => expect(withItalics(text)).toBe(html));

it('lines become paragraphs, and nothing of a text is read as markup', () => {
  expect(withItalics('n = 3\n<b> & "x"')).toBe('<p><i>n</i> = 3</p><p>&lt;b&gt; &amp; &quot;x&quot;</p>');
  const html = asHtml({ caption: '<i>', head: ['a & b'], align: ['left'], rows: [['"<"']], note: 'p < .05' });
  expect(html).toContain('&lt;i&gt;');
  expect(html).toContain('a &amp; b');
  expect(html).toContain('<i>p</i> &lt; .05');
});
