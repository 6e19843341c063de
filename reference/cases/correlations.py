"""What surrounds a coefficient: distribution-free and partial intervals, robust coefficients, influence, adjustment."""

import math

import mpmath
import numpy
import statsmodels.stats.multitest
from mpmath import mp, mpf

from .common import complete, correlation, exact, mean, midranks, normal_quantile, number, numbers, symmetric, t_two_sided, z_interval
from .ranks import tau_and_z


def adf_case(name, x, y):
    a, b = exact(x), exact(y)
    n = len(a)
    sx, sy = mp.sqrt(mean([(v - mean(a)) ** 2 for v in a])), mp.sqrt(mean([(v - mean(b)) ** 2 for v in b]))
    u, v = [(w - mean(a)) / sx for w in a], [(w - mean(b)) / sy for w in b]
    m = lambda j, k: mean([p**j * q**k for p, q in zip(u, v)])
    r = m(1, 1)
    variance = (m(2, 2) - r * (m(3, 1) + m(1, 3)) + r * r / 4 * (m(4, 0) + 2 * m(2, 2) + m(0, 4))) / (1 - r * r) ** 2
    low, high = z_interval(r, variance / (n - 3))
    return {"name": name, "x": numbers(x), "y": numbers(y), "low": number(low), "high": number(high)}


def residuals(y, columns):
    x = mp.matrix([[1, *row] for row in zip(*columns)])
    b = mp.lu_solve(x.T * x, x.T * mp.matrix(y))
    fitted = x * b
    return [y[i] - fitted[i] for i in range(len(y))]


def partial_case(name, method, x, y, controls, rank):
    a, b, *cs = complete(x, y, *controls)
    a, b, cs = exact(a), exact(b), [exact(c) for c in cs]
    if method == "spearman":
        a, b, cs = midranks(a), midranks(b), [midranks(c) for c in cs]
    n = len(a)
    independent = cs[:rank]
    r = correlation(residuals(a, independent), residuals(b, independent))
    df = n - 2 - rank
    low, high = z_interval(r, mpf("1.06" if method == "spearman" else 1) / (n - rank - 3))
    return {
        "name": name, "method": method, "x": numbers(x), "y": numbers(y), "controls": [numbers(c) for c in controls],
        "r": number(r), "n": n, "df": df, **symmetric(t_two_sided(1 - r * r, df)), "low": number(low), "high": number(high),
    }


def partial_tau(x, y, z):
    xy, xz, yz = (tau_and_z(a, b)[1] for a, b in ((x, y), (x, z), (y, z)))
    return (xy - xz * yz) / mp.sqrt((1 - xz**2) * (1 - yz**2))


def bend(values, beta):
    n = len(values)
    ordered = sorted(values)
    median = (ordered[(n - 1) // 2] + ordered[n // 2]) / 2
    omega = sorted(abs(v - median) for v in values)[int(math.floor((1 - beta) * n + 0.5)) - 1]
    below = sum((v - median) / omega < -1 for v in values)
    above = sum((v - median) / omega > 1 for v in values)
    middle = sum(v for v in values if abs((v - median) / omega) <= 1)
    phi = (omega * (above - below) + middle) / (n - below - above)
    return [max(mpf(-1), min(mpf(1), (v - phi) / omega)) for v in values]


def bend_case(name, x, y, beta):
    a, b = bend(exact(x), beta), bend(exact(y), beta)
    r = sum(p * q for p, q in zip(a, b)) / mp.sqrt(sum(p * p for p in a) * sum(q * q for q in b))
    return {"name": name, "x": numbers(x), "y": numbers(y), "beta": beta, "r": number(r), **symmetric(t_two_sided(1 - r * r, len(x) - 2))}


def influence_case(name, x, y):
    a, b = exact(x), exact(y)
    drop = lambda v, i: v[:i] + v[i + 1 :]

    def each(coefficient):
        left = ((drop(a, i), drop(b, i)) for i in range(len(a)))
        return [number(coefficient(u, v)) if len(set(u)) > 1 and len(set(v)) > 1 else None for u, v in left]

    return {
        "name": name, "x": numbers(x), "y": numbers(y), "pearson": each(correlation),
        "spearman": each(lambda u, v: correlation(midranks(u), midranks(v))),
        "kendall": each(lambda u, v: tau_and_z([float(w) for w in u], [float(w) for w in v])[1]),
    }


def adjustments():
    p = [0.001, 0.04, 0.03, 0.03, 0.2, 0.0005, 0.9, 0.012, 1e-12, 0.5]
    names = {"bonferroni": "bonferroni", "holm": "holm", "hochberg": "simes-hochberg", "benjamini-hochberg": "fdr_bh", "benjamini-yekutieli": "fdr_by"}
    return {"p": p, "adjusted": {ours: list(statsmodels.stats.multitest.multipletests(p, method=theirs)[1]) for ours, theirs in names.items()}}


def correlation_extras():
    rng = numpy.random.default_rng(1904)
    x = rng.normal(size=80)
    skewed = numpy.exp(1.2 * rng.normal(size=80))
    y = 0.6 * x + rng.normal(size=80)
    z, w = 0.5 * x + rng.normal(size=80), rng.normal(size=80)
    gaps = y.copy()
    gaps[[2, 30, 31]] = math.nan
    outlier = numpy.append(x[:19], 12.0), numpy.append(y[:19], 15.0)
    tied = numpy.round(x[:30] * 1.5), numpy.round(y[:30])
    near = x[:50], x[:50] * 3 + 1e-5 * w[:50]
    return {
        "adf": [adf_case("skewed", skewed, x + skewed), adf_case("normal", x, y), adf_case("near a line", *near), adf_case("negative", x, -2 * x + 1e-3 * w)],
        "partial": [
            partial_case("one control", "pearson", x, y, [z], 1),
            partial_case("two controls with a gap", "pearson", x, gaps, [z, w], 2),
            partial_case("a control twice", "pearson", x, y, [z, 2 * z + 1], 1),
            partial_case("ranks", "spearman", skewed, y, [z], 1),
            partial_case("ranks with ties", "spearman", numpy.round(x), numpy.round(y), [numpy.round(z), w], 2),
        ],
        "partialTau": {"x": numbers(tied[0]), "y": numbers(tied[1]), "z": numbers(z[:30]), "tau": number(partial_tau(list(tied[0]), list(tied[1]), list(z[:30])))},
        "bend": [bend_case("outlier", *outlier, 0.2), bend_case("normal", x, y, 0.2), bend_case("half", x, y, 0.5), bend_case("ties", *tied, 0.1)],
        "influence": [influence_case("outlier", *outlier), influence_case("ties", *tied), influence_case("far from zero", 1e9 + x[:25], y[:25] * 1e-170),
                      influence_case("all tied but one", numpy.array([1.0] * 7 + [2]), y[:8])],
        "adjust": adjustments(),
    }


def tails():
    """Upper tails of the distributions as logarithms to base 10."""
    from .common import chi2_upper, f_upper, normal_upper, t_upper

    cases = [{"of": "normal", "at": z, "log10P": number(mp.log10(normal_upper(mpf(z))))} for z in (-8, -0.3, 0, 1.5, 8, 37.5, 40, 200)]
    for df in (1, 2, 3, 10, 55, 1000):
        cases += [{"of": "chi-squared", "at": x, "df": df, "log10P": number(mp.log10(chi2_upper(mpf(x), df)))} for x in (0.001, 0.5, df * 1.0, 3.0 * df + 2, 900.0, 2500.0, 30000.0)]
    for d1, d2 in ((1, 1), (3, 10), (40, 7), (5, 4000)):
        cases += [{"of": "f", "at": f, "df": d1, "df2": d2, "log10P": number(mp.log10(f_upper(mpf(f), d1, d2)))} for f in (0.01, 1.0, 4.5, 300.0, 1e5)]
    for df in (1, 2, 5, 30, 2000):
        cases += [{"of": "t", "at": t, "df": df, "log10P": number(mp.log10(t_upper(mpf(t), df)))} for t in (0.1, 1.0, 2.5, 40.0, 1e4)]
    return cases
