//! That no larger course fits: every box of positions, turns and sizes is shown to lack room.
//!
//! # Formula
//! A point of the course moves by at most d + R a + m anywhere in a box, where d is half the
//! box's diagonal on the plan, R the point's distance from the course's middle, a half the
//! box's turn in radians and m how far the point moves when the size goes from the box's middle
//! to its ends. The distance to a fence or to what to keep off changes by no more than that. So
//! where one point lacks more room than that in the middle of a box, no course of the box fits,
//! and the box is done; otherwise it is cut in two where it is widest. Boxes get no smaller than
//! [`LEAST_BOX_FT`]; what is left then is undecided and said so.

use std::collections::HashMap;
use std::f64::consts::PI;

use super::Placing;
use super::marks::{Marks, Spread};
use super::outline;
use super::point::Point;
use super::wanted::{Place, Proof, Wanted, middle_of};
use crate::Side;

/// Boxes whose points move by less are not cut any further.
pub const LEAST_BOX_FT: f64 = 0.04;
/// No more corners than this are looked at, counted for every box; then nothing is proven.
pub const MOST_CORNERS: u64 = 24_000_000;
/// Scales, both ends included.
#[derive(Debug, Clone, Copy)]
pub struct Region {
    /// The smallest.
    pub from: f64,
    /// The largest.
    pub to: f64,
}

impl Region {
    /// One scale alone.
    pub fn at(scale: f64) -> Region {
        Region {
            from: scale,
            to: scale,
        }
    }
}

#[derive(Clone, Copy)]
struct Cell {
    /// Where the course's middle lies, its turn, its scale: the middles.
    centre: Point,
    turn: f64,
    scale: f64,
    /// Half its widths.
    half: Point,
    half_turn: f64,
    half_scale: f64,
}

/// Looks through the region. A course that fits is given back as soon as one is found.
pub fn search(wanted: &Wanted<'_>, region: Region) -> (Option<Place>, Proof) {
    let mut proof = Proof::default();
    let mut sizes: HashMap<(u64, u64), Marks> = HashMap::new();
    let mut cells = first_cells(wanted, region);
    let most_boxes = MOST_CORNERS / wanted.free.corners().max(1);
    while let Some(cell) = cells.pop() {
        proof.boxes += 1;
        if proof.boxes > most_boxes {
            proof.undecided += 1;
            return (None, proof);
        }
        let marks = sizes
            .entry((cell.scale.to_bits(), cell.half_scale.to_bits()))
            .or_insert_with(|| Marks::of(wanted, cell.scale, cell.half_scale));
        let Some((first, spare)) = marks.most_spare(wanted, &cell.spread()) else {
            continue;
        };
        if spare >= 0.0 {
            let place = place(wanted, &cell, first);
            if wanted.fits(&place) {
                return (Some(place), proof);
            }
        }
        let widest = cell.widest(marks.reach(), marks.most_move());
        if widest.feet < LEAST_BOX_FT {
            let place = wanted.settled(&place(wanted, &cell, first));
            if wanted.fits(&place) {
                return (Some(place), proof);
            }
            proof.undecided += 1;
            continue;
        }
        cells.extend(cell.cut(widest.across));
    }
    proof.proven = proof.undecided == 0;
    (None, proof)
}

/// Some feet of size in each to begin with; the larger ones are looked at first.
fn first_cells(wanted: &Wanted<'_>, region: Region) -> Vec<Cell> {
    let (low, high) = outline::bounds(wanted.free.outline);
    let slice = 4.0 * wanted.foot();
    let slices = ((region.to - region.from) / slice).ceil().max(1.0);
    let half_scale = (region.to - region.from) / slices / 2.0;
    (0..slices as u32)
        .map(|index| Cell {
            centre: low.between(high, 0.5),
            turn: 0.0,
            scale: region.from + half_scale * f64::from(2 * index + 1),
            half: (high - low) * 0.5,
            half_turn: if wanted.may_turn { PI } else { 0.0 },
            half_scale,
        })
        .collect()
}

fn place(wanted: &Wanted<'_>, cell: &Cell, first: Side) -> Place {
    let middle = middle_of(&wanted.course) * cell.scale;
    Place {
        scale: cell.scale,
        placing: Placing {
            origin: cell.centre - middle.turned(cell.turn),
            rotation_deg: cell.turn.to_degrees(),
        },
        first,
    }
}

#[derive(Clone, Copy)]
enum Across {
    X,
    Y,
    Turn,
    Scale,
}

struct Widest {
    across: Across,
    feet: f64,
}

impl Cell {
    fn spread(&self) -> Spread {
        Spread {
            centre: self.centre,
            turn: self.turn,
            on_plan: self.half.length(),
            by_turn: self.half_turn,
        }
    }

    fn widest(&self, reach: f64, moves: f64) -> Widest {
        let all = [
            (Across::X, self.half.x),
            (Across::Y, self.half.y),
            (Across::Turn, self.half_turn * reach),
            (Across::Scale, moves),
        ];
        let (across, feet) = all
            .into_iter()
            .max_by(|(_, a), (_, b)| a.total_cmp(b))
            .unwrap_or((Across::X, self.half.x));
        Widest { across, feet }
    }

    fn cut(&self, across: Across) -> [Cell; 2] {
        [-1.0, 1.0].map(|way| {
            let mut part = *self;
            let cut = |middle: &mut f64, half: &mut f64| {
                *half /= 2.0;
                *middle += way * *half;
            };
            match across {
                Across::X => cut(&mut part.centre.x, &mut part.half.x),
                Across::Y => cut(&mut part.centre.y, &mut part.half.y),
                Across::Turn => cut(&mut part.turn, &mut part.half_turn),
                Across::Scale => cut(&mut part.scale, &mut part.half_scale),
            }
            part
        })
    }
}
