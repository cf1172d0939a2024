//! Made-up weeks, all from a seed: for benches, tests, and whoever wants to see a file.

use cavesson_core::heat::HeatHour;
use cavesson_core::person::{Clearance, Role};
use cavesson_core::week::plan::{
    FixedBooking, Knows, QuietHours, RiderBusy, RiderDay, WeekDay, WeekHorse, WeekInstance,
    WeekLot, WeekRider, Weights, Work, WorkKind,
};
use cavesson_core::week::{Booking, BookingKind, DayPlace};
use jiff::ToSpan;
use jiff::civil::date;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use uuid::Uuid;

/// How large a week is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Size {
    /// Horses.
    pub horses: usize,
    /// Riders; a helper on the ground comes with them when there is more than one.
    pub riders: usize,
    /// Places, the cattle pen among them.
    pub places: usize,
    /// Days.
    pub days: u8,
}

/// The built-in weeks by name.
pub const BUILT_IN: [(&str, Size); 3] = [
    (
        "small",
        Size {
            horses: 8,
            riders: 1,
            places: 2,
            days: 6,
        },
    ),
    (
        "usual",
        Size {
            horses: 30,
            riders: 3,
            places: 5,
            days: 6,
        },
    ),
    (
        "large",
        Size {
            horses: 80,
            riders: 8,
            places: 10,
            days: 6,
        },
    ),
];

/// An id of its own for the nth of a kind.
fn id(kind: u128, nth: usize) -> Uuid {
    Uuid::from_u128(0x0197_0000_0000_7000_8000_0000_0000_0000 | kind << 32 | (nth as u128) << 16)
}

/// A week of that size.
pub fn made_up(size: Size, seed: u64) -> WeekInstance {
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    let first = date(2026, 6, 1);
    let pen = size.places - 1;
    let places: Vec<DayPlace> = (0..size.places)
        .map(|nth| DayPlace {
            place_id: id(3, nth),
            name: if nth == pen {
                "Cattle pen".into()
            } else {
                format!("Arena {}", nth + 1)
            },
            horses_at_once: if nth == pen {
                2
            } else {
                rng.random_range(1..=3)
            },
            opens_min: Some(6 * 60),
            closes_min: Some(19 * 60),
        })
        .collect();
    let lots = vec![WeekLot {
        lot_id: id(4, 0),
        name: "Crossbred heifers".into(),
        works_left: (size.horses / 2 + 2) as u16,
        works_a_day: Some((size.horses / 6 + 2) as u16),
    }];
    let horses: Vec<WeekHorse> = (0..size.horses)
        .map(|nth| made_up_horse(nth, size, &places, &mut rng))
        .collect();
    let mut riders: Vec<WeekRider> = (0..size.riders)
        .map(|nth| made_up_rider(nth, size, &horses, &mut rng))
        .collect();
    if size.riders > 1 {
        riders.push(WeekRider {
            person_id: id(2, 90),
            name: "Helper".into(),
            role: Role::Helper,
            clearance: Clearance::for_new(Role::Helper),
            days: (0..size.days)
                .map(|day| RiderDay {
                    day,
                    from_min: 8 * 60,
                    to_min: 14 * 60,
                    most_horses: 0,
                })
                .collect(),
            busy: Vec::new(),
            home_by_min: None,
            knows: Vec::new(),
        });
    }
    WeekInstance {
        days: (0..size.days)
            .map(|day| made_up_day(first.saturating_add(i64::from(day).days()), day, &mut rng))
            .collect(),
        fixed: made_up_fixed(size, &horses, &places, &mut rng),
        horses,
        riders,
        places,
        cattle: lots,
        pins: Vec::new(),
        before: Vec::new(),
        weights: Weights::default(),
    }
}

fn made_up_day(date: jiff::civil::Date, day: u8, rng: &mut ChaCha8Rng) -> WeekDay {
    let warm = rng.random_range(-4.0..6.0) + f64::from(day % 3);
    let heat = (6..20u16).map(|hour| {
        let up = 1.0 - ((f64::from(hour) - 15.0) / 9.0).powi(2);
        HeatHour {
            from_min: hour * 60,
            temperature_f: (68.0 + 24.0 * up + warm).round(),
            humidity_pct: (62.0 - 16.0 * up).round(),
        }
    });
    WeekDay {
        date,
        heat: heat.collect(),
        quiet: vec![
            QuietHours {
                from_min: 0,
                to_min: 8 * 60 + 30,
            },
            QuietHours {
                from_min: 15 * 60 + 30,
                to_min: 24 * 60,
            },
        ],
        not_before_min: 0,
    }
}

fn made_up_horse(nth: usize, size: Size, places: &[DayPlace], rng: &mut ChaCha8Rng) -> WeekHorse {
    let pen = size.places - 1;
    let first_rides = nth % 13 == 5 && size.riders > 1;
    let any = |rng: &mut ChaCha8Rng| {
        let mut some: Vec<Uuid> = (0..pen)
            .filter(|_| rng.random_bool(0.6))
            .map(|place| places[place].place_id)
            .collect();
        if some.is_empty() {
            some.push(places[0].place_id);
        }
        some
    };
    let usual = Work {
        kind: WorkKind::Ride,
        minutes: [30, 45, 45, 60][rng.random_range(0..4)],
        place_ids: any(rng),
        lot_id: None,
        helper: false,
        fast: false,
        at_most: 6,
        gate_soon: rng.random_bool(0.3),
        worth: 0.0,
        level: None,
        name: "Usual work".into(),
    };
    let mut works = vec![usual];
    if !first_rides && rng.random_bool(0.4) {
        works.push(Work {
            kind: WorkKind::Cattle,
            minutes: [30, 45][rng.random_range(0..2)],
            place_ids: vec![places[pen].place_id],
            lot_id: Some(id(4, 0)),
            helper: false,
            fast: true,
            at_most: 2,
            gate_soon: rng.random_bool(0.3),
            worth: 18.0,
            level: None,
            name: "Cattle".into(),
        });
    }
    if !first_rides && rng.random_bool(0.25) {
        works.push(Work {
            kind: WorkKind::Pattern,
            minutes: 45,
            place_ids: vec![places[0].place_id],
            lot_id: None,
            helper: size.riders > 1 && rng.random_bool(0.3),
            fast: true,
            at_most: 2,
            gate_soon: false,
            worth: 14.0,
            level: None,
            name: "Pattern".into(),
        });
    }
    WeekHorse {
        horse_id: id(1, nth),
        name: format!("Horse {}", nth + 1),
        rig: None,
        quiet_hands: false,
        only_riders: None,
        first_rides,
        check_first: nth % 29 == 17,
        brake: None,
        wanted: rng.random_range(3..=6).min(size.days),
        most_rides_a_day: 1,
        most_days: 6,
        days_off: if rng.random_bool(0.15) {
            vec![rng.random_range(0..size.days)]
        } else {
            vec![]
        },
        hard_before: rng.random_bool(0.1),
        priority: [1.0, 1.0, 1.2, 1.5, 2.0][rng.random_range(0..5)],
        hot_or_green: first_rides || rng.random_bool(0.2),
        young: first_rides || rng.random_bool(0.3),
        works,
    }
}

fn made_up_rider(nth: usize, size: Size, horses: &[WeekHorse], rng: &mut ChaCha8Rng) -> WeekRider {
    let role = if nth == 0 { Role::Trainer } else { Role::Rider };
    let from_min = [6 * 60 + 30, 7 * 60, 8 * 60][nth % 3];
    let day_off = (nth > 0).then(|| rng.random_range(0..size.days));
    WeekRider {
        person_id: id(2, nth),
        name: format!("Rider {}", nth + 1),
        role,
        clearance: Clearance {
            cattle: nth != 2,
            first_rides: nth < 2,
            quiet_hands: true,
            ..Clearance::all()
        },
        days: (0..size.days)
            .filter(|day| Some(*day) != day_off)
            .map(|day| RiderDay {
                day,
                from_min,
                to_min: from_min + [9 * 60, 8 * 60, 6 * 60][nth % 3],
                most_horses: [10, 9, 7][nth % 3],
            })
            .collect(),
        busy: if nth == 0 {
            vec![RiderBusy {
                day: 2.min(size.days - 1),
                from_min: 12 * 60,
                to_min: 14 * 60,
            }]
        } else {
            Vec::new()
        },
        home_by_min: (nth == 0).then_some(15 * 60),
        knows: horses
            .iter()
            .filter_map(|horse| {
                let share = f64::from(rng.random_range(1..=10)) / 10.0;
                rng.random_bool(0.6).then_some(Knows {
                    horse_id: horse.horse_id,
                    share,
                })
            })
            .collect(),
    }
}

fn made_up_fixed(
    size: Size,
    horses: &[WeekHorse],
    places: &[DayPlace],
    rng: &mut ChaCha8Rng,
) -> Vec<FixedBooking> {
    let mut fixed: Vec<FixedBooking> = Vec::new();
    let mut add = |day: u8, kind: BookingKind, horse_id, place_id, from_min, minutes| {
        let booking_id = id(5, fixed.len());
        fixed.push(FixedBooking {
            day,
            booking: Booking {
                booking_id,
                kind,
                horse_id,
                person_id: None,
                place_id,
                from_min,
                minutes,
                cattle: false,
                pattern: false,
                fast: false,
                helper: false,
            },
        });
    };
    for day in 0..size.days {
        add(
            day,
            BookingKind::GroundDragged,
            None,
            Some(places[0].place_id),
            12 * 60,
            30,
        );
    }
    for horse in horses.iter().step_by(7) {
        let from = 9 * 60 + 15 * rng.random_range(0..12);
        let day = rng.random_range(0..size.days);
        add(
            day,
            BookingKind::Farrier,
            Some(horse.horse_id),
            None,
            from,
            45,
        );
    }
    fixed
}
