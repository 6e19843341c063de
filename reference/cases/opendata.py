"""Open data: wine and diabetes as scikit-learn ships them; penguins (Horst, Hill & Gorman 2020, CC0) as the npm package
vega-datasets 2.8.1 ships them, read from the file named by PENGUINS."""

import json
import math
import os
import pathlib

import numpy
import scipy.stats
import sklearn.datasets
from statsmodels.stats.outliers_influence import variance_inflation_factor

from .common import number, numbers

HERE = pathlib.Path(__file__).parent.parent


def table(bunch):
    x = bunch.data
    p = x.shape[1]
    constant = numpy.column_stack([numpy.ones(len(x)), x])
    kendall = [[number(scipy.stats.kendalltau(x[:, i], x[:, j]).statistic) for j in range(p)] for i in range(p)]
    return {
        "names": list(bunch.feature_names), "columns": [numbers(c) for c in x.T], "pearson": [numbers(row) for row in numpy.corrcoef(x.T)],
        "spearman": [numbers(row) for row in scipy.stats.spearmanr(x).statistic], "kendall": kendall,
        "vif": numbers(variance_inflation_factor(constant, j + 1) for j in range(p)),
    }


def penguins():
    path = os.environ.get("PENGUINS")
    if path is None:
        return json.loads((HERE / "open-data.json").read_text())["penguins"]
    rows = json.loads(pathlib.Path(path).read_text())
    species = sorted({row["Species"] for row in rows})
    depth, mass = ([row[k] if row[k] is not None else math.nan for row in rows] for k in ("Beak Depth (mm)", "Body Mass (g)"))
    label = [float(species.index(row["Species"])) for row in rows]
    pairs = [(d, m, l) for d, m, l in zip(depth, mass, label) if not math.isnan(d) and not math.isnan(m)]
    r = lambda chosen: number(scipy.stats.pearsonr([p[0] for p in chosen], [p[1] for p in chosen]).statistic)
    return {"species": species, "billDepth": numbers(depth), "bodyMass": numbers(mass), "label": label, "r": r(pairs), "bySpecies": [r([p for p in pairs if p[2] == k]) for k in range(len(species))]}


def open_data():
    return {"wine": table(sklearn.datasets.load_wine()), "diabetes": table(sklearn.datasets.load_diabetes()), "penguins": penguins()}
