//! Slip alarm: a daily figure watched against the horse's own settled level.
//!
//! # Formula
//! EWMA: z = λ x + (1 - λ) z before, starting from the target; limits target ±
//! width · sd · √(λ / (2 - λ)). CUSUM: high = max(0, high + x - target - k),
//! low = max(0, low + target - k - x); an alarm when either exceeds h.
//!
//! # Source
//! Roberts, Technometrics 1 (1959) 239-250; Page, Biometrika 41 (1954) 100-115;
//! in this form the NIST/SEMATECH e-Handbook of Statistical Methods, sections
//! 6.3.2.4 and 6.3.2.3.

/// An EWMA chart.
#[derive(Debug, Clone, PartialEq)]
pub struct Ewma {
    /// The average after each value.
    pub z: Vec<f64>,
    /// Lower limit.
    pub lower: f64,
    /// Upper limit.
    pub upper: f64,
    /// Index of the first average outside the limits.
    pub alarm_at: Option<usize>,
}

/// The EWMA chart of `values`; `lambda` in (0, 1], `sd` not below zero.
pub fn ewma(values: &[f64], target: f64, sd: f64, lambda: f64, width: f64) -> Ewma {
    let reach = width * sd * (lambda / (2.0 - lambda)).sqrt();
    let (lower, upper) = (target - reach, target + reach);
    let mut before = target;
    let z: Vec<f64> = values
        .iter()
        .map(|value| {
            before = lambda * value + (1.0 - lambda) * before;
            before
        })
        .collect();
    let alarm_at = z
        .iter()
        .position(|average| *average < lower || *average > upper);
    Ewma {
        z,
        lower,
        upper,
        alarm_at,
    }
}

/// A two-sided tabular CUSUM.
#[derive(Debug, Clone, PartialEq)]
pub struct Cusum {
    /// Cumulated excess above target + k.
    pub high: Vec<f64>,
    /// Cumulated shortfall below target - k.
    pub low: Vec<f64>,
    /// Index of the first value after which either exceeds h.
    pub alarm_at: Option<usize>,
}

/// The CUSUM of `values` with slack `k` and limit `h`.
pub fn cusum(values: &[f64], target: f64, k: f64, h: f64) -> Cusum {
    let (mut above, mut below) = (0.0f64, 0.0f64);
    let (mut high, mut low) = (Vec::new(), Vec::new());
    for value in values {
        above = (above + value - target - k).max(0.0);
        below = (below + target - k - value).max(0.0);
        high.push(above);
        low.push(below);
    }
    let alarm_at = high.iter().zip(&low).position(|(a, b)| *a > h || *b > h);
    Cusum {
        high,
        low,
        alarm_at,
    }
}
