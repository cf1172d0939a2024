//! The HTTP API and the web application's files.
//!
//! | module | holds |
//! |---|---|
//! | [`router`] | all routes; the OpenAPI document comes from them |
//! | [`http`] | what every request passes: who asks, the body, errors, the document, the audit |
//! | [`horse_record`] | what is known of the horses, in memory by version, judged |
//! | [`barn`] | the barn, its people, its yard, its devices |
//! | [`day`] | bookings, weather, trips, busy times |
//! | [`horse`] | the horses' pages, levels, decisions, care, programs |
//! | [`ride`] | cards, what devices send, intake, cool-out |
//! | [`plan`] | today, the week, the road to a date, calendars |
//! | `tack`, `ground`, `cattle`, `owners` | one district of the trade each |
//! | [`records`] | archives, sheets, imports, the trainer's review, calculators |

#![warn(clippy::unwrap_used)]

pub mod barn;
mod cattle;
pub mod day;
mod ground;
pub mod horse;
pub mod horse_record;
pub mod http;
mod owners;
pub mod plan;
pub mod records;
pub mod ride;
pub mod router;
mod tack;

use std::future::Future;
use std::net::SocketAddr;

use sqlx::PgPool;
use tokio::net::TcpListener;
use tokio::sync::watch;

pub use barn::settings::Settings;
pub use http::clock::Clock;
pub use router::openapi;

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
    pub work: http::work::Work,
    /// Roads that were found.
    pub roads: plan::roads::road_cache::Roads,
    /// Plans of weeks that are looked for.
    pub solves: plan::weeks::plan_search::Solves,
    /// Flags as they last said.
    pub flags: cattle::flag::Flags,
    /// What time it is.
    pub clock: http::clock::Clock,
    /// Changes as they happen.
    pub changes: barn::live::Changes,
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
    let sweeper = tokio::spawn(http::session_store::sweep(
        pool.clone(),
        settings.clock.clone(),
    ));
    tokio::task::spawn_blocking(http::password::warm_up);
    let changes = barn::live::changes();
    let (close, closing) = watch::channel(false);
    let listener_of_changes = tokio::spawn(barn::live::pass_on(pool.clone(), changes.clone()));
    let work = http::work::Work::default();
    let app = App {
        pool,
        clock: settings.clock.clone(),
        changes,
        closing,
        ladder: cavesson_core::ladder::Ladder::shipped(),
        known: horse_record::KnownHorses::new(work.judging.clone()),
        work,
        roads: plan::roads::road_cache::Roads::default(),
        solves: plan::weeks::plan_search::Solves::default(),
        flags: cattle::flag::Flags::default(),
    };
    let keeper = tokio::spawn(horse_record::keep::keep_each_day(app.clone()));
    let weather = settings.weather_service.clone();
    let weather =
        weather.map(|service| tokio::spawn(day::weather::keep_asking(app.clone(), service)));
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
