//! What the beats of one hoof come to: how many strides there are between two marks, and how
//! long each takes.
//!
//! # Formula
//! A stride is from one landing of a foot to the next landing of the same foot. Between two
//! beats the stride is taken as even, so that a mark in the middle of one counts half. Where
//! nobody marked for longer than 1.8 strides there is a gap, and nothing is counted across it.
//!
//! # Source
//! What a stride is: McGreevy and McLean, Equitation Science, from memory. 1.8: product default.

use serde::Serialize;

use super::sheet::{Mark, TapeSheet};
use super::times;

/// Strides of a tape.
#[derive(Debug, Clone, PartialEq, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Strides {
    /// Beats that were marked.
    pub beats: u32,
    /// Seconds of a stride, half of them longer; null with fewer than three beats.
    pub stride_s: Option<f64>,
    /// Strides to barrel 1, from there to 2, to 3, and home; null where beats are missing.
    #[cfg_attr(feature = "schema", schema(min_items = 4, max_items = 4))]
    pub of_part: [Option<f64>; 4],
    /// Strides round each barrel, from spot 1 to spot 3; null where beats are missing.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub round_barrel: [Option<f64>; 3],
}

/// As many strides as that between two beats are a gap.
const GAP: f64 = 1.8;

/// Counts the beats.
pub fn strides(sheet: &TapeSheet) -> Strides {
    let marked = sheet.marked();
    let beats: Vec<f64> = marked
        .iter()
        .filter(|(_, mark)| *mark == Mark::HoofBeat)
        .map(|(at, _)| *at)
        .collect();
    let apart: Vec<f64> = beats.windows(2).map(|two| two[1] - two[0]).collect();
    let stride_s = (beats.len() >= 3).then(|| median(&apart));
    let counted = |from: Option<f64>, to: Option<f64>| {
        let gap = stride_s? * GAP;
        let (from, to) = (phase(&beats, gap, from?)?, phase(&beats, gap, to?)?);
        (to.0 >= from.0 && whole(&beats, gap, from.1, to.1)).then_some(to.0 - from.0)
    };
    let parts = times::parts(&marked);
    let spots = times::times(sheet).barrels;
    Strides {
        beats: beats.len() as u32,
        stride_s,
        of_part: [0, 1, 2, 3].map(|part| counted(parts[part], parts[part + 1])),
        round_barrel: spots.map(|barrel| counted(barrel.spots_s[0], barrel.spots_s[2])),
    }
}

/// How many strides after the first beat something is, and after which beat; none outside of the
/// beats and in a gap. Half a stride before the first and after the last beat is still counted.
fn phase(beats: &[f64], gap: f64, at: f64) -> Option<(f64, usize)> {
    let (first, last) = (*beats.first()?, *beats.last()?);
    let stride = gap / GAP;
    if at < first {
        return (first - at <= stride / 2.0).then(|| ((at - first) / stride, 0));
    }
    if at >= last {
        let index = beats.len() - 1;
        return (at - last <= stride / 2.0).then(|| (index as f64 + (at - last) / stride, index));
    }
    let index = beats.partition_point(|beat| *beat <= at) - 1;
    let apart = beats[index + 1] - beats[index];
    (apart < gap).then(|| (index as f64 + (at - beats[index]) / apart, index))
}

/// Whether there is no gap between two beats.
fn whole(beats: &[f64], gap: f64, from: usize, to: usize) -> bool {
    beats[from..=to].windows(2).all(|two| two[1] - two[0] < gap)
}

fn median(values: &[f64]) -> f64 {
    let mut sorted = values.to_vec();
    sorted.sort_by(f64::total_cmp);
    let middle = sorted.len() / 2;
    if sorted.len() % 2 == 1 {
        sorted[middle]
    } else {
        (sorted[middle - 1] + sorted[middle]) / 2.0
    }
}
