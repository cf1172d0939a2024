//! Usernames, passwords, clearances, hours. Common practice, no source, but the least
//! length of a password: NIST SP 800-63B, section 5.1.1.2, from memory.

use cavesson_barn::person::hours::check_week;
use cavesson_barn::person::username::{
    check_handle, check_new_password, check_username, suggested_handle,
};
use cavesson_barn::person::{Clearance, NotCleared, RideNeeds, Role, WorkHours};
use cavesson_judge::ride::RigKind;
use jiff::civil::time;
use proptest::prelude::*;
use uuid::Uuid;

#[test]
fn usernames_are_small_letters_figures_points_and_dashes() {
    for name in ["wren", "j.weatherby", "7up", "a", "x-1.y"] {
        assert!(check_username("/sign_in", name).is_ok(), "{name}");
    }
    for name in [
        "",
        "Wren",
        "wren@home",
        ".wren",
        "-wren",
        "wr en",
        "wrén",
        &"w".repeat(41),
    ] {
        assert!(check_username("/sign_in", name).is_err(), "{name}");
    }
    assert!(
        check_handle("/handle", "a").is_err(),
        "two letters at least"
    );
    assert!(check_handle("/handle", "dry.fork").is_err(), "no points");
}

#[test]
fn a_new_password_has_eight_letters_at_least() {
    assert!(check_new_password("/password", "1234567").is_err());
    assert!(
        check_new_password("/password", "héllo wö").is_ok(),
        "letters, not bytes"
    );
    assert!(check_new_password("/password", &"x".repeat(201)).is_err());
}

proptest! {
    #[test]
    fn whatever_a_barn_is_called_its_handle_fits(name in "\\PC{0,80}") {
        prop_assert!(check_handle("", &suggested_handle(&name)).is_ok());
    }
}

#[test]
fn who_is_not_cleared_is_stopped_with_every_reason() {
    let oatcake = Uuid::from_u128(7);
    let (tally, wren) = (Uuid::from_u128(1), Uuid::from_u128(2));
    let named = [wren];
    let mut needs = RideNeeds {
        person_id: tally,
        horse_id: oatcake,
        rig: Some(RigKind::Shank),
        cattle: true,
        first_rides: true,
        quiet_hands: true,
        only_riders: Some(&named),
    };
    let rider = Clearance {
        only_horses: Some(vec![Uuid::from_u128(8)]),
        ..Clearance::for_new(Role::Rider)
    };
    use NotCleared::{Cattle, FirstRides, Horse, NotNamed, QuietHands, Rig};
    assert_eq!(
        rider.stops(Role::Rider, &needs),
        [Horse, Rig, Cattle, FirstRides, QuietHands, NotNamed]
    );
    assert_eq!(rider.stops(Role::Trainer, &needs), []);
    assert_eq!(rider.stops(Role::Helper, &needs), [NotCleared::Role]);
    // Who is cleared for everything is still not one of the riders named for this horse.
    assert_eq!(Clearance::all().stops(Role::Rider, &needs), [NotNamed]);
    needs.person_id = wren;
    assert_eq!(Clearance::all().stops(Role::Rider, &needs), []);
    needs = RideNeeds {
        person_id: tally,
        quiet_hands: false,
        only_riders: None,
        horse_id: Uuid::from_u128(8),
        rig: None,
        cattle: false,
        first_rides: false,
    };
    assert_eq!(rider.stops(Role::Rider, &needs), []);
    assert_eq!(Rig.text("Tally"), "Tally isn't cleared for this headgear");
}

#[test]
fn a_week_of_hours_has_one_stretch_a_day() {
    let hours = |weekday, from, to| WorkHours {
        weekday,
        from: time(from, 0, 0, 0),
        to: time(to, 0, 0, 0),
        most_horses: 5,
    };
    assert!(check_week("/hours", &[]).is_ok());
    assert!(check_week("/hours", &[hours(1, 7, 15), hours(2, 7, 15)]).is_ok());
    let field = |week: &[WorkHours]| check_week("/hours", week).unwrap_err().field;
    assert_eq!(
        field(&[hours(1, 7, 15), hours(1, 16, 18)]),
        "/hours/1/weekday"
    );
    assert_eq!(field(&[hours(0, 7, 15)]), "/hours/0/weekday");
    assert_eq!(field(&[hours(3, 15, 15)]), "/hours/0/to");
}
