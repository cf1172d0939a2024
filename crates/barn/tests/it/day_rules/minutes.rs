//! An independent checker: it looks at the day minute by minute, as a person with a wall
//! chart would, and shares no code with the rules.

use std::collections::BTreeSet;

use proptest::prelude::*;

use super::*;

/// Minute by minute, who is where.
fn checked(day: &DayPlan) -> BTreeSet<Rule2> {
    let mut found = BTreeSet::new();
    for minute in 0..=(24 * 60 + 120) {
        let now: Vec<&Booking> = day
            .bookings
            .iter()
            .filter(|one| (one.from_min..one.from_min + one.minutes).contains(&minute))
            .collect();
        if minute >= 24 * 60 && !now.is_empty() {
            found.insert(Rule2::Midnight);
        }
        for (index, one) in now.iter().enumerate() {
            let others: Vec<&Booking> = now
                .iter()
                .enumerate()
                .filter(|(other, _)| *other != index)
                .map(|(_, other)| *other)
                .collect();
            found.extend(with_others(one, &others));
            if matches!(one.kind, BookingKind::Ride | BookingKind::Outing) {
                found.extend(ridden(day, one, minute));
            }
        }
        for place in &day.places {
            let horses = now
                .iter()
                .filter(|one| one.place_id == Some(place.place_id) && one.horse_id.is_some());
            if horses.count() > usize::from(place.horses_at_once) {
                found.insert(Rule2::Place);
            }
        }
    }
    // Somebody else has to be free for the whole of each first ride, and with no other.
    let first_rides: Vec<&Booking> = day
        .bookings
        .iter()
        .filter(|one| matches!(one.kind, BookingKind::Ride | BookingKind::Outing))
        .filter(|one| {
            let mut horses = day.horses.iter();
            horses.any(|horse| Some(horse.horse_id) == one.horse_id && horse.first_rides)
        })
        .collect();
    if !can_all_be_helped(day, &first_rides, &mut Vec::new()) {
        found.insert(Rule2::Alone);
    }
    found
}

/// What somebody or something would have to be in two places for.
fn with_others(one: &Booking, others: &[&Booking]) -> Vec<Rule2> {
    let mut found = Vec::new();
    let shares = |of: fn(&Booking) -> Option<Uuid>| {
        of(one).is_some() && others.iter().any(|other| of(other) == of(one))
    };
    if shares(|one| one.person_id) {
        found.push(Rule2::Person);
    }
    if shares(|one| one.horse_id) {
        found.push(Rule2::Horse);
    }
    let dragged = others.iter().any(|other| {
        other.kind == BookingKind::GroundDragged
            && one.place_id.is_some()
            && other.place_id == one.place_id
    });
    if dragged && matches!(one.kind, BookingKind::Ride | BookingKind::Outing) {
        found.push(Rule2::Dragged);
    }
    found
}

/// What speaks against a horse being ridden at that minute.
fn ridden(day: &DayPlan, one: &Booking, minute: u16) -> Vec<Rule2> {
    let horse = day
        .horses
        .iter()
        .find(|horse| Some(horse.horse_id) == one.horse_id);
    let too_hot = day.heat.iter().any(|hour| {
        hour.from_min / 60 == minute / 60 && hour.temperature_f + hour.humidity_pct > 180.0
    });
    let closed = day.places.iter().any(|place| {
        one.place_id == Some(place.place_id)
            && place
                .opens_min
                .zip(place.closes_min)
                .is_some_and(|(opens, closes)| !(opens..closes).contains(&minute))
    });
    let elsewhere = day.people.iter().any(|person| {
        let busy = || person.busy.iter();
        one.person_id == Some(person.person_id)
            && busy().any(|busy| (busy.from_min..busy.to_min).contains(&minute))
    });
    let is_fast = one.fast || one.cattle || one.pattern;
    [
        (horse.is_some_and(|horse| horse.check_first), Rule2::Check),
        (
            is_fast && horse.is_some_and(|horse| horse.brake.is_some()),
            Rule2::Brake,
        ),
        (closed, Rule2::Closed),
        (too_hot, Rule2::Hot),
        (elsewhere, Rule2::Busy),
    ]
    .into_iter()
    .filter_map(|(is_so, rule)| is_so.then_some(rule))
    .collect()
}

/// Whether every one of these rides can have a helper of its own: all ways tried.
fn can_all_be_helped(day: &DayPlan, rides: &[&Booking], given: &mut Vec<(Uuid, u16, u16)>) -> bool {
    let Some((one, rest)) = rides.split_first() else {
        return true;
    };
    let (from, to) = (one.from_min, one.from_min + one.minutes);
    let meets = |a: u16, b: u16| a < to && from < b;
    day.people.iter().any(|person| {
        let id = person.person_id;
        let rides_then = day.bookings.iter().any(|other| {
            other.person_id == Some(id) && meets(other.from_min, other.from_min + other.minutes)
        });
        let busy = person
            .busy
            .iter()
            .any(|busy| meets(busy.from_min, busy.to_min));
        let helps = given.iter().any(|(who, a, b)| *who == id && meets(*a, *b));
        if rides_then || busy || helps {
            return false;
        }
        given.push((id, from, to));
        let all = can_all_be_helped(day, rest, given);
        given.pop();
        all
    })
}

#[derive(Debug, PartialEq, Eq, PartialOrd, Ord)]
enum Rule2 {
    Person,
    Horse,
    Place,
    Dragged,
    Midnight,
    Check,
    Alone,
    Hot,
    Busy,
    Closed,
    Brake,
}

fn told(rule: Rule) -> Option<Rule2> {
    match rule {
        Rule::OneHorseAtATime => Some(Rule2::Person),
        Rule::HorseInOnePlace => Some(Rule2::Horse),
        Rule::PlaceHolds => Some(Rule2::Place),
        Rule::PlaceReady => Some(Rule2::Dragged),
        Rule::WithinTheDay => Some(Rule2::Midnight),
        Rule::CheckFirst => Some(Rule2::Check),
        Rule::NeverAlone => Some(Rule2::Alone),
        Rule::TooHot => Some(Rule2::Hot),
        Rule::PlaceOpen => Some(Rule2::Closed),
        Rule::Busy => Some(Rule2::Busy),
        Rule::BrakeHolds => Some(Rule2::Brake),
        _ => None,
    }
}

fn any_day() -> impl Strategy<Value = DayPlan> {
    let booking = (
        0u128..4,
        prop::option::of(0u128..3),
        prop::option::of(0u128..2),
        (0u16..288).prop_map(|five| five * 5),
        (1u16..24).prop_map(|five| five * 5),
        prop::sample::select(vec![
            BookingKind::Ride,
            BookingKind::Ride,
            BookingKind::Outing,
            BookingKind::Farrier,
            BookingKind::GroundDragged,
        ]),
        any::<[bool; 3]>(),
    );
    (
        prop::collection::vec(booking, 0..8),
        any::<[bool; 4]>(),
        any::<[bool; 4]>(),
        any::<[bool; 4]>(),
        prop::collection::vec(60.0f64..140.0, 24),
        prop::collection::vec((0usize..3, 0u16..288, 1u16..24), 0..3),
        prop::option::of((0u16..144, 144u16..288)),
    )
        .prop_map(|(bookings, check, first, brake, heat, busy, open)| {
            let bookings = bookings.into_iter().enumerate().map(
                |(number, (horse, person, place, from_min, minutes, kind, hard))| Booking {
                    kind,
                    fast: hard[0],
                    cattle: hard[0] && hard[1],
                    pattern: hard[1] && hard[2],
                    horse_id: (!kind.is_set_up()).then_some(id(1, horse)),
                    person_id: person
                        .filter(|_| !kind.is_set_up())
                        .map(|person| id(2, person)),
                    place_id: place.map(|place| id(3, place)),
                    ..ride(number as u128, horse, 0, 0, from_min, minutes)
                },
            );
            let mut day = day(bookings.collect());
            for (number, horse) in day.horses.iter_mut().enumerate() {
                horse.check_first = check[number];
                horse.first_rides = first[number];
                horse.brake = brake[number].then(|| "Walk only: the brake missed.".to_owned());
            }
            day.heat = heat
                .into_iter()
                .enumerate()
                .map(|(hour, temperature_f)| HeatHour {
                    from_min: hour as u16 * 60,
                    temperature_f,
                    humidity_pct: 60.0,
                })
                .collect();
            if let Some((opens, closes)) = open {
                day.places[0].opens_min = Some(opens * 5);
                day.places[0].closes_min = Some(closes * 5);
            }
            for (person, from, long) in busy {
                let from_min = from * 5;
                let to_min = (from_min + long * 5).min(1440);
                day.people[person].busy.push(BusyTime { from_min, to_min });
            }
            day
        })
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(300))]

    /// The rules find what a look at every minute finds, and nothing else.
    #[test]
    fn the_rules_find_what_a_look_at_every_minute_finds(day in any_day()) {
        let found: BTreeSet<Rule2> = broken(&day, false).iter().filter_map(|one| told(one.rule)).collect();
        prop_assert_eq!(found, checked(&day));
    }

    /// What a change breaks is what the day breaks after it and did not before.
    #[test]
    fn what_a_change_breaks_is_new(day in any_day(), person in 0u128..3, from in 0u16..288) {
        prop_assume!(!day.bookings.is_empty());
        let moved = DayChange::Move {
            booking_id: id(4, 0),
            person_id: Some(id(2, person)),
            place_id: day.bookings[0].place_id,
            from_min: from * 5,
            minutes: day.bookings[0].minutes,
        };
        let before = broken(&day, false);
        let after = broken(&moved.after(&day), false);
        let by = broken_by(&day, &moved, false);
        prop_assert!(by.iter().all(|one| after.contains(one) && !before.contains(one)));
        prop_assert!(after.iter().all(|one| by.contains(one) || before.contains(one)));
    }
}
