//! Cattle from a CSV file. RFC 4180 for quotes and line ends.

use cavesson_cattle::cattle::cow::{CowKind, Handling};
use cavesson_cattle::cattle::rows::{CowRows, Usual, read};
use cavesson_reps::rep::turn::Tempo;
use jiff::civil::date;

fn rows(text: &str) -> CowRows {
    let taken = ["7".to_owned()];
    read(
        text,
        &Usual {
            kind: CowKind::Steer,
            today: date(2026, 5, 4),
            taken: &taken,
        },
    )
}

#[test]
fn columns_in_any_order_and_what_is_left_out_is_usual() {
    let found = rows(
        "weight,tag,tempo,handled,note\r\n520 lb,214,trots,quiet,\"Off eye, white\"\r\n,B-9,,,\r\n",
    );
    assert_eq!(found.errors, []);
    let [first, second] = &found.cattle[..] else {
        panic!("{found:?}")
    };
    assert_eq!(
        (
            first.tag.as_str(),
            first.weight_lb,
            first.tempo,
            first.handling,
            first.note.as_str()
        ),
        (
            "214",
            Some(520),
            Tempo::Medium,
            Handling::Well,
            "Off eye, white"
        )
    );
    assert_eq!(
        (second.tag.as_str(), second.kind, second.tempo, second.came),
        ("B-9", CowKind::Steer, Tempo::Slow, date(2026, 5, 4))
    );
}

#[test]
fn rows_without_a_head_are_tag_kind_tempo_and_handling() {
    let found = rows("12;heifer;runs;wild\n13;cow;slow;well");
    assert_eq!(found.errors, []);
    assert_eq!(
        found
            .cattle
            .iter()
            .map(|cow| (cow.tag.as_str(), cow.kind, cow.tempo))
            .collect::<Vec<_>>(),
        [
            ("12", CowKind::Heifer, Tempo::Quick),
            ("13", CowKind::Cow, Tempo::Slow)
        ]
    );
}

#[test]
fn what_does_not_fit_names_line_and_column() {
    let found = rows(
        "tag,kind,weight,came,tempo\n7,,,,\n8,bull,,,\n9,,heavy,,\n10,,,1 May,\n11,,,,flies\n11,,,2027-01-01,\n11,,,,\n11,,,,\n123456789,,,,",
    );
    let said: Vec<(u64, &str)> = found
        .errors
        .iter()
        .map(|e| (e.line, e.column.as_str()))
        .collect();
    assert_eq!(
        said,
        [
            (2, "tag"),
            (3, "kind"),
            (4, "weight"),
            (5, "came"),
            (6, "tempo"),
            (7, "came"),
            (9, "tag"),
            (10, "tag")
        ]
    );
    assert_eq!(found.cattle.len(), 1, "the 11 that fits");
    assert!(rows("").errors[0].detail.contains("no row with a cow"));
    assert_eq!(rows("tag,horns\n1,2").errors[0].column, "horns");
}
