//! Who changed what: kept for every change that came about, and searched.
//!
//! - [`did`]: each operation that changes something, in plain words
//! - [`keep`]: how it is kept, whatever the handler

pub mod did;
pub mod keep;

use axum::Json;
use cavesson_core::bounds::{NAME_LETTERS, together};
use cavesson_core::text::check_optional_text;
use cavesson_store::barn::audit;
use cavesson_store::barn::audit::DeedsAsked;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Trainer;
use crate::http::url::UrlQuery;
use crate::route;

/// Changes shown at once.
const AT_ONCE: usize = 50;

/// The route of the changes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// A change that came about.
#[derive(Serialize, ToSchema)]
struct DeedShown {
    deed_id: Uuid,
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
    /// Who.
    person: String,
    /// What, in plain words: "added a horse".
    did: String,
    /// The horse, where it is about one.
    horse: Option<String>,
    /// What was sent with it; passwords and secret words are not in it.
    #[schema(value_type = Option<Object>)]
    said: Option<Value>,
}

/// Some of the changes.
#[derive(Serialize, ToSchema)]
struct Deeds {
    /// Latest first.
    deeds: Vec<DeedShown>,
    /// Where the next ones begin; null where there are none.
    next: Option<String>,
}

/// Which changes are looked for.
#[derive(Debug, Clone, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct DeedsOf {
    /// By whom.
    person_id: Option<Uuid>,
    /// About which horse.
    horse_id: Option<Uuid>,
    /// Words that stand in it: what was done or said, a name.
    #[param(max_length = 80)]
    words: Option<String>,
    /// What stood under `next`.
    #[param(max_length = 80)]
    after: Option<String>,
}

/// Who changed what, latest first.
#[utoipa::path(
    get, path = "/api/deeds", operation_id = "list_deeds", tag = "deeds", params(DeedsOf),
    responses((status = 200, description = "Fifty of them, and where the next begin", body = Deeds))
)]
async fn list(Trainer(signed): Trainer, UrlQuery(of): UrlQuery<DeedsOf>) -> Answer<Json<Deeds>> {
    let words = of.words.as_deref().map_or("", str::trim);
    together([check_optional_text(NAME_LETTERS, "/words", words)]).map_err(Problem::fields)?;
    let asked = DeedsAsked {
        person_id: of.person_id,
        horse_id: of.horse_id,
        words: Some(words).filter(|words| !words.is_empty()),
        before: of.after.as_deref().map(place).transpose()?,
        at_most: AT_ONCE as i64 + 1,
    };
    let mut found = audit::find(&mut signed.look().await?, &asked).await?;
    let more = found.len() > AT_ONCE;
    found.truncate(AT_ONCE);
    let last = found.last().filter(|_| more);
    Ok(Json(Deeds {
        next: last.map(|last| format!("{}~{}", last.at, last.deed_id)),
        deeds: found
            .into_iter()
            .map(|deed| DeedShown {
                deed_id: deed.deed_id,
                at: deed.at,
                person: deed.person,
                did: deed.did,
                horse: deed.horse,
                said: deed.said,
            })
            .collect(),
    }))
}

fn place(after: &str) -> Answer<(Timestamp, Uuid)> {
    let parts = after.split_once('~');
    let read = parts.and_then(|(at, id)| Some((at.parse().ok()?, id.parse().ok()?)));
    read.ok_or_else(|| {
        Problem::field(cavesson_core::bounds::FieldError::new(
            "/after",
            "must be what stood under next",
        ))
    })
}
