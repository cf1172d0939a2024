//! The owner's view of a horse: where it stands, what changed this month, what was worked,
//! what comes next. Nothing of other horses or people is in it.

use axum::Json;
use axum::extract::State;
use cavesson_core::horse::Sex;
use cavesson_core::report::words::sections;
use cavesson_core::report::{Month, ReportSection};
use cavesson_store::BarnTransaction;
use cavesson_store::horse::horses::Horse as StoredHorse;
use cavesson_store::owners::owner_note;
use cavesson_store::owners::owner_report;
use cavesson_store::owners::owner_report::ReportBrief;
use jiff::civil::Date;
use jiff::{Timestamp, ToSpan};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::month_report::{Looked, ToldMonth};
use crate::App;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// Days of notes that are shown.
const NOTES_DAYS: i64 = 92;

/// The route for those who are signed in.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// What an owner sees of a horse.
#[derive(Serialize, ToSchema)]
pub struct OwnersView {
    /// The barn's name.
    pub barn: String,
    pub horse: OwnersHorse,
    #[schema(value_type = String, format = Date)]
    pub on: Date,
    /// This month, as far as it has come.
    pub told: ToldMonth,
    /// The same in sentences.
    pub sections: Vec<ReportSection>,
    /// Notes that the trainer chose, latest first.
    pub notes: Vec<NoteShown>,
    /// Reports that were sent, latest month first.
    pub reports: Vec<ReportShort>,
}

/// A horse as its owner knows it.
#[derive(Serialize, ToSchema)]
pub struct OwnersHorse {
    pub horse_id: Uuid,
    pub name: String,
    pub sex: Option<Sex>,
    pub age: i32,
    pub color: String,
}

impl OwnersHorse {
    pub fn of(horse: &StoredHorse, year: i16) -> OwnersHorse {
        OwnersHorse {
            horse_id: horse.horse_id,
            name: horse.name.clone(),
            sex: Sex::of_word(&horse.sex),
            age: i32::from(year) - horse.foaled,
            color: horse.color.clone(),
        }
    }
}

/// A note for the owner.
#[derive(Serialize, ToSchema)]
pub struct NoteShown {
    pub note_id: Uuid,
    #[schema(value_type = String, format = Date)]
    pub day: Date,
    pub text: String,
}

/// A report in short.
#[derive(Serialize, ToSchema)]
pub struct ReportShort {
    pub report_id: Uuid,
    /// Its month, such as October 2026.
    pub month: String,
    #[schema(value_type = String, format = DateTime)]
    pub written_at: Timestamp,
    /// When it was sent; null for a draft.
    #[schema(value_type = Option<String>, format = DateTime)]
    pub sent_at: Option<Timestamp>,
}

impl From<ReportBrief> for ReportShort {
    fn from(brief: ReportBrief) -> ReportShort {
        ReportShort {
            report_id: brief.report_id,
            month: Month::of(brief.month).name(),
            written_at: brief.written_at,
            sent_at: brief.sent_at,
        }
    }
}

/// What an owner sees of a horse.
///
/// # Errors
/// When a query fails.
pub async fn view(looked: Looked<'_>, barn: String, horse: StoredHorse) -> Answer<OwnersView> {
    let mut look = BarnTransaction::look(&looked.app.pool, looked.barn_id).await?;
    let from = looked.today.saturating_sub(NOTES_DAYS.days());
    let notes = owner_note::since(&mut look, horse.horse_id, from).await?;
    let reports = owner_report::of_horse(&mut look, horse.horse_id).await?;
    drop(look);
    let told = looked.month(&horse, Month::of(looked.today)).await?;
    Ok(OwnersView {
        barn,
        horse: OwnersHorse::of(&horse, looked.today.year()),
        on: looked.today,
        sections: sections(&told.month),
        told,
        notes: notes
            .into_iter()
            .map(|note| NoteShown {
                note_id: note.note_id,
                day: note.day,
                text: note.text,
            })
            .collect(),
        reports: reports
            .into_iter()
            .filter(|report| report.sent_at.is_some())
            .map(ReportShort::from)
            .collect(),
    })
}

/// What the owner of a horse sees.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/owners-view", operation_id = "show_owners_view", tag = "owners",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The horse as its owner sees it", body = OwnersView),
        (status = 404, description = "Not in this barn, or not theirs", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<OwnersView>> {
    let horse = signed.horse(&mut signed.look().await?, horse_id).await?;
    let looked = Looked {
        app: &app,
        barn_id: signed.barn.barn_id,
        today: signed.today(),
    };
    Ok(Json(view(looked, signed.barn.name.clone(), horse).await?))
}
