//! The history of a horse's rigs, and soft shares by rig side by side.

use axum::Json;
use axum::extract::State;
use cavesson_core::evidence::rigs::{RigShare, by_rig};
use cavesson_core::judge::level::lately;
use cavesson_core::judge::words;
use cavesson_core::rig::RigWorn;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// The route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// A stretch of rides in one rig.
#[derive(Serialize, ToSchema)]
struct RigStretch {
    rig: RigWorn,
    #[schema(value_type = String, format = Date)]
    from: Date,
    #[schema(value_type = String, format = Date)]
    to: Date,
    /// Rides in it, those with a change of rig among them.
    rides: usize,
    /// The horse wore it for the first time.
    new: bool,
}

/// A rig against the others.
#[derive(Serialize, ToSchema)]
struct RigCompared {
    share: RigShare,
    /// How it differs and how sure that is, in a sentence.
    says: String,
}

/// What a horse wore, and how soft it was in each.
#[derive(Serialize, ToSchema)]
struct RigsWorn {
    /// Latest first.
    history: Vec<RigStretch>,
    /// Over all levels of the last 120 days, the one worn last first.
    shares: Vec<RigCompared>,
}

/// What a horse wore, and how soft it was in each.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/rigs", operation_id = "show_rigs", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "History and shares", body = RigsWorn),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<RigsWorn>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let worn = app.work.judging.run(move || of_horse(&judged));
    Ok(Json(worn.await?))
}

fn of_horse(judged: &Judged) -> RigsWorn {
    let asks: Vec<_> = (0..judged.ladder().levels.len())
        .map(|index| lately(judged.file.asks_until(index, judged.on), judged.on))
        .collect();
    let shares = by_rig(&asks, &judged.file.rigs());
    RigsWorn {
        history: history(judged),
        shares: shares
            .into_iter()
            .map(|share| RigCompared {
                says: words::rig(&share),
                share,
            })
            .collect(),
    }
}

fn history(judged: &Judged) -> Vec<RigStretch> {
    let mut stretches: Vec<RigStretch> = Vec::new();
    let rides = judged
        .file
        .rides
        .iter()
        .filter(|ride| ride.day <= judged.on);
    for (day, rig) in rides.flat_map(|ride| ride.rigs.iter().map(|rig| (ride.day, rig))) {
        match stretches.last_mut().filter(|last| last.rig.is_same(rig)) {
            Some(last) => {
                last.to = day;
                last.rides += 1;
            }
            None => {
                let new =
                    !stretches.is_empty() && !stretches.iter().any(|known| known.rig.is_same(rig));
                stretches.push(RigStretch {
                    rig: rig.clone(),
                    from: day,
                    to: day,
                    rides: 1,
                    new,
                });
            }
        }
    }
    stretches.reverse();
    stretches
}
