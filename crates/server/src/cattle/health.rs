//! Signs that cattle are not well, and what they were given.

use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::cattle::health::{SignSeen, Treatment};
use cavesson_store::BarnTransaction;
use cavesson_store::cattle::cow;
use cavesson_store::cattle::cow_health;
use cavesson_store::cattle::cow_health::Given;
use cavesson_store::cattle::cow_health::Sign;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::not_found::no_cow;
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(put_sign))
        .routes(route!(put_treatment))
        .routes(route!(take_out_treatment))
}

/// A sign that a cow is not well.
#[derive(Serialize, ToSchema)]
pub struct SignOfCow {
    sign_id: Uuid,
    #[serde(flatten)]
    seen: SignSeen,
    /// The day it was cleared; null while the cow stands sorted off for it.
    #[schema(value_type = Option<String>, format = Date)]
    cleared_on: Option<Date>,
    /// Who saw it.
    by_whom: String,
}

impl From<Sign> for SignOfCow {
    fn from(sign: Sign) -> SignOfCow {
        SignOfCow {
            sign_id: sign.sign_id,
            seen: sign.seen,
            cleared_on: sign.cleared_on,
            by_whom: sign.by,
        }
    }
}

/// What a cow was given.
#[derive(Serialize, ToSchema)]
pub struct TreatmentOfCow {
    treatment_id: Uuid,
    #[serde(flatten)]
    treatment: Treatment,
    /// The last day on which it may not be sold for meat; null where it may.
    #[schema(value_type = Option<String>, format = Date)]
    withdrawn_until: Option<Date>,
}

impl From<Given> for TreatmentOfCow {
    fn from(given: Given) -> TreatmentOfCow {
        TreatmentOfCow {
            treatment_id: given.treatment_id,
            withdrawn_until: given.treatment.withdrawn_until(),
            treatment: given.treatment,
        }
    }
}

/// A sign as it is sent.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewSign {
    /// The cow.
    cow_id: Uuid,
    /// What was seen.
    seen: SignSeen,
    /// The day it was cleared; null sorts the cow off.
    #[serde(default)]
    #[schema(value_type = Option<String>, format = Date)]
    cleared_on: Option<Date>,
}

/// A treatment as it is sent.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewTreatment {
    /// The cow.
    cow_id: Uuid,
    /// What it was given.
    treatment: Treatment,
}

/// Write down a sign that a cow is not well, which sorts it off; or clear it. The same one may be
/// sent again.
#[utoipa::path(
    put, path = "/api/cow-signs/{sign_id}", operation_id = "put_cow_sign", tag = "cattle",
    params(("sign_id" = Uuid, Path)), request_body = NewSign,
    responses(
        (status = 204, description = "Written down"),
        (status = 409, description = "This id is known of another cow", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put_sign(
    Recorder(signed): Recorder,
    UrlPath(sign_id): UrlPath<Uuid>,
    Body(new): Body<NewSign>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut errors = under("/seen", new.seen.check(today));
    if let Some(cleared) = new.cleared_on
        && !(new.seen.seen_on..=today).contains(&cleared)
    {
        let detail = format!(
            "must be {} (when it was seen) to {today} (today), found {cleared}",
            new.seen.seen_on
        );
        errors.push(FieldError::new("/cleared_on", detail));
    }
    if !errors.is_empty() {
        return Err(Problem::fields(errors));
    }
    let mut barn = signed.write().await?;
    is_there(&mut barn, new.cow_id).await?;
    let ids = (sign_id, new.cow_id);
    let by = signed.person.person_id;
    if !cow_health::put_sign(&mut barn, ids, &new.seen, new.cleared_on, by).await? {
        return Err(Problem::id_conflict("/sign_id", sign_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Write down what a cow was given. The same one may be sent again.
#[utoipa::path(
    put, path = "/api/cow-treatments/{treatment_id}", operation_id = "put_cow_treatment", tag = "cattle",
    params(("treatment_id" = Uuid, Path)), request_body = NewTreatment,
    responses(
        (status = 204, description = "Written down"),
        (status = 409, description = "This id is known of another cow", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put_treatment(
    Recorder(signed): Recorder,
    UrlPath(treatment_id): UrlPath<Uuid>,
    Body(new): Body<NewTreatment>,
) -> Answer<StatusCode> {
    let errors = under("/treatment", new.treatment.check(signed.today()));
    if !errors.is_empty() {
        return Err(Problem::fields(errors));
    }
    let mut barn = signed.write().await?;
    is_there(&mut barn, new.cow_id).await?;
    let given = Given {
        treatment_id,
        cow_id: new.cow_id,
        treatment: new.treatment,
    };
    if !cow_health::put_treatment(&mut barn, &given, signed.person.person_id).await? {
        return Err(Problem::id_conflict("/treatment_id", treatment_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Take out a treatment that was written down wrongly.
#[utoipa::path(
    delete, path = "/api/cow-treatments/{treatment_id}", operation_id = "take_out_cow_treatment", tag = "cattle",
    params(("treatment_id" = Uuid, Path)),
    responses((status = 204, description = "Taken out"))
)]
async fn take_out_treatment(
    Trainer(signed): Trainer,
    UrlPath(treatment_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !cow_health::take_out_treatment(&mut barn, treatment_id).await? {
        return Err(Problem::not_found("no such treatment in this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

async fn is_there(barn: &mut BarnTransaction, cow_id: Uuid) -> Answer<()> {
    if cow::known(barn, &[cow_id]).await?.is_empty() {
        return Err(no_cow());
    }
    Ok(())
}

fn under(at: &str, checked: Result<(), Vec<FieldError>>) -> Vec<FieldError> {
    let errors = checked.err().unwrap_or_default();
    errors.into_iter().map(|error| error.under(at)).collect()
}
