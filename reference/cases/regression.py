"""Least squares, collinearity and heteroscedasticity by matrix algebra at 60 digits; statsmodels confirms."""

import math
import pathlib

import numpy
import scipy.stats
import statsmodels.api
import statsmodels.stats.diagnostic
from mpmath import mp, mpf

from .common import chi2_upper, complete, correlation, exact, f_upper, mean, number, numbers, t_quantile, t_two_sided


def fit(y, xs, intercept=True):
    n = len(y)
    design = mp.matrix([([1] if intercept else []) + [x[i] for x in xs] for i in range(n)])
    inverse = (design.T * design) ** -1
    b = inverse * (design.T * mp.matrix(y))
    fitted = design * b
    e = [y[i] - fitted[i] for i in range(n)]
    k = design.cols
    sse = sum(v * v for v in e)
    total = sum((v - mean(y)) ** 2 for v in y) if intercept else sum(v * v for v in y)
    return design, inverse, list(b), e, sse, total, n - k


def model_case(name, y, xs, intercept=True):
    kept = complete(y, *xs)
    yy, cols = exact(kept[0]), [exact(c) for c in kept[1:]]
    design, inverse, b, e, sse, total, df = fit(yy, cols, intercept)
    n, k, p = len(yy), design.cols, len(cols)
    s2 = sse / df
    se = [mp.sqrt(s2 * inverse[i, i]) for i in range(k)]
    t = [u / v for u, v in zip(b, se)]
    r2 = 1 - sse / total
    f = (total - sse) / p / s2
    offset = k - p
    lever = [(design[i, :] * inverse * design[i, :].T)[0] for i in range(n)]
    reach = t_quantile(mpf("0.025"), df)
    case = {
        "name": name, "y": numbers(y), "xs": [numbers(x) for x in xs], "intercept": intercept, "n": n,
        "coefficients": numbers(b), "se": numbers(se), "t": numbers(t), "p": numbers(t_two_sided(df / (df + v * v), df) for v in t),
        "low": numbers(u - reach * v for u, v in zip(b, se)), "r2": number(r2), "residualSd": number(mp.sqrt(s2)), "f": number(f), "fP": number(f_upper(f, p, df)), "df": df,
        "part": numbers(v * mp.sqrt((1 - r2) / df) for v in t[offset:]), "partial": numbers(v / mp.sqrt(v * v + df) for v in t[offset:]),
        "residuals": numbers(e), "leverage": numbers(lever), "cooks": numbers(u * u * h / (s2 * k * (1 - h) ** 2) for u, h in zip(e, lever)),
    }
    if intercept:
        squares = [v * v for v in e]
        _, _, _, _, sse2, total2, _ = fit(squares, cols)
        lm = n * (1 - sse2 / total2)
        case |= {"bp": number(lm), "bpP": number(chi2_upper(lm, p)), "standardized": numbers(b[j + 1] * mp.sqrt(sum((v - mean(cols[j])) ** 2 for v in cols[j]) / total) for j in range(p))}
    confirm(case, kept, intercept)
    return case


def confirm(case, kept, intercept):
    x = numpy.array(kept[1:], dtype=float).T
    if abs(x).max() > 1e6:
        return
    model = statsmodels.api.OLS(numpy.array(kept[0], dtype=float), statsmodels.api.add_constant(x) if intercept else x).fit()
    assert numpy.allclose(model.params, case["coefficients"], rtol=1e-8), case["name"]
    assert numpy.allclose(model.bse, case["se"], rtol=1e-8), case["name"]
    assert abs(model.rsquared - case["r2"]) < 1e-9, case["name"]


def collinearity_case(name, columns):
    xs = [exact(c) for c in columns]
    n, p = len(xs[0]), len(xs)
    r = mp.matrix([[correlation(xs[i], xs[j]) if i != j else mpf(1) for j in range(p)] for i in range(p)])
    inverse = r**-1
    scaled = [[v / mp.sqrt(sum(w * w for w in c)) for v in c] for c in [[mpf(1)] * n, *xs]]
    gram = mp.matrix([[sum(u * v for u, v in zip(a, b)) for b in scaled] for a in scaled])
    values, vectors = mp.eigsy(gram)
    order = sorted(range(p + 1), key=lambda j: -values[j])
    phi = [[vectors[k, j] ** 2 / values[j] for k in range(p + 1)] for j in order]
    totals = [sum(row[k] for row in phi) for k in range(p + 1)]
    eigenvalues = sorted(mp.eigsy(r, eigvals_only=True), reverse=True)
    return {
        "name": name, "columns": [numbers(c) for c in columns], "vif": numbers(inverse[j, j] for j in range(p)), "determinant": number(mp.det(r)), "eigenvalues": numbers(eigenvalues),
        "indices": numbers(mp.sqrt(values[order[0]] / values[j]) for j in order), "proportions": numbers(phi[j][k] / totals[k] for j in range(p + 1) for k in range(p + 1)),
        "gvifOfFirstTwo": number(mp.det(r[0:2, 0:2]) * mp.det(r[2:p, 2:p]) / mp.det(r)),
    }


def norris():
    """NIST StRD Norris, as scipy ships it among its tests."""
    path = pathlib.Path(scipy.stats.__file__).parent / "tests/data/nist_linregress/Norris.dat"
    rows = [line.split() for line in path.read_text().splitlines()[60:96]]
    return {"source": "NIST StRD Norris, from scipy's tests", "y": [float(r[0]) for r in rows], "x": [float(r[1]) for r in rows]}


def regression_cases():
    rng = numpy.random.default_rng(1980)
    x = rng.normal(size=(40, 4))
    near = x.copy()
    near[:, 3] = x[:, 0] + x[:, 1] + 1e-4 * x[:, 3]
    y = x @ [1, -2, 0.5, 0] + 0.3 * x[:, 0] ** 2 + rng.normal(size=40) * (1 + abs(x[:, 1]))
    gaps = x.copy()
    gaps[[3, 8], [0, 2]] = math.nan
    return {
        "models": [
            model_case("four predictors", y, list(x.T)), model_case("no intercept", y, list(x.T), False), model_case("missing values", y, list(gaps.T)),
            model_case("near-dependent", y, list(near.T)), model_case("far from zero", 1e6 + y, [1e7 + x[:, 0], x[:, 1] * 1e-8]), model_case("one predictor", y[:12], [x[:12, 0]]),
        ],
        "collinearity": [collinearity_case("independent", list(x.T)), collinearity_case("near-dependent", list(near.T)), collinearity_case("far from zero", list((100 + x[:, :3]).T))],
        "norris": norris(),
    }
