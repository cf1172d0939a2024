//! The OpenAPI document: as committed, and whole.

use std::collections::BTreeSet;

use serde_json::Value;

fn document() -> Value {
    serde_json::to_value(cavesson_server::openapi()).unwrap()
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
