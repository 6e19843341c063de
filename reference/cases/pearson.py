"""Pearson's r from its definition."""

import math

import mpmath
import numpy
import scipy.stats
from mpmath import mp, mpf

from .common import exact, normal_quantile, number, t_two_sided


def pearson_case(name, x, y, level=0.95):
    rows = [(a, b) for a, b in zip(x, y) if not (math.isnan(a) or math.isnan(b))]
    ex, ey = exact(a for a, _ in rows), exact(b for _, b in rows)
    n = len(rows)
    mx, my = sum(ex) / n, sum(ey) / n
    sxx = sum((a - mx) ** 2 for a in ex)
    syy = sum((b - my) ** 2 for b in ey)
    sxy = sum((a - mx) * (b - my) for a, b in zip(ex, ey))
    r = sxy / mp.sqrt(sxx * syy)
    df = n - 2
    one_minus_r2 = 1 - r * r
    t = r * mp.sqrt(df / one_minus_r2)
    p = t_two_sided(one_minus_r2, df)
    greater = p / 2 if r > 0 else 1 - p / 2
    case = {
        "name": name,
        "x": [number(v) for v in x],
        "y": [number(v) for v in y],
        "n": n,
        "r": number(r),
        "t": number(t),
        "p": number(p),
        "log10P": number(mp.log10(p)),
        "pGreater": number(greater),
        "pLess": number(1 - greater),
        "oneMinusR2": number(one_minus_r2),
        "slope": number(sxy / sxx),
        "intercept": number(my - sxy / sxx * mx),
    }
    if n > 3:
        z = mpmath.atanh(r)
        reach = normal_quantile((1 + mpf(level)) / 2) / mp.sqrt(n - 3)
        one_sided = normal_quantile(mpf(level)) / mp.sqrt(n - 3)
        case |= {
            "level": level,
            "low": number(mpmath.tanh(z - reach)),
            "high": number(mpmath.tanh(z + reach)),
            "lowGreater": number(mpmath.tanh(z - one_sided)),
            "highLess": number(mpmath.tanh(z + one_sided)),
        }
    confirm_pearson(case, rows)
    return case


def confirm_pearson(case, rows):
    if case["oneMinusR2"] < 1e-6 or case["n"] < 3 or max(abs(v) for row in rows for v in row) > 1e8:
        return
    r, p = scipy.stats.pearsonr([a for a, _ in rows], [b for _, b in rows])
    assert abs(r - case["r"]) < 1e-9 * abs(case["r"]) + 1e-14, case["name"]
    assert abs(p - case["p"]) <= 1e-7 * case["p"] + 1e-300, case["name"]


def pearson_cases():
    rng = numpy.random.default_rng(20240611)
    cases = []
    for n in (3, 4, 5, 8, 12, 30, 100, 250):
        for rho in (0.0, 0.3, -0.8):
            x = rng.normal(size=n)
            cases.append(pearson_case(f"normal n={n} rho={rho}", x, rho * x + math.sqrt(1 - rho**2) * rng.normal(size=n)))
    x = rng.normal(size=2000)
    cases.append(pearson_case("n=2000, p below 1e-300", x, x + 0.35 * rng.normal(size=2000)))
    x = rng.normal(size=2000)
    cases.append(pearson_case("n=2000, p underflows", x, x + 0.02 * rng.normal(size=2000)))
    for gap in (1e-2, 1e-4, 1e-6):
        x = rng.normal(size=60)
        cases.append(pearson_case(f"near a line, noise {gap}", x, -2 * x + gap * rng.normal(size=60)))
    x, y = rng.normal(size=80), rng.normal(size=80)
    cases.append(pearson_case("1e9 plus noise of 1e-3", 1e9 + 1e-3 * x, 1e9 + 1e-3 * (0.6 * x + y)))
    cases.append(pearson_case("values near 1e-170", x * 1e-170, (x - y) * 1e-170))
    cases.append(pearson_case("values near 1e160", x * 1e160, (x - y) * 1e160))
    cases.append(pearson_case("1e-300 against 1e300", x * 1e-300, (x + y) * 1e300))
    cases.append(pearson_case("integers with ties", numpy.floor(x * 2), numpy.floor((x + y) * 2)))
    missing_x, missing_y = x.copy(), (0.5 * x + y).copy()
    missing_x[[0, 7, 31]] = math.nan
    missing_y[[7, 40, 79]] = math.nan
    cases.append(pearson_case("missing values", missing_x, missing_y))
    skewed = numpy.exp(1.5 * x)
    cases.append(pearson_case("skewed", skewed, numpy.exp(y) + 0.1 * skewed))
    cases.append(pearson_case("99 percent interval", x, 0.4 * x + y, level=0.99))
    return cases
