"""Writes the reference values that the tests of core/ read: /usr/bin/python3 reference/generate.py [NAME ...]

Everything that a definition or a published formula gives is computed with mpmath at 60 digits from the exact binary
values of the inputs; scipy and statsmodels confirm it where double precision suffices, and are the reference themselves
only where the case says so. Run with Debian's python3-numpy, -scipy, -mpmath, -statsmodels and -sklearn.
"""

import json
import pathlib
import sys

import mpmath
import numpy
import scipy
import sklearn
import statsmodels

from cases import collinear, comparisons, correlations, demo, demo_pairs, descriptions, groups, latent, normality, opendata, pearson, power, ranks, regression, resampling, scales, scatterplots

HERE = pathlib.Path(__file__).parent
VERSIONS = {
    "python": sys.version.split()[0],
    "numpy": numpy.__version__,
    "scipy": scipy.__version__,
    "statsmodels": statsmodels.__version__,
    "sklearn": sklearn.__version__,
    "mpmath": mpmath.__version__,
}
FILES = {
    "pearson": lambda: {"cases": pearson.pearson_cases()},
    "describe": lambda: {"cases": descriptions.describe_cases()},
    "smoothing": descriptions.smoothing_cases,
    "ranks": lambda: {"cases": ranks.rank_cases(), "spearmanEleven": ranks.conditional_counts()},
    "correlations": correlations.correlation_extras,
    "tails": lambda: {"cases": correlations.tails()},
    "normality": lambda: {"univariate": normality.univariate_cases(), "joint": normality.joint_cases()},
    "scales": scales.scale_cases,
    "comparisons": comparisons.comparison_cases,
    "groups": groups.group_cases,
    "regression": regression.regression_cases,
    "collinear": collinear.collinear_cases,
    "latent": latent.latent_cases,
    "power": power.power_cases,
    "resampling": resampling.resampling_cases,
    "open-data": opendata.open_data,
    "scatterplots": scatterplots.scatterplot_cases,
    "demo-pairs": demo_pairs.survey_pairs,
    "demo": demo.survey_states,
}

for name in sys.argv[1:] or FILES:
    content = {"versions": VERSIONS, **FILES[name]()}
    (HERE / f"{name}.json").write_text(json.dumps(content, indent=1) + "\n")
    print(name)
