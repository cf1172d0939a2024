//! Which cow for which horse, for a whole day.
//!
//! # Formula
//! A pair may be or may not, with why. What may be has a cost: how far the cow's tempo is from
//! the one that is due, how honest it is, how much it was used already. As many works as can be
//! are given, and among those the cheapest (see [`super::flow`]): no cow above its cap, no cow
//! twice to one horse.
//!
//! # Source
//! First introduction quiet and gentle, the slow one for a horse that is corrected, tempo by how
//! the turns are, caps on each cow, done below one half: common practice, no source. The costs:
//! product defaults.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::flow::{Pair, cheapest_pairs};
use super::honesty::{DONE_BELOW, FRESH_FROM};
use super::tempo::slower;
use crate::bounds::{CATTLE_MATCHED, FieldError, HORSES_MATCHED, SHARE, WORKS, once};
use crate::rep::turn::Tempo;

/// A horse that is to work cattle on a day.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HorseToMatch))]
#[serde(deny_unknown_fields)]
pub struct Horse {
    /// The horse.
    pub horse_id: Uuid,
    /// The tempo that is due.
    pub tempo: Tempo,
    /// Has never worked a cow: quiet stock only.
    #[serde(default)]
    pub first: bool,
    /// Something is put right: a step slower than what is due.
    #[serde(default)]
    pub corrected: bool,
    /// How many cows it is to work.
    #[serde(default = "one")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 6))]
    pub works: u32,
}

/// A cow.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CowToMatch))]
#[serde(deny_unknown_fields)]
pub struct Cow {
    /// The cow.
    pub cow_id: Uuid,
    /// How it goes.
    pub tempo: Tempo,
    /// The share of honest stops to be expected of it.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub honesty: f64,
    /// Handled so that it is wild.
    #[serde(default)]
    pub wild: bool,
    /// Sorted off: looks ill, or may not be worked.
    #[serde(default)]
    pub sorted_off: bool,
    /// Its lot stands in the middle and looks out.
    #[serde(default = "yes")]
    pub settled: bool,
    /// Works it may still do on the day.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub works_left: u32,
    /// Works so far, ever.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 10000))]
    pub worked: u32,
}

fn one() -> u32 {
    1
}

fn yes() -> bool {
    true
}

/// A horse and a cow for it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CowForHorse))]
pub struct Matched {
    /// The horse.
    pub horse_id: Uuid,
    /// The cow.
    pub cow_id: Uuid,
    /// What speaks against it; 0 when nothing does.
    pub cost: u32,
    /// The cow goes otherwise than is due.
    pub tempo: TempoAgainstDue,
}

/// How a cow's tempo lies to the one that is due.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TempoAgainstDue {
    /// As is due.
    AsDue,
    /// Slower: right turns on it all the same.
    Slower,
    /// A step quicker.
    Quicker,
}

/// Why a cow may not be for a horse.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum NotForIt {
    /// Sorted off.
    SortedOff,
    /// Below one half honest: it would teach the horse that a cow cannot be stopped.
    Done,
    /// Its works of the day are used up.
    AtItsCap,
    /// Too wild for a first time.
    TooWild,
    /// Its lot is not settled: nothing for a first time.
    NotSettled,
    /// More than a step quicker than is due, or quicker at all for a horse that is corrected or
    /// new.
    TooQuick,
    /// The horse worked it on this ride already.
    WorkedAlready,
}

/// A horse that did not get all it was to have.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HorseLeftOut))]
pub struct LeftOut {
    /// The horse.
    pub horse_id: Uuid,
    /// Works it did not get.
    pub works: u32,
    /// How many cows are not for it, by why.
    pub because: Vec<(NotForIt, u32)>,
    /// Cows that fit it and went to other horses.
    pub taken: u32,
}

/// A day.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MatchCattleOutput))]
pub struct Day {
    /// Horses and cows.
    pub pairs: Vec<Matched>,
    /// Horses that did not get all of it.
    pub left_out: Vec<LeftOut>,
    /// What speaks against all pairs together.
    pub cost: u32,
}

/// A step slower than due.
const SLOWER: u32 = 20;
/// A step quicker than due.
const QUICKER: u32 = 60;
/// For each tenth of honesty below fresh.
const STALE: u32 = 15;
/// A wild cow for any horse.
const WILD: u32 = 25;
/// For each work so far, so that all are used alike; at most ten are told apart.
const WORKED: u32 = 1;

/// What a cow costs a horse.
///
/// # Errors
/// Why it may not be.
pub fn cost(horse: &Horse, cow: &Cow) -> Result<(u32, TempoAgainstDue), NotForIt> {
    if cow.sorted_off {
        return Err(NotForIt::SortedOff);
    }
    if cow.honesty < DONE_BELOW {
        return Err(NotForIt::Done);
    }
    if cow.works_left == 0 {
        return Err(NotForIt::AtItsCap);
    }
    if horse.first && cow.wild {
        return Err(NotForIt::TooWild);
    }
    if horse.first && !cow.settled {
        return Err(NotForIt::NotSettled);
    }
    let due = due(horse);
    let step = place(cow.tempo) - place(due);
    let careful = horse.first || horse.corrected;
    if step > 1 || (step > 0 && careful) {
        return Err(NotForIt::TooQuick);
    }
    let (tempo, of_tempo) = match step {
        0 => (TempoAgainstDue::AsDue, 0),
        1 => (TempoAgainstDue::Quicker, QUICKER),
        _ => (TempoAgainstDue::Slower, SLOWER * step.unsigned_abs()),
    };
    let stale = ((FRESH_FROM - cow.honesty).max(0.0) * 10.0).ceil() as u32 * STALE;
    // What a horse learns first, or learns anew, it learns on a cow that stops.
    let stale = if careful { 2 * stale } else { stale };
    let wild = if cow.wild { WILD } else { 0 };
    let worked = cow.worked.min(10) * WORKED;
    Ok((of_tempo + stale + wild + worked, tempo))
}

/// The tempo that a horse is to have: the slowest at first, a step slower while it is corrected.
pub fn due(horse: &Horse) -> Tempo {
    if horse.first {
        Tempo::Slow
    } else if horse.corrected {
        slower(horse.tempo)
    } else {
        horse.tempo
    }
}

fn place(tempo: Tempo) -> i32 {
    match tempo {
        Tempo::Slow => 0,
        Tempo::Medium => 1,
        Tempo::Quick => 2,
    }
}

/// Gives each horse its cows.
///
/// # Errors
/// A number that cannot be; a horse or a cow named twice.
pub fn match_day(horses: &[Horse], cattle: &[Cow]) -> Result<Day, FieldError> {
    check(horses, cattle)?;
    let tried = |horse: &Horse, cow: &Cow| cost(horse, cow);
    let mut pairs = Vec::new();
    for (left, horse) in horses.iter().enumerate() {
        for (right, cow) in cattle.iter().enumerate() {
            if let Ok((cost, _)) = tried(horse, cow) {
                pairs.push(Pair { left, right, cost });
            }
        }
    }
    let wants: Vec<u32> = horses.iter().map(|horse| horse.works).collect();
    let takes: Vec<u32> = cattle.iter().map(|cow| cow.works_left).collect();
    let picked = cheapest_pairs(&wants, &takes, &pairs);
    let matched: Vec<Matched> = picked
        .iter()
        .filter_map(|pair| {
            let (horse, cow) = (&horses[pair.left], &cattle[pair.right]);
            let (cost, tempo) = tried(horse, cow).ok()?;
            Some(Matched {
                horse_id: horse.horse_id,
                cow_id: cow.cow_id,
                cost,
                tempo,
            })
        })
        .collect();
    let left_out = horses
        .iter()
        .enumerate()
        .filter_map(|(left, horse)| {
            let got = picked.iter().filter(|pair| pair.left == left).count() as u32;
            (got < horse.works).then(|| why_left_out(horse, cattle, got))
        })
        .collect();
    Ok(Day {
        cost: matched.iter().map(|one| one.cost).sum(),
        pairs: matched,
        left_out,
    })
}

fn why_left_out(horse: &Horse, cattle: &[Cow], got: u32) -> LeftOut {
    let mut because: Vec<(NotForIt, u32)> = Vec::new();
    let mut fits = 0;
    for cow in cattle {
        match cost(horse, cow) {
            Ok(_) => fits += 1,
            Err(why) => match because.iter_mut().find(|(known, _)| *known == why) {
                Some((_, count)) => *count += 1,
                None => because.push((why, 1)),
            },
        }
    }
    because.sort_unstable();
    LeftOut {
        horse_id: horse.horse_id,
        works: horse.works - got,
        because,
        taken: fits - got,
    }
}

fn check(horses: &[Horse], cattle: &[Cow]) -> Result<(), FieldError> {
    HORSES_MATCHED.check_count("/horses", horses.len())?;
    CATTLE_MATCHED.check_count("/cattle", cattle.len())?;
    let mut seen = std::collections::HashSet::new();
    for (index, horse) in horses.iter().enumerate() {
        let at = format!("/horses/{index}");
        WORKS.check(&format!("{at}/works"), f64::from(horse.works))?;
        if horse.works == 0 {
            return Err(FieldError::new(format!("{at}/works"), "must be 1 or more"));
        }
        once(&mut seen, horse.horse_id, &format!("{at}/horse_id"))?;
    }
    for (index, cow) in cattle.iter().enumerate() {
        let at = format!("/cattle/{index}");
        SHARE.check(&format!("{at}/honesty"), cow.honesty)?;
        WORKS.check(&format!("{at}/works_left"), f64::from(cow.works_left))?;
        once(&mut seen, cow.cow_id, &format!("{at}/cow_id"))?;
    }
    Ok(())
}
