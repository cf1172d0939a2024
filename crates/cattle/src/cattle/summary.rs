//! Turns at a glance: where they come apart, and up to which tempo they hold.
//!
//! # Source
//! Tempo goes up when 8 of 10 are right: common practice, no source. Four turns before anything
//! is said of a tempo and side: product default.

use serde::Serialize;

use super::tempo::{RIGHT, TURNS};
use crate::rep::turn::{Position, Shoulders, Tempo, Turn, TurnResult, Weight};
use crate::rep::{Recorded, SoftRule};
use crate::{Gait, Side};

/// Turns to one side at one tempo.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TurnCell {
    /// The tempo.
    pub tempo: Tempo,
    /// The side.
    pub side: Side,
    /// How many.
    pub turns: u32,
    /// How many were as they should be.
    pub good: u32,
    /// Short of the eye, even with it, half a length long, past it.
    #[cfg_attr(feature = "schema", schema(min_items = 4, max_items = 4))]
    pub by_position: [u32; 4],
    /// Shoulders leaked.
    pub leaked: u32,
    /// Head tossed.
    pub tossed: u32,
    /// Panicked.
    pub panicked: u32,
    /// Lost it.
    pub lost: u32,
}

/// What goes wrong most often where turns come apart.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ComesApartBy {
    /// Hangs short.
    Short,
    /// Runs past.
    Past,
    /// Shoulders leak.
    Leaked,
    /// The head is tossed.
    Tossed,
    /// The cow is lost from a right position.
    Lost,
}

/// Where turns come apart.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ComesApart {
    /// At this tempo,
    pub tempo: Tempo,
    /// to this side,
    pub side: Side,
    /// by this most often.
    pub by: ComesApartBy,
}

/// Turns at a glance.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TurnsSummary {
    /// By tempo, slow to quick, left before right; those without a turn are left out.
    pub cells: Vec<TurnCell>,
    /// The quickest tempo up to which both sides hold; null when not even slow does, or it is
    /// not known yet.
    pub holds_up_to: Option<Tempo>,
    /// The slowest tempo where they come apart, and the side that is worse there; null where
    /// they do not.
    pub comes_apart: Option<ComesApart>,
}

/// Fewer turns than this say nothing of a tempo and side.
pub const LEAST_TURNS: u32 = 4;
/// The tempos, slow to quick.
pub const TEMPOS: [Tempo; 3] = [Tempo::Slow, Tempo::Medium, Tempo::Quick];

/// Looks at turns, each with its side.
pub fn summary(turns: &[(Side, Turn)]) -> TurnsSummary {
    let mut cells = Vec::new();
    for tempo in TEMPOS {
        for side in [Side::Left, Side::Right] {
            let own: Vec<&Turn> = turns
                .iter()
                .filter(|(at, turn)| *at == side && turn.tempo == tempo)
                .map(|(_, turn)| turn)
                .collect();
            if !own.is_empty() {
                cells.push(cell(tempo, side, &own));
            }
        }
    }
    TurnsSummary {
        holds_up_to: holds_up_to(&cells),
        comes_apart: worst(&cells).map(TurnCell::comes_apart),
        cells,
    }
}

/// At the slowest tempo that does not hold, the side with the fewest good turns of its number.
fn worst(cells: &[TurnCell]) -> Option<&TurnCell> {
    let apart = || cells.iter().filter(|cell| cell.is_told() && !cell.holds());
    let slowest = apart().next()?.tempo;
    let at_slowest = apart().filter(|cell| cell.tempo == slowest);
    at_slowest.min_by_key(|cell| 1_000 * u64::from(cell.good) / u64::from(cell.turns))
}

fn cell(tempo: Tempo, side: Side, turns: &[&Turn]) -> TurnCell {
    let count = |is: &dyn Fn(&Turn) -> bool| turns.iter().filter(|turn| is(turn)).count() as u32;
    let rule = SoftRule::default();
    let at = |position: Position| count(&|turn| turn.position == position);
    TurnCell {
        tempo,
        side,
        turns: turns.len() as u32,
        good: count(&|turn| turn.is_soft(&rule, Gait::Walk)),
        by_position: [
            Position::Short,
            Position::Even,
            Position::Long,
            Position::Past,
        ]
        .map(at),
        leaked: count(&|turn| turn.shoulders == Shoulders::Leaked),
        tossed: count(&|turn| turn.weight == Weight::HeadTossed),
        panicked: count(&|turn| !turn.waited),
        lost: count(&|turn| turn.result == TurnResult::Lost),
    }
}

impl TurnCell {
    /// There are enough of them to say something.
    fn is_told(&self) -> bool {
        self.turns >= LEAST_TURNS
    }

    /// Eight of ten are right.
    fn holds(&self) -> bool {
        u64::from(self.good) * TURNS as u64 >= u64::from(self.turns) * RIGHT as u64
    }

    fn comes_apart(&self) -> ComesApart {
        let [short, _, _, past] = self.by_position;
        let faults = [
            (self.leaked, ComesApartBy::Leaked),
            (self.tossed, ComesApartBy::Tossed),
            (past, ComesApartBy::Past),
            (short, ComesApartBy::Short),
            (self.lost, ComesApartBy::Lost),
        ];
        let most = faults.iter().map(|(many, _)| *many).max().unwrap_or(0);
        let by = faults.iter().find(|(many, _)| *many == most);
        ComesApart {
            tempo: self.tempo,
            side: self.side,
            by: by.map_or(ComesApartBy::Lost, |(_, by)| *by),
        }
    }
}

/// Each tempo up to it was turned to both sides and holds.
fn holds_up_to(cells: &[TurnCell]) -> Option<Tempo> {
    let holds = |tempo: &Tempo| {
        let own: Vec<&TurnCell> = cells.iter().filter(|cell| cell.tempo == *tempo).collect();
        own.len() == 2 && own.iter().all(|cell| cell.is_told() && cell.holds())
    };
    TEMPOS.into_iter().take_while(|tempo| holds(tempo)).last()
}
