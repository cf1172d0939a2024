//! Rigs in the judge: a rig that is new marks its reps, and soft shares by rig side by side.

use cavesson_base::Side;
use cavesson_judge::judge::words;
use cavesson_reps::evidence::Ask;
use cavesson_reps::evidence::rigs::{RigsOfRides, by_rig};
use cavesson_reps::ladder::FaultSet;
use cavesson_reps::rig::{RigKind, RigWorn};
use jiff::civil::{Date, date};
use jiff::tz::TimeZone;
use jiff::{Timestamp, ToSpan};
use uuid::Uuid;

fn at(day: Date, minute: i8) -> Timestamp {
    day.at(9, minute, 0, 0)
        .to_zoned(TimeZone::UTC)
        .unwrap()
        .timestamp()
}

fn rig(kind: RigKind, name: &str, from: Timestamp) -> RigWorn {
    RigWorn {
        from,
        kind,
        gear_id: None,
        name: name.to_owned(),
    }
}

fn ask(ride: u128, day: Date, minute: i8, soft: bool) -> Ask {
    Ask {
        rep_id: Uuid::from_u128(ride * 1000 + minute.unsigned_abs() as u128),
        ride_id: Uuid::from_u128(ride),
        day,
        asked_at: at(day, minute),
        side: Side::Left,
        soft,
        count: 1,
        time: None,
        faults: FaultSet::default(),
        rider_offset: 0.0,
        new_rig: false,
    }
}

#[test]
fn a_rig_is_new_on_its_first_ride_and_only_from_when_it_was_put_on() {
    let day = |number: i64| date(2026, 4, 1).saturating_add(number.days());
    let snaffle = |day| rig(RigKind::Snaffle, "", at(day, 0));
    let rides = [
        (Uuid::from_u128(1), vec![snaffle(day(0))]),
        (
            Uuid::from_u128(2),
            vec![
                snaffle(day(1)),
                rig(RigKind::Shank, "Short", at(day(1), 20)),
            ],
        ),
        (
            Uuid::from_u128(3),
            vec![rig(RigKind::Shank, "Short", at(day(2), 0))],
        ),
        (Uuid::from_u128(4), vec![]),
        (
            Uuid::from_u128(5),
            vec![rig(RigKind::Shank, "Long", at(day(4), 0))],
        ),
    ];
    let rigs = RigsOfRides::of(rides.iter().map(|(id, rigs)| (*id, rigs.as_slice())));
    let new = |ride, number, minute| rigs.is_new(&ask(ride, day(number), minute, true));
    assert!(!new(1, 0, 5), "nothing was known before");
    assert!(!new(2, 1, 10), "still in the snaffle");
    assert!(new(2, 1, 20) && new(2, 1, 40), "the shank is new");
    assert!(!new(3, 2, 5), "ridden before");
    assert!(!new(4, 3, 5), "nobody said");
    assert!(new(5, 4, 0), "another name, another piece");
    assert_eq!(rigs.rig_of(&ask(4, day(3), 5, true)), None);
    assert_eq!(
        rigs.rig_of(&ask(2, day(1), 10, true)).unwrap().kind,
        RigKind::Snaffle
    );
}

#[test]
fn a_piece_is_itself_under_another_name() {
    let day = date(2026, 4, 1);
    let named = |gear_id, name: &str| RigWorn {
        gear_id,
        ..rig(RigKind::Shank, name, at(day, 0))
    };
    let piece = Some(Uuid::from_u128(7));
    assert!(named(piece, "Old name").is_same(&named(piece, "New name")));
    assert!(!named(piece, "Same").is_same(&named(Some(Uuid::from_u128(8)), "Same")));
    assert!(!named(piece, "Same").is_same(&named(None, "Same")));
}

/// Alternate days in two rigs, twelve asks a day: soft in one, hard in the other.
fn alternate(days: i64, soft_of: [usize; 2]) -> (Vec<Ask>, Vec<(Uuid, Vec<RigWorn>)>) {
    let (mut asks, mut rides) = (Vec::new(), Vec::new());
    for number in 0..days {
        let day = date(2026, 4, 1).saturating_add(number.days());
        let which = (number % 2) as usize;
        let (kind, name) = [(RigKind::Snaffle, "Ring"), (RigKind::Shank, "Short")][which];
        rides.push((
            Uuid::from_u128(number as u128 + 1),
            vec![rig(kind, name, at(day, 0))],
        ));
        for minute in 0..12 {
            asks.push(ask(
                number as u128 + 1,
                day,
                minute + 1,
                (minute as usize) < soft_of[which],
            ));
        }
    }
    (asks, rides)
}

#[test]
fn shares_by_rig_count_every_ask_once_and_say_how_sure_the_difference_is() {
    let (asks, rides) = alternate(14, [11, 4]);
    let rigs = RigsOfRides::of(rides.iter().map(|(id, rigs)| (*id, rigs.as_slice())));
    let shares = by_rig(&[&asks], &rigs);
    assert_eq!(shares.len(), 2);
    assert_eq!(shares[0].rig.name, "Short", "worn last");
    assert_eq!(
        (shares[0].soft, shares[0].asked, shares[0].days),
        (28, 84, 7)
    );
    assert_eq!((shares[1].soft, shares[1].asked), (77, 84));
    for share in &shares {
        let found = f64::from(share.soft) / f64::from(share.asked);
        assert!(share.low < found && found < share.high, "{share:?}");
    }
    let (short, ring) = (shares[0].against.unwrap(), shares[1].against.unwrap());
    // 77 of 84 against 28 of 84: a gap of 58 points, told as it is, from both ends.
    assert!(
        (short.points + 100.0 * 49.0 / 84.0).abs() < 1e-9,
        "{short:?}"
    );
    assert!((ring.points + short.points).abs() < 1e-9, "{ring:?}");
    assert!(
        (short.share - 28.0 / 84.0).abs() < 1e-9 && (short.other_share - 77.0 / 84.0).abs() < 1e-9
    );
    assert!(short.points < 0.0 && short.very_likely_real, "{short:?}");
    assert!(ring.points > 0.0 && ring.sure > 0.95, "{ring:?}");
    assert!(words::rig(&shares[0]).contains("fewer soft than in the other tack"));
    assert!(words::rig(&shares[0]).contains("very likely real"));
}

#[test]
fn alike_in_both_is_not_called_real() {
    let (asks, rides) = alternate(14, [8, 8]);
    let rigs = RigsOfRides::of(rides.iter().map(|(id, rigs)| (*id, rigs.as_slice())));
    for share in by_rig(&[&asks], &rigs) {
        let against = share.against.unwrap();
        assert!(
            !against.very_likely_real && against.points.abs() < 1.0,
            "{against:?}"
        );
    }
}

/// Learning is not taken for a rig: months apart, nothing is compared.
#[test]
fn rigs_that_never_met_in_a_fortnight_are_not_compared() {
    let (mut asks, mut rides) = alternate(8, [3, 11]);
    asks.retain(|ask| {
        rides
            .iter()
            .any(|(id, rigs)| *id == ask.ride_id && rigs[0].name == "Ring")
    });
    let later = date(2026, 7, 1);
    rides.push((
        Uuid::from_u128(99),
        vec![rig(RigKind::Shank, "Short", at(later, 0))],
    ));
    asks.extend((1..12).map(|minute| ask(99, later, minute, true)));
    let rigs = RigsOfRides::of(rides.iter().map(|(id, rigs)| (*id, rigs.as_slice())));
    let shares = by_rig(&[&asks], &rigs);
    assert_eq!(shares.len(), 2);
    assert!(
        shares.iter().all(|share| share.against.is_none()),
        "{shares:?}"
    );
    assert!(words::rig(&shares[0]).contains("learning can't be told apart"));
}

/// A horse soft in its snaffle, and hard on its first day in a shank: the verdict says what it
/// would be without that day, and the page is given the same answer as the server.
#[test]
fn a_first_day_in_a_new_rig_is_looked_at_apart() {
    use cavesson_calc::calc::judge;
    use serde_json::json;
    let (mut reps, mut rides) = (Vec::new(), Vec::new());
    for number in 0..7_i64 {
        let day = date(2026, 4, 1).saturating_add((2 * number).days());
        let ride_id = Uuid::from_u128(number as u128 + 1);
        let new = number == 6;
        rides.push(json!({"ride_id": ride_id, "day": day, "rigs": [{
            "from": at(day, 0), "kind": if new { "shank" } else { "snaffle" },
        }]}));
        for minute in 0..16 {
            let side = if minute % 2 == 0 { "left" } else { "right" };
            let answer = if new { "did_not_give" } else { "gave" };
            reps.push(json!({
                "rep_id": Uuid::from_u128(1000 * (number as u128 + 1) + minute as u128),
                "ride_id": ride_id, "skill": "bend.flex", "rung": "stand", "side": side, "day": day,
                "asked_at": at(day, minute + 1),
                "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.0, "answer": answer},
            }));
        }
    }
    let judged = |rides: serde_json::Value| {
        let input = json!({
            "reps": reps, "date": "2026-04-13", "context": {"rides": rides, "overrules": [{
                "overrule_id": Uuid::nil(), "level": {"skill": "start.bend-ground", "rung": "stand"},
                "day": "2026-04-01", "judge_said": "stay", "counts_as": "advance", "reason": "came so",
            }]},
        });
        let output = judge::calculate(serde_json::from_value(input).unwrap()).unwrap();
        let found = output.verdicts.into_iter();
        found.map(|level| level.judgement).next().unwrap()
    };
    let with = judged(json!(rides));
    assert_eq!(with.rigs.len(), 2);
    assert_eq!((with.rigs[0].soft, with.rigs[0].asked), (0, 16));
    let without = with.without_exceptional.expect("it makes a difference");
    assert_ne!(without, with.verdict);
    let unsaid: Vec<serde_json::Value> = rides
        .iter()
        .map(|ride| json!({"ride_id": ride["ride_id"], "day": ride["day"]}))
        .collect();
    let unsaid = judged(json!(unsaid));
    assert_eq!(unsaid.verdict, with.verdict, "the verdict itself stays");
    assert_eq!((unsaid.without_exceptional, unsaid.rigs.len()), (None, 0));
}
