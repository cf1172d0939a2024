//! From a film to the ground: what lies on a plane is seen by a camera as a homography.
//!
//! # Formula
//! x = (a u + b v + c) / (g u + h v + 1), y = (d u + e v + f) / (g u + h v + 1). Four points give
//! it exactly; more by least squares on the ground, found from the linear solution by
//! Gauss-Newton. Points are first shifted to their mean and scaled: with the mean in the origin
//! the last entry cannot be 0 while all points are on the same side of the horizon.
//!
//! # Source
//! Hartley and Zisserman, Multiple View Geometry, chapter 4 (direct linear transformation,
//! normalization), from memory.

use serde::{Deserialize, Serialize};

use super::point::{Point, at};
use crate::bounds::{FILM_PAIRS, FILM_POINT, FieldError};

/// A point that is known on the ground and was marked in the film.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FilmPair {
    /// In the film: pixels to the right, pixels down.
    pub film: Point,
    /// On the ground: feet.
    pub ground: Point,
}

/// From film to ground.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Homography {
    /// Row by row.
    pub matrix: [[f64; 3]; 3],
}

impl Homography {
    /// From known points.
    ///
    /// # Errors
    /// Fewer than four, or three of four on one line.
    pub fn of(pairs: &[FilmPair]) -> Result<Homography, FieldError> {
        FILM_PAIRS.check_count("/pairs", pairs.len())?;
        for (index, pair) in pairs.iter().enumerate() {
            for (name, point) in [("film", pair.film), ("ground", pair.ground)] {
                FILM_POINT.check(&format!("/pairs/{index}/{name}/0"), point.x)?;
                FILM_POINT.check(&format!("/pairs/{index}/{name}/1"), point.y)?;
            }
        }
        let film = Shift::of(pairs.iter().map(|pair| pair.film));
        let ground = Shift::of(pairs.iter().map(|pair| pair.ground));
        let shifted: Vec<(Point, Point)> = pairs
            .iter()
            .map(|pair| (film.to(pair.film), ground.to(pair.ground)))
            .collect();
        let line = || {
            FieldError::new(
                "/pairs",
                "must be four points of which no three lie on one line, in the film and on the ground",
            )
        };
        let mut found = linear(&shifted).ok_or_else(line)?;
        for _ in 0..GAUSS_NEWTON {
            let Some(better) = improved(&found, &shifted) else {
                break;
            };
            found = better;
        }
        let [a, b, c, d, e, f, g, h] = found;
        let own = [[a, b, c], [d, e, f], [g, h, 1.0]];
        let matrix = times(ground.back(), times(own, film.matrix()));
        let homography = Homography { matrix };
        let first = homography.depth(pairs[0].film);
        let same_side = |pair: &FilmPair| homography.depth(pair.film) * first > 0.0;
        if !matrix.iter().flatten().all(|entry| entry.is_finite())
            || !pairs.iter().all(same_side)
            || determinant(&own).abs() < FLAT * norm(&own).powi(3)
        {
            return Err(line());
        }
        Ok(homography.facing(pairs[0].film))
    }

    /// So that what is before the horizon has a depth above 0.
    fn facing(self, film: Point) -> Homography {
        let sign = self.depth(film).signum();
        Homography {
            matrix: self.matrix.map(|row| row.map(|entry| entry * sign)),
        }
    }

    /// How far each known point comes out from where it is, in feet.
    pub fn residuals(&self, pairs: &[FilmPair]) -> Vec<f64> {
        let residual = |pair: &FilmPair| {
            let seen = self.ground(pair.film);
            seen.map_or(f64::INFINITY, |seen| seen.to(pair.ground))
        };
        pairs.iter().map(residual).collect()
    }

    /// Their root mean square for as many as are more than four; none with four.
    pub fn rms(residual_ft: &[f64]) -> Option<f64> {
        // Eight numbers were fitted to two for every point.
        let free = 2 * residual_ft.len() as i64 - 8;
        let squares: f64 = residual_ft.iter().map(|feet| feet * feet).sum();
        (free > 0).then(|| (squares / free as f64).sqrt())
    }

    fn depth(&self, film: Point) -> f64 {
        let [g, h, i] = self.matrix[2];
        g * film.x + h * film.y + i
    }

    /// Where a point of the film lies on the ground; none on or beyond the horizon.
    pub fn ground(&self, film: Point) -> Option<Point> {
        let depth = self.depth(film);
        if depth <= 0.0 {
            return None;
        }
        let row = |row: [f64; 3]| (row[0] * film.x + row[1] * film.y + row[2]) / depth;
        let point = at(row(self.matrix[0]), row(self.matrix[1]));
        point.is_finite().then_some(point)
    }
}

const GAUSS_NEWTON: usize = 12;
/// A plane seen flatter than this is seen from its own edge.
const FLAT: f64 = 1e-7;

/// To the mean, scaled to a distance of about one.
#[derive(Clone, Copy)]
struct Shift {
    mean: Point,
    scale: f64,
}

impl Shift {
    fn of(points: impl Iterator<Item = Point> + Clone) -> Shift {
        let count = points.clone().count() as f64;
        let mean = points.clone().fold(Point::default(), |a, b| a + b) * (1.0 / count);
        let far = points.map(|point| point.to(mean)).sum::<f64>() / count;
        Shift {
            mean,
            scale: if far > 0.0 { 1.0 / far } else { 1.0 },
        }
    }

    fn to(self, point: Point) -> Point {
        (point - self.mean) * self.scale
    }

    fn matrix(self) -> [[f64; 3]; 3] {
        let (s, Point { x, y }) = (self.scale, self.mean);
        [[s, 0.0, -s * x], [0.0, s, -s * y], [0.0, 0.0, 1.0]]
    }

    fn back(self) -> [[f64; 3]; 3] {
        let (s, Point { x, y }) = (1.0 / self.scale, self.mean);
        [[s, 0.0, x], [0.0, s, y], [0.0, 0.0, 1.0]]
    }
}

type Eight = [f64; 8];

fn rows_of(film: Point) -> [[f64; 6]; 2] {
    let (u, v) = (film.x, film.y);
    [[u, v, 1.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, u, v, 1.0]]
}

/// The linear solution of a u + b v + c - x g u - x h v = x, and so for y.
fn linear(pairs: &[(Point, Point)]) -> Option<Eight> {
    let mut normal = Normal::default();
    for (film, ground) in pairs {
        for (row, value) in rows_of(*film).into_iter().zip([ground.x, ground.y]) {
            let mut all = [0.0; 8];
            all[..6].copy_from_slice(&row);
            all[6] = -value * film.x;
            all[7] = -value * film.y;
            normal.add(&all, value);
        }
    }
    normal.solved()
}

/// One step of Gauss-Newton on the distances on the ground.
fn improved(found: &Eight, pairs: &[(Point, Point)]) -> Option<Eight> {
    let [a, b, c, d, e, f, g, h] = *found;
    let mut normal = Normal::default();
    for (film, ground) in pairs {
        let (u, v) = (film.x, film.y);
        let depth = g * u + h * v + 1.0;
        let seen = [(a * u + b * v + c) / depth, (d * u + e * v + f) / depth];
        for ((row, value), seen) in rows_of(*film)
            .into_iter()
            .zip([ground.x, ground.y])
            .zip(seen)
        {
            let mut all = [0.0; 8];
            for (entry, by) in all.iter_mut().zip(row) {
                *entry = by / depth;
            }
            all[6] = -seen * u / depth;
            all[7] = -seen * v / depth;
            normal.add(&all, value - seen);
        }
    }
    let step = normal.solved()?;
    let next: Eight = std::array::from_fn(|index| found[index] + step[index]);
    let before = squares(found, pairs);
    (squares(&next, pairs) < before).then_some(next)
}

fn squares([a, b, c, d, e, f, g, h]: &Eight, pairs: &[(Point, Point)]) -> f64 {
    pairs
        .iter()
        .map(|(film, ground)| {
            let (u, v) = (film.x, film.y);
            let depth = g * u + h * v + 1.0;
            let seen = at((a * u + b * v + c) / depth, (d * u + e * v + f) / depth);
            let off = seen - *ground;
            off.dot(off)
        })
        .sum()
}

#[derive(Default)]
struct Normal {
    left: [[f64; 8]; 8],
    right: Eight,
}

impl Normal {
    fn add(&mut self, row: &Eight, value: f64) {
        for (i, a) in row.iter().enumerate() {
            for (j, b) in row.iter().enumerate() {
                self.left[i][j] += a * b;
            }
            self.right[i] += a * value;
        }
    }

    /// Gauss with pivots.
    fn solved(mut self) -> Option<Eight> {
        for column in 0..8 {
            let pivot = (column..8).max_by(|a, b| {
                self.left[*a][column]
                    .abs()
                    .total_cmp(&self.left[*b][column].abs())
            })?;
            if self.left[pivot][column].abs() < 1e-13 {
                return None;
            }
            self.left.swap(column, pivot);
            self.right.swap(column, pivot);
            for row in column + 1..8 {
                let factor = self.left[row][column] / self.left[column][column];
                for index in column..8 {
                    self.left[row][index] -= factor * self.left[column][index];
                }
                self.right[row] -= factor * self.right[column];
            }
        }
        let mut solved = [0.0; 8];
        for row in (0..8).rev() {
            let known: f64 = (row + 1..8)
                .map(|index| self.left[row][index] * solved[index])
                .sum();
            solved[row] = (self.right[row] - known) / self.left[row][row];
        }
        Some(solved)
    }
}

fn times(a: [[f64; 3]; 3], b: [[f64; 3]; 3]) -> [[f64; 3]; 3] {
    std::array::from_fn(|i| std::array::from_fn(|j| (0..3).map(|k| a[i][k] * b[k][j]).sum()))
}

fn determinant(m: &[[f64; 3]; 3]) -> f64 {
    m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1])
        - m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0])
        + m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0])
}

fn norm(m: &[[f64; 3]; 3]) -> f64 {
    m.iter()
        .flatten()
        .map(|entry| entry * entry)
        .sum::<f64>()
        .sqrt()
}
