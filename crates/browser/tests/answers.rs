//! What a call answers is what the calculator answers; what goes wrong is said.

use cavesson_browser::answer::answer;
use cavesson_browser::interface::{allocate, release};
use serde_json::{Value, json};

fn asked(name: &str, input: &str) -> Value {
    serde_json::from_str(&answer(name, input)).unwrap()
}

#[test]
fn a_call_answers_what_the_calculator_answers() {
    let output = asked("evenness", r#"{"left": 1.5, "right": 1.0}"#);
    assert_eq!(
        output,
        json!({"output": {"symmetry_index_pct": 40.0, "difference": 0.5}})
    );
}

#[test]
fn a_field_that_does_not_fit_is_named() {
    let output = asked("evenness", r#"{"left": -1, "right": 1.0}"#);
    assert_eq!(output["error"]["field"], "/left");
}

#[test]
fn no_calculator_and_no_json_are_errors_not_panics() {
    let none = asked("divine", "{}");
    assert_eq!(none["error"]["detail"], "no calculator \"divine\"");
    for broken in ["", "{", "[1,", "\u{0}"] {
        let output = asked("share", broken);
        assert!(
            output["error"]["detail"].is_string(),
            "{broken:?}: {output}"
        );
    }
}

#[test]
fn room_is_given_and_taken_back() {
    assert!(allocate(0).is_null());
    for length in [1, 7, 100_000] {
        let address = allocate(length);
        assert!(!address.is_null());
        // SAFETY: it came from there with this length.
        unsafe {
            address.write_bytes(7, length);
            release(address, length);
        }
    }
}
