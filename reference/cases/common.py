"""What all reference cases share: exact arithmetic on the binary values of the inputs."""

import math

import mpmath
from mpmath import mp, mpf

mp.dps = 60


def exact(values):
    return [mpf(float(v)) for v in values]


def number(value):
    """A double, or null where the value is missing or beyond a double (JSON knows neither)."""
    if value is None:
        return None
    result = float(value)
    return result if math.isfinite(result) else None


def numbers(values):
    return [number(v) for v in values]


def t_two_sided(one_minus_r2, df):
    """P(|T| > |t|) with x = df / (df + t^2) = 1 - r^2."""
    return mpmath.betainc(mpf(df) / 2, mpf(1) / 2, 0, one_minus_r2, regularized=True)


def t_upper(t, df):
    tail = mpmath.betainc(mpf(df) / 2, mpf(1) / 2, 0, mpf(df) / (df + t * t), regularized=True) / 2
    return tail if t > 0 else 1 - tail


def t_quantile(upper, df):
    """The t with P(T > t) = upper."""
    start = normal_quantile(1 - mpf(upper)) * (1 + mpf(1) / (4 * df)) + mpf("0.1")
    return mpmath.findroot(lambda t: mpmath.log(t_upper(t, df) / upper), (start, start * mpf("1.1") + 1), tol=mpf(10) ** -40)


def chi2_upper(x, df):
    return mpmath.gammainc(mpf(df) / 2, mpf(x) / 2, regularized=True)


def f_upper(f, d1, d2):
    return mpmath.betainc(mpf(d2) / 2, mpf(d1) / 2, 0, d2 / (d2 + d1 * f), regularized=True)


def normal_upper(z):
    return mpmath.erfc(z / mp.sqrt(2)) / 2


def normal_quantile(p):
    return mp.sqrt(2) * mpmath.erfinv(2 * mpf(p) - 1)


def mean(values):
    return sum(values) / len(values)


def central(values, k):
    m = mean(values)
    return sum((v - m) ** k for v in values) / len(values)


def correlation(x, y):
    mx, my = mean(x), mean(y)
    sxx = sum((a - mx) ** 2 for a in x)
    syy = sum((b - my) ** 2 for b in y)
    return sum((a - mx) * (b - my) for a, b in zip(x, y)) / mp.sqrt(sxx * syy)


def midranks(values):
    order = sorted(range(len(values)), key=lambda i: values[i])
    ranks = [None] * len(values)
    start = 0
    while start < len(order):
        end = start
        while end < len(order) and values[order[end]] == values[order[start]]:
            end += 1
        for k in range(start, end):
            ranks[order[k]] = mpf(start + end + 1) / 2
        start = end
    return ranks


def complete(*columns):
    rows = [row for row in zip(*columns) if not any(math.isnan(v) for v in row)]
    return [list(column) for column in zip(*rows)] if rows else [[] for _ in columns]


def z_interval(r, variance, level=mpf("0.95")):
    z = mpmath.atanh(r)
    reach = normal_quantile((1 + mpf(level)) / 2) * mp.sqrt(variance)
    return mpmath.tanh(z - reach), mpmath.tanh(z + reach)


def symmetric(p):
    """Two-sided normal p with its logarithm."""
    return {"p": number(p), "log10P": number(mp.log10(p))}


def matrix_of(columns):
    """Covariance with divisor n, as an mpmath matrix."""
    n, p = len(columns[0]), len(columns)
    means = [mean(c) for c in columns]
    s = mp.matrix(p, p)
    for a in range(p):
        for b in range(p):
            s[a, b] = sum((u - means[a]) * (v - means[b]) for u, v in zip(columns[a], columns[b])) / n
    return s
