//! What changes while somebody looks on: PostgreSQL tells of every committed
//! change of what is known of a horse, and the server tells the devices of that
//! barn (server-sent events).

use std::collections::HashSet;
use std::convert::Infallible;
use std::time::Duration;

use axum::extract::State;
use axum::response::Sse;
use axum::response::sse::{Event, KeepAlive};
use cavesson_store::horse::horses;
use cavesson_store::horse::known::CHANNEL;
use cavesson_store::horse::known::Change;
use futures_util::stream::{Stream, StreamExt};
use sqlx::PgPool;
use sqlx::postgres::PgListener;
use tokio::sync::broadcast;
use tokio_stream::wrappers::BroadcastStream;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::route;

/// Changes that wait for a slow device; one that falls further behind is told to
/// look at everything again.
const MOST_WAITING: usize = 256;

/// Changes of all barns, for whoever listens.
pub type Changes = broadcast::Sender<Change>;

/// The live route. It stands outside of the time limit and of compression.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(listen))
}

/// A channel for changes.
pub fn changes() -> Changes {
    broadcast::channel(MOST_WAITING).0
}

/// Listens to PostgreSQL and passes on what it tells, until the task is ended.
pub async fn pass_on(pool: PgPool, changes: Changes) {
    loop {
        if let Err(error) = pass_on_until_cut(&pool, &changes).await {
            tracing::warn!(%error, "listening for changes; trying again");
        }
        tokio::time::sleep(Duration::from_secs(2)).await;
    }
}

async fn pass_on_until_cut(pool: &PgPool, changes: &Changes) -> Result<(), sqlx::Error> {
    let mut listener = PgListener::connect_with(pool).await?;
    listener.listen(CHANNEL).await?;
    loop {
        let told = listener.recv().await?;
        match told.payload().parse() {
            // Nobody listening is no fault.
            Ok(change) => drop(changes.send(change)),
            Err(error) => tracing::warn!(%error, payload = told.payload(), "not a change"),
        }
    }
}

/// Changes of the barn's horses as they happen. Each event `horse` carries the id of a
/// horse of which more is known now; `everything` says that some were missed.
#[utoipa::path(
    get, path = "/api/live", operation_id = "listen", tag = "live",
    responses(
        (status = 200, description = "Server-sent events, until either side ends them", body = String, content_type = "text/event-stream"),
    )
)]
async fn listen(
    State(app): State<App>,
    signed: Signed,
) -> Answer<Sse<impl Stream<Item = Result<Event, Infallible>>>> {
    // Subscribed before the horses are read, so that nothing falls in between.
    let changes = BroadcastStream::new(app.changes.subscribe());
    let barn_id = signed.barn.barn_id;
    let owned: Option<HashSet<_>> = match signed.only_horses_of() {
        Some(owner) => Some(
            horses::everyone(&mut signed.look().await?, Some(owner))
                .await?
                .into_iter()
                .map(|horse| horse.horse_id)
                .collect(),
        ),
        None => None,
    };
    let mut closing = app.closing.clone();
    let closed = async move {
        // An error means the server is gone already.
        let _ = closing.wait_for(|closing| *closing).await;
    };
    let events = changes
        .take_until(Box::pin(closed))
        .filter_map(move |change| {
            let event = match change {
                Ok(change) => {
                    let seen = owned
                        .as_ref()
                        .is_none_or(|owned| owned.contains(&change.horse_id));
                    (change.barn_id == barn_id && seen).then(|| {
                        Event::default()
                            .event("horse")
                            .data(change.horse_id.to_string())
                    })
                }
                Err(_) => Some(Event::default().event("everything").data("")),
            };
            std::future::ready(event.map(Ok))
        });
    Ok(Sse::new(events).keep_alive(KeepAlive::new().interval(Duration::from_secs(20))))
}
