"""Reference fits of the sprint curve by SciPy on generated runs; the numbers are committed in tests/InchBurst.Core.Tests/Files/reference-fits.tsv.

Debian: apt-get install python3-scipy; then: /usr/bin/python3 tools/reference/fits.py > tests/InchBurst.Core.Tests/Files/reference-fits.tsv
The model, as in docs/methods.md: distance d(t) = MSS (t - tau (1 - exp(-t / tau))), solved for t by Lambert's W.
"""
import numpy as np
from scipy.optimize import least_squares
from scipy.special import lambertw

METRES = np.array([5.0, 10, 15, 20, 30, 40])


def time_to(metres, mss, tau):
    return metres / mss + tau * (np.real(lambertw(-np.exp(-1 - metres / (mss * tau)))) + 1)


def model(metres, mss, tau, start, offset, moving):
    return time_to(metres + start, mss, tau) - (0 if moving else time_to(start, mss, tau)) + offset


def slopes(metres, mss, tau):
    """Derivatives of the time by MSS, tau and the metres, from the model solved for the distance."""
    t = time_to(metres, mss, tau)
    gone = np.exp(-t / tau)
    speed = mss * (1 - gone)
    return -(metres / mss) / speed, mss * ((1 - gone) - t / tau * gone) / speed, 1 / speed


def derivatives(metres, mss, tau, start, moving, fits_start, fits_offset):
    there = slopes(metres + start, mss, tau)
    at_line = (0, 0, 0) if moving else slopes(start, mss, tau)
    columns = [a - b for a, b in zip(there, at_line)]
    return np.stack(columns[:2] + ([columns[2]] if fits_start else []) + ([np.ones_like(metres)] if fits_offset else []), axis=1)


# kind: is the start's distance known, is the clock's offset fitted, does the clock run from the first movement
KINDS = {"plain": (0.0, False, True), "known": (0.5, False, False), "start": (None, False, False), "gun": (0.0, True, True), "both": (None, True, True)}


def fit(kind, times):
    known, fits_offset, moving = KINDS[kind]
    first = [8.0, 1.1] + ([0.4] if known is None else []) + ([0.15] if fits_offset else [])

    def parts(p):
        start = p[2] if known is None else known
        return p[0], p[1], start, (p[-1] if fits_offset else 0.0)

    low = [2, 0.05] + ([0.001] if known is None else []) + ([-0.5] if fits_offset else [])
    high = [20, 8] + ([5] if known is None else []) + ([1.5] if fits_offset else [])
    # With exact derivatives: start and offset together are all but interchangeable, and differences of rounded times do not find the bottom of their valley.
    found = least_squares(lambda p: model(METRES, *parts(p), moving) - times, first, jac=lambda p: derivatives(METRES, *parts(p)[:3], moving, known is None, fits_offset), bounds=(low, high), x_scale="jac", xtol=1e-15, ftol=1e-15, gtol=1e-15, max_nfev=20000)
    return parts(found.x), 2 * found.cost


def main():
    rng = np.random.default_rng(20261127)
    print("kind\ttimes\tmss\ttau\tstart\toffset\tsquares")
    for kind, (known, fits_offset, moving) in KINDS.items():
        made = 0
        while made < 40:
            mss, tau = rng.uniform(7, 11), rng.uniform(0.9, 1.4)
            start = rng.uniform(0.3, 0.8) if known is None else known
            offset = rng.uniform(0.12, 0.25) if fits_offset else 0.0
            times = np.round(model(METRES, mss, tau, start, offset, moving) + rng.normal(0, 0.004 if kind == "both" else 0.008, len(METRES)), 3)
            if np.any(np.diff(np.concatenate([[0], times])) <= 0):
                continue
            (m, t, s, o), squares = fit(kind, times)
            # What lies on a bound is no least-squares answer that two programs need agree on.
            if not (0.3 < t < 3 and 3 < m < 13 and 0.02 < s < 4.9 or known is not None) or (fits_offset and not -0.4 < o < 1.4):
                continue
            print(kind, " ".join(f"{x:.3f}" for x in times), f"{m:.8f}", f"{t:.8f}", f"{s:.8f}", f"{o:.8f}", f"{squares:.10f}", sep="\t")
            made += 1


if __name__ == "__main__":
    main()
