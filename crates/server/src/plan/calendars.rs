//! Calendars (RFC 5545) of a person, a horse or a place, under secret links. A calendar
//! says who, which horse, what and where, and nothing else of the barn: no notes, no
//! verdicts. Times are UTC, so that every program shows them right.

use axum::Json;
use axum::extract::State;
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use cavesson_core::bounds::FieldError;
use cavesson_core::horse::{CareDue, CareKind, CareNote};
use cavesson_core::week::BookingKind;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::person;
use cavesson_store::barn::place;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use cavesson_store::day::calendar_link;
use cavesson_store::day::calendar_link::CalendarLink;
use cavesson_store::horse::care;
use cavesson_store::horse::horses;
use icalendar::{Calendar, Component, Event, EventLike};
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{Timestamp, ToSpan};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::season::{SEASON_LOOK_BACK_DAYS, of_horse};
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::secret_word::{SecretWord, word_hash};
use crate::http::signed_in::{Recorder, time_zone};
use crate::http::url::UrlPath;
use crate::route;

/// Days back and ahead that a calendar tells of.
const DAYS_BACK: i64 = 30;
const DAYS_AHEAD: i64 = 180;

/// Making links and taking them back.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(make))
        .routes(route!(revoke))
}

/// What a calendar program reads: limited in tries by the router.
pub fn open_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(read))
}

/// Whose days a calendar tells of.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
enum CalendarOf {
    /// Of somebody who rides or is there.
    Person,
    /// Of a horse.
    Horse,
    /// Of a place.
    Place,
}

impl CalendarOf {
    fn word(self) -> &'static str {
        match self {
            CalendarOf::Person => "person",
            CalendarOf::Horse => "horse",
            CalendarOf::Place => "place",
        }
    }

    fn of_word(word: &str) -> Option<CalendarOf> {
        [CalendarOf::Person, CalendarOf::Horse, CalendarOf::Place]
            .into_iter()
            .find(|one| one.word() == word)
    }
}

/// A link that works.
#[derive(Serialize, ToSchema)]
struct CalendarLinkShown {
    link_id: Uuid,
    kind: CalendarOf,
    /// Whose days it tells of.
    name: String,
    #[schema(value_type = String, format = DateTime)]
    made_at: Timestamp,
}

/// A link to be made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCalendarLink {
    kind: CalendarOf,
    /// The person, horse or place.
    of_id: Uuid,
}

/// A link as whoever made it sees it, once.
#[derive(Serialize, ToSchema)]
struct MadeCalendarLink {
    link_id: Uuid,
    /// The path of the calendar on this server.
    path: String,
}

/// What people, horses and places are called.
struct Names {
    people: Vec<(Uuid, String)>,
    horses: Vec<(Uuid, String)>,
    places: Vec<(Uuid, String)>,
}

impl Names {
    async fn read(barn: &mut BarnTransaction) -> Answer<Names> {
        let horses = horses::everyone(barn, None).await?.into_iter();
        let places = place::list(barn).await?.into_iter();
        Ok(Names {
            people: person::names(barn).await?,
            horses: horses.map(|one| (one.horse_id, one.name)).collect(),
            places: places.map(|one| (one.place_id, one.sheet.name)).collect(),
        })
    }

    fn of(&self, kind: CalendarOf, id: Option<Uuid>) -> Option<&str> {
        let all = match kind {
            CalendarOf::Person => &self.people,
            CalendarOf::Horse => &self.horses,
            CalendarOf::Place => &self.places,
        };
        let found = all.iter().find(|(known, _)| Some(*known) == id);
        found.map(|(_, name)| name.as_str())
    }
}

/// The links that work.
#[utoipa::path(
    get, path = "/api/calendar-links", operation_id = "list_calendar_links", tag = "calendars",
    responses((status = 200, description = "The links, latest first", body = [CalendarLinkShown]))
)]
async fn list(Recorder(signed): Recorder) -> Answer<Json<Vec<CalendarLinkShown>>> {
    let mut barn = signed.look().await?;
    let names = Names::read(&mut barn).await?;
    let links = calendar_link::working(&mut barn).await?;
    let shown = links.into_iter().filter_map(|link| {
        let kind = CalendarOf::of_word(&link.kind)?;
        Some(CalendarLinkShown {
            link_id: link.link_id,
            kind,
            name: names.of(kind, Some(link.of_id))?.to_owned(),
            made_at: link.made_at,
        })
    });
    Ok(Json(shown.collect()))
}

/// Make a link. Whoever has it reads those days, without a sign-in, until it is taken back.
#[utoipa::path(
    post, path = "/api/calendar-links", operation_id = "make_calendar_link", tag = "calendars", request_body = NewCalendarLink,
    responses(
        (status = 201, description = "The link, shown this once", body = MadeCalendarLink),
        (status = 404, description = "Nobody and nothing of this barn has this id", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn make(
    State(app): State<App>,
    Recorder(signed): Recorder,
    Body(new): Body<NewCalendarLink>,
) -> Answer<(StatusCode, Json<MadeCalendarLink>)> {
    let mut barn = signed.write().await?;
    let names = Names::read(&mut barn).await?;
    if names.of(new.kind, Some(new.of_id)).is_none() {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            "/of_id",
            format!("no {} of this barn has this id", new.kind.word()),
        )]));
    }
    let word = SecretWord::draw();
    let link = CalendarLink {
        barn_id: signed.barn.barn_id,
        link_id: Uuid::now_v7(),
        kind: new.kind.word().to_owned(),
        of_id: new.of_id,
        made_at: app.clock.now(),
    };
    let made_by = signed.person.person_id;
    calendar_link::add(&mut barn, &link, &word.hash(), made_by).await?;
    barn.commit().await?;
    let made = MadeCalendarLink {
        link_id: link.link_id,
        path: format!("/api/calendars/{}.ics", word.give_away()),
    };
    Ok((StatusCode::CREATED, Json(made)))
}

/// Take a link back: it shows nothing any more.
#[utoipa::path(
    delete, path = "/api/calendar-links/{link_id}", operation_id = "revoke_calendar_link", tag = "calendars",
    params(("link_id" = Uuid, Path)),
    responses((status = 204, description = "Taken back"))
)]
async fn revoke(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(link_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !calendar_link::revoke(&mut barn, link_id, app.clock.now()).await? {
        return Err(Problem::not_found("no such link works in this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// The calendar behind a link, as text/calendar.
#[utoipa::path(
    get, path = "/api/calendars/{word}", operation_id = "read_calendar", tag = "calendars",
    params(("word" = String, Path)),
    responses(
        (status = 200, description = "The calendar (RFC 5545)", body = String, content_type = "text/calendar"),
        (status = 404, description = "No link with this word works", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn read(State(app): State<App>, UrlPath(word): UrlPath<String>) -> Answer<Response> {
    let none = || Problem::not_found("no calendar link with this word works; ask for a new one");
    let found = calendar_link::find(&app.pool, &word_hash(word.trim_end_matches(".ics"))).await?;
    let link = found.ok_or_else(none)?;
    let kind = CalendarOf::of_word(&link.kind).ok_or_else(none)?;
    let mut look = BarnTransaction::look(&app.pool, link.barn_id).await?;
    let zone = time_zone(&barns::own(&mut look).await?)?;
    let names = Names::read(&mut look).await?;
    let name = names.of(kind, Some(link.of_id)).ok_or_else(none)?;
    let now = app.clock.now();
    let today = now.to_zoned(zone).date();
    let (from, to) = (
        today.saturating_sub(DAYS_BACK.days()),
        today.saturating_add(DAYS_AHEAD.days()),
    );
    let bookings = booking::on_days(&mut look, from, to).await?;
    let own = bookings.iter().filter(|one| {
        let of = match kind {
            CalendarOf::Person => one.person_id,
            CalendarOf::Horse => one.horse_id,
            CalendarOf::Place => one.place_id,
        };
        of == Some(link.of_id) && one.skipped_because.is_none()
    });
    let mut calendar = Calendar::new();
    calendar.name(name);
    for one in own {
        calendar.push(event(one, kind, &names, now));
    }
    if kind == CalendarOf::Horse {
        let since = today.saturating_sub(SEASON_LOOK_BACK_DAYS.days());
        let seasons = care::days_in_season(&mut look, since).await?;
        let notes = care::last_of_each(&mut look, None).await?.into_iter();
        for (_, note) in notes.filter(|(id, _)| *id == link.of_id) {
            if let Some(due) = note.due(of_horse(&seasons, link.of_id), today) {
                calendar.push(care_due(&note, &due, today, now));
            }
        }
    }
    let kind = "text/calendar; charset=utf-8";
    Ok(([(header::CONTENT_TYPE, kind)], calendar.done().to_string()).into_response())
}

fn event(one: &Booking, kind: CalendarOf, names: &Names, now: Timestamp) -> Event {
    let mut event = Event::new();
    event
        .uid(&format!("{}@cavesson", one.booking_id))
        .summary(&summary(one, kind, names))
        .append_property(icalendar::Property::new("DTSTAMP", utc(now)))
        .append_property(icalendar::Property::new("DTSTART", utc(one.from)))
        .append_property(icalendar::Property::new("DTEND", utc(one.to)));
    if kind != CalendarOf::Place
        && let Some(place) = names.of(CalendarOf::Place, one.place_id)
    {
        event.location(place);
    }
    event.done()
}

/// Care that comes again, as a whole day; what is overdue stands on today.
fn care_due(note: &CareNote, due: &CareDue, today: Date, now: Timestamp) -> Event {
    let what = match due.kind {
        CareKind::Teeth => "Teeth",
        CareKind::BitSeat => "Bit seat",
        CareKind::Feet => "Feet",
        CareKind::Vet => "Vet",
        CareKind::InSeason => "In season about now",
        // What was flagged does not come again.
        CareKind::Pain | CareKind::Unlevel | CareKind::RigMisfit => "Care",
    };
    let what = match due.overdue {
        _ if due.kind == CareKind::InSeason => what.to_owned(),
        true => format!("{what} overdue since {}", due.due),
        false => format!("{what} due"),
    };
    let mut day =
        icalendar::Property::new("DTSTART", due.due.max(today).strftime("%Y%m%d").to_string());
    day.add_parameter("VALUE", "DATE");
    Event::new()
        .uid(&format!("{}-due@cavesson", note.care_id))
        .summary(&what)
        .append_property(icalendar::Property::new("DTSTAMP", utc(now)))
        .append_property(day)
        .append_property(icalendar::Property::new("TRANSP", "TRANSPARENT"))
        .done()
}

/// What is said of a booking to somebody who knows whose calendar it is.
fn summary(one: &Booking, kind: CalendarOf, names: &Names) -> String {
    let what = match one.kind {
        BookingKind::Ride => "Ride",
        BookingKind::Outing => "Outing",
        BookingKind::Farrier => "Farrier",
        BookingKind::Dentist => "Dentist",
        BookingKind::Vet => "Vet",
        BookingKind::Lesson => "Lesson",
        BookingKind::OwnerVisit => "Owner visits",
        BookingKind::Haul => "Haul",
        BookingKind::BarrelsSet => "Barrels set",
        BookingKind::HerdGathered => "Herd gathered",
        BookingKind::GroundDragged => "Ground dragged",
    };
    let horse = names.of(CalendarOf::Horse, one.horse_id);
    let person = names.of(CalendarOf::Person, one.person_id);
    let others = [
        horse.filter(|_| kind != CalendarOf::Horse),
        person.filter(|_| kind != CalendarOf::Person),
    ];
    let others: Vec<&str> = others.into_iter().flatten().collect();
    if others.is_empty() {
        what.to_owned()
    } else {
        format!("{what}: {}", others.join(", "))
    }
}

/// A time in UTC, as RFC 5545 section 3.3.5 spells it (form 2).
fn utc(at: Timestamp) -> String {
    at.to_zoned(TimeZone::UTC)
        .strftime("%Y%m%dT%H%M%SZ")
        .to_string()
}
