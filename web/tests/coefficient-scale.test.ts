import { lab } from 'd3-color';
import { expect, it, test } from 'vitest';
import { contrast, createCoefficientScale } from '../src/figures/coefficient-scale';
import css from '../src/styles/tokens.css?raw';

const [day = '', night = ''] = css.split('[data-theme="night"]');

function tokensOf(block: string) {
  const token = (name: string) => new RegExp(`--${name}: (#[0-9a-f]{6})`).exec(block)?.[1] ?? '';
  return { token, scale: scaleOf(token) };
}

function scaleOf(token: (name: string) => string) {
  return createCoefficientScale({
    negative: token('negative'),
    middle: token('tile-middle'),
    positive: token('positive'),
    darkText: token('tile-dark-text'),
    lightText: token('tile-light-text'),
  });
}

test.each([
  ['day', day],
  ['night', night],
])('%s: the text on every tile has a contrast of at least 4.5 : 1', (_, block) => {
  const { scale } = tokensOf(block);
  for (let r = -100; r <= 100; r++) {
    const { background, text } = scale(r / 100);
    expect(contrast(background, text), `r = ${r / 100}`).toBeGreaterThanOrEqual(4.5);
  }
});

test.each([
  ['day', day],
  ['night', night],
])('%s: words and what can be pressed stand out from what they lie on', (_, block) => {
  const { token } = tokensOf(block);
  for (const ground of ['paper', 'surface', 'sunken']) {
    for (const words of ['ink', 'muted', 'accent', 'caution']) {
      expect(contrast(token(words), token(ground)), `${words} on ${ground}`).toBeGreaterThanOrEqual(4.5);
    }
    // Borders of fields and tick boxes: WCAG 2.2, 1.4.11.
    expect(contrast(token('edge'), token(ground)), `edge on ${ground}`).toBeGreaterThanOrEqual(3);
  }
});

test.each([
  ['day', day],
  ['night', night],
])('%s: the colours of groups stand out from the ground, and from the colours that mean something', (_, block) => {
  const { token } = tokensOf(block);
  const groups = [1, 2, 3, 4, 5].map((group) => token(`group-${group}`));
  const apart = (a: string, b: string) => {
    const [u, v] = [lab(a), lab(b)];
    return Math.hypot(u.l - v.l, u.a - v.a, u.b - v.b);
  };
  for (const [i, colour] of groups.entries()) {
    for (const ground of ['paper', 'surface'])
      expect(contrast(colour, token(ground)), `group ${i + 1} on ${ground}`).toBeGreaterThanOrEqual(3);
    for (const meaning of ['positive', 'negative', 'accent', 'caution']) {
      expect(apart(colour, token(meaning)), `group ${i + 1} and ${meaning}`).toBeGreaterThan(20);
    }
    for (const other of groups.slice(i + 1)) expect(apart(colour, other), `${colour} and ${other}`).toBeGreaterThan(20);
  }
});

it('runs from one end over the middle to the other', () => {
  const { scale, token } = tokensOf(day);
  const distance = (r: number, name: string) => contrast(scale(r).background, token(name));
  expect([distance(-1, 'negative'), distance(0, 'tile-middle'), distance(1, 'positive')]).toEqual([1, 1, 1]);
  expect(contrast(scale(0.8).background, token('paper'))).toBeGreaterThan(contrast(scale(0.2).background, token('paper')));
});
