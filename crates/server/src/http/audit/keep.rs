//! How a change is kept: after its answer, whatever the handler was. What it sent comes from the
//! extractor that read it; passwords and secret words are left out.

use std::collections::HashMap;
use std::sync::{Arc, Mutex, PoisonError};

use axum::extract::{MatchedPath, Request, State};
use axum::http::Method;
use axum::middleware::Next;
use axum::response::Response;
use cavesson_store::BarnTransaction;
use cavesson_store::StoreResult;
use cavesson_store::barn::audit;
use cavesson_store::barn::audit::NewDeed;
use serde_json::Value;
use tower_sessions::Session;
use uuid::Uuid;

use super::did::{Did, did};
use crate::App;
use crate::http::signed_in::{SIGNED_IN, SignedIn};

/// What is kept of a body at the most, in bytes.
const MOST_SAID: usize = 8_000;
/// Fields whose value is nobody's to read.
const SECRET: [&str; 4] = ["password", "now", "new", "word"];

/// Put into an answer by a handler that changed nothing: something was only looked at, did not fit,
/// or was so already.
#[derive(Debug, Clone, Copy)]
pub struct Unchanged;

/// The body of a request, put here by whoever reads it.
#[derive(Debug, Clone, Default)]
pub struct Said(Arc<Mutex<Option<Value>>>);

impl Said {
    /// Keeps what was sent, unless it is very long.
    pub fn put(&self, bytes: &[u8]) {
        if bytes.len() > MOST_SAID {
            return;
        }
        if let Ok(mut value) = serde_json::from_slice::<Value>(bytes) {
            hide(&mut value);
            *self.0.lock().unwrap_or_else(PoisonError::into_inner) = Some(value);
        }
    }

    fn take(&self) -> Option<Value> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner).take()
    }
}

fn hide(value: &mut Value) {
    match value {
        Value::Object(fields) => {
            fields.retain(|name, _| !SECRET.contains(&name.as_str()));
            fields.values_mut().for_each(hide);
        }
        Value::Array(all) => all.iter_mut().for_each(hide),
        _ => {}
    }
}

/// Keeps changes: it knows the operations of the API by method and path, as its document names
/// them.
#[derive(Clone)]
pub struct Keeper {
    app: App,
    operations: Arc<HashMap<(String, String), String>>,
}

impl Keeper {
    /// By the document of the API.
    pub fn new(app: App, document: &Value) -> Keeper {
        let paths = document["paths"].as_object().into_iter().flatten();
        let operations = paths.flat_map(|(path, operations)| {
            let operations = operations.as_object().into_iter().flatten();
            operations.filter_map(move |(method, operation)| {
                let id = operation["operationId"].as_str()?.to_owned();
                Some(((method.to_uppercase(), path.clone()), id))
            })
        });
        Keeper {
            app,
            operations: Arc::new(operations.collect()),
        }
    }

    fn operation(&self, method: &Method, path: &str) -> Option<&str> {
        let found = self
            .operations
            .get(&(method.as_str().to_owned(), path.to_owned()));
        found.map(String::as_str)
    }
}

/// Keeps what a request changed, when it did.
pub async fn keep(
    State(keeper): State<Keeper>,
    session: Session,
    mut request: Request,
    next: Next,
) -> Response {
    let matched = request.extensions().get::<MatchedPath>().cloned();
    let operation =
        matched.and_then(|matched| keeper.operation(request.method(), matched.as_str()));
    let kept = operation.and_then(|operation| match did(operation) {
        Some(Did::Kept(words)) => Some((operation, words)),
        _ => None,
    });
    let Some((operation, words)) = kept else {
        return next.run(request).await;
    };
    let who: Option<SignedIn> = session.get(SIGNED_IN).await.ok().flatten();
    let path = request.uri().path().to_owned();
    let said = Said::default();
    request.extensions_mut().insert(said.clone());
    let answer = next.run(request).await;
    let changed = answer.status().is_success() && answer.extensions().get::<Unchanged>().is_none();
    let Some(who) = who.filter(|_| changed) else {
        return answer;
    };
    let said = said.take();
    let deed = NewDeed {
        deed_id: Uuid::now_v7(),
        at: keeper.app.clock.now(),
        person_id: who.person_id,
        operation: operation.to_owned(),
        did: words.to_owned(),
        horse_id: horse_of(&path, said.as_ref()),
        path,
        said,
    };
    if let Err(error) = add(&keeper.app, who.barn_id, &deed).await {
        // The change itself is stored, and its answer must not say otherwise.
        tracing::error!(%error, operation, "a change was not written down");
    }
    answer
}

async fn add(app: &App, barn_id: Uuid, deed: &NewDeed) -> StoreResult<()> {
    let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
    audit::add(&mut barn, deed).await?;
    barn.commit().await
}

/// The horse that an address or a body names.
fn horse_of(path: &str, said: Option<&Value>) -> Option<Uuid> {
    let mut parts = path.split('/');
    let in_path = parts
        .by_ref()
        .any(|part| part == "horses")
        .then(|| parts.next());
    let in_path = in_path.flatten().and_then(|part| part.parse().ok());
    in_path.or_else(|| said?["horse_id"].as_str()?.parse().ok())
}
