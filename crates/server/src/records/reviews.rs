//! The trainer's review: a month over the barn, and lines for invoices.

use std::collections::HashMap;
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use axum::http::header;
use axum::response::{IntoResponse, Response};
use cavesson_core::bounds::together;
use cavesson_core::report::hours::HoursRide;
use cavesson_core::report::invoice::{Rates, cents, lines};
use cavesson_core::report::review::{HorseReview, ReviewedHorse, review};
use cavesson_core::report::worked::TimedRide;
use cavesson_core::week::Trips;
use cavesson_core::week::usual::RIDES_A_WEEK;
use cavesson_store::barn::person;
use cavesson_store::day::booking;
use cavesson_store::horse::horses;
use cavesson_store::horse::horses::Horse as StoredHorse;
use cavesson_store::horse::load;
use cavesson_store::horse::load::LoadRide;
use cavesson_store::horse::overrule;
use cavesson_store::horse::program;
use cavesson_store::horse::program::ProgramMeant;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::horses::Horse;
use crate::horse::loads::load_of;
use crate::horse::overrules::{OverruleOutcome, TurnedOut};
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlQuery;
use crate::ride::months::{month_of, until};
use crate::route;

/// The reviews' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(invoice))
}

/// A month over the barn.
#[derive(Serialize, ToSchema)]
struct Review {
    /// Such as October 2026.
    month: String,
    #[schema(value_type = String, format = Date)]
    from: Date,
    /// The last day that is told of.
    #[schema(value_type = String, format = Date)]
    to: Date,
    /// Horses that were here or ridden, by name.
    horses: Vec<HorseReview>,
    /// Decisions against Cavesson's made in the month, latest first, and how they turned out by
    /// today.
    overrules: Vec<OverruleOutcome>,
    /// Of the trips, the percentage that is to ask nothing.
    quiet_outings_pct: u8,
}

/// What stands in the address of a review.
#[derive(Debug, Clone, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct ReviewOf {
    /// The month, such as 2026-10; this one when left out.
    #[param(example = "2026-10", pattern = "^[0-9]{4}-[0-9]{2}$")]
    month: Option<String>,
}

/// What stands in the address of invoice lines.
#[derive(Debug, Clone, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct InvoiceOf {
    /// The month, such as 2026-10; this one when left out.
    #[param(example = "2026-10", pattern = "^[0-9]{4}-[0-9]{2}$")]
    month: Option<String>,
    /// Dollars for a day here, such as 35.50; left out, the lines have no amount.
    day_rate: Option<String>,
    /// Dollars for a ride.
    ride_rate: Option<String>,
}

/// A month over the barn.
#[utoipa::path(
    get, path = "/api/review", operation_id = "show_review", tag = "reviews", params(ReviewOf),
    responses((status = 200, description = "The month of every horse", body = Review))
)]
async fn show(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlQuery(of): UrlQuery<ReviewOf>,
) -> Answer<Json<Review>> {
    let month = month_of(of.month.as_deref(), signed.today())?;
    let (from, to) = (month.first(), until(month, signed.today())?);
    let horses = reviewed(&app, &signed, from, to).await?;
    Ok(Json(Review {
        month: month.name(),
        from,
        to,
        horses,
        overrules: decided(&app, &signed, from, to).await?,
        quiet_outings_pct: signed.barn.quiet_pct(),
    }))
}

/// Lines for invoices, as CSV (RFC 4180).
#[utoipa::path(
    get, path = "/api/review/invoice", operation_id = "list_invoice_lines", tag = "reviews", params(InvoiceOf),
    responses((status = 200, description = "The lines", body = String, content_type = "text/csv"))
)]
async fn invoice(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlQuery(of): UrlQuery<InvoiceOf>,
) -> Answer<Response> {
    let month = month_of(of.month.as_deref(), signed.today())?;
    let (from, to) = (month.first(), until(month, signed.today())?);
    let typed = |rate: &Option<String>| rate.clone().unwrap_or_default();
    let day = cents("/day_rate", &typed(&of.day_rate));
    let ride = cents("/ride_rate", &typed(&of.ride_rate));
    together([day.clone().map(|_| ()), ride.clone().map(|_| ())]).map_err(Problem::fields)?;
    let rates = Rates {
        day: day.unwrap_or_default(),
        ride: ride.unwrap_or_default(),
    };
    let horses = reviewed(&app, &signed, from, to).await?;
    let lines = lines(month, &horses, rates).map_err(|error| Problem::json(error.to_string()))?;
    let headers = [
        (header::CONTENT_TYPE, "text/csv; charset=utf-8".to_owned()),
        (
            header::CONTENT_DISPOSITION,
            format!("attachment; filename=\"invoice-lines-{month}.csv\""),
        ),
    ];
    Ok((headers, lines).into_response())
}

/// Everything that the reviews of all horses are made from.
struct Read {
    horses: Vec<StoredHorse>,
    owners: HashMap<Uuid, String>,
    rides: HashMap<Uuid, Vec<LoadRide>>,
    planned: HashMap<Uuid, Vec<Date>>,
    trips: HashMap<Uuid, Trips>,
    added: HashMap<Uuid, Date>,
    gone: HashMap<Uuid, Date>,
    meant: Vec<ProgramMeant>,
    before: HashMap<Uuid, Arc<Judged>>,
    now: HashMap<Uuid, Arc<Judged>>,
}

async fn reviewed(app: &App, signed: &Signed, from: Date, to: Date) -> Answer<Vec<HorseReview>> {
    let mut barn = signed.look().await?;
    let horses = horses::everyone(&mut barn, None).await?;
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let owners = person::names(&mut barn).await?.into_iter().collect();
    let mut rides = HashMap::new();
    for id in &ids {
        rides.insert(*id, load::rides(&mut barn, *id, from, to).await?);
    }
    let mut planned: HashMap<Uuid, Vec<Date>> = HashMap::new();
    let today = signed.today();
    for one in booking::on_days(&mut barn, from, to).await? {
        let Some(horse_id) = one.horse_id.filter(|_| one.kind.is_ridden()) else {
            continue;
        };
        // What is planned for today may still come about.
        let done = rides
            .get(&horse_id)
            .is_some_and(|rides: &Vec<LoadRide>| rides.iter().any(|ride| ride.day == one.day));
        if one.day < today || done {
            planned.entry(horse_id).or_default().push(one.day);
        }
    }
    let trips = booking::trips(&mut barn, from, to).await?;
    let added = horses::added_at(&mut barn).await?.into_iter();
    let meant = program::meant(&mut barn).await?;
    let gone = horses.iter().filter_map(|horse| {
        let day = signed.day_of(horse.sent_home_at?);
        Some((horse.horse_id, day))
    });
    let gone = gone.collect();
    let by_id = |judged: Vec<Arc<Judged>>| judged.into_iter().map(|one| (one.horse_id, one));
    let now = by_id(app.known.judged(barn, &ids, to).await?).collect();
    let evening = from.yesterday().unwrap_or(from);
    let before = app
        .known
        .judged(signed.look().await?, &ids, evening)
        .await?;
    let read = Read {
        owners,
        rides,
        planned,
        trips: trips.into_iter().collect(),
        added: added.map(|(id, at)| (id, signed.day_of(at))).collect(),
        gone,
        meant,
        before: by_id(before).collect(),
        now,
        horses,
    };
    let work = move || read.reviews(from, to);
    app.work.judging.run(work).await
}

impl Read {
    fn reviews(&self, from: Date, to: Date) -> Vec<HorseReview> {
        let all = self
            .horses
            .iter()
            .filter_map(|horse| self.of(horse, from, to));
        all.filter(|one| one.training.days_here > 0 || one.ridden.rides > 0)
            .collect()
    }

    fn of(&self, horse: &StoredHorse, from: Date, to: Date) -> Option<HorseReview> {
        let id = horse.horse_id;
        let (now, before) = (self.now.get(&id)?, self.before.get(&id)?);
        let ladder = now.ladder();
        let rides = self.rides.get(&id)?;
        let timed: Vec<TimedRide> = rides
            .iter()
            .map(|ride| TimedRide {
                day: ride.day,
                minutes: ride.minutes,
                load: load_of(ride, ladder),
            })
            .collect();
        let track = |level| Some(ladder.levels[ladder.position(level)?].track);
        let hours: Vec<HoursRide> = rides
            .iter()
            .map(|ride| HoursRide {
                minutes: ride.minutes,
                asks: ride
                    .asks
                    .iter()
                    .filter_map(|(after, level)| Some((*after, track(level)?)))
                    .collect(),
            })
            .collect();
        // A horse may have been ridden here before it was written down.
        let first_ride = now.file.rides.first().map(|ride| ride.day);
        let came = [self.added.get(&id).copied(), first_ride];
        let came = came.into_iter().flatten().min()?;
        let left = self.gone.get(&id).copied().unwrap_or(Date::MAX);
        let meant = self
            .meant
            .iter()
            .find(|one| Some(one.program_id) == horse.program_id);
        // Its program may have been changed between the two readings.
        let earlier = if before.on_ladder.is_same(&now.on_ladder) {
            before.clone()
        } else {
            Arc::new(before.on_another_ladder(&now.on_ladder))
        };
        let asked = ReviewedHorse {
            horse_id: id,
            name: &horse.name,
            owner: horse
                .owner_id
                .and_then(|id| self.owners.get(&id))
                .map(String::as_str),
            ladder,
            file: &now.file,
            before: &earlier.standings,
            now: &now.standings,
            rides: &timed,
            hours: &hours,
            planned: self.planned.get(&id).map_or(&[], Vec::as_slice),
            trips: self.trips.get(&id).copied().unwrap_or_default(),
            here: (came <= to && left >= from).then_some((came, left)),
            rides_a_week: f64::from(meant.map_or(RIDES_A_WEEK, |meant| meant.rides_a_week)),
        };
        Some(review(&asked, from, to))
    }
}

async fn decided(app: &App, signed: &Signed, from: Date, to: Date) -> Answer<Vec<OverruleOutcome>> {
    let today = signed.now();
    let mut barn = signed.look().await?;
    let horses = horses::everyone(&mut barn, None).await?;
    let kept = overrule::list(&mut barn, None).await?;
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let judged = app.known.judged(barn, &ids, today.date()).await?;
    let horses = horses.into_iter();
    let turned_out = TurnedOut {
        horses: horses
            .map(|one| (one.horse_id, Horse::new(one, today.year())))
            .collect(),
        judged: judged.into_iter().map(|one| (one.horse_id, one)).collect(),
        today: today.date(),
    };
    let own = kept
        .into_iter()
        .filter(|kept| (from..=to).contains(&kept.overrule.day));
    Ok(own.filter_map(|kept| turned_out.overrule(kept)).collect())
}
