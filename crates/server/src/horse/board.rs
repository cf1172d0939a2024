//! The barn board: all horses on all tracks at a glance.

use axum::Json;
use axum::extract::State;
use cavesson_core::day::days_between;
use cavesson_core::judge::next::next_level;
use cavesson_core::judge::track::{StiffSide, TrackStanding, stiff_side, tracks};
use cavesson_core::judge::{Standing, State as LevelState, Verdict};
use cavesson_store::horse::horses;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::horses::Horse;
use crate::horse::levels::LevelBrief;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::{On, UrlQuery};
use crate::route;

/// The board's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// All horses at a glance.
#[derive(Serialize, ToSchema)]
struct Board {
    #[schema(value_type = String, format = Date)]
    on: Date,
    /// Tracks in the order of the work: id and name.
    tracks: Vec<BoardTrack>,
    /// The horses by name.
    horses: Vec<BoardHorse>,
}

/// A track, as the board heads its column.
#[derive(Serialize, ToSchema)]
struct BoardTrack {
    id: String,
    name: String,
}

/// A horse on the board.
#[derive(Serialize, ToSchema)]
struct BoardHorse {
    horse: Horse,
    /// In the order of the work; a track that its program does not have is missing.
    tracks: Vec<TrackStanding>,
    /// The one thing to do next, and what the judge says of it.
    next: Option<LevelBrief>,
    next_verdict: Option<Verdict>,
    /// Levels asked in the last three weeks whose gate stands open, and what waits
    /// for them is open and not begun.
    ready: Vec<LevelBrief>,
    /// Held levels that went rusty.
    rusty: Vec<LevelBrief>,
    /// The stiff side, when one is, and whether it was worked.
    stiff_side: Option<StiffSide>,
    /// The last day it was ridden.
    #[schema(value_type = Option<String>, format = Date)]
    last_ridden: Option<Date>,
}

/// Days after which a level that was not asked is no news.
const NEWS_DAYS: i64 = 21;

/// Its gate stands open, and nothing that waits for it was begun or is held.
fn is_ready(judged: &Judged, standing: &Standing) -> bool {
    let opens = &judged.ladder().levels[standing.index].opens;
    let mut waiting = opens.iter().map(|index| &judged.standings[*index]);
    let lately = |day: Date| days_between(day, judged.on) <= NEWS_DAYS;
    standing.verdict == Verdict::Advance
        && standing.last_asked.is_some_and(lately)
        && waiting.clone().any(|one| one.state == LevelState::Open)
        && waiting.all(|one| one.last_asked.is_none() && !one.counts_as_held())
}

/// All horses on all tracks.
#[utoipa::path(
    get, path = "/api/board", operation_id = "show_board", tag = "board", params(On),
    responses(
        (status = 200, description = "Who is ready, stuck, stiff, rusty", body = Board),
        (status = 422, description = "A date that cannot be read", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlQuery(query): UrlQuery<On>,
) -> Answer<Json<Board>> {
    let today = signed.now();
    let on = query.day(today.date())?;
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let stored = horses::list(&mut barn, owner).await?;
    let ids: Vec<Uuid> = stored.iter().map(|horse| horse.horse_id).collect();
    let judged = app.known.judged(barn, &ids, on).await?;
    Ok(Json(Board {
        on,
        tracks: app
            .ladder
            .tracks
            .iter()
            .map(|track| BoardTrack {
                id: track.id.clone(),
                name: track.name.clone(),
            })
            .collect(),
        horses: stored
            .into_iter()
            .zip(&judged)
            .map(|(horse, judged)| board_horse(Horse::new(horse, today.year()), judged))
            .collect(),
    }))
}

fn board_horse(horse: Horse, judged: &Judged) -> BoardHorse {
    let ladder = judged.ladder();
    let next = next_level(ladder, &judged.standings, judged.on);
    let brief = |index: usize| LevelBrief::of(&ladder.levels[index], ladder);
    let of = |wanted: &dyn Fn(&Standing) -> bool| {
        let found = judged.standings.iter().filter(|standing| wanted(standing));
        found.map(|standing| brief(standing.index)).collect()
    };
    BoardHorse {
        horse,
        tracks: tracks(ladder, &judged.standings, judged.on),
        next: next.map(brief),
        next_verdict: next.map(|index| judged.standings[index].verdict),
        ready: of(&|standing| is_ready(judged, standing)),
        rusty: of(&|standing| standing.state == LevelState::Rusty),
        stiff_side: stiff_side(&judged.file, judged.on),
        last_ridden: judged
            .file
            .rides
            .iter()
            .rev()
            .map(|ride| ride.day)
            .find(|day| *day <= judged.on),
    }
}
