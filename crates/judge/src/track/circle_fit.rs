//! The circle nearest to points.
//!
//! # Formula
//! Least squares of the distances from the circle (the geometric fit): started from the circle of
//! least squares of x^2 + y^2 + a x + b y + c (the algebraic fit), then by Gauss and Newton with
//! the damping of Levenberg and Marquardt until it moves no more.
//!
//! # Source
//! Gander, Golub and Strebel, Least-Squares Fitting of Circles and Ellipses, BIT 34 (1994), from
//! memory; their example is a test.

use serde::Serialize;

use crate::ground::Point;
use crate::ground::point::at;

/// A circle, and how round what it was fitted to is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fitted {
    /// Its middle.
    pub center: Point,
    /// Its radius, in feet.
    pub radius_ft: f64,
    /// The root mean square of the distances from it, in feet.
    pub off_ft: f64,
}

/// Steps at the most; it needs about ten.
const STEPS: usize = 60;

/// The circle with the least squares of x^2 + y^2 + a x + b y + c; none for fewer than three
/// points, or points on a line.
pub fn algebraic(points: &[Point]) -> Option<(Point, f64)> {
    let n = points.len() as f64;
    if points.len() < 3 {
        return None;
    }
    let mean = points.iter().fold(at(0.0, 0.0), |sum, point| sum + *point) * (1.0 / n);
    let (mut xx, mut xy, mut yy, mut xz, mut yz, mut zz) = (0.0, 0.0, 0.0, 0.0, 0.0, 0.0);
    for point in points {
        let (x, y) = (point.x - mean.x, point.y - mean.y);
        let z = x * x + y * y;
        xx += x * x;
        xy += x * y;
        yy += y * y;
        xz += x * z;
        yz += y * z;
        zz += z;
    }
    let determinant = xx * yy - xy * xy;
    // Points on a line have none; what is next to nothing is rounding.
    if determinant <= 1e-9 * (xx + yy) * (xx + yy) {
        return None;
    }
    let (a, b) = (
        (xz * yy - yz * xy) / (2.0 * determinant),
        (yz * xx - xz * xy) / (2.0 * determinant),
    );
    let radius = (zz / n + a * a + b * b).sqrt();
    Some((at(mean.x + a, mean.y + b), radius))
}

/// The circle with the least squares of the distances; none where there is none.
pub fn fit(points: &[Point]) -> Option<Fitted> {
    let (mut center, mut radius) = algebraic(points)?;
    let mut squares = squares_of(points, center, radius);
    let mut damping = 1e-3;
    for _ in 0..STEPS {
        let Some(step) = step(points, center, radius, damping) else {
            break;
        };
        let (moved, grown) = (at(center.x + step[0], center.y + step[1]), radius + step[2]);
        let after = squares_of(points, moved, grown);
        if after < squares && grown > 0.0 {
            let done = step.iter().map(|part| part.abs()).sum::<f64>() < 1e-10 * radius;
            (center, radius, squares) = (moved, grown, after);
            damping *= 0.3;
            if done {
                break;
            }
        } else {
            damping *= 10.0;
            if damping > 1e12 {
                break;
            }
        }
    }
    (center.x.is_finite() && center.y.is_finite() && radius.is_finite()).then(|| Fitted {
        center,
        radius_ft: radius,
        off_ft: (squares / points.len() as f64).sqrt(),
    })
}

fn squares_of(points: &[Point], center: Point, radius: f64) -> f64 {
    points
        .iter()
        .map(|point| (point.to(center) - radius).powi(2))
        .sum()
}

/// One damped step of Gauss and Newton: by how much the middle and the radius move.
fn step(points: &[Point], center: Point, radius: f64, damping: f64) -> Option<[f64; 3]> {
    let mut matrix = [[0.0; 4]; 3];
    for point in points {
        let far = point.to(center);
        if far == 0.0 {
            continue;
        }
        let slopes = [(center.x - point.x) / far, (center.y - point.y) / far, -1.0];
        for (row, slope) in matrix.iter_mut().zip(slopes) {
            for (cell, other) in row.iter_mut().zip(slopes) {
                *cell += slope * other;
            }
            row[3] -= slope * (far - radius);
        }
    }
    for (index, row) in matrix.iter_mut().enumerate() {
        row[index] *= 1.0 + damping;
    }
    solved(matrix)
}

/// Three equations by elimination with pivots.
fn solved(mut matrix: [[f64; 4]; 3]) -> Option<[f64; 3]> {
    for column in 0..3 {
        let pivot = (column..3).max_by(|a, b| {
            matrix[*a][column]
                .abs()
                .total_cmp(&matrix[*b][column].abs())
        })?;
        if matrix[pivot][column].abs() < 1e-12 {
            return None;
        }
        matrix.swap(column, pivot);
        let upper = matrix[column];
        for row in matrix.iter_mut().skip(column + 1) {
            let by = row[column] / upper[column];
            for (cell, above) in row.iter_mut().zip(upper) {
                *cell -= by * above;
            }
        }
    }
    let z = matrix[2][3] / matrix[2][2];
    let y = (matrix[1][3] - matrix[1][2] * z) / matrix[1][1];
    let x = (matrix[0][3] - matrix[0][1] * y - matrix[0][2] * z) / matrix[0][0];
    Some([x, y, z])
}
