"""Simulates the table of limits beyond which a value is called far out: /usr/bin/python3 reference/far_out_table.py

The limit of |modified z| (Iglewicz & Hoaglin 1993) that the largest of n normal values passes in 5 % of samples."""

import pathlib

import numpy

SIZES = [4, 5, 6, 7, 8, 9, 10, 12, 14, 17, 20, 25, 30, 40, 50, 70, 100, 140, 200, 300, 500, 1_000, 2_000, 5_000, 10_000, 30_000, 100_000]
SHARE = 0.05
DRAWN = 60_000_000
MOST, LEAST = 200_000, 4_000
BATCH = 4_000_000
OUT = pathlib.Path(__file__).parent.parent / "core/src/cautions/far-out-limits.ts"

rng = numpy.random.default_rng(19931608)
limits = []
for n in SIZES:
    replicates = max(LEAST, min(MOST, DRAWN // n))
    step = max(1, BATCH // n)
    largest = []
    for start in range(0, replicates, step):
        x = rng.standard_normal((min(step, replicates - start), n))
        away = numpy.abs(x - numpy.median(x, axis=1, keepdims=True))
        largest.append(0.6745 * away.max(axis=1) / numpy.median(away, axis=1))
    limits.append(numpy.quantile(numpy.concatenate(largest), 1 - SHARE))

OUT.write_text(
    "/** Limits of |modified z| that 5 % of normal samples pass, by size; simulated by reference/far_out_table.py. */\n"
    f"export const FAR_OUT_SIZES: readonly number[] = {SIZES};\n"
    f"export const FAR_OUT_LIMITS: readonly number[] = [{', '.join(f'{value:.3f}' for value in limits)}];\n"
)
