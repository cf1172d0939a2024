//! One answer of any measure, drawn from the chance that it is soft. What is not
//! soft goes wrong in one of the ways the measure can record.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;

use crate::ladder::{LadderLevel, MeasureKind};
use crate::rep::calm::{Relaxing, Trouble};
use crate::rep::carry::CarryUnit;
use crate::rep::change::Ends;
use crate::rep::roll::{Against, Exit};
use crate::rep::run::RunBarrel;
use crate::rep::stop::{Cue, Head};
use crate::rep::turn::{Position, Shoulders, Tempo, TurnResult, Weight};
use crate::rep::{
    Answer, Calm, Carry, Change, Circle, Count, Depart, Give, HandWeight, Help, Measure, Obstacle,
    Roll, Run, Steps, Stop, Turn,
};
use crate::{Gait, Side};

/// Draws an answer at `level`.
pub fn draw(level: &LadderLevel, chance: f64, rng: &mut ChaCha8Rng) -> Measure {
    let soft = rng.random_bool(chance.clamp(0.0, 1.0));
    let gate = &level.gate.soft;
    match level.measure {
        MeasureKind::Give if soft => Measure::Give(soft_give(chance, gate.most_s(level.gait), rng)),
        MeasureKind::Give => Measure::Give(other_give(gate.most_s(level.gait), rng)),
        MeasureKind::Steps => Measure::Steps(steps(soft, rng)),
        MeasureKind::Circle => Measure::Circle(circle(soft, help(chance), rng)),
        MeasureKind::Stop => Measure::Stop(stop(soft, gate.strides_at(level.gait), rng)),
        MeasureKind::Roll => Measure::Roll(roll(soft, rng)),
        MeasureKind::Depart => Measure::Depart(depart(soft, rng)),
        MeasureKind::Change => Measure::Change(change(soft, rng)),
        MeasureKind::Carry => Measure::Carry(carry(soft, help(chance), rng)),
        MeasureKind::Obstacle => Measure::Obstacle(obstacle(soft, rng)),
        MeasureKind::Turn => Measure::Turn(turn(soft, level.gait, rng)),
        MeasureKind::Run => Measure::Run(run(soft, rng)),
        MeasureKind::Calm => Measure::Calm(calm(soft, rng)),
        MeasureKind::Count => Measure::Count(Count {
            count: rng.random_range(3..9),
        }),
    }
}

/// The readier the horse, the sooner its soft answers come.
fn soft_give(chance: f64, longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let slowest = longest_soft_s * (1.0 - 0.45 * chance);
    let hand = if rng.random_bool(0.3 + 0.5 * chance.clamp(0.0, 1.0)) {
        HandWeight::Fingertip
    } else {
        HandWeight::TwoFingers
    };
    Give::new(hand, tenths(rng.random_range(0.3..slowest)), Answer::Gave)
}

/// Late, heavy, unanswered or evaded.
fn other_give(longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let late_s = tenths(longest_soft_s * rng.random_range(1.1..2.2));
    let waited_s = tenths(longest_soft_s * rng.random_range(1.5..3.5));
    match rng.random_range(0..100) {
        0..40 => Give::new(HandWeight::TwoFingers, late_s, Answer::Gave),
        40..52 => Give::new(HandWeight::ClosedHand, tenths(late_s / 1.5), Answer::Gave),
        52..76 => Give::new(HandWeight::ClosedHand, waited_s, Answer::DidNotGive),
        _ => {
            let evaded = EVASIONS[rng.random_range(0..EVASIONS.len())];
            Give::new(HandWeight::TwoFingers, tenths(waited_s / 2.0), evaded)
        }
    }
}

const EVASIONS: [Answer; 4] = [
    Answer::EvadedUp,
    Answer::EvadedDown,
    Answer::EvadedOut,
    Answer::EvadedSideways,
];

fn steps(soft: bool, rng: &mut ChaCha8Rng) -> Steps {
    let asked = rng.random_range(1..=4);
    Steps {
        asked,
        clean: if soft {
            asked
        } else {
            rng.random_range(0..asked)
        },
        crossed: None,
        hurried: !soft && rng.random_bool(0.4),
    }
}

/// The readier the horse, the less hand and the more leg it takes.
fn help(chance: f64) -> Help {
    match chance {
        chance if chance < 0.55 => Help::MostlyHand,
        chance if chance < 0.8 => Help::Even,
        _ => Help::MostlyLeg,
    }
}

fn circle(soft: bool, help: Help, rng: &mut ChaCha8Rng) -> Circle {
    let circles = rng.random_range(1..=3);
    Circle {
        circles,
        soft_circles: if soft { circles } else { 0 },
        nose_ups: if soft { 0 } else { rng.random_range(1..=4) },
        fell_in: !soft && rng.random_bool(0.4),
        fell_out: false,
        broke_gait: !soft && rng.random_bool(0.15),
        help: Some(help),
    }
}

fn stop(soft: bool, strides: f64, rng: &mut ChaCha8Rng) -> Stop {
    let leans = !soft && rng.random_bool(0.6);
    Stop {
        cue: if rng.random_bool(if soft { 0.7 } else { 0.2 }) {
            Cue::Seat
        } else {
            Cue::TwoReins
        },
        strides: if soft || leans {
            strides.min(1.0)
        } else {
            strides + 1.0
        },
        off_bridle_s: match (soft, leans) {
            (true, _) => Some(tenths(rng.random_range(0.3..1.8))),
            (false, true) => None,
            (false, false) => Some(1.0),
        },
        head: Head::Quiet,
        drift: (!soft && rng.random_bool(0.3)).then_some(Side::Right),
        crept: !soft && !leans && rng.random_bool(0.5),
        steps_back: None,
    }
}

fn roll(soft: bool, rng: &mut ChaCha8Rng) -> Roll {
    let forward = !soft && rng.random_bool(0.6);
    Roll {
        against: Against::Fence,
        weight_behind: !forward,
        fell_forward: forward,
        exit: if soft || forward {
            Exit::Soft
        } else {
            Exit::Stiff
        },
        full_turn: false,
    }
}

fn depart(soft: bool, rng: &mut ChaCha8Rng) -> Depart {
    let early = !soft && rng.random_bool(0.5);
    Depart {
        waited: !early,
        head_still: soft || early,
        straight: soft,
        right_lead: true,
        strides_before: rng.random_range(0..3),
    }
}

fn change(soft: bool, rng: &mut ChaCha8Rng) -> Change {
    let late = !soft && rng.random_bool(0.7);
    Change {
        ends: if late { Ends::HindLate } else { Ends::Together },
        late_strides: late.then(|| rng.random_range(1..4)),
        waited: soft || late,
        sped_up: !soft && !late,
    }
}

fn carry(soft: bool, help: Help, rng: &mut ChaCha8Rng) -> Carry {
    let asked = f64::from(rng.random_range(2..7) * 10);
    Carry {
        unit: CarryUnit::Seconds,
        asked,
        carried: if soft {
            asked
        } else {
            (asked * rng.random_range(0.2..0.9)).round()
        },
        leaves: if soft {
            rng.random_range(0..2)
        } else {
            rng.random_range(2..6)
        },
        help: Some(help),
    }
}

fn obstacle(soft: bool, rng: &mut ChaCha8Rng) -> Obstacle {
    Obstacle {
        tries: if soft {
            rng.random_range(1..=2)
        } else {
            rng.random_range(2..6)
        },
        feet_on: if soft { 4 } else { rng.random_range(0..4) },
        crossed: soft,
        ran_out: (!soft && rng.random_bool(0.6)).then_some(Side::Left),
        jumped_off: false,
        relaxed: soft,
    }
}

fn turn(soft: bool, gait: Gait, rng: &mut ChaCha8Rng) -> Turn {
    let wrong = if soft { 4 } else { rng.random_range(0..4) };
    Turn {
        tempo: match gait {
            Gait::Stand | Gait::Walk => Tempo::Slow,
            Gait::Jog | Gait::Trot => Tempo::Medium,
            Gait::Lope | Gait::Gallop => Tempo::Quick,
        },
        position: if wrong == 0 {
            Position::Past
        } else {
            Position::Even
        },
        shoulders: if wrong == 1 {
            Shoulders::Leaked
        } else {
            Shoulders::SweptAcross
        },
        weight: if wrong == 2 {
            Weight::HeadTossed
        } else {
            Weight::Behind
        },
        waited: true,
        result: if wrong == 3 {
            TurnResult::Lost
        } else {
            TurnResult::Turned
        },
    }
}

fn run(soft: bool, rng: &mut ChaCha8Rng) -> Run {
    let planned_ft = [5.0, 4.0, 3.0];
    let off = if soft {
        0.0
    } else {
        rng.random_range(1.5..3.0)
    };
    let barrel = |off: f64| RunBarrel {
        planned_ft,
        pocket_ft: planned_ft.map(|feet: f64| tenths(feet - off)),
        rate_strides: 2,
        right_lead: true,
        shape_held: true,
        tipped: false,
        stepped_off: false,
    };
    Run {
        time_s: None,
        barrels: [barrel(0.0), barrel(off), barrel(0.0)],
    }
}

fn calm(soft: bool, rng: &mut ChaCha8Rng) -> Calm {
    Calm {
        minutes: f64::from(rng.random_range(2..8)),
        relaxed: soft,
        signs: if soft {
            vec![Relaxing::LowersHead]
        } else {
            Vec::new()
        },
        trouble: if soft {
            Vec::new()
        } else {
            vec![Trouble::HoldsBreath]
        },
        drawn_to: Vec::new(),
    }
}

fn tenths(value: f64) -> f64 {
    (value * 10.0).round() / 10.0
}
