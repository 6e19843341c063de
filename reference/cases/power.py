"""Power from the distribution of r: Hotelling's density integrated at high precision."""

import mpmath
from mpmath import mp, mpf

from .common import number, t_quantile


def density(r, rho, n):
    return (
        (n - 2) * mpmath.gamma(n - 1) * (1 - rho**2) ** (mpf(n - 1) / 2) * (1 - r**2) ** (mpf(n - 4) / 2)
        / (mp.sqrt(2 * mp.pi) * mpmath.gamma(n - mpf("0.5")) * (1 - rho * r) ** (n - mpf("1.5")))
        * mpmath.hyp2f1(mpf("0.5"), mpf("0.5"), n - mpf("0.5"), (1 + rho * r) / 2)
    )


def upper(r, rho, n):
    marks = sorted({mpf(r), max(mpf(r), rho), *(m for m in (rho + k / mp.sqrt(n) for k in (-4, -1, 1, 4)) if r < m < 1), mpf(1)})
    return mpmath.quad(lambda v: density(v, rho, n), marks)


def power_case(rho, n, alpha):
    old, mp.dps = mp.dps, 30
    t = t_quantile(mpf(alpha) / 2, n - 2)
    r = t / mp.sqrt(n - 2 + t * t)
    value = upper(r, mpf(rho), n) + upper(r, -mpf(rho), n)
    mp.dps = old
    return {"r": rho, "n": n, "alpha": alpha, "power": number(value)}


def power_cases():
    return {"cases": [power_case(rho, n, alpha) for rho, n, alpha in ((0.5, 5, 0.05), (0.3, 20, 0.05), (0.3, 84, 0.05), (0.5, 29, 0.05), (0.8, 12, 0.01), (0.1, 200, 0.1), (-0.4, 40, 0.05), (0.95, 6, 0.001))]}
