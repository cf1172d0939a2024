//! The small algebra of the readiness filter.

use statrs::function::erf::erfc;

/// A symmetric matrix over the two sides.
#[derive(Debug, Clone, Copy)]
pub(super) struct Pair {
    pub left: f64,
    pub right: f64,
    pub both: f64,
}

impl Pair {
    pub fn determinant(&self) -> f64 {
        self.left * self.right - self.both * self.both
    }

    pub fn inverse(&self) -> Pair {
        let size = self.determinant();
        Pair {
            left: self.right / size,
            right: self.left / size,
            both: -self.both / size,
        }
    }

    pub fn plus(&self, diagonal: [f64; 2]) -> Pair {
        Pair {
            left: self.left + diagonal[0],
            right: self.right + diagonal[1],
            ..*self
        }
    }

    pub fn times(&self, vector: [f64; 2]) -> [f64; 2] {
        [
            self.left * vector[0] + self.both * vector[1],
            self.both * vector[0] + self.right * vector[1],
        ]
    }
}

/// The lower triangular root of a positive definite matrix, by Cholesky's method.
pub(super) fn root<const SIZE: usize>(matrix: &[[f64; SIZE]; SIZE]) -> [[f64; SIZE]; SIZE] {
    let mut lower = [[0.0; SIZE]; SIZE];
    for row in 0..SIZE {
        for column in 0..=row {
            let known: f64 = lower[row][..column]
                .iter()
                .zip(&lower[column][..column])
                .map(|(a, b)| a * b)
                .sum();
            let rest = matrix[row][column] - known;
            lower[row][column] = if row == column {
                rest.max(1e-12).sqrt()
            } else {
                rest / lower[column][column]
            };
        }
    }
    lower
}

/// The upper tail of the standard normal distribution.
pub(super) fn tail(x: f64) -> f64 {
    0.5 * erfc(x / std::f64::consts::SQRT_2)
}

pub(super) fn logit(share: f64) -> f64 {
    let share = share.clamp(1e-9, 1.0 - 1e-9);
    (share / (1.0 - share)).ln()
}

pub(super) fn logistic(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

/// A square matrix of any size.
pub(super) struct Square {
    size: usize,
    values: Vec<f64>,
}

impl Square {
    /// Zeros.
    pub fn new(size: usize) -> Square {
        Square {
            size,
            values: vec![0.0; size * size],
        }
    }

    pub fn at(&self, row: usize, column: usize) -> f64 {
        self.values[row * self.size + column]
    }

    pub fn add(&mut self, row: usize, column: usize, value: f64) {
        self.values[row * self.size + column] += value;
    }

    /// Takes away `row` times itself, divided by `by`.
    pub fn take_outer(&mut self, row: &[f64], by: f64) {
        for (one, a) in row.iter().enumerate().filter(|(_, value)| **value != 0.0) {
            for (other, b) in row.iter().enumerate() {
                self.values[one * self.size + other] -= a * b / by;
            }
        }
    }

    pub fn times(&self, vector: &[f64]) -> Vec<f64> {
        let rows = self.values.chunks_exact(self.size);
        rows.map(|row| row.iter().zip(vector).map(|(a, b)| a * b).sum())
            .collect()
    }

    /// The inverse of a positive definite matrix, by Gauss and Jordan without a change
    /// of rows, which such a matrix does not need.
    pub fn inverse(&self) -> Square {
        let size = self.size;
        let mut left = self.values.clone();
        let mut right = Square::new(size);
        for row in 0..size {
            right.add(row, row, 1.0);
        }
        for pivot in 0..size {
            let by = left[pivot * size + pivot];
            for column in 0..size {
                left[pivot * size + column] /= by;
                right.values[pivot * size + column] /= by;
            }
            for row in (0..size).filter(|row| *row != pivot) {
                let times = left[row * size + pivot];
                for column in 0..size {
                    left[row * size + column] -= times * left[pivot * size + column];
                    right.values[row * size + column] -=
                        times * right.values[pivot * size + column];
                }
            }
        }
        right
    }
}
