"""Golden figures for crates/reps/tests/golden_filter.rs, by general-purpose
libraries. Run: pip install scipy==1.17.1 statsmodels==0.15.0; python readiness.py

The filter is written here the long way: five unknowns (left, right, speed, spell,
day effect), the mode by scipy.optimize, the curve there written out; nothing is
taken from the Rust code but its stated model and figures.
"""
import numpy as np
from scipy.optimize import minimize
from scipy.special import expit, logit
from scipy.stats import norm
from statsmodels.stats.proportion import confint_proportions_2indep

# (idle days before, left: first soft, soft, asked beside it; right: the same)
DAYS = [(0, (1, 2, 4), (0, 1, 3)), (0, (1, 4, 4), (1, 3, 4)), (3, (0, 4, 5), (1, 5, 5)), (0, (1, 4, 4), (1, 4, 5))]
COLD, WARM = -0.4, 0.1


# (day effect, spell, drift, speed at the start, its variance, weight)
MODELS = [
    (0.5, 0.0, 0.004, 0.1, 0.01, 1.0),
    (1.0, 0.0, 0.004, 0.1, 0.01, 1.5),
    (0.7, 0.0, 0.04, 0.0, 1e-9, 6.0),
    (0.3, 0.75, 0.004, 0.1, 0.01, 0.7),
]
SPELL = 0.8


def filter_(sd, spell, drift, speed, speed_variance, weight):
    # Without spells that unknown is left out.
    states = 4 if spell else 3
    mean = np.array([-1.0, -1.0, speed, 0.0])[:states]
    cov = np.diag([1.8, 1.8, speed_variance, spell**2])[:states, :states]
    cov[0, 1] = cov[1, 0] = 1.5
    evidence = np.log(weight)
    effects = list(range(3, states + 1))
    for number, (idle, left, right) in enumerate(DAYS):
        if number:
            left_of = SPELL ** (idle + 1)
            move = np.array([[1, 0, 1, 0], [0, 1, 1, 0], [0, 0, 0.9, 0], [0, 0, 0, left_of]])[:states, :states]
            noise = drift + 0.004 * idle
            grown = np.diag([noise, noise, 0.001, spell**2 * (1 - left_of**2)])[:states, :states]
            mean, cov = move @ mean, move @ cov @ move.T + grown
        big = np.zeros((states + 1, states + 1))
        big[:states, :states], big[states, states] = cov, sd * sd
        precision = np.linalg.inv(big)
        start = np.append(mean, 0.0)

        def groups(x):
            for side, (first, soft, asked) in enumerate((left, right)):
                at = x[side] + sum(x[effect] for effect in effects)
                yield side, at + COLD, first, 1
                yield side, at + WARM, soft, asked

        def loss(x):
            fit = sum(s * np.log(expit(e)) + (n - s) * np.log(1 - expit(e)) for _, e, s, n in groups(x))
            return -fit + 0.5 * (x - start) @ precision @ (x - start)

        mode = minimize(loss, start, method="BFGS", options={"gtol": 1e-10}).x
        curve = precision.copy()
        for side, e, _, n in groups(mode):
            information = n * expit(e) * (1 - expit(e))
            pick = np.zeros(states + 1)
            pick[[side, *effects]] = 1
            curve += information * np.outer(pick, pick)
        inverse = np.linalg.inv(curve)
        evidence += -loss(mode) - 0.5 * np.linalg.slogdet(big)[1] - 0.5 * np.linalg.slogdet(curve)[1]
        mean, cov = mode[:states], inverse[:states, :states]
    return mean, cov, evidence


found = [filter_(*model) for model in MODELS]
weights = np.exp(np.array([e for _, _, e in found]) - max(e for _, _, e in found))
weights /= weights.sum()
for side in (0, 1):
    sure = sum(w * norm.sf((logit(0.7) - m[side]) / np.sqrt(c[side, side])) for w, (m, c, _) in zip(weights, found))
    print("sure above 0.70", side, f"{sure:.7f}")
    print("now", side, f"{expit(sum(w * m[side] for w, (m, _, _) in zip(weights, found))):.7f}")
print("speed", f"{sum(w * m[2] for w, (m, _, _) in zip(weights, found)):.7f}")

# Learning: soft of asked in five rides, left and right.
RIDES = [((1, 4), (0, 4)), ((2, 4), (1, 4)), ((2, 5), (2, 4)), ((4, 5), (2, 4)), ((4, 4), (3, 5))]


def penalised(x):
    total = x[0] ** 2 / 8 + x[1] ** 2 / 8 + x[2] ** 2 / (2 * 0.15**2)
    for number, sides in enumerate(RIDES):
        for side, (soft, asked) in enumerate(sides):
            e = x[side] + x[2] * (number - 2)
            total -= soft * np.log(expit(e)) + (asked - soft) * np.log(1 - expit(e))
    return total


fit = minimize(penalised, np.zeros(3), method="BFGS", options={"gtol": 1e-10}).x
curve = np.diag([0.25, 0.25, 1 / 0.15**2])
for number, sides in enumerate(RIDES):
    for side, (_, asked) in enumerate(sides):
        row = np.zeros(3)
        row[side], row[2] = 1, number - 2
        p = expit(fit[side] + fit[2] * (number - 2))
        curve += asked * p * (1 - p) * np.outer(row, row)
print("upward", f"{norm.cdf(fit[2] / np.sqrt(np.linalg.inv(curve)[2, 2])):.7f}")

low, high = confint_proportions_2indep(14, 40, 60, 100, method="newcomb", compare="diff")
print("season", f"{low:.7f} {high:.7f}")
