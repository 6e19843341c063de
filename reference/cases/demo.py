"""Correlations of the demo survey in states that the journeys bring it to: narrowed, corrected, with a ratio."""

import csv
import math
import pathlib

import numpy
import scipy.stats

from .common import complete, correlation, exact, mean, number, t_two_sided

SURVEY = pathlib.Path(__file__).parent.parent.parent / "samples/aldermere-streams.csv"


def column(rows, name):
    return [float(row[name]) if row[name] else math.nan for row in rows]


def pair(x, y):
    xs, ys = complete(x, y)
    r = correlation(exact(xs), exact(ys))
    return {"n": len(xs), "r": number(r), "p": number(t_two_sided(1 - r * r, len(xs) - 2))}


def shape(values):
    """Joanes & Gill's G1 and G2, and W; scipy's W is single precision, enough for the three decimals shown."""
    x = numpy.array([v for v in values if not math.isnan(v)])
    return {
        "n": len(x),
        "mean": number(x.mean()),
        "sd": number(x.std(ddof=1)),
        "median": number(numpy.median(x)),
        "skewness": number(scipy.stats.skew(x, bias=False)),
        "excessKurtosis": number(scipy.stats.kurtosis(x, bias=False)),
        "w": number(scipy.stats.shapiro(x)[0]),
    }


def henze_zirkler(columns):
    """Henze & Zirkler (1990), covariance with divisor n, lognormal p; in double precision."""
    x = numpy.array([row for row in zip(*columns) if not any(math.isnan(v) for v in row)])
    n, p = x.shape
    inverse = numpy.linalg.inv(numpy.cov(x, rowvar=False, bias=True))
    centred = x - x.mean(axis=0)
    between = x[:, None, :] - x[None, :, :]
    squared = numpy.einsum("ijk,kl,ijl->ij", between, inverse, between)
    own = numpy.einsum("ik,kl,il->i", centred, inverse, centred)
    b = (((2 * p + 1) * n) / 4) ** (1 / (p + 4)) / math.sqrt(2)
    b2 = b * b
    statistic = (
        numpy.exp(-b2 / 2 * squared).sum() / n
        - 2 * (1 + b2) ** (-p / 2) * numpy.exp(-b2 / (2 * (1 + b2)) * own).sum()
        + n * (1 + 2 * b2) ** (-p / 2)
    )
    a, w = 1 + 2 * b2, (1 + b2) * (1 + 3 * b2)
    mean_hz = 1 - a ** (-p / 2) * (1 + p * b2 / a + p * (p + 2) * b2**2 / (2 * a**2))
    variance = (
        2 * (1 + 4 * b2) ** (-p / 2)
        + 2 * a ** (-p) * (1 + 2 * p * b2**2 / a**2 + 3 * p * (p + 2) * b2**4 / (4 * a**4))
        - 4 * w ** (-p / 2) * (1 + 3 * p * b2**2 / (2 * w) + p * (p + 2) * b2**4 / (2 * w**2))
    )
    scale = math.sqrt(math.log1p(variance / mean_hz**2))
    p_value = scipy.stats.lognorm.sf(statistic, scale, scale=math.exp(math.log(mean_hz) - scale**2 / 2))
    return {"n": n, "statistic": number(statistic), "p": number(p_value)}


def joint(rows):
    """What the joint view says before and after turbidity is taken to its logarithm, without each variable as well."""
    raw = {name: column(rows, name) for name in ("water_temp", "nitrate", "turbidity")}
    logged = {**raw, "turbidity": [math.log10(v) for v in raw["turbidity"]]}
    complete_rows = [not math.isnan(v) for v in raw["turbidity"]]
    found = {}
    for state, variables in (("raw", raw), ("logged", logged)):
        kept = {name: [v for v, keep in zip(values, complete_rows) if keep] for name, values in variables.items()}
        found[state] = {"all": henze_zirkler(list(kept.values()))}
        for left_out in kept:
            found[state][left_out] = henze_zirkler([v for name, v in kept.items() if name != left_out])
    return found


def survey_states():
    with SURVEY.open() as file:
        rows = list(csv.DictReader(file))
    aster = [row for i, row in enumerate(rows, 1) if row["catchment"] == "Aster" and 61 <= i <= 140]
    slip = next(i for i, row in enumerate(rows) if row["ph"] == "74")
    nitrate, ph = column(rows, "nitrate"), column(rows, "ph")
    without = ph[:slip] + [math.nan] + ph[slip + 1 :]
    corrected = ph[:slip] + [7.4] + ph[slip + 1 :]
    chlorophyll, phosphate = column(rows, "chlorophyll"), column(rows, "phosphate")
    ratio = [c / p for c, p in zip(chlorophyll, phosphate)]
    present = [v for v in ph if not math.isnan(v)]
    return {
        "asterRows61To140": {
            "rows": len(aster),
            "waterTempByElevation": pair(column(aster, "elevation"), column(aster, "water_temp")),
            "oxygenByElevation": pair(column(aster, "elevation"), column(aster, "dissolved_oxygen")),
            "oxygenByWaterTemp": pair(column(aster, "water_temp"), column(aster, "dissolved_oxygen")),
        },
        "decimalSlip": {
            "row": slip + 1,
            "meanOfPh": number(mean(exact(present))),
            "with": pair(ph, nitrate),
            "without": pair(without, nitrate),
            "corrected": pair(corrected, nitrate),
        },
        "joint": joint(rows),
        "conductivityByNitrate": dict(zip(("rho", "p"), map(number, scipy.stats.spearmanr(column(rows, "conductivity"), nitrate)))),
        "shape": {name: shape(column(rows, name)) for name in ("turbidity", "water_temp")},
        "chlorophyllPerPhosphate": {"byChlorophyll": pair(ratio, chlorophyll), "byPhosphate": pair(ratio, phosphate)},
    }
