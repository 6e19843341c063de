"""Ranks of rows complete for a pair, and ellipses of concentration, by scipy."""

import numpy
from scipy.stats import chi2, rankdata


def scatterplot_cases():
    random = numpy.random.default_rng(20)
    x = numpy.round(random.normal(10, 3, 40), 0)
    y = random.lognormal(0, 1, 40)
    x[[3, 17, 30]] = numpy.nan
    y[[3, 8, 25]] = numpy.nan
    both = ~numpy.isnan(x) & ~numpy.isnan(y)

    def ranks(values, rows):
        result = numpy.full(len(values), numpy.nan)
        result[rows] = rankdata(values[rows], method="average")
        return [None if numpy.isnan(rank) else float(rank) for rank in result]

    def column(values):
        return [None if numpy.isnan(value) else float(value) for value in values]

    return {
        "ranks": {
            "x": column(x),
            "y": column(y),
            "alone": ranks(x, ~numpy.isnan(x)),
            "xInPair": ranks(x, both),
            "yInPair": ranks(y, both),
        },
        "ellipses": [{"share": share, "distance": float(numpy.sqrt(chi2.ppf(share, 2)))} for share in (0.05, 0.5, 0.9, 0.95, 0.999)],
    }
