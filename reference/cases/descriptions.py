"""Moments and quantiles from their definitions; smooths and densities."""

import math

import mpmath
import numpy
import statsmodels.api
from mpmath import mp, mpf

from .common import exact, number, numbers


def describe_case(name, x):
    values = exact(v for v in x if not math.isnan(v))
    n = len(values)
    mean = sum(values) / n
    moments = {k: sum((v - mean) ** k for v in values) / n for k in (2, 3, 4)}
    ordered = sorted(values)

    def type7(p):
        position = (n - 1) * mpf(p)
        below = int(mpmath.floor(position))
        share = position - below
        return ordered[below] if share == 0 else ordered[below] + share * (ordered[below + 1] - ordered[below])

    case = {
        "name": name,
        "x": [number(v) for v in x],
        "n": n,
        "missing": len(x) - n,
        "mean": number(mean),
        "median": number(type7(0.5)),
        "q1": number(type7(0.25)),
        "q3": number(type7(0.75)),
        "mad": number(sorted_median([abs(v - type7(0.5)) for v in values])),
    }
    if n > 1:
        case["sd"] = number(mp.sqrt(moments[2] * n / (n - 1)))
        case["se"] = number(mp.sqrt(moments[2] / (n - 1)))
    if n > 2:
        se1 = mp.sqrt(mpf(6) * n * (n - 1) / ((n - 2) * (n + 1) * (n + 3)))
        g1 = moments[3] / moments[2] ** mpf(1.5)
        case["skewness"] = number(g1 * mp.sqrt(mpf(n) * (n - 1)) / (n - 2))
        case["skewnessSe"] = number(se1)
    if n > 3:
        g2 = moments[4] / moments[2] ** 2 - 3
        case["excessKurtosis"] = number(mpf(n - 1) / ((n - 2) * (n - 3)) * ((n + 1) * g2 + 6))
        case["excessKurtosisSe"] = number(2 * se1 * mp.sqrt((mpf(n) ** 2 - 1) / ((n - 3) * mpf(n + 5))))
    return case


def sorted_median(values):
    values = sorted(values)
    half = len(values) // 2
    return values[half] if len(values) % 2 else (values[half - 1] + values[half]) / 2


def describe_cases():
    rng = numpy.random.default_rng(7)
    x = rng.normal(size=101)
    gaps = x.copy()
    gaps[[3, 50]] = math.nan
    return [
        describe_case("two values", numpy.array([1.0, 4.0])),
        describe_case("three values", numpy.array([2.0, 3.0, 7.0])),
        describe_case("normal, n=101", x),
        describe_case("skewed, n=40", numpy.exp(2 * rng.normal(size=40))),
        describe_case("1e9 plus noise of 1e-3", 1e9 + 1e-3 * x),
        describe_case("values near 1e160", x * 1e160),
        describe_case("values near 1e-170", x * 1e-170),
        describe_case("missing values", gaps),
    ]


def smoothing_cases():
    """lowess of statsmodels, whose algorithm is Cleveland's; Gaussian kernel density from its definition."""
    rng = numpy.random.default_rng(1979)
    x = rng.uniform(0, 10, 80)
    y = numpy.sin(x) + 0.3 * rng.normal(size=80)
    y[11] = 9
    tied = numpy.round(rng.uniform(0, 10, 60))
    large = rng.normal(size=900)
    lowess = statsmodels.api.nonparametric.lowess
    fits = [
        ("plain", x, y, 2 / 3, 3, 0.0),
        ("narrow, no robustness", x, y, 0.3, 0, 0.0),
        ("ties in x", tied, tied + rng.normal(size=60), 0.5, 2, 0.0),
        ("interpolated", large, large**2 + rng.normal(size=900), 2 / 3, 3, 0.01 * (large.max() - large.min())),
    ]
    values = rng.normal(size=60)
    h = mpf("0.4")
    places = [mpf(float(v)) for v in numpy.linspace(values.min() - 1.2, values.max() + 1.2, 5)]
    heights = [sum(mp.exp(-(((p - v) / h) ** 2) / 2) for v in exact(values)) / (len(values) * h * mp.sqrt(2 * mp.pi)) for p in places]
    return {
        "lowess": [
            {"name": name, "x": numbers(a), "y": numbers(b), "fraction": f, "rounds": r, "delta": d, "fitted": numbers(lowess(b, a, frac=f, it=r, delta=d)[:, 1])}
            for name, a, b, f, r, d in fits
        ],
        "density": {"x": numbers(values), "bandwidth": 0.4, "at": numbers(places), "density": numbers(heights)},
    }
