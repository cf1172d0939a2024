//! Horses.

use axum::Json;
use cavesson_core::horse::{HorseTrait, Sex};
use cavesson_store::horse::{self, Horse as StoredHorse};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::problem::{Answer, Problem};
use crate::route;
use crate::signed::Signed;
use crate::url::UrlPath;

/// The horses' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(show))
}

/// A horse.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct Horse {
    pub horse_id: Uuid,
    pub name: String,
    /// null where another version of Cavesson stored a word this one doesn't know.
    pub sex: Option<Sex>,
    /// Age in years, every horse a year older on January 1.
    pub age: i32,
    pub color: String,
    /// Traits that steer its card.
    pub traits: Vec<HorseTrait>,
}

impl Horse {
    pub fn new(horse: StoredHorse, year: i16) -> Horse {
        Horse {
            horse_id: horse.horse_id,
            name: horse.name,
            sex: Sex::of_word(&horse.sex),
            age: i32::from(year) - horse.foaled,
            color: horse.color,
            traits: horse.traits,
        }
    }
}

/// All horses this person may see, by name.
#[utoipa::path(
    get, path = "/api/horses", operation_id = "list_horses", tag = "horses",
    responses(
        (status = 200, description = "The horses", body = [Horse]),
    )
)]
async fn list(signed: Signed) -> Answer<Json<Vec<Horse>>> {
    let year = signed.now().year();
    let owner = signed.only_horses_of();
    let horses = horse::list(&mut signed.look().await?, owner).await?;
    Ok(Json(
        horses
            .into_iter()
            .map(|horse| Horse::new(horse, year))
            .collect(),
    ))
}

/// One horse.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}", operation_id = "show_horse", tag = "horses", params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The horse", body = Horse),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<Horse>> {
    let year = signed.now().year();
    let horse = signed.horse(&mut signed.look().await?, horse_id).await?;
    Ok(Json(Horse::new(horse, year)))
}
