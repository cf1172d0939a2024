//! A course is moved about until it has the most spare room, where it is scarcest.

use super::cloverleaf::{Cloverleaf, Placing};
use super::point::at;
use super::wanted::{Place, Wanted, middle_of};

/// How many of the moves leave its turn alone.
const SHIFTS: usize = 8;
/// Across, along, both ways at once, and turned.
const MOVES: [[f64; 3]; 14] = [
    [1.0, 0.0, 0.0],
    [-1.0, 0.0, 0.0],
    [0.0, 1.0, 0.0],
    [0.0, -1.0, 0.0],
    [0.7, 0.7, 0.0],
    [-0.7, 0.7, 0.0],
    [0.7, -0.7, 0.0],
    [-0.7, -0.7, 0.0],
    [0.0, 0.0, 1.0],
    [0.0, 0.0, -1.0],
    [0.7, 0.0, 0.7],
    [-0.7, 0.0, 0.7],
    [0.7, 0.0, -0.7],
    [-0.7, 0.0, -0.7],
];

impl Wanted<'_> {
    /// Climbs from there with steps of that many feet, turning or not; the room by `spare_of`.
    pub fn climbed(
        &self,
        start: Place,
        from_ft: f64,
        turns: bool,
        spare_of: impl Fn(&Place) -> f64,
    ) -> (f64, Place) {
        let (mut place, mut spare) = (start, spare_of(&start));
        let (mut feet, mut degrees) = (from_ft, if turns { from_ft * 0.75 } else { 0.0 });
        let moves = if turns { &MOVES[..] } else { &MOVES[..SHIFTS] };
        while feet > 0.004 {
            let mut better = false;
            for change in moves {
                let next = moved(&self.course, &place, *change, feet, degrees);
                let found = spare_of(&next);
                if found > spare + feet * 1e-3 {
                    (place, spare, better) = (next, found, true);
                }
            }
            if !better {
                (feet, degrees) = (feet / 2.0, degrees / 2.0);
            }
        }
        (spare, place)
    }

    /// Where there is the most room near by.
    pub fn settled(&self, place: &Place) -> Place {
        self.climbed(*place, 0.5, self.may_turn, |place| self.spare(place))
            .1
    }
}

/// About its middle, so that a turn leaves it where it is.
fn moved(course: &Cloverleaf, place: &Place, by: [f64; 3], feet: f64, degrees: f64) -> Place {
    let middle = middle_of(course) * place.scale;
    let centre = place.placing.place(middle) + at(by[0] * feet, by[1] * feet);
    let rotation_deg = place.placing.rotation_deg + by[2] * degrees;
    Place {
        placing: Placing {
            origin: centre - middle.turned(rotation_deg.to_radians()),
            rotation_deg,
        },
        ..*place
    }
}
