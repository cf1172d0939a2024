//! Where good trainers disagree. A program chooses on each question; the first
//! choice is the default, and none is called wrong.
//!
//! Source: common practice of the trade, no source.

use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};

/// One question on which good trainers disagree.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Question {
    /// Stable id.
    pub id: &'static str,
    /// The question.
    pub asks: &'static str,
    /// The choices, the default first.
    pub choices: &'static [Choice],
}

/// One answer to it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Choice {
    /// Stable id.
    pub id: &'static str,
    /// What it means.
    pub text: &'static str,
}

const fn choice(id: &'static str, text: &'static str) -> Choice {
    Choice { id, text }
}

/// All questions.
pub const QUESTIONS: &[Question] = &[
    Question {
        id: "rein_ask",
        asks: "How the rein asks",
        choices: &[
            choice("steady", "Take a light hold, wait, never add"),
            choice("pulse", "Light bumps until the give; bumps are counted"),
        ],
    },
    Question {
        id: "vertical",
        asks: "First work on two reins",
        choices: &[
            choice("after_days", "After some days of one rein only"),
            choice("same_day", "The same day, from the ground"),
        ],
    },
    Question {
        id: "bridle",
        asks: "The way to the bridle",
        choices: &[
            choice("snaffle", "Snaffle, then a short shank, then one hand"),
            choice(
                "hackamore",
                "Bosal sizes, two-rein, straight up in the bridle",
            ),
            choice(
                "restore",
                "Back down to something mild for a horse that fights the bit",
            ),
        ],
    },
    Question {
        id: "jointed_shank",
        asks: "A jointed mouthpiece on shanks",
        choices: &[
            choice("allowed", "Allowed; many avoid it"),
            choice("forbidden", "Not in this program"),
        ],
    },
    Question {
        id: "head_height",
        asks: "Where the head is carried",
        choices: &[
            choice("anywhere", "Anywhere, as long as the horse is light"),
            choice("level_topline", "Level topline"),
            choice("picked_up", "Picked up, no leaning down"),
        ],
    },
    Question {
        id: "spurs",
        asks: "Spurs",
        choices: &[
            choice("late", "Late, when lateral and vertical are soft"),
            choice("from_start", "From the start"),
            choice("never", "Never"),
        ],
    },
    Question {
        id: "miles",
        asks: "Small pen or outside",
        choices: &[
            choice("pen_first", "Foundation in the pen, then miles"),
            choice("early", "Miles early and often"),
        ],
    },
    Question {
        id: "cattle",
        asks: "First on cattle",
        choices: &[
            choice("flag_first", "The flag first, then slow fresh cattle"),
            choice("herd_first", "Straight to quiet cattle in a herd"),
        ],
    },
    Question {
        id: "finished_barrel",
        asks: "The finished barrel horse",
        choices: &[
            choice("keep_broke", "Kept broke away from the pattern; few runs"),
            choice("tune_weekly", "Tuned on the pattern weekly"),
        ],
    },
    Question {
        id: "mistakes",
        asks: "Mistakes",
        choices: &[
            choice(
                "small_steps",
                "Small steps, protect confidence: one bad ride eases back",
            ),
            choice(
                "find_it",
                "Let the horse find it: two bad rides in a row ease back",
            ),
        ],
    },
];

/// The choices of a program, question by question; what is left out is the
/// default.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(
    try_from = "BTreeMap<String, String>",
    into = "BTreeMap<String, String>"
)]
#[cfg_attr(feature = "schema", schema(value_type = BTreeMap<String, String>))]
pub struct Schools(BTreeMap<String, String>);

impl TryFrom<BTreeMap<String, String>> for Schools {
    type Error = String;

    fn try_from(chosen: BTreeMap<String, String>) -> Result<Schools, String> {
        match chosen.iter().find(|(q, c)| !knows(q, c)) {
            Some((question, choice)) => Err(format!(
                "no choice \"{choice}\" on \"{question}\"; {}",
                allowed(question)
            )),
            None => Ok(Schools(chosen)),
        }
    }
}

impl From<Schools> for BTreeMap<String, String> {
    fn from(schools: Schools) -> Self {
        schools.0
    }
}

impl Schools {
    /// Whether `choice` was made on `question`.
    pub fn chose(&self, question: &str, choice: &str) -> bool {
        self.on(question) == Some(choice)
    }

    /// The choice on `question`.
    pub fn on(&self, question: &str) -> Option<&str> {
        self.0.get(question).map(String::as_str).or_else(|| {
            let known = QUESTIONS.iter().find(|known| known.id == question)?;
            Some(known.choices[0].id)
        })
    }

    /// The default, and every other choice once.
    pub fn each_choice_once() -> Vec<Schools> {
        let others = QUESTIONS.iter().flat_map(|question| {
            question.choices.iter().skip(1).map(|choice| {
                Schools(BTreeMap::from([(
                    question.id.to_owned(),
                    choice.id.to_owned(),
                )]))
            })
        });
        std::iter::once(Schools::default()).chain(others).collect()
    }

    /// The choices that are not the default, in words.
    pub fn in_words(&self) -> String {
        let other: Vec<String> = QUESTIONS
            .iter()
            .filter_map(|question| {
                let chosen = self.on(question.id)?;
                (chosen != question.choices[0].id)
                    .then(|| format!("\"{}\": {chosen}", question.asks))
            })
            .collect();
        if other.is_empty() {
            "the default schools".to_owned()
        } else {
            other.join(", ")
        }
    }
}

/// Whether the question has that choice.
pub fn knows(question: &str, choice: &str) -> bool {
    QUESTIONS
        .iter()
        .any(|q| q.id == question && q.choices.iter().any(|c| c.id == choice))
}

/// What there is to choose from, for a message.
pub fn allowed(question: &str) -> String {
    match QUESTIONS.iter().find(|known| known.id == question) {
        Some(known) => {
            let choices: Vec<&str> = known.choices.iter().map(|choice| choice.id).collect();
            format!("the choices are {}", choices.join(", "))
        }
        None => {
            let questions: Vec<&str> = QUESTIONS.iter().map(|question| question.id).collect();
            format!("the questions are {}", questions.join(", "))
        }
    }
}
