//! The OpenAPI document: as committed, and whole.

use std::collections::BTreeSet;

use serde_json::Value;

fn document() -> Value {
    cavesson_server::openapi()
}

#[test]
fn the_committed_document_is_the_routers() {
    let path = concat!(env!("CARGO_MANIFEST_DIR"), "/../../web/openapi.json");
    let committed: Value = serde_json::from_str(&std::fs::read_to_string(path).unwrap()).unwrap();
    // Not assert_eq: both documents are long.
    assert!(
        committed == document(),
        "routes changed: run `cargo run -p cavesson -- openapi > web/openapi.json` and `npm run api` in web/"
    );
}

#[test]
fn every_operation_has_a_name_of_its_own_and_says_what_can_go_wrong() {
    let document = document();
    let mut names = BTreeSet::new();
    for (path, methods) in document["paths"].as_object().unwrap() {
        for (method, operation) in methods.as_object().unwrap() {
            let name = operation["operationId"].as_str().unwrap();
            assert!(
                names.insert(name.to_owned()),
                "{method} {path}: {name} twice"
            );
            for (status, response) in operation["responses"].as_object().unwrap() {
                if status.starts_with('4') {
                    assert!(
                        response["content"]["application/problem+json"].is_object(),
                        "{method} {path} {status}"
                    );
                }
            }
        }
    }
    assert!(names.len() >= 12, "{names:?}");
}

/// What an argument of a handler may refuse stands in the document of every route
/// that takes it.
#[test]
fn every_refusal_of_an_extractor_is_documented() {
    let document = document();
    for (path, methods) in document["paths"].as_object().unwrap() {
        for (method, operation) in methods.as_object().unwrap() {
            let says = |status: &str| operation["responses"][status].is_object();
            let at = format!("{method} {path}");
            for status in ["500", "503"] {
                assert!(says(status), "{at} {status}");
            }
            if operation["requestBody"].is_object() {
                for status in ["400", "408", "413", "415", "422"] {
                    assert!(says(status), "{at} takes a body: {status}");
                }
            }
            let parameters = operation["parameters"]
                .as_array()
                .cloned()
                .unwrap_or_default();
            if parameters.iter().any(|parameter| parameter["in"] == "path") {
                assert!(says("404"), "{at} names something: 404");
            }
            if parameters
                .iter()
                .any(|parameter| parameter["in"] == "query")
            {
                assert!(says("422"), "{at} takes a query: 422");
            }
            let open = [
                "/api/health",
                "/api/calc",
                "/api/session",
                "/api/time-zones",
                "/api/links/look",
                "/api/links/take",
                "/api/calendars/{word}",
            ];
            if !open.contains(&path.as_str()) {
                assert!(says("401"), "{at} asks who it is: 401");
            }
        }
    }
}
