//! A horse's month: figures counted again from the reps by another way, and the sentences,
//! which hold nothing but those figures.
//!
//! How a report is worded is ours, no source. The interval under "stiffer side" is the one of
//! `evidence::share` (Newcombe 1998, method 10), checked in `published_shares.rs`.

use std::collections::{BTreeSet, HashSet};

use cavesson_barn::report::evenness::LEAST_ASKS;
use cavesson_barn::report::horse_month::{CareComing, ComesNext, DateAhead};
use cavesson_barn::report::words::{hours, sections};
use cavesson_barn::report::worked::TimedRide;
use cavesson_barn::report::{Ahead, HorseMonth, HorseOfMonth, Month, ReportPart};
use cavesson_barn::week::Trips;
use cavesson_base::Side;
use cavesson_judge::judge::{HorseFile, RideFacts, Standing, judge_horse};
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::horse::{CareKind, Sex};
use cavesson_reps::ladder::Level;
use cavesson_reps::rep::{Measure, Rep};
use cavesson_told::horse::{Horse, ladder};
use cavesson_told::{BRACED, SOFT, day};
use cavesson_trials::bench::barn::season;
use jiff::ToSpan;
use jiff::civil::{Date, date};
use proptest::prelude::*;
use uuid::Uuid;

fn month_of(
    file: &HorseFile,
    rides: &[TimedRide],
    month: Month,
    to: Date,
    ahead: Ahead,
) -> HorseMonth {
    let evening = |day| judge_horse(ladder(), file, day);
    let before: Vec<Standing> = evening(month.before().last());
    let now = evening(to);
    let asked = HorseOfMonth {
        name: "Juniper",
        ladder: ladder(),
        file,
        before: &before,
        now: &now,
        rides,
        trips: Trips::default(),
    };
    HorseMonth::of(&asked, month, to, to, ahead)
}

fn text(month: &HorseMonth, part: ReportPart) -> String {
    let found = sections(month).into_iter().find(|one| one.part == part);
    found.map(|one| one.text).unwrap_or_default()
}

#[test]
fn a_month_is_read_as_it_is_written_and_knows_its_days() {
    let february = Month::parse("2028-02").unwrap();
    assert_eq!(february.last(), date(2028, 2, 29));
    assert_eq!(february.before().to_string(), "2028-01");
    assert_eq!(february.name(), "February 2028");
    assert_eq!(february.told_until(date(2028, 1, 31)), None);
    assert_eq!(
        february.told_until(date(2028, 2, 5)),
        Some(date(2028, 2, 5))
    );
    assert_eq!(
        february.told_until(date(2028, 7, 1)),
        Some(date(2028, 2, 29))
    );
    for wrong in [
        "2028-13",
        "2028-2",
        "28-02",
        "2028/02",
        "2028-02-01",
        "",
        "+028-02",
    ] {
        assert_eq!(Month::parse(wrong), None, "{wrong}");
    }
}

#[test]
fn minutes_are_said_as_hours() {
    let said = [1, 59, 60, 61, 150].map(hours);
    let expected = [
        "1 minute",
        "59 minutes",
        "1 hour",
        "1 hour 1 minute",
        "2 hours 30 minutes",
    ];
    assert_eq!(said, expected);
}

/// March 2026: four days of a soft left and a braced right.
fn one_sided() -> Horse {
    let mut horse = Horse::new().standing_on("bend.flex/stand");
    for at in 0..4 {
        let answers = [SOFT, BRACED].repeat(5).into_iter().map(Measure::Give);
        horse = horse.ride("bend.flex/stand", at, &answers.collect::<Vec<_>>());
    }
    horse.cared(CareKind::Feet, 2, None)
}

#[test]
fn a_one_sided_month_reads_like_this() {
    let horse = one_sided();
    let mut file = horse.file();
    file.sex = Some(Sex::Mare);
    let ride = |day, minutes| TimedRide {
        day,
        minutes,
        load: 60.0,
    };
    let rides = [
        ride(date(2026, 2, 20), Some(40.0)),
        ride(day(0), Some(30.0)),
        ride(day(1), Some(45.0)),
        ride(day(2), None),
        // Left open over night: its time is not known.
        ride(day(3), Some(700.0)),
    ];
    let ahead = Ahead {
        next: Some(ComesNext {
            level: Level::new("bend.flex", "walk"),
            name: "Flexing, at the walk".into(),
            says: "Same again.".into(),
            takes: String::new(),
            forecast: "About 5 to 9 more rides.".into(),
        }),
        dates: vec![DateAhead {
            name: "Spring futurity".into(),
            day: date(2026, 5, 2),
            chance: 0.4,
            from: None,
            to: None,
            text: "Spring futurity, May 2: ready in time 40 times in 100.".into(),
        }],
        cautions: vec!["Teeth last checked long ago.".into()],
        care_due: vec![
            CareComing {
                kind: CareKind::Feet,
                due: date(2026, 4, 15),
                overdue: false,
            },
            CareComing {
                kind: CareKind::Teeth,
                due: date(2027, 1, 8),
                overdue: false,
            },
        ],
    };
    let month = month_of(&file, &rides, Month::of(day(0)), date(2026, 3, 31), ahead);
    assert_eq!(
        text(&month, ReportPart::Rides),
        "Juniper was ridden 4 times in March, 1 hour 15 minutes in all (2 rides without a time). \
         In February: 1 ride, 40 minutes."
    );
    assert_eq!(
        text(&month, ReportPart::Sides),
        "Left 20 of 20 soft, right 0 of 20 soft. Her right side is the stiffer one, very likely \
         real. 20 of 40 asks were on that side."
    );
    assert!(
        text(&month, ReportPart::Worked)
            .contains("20 of 40 asks soft, on 4 rides; the month before not asked.")
    );
    assert_eq!(
        text(&month, ReportPart::Next),
        "Flexing, at the walk. Same again. About 5 to 9 more rides."
    );
    assert_eq!(
        text(&month, ReportPart::Road),
        "As of March 31:\nSpring futurity, May 2: ready in time 40 times in 100."
    );
    assert_eq!(
        text(&month, ReportPart::Care),
        "Feet done on March 4.\nFeet due April 15; teeth due January 8, 2027.\nWork a day, by minutes and pace: 361% of what \
         it was in February.\nTeeth last checked long ago."
    );
}

#[test]
fn a_month_without_a_ride_says_so_and_no_more() {
    let file = Horse::new().file();
    let until = date(2026, 3, 21);
    let month = month_of(&file, &[], Month::of(until), until, Ahead::default());
    assert_eq!(
        text(&month, ReportPart::Rides),
        "Juniper was not ridden in March until the 21st."
    );
    let parts: Vec<ReportPart> = sections(&month).iter().map(|one| one.part).collect();
    assert_eq!(parts, [ReportPart::Rides, ReportPart::Moved]);
}

#[test]
fn what_the_trainer_lets_count_is_said_to_be_the_trainers_call() {
    let horse = Horse::new().overruled(
        "bend.flex/stand",
        5,
        cavesson_judge::judge::Verdict::Advance,
    );
    let month = month_of(
        &horse.file(),
        &[],
        Month::of(day(0)),
        date(2026, 3, 31),
        Ahead::default(),
    );
    let gained = &month.moved.gained;
    assert_eq!(gained.len(), 1);
    assert!(gained[0].by_trainer && gained[0].day == Some(day(5)));
    assert!(text(&month, ReportPart::Moved).contains("(March 7), trainer's call"));
    // The month after, nothing is new any more.
    let april = Month::of(date(2026, 4, 1));
    let later = month_of(
        &horse.file(),
        &[],
        april,
        date(2026, 4, 30),
        Ahead::default(),
    );
    assert!(later.moved.gained.is_empty() && later.moved.held >= 1);
}

#[test]
fn what_an_intake_showed_is_counted_and_not_said_to_be_gained() {
    let shown: Vec<(&str, f64)> = ["start.bend-ground/stand", "bend.flex/stand"]
        .map(|path| (path, 0.99))
        .to_vec();
    let horse = Horse::new().shown_at_intake(4, &shown, &[]);
    let month = month_of(
        &horse.file(),
        &[],
        Month::of(day(0)),
        date(2026, 3, 31),
        Ahead::default(),
    );
    assert_eq!(month.moved.shown_at_intake, 2);
    assert!(month.moved.gained.is_empty());
    assert!(text(&month, ReportPart::Moved).starts_with("Shown at the intake: 2 levels. "));
}

/// Every number of a text.
fn numbers(text: &str) -> BTreeSet<u32> {
    text.split(|letter: char| !letter.is_ascii_digit())
        .filter_map(|digits| digits.parse().ok())
        .collect()
}

fn simulated(seed: u64) -> (Vec<Rep>, HorseFile) {
    let reps = season(ladder(), seed, 45);
    let mut file = HorseFile::of_reps(ladder(), &reps);
    let mut seen = HashSet::new();
    for rep in &reps {
        if seen.insert(rep.ride_id) {
            file.rides.push(RideFacts {
                ride_id: rep.ride_id,
                day: rep.day,
                rider_id: None,
                marks: Vec::new(),
                rigs: Vec::new(),
            });
        }
    }
    (reps, file)
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(24))]

    /// Asks by track and side, counted straight from the reps; and no number in the sentences
    /// that is not among the figures.
    #[test]
    fn sentences_hold_nothing_but_figures_that_the_reps_have(seed in 0u64..10_000) {
        let (reps, file) = simulated(seed);
        let last = reps.last().unwrap().day;
        let month = Month::of(last);
        let rides: Vec<TimedRide> = file.rides.iter()
            .map(|ride| TimedRide { day: ride.day, minutes: Some(31.0), load: 40.0 })
            .collect();
        let told = month_of(&file, &rides, month, last, Ahead::default());
        let own: Vec<&Rep> = reps.iter().filter(|rep| rep.day >= month.first()).collect();
        let asked: u32 = told.worked.iter().map(|track| track.asks.asked).sum();
        prop_assert_eq!(asked as usize, own.len());
        let on = |side| own.iter().filter(|rep| rep.side == side).count() as u32;
        prop_assert_eq!((told.sides.left.asked, told.sides.right.asked), (on(Side::Left), on(Side::Right)));
        let ridden: HashSet<Uuid> = own.iter().map(|rep| rep.ride_id).collect();
        prop_assert_eq!(told.ridden.rides as usize, ridden.len());
        prop_assert_eq!(told.ridden.minutes, 31 * told.ridden.rides);

        let mut figures: BTreeSet<u32> = BTreeSet::new();
        let mut add = |count: SoftCount| figures.extend([count.soft, count.asked]);
        add(told.sides.left);
        add(told.sides.right);
        for track in &told.worked {
            add(track.asks);
            add(track.before);
        }
        let stiff = told.sides.stiff_asks().map_or([0, 0], |(own, all)| [own, all]);
        figures.extend(stiff);
        figures.extend(told.worked.iter().map(|track| track.rides));
        for ridden in [told.ridden, told.ridden_before] {
            figures.extend([ridden.rides, ridden.days, ridden.minutes / 60, ridden.minutes % 60]);
        }
        figures.extend([told.moved.held, told.moved.levels, told.moved.gained.len() as u32]);
        figures.insert(told.moved.shown_at_intake);
        figures.extend(told.moved.gained.iter().filter_map(|one| Some(one.day?.day() as u32)));
        figures.insert(told.to.day() as u32);
        // Names of levels hold numbers of their own; work a day is tied by hand above.
        let names = told.moved.gained.iter().chain(&told.moved.went_back);
        figures.extend(names.flat_map(|one| numbers(&one.name)));
        for section in sections(&told).iter().filter(|one| one.part != ReportPart::Care) {
            for number in numbers(&section.text) {
                prop_assert!(figures.contains(&number), "{number} in: {}", section.text);
            }
        }
    }

    /// A horse seen in the mirror is as one-sided, the other way.
    #[test]
    fn in_the_mirror_the_other_side_is_stiff(seed in 0u64..10_000) {
        let (reps, file) = simulated(seed);
        let mirrored = HorseFile::of_reps(ladder(), &cavesson_told::mirrored(&reps));
        let last = reps.last().unwrap().day;
        let of = |file: &HorseFile| {
            cavesson_barn::report::evenness::month_sides(file, last.saturating_sub(27.days()), last)
        };
        let (here, there) = (of(&file), of(&mirrored));
        prop_assert_eq!(here.stiff.map(Side::other), there.stiff);
        prop_assert_eq!((here.left, here.right), (there.right, there.left));
        if here.stiff.is_some() {
            prop_assert!(here.left.asked >= LEAST_ASKS && here.right.asked >= LEAST_ASKS);
        }
    }
}
