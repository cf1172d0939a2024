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
                "/api/horse-links/open",
                "/api/horse-links/report",
            ];
            if !open.contains(&path.as_str()) {
                assert!(says("401"), "{at} asks who it is: 401");
            }
        }
    }
}

/// The schema names of a source file: what derives a schema, by its name or the one it is
/// given.
fn schema_names(source: &str) -> Vec<String> {
    let (mut names, mut derives, mut given) = (Vec::new(), false, None);
    for line in source.lines().map(str::trim) {
        derives |= line.starts_with("#[") && line.contains("ToSchema");
        if let Some((_, name)) = line.split_once("schema(as = ") {
            given = name.split_once(')').map(|(name, _)| name.to_owned());
        }
        let words: Vec<&str> = line.split([' ', '<', '(']).collect();
        let declared = words
            .iter()
            .position(|word| ["struct", "enum"].contains(word));
        if let Some(at) = declared.filter(|at| *at <= 2 && line.starts_with(words[0])) {
            if derives {
                names.push(given.take().unwrap_or_else(|| words[at + 1].to_owned()));
            }
            (derives, given) = (false, None);
        }
    }
    names
}

fn sources(folder: &std::path::Path, found: &mut Vec<String>) {
    for entry in std::fs::read_dir(folder).unwrap() {
        let path = entry.unwrap().path();
        if path.is_dir() {
            sources(&path, found);
        } else if path.extension().is_some_and(|kind| kind == "rs") {
            found.push(std::fs::read_to_string(path).unwrap());
        }
    }
}

/// Two types of one name would stand for each other in the document, and one be lost.
#[test]
fn no_two_types_share_the_name_of_a_schema() {
    let (mut found, mut seen) = (Vec::new(), BTreeSet::new());
    let crates = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join("..");
    for of_crate in std::fs::read_dir(crates).unwrap() {
        let root = of_crate.unwrap().path().join("src");
        if root.is_dir() {
            sources(&root, &mut found);
        }
    }
    let names: Vec<String> = found
        .iter()
        .flat_map(|source| schema_names(source))
        .collect();
    // A macro's name is that of its user.
    let names: Vec<String> = names
        .into_iter()
        .filter(|name| !name.starts_with('$'))
        .collect();
    assert!(names.len() > 400, "{} schemas were read", names.len());
    let twice: Vec<&String> = names.iter().filter(|name| !seen.insert(*name)).collect();
    assert!(
        twice.is_empty(),
        "give each its own by `schema(as = ...)`: {twice:?}"
    );
}
