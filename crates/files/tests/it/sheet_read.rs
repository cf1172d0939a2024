//! CSV sheets brought in. Sources: RFC 4180 for quotes and line ends; the WHATWG Encoding Standard
//! for windows-1252 and UTF-16, by the crate `encoding_rs`, which follows it. How dates and times
//! are typed is common practice, no source.

use std::collections::{HashMap, HashSet};

use cavesson_cattle::cattle::cow::CowKind;
use cavesson_files::exchange::import::encoding::decode;
use cavesson_files::exchange::import::look::{Delimiter, look};
use cavesson_files::exchange::import::{
    Encoding, Import, Known, LotKnown, RideKnown, SheetRead, matched, read,
};
use cavesson_files::exchange::sheet::Sheet;
use cavesson_reps::rep::Measure;
use encoding_rs::{UTF_16BE, UTF_16LE, WINDOWS_1252};
use jiff::civil::date;
use jiff::tz::TimeZone;
use proptest::prelude::*;
use uuid::Uuid;

const QUILL: Uuid = Uuid::from_u128(1);
const ROWAN: Uuid = Uuid::from_u128(2);
const ME: Uuid = Uuid::from_u128(3);
const PIA: Uuid = Uuid::from_u128(4);
const LOT: Uuid = Uuid::from_u128(5);
const RIDE: Uuid = Uuid::from_u128(6);
const REP: Uuid = Uuid::from_u128(7);

/// Reads a sheet by its own headings.
fn sheet(sheet: Sheet, text: &str) -> (Import, SheetRead) {
    bytes(sheet, text.as_bytes())
}

fn bytes(sheet: Sheet, bytes: &[u8]) -> (Import, SheetRead) {
    let look = look(sheet, bytes, true).unwrap();
    let names: Vec<&str> = look.columns.iter().map(|one| one.seems.as_str()).collect();
    let columns = matched(sheet, names.iter().copied()).unwrap();
    let riders = [(ME, "Wren".to_owned()), (PIA, "Pia Marrow".to_owned())];
    let horses = [(QUILL, "Quill".to_owned()), (ROWAN, "Rowan".to_owned())];
    let lots = [LotKnown {
        lot_id: LOT,
        name: "Blue tags".into(),
        kind: CowKind::Heifer,
        tags: vec!["12".into()],
    }];
    let known_ride = RideKnown {
        horse_id: QUILL,
        day: date(2026, 5, 1),
        started_at: "2026-05-01T15:00:00Z".parse().unwrap(),
    };
    let rides = HashMap::from([(RIDE, known_ride)]);
    let zone = TimeZone::fixed(jiff::tz::offset(-6));
    let known = Known {
        person_id: ME,
        riders: &riders,
        owners: &[],
        programs: &[],
        horses: &horses,
        courses: &[(Uuid::from_u128(8), "Home course".to_owned())],
        lots: &lots,
        lot_id: None,
        rides: &rides,
        reps: &HashSet::from([REP]),
        today: date(2026, 5, 10),
        now: "2026-05-10T18:00:00Z".parse().unwrap(),
        time_zone: &zone,
    };
    let mut next = 1_000;
    let mut id = || {
        next += 1;
        Uuid::from_u128(next)
    };
    read(sheet, bytes, &columns, look.heads, &known, &mut id).unwrap()
}

/// Line and column of everything that does not fit.
fn wrong(read: &SheetRead) -> Vec<(u64, &str)> {
    let told = read.errors.iter();
    told.map(|error| (error.line, error.column.as_str()))
        .collect()
}

#[test]
fn windows_1252_is_what_the_standard_says() {
    // In UTF-8 none of these bytes stands alone.
    for byte in 0x80..=0xFF_u8 {
        let bytes = [b'a', byte, b'b'];
        let (text, encoding) = decode("", &bytes).unwrap();
        assert_eq!(encoding, Encoding::Windows1252);
        assert_eq!(text, WINDOWS_1252.decode(&bytes).0, "{byte:x}");
    }
}

#[test]
fn marks_are_read_and_are_no_part_of_the_text() {
    for (bytes, encoding) in [
        (&b"caf\xC3\xA9"[..], Encoding::Utf8),
        (b"\xEF\xBB\xBFcaf\xC3\xA9", Encoding::Utf8),
        (b"\xFF\xFEc\0a\0f\0\xE9\0", Encoding::Utf16),
        (b"\xFE\xFF\0c\0a\0f\0\xE9", Encoding::Utf16),
        (b"caf\xE9", Encoding::Windows1252),
    ] {
        let (text, found) = decode("", bytes).unwrap();
        assert_eq!((text.as_ref(), found), ("café", encoding));
    }
}

#[test]
fn bytes_that_are_no_text_are_refused_with_what_to_do() {
    for (bytes, said) in [
        (&b"PK\x03\x04rest"[..], "spreadsheet's own file"),
        (b"\xD0\xCF\x11\xE0rest", "spreadsheet's own file"),
        (b"day,\0horse", "byte 5 is a zero"),
        (b"\xFF\xFEa\0b", "begins as UTF-16"),
        (b"\xFF\xFE\x00\xD8", "begins as UTF-16"),
    ] {
        let error = decode("/file", bytes).unwrap_err();
        assert_eq!(error.field, "/file");
        assert!(error.detail.contains(said), "{}", error.detail);
        assert!(error.detail.contains("save it as CSV"));
    }
}

proptest! {
    /// Whatever UTF-16 `encoding_rs` reads without a fault is read the same here.
    #[test]
    fn utf_16_is_read_as_the_reference_reads_it(units in prop::collection::vec(any::<u16>(), 1..40)) {
        for (mark, big) in [(b"\xFF\xFE", false), (b"\xFE\xFF", true)] {
            let mut bytes = mark.to_vec();
            for unit in &units {
                bytes.extend(if big { unit.to_be_bytes() } else { unit.to_le_bytes() });
            }
            let reference = if big { UTF_16BE } else { UTF_16LE };
            let (text, faulty) = reference.decode_without_bom_handling(&bytes[2..]);
            match decode("", &bytes) {
                Ok((found, _)) => prop_assert_eq!(found, text),
                Err(_) => prop_assert!(faulty),
            }
        }
    }

    /// Any bytes at all are read or refused, and every line that is told is one of the file's.
    #[test]
    fn any_bytes_are_read_or_refused(all in prop::collection::vec(any::<u8>(), 0..200)) {
        for one in Sheet::ALL {
            if let Ok(looked) = look(one, &all, true) {
                prop_assert!(looked.columns.len() <= all.len() + 1);
            }
            let heads: &[u8] = match one {
                Sheet::Horses => b"name,sex,foaled,color\n",
                Sheet::Herd => b"tag,lot\n",
                Sheet::Rides => b"horse,day,minutes\n",
                Sheet::Runs => b"horse,day,time_s\n",
                Sheet::Asks => b"horse,day,skill,rung,hand,time_s\n",
            };
            let text = String::from_utf8_lossy(&all);
            let whole = [heads, text.as_bytes()].concat();
            if whole.contains(&0) {
                continue;
            }
            let (_, read) = bytes(one, &whole);
            let lines = whole.iter().filter(|byte| matches!(byte, b'\n' | b'\r')).count() as u64;
            prop_assert!(read.errors.iter().all(|error| error.line <= lines + 1));
        }
    }
}

const ASKS: &str = "Date,Horse,Rider,Skill,Level,Rein,Hand,Seconds,Answer\n\
    5/4/2026,Quill,Pia Marrow,bend.flex,stand,left,fingertip,1.2,gave\n\
    5/4/2026,Quill,Pia Marrow,bend.flex,stand,right,two fingers,3.4,late\n\
    2026-05-06,rowan,,bend.flex,stand,left,feather,0.8,\n";

#[test]
fn asks_make_rides_by_horse_day_and_rider() {
    let (import, read) = sheet(Sheet::Asks, ASKS);
    assert_eq!(wrong(&read), []);
    assert_eq!((read.rows, read.makes.rides, read.makes.asks), (3, 2, 3));
    assert_eq!(read.of_horses, 2);
    assert_eq!(
        (read.from, read.to),
        (Some(date(2026, 5, 4)), Some(date(2026, 5, 6)))
    );
    let [first, second] = import.rides.as_slice() else {
        panic!("two rides");
    };
    assert_eq!((first.rider_id, second.rider_id), (PIA, ME));
    // Noon, six hours behind.
    assert_eq!(first.ride.started_at.to_string(), "2026-05-04T18:00:00Z");
    assert_eq!(first.ride.finished_after_ms, Some(1_000));
    let [one, two, three] = import.reps.as_slice() else {
        panic!("three asks");
    };
    assert_eq!((one.rep.sequence, two.rep.sequence), (0, 1));
    assert_eq!((one.rep.block_id, one.horse_id), (two.rep.block_id, QUILL));
    assert_eq!(three.rep.ride_id, second.ride.ride_id);
    let Measure::Give(give) = &two.rep.measure else {
        panic!("a give");
    };
    assert_eq!(give.time_s, 3.4);
}

#[test]
fn it_is_the_same_sheet_whatever_program_wrote_it() {
    let usual = sheet(Sheet::Asks, ASKS);
    let semicolons = ASKS.replace(',', ";").replace("1.2", "1,2");
    let tabs = ASKS.replace(',', "\t");
    let quoted = ASKS.replace("Pia Marrow", "\"Pia Marrow\"");
    for text in [
        ASKS.replace('\n', "\r\n"),
        ASKS.replace('\n', "\r"),
        format!("\u{FEFF}{ASKS}"),
        semicolons,
        tabs,
        quoted,
        format!("\n\n{ASKS}\n,,,,\n"),
    ] {
        let (import, read) = sheet(Sheet::Asks, &text);
        assert_eq!(wrong(&read), [], "{text}");
        assert_eq!(import, usual.0, "{text}");
    }
    let utf16: Vec<u8> = [0xFF, 0xFE]
        .into_iter()
        .chain(ASKS.encode_utf16().flat_map(u16::to_le_bytes))
        .collect();
    let (import, read) = bytes(Sheet::Asks, &utf16);
    assert_eq!((import, read.encoding), (usual.0, Encoding::Utf16));
}

#[test]
fn columns_are_found_by_what_people_call_them() {
    let look = look(
        Sheet::Rides,
        b"Ridden on;Horse name;Min;Weather\n1;2;3;4\n",
        true,
    );
    let look = look.unwrap();
    assert_eq!((look.delimiter, look.heads), (Delimiter::Semicolon, true));
    let seems: Vec<&str> = look.columns.iter().map(|one| one.seems.as_str()).collect();
    assert_eq!(seems, ["day", "horse", "minutes", ""]);
    assert_eq!(look.columns[3].head, "Weather");
    assert_eq!(look.columns[3].cells, ["4"]);
    // A file without headings, and one that goes on after what is looked at.
    let bare = cavesson_files::exchange::import::look(Sheet::Rides, b"Quill,5/4/2026\nQui", false);
    let bare = bare.unwrap();
    assert!(!bare.heads);
    assert_eq!(bare.columns[0].cells, ["Quill"]);
}

#[test]
fn columns_that_do_not_match_are_told() {
    for (names, said) in [
        (vec!["day", "horse", "day"], "matched twice"),
        (vec!["day"], "no column is matched with horse"),
        (vec!["day", "hoof"], "\"hoof\" is none of"),
        (vec!["horse"], "no column is matched with day"),
    ] {
        let error = matched(Sheet::Rides, names).unwrap_err();
        assert_eq!(error.field, "/columns");
        assert!(error.detail.contains(said), "{}", error.detail);
    }
    // A moment says its day.
    assert!(matched(Sheet::Rides, ["horse", "started_at"]).is_ok());
}

#[test]
fn everything_that_does_not_fit_is_told_by_line_and_column() {
    let (import, read) = sheet(
        Sheet::Asks,
        "day,horse,rider,skill,rung,side,hand,time_s,answer,faults\n\
         5/4/2026,Quill,,bend.flex,stand,left,fingertip,1.2,gave,\n\
         2026-13-01,Quill,,bend.flex,stand,left,fingertip,1.2,gave,\n\
         5/4/2026,Nobody,Somebody,bend.flex,stand,left,fingertip,1.2,gave,\n\
         5/4/2026,Quill,,bend.flex,fly,left,fingertip,1.2,gave,\n\
         5/4/2026,Quill,,bend.flex,stand,up,paw,soon,maybe,\n\
         5/4/2026,Quill,,bend.flex,stand,left,fingertip,500,gave,\n\
         5/4/2026,Quill,,bend.flex,stand,left,fingertip,1.2,gave,nothing_known\n\
         1/1/1990,Quill,,bend.flex,stand,left,fingertip,1.2,gave,\n\
         5/11/2026,Quill,,bend.flex,stand,left,fingertip,1.2,gave,\n\
         5/4/2026,Quill,,stop.ask,walk,both,fingertip,1.2,gave,,one,two\n",
    );
    assert_eq!(
        wrong(&read),
        [
            (3, "day"),
            (4, "horse"),
            (4, "rider"),
            (5, "rung"),
            (6, "side"),
            (6, "hand"),
            (6, "answer"),
            (6, "time_s"),
            (7, "time_s"),
            (8, "faults"),
            (9, "day"),
            (10, "day"),
            (11, "")
        ]
    );
    assert_eq!((read.rows, read.wrong_rows), (10, 9));
    assert_eq!(import.reps.len(), 1);
    let said = |at: usize| read.errors[at].detail.as_str();
    assert!(said(0).contains("found \"2026-13-01\""));
    assert!(said(1).contains("no horse in this barn called Nobody"));
    assert!(said(3).contains("is asked at"));
    assert!(said(12).contains("has 12 cells where there are 10 columns"));
}

#[test]
fn lines_are_counted_as_an_editor_counts_them() {
    let rows =
        "horse,day\n\nQuill,5/4/2026\nNobody,5/4/2026\nQuill,\"5-4\n-2026\"\nNobody,5/4/2026";
    for ends in ["\n", "\r\n", "\r"] {
        let (_, read) = sheet(Sheet::Rides, &rows.replace('\n', ends));
        assert_eq!(
            wrong(&read),
            [(4, "horse"), (5, "day"), (7, "horse")],
            "{ends:?}"
        );
    }
}

#[test]
fn a_quote_that_nothing_closes_is_told_where_it_opens() {
    let (_, read) = sheet(
        Sheet::Rides,
        "horse,day,note\nQuill,5/4/2026,\"soft\nQuill,5/5/2026,fine\n",
    );
    assert_eq!(read.errors[0].line, 2);
    assert!(read.errors[0].detail.contains("nothing closes"));
    // Closed, it holds a line break and commas (RFC 4180, 2.6), quotes doubled (2.7).
    let (import, read) = sheet(
        Sheet::Rides,
        "horse,day,note\nQuill,5/4/2026,\"soft, then\nsaid \"\"hey\"\"\"\n",
    );
    assert_eq!(wrong(&read), []);
    let note = import.rides[0].ride.note.as_deref();
    assert_eq!(note, Some("soft, then\nsaid \"hey\""));
}

#[test]
fn what_is_here_already_does_not_come_twice() {
    let text = format!(
        "day,horse,ride_id,rep_id,asked_at,skill,rung,side,hand,time_s\n\
         ,Quill,{RIDE},{REP},2026-05-01T15:00:05Z,bend.flex,stand,left,feather,1\n\
         ,Quill,{RIDE},,2026-05-01T15:00:07Z,bend.flex,stand,left,feather,1\n\
         ,Rowan,{RIDE},,2026-05-01T15:00:09Z,bend.flex,stand,left,feather,1\n\
         ,Quill,{RIDE},,2026-05-01T14:00:00Z,bend.flex,stand,left,feather,1\n"
    );
    let (import, read) = sheet(Sheet::Asks, &text);
    assert_eq!(
        wrong(&read),
        [(2, "rep_id"), (4, "ride_id"), (5, "asked_at")]
    );
    // The ride that is here takes the asks.
    assert_eq!(import.rides, []);
    assert_eq!(import.reps[0].rep.ride_id, RIDE);
    assert_eq!(import.reps[0].rep.asked_after_ms, 7_000);
    let again = format!("horse,day,ride_id\nQuill,5/1/2026,{RIDE}\n");
    assert_eq!(wrong(&sheet(Sheet::Rides, &again).1), [(2, "ride_id")]);
    let (_, twice) = sheet(
        Sheet::Rides,
        "horse,day,ride_id\nQuill,5/1/2026,A\nQuill,5/1/2026,a\nQuill,5/1/2026,\n",
    );
    assert_eq!(wrong(&twice), [(3, "ride_id")]);
}

#[test]
fn rides_say_how_they_were() {
    let (import, read) = sheet(
        Sheet::Rides,
        "horse,day,time,minutes,ended,mood,effort,conditions,notes\n\
         Quill,5/4/2026,2:30 PM,45,good one,fresh,hard,wind bad_ground,Left is stiff\n\
         Quill,5/4/2026,7:05,,,,,,\n\
         Quill,5/4/2026,25:00,-3,well,odd,none,snow,\n",
    );
    let ride = &import.rides[0].ride;
    assert_eq!(ride.started_at.to_string(), "2026-05-04T20:30:00Z");
    assert_eq!(ride.finished_after_ms, Some(45 * 60_000));
    assert_eq!(ride.marks.as_ref().map(Vec::len), Some(2));
    assert_eq!(import.rides.len(), 2, "two rides of a day are two rides");
    assert_eq!(
        wrong(&read),
        [
            (4, "time_of_day"),
            (4, "minutes"),
            (4, "marks"),
            (4, "ended"),
            (4, "mood"),
            (4, "exertion")
        ]
    );
}

#[test]
fn a_run_of_which_only_the_time_is_known_says_so_and_is_not_judged() {
    let (import, read) = sheet(
        Sheet::Runs,
        "date,horse,seconds,down,arena,splits,ground\n\
         5/4/2026,Quill,17.42,1 3,home course,4.1 4.4 4.5 4.42,deep\n\
         5/5/2026,Quill,17.4,4,,1 2,\n\
         5/5/2026,Quill,2,,Nowhere,,mud\n",
    );
    assert_eq!(
        wrong(&read),
        [(3, "knocked"), (4, "course"), (4, "footing")]
    );
    let Measure::Run(run) = &import.reps[0].rep.measure else {
        panic!("a run");
    };
    assert!(run.timed_only && !import.reps[0].rep.measure.is_judged());
    assert_eq!((run.time_s, run.knocked()), (Some(17.42), 2));
    let [first, second, third] = &run.barrels;
    assert!(first.tipped && !second.tipped && third.tipped);
    let (_, read) = sheet(
        Sheet::Runs,
        "date,horse,seconds,splits\n5/5/2026,Quill,2,\n5/5/2026,Quill,17,1 2\n",
    );
    assert_eq!(wrong(&read), [(2, "time_s"), (3, "splits_s")]);
}

#[test]
fn the_herd_goes_to_lots_by_their_names() {
    let (import, read) = sheet(
        Sheet::Herd,
        "ear tag,lot,class,lbs\n14,Blue tags,steer,640\n12,blue TAGS,,\n15,Red tags,,\n16,,,\n14,Blue tags,,\n",
    );
    assert_eq!(
        wrong(&read),
        [(3, "tag"), (4, "lot"), (5, "lot"), (6, "tag")]
    );
    assert_eq!(import.cattle.len(), 1);
    assert_eq!(import.cattle[0].0, LOT);
    assert_eq!(import.cattle[0].1.weight_lb, Some(640));
}

#[test]
fn horses_are_told_apart_from_those_that_are_here() {
    let (import, read) = sheet(
        Sheet::Horses,
        "Horse,Gender,Age,Coat\nWillow,mare,4,grulla\nquill,mare,4,bay\n,mare,4,\n",
    );
    assert_eq!(import.horses.len(), 1);
    assert_eq!(import.horses[0].foaled, 2022);
    assert_eq!(wrong(&read)[0], (3, "name"));
    assert_eq!(read.wrong_rows, 2);
}

#[test]
fn more_errors_than_are_told_are_counted() {
    let rows = "Nobody,5/4/2026\n".repeat(250);
    let (import, read) = sheet(Sheet::Rides, &format!("horse,day\n{rows}"));
    assert_eq!((read.errors.len(), read.wrong_rows), (100, 250));
    assert_eq!(import.rides, []);
    let (_, read) = sheet(Sheet::Rides, "horse,day\n");
    assert!(read.errors[0].detail.contains("there is no row"));
}
