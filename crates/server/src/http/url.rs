//! What stands in an address: path and query, with problems for what does not fit.

use axum::extract::rejection::{PathRejection, QueryRejection};
use axum::extract::{FromRequestParts, Path, Query};
use cavesson_core::bounds::FieldError;
use jiff::civil::Date;
use serde::Deserialize;

use crate::http::problem::{Answer, Problem};

/// The path's parts.
#[derive(FromRequestParts)]
#[from_request(via(Path), rejection(Problem))]
pub struct UrlPath<T>(pub T);

/// The query's parts.
#[derive(FromRequestParts)]
#[from_request(via(Query), rejection(Problem))]
pub struct UrlQuery<T>(pub T);

impl From<PathRejection> for Problem {
    fn from(rejection: PathRejection) -> Problem {
        Problem::not_found(format!("no such address: {}", rejection.body_text()))
    }
}

impl From<QueryRejection> for Problem {
    fn from(rejection: QueryRejection) -> Problem {
        Problem::field(FieldError::new("", rejection.body_text()))
    }
}

/// The date to look from.
#[derive(Debug, Clone, Copy, Deserialize, utoipa::IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct On {
    /// The date to judge for, such as 2026-05-04; today in the barn when left out.
    #[param(value_type = Option<String>, format = Date)]
    pub on: Option<Date>,
}

/// Nothing was recorded before.
const EARLIEST: Date = jiff::civil::date(2020, 1, 1);

impl On {
    /// The date to judge for: the one asked for, or today.
    ///
    /// # Errors
    /// A date before there was anything to judge, or after today.
    pub fn day(&self, today: Date) -> Answer<Date> {
        let on = self.on.unwrap_or(today);
        if (EARLIEST..=today).contains(&on) {
            return Ok(on);
        }
        Err(Problem::field(FieldError::new(
            "/on",
            format!("must be {EARLIEST} to {today} (today), found {on}"),
        )))
    }
}
