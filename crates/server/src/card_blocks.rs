//! Blocks on the card of a coming day, such as the remedy under a hole.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::Side;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS};
use cavesson_core::ladder::{FaultId, Ladder, Level, RungId, SkillId};
use cavesson_core::rep::check::{check_fault, find_level};
use cavesson_store::card_block;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::signed::Recorder;
use crate::url::UrlPath;

/// The card blocks' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(add))
        .routes(routes!(remove))
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
    says: String,
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
            says: block.says,
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
    says: String,
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
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Owners do not plan rides", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "No such level or fault, a day that is past, nothing said", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Recorder(mut signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewCardBlock>,
) -> Answer<StatusCode> {
    signed.horse(horse_id).await?;
    let today = signed.now().date();
    let judged = app
        .known
        .judged_horse(&mut signed.transaction, horse_id, today)
        .await?;
    let level = Level {
        skill: new.skill.clone(),
        rung: new.rung.clone(),
    };
    check(&new, &level, judged.ladder(), today).map_err(Problem::field)?;
    let block = card_block::CardBlock {
        block_id: new.block_id,
        horse_id,
        day: new.day,
        level,
        side: new.side,
        says: new.says,
        fault: new.fault,
    };
    let made_by = signed.person.person_id;
    if !card_block::add(&mut signed.transaction, &block, made_by).await? {
        return Err(Problem::known_otherwise("/block_id", block.block_id));
    }
    signed.transaction.commit().await?;
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
    NOTE_LETTERS.check_count("/says", new.says.trim().chars().count())?;
    if new.day < today {
        return Err(FieldError::new(
            "/day",
            format!("must not lie before today ({today}), found {}", new.day),
        ));
    }
    Ok(())
}

/// Take a block off its card.
#[utoipa::path(
    delete, path = "/api/card-blocks/{block_id}", operation_id = "remove_card_block", tag = "card",
    params(("block_id" = Uuid, Path)),
    responses(
        (status = 204, description = "It is off the card"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Owners do not plan rides", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such block on a card of this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn remove(
    Recorder(mut signed): Recorder,
    UrlPath(block_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    if !card_block::remove(&mut signed.transaction, block_id).await? {
        return Err(Problem::not_found("no such block on a card of this barn"));
    }
    signed.transaction.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
