//! Barrel courses, drills and trail courses.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::ground::course_plan::{CoursePlan, CourseSheet};
use cavesson_store::barn::place;
use cavesson_store::ground::course;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::shelf::{self, on_shelf};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

on_shelf!(
    Course,
    course,
    CourseSheet,
    "no course of this barn has this id"
);

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(add))
        .routes(route!(change))
        .routes(route!(put_away))
        .routes(route!(take_out))
}

/// A course.
#[derive(Serialize, ToSchema)]
struct CourseOfPlace {
    course_id: Uuid,
    /// Where it lies.
    place_id: Uuid,
    #[serde(flatten)]
    sheet: CourseSheet,
    /// When it was put away; null while it is in use.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
}

/// A course to add.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCourse {
    /// Where it lies.
    place_id: Uuid,
    /// What people call it.
    #[schema(min_length = 1, max_length = 80)]
    name: String,
    /// What it is.
    plan: CoursePlan,
}

/// What was added.
#[derive(Serialize, ToSchema)]
struct AddedCourse {
    course_id: Uuid,
}

/// All courses by name, those put away last.
#[utoipa::path(
    get, path = "/api/courses", operation_id = "list_courses", tag = "ground",
    responses((status = 200, description = "All of them", body = [CourseOfPlace]))
)]
async fn list(signed: Signed) -> Answer<Json<Vec<CourseOfPlace>>> {
    let stored = course::list(&mut signed.look().await?).await?;
    let shown = |course: course::Course| CourseOfPlace {
        course_id: course.course_id,
        place_id: course.place_id,
        sheet: course.sheet,
        put_away_at: course.put_away_at,
    };
    Ok(Json(stored.into_iter().map(shown).collect()))
}

/// Add a course to a place.
#[utoipa::path(
    post, path = "/api/courses", operation_id = "add_course", tag = "ground", request_body = NewCourse,
    responses(
        (status = 201, description = "Added", body = AddedCourse),
        (status = 409, description = "The place has a course of that name", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(new): Body<NewCourse>,
) -> Answer<(StatusCode, Json<AddedCourse>)> {
    let sheet = CourseSheet {
        name: new.name,
        plan: new.plan,
    };
    sheet.check().map_err(Problem::field)?;
    let course_id = Uuid::now_v7();
    let mut barn = signed.write().await?;
    let places = place::list(&mut barn).await?;
    if !places.iter().any(|place| place.place_id == new.place_id) {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            "/place_id",
            "no such place; name one of the barn's own",
        )]));
    }
    course::add(&mut barn, course_id, new.place_id, &sheet).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(AddedCourse { course_id })))
}

/// Change what is written down of a course.
#[utoipa::path(
    put, path = "/api/courses/{course_id}", operation_id = "change_course", tag = "ground",
    params(("course_id" = Uuid, Path)), request_body = CourseSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The place has another course of that name", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(course_id): UrlPath<Uuid>,
    Body(sheet): Body<CourseSheet>,
) -> Answer<StatusCode> {
    sheet.check().map_err(Problem::field)?;
    shelf::change::<Course>(&signed, course_id, &sheet).await
}

/// Put a course away. What was ridden on it stays.
#[utoipa::path(
    post, path = "/api/courses/{course_id}/put-away", operation_id = "put_away_course", tag = "ground",
    params(("course_id" = Uuid, Path)),
    responses((status = 204, description = "Put away"))
)]
async fn put_away(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(course_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<Course>(&signed, course_id, Some(app.clock.now())).await
}

/// Use a course again.
#[utoipa::path(
    post, path = "/api/courses/{course_id}/take-out", operation_id = "take_out_course", tag = "ground",
    params(("course_id" = Uuid, Path)),
    responses((status = 204, description = "In use again"))
)]
async fn take_out(
    Trainer(signed): Trainer,
    UrlPath(course_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<Course>(&signed, course_id, None).await
}
