import { resolve } from 'node:path';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { ThemeProvider } from '../src/controls/theme';
import { svgOfElement } from '../src/figures/export/svg-of-element';
import { cloudOfRows } from '../src/help-texts/figures/cloud-of-rows';
import { FIGURE_WIDTH, FIGURES } from '../src/help-texts/figures/figures';
import { HelpFigure } from '../src/help-texts/figures/help-figure';
import { inventedCloud } from '../src/help-texts/figures/invented-cloud';
import { TEXTS } from '../src/help-texts/texts';
import { show } from './served';

const FOLDER = resolve(import.meta.dirname, '../../docs/help/figures');
const MILLIMETRES = 169;

/** A figure as the pages describe it. */
function wordsOf(name: string): string {
  const found = [...TEXTS.values()].map((text) => new RegExp(`!\\[(.*?)\\]\\(figures/${name}\\.svg\\)`).exec(text)?.[1]).find(Boolean);
  if (!found) throw new Error(`No page has the figure ${name}.`);
  return found;
}

function drawn(name: string): SVGSVGElement {
  const Drawing = FIGURES[name];
  if (!Drawing) throw new Error(name);
  const { container } = render(
    <ThemeProvider>
      <Drawing width={FIGURE_WIDTH} label={wordsOf(name)} />
    </ThemeProvider>,
  );
  const svg = container.querySelector('svg');
  if (!svg) throw new Error(`${name} drew nothing.`);
  return svg;
}

const textsOf = (name: string) => [...drawn(name).querySelectorAll('text')].map(({ textContent }) => textContent);

describe('the figures of help', () => {
  it.each(Object.keys(FIGURES))('%s in the repository is what the application draws', async (name) => {
    const words = wordsOf(name);
    const { svg } = svgOfElement(drawn(name), { title: words.split(/[.:,]/)[0] ?? '', caption: words, width: MILLIMETRES, colour: true });
    // The serializer of jsdom writes the namespace a second time.
    const once = svg.replace(/( xmlns="[^"]+")(.*?)\1/s, '$1$2');
    await expect(`${once}\n`).toMatchFileSnapshot(resolve(FOLDER, `${name}.svg`));
  });

  it('say the numbers that their words say', () => {
    expect(textsOf('held-constant')).toEqual(expect.arrayContaining(['all stations: r = .49', 'elevation held constant: r = .06']));
    expect(wordsOf('held-constant')).toMatch(/r = \.49\..*partial r = \.06/);
    expect(textsOf('values-and-ranks')).toEqual(expect.arrayContaining(['values: r = −.63', 'ranks: ρ = −.73']));
    expect(wordsOf('values-and-ranks')).toMatch(/r = −\.63\..*ρ = −\.73/);
    const intervals = textsOf('intervals').flatMap((text) => /^(\S+) \[(\S+), (\S+)\]$/.exec(text ?? '')?.slice(1) ?? []);
    expect(intervals).toHaveLength(12);
    const [words, ends] = [wordsOf('intervals'), intervals];
    expect(words).toContain(`r = ${ends[0]}, ${ends[3]}, ${ends[6]} and ${ends[9]}`);
    for (const at of [0, 3, 6, 9]) expect(words).toContain(`from ${ends[at + 1]} to ${ends[at + 2]}`);
    const shares = textsOf('sides').filter((text) => text?.endsWith(' %'));
    expect(shares).toHaveLength(3);
    expect(wordsOf('sides')).toContain(
      `significant, ${shares[1]} and ${shares[0]} of the shuffles; one-sided, what lies above .31, ${shares[2]}.`,
    );
    expect(textsOf('clouds').filter((text) => text?.startsWith('r'))).toHaveLength(11);
    expect(textsOf('matrix')).toContain('.38***');
  });
});

describe('clouds', () => {
  it.each([-0.9, -0.3, 0, 0.55, 1])('has exactly the r that is asked for: %s', (r) => {
    const { x, y } = inventedCloud(r, 160);
    const sum = x.reduce((total, value, i) => total + value * (y[i] ?? 0), 0) / (x.length - 1);
    expect(sum).toBeCloseTo(r, 12);
  });

  it('of many rows are thinned, and a constant does not break them', () => {
    const column = Float64Array.from({ length: 5000 }, (_, i) => i);
    const { x, y } = cloudOfRows(column, new Float64Array(5000).fill(3));
    expect([x.length, y.length]).toEqual([556, 556]);
    expect(new Set(y)).toEqual(new Set([0]));
  });

  it('follow the slider, and say what they show', () => {
    show(<HelpFigure file="figures/clouds.svg" label="Clouds." />, '/help/what-a-coefficient-says');
    expect(screen.getByRole('status').textContent).toBe('r = .60: a straight line accounts for 36\u00a0% of the variance.');
    fireEvent.change(screen.getByRole('slider', { name: 'A cloud of your choice' }), { target: { value: '-0.3' } });
    expect(screen.getByRole('status').textContent).toBe('r = −.30: a straight line accounts for 9\u00a0% of the variance.');
  });
});
