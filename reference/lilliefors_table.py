"""Simulates the table that core's Lilliefors test interpolates for p above .10: /usr/bin/python3 reference/lilliefors_table.py"""

import pathlib

import numpy
import scipy.special

SIZES = [4, 5, 6, 8, 10, 14, 20, 30, 50, 100, 400]
PROBABILITIES = [0.005, 0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.92]
REPLICATES = 200_000
BATCH = 10_000
OUT = pathlib.Path(__file__).parent.parent / "core/src/normality/lilliefors-table.ts"

rng = numpy.random.default_rng(19671986)
rows = []
for n in SIZES:
    found = []
    for _ in range(REPLICATES // BATCH):
        x = numpy.sort(rng.standard_normal((BATCH, n)), axis=1)
        z = (x - x.mean(axis=1, keepdims=True)) / x.std(axis=1, ddof=1, keepdims=True)
        below = scipy.special.ndtr(z)
        steps = numpy.arange(1, n + 1) / n
        found.append(numpy.maximum((steps - below).max(axis=1), (below - steps + 1 / n).max(axis=1)))
    rows.append(numpy.quantile(numpy.concatenate(found) * numpy.sqrt(n), PROBABILITIES))

lines = ["  [" + ", ".join(f"{value:.4f}" for value in row) + "],\n" for row in rows]
OUT.write_text(
    "/** Quantiles of √n·D of Lilliefors' distance, simulated by reference/lilliefors_table.py; a row for each size. */\n"
    "export const LILLIEFORS_QUANTILES: readonly (readonly number[])[] = [\n" + "".join(lines) + "];\n"
    f"export const LILLIEFORS_SIZES: readonly number[] = {SIZES};\n"
    f"export const LILLIEFORS_PROBABILITIES: readonly number[] = {PROBABILITIES};\n"
)
