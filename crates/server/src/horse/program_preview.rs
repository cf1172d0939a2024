//! What a changed program would do to the verdicts of the barn's own horses, before it
//! is saved.

use std::collections::HashMap;
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use cavesson_core::judge::{State as LevelState, Verdict};
use cavesson_core::program::Program;
use cavesson_store::horse::horses;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::levels::LevelBrief;
use crate::horse::programs::fitted;
use crate::horse_record::{HorseLadder, Judged};
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Decider;
use crate::route;

/// The preview's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(preview))
}

/// A change to be looked at before it is made.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct PreviewedProgram {
    content: Program,
    /// The horses to judge with it; all that are on `program_id` when left out.
    #[serde(default)]
    horses: Option<Vec<Uuid>>,
    /// The program it changes.
    #[serde(default)]
    program_id: Option<Uuid>,
}

/// Verdicts that a change would change.
#[derive(Serialize, ToSchema)]
struct Preview {
    /// Horses that were judged.
    horses: usize,
    /// What would change, by horse and level.
    changes: Vec<ChangedVerdict>,
}

/// A verdict that would change.
#[derive(Serialize, ToSchema)]
struct ChangedVerdict {
    horse_id: Uuid,
    horse: String,
    level: LevelBrief,
    verdict_now: Verdict,
    verdict_then: Verdict,
    state_now: LevelState,
    state_then: LevelState,
}

/// See which verdicts a program would change, without making it.
#[utoipa::path(
    post, path = "/api/programs/preview", operation_id = "preview_program", tag = "programs",
    request_body = PreviewedProgram,
    responses(
        (status = 200, description = "What would change on this barn's horses", body = Preview),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn preview(
    State(app): State<App>,
    Decider(signed): Decider,
    Body(previewed): Body<PreviewedProgram>,
) -> Answer<Json<Preview>> {
    let ladder = fitted(&previewed.content)?;
    let mut barn = signed.look().await?;
    let horses = horses::list(&mut barn, None).await?;
    let names: HashMap<Uuid, String> = horses
        .iter()
        .map(|horse| (horse.horse_id, horse.name.clone()))
        .collect();
    let wanted: Vec<Uuid> = horses
        .iter()
        .filter(|horse| match &previewed.horses {
            Some(named) => named.contains(&horse.horse_id),
            None => horse.program_id == previewed.program_id,
        })
        .map(|horse| horse.horse_id)
        .collect();
    let now = app.known.judged(barn, &wanted, signed.today()).await?;
    let then_on = HorseLadder {
        ladder: Arc::new(ladder),
        program: None,
        changes: Arc::new(previewed.content.clone()),
        unfit: None,
        before: Arc::default(),
    };
    let today = signed.today();
    let changes = app.work.judging.run(move || {
        now.iter()
            .flat_map(|now| {
                // What was gained and lost until now stays; the new gates hold from today.
                let then_on = now.on_ladder.then(then_on.clone(), today);
                let then = now.on_another_ladder(&then_on);
                changed_verdicts(
                    now,
                    &then,
                    names.get(&now.horse_id).cloned().unwrap_or_default(),
                )
            })
            .collect()
    });
    Ok(Json(Preview {
        horses: wanted.len(),
        changes: changes.await?,
    }))
}

/// The levels on both ladders whose verdict or state differs.
fn changed_verdicts(now: &Judged, then: &Judged, horse: String) -> Vec<ChangedVerdict> {
    then.standings
        .iter()
        .filter_map(|after| {
            let level = &then.ladder().levels[after.index];
            let before = &now.standings[now.ladder().position(&level.level)?];
            let differs = before.verdict != after.verdict || before.state != after.state;
            differs.then(|| ChangedVerdict {
                horse_id: now.horse_id,
                horse: horse.clone(),
                level: LevelBrief::of(level, then.ladder()),
                verdict_now: before.verdict,
                verdict_then: after.verdict,
                state_now: before.state,
                state_then: after.state,
            })
        })
        .collect()
}
