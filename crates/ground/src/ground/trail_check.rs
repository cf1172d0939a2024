//! Sizes and spacing of a trail course against published rules, and the way round it.
//!
//! # Source
//! AQHA rule book, trail, from memory: walk-overs 15 to 24 in apart, trot-overs 3 ft to 3 ft 6
//! in, lope-overs 6 to 7 ft; raised at most 12 in at the walk, 8 in at trot and lope; a
//! back-through at least 28 in wide on the ground, 30 raised; a bridge at least 36 in wide and 6
//! ft long; serpentine posts at least 6 ft apart. Room between obstacles: product default.

use serde::Serialize;

use super::lay::GroundLay;
use super::link::{Pose, shortest};
use super::outline;
use super::point::Point;
use super::ride_plan::usual_stride_ft;
use super::trail::{Obstacle, Placed};
use super::way::{LaidLeg, Way};
use crate::Gait;

/// A rule, and what was found.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailRow))]
pub struct Row {
    /// Which obstacle, from 0.
    pub obstacle: usize,
    /// What is asked.
    pub rule: String,
    /// Where it is written.
    pub source: &'static str,
    /// Whether it is so.
    pub ok: bool,
    /// What was found.
    pub found: String,
}

/// The way from one obstacle to the next.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailLink))]
pub struct Link {
    /// From this obstacle, from 0.
    pub from: usize,
    /// To the next.
    pub to: usize,
    /// At the gait the next is ridden at.
    pub gait: Gait,
    /// Feet.
    pub length_ft: f64,
    /// Strides.
    pub strides: f64,
    /// The way itself.
    pub legs: Vec<LaidLeg>,
}

/// How hard an obstacle is, and the level asked on it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailGrade))]
pub struct Grade {
    /// What it is called.
    pub name: &'static str,
    /// 1 to 10.
    pub difficulty: f64,
    /// The level.
    pub level: crate::id::Level,
    /// Where the horse comes to it and leaves it.
    pub entry: Point,
    /// Where it leaves.
    pub exit: Point,
    /// The way over it and across it, in feet.
    pub long_ft: f64,
    /// Across.
    pub wide_ft: f64,
}

const AQHA: &str = "AQHA rule book, trail (from memory)";
const OURS: &str = "product default";
/// The horse turns no tighter between obstacles, by gait.
fn turns_in_ft(gait: Gait) -> f64 {
    match gait {
        Gait::Stand | Gait::Walk => 5.0,
        Gait::Jog | Gait::Trot => 10.0,
        Gait::Lope | Gait::Gallop => 18.0,
    }
}
/// Straight before each obstacle, in strides of the gait: common practice, no source.
const STRAIGHT_STRIDES: f64 = 1.0;

/// Every rule on every obstacle.
pub fn rows(course: &[Placed]) -> Vec<Row> {
    let mut rows = Vec::new();
    for (index, placed) in course.iter().enumerate() {
        of_obstacle(index, &placed.obstacle, &mut rows);
    }
    rows
}

fn of_obstacle(obstacle: usize, it: &Obstacle, rows: &mut Vec<Row>) {
    let mut row = |rule: String, source, ok, found: String| {
        rows.push(Row {
            obstacle,
            rule,
            source,
            ok,
            found,
        });
    };
    let near = |found: f64, least: f64, most: f64| found >= least - 1e-9 && found <= most + 1e-9;
    match *it {
        Obstacle::Poles {
            gait,
            poles,
            spacing_ft,
            height_in,
        } => {
            let (least, most, said) = match gait {
                Gait::Stand | Gait::Walk => (15.0 / 12.0, 24.0 / 12.0, "15 to 24 in"),
                Gait::Jog | Gait::Trot => (3.0, 3.5, "3 ft to 3 ft 6 in"),
                Gait::Lope | Gait::Gallop => (6.0, 7.0, "6 to 7 ft"),
            };
            if poles > 1 {
                row(
                    format!("{} {said} apart", it.name()),
                    AQHA,
                    near(spacing_ft, least, most),
                    feet_inches(spacing_ft),
                );
            }
            if height_in > 0.0 {
                let most = if gait <= Gait::Walk { 12.0 } else { 8.0 };
                row(
                    format!("raised at most {most} in"),
                    AQHA,
                    height_in <= most,
                    format!("{height_in} in"),
                );
            }
        }
        Obstacle::BackThrough {
            width_in,
            height_in,
            ..
        } => {
            let least = if height_in > 0.0 { 30.0 } else { 28.0 };
            let how = if height_in > 0.0 {
                "raised"
            } else {
                "on the ground"
            };
            row(
                format!("at least {least} in between the rails, {how}"),
                AQHA,
                width_in >= least,
                format!("{width_in} in"),
            );
        }
        Obstacle::Bridge {
            width_in,
            length_ft,
            ..
        } => {
            row(
                "at least 36 in wide".into(),
                AQHA,
                width_in >= 36.0,
                format!("{width_in} in"),
            );
            row(
                "at least 6 ft long".into(),
                AQHA,
                length_ft >= 6.0,
                feet_inches(length_ft),
            );
        }
        Obstacle::Serpentine {
            poles, spacing_ft, ..
        } => {
            if poles > 1 {
                row(
                    "posts at least 6 ft apart".into(),
                    AQHA,
                    spacing_ft >= 6.0,
                    feet_inches(spacing_ft),
                );
            }
        }
        Obstacle::Gate { width_in } => row(
            "at least 4 ft to go through".into(),
            OURS,
            width_in >= 48.0,
            format!("{width_in} in"),
        ),
        Obstacle::Plank { width_in, .. } => row(
            "for practice only: a show bridge is at least 36 in wide".into(),
            AQHA,
            true,
            format!("{width_in} in"),
        ),
        Obstacle::Step { height_in } => row(
            "at most 12 in down".into(),
            OURS,
            height_in <= 12.0,
            format!("{height_in} in"),
        ),
        Obstacle::Water { .. } | Obstacle::Sidepass { .. } => {}
    }
}

/// Whether each obstacle, and the way to it, stays inside the fence and off what to keep off.
/// Only what does not is a row.
pub fn in_place(course: &[Placed], links: &[Link], lay: &GroundLay) -> Vec<Row> {
    let mut rows = Vec::new();
    for (index, placed) in course.iter().enumerate() {
        let link = links.iter().find(|link| link.to == index);
        let way = link.into_iter().flat_map(|link| &link.legs);
        let points = || {
            way.clone()
                .flat_map(|leg| leg.points.iter().copied())
                .chain([placed.entry(), placed.at, placed.exit()])
        };
        let mut wrong = |rule: &str, found: &str| {
            rows.push(Row {
                obstacle: index,
                rule: rule.to_owned(),
                source: OURS,
                ok: false,
                found: found.to_owned(),
            });
        };
        if points().any(|point| !outline::contains(&lay.outline, point)) {
            wrong(
                "it and the way to it inside the fence",
                "goes through the fence",
            );
        }
        // The legs are cut fine enough in arcs; straights are looked at every few feet.
        let fine = way
            .clone()
            .flat_map(|leg| leg.points.windows(2))
            .flat_map(|pair| {
                let pieces = (pair[0].to(pair[1]) / 2.0).ceil().max(1.0) as u32;
                (0..=pieces).map(move |piece| {
                    pair[0].between(pair[1], f64::from(piece) / f64::from(pieces))
                })
            });
        let mut all = fine.chain(points());
        if all.any(|point| {
            lay.keep_off
                .iter()
                .any(|area| outline::contains(&area.outline, point))
        }) {
            wrong(
                "it and the way to it off what to keep off",
                "goes through it",
            );
        }
    }
    rows
}

/// Feet and inches, to the half inch.
pub fn feet_inches(feet: f64) -> String {
    let half_inches = (feet * 24.0).round();
    let whole = (half_inches / 24.0).floor();
    let inches = (half_inches - whole * 24.0) / 2.0;
    match (whole > 0.0, inches > 0.0) {
        (true, true) => format!("{whole} ft {inches} in"),
        (true, false) => format!("{whole} ft"),
        (false, _) => format!("{inches} in"),
    }
}

/// The way from each obstacle to the next, with a straight stride before each.
pub fn links(course: &[Placed], stride_ft: Option<f64>) -> Vec<Link> {
    course
        .windows(2)
        .enumerate()
        .map(|(index, pair)| {
            let gait = pair[1].obstacle.gait();
            let stride = stride_ft.unwrap_or_else(|| usual_stride_ft(gait));
            let lead = STRAIGHT_STRIDES * stride;
            let from = Pose {
                at: pair[0].exit(),
                heading: pair[0].heading_deg.to_radians(),
            };
            let to = Pose {
                at: pair[1].entry() - pair[1].way() * lead,
                heading: pair[1].heading_deg.to_radians(),
            };
            let (mut legs, length) = shortest(from, to, turns_in_ft(gait));
            legs.push(super::way::Leg::Straight { feet: lead });
            let way = Way {
                start: from.at,
                heading_deg: pair[0].heading_deg,
                legs,
            };
            let length_ft = length + lead;
            Link {
                from: index,
                to: index + 1,
                gait,
                length_ft,
                strides: length_ft / stride,
                legs: way.laid().0,
            }
        })
        .collect()
}

/// How hard each is.
pub fn grades(course: &[Placed]) -> Vec<Grade> {
    course
        .iter()
        .map(|placed| Grade {
            name: placed.obstacle.name(),
            difficulty: placed.obstacle.difficulty(),
            level: placed.obstacle.level(),
            entry: placed.entry(),
            exit: placed.exit(),
            long_ft: placed.obstacle.long_ft(),
            wide_ft: placed.obstacle.wide_ft(),
        })
        .collect()
}
