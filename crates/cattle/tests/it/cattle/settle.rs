//! How long a herd stands settled. Common practice, no source; seven days: product default.

use cavesson_cattle::cattle::settle::{Settled, Settling, settled};
use jiff::civil::{Date, date};

const TODAY: Date = date(2026, 5, 14);

fn on(day: Date, stands: bool) -> Settling {
    Settling {
        day,
        minutes: 20,
        put_back: 3,
        stands,
        note: String::new(),
    }
}

#[test]
fn it_lasts_a_week_and_ends_when_one_more_comes() {
    let came = Some(date(2026, 4, 1));
    let stands = on(date(2026, 5, 7), true);
    assert_eq!(settled([], came, TODAY), Settled::Never);
    assert_eq!(
        settled([&stands], came, TODAY),
        Settled::Yes,
        "the seventh day"
    );
    assert_eq!(
        settled([&stands], came, date(2026, 5, 15)),
        Settled::LongAgo
    );
    assert_eq!(
        settled([&stands], Some(date(2026, 5, 8)), TODAY),
        Settled::MoreCame
    );
    assert_eq!(
        settled([&stands], Some(date(2026, 5, 7)), TODAY),
        Settled::Yes,
        "it was among them"
    );
    assert_eq!(settled([&stands], None, TODAY), Settled::Yes);
}

#[test]
fn the_last_word_counts() {
    let (early, late) = (on(date(2026, 5, 10), true), on(date(2026, 5, 12), false));
    assert_eq!(settled([&early, &late], None, TODAY), Settled::DidNotStand);
    assert_eq!(
        settled([&late, &early], None, TODAY),
        Settled::DidNotStand,
        "in any order"
    );
    let again = on(date(2026, 5, 12), true);
    assert_eq!(
        settled([&late, &again], None, TODAY),
        Settled::Yes,
        "later that day"
    );
    assert_eq!(
        settled([&on(date(2026, 5, 15), true)], None, TODAY),
        Settled::Never,
        "tomorrow"
    );
}
