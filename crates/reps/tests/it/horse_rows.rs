//! Several horses from rows. Source for quotes and line ends: RFC 4180, sections 2.1 to
//! 2.7, whose examples are told here with horses.

use cavesson_reps::horse::Sex;
use cavesson_reps::horse::rows::{HorseRows, Named, read};
use proptest::prelude::*;
use uuid::Uuid;

fn rows(text: &str) -> HorseRows {
    let named = Named {
        owners: &[(Uuid::from_u128(1), "Odell Krantzen".into())],
        programs: &[(Uuid::from_u128(2), "Barrel horses".into())],
        taken: &["Quill".into()],
        year: 2026,
    };
    read(text, &named)
}

fn errors(text: &str) -> Vec<(u64, String)> {
    let told = rows(text).errors.into_iter();
    told.map(|error| (error.line, error.column)).collect()
}

#[test]
fn columns_come_in_any_order_and_under_what_people_call_them() {
    for text in [
        "name,sex,foaled,color\nWillow,mare,2022,grulla\n",
        "Coat;Born;Gender;Horse\r\ngrulla;2022;Filly;Willow\r\n",
        "\u{FEFF}age\tname\tsex\tcolour\n4\tWillow\tMARE\tgrulla",
        "Willow,mare,2022,grulla",
        "\n\nWillow , mare , 2022 , grulla\n\n",
    ] {
        let found = rows(text);
        assert_eq!(found.errors, [], "{text}");
        let [willow] = found.horses.as_slice() else {
            panic!("{text}");
        };
        assert_eq!(
            (
                willow.name.as_str(),
                willow.sex,
                willow.foaled,
                willow.color.as_str()
            ),
            ("Willow", Sex::Mare, 2022, "grulla")
        );
    }
}

#[test]
fn quotes_hold_commas_line_breaks_and_quotes() {
    let found = rows(
        "name,sex,foaled,color,markings\r\n\"Big, Tall\",gelding,2020,bay,\"Star\nSays \"\"hey\"\"\"\r\n",
    );
    assert_eq!(found.errors, []);
    assert_eq!(found.horses[0].name, "Big, Tall");
    assert_eq!(found.horses[0].markings, "Star\nSays \"hey\"");
}

#[test]
fn owners_and_programs_are_named() {
    let found =
        rows("name,sex,age,color,owner,program\nWillow,mare,4,bay,odell krantzen,Barrel Horses\n");
    assert_eq!(found.horses[0].owner_id, Some(Uuid::from_u128(1)));
    assert_eq!(found.horses[0].program_id, Some(Uuid::from_u128(2)));
}

#[test]
fn what_does_not_fit_is_named_by_line_and_column() {
    let at = |line, column: &str| (line, column.to_owned());
    assert_eq!(
        errors("name,sex,foaled,color\n,mare,2022,bay"),
        [at(2, "name")]
    );
    assert_eq!(
        errors("name,sex,foaled,color\nA,mule,2022,bay"),
        [at(2, "sex")]
    );
    assert_eq!(
        errors("name,sex,foaled,color\nA,mare,2027,bay"),
        [at(2, "foaled")]
    );
    assert_eq!(
        errors("name,sex,foaled,color\nA,mare,soon,bay"),
        [at(2, "foaled")]
    );
    assert_eq!(errors("name,sex,age,color\nA,mare,,bay"), [at(2, "foaled")]);
    assert_eq!(
        errors("name,sex,foaled,color\nquill,mare,2022,bay"),
        [at(2, "name")]
    );
    assert_eq!(
        errors("name,sex,foaled,color\nA,mare,2022,bay\nB,mare,2022,bay\na,mare,2022,bay"),
        [at(4, "name")]
    );
    assert_eq!(
        errors("name,sex,foaled,color\nA,mare,2022,bay,more"),
        [at(2, "")]
    );
    assert_eq!(
        errors("name,wings\nA,2"),
        [
            at(1, "wings"),
            at(2, "sex"),
            at(2, "foaled"),
            at(2, "color")
        ]
    );
    assert_eq!(errors("name,sex,foaled,color\n"), [at(1, "")]);
    assert_eq!(errors(""), [at(1, "")]);
    let many = "Nag,mare,2020,bay\n".repeat(501);
    assert!(
        rows(&many)
            .errors
            .iter()
            .any(|error| error.detail.contains("500"))
    );
}

proptest! {
    /// What is written by the published writer of the format is read back as it was.
    #[test]
    fn rows_are_read_back_as_they_were_written(
        horses in prop::collection::vec(
            ("[A-Za-z ,;\"'\u{e9}-]{0,20}[a-z]", 1990i16..=2026, "[a-z ,\"\n]{0,20}[a-z]"), 1..8)
    ) {
        let mut writer = csv::Writer::from_writer(Vec::new());
        writer.write_record(["name", "sex", "foaled", "color"]).unwrap();
        for (index, (name, foaled, color)) in horses.iter().enumerate() {
            // A number keeps the names apart.
            let name = format!("{} {index}", name.trim());
            writer.write_record([name.as_str(), "mare", &foaled.to_string(), color.trim()]).unwrap();
        }
        let text = String::from_utf8(writer.into_inner().unwrap()).unwrap();
        let found = rows(&text);
        prop_assert_eq!(&found.errors, &[], "{}", text);
        for ((name, foaled, color), (index, horse)) in horses.iter().zip(found.horses.iter().enumerate()) {
            let written = format!("{} {index}", name.trim());
            prop_assert_eq!(&horse.name, written.trim());
            prop_assert_eq!(horse.foaled, *foaled);
            prop_assert_eq!(&horse.color, color.trim());
        }
    }

    /// Whatever is pasted is read or refused, never a panic.
    #[test]
    fn anything_can_be_pasted(text in "(?s).{0,400}") {
        let found = rows(&text);
        prop_assert!(!found.horses.is_empty() || !found.errors.is_empty());
    }
}
