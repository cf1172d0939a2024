//! What the marks in time come to: the run's time and splits, each barrel, each turn.
//!
//! # Formula
//! A split ends at the back of a barrel, spot 2: that is where the horse stops going away and
//! begins to come back. Every mark stands on a frame, so that the time between two is right to
//! one frame.
//!
//! # Source
//! Spots 1, 2, 3: common practice, no source. That a split ends at spot 2: product default.

use serde::Serialize;

use super::sheet::{Mark, TapeSheet};

/// A barrel in time.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BarrelTimes {
    /// Spots 1, 2 and 3 in the tape's own time; null for one that is not marked.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub spots_s: [Option<f64>; 3],
    /// From going in to the back.
    pub in_to_back_s: Option<f64>,
    /// From the back to coming out.
    pub back_to_out_s: Option<f64>,
}

/// A turn that is none of a barrel.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeTurn))]
pub struct Turn {
    /// Into it, in the tape's own time.
    pub in_s: f64,
    /// From going in to the back; null while that is not marked.
    pub in_to_back_s: Option<f64>,
    /// From the back to coming out.
    pub back_to_out_s: Option<f64>,
}

/// All of it.
#[derive(Debug, Clone, PartialEq, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeTimes))]
pub struct Times {
    /// From score line to score line; null while one of them is not marked.
    pub time_s: Option<f64>,
    /// To barrel 1, from there to 2, to 3, and home; empty while one of them is not marked.
    pub splits_s: Vec<f64>,
    /// The three barrels.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub barrels: [BarrelTimes; 3],
    /// Other turns, in order.
    pub turns: Vec<Turn>,
    /// What is still to be marked for the time and its splits, and what stands out of order.
    pub to_mend: Vec<String>,
}

/// The bounds of the four parts of a run: the line, the back of each barrel, the line.
pub(super) fn parts(marked: &[(f64, Mark)]) -> [Option<f64>; 5] {
    let when = |wanted: Mark| {
        marked
            .iter()
            .find(|(_, mark)| *mark == wanted)
            .map(|(at, _)| *at)
    };
    let back = |barrel| when(Mark::Spot { barrel, spot: 2 });
    [
        when(Mark::LineIn),
        back(1),
        back(2),
        back(3),
        when(Mark::LineHome),
    ]
}

/// Reads the marks.
pub fn times(sheet: &TapeSheet) -> Times {
    let marked = sheet.marked();
    let parts = parts(&marked);
    let when = |wanted: Mark| {
        marked
            .iter()
            .find(|(_, mark)| *mark == wanted)
            .map(|(at, _)| *at)
    };
    let barrels: [BarrelTimes; 3] = [1, 2, 3].map(|barrel| {
        let spots_s = [1, 2, 3].map(|spot| when(Mark::Spot { barrel, spot }));
        BarrelTimes {
            spots_s,
            in_to_back_s: between(spots_s[0], spots_s[1]),
            back_to_out_s: between(spots_s[1], spots_s[2]),
        }
    });
    let splits: Option<Vec<f64>> = parts
        .windows(2)
        .map(|ends| between(ends[0], ends[1]))
        .collect();
    let mut to_mend = missing(&parts);
    to_mend.extend(out_of_order(&marked));
    if sheet.films.len() > 1 && sheet.tie.is_none() {
        to_mend.push(String::from(
            "Tie the two films at a moment that both show.",
        ));
    }
    Times {
        time_s: between(parts[0], parts[4]),
        splits_s: splits.unwrap_or_default(),
        barrels,
        turns: turns(&marked),
        to_mend,
    }
}

/// Seconds from one to the other; none when one is missing, or when they stand the wrong way
/// round.
fn between(from: Option<f64>, to: Option<f64>) -> Option<f64> {
    let seconds = to? - from?;
    (seconds > 0.0).then_some(seconds)
}

const NAMES: [&str; 5] = [
    "the score line going in",
    "spot 2 of barrel 1",
    "spot 2 of barrel 2",
    "spot 2 of barrel 3",
    "the score line coming home",
];

/// Of a run that was begun to be marked: what is still to come.
fn missing(parts: &[Option<f64>; 5]) -> Vec<String> {
    if parts.iter().all(Option::is_none) {
        return Vec::new();
    }
    let open = parts.iter().zip(NAMES).filter(|(at, _)| at.is_none());
    open.map(|(_, name)| format!("Mark {name}.")).collect()
}

fn out_of_order(marked: &[(f64, Mark)]) -> Vec<String> {
    let order = |mark: Mark| match mark {
        Mark::LineIn => Some(0),
        Mark::Spot { barrel, spot } => Some(barrel * 3 + spot - 3),
        Mark::LineHome => Some(10),
        _ => None,
    };
    let of_run: Vec<(u8, Mark)> = marked
        .iter()
        .filter_map(|(_, mark)| Some((order(*mark)?, *mark)))
        .collect();
    of_run
        .windows(2)
        .filter(|two| two[0].0 > two[1].0)
        .map(|two| {
            let (later, before) = (named(two[1].1), named(two[0].1));
            format!("In time, {later} comes after {before}: the wrong way round.")
        })
        .collect()
}

fn named(mark: Mark) -> String {
    match mark {
        Mark::Spot { barrel, spot } => format!("spot {spot} of barrel {barrel}"),
        Mark::LineHome => String::from(NAMES[4]),
        _ => String::from(NAMES[0]),
    }
}

fn turns(marked: &[(f64, Mark)]) -> Vec<Turn> {
    let mut turns: Vec<Turn> = Vec::new();
    let mut back: Option<f64> = None;
    for (at, mark) in marked {
        match (mark, turns.last_mut()) {
            (Mark::TurnIn, _) => {
                back = None;
                turns.push(Turn {
                    in_s: *at,
                    in_to_back_s: None,
                    back_to_out_s: None,
                });
            }
            (Mark::TurnBack, Some(turn)) if back.is_none() => {
                back = Some(*at);
                turn.in_to_back_s = Some(at - turn.in_s);
            }
            (Mark::TurnOut, Some(turn)) if turn.back_to_out_s.is_none() => {
                turn.back_to_out_s = back.map(|back| at - back);
            }
            _ => {}
        }
    }
    turns
}
