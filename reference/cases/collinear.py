"""Collinear predictors: Longley by mpmath at 60 digits; the demo survey, diabetes, Duncan and a table of kilns by numpy and
statsmodels. Duncan (1961) is from memory, accepted since it gives the GVIF that Fox & Monette (1992) publish."""

import csv
import itertools
import math
import pathlib

import numpy
import sklearn.datasets
import statsmodels.api
from mpmath import mp, mpf
from statsmodels.stats.diagnostic import het_breuschpagan
from statsmodels.stats.outliers_influence import OLSInfluence

from .common import exact, mean, number, numbers, t_quantile
from .regression import fit

SAMPLES = pathlib.Path(__file__).parent.parent.parent / "samples"

LONGLEY = """
60323 83.0 234289 2356 1590 107608 1947  61122 88.5 259426 2325 1456 108632 1948  60171 88.2 258054 3682 1616 109773 1949
61187 89.5 284599 3351 1650 110929 1950  63221 96.2 328975 2099 3099 112075 1951  63639 98.1 346999 1932 3594 113270 1952
64989 99.0 365385 1870 3547 115094 1953  63761 100.0 363112 3578 3350 116219 1954 66019 101.2 397469 2904 3048 117388 1955
67857 104.6 419180 2822 2857 118734 1956 68169 108.4 442769 2936 2798 120445 1957 66513 110.8 444546 4681 2637 121950 1958
68655 112.6 482704 3813 2552 123366 1959 69564 114.2 502601 3931 2514 125368 1960 69331 115.7 518173 4806 2572 127852 1961
70551 116.9 554894 4007 2827 130081 1962"""

DUNCAN = """p 62 86 82, p 72 76 83, p 75 92 90, p 55 90 76, p 64 86 90, p 21 84 87, p 64 93 93, p 80 100 90, w 67 87 52, p 72 86 88,
p 42 74 57, p 76 98 89, p 76 97 97, p 41 84 59, p 48 91 73, w 76 34 38, p 53 45 76, p 60 56 81, p 42 44 45, p 78 82 92, w 29 72 39,
w 48 55 34, w 55 71 41, w 29 50 16, b 21 23 33, b 47 39 53, b 81 28 67, b 36 32 57, b 22 22 26, b 44 25 29, b 15 29 10, b 7 7 15,
b 42 26 19, b 9 19 10, b 21 15 13, b 21 20 24, b 16 26 20, b 16 28 7, b 9 17 3, b 14 22 16, b 12 30 6, b 17 25 11, b 7 20 8,
b 34 47 41, b 8 32 10"""


def longley():
    values = [mpf(v) for v in LONGLEY.split()]
    y, *xs = [values[k::7] for k in range(7)]
    n, p = 16, 6
    r = mp.matrix([[corr(a, b) for b in xs] for a in xs])
    inverse = r**-1
    keep = lambda chosen: mp.matrix([[r[i, j] for j in chosen] for i in chosen]) ** -1
    largest = lambda chosen: max((lambda m: [m[k, k] for k in range(len(chosen))])(keep(chosen)))
    scaled = [[v / mp.sqrt(sum(w * w for w in c)) for v in c] for c in [[mpf(1)] * n, *xs]]
    gram = mp.matrix([[sum(u * v for u, v in zip(a, b)) for b in scaled] for a in scaled])
    values, vectors = mp.eigsy(gram)
    order = sorted(range(p + 1), key=lambda j: -values[j])
    phi = [[vectors[k, j] ** 2 / values[j] for k in range(p + 1)] for j in order]
    totals = [sum(row[k] for row in phi) for k in range(p + 1)]
    eigen = sorted(mp.eigsy(r, eigvals_only=True), reverse=True)
    design, xtx, b, e, sse, total, df = fit(y, xs)
    s = mp.sqrt(sse / df)
    lever = [(design[i, :] * xtx * design[i, :].T)[0] for i in range(n)]
    sse_blocks = fit(y, [xs[1], xs[5]])[4]
    f = ((sse_blocks - sse) / 4) / (sse / df)
    h0 = lever[15]
    fitted = y[15] - e[15]
    reach = t_quantile(mpf("0.025"), df)
    cooks = [u * u * h / (sse / df * (p + 1) * (1 - h) ** 2) for u, h in zip(e, lever)]
    student = [u / mp.sqrt((sse - u * u / (1 - h)) / (df - 1) * (1 - h)) for u, h in zip(e, lever)]
    return {
        "names": ["deflator", "GNP", "unemployed", "armed forces", "population", "year"], "y": numbers(y), "xs": [numbers(x) for x in xs],
        "vif": numbers(inverse[j, j] for j in range(p)), "determinant": number(mp.det(r)), "eigenvalues": numbers(eigen),
        "indices": numbers(mp.sqrt(values[order[0]] / values[j]) for j in order), "proportions": numbers(phi[j][k] / totals[k] for j in range(p + 1) for k in range(p + 1)),
        "centredLast": number(mp.sqrt(eigen[0] / eigen[-1])),
        "largestWithout": numbers(largest([k for k in range(p) if k != j]) for j in range(p)),
        "coefficients": numbers(b), "se": numbers(s * mp.sqrt(xtx[k, k]) for k in range(p + 1)), "r2": number(1 - sse / total),
        "blocks": {"first": number(1 - sse_blocks / total), "change": number((sse_blocks - sse) / total), "f": number(f)},
        "cooks": numbers(cooks), "leverage": numbers(lever), "studentized": numbers(student),
        "prediction": {"value": number(fitted), "meanSe": number(s * mp.sqrt(h0)), "low": number(fitted - reach * s * mp.sqrt(1 + h0)), "high": number(fitted + reach * s * mp.sqrt(1 + h0))},
    }


def corr(a, b):
    ma, mb = mean(a), mean(b)
    return sum((u - ma) * (v - mb) for u, v in zip(a, b)) / mp.sqrt(sum((u - ma) ** 2 for u in a) * sum((v - mb) ** 2 for v in b))


def vifs(x):
    return numpy.diag(numpy.linalg.inv(numpy.corrcoef(x.T))) if x.shape[1] > 1 else numpy.ones(1)


def under(x, limit):
    """The largest sets with no VIF above a limit, and the largest VIF of each."""
    p = x.shape[1]
    for size in range(p, 0, -1):
        found = [(list(c), float(max(vifs(x[:, c])))) for c in itertools.combinations(range(p), size) if max(vifs(x[:, c])) <= limit]
        if found:
            return {"limit": limit, "size": size, "sets": [{"terms": c, "largest": v} for c, v in sorted(found, key=lambda item: item[1])]}


def ols(y, x):
    model = statsmodels.api.OLS(y, statsmodels.api.add_constant(x)).fit()
    influence = OLSInfluence(model)
    low, high = model.conf_int().T
    lm, lm_p, _, _ = het_breuschpagan(model.resid, model.model.exog)
    lmf, lmf_p, _, _ = het_breuschpagan(model.resid, statsmodels.api.add_constant(model.fittedvalues))
    return {
        "coefficients": numbers(model.params), "se": numbers(model.bse), "t": numbers(model.tvalues), "p": numbers(model.pvalues), "low": numbers(low), "high": numbers(high),
        "r2": number(model.rsquared), "adjustedR2": number(model.rsquared_adj), "f": number(model.fvalue), "fP": number(model.f_pvalue), "df": int(model.df_resid),
        "residualSd": number(math.sqrt(model.mse_resid)), "n": int(model.nobs),
        "cooks": numbers(influence.cooks_distance[0]), "leverage": numbers(influence.hat_matrix_diag), "studentized": numbers(influence.resid_studentized_external),
        "breuschPagan": {"predictors": [number(lm), number(lm_p)], "fitted": [number(lmf), number(lmf_p)]},
    }


def diabetes():
    data = sklearn.datasets.load_diabetes(scaled=False)
    x, y = data.data, data.target
    scaled = statsmodels.api.add_constant(x)
    scaled = scaled / numpy.sqrt((scaled**2).sum(axis=0))
    values = numpy.linalg.svd(scaled, compute_uv=False)
    return {
        "names": list(data.feature_names), "columns": [numbers(c) for c in x.T], "y": numbers(y), "vif": numbers(vifs(x)), "determinant": number(numpy.linalg.det(numpy.corrcoef(x.T))),
        "largestIndex": number(values[0] / values[-1]), "model": {k: v for k, v in ols(y, x).items() if k not in ("cooks", "leverage", "studentized")},
        "under": [under(x, 10), under(x, 5)],
    }


def gvif(x, groups):
    r = numpy.corrcoef(x.T)
    out = []
    for g in groups:
        rest = [j for j in range(x.shape[1]) if j not in g]
        value = numpy.linalg.det(r[numpy.ix_(g, g)]) * numpy.linalg.det(r[numpy.ix_(rest, rest)]) / numpy.linalg.det(r)
        out.append(float(value ** (1 / (2 * len(g)))))
    return out


def duncan():
    rows = [r.split() for r in DUNCAN.replace("\n", " ").split(",")]
    kind = [r[0] for r in rows]
    income, education, prestige = (numpy.array([float(r[k]) for r in rows]) for k in (1, 2, 3))
    dummies = lambda reference: numpy.array([[float(t == level) for level in "bpw" if level != reference] for t in kind])
    by_reference = {}
    for reference in "bpw":
        x = numpy.column_stack([income, education, dummies(reference)])
        by_reference[reference] = gvif(x, [[0], [1], [2, 3]])
    x = numpy.column_stack([income, education, dummies("b")])
    whole, both = ols(prestige, x), statsmodels.api.OLS(prestige, statsmodels.api.add_constant(x[:, :2])).fit()
    change = statsmodels.api.OLS(prestige, statsmodels.api.add_constant(x)).fit().compare_f_test(both)
    small = ols(prestige, x[:, :2])
    return {
        "type": kind, "income": numbers(income), "education": numbers(education), "prestige": numbers(prestige), "adjustedGvif": by_reference, "model": whole,
        "typeBeyond": {"change": whole["r2"] - number(both.rsquared), "f": number(change[0]), "p": number(change[1])},
        "withoutType": {k: small[k] for k in ("cooks", "leverage", "studentized")},
    }


def survey(name, outcome, predictors):
    rows = list(csv.DictReader(open(SAMPLES / f"{name}.csv")))
    kept = [r for r in rows if all(r[k] != "" for k in [outcome, *predictors])]
    y, x = (numpy.array([float(r[outcome]) for r in kept]), numpy.array([[float(r[k]) for k in predictors] for r in kept]))
    without = [float(max(vifs(numpy.delete(x, j, axis=1)))) for j in range(len(predictors))]
    return {"outcome": outcome, "predictors": predictors, "vif": numbers(vifs(x)), "largestWithout": without, "model": ols(y, x),
            "withoutEach": [{k: v for k, v in ols(y, numpy.delete(x, j, axis=1)).items() if k in ("coefficients", "se", "r2")} for j in range(len(predictors))]}


def kilns():
    """Forty firings of a pottery's kilns: four quantities and the fuel."""
    rng = numpy.random.default_rng(1250)
    n = 40
    fuel = rng.choice(["wood", "gas", "electric"], size=n, p=[0.3, 0.4, 0.3])
    heat = rng.normal(1220, 35, n) + numpy.where(fuel == "wood", 25, 0)
    hours = 4 + (heat - 1100) / 20 + rng.normal(0, 0.6, n) + numpy.where(fuel == "wood", 3, 0)
    clay = rng.normal(12, 2.5, n)
    glaze = rng.normal(0.8, 0.15, n)
    columns = {"heat": heat.round(0), "hours": hours.round(1), "clay": clay.round(1), "glaze": glaze.round(2)}
    strength = (20 + 0.05 * (heat - 1200) + 0.8 * clay - 6 * glaze + numpy.where(fuel == "gas", 2, 0) + rng.normal(0, 2, n)).round(1)
    x = numpy.column_stack(list(columns.values()))
    dummies = numpy.array([[float(f == "gas"), float(f == "wood")] for f in fuel])
    both = numpy.column_stack([x, dummies])
    return {
        "fuel": list(fuel), "columns": {k: numbers(v) for k, v in columns.items()}, "strength": numbers(strength), "vif": numbers(vifs(x)), "model": ols(strength, x),
        "withFuel": {"reference": "electric", "adjustedGvif": gvif(both, [[0], [1], [2], [3], [4, 5]]), "model": ols(strength, both)},
    }


def collinear_cases():
    five = ["water_temp", "conductivity", "dissolved_solids", "nitrate", "canopy_cover"]
    return {
        "longley": longley(), "diabetes": diabetes(), "duncan": duncan(), "kilns": kilns(),
        "survey": survey("aldermere-streams", "mayfly_taxa", five),
        "beds": survey("aldermere-beds", "caddis_taxa", ["gravel", "sand", "silt", "depth", "current"]),
    }
