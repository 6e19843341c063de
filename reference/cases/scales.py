"""Box-Cox and Yeo-Johnson by the zero of the likelihood's slope; normal scores."""

import numpy
import scipy.stats
from mpmath import mp, mpf

import mpmath

from .common import exact, mean, midranks, normal_quantile, number, numbers


def box_cox_slope(logs, jacobian, lam):
    n = len(logs)
    y = [mp.expm1(lam * u) / lam for u in logs]
    dy = [(lam * u * mp.exp(lam * u) - mp.expm1(lam * u)) / lam**2 for u in logs]
    m = mean(y)
    return -n * sum((a - m) * b for a, b in zip(y, dy)) / sum((a - m) ** 2 for a in y) + jacobian


def yeo_johnson_slope(values, lam):
    n, y, dy = len(values), [], []
    for v in values:
        u, power, sign = (mp.log1p(v), lam, 1) if v >= 0 else (mp.log1p(-v), 2 - lam, -1)
        y.append(sign * mp.expm1(power * u) / power)
        dy.append((power * u * mp.exp(power * u) - mp.expm1(power * u)) / power**2)
    m = mean(y)
    return -n * sum((a - m) * b for a, b in zip(y, dy)) / sum((a - m) ** 2 for a in y) + sum(mp.sign(v) * mp.log1p(abs(v)) for v in values)


def root(slope, start):
    return mpmath.findroot(slope, (mpf(start) - mpf("0.001"), mpf(start) + mpf("0.001")), tol=mpf(10) ** -45)


def box_cox_case(name, x):
    values = exact(x)
    logs = [mp.log(v) for v in values]
    lam = root(lambda l: box_cox_slope(logs, sum(logs), l), scipy.stats.boxcox(numpy.array(x))[1])
    return {"name": name, "x": numbers(x), "lambda": number(lam), "values": numbers(mp.expm1(lam * u) / lam for u in logs)}


def yeo_johnson_case(name, x):
    values = exact(x)
    lam = root(lambda l: yeo_johnson_slope(values, l), scipy.stats.yeojohnson(numpy.array(x))[1])
    out = [mp.expm1(lam * mp.log1p(v)) / lam if v >= 0 else -mp.expm1((2 - lam) * mp.log1p(-v)) / (2 - lam) for v in values]
    return {"name": name, "x": numbers(x), "lambda": number(lam), "values": numbers(out)}


def scale_cases():
    rng = numpy.random.default_rng(1964)
    gamma, normal = rng.gamma(2, 3, 60), rng.normal(size=60)
    tied = numpy.round(normal * 2)
    n = len(tied)
    return {
        "boxCox": [box_cox_case("gamma", gamma), box_cox_case("nearly normal", 20 + normal), box_cox_case("lognormal", numpy.exp(normal)), box_cox_case("left-skewed", 10 - numpy.minimum(gamma, 9.5))],
        "yeoJohnson": [yeo_johnson_case("both signs", normal + gamma / 3 - 2), yeo_johnson_case("positive", gamma), yeo_johnson_case("negative", -gamma)],
        "rankNormal": {"x": numbers(tied), "values": numbers(normal_quantile((r - mpf("0.375")) / (n + mpf("0.25"))) for r in midranks(list(tied)))},
    }
