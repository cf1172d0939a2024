//! Changing the bit, step by step.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::gear::milder::{OnShelf, one_milder};
use cavesson_core::gear::protocol::{NextStep, StepTaken, check_steps, next_step, says};
use cavesson_core::gear::school::forbids;
use cavesson_core::judge::Verdict;
use cavesson_core::ladder::{Ladder, LadderLevel, Role};
use cavesson_core::school::Schools;
use cavesson_core::yard::GearKind;
use cavesson_store::barn::gear;
use cavesson_store::barn::gear::Gear;
use cavesson_store::tack::bit_change;
use cavesson_store::tack::bit_change::BitChange;
use jiff::Timestamp;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::shelf::piece;
use crate::App;
use crate::horse::levels::LevelBrief;
use crate::horse_record::Judged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(put))
}

/// A change of bit as a device sends it, whole each time.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewBitChange {
    horse_id: Uuid,
    /// The new piece.
    gear_id: Uuid,
    /// What the horse wore before.
    #[serde(default)]
    from_gear_id: Option<Uuid>,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    /// The steps as they went; each follows from those before it.
    #[schema(max_items = 100)]
    steps: Vec<StepTaken>,
}

/// A change of bit with what it leads to.
#[derive(Serialize, ToSchema)]
struct BitChangeShown {
    change_id: Uuid,
    gear_id: Uuid,
    /// What the new piece is called.
    gear: String,
    from_gear_id: Option<Uuid>,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    #[schema(value_type = String, format = Date)]
    day: Date,
    steps: Vec<StepTaken>,
    next: NextStep,
    /// The same in sentences.
    says: Vec<String>,
    /// The piece on the shelf that is one step milder; null where none is.
    milder_gear_id: Option<Uuid>,
}

/// A level of the bridle, as it stands.
#[derive(Serialize, ToSchema)]
struct BridleLevel {
    level: LevelBrief,
    verdict: Verdict,
    held: bool,
}

/// A horse's changes of bit, and the gates that judge them.
#[derive(Serialize, ToSchema)]
struct BitChanges {
    /// Latest first.
    changes: Vec<BitChangeShown>,
    /// What the first leverage bit needs that is not held yet.
    missing: Vec<LevelBrief>,
    /// The levels of the bridle on the horse's ladder.
    bridle: Vec<BridleLevel>,
}

/// A horse's changes of bit, and the gates that judge them.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/bit-changes", operation_id = "list_bit_changes", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "Changes and gates", body = BitChanges),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn list(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<BitChanges>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let changes = bit_change::of_horse(&mut barn, horse_id).await?;
    let shelf = gear::list(&mut barn).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let schools = &judged.on_ladder.changes.schools;
    Ok(Json(BitChanges {
        changes: changes
            .into_iter()
            .map(|change| shown(change, &shelf, schools))
            .collect(),
        missing: missing(&judged),
        bridle: bridle(&judged),
    }))
}

fn shown(change: BitChange, shelf: &[Gear], schools: &Schools) -> BitChangeShown {
    let next = next_step(&change.steps);
    let own = shelf.iter().find(|piece| piece.gear_id == change.gear_id);
    let on_shelf: Vec<OnShelf<'_>> = shelf
        .iter()
        .filter(|piece| piece.put_away_at.is_none() && is_candidate(piece.sheet.kind))
        .filter(|piece| !forbids(schools, &piece.sheet.measures))
        .map(as_on_shelf)
        .collect();
    BitChangeShown {
        change_id: change.change_id,
        gear_id: change.gear_id,
        gear: own.map_or_else(String::new, |piece| piece.sheet.name.clone()),
        from_gear_id: change.from_gear_id,
        started_at: change.started_at,
        day: change.day,
        says: says(next),
        milder_gear_id: own.and_then(|piece| one_milder(&as_on_shelf(piece), &on_shelf)),
        next,
        steps: change.steps,
    }
}

fn is_candidate(kind: GearKind) -> bool {
    matches!(kind, GearKind::Snaffle | GearKind::Bosal | GearKind::Shank)
}

fn as_on_shelf(piece: &Gear) -> OnShelf<'_> {
    OnShelf {
        gear_id: piece.gear_id,
        bitless: matches!(piece.sheet.kind, GearKind::Bosal | GearKind::Halter),
        measures: &piece.sheet.measures,
    }
}

fn missing(judged: &Judged) -> Vec<LevelBrief> {
    let ladder = judged.ladder();
    first_leverage_needs()
        .filter_map(|need| ladder.position(&need.level))
        .filter(|index| !judged.standings[*index].counts_as_held())
        .map(|index| LevelBrief::of(&ladder.levels[index], ladder))
        .collect()
}

/// What the first bit with leverage needs beside other bits, by the ladder, whatever the
/// school.
fn first_leverage_needs() -> impl Iterator<Item = &'static LadderLevel> {
    let every = Ladder::every_level();
    let first = every.first_in(Role::FirstLeverage);
    let needs = first
        .into_iter()
        .flat_map(|index| &every.levels[index].needs);
    needs
        .filter_map(|alternatives| Some(&every.levels[*alternatives.first()?]))
        .filter(|need| !need.is(Role::NewBit))
}

fn bridle(judged: &Judged) -> Vec<BridleLevel> {
    let ladder = judged.ladder();
    judged
        .standings
        .iter()
        .filter(|standing| {
            ladder.levels[standing.index]
                .level
                .skill
                .0
                .starts_with("bridle.")
        })
        .map(|standing| BridleLevel {
            level: LevelBrief::of(&ladder.levels[standing.index], ladder),
            verdict: standing.verdict,
            held: standing.counts_as_held(),
        })
        .collect()
}

/// Keep a change of bit. The same one may be sent again and again as it grows.
#[utoipa::path(
    put, path = "/api/bit-changes/{change_id}", operation_id = "put_bit_change", tag = "tack",
    params(("change_id" = Uuid, Path)), request_body = NewBitChange,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "No such horse or piece", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known of another horse, piece or begin", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    Recorder(signed): Recorder,
    UrlPath(change_id): UrlPath<Uuid>,
    Body(new): Body<NewBitChange>,
) -> Answer<StatusCode> {
    check_steps(&new.steps).map_err(Problem::field)?;
    signed
        .check_begun("/started_at", new.started_at)
        .map_err(Problem::field)?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, new.horse_id).await?;
    piece(&mut barn, "/gear_id", new.gear_id).await?;
    if let Some(from) = new.from_gear_id {
        piece(&mut barn, "/from_gear_id", from).await?;
    }
    let change = BitChange {
        change_id,
        horse_id: new.horse_id,
        gear_id: new.gear_id,
        from_gear_id: new.from_gear_id,
        started_at: new.started_at,
        day: signed.day_of(new.started_at),
        steps: new.steps,
    };
    if !bit_change::put(&mut barn, &change, signed.person.person_id).await? {
        return Err(Problem::id_conflict("/change_id", change_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
