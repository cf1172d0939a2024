//! Pieces by their measures, how they sit on a horse, changing the bit, the way back, hands.
//! Rules are common practice of the trade, no source; figures are product defaults.

use cavesson_barn::yard::{GearKind, GearSheet};
use cavesson_base::Side;
use cavesson_base::school::Schools;
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::rep::HandWeight;
use cavesson_reps::rig::RigKind;
use cavesson_tack::gear::hands::{HandAsk, most_hand, rider_hands, says as hands_say};
use cavesson_tack::gear::milder::{OnShelf, one_milder};
use cavesson_tack::gear::protocol::{
    ChangeStep, NextStep, StepAnswer, StepTaken, check_steps, next_step, says,
};
use cavesson_tack::gear::restore::{PartSide, RestorePart, RestorePlan, restored};
use cavesson_tack::gear::strap::half_strap_in;
use cavesson_tack::gear::{Cheek, Fitting, GearMeasures, Mouthpiece, Strap, school};
use jiff::civil::{Date, date};
use proptest::prelude::*;
use uuid::Uuid;

fn shank_bit() -> GearMeasures {
    GearMeasures {
        mouthpiece: Some(Mouthpiece::Ported),
        mouth_in: Some(5.0),
        bar_in: Some(0.4375),
        port_in: Some(1.0),
        cheek: Some(Cheek::LooseShank),
        purchase_in: Some(1.5),
        shank_in: Some(4.5),
        ..GearMeasures::default()
    }
}

#[test]
fn what_cannot_be_together_is_said_at_its_field() {
    let said = |change: fn(&mut GearMeasures)| {
        let mut measures = shank_bit();
        change(&mut measures);
        let errors = measures.check();
        errors
            .first()
            .map(|error| (error.field.clone(), error.detail.clone()))
            .unwrap_or_default()
    };
    assert_eq!(said(|_| {}), (String::new(), String::new()));
    let (field, text) = said(|bit| bit.overall_in = Some(5.5));
    assert_eq!(field, "/overall_in");
    assert!(text.contains("6 in"), "{text}");
    assert_eq!(
        said(|bit| bit.mouthpiece = Some(Mouthpiece::Jointed)).0,
        "/port_in"
    );
    assert_eq!(said(|bit| bit.cheek = Some(Cheek::Ring)).0, "/cheek");
    assert_eq!(said(|bit| bit.port_in = Some(0.2)).0, "/port_in");
    assert_eq!(said(|bit| bit.purchase_in = Some(0.0)).0, "/purchase_in");
    assert_eq!(said(|bit| bit.weight_oz = Some(f64::NAN)).0, "/weight_oz");
    let sheet = GearSheet {
        name: " ".into(),
        kind: GearKind::Shank,
        note: String::new(),
        measures: GearMeasures {
            shank_in: Some(-1.0),
            ..shank_bit()
        },
        quiet_hands: false,
        most_hand: None,
    };
    let fields: Vec<String> = sheet
        .check()
        .unwrap_err()
        .into_iter()
        .map(|e| e.field)
        .collect();
    assert_eq!(fields, ["/name", "/measures/shank_in"]);
}

#[test]
fn a_piece_is_seen_by_show_rules_as_it_was_measured() {
    use cavesson_tack::gear::show_rules::{Legal, PieceKind, ShowClass, check};
    let legal = |measures: &GearMeasures, rule: &str| {
        let rows = check(&measures.for_show(PieceKind::Curb), &ShowClass::default()).unwrap();
        rows.into_iter().find(|row| row.rule == rule).unwrap().legal
    };
    let bit = shank_bit();
    assert_eq!(bit.overall_in(), Some(6.0));
    assert_eq!(legal(&bit, "shank"), Legal::Yes);
    assert_eq!(
        legal(
            &GearMeasures {
                overall_in: Some(8.75),
                ..bit.clone()
            },
            "shank"
        ),
        Legal::No
    );
    assert_eq!(
        legal(
            &GearMeasures {
                shank_in: None,
                ..bit.clone()
            },
            "shank"
        ),
        Legal::CannotTell
    );
    // A plain bar has no port, so its height is known.
    let plain = GearMeasures {
        mouthpiece: Some(Mouthpiece::Plain),
        port_in: None,
        ..bit
    };
    assert_eq!(legal(&plain, "port"), Legal::Yes);
}

#[test]
fn a_fitting_needs_what_its_strap_goes_by() {
    let strap = Strap {
        half_length_in: 2.75,
        hole_spacing_in: 0.5,
        holes_shorter: 3,
        holes_longer: 3,
    };
    let fitting = Fitting {
        jaw_in: Some(2.0),
        mouth_in: Some(4.75),
        strap: Some(strap),
    };
    assert_eq!(fitting.check(&shank_bit()), Ok(()));
    let without_jaw = Fitting {
        jaw_in: None,
        ..fitting.clone()
    };
    assert_eq!(
        without_jaw.check(&shank_bit()).unwrap_err().field,
        "/jaw_in"
    );
    let ring = GearMeasures::default();
    assert_eq!(fitting.check(&ring).unwrap_err().field, "/strap");
    let negative = Fitting {
        jaw_in: Some(-2.0),
        ..fitting.clone()
    };
    assert_eq!(negative.check(&shank_bit()).unwrap_err().field, "/jaw_in");
    let short = Strap {
        half_length_in: 0.5,
        ..strap
    };
    let short = Fitting {
        jaw_in: Some(2.5),
        strap: Some(short),
        ..fitting.clone()
    };
    let error = short.check(&shank_bit()).unwrap_err();
    assert_eq!(error.field, "/strap/half_length_in");
    assert!(error.detail.contains("1.00 to 4.00 in"), "{error}");
    // 2.75 in is taken up where 1.5^2 + 2^2 + 6 sin t = 2.75^2: sin t = 0.21875, t = 12.6.
    let said = fitting.said(&shank_bit());
    let fit = said.strap.unwrap();
    assert!((fit.takes_hold_deg - 12.64).abs() < 0.01, "{fit:?}");
    assert!(fit.at_once && said.says[0].contains("at once"), "{said:?}");
    let narrow = Fitting {
        mouth_in: Some(5.25),
        strap: None,
        ..fitting
    };
    assert!(narrow.said(&shank_bit()).says[0].contains("pinches"));
}

fn taken(step: ChangeStep, answer: StepAnswer) -> StepTaken {
    StepTaken {
        step,
        answer,
        note: String::new(),
    }
}

#[test]
fn a_change_that_goes_well_takes_every_step_once() {
    let mut log: Vec<StepTaken> = Vec::new();
    for step in ChangeStep::ALL {
        assert_eq!(
            next_step(&log),
            NextStep::Take {
                step: *step,
                again: false
            }
        );
        assert_eq!(says(next_step(&log)), [step.how()]);
        log.push(taken(*step, StepAnswer::Ok));
        assert_eq!(check_steps(&log), Ok(()));
    }
    assert_eq!(next_step(&log), NextStep::Done);
    log.push(taken(ChangeStep::Look, StepAnswer::Ok));
    assert_eq!(check_steps(&log).unwrap_err().field, "/steps/13/step");
}

#[test]
fn bothered_twice_the_adjustment_comes_first_and_then_something_milder() {
    use ChangeStep::{Mouth, StrapOut};
    use StepAnswer::{Adjusted, Bothered, Ok as Fine, Stop};
    let mut log = vec![taken(Mouth, Fine), taken(StrapOut, Bothered)];
    assert_eq!(
        next_step(&log),
        NextStep::Take {
            step: StrapOut,
            again: true
        }
    );
    log.push(taken(StrapOut, Bothered));
    assert_eq!(next_step(&log), NextStep::Adjust { step: StrapOut });
    // It cannot be asked on before that.
    let mut on = log.clone();
    on.push(taken(StrapOut, Fine));
    assert_eq!(check_steps(&on).unwrap_err().field, "/steps/3/answer");
    log.push(taken(StrapOut, Adjusted));
    assert_eq!(
        next_step(&log),
        NextStep::Take {
            step: StrapOut,
            again: true
        }
    );
    log.push(taken(StrapOut, Bothered));
    log.push(taken(StrapOut, Bothered));
    assert_eq!(check_steps(&log), Ok(()));
    assert_eq!(next_step(&log), NextStep::Milder { step: StrapOut });
    log.truncate(3);
    log.push(taken(StrapOut, Stop));
    assert_eq!(next_step(&log), NextStep::Stopped { step: StrapOut });
    assert!(says(next_step(&log))[0].contains("another day"));
}

#[test]
fn a_step_out_of_turn_is_named() {
    use StepAnswer::{Adjusted, Ok as Fine};
    let log = [taken(ChangeStep::Fitted, Fine)];
    let error = check_steps(&log).unwrap_err();
    assert_eq!(
        (error.field.as_str(), error.detail.as_str()),
        ("/steps/0/step", "must be mouth here, found fitted")
    );
    let log = [taken(ChangeStep::Mouth, Adjusted)];
    assert_eq!(check_steps(&log).unwrap_err().field, "/steps/0/answer");
    let long = vec![taken(ChangeStep::Mouth, Fine); 101];
    assert_eq!(check_steps(&long).unwrap_err().field, "/steps");
}

proptest! {
    /// Whatever is answered: a log that follows its own next steps is always accepted, and ends.
    #[test]
    fn a_log_that_follows_its_next_steps_is_accepted(answers in proptest::collection::vec(0_u8..4, 0..60)) {
        let mut log = Vec::new();
        for answer in answers {
            let answer = [StepAnswer::Ok, StepAnswer::Bothered, StepAnswer::Stop, StepAnswer::Ok][usize::from(answer)];
            let (step, answer) = match next_step(&log) {
                NextStep::Take { step, .. } => (step, answer),
                NextStep::Adjust { step } if answer == StepAnswer::Stop => (step, answer),
                NextStep::Adjust { step } => (step, StepAnswer::Adjusted),
                _ => break,
            };
            log.push(taken(step, answer));
        }
        prop_assert_eq!(check_steps(&log), Ok(()));
        prop_assert!(log.len() <= ChangeStep::ALL.len() + 5);
        prop_assert!(!says(next_step(&log)).is_empty());
    }
}

#[test]
fn one_step_milder_is_the_nearest_below() {
    let id = Uuid::from_u128;
    let ring = GearMeasures {
        mouthpiece: Some(Mouthpiece::Jointed),
        cheek: Some(Cheek::Ring),
        ..GearMeasures::default()
    };
    let long = GearMeasures {
        shank_in: Some(6.0),
        ..shank_bit()
    };
    let twisted = GearMeasures {
        mouthpiece: Some(Mouthpiece::Twisted),
        ..ring.clone()
    };
    let none = GearMeasures::default();
    let on = |number, bitless, measures| OnShelf {
        gear_id: id(number),
        bitless,
        measures,
    };
    let short = shank_bit();
    let shelf = [
        on(1, false, &long),
        on(2, false, &short),
        on(3, false, &ring),
        on(4, false, &twisted),
        on(5, true, &none),
    ];
    let milder = |index: usize| one_milder(&shelf[index], &shelf).map(|found| found.as_u128());
    assert_eq!(milder(0), Some(2), "a shorter shank");
    assert_eq!(milder(1), Some(4), "no shank");
    assert_eq!(milder(3), Some(3), "no twist");
    assert_eq!(milder(2), Some(5), "nothing in the mouth");
    assert_eq!(milder(4), None);
}

fn days(soft: &[(u32, u32)]) -> Vec<SoftCount> {
    soft.iter()
        .map(|(soft, asked)| SoftCount {
            soft: *soft,
            asked: *asked,
        })
        .collect()
}

#[test]
fn two_reins_wait_until_each_side_is_soft_alone() {
    let good = days(&[(1, 4), (3, 4), (4, 4), (4, 4), (4, 4)]);
    let stiff = days(&[(1, 4), (2, 4), (2, 4), (3, 4), (2, 4)]);
    let began = date(2026, 3, 2);
    let part = |part, side, days: &Vec<SoftCount>| PartSide {
        part,
        side,
        days: days.clone(),
    };
    let mut found = vec![
        part(RestorePart::OneReinStand, Side::Left, &good),
        part(RestorePart::OneReinStand, Side::Right, &stiff),
    ];
    let now = restored(&found, began, 8, date(2026, 3, 17));
    assert_eq!(now.week, 3);
    assert!(!now.two_reins && !now.parts[0].done && now.parts[0].open && !now.parts[1].open);
    assert_eq!(
        now.says,
        "Week 3 of 8. Now: one rein at a time, standing; still to come right."
    );
    found[1] = part(RestorePart::OneReinStand, Side::Right, &good);
    for one in [RestorePart::OneReinWalk, RestorePart::OneReinJog] {
        found.push(part(one, Side::Left, &good));
        found.push(part(one, Side::Right, &good));
    }
    let now = restored(&found, began, 8, date(2026, 5, 20));
    assert!(now.two_reins && !now.parts[3].done && now.parts[3].open);
    assert!(
        now.says.contains("longer than the 8 planned; no hurry"),
        "{}",
        now.says
    );
    // One day of many asks is not four days.
    let crammed = [part(
        RestorePart::OneReinStand,
        Side::Left,
        &days(&[(40, 40)]),
    )];
    assert!(!restored(&crammed, began, 8, began).parts[0].sides[0].done);
    let plan = |weeks, riders| RestorePlan {
        gear_id: Uuid::nil(),
        weeks,
        riders,
    };
    assert_eq!(
        plan(1, vec![Uuid::nil()]).check().unwrap_err().field,
        "/weeks"
    );
    assert_eq!(plan(8, vec![]).check().unwrap_err().field, "/riders");
}

#[test]
fn hands_by_the_week_and_heavier_than_the_tack_allows() {
    use HandWeight::{ClosedHand, Feather, Fingertip, Forearm, TwoFingers};
    let (pia, wren) = (Uuid::from_u128(1), Uuid::from_u128(2));
    let ask = |rider_id, day: Date, hand, allowed| HandAsk {
        rider_id,
        day,
        hand,
        allowed,
    };
    let on = date(2026, 6, 18);
    let mut asks = Vec::new();
    for (day, hand) in [(8, Feather), (9, Fingertip), (10, Fingertip), (11, Forearm)] {
        asks.push(ask(pia, date(2026, 6, day), hand, Some(TwoFingers)));
    }
    for hand in [
        ClosedHand, ClosedHand, TwoFingers, TwoFingers, Fingertip, Fingertip,
    ] {
        asks.push(ask(pia, date(2026, 6, 16), hand, Some(TwoFingers)));
    }
    asks.push(ask(wren, date(2026, 6, 16), Forearm, None));
    asks.push(ask(wren, date(2026, 1, 5), Forearm, Some(Feather)));
    let hands = rider_hands(&asks, on);
    assert_eq!(hands.len(), 2);
    let of_pia = &hands[0];
    assert_eq!(of_pia.weeks.len(), 2);
    assert_eq!(of_pia.weeks[0].monday, date(2026, 6, 8));
    assert_eq!(
        (of_pia.weeks[0].middle, of_pia.weeks[0].heavy),
        (Fingertip, Forearm)
    );
    assert_eq!(
        (of_pia.lately, of_pia.heavier, of_pia.worth_a_word),
        (10, 3, true)
    );
    assert!(hands_say("Pia", of_pia).contains("on 3 of the last 10 asks"));
    // What the tack allows is not known, and a winter ago is not lately.
    assert_eq!((hands[1].lately, hands[1].worth_a_word), (0, false));
    assert_eq!(most_hand(RigKind::Shank), TwoFingers);
    assert_eq!(most_hand(RigKind::Snaffle), ClosedHand);
}

#[test]
fn a_school_says_which_way_it_goes_and_calls_nothing_wrong() {
    let jointed = GearMeasures {
        mouthpiece: Some(Mouthpiece::Jointed),
        port_in: None,
        ..shank_bit()
    };
    let schools = |question: &str, choice: &str| -> Schools {
        serde_json::from_value(serde_json::json!({question: choice})).unwrap()
    };
    assert!(school::forbids(
        &schools("jointed_shank", "forbidden"),
        &jointed
    ));
    assert!(!school::forbids(&Schools::default(), &jointed));
    let said = school::says(&Schools::default(), RigKind::Shank, &jointed);
    assert_eq!(
        said,
        ["Jointed on shanks: this program allows it; many avoid it."]
    );
    let hackamore = schools("bridle", "hackamore");
    assert!(school::says(&hackamore, RigKind::Bosal, &GearMeasures::default()).is_empty());
    assert_eq!(
        school::says(&hackamore, RigKind::Snaffle, &GearMeasures::default()).len(),
        1
    );
    for text in said
        .iter()
        .chain(&school::says(&hackamore, RigKind::Snaffle, &jointed))
    {
        assert!(!text.contains("wrong"), "{text}");
    }
}

proptest! {
    /// The strap that is wanted takes hold where it is wanted: said by the fitting of it.
    #[test]
    fn a_strap_of_the_wanted_length_is_neither_early_nor_late(
        purchase in 0.75_f64..3.0, jaw in 1.0_f64..3.5, wanted in 30.5_f64..44.5,
    ) {
        let measures = GearMeasures { purchase_in: Some(purchase), shank_in: Some(5.0), ..GearMeasures::default() };
        let strap = Strap { half_length_in: half_strap_in(purchase, jaw, wanted), hole_spacing_in: 0.5, holes_shorter: 0, holes_longer: 0 };
        let fitting = Fitting { jaw_in: Some(jaw), mouth_in: None, strap: Some(strap) };
        prop_assert_eq!(fitting.check(&measures), Ok(()));
        let fit = fitting.said(&measures).strap.unwrap();
        prop_assert!((fit.takes_hold_deg - wanted).abs() < 1e-6);
        prop_assert!(!fit.at_once && !fit.too_late);
    }
}
