"""Tests of normality as their papers write them, and joint tests by matrix algebra."""

import math

import mpmath
import numpy
import scipy.stats
import statsmodels.stats.diagnostic
from mpmath import mp, mpf

from .common import central, chi2_upper, complete, correlation, exact, matrix_of, mean, normal_quantile, normal_upper, number, numbers, symmetric


def poly(coefficients, x):
    return sum(mpf(c) * x**k for k, c in enumerate(coefficients))


def shapiro(values):
    """Royston (1995), AS R94."""
    x = sorted(exact(values))
    n = len(x)
    if n == 3:
        a = [-mp.sqrt(mpf(1) / 2), mpf(0), mp.sqrt(mpf(1) / 2)]
    else:
        half = n // 2
        m = [normal_quantile((mpf(i) - mpf("0.375")) / (n + mpf("0.25"))) for i in range(1, half + 1)]
        squares = 2 * sum(v * v for v in m)
        u = 1 / mp.sqrt(n)
        first = poly(["0", "0.221157", "-0.147981", "-2.07119", "4.434685", "-2.706056"], u) - m[0] / mp.sqrt(squares)
        weights = [first]
        if n > 5:
            weights.append(poly(["0", "0.042981", "-0.293762", "-1.752461", "5.682633", "-3.582633"], u) - m[1] / mp.sqrt(squares))
        k = len(weights)
        scale = mp.sqrt((squares - 2 * sum(v * v for v in m[:k])) / (1 - 2 * sum(v * v for v in weights)))
        weights += [-v / scale for v in m[k:]]
        a = [-v for v in weights] + ([mpf(0)] if n % 2 else []) + weights[::-1]
    centre = mean(x)
    w = sum(p * q for p, q in zip(a, x)) ** 2 / sum((v - centre) ** 2 for v in x) / sum(p * p for p in a)
    if n == 3:
        return w, max(mpf(0), 6 / mp.pi * (mp.asin(mp.sqrt(w)) - mp.asin(mp.sqrt(mpf("0.75")))))
    y, logn = mp.log(1 - w), mp.log(n)
    if n <= 11:
        gamma = poly(["-2.273", "0.459"], n)
        if y >= gamma:
            return w, mpf(0)
        z = (-mp.log(gamma - y) - poly(["0.544", "-0.39978", "0.025054", "-0.0006714"], n)) / mp.exp(poly(["1.3822", "-0.77857", "0.062767", "-0.0020322"], n))
    else:
        z = (y - poly(["-1.5861", "-0.31082", "-0.083751", "0.0038915"], logn)) / mp.exp(poly(["-0.4803", "-0.082676", "0.0030302"], logn))
    return w, normal_upper(z)


def anderson(values):
    x = sorted(exact(values))
    n = len(x)
    sd = mp.sqrt(central(x, 2) * n / (n - 1))
    z = [(v - mean(x)) / sd for v in x]
    a = -n - sum((2 * i + 1) * (mp.log(normal_upper(-z[i])) + mp.log(normal_upper(z[n - 1 - i]))) for i in range(n)) / n
    c = a * (1 + mpf("0.75") / n + mpf("2.25") / n**2)
    if c >= mpf("0.6"):
        p = mp.exp(mpf("1.2937") - mpf("5.709") * c + mpf("0.0186") * c * c)
    elif c >= mpf("0.34"):
        p = mp.exp(mpf("0.9177") - mpf("4.279") * c - mpf("1.38") * c * c)
    elif c >= mpf("0.2"):
        p = 1 - mp.exp(mpf("-8.318") + mpf("42.796") * c - mpf("59.938") * c * c)
    else:
        p = 1 - mp.exp(mpf("-13.436") + mpf("101.14") * c - mpf("223.73") * c * c)
    return a, p


def lilliefors(values):
    x = sorted(exact(values))
    n = len(x)
    sd = mp.sqrt(central(x, 2) * n / (n - 1))
    below = [normal_upper(-(v - mean(x)) / sd) for v in x]
    d = max(max(mpf(i + 1) / n - b, b - mpf(i) / n) for i, b in enumerate(below))
    size, e = (mpf(n), d) if n <= 100 else (mpf(100), d * (mpf(n) / 100) ** mpf("0.49"))
    p = mp.exp(mpf("-7.01256") * e * e * (size + mpf("2.78019")) + mpf("2.99587") * e * mp.sqrt(size + mpf("2.78019")) - mpf("0.122119") + mpf("0.974598") / mp.sqrt(size) + mpf("1.67997") / size)
    return d, p


def moments_tests(values):
    x = exact(values)
    n = len(x)
    g1, b2 = central(x, 3) / central(x, 2) ** mpf("1.5"), central(x, 4) / central(x, 2) ** 2
    jb = mpf(n) / 6 * (g1**2 + (b2 - 3) ** 2 / 4)
    result = {"jarqueBera": {"statistic": number(jb), **symmetric(mp.exp(-jb / 2))}}
    if n < 20:
        return result
    y = g1 * mp.sqrt(mpf((n + 1) * (n + 3)) / (6 * (n - 2)))
    beta2 = mpf(3 * (n * n + 27 * n - 70) * (n + 1) * (n + 3)) / ((n - 2) * (n + 5) * (n + 7) * (n + 9))
    w2 = -1 + mp.sqrt(2 * (beta2 - 1))
    z1 = mp.asinh(y / mp.sqrt(2 / (w2 - 1))) / mp.sqrt(mp.log(w2) / 2)
    x_ = (b2 - mpf(3 * (n - 1)) / (n + 1)) / mp.sqrt(mpf(24 * n * (n - 2) * (n - 3)) / ((n + 1) ** 2 * (n + 3) * (n + 5)))
    beta = mpf(6 * (n * n - 5 * n + 2)) / ((n + 7) * (n + 9)) * mp.sqrt(mpf(6 * (n + 3) * (n + 5)) / (n * (n - 2) * (n - 3)))
    a = 6 + 8 / beta * (2 / beta + mp.sqrt(1 + 4 / beta**2))
    ratio = (1 - 2 / a) / (1 + x_ * mp.sqrt(2 / (a - 4)))
    root = mp.sign(ratio) * abs(ratio) ** (mpf(1) / 3)
    z2 = (1 - 2 / (9 * a) - root) / mp.sqrt(2 / (9 * a))
    k2 = z1**2 + z2**2
    result["dagostinoPearson"] = {"statistic": number(k2), **symmetric(mp.exp(-k2 / 2)), "z1": number(z1), "z2": number(z2)}
    if max(abs(float(v)) for v in values) < 1e4:
        assert abs(scipy.stats.normaltest(numpy.array(values, dtype=float)).statistic - k2) < 1e-8 * k2
    return result


def univariate_case(name, values):
    w, p = shapiro(values)
    a, pa = anderson(values)
    case = {"name": name, "x": numbers(values), "shapiroWilk": {"statistic": number(w), **symmetric(p)} if p > 0 else {"statistic": number(w), "p": 0},
            "andersonDarling": {"statistic": number(a), **symmetric(pa)}, **moments_tests(values)}
    if len(values) > 3:
        d, pd = lilliefors(values)
        case["lilliefors"] = {"statistic": number(d), **symmetric(pd)}
    confirm(case, numpy.array(values, dtype=float))
    return case


def confirm(case, x):
    if abs(x).max() > 1e4:
        return
    assert abs(scipy.stats.shapiro(x).statistic - case["shapiroWilk"]["statistic"]) < 1e-5, case["name"]
    assert abs(statsmodels.stats.diagnostic.normal_ad(x)[0] - case["andersonDarling"]["statistic"]) < 1e-6 * max(1, case["andersonDarling"]["statistic"]), case["name"]
    assert abs(scipy.stats.jarque_bera(x).statistic - case["jarqueBera"]["statistic"]) < 1e-7 * max(1, case["jarqueBera"]["statistic"]), case["name"]


def univariate_cases():
    rng = numpy.random.default_rng(1965)
    weights = [148, 154, 158, 160, 161, 162, 166, 170, 182, 195, 236]
    cases = [univariate_case("eleven men's weights (Shapiro & Wilk 1965)", weights)]
    for n in (3, 4, 5, 6, 7, 11, 12, 20, 50, 300):
        cases.append(univariate_case(f"normal n={n}", rng.normal(size=n)))
    for n in (8, 25, 120):
        cases.append(univariate_case(f"lognormal n={n}", numpy.exp(rng.normal(size=n))))
    cases.append(univariate_case("uniform n=2000", rng.uniform(size=2000)))
    cases.append(univariate_case("rounded n=60", numpy.round(rng.normal(size=60))))
    cases.append(univariate_case("1e6 plus noise", 1e6 + 1e-3 * rng.normal(size=40)))
    cases.append(univariate_case("one far value", [*rng.normal(size=30), 60.0]))
    return cases


def joint_case(name, columns):
    kept = complete(*columns)
    x = [exact(c) for c in kept]
    n, p = len(x[0]), len(x)
    s = matrix_of(x)
    inverse = s**-1
    means = [mean(c) for c in x]
    rows = [mp.matrix([c[i] - m for c, m in zip(x, means)]) for i in range(n)]
    m = [[(rows[i].T * inverse * rows[j])[0] for j in range(n)] for i in range(n)]
    b1 = sum(m[i][j] ** 3 for i in range(n) for j in range(n)) / n**2
    b2 = sum(m[i][i] ** 2 for i in range(n)) / n
    k = mpf((p + 1) * (n + 1) * (n + 3)) / (n * ((n + 1) * (p + 1) - 6))
    chi, df = k * n * b1 / 6, p * (p + 1) * (p + 2) // 6
    expected = mpf(p * (p + 2) * (n - 1)) / (n + 1)
    variance = mpf(8 * p * (p + 2) * (n - 3) * (n - p - 1) * (n - p + 1)) / ((n + 1) ** 2 * (n + 3) * (n + 5))
    z = (b2 - expected) / mp.sqrt(variance)
    beta2 = (mpf((2 * p + 1) * n) / 4) ** (mpf(2) / (p + 4)) / 2
    hz = (
        sum(mp.exp(-beta2 / 2 * (m[i][i] + m[j][j] - 2 * m[i][j])) for i in range(n) for j in range(n)) / n
        - 2 * (1 + beta2) ** (-mpf(p) / 2) * sum(mp.exp(-beta2 / (2 * (1 + beta2)) * m[i][i]) for i in range(n))
        + n * (1 + 2 * beta2) ** (-mpf(p) / 2)
    )
    a, w = 1 + 2 * beta2, (1 + beta2) * (1 + 3 * beta2)
    mu = 1 - a ** (-mpf(p) / 2) * (1 + p * beta2 / a + p * (p + 2) * beta2**2 / (2 * a**2))
    si2 = (
        2 * (1 + 4 * beta2) ** (-mpf(p) / 2)
        + 2 * a ** (-p) * (1 + 2 * p * beta2**2 / a**2 + 3 * p * (p + 2) * beta2**4 / (4 * a**4))
        - 4 * w ** (-mpf(p) / 2) * (1 + 3 * p * beta2**2 / (2 * w) + p * (p + 2) * beta2**4 / (2 * w**2))
    )
    log_mean, log_sd = mp.log(mp.sqrt(mu**4 / (si2 + mu**2))), mp.sqrt(mp.log((si2 + mu**2) / mu**2))
    dh = doornik_hansen(x)
    return {
        "name": name, "columns": [numbers(c) for c in columns], "n": n,
        "mardia": {"chi": number(chi), "df": df, "chiP": number(chi2_upper(chi, df)), "b1": number(b1), "z": number(z), "zP": number(2 * normal_upper(abs(z))), "b2": number(b2)},
        "henzeZirkler": {"statistic": number(hz), "p": number(normal_upper((mp.log(hz) - log_mean) / log_sd))},
        "doornikHansen": {"statistic": number(dh), "p": number(chi2_upper(dh, 2 * p))},
        "mahalanobis": numbers(m[i][i] * (n - 1) / n for i in range(n)),
    }


def doornik_hansen(x):
    n, p = len(x[0]), len(x)
    r = mp.matrix(p, p)
    for i in range(p):
        for j in range(p):
            r[i, j] = correlation(x[i], x[j]) if i != j else 1
    values, vectors = mp.eigsy(r)
    root = mp.matrix(p, p)
    for i in range(p):
        for j in range(p):
            root[i, j] = sum(vectors[i, k] * vectors[j, k] / mp.sqrt(values[k]) for k in range(p))
    standard = [[(v - mean(c)) / mp.sqrt(central(c, 2)) for v in c] for c in x]
    total = mpf(0)
    for j in range(p):
        y = [sum(standard[i][row] * root[i, j] for i in range(p)) for row in range(n)]
        s, k = central(y, 3) / central(y, 2) ** mpf("1.5"), central(y, 4) / central(y, 2) ** 2
        beta = mpf(3 * (n * n + 27 * n - 70) * (n + 1) * (n + 3)) / ((n - 2) * (n + 5) * (n + 7) * (n + 9))
        omega2 = -1 + mp.sqrt(2 * (beta - 1))
        z1 = mp.asinh(s * mp.sqrt((omega2 - 1) / 2 * mpf((n + 1) * (n + 3)) / (6 * (n - 2)))) / mp.sqrt(mp.log(mp.sqrt(omega2)))
        delta = mpf((n - 3) * (n + 1) * (n * n + 15 * n - 4))
        a = (n - 2) * (n + 5) * (n + 7) * (n * n + 27 * n - 70) / (6 * delta)
        c = (n - 7) * (n + 5) * (n + 7) * (n * n + 2 * n - 5) / (6 * delta)
        kk = (n + 5) * (n + 7) * (n**3 + 37 * n * n + 11 * n - 313) / (12 * delta)
        alpha, chi = a + s * s * c, (k - 1 - s * s) * 2 * kk
        z2 = ((chi / (2 * alpha)) ** (mpf(1) / 3) - 1 + 1 / (9 * alpha)) * mp.sqrt(9 * alpha)
        total += z1**2 + z2**2
    return total


def joint_cases():
    rng = numpy.random.default_rng(1970)
    x = rng.normal(size=(40, 3)) @ numpy.array([[1, 0.5, 0.2], [0, 1, 0.4], [0, 0, 1]])
    skewed = numpy.exp(0.8 * rng.normal(size=(25, 2)))
    gaps = x.copy()
    gaps[[3, 9], [0, 2]] = math.nan
    return [joint_case("normal 40 x 3", list(x.T)), joint_case("lognormal 25 x 2", list(skewed.T)), joint_case("gaps", list(gaps.T)),
            joint_case("far from zero", list((1e6 + x[:30]).T)), joint_case("five in twenty", list(rng.normal(size=(20, 5)).T))]
