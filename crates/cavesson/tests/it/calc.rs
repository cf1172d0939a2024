//! The calculators on the command line.

use std::io::Write;
use std::process::{Command, Output, Stdio};

use serde_json::{Value, json};

fn calc(arguments: &[&str], input: &str) -> Output {
    let mut child = Command::new(env!("CARGO_BIN_EXE_cavesson"))
        .arg("calc")
        .args(arguments)
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .unwrap();
    // A calculator that refuses its name does not read its input.
    let _ = child.stdin.take().unwrap().write_all(input.as_bytes());
    child.wait_with_output().unwrap()
}

fn error_of(output: &Output) -> Value {
    assert_eq!(output.status.code(), Some(2));
    assert!(output.stdout.is_empty());
    serde_json::from_slice(&output.stderr).unwrap()
}

/// Freireich et al. 1963 (from memory): medians 23 and 8 weeks, log-rank 16.79.
#[test]
fn give_times_reads_and_writes_one_object() {
    let treated = [
        6, 6, 6, -6, 7, -9, 10, -10, -11, 13, 16, -17, -19, -20, 22, 23, -25, -32, -32, -34, -35,
    ];
    let placebo = [
        1, 1, 2, 2, 3, 4, 4, 5, 5, 8, 8, 8, 8, 11, 11, 12, 12, 15, 17, 22, 23,
    ];
    let times = |weeks: &[i32]| {
        weeks
            .iter()
            .map(|w| json!([w.abs(), *w > 0]))
            .collect::<Vec<_>>()
    };
    let input = json!({"left": times(&treated), "right": times(&placebo), "horizon_s": 35});
    let output = calc(&["give-times"], &input.to_string());
    assert!(output.status.success());
    let found: Value = serde_json::from_slice(&output.stdout).unwrap();
    assert_eq!(
        (&found["left"]["median_s"], &found["right"]["median_s"]),
        (&json!(23.0), &json!(8.0))
    );
    assert_eq!(
        format!("{:.2}", found["log_rank"]["chi2"].as_f64().unwrap()),
        "16.79"
    );
}

#[test]
fn bad_input_is_exit_code_two_and_one_json_object() {
    let error = error_of(&calc(&["share"], r#"{"soft": 9, "asked": 4}"#));
    assert_eq!(
        error,
        json!({"error": "must be 0 to asked (4), found 9", "field": "/soft"})
    );
    assert_eq!(error_of(&calc(&["share"], "{"))["field"], "");
    assert_eq!(error_of(&calc(&["share"], ""))["field"], "");
    let unknown = error_of(&calc(&["shear"], "{}"));
    assert!(
        unknown["error"]
            .as_str()
            .unwrap()
            .contains("share, give-times, evenness")
    );
}

#[test]
fn the_list_names_them_and_the_schema_describes_them() {
    let list = String::from_utf8(calc(&["--list"], "").stdout).unwrap();
    for name in [
        "share",
        "give-times",
        "evenness",
        "trend",
        "ewma",
        "cusum",
        "gate",
    ] {
        assert!(list.lines().any(|line| line.starts_with(name)), "{list}");
        let schema: Value = serde_json::from_slice(&calc(&[name, "--schema"], "").stdout).unwrap();
        assert!(
            schema["input"]["properties"].is_object() && schema["output"]["properties"].is_object()
        );
    }
}

#[test]
fn the_committed_document_is_the_calculators() {
    let printed = Command::new(env!("CARGO_BIN_EXE_cavesson"))
        .args(["openapi", "--calculators"])
        .output()
        .unwrap();
    let path = concat!(env!("CARGO_MANIFEST_DIR"), "/../../web/calculators.json");
    let committed: Value = serde_json::from_str(&std::fs::read_to_string(path).unwrap()).unwrap();
    let now: Value = serde_json::from_slice(&printed.stdout).unwrap();
    // Not assert_eq: both documents are long.
    assert!(
        committed == now,
        "calculators changed: run `cargo run -p cavesson -- openapi --calculators > web/calculators.json` and `npm run api` in web/"
    );
}
