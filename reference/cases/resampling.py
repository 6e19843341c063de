"""BCa limits of given replicates by the formulas of Efron (1987), eqs. 2.3 and 6.6, with half the ties in z0; type-7 quantiles by numpy."""

import numpy
from mpmath import mp, mpf

from .common import number, numbers

mp.dps = 60


def phi(z):
    return mp.erfc(-z / mp.sqrt(2)) / 2


def quantile_of_normal(p):
    return mp.sqrt(2) * mp.erfinv(2 * p - 1)


def bca_case(name, replicates, estimate, jackknife, level):
    below = sum(1 for v in replicates if v < estimate)
    equal = sum(1 for v in replicates if v == estimate)
    z0 = quantile_of_normal((mpf(below) + mpf(equal) / 2) / len(replicates))
    mean = sum(mpf(float(v)) for v in jackknife) / len(jackknife)
    d = [mean - mpf(float(v)) for v in jackknife]
    a = sum(v**3 for v in d) / (6 * sum(v**2 for v in d) ** mpf("1.5"))
    limits = []
    for tail in ((1 - mpf(level)) / 2, (1 + mpf(level)) / 2):
        z = z0 + quantile_of_normal(tail)
        limits.append(float(numpy.quantile(replicates, float(phi(z0 + z / (1 - a * z))), method="linear")))
    return {
        "name": name, "replicates": numbers(replicates), "estimate": float(estimate), "leaveOneOut": numbers(jackknife), "level": float(level),
        "z0": number(z0), "acceleration": number(a), "low": limits[0], "high": limits[1], "standardError": float(numpy.std(replicates, ddof=1)),
    }


def resampling_cases():
    generator = numpy.random.default_rng(11)
    skewed = generator.gamma(2.0, 1.0, 400)
    coarse = numpy.round(generator.normal(0.3, 0.2, 300), 1)
    return {
        "bca": [
            bca_case("z0 above 0, acceleration above 0", skewed, 2.4, generator.gamma(1.5, 1.0, 25), "0.95"),
            bca_case("z0 below 0, acceleration below 0", -skewed, -2.4, -generator.gamma(1.5, 1.0, 25), "0.9"),
            bca_case("half of the many ties with the estimate", coarse, 0.3, generator.normal(0.3, 0.05, 40), "0.95"),
            bca_case("all but a few below the estimate", numpy.sort(skewed), 5.5, generator.gamma(3.0, 1.0, 12), "0.99"),
        ]
    }
