//! The simulated weather. Nothing of it is real; it has to be the same each time, to stay
//! within what weather can be, and to have a summer, a winter, a noon and a night.

use cavesson_standin::climate::Climate;
use cavesson_standin::service::listen;
use jiff::{SignedDuration, Timestamp};

fn at(text: &str) -> Timestamp {
    text.parse().unwrap()
}

fn mean(climate: &Climate, from: &str, hours: i64) -> f64 {
    let hour = |n| climate.hour(at(from) + SignedDuration::from_hours(n));
    (0..hours).map(|n| hour(n).temperature_f).sum::<f64>() / hours as f64
}

#[test]
fn the_same_seed_place_and_hour_have_the_same_weather() {
    let one = Climate::of(7, "home", 0.0).hour(at("2026-07-01T20:00:00Z"));
    assert_eq!(
        one,
        Climate::of(7, "home", 0.0).hour(at("2026-07-01T20:00:00Z"))
    );
    assert_ne!(
        one,
        Climate::of(8, "home", 0.0).hour(at("2026-07-01T20:00:00Z"))
    );
    assert_ne!(
        one,
        Climate::of(7, "away", 0.0).hour(at("2026-07-01T20:00:00Z"))
    );
    let wave = Climate::of(7, "home", 20.0).hour(at("2026-07-01T20:00:00Z"));
    assert!((wave.temperature_f - one.temperature_f - 20.0).abs() < 0.11);
}

#[test]
fn summers_are_warm_and_afternoons_warmer_than_nights() {
    for seed in 0..20 {
        let climate = Climate::of(seed, "home", 0.0);
        let july = mean(&climate, "2026-07-01T00:00:00Z", 24 * 31);
        let january = mean(&climate, "2026-01-01T00:00:00Z", 24 * 31);
        assert!(july > january + 30.0, "{july} {january}");
        let noon = mean(&climate, "2026-07-10T21:00:00Z", 2);
        let night = mean(&climate, "2026-07-10T11:00:00Z", 2);
        assert!(noon > night + 8.0, "{noon} {night}");
    }
}

#[test]
fn every_hour_stays_within_what_weather_can_be_and_does_not_jump() {
    let climate = Climate::of(3, "home", 0.0);
    let hour = |n| climate.hour(at("2026-01-01T00:00:00Z") + SignedDuration::from_hours(n));
    for n in 0..24 * 365 {
        let (now, next) = (hour(n), hour(n + 1));
        assert!((-40.0..=130.0).contains(&now.temperature_f));
        assert!((5.0..=99.0).contains(&now.humidity_pct));
        assert!(
            (now.temperature_f - next.temperature_f).abs() < 6.0,
            "{now:?} {next:?}"
        );
    }
}

#[tokio::test]
async fn it_listens_on_loopback_only() {
    assert!(listen("0.0.0.0:0".parse().unwrap()).await.is_err());
    assert!(listen("127.0.0.1:0".parse().unwrap()).await.is_ok());
}
