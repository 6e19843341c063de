import { deviationsGivenOthers, linearModel, lineBand, percentageBend, varianceInflation } from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { Random } from '../src/random/random';
import { relativeError } from './tolerance';

const random = new Random(61);
const DYADIC = 2 ** -30;
/** Noise of size 1/1000 on a grid of 2⁻³⁰, so that adding 1e9 to it rounds nothing. */
const grid = (n: number) =>
  Float64Array.from({ length: n }, () => Math.round((random.normal() * 1e-3) / (DYADIC * 2 ** 7)) * DYADIC * 2 ** 7);
const x = grid(60);
const y = x.map((value, i) => value + grid(60)[i]);
const offset = (values: Float64Array) => values.map((value) => value + 1e9);
const largestError = (got: readonly number[], wanted: readonly number[]) =>
  Math.max(...got.map((value, i) => relativeError(value, wanted[i] ?? Number.NaN)));

describe('no digits are lost', () => {
  it('the percentage bend of 1e9 plus small noise is that of the noise', () => {
    expect(relativeError(percentageBend(offset(x), offset(y)).coefficient, percentageBend(x, y).coefficient)).toBeLessThan(1e-14);
  });

  it('the line’s band far from zero is that of the deviations, moved', () => {
    const at = [-0.002, 0, 0.0015];
    const near = lineBand(x, y, at);
    const far = lineBand(
      offset(x),
      y,
      at.map((place) => place + 1e9),
    );
    // The places themselves are rounded at the size of 1e9.
    const moved = lineBand(
      x,
      y,
      at.map((place) => place + 1e9 - 1e9),
    );
    expect(near).toHaveLength(3);
    expect(
      largestError(
        far.flatMap(({ low, high }) => [low, high]),
        moved.flatMap(({ low, high }) => [low, high]),
      ),
    ).toBeLessThan(1e-12);
  });

  it('the line’s band near 1e−160, where squares underflow, is that of ordinary numbers, scaled', () => {
    const scale = 2 ** -530;
    const scaled = (values: Float64Array) => values.map((value) => value * scale);
    const at = [-0.002, 0.001];
    const tiny = lineBand(
      scaled(x),
      scaled(y),
      at.map((place) => place * scale),
    );
    const wanted = lineBand(x, y, at).flatMap(({ low, high }) => [low, high]);
    expect(
      largestError(
        tiny.flatMap(({ low, high }) => [low / scale, high / scale]),
        wanted,
      ),
    ).toBeLessThan(1e-13);
  });

  it('deviations given the others keep their digits at VIF 1e10', () => {
    const [a, c] = [0, 1].map(() => Float64Array.from({ length: 40 }, () => random.normal())) as [Float64Array, Float64Array];
    const columns = [a, a.map((value, i) => value + 1e-5 * c[i]), c.map((value) => value + random.normal())];
    const { vif } = varianceInflation(columns);
    expect(vif[0]).toBeGreaterThan(1e9);
    const given = deviationsGivenOthers(columns, [0, 7, 31]);
    columns.forEach((outcome, j) => {
      const model = linearModel(
        outcome,
        columns.filter((_, k) => k !== j),
      );
      const sd = Math.sqrt(model.residuals.reduce((sum, value) => sum + value * value, 0) / 39);
      for (const [place, row] of [0, 7, 31].entries()) expect(relativeError(given[place][j], model.residuals[row] / sd)).toBeLessThan(1e-9);
    });
  });
});
