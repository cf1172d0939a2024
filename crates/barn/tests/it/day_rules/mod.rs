//! The rules of a day. Common practice, no source.

mod minutes;

use cavesson_barn::person::{Clearance, Role, WorkHours};
use cavesson_barn::week::{
    Booking, BookingKind, BusyTime, DayChange, DayHorse, DayPerson, DayPlace, DayPlan, Rule,
    broken, broken_by,
};
use cavesson_judge::heat::HeatHour;
use cavesson_judge::ride::RigKind;
use jiff::civil::time;
use uuid::Uuid;

const fn id(kind: u128, number: u128) -> Uuid {
    Uuid::from_u128(kind * 1000 + number)
}

fn ride(
    number: u128,
    horse: u128,
    person: u128,
    place: u128,
    from_min: u16,
    minutes: u16,
) -> Booking {
    Booking {
        booking_id: id(4, number),
        kind: BookingKind::Ride,
        horse_id: Some(id(1, horse)),
        person_id: Some(id(2, person)),
        place_id: Some(id(3, place)),
        from_min,
        minutes,
        cattle: false,
        pattern: false,
        fast: false,
        helper: false,
    }
}

fn person(number: u128, role: Role) -> DayPerson {
    DayPerson {
        person_id: id(2, number),
        name: ["Wren", "Tobin", "Pia"][number as usize % 3].to_owned(),
        role,
        clearance: Clearance::all(),
        hours: None,
        sets_hours: false,
        away: false,
        busy: Vec::new(),
    }
}

fn horse(number: u128) -> DayHorse {
    DayHorse {
        horse_id: id(1, number),
        name: ["Oatcake", "Thimble", "Quill", "Harrow"][number as usize % 4].to_owned(),
        rig: None,
        quiet_hands: false,
        only_riders: None,
        first_rides: false,
        most_rides: 1,
        check_first: false,
        brake: None,
        other_days: 0,
        hard_next_to: false,
    }
}

fn day(bookings: Vec<Booking>) -> DayPlan {
    DayPlan {
        bookings,
        people: vec![
            person(0, Role::Trainer),
            person(1, Role::Rider),
            person(2, Role::Helper),
        ],
        horses: (0..4).map(horse).collect(),
        places: (0..2)
            .map(|number| DayPlace {
                place_id: id(3, number),
                name: ["Round pen", "Big arena"][number as usize].to_owned(),
                horses_at_once: 1 + number as u8 * 2,
                opens_min: None,
                closes_min: None,
            })
            .collect(),
        heat: Vec::new(),
    }
}

fn texts(day: &DayPlan) -> Vec<String> {
    broken(day, false).into_iter().map(|one| one.text).collect()
}

#[test]
fn a_good_day_breaks_nothing() {
    let good = day(vec![
        ride(0, 0, 0, 0, 450, 45),
        // One begins as the other ends.
        ride(1, 1, 0, 0, 495, 45),
        ride(2, 2, 1, 1, 450, 45),
    ]);
    assert_eq!(texts(&good), [""; 0]);
}

#[test]
fn each_rule_says_what_it_is_about() {
    let two = day(vec![ride(0, 0, 1, 1, 450, 45), ride(1, 1, 1, 1, 480, 45)]);
    assert_eq!(
        texts(&two),
        [
            "Tobin is booked for Oatcake from 7:30 AM to 8:15 AM and for Thimble from 8:00 AM to 8:45 AM."
        ]
    );
    let mut farrier = day(vec![ride(0, 0, 1, 1, 450, 45), ride(1, 0, 0, 1, 480, 30)]);
    farrier.bookings[1].kind = BookingKind::Farrier;
    assert_eq!(
        texts(&farrier),
        ["Oatcake is ridden from 7:30 AM to 8:15 AM and with the farrier from 8:00 AM to 8:30 AM."]
    );
    let full = day(vec![ride(0, 0, 0, 0, 780, 45), ride(1, 1, 1, 0, 800, 45)]);
    assert_eq!(
        texts(&full),
        ["Round pen holds one horse; at 1:20 PM it would have Oatcake, Thimble."]
    );
    assert_eq!(
        broken(&full, true)[0].text,
        "Round pen holds one horse; at 13:20 it would have Oatcake, Thimble."
    );
    let mut dragged = day(vec![ride(0, 0, 0, 1, 450, 45), ride(1, 0, 0, 1, 440, 20)]);
    dragged.bookings[1] = Booking {
        kind: BookingKind::GroundDragged,
        horse_id: None,
        person_id: None,
        ..dragged.bookings[1]
    };
    assert_eq!(
        texts(&dragged),
        ["Big arena is being dragged from 7:20 AM to 7:40 AM."]
    );
    let again = day(vec![ride(0, 0, 0, 1, 450, 45), ride(1, 0, 1, 1, 600, 45)]);
    assert_eq!(
        texts(&again),
        ["Oatcake would be ridden at 7:30 AM and 10:00 AM."]
    );
    assert!(!broken(&again, false)[0].hard, "the trainer decides");
    let mut hours = day(vec![ride(0, 0, 1, 1, 400, 45)]);
    hours.people[1].hours = Some(WorkHours {
        weekday: 1,
        from: time(7, 0, 0, 0),
        to: time(15, 0, 0, 0),
        most_horses: 0,
    });
    assert_eq!(
        texts(&hours),
        [
            "Tobin works 7:00 AM to 3:00 PM on this day.",
            "That's 1 horse for Tobin, who rides 0 at the most."
        ]
    );
    hours.people[1].hours = None;
    hours.people[1].sets_hours = true;
    assert_eq!(texts(&hours), ["Tobin doesn't work on this day."]);
    let mut late = day(vec![ride(0, 0, 0, 1, 1430, 45)]);
    assert_eq!(texts(&late), ["It would end after midnight."]);
    late.bookings[0].from_min = 600;
    late.horses[0].check_first = true;
    assert_eq!(
        texts(&late),
        ["Have Oatcake looked at before anybody gets on."]
    );
}

#[test]
fn a_horse_rests_and_places_close() {
    let mut week = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    week.horses[0].other_days = 6;
    week.horses[0].hard_next_to = true;
    assert_eq!(
        texts(&week),
        ["Oatcake would work on all seven days of this week."]
    );
    week.horses[0].other_days = 5;
    week.bookings[0].pattern = true;
    assert_eq!(
        texts(&week),
        ["Oatcake works hard the day before or after too (cattle, a pattern or a haul)."]
    );
    week.bookings[0].kind = BookingKind::Haul;
    week.bookings[0].pattern = false;
    assert_eq!(texts(&week).len(), 1, "a haul is hard");
    assert!(!broken(&week, false)[0].hard, "the trainer decides");
    let mut closed = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    closed.places[1].opens_min = Some(480);
    closed.places[1].closes_min = Some(1200);
    assert_eq!(texts(&closed), ["Big arena is open 8:00 AM to 8:00 PM."]);
    assert!(broken(&closed, false)[0].hard);
}

#[test]
fn heat_and_a_calendar_of_ones_own_are_looked_at() {
    let mut hot = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    let hour = |from_min, temperature_f| HeatHour {
        from_min,
        temperature_f,
        humidity_pct: 70.0,
    };
    hot.heat = vec![hour(420, 80.0), hour(480, 85.0), hour(540, 115.0)];
    assert_eq!(
        texts(&hot),
        ["85 F and 70% at 8:00 AM: ride Oatcake 20 minutes at most, nothing fast."]
    );
    assert!(!broken(&hot, false)[0].hard, "the trainer decides");
    hot.bookings[0].cattle = true;
    assert_eq!(
        texts(&hot),
        ["85 F and 70% at 8:00 AM: too hot for cattle work with Oatcake."]
    );
    hot.bookings[0].from_min = 540;
    assert_eq!(
        texts(&hot),
        ["115 F and 70% at 9:00 AM: too hot to ride Oatcake."]
    );
    assert!(broken(&hot, false)[0].hard);
    hot.bookings[0].kind = BookingKind::Farrier;
    assert_eq!(texts(&hot), [""; 0], "the farrier may come");
    let mut busy = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    busy.people[1].busy = vec![
        BusyTime {
            from_min: 400,
            to_min: 450,
        },
        BusyTime {
            from_min: 480,
            to_min: 540,
        },
    ];
    assert_eq!(texts(&busy), ["Tobin is busy from 8:00 AM to 9:00 AM."]);
}

#[test]
fn a_brake_that_is_not_held_at_the_lope_lets_nothing_fast_be_booked_unsaid() {
    let mut lope = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    lope.horses[0].brake =
        Some("Walk only: the brake missed twice on the right since March 3.".to_owned());
    assert_eq!(texts(&lope), [""; 0], "nothing fast");
    lope.bookings[0].fast = true;
    assert_eq!(
        texts(&lope),
        [
            "Nothing fast with Oatcake yet. Walk only: the brake missed twice on the right since March 3."
        ]
    );
    assert!(!broken(&lope, false)[0].hard, "the trainer decides");
    lope.horses[0].brake = None;
    assert_eq!(texts(&lope), [""; 0]);
}

#[test]
fn first_rides_want_somebody_who_is_on_no_horse() {
    let mut green = day(vec![ride(0, 0, 0, 1, 450, 45)]);
    green.horses[0].first_rides = true;
    assert_eq!(texts(&green), [""; 0]);
    // The rider is on another horse, and the helper does not work that day.
    green.bookings.push(ride(1, 1, 1, 1, 480, 45));
    green.people[2].sets_hours = true;
    assert_eq!(
        texts(&green),
        [
            "Oatcake is at the first rides, never alone, and nobody else is here from 7:30 AM to 8:15 AM."
        ]
    );
}

#[test]
fn tack_for_quiet_hands_and_a_way_back_stop_who_is_not_meant() {
    let mut quiet = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    quiet.people[1].clearance = Clearance::for_new(Role::Rider);
    quiet.horses[0].rig = Some(RigKind::Snaffle);
    assert_eq!(texts(&quiet), [""; 0]);
    quiet.horses[0].quiet_hands = true;
    quiet.horses[0].only_riders = Some(vec![id(2, 0)]);
    assert_eq!(
        texts(&quiet),
        [
            "Tobin isn't cleared for tack that is kept for quiet hands.",
            "Tobin isn't one of the riders named for this horse on the way back."
        ]
    );
    quiet.people[1].clearance.quiet_hands = true;
    quiet.horses[0].only_riders = Some(vec![id(2, 0), id(2, 1)]);
    assert_eq!(texts(&quiet), [""; 0]);
}

#[test]
fn who_is_not_cleared_is_stopped() {
    let mut shank = day(vec![ride(0, 0, 1, 1, 450, 45)]);
    shank.horses[0].rig = Some(RigKind::Shank);
    shank.bookings[0].cattle = true;
    shank.people[1].clearance = Clearance::for_new(Role::Rider);
    assert_eq!(
        texts(&shank),
        [
            "Tobin isn't cleared for this headgear.",
            "Tobin isn't cleared for cattle."
        ]
    );
    let hand_on = DayChange::Move {
        booking_id: id(4, 0),
        person_id: Some(id(2, 0)),
        place_id: Some(id(3, 1)),
        from_min: 450,
        minutes: 45,
    };
    assert_eq!(broken_by(&shank, &hand_on, false), []);
    let gone = broken_by(
        &day(vec![ride(0, 0, 1, 1, 450, 45)]),
        &DayChange::GoesHome {
            person_id: id(2, 1),
        },
        false,
    );
    assert_eq!(gone[0].text, "Tobin went home.");
}

#[test]
fn a_swap_changes_times_and_riders_and_nothing_else() {
    let before = day(vec![ride(0, 0, 0, 0, 450, 30), ride(1, 1, 1, 1, 600, 60)]);
    let swap = DayChange::Swap {
        booking_id: id(4, 0),
        with: id(4, 1),
    };
    let after = swap.after(&before);
    assert_eq!(
        after.bookings,
        [ride(0, 0, 1, 0, 600, 30), ride(1, 1, 0, 1, 450, 60)]
    );
    assert_eq!(swap.after(&after), before, "and back");
    let nothing = DayChange::Swap {
        booking_id: id(4, 0),
        with: id(4, 9),
    };
    assert_eq!(nothing.after(&before), before);
}
