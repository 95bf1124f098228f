"""Reference fits of radar-like traces by SciPy; the numbers are committed in tests/InchBurst.Core.Tests/Files/reference-traces.tsv.

Debian: apt-get install python3-scipy; then: /usr/bin/python3 tools/reference/traces.py > tests/InchBurst.Core.Tests/Files/reference-traces.tsv
The model, as in docs/methods.md: v(t) = MSS (1 - exp(-(t - t0) / tau)) from t0 on, 0 before.
"""
import numpy as np
from scipy.optimize import least_squares


def speed(t, mss, tau, start):
    since = np.maximum(0, t - start)
    return mss * (1 - np.exp(-since / tau))


def main():
    rng = np.random.default_rng(20261128)
    print("rows\tmss\ttau\tstart\tsquares")
    for _ in range(24):
        mss, tau, start = rng.uniform(6.5, 11), rng.uniform(0.9, 1.4), rng.uniform(0.3, 0.6)
        t = np.round(np.arange(0, 7, 0.08), 2)
        v = np.round(speed(t, mss, tau, start) + rng.normal(0, 0.1, len(t)), 2)
        # Several beginnings: where the start lies between two rows the sum of squares has a kink.
        found = min((least_squares(lambda p: speed(t, *p) - v, [mss, tau, s], xtol=1e-15, ftol=1e-15, gtol=1e-15, max_nfev=5000) for s in np.linspace(start - 0.15, start + 0.15, 13)), key=lambda f: f.cost)
        print(" ".join(f"{a:.2f}:{b:.2f}" for a, b in zip(t, v)), *(f"{x:.8f}" for x in found.x), f"{2 * found.cost:.10f}", sep="\t")


if __name__ == "__main__":
    main()
