//! Tomorrow's trail course for one horse: what it holds, and one thing that is new.
//!
//! # Source
//! Wide before narrow, low before high, flat before a step before water; one new thing a day:
//! common practice, no source.

use serde::Serialize;

use super::trail::Placed;
use crate::id::Level;

/// How a horse stands at a level.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Stands {
    /// Held.
    Held,
    /// Open, under way.
    Open,
    /// Not open yet.
    Closed,
}

/// An obstacle of tomorrow's course.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PickedObstacle))]
pub struct Picked {
    /// Which obstacle of the course, from 0.
    pub obstacle: usize,
    /// What is asked on it.
    pub level: Level,
    /// Whether it is the new thing.
    pub is_new: bool,
    /// Why it is there.
    pub why: String,
}

/// An obstacle that is left out.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = ObstacleLeftOut))]
pub struct LeftOut {
    /// Which obstacle of the course, from 0.
    pub obstacle: usize,
    /// What would be asked on it.
    pub level: Level,
    /// Why it is left out.
    pub why: String,
}

/// Tomorrow's course.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TomorrowsTrail))]
pub struct Tomorrow {
    /// In the order in which to ride them: known ones in the order of the course, the new one
    /// after them, something known and easy last.
    pub ride: Vec<Picked>,
    /// What is left out.
    pub left_out: Vec<LeftOut>,
}

/// Picks from a course; `stands` says how the horse stands at a level.
pub fn tomorrow(course: &[Placed], stands: impl Fn(&Level) -> Stands) -> Tomorrow {
    let all = || course.iter().enumerate();
    let of = |index: usize| course[index].obstacle.level();
    let easiest_open = all()
        .filter(|(_, placed)| stands(&placed.obstacle.level()) == Stands::Open)
        .min_by(|(_, a), (_, b)| a.obstacle.difficulty().total_cmp(&b.obstacle.difficulty()))
        .map(|(index, _)| index);
    let held: Vec<usize> = all()
        .filter(|(_, placed)| stands(&placed.obstacle.level()) == Stands::Held)
        .map(|(index, _)| index)
        .collect();
    let mut ride: Vec<Picked> = held
        .iter()
        .map(|&obstacle| Picked {
            obstacle,
            level: of(obstacle),
            is_new: false,
            why: "Known: it settles the horse and keeps it fresh.".to_owned(),
        })
        .collect();
    if let Some(obstacle) = easiest_open {
        ride.push(Picked {
            obstacle,
            level: of(obstacle),
            is_new: true,
            why: "The new thing: the easiest of what comes next.".to_owned(),
        });
        let easy = held.iter().min_by(|a, b| {
            let grade = |index: usize| course[index].obstacle.difficulty();
            grade(**a).total_cmp(&grade(**b))
        });
        if let Some(&obstacle) = easy {
            ride.push(Picked {
                obstacle,
                level: of(obstacle),
                is_new: false,
                why: "Something easy to end on.".to_owned(),
            });
        }
    }
    let left_out = all()
        .filter(|(index, _)| !held.contains(index) && Some(*index) != easiest_open)
        .map(|(obstacle, placed)| LeftOut {
            obstacle,
            level: placed.obstacle.level(),
            why: match stands(&placed.obstacle.level()) {
                Stands::Closed => "Not open yet: what it needs is not held.".to_owned(),
                _ => "One new thing a day; this one is harder.".to_owned(),
            },
        })
        .collect();
    Tomorrow { ride, left_out }
}
