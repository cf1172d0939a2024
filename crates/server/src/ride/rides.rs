//! Rides.

use axum::Json;
use axum::extract::State;
use cavesson_core::Side;
use cavesson_core::gear::two_rein::TwoReinRide;
use cavesson_core::horse::RideMark;
use cavesson_core::ladder::{FaultId, Ladder, RungId, SkillId};
use cavesson_core::person::{NotCleared, RideNeeds, Role};
use cavesson_core::rep::Measure;
use cavesson_core::ride::shares::two_rein_ride;
use cavesson_core::ride::strip::strips;
use cavesson_core::ride::{Exertion, Mood, RideEnd, RigFrom, Strip};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::gear;
use cavesson_store::barn::person;
use cavesson_store::ride::ride_block;
use cavesson_store::ride::rides;
use cavesson_store::ride::timeline;
use cavesson_store::ride::timeline::RepChange;
use cavesson_store::ride::timeline::TimelineRep;
use cavesson_store::tack::ride_share;
use jiff::Timestamp;
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
use crate::http::url::UrlPath;
use crate::ride::cards::planned_on;
use crate::route;

/// The rides' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// A ride with its strips.
#[derive(Serialize, ToSchema)]
struct Ride {
    ride_id: Uuid,
    horse: Horse,
    rider: String,
    #[schema(value_type = String, format = Date)]
    day: Date,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    /// The same as the clock of the device stood that began it.
    #[schema(value_type = String, format = DateTime)]
    device_started_at: Timestamp,
    #[schema(value_type = Option<String>, format = DateTime)]
    finished_at: Option<Timestamp>,
    /// How often it was opened again after a finish.
    opened_again: u32,
    /// What made it unlike the others.
    marks: Vec<RideMark>,
    /// How it ended; null while nobody said.
    ended: Option<RideEnd>,
    /// The horse's mood; null while nobody said.
    mood: Option<Mood>,
    /// How hard it was on the horse; null while nobody said.
    exertion: Option<Exertion>,
    /// One line for next time; empty where there is none.
    note: String,
    /// Seconds until it was quiet before mounting; null where nobody took it.
    quiet_after_s: Option<f64>,
    /// The rigs it was ridden in, first to last.
    rigs: Vec<RigFrom>,
    /// In the two-rein: the share along it, and what the horse asked for; null for any other.
    two_rein: Option<TwoReinRide>,
    /// What its rider was not cleared for, by today's clearances; for those who decide, empty
    /// for others. A ride that was ridden is never refused.
    not_cleared: Vec<String>,
    /// It was logged from a film.
    from_tape: bool,
    /// Who else was there; null where nobody said.
    present: Option<String>,
    /// Its parts, in their order.
    blocks: Vec<RideBlock>,
    /// Every ask in the order of asking, those taken back among them.
    timeline: Vec<TimelineAsk>,
    /// Where the horse was down for that day; null where it was not.
    place: Option<String>,
}

/// An ask of a ride, with its history.
#[derive(Serialize, ToSchema)]
struct TimelineAsk {
    rep_id: Uuid,
    block_id: Uuid,
    skill: SkillId,
    rung: RungId,
    /// What the level is called.
    name: String,
    side: Side,
    /// Its place among the asks of its device.
    sequence: u32,
    /// Milliseconds from the ride's start.
    asked_after_ms: u32,
    #[schema(value_type = String, format = DateTime)]
    asked_at: Timestamp,
    measure: Measure,
    /// Whether it was soft; null for a level that the horse's ladder does not have.
    soft: Option<bool>,
    /// Faults that were seen.
    faults: Vec<FaultId>,
    /// Taken back: kept, never judged.
    undone: bool,
    /// How often it was taken back or brought back.
    changes: u32,
    /// Who recorded it.
    recorded_by: String,
    /// When it was taken back and brought back, and by whom.
    history: Vec<AskChange>,
}

/// A time an ask was taken back or brought back.
#[derive(Serialize, ToSchema)]
struct AskChange {
    /// Taken back; otherwise brought back.
    taken_back: bool,
    /// By whom.
    by: String,
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
}

/// A part of a ride with one aim.
#[derive(Serialize, ToSchema)]
struct RideBlock {
    block_id: Uuid,
    level: LevelBrief,
    strip: Strip,
    /// Faults seen in it, beside those on its reps.
    faults: Vec<FaultId>,
    /// Faults that can show in such work.
    may_show: Vec<FaultChip>,
}

/// A fault that can be seen.
#[derive(Serialize, ToSchema)]
struct FaultChip {
    fault: FaultId,
    /// What the chip says.
    name: String,
}

/// One ride, rep by rep.
#[utoipa::path(
    get, path = "/api/rides/{ride_id}", operation_id = "show_ride", tag = "rides", params(("ride_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The ride", body = Ride),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(ride_id): UrlPath<Uuid>,
) -> Answer<Json<Ride>> {
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let ride = rides::find(&mut barn, ride_id, owner)
        .await?
        .ok_or_else(|| Problem::not_found("no such ride in this barn"))?;
    let stored = signed.horse(&mut barn, ride.horse_id).await?;
    let horse = Horse::new(stored, signed.now().year());
    let kept = ride_block::of_rides(&mut barn, &[ride_id]).await?;
    let said = rides::said(&mut barn, ride_id).await?;
    let reps = timeline::reps(&mut barn, ride_id).await?;
    let changes = timeline::changes(&mut barn, ride_id).await?;
    let place = planned_on(&mut barn, &signed, ride.horse_id, ride.day)
        .await?
        .map(|planned| planned.place);
    let horse_id = ride.horse_id;
    let two_rein = two_rein(&mut barn, ride_id).await?;
    let not_cleared = not_cleared(&mut barn, &signed, &ride, &said.rigs).await?;
    let judged = app.known.judged_horse(barn, horse_id, ride.day).await?;
    let day = ride.day;
    let parts = app.work.judging.run(move || {
        let blocks: Vec<RideBlock> = kept
            .iter()
            .filter_map(|kept| block(&judged, day, kept))
            .collect();
        (blocks, timeline_of(judged.ladder(), reps, &changes))
    });
    let (blocks, timeline) = parts.await?;
    Ok(Json(Ride {
        ride_id,
        horse,
        rider: ride.rider,
        day: ride.day,
        started_at: ride.started_at,
        device_started_at: ride.device_started_at,
        finished_at: ride.finished_at,
        opened_again: ride.opened_again,
        marks: ride.marks,
        ended: said.ended,
        mood: said.mood,
        exertion: said.exertion,
        note: said.note,
        quiet_after_s: said.quiet_after_s,
        rigs: said.rigs,
        two_rein,
        not_cleared,
        from_tape: said.from_tape,
        present: said.present,
        blocks,
        timeline,
        place,
    }))
}

async fn two_rein(barn: &mut BarnTransaction, ride_id: Uuid) -> Answer<Option<TwoReinRide>> {
    let found = ride_share::of_ride(barn, ride_id).await?;
    Ok(found.and_then(|one| two_rein_ride(&one.shares, &one.asked, one.ended_ms, false)))
}

/// What the rider of a ride was not cleared for in its rigs.
async fn not_cleared(
    barn: &mut BarnTransaction,
    signed: &Signed,
    ride: &rides::Ride,
    rigs: &[RigFrom],
) -> Answer<Vec<String>> {
    if signed.person.role != Role::Trainer || rigs.is_empty() {
        return Ok(Vec::new());
    }
    let members = person::members(barn).await?;
    let rider_id = rides::rider_of(barn, ride.ride_id).await?;
    let Some(rider) = members
        .into_iter()
        .find(|member| Some(member.person.person_id) == rider_id)
    else {
        return Ok(Vec::new());
    };
    let shelf = gear::list(barn).await?;
    let mut said: Vec<String> = Vec::new();
    for rig in rigs {
        let piece = shelf
            .iter()
            .find(|piece| Some(piece.gear_id) == rig.gear_id);
        let needs = RideNeeds {
            person_id: rider.person.person_id,
            horse_id: ride.horse_id,
            rig: Some(rig.kind),
            cattle: false,
            first_rides: false,
            quiet_hands: piece.is_some_and(|piece| piece.sheet.quiet_hands),
            only_riders: None,
        };
        let stops = rider.clearance.stops(rider.person.role, &needs);
        for why in stops {
            let text = format!("{}.", why.text(&rider.person.name));
            if why != NotCleared::Role && !said.contains(&text) {
                said.push(text);
            }
        }
    }
    Ok(said)
}

fn timeline_of(ladder: &Ladder, reps: Vec<TimelineRep>, changes: &[RepChange]) -> Vec<TimelineAsk> {
    let ask = |rep: TimelineRep| {
        let at = ladder.at(&rep.level);
        let own = changes.iter().filter(|change| change.rep_id == rep.rep_id);
        TimelineAsk {
            rep_id: rep.rep_id,
            block_id: rep.block_id,
            name: at.map_or_else(|| rep.level.to_string(), |at| at.name.clone()),
            soft: at.map(|at| rep.measure.is_soft(&at.gate.soft, at.gait)),
            skill: rep.level.skill,
            rung: rep.level.rung,
            side: rep.side,
            sequence: rep.sequence,
            asked_after_ms: rep.asked_after_ms,
            asked_at: rep.asked_at,
            measure: rep.measure,
            faults: rep.faults,
            undone: rep.undone,
            changes: rep.changes,
            recorded_by: rep.recorded_by,
            history: own
                .map(|change| AskChange {
                    taken_back: change.taken_back,
                    by: change.changed_by.clone(),
                    at: change.changed_at,
                })
                .collect(),
        }
    };
    reps.into_iter().map(ask).collect()
}

/// A block with its strip; none for a level that the horse's ladder does not have, or
/// in which nothing was asked.
fn block(judged: &Judged, day: Date, kept: &ride_block::RideBlock) -> Option<RideBlock> {
    let ladder = judged.ladder();
    let (ride_id, level) = (kept.ride_id, &kept.level);
    let at = ladder.at(level)?;
    let reps = judged.known.reps.get(level)?;
    let strip = strips(reps, at, ladder, day)
        .into_iter()
        .find(|strip| strip.ride_id == ride_id)?;
    let track = &ladder.tracks[at.track].id;
    let may_show = ladder
        .faults
        .iter()
        .filter(|fault| fault.shows_in(track, &level.skill, at.measure, at.sides))
        .map(|fault| FaultChip {
            fault: fault.id.clone(),
            name: fault.name.clone(),
        })
        .collect();
    let seen = judged.known.faults.iter();
    Some(RideBlock {
        block_id: kept.block_id,
        level: LevelBrief::of(at, ladder),
        strip,
        faults: seen
            .filter(|chip| chip.ride_id == ride_id && chip.level == *level)
            .map(|chip| chip.fault.clone())
            .collect(),
        may_show,
    })
}
