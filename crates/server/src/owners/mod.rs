//! What a horse's owner is shown: by sign-in or by a secret link, of this one horse and of
//! nobody else.
//!
//! - [`view`]: where it stands, what changed this month, what comes next
//! - [`month_report`]: a horse's month with what its pictures are drawn from
//! - [`links`]: secret links, made and taken back, opened
//! - [`notes`]: notes chosen for the owner
//! - [`reports`]: the month in words, edited and sent

mod links;
mod month_report;
mod notes;
mod reports;
mod view;

use utoipa_axum::router::OpenApiRouter;

use crate::App;

/// For those who are signed in.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(view::routes())
        .merge(links::routes())
        .merge(notes::routes())
        .merge(reports::routes())
}

/// For whoever has a link: limited in tries by the router.
pub fn open_routes() -> OpenApiRouter<App> {
    links::open_routes()
}
