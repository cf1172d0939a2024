//! The pieces a horse may wear: how they sit, what they say, and why somebody may not ride in
//! one.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::gear::{Fitting, FittingSaid, school};
use cavesson_core::person::{Clearance, NotCleared, RideNeeds};
use cavesson_core::rep::HandWeight;
use cavesson_core::rig::RigKind;
use cavesson_core::yard::GearSheet;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::gear;
use cavesson_store::barn::gear::Gear;
use cavesson_store::barn::person;
use cavesson_store::tack::fitting;
use cavesson_store::tack::fitting::Fitted;
use cavesson_store::tack::restore;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::shelf::piece;
use crate::App;
use crate::horse_record::Judged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(fit))
        .routes(route!(take_off))
        .routes(route!(list))
}

/// A piece as one horse may wear it.
#[derive(Serialize, ToSchema)]
struct PieceForHorse {
    gear_id: Uuid,
    #[serde(flatten)]
    sheet: GearSheet,
    /// The most hand it allows; null for what is not on the head.
    allows: Option<HandWeight>,
    /// It is what the horse wears.
    worn: bool,
    /// How it sits; null where it was never fitted on this horse.
    fitting: Option<Fitting>,
    /// What the fitting comes to.
    said: FittingSaid,
    /// Since when it is fitted so.
    #[schema(value_type = Option<String>, format = DateTime)]
    fitted_at: Option<Timestamp>,
    /// Why whoever asks may not ride this horse in it, in sentences; empty: they may.
    stopped: Vec<String>,
    /// What the horse's program says of it, in sentences.
    program_says: Vec<String>,
}

/// Tack that is not on the shelf, by kind.
#[derive(Serialize, ToSchema)]
struct KindForHorse {
    kind: RigKind,
    /// Why whoever asks may not ride this horse in it; empty: they may.
    stopped: Vec<String>,
}

/// What a horse may wear.
#[derive(Serialize, ToSchema)]
struct HorseTack {
    /// The headgear on the shelf; what the horse wears first.
    pieces: Vec<PieceForHorse>,
    /// Headgear that is not on the shelf.
    kinds: Vec<KindForHorse>,
    /// Why whoever asks may not ride this horse, whatever it wears; empty: they may.
    stopped: Vec<String>,
}

/// How a piece sits on a horse.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewFitting {
    /// The horse wears it from now on; what it wore on its head before comes off.
    worn: bool,
    #[serde(default)]
    fitting: Fitting,
}

/// A piece on a horse of the barn.
#[derive(Serialize, ToSchema)]
struct FittedOn {
    horse_id: Uuid,
    gear_id: Uuid,
    worn: bool,
}

/// Which piece is fitted on which horse.
#[utoipa::path(
    get, path = "/api/fittings", operation_id = "list_fittings", tag = "tack",
    responses((status = 200, description = "All of them", body = [FittedOn]))
)]
async fn list(Recorder(signed): Recorder) -> Answer<Json<Vec<FittedOn>>> {
    let all = fitting::list(&mut signed.look().await?, None).await?;
    let one = |one: Fitted| FittedOn {
        horse_id: one.horse_id,
        gear_id: one.gear_id,
        worn: one.worn,
    };
    Ok(Json(all.into_iter().map(one).collect()))
}

/// The pieces on the shelf, as this horse may wear them and whoever asks may ride in them.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/tack", operation_id = "show_tack", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "What it wears first", body = HorseTack),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<HorseTack>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let shelf = gear::list(&mut barn).await?;
    let fitted = fitting::list(&mut barn, Some(horse_id)).await?;
    let asks = Asks::of(&mut barn, &signed, horse_id).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let mut pieces: Vec<PieceForHorse> = shelf
        .into_iter()
        .filter(|piece| piece.put_away_at.is_none() && piece.sheet.kind.rig().is_some())
        .map(|piece| {
            let own = fitted.iter().find(|own| own.gear_id == piece.gear_id);
            asks.piece(&judged, piece, own)
        })
        .collect();
    pieces.sort_by_key(|piece| (!piece.worn, piece.fitting.is_none()));
    let kinds = RigKind::ALL.into_iter().map(|kind| KindForHorse {
        kind,
        stopped: asks.stopped(Some(kind), false),
    });
    Ok(Json(HorseTack {
        pieces,
        kinds: kinds.collect(),
        stopped: asks.stopped(None, false),
    }))
}

/// Who asks, and what the horse asks of them.
struct Asks<'a> {
    signed: &'a Signed,
    clearance: Clearance,
    horse_id: Uuid,
    only_riders: Option<Vec<Uuid>>,
}

impl Asks<'_> {
    async fn of<'a>(
        barn: &mut BarnTransaction,
        signed: &'a Signed,
        horse_id: Uuid,
    ) -> Answer<Asks<'a>> {
        let members = person::members(barn).await?;
        let own = members
            .into_iter()
            .find(|member| member.person.person_id == signed.person.person_id);
        let clearance = own.map_or_else(
            || Clearance::for_new(signed.person.role),
            |member| member.clearance,
        );
        let open = restore::of_horse(barn, horse_id).await?.into_iter();
        let only_riders = open
            .filter(|restore| restore.ended.is_none())
            .map(|restore| restore.plan.riders)
            .next();
        Ok(Asks {
            signed,
            clearance,
            horse_id,
            only_riders,
        })
    }

    /// What is about tack and horse: cattle and first rides are looked at where rides are
    /// planned.
    fn stopped(&self, rig: Option<RigKind>, quiet_hands: bool) -> Vec<String> {
        let person = &self.signed.person;
        let needs = RideNeeds {
            person_id: person.person_id,
            horse_id: self.horse_id,
            rig,
            cattle: false,
            first_rides: false,
            quiet_hands,
            only_riders: self.only_riders.as_deref(),
        };
        let stops = self.clearance.stops(person.role, &needs).into_iter();
        stops
            .filter(|why| *why != NotCleared::Role)
            .map(|why| format!("{}.", why.text(&person.name)))
            .collect()
    }

    fn piece(&self, judged: &Judged, piece: Gear, own: Option<&Fitted>) -> PieceForHorse {
        let fitting = own.map(|own| own.fitting.clone());
        PieceForHorse {
            gear_id: piece.gear_id,
            allows: piece.sheet.allows(),
            worn: own.is_some_and(|own| own.worn),
            said: fitting
                .as_ref()
                .map(|fitting| fitting.said(&piece.sheet.measures))
                .unwrap_or_default(),
            fitting,
            fitted_at: own.map(|own| own.fitted_at),
            stopped: self.stopped(piece.sheet.kind.rig(), piece.sheet.quiet_hands),
            program_says: piece.sheet.kind.rig().map_or_else(Vec::new, |kind| {
                let schools = &judged.on_ladder.changes.schools;
                let said = school::says(schools, kind, &piece.sheet.measures);
                said.into_iter().map(str::to_owned).collect()
            }),
            sheet: piece.sheet,
        }
    }
}

/// Fit a piece on a horse.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/tack/{gear_id}", operation_id = "fit_tack", tag = "tack",
    params(("horse_id" = Uuid, Path), ("gear_id" = Uuid, Path)), request_body = NewFitting,
    responses(
        (status = 204, description = "Fitted"),
        (status = 404, description = "No such horse or piece", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn fit(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath((horse_id, gear_id)): UrlPath<(Uuid, Uuid)>,
    Body(new): Body<NewFitting>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    let piece = piece(&mut barn, "/gear_id", gear_id).await?;
    let checked = new.fitting.check(&piece.sheet.measures);
    checked.map_err(|error| Problem::field(error.under("/fitting")))?;
    if new.worn {
        may_wear(&mut barn, &signed, horse_id, &piece).await?;
    }
    let fitted = Fitted {
        horse_id,
        gear_id,
        kind: piece.sheet.kind,
        worn: new.worn,
        fitting: new.fitting,
        fitted_at: app.clock.now(),
    };
    fitting::put(&mut barn, &fitted, signed.person.person_id).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Whoever puts a piece on a horse is cleared to ride in it, or decides.
async fn may_wear(
    barn: &mut BarnTransaction,
    signed: &Signed,
    horse_id: Uuid,
    piece: &Gear,
) -> Answer<()> {
    if piece.put_away_at.is_some() {
        return Err(Problem::field(FieldError::new(
            "/worn",
            "this piece is put away; take it out on the shelf first",
        )));
    }
    let asks = Asks::of(barn, signed, horse_id).await?;
    let stopped = asks.stopped(piece.sheet.kind.rig(), piece.sheet.quiet_hands);
    if stopped.is_empty() {
        return Ok(());
    }
    Err(Problem::not_allowed(stopped.join(" ")))
}

/// Take a piece off a horse's list.
#[utoipa::path(
    delete, path = "/api/horses/{horse_id}/tack/{gear_id}", operation_id = "take_off_tack", tag = "tack",
    params(("horse_id" = Uuid, Path), ("gear_id" = Uuid, Path)),
    responses((status = 204, description = "Off the list"))
)]
async fn take_off(
    Recorder(signed): Recorder,
    UrlPath((horse_id, gear_id)): UrlPath<(Uuid, Uuid)>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    if !fitting::remove(&mut barn, horse_id, gear_id).await? {
        return Err(Problem::not_found("this piece is not fitted on this horse"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
