//! Hours of those who ride, whom they know, and how long a ride is laid out for.

use std::collections::BTreeMap;

use cavesson_barn::person::WorkHours;
use cavesson_barn::week::plan::WeekDay;
use cavesson_barn::week::plan::week_rider::{RodeLately, days_of, knows};
use cavesson_barn::week::usual;
use cavesson_base::day::{monday_of, week_of};
use jiff::civil::{Time, time};
use proptest::prelude::*;
use rstest::rstest;
use uuid::Uuid;

use cavesson_told::day;

fn hours(weekday: u8, from: Time, to: Time) -> WorkHours {
    WorkHours {
        weekday,
        from,
        to,
        most_horses: 4,
    }
}

/// Day, from, to, horses of each day that is ridden.
fn told(own: &[WorkHours], home: Option<(i64, u16)>) -> Vec<(u8, u16, u16, u8)> {
    let dates: Vec<_> = (0..7).map(day).collect();
    days_of(own, &dates, home.map(|(on, at)| (day(on), at)))
        .into_iter()
        .map(|on| (on.day, on.from_min, on.to_min, on.most_horses))
        .collect()
}

#[test]
fn who_set_no_hours_rides_every_day_from_seven_to_six() {
    let all = told(&[], None);
    assert_eq!(all.len(), 7);
    assert!(all.iter().all(|on| (on.1, on.2, on.3) == (420, 1080, 20)));
}

#[test]
fn who_set_hours_rides_on_those_days_alone() {
    let own = [
        hours(1, time(8, 0, 0, 0), time(12, 30, 0, 0)),
        hours(6, time(9, 15, 0, 0), time(10, 0, 0, 0)),
    ];
    // The first day of the week is a Monday.
    assert_eq!(told(&own, None), [(0, 480, 750, 4), (5, 555, 600, 4)]);
}

#[test]
fn who_goes_home_rides_until_then_and_not_at_all_where_that_is_before_the_start() {
    let own = [hours(1, time(8, 0, 0, 0), time(12, 0, 0, 0))];
    assert_eq!(told(&own, Some((0, 600))), [(0, 480, 600, 4)]);
    assert_eq!(told(&own, Some((0, 480))), []);
    assert_eq!(told(&own, Some((0, 1300))), [(0, 480, 720, 4)]);
    assert_eq!(told(&own, Some((1, 0))), [(0, 480, 720, 4)]);
}

proptest! {
    #[test]
    fn the_shares_of_a_horse_come_to_one(
        rides in prop::collection::btree_map((0u128..4, 0u128..4), 1i64..40, 1..12),
    ) {
        let rode: Vec<RodeLately> = rides
            .iter()
            .map(|((horse, person), rides)| RodeLately {
                horse_id: Uuid::from_u128(*horse),
                person_id: Uuid::from_u128(*person),
                rides: *rides,
            })
            .collect();
        let mut sums: BTreeMap<Uuid, f64> = BTreeMap::new();
        for person in 0..4 {
            for known in knows(&rode, Uuid::from_u128(person)) {
                prop_assert!(known.share > 0.0 && known.share <= 1.0);
                *sums.entry(known.horse_id).or_default() += known.share;
            }
        }
        for (horse, sum) in sums {
            prop_assert!((sum - 1.0).abs() < 1e-12, "{horse}: {sum}");
        }
    }
}

#[rstest]
#[case(480, None, 45)]
#[case(480, Some(600), 45)]
#[case(480, Some(510), 30)]
#[case(480, Some(485), 15)]
#[case(480, Some(470), 15)]
fn a_ride_is_laid_out_until_the_riders_next_one(
    #[case] from: u16,
    #[case] next: Option<u16>,
    #[case] minutes: u16,
) {
    assert_eq!(usual::ride_minutes(from, next), minutes);
}

#[test]
fn a_week_begins_on_monday() {
    for after in 0..21 {
        let (monday, sunday) = week_of(day(after));
        assert_eq!(monday, day(after / 7 * 7));
        assert_eq!(sunday, day(after / 7 * 7 + 6));
        assert_eq!(monday_of(day(after)), monday);
    }
}

#[test]
fn a_day_that_somebody_calls_too_hot_is_so_from_then_on() {
    let cool = WeekDay::of(day(0), Vec::new(), 0).too_hot_from(13 * 60);
    let hours: Vec<u16> = cool.heat.iter().map(|hour| hour.from_min).collect();
    assert_eq!(hours, (13..24).map(|hour| hour * 60).collect::<Vec<u16>>());
    // Above 180 no fast work: extension-service rule of thumb, from memory.
    assert!(cool.heat.iter().all(|hour| hour.index() > 180.0));
}
