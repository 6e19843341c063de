"""Times one task of the benchmark in the Debian reference library: reference.py TASK COLUMNS.bin ROWS; prints milliseconds."""

import sys
import time

import numpy
import scipy.stats

FEWEST_RUNS, MOST_RUNS, ENOUGH = 3, 30, 1.5
MOST_PAIRS = 100


def pairs(columns, run):
    """All pairs; of very many only some, scaled up."""
    every = [(i, j) for i in range(len(columns)) for j in range(i)]
    some = every[:: max(1, len(every) // MOST_PAIRS)]
    for i, j in some:
        run(columns[i], columns[j])
    return len(every) / len(some)


def pearson_complete_rows(a, b):
    both = ~(numpy.isnan(a) | numpy.isnan(b))
    scipy.stats.pearsonr(a[both], b[both])


TASKS = {
    "pearson": lambda c: numpy.corrcoef(c),
    "pearson-missing": lambda c: pairs(c, pearson_complete_rows),
    "spearman": lambda c: scipy.stats.spearmanr(c, axis=1),
    "kendall": lambda c: pairs(c, scipy.stats.kendalltau),
    "shapiro-wilk": lambda c: scipy.stats.shapiro(c[0]),
    "bca": lambda c: scipy.stats.bootstrap((c[0], c[1]), lambda x, y: scipy.stats.pearsonr(x, y)[0], paired=True, vectorized=False, n_resamples=2000, method="BCa"),
}

name, path, rows = sys.argv[1], sys.argv[2], int(sys.argv[3])
columns = numpy.fromfile(path).reshape(-1, rows)
times = []
began = time.perf_counter()
while len(times) < FEWEST_RUNS or (len(times) < MOST_RUNS and time.perf_counter() - began < ENOUGH):
    start = time.perf_counter()
    factor = TASKS[name](columns)
    times.append((time.perf_counter() - start) * (factor if isinstance(factor, float) else 1))
    if time.perf_counter() - began > 10 * ENOUGH:
        break
print(1000 * min(times))
