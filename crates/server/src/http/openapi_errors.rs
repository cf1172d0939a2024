//! What a route may refuse follows from what its handler takes: who is asked for,
//! a body, parts of the address. The OpenAPI document gets these answers from the
//! handler's own arguments; only what a handler decides itself is written at it.

use axum::extract::State;
use tower_sessions::Session;
use utoipa::openapi::path::{Operation, PathItem};
use utoipa::openapi::{Content, Ref, RefOr, Response};
use utoipa_axum::router::UtoipaMethodRouter;

use crate::App;
use crate::http::body::{Body, LargeJson, SheetBytes};
use crate::http::problem::PROBLEM_JSON;
use crate::http::signed_in::{Decider, Recorder, Signed, Trainer};
use crate::http::url::{UrlPath, UrlQuery};

/// An answer that says why not.
pub type Refusal = (u16, &'static str);

/// What an argument of a handler may refuse.
pub trait Refuses {
    /// Its refusals.
    const REFUSALS: &'static [Refusal];
}

const NOT_SIGNED_IN: Refusal = (401, "Not signed in");
const NOT_YOURS: Refusal = (403, "Not this person's to do");

impl Refuses for State<App> {
    const REFUSALS: &'static [Refusal] = &[];
}

impl Refuses for Session {
    const REFUSALS: &'static [Refusal] = &[];
}

impl Refuses for Signed {
    const REFUSALS: &'static [Refusal] = &[NOT_SIGNED_IN];
}

/// Where who asks matters in some cases only; what it refuses is written there.
impl Refuses for Result<Signed, crate::http::problem::Problem> {
    const REFUSALS: &'static [Refusal] = &[];
}

impl Refuses for Recorder {
    const REFUSALS: &'static [Refusal] = &[NOT_SIGNED_IN, NOT_YOURS];
}

impl Refuses for Decider {
    const REFUSALS: &'static [Refusal] = &[NOT_SIGNED_IN, NOT_YOURS];
}

impl Refuses for Trainer {
    const REFUSALS: &'static [Refusal] = &[NOT_SIGNED_IN, NOT_YOURS];
}

impl<T> Refuses for UrlPath<T> {
    const REFUSALS: &'static [Refusal] = &[(404, "Not there, or not in this barn")];
}

impl<T> Refuses for UrlQuery<T> {
    const REFUSALS: &'static [Refusal] = &[(422, "A field does not fit; nothing was stored")];
}

const OF_JSON: &[Refusal] = &[
    (400, "Not JSON; nothing was stored"),
    (408, "The body did not come in time; nothing was stored"),
    (413, "Too much at once; nothing was stored"),
    (415, "Not sent as JSON; nothing was stored"),
    (422, "A field does not fit; nothing was stored"),
];

impl<T> Refuses for Body<T> {
    const REFUSALS: &'static [Refusal] = OF_JSON;
}

impl Refuses for SheetBytes {
    const REFUSALS: &'static [Refusal] = &[
        (400, "The body broke off; nothing was stored"),
        (408, "The body did not come in time; nothing was stored"),
        (413, "Too much at once; nothing was stored"),
        (415, "Not sent as CSV; nothing was stored"),
    ];
}

impl Refuses for LargeJson {
    const REFUSALS: &'static [Refusal] = OF_JSON;
}

/// What every route may answer.
const ALWAYS: &[Refusal] = &[
    (500, "Something broke here; try again in a moment"),
    (503, "Busy, or it took too long; try again in a moment"),
];

/// A handler, by its arguments.
pub trait Handler<Arguments> {
    /// What its arguments may refuse.
    fn refusals(&self) -> Vec<Refusal>;
}

macro_rules! handler {
    ($($argument:ident),*) => {
        impl<F, Answered, $($argument: Refuses),*> Handler<($($argument,)*)> for F
        where
            F: Fn($($argument),*) -> Answered,
        {
            fn refusals(&self) -> Vec<Refusal> {
                let each: &[&[Refusal]] = &[$($argument::REFUSALS,)* ALWAYS];
                each.concat()
            }
        }
    };
}
handler!();
handler!(A);
handler!(A, B);
handler!(A, B, C);
handler!(A, B, C, D);
handler!(A, B, C, D, E);

/// A route with the refusals of its handler in the document.
pub fn with_refusals<Arguments>(
    mut route: UtoipaMethodRouter<App>,
    handler: impl Handler<Arguments>,
) -> UtoipaMethodRouter<App> {
    let refusals = handler.refusals();
    for item in route.1.paths.values_mut() {
        for operation in operations(item) {
            for (status, text) in &refusals {
                let responses = &mut operation.responses.responses;
                responses
                    .entry(status.to_string())
                    .or_insert_with(|| problem(text));
            }
        }
    }
    route
}

fn operations(item: &mut PathItem) -> impl Iterator<Item = &mut Operation> {
    [
        &mut item.get,
        &mut item.put,
        &mut item.post,
        &mut item.delete,
    ]
    .into_iter()
    .flatten()
}

fn problem(text: &str) -> RefOr<Response> {
    let schema = Ref::from_schema_name("Problem");
    let mut response = Response::new(text);
    response
        .content
        .insert(PROBLEM_JSON.to_owned(), Content::new(Some(schema)).into());
    RefOr::T(response)
}

/// The route of one handler, its refusals documented.
#[macro_export]
macro_rules! route {
    ($handler:path) => {
        $crate::http::openapi_errors::with_refusals(utoipa_axum::routes!($handler), $handler)
    };
}
