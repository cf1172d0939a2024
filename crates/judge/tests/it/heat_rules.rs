//! Heat bands and cooling out: extension-service rule of thumb and practice of endurance
//! riding, both from memory. Rows of a forecast.

use cavesson_calc::calc;
use cavesson_judge::heat::HeatBand;
use cavesson_judge::heat::cool_out::{CoolReading, check, says};
use cavesson_judge::heat::forecast::{At, fahrenheit, read_csv, read_words};
use cavesson_reps::horse::Sex;
use proptest::prelude::*;
use rstest::rstest;
use serde_json::json;

#[rstest]
#[case(70.0, 59.9, "usual")]
#[case(70.0, 60.0, "more_breaks")]
#[case(90.0, 59.9, "more_breaks")]
#[case(90.0, 60.0, "short_and_slow")]
#[case(100.0, 80.0, "short_and_slow")]
#[case(100.0, 80.1, "no_riding")]
fn the_bands_lie_where_the_rule_puts_them(
    #[case] temperature_f: f64,
    #[case] humidity_pct: f64,
    #[case] band: &str,
) {
    let run = calc::find("heat").unwrap().run;
    let out = run(json!({"temperature_f": temperature_f, "humidity_pct": humidity_pct})).unwrap();
    assert_eq!(out["band"], band);
    assert!((out["index"].as_f64().unwrap() - temperature_f - humidity_pct).abs() < 1e-9);
    assert!(!out["advice"].as_str().unwrap().is_empty());
}

#[test]
fn a_figure_out_of_bounds_names_its_field() {
    let run = calc::find("heat").unwrap().run;
    let error = run(json!({"temperature_f": 70, "humidity_pct": 101})).unwrap_err();
    assert_eq!(error.field, "/humidity_pct");
}

fn reading(minute: u16, pulse: u16) -> CoolReading {
    CoolReading {
        minute,
        pulse,
        breaths: 30,
        temperature_f: None,
    }
}

#[rstest]
#[case(vec![], false, false, Some(0))]
#[case(vec![reading(0, 120)], false, false, Some(10))]
#[case(vec![reading(0, 120), reading(10, 80)], false, false, Some(20))]
#[case(vec![reading(0, 120), reading(10, 80), reading(20, 63)], false, true, None)]
#[case(vec![reading(0, 120), reading(10, 80), reading(20, 64)], true, false, None)]
#[case(vec![reading(20, 70), reading(30, 60)], false, true, None)]
#[case(vec![reading(12, 60)], false, false, Some(20))]
#[case(vec![CoolReading { temperature_f: Some(103.1), ..reading(0, 50) }], true, false, Some(10))]
#[case(vec![CoolReading { temperature_f: Some(103.0), ..reading(0, 50) }], false, false, Some(10))]
fn who_does_not_come_down_is_for_the_vet(
    #[case] readings: Vec<CoolReading>,
    #[case] call_vet: bool,
    #[case] cooled_out: bool,
    #[case] next_min: Option<u16>,
) {
    let said = says(&readings, Some(Sex::Mare));
    assert_eq!(
        (said.call_vet, said.cooled_out, said.next_min),
        (call_vet, cooled_out, next_min)
    );
    assert_eq!(
        said.text.iter().any(|text| text.contains("call the vet")),
        call_vet,
        "{said:?}"
    );
}

#[test]
fn readings_are_checked_field_by_field() {
    let wrong = [
        CoolReading {
            pulse: 10,
            ..reading(0, 60)
        },
        reading(0, 60),
    ];
    let errors = check(&wrong).unwrap_err();
    let fields: Vec<&str> = errors.iter().map(|error| error.field.as_str()).collect();
    assert_eq!(fields, ["/readings/0/pulse", "/readings/1/minute"]);
    let run = calc::find("cool-out").unwrap().run;
    let error = run(json!({"readings": [{"minute": 0, "pulse": 60, "breaths": 3}]})).unwrap_err();
    assert_eq!(error.field, "/readings/0/breaths");
}

#[test]
fn rows_are_read_in_either_unit_and_on_either_clock() {
    let rows = read_csv("time;humidity_pct;temperature_c\n2026-07-01T14:00;40;30\n2026-07-01T15:00:00-06:00;35;35\n").unwrap();
    assert!((rows[0].temperature_f - 86.0).abs() < 1e-9);
    assert_eq!(rows[0].at, At::Clock("2026-07-01T14:00".parse().unwrap()));
    assert_eq!(
        rows[1].at,
        At::Moment("2026-07-01T21:00:00Z".parse().unwrap())
    );
}

#[rstest]
#[case("", "time")]
#[case("time,humidity_pct\n", "temperature_f")]
#[case("time,temperature_f,humidity_pct\nnoon,80,40\n", "line 2: time")]
#[case(
    "time,temperature_f,humidity_pct\n2026-07-01T14:00,hot,40\n",
    "line 2: the temperature"
)]
#[case(
    "time,temperature_f,humidity_pct\n2026-07-01T14:00,80,140\n",
    "line 2: relative humidity must be 0 to 100 %"
)]
#[case("time,temperature_f,humidity_pct\n", "hours of a forecast")]
fn what_does_not_fit_is_said_by_line(#[case] text: &str, #[case] wanted: &str) {
    let error = read_csv(text).unwrap_err();
    assert_eq!(error.field, "/text");
    assert!(error.detail.contains(wanted), "{}", error.detail);
}

#[rstest]
#[case("88 F, 60 %", Some((88.0, 60.0)))]
#[case("Sunny 31°C 55%", Some((fahrenheit(31.0), 55.0)))]
#[case("-5 C / 80 %", Some((23.0, 80.0)))]
#[case("Farrier at 9", None)]
#[case("40 %", None)]
fn a_line_of_a_calendar_says_both_or_nothing(
    #[case] line: &str,
    #[case] wanted: Option<(f64, f64)>,
) {
    assert_eq!(read_words(line), wanted);
}

/// Freezing and boiling, as everybody learns them.
#[test]
fn celsius_becomes_fahrenheit() {
    assert!((fahrenheit(0.0) - 32.0).abs() < 1e-9);
    assert!((fahrenheit(100.0) - 212.0).abs() < 1e-9);
}

proptest! {
    /// Hotter or damper never allows more.
    #[test]
    fn more_heat_never_allows_more(index in 0.0f64..220.0, more in 0.0f64..50.0) {
        prop_assert!(HeatBand::of(index + more) >= HeatBand::of(index));
    }

    /// Whatever is pasted is read or refused, never a panic.
    #[test]
    fn anything_can_be_pasted(text in "(?s).{0,300}") {
        let _ = read_csv(&text);
        let _ = read_words(&text);
    }
}
