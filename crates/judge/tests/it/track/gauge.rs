//! Asks in traces whose truth is known: found, told apart by rein, released within a tenth of a
//! second. The noise is that of a cheap load cell: 0.3 N, with a drift of half a newton.

use cavesson_base::Side;
use cavesson_files::device::gauge_hold::{Hold, of_hold};
use cavesson_files::device::line::summed;
use cavesson_files::device::rein_gauge::{GaugeAsk, GaugeLine, GaugeListener, GaugeReading, asks};
use cavesson_reps::rep::HandWeight;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};

/// An ask as it was made.
#[derive(Debug, Clone, Copy)]
struct Made {
    side: Side,
    onset_s: f64,
    release_s: f64,
    rise_n: f64,
}

const RATE: f64 = 50.0;
/// It rises and falls over these.
const RISES_S: f64 = 0.25;
const FALLS_S: f64 = 0.12;

impl Made {
    /// Newtons above what the hand carries; let go in the middle of the fall.
    fn pull(&self, side: Side, at_s: f64) -> f64 {
        if self.side != side && self.side != Side::Both {
            return 0.0;
        }
        let ramp = |part: f64| (1.0 - (std::f64::consts::PI * part.clamp(0.0, 1.0)).cos()) / 2.0;
        let up = ramp((at_s - self.onset_s) / RISES_S);
        let down = ramp((at_s - (self.release_s - FALLS_S / 2.0)) / FALLS_S);
        self.rise_n * (up - down)
    }
}

fn trace(made: &[Made], seconds: f64, noise_n: f64, seed: u64) -> Vec<GaugeReading> {
    let mut random = ChaCha8Rng::seed_from_u64(seed);
    let noise = Normal::new(0.0, noise_n).unwrap();
    (0..(seconds * RATE) as u32)
        .map(|n| {
            let at_s = f64::from(n) / RATE;
            let mut rein = |side| {
                let carried = 3.0 + 0.5 * (at_s / 20.0).sin();
                let pulled: f64 = made.iter().map(|ask| ask.pull(side, at_s)).sum();
                carried + pulled + noise.sample(&mut random)
            };
            GaugeReading {
                at_s,
                left_n: rein(Side::Left),
                right_n: rein(Side::Right),
            }
        })
        .collect()
}

fn drawn(count: u32, seed: u64) -> (Vec<Made>, f64) {
    let mut random = ChaCha8Rng::seed_from_u64(seed);
    let mut at_s = 4.0;
    let made = (0..count)
        .map(|_| {
            let side = [Side::Left, Side::Right, Side::Both][random.random_range(0..3)];
            let lasts: f64 = random.random_range(0.6..4.0);
            let ask = Made {
                side,
                onset_s: at_s,
                release_s: at_s + lasts,
                rise_n: random.random_range(4.0..30.0),
            };
            at_s += lasts + random.random_range(1.5..6.0);
            ask
        })
        .collect();
    (made, at_s + 3.0)
}

fn is_it(made: &Made, found: &GaugeAsk) -> bool {
    made.side == found.side && (made.release_s - found.release_s).abs() <= 0.1
}

#[test]
fn asks_are_found_and_nothing_else_at_the_stated_noise() {
    let (mut hits, mut all_made, mut all_found) = (0, 0, 0);
    for seed in 0..20 {
        let (made, seconds) = drawn(40, seed);
        let found = asks(&trace(&made, seconds, 0.3, 1_000 + seed))
            .unwrap()
            .asks;
        hits += made
            .iter()
            .filter(|made| found.iter().any(|found| is_it(made, found)))
            .count();
        all_made += made.len();
        all_found += found.len();
    }
    let recall = hits as f64 / all_made as f64;
    let precision = hits as f64 / all_found as f64;
    assert!(recall >= 0.95, "recall {recall}");
    assert!(precision >= 0.95, "precision {precision}");
}

#[test]
fn time_to_give_and_peak_are_those_that_were_made() {
    let made = Made {
        side: Side::Left,
        onset_s: 6.0,
        release_s: 8.0,
        rise_n: 12.0,
    };
    let found = asks(&trace(&[made], 12.0, 0.0, 1)).unwrap();
    let [ask] = &found.asks[..] else {
        panic!("{found:?}")
    };
    assert!((ask.onset_s - 6.05).abs() < 0.08, "{ask:?}");
    assert!((ask.time_to_give_s - 2.0).abs() < 0.12, "{ask:?}");
    assert!((ask.peak_n - 15.0).abs() < 0.6, "{ask:?}");
    assert_eq!(ask.hand, HandWeight::ClosedHand);
    assert_eq!(
        (found.evenness.left_asks, found.evenness.right_asks),
        (1, 0)
    );
    assert!((found.evenness.left_carried_n - found.evenness.right_carried_n).abs() < 0.05);
}

#[test]
fn a_gauge_that_is_pulled_out_in_an_ask_makes_none_of_it() {
    let ask = |onset_s, release_s| Made {
        side: Side::Right,
        onset_s,
        release_s,
        rise_n: 10.0,
    };
    let mut readings = trace(
        &[ask(5.0, 6.0), ask(9.0, 14.0), ask(20.0, 21.0)],
        25.0,
        0.1,
        3,
    );
    readings.retain(|reading| !(10.0..17.0).contains(&reading.at_s));
    let found = asks(&readings).unwrap().asks;
    let releases: Vec<f64> = found.iter().map(|ask| ask.release_s.round()).collect();
    assert_eq!(releases, [6.0, 21.0], "{found:?}");
}

#[test]
fn a_steady_hand_asks_nothing_and_what_cannot_be_is_named() {
    assert_eq!(asks(&trace(&[], 60.0, 0.3, 4)).unwrap().asks, []);
    assert_eq!(asks(&[]).unwrap().asks, []);
    let reading = |at_s, left_n| GaugeReading {
        at_s,
        left_n,
        right_n: 0.0,
    };
    assert_eq!(
        asks(&[reading(0.0, 900.0)]).unwrap_err().field,
        "/readings/0/left_n"
    );
    assert_eq!(
        asks(&[reading(0.0, f64::NAN)]).unwrap_err().field,
        "/readings/0/left_n"
    );
    assert_eq!(
        asks(&[reading(1.0, 1.0), reading(0.5, 1.0)])
            .unwrap_err()
            .field,
        "/readings/1/at_s"
    );
}

/// As the gauge writes its lines.
fn lines(readings: &[GaugeReading]) -> Vec<String> {
    readings
        .iter()
        .zip(1_u32..)
        .map(|(reading, number)| {
            summed(&format!(
                "{number} {:.0} {:.2} {:.2}",
                reading.at_s * 1_000.0,
                reading.left_n,
                reading.right_n
            ))
        })
        .collect()
}

#[test]
fn line_by_line_it_finds_what_the_whole_trace_holds() {
    let (made, seconds) = drawn(12, 5);
    let readings = trace(&made, seconds, 0.2, 6);
    let whole = asks(&readings).unwrap().asks;
    let (mut listener, mut found) = (GaugeListener::default(), Vec::new());
    for piece in lines(&readings).chunks(10) {
        for line in piece {
            found.extend(listener.take(line).1);
        }
        // As it goes to the page and back.
        let kept = serde_json::to_string(&listener).unwrap();
        listener = serde_json::from_str(&kept).unwrap();
        listener.check().unwrap();
    }
    assert_eq!(found.len(), whole.len());
    for (one, two) in found.iter().zip(&whole) {
        assert_eq!(one.side, two.side);
        assert!(
            (one.release_s - two.release_s).abs() < 0.03,
            "{one:?} {two:?}"
        );
    }
    assert_eq!((listener.missing, listener.broken), (0, 0));
}

#[test]
fn readings_that_never_arrive_and_lines_that_are_broken_are_counted() {
    let made = Made {
        side: Side::Left,
        onset_s: 5.0,
        release_s: 6.5,
        rise_n: 9.0,
    };
    let mut written = lines(&trace(&[made], 12.0, 0.2, 7));
    written.retain(|line| !line.starts_with("30 ") && !line.starts_with("31 "));
    written[100] = written[100].replacen('.', "?", 1);
    let mut listener = GaugeListener::default();
    let found: Vec<GaugeAsk> = written
        .iter()
        .flat_map(|line| listener.take(line).1)
        .collect();
    assert_eq!((listener.missing, listener.broken), (3, 1));
    assert!(found.iter().any(|found| is_it(&made, found)), "{found:?}");
    for line in [
        "",
        "1 2 3 00",
        &summed("1 2 3 9000"),
        &summed("1 x 3 4"),
        &summed("1 2 3 NaN"),
    ] {
        assert!(GaugeLine::read(line).is_err(), "{line}");
    }
}

#[test]
fn a_hold_of_the_thumb_is_the_ask_it_went_with() {
    let made: Vec<Made> = (0..40)
        .map(|number| Made {
            side: [Side::Left, Side::Right, Side::Both][number % 3],
            onset_s: 5.0 + 5.0 * number as f64,
            release_s: 6.2 + 5.0 * number as f64 + 0.03 * number as f64,
            rise_n: 9.0,
        })
        .collect();
    let found = asks(&trace(&made, 210.0, 0.3, 4)).unwrap().asks;
    let mut random = ChaCha8Rng::seed_from_u64(5);
    // The page's clock is a thousand seconds ahead; readings take 5 to 60 ms to arrive.
    let heard: Vec<(f64, f64)> = (0..100)
        .map(|n| {
            (
                f64::from(n) * 0.02,
                1_000.0 + f64::from(n) * 0.02 + random.random_range(0.005..0.06),
            )
        })
        .collect();
    let mut right = 0;
    for one in &made {
        let mut late = || 1_000.0 + random.random_range(-0.1..0.5);
        let hold = Hold {
            side: one.side,
            pressed_s: one.onset_s + late(),
            released_s: one.release_s + late(),
        };
        let ask = of_hold(&found, &heard, &hold);
        right += usize::from(ask.is_some_and(|ask| (ask.release_s - one.release_s).abs() < 0.1));
        // The other rein was not asked then, and nothing was asked two seconds later.
        if one.side != Side::Both {
            let other = Hold {
                side: one.side.other(),
                ..hold
            };
            assert_eq!(of_hold(&found, &heard, &other), None);
        }
        let after = Hold {
            pressed_s: hold.pressed_s + 2.5,
            released_s: hold.released_s + 2.5,
            ..hold
        };
        assert_eq!(of_hold(&found, &heard, &after), None);
        assert_eq!(
            of_hold(&found, &[], &hold),
            None,
            "a gauge that was not heard"
        );
    }
    assert!(right >= 39, "{right} of 40");
}
