//! What a horse is down for in a week, how often, and what stands already.

use cavesson_barn::week::day_horse::{Headgear, OtherDay};
use cavesson_barn::week::plan::ride_options::{AtTheBarn, PlaceOfKind, ride_options};
use cavesson_barn::week::plan::week_horse::HorseInWeek;
use cavesson_barn::week::plan::{WeekHorse, WeekInstance, WeekLot, Weights, Work, WorkKind};
use cavesson_barn::week::{Booking, BookingKind, DayHorse};
use cavesson_judge::card::{self, Day, Limits};
use cavesson_judge::judge::{HorseFile, Standing};
use cavesson_reps::horse::HorseTrait;
use cavesson_reps::ladder::Level;
use jiff::civil::Date;
use proptest::prelude::*;
use rstest::rstest;
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::BRAKES;
use cavesson_told::horse_told::{Told, ladder, level};

const LOT: Uuid = Uuid::from_u128(70);
const HORSE: Uuid = Uuid::from_u128(7);

fn places(kinds: &[&'static str]) -> Vec<PlaceOfKind> {
    let numbered = kinds.iter().zip(100..);
    numbered
        .map(|(kind, id)| PlaceOfKind {
            place_id: Uuid::from_u128(id),
            kind,
        })
        .collect()
}

struct JudgedOn {
    file: HorseFile,
    standings: Vec<Standing>,
    on: Date,
}

impl JudgedOn {
    fn of(told: &Told, after: i64) -> JudgedOn {
        JudgedOn {
            file: told.file(),
            standings: told.on(after),
            on: day(after),
        }
    }

    fn horse(&self) -> card::Horse<'_> {
        card::Horse {
            ladder: ladder(),
            file: &self.file,
            standings: &self.standings,
            holes: &[],
            on: self.on,
        }
    }
}

fn never_asked() -> JudgedOn {
    JudgedOn::of(&Told::default(), 0)
}

/// Held as far as barrels and cattle: placed by hand.
fn made() -> JudgedOn {
    let told = Told::placed(0, &["barrel.pattern/walk", "cow.drive/walk", BRAKES[3]]);
    JudgedOn::of(&told, 1)
}

fn options(judged: &JudgedOn, kinds: &[&'static str], lots: &[Uuid], outings: u32) -> Vec<Work> {
    let places = places(kinds);
    let barn = AtTheBarn {
        places: &places,
        lots,
        outings,
        most_minutes: 60,
    };
    ride_options(judged.horse(), &barn)
}

fn kinds(works: &[Work]) -> Vec<WorkKind> {
    works.iter().map(|work| work.kind).collect()
}

const ALL_PLACES: [&str; 4] = ["arena", "round_pen", "cattle_pen", "outside"];

#[test]
fn a_horse_that_was_never_asked_is_ridden_as_usual_and_nothing_else() {
    let works = options(&never_asked(), &ALL_PLACES, &[LOT], 0);
    assert_eq!(kinds(&works), [WorkKind::Ride]);
    assert_eq!(works[0].minutes, 45);
    assert!(!works[0].fast);
}

#[test]
fn cattle_need_a_lot_with_a_cow_for_the_horse_and_a_pen() {
    let made = made();
    let cattle = |works: &[Work]| works.iter().any(|work| work.kind == WorkKind::Cattle);
    let with_lot = options(&made, &ALL_PLACES, &[LOT], 0);
    assert!(cattle(&with_lot), "{:?}", kinds(&with_lot));
    let work = with_lot
        .iter()
        .find(|work| work.kind == WorkKind::Cattle)
        .unwrap();
    assert_eq!(work.lot_id, Some(LOT));
    assert_eq!(work.place_ids, [Uuid::from_u128(102)]);
    assert!(work.fast && work.at_most == 2);
    assert!(!cattle(&options(&made, &ALL_PLACES, &[], 0)));
    assert!(!cattle(&options(&made, &["arena", "round_pen"], &[LOT], 0)));
}

#[test]
fn a_pattern_is_ridden_in_an_arena_by_a_horse_that_is_that_far() {
    let works = options(&made(), &ALL_PLACES, &[], 0);
    let pattern = works
        .iter()
        .find(|work| work.kind == WorkKind::Pattern)
        .unwrap();
    assert_eq!(pattern.place_ids, [Uuid::from_u128(100)]);
    assert!(!kinds(&options(&never_asked(), &ALL_PLACES, &[], 0)).contains(&WorkKind::Pattern));
}

#[test]
fn an_outing_that_is_wanting_goes_outside_and_asks_nothing() {
    let works = options(&never_asked(), &ALL_PLACES, &[], 2);
    let outing = works
        .iter()
        .find(|work| work.kind == WorkKind::Outing)
        .unwrap();
    assert_eq!((outing.minutes, outing.at_most), (120, 1));
    assert_eq!(outing.place_ids, [Uuid::from_u128(103)]);
    assert_eq!(
        kinds(&options(&never_asked(), &["arena"], &[], 2)),
        [WorkKind::Ride]
    );
}

#[test]
fn a_barn_with_one_place_rides_there_whatever_it_is() {
    let works = options(&never_asked(), &["outside"], &[], 0);
    assert_eq!(works[0].place_ids, [Uuid::from_u128(100)]);
    assert_eq!(options(&never_asked(), &[], &[], 1), []);
}

proptest! {
    #[test]
    fn a_ride_is_in_steps_of_five_and_no_longer_than_it_may_be(most in 0u32..200) {
        let places = places(&ALL_PLACES);
        let barn = AtTheBarn { places: &places, lots: &[], outings: 0, most_minutes: most };
        let judged = never_asked();
        let minutes = u32::from(ride_options(judged.horse(), &barn)[0].minutes);
        prop_assert_eq!(minutes % 5, 0);
        prop_assert!((15..=45).contains(&minutes));
        prop_assert!(minutes <= most.max(15));
        prop_assert!(minutes + 5 > most.min(45));
    }

    /// Rides wanted: what the program means less what was ridden, on days that are left, with
    /// one day of the seven off.
    #[test]
    fn no_horse_is_down_for_more_than_its_program_and_a_day_off_allow(
        ridden in 0usize..8, days in 0usize..8, rides_a_week in 0u8..13, away in any::<bool>(),
    ) {
        let judged = never_asked();
        let days_ridden: Vec<Date> = (0..ridden as i64).map(day).collect();
        let limits = Limits::of(judged.horse(), &Day::default());
        let in_week = HorseInWeek {
            horse_id: HORSE, name: "Any", foaled: 2020, headgear: Headgear::default(),
            limits: &limits, traits: &[HorseTrait::Hot], days, days_ridden: &days_ridden,
            hard_before: false, rides_a_week, away, priority: 1.0,
        };
        let places = places(&ALL_PLACES);
        let barn = AtTheBarn { places: &places, lots: &[], outings: 0, most_minutes: 45 };
        let horse = WeekHorse::of(in_week, judged.horse(), &barn);
        let (wanted, ridden) = (usize::from(horse.wanted), ridden);
        prop_assert!(wanted <= days);
        prop_assert!(wanted == 0 || wanted + ridden <= 6);
        prop_assert!(wanted == 0 || wanted + ridden <= usize::from(rides_a_week));
        let one_more = wanted + 1;
        let could = one_more <= days
            && one_more + ridden <= 6
            && one_more + ridden <= usize::from(rides_a_week);
        prop_assert_eq!(could && !away, false, "one more would fit");
        prop_assert_eq!(horse.days_off.len(), if away { days } else { 0 });
        prop_assert!(!away || wanted == 0);
        prop_assert!(horse.hot_or_green);
    }
}

#[rstest]
#[case(2026, true)]
#[case(2023, true)]
#[case(2022, false)]
fn a_horse_is_young_up_to_three(#[case] foaled: i32, #[case] young: bool) {
    assert_eq!(cavesson_reps::horse::age::is_young(foaled, day(0)), young);
}

#[test]
fn a_day_counts_the_other_days_of_its_own_week_and_the_hard_ones_next_to_it() {
    let on = |after: i64, ridden: bool, hard: bool| OtherDay {
        day: day(after),
        ridden,
        hard,
    };
    // A Wednesday; the Sunday before and the Monday after lie in other weeks.
    let judged = JudgedOn::of(&Told::default(), 9);
    let of = |around: &[OtherDay]| {
        let named = (HORSE, "Any".to_owned());
        DayHorse::of(named, judged.horse(), Headgear::default(), around)
    };
    let around = [
        on(6, true, true),
        on(7, true, false),
        on(10, false, true),
        on(13, true, false),
        on(14, true, false),
    ];
    let horse = of(&around);
    assert_eq!(horse.other_days, 2);
    assert!(horse.hard_next_to, "whether it is ridden or hauled");
    assert!(!of(&around[..2]).hard_next_to);
}

fn booking(kind: BookingKind, minutes: u16, path: Option<&str>) -> (Booking, Option<Level>) {
    let level = path.map(level);
    let bare = Booking {
        booking_id: Uuid::from_u128(1),
        kind,
        horse_id: Some(HORSE),
        person_id: Some(Uuid::from_u128(2)),
        place_id: Some(Uuid::from_u128(100)),
        from_min: 480,
        minutes,
        cattle: false,
        pattern: false,
        fast: false,
        helper: false,
    };
    (bare.for_level(level.as_ref()), level)
}

#[rstest]
#[case(None, (false, false, false))]
#[case(Some("bend.flex/stand"), (false, false, false))]
#[case(Some("stop.seat/lope"), (false, false, true))]
#[case(Some("cow.drive/walk"), (true, false, true))]
#[case(Some("cow.flag/slow"), (false, false, true))]
#[case(Some("barrel.drill/walk"), (false, true, false))]
#[case(Some("barrel.pattern/walk"), (false, true, true))]
fn a_booking_is_hard_and_fast_by_what_is_asked(
    #[case] path: Option<&str>,
    #[case] (cattle, pattern, fast): (bool, bool, bool),
) {
    let (seen, _) = booking(BookingKind::Ride, 45, path);
    assert_eq!(
        (seen.cattle, seen.pattern, seen.fast),
        (cattle, pattern, fast)
    );
}

fn week_of_one() -> WeekInstance {
    let judged = never_asked();
    let limits = Limits::of(judged.horse(), &Day::default());
    let in_week = HorseInWeek {
        horse_id: HORSE,
        name: "Any",
        foaled: 2018,
        headgear: Headgear::default(),
        limits: &limits,
        traits: &[],
        days: 7,
        days_ridden: &[],
        hard_before: false,
        rides_a_week: 5,
        away: false,
        priority: 1.0,
    };
    let places = places(&["round_pen"]);
    let barn = AtTheBarn {
        places: &places,
        lots: &[],
        outings: 0,
        most_minutes: 45,
    };
    WeekInstance {
        days: Vec::new(),
        horses: vec![WeekHorse::of(in_week, judged.horse(), &barn)],
        riders: Vec::new(),
        places: Vec::new(),
        cattle: vec![WeekLot {
            lot_id: LOT,
            name: "The lot".into(),
            works_left: 10,
            works_a_day: None,
        }],
        fixed: Vec::new(),
        pins: Vec::new(),
        before: Vec::new(),
        weights: Weights::default(),
    }
}

#[test]
fn what_stands_is_found_among_the_works_or_put_there_once() {
    let mut week = week_of_one();
    let work = |week: &mut WeekInstance, kind, minutes, path: &str| {
        let (seen, level) = booking(kind, minutes, Some(path));
        week.work_of(&seen, level.as_ref())
    };
    let usual = week.horses[0].works[0].clone();
    let path = usual.level.unwrap().to_string();
    // The same work, in steps of five minutes; where it stands it can be done.
    assert_eq!(work(&mut week, BookingKind::Ride, 43, &path), Some(0));
    assert!(week.horses[0].works[0].place_ids.len() == 1);
    // Another level is another work, put there once.
    assert_eq!(
        work(&mut week, BookingKind::Ride, 45, "stop.seat/lope"),
        Some(1)
    );
    assert_eq!(
        work(&mut week, BookingKind::Ride, 45, "stop.seat/lope"),
        Some(1)
    );
    assert!(week.horses[0].works[1].fast);
    // Cattle take a lot of the barn; an outing has none.
    assert_eq!(
        work(&mut week, BookingKind::Ride, 30, "cow.drive/walk"),
        Some(2)
    );
    assert_eq!(week.horses[0].works[2].lot_id, Some(LOT));
    assert_eq!(
        work(&mut week, BookingKind::Outing, 120, "bend.flex/stand"),
        Some(3)
    );
    assert_eq!(week.horses[0].works[3].lot_id, None);
    assert_eq!(
        (
            week.horses[0].works[3].kind,
            week.horses[0].works[3].at_most
        ),
        (WorkKind::Outing, 2)
    );
}

#[test]
fn a_week_never_holds_more_works_of_a_horse_than_its_form_allows() {
    let mut week = week_of_one();
    for minutes in 1..40u16 {
        let (seen, level) = booking(BookingKind::Ride, minutes * 10, Some("stop.seat/lope"));
        let found = week.work_of(&seen, level.as_ref()).unwrap();
        assert!(usize::from(found) < week.horses[0].works.len());
    }
    assert_eq!(week.horses[0].works.len(), 8);
    let (mut other, level) = booking(BookingKind::Ride, 45, Some("stop.seat/lope"));
    other.horse_id = Some(Uuid::from_u128(8));
    assert_eq!(week.work_of(&other, level.as_ref()), None);
}
