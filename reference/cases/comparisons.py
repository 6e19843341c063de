"""Comparisons of correlations from their published formulas."""

import mpmath
import numpy
from mpmath import mp, mpf

from .common import chi2_upper, correlation, exact, mean, normal_upper, number, numbers, symmetric, t_two_sided, z_interval


def variance(method, r, n):
    return {"pearson": mpf(1) / (n - 3), "spearman": (1 + r * r / 2) / (n - 3), "kendall": mpf("0.437") / (n - 4)}[method]


def independent_case(method, groups):
    rs, ns = [mpf(r) for r, _ in groups], [n for _, n in groups]
    zs = [mpmath.atanh(r) for r in rs]
    vs = [variance(method, r, n) for r, n in zip(rs, ns)]
    pooled = sum(z / v for z, v in zip(zs, vs)) / sum(1 / v for v in vs)
    q = sum((z - pooled) ** 2 / v for z, v in zip(zs, vs))
    case = {"method": method, "groups": [{"coefficient": r, "n": n} for r, n in groups], "q": number(q), "pooled": number(mp.tanh(pooled))}
    if len(groups) > 2:
        return case | {"p": number(chi2_upper(q, len(groups) - 1)), "log10P": number(mp.log10(chi2_upper(q, len(groups) - 1)))}
    z = (zs[0] - zs[1]) / mp.sqrt(sum(vs))
    (l1, u1), (l2, u2) = (z_interval(r, v) for r, v in zip(rs, vs))
    d = rs[0] - rs[1]
    return case | {
        "z": number(z), "cohensQ": number(zs[0] - zs[1]), **symmetric(2 * normal_upper(abs(z))),
        "low": number(d - mp.sqrt((rs[0] - l1) ** 2 + (u2 - rs[1]) ** 2)), "high": number(d + mp.sqrt((u1 - rs[0]) ** 2 + (rs[1] - l2) ** 2)),
    }


def overlapping_case(ab, ac, bc, n):
    a, b, c = mpf(ab), mpf(ac), mpf(bc)
    det = mp.det(mp.matrix([[1, a, b], [a, 1, c], [b, c, 1]]))
    t = (a - b) * mp.sqrt((n - 1) * (1 + c) / (2 * mpf(n - 1) / (n - 3) * det + ((a + b) / 2) ** 2 * (1 - c) ** 3))
    q = (a * a + b * b) / 2
    f = min(mpf(1), (1 - c) / (2 * (1 - q)))
    z = (mpmath.atanh(a) - mpmath.atanh(b)) * mp.sqrt((n - 3) / (2 * (1 - c) * (1 - f * q) / (1 - q)))
    return {"rAB": ab, "rAC": ac, "rBC": bc, "n": n, "t": number(t), "tP": number(t_two_sided(mpf(n - 3) / (n - 3 + t * t), n - 3)), "z": number(z), "zP": number(2 * normal_upper(abs(z)))}


def asymptotic_covariance(r, i, j, k, l):
    """Pearson & Filon (1898) as Steiger (1980), eq. 2, by the general formula for any four variables."""
    return (r[i][j] * r[k][l] / 2 * (r[i][k] ** 2 + r[i][l] ** 2 + r[j][k] ** 2 + r[j][l] ** 2) + r[i][k] * r[j][l] + r[i][l] * r[j][k]
            - r[i][j] * (r[i][k] * r[i][l] + r[j][k] * r[j][l]) - r[k][l] * (r[i][k] * r[j][k] + r[i][l] * r[j][l]))


def non_overlapping_case(n, ab, cd, ac, ad, bc, bd):
    def s(ab_, cd_):
        r = [[1, ab_, ac, ad], [ab_, 1, bc, bd], [ac, bc, 1, cd_], [ad, bd, cd_, 1]]
        r = [[mpf(v) for v in row] for row in r]
        return asymptotic_covariance(r, 0, 1, 2, 3) / ((1 - r[0][1] ** 2) * (1 - r[2][3] ** 2))

    a, b = mpf(ab), mpf(cd)
    d = (mpmath.atanh(a) - mpmath.atanh(b)) * mp.sqrt(n - 3)
    mid = (a + b) / 2
    return {"n": n, "rAB": ab, "rCD": cd, "rAC": ac, "rAD": ad, "rBC": bc, "rBD": bd,
            "steiger": number(d / mp.sqrt(2 - 2 * s(mid, mid))), "dunnClark": number(d / mp.sqrt(2 - 2 * s(a, b)))}


def correlations_of(x):
    p = len(x)
    return mp.matrix([[correlation(x[i], x[j]) if i != j else mpf(1) for j in range(p)] for i in range(p)])


def matrix_case(samples):
    rs, ns = [correlations_of([exact(c) for c in s]) for s in samples], [len(s[0]) for s in samples]
    p = rs[0].rows
    pooled = sum((n * r for r, n in zip(rs, ns)), mp.zeros(p)) / sum(ns)
    inverse = pooled**-1
    s = mp.matrix(p, p)
    for i in range(p):
        for j in range(p):
            s[i, j] = (1 if i == j else 0) + pooled[i, j] * inverse[i, j]
    weights = s**-1
    chi = mpf(0)
    for r, n in zip(rs, ns):
        z = mp.sqrt(n) * inverse * (r - pooled)
        dg = mp.matrix([z[i, i] for i in range(p)])
        square = z * z
        chi += sum(square[i, i] for i in range(p)) / 2 - (dg.T * weights * dg)[0]
    df = (len(samples) - 1) * p * (p - 1) // 2
    bartlett = -(ns[0] - 1 - mpf(2 * p + 5) / 6) * mp.log(mp.det(rs[0]))
    return {"samples": [[numbers(c) for c in s] for s in samples], "chi": number(chi), "df": df, "p": number(chi2_upper(chi, df)),
            "bartlett": number(bartlett), "bartlettP": number(chi2_upper(bartlett, p * (p - 1) // 2))}


def within_case(x, y, labels):
    a, b = exact(x), exact(y)
    sxy = sxx = syy = mpf(0)
    groups = sorted(set(labels))
    for g in groups:
        u, v = ([w for w, l in zip(values, labels) if l == g] for values in (a, b))
        sxy += sum((p - mean(u)) * (q - mean(v)) for p, q in zip(u, v))
        sxx += sum((p - mean(u)) ** 2 for p in u)
        syy += sum((q - mean(v)) ** 2 for q in v)
    r = sxy / mp.sqrt(sxx * syy)
    n, k = len(a), len(groups)
    low, high = z_interval(r, mpf(1) / (n - k - 2))
    return {"x": numbers(x), "y": numbers(y), "labels": [float(l) for l in labels], "r": number(r), "df": n - k - 1, **symmetric(t_two_sided(1 - r * r, n - k - 1)), "low": number(low), "high": number(high)}


def comparison_cases():
    rng = numpy.random.default_rng(1921)
    base = rng.normal(size=(3, 40, 3)) @ numpy.array([[1, 0.6, 0.1], [0, 1, 0.3], [0, 0, 1]])
    labels = numpy.repeat([1.0, 2.0, 5.0], [12, 20, 8])
    x = rng.normal(size=40) + 3 * labels
    y = -0.8 * x + 4 * labels + rng.normal(size=40)
    return {
        "independent": [independent_case(m, g) for m in ("pearson", "spearman", "kendall") for g in ([(0.49, 145), (0.36, 87)], [(-0.3, 20), (0.95, 12)], [(0.1, 30), (0.5, 45), (-0.2, 18), (0.33, 200)])],
        "overlapping": [overlapping_case(0.4, 0.5, 0.1, 103), overlapping_case(-0.2, 0.6, 0.3, 25), overlapping_case(0.9, 0.85, 0.95, 12), overlapping_case(0.396, 0.179, 0.088, 66)],
        "nonOverlapping": [non_overlapping_case(103, 0.5, 0.6, 0.7, 0.5, 0.5, 0.8), non_overlapping_case(66, 0.396, 0.189, 0.208, 0.143, 0.023, 0.423)],
        "matrices": [matrix_case([list(s.T) for s in base]), matrix_case([list(base[0].T), list(base[1][:15].T)])],
        "within": within_case(x, y, list(labels)),
    }
