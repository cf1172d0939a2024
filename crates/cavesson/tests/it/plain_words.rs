//! Sentences of the core and labels of the screens keep to plain words: what was
//! worded otherwise once does not come back. The list is DESIGN.md's "How do the
//! screens speak?"; comments may say what they like.

use std::fs;
use std::path::{Path, PathBuf};

/// What no person is to read, and what is said instead.
const INSTEAD: [(&str, &str); 41] = [
    ("Go to the barn", "Sign in"),
    ("did not come through", "Couldn't load this"),
    ("leads nowhere", "Page not found"),
    ("Not down for", "Not scheduled today"),
    ("Out since", "Riding since"),
    ("that is held is fresh", "Nothing's rusty"),
    ("starts the story", "The first ride will show here"),
    ("rein hangs here", "Each ride adds a strip here"),
    ("Show all alike", "Clear highlight"),
    ("What holds it", "What's holding him back"),
    ("urely soft", "proven soft"),
    ("urely above", "proven above"),
    ("trainer's word", "trainer's call"),
    ("decide otherwise", "Override"),
    ("Keep my word", "Save"),
    ("Leave it<", "Cancel"),
    ("my word back", "Undo override"),
    ("came with it", "already knew it when he came"),
    ("sent down", "moved back"),
    ("sends a level down", "moves a level back"),
    ("Not told yet", "Too soon to tell"),
    ("None told yet", "Too soon to tell"),
    ("Unlevel steps", "Off or uneven"),
    ("ig does not fit", "Tack doesn't fit"),
    ("as it ships", "standard"),
    ("ships as", "standard"),
    ("Take up", "Restore"),
    ("settled level", "Nothing's slipping"),
    ("eckon with", "Expect her in season around ..."),
    ("reckoned", "expected"),
    ("chance would have", "could be chance"),
    ("hardly chance", "very likely real"),
    ("beyond chance", "very likely real"),
    ("lies under them", "Faults and likely causes"),
    ("What mends", "How to fix it"),
    ("it wants more", "needs more work"),
    ("nlike other rides", "Anything different today?"),
    ("against the judge", "Overrides"),
    ("judge says", "Cavesson says"),
    ("judge said", "Cavesson said"),
    ("trained through", "before you work on this"),
];

/// The files people's words stand in.
fn files() -> Vec<PathBuf> {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../..");
    let mut found = vec![
        root.join("README.md"),
        root.join("GLOSSARY.md"),
        root.join("crates/reps/src/ladder/ladder.toml"),
    ];
    for of_crate in fs::read_dir(root.join("crates")).unwrap() {
        let sources = of_crate.unwrap().path().join("src");
        if sources.is_dir() {
            below(&sources, &mut found);
        }
    }
    below(&root.join("web/src"), &mut found);
    found
}

fn below(folder: &Path, found: &mut Vec<PathBuf>) {
    for entry in fs::read_dir(folder).unwrap() {
        let path = entry.unwrap().path();
        let name = path.file_name().unwrap().to_string_lossy().into_owned();
        if path.is_dir() {
            below(&path, found);
        } else if [".rs", ".ts", ".tsx"].iter().any(|end| name.ends_with(end))
            && !name.ends_with(".d.ts")
        {
            found.push(path);
        }
    }
}

/// The lines of a source that are no comment.
fn spoken(path: &Path) -> Vec<(usize, String)> {
    let text = fs::read_to_string(path).unwrap();
    let is_code = path
        .extension()
        .is_some_and(|end| end != "md" && end != "toml");
    text.lines()
        .enumerate()
        .filter(|(_, line)| {
            let line = line.trim_start();
            !(is_code
                && (line.starts_with("//") || line.starts_with('*') || line.starts_with("/*")))
        })
        .map(|(number, line)| (number + 1, line.to_owned()))
        .collect()
}

/// A space between a figure and its percent sign.
fn spaced_percent(line: &str) -> bool {
    line.match_indices(" %").any(|(at, _)| {
        line[..at].ends_with(|c: char| c.is_ascii_digit() || c == '}')
            && !line[at + 2..]
                .trim_start()
                .starts_with(|c: char| c.is_ascii_digit() || c == '=')
    })
}

fn faults_of(lines: &[(usize, String)]) -> Vec<String> {
    let mut faults = Vec::new();
    for (number, line) in lines {
        for (old, instead) in INSTEAD {
            if line.contains(old) {
                faults.push(format!("{number}: \"{old}\": say \"{instead}\""));
            }
        }
        if spaced_percent(line) {
            faults.push(format!(
                "{number}: a percent sign stands by its figure: 80%"
            ));
        }
    }
    faults
}

#[test]
fn no_old_wording_is_left() {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../..");
    let files = files();
    assert!(files.len() > 250, "only {} files were read", files.len());
    let mut all = Vec::new();
    for path in files {
        let name = path
            .strip_prefix(&root)
            .unwrap_or(&path)
            .display()
            .to_string();
        all.extend(
            faults_of(&spoken(&path))
                .into_iter()
                .map(|fault| format!("{name}:{fault}")),
        );
    }
    assert!(all.is_empty(), "{}", all.join("\n"));
}

#[test]
fn an_old_wording_would_be_found() {
    let lines = |text: &str| vec![(1, text.to_owned())];
    assert_eq!(
        faults_of(&lines("\"What holds it: too few asks\"")).len(),
        1
    );
    assert_eq!(faults_of(&lines("`${share} % soft`")).len(), 1);
    assert_eq!(faults_of(&lines("60 % soft")).len(), 1);
    assert_eq!(faults_of(&lines("day.getDay() % 7")).len(), 0);
    assert_eq!(faults_of(&lines("80% soft, needs 70%")).len(), 0);
}
