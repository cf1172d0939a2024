//! Blocks on the card of a coming day, such as the remedy under a hole.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::Side;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS, check_planned_day};
use cavesson_core::ladder::check::{check_fault, find_level};
use cavesson_core::ladder::{FaultId, Ladder, Level, RungId, SkillId};
use cavesson_core::text::check_text;
use cavesson_store::horse::card_block;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::http::url::UrlPath;
use crate::route;

/// The card blocks' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(add))
        .routes(route!(remove))
}

/// A block on the card of a day.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct CardBlock {
    block_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    level: Level,
    /// What the level is called.
    name: String,
    /// The side to ask more.
    side: Option<Side>,
    /// What to do.
    text: String,
    /// The fault it mends.
    fault: Option<FaultId>,
}

impl CardBlock {
    pub fn of(block: card_block::CardBlock, ladder: &Ladder) -> CardBlock {
        CardBlock {
            name: ladder
                .at(&block.level)
                .map_or_else(|| block.level.to_string(), |level| level.name.clone()),
            block_id: block.block_id,
            day: block.day,
            level: block.level,
            side: block.side,
            text: block.text,
            fault: block.fault,
        }
    }
}

/// A block to be put on a card.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCardBlock {
    /// Made on the device (UUIDv7).
    block_id: Uuid,
    /// The day; today or later.
    #[schema(value_type = String, format = Date)]
    day: Date,
    skill: SkillId,
    rung: RungId,
    /// The side to ask more.
    #[serde(default)]
    side: Option<Side>,
    /// What to do.
    #[schema(min_length = 1, max_length = 600)]
    text: String,
    /// The fault it mends.
    #[serde(default)]
    fault: Option<FaultId>,
}

/// Put a block on the card of a day.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/card-blocks", operation_id = "add_card_block", tag = "card",
    params(("horse_id" = Uuid, Path)), request_body = NewCardBlock,
    responses(
        (status = 201, description = "It is on the card"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "No such level or fault, a day that is past, nothing said", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewCardBlock>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    let ladders = app
        .known
        .ladders
        .of_horses(&mut barn, &[horse_id], signed.today())
        .await?;
    let standard = app.known.ladders.standard();
    let on_ladder = ladders.get(&horse_id).unwrap_or(&standard);
    let level = Level {
        skill: new.skill.clone(),
        rung: new.rung.clone(),
    };
    check(&new, &level, &on_ladder.ladder, today).map_err(Problem::field)?;
    let block = card_block::CardBlock {
        block_id: new.block_id,
        horse_id,
        day: new.day,
        level,
        side: new.side,
        text: new.text,
        fault: new.fault,
    };
    let made_by = signed.person.person_id;
    if !card_block::add(&mut barn, &block, made_by).await? {
        return Err(Problem::id_conflict("/block_id", block.block_id));
    }
    barn.commit().await?;
    Ok(StatusCode::CREATED)
}

fn check(
    new: &NewCardBlock,
    level: &Level,
    ladder: &Ladder,
    today: Date,
) -> Result<(), FieldError> {
    find_level(level, ladder)?;
    if let Some(fault) = &new.fault {
        check_fault(fault, ladder).map_err(|error| error.under("/fault"))?;
    }
    check_text(NOTE_LETTERS, "/text", &new.text)?;
    check_planned_day("/day", new.day, today)
}

/// Take a block off its card.
#[utoipa::path(
    delete, path = "/api/card-blocks/{block_id}", operation_id = "remove_card_block", tag = "card",
    params(("block_id" = Uuid, Path)),
    responses(
        (status = 204, description = "It is off the card"),
        (status = 404, description = "No such block on a card of this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn remove(
    Recorder(signed): Recorder,
    UrlPath(block_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !card_block::remove(&mut barn, block_id).await? {
        return Err(Problem::not_found("no such block on a card of this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
