//! The ground: how places lie, and what is set out on them.
//!
//! - [`lays`]: outline, gate, posts, footing, what to keep off
//! - [`courses`]: barrel courses, drills, trail courses
//! - [`runs`]: runs of the pattern side by side
//! - [`timed_runs`]: times of the timing eyes
//! - [`tapes`]: films as marks
//! - [`trails`]: tomorrow's trail course of a horse

mod courses;
mod lays;
mod runs;
mod tapes;
mod timed_runs;
mod trails;

use utoipa_axum::router::OpenApiRouter;

use crate::App;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(lays::routes())
        .merge(courses::routes())
        .merge(trails::routes())
        .merge(runs::routes())
        .merge(timed_runs::routes())
        .merge(tapes::routes())
}
