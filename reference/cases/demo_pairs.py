"""What the pair card and the matrix say of the demo survey: every method, the line, partial, groups, comparisons."""

import csv
import math
import pathlib
from collections import Counter
from fractions import Fraction

import numpy
import statsmodels.api
from mpmath import mp, mpf
from statsmodels.stats.multitest import multipletests

from .common import complete, correlation, exact, f_upper, midranks, normal_upper, number, numbers, t_two_sided, z_interval
from .demo import SURVEY, column, pair
from .ranks import score, tau_and_z, tau_interval

KICK = pathlib.Path(__file__).parent.parent.parent / "samples/aldermere-kick-samples.csv"


def every_method(x, y):
    a, b = complete(x, y)
    n = len(a)
    r = correlation(exact(a), exact(b))
    rho = correlation(midranks(a), midranks(b))
    _, tau, z = tau_and_z(a, b)
    p = t_two_sided(1 - r * r, n - 2)
    return {
        "n": n,
        "r": {"coefficient": number(r), "t": number(r * mp.sqrt((n - 2) / (1 - r * r))), "p": number(p), "log10P": number(mp.log10(p)),
              "interval": numbers(z_interval(r, mpf(1) / (n - 3)))},
        "rho": {"coefficient": number(rho), "p": number(t_two_sided(1 - rho * rho, n - 2)),
                "interval": numbers(z_interval(rho, (1 + rho * rho / 2) / (n - 3)))},
        "tau": {"coefficient": number(tau), "p": number(2 * normal_upper(abs(z))), "interval": numbers(tau_interval(a, b))},
    }


def line(x, y):
    a, b = complete(x, y)
    fit = statsmodels.api.OLS(numpy.array(b), statsmodels.api.add_constant(numpy.array(a))).fit()
    low = fit.conf_int()
    at = [min(a), 2.5, max(a)]
    predicted = fit.get_prediction(statsmodels.api.add_constant(numpy.array(at)))
    band, cases = predicted.conf_int(), predicted.conf_int(obs=True)
    return {
        "intercept": {"value": fit.params[0], "se": fit.bse[0], "low": low[0][0], "high": low[0][1]},
        "slope": {"value": fit.params[1], "se": fit.bse[1], "low": low[1][0], "high": low[1][1]},
        "band": [{"x": place, "low": limits[0], "high": limits[1]} for place, limits in zip(at, band.tolist())],
        "newCase": [{"x": place, "value": value, "low": limits[0], "high": limits[1]} for place, value, limits in zip(at, predicted.predicted_mean.tolist(), cases.tolist())],
        "r2": fit.rsquared, "adjustedR2": fit.rsquared_adj, "residualSd": math.sqrt(fit.mse_resid), "f": fit.fvalue, "p": fit.f_pvalue,
    }


def partial(x, y, control):
    """Pearson correlation of the residuals on one control, over the rows complete for all three."""
    a, b, c = complete(x, y, control)
    design = statsmodels.api.add_constant(numpy.array(c))
    rest = [statsmodels.api.OLS(numpy.array(v), design).fit().resid for v in (a, b)]
    r = float(numpy.corrcoef(rest)[0, 1])
    df = len(a) - 3
    return {"n": len(a), "r": r, "df": df, "p": number(t_two_sided(mpf(1) - mpf(r) ** 2, df))}


def by_group(x, y, labels):
    groups = {}
    for a, b, label in zip(x, y, labels):
        groups.setdefault(label, ([], []))[0].append(a)
        groups[label][1].append(b)
    found = {label: pair(*values) for label, values in groups.items()}
    z = [(math.atanh(g["r"]), g["n"] - 3) for g in found.values()]
    middle = sum(value * w for value, w in z) / sum(w for _, w in z)
    return {"groups": found, "q": sum(w * (value - middle) ** 2 for value, w in z)}


def williams(a, b, c):
    """Williams (1959) as Steiger (1980), eq. 7."""
    a, b, c = complete(a, b, c)
    n = len(a)
    ab, ac, bc = (correlation(exact(u), exact(v)) for u, v in ((a, b), (a, c), (b, c)))
    determinant = 1 - ab**2 - ac**2 - bc**2 + 2 * ab * ac * bc
    t = (ab - ac) * mp.sqrt((n - 1) * (1 + bc) / (2 * mpf(n - 1) / (n - 3) * determinant + ((ab + ac) / 2) ** 2 * (1 - bc) ** 3))
    df = n - 3
    return {"n": n, "t": number(t), "df": df, "p": number(f_upper(t * t, 1, df))}


def exact_by_counting(x, y):
    """Two-sided p of Spearman's sum of products and of Kendall's S given both tie patterns, over all orders of y."""
    rx = [int(2 * r) for r in midranks(x)]
    ry = [int(2 * r) for r in midranks(y)]
    n = len(rx)
    classes = sorted(set(ry))
    sizes = [ry.count(c) for c in classes]
    order = sorted(range(n), key=lambda i: rx[i])
    runs = []
    for i in order:
        if runs and rx[runs[-1][0]] == rx[i]:
            runs[-1].append(i)
        else:
            runs.append([i])
    states = Counter({((0,) * len(classes), 0, 0): 1})
    for run in runs:
        # Those of one run of x tie with each other and come after all that were placed before.
        inside = states
        for step in range(len(run)):
            following = Counter()
            for (used, t, s, *placed), count in inside.items():
                before = placed[0] if placed else used
                for k, c in enumerate(classes):
                    left = sizes[k] - used[k]
                    if left == 0:
                        continue
                    gain = sum(before[:k]) - sum(before[k + 1 :])
                    now = tuple(u + (j == k) for j, u in enumerate(used))
                    following[(now, t + rx[run[0]] * c, s + gain, before)] += count * left
            inside = following
        states = Counter()
        for (used, t, s, _), count in inside.items():
            states[(used, t, s)] += count
    total = sum(states.values())
    t0, s0 = sum(a * b for a, b in zip(rx, ry)), score(rx, ry)
    middle = Fraction(sum(rx) * sum(ry), n)
    rho = sum(count for (_, t, _), count in states.items() if abs(t - middle) >= abs(t0 - middle))
    tau = sum(count for (_, _, s), count in states.items() if abs(s) >= abs(s0))
    assert total == math.factorial(n)
    return {"rho": float(Fraction(rho, total)), "tau": float(Fraction(tau, total))}


def survey_pairs():
    with SURVEY.open() as file:
        rows = list(csv.DictReader(file))
    of = {name: column(rows, name) for name in rows[0] if name not in ("station", "catchment", "geology", "sampled_on")}
    carried = [math.nan if i == 101 else v for i, v in enumerate(of["turbidity"])]
    with KICK.open() as file:
        kick = list(csv.DictReader(file))
    samples = {name: column(kick, name) for name in ("depth", "current", "mayfly_taxa", "stonefly_taxa")}
    numbers_of = ("elevation", "canopy_cover", "water_temp", "nitrate", "phosphate", "mayfly_taxa")
    raw = [pair(of[a], of[b])["p"] for i, a in enumerate(numbers_of) for b in numbers_of[:i]]
    return {
        "nitrateByTaxa": every_method(of["nitrate"], of["mayfly_taxa"]),
        "nitrateByChlorophyll": every_method(of["nitrate"], of["chlorophyll"]),
        "line": line(of["nitrate"], of["mayfly_taxa"]),
        "partialOnElevation": partial(of["nitrate"], of["mayfly_taxa"], of["elevation"]),
        "byCatchment": by_group(of["canopy_cover"], of["phosphate"], [row["catchment"] for row in rows]),
        "taxaCloserToNitrateThanPhosphate": williams(of["mayfly_taxa"], of["nitrate"], of["phosphate"]),
        "carried": {"with": every_method(of["turbidity"], of["dissolved_oxygen"]), "without": every_method(carried, of["dissolved_oxygen"])},
        "holm": {"variables": numbers_of, "p": raw, "adjusted": multipletests(raw, method="holm")[1].tolist()},
        "kick": {
            "depthByTaxa": {**every_method(samples["depth"], samples["mayfly_taxa"]), "exact": exact_by_counting(samples["depth"], samples["mayfly_taxa"])},
        },
    }
