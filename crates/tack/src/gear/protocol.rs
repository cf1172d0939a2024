//! Changing the bit: what is done in which order, and what an answer leads to.
//!
//! A step that is answered "ok" leads to the next. "Bothered" asks the same step once more;
//! bothered twice, the adjustment is looked at first, and bothered twice again after that,
//! one step milder. "Stop" ends it for the day.
//!
//! # Source
//! Common practice of the trade, no source. Whatever hurts or bleeds is a vet's or an equine
//! dentist's to look at.

use serde::{Deserialize, Serialize};

use crate::bounds::{CHANGE_STEPS, FieldError, NOTE_LETTERS};
use crate::text::check_optional_text;

macro_rules! steps {
    ($($(#[doc = $about:literal])* $step:ident = $word:literal, $name:literal, $how:literal;)*) => {
        /// One step of changing the bit.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum ChangeStep { $($(#[doc = $about])* $step,)* }

        impl ChangeStep {
            /// All of them in their order.
            pub const ALL: &[ChangeStep] = &[$(ChangeStep::$step,)*];

            /// As it is stored and sent.
            pub fn word(self) -> &'static str {
                match self { $(ChangeStep::$step => $word,)* }
            }

            /// What a trainer calls it.
            pub fn name(self) -> &'static str {
                match self { $(ChangeStep::$step => $name,)* }
            }

            /// How it is done.
            pub fn how(self) -> &'static str {
                match self { $(ChangeStep::$step => $how,)* }
            }
        }
    };
}

steps! {
    /// Mouth and teeth.
    Mouth = "mouth", "Look at the mouth and teeth",
        "Bars, tongue, corners of the lips. Anything sore or sharp: a vet or an equine dentist looks first.";
    /// The strap let out.
    StrapOut = "strap_out", "Let the strap out",
        "Long enough that the bit does not knock the teeth while you bridle.";
    /// Fitted.
    Fitted = "fitted", "Fit the headstall",
        "It touches the corners of the lips and does not pull them.";
    /// The strap set.
    StrapSet = "strap_set", "Set the strap by the numbers",
        "Two fingers flat under it; it takes hold between about 30 and 45 degrees.";
    /// The shank turned by hand.
    ByHand = "by_hand", "Turn the shank by hand",
        "It turns first, then takes hold, and pinches nowhere.";
    /// One hand out, left.
    HandLeft = "hand_left", "At the stand: one hand out to the left",
        "Wait for the give, then let go. Never both straight back first.";
    /// One hand out, right.
    HandRight = "hand_right", "At the stand: one hand out to the right",
        "Wait for the give, then let go. Never both straight back first.";
    /// A big circle at the jog.
    JogCircle = "jog_circle", "Jog a big circle",
        "Loose rein, both ways; let the horse find out what hangs there.";
    /// Soft fingers for the poll.
    Poll = "poll", "Soft fingers for the poll",
        "Close the fingers, wait, open them.";
    /// A stop from the walk.
    StopWalk = "stop_walk", "Stop from the walk",
        "Body first, then the voice, then the rein.";
    /// A stop from the jog.
    StopJog = "stop_jog", "Stop from the jog",
        "Body first, then the voice, then the rein.";
    /// The lope.
    Lope = "lope", "Lope",
        "Easy, on a loose rein, both leads.";
    /// Eye, ears, mouth.
    Look = "look", "Look at eye, ears, mouth",
        "Quiet eye, soft ears, a mouth that works the bit without a fuss.";
}

/// How the horse took a step.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StepAnswer {
    /// Fine.
    Ok,
    /// Bothered by it.
    Bothered,
    /// It ends here for today.
    Stop,
    /// The adjustment was looked at and put right.
    Adjusted,
}

/// A step as it went.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct StepTaken {
    /// Which.
    pub step: ChangeStep,
    /// How it went.
    pub answer: StepAnswer,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

/// What comes next.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "what")]
pub enum NextStep {
    /// This step, for the first time or once more.
    Take {
        /// Which.
        step: ChangeStep,
        /// It was bothered by it before.
        again: bool,
    },
    /// Bothered twice: the adjustment is looked at first.
    Adjust {
        /// The step it was bothered by.
        step: ChangeStep,
    },
    /// Bothered twice after that too: one step milder.
    Milder {
        /// The step it was bothered by.
        step: ChangeStep,
    },
    /// Stopped for the day.
    Stopped {
        /// The step it was stopped at.
        step: ChangeStep,
    },
    /// Every step went well; from here on the gates of the bridle say how it goes.
    Done,
}

/// What a step log leads to.
pub fn next_step(taken: &[StepTaken]) -> NextStep {
    let mut at = ChangeStep::ALL.iter().copied();
    let mut now = at.next();
    let (mut bothered, mut adjusted) = (0, false);
    for one in taken {
        let Some(step) = now else {
            return NextStep::Done;
        };
        match one.answer {
            StepAnswer::Stop => return NextStep::Stopped { step },
            StepAnswer::Ok => now = at.next(),
            StepAnswer::Bothered => bothered += 1,
            StepAnswer::Adjusted => {
                adjusted = true;
                bothered = 0;
            }
        }
        if bothered >= BOTHERED && adjusted {
            return NextStep::Milder { step };
        }
    }
    let Some(step) = now else {
        return NextStep::Done;
    };
    if bothered >= BOTHERED {
        return NextStep::Adjust { step };
    }
    let again = taken.last().is_some_and(|last| last.step == step);
    NextStep::Take { step, again }
}

/// So often bothered, in all, before the adjustment is looked at.
const BOTHERED: u32 = 2;

/// Checks that every step follows from those before it.
///
/// # Errors
/// The first that does not, with what comes there.
pub fn check_steps(taken: &[StepTaken]) -> Result<(), FieldError> {
    CHANGE_STEPS.check_count("/steps", taken.len())?;
    for (index, one) in taken.iter().enumerate() {
        let at = format!("/steps/{index}");
        check_optional_text(NOTE_LETTERS, &format!("{at}/note"), &one.note)?;
        let wrong = match next_step(&taken[..index]) {
            NextStep::Take { step, .. } if step != one.step => Some((
                "step",
                format!("must be {} here, found {}", step.word(), one.step.word()),
            )),
            NextStep::Take { .. } if one.answer == StepAnswer::Adjusted => Some((
                "answer",
                "the adjustment is looked at once the horse was bothered twice".into(),
            )),
            NextStep::Take { .. } => None,
            NextStep::Adjust { step } if step != one.step => Some((
                "step",
                format!("must be {} here, found {}", step.word(), one.step.word()),
            )),
            NextStep::Adjust { .. }
                if !matches!(one.answer, StepAnswer::Adjusted | StepAnswer::Stop) =>
            {
                Some((
                    "answer",
                    "bothered twice: must be adjusted or stop here".into(),
                ))
            }
            NextStep::Adjust { .. } => None,
            NextStep::Milder { .. } | NextStep::Stopped { .. } | NextStep::Done => Some((
                "step",
                "nothing comes after the end; begin a new change".into(),
            )),
        };
        if let Some((field, text)) = wrong {
            return Err(FieldError::new(format!("{at}/{field}"), text));
        }
    }
    Ok(())
}

/// What is to be done now, in sentences.
pub fn says(next: NextStep) -> Vec<String> {
    match next {
        NextStep::Take { step, again: false } => vec![step.how().into()],
        NextStep::Take { step, again: true } => {
            vec![
                "Give the horse a breather, then the same once more.".into(),
                step.how().into(),
            ]
        }
        NextStep::Adjust { .. } => vec![
            "Bothered twice. Look at the adjustment before you ask again: how it hangs, the \
             strap and its hole, whether it pinches at the corner of the lip."
                .into(),
            "Blood, a sore or a sharp tooth: stop, and let a vet or an equine dentist look.".into(),
        ],
        NextStep::Milder { .. } => vec![
            "Bothered again with the adjustment put right. Go one step milder, and try this bit \
             another week."
                .into(),
        ],
        NextStep::Stopped { .. } => {
            vec![
                "Stopped here. Back to what the horse was happy in; begin anew another day.".into(),
            ]
        }
        NextStep::Done => {
            vec!["Every step went well. From here the gates of the bridle say how it goes.".into()]
        }
    }
}
