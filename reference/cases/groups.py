"""Groups compared: how much they differ, slopes, means, range restriction; the demo across its catchments, and penguins."""

import csv
import itertools
import json
import math
import pathlib

import mpmath
import numpy
import pandas
import scipy.stats
import statsmodels.formula.api
from mpmath import mp, mpf

from .common import chi2_upper, correlation, exact, number, numbers, t_quantile, z_interval
from .demo import SURVEY, column

HERE = pathlib.Path(__file__).parent.parent
QUANTITIES = ["elevation", "canopy_cover", "water_temp", "dissolved_oxygen", "conductivity", "nitrate", "phosphate", "mayfly_taxa"]
# pH and PaCO2 of 8 persons, Bland & Altman (1995), from memory: accepted since it gives the sums of squares as published.
PERSONS = [
    "6.68 3.97, 6.53 4.12, 6.43 4.09, 6.33 3.97",
    "6.85 5.27, 7.06 5.37, 7.13 5.41, 7.17 5.44",
    "7.40 5.67, 7.42 3.64, 7.41 4.32, 7.37 4.73, 7.34 4.96, 7.35 5.04, 7.28 5.22, 7.30 4.82, 7.34 5.07",
    "7.36 5.67, 7.33 5.10, 7.29 5.53, 7.30 4.75, 7.35 5.51",
    "7.35 4.28, 7.30 4.44, 7.30 4.32, 7.37 3.23, 7.27 4.46, 7.28 4.72, 7.32 4.75, 7.32 4.99",
    "7.38 4.78, 7.30 4.73, 7.29 5.12, 7.33 4.93, 7.31 5.03, 7.33 4.93",
    "6.86 6.85, 6.94 6.44, 6.92 6.52",
    "7.19 5.28, 7.29 4.56, 7.21 4.34, 7.25 4.32, 7.20 4.41, 7.19 3.69, 6.77 6.09, 6.82 5.58",
]


def variance(method, r, n):
    return mpf(1) / (n - 3) if method == "pearson" else (1 + r * r / 2) / (n - 3)


def homogeneity(method, groups):
    zs = [mpmath.atanh(mpf(r)) for r, _ in groups]
    ws = [1 / variance(method, mpf(r), n) for r, n in groups]
    mean = sum(w * z for w, z in zip(ws, zs)) / sum(ws)
    q = sum(w * (z - mean) ** 2 for w, z in zip(ws, zs))
    return zs, ws, mean, q


def random_case(method, groups):
    """DerSimonian & Laird (1986) on z with Knapp & Hartung's (2003) interval, SE never below the former's."""
    zs, ws, _, q = homogeneity(method, groups)
    k = len(groups)
    df = k - 1
    tau = max(mpf(0), (q - df) / (sum(ws) - sum(w * w for w in ws) / sum(ws)))
    stars = [1 / (1 / w + tau) for w in ws]
    star = sum(w * z for w, z in zip(stars, zs)) / sum(stars)
    se = mp.sqrt(max(1 / sum(stars), sum(w * (z - star) ** 2 for w, z in zip(stars, zs)) / (df * sum(stars))))
    t = t_quantile(mpf("0.025"), df)
    return {
        "method": method, "groups": [{"coefficient": r, "n": n} for r, n in groups], "q": number(q), "p": number(chi2_upper(q, df)),
        "iSquared": number(max(mpf(0), (q - df) / q)), "tauSquared": number(tau), "coefficient": number(mp.tanh(star)),
        "low": number(mp.tanh(star - t * se)), "high": number(mp.tanh(star + t * se)),
    }


def slopes_case(x, y, labels):
    """Own against common slopes, own intercepts in both: statsmodels' least squares."""
    frame = pandas.DataFrame({"x": x, "y": y, "g": [str(label) for label in labels]})
    own = statsmodels.formula.api.ols("y ~ C(g) * x", frame).fit()
    common = statsmodels.formula.api.ols("y ~ C(g) + x", frame).fit()
    f, p, df = own.compare_f_test(common)
    each = []
    for _, part in sorted(frame.groupby("g"), key=lambda item: float(item[0])):
        if len(part) > 2:
            fit = statsmodels.formula.api.ols("y ~ x", part).fit()
            low, high = fit.conf_int().loc["x"]
            each.append({"n": len(part), "slope": fit.params["x"], "intercept": fit.params["Intercept"], "se": fit.bse["x"], "low": low, "high": high})
    return {"x": numbers(x), "y": numbers(y), "labels": numbers(labels), "groups": each, "common": common.params["x"], "f": f, "df": df, "dfResidual": own.df_resid, "p": p}


def between_case(x, y, labels):
    """Means weighted by rows: statsmodels' weighted least squares gives the same t."""
    groups = pandas.DataFrame({"x": x, "y": y, "g": labels}).groupby("g")
    means, sizes = groups.mean(), groups.size()
    fit = statsmodels.formula.api.wls("y ~ x", means, weights=sizes).fit()
    t = fit.tvalues["x"]
    df = len(means) - 2
    return {"weighted": math.copysign(math.sqrt(t * t / (t * t + df)), t), "df": df, "p": fit.pvalues["x"], "unweighted": float(numpy.corrcoef(means["x"], means["y"])[0, 1])}


def within(x, y, labels):
    sxy = sxx = syy = mpf(0)
    for label in sorted(set(labels)):
        a, b = (exact([v for v, l in zip(values, labels) if l == label]) for values in (x, y))
        ma, mb = sum(a) / len(a), sum(b) / len(b)
        sxy += sum((p - ma) * (q - mb) for p, q in zip(a, b))
        sxx += sum((p - ma) ** 2 for p in a)
        syy += sum((q - mb) ** 2 for q in b)
    return number(sxy / mp.sqrt(sxx * syy))


def across(x, y, labels):
    """A pair in each group by scipy, Q by its formula."""
    rows = [(a, b, l) for a, b, l in zip(x, y, labels) if not (math.isnan(a) or math.isnan(b) or l is None or l != l)]
    a, b, l = (list(values) for values in zip(*rows))
    of = lambda function, chosen: float(function([r[0] for r in chosen], [r[1] for r in chosen]).statistic)
    parts = [[r for r in rows if r[2] == label] for label in sorted(set(l))]
    found = {"n": [len(part) for part in parts], "within": within(a, b, l)}
    for method, function in (("pearson", scipy.stats.pearsonr), ("spearman", scipy.stats.spearmanr), ("kendall", scipy.stats.kendalltau)):
        rs = [of(function, part) for part in parts]
        found[method] = {"groups": rs, "pooled": of(function, rows)}
        if method != "kendall":
            *_, q = homogeneity(method, list(zip(rs, found["n"])))
            found[method] |= {"q": number(q), "p": number(chi2_upper(q, len(parts) - 1))}
    return found


def group_cases():
    rng = numpy.random.default_rng(1986)
    rows = [tuple(float(v) for v in pair.split()) + (float(k),) for k, person in enumerate(PERSONS) for pair in person.split(", ")]
    ph, paco2, person = (list(values) for values in zip(*rows))
    labels = numpy.repeat([1.0, 2.0, 5.0], [12, 20, 8])
    x = rng.normal(size=40) + labels
    y = rng.normal(size=40) + numpy.where(labels == 2, 1.2, -0.4) * x
    survey = list(csv.DictReader(SURVEY.open()))
    catchment = [row["catchment"] for row in survey]
    names = sorted(set(catchment))
    groups = [float(names.index(c)) for c in catchment]
    penguins = json.loads((HERE / "open-data.json").read_text())["penguins"]
    nan = lambda values: [math.nan if v is None else v for v in values]
    return {
        "random": [
            random_case("pearson", [(0.12, 60), (0.55, 62), (0.40, 63), (-0.05, 60)]),
            random_case("pearson", [(0.51, 103), (0.46, 85), (0.55, 60)]),
            random_case("spearman", [(0.2, 30), (0.7, 44), (-0.1, 25), (0.4, 61), (0.5, 18)]),
        ],
        "slopes": [slopes_case(paco2, ph, person), slopes_case(list(x), list(y), list(labels))],
        "between": between_case(ph, paco2, person),
        "demo": {
            "catchments": names,
            "pairs": [{"x": a, "y": b, **across(column(survey, a), column(survey, b), groups)} for a, b in itertools.combinations(QUANTITIES, 2)],
        },
        "penguins": across(nan(penguins["billDepth"]), nan(penguins["bodyMass"]), penguins["label"]),
    }
