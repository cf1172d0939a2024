"""The judge's published statistics against general-purpose libraries: the same
figures to 1e-9, and how much longer the libraries take.

    pip install lifelines==0.30.3 scipy==1.17.1 statsmodels==0.15.0
    cargo build --workspace --release
    python bench/statistics.py path/to/release/cavesson

Both sides compute, for each of the timed levels of a simulated barn: soft share
with Wilson bounds, Kaplan-Meier median and restricted mean of each side, the
log-rank test of the sides, the symmetry index, Theil-Sen slope and Kendall's tau
of the daily soft share. Nothing is written; the table goes to standard output.
"""
import json
import math
import re
import subprocess
import sys
import tempfile
import time
import warnings

import numpy as np
from lifelines import KaplanMeierFitter
from lifelines.statistics import logrank_test
from lifelines.utils import restricted_mean_survival_time
from scipy.stats import kendalltau, theilslopes
from statsmodels.stats.proportion import proportion_confint

HORIZON_S = 6.0
TOLERANCE = 1e-9


def side(asks, which):
    own = [ask for ask in asks if ask[1] == which]
    seconds = np.array([ask[3] for ask in own])
    gave = np.array([ask[4] for ask in own])
    soft = sum(ask[2] for ask in own)
    low, high = proportion_confint(soft, len(own), alpha=0.10, method="wilson")
    curve = KaplanMeierFitter().fit(seconds, gave)
    # A curve that comes to just one half is there, whatever the last bit says.
    median = curve.percentile(0.5 + 1e-12)
    return {
        "share": soft / len(own),
        "low": low,
        "high": high,
        "median_s": None if math.isinf(median) else float(median),
        "restricted_mean_s": float(restricted_mean_survival_time(curve, t=HORIZON_S)),
    }, seconds, gave


def statistics(asks):
    left, left_s, left_gave = side(asks, "left")
    right, right_s, right_gave = side(asks, "right")
    test = logrank_test(left_s, right_s, left_gave, right_gave)
    days = sorted({ask[0] for ask in asks})
    shares = [float(np.mean([ask[2] for ask in asks if ask[0] == day])) for day in days]
    several = len(days) > 1
    tau = kendalltau(days, shares).statistic if several else math.nan
    a, b = left["restricted_mean_s"], right["restricted_mean_s"]
    return {
        "left": left,
        "right": right,
        "chi2": float(test.test_statistic),
        "p": float(test.p_value),
        "symmetry_index_pct": 200 * (a - b) / (a + b),
        "slope_per_day": float(theilslopes(shares, days).slope) if several else None,
        "tau": None if math.isnan(tau) else float(tau),
    }


def flat(figures, prefix=""):
    for key, value in figures.items():
        if isinstance(value, dict):
            yield from flat(value, f"{prefix}{key}.")
        else:
            yield f"{prefix}{key}", value


def main():
    warnings.filterwarnings("ignore")
    cavesson = sys.argv[1]
    with tempfile.NamedTemporaryFile("r", suffix=".jsonl") as export:
        subprocess.run([cavesson, "bench", "speed", "--export", export.name], check=True, capture_output=True)
        levels = [json.loads(line) for line in export]
    levels = [level for level in levels if level["ours"] is not None]
    said = subprocess.run([cavesson, "bench", "speed"], check=True, capture_output=True, text=True).stdout
    ours_ms = float(re.search(r"published statistics of \d+ timed levels: ([\d.]+) ms", said)[1])

    began = time.perf_counter()
    theirs = [statistics(level["asks"]) for level in levels]
    theirs_ms = (time.perf_counter() - began) * 1000

    worst, compared, missing = 0.0, 0, []
    for level, other in zip(levels, theirs):
        own = dict(flat(level["ours"]))
        for name, value in flat(other):
            mine = own[name]
            if (mine is None) != (value is None):
                missing.append((name, mine, value))
            elif mine is not None:
                worst = max(worst, abs(mine - value) / max(1.0, abs(value)))
                compared += 1
    print(said)
    print(f"levels with both sides asked: {len(levels)}, figures compared: {compared}")
    print(f"largest difference: {worst:.1e} (allowed {TOLERANCE:.0e}); one side only: {len(missing)} {missing[:3]}")
    print(f"lifelines, scipy, statsmodels: {theirs_ms:.0f} ms; ours: {ours_ms:.1f} ms; ratio {theirs_ms / ours_ms:.0f}")
    sys.exit(worst > TOLERANCE or bool(missing))


main()
