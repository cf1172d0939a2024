//! The ladder as it ships: tracks, skills, levels with their gates and needs,
//! faults and the questions on which good trainers disagree.

use axum::Json;
use axum::extract::State;
use cavesson_core::judge::risk::measured;
use cavesson_core::ladder::{Fault, Gate, Ladder, Level, Track};
use cavesson_core::school::{QUESTIONS, Question};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::horse::levels::LevelBrief;
use crate::http::signed_in::Signed;
use crate::route;

/// The ladder's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// A ladder: the one that ships, or what a program makes of it.
#[derive(Serialize, ToSchema)]
pub struct ShownLadder {
    /// Raised whenever a gate, a skill or a fault changes.
    version: u32,
    /// The tracks, in the order of the work.
    tracks: Vec<Track>,
    /// Every level, needs first.
    levels: Vec<ShownLevel>,
    /// What goes wrong, and where to look.
    faults: Vec<Fault>,
    /// Where good trainers disagree.
    #[schema(value_type = Vec<Question>)]
    questions: &'static [Question],
}

/// A level with its gate and needs.
#[derive(Serialize, ToSchema)]
pub struct ShownLevel {
    level: LevelBrief,
    gate: Gate,
    /// What must be held first, the rung below included; of each need one of the
    /// alternatives.
    needs: Vec<Vec<Level>>,
    /// What the standard gate of its measure did on simulated horses, in sentences; null where
    /// there is no chance in it, and at a safety level, whose gate is another one.
    measured: Option<String>,
}

impl ShownLadder {
    /// The ladder as it is shown.
    pub fn of(ladder: &Ladder) -> ShownLadder {
        let named = |index: &usize| ladder.levels[*index].level.clone();
        ShownLadder {
            version: ladder.version,
            tracks: ladder.tracks.clone(),
            levels: ladder
                .levels
                .iter()
                .map(|level| ShownLevel {
                    level: LevelBrief::of(level, ladder),
                    gate: level.gate,
                    measured: measured(level.measure)
                        .filter(|_| !level.safety)
                        .map(|measured| measured.text()),
                    needs: level
                        .below
                        .iter()
                        .map(|below| vec![named(below)])
                        .chain(
                            level
                                .needs
                                .iter()
                                .map(|need| need.iter().map(named).collect()),
                        )
                        .collect(),
                })
                .collect(),
            faults: ladder.faults.clone(),
            questions: QUESTIONS,
        }
    }
}

/// Tracks, skills, levels, their gates and needs, faults.
#[utoipa::path(
    get, path = "/api/ladder", operation_id = "show_ladder", tag = "ladder",
    responses(
        (status = 200, description = "The standard ladder", body = ShownLadder),
    )
)]
async fn show(State(app): State<App>, _signed: Signed) -> Json<ShownLadder> {
    Json(ShownLadder::of(app.ladder))
}
