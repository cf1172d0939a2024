//! What must hold for any evidence.

use cavesson_base::Side;
use cavesson_judge::judge::{Judgement, Verdict, judge_reps};
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::evenness::symmetry_index_pct;
use cavesson_reps::evidence::give_time::{log_rank, restricted_mean_s};
use cavesson_reps::evidence::share::{quantile, share_of_days, wilson};
use cavesson_reps::ladder::{Gate, Ladder};
use cavesson_reps::rep::Rep;
use cavesson_reps::rep::TimeToGive;
use cavesson_reps::sim_horse::Traits;
use cavesson_told::mirrored;
use jiff::ToSpan;
use jiff::civil::Date;
use proptest::prelude::*;

fn soft_of_asked() -> impl Strategy<Value = (u32, u32)> {
    (1u32..400).prop_flat_map(|asked| (0..=asked, Just(asked)))
}

fn day_list() -> impl Strategy<Value = Vec<SoftCount>> {
    prop::collection::vec(
        (1u32..15).prop_flat_map(|asked| (0..=asked, Just(asked))),
        1..20,
    )
    .prop_map(|days| {
        days.into_iter()
            .map(|(soft, asked)| SoftCount { soft, asked })
            .collect()
    })
}

fn time_list() -> impl Strategy<Value = Vec<TimeToGive>> {
    prop::collection::vec((0.0..10.0f64, any::<bool>()), 1..40).prop_map(|times| {
        times
            .into_iter()
            .map(|(seconds, gave)| TimeToGive { seconds, gave })
            .collect()
    })
}

/// A reference horse ridden every other day.
fn ridden(seed: u64, rides: usize) -> Vec<Rep> {
    cavesson_told::simulated(&Traits::reference(seed), rides, 2, (4, 5), seed)
        .into_iter()
        .flat_map(|ride| ride.reps)
        .collect()
}

fn judge(reps: &[Rep], on: Date) -> Judgement {
    judge_reps(Ladder::shipped(), &cavesson_told::flex().level, reps, on).unwrap()
}

fn judge_with(gate: Gate, reps: &[Rep], on: Date) -> Judgement {
    let mut ladder = Ladder::shipped().clone();
    ladder.set_gate(&cavesson_told::flex().level, gate);
    judge_reps(&ladder, &cavesson_told::flex().level, reps, on).unwrap()
}

proptest! {
    #[test]
    fn wilson_bounds_lie_inside_zero_and_one_round_the_share(
        (soft, asked) in soft_of_asked(), confidence in 0.5..0.9999f64,
    ) {
        let share = f64::from(soft) / f64::from(asked);
        let bounds = wilson(share, f64::from(asked), quantile(confidence, true));
        prop_assert!(0.0 <= bounds.low && bounds.low <= share + 1e-12);
        prop_assert!(share - 1e-12 <= bounds.high && bounds.high <= 1.0);
    }

    #[test]
    fn wilson_bounds_rise_with_the_soft_count((soft, asked) in soft_of_asked()) {
        prop_assume!(soft < asked);
        let z = quantile(0.9, false);
        let at = |soft: u32| wilson(f64::from(soft) / f64::from(asked), f64::from(asked), z);
        prop_assert!(at(soft).low < at(soft + 1).low);
        prop_assert!(at(soft).high < at(soft + 1).high);
    }

    #[test]
    fn wilson_bounds_are_symmetric((soft, asked) in soft_of_asked()) {
        let z = quantile(0.95, true);
        let at = |count: u32| wilson(f64::from(count) / f64::from(asked), f64::from(asked), z);
        let (soft, not_soft) = (at(soft), at(asked - soft));
        prop_assert!((soft.low - (1.0 - not_soft.high)).abs() < 1e-9);
    }

    #[test]
    fn days_never_make_more_of_the_asks_than_there_are(days in day_list(), prior in 0.0..0.5f64) {
        let share = share_of_days(&days, prior, 1.2816).unwrap();
        prop_assert!((0.0..=0.99).contains(&share.icc));
        prop_assert!(share.effective_asked <= f64::from(share.asked) + 1e-9);
        prop_assert!(0.0 <= share.interval.low && share.interval.high <= 1.0);
    }

    #[test]
    fn restricted_mean_lies_between_zero_and_the_horizon(times in time_list(), horizon in 0.1..20.0f64) {
        let mean = restricted_mean_s(&times, horizon).unwrap();
        prop_assert!((0.0..=horizon + 1e-9).contains(&mean));
    }

    #[test]
    fn waiting_longer_in_vain_never_lowers_the_mean(times in time_list(), more in 0.0..5.0f64) {
        let longer: Vec<TimeToGive> = times
            .iter()
            .map(|t| if t.gave { *t } else { TimeToGive { seconds: t.seconds + more, ..*t } })
            .collect();
        let mean = |times: &[TimeToGive]| restricted_mean_s(times, 8.0).unwrap();
        prop_assert!(mean(&longer) >= mean(&times) - 1e-9);
    }

    #[test]
    fn log_rank_does_not_care_which_side_comes_first(left in time_list(), right in time_list()) {
        match (log_rank(&left, &right), log_rank(&right, &left)) {
            (Some(a), Some(b)) => prop_assert!((a.chi2 - b.chi2).abs() < 1e-9 * (1.0 + a.chi2)),
            (a, b) => prop_assert_eq!(a.is_none(), b.is_none()),
        }
    }

    #[test]
    fn symmetry_index_turns_its_sign_with_the_sides(left in 0.0..9.0f64, right in 0.0..9.0f64) {
        let index = symmetry_index_pct(left, right);
        prop_assert!((index + symmetry_index_pct(right, left)).abs() < 1e-9);
        prop_assert!((-200.0..=200.0).contains(&index));
    }
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 48, failure_persistence: None, ..ProptestConfig::default() })]

    #[test]
    fn a_mirrored_horse_gets_the_mirrored_verdict(seed in 0u64..10_000, rides in 0usize..22) {
        let reps = ridden(seed, rides);
        let on = cavesson_told::day(2 * rides as i64);
        let (plain, mirror) = (judge(&reps, on), judge(&mirrored(&reps), on));
        prop_assert_eq!(plain.verdict, mirror.verdict);
        prop_assert_eq!(plain.state, mirror.state);
        let (left, right) = (plain.gate.figures(Side::Left).unwrap(), mirror.gate.figures(Side::Right).unwrap());
        prop_assert_eq!(left.soft, right.soft);
        let close = |a: Option<f64>, b: Option<f64>| a.zip(b).is_none_or(|(a, b)| (a - b).abs() < 1e-9);
        prop_assert!(close(left.ready_low, right.ready_low), "{left:?} {right:?}");
        let days = |j: &cavesson_judge::judge::Judgement| j.what_it_takes.if_all_soft.map(|f| f.days);
        prop_assert_eq!(days(&plain), days(&mirror));
    }

    #[test]
    fn the_order_of_upload_does_not_matter(seed in 0u64..10_000, rides in 1usize..22, turn in 0usize..200) {
        let reps = ridden(seed, rides);
        let mut shuffled = reps.clone();
        shuffled.reverse();
        let by = turn % shuffled.len();
        shuffled.rotate_left(by);
        let on = reps.last().unwrap().day.checked_add(1.day()).unwrap();
        prop_assert_eq!(judge(&reps, on), judge(&shuffled, on));
    }

    #[test]
    fn what_it_takes_is_enough(seed in 0u64..10_000, rides in 0usize..16) {
        let mut reps = ridden(seed, rides);
        let last = reps.last().map_or(cavesson_told::FIRST_DAY, |rep| rep.day);
        // Soft reps of the test take a second, the horse's own may take less: times are left out.
        let gate = Gate { most_time_ratio: None, ..cavesson_told::flex().gate };
        let judged = judge_with(gate, &reps, last);
        let Some(further) = judged.what_it_takes.if_all_soft else { return Ok(()) };
        prop_assume!(further.days > 0);
        for day in 0..further.days {
            let spread = |reps: u32| (reps / further.days + u32::from(day < reps % further.days)) as usize;
            let (left, right) = (spread(further.left_reps), spread(further.right_reps));
            // Days two apart, as this horse is ridden.
            let after = 2 * (i64::from(day) + rides as i64);
            reps.extend(cavesson_told::ride_of(after, (left, left), (right, right)));
        }
        let on = reps.last().unwrap().day;
        prop_assert!(judge_with(gate, &reps, on).gate.passes, "{further:?}");
    }

    #[test]
    fn one_more_soft_answer_never_turns_advance_into_stay(
        seed in 0u64..10_000, rides in 4usize..30, left in any::<bool>(), more in 1usize..5,
    ) {
        let mut reps = ridden(seed, rides);
        let last = reps.last().unwrap().clone();
        if judge(&reps, last.day).verdict != Verdict::Advance {
            return Ok(());
        }
        let side = if left { Side::Left } else { Side::Right };
        for again in 0..more {
            let mut soft = cavesson_told::ride(0, &[(side, cavesson_told::SOFT)]).remove(0);
            soft.rep_id = uuid::Uuid::from_u128(again as u128);
            soft.ride_id = last.ride_id;
            soft.day = last.day;
            soft.asked_at = last.asked_at + jiff::SignedDuration::from_secs(20 * (again as i64 + 1));
            reps.push(soft);
            prop_assert_eq!(judge(&reps, last.day).verdict, Verdict::Advance);
        }
    }

    #[test]
    fn the_same_seed_makes_the_same_horse(seed in any::<u64>()) {
        prop_assert_eq!(ridden(seed, 5), ridden(seed, 5));
    }
}
