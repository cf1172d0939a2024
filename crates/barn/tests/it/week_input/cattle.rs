//! Which lot for which horse, how much work is in a lot, which horse has to leave the cattle.

use cavesson_cattle::cattle::lately::{CattleLately, WORKS_A_RIDE, tempo_of};
use cavesson_cattle::cattle::lots::{lots_for, rides_of_lot};
use cavesson_cattle::cattle::matching::{Cow, Horse, cost};
use cavesson_reps::ladder::RungId;
use cavesson_reps::rep::turn::Tempo;
use proptest::prelude::*;
use rstest::rstest;
use uuid::Uuid;

fn tempo() -> impl Strategy<Value = Tempo> {
    prop::sample::select(vec![Tempo::Slow, Tempo::Medium, Tempo::Quick])
}

prop_compose! {
    fn any_cow()(
        id in any::<u128>(), tempo in tempo(), honesty in 0.0..1.0f64, wild in any::<bool>(),
        sorted_off in any::<bool>(), settled in any::<bool>(), works_left in 0u32..3, worked in 0u32..30,
    ) -> Cow {
        Cow {
            cow_id: Uuid::from_u128(id),
            tempo,
            honesty,
            wild,
            sorted_off,
            settled,
            works_left,
            worked,
        }
    }
}

fn horse(tempo: Tempo, first: bool) -> Horse {
    Horse {
        horse_id: Uuid::from_u128(1),
        tempo,
        first,
        corrected: false,
        works: WORKS_A_RIDE,
    }
}

proptest! {
    /// By trying every cow of every lot, fresh or worked today.
    #[test]
    fn a_horse_goes_to_the_lot_with_its_best_cow(
        lots in prop::collection::vec(prop::collection::vec(any_cow(), 0..5), 0..5),
        due in tempo(), first in any::<bool>(),
    ) {
        let horse = horse(due, first);
        let lots: Vec<(Uuid, Vec<Cow>)> = lots
            .into_iter()
            .enumerate()
            .map(|(index, cattle)| (Uuid::from_u128(index as u128 + 10), cattle))
            .collect();
        let best = |cattle: &[Cow]| -> Option<u32> {
            let mut best = None;
            for cow in cattle {
                let mut fresh = cow.clone();
                if fresh.works_left == 0 {
                    fresh.works_left = 1;
                }
                if let Ok((cost, _)) = cost(&horse, &fresh) {
                    best = Some(best.map_or(cost, |known: u32| known.min(cost)));
                }
            }
            best
        };
        let found = lots_for(&horse, &lots);
        let mut seen: Option<(bool, u32)> = None;
        for lot_id in &found {
            let (_, cattle) = lots.iter().find(|(id, _)| id == lot_id).unwrap();
            let now = (cattle.is_empty(), best(cattle).unwrap_or_default());
            prop_assert!(cattle.is_empty() || best(cattle).is_some());
            prop_assert!(seen.is_none_or(|before| before <= now), "uncounted lots come last");
            seen = Some(now);
        }
        for (lot_id, cattle) in &lots {
            let may = cattle.is_empty() || best(cattle).is_some();
            prop_assert_eq!(found.contains(lot_id), may);
        }
    }
}

#[rstest]
// Ten cattle, three works each: fifteen rides of two works a day.
#[case(Some(10), 3, 5, 75, Some(15))]
// None of them can be worked: none.
#[case(Some(0), 3, 5, 0, Some(0))]
// One cow with one work is half a ride.
#[case(Some(1), 1, 7, 0, Some(0))]
// Nobody counted them: no limit but that of the form.
#[case(None, 3, 5, 400, None)]
// As many as can be told apart.
#[case(Some(300), 6, 7, 400, Some(100))]
fn a_lot_has_so_many_rides_in_it(
    #[case] can_work: Option<usize>,
    #[case] works_a_day: u8,
    #[case] days: usize,
    #[case] in_all: u16,
    #[case] a_day: Option<u16>,
) {
    let rides = rides_of_lot(can_work, works_a_day, days);
    assert_eq!((rides.in_all, rides.a_day), (in_all, a_day));
}

#[test]
fn a_horse_that_never_worked_cattle_is_matched_as_such() {
    let new = CattleLately::default().to_match(Uuid::from_u128(1), Tempo::Medium);
    assert!(new.first && !new.corrected);
    assert_eq!(new.tempo, Tempo::Medium);
    let worked = CattleLately {
        worked: true,
        turns: Vec::new(),
    };
    assert!(!worked.to_match(Uuid::from_u128(1), Tempo::Slow).first);
}

#[rstest]
#[case("slow", Tempo::Slow)]
#[case("medium", Tempo::Medium)]
#[case("quick", Tempo::Quick)]
#[case("walk", Tempo::Slow)]
fn a_level_asks_the_tempo_it_names(#[case] rung: &str, #[case] tempo: Tempo) {
    assert_eq!(tempo_of(&RungId(rung.into())), tempo);
}
