//! The HTTP API and the web application's files.
//!
//! | module | holds |
//! |---|---|
//! | [`settings`] | what the server is told when it starts |
//! | [`router`] | all routes; the OpenAPI document comes from them |
//! | [`openapi_errors`] | what a route may refuse, from what its handler takes |
//! | [`problem`] | every error as problem+json (RFC 9457) |
//! | [`signed_in`] | who asks, and what they may do, as extractors |
//! | `session`, `account`, `access_links`, `barns`, `archives`, `people`, `yard`, `tack`, `ground`, `ride_moved`, `days`, `bookings`, `day_plan`, `trips`, `weather`, `busy`, `calendars`, `today`, `weeks`, `roads`, `program_goals`, `horses`, `horse_page`, `board`, `levels`, `rides`, `batches`, `ladder`, `overrules`, `placings`, `news`, `care`, `loads`, `owners`, `reviews`, `months`, `sheets`, `imports`, `devices`, `audit`, `cool_outs`, `cattle`, `flag`, `cow_rounds`, `card_blocks`, `cards`, `intakes`, `offline_pack`, `program_preview`, `calc` | one noun each |
//! | `ics` | calendars that come in |
//! | [`work`] | long work in lines of its own |
//! | [`clock`] | what time it is |
//! | `horse_record` | what is known of the horses, in memory by version, judged |
//! | [`web`] | the web application's files |

#![warn(clippy::unwrap_used)]

pub mod access_links;
mod account;
pub mod archives;
pub mod audit;
mod barns;
mod batches;
mod board;
mod body;
mod bookings;
mod busy;
mod calc;
mod calendars;
mod card_blocks;
mod cards;
mod care;
mod cattle;
pub mod clock;
mod cool_outs;
mod cow_rounds;
mod day_plan;
mod days;
mod devices;
mod flag;
mod ground;
mod health;
mod horse_page;
pub mod horse_record;
mod horse_riders;
mod horses;
mod ics;
mod imports;
mod intakes;
mod ladder;
mod levels;
mod live;
mod loads;
mod months;
mod news;
mod offline_pack;
pub mod openapi_errors;
mod overrules;
mod owners;
pub mod password;
mod people;
mod placings;
pub mod problem;
mod program_goals;
mod program_preview;
mod programs;
mod reviews;
mod ride_moved;
mod rides;
pub mod roads;
pub mod router;
mod season;
mod session;
mod session_store;
pub mod settings;
mod sheets;
pub mod signed_in;
mod tack;
mod today;
mod trips;
mod units;
mod url;
pub mod weather;
pub mod web;
pub mod weeks;
pub mod work;
mod yard;

use std::future::Future;
use std::net::SocketAddr;

use sqlx::PgPool;
use tokio::net::TcpListener;
use tokio::sync::watch;

pub use clock::Clock;
pub use router::openapi;
pub use settings::Settings;

/// What every handler can reach.
#[derive(Clone)]
pub struct App {
    /// The database.
    pub pool: PgPool,
    /// The ladder as it ships.
    pub ladder: &'static cavesson_core::ladder::Ladder,
    /// What has been read of the horses so far.
    pub known: horse_record::KnownHorses,
    /// Where long work is done.
    pub work: work::Work,
    /// Roads that were found.
    pub roads: roads::road_cache::Roads,
    /// Plans of weeks that are looked for.
    pub solves: weeks::plan_search::Solves,
    /// Flags as they last said.
    pub flags: flag::Flags,
    /// What time it is.
    pub clock: clock::Clock,
    /// Changes as they happen.
    pub changes: live::Changes,
    /// Turns true when the server is about to end: who listens is let go.
    pub closing: watch::Receiver<bool>,
}

/// Serves on `listener` until `shutdown` completes; requests under way are
/// answered before it returns.
///
/// # Errors
/// When the listener fails.
pub async fn launch(
    settings: Settings,
    pool: PgPool,
    listener: TcpListener,
    shutdown: impl Future<Output = ()> + Send + 'static,
) -> std::io::Result<()> {
    let sweeper = tokio::spawn(session_store::sweep(pool.clone(), settings.clock.clone()));
    tokio::task::spawn_blocking(password::warm_up);
    let changes = live::changes();
    let (close, closing) = watch::channel(false);
    let listener_of_changes = tokio::spawn(live::pass_on(pool.clone(), changes.clone()));
    let work = work::Work::default();
    let app = App {
        pool,
        clock: settings.clock.clone(),
        changes,
        closing,
        ladder: cavesson_core::ladder::Ladder::shipped(),
        known: horse_record::KnownHorses::new(work.judging.clone()),
        work,
        roads: roads::road_cache::Roads::default(),
        solves: weeks::plan_search::Solves::default(),
        flags: flag::Flags::default(),
    };
    let keeper = tokio::spawn(horse_record::keep::keep_each_day(app.clone()));
    let weather = settings.weather_service.clone();
    let weather = weather.map(|service| tokio::spawn(weather::keep_asking(app.clone(), service)));
    let service = router::build(app, &settings).into_make_service_with_connect_info::<SocketAddr>();
    let served = axum::serve(listener, service)
        .with_graceful_shutdown(async move {
            shutdown.await;
            close.send_replace(true);
        })
        .await;
    keeper.abort();
    if let Some(weather) = weather {
        weather.abort();
    }
    sweeper.abort();
    listener_of_changes.abort();
    served
}
