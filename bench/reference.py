"""Times one task of the benchmark in a Debian reference library: reference.py TASK COLUMNS.bin ROWS; prints milliseconds."""

import sys
import time

import numpy
import pandas
import scipy.stats

FEWEST_RUNS, MOST_RUNS, ENOUGH = 3, 30, 1.5
# So many rows of pairs are gone through at the most; the time of the others follows.
MOST_ROWS = 10_000_000
MOST_PAIRS = 100


def pairs(columns, run):
    """All pairs; of very many only some, scaled up."""
    every = [(i, j) for i in range(len(columns)) for j in range(i)]
    most = max(10, min(MOST_PAIRS, MOST_ROWS // len(columns[0])))
    some = every[:: max(1, len(every) // most)]
    for i, j in some:
        run(columns[i], columns[j])
    return len(every) / len(some)


def pearson_complete_rows(a, b):
    both = ~(numpy.isnan(a) | numpy.isnan(b))
    scipy.stats.pearsonr(a[both], b[both])


TASKS = {
    "pearson": lambda c: numpy.corrcoef(c),
    "pearson-missing": lambda c: pairs(c, pearson_complete_rows),
    "pearson-frame": lambda f: f.corr(),
    "spearman-frame": lambda f: f.corr(method="spearman"),
    "triangle": lambda c: numpy.linalg.qr((c - c.mean(axis=1, keepdims=True)).T, mode="r"),
    "spearman": lambda c: scipy.stats.spearmanr(c, axis=1),
    "kendall": lambda c: pairs(c, scipy.stats.kendalltau),
    "shapiro-wilk": lambda c: scipy.stats.shapiro(c[0]),
    "bca": lambda c: scipy.stats.bootstrap((c[0], c[1]), lambda x, y: scipy.stats.pearsonr(x, y)[0], paired=True, vectorized=False, n_resamples=2000, method="BCa"),
}

FRAMES = {name for name in TASKS if name.endswith("-frame")}

name, path, rows = sys.argv[1], sys.argv[2], int(sys.argv[3])
columns = numpy.fromfile(path).reshape(-1, rows)
if name in FRAMES:
    columns = pandas.DataFrame(dict(enumerate(columns)))
times = []
began = time.perf_counter()
while len(times) < FEWEST_RUNS or (len(times) < MOST_RUNS and time.perf_counter() - began < ENOUGH):
    start = time.perf_counter()
    factor = TASKS[name](columns)
    times.append((time.perf_counter() - start) * (factor if isinstance(factor, float) else 1))
    if time.perf_counter() - began > 10 * ENOUGH:
        break
print(1000 * min(times))
