//! Reports of a month: written by the core from the figures, edited by the trainer, sent. The
//! figures and what the pictures are drawn from are kept as they stood when it was written.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, REPORT_LETTERS, together};
use cavesson_core::report::words::sections;
use cavesson_core::report::{Month, ReportSection};
use cavesson_core::text::check_text;
use cavesson_store::owners::owner_report;
use cavesson_store::owners::owner_report::OwnerReport;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use serde_json::value::RawValue;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::month_report::{Looked, OfMonth, ToldMonth};
use super::view::{OwnersHorse, ReportShort};
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::{UrlPath, UrlQuery};
use crate::route;

/// The reports' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(write))
        .routes(route!(show))
        .routes(route!(change))
        .routes(route!(send))
        .routes(route!(make_draft))
        .routes(route!(take_back))
}

/// A report of a month.
#[derive(Serialize, ToSchema)]
pub struct OwnersReport {
    report_id: Uuid,
    /// The barn's name.
    barn: String,
    /// Its month, such as October 2026.
    month: String,
    /// Its words, part by part, as they were edited.
    #[schema(value_type = Vec<ReportSection>)]
    sections: serde_json::Value,
    /// What it was written from.
    #[schema(value_type = ReportTold)]
    told: Box<RawValue>,
    #[schema(value_type = String, format = DateTime)]
    written_at: Timestamp,
    /// When it was sent; null for a draft.
    #[schema(value_type = Option<String>, format = DateTime)]
    sent_at: Option<Timestamp>,
}

/// What a report was written from.
#[derive(Serialize, ToSchema)]
struct ReportTold {
    horse: OwnersHorse,
    told: ToldMonth,
    /// The sentences as the core wrote them.
    sections: Vec<ReportSection>,
}

impl OwnersReport {
    /// A stored report as it is shown.
    ///
    /// # Errors
    /// Never for what this server stored.
    pub fn of(barn: String, report: OwnerReport) -> Answer<OwnersReport> {
        Ok(OwnersReport {
            report_id: report.report_id,
            barn,
            month: Month::of(report.month).name(),
            sections: report.sections,
            told: serde_json::value::to_raw_value(&report.told).map_err(|_| no_report())?,
            written_at: report.written_at,
            sent_at: report.sent_at,
        })
    }
}

/// A report that is not there, or not to be seen.
pub fn no_report() -> Problem {
    Problem::not_found("no report that you may read has this id")
}

/// The words of a report.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct ReportWords {
    /// Part by part; a part left out is not in the report.
    #[schema(max_items = 8)]
    sections: Vec<ReportSection>,
}

/// The reports of a horse; owners see those that were sent.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/reports", operation_id = "list_reports", tag = "owners",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "The reports, latest month first", body = [ReportShort]))
)]
async fn list(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<Vec<ReportShort>>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let all = owner_report::of_horse(&mut barn, horse_id).await?;
    let drafts = signed.person.role.decides();
    let seen = all
        .into_iter()
        .filter(|one| drafts || one.sent_at.is_some());
    Ok(Json(seen.map(ReportShort::from).collect()))
}

/// Write the report of a month from the figures, as a draft.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/reports", operation_id = "write_report", tag = "owners",
    params(("horse_id" = Uuid, Path), OfMonth),
    responses(
        (status = 201, description = "The draft", body = OwnersReport),
        (status = 422, description = "A month that has not begun, or is not written as one", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn write(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    UrlQuery(of): UrlQuery<OfMonth>,
) -> Answer<(StatusCode, Json<OwnersReport>)> {
    let today = signed.today();
    let month = of.month(today)?;
    let horse = signed.horse(&mut signed.look().await?, horse_id).await?;
    let looked = Looked {
        app: &app,
        barn_id: signed.barn.barn_id,
        today,
    };
    let told = looked.month(&horse, month).await?;
    let sections = sections(&told.month);
    let told = ReportTold {
        horse: OwnersHorse::of(&horse, today.year()),
        sections: sections.clone(),
        told,
    };
    let json = |error: serde_json::Error| Problem::json(error.to_string());
    let report = OwnerReport {
        report_id: Uuid::now_v7(),
        horse_id,
        month: month.first(),
        told: serde_json::to_value(&told).map_err(json)?,
        sections: serde_json::to_value(&sections).map_err(json)?,
        written_at: app.clock.now(),
        sent_at: None,
    };
    let mut barn = signed.write().await?;
    owner_report::add(&mut barn, &report, signed.person.person_id).await?;
    barn.commit().await?;
    let shown = OwnersReport::of(signed.barn.name.clone(), report)?;
    Ok((StatusCode::CREATED, Json(shown)))
}

/// One report.
#[utoipa::path(
    get, path = "/api/reports/{report_id}", operation_id = "show_report", tag = "owners",
    params(("report_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The report", body = OwnersReport),
        (status = 404, description = "None, taken back, or a draft of somebody else's horse", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(signed: Signed, UrlPath(report_id): UrlPath<Uuid>) -> Answer<Json<OwnersReport>> {
    let mut barn = signed.look().await?;
    let report = owner_report::find(&mut barn, report_id)
        .await?
        .ok_or_else(no_report)?;
    signed
        .horse(&mut barn, report.horse_id)
        .await
        .map_err(|_| no_report())?;
    if report.sent_at.is_none() && !signed.person.role.decides() {
        return Err(no_report());
    }
    OwnersReport::of(signed.barn.name.clone(), report).map(Json)
}

/// Give a report other words.
#[utoipa::path(
    put, path = "/api/reports/{report_id}", operation_id = "change_report", tag = "owners",
    params(("report_id" = Uuid, Path)), request_body = ReportWords,
    responses(
        (status = 204, description = "Changed"),
        (status = 422, description = "A part named twice, without words, or too long", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(report_id): UrlPath<Uuid>,
    Body(words): Body<ReportWords>,
) -> Answer<StatusCode> {
    check(&words.sections)?;
    let mut barn = signed.write().await?;
    owner_report::find(&mut barn, report_id)
        .await?
        .ok_or_else(no_report)?;
    let sections =
        serde_json::to_value(&words.sections).map_err(|error| Problem::json(error.to_string()))?;
    owner_report::change(&mut barn, report_id, &sections).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

fn check(sections: &[ReportSection]) -> Answer<()> {
    let checks = sections.iter().enumerate().flat_map(|(at, section)| {
        let twice = sections[..at].iter().any(|one| one.part == section.part);
        let once = if twice {
            Err(FieldError::new(
                format!("/sections/{at}/part"),
                "must be named once",
            ))
        } else {
            Ok(())
        };
        [
            once,
            check_text(
                REPORT_LETTERS,
                &format!("/sections/{at}/text"),
                &section.text,
            ),
        ]
    });
    together(checks.collect::<Vec<_>>()).map_err(Problem::fields)
}

/// Send a report: the owner sees it from now on.
#[utoipa::path(
    post, path = "/api/reports/{report_id}/send", operation_id = "send_report", tag = "owners",
    params(("report_id" = Uuid, Path)),
    responses((status = 204, description = "Sent"))
)]
async fn send(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(report_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    sent(&signed, report_id, Some(app.clock.now())).await
}

/// Make a draft of a report again: the owner sees it no more.
#[utoipa::path(
    post, path = "/api/reports/{report_id}/draft", operation_id = "make_report_draft", tag = "owners",
    params(("report_id" = Uuid, Path)),
    responses((status = 204, description = "A draft again"))
)]
async fn make_draft(
    Trainer(signed): Trainer,
    UrlPath(report_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    sent(&signed, report_id, None).await
}

async fn sent(signed: &Signed, report_id: Uuid, at: Option<Timestamp>) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    owner_report::find(&mut barn, report_id)
        .await?
        .ok_or_else(no_report)?;
    owner_report::send(&mut barn, report_id, at).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Take a report back.
#[utoipa::path(
    delete, path = "/api/reports/{report_id}", operation_id = "take_back_report", tag = "owners",
    params(("report_id" = Uuid, Path)),
    responses((status = 204, description = "Taken back"))
)]
async fn take_back(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(report_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    owner_report::find(&mut barn, report_id)
        .await?
        .ok_or_else(no_report)?;
    owner_report::take_back(&mut barn, report_id, app.clock.now()).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
