//! One answer, drawn from the chance that it is soft.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;

use crate::rep::{Answer, Give, HandWeight};

/// Draws a give. The readier the horse, the sooner its soft answers come; what
/// is not soft is late, heavy, unanswered or evaded.
pub fn draw(chance: f64, longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    if rng.random_bool(chance.clamp(0.0, 1.0)) {
        soft(chance, longest_soft_s, rng)
    } else {
        not_soft(longest_soft_s, rng)
    }
}

fn soft(chance: f64, longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let slowest = longest_soft_s * (1.0 - 0.45 * chance);
    let hand = if rng.random_bool(0.3 + 0.5 * chance) {
        HandWeight::Fingertip
    } else {
        HandWeight::TwoFingers
    };
    Give {
        hand,
        time_s: tenths(rng.random_range(0.3..slowest)),
        answer: Answer::Gave,
    }
}

fn not_soft(longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let late_s = longest_soft_s * rng.random_range(1.1..2.2);
    let waited_s = longest_soft_s * rng.random_range(1.5..3.5);
    match rng.random_range(0..100) {
        0..40 => Give {
            hand: HandWeight::TwoFingers,
            time_s: tenths(late_s),
            answer: Answer::Gave,
        },
        40..52 => Give {
            hand: HandWeight::ClosedHand,
            time_s: tenths(late_s / 1.5),
            answer: Answer::Gave,
        },
        52..76 => Give {
            hand: HandWeight::ClosedHand,
            time_s: tenths(waited_s),
            answer: Answer::DidNotGive,
        },
        _ => Give {
            hand: HandWeight::TwoFingers,
            time_s: tenths(waited_s / 2.0),
            answer: EVASIONS[rng.random_range(0..EVASIONS.len())],
        },
    }
}

const EVASIONS: [Answer; 4] = [
    Answer::EvadedUp,
    Answer::EvadedDown,
    Answer::EvadedOut,
    Answer::EvadedSideways,
];

fn tenths(seconds: f64) -> f64 {
    (seconds * 10.0).round() / 10.0
}
