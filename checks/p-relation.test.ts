import { expect, it } from 'vitest';
import { linesWhere } from './source-lines';

/** "p " before a number that is written without its "=": pText and formatP give the number alone. */
const WITHOUT_RELATION = /\bp (?:\$\{(?:pText|formatP|fineCoefficientText|formatFixed)\(|\{(?:pText|formatP)\()/;

it('no sentence says "p .103": p = .103, p < .001', () => {
  const { files, found } = linesWhere((line) => WITHOUT_RELATION.test(line));
  expect(files).toBeGreaterThan(500);
  expect(found).toEqual([]);
});

it('would find one', () => {
  const inText = (call: string) => `F = 3, p $\{${call}}.`.replace('\\', '');
  for (const line of [inText('pText(p)'), '<td>p {pText(p)}</td>']) expect(WITHOUT_RELATION.test(line)).toBe(true);
  expect(WITHOUT_RELATION.test(inText('x').replace('p $', '$'))).toBe(false);
});
