//! Intakes: where a horse stands that nobody here has ridden.

use axum::Json;
use axum::extract::State;
use cavesson_core::horse::Sex;
use cavesson_core::intake::asked::Asked;
use cavesson_core::intake::belief::Effort;
use cavesson_core::intake::found::{Finding, FoundLevel, IntakeHole};
use cavesson_core::intake::safe::Known;
use cavesson_core::intake::{BarnHorse, Belief, IntakeAsk, Model, Story, found};
use cavesson_core::judge::{BrakeLimit, KeptIntake, ShownAtIntake};
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_store::BarnTransaction;
use cavesson_store::horse::horses;
use cavesson_store::horse::known;
use cavesson_store::ride::intake;
use cavesson_store::ride::intake::IntakeRide;
use cavesson_store::ride::intake::StoredIntake;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::{HorseLadder, Judged};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// The intakes' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// What the intake of a horse has come to.
#[derive(Serialize, ToSchema)]
struct Intake {
    /// The story it came with, as it was said last; null before the first ride.
    story: Option<Story>,
    /// Its rides, oldest first.
    rides: Vec<RideOfIntake>,
    /// Every level, in the order of the work; empty until a ride of it is finished.
    levels: Vec<LevelOfIntake>,
    /// Missing under what the horse does, the one that most waits for first.
    holes: Vec<IntakeHole>,
}

/// A ride of an intake.
#[derive(Serialize, ToSchema)]
struct RideOfIntake {
    ride_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    finished: bool,
    /// Asks that were answered.
    asks: usize,
}

/// A level after an intake, and what first asks since have said of it.
#[derive(Serialize, ToSchema)]
struct LevelOfIntake {
    #[serde(flatten)]
    found: FoundLevel,
    /// What first asks since have said; null where it was not shown.
    confirmation: Option<Confirmation>,
}

/// The intake of a horse.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/intake", operation_id = "show_intake", tag = "horses", params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "Its rides, and what they found", body = Intake),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<Intake>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let rides = intake::rides(&mut barn, horse_id).await?;
    let ids: Vec<Uuid> = rides.iter().map(|ride| ride.ride_id).collect();
    // A server that ended between a batch and its working out made nothing of it.
    if intake::of_horse(&mut barn, horse_id).await?.is_none() {
        drop(barn);
        find_one(&app, signed.barn.barn_id, horse_id, &ids, today).await?;
        barn = signed.look().await?;
    }
    let reps = intake::reps(&mut barn, &ids).await?;
    let stored = intake::of_horse(&mut barn, horse_id).await?;
    let judged = app.known.judged_horse(barn, horse_id, today).await?;
    let (levels, holes) = match stored {
        Some(stored) => (
            stored
                .found
                .levels
                .into_iter()
                .map(|found| LevelOfIntake {
                    confirmation: confirmation(&judged, &stored.kept, &found.level),
                    found,
                })
                .collect(),
            stored.found.holes,
        ),
        None => (Vec::new(), Vec::new()),
    };
    let story = rides
        .iter()
        .rev()
        .find_map(|ride| ride.intake.as_ref().ok());
    Ok(Json(Intake {
        story: story.map(|intake| intake.story.clone()),
        rides: rides
            .iter()
            .map(|ride| RideOfIntake {
                ride_id: ride.ride_id,
                day: ride.day,
                finished: ride.finished,
                asks: reps
                    .iter()
                    .filter(|rep| rep.ride_id == ride.ride_id)
                    .count(),
            })
            .collect(),
        levels,
        holes,
    }))
}

/// What first asks since have said of a level that was shown at intake.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
enum Confirmation {
    /// Not yet enough.
    Waiting,
    /// It is held.
    Confirmed,
    /// It is not: worked on like any other.
    Doubted,
}

/// What first asks since have said of a level that the intake showed; none where it was not
/// shown, or holds for another reason by now.
fn confirmation(judged: &Judged, kept: &KeptIntake, level: &Level) -> Option<Confirmation> {
    let index = judged.ladder().position(level)?;
    kept.shown.iter().find(|shown| shown.level == *level)?;
    let hold = &judged.standings[index].history.hold;
    let sides = judged.ladder().levels[index].asked_sides();
    Some(match hold.is_held() {
        false => Confirmation::Doubted,
        true if hold.is_unconfirmed(sides) => Confirmation::Waiting,
        true => Confirmation::Confirmed,
    })
}

/// The asks of an intake, ride after ride.
pub fn asks(ladder: &Ladder, rides: &[IntakeRide], reps: &[Rep]) -> Vec<IntakeAsk> {
    let mut asks = Vec::new();
    for (number, ride) in (0u32..).zip(rides) {
        for rep in reps.iter().filter(|rep| rep.ride_id == ride.ride_id) {
            let Some(level) = ladder.at(&rep.level()) else {
                continue;
            };
            asks.push(IntakeAsk {
                level: rep.level(),
                side: rep.side,
                soft: Some(rep.measure.is_soft(&level.gate.soft, level.gait)),
                ride: number,
            });
        }
        let passed_over = ride.intake.as_ref().map(|intake| &intake.passed_over[..]);
        for level in passed_over.unwrap_or_default() {
            let side = ladder.at(level).map(|level| level.asked_sides()[0]);
            asks.extend(side.map(|side| IntakeAsk {
                level: level.clone(),
                side,
                soft: None,
                ride: number,
            }));
        }
    }
    asks
}

/// What was read of an intake, to be worked out.
struct ReadIntake {
    horse_id: Uuid,
    version: i64,
    ladder: HorseLadder,
    sex: Option<Sex>,
    rides: Vec<IntakeRide>,
    reps: Vec<Rep>,
    barn: Vec<BarnHorse>,
}

/// Works out anew what the intakes of these horses found, when one of their rides was sent,
/// after that was committed. A failure here is logged, and made good when the ride is sent
/// again, or when somebody looks at an intake of which nothing was found yet.
pub async fn find_and_keep(
    app: &App,
    barn_id: Uuid,
    horse_ids: &[Uuid],
    sent_rides: &[Uuid],
    today: Date,
) {
    for horse_id in horse_ids {
        if let Err(problem) = find_one(app, barn_id, *horse_id, sent_rides, today).await {
            tracing::error!(%problem, %barn_id, %horse_id, "an intake was not worked out");
        }
    }
}

async fn find_one(
    app: &App,
    barn_id: Uuid,
    horse_id: Uuid,
    sent_rides: &[Uuid],
    today: Date,
) -> Answer<()> {
    let mut look = BarnTransaction::look(&app.pool, barn_id).await?;
    let Some(read) = read(app, &mut look, horse_id, today).await? else {
        return Ok(());
    };
    let is_sent = |ride: &IntakeRide| sent_rides.contains(&ride.ride_id);
    if !read.rides.iter().any(is_sent) {
        return Ok(());
    }
    let judged = app.known.judged_horse(look, horse_id, today).await?;
    let (version, ladder_version) = (read.version, read.ladder.ladder.version);
    let found = app
        .work
        .judging
        .run(move || work_out(&read, judged.brake_lost().as_ref()))
        .await?;
    let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
    intake::put(&mut barn, horse_id, version, ladder_version, &found).await?;
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    Ok(())
}

/// The intake of a horse, when a ride of it is finished.
async fn read(
    app: &App,
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    today: Date,
) -> Answer<Option<ReadIntake>> {
    let rides: Vec<IntakeRide> = intake::rides(barn, horse_id)
        .await?
        .into_iter()
        .filter(|ride| ride.finished && ride.day <= today)
        .collect();
    if rides.is_empty() {
        return Ok(None);
    }
    let ids: Vec<Uuid> = rides.iter().map(|ride| ride.ride_id).collect();
    let versions = known::versions(barn, &[horse_id]).await?;
    let ladders = app
        .known
        .ladders
        .of_horses(barn, &[horse_id], today)
        .await?;
    let (Some(version), Some(ladder)) = (versions.first(), ladders.get(&horse_id)) else {
        return Ok(None);
    };
    Ok(Some(ReadIntake {
        horse_id,
        version: version.version,
        ladder: ladder.clone(),
        sex: version.sex,
        reps: intake::reps(barn, &ids).await?,
        barn: intake::barn_horses(barn, horse_id).await?,
        rides,
    }))
}

fn work_out(read: &ReadIntake, brake: Option<&BrakeLimit>) -> StoredIntake {
    let ladder = &read.ladder.ladder;
    let last = read.rides.iter().rev();
    let story = last
        .clone()
        .find_map(|ride| ride.intake.as_ref().ok())
        .map_or_else(Story::default, |intake| intake.story.clone());
    let asks = asks(ladder, &read.rides, &read.reps);
    let model = Model::new(ladder, &story, &read.barn);
    let asked = Asked::of(ladder, &asks, read.rides.len().saturating_sub(1) as u32);
    let seed = read.horse_id.as_u128() as u32;
    let belief = Belief::draw(&model, &asked, Effort::USUAL, u64::from(seed));
    let known = Known {
        ladder,
        story: &story,
        asked: &asked,
        belief: &belief,
        brake,
    };
    let found = found(&known, read.sex);
    let shown = found
        .levels
        .iter()
        .filter(|level| level.finding == Finding::Shown);
    StoredIntake {
        kept: KeptIntake {
            day: read.rides.last().map_or(Date::MIN, |ride| ride.day),
            shown: shown
                .map(|level| ShownAtIntake {
                    level: level.level.clone(),
                    chance: level.chance,
                })
                .collect(),
            holes: found.holes.iter().map(|hole| hole.level.clone()).collect(),
        },
        found,
    }
}

/// What a device needs of an intake that goes on: what was asked so far.
///
/// # Errors
/// When a query fails.
pub async fn asked_so_far(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    ladder: &Ladder,
) -> Answer<Vec<IntakeAsk>> {
    let rides = intake::rides(barn, horse_id).await?;
    let finished: Vec<IntakeRide> = rides.into_iter().filter(|ride| ride.finished).collect();
    let ids: Vec<Uuid> = finished.iter().map(|ride| ride.ride_id).collect();
    let reps = intake::reps(barn, &ids).await?;
    Ok(asks(ladder, &finished, &reps))
}
