//! How a horse's levels stood when it came onto its ladder from those it stood on before.

use cavesson_core::evidence::riders_from::RidersFrom;
use cavesson_core::judge::horse::carry_over;
use cavesson_core::judge::{Carried, HorseFile};
use cavesson_core::ladder::Ladder;
use jiff::civil::Date;

use super::horse_ladder::HorseLadder;
use super::known::Known;
use super::rider_offsets::RidersOfBarn;

/// All that is known of a horse, laid along a ladder, its riders and new rigs taken in.
pub fn laid_along(ladder: &Ladder, known: &Known, riders: &RidersOfBarn) -> HorseFile {
    let mut file = known.file(ladder);
    file.take_in_riders(&riders.in_use);
    file.mark_new_rigs();
    file
}

/// What an earlier judgement carried over, and what that rests on.
pub struct CarriedBefore<'a> {
    /// What was known.
    pub known: &'a Known,
    /// The ladder.
    pub on_ladder: &'a HorseLadder,
    /// How the riders differed.
    pub riders: &'a RidersOfBarn,
    /// What was carried over.
    pub carried: Option<&'a Carried>,
}

/// How its levels stood when it came onto `on_ladder`; none where it never stood on another
/// while anything was known of it. What an earlier judgement carried over is taken where
/// nothing of the days before has changed since.
pub fn carried(
    known: &Known,
    on_ladder: &HorseLadder,
    riders: &RidersOfBarn,
    before: Option<CarriedBefore<'_>>,
) -> Option<Carried> {
    let last = on_ladder.before.last()?.until;
    let first = known.first_day()?;
    if last <= first {
        return None;
    }
    let is_same = |before: &CarriedBefore<'_>| {
        before.on_ladder.is_same(on_ladder)
            && before.known.is_same_before(known, last)
            && is_same_before(&before.riders.in_use, &riders.in_use, last)
    };
    if let Some(before) = before.filter(is_same) {
        return before.carried.cloned();
    }
    let mut carried = None;
    for stood in on_ladder.before.iter().filter(|stood| stood.until > first) {
        let mut file = laid_along(&stood.on.ladder, known, riders);
        file.carried = carried;
        carried = Some(carry_over(&stood.on.ladder, &file, stood.until));
    }
    carried
}

fn is_same_before(one: &[RidersFrom], other: &[RidersFrom], day: Date) -> bool {
    let until = |riders: &[RidersFrom]| riders.partition_point(|one| one.from < day);
    one[..until(one)] == other[..until(other)]
}
