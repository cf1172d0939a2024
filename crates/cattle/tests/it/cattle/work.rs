//! Works: when to leave the cattle, and when another tempo is due.

use cavesson_cattle::cattle::leave::{WhyLeave, leave};
use cavesson_cattle::cattle::tempo::{NextTempo, next_tempo, quicker, slower};
use cavesson_reps::ladder::Ladder;
use cavesson_reps::rep::turn::{Position, Shoulders, Tempo, Turn, TurnResult, Weight};

pub const RIGHT: Turn = Turn {
    tempo: Tempo::Slow,
    position: Position::Even,
    shoulders: Shoulders::SweptAcross,
    weight: Weight::Behind,
    waited: true,
    result: TurnResult::Turned,
    work_id: None,
    flag: None,
};
pub const LEAKED: Turn = Turn {
    shoulders: Shoulders::Leaked,
    ..RIGHT
};
pub const TOSSED: Turn = Turn {
    weight: Weight::HeadTossed,
    ..RIGHT
};
pub const PAST: Turn = Turn {
    position: Position::Past,
    ..RIGHT
};

#[test]
fn two_of_the_last_three_and_it_is_out_of_the_pen() {
    assert_eq!(leave(&[]), None);
    assert_eq!(leave(&[LEAKED]), None);
    assert_eq!(
        leave(&[LEAKED, RIGHT, RIGHT, LEAKED]),
        None,
        "further back counts no more"
    );
    let why = |turns: &[Turn]| leave(turns).map(|left| left.why);
    assert_eq!(why(&[LEAKED, LEAKED]), Some(WhyLeave::ShoulderLeaks));
    assert_eq!(
        why(&[RIGHT, TOSSED, RIGHT, TOSSED]),
        Some(WhyLeave::HeadTossed)
    );
    assert_eq!(why(&[LEAKED, RIGHT, TOSSED]), Some(WhyLeave::Both));
}

#[test]
fn the_dry_work_is_on_the_ladder_and_the_way_back_is_slow() {
    let left = leave(&[LEAKED, LEAKED]).unwrap();
    let ladder = Ladder::shipped();
    for level in &left.dry_work {
        assert!(ladder.at(level).is_some(), "{level}");
    }
    assert_eq!(left.back_to, Tempo::Slow);
}

#[test]
fn tempo_goes_up_on_eight_of_ten_and_down_when_position_goes() {
    assert_eq!(next_tempo(&[RIGHT; 9]), NextTempo::Same, "too few");
    assert_eq!(next_tempo(&[RIGHT; 10]), NextTempo::Quicker);
    let mut turns = vec![LEAKED; 2];
    turns.extend([RIGHT; 8]);
    assert_eq!(next_tempo(&turns), NextTempo::Quicker);
    turns.remove(9);
    turns.insert(0, LEAKED);
    assert_eq!(next_tempo(&turns), NextTempo::Same, "seven of ten");
    turns.extend([PAST, PAST, RIGHT, PAST]);
    assert_eq!(next_tempo(&turns), NextTempo::Slower);
    assert_eq!(
        (quicker(Tempo::Quick), slower(Tempo::Slow)),
        (Tempo::Quick, Tempo::Slow)
    );
}
