//! Plans of random weeks against a checker that shares no code with the planner, small weeks
//! against every plan there is, pins, weeks that cannot be planned, stopping.

use std::collections::BTreeSet;
use std::sync::atomic::{AtomicU32, Ordering};

use crate::independent::wrong;
use cavesson_core::week::BookingKind;
use cavesson_core::week::plan::{PlannedRide, RiderBusy, WeekInstance, broken, score};
use cavesson_solver::instances::{Size, made_up};
use cavesson_solver::{Unsolvable, options, solve};
use proptest::prelude::*;

fn sizes() -> impl Strategy<Value = Size> {
    (2usize..12, 1usize..4, 2usize..5, 1u8..7).prop_map(|(horses, riders, places, days)| Size {
        horses,
        riders,
        places,
        days,
    })
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 24, ..ProptestConfig::default() })]

    /// No rule that is never broken is broken, whatever the week; and the core's own rules
    /// say the same of the plan as the independent checker.
    #[test]
    fn no_plan_breaks_a_rule(size in sizes(), seed in 0u64..10_000, two_a_day in any::<bool>()) {
        let mut week = made_up(size, seed);
        if two_a_day {
            for horse in week.horses.iter_mut().step_by(2) {
                horse.most_rides_a_day = 2;
            }
        }
        // Some wear tack for quiet hands, some are on the way back with named riders.
        for rider in week.riders.iter_mut().skip(1).step_by(2) {
            rider.clearance.quiet_hands = false;
        }
        for horse in week.horses.iter_mut().step_by(3) {
            horse.quiet_hands = true;
        }
        let named = vec![week.riders[week.riders.len() - 1].person_id];
        for horse in week.horses.iter_mut().skip(1).step_by(4) {
            horse.only_riders = Some(named.clone());
        }
        let solved = solve(&week, 0.4, &|_| true).unwrap();
        prop_assert_eq!(wrong(&week, &solved.rides), Vec::<String>::new());
        prop_assert_eq!(broken(&week, &solved.rides, false).len(), 0);
        prop_assert!(solved.score.total <= solved.bound + 1e-6);
    }

    /// Pins stay where they are, and the rest moves as little as it can.
    #[test]
    fn pins_stay_and_little_else_moves(size in sizes(), seed in 0u64..10_000) {
        let mut week = made_up(size, seed);
        let first = solve(&week, 0.4, &|_| true).unwrap();
        week.before = first.rides.clone();
        week.pins = first.rides.iter().step_by(3).copied().collect();
        // Somebody has the first day off: what does not hang on that stays.
        let hours = week.riders[0].days.clone();
        week.riders[0].days.retain(|hours| hours.day != 0);
        // A pin that needs them, to ride or as company of one who never rides alone, keeps
        // them there.
        if !wrong(&week, &week.pins).is_empty() {
            week.riders[0].days = hours;
        }
        let hit: BTreeSet<usize> =
            broken(&week, &first.rides, false).into_iter().flat_map(|one| one.rides).collect();
        let hit = hit.len();
        let second = solve(&week, 0.4, &|_| true).unwrap();
        for pin in &week.pins {
            prop_assert!(second.rides.contains(pin));
        }
        prop_assert_eq!(wrong(&week, &second.rides), Vec::<String>::new());
        let moved = first.rides.iter().filter(|ride| !second.rides.contains(ride)).count();
        // What was hit, and what made way for it.
        prop_assert!(moved <= 3 * hit + 3, "{moved} moved, {hit} hit");
    }
}

/// Every plan of a small week there is, by trying: the best of them.
fn best_of_all(week: &WeekInstance) -> f64 {
    let mut slots: Vec<Vec<Option<PlannedRide>>> = Vec::new();
    for horse in &week.horses {
        for day in 0..week.days.len() as u8 {
            let mut of_slot = vec![None];
            for (work, one) in horse.works.iter().enumerate() {
                for rider in &week.riders {
                    for from_min in (0..24 * 60).step_by(15) {
                        for place_id in &one.place_ids {
                            let ride = PlannedRide {
                                day,
                                from_min,
                                horse_id: horse.horse_id,
                                work: work as u8,
                                person_id: rider.person_id,
                                place_id: *place_id,
                            };
                            if wrong(week, &[ride]).is_empty() {
                                of_slot.push(Some(ride));
                            }
                        }
                    }
                }
            }
            slots.push(of_slot);
        }
    }
    let mut best = f64::MIN;
    let mut plan = Vec::new();
    walk(week, &slots, &mut plan, &mut best);
    best
}

fn walk(
    week: &WeekInstance,
    slots: &[Vec<Option<PlannedRide>>],
    plan: &mut Vec<PlannedRide>,
    best: &mut f64,
) {
    let Some((slot, rest)) = slots.split_first() else {
        *best = best.max(score(week, plan).total);
        return;
    };
    for choice in slot {
        if let Some(ride) = choice {
            plan.push(*ride);
            // A part of a plan that breaks a rule is no better with more rides.
            if wrong(week, plan).is_empty() {
                walk(week, rest, plan, best);
            }
            plan.pop();
        } else {
            walk(week, rest, plan, best);
        }
    }
}

/// A week so small that every plan can be tried: one rider, a short day.
fn tiny(seed: u64) -> WeekInstance {
    let mut week = made_up(
        Size {
            horses: 3,
            riders: 1,
            places: 2,
            days: 2,
        },
        seed,
    );
    for hours in &mut week.riders[0].days {
        (hours.from_min, hours.to_min) = (8 * 60, 9 * 60 + 45);
    }
    week.riders[0].home_by_min = Some(9 * 60);
    week
}

#[test]
fn small_weeks_are_planned_as_well_as_can_be() {
    for seed in 0..6 {
        let week = tiny(seed);
        let best = best_of_all(&week);
        let solved = solve(&week, 4.0, &|_| true).unwrap();
        assert!(
            (solved.score.total - best).abs() < 1e-6,
            "seed {seed}: {} found, {best} can be",
            solved.score.total
        );
        assert!(
            solved.bound >= best - 1e-6,
            "seed {seed}: bound {}",
            solved.bound
        );
        assert_eq!(wrong(&week, &solved.rides), Vec::<String>::new());
    }
}

/// Works, bookings and hours off the grid: the bound is one all the same.
#[test]
fn the_bound_holds_where_nothing_lies_on_the_grid() {
    for seed in 0..6 {
        let mut week = tiny(seed);
        for (index, horse) in week.horses.iter_mut().enumerate() {
            for work in &mut horse.works {
                work.minutes = [20, 35, 50][index % 3];
            }
        }
        week.riders[0].days[0].to_min = 9 * 60 + 40;
        let mut drag = week.fixed[0];
        drag.booking.kind = BookingKind::Lesson;
        drag.booking.horse_id = Some(week.horses[2].horse_id);
        (drag.booking.from_min, drag.booking.minutes) = (8 * 60 + 20, 25);
        week.fixed.push(drag);
        week.riders[0].busy.push(RiderBusy {
            day: 1,
            from_min: 8 * 60 + 35,
            to_min: 8 * 60 + 50,
        });
        let best = best_of_all(&week);
        let solved = solve(&week, 4.0, &|_| true).unwrap();
        assert!(
            solved.bound >= best - 1e-6,
            "seed {seed}: bound {}, {best} can be",
            solved.bound
        );
        assert!(
            solved.score.total >= 0.9 * best,
            "seed {seed}: {}",
            solved.score.total
        );
        assert_eq!(wrong(&week, &solved.rides), Vec::<String>::new());
    }
}

/// What single choices the planner knows of is what the checker lets stand alone.
#[test]
fn the_choices_are_those_that_break_nothing_alone() {
    let week = made_up(
        Size {
            horses: 6,
            riders: 2,
            places: 3,
            days: 3,
        },
        11,
    );
    let known = options::choices(&week, &[], &|_, _| true);
    for one in &known {
        // Standing by is looked at with the plan as a whole.
        let found = wrong(&week, &[one.ride]);
        assert!(
            found.iter().all(|what| what.ends_with("alone")),
            "{found:?}"
        );
    }
    let mut tried = 0;
    for horse in &week.horses {
        for rider in &week.riders {
            for (work, sheet) in horse.works.iter().enumerate() {
                for day in 0..3 {
                    for from_min in (6 * 60..18 * 60).step_by(15) {
                        let ride = PlannedRide {
                            day,
                            from_min,
                            horse_id: horse.horse_id,
                            work: work as u8,
                            person_id: rider.person_id,
                            place_id: sheet.place_ids[0],
                        };
                        let is_known = known.iter().any(|one| one.ride == ride);
                        if wrong(&week, &[ride]).is_empty() && horse.wanted > 0 {
                            assert!(is_known, "{ride:?}");
                            tried += 1;
                        }
                    }
                }
            }
        }
    }
    assert!(tried > 100);
}

#[test]
fn pins_that_cannot_be_explain_themselves() {
    let mut week = tiny(1);
    let first = solve(&week, 1.0, &|_| true).unwrap();
    let mut twice = first.rides[0];
    let other = week
        .horses
        .iter()
        .find(|horse| horse.horse_id != twice.horse_id)
        .unwrap();
    week.pins = vec![twice];
    (twice.horse_id, twice.work) = (other.horse_id, 0);
    week.pins.push(twice);
    let Err(Unsolvable::Pins(texts)) = solve(&week, 1.0, &|_| true) else {
        panic!("two horses at once were planned");
    };
    assert!(texts[0].contains("is booked for"), "{texts:?}");
    week.pins[1].day = 9;
    let Err(Unsolvable::Field(error)) = solve(&week, 1.0, &|_| true) else {
        panic!("a day that is not there was planned");
    };
    assert_eq!(error.field, "/pins/1/day");
}

#[test]
fn a_week_with_nobody_says_why_each_horse_is_left_out() {
    let mut week = tiny(2);
    week.riders[0].days.clear();
    let solved = solve(&week, 1.0, &|_| true).unwrap();
    assert!(solved.rides.is_empty());
    let wanted = week.horses.iter().filter(|horse| horse.wanted > 0).count();
    assert_eq!(solved.left_out.len(), wanted);
    assert!(
        solved.left_out.iter().all(|one| one
            .why
            .iter()
            .any(|why| why.starts_with("Nobody who is cleared"))),
        "{:?}",
        solved.left_out
    );
}

/// A way back that names only somebody who does not ride leaves the horse out, and says why.
#[test]
fn a_horse_whose_named_rider_is_away_is_left_out() {
    let mut week = tiny(2);
    for rider in &mut week.riders {
        rider.role = cavesson_core::person::Role::Rider;
    }
    for horse in &mut week.horses {
        horse.only_riders = Some(vec![uuid::Uuid::from_u128(77)]);
    }
    let solved = solve(&week, 1.0, &|_| true).unwrap();
    assert!(solved.rides.is_empty());
    let nobody = |why: &String| why.starts_with("Nobody who is cleared");
    assert!(!solved.left_out.is_empty());
    assert!(
        solved.left_out.iter().all(|one| one.why.iter().any(nobody)),
        "{:?}",
        solved.left_out
    );
}

#[test]
fn cattle_that_are_used_up_are_named() {
    let mut week = made_up(
        Size {
            horses: 8,
            riders: 2,
            places: 3,
            days: 5,
        },
        4,
    );
    week.cattle[0].works_left = 0;
    for horse in &mut week.horses {
        horse.works.retain(|work| work.lot_id.is_some());
    }
    let solved = solve(&week, 1.0, &|_| true).unwrap();
    let texts: Vec<&String> = solved.left_out.iter().flat_map(|one| &one.why).collect();
    assert!(
        texts
            .iter()
            .any(|text| *text == "No Crossbred heifers works left this week."),
        "{texts:?}"
    );
}

#[test]
fn a_search_that_is_stopped_gives_the_best_so_far() {
    let week = made_up(
        Size {
            horses: 30,
            riders: 3,
            places: 5,
            days: 6,
        },
        7,
    );
    let told = AtomicU32::new(0);
    let solved = solve(&week, 60.0, &|progress| {
        told.fetch_add(1, Ordering::Relaxed);
        progress.objective.is_none_or(|worth| worth <= 0.0)
    })
    .unwrap();
    assert!(solved.stopped);
    assert!(told.load(Ordering::Relaxed) > 1);
    assert!(!solved.rides.is_empty());
    assert_eq!(wrong(&week, &solved.rides), Vec::<String>::new());
}
