//! The JSON body of a request, read strictly; what does not fit is named.

use std::time::Duration;

use axum::body::Bytes;
use axum::extract::rejection::BytesRejection;
use axum::extract::{FromRequest, Request};
use axum::http::header::CONTENT_TYPE;
use axum::response::IntoResponse;
use cavesson_core::bounds::FieldError;
use serde::de::DeserializeOwned;
use tokio::time::timeout;

use crate::http::audit::keep::Said;
use crate::http::problem::Problem;

/// The most a request may hold. 5,000 reps take about 1.6 MB.
pub const MOST_BYTES: usize = 2_000_000;

/// How long a body may take to come. A phone at the edge of its signal is slow; what
/// it recorded goes out with the next try.
const MOST_WAIT: Duration = Duration::from_secs(15);

/// The most a whole barn may hold.
pub const MOST_LARGE_BYTES: usize = 512 * 1024 * 1024;

/// The most a CSV sheet may hold. 100,000 asks take about 15 MB.
pub const MOST_SHEET_BYTES: usize = 64 * 1024 * 1024;

/// How long a whole barn may take to come.
const MOST_LARGE_WAIT: Duration = Duration::from_secs(600);

/// A strictly read JSON body.
pub struct Body<T>(pub T);

impl<T: DeserializeOwned, S: Send + Sync> FromRequest<S> for Body<T> {
    type Rejection = Problem;

    async fn from_request(request: Request, state: &S) -> Result<Body<T>, Problem> {
        if !is_json(&request) {
            return Err(Problem::media_type());
        }
        let said = request.extensions().get::<Said>().cloned();
        let bytes = timeout(MOST_WAIT, Bytes::from_request(request, state))
            .await
            .map_err(|_| Problem::slow_body())?
            .map_err(|rejection| unread(rejection, MOST_BYTES))?;
        if let Some(said) = said {
            said.put(&bytes);
        }
        read(&bytes).map(Body)
    }
}

/// The bytes of a JSON document as large as a whole barn, not read yet.
pub struct LargeJson(pub Bytes);

impl<S: Send + Sync> FromRequest<S> for LargeJson {
    type Rejection = Problem;

    async fn from_request(request: Request, state: &S) -> Result<LargeJson, Problem> {
        if !is_json(&request) {
            return Err(Problem::media_type());
        }
        timeout(MOST_LARGE_WAIT, Bytes::from_request(request, state))
            .await
            .map_err(|_| Problem::slow_body())?
            .map(LargeJson)
            .map_err(|rejection| unread(rejection, MOST_LARGE_BYTES))
    }
}

/// The bytes of a CSV sheet, in whatever letters they are written.
pub struct SheetBytes(pub Bytes);

impl<S: Send + Sync> FromRequest<S> for SheetBytes {
    type Rejection = Problem;

    async fn from_request(request: Request, state: &S) -> Result<SheetBytes, Problem> {
        if !is(&request, "text/csv") {
            return Err(Problem::not_csv());
        }
        timeout(MOST_LARGE_WAIT, Bytes::from_request(request, state))
            .await
            .map_err(|_| Problem::slow_body())?
            .map(SheetBytes)
            .map_err(|rejection| unread(rejection, MOST_SHEET_BYTES))
    }
}

fn is_json(request: &Request) -> bool {
    is(request, "application/json")
}

fn is(request: &Request, media_type: &str) -> bool {
    request
        .headers()
        .get(CONTENT_TYPE)
        .and_then(|value| value.to_str().ok())
        .and_then(|value| value.split(';').next())
        .is_some_and(|kind| kind.trim().eq_ignore_ascii_case(media_type))
}

fn unread(rejection: BytesRejection, most_bytes: usize) -> Problem {
    if rejection.into_response().status() == axum::http::StatusCode::PAYLOAD_TOO_LARGE {
        Problem::too_large(most_bytes)
    } else {
        Problem::json("the body broke off; send it again")
    }
}

fn read<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Problem> {
    let mut reader = serde_json::Deserializer::from_slice(bytes);
    let value = serde_path_to_error::deserialize(&mut reader).map_err(|error| {
        let inner = error.inner();
        if inner.is_data() {
            let field = cavesson_core::json::pointer(error.path());
            Problem::field(FieldError::new(field, inner.to_string()))
        } else {
            Problem::json(format!("the body is not JSON: {inner}"))
        }
    })?;
    reader
        .end()
        .map_err(|error| Problem::json(format!("the body is not JSON: {error}")))?;
    Ok(value)
}
