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

    /// A barn that holds something already.
    pub fn not_empty() -> Problem {
        Problem::new(
            StatusCode::CONFLICT,
            "/problems/not-empty",
            "This barn isn't empty",
            "an archive is brought into an empty barn, so that nothing is mixed up; begin a new barn for it",
        )
    }

    /// Something that cannot be taken back, as what was written down since rests on it.
    pub fn in_use(table: &str) -> Problem {
        let what = match table {
            "rep" => "asks",
            "ride" | "ride_horse_change" => "rides",
            "ride_work" => "works on cattle",
            "program_day" => "days of the week's program",
            table => &format!("entries ({})", table.replace('_', " ")),
        };
        Problem::new(
            StatusCode::CONFLICT,
            "/problems/in-use",
            "Something rests on it",
            format!(
                "{what} that were written down since rest on it; take those out first. Nothing was taken back"
            ),
        )
    }

    /// What comes from a device that is unplugged.
    pub fn unplugged(device: &str) -> Problem {
        Problem::new(
            StatusCode::CONFLICT,
            "/problems/unplugged",
            "It is unplugged",
            format!(
                "{device}: unplugged in this barn; plug it in again under Devices. Nothing was stored"
            ),
        )
    }

    /// A name that is taken.
    pub fn taken(field: &str, what: &str) -> Problem {
        Problem {
            errors: vec![FieldError::new(
                field,
                format!("{what} is taken; choose another"),
            )],
            ..Problem::new(
                StatusCode::CONFLICT,
                "/problems/taken",
                "Taken already",
                format!("{what} is taken; choose another"),
            )
        }
    }

    /// A plan that a rule refuses.
    pub fn booked(errors: Vec<FieldError>) -> Problem {
        let detail = errors
            .iter()
            .map(|error| error.detail.clone())
            .collect::<Vec<_>>()
            .join(" ");
        Problem {
            errors,
            ..Problem::new(
                StatusCode::CONFLICT,
                "/problems/booked",
                "That doesn't fit the day",
                detail,
            )
        }
    }

    /// A link that does not work.
    pub fn link(detail: &str) -> Problem {
        Problem::new(
            StatusCode::GONE,
            "/problems/link",
            "This link doesn't work any more",
            detail,
        )
    }

    /// Something that the barn would not get over.
    pub fn keeps_the_barn(detail: &str) -> Problem {
        Problem::new(
            StatusCode::CONFLICT,
            "/problems/keeps-the-barn",
            "The barn needs this",
            detail,
        )
    }

    /// One id that is known with other content.
    pub fn id_conflict(field: &str, id: uuid::Uuid) -> Problem {
        Problem::conflict(vec![FieldError::new(
            field,
            format!("{id} is known with other content"),
        )])
    }

    /// What was recorded under one person comes while another is signed in.
    pub fn another_person(field: &str, signed_in: &str) -> Problem {
        Problem {
            errors: vec![FieldError::new(
                field,
                "must be the person who is signed in",
            )],
            ..Problem::new(
                StatusCode::CONFLICT,
                "/problems/another-person",
                "Another person is signed in",
                format!(
                    "{signed_in} is signed in here, and this was recorded by somebody else; \
                     nothing was stored. It goes out when they sign in again"
                ),
            )
        }
    }

    /// An application of another version.
    pub fn update(form: u32) -> Problem {
        Problem::new(
            StatusCode::UPGRADE_REQUIRED,
            "/problems/update",
            "Update the application",
            format!(
                "this server reads batches of form {form}; update the application. What was \
                 recorded is kept on the device and sent then"
            ),
        )
    }

    /// A barn whose time zone is not known.
    pub fn time_zone(name: &str) -> Problem {
        Problem::new(
            StatusCode::INTERNAL_SERVER_ERROR,
            "/problems/time-zone",
            "Unknown time zone",
            format!(
                "this barn's time zone \"{name}\" is not known, and its days cannot be counted; \
                 set it to an IANA name such as America/Denver"
            ),
        )
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

    /// A body that did not come in time.
    pub fn slow_body() -> Problem {
        Problem::new(
            StatusCode::REQUEST_TIMEOUT,
            "/problems/slow",
            "The body did not come in time",
            "the connection is slow; try again, with less at once",
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

    /// A sheet that is not sent as CSV.
    pub fn not_csv() -> Problem {
        Problem::new(
            StatusCode::UNSUPPORTED_MEDIA_TYPE,
            "/problems/media-type",
            "Not sent as CSV",
            "send the body with Content-Type: text/csv",
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

    /// The username or the password is wrong; which of them is not said.
    pub fn wrong_sign_in() -> Problem {
        Problem::new(
            StatusCode::UNAUTHORIZED,
            "/problems/wrong-sign-in",
            "Sign-in not accepted",
            "the username or the password is wrong. A username looks like name@barn",
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
            "the barn's server is busy; try again in a moment. Sending the same once more is safe",
        )
    }

    /// The database cannot be reached just now.
    pub fn database_away() -> Problem {
        Problem::new(
            StatusCode::SERVICE_UNAVAILABLE,
            "/problems/database-away",
            "The barn's records are out of reach",
            "the database is starting or stopped; try again in a moment. Sending the same once more is safe",
        )
    }

    fn internal() -> Problem {
        Problem::new(
            StatusCode::INTERNAL_SERVER_ERROR,
            "/problems/inside",
            "Something broke here",
            "not your doing; try again in a moment. Sending the same once more is safe",
        )
    }
}

impl From<StoreError> for Problem {
    fn from(error: StoreError) -> Problem {
        match error {
            StoreError::Taken { field, what } => Problem::taken(field, what),
            StoreError::Booked(what) => Problem::booked(vec![FieldError::new(
                format!("/{what}_id"),
                format!("the {what} was booked for that time just now; look at the day again"),
            )]),
            StoreError::InUse(table) => Problem::in_use(&table),
            StoreError::RowRefused { table, why } => Problem::field(FieldError::new(
                format!("/tables/{table}"),
                format!("holds a row that breaks the rule \"{why}\"; nothing was stored"),
            )),
            StoreError::Away(error) => {
                tracing::warn!(%error, "the database is away");
                Problem::database_away()
            }
            error => {
                tracing::error!(%error, "store");
                Problem::internal()
            }
        }
    }
}

impl From<tower_sessions::session::Error> for Problem {
    fn from(error: tower_sessions::session::Error) -> Problem {
        use tower_sessions::session::Error;
        use tower_sessions::session_store;
        if let Error::Store(session_store::Error::Backend(error)) = error {
            tracing::warn!(error, "the database is away");
            return Problem::database_away();
        }
        tracing::error!(%error, "session");
        Problem::internal()
    }
}

impl From<tokio::task::JoinError> for Problem {
    fn from(error: tokio::task::JoinError) -> Problem {
        tracing::error!(%error, "task");
        Problem::internal()
    }
}

impl IntoResponse for Problem {
    fn into_response(self) -> Response {
        let status = StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR);
        let body = serde_json::to_string(&self).unwrap_or_default();
        (status, [(header::CONTENT_TYPE, PROBLEM_JSON)], body).into_response()
    }
}
