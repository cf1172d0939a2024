//! Every error as problem+json (RFC 9457): what happened, and which field to
//! mend. What went wrong inside is logged, never shown.

use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use cavesson_core::bounds::FieldError;
use cavesson_store::StoreError;
use serde::Serialize;

/// The content type of a problem.
pub const PROBLEM_JSON: &str = "application/problem+json";

/// A problem.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, utoipa::ToSchema)]
pub struct Problem {
    /// Which kind of problem, as a relative URI.
    #[serde(rename = "type")]
    pub kind: &'static str,
    /// The kind in words.
    pub title: &'static str,
    /// The HTTP status.
    pub status: u16,
    /// What to do about it.
    pub detail: String,
    /// The fields to mend, with what is allowed in each.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub errors: Vec<FieldError>,
}

impl std::fmt::Display for Problem {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "{}: {}", self.title, self.detail)
    }
}

impl std::error::Error for Problem {}

/// The result of a handler.
pub type Answer<T> = Result<T, Problem>;

impl Problem {
    fn new(
        status: StatusCode,
        kind: &'static str,
        title: &'static str,
        detail: impl Into<String>,
    ) -> Problem {
        Problem {
            kind,
            title,
            status: status.as_u16(),
            detail: detail.into(),
            errors: Vec::new(),
        }
    }

    /// Fields that do not fit; nothing was stored.
    pub fn fields(errors: Vec<FieldError>) -> Problem {
        let detail = match errors.as_slice() {
            [only] => only.to_string(),
            several => format!("{} fields do not fit; nothing was stored", several.len()),
        };
        Problem {
            errors,
            ..Problem::new(
                StatusCode::UNPROCESSABLE_ENTITY,
                "/problems/field",
                "A field does not fit",
                detail,
            )
        }
    }

    /// One field that does not fit.
    pub fn field(error: FieldError) -> Problem {
        Problem::fields(vec![error])
    }

    /// Things that are not there, at these fields.
    pub fn fields_not_found(errors: Vec<FieldError>) -> Problem {
        Problem {
            errors,
            ..Problem::not_found("what these fields name is not in this barn; nothing was stored")
        }
    }

    /// An id that is known with other content.
    pub fn conflict(errors: Vec<FieldError>) -> Problem {
        Problem {
            errors,
            ..Problem::new(
                StatusCode::CONFLICT,
                "/problems/conflict",
                "Known with other content",
                "an id is known with other content; nothing was stored. Send the changed one under a new id",
            )
        }
    }

    /// One id that is known with other content.
    pub fn known_otherwise(field: &str, id: uuid::Uuid) -> Problem {
        Problem::conflict(vec![FieldError::new(
            field,
            format!("{id} is known with other content"),
        )])
    }

    /// Not JSON.
    pub fn json(detail: impl Into<String>) -> Problem {
        Problem::new(
            StatusCode::BAD_REQUEST,
            "/problems/json",
            "Not readable as JSON",
            detail,
        )
    }

    /// Not sent as JSON.
    pub fn media_type() -> Problem {
        Problem::new(
            StatusCode::UNSUPPORTED_MEDIA_TYPE,
            "/problems/media-type",
            "Not sent as JSON",
            "send the body with Content-Type: application/json",
        )
    }

    /// Too much at once.
    pub fn too_large(most_bytes: usize) -> Problem {
        Problem::new(
            StatusCode::PAYLOAD_TOO_LARGE,
            "/problems/too-large",
            "Too much at once",
            format!(
                "a request may hold {} kB at most; send it in parts",
                most_bytes / 1000
            ),
        )
    }

    /// Nobody is signed in.
    pub fn not_signed_in() -> Problem {
        Problem::new(
            StatusCode::UNAUTHORIZED,
            "/problems/not-signed-in",
            "Not signed in",
            "sign in first",
        )
    }

    /// The sign-in or password is wrong; which of them is not said.
    pub fn wrong_sign_in() -> Problem {
        Problem::new(
            StatusCode::UNAUTHORIZED,
            "/problems/wrong-sign-in",
            "Sign-in not accepted",
            "sign-in or password is wrong. A sign-in looks like name@barn",
        )
    }

    /// Too many tries at signing in.
    pub fn too_many_tries(wait_s: u64) -> Problem {
        Problem::new(
            StatusCode::TOO_MANY_REQUESTS,
            "/problems/too-many-tries",
            "Too many tries",
            format!("too many tries from here; wait {wait_s} s and try again"),
        )
    }

    /// This person may not do that.
    pub fn not_allowed(detail: impl Into<String>) -> Problem {
        Problem::new(
            StatusCode::FORBIDDEN,
            "/problems/not-allowed",
            "Not yours to do",
            detail,
        )
    }

    /// Not there, or another barn's.
    pub fn not_found(detail: impl Into<String>) -> Problem {
        Problem::new(
            StatusCode::NOT_FOUND,
            "/problems/not-found",
            "Not found",
            detail,
        )
    }

    /// A path with another method.
    pub fn method() -> Problem {
        Problem::new(
            StatusCode::METHOD_NOT_ALLOWED,
            "/problems/method",
            "Method not allowed",
            "this address takes other methods; see /api/openapi.json",
        )
    }

    /// It took too long.
    pub fn timed_out() -> Problem {
        Problem::new(
            StatusCode::SERVICE_UNAVAILABLE,
            "/problems/timed-out",
            "Took too long",
            "the barn's server is busy; what you recorded is kept on this device and sent again",
        )
    }

    fn inside() -> Problem {
        Problem::new(
            StatusCode::INTERNAL_SERVER_ERROR,
            "/problems/inside",
            "Something broke here",
            "not your doing, and nothing was stored; try again in a moment",
        )
    }
}

impl From<StoreError> for Problem {
    fn from(error: StoreError) -> Problem {
        match error {
            StoreError::Taken(what) => {
                Problem::conflict(vec![FieldError::new("", format!("{what} is taken"))])
            }
            error => {
                tracing::error!(%error, "store");
                Problem::inside()
            }
        }
    }
}

impl From<tower_sessions::session::Error> for Problem {
    fn from(error: tower_sessions::session::Error) -> Problem {
        tracing::error!(%error, "session");
        Problem::inside()
    }
}

impl From<tokio::task::JoinError> for Problem {
    fn from(error: tokio::task::JoinError) -> Problem {
        tracing::error!(%error, "task");
        Problem::inside()
    }
}

impl IntoResponse for Problem {
    fn into_response(self) -> Response {
        let status = StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR);
        let body = serde_json::to_string(&self).unwrap_or_default();
        (status, [(header::CONTENT_TYPE, PROBLEM_JSON)], body).into_response()
    }
}
