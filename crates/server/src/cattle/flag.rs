//! The flag: what is ordered on a screen, and where it is. Kept in memory alone: a turn that is
//! made on it carries what matters.

use std::collections::{HashMap, VecDeque};
use std::convert::Infallible;
use std::sync::{Arc, Mutex};
use std::time::{Duration, Instant};

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use axum::response::Sse;
use axum::response::sse::{Event, KeepAlive};
use cavesson_core::bounds::{FLAG_FT, NAME_LETTERS};
use cavesson_core::device::Device;
use cavesson_core::device::flag::{FlagAt, FlagOrder};
use cavesson_core::text::check_text;
use futures_util::stream::{Stream, StreamExt};
use serde::{Deserialize, Serialize};
use tokio::sync::broadcast;
use tokio_stream::wrappers::BroadcastStream;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::devices::check_plugged_in;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::route;

/// Its routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(hear))
        .routes(route!(order))
}

/// Following it stands outside of the time limit and of compression.
pub fn live_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(follow))
}

/// The flags of all barns, as they last said.
#[derive(Clone, Default)]
pub struct Flags(Arc<Mutex<HashMap<Uuid, Kept>>>);

struct Kept {
    said: Flag,
    heard: Instant,
    orders: VecDeque<FlagOrder>,
    told: broadcast::Sender<Flag>,
}

/// Longer ago than this nobody carries for it any more.
const GONE: Duration = Duration::from_secs(2);
/// Orders that wait; what was ordered before them was never heard.
const ORDERS: usize = 20;
/// What waits for a slow screen.
const WAITING: usize = 64;

/// A flag and where it is.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct Flag {
    /// What it is called.
    #[schema(min_length = 1, max_length = 80)]
    pub name: String,
    /// How far it can go.
    #[schema(minimum = 20, maximum = 200)]
    width_ft: f64,
    /// Where it is.
    at: FlagAt,
}

/// The flag, when there is one.
#[derive(Serialize, ToSchema)]
struct FlagNow {
    /// null when none is there.
    flag: Option<Flag>,
}

/// What the flag is to do.
#[derive(Serialize, ToSchema)]
struct FlagOrders {
    /// First to last.
    orders: Vec<FlagOrder>,
}

impl Flags {
    fn with<T>(&self, what: impl FnOnce(&mut HashMap<Uuid, Kept>) -> T) -> T {
        what(&mut self.0.lock().unwrap_or_else(|held| held.into_inner()))
    }

    fn hear(&self, barn_id: Uuid, said: Flag) -> Vec<FlagOrder> {
        self.with(|flags| {
            let kept = flags
                .entry(barn_id)
                .or_insert_with(|| Kept::new(said.clone()));
            // Nobody following is no fault.
            let _ = kept.told.send(said.clone());
            kept.said = said;
            kept.heard = Instant::now();
            kept.orders.drain(..).collect()
        })
    }

    /// It was unplugged: nothing of it stands any more.
    pub fn forget(&self, barn_id: Uuid) {
        self.with(|flags| {
            flags.remove(&barn_id);
        });
    }

    /// The flag as it was heard of last; none where nobody carries for it.
    pub fn now(&self, barn_id: Uuid) -> Option<Flag> {
        self.with(|flags| {
            let kept = flags.get(&barn_id)?;
            (kept.heard.elapsed() < GONE).then(|| kept.said.clone())
        })
    }

    /// False when no flag is there.
    fn order(&self, barn_id: Uuid, order: FlagOrder) -> bool {
        self.with(|flags| {
            let Some(kept) = flags.get_mut(&barn_id) else {
                return false;
            };
            if kept.heard.elapsed() >= GONE {
                kept.orders.clear();
                return false;
            }
            if order == FlagOrder::Stop || kept.orders.len() >= ORDERS {
                // Whatever waits, it stops now.
                kept.orders.clear();
            }
            kept.orders.push_back(order);
            true
        })
    }

    fn follow(&self, barn_id: Uuid) -> Option<broadcast::Receiver<Flag>> {
        self.with(|flags| Some(flags.get(&barn_id)?.told.subscribe()))
    }
}

impl Kept {
    fn new(said: Flag) -> Kept {
        Kept {
            said,
            heard: Instant::now(),
            orders: VecDeque::new(),
            told: broadcast::channel(WAITING).0,
        }
    }
}

fn no_flag() -> Problem {
    Problem::not_found("no flag is there; start `cavesson flag` where it is driven")
}

/// The flag and where it is.
#[utoipa::path(
    get, path = "/api/flag", operation_id = "show_flag", tag = "cattle",
    responses((status = 200, description = "The flag", body = FlagNow))
)]
async fn show(State(app): State<App>, Recorder(signed): Recorder) -> Json<FlagNow> {
    Json(FlagNow {
        flag: app.flags.now(signed.barn.barn_id),
    })
}

/// Say where the flag is, and hear what it is to do. For what carries for it, about ten times a
/// second.
#[utoipa::path(
    post, path = "/api/flag/heard", operation_id = "hear_flag", tag = "cattle", request_body = Flag,
    responses(
        (status = 200, description = "What it is to do", body = FlagOrders),
        (status = 409, description = "The flag is unplugged in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn hear(
    State(app): State<App>,
    Recorder(signed): Recorder,
    Body(said): Body<Flag>,
) -> Answer<Json<FlagOrders>> {
    let errors: Vec<_> = [
        check_text(NAME_LETTERS, "/name", &said.name).err(),
        FLAG_FT.check("/width_ft", said.width_ft).err(),
        said.at.check().err().map(|error| error.under("/at")),
    ]
    .into_iter()
    .flatten()
    .collect();
    if !errors.is_empty() {
        return Err(Problem::fields(errors));
    }
    check_plugged_in(&mut signed.look().await?, Device::Flag).await?;
    Ok(Json(FlagOrders {
        orders: app.flags.hear(signed.barn.barn_id, said),
    }))
}

/// Order the flag about: a program, a place, stop, go on, slower.
#[utoipa::path(
    post, path = "/api/flag/orders", operation_id = "order_flag", tag = "cattle", request_body = FlagOrder,
    responses((status = 204, description = "Ordered"))
)]
async fn order(
    State(app): State<App>,
    Recorder(signed): Recorder,
    Body(order): Body<FlagOrder>,
) -> Answer<StatusCode> {
    order.lines().map_err(Problem::field)?;
    if !app.flags.order(signed.barn.barn_id, order) {
        return Err(no_flag());
    }
    Ok(StatusCode::NO_CONTENT)
}

/// The flag as it goes: an event `flag` each time it says where it is.
#[utoipa::path(
    get, path = "/api/flag/live", operation_id = "follow_flag", tag = "cattle",
    responses((status = 200, description = "Server-sent events, until either side ends them", body = String, content_type = "text/event-stream"))
)]
async fn follow(
    State(app): State<App>,
    Recorder(signed): Recorder,
) -> Answer<Sse<impl Stream<Item = Result<Event, Infallible>>>> {
    let told = app.flags.follow(signed.barn.barn_id).ok_or_else(no_flag)?;
    let mut closing = app.closing.clone();
    let closed = async move {
        // An error means the server is gone already.
        let _ = closing.wait_for(|closing| *closing).await;
    };
    let events = BroadcastStream::new(told)
        .take_until(Box::pin(closed))
        .filter_map(|flag| {
            // What a slow screen missed is past.
            let event = flag
                .ok()
                .and_then(|flag| Event::default().event("flag").json_data(flag).ok());
            std::future::ready(event.map(Ok))
        });
    Ok(Sse::new(events).keep_alive(KeepAlive::new().interval(Duration::from_secs(20))))
}
