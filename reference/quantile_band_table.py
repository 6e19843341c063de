"""Bands of normal quantile plots of more than 1,000 values, simulated: writes core/src/description/quantile-band-table.ts.

Standardized normal samples, of which only the plotted order statistics are drawn: uniform spacings are gamma variates over
their sum (Devroye 1986, ch. V.3), and what lies between two of them enters mean and SD by its conditional expectation. The
simultaneous band has equal local levels (Aldor-Noiman et al. 2013). Both bands are symmetric, so that each half serves twice.
"""

import sys

import numpy
import scipy
from scipy.special import ndtr, ndtri

SAMPLES, SEED, LEVEL, STEPS = 100_000, 20_260, 0.95, 240
SIZES = [1000 * 2**k for k in range(12)]


def plot_places(n):
    """As plotPlaces in normal-quantiles.ts."""
    last = ndtri((n - 0.375) / (n + 0.25))
    z = last * (2 * numpy.arange(1, STEPS) / STEPS - 1)
    inner = numpy.clip(numpy.floor(ndtr(z) * (n + 0.25) - 0.625 + 0.5).astype(int), 0, n - 1)
    return numpy.unique(numpy.concatenate([[0, n - 1], inner]))


def density(z):
    return numpy.exp(-z * z / 2) / numpy.sqrt(2 * numpy.pi)


def samples(random, n, places):
    steps = numpy.diff(numpy.concatenate([[-1], places, [n]]))
    sums = numpy.cumsum(random.standard_gamma(steps, (SAMPLES, len(steps))), axis=1)
    u = sums[:, :-1] / sums[:, -1:]
    z = ndtri(u)
    between = steps[1:-1] - 1
    du, phi = numpy.diff(u, axis=1), density(z)
    first = z.sum(axis=1) + (between * (phi[:, :-1] - phi[:, 1:]) / du).sum(axis=1)
    second = (z * z).sum(axis=1) + (between * (1 + (z[:, :-1] * phi[:, :-1] - z[:, 1:] * phi[:, 1:]) / du)).sum(axis=1)
    mean = first / n
    sd = numpy.sqrt((second - n * mean * mean) / (n - 1))
    return (z - mean[:, None]) / sd[:, None]


def at_rank(values, rank):
    """By place: the value at a rank (from 1) from below, and from above; values are sorted by place."""
    below = int(numpy.floor(rank - 1))
    share = rank - 1 - below
    low = values[below] + share * (values[below + 1] - values[below])
    high = values[-1 - below] + share * (values[-2 - below] - values[-1 - below])
    return low, high


def bands(n):
    places = plot_places(n)
    drawn = samples(numpy.random.default_rng(SEED + n), n, places)
    ordered = numpy.sort(drawn, axis=0)
    extreme = numpy.full(SAMPLES, SAMPLES)
    for k in range(len(places)):
        rank = numpy.empty(SAMPLES, dtype=int)
        rank[numpy.argsort(drawn[:, k])] = numpy.arange(1, SAMPLES + 1)
        extreme = numpy.minimum(extreme, numpy.minimum(rank, SAMPLES + 1 - rank))
    simultaneous = max(1, numpy.sort(extreme)[int((1 - LEVEL) * SAMPLES)])
    z = ndtri((places + 0.625) / (n + 0.25))
    found = []
    for rank in (simultaneous, (1 - LEVEL) / 2 * (SAMPLES + 1)):
        low, high = at_rank(ordered, rank)
        below, above = z - low, high - z
        # Symmetric: what lies below at one end lies above at the other.
        found += [(below + above[::-1]) / 2]
    return found


def written(values):
    return "[" + ", ".join(f"{value:.4g}" for value in values) + "]"


lines = []
for n in SIZES:
    simultaneous, pointwise = bands(n)
    lines.append(f"  {{\n    size: {n},\n    simultaneous: {written(simultaneous)},\n    pointwise: {written(pointwise)},\n  }},")
    print(n, len(simultaneous), file=sys.stderr)
with open("core/src/description/quantile-band-table.ts", "w") as file:
    file.write(
        f"""/**
 * How far the bands of a normal quantile plot reach below the line, by place in `plotPlaces`; above it is the same from the
 * other end. Level .95, {SAMPLES:,} samples a size, simulated by reference/quantile_band_table.py (numpy {numpy.__version__}, scipy {scipy.__version__}).
 */
export const QUANTILE_BAND_TABLE: readonly {{
  readonly size: number;
  readonly simultaneous: readonly number[];
  readonly pointwise: readonly number[];
}}[] = [
"""
        + "\n".join(lines)
        + "\n];\n"
    )
