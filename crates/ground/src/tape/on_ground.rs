//! The horse's way on the plan: where its feet are in a film, carried to the ground by the
//! points that are known there.
//!
//! # Formula
//! A homography for each film ([`crate::ground::homography`]), which holds while the camera
//! stands still. Points are put in order of the tape's own time. The pocket at a spot is the
//! distance from the middle of the barrel to the horse at that moment, on the straight between
//! the two points before and after, when they are no more than half a second apart.
//!
//! # Source
//! The homography as there. Half a second: product default; a horse at 30 ft/s that turns on a
//! radius of 15 ft goes 2 ft beside the straight between two points that far apart.

use serde::Serialize;

use super::sheet::{Mark, TapeSheet};
use crate::bounds::FieldError;
use crate::ground::Point;
use crate::ground::homography::{FilmPair, Homography};

/// Where the horse was, when.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OnTheWay {
    /// In the tape's own time.
    pub at_s: f64,
    /// On the ground, in feet.
    pub ground: Point,
}

/// How well a film lies on the ground.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FilmOnGround {
    /// The film: 0 or 1.
    pub film: u8,
    /// How far each of its known points comes out from where it is, in feet.
    pub residual_ft: Vec<f64>,
    /// Their root mean square, for as many as are more than four; null with four, which says
    /// nothing of how good they are.
    pub rms_ft: Option<f64>,
}

/// The way on the plan.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OnGround {
    /// The films that lie on it.
    pub films: Vec<FilmOnGround>,
    /// The horse's way; points beyond the horizon are left out.
    pub way: Vec<OnTheWay>,
    /// Its length from point to point, in feet.
    pub length_ft: f64,
    /// Of barrels 1, 2, 3: the pocket going in, at the back, coming out, in feet; null where the
    /// spot, the barrel or the horse is not known.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<Option<f64>>>, min_items = 3, max_items = 3))]
    pub pockets_ft: [[Option<f64>; 3]; 3],
}

/// Points further apart in time say nothing of between.
pub const APART_S: f64 = 0.5;
/// So many known points are needed in a film.
const POINTS: usize = 4;

/// Carries the track to the ground; none while no film has four known points.
///
/// # Errors
/// Known points from which no plane can be told, at the first of their film.
pub fn on_ground(
    sheet: &TapeSheet,
    barrels: Option<[Point; 3]>,
) -> Result<Option<OnGround>, FieldError> {
    let mut films = Vec::new();
    let mut way: Vec<OnTheWay> = Vec::new();
    for film in 0..sheet.films.len() as u8 {
        let own = sheet
            .known
            .iter()
            .enumerate()
            .filter(|(_, known)| known.film == film);
        let (indices, pairs): (Vec<usize>, Vec<FilmPair>) = own
            .map(|(index, known)| {
                let (film, ground) = (known.seen, known.ground);
                (index, FilmPair { film, ground })
            })
            .unzip();
        if pairs.len() < POINTS {
            continue;
        }
        let found = Homography::of(&pairs)
            .map_err(|why| FieldError::new(format!("/known/{}", indices[0]), why.detail))?;
        films.push(how_well(film, &found, &pairs));
        for point in sheet.track.iter().filter(|point| point.film == film) {
            let at_s = sheet.tape_s(film, point.at_s);
            if let (Some(at_s), Some(ground)) = (at_s, found.ground(point.seen)) {
                way.push(OnTheWay { at_s, ground });
            }
        }
    }
    if films.is_empty() {
        return Ok(None);
    }
    way.sort_by(|a, b| a.at_s.total_cmp(&b.at_s));
    let steps = way.windows(2).map(|two| two[0].ground.to(two[1].ground));
    Ok(Some(OnGround {
        films,
        length_ft: steps.sum(),
        pockets_ft: pockets(sheet, &way, barrels),
        way,
    }))
}

fn how_well(film: u8, found: &Homography, pairs: &[FilmPair]) -> FilmOnGround {
    let residual_ft = found.residuals(pairs);
    FilmOnGround {
        film,
        rms_ft: Homography::rms(&residual_ft),
        residual_ft,
    }
}

fn pockets(
    sheet: &TapeSheet,
    way: &[OnTheWay],
    barrels: Option<[Point; 3]>,
) -> [[Option<f64>; 3]; 3] {
    let mut found = [[None; 3]; 3];
    let Some(barrels) = barrels else {
        return found;
    };
    for (at_s, mark) in sheet.marked() {
        if let Mark::Spot { barrel, spot } = mark {
            let (barrel, spot) = (usize::from(barrel) - 1, usize::from(spot) - 1);
            found[barrel][spot] = at(way, at_s).map(|horse| horse.to(barrels[barrel]));
        }
    }
    found
}

/// Where the horse was at a moment.
fn at(way: &[OnTheWay], at_s: f64) -> Option<Point> {
    let next = way.partition_point(|point| point.at_s < at_s);
    let after = way.get(next)?;
    if after.at_s - at_s < 1e-9 {
        return Some(after.ground);
    }
    let before = way.get(next.checked_sub(1)?)?;
    let apart = after.at_s - before.at_s;
    (apart <= APART_S).then(|| {
        let along = (at_s - before.at_s) / apart;
        before.ground + (after.ground - before.ground) * along
    })
}
