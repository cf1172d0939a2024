//! How riders differ: held to scikit-learn, found again where they were put in, and
//! taken into account by the judge only where that is very likely real.

use cavesson_base::Side;
use cavesson_judge::judge::{
    DayVerdict, HorseFile, Overrule, RideFacts, Verdict, judge_horse, level,
};
use cavesson_reps::evidence::rider::{LOOK_BACK_DAYS, RiderDay, RiderOffset, rider_offsets};
use cavesson_reps::evidence::riders_from::{RidersFrom, in_use, of_day};
use cavesson_reps::evidence::{Ask, SoftCount};
use cavesson_reps::ladder::Ladder;
use cavesson_reps::rep::Rep;
use cavesson_reps::sim_horse::{PlannedBlock, PlannedRide, Quits, Rider, SimulatedHorse, Traits};
use jiff::ToSpan;
use jiff::civil::{Date, date};
use rstest::rstest;
use uuid::Uuid;

const RIDERS: [Uuid; 3] = [Uuid::from_u128(1), Uuid::from_u128(2), Uuid::from_u128(3)];
const FIRST: Date = date(2026, 1, 5);

fn noon(on: Date) -> jiff::Timestamp {
    let zoned = on.at(12, 0, 0, 0).to_zoned(jiff::tz::TimeZone::UTC);
    zoned.unwrap().timestamp()
}

fn day(rider: usize, group: u128, after: i64, soft: u32, asked: u32) -> RiderDay {
    RiderDay {
        rider_id: RIDERS[rider],
        horse_id: Uuid::from_u128(100 + group),
        level: 0,
        side: Side::Left,
        day: FIRST.saturating_add(after.days()),
        asks: SoftCount { soft, asked },
    }
}

/// $ python crates/reps/tests/golden/riders.py, scikit-learn 1.9.1
#[test]
fn offsets_equal_a_ridge_penalised_logistic_regression() {
    let found = rider_offsets(&[
        day(0, 0, 0, 4, 6),
        day(1, 0, 1, 6, 6),
        day(0, 0, 2, 3, 6),
        day(1, 0, 3, 5, 6),
        day(1, 0, 3, 1, 2),
        day(0, 1, 0, 5, 8),
        day(1, 1, 0, 7, 8),
        day(1, 1, 1, 6, 7),
        day(2, 1, 2, 2, 7),
        day(0, 2, 0, 9, 10),
        day(2, 2, 1, 6, 10),
        day(2, 2, 2, 5, 9),
        day(1, 2, 3, 9, 9),
    ]);
    let golden = [
        (-0.149_728_7, 0.302_565_3),
        (0.529_492_6, 0.265_479_9),
        (-0.601_109_9, 0.355_172_7),
    ];
    for (rider, (offset, sd)) in found.iter().zip(golden) {
        assert!((rider.offset - offset).abs() < 1e-5, "{rider:?}");
        assert!((rider.sd - sd).abs() < 1e-5, "{rider:?}");
    }
    assert_eq!(
        found.iter().map(|rider| rider.horses).collect::<Vec<_>>(),
        [3, 3, 2]
    );
}

#[test]
fn who_never_asked_beside_another_is_not_compared() {
    let apart = [day(0, 0, 0, 5, 8), day(1, 1, 0, 2, 8), day(1, 0, 40, 2, 8)];
    assert_eq!(rider_offsets(&apart), []);
    assert_eq!(rider_offsets(&[]), []);
}

#[test]
fn riders_as_far_apart_as_can_be_still_get_finite_offsets() {
    let days: Vec<RiderDay> = (0..60)
        .map(|after| {
            day(
                after as usize % 2,
                0,
                after / 6,
                [0, 200][after as usize % 2],
                200,
            )
        })
        .collect();
    let found = rider_offsets(&days);
    assert_eq!(found.len(), 2);
    for rider in &found {
        assert!(rider.offset.is_finite() && rider.sd > 0.0, "{rider:?}");
        assert!(
            rider.check().is_ok() && rider.is_very_likely_real(),
            "{rider:?}"
        );
    }
    assert!(found[0].offset < 0.0 && found[1].offset > 0.0);
}

/// Horses that learn, ridden by a strict and an easy rider in turn.
fn barn_of(horses: u64, offset: f64) -> Vec<HorseFile> {
    let flex = cavesson_told::flex();
    (0..horses)
        .map(|seed| {
            let mut horse = SimulatedHorse::new(Traits::reference(seed), &[flex], seed);
            let (mut reps, mut rides) = (Vec::new(), Vec::new());
            for after in 0..24 {
                let on = FIRST.saturating_add(after.days());
                let at = (after as u64 + seed) % 2;
                let ridden = horse.ride_by(
                    &PlannedRide {
                        day: on,
                        first_ask_at: noon(on),
                        blocks: vec![PlannedBlock {
                            level: 0,
                            left: 5,
                            right: 5,
                        }],
                    },
                    &Rider {
                        offset: if at == 0 { offset } else { -offset },
                        quits: Quits::AsPlanned,
                        spares_bad_days: false,
                    },
                );
                rides.push(RideFacts {
                    ride_id: ridden.ride_id,
                    day: on,
                    rider_id: Some(RIDERS[at as usize]),
                    marks: Vec::new(),
                    rigs: Vec::new(),
                });
                reps.extend(ridden.reps);
            }
            let mut file = HorseFile::of_reps(Ladder::shipped(), &reps);
            file.rides = rides;
            file
        })
        .collect()
}

fn compared(files: &[HorseFile]) -> Vec<RiderOffset> {
    let until = FIRST.saturating_add(100.days());
    let days: Vec<RiderDay> = files
        .iter()
        .enumerate()
        .flat_map(|(at, file)| file.rider_days(Uuid::from_u128(at as u128), FIRST, until))
        .collect();
    rider_offsets(&days)
}

#[test]
fn an_offset_is_found_where_it_was_put_in_and_nowhere_else() {
    let differ = compared(&barn_of(8, 0.6));
    assert!(
        differ[0].offset > 0.35 && differ[0].is_very_likely_real(),
        "{differ:?}"
    );
    assert!(
        differ[1].offset < -0.35 && differ[1].is_very_likely_real(),
        "{differ:?}"
    );
    let more = differ[0].share_more(0.7);
    assert!((0.05..0.2).contains(&more), "{more}");
    let alike = compared(&barn_of(8, 0.0));
    assert!(
        alike.iter().all(|rider| !rider.is_very_likely_real()),
        "{alike:?}"
    );
}

/// With 40 barns of riders who are alike, "very likely real" is said of about one in
/// ten at most (two-sided 0.95 is one in ten), less for the least offset.
#[test]
fn riders_who_are_alike_are_seldom_told_apart() {
    let told_apart = (0..40)
        .filter(|barn| {
            let files: Vec<HorseFile> = barn_of(4 + barn, 0.0).split_off(*barn as usize);
            compared(&files)[0].is_very_likely_real()
        })
        .count();
    assert!(told_apart <= 6, "{told_apart}");
}

#[test]
fn the_judge_takes_a_rider_into_account_and_says_what_it_would_be_without() {
    let steady = Traits {
        start: 1.05,
        plateau: 1.05,
        weaker_by: 0.0,
        day_sd: 0.2,
        ..Traits::default()
    };
    let (reps, rides) = ridden_easily(steady);
    let ladder = Ladder::shipped();
    let index = ladder.position(&cavesson_told::flex().level).unwrap();
    let mut file = HorseFile::of_reps(ladder, &reps);
    file.rides = rides;
    file.overrules = needs_as_held(ladder, index);
    let on = FIRST.saturating_add(13.days());
    let bare = level::judge_level(ladder, &file, index, on);
    file.take_in_riders(&[easy(FIRST, 1.2, 2.0)]);
    assert_eq!(
        level::judge_level(ladder, &file, index, on),
        bare,
        "what may be chance is left out"
    );
    file.take_in_riders(&[easy(FIRST, 1.2, 0.2)]);
    let adjusted = level::judge_level(ladder, &file, index, on);
    let ready = |judged: &level::Judgement| judged.gate.sides[0].ready_low.unwrap();
    assert!(ready(&adjusted) < ready(&bare) - 0.05);
    assert_eq!(
        adjusted.without_riders,
        Some(bare.verdict).filter(|bare| *bare != adjusted.verdict)
    );
    assert!(
        adjusted.without_riders.is_some(),
        "{:?} {:?}",
        bare.verdict,
        adjusted.verdict
    );
    let said = adjusted
        .reasons
        .iter()
        .find(|reason| reason.text.starts_with("Adjusted for who rode"));
    assert!(
        said.is_some_and(|reason| reason.holds_back),
        "{:?}",
        adjusted.reasons
    );
}

/// What the level needs, taken as held.
fn needs_as_held(ladder: &Ladder, index: usize) -> Vec<Overrule> {
    let level = &ladder.levels[index];
    let needs = level.below.iter().chain(level.needs.iter().flatten());
    needs
        .map(|need| Overrule {
            overrule_id: Uuid::nil(),
            level: ladder.levels[*need].level.clone(),
            day: FIRST,
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "knew it when he came".to_owned(),
        })
        .collect()
}

#[rstest]
#[case(f64::NAN, 0.1, "/offset")]
#[case(0.1, 0.0, "/sd")]
fn an_offset_out_of_bounds_is_named(#[case] offset: f64, #[case] sd: f64, #[case] field: &str) {
    let rider = RiderOffset {
        rider_id: RIDERS[0],
        offset,
        sd,
        asks: 1,
        horses: 1,
    };
    assert_eq!(rider.check().unwrap_err().field, field);
}

/// Two weeks of a horse under somebody with whom more is soft.
fn ridden_easily(steady: Traits) -> (Vec<Rep>, Vec<RideFacts>) {
    let mut horse = SimulatedHorse::new(steady, &[cavesson_told::flex()], 5);
    let (mut reps, mut rides) = (Vec::new(), Vec::new());
    for after in 0..14 {
        let on = FIRST.saturating_add(after.days());
        let plan = PlannedRide {
            day: on,
            first_ask_at: noon(on),
            blocks: vec![PlannedBlock {
                level: 0,
                left: 7,
                right: 7,
            }],
        };
        let easy = Rider {
            offset: 1.2,
            quits: Quits::AsPlanned,
            ..Rider::default()
        };
        let ridden = horse.ride_by(&plan, &easy);
        rides.push(RideFacts {
            ride_id: ridden.ride_id,
            day: on,
            rider_id: Some(RIDERS[0]),
            marks: Vec::new(),
            rigs: Vec::new(),
        });
        reps.extend(ridden.reps);
    }
    (reps, rides)
}

/// A comparison of a day by which the first rider is easy.
fn easy(from: Date, offset: f64, sd: f64) -> RidersFrom {
    let rider = RiderOffset {
        rider_id: RIDERS[0],
        offset,
        sd,
        asks: 200,
        horses: 4,
    };
    RidersFrom {
        from,
        riders: vec![rider],
    }
}

/// Somebody who reads the rule and looks at every night: an ask is read by a comparison of
/// its day or before that says the same, to a tenth, as the last one told.
#[test]
fn an_ask_is_read_by_the_comparison_of_its_day() {
    let night = |at: i64, offset: f64, sd: f64| easy(FIRST.saturating_add(at.days()), offset, sd);
    let nights = [
        night(0, 0.6, 0.9),  // may be chance
        night(1, 0.61, 0.2), // real
        night(2, 0.65, 0.2), // nearly the same
        night(3, 0.69, 0.2), // nearly the same as that in use
        night(4, 0.80, 0.2), // moved
        night(5, 0.80, 0.9), // may be chance again
    ];
    let used = in_use(nights.iter().cloned());
    let on = |at: i64| {
        let day = FIRST.saturating_add(at.days());
        of_day(&used, day).map_or(f64::NAN, |one| one.offset(RIDERS[0]))
    };
    assert_eq!(
        (0..=6).map(on).collect::<Vec<_>>(),
        [0.0, 0.61, 0.61, 0.61, 0.80, 0.0, 0.0]
    );
    // The first one holds for the days that it was made from, and no further.
    assert_eq!(on(-LOOK_BACK_DAYS), 0.0);
    assert!(on(-LOOK_BACK_DAYS - 1).is_nan());
    // A night more changes nothing of the days before it.
    for until in 1..nights.len() {
        let before = in_use(nights[..until].iter().cloned());
        assert_eq!(before, used[..before.len()]);
    }
}

#[test]
fn a_comparison_leaves_what_was_asked_before_it_as_it_was() {
    let ladder = Ladder::shipped();
    let reps = cavesson_told::soft_days(0..12);
    let mut file = HorseFile::of_reps(ladder, &reps);
    let mut rides: Vec<_> = reps.iter().map(|rep| (rep.day, rep.ride_id)).collect();
    rides.dedup();
    file.rides = rides
        .into_iter()
        .map(|(day, ride_id)| RideFacts {
            ride_id,
            day,
            rider_id: Some(RIDERS[0]),
            marks: Vec::new(),
            rigs: Vec::new(),
        })
        .collect();
    let on = cavesson_told::day(12);
    let plain = judge_horse(ladder, &file, on);
    let from = cavesson_told::day(6);
    file.take_in_riders(&[easy(from, 1.2, 0.2)]);
    let read_anew = judge_horse(ladder, &file, on);
    let mut asked = 0;
    for (before, after) in plain.iter().zip(&read_anew) {
        let until = |days: &[DayVerdict]| {
            let before = days.iter().filter(|one| one.day < from);
            before.copied().collect::<Vec<_>>()
        };
        asked += before.history.days.len();
        assert_eq!(until(&before.history.days), until(&after.history.days));
    }
    assert!(asked >= 12, "{asked}");
    let late = |ask: &&Ask| ask.day >= from;
    assert!(
        file.asks
            .iter()
            .flatten()
            .filter(late)
            .all(|ask| ask.rider_offset > 1.0)
    );
    let early = |ask: &&Ask| ask.day < from;
    assert!(
        file.asks
            .iter()
            .flatten()
            .filter(early)
            .all(|ask| ask.rider_offset == 0.0)
    );
}
