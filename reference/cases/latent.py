"""Correlations of normal variables behind steps and below limits: numerical maximization by scipy, areas by mpmath."""

import mpmath
import numpy as np
from mpmath import mp, mpf
from scipy import optimize, stats

from .common import number


def area(a, b, rho):
    """P(X < a, Y < b) at 30 digits: the conditional probability of y integrated over x."""
    old, mp.dps = mp.dps, 30
    a, b, rho = mpf(a), mpf(b), mpf(rho)
    rest = mp.sqrt((1 - rho) * (1 + rho))
    marks = [-mp.inf] + [mpf(m) for m in range(-8, 9) if m < a] + [a]
    value = mpmath.quad(lambda u: mpmath.npdf(u) * mpmath.ncdf((b - rho * u) / rest), marks)
    mp.dps = old
    return {"a": float(a), "b": float(b), "rho": float(rho), "p": number(value)}


def cdf2(a, b, rho):
    if np.isinf(a) or np.isinf(b):
        if a == -np.inf or b == -np.inf:
            return 0.0
        return float(stats.norm.cdf(min(a, b))) if np.isinf(max(a, b)) else 0.0
    return float(stats.multivariate_normal.cdf([a, b], cov=[[1, rho], [rho, 1]], abseps=1e-13, releps=1e-13))


NODES, WEIGHTS = np.polynomial.legendre.leggauss(96)


def cell_probabilities(theta, rows, columns):
    """Each row's interval of x by Gauss-Legendre, the columns' intervals of y given x in closed form."""
    a = np.concatenate(([-9.0], theta[: rows - 1], [9.0]))
    b = np.concatenate(([-np.inf], theta[rows - 1 : -1], [np.inf]))
    rho = theta[-1]
    rest = np.sqrt(1 - rho * rho)
    cells = np.empty((rows, columns))
    for i in range(rows):
        half = (a[i + 1] - a[i]) / 2
        u = a[i] + half * (NODES + 1)
        inside = stats.norm.cdf((b[1:, None] - rho * u) / rest) - stats.norm.cdf((b[:-1, None] - rho * u) / rest)
        cells[i] = half * (inside * stats.norm.pdf(u) * WEIGHTS).sum(1)
    return np.maximum(1e-14, cells)


def polychoric(table):
    table = np.array(table, float)
    rows, columns = table.shape
    n = table.sum()
    a = stats.norm.ppf(np.cumsum(table.sum(1))[:-1] / n)
    b = stats.norm.ppf(np.cumsum(table.sum(0))[:-1] / n)
    lost = lambda theta: -float((table * np.log(cell_probabilities(theta, rows, columns))).sum())
    two = optimize.minimize_scalar(lambda r: lost(np.concatenate((a, b, [r]))), bounds=(-0.999, 0.999), method="bounded", options={"xatol": 1e-12})
    best = np.concatenate((a, b, [two.x]))
    for _ in range(4):
        best = optimize.minimize(lost, best, method="Nelder-Mead", options={"xatol": 1e-11, "fatol": 1e-13, "maxiter": 40000, "maxfev": 40000}).x
    step = 1e-5
    slopes = [
        (cell_probabilities(best + step * e, rows, columns) - cell_probabilities(best - step * e, rows, columns)) / (2 * step)
        for e in np.eye(len(best))
    ]
    p = cell_probabilities(best, rows, columns)
    information = n * np.array([[float((u * v / p).sum()) for v in slopes] for u in slopes])
    ratio = 2 * (lost(np.concatenate((a, b, [0.0]))) - lost(best))
    return {
        "table": table.astype(int).tolist(),
        "rho": float(best[-1]),
        "twoStep": float(two.x),
        "se": float(np.sqrt(np.linalg.inv(information)[-1, -1])),
        "ratio": float(ratio),
    }


def hessian(f, at, step=2e-4):
    size = len(at)
    e = np.eye(size) * step
    h = np.zeros((size, size))
    for i in range(size):
        for j in range(size):
            h[i, j] = (f(at + e[i] + e[j]) - f(at + e[i] - e[j]) - f(at - e[i] + e[j]) + f(at - e[i] - e[j])) / (4 * step * step)
    return h


def polyserial(x, y):
    x, y = np.array(x, float), np.array(y, int)
    levels = sorted(set(y.tolist()))
    place = np.array([levels.index(value) for value in y])

    def lost(theta):
        mean, log_sd, z = theta[0], theta[1], theta[2]
        cuts = np.concatenate(([-np.inf], theta[3:], [np.inf]))
        if np.any(np.diff(cuts) <= 0):
            return 1e10
        rho = np.tanh(z)
        u = (x - mean) / np.exp(log_sd)
        rest = np.sqrt(1 - rho * rho)
        p = stats.norm.cdf((cuts[place + 1] - rho * u) / rest) - stats.norm.cdf((cuts[place] - rho * u) / rest)
        return -float((stats.norm.logpdf(u) - log_sd + np.log(np.maximum(p, 1e-300))).sum())

    counts = np.bincount(place)
    start = np.concatenate(([x.mean(), np.log(x.std()), 0.3], stats.norm.ppf(np.cumsum(counts)[:-1] / len(x))))
    for _ in range(6):
        start = optimize.minimize(lost, start, method="Nelder-Mead", options={"xatol": 1e-11, "fatol": 1e-13, "maxiter": 60000, "maxfev": 60000}).x
    covariance = np.linalg.inv(hessian(lost, start))
    return {"x": x.tolist(), "y": y.tolist(), "rho": float(np.tanh(start[2])), "seZ": float(np.sqrt(covariance[2, 2]))}


def below_limits(x, below_x, y, below_y):
    """Values, and whether each is a limit that the true one lies below."""
    x, y = np.array(x, float), np.array(y, float)

    def lost(theta):
        mx, my, lx, ly, z = theta
        rho, sx, sy = np.tanh(z), np.exp(lx), np.exp(ly)
        rest = np.sqrt(1 - rho * rho)
        total = 0.0
        for u, bu, v, bv in zip((x - mx) / sx, below_x, (y - my) / sy, below_y):
            if bu and bv:
                total += np.log(max(1e-300, cdf2(u, v, rho)))
            elif bu:
                total += stats.norm.logpdf(v) - ly + stats.norm.logcdf((u - rho * v) / rest)
            elif bv:
                total += stats.norm.logpdf(u) - lx + stats.norm.logcdf((v - rho * u) / rest)
            else:
                total += stats.norm.logpdf(u) - lx + stats.norm.logpdf((v - rho * u) / rest) - np.log(rest) - ly
        return -float(total)

    best = np.array([x.mean(), y.mean(), np.log(x.std()), np.log(y.std()), 0.2])
    for _ in range(5):
        best = optimize.minimize(lost, best, method="Nelder-Mead", options={"xatol": 1e-11, "fatol": 1e-13, "maxiter": 60000, "maxfev": 60000}).x
    covariance = np.linalg.inv(hessian(lost, best))
    return {
        "x": x.tolist(), "belowX": [bool(b) for b in below_x], "y": y.tolist(), "belowY": [bool(b) for b in below_y],
        "means": best[:2].tolist(), "sds": np.exp(best[2:4]).tolist(), "r": float(np.tanh(best[4])), "seZ": float(np.sqrt(covariance[4, 4])),
    }


def latent_cases():
    rng = np.random.default_rng(19)
    u = rng.standard_normal(60)
    v = -0.6 * u + 0.8 * rng.standard_normal(60)
    steps = np.digitize(v, [-0.8, 0.1, 0.9])
    cut_x, cut_y = -0.4, -0.1
    return {
        "areas": [area(*case) for case in ((0, 0, 0.5), (1, -0.5, 0.95), (1, -0.5, -0.95), (-2, -1, 0.99), (0.3, 0.4, 0.2), (-1, -1.2, -0.6), (-0.2, 0.7, 0.9999), (2.5, -2.4, -0.97), (-3, -3.5, 0.7), (1.5, 0.25, -0.3))],
        "polychoric": [
            polychoric(table)
            for table in (
                [[40, 10], [10, 40]],
                [[1, 3, 10, 6], [2, 3, 10, 7], [1, 6, 14, 12], [0, 1, 9, 11]],
                [[13, 69, 41], [6, 113, 132], [0, 22, 104]],
                [[3, 12, 30], [25, 18, 4]],
                [[30, 5], [60, 55]],
                [[8, 5, 2, 1, 0], [6, 9, 6, 2, 1], [2, 7, 12, 7, 3], [1, 3, 8, 10, 6], [0, 1, 3, 6, 9]],
            )
        ],
        "polyserial": [
            polyserial([2.1, 3.4, 1.2, 5.6, 4.4, 6.1, 7.3, 3.9, 8, 6.6, 9.1, 7.7], [0, 0, 0, 1, 0, 1, 1, 1, 2, 2, 2, 1]),
            polyserial(np.round(u, 3).tolist(), steps.tolist()),
        ],
        "belowLimits": [
            below_limits(np.where(u < cut_x, cut_x, np.round(u, 3)), u < cut_x, np.where(v < cut_y, cut_y, np.round(v, 3)), v < cut_y),
            below_limits(
                np.log([0.5, 0.5, 0.7, 1.2, 0.9, 2.1, 3.3, 1.6, 2.8, 4, 0.5, 5.1]), [i in (0, 1, 10) for i in range(12)],
                np.log([1, 1.4, 1, 2, 2.6, 2.2, 4.1, 1.9, 5.2, 4.4, 1, 7.3]), [i in (0, 2, 10) for i in range(12)],
            ),
        ],
    }
