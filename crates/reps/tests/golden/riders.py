"""Golden figures for crates/judge/tests/it/riders.rs by scikit-learn: with the three
deviations given, the mode of the mixed logistic model is a ridge-penalised logistic
regression on columns scaled by their deviations. Run: pip install scikit-learn==1.9.1;
python riders.py
"""
import numpy as np
from sklearn.linear_model import LogisticRegression

RIDER, HORSE, DAY = 0.5, 2.0, 0.7
# (rider, group, day of the group, soft, asked)
CELLS = [
    (0, 0, 0, 4, 6), (1, 0, 1, 6, 6), (0, 0, 2, 3, 6), (1, 0, 3, 5, 6), (1, 0, 3, 1, 2),
    (0, 1, 0, 5, 8), (1, 1, 0, 7, 8), (1, 1, 1, 6, 7), (2, 1, 2, 2, 7),
    (0, 2, 0, 9, 10), (2, 2, 1, 6, 10), (2, 2, 2, 5, 9), (1, 2, 3, 9, 9),
]
days = sorted({(g, d) for _, g, d, _, _ in CELLS})
rows, answers, weights = [], [], []
for rider, group, day, soft, asked in CELLS:
    row = np.zeros(3 + 3 + len(days))
    row[rider], row[3 + group], row[6 + days.index((group, day))] = RIDER, HORSE, DAY
    for answer, count in ((1, soft), (0, asked - soft)):
        if count:
            rows.append(row), answers.append(answer), weights.append(count)
rows = np.array(rows)
fit = LogisticRegression(C=1.0, fit_intercept=False, tol=1e-12, max_iter=10000)
fit.fit(rows, answers, sample_weight=weights)
effect = fit.coef_[0]
chance = 1 / (1 + np.exp(-rows @ effect))
curve = np.eye(len(effect)) + (rows * (np.array(weights) * chance * (1 - chance))[:, None]).T @ rows
covariance = np.linalg.inv(curve)[:3, :3] * RIDER**2
asked = np.array([sum(n for r, _, _, _, n in CELLS if r == rider) for rider in range(3)])
for rider in range(3):
    # Against the barn's usual rider: the mean of all, by their asks.
    contrast = np.eye(3)[rider] - asked / asked.sum()
    print(rider, f"{contrast @ effect[:3] * RIDER:.7f}", f"{np.sqrt(contrast @ covariance @ contrast):.7f}")
