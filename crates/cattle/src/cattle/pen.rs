//! At the pen: whether to leave the cattle, which tempo is due, and which cow is next.
//!
//! # Source
//! See [`super::leave`], [`super::tempo`] and [`super::matching`]. No cow twice on one ride while
//! there is another: common practice, no source.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::leave::{Leave, dry_work, leave};
use super::matching::{Cow, Horse, NotForIt, TempoAgainstDue, cost};
use super::tempo::{NextTempo, next_tempo, quicker, says, slower};
use crate::bounds::{CATTLE_MATCHED, FieldError, SHARE, TURNS_LATELY, WORKS, WORKS_OF_RIDE};
use crate::ladder::Level;
use crate::rep::turn::{Tempo, Turn};

/// A horse at the pen.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = NextCowInput))]
#[serde(deny_unknown_fields)]
pub struct Pen {
    /// The horse.
    pub horse_id: Uuid,
    /// The tempo it is asked at; what it last turned at counts before it.
    pub tempo: Tempo,
    /// Has never worked a cow.
    #[serde(default)]
    pub first: bool,
    /// It had to leave the cattle on the last ride.
    #[serde(default)]
    pub corrected: bool,
    /// Turns of the last rides, first to last.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 2000))]
    pub lately: Vec<Turn>,
    /// Turns of this ride since it left the cattle last, first to last.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 2000))]
    pub today: Vec<Turn>,
    /// It left the cattle on this ride.
    #[serde(default)]
    pub left: bool,
    /// Levels that were asked since.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 2000))]
    pub dry: Vec<Level>,
    /// Cattle that it worked on this ride.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 60))]
    pub worked: Vec<Uuid>,
    /// The cattle in the pen.
    #[cfg_attr(feature = "schema", schema(max_items = 300))]
    pub cattle: Vec<Cow>,
}

/// A cow for the horse, or why not.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CowChoice {
    /// The cow.
    pub cow_id: Uuid,
    /// What speaks against it, 0 when nothing does; null when it is not for the horse.
    pub cost: Option<u32>,
    /// How its tempo lies to the one that is due; null likewise.
    pub tempo: Option<TempoAgainstDue>,
    /// Why it is not for the horse.
    pub not: Option<NotForIt>,
}

/// What to do at the pen.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = NextCowOutput))]
pub struct PenAdvice {
    /// Leave the cattle now; null when there is no need.
    pub leave: Option<Leave>,
    /// Dry work still to be asked before the way back, in order; empty where there is none.
    pub dry_left: Vec<Level>,
    /// Whether a quicker or a slower cow is due.
    pub next: NextTempo,
    /// The tempo that is due.
    pub tempo: Tempo,
    /// Why another tempo is due, in a sentence; empty when none is, or the cattle are left.
    pub next_says: String,
    /// The cattle, the best for it first, those that are not for it last.
    pub cows: Vec<CowChoice>,
}

/// Says what to do at the pen.
///
/// # Errors
/// More than anybody has; a share that is none.
pub fn advise(pen: &Pen) -> Result<PenAdvice, FieldError> {
    check(pen)?;
    let leave_now = leave(&pen.today);
    let away = leave_now.is_some() || pen.left;
    // What was asked before it left was not the dry work.
    let asked: &[Level] = if leave_now.is_some() { &[] } else { &pen.dry };
    let on_slow = pen.left && pen.today.is_empty();
    let dry_left = if leave_now.is_some() || on_slow {
        let wanted = dry_work().into_iter();
        wanted.filter(|level| !asked.contains(level)).collect()
    } else {
        Vec::new()
    };
    let (next, tempo) = if away {
        (NextTempo::Slower, Tempo::Slow)
    } else {
        let turns: Vec<Turn> = pen.lately.iter().chain(&pen.today).copied().collect();
        tempo_due(&turns, pen.tempo)
    };
    let horse = Horse {
        horse_id: pen.horse_id,
        tempo,
        first: pen.first,
        corrected: pen.corrected && !away,
        works: 1,
    };
    Ok(PenAdvice {
        leave: leave_now,
        dry_left,
        next_says: if away {
            String::new()
        } else {
            says(next, tempo)
        },
        next,
        tempo,
        cows: choices(pen, &horse),
    })
}

/// The tempo that is due by the turns at the last one, first to last; at `asked` where there is
/// none yet.
pub fn tempo_due(turns: &[Turn], asked: Tempo) -> (NextTempo, Tempo) {
    let now = turns.last().map_or(asked, |turn| turn.tempo);
    let same: Vec<Turn> = turns
        .iter()
        .filter(|turn| turn.tempo == now)
        .copied()
        .collect();
    match next_tempo(&same) {
        NextTempo::Quicker => (NextTempo::Quicker, quicker(now)),
        NextTempo::Same => (NextTempo::Same, now),
        NextTempo::Slower => (NextTempo::Slower, slower(now)),
    }
}

fn choices(pen: &Pen, horse: &Horse) -> Vec<CowChoice> {
    let mut cows: Vec<CowChoice> = pen
        .cattle
        .iter()
        .map(|cow| {
            let found = if pen.worked.contains(&cow.cow_id) {
                Err(NotForIt::WorkedAlready)
            } else {
                cost(horse, cow)
            };
            CowChoice {
                cow_id: cow.cow_id,
                cost: found.ok().map(|(cost, _)| cost),
                tempo: found.ok().map(|(_, tempo)| tempo),
                not: found.err(),
            }
        })
        .collect();
    cows.sort_by_key(|choice| (choice.cost.unwrap_or(u32::MAX), choice.not));
    cows
}

fn check(pen: &Pen) -> Result<(), FieldError> {
    for (field, turns) in [("/lately", &pen.lately), ("/today", &pen.today)] {
        TURNS_LATELY.check_count(field, turns.len())?;
    }
    TURNS_LATELY.check_count("/dry", pen.dry.len())?;
    WORKS_OF_RIDE.check_count("/worked", pen.worked.len())?;
    CATTLE_MATCHED.check_count("/cattle", pen.cattle.len())?;
    for (index, cow) in pen.cattle.iter().enumerate() {
        SHARE.check(&format!("/cattle/{index}/honesty"), cow.honesty)?;
        WORKS.check(
            &format!("/cattle/{index}/works_left"),
            f64::from(cow.works_left),
        )?;
    }
    Ok(())
}
