"""Spearman's and Kendall's coefficients: definitions counted out, exact p by enumeration or counting."""

import itertools
import math
from collections import Counter
from fractions import Fraction

import numpy
import scipy.stats
from mpmath import mp, mpf

from .common import complete, correlation, midranks, normal_upper, number, numbers, symmetric, t_quantile, t_two_sided, z_interval


def sign(a):
    return (a > 0) - (a < 0)


def score(x, y):
    return sum(sign(x[j] - x[i]) * sign(y[j] - y[i]) for i in range(len(x)) for j in range(i))


def quick_score(x, y):
    x, y = numpy.asarray(x), numpy.asarray(y)
    return int(sum((numpy.sign(x[i + 1 :] - x[i]) * numpy.sign(y[i + 1 :] - y[i])).sum() for i in range(len(x) - 1)))


def ties(values):
    return [c for c in Counter(values).values() if c > 1]


def tau_and_z(x, y):
    s, tau, variance = tau_and_variance(x, y)
    return s, tau, s / mp.sqrt(variance)


def tau_and_variance(x, y):
    n = len(x)
    s = quick_score(x, y)
    tx, ty = ties(x), ties(y)
    n0 = mpf(n * (n - 1)) / 2
    tau = s / mp.sqrt((n0 - sum(t * (t - 1) for t in tx) / mpf(2)) * (n0 - sum(t * (t - 1) for t in ty) / mpf(2)))
    m = n * (n - 1)
    variance = (
        mpf(m * (2 * n + 5) - sum(t * (t - 1) * (2 * t + 5) for t in tx) - sum(t * (t - 1) * (2 * t + 5) for t in ty)) / 18
        + mpf(sum(t * (t - 1) for t in tx) * sum(t * (t - 1) for t in ty)) / (2 * m)
        + mpf(sum(t * (t - 1) * (t - 2) for t in tx) * sum(t * (t - 1) * (t - 2) for t in ty)) / (9 * m * (n - 2))
    )
    return s, tau, variance


def tau_spread(x, y):
    """τ-b, its distribution-free standard error (Brown & Benedetti 1977) and that of p on the scale of τ, by counting."""
    n = len(x)
    _, tau, variance = tau_and_variance(x, y)
    a, b = numpy.asarray(x), numpy.asarray(y)
    d = [int((numpy.sign(a - a[i]) * numpy.sign(b - b[i])).sum()) for i in range(n)]
    r, c = [int((a == v).sum()) for v in a], [int((b == v).sum()) for v in b]
    wr, wc = mpf(n * n - sum(r)), mpf(n * n - sum(c))
    w = mp.sqrt(wr * wc)
    v = [ri * wc + ci * wr for ri, ci in zip(r, c)]
    ase2 = (sum((2 * w * di + tau * vi) ** 2 for di, vi in zip(d, v)) - mpf(n) ** 3 * tau**2 * (wr + wc) ** 2) / w**4
    return tau, mp.sqrt(max(ase2, 0)), mp.sqrt(4 * variance / w**2)


def tau_interval(x, y, level=mpf("0.95")):
    """tanh(artanh τ ± t·h), h the larger of both standard errors of z; below ten rows Fieller, Hartley & Pearson (1957)."""
    n = len(x)
    tau, ase, ase0 = tau_spread(x, y)
    if n < 10:
        return z_interval(tau, mpf("0.437") / (n - 4), level)
    h = max(ase * mp.sqrt(mpf(n) / (n - 1)) / (1 - tau**2), ase0)
    reach = t_quantile((1 - level) / 2, n - 2) * h
    return [mp.tanh(mp.atanh(tau) - reach), mp.tanh(mp.atanh(tau) + reach)]


def arrangements(values):
    """Every distinct order of the values, each equally likely."""
    values = sorted(values)
    if math.factorial(len(values)) / math.prod(math.factorial(c) for c in Counter(values).values()) > 50_000:
        return None
    return multiset(values)


def multiset(values):
    if not values:
        yield ()
        return
    for i, value in enumerate(values):
        if i and values[i - 1] == value:
            continue
        for rest in multiset(values[:i] + values[i + 1 :]):
            yield (value, *rest)


def exact_p(x, y):
    """Two-sided, greater and less p of Spearman's sum of products and of Kendall's S, as fractions; None if too many."""
    ranks_x = [2 * r for r in map(int, (2 * r for r in midranks(x)))]
    ranks_y = [2 * r for r in map(int, (2 * r for r in midranks(y)))]
    orders = arrangements(ranks_y)
    if orders is None:
        return None
    total = Counter()
    n = len(x)
    t0, s0 = sum(a * b for a, b in zip(ranks_x, ranks_y)), score(ranks_x, ranks_y)
    mean_t = Fraction(sum(ranks_x) * sum(ranks_y), n)
    for order in orders:
        t, s = sum(a * b for a, b in zip(ranks_x, order)), score(ranks_x, order)
        total["all"] += 1
        total["rho"] += abs(t - mean_t) >= abs(t0 - mean_t)
        total["rhoGreater"] += t >= t0
        total["rhoLess"] += t <= t0
        total["tau"] += abs(s) >= abs(s0)
        total["tauGreater"] += s >= s0
        total["tauLess"] += s <= s0
    return {key: float(Fraction(value, total["all"])) for key, value in total.items() if key != "all"}


def rank_case(name, x, y):
    a, b = complete(x, y)
    n = len(a)
    rho = correlation(midranks(a), midranks(b))
    df = n - 2
    case = {"name": name, "x": numbers(x), "y": numbers(y), "n": n, "rho": number(rho)}
    p = t_two_sided(1 - rho * rho, df)
    case["rhoT"] = {**symmetric(p), "t": number(rho * mp.sqrt(df / (1 - rho * rho))) if abs(rho) < 1 else None}
    s, tau, z = tau_and_z(a, b)
    case |= {"s": s, "tau": number(tau), "tauNormal": {"z": number(z), **symmetric(2 * normal_upper(abs(z)))}}
    if n > 3 and abs(rho) < 1:
        case["bonettWright"] = numbers(z_interval(rho, (1 + rho * rho / 2) / (n - 3)))
        case["fieller"] = numbers(z_interval(rho, mpf("1.06") / (n - 3)))
        case["fisher"] = numbers(z_interval(rho, mpf(1) / (n - 3)))
    if n > 4 and abs(tau) < 1:
        case["tauFieller"] = numbers(z_interval(tau, mpf("0.437") / (n - 4)))
        case["tauInterval"] = numbers(tau_interval(a, b))
    if n <= 10:
        exact = exact_p(a, b)
        if exact:
            case["exact"] = exact
    if n <= 60 and not ties(a) and not ties(b):
        case["tauExactNoTies"] = kendall_counts_p(s, n)
    confirm(case, a, b)
    return case


def kendall_counts_p(s, n):
    """Two-sided p from the numbers of inversions, as exact integers."""
    counts = [1]
    for size in range(2, n + 1):
        counts = [sum(counts[max(0, k - size + 1) : k + 1]) for k in range(len(counts) + size - 1)]
    most = n * (n - 1) // 2
    extreme = sum(c for k, c in enumerate(counts) if abs(most - 2 * k) >= abs(s))
    return float(Fraction(extreme, math.factorial(n)))


def confirm(case, a, b):
    rho = scipy.stats.spearmanr(a, b)
    tau = scipy.stats.kendalltau(a, b, method="asymptotic")
    assert abs(rho.statistic - case["rho"]) < 1e-12, case["name"]
    assert abs(tau.statistic - case["tau"]) < 1e-12, case["name"]
    assert abs(tau.pvalue - case["tauNormal"]["p"]) < 1e-9, case["name"]
    if "tauExactNoTies" in case:
        assert abs(scipy.stats.kendalltau(a, b, method="exact").pvalue - case["tauExactNoTies"]) < 1e-9, case["name"]


def rank_cases():
    rng = numpy.random.default_rng(19380404)
    cases = []
    for n in (3, 4, 5, 6, 7, 8):
        x = rng.permutation(n).astype(float)
        cases.append(rank_case(f"no ties n={n}", x, rng.permutation(n).astype(float)))
    for n in (4, 5, 6, 7, 8, 9, 10):
        x, y = rng.integers(0, 3, n).astype(float), rng.integers(0, 4, n).astype(float)
        x[0], y[0], x[1], y[1] = 0, 0, 2, 3
        cases.append(rank_case(f"ties n={n}", x, y))
    for n in (12, 20, 40, 60, 61, 250):
        x = rng.normal(size=n)
        cases.append(rank_case(f"normal n={n}", x, 0.5 * x + rng.normal(size=n)))
        cases.append(rank_case(f"rounded n={n}", numpy.round(x * 2), numpy.round(x + rng.normal(size=n))))
    x = rng.normal(size=5000)
    cases.append(rank_case("n=5000", numpy.round(x, 2), numpy.round(0.05 * x + rng.normal(size=5000), 3)))
    x = rng.normal(size=1000)
    cases.append(rank_case("p below 1e-300", x, x + 0.05 * rng.normal(size=1000)))
    x, y = rng.normal(size=60), rng.normal(size=60)
    x[[3, 17]], y[[17, 40, 41]] = math.nan, math.nan
    cases.append(rank_case("missing values", numpy.round(x, 1), numpy.round(x + y, 1)))
    cases.append(rank_case("1e9 plus noise", 1e9 + 1e-3 * numpy.arange(40) ** 1.5, numpy.sin(numpy.arange(40.0))))
    cases.append(rank_case("1e-300 to 1e300", 10.0 ** rng.integers(-300, 300, 40), rng.normal(size=40)))
    cases.append(rank_case("all tied but one", numpy.array([1.0] * 11 + [2]), rng.normal(size=12)))
    return cases


def conditional_counts():
    """Counts of Σ(2R)(2S) without ties for n = 11, by subsets of the ranks used: Spearman's whole distribution."""
    n = 11
    layer = {0: Counter({0: 1})}
    for rank in range(1, n + 1):
        following = {}
        for used, counts in layer.items():
            for other in range(n):
                if used >> other & 1:
                    continue
                target = following.setdefault(used | 1 << other, Counter())
                for value, count in counts.items():
                    target[value + rank * (other + 1)] += count
        layer = following
    (counts,) = layer.values()
    mean = n * (n + 1) ** 2 / 4
    d = {t: sum(c for v, c in counts.items() if abs(v - mean) >= abs(t - mean)) for t in counts}
    return {"n": n, "twoSided": {str(t): float(Fraction(c, math.factorial(n))) for t, c in sorted(d.items())}}
