//! What a card says. The rules of wording stand in DESIGN.md, "How do the screens speak?".

use super::block::{Block, Part};
use super::choice::Chosen;
use super::day::Day;
use super::fit::{Unfit, is_any_fast, is_never_alone, spoken_against};
use super::horse::Horse;
use super::limits::Limits;
use super::worth::{Candidate, Role, Why, Worth};
use crate::Side;
use crate::heat::HeatBand;
use crate::horse::HorseTrait;
use crate::ladder::{AtHand, Level};
use crate::wording::{capital, count, days, lower, pronouns};

/// What to do when the brake is not there.
pub const BRAKE_GOES_WRONG: &str =
    "Step off and do it from the ground first. Nothing faster until it is there on both sides.";
/// What counts in the cold asks.
pub const COLD_SOFT: &str =
    "The first answer on each side is the one that counts. Don't school it.";

/// What a part without a level is called.
pub fn part_name(part: Part, limits: &Limits) -> &'static str {
    match part {
        Part::CheckOver => "Check over",
        Part::Brake => "Mount, and ask the brake",
        Part::Cold => "Cold asks",
        Part::Loosen => "Loosen",
        Part::Review => "Review",
        Part::Work => "Work",
        Part::Breather => "Breather",
        Part::SetUp => "Set up",
        Part::Use => "Use it",
        Part::Finish => "Finish easy",
        Part::WalkOut if limits.in_hand => "Lead out",
        Part::WalkOut => "Walk out",
    }
}

/// How a part without a level is done.
pub fn part_exercise(part: Part, limits: &Limits, day: &Day) -> String {
    match part {
        Part::CheckOver if day.is(HorseTrait::ColdBacked) => {
            "Lead about until quiet. Tighten the cinch in three steps, walking in between; check it twice.".into()
        }
        Part::CheckOver => {
            "Lead about and move both ways until quiet. Legs, back, mouth, tack; check the cinch twice.".into()
        }
        Part::Brake => "Helmet on. Mount, then bend to a halt on one rein, left and right, before anything else.".into(),
        Part::Cold => "One ask a side of each, nothing more.".into(),
        Part::Loosen if limits.in_hand => "Lead both ways, bend left and right, change sides often.".into(),
        Part::Loosen if day.is(HorseTrait::ColdBacked) => "At the walk first: flex, circles, crossing over, both directions.".into(),
        Part::Loosen => "Flex, circles, crossing over, both directions.".into(),
        Part::Breather => "Loose rein, let the horse stand or walk.".into(),
        Part::Finish => "Something the horse likes to do, once, and stop.".into(),
        Part::WalkOut if limits.in_hand => "Loosen everything and lead about until the breath is quiet.".into(),
        Part::WalkOut => "Stand, loosen the cinch a hole, walk out on a loose rein until the breath is quiet.".into(),
        Part::Review | Part::Work | Part::SetUp | Part::Use => String::new(),
    }
}

/// Why a part without a level is on the card.
pub fn part_why(part: Part, limits: &Limits, day: &Day) -> String {
    match part {
        Part::CheckOver if day.quiet_min.is_empty() => {
            "How long it takes to be quiet is kept and drawn over time.".into()
        }
        Part::CheckOver => format!("Usually quiet after {} min.", day.usual_quiet_min().round()),
        Part::Brake => "Every ride starts with the brake on both sides.".into(),
        Part::Cold => "The first ask of the day says most about what is held.".into(),
        Part::Loosen if day.is(HorseTrait::Hot) => {
            "Hot: longer, until the back is loose and the mind with you.".into()
        }
        Part::Loosen => "Nothing fast before this.".into(),
        Part::Breather => "A rest after a gain is what the horse works for.".into(),
        Part::Finish => "End on something good.".into(),
        Part::WalkOut if limits.heat > HeatBand::Usual => "Warm today: longer, with water.".into(),
        Part::WalkOut => "A cool horse goes home.".into(),
        Part::Review | Part::Work | Part::SetUp | Part::Use => String::new(),
    }
}

/// When a part without a level ends.
pub fn part_quit(part: Part) -> &'static str {
    match part {
        Part::CheckOver => "When the horse is quiet.",
        Part::Brake => "Once on each side.",
        Part::Cold => "After one ask a side.",
        Part::Loosen => "When both directions feel alike.",
        Part::Finish => "On the first good one.",
        Part::WalkOut => "When the breath is quiet.",
        Part::Review | Part::Work | Part::Breather | Part::SetUp | Part::Use => "",
    }
}

/// What has to be done to have it there.
pub fn set_up(with: AtHand) -> &'static str {
    match with {
        AtHand::Cattle => "Gather the herd, plan the gate, sort off what is sick or sour.",
        AtHand::Flag => "String the flag; nobody in its way.",
        AtHand::Barrels => "Set the barrels; look at the ground.",
        AtHand::Obstacles => "Set the obstacles so that they give way; nothing sharp.",
        AtHand::Company => "Find somebody to ride with.",
        AtHand::Outside => "Tell somebody where you ride; phone along.",
        AtHand::Haul => "Load up.",
    }
}

/// How a level is asked, with what the horse's traits change.
pub fn exercise(horse: Horse<'_>, index: usize, day: &Day) -> String {
    let level = &horse.ladder.levels[index];
    let skill = horse.ladder.skill(&level.level.skill);
    let ask = skill.map_or("", |skill| skill.ask.as_str());
    let own = day.planned.iter().find(|block| block.level == level.level);
    match own
        .map(|block| block.text.as_str())
        .filter(|text| !text.is_empty())
    {
        Some(text) => format!("{text} {ask}").trim().to_owned(),
        None => ask.to_owned(),
    }
}

/// Why a level is on the card.
pub fn why(horse: Horse<'_>, day: &Day, chosen: &Candidate, card: &Chosen) -> String {
    let name = |index: usize| lower(&horse.ladder.levels[index].name);
    let him = pronouns(horse.file.sex);
    let uses = card
        .work
        .filter(|work| {
            chosen.role == Role::Use && horse.ladder.under(chosen.index).contains(&work.index)
        })
        .map(|work| format!("Puts to use: {}.", name(work.index)));
    if let Some(uses) = uses {
        return uses;
    }
    match chosen.why {
        Why::Planned(index) => match day.planned[index].side {
            Some(side) if side != crate::Side::Both => {
                format!("You put it on the card, more on the {}.", side.word())
            }
            _ => "You put it on the card.".into(),
        },
        Why::Aim => "It's what today is for, by the week's plan.".into(),
        Why::Brake => "The brake comes first: it opens every gait above.".into(),
        Why::Hole(rank) => {
            let hole = &horse.holes[rank];
            match hole.evidence.first() {
                Some(fault) => format!(
                    "The likely hole under: {} ({} of {} asks).",
                    lower(&fault.name),
                    fault.times,
                    fault.chances
                ),
                None => "The likely hole under what goes wrong.".into(),
            }
        }
        Why::EasedFrom(above) => format!(
            "Back to what {} knows: {} was moved back.",
            him.he,
            name(above)
        ),
        Why::Confirm => "Almost there: only another day or a first ask is missing.".into(),
        Why::Near(1) => "One good day from its gate.".into(),
        Why::Near(far) => format!("{} from its gate, if all goes soft.", capital(&days(far))),
        Why::Working => "You're working on it.".into(),
        Why::JustOpened => "New: what it needs is held now.".into(),
        Why::Open => "New: it has been open for a while.".into(),
        Why::ShownAtIntake => "Shown at intake: a first ask confirms it.".into(),
        Why::IntakeHole => format!("Missing under what {} showed at intake.", him.he),
        Why::Watched(Side::Both) => "Answers speak against it: a few asks every ride.".into(),
        Why::Watched(side) => format!(
            "Answers on the {} speak against it: a few asks every ride.",
            side.word()
        ),
        Why::Lost => "Lost: working on it again.".into(),
        Why::Retest => "Test it cold: the first ask on each side.".into(),
        Why::Rusty(idle) => format!("Rusty: not shown for {}.", days(idle)),
        Why::Due(idle) => format!("Not shown for {}: before it goes rusty.", days(idle)),
        Why::Held if chosen.role == Role::Finish => {
            format!("{} has it: end on a good one.", capital(him.he))
        }
        Why::Held => "Held: keep it.".into(),
    }
}

/// When to quit a block.
pub fn quit(horse: Horse<'_>, chosen: &Candidate) -> String {
    let level = &horse.ladder.levels[chosen.index];
    let standing = &horse.standings[chosen.index];
    let new = standing.last_asked.is_none() && !standing.counts_as_held();
    let apart = level.asked_sides().len() > 1;
    match chosen.role {
        _ if new => "On the first good try, whatever the clock says.".into(),
        Role::Finish => "On the first good one.".into(),
        _ if apart => {
            "On three soft in a row with both sides in it, or when the minutes are used.".into()
        }
        _ => "On three soft in a row, or when the minutes are used.".into(),
    }
}

/// What to do if it goes wrong: the rung below, or what it needs.
pub fn if_wrong(horse: Horse<'_>, index: usize) -> String {
    let level = &horse.ladder.levels[index];
    let under = level
        .below
        .or_else(|| level.needs.iter().flatten().next().copied());
    match under {
        Some(under) => format!(
            "Go back to: {}. One good one, and leave it for today.",
            lower(&horse.ladder.levels[under].name)
        ),
        None => "Ask less, take the first try, and leave it for today.".into(),
    }
}

const NEVER_ALONE: &str = "Never alone: a helper on the ground, phone at hand.";

/// Who has to be there for the whole ride.
pub fn who_rides_along(limits: &Limits) -> &'static str {
    if limits.first_rides && !limits.in_hand {
        NEVER_ALONE
    } else {
        ""
    }
}

/// Who has to be there for a level.
pub fn who(horse: Horse<'_>, limits: &Limits, index: usize) -> &'static str {
    let asked = horse.standings[index].last_asked.is_some();
    if is_never_alone(horse, limits, &horse.ladder.levels[index], asked) {
        NEVER_ALONE
    } else {
        who_rides_along(limits)
    }
}

/// Why a level does not fit the day.
pub fn unfit(horse: Horse<'_>, day: &Day, index: usize, why: Unfit) -> String {
    let level = &horse.ladder.levels[index];
    let him = pronouns(horse.file.sex);
    match why {
        Unfit::CheckFirst => format!("Get {} looked at before you work on this.", him.him),
        Unfit::Eased => match horse.standings[index].ease_to {
            Some(under) => format!(
                "Moved back: first {}.",
                lower(&horse.ladder.levels[under].name)
            ),
            None => "Moved back: leave it for some days.".into(),
        },
        Unfit::Brake => format!("Faster than {} brake is held.", him.his),
        Unfit::Waiting => {
            let waiting = horse.standings[index].history.hold.waiting.as_ref();
            let need = waiting.and_then(|(_, need)| horse.ladder.at(need));
            match need {
                Some(need) => format!("Waits for what it rests on: {}.", lower(&need.name)),
                None => "Waits for what it rests on.".into(),
            }
        }
        Unfit::SlowOnly => "Nothing fast today.".into(),
        Unfit::Young => format!(
            "Fast stops, rollbacks and cattle come late with a {}.",
            match day.age_years {
                Some(years) => format!("{}-year-old", years),
                None => "young horse".into(),
            }
        ),
        Unfit::NotAtHand => format!("Needs {}.", level.with.map_or("", AtHand::text)),
        Unfit::NothingNew => "Nothing new on the first rides after a rest.".into(),
        Unfit::Alone => "Never alone: needs a helper.".into(),
        Unfit::InHand => format!("{} isn't ridden yet.", capital(him.he)),
        Unfit::Quota => "Run often enough this week.".into(),
        Unfit::SetUpsOnly => {
            "Set up and walk on instead; no departs and changes for some rides.".into()
        }
        Unfit::NewBit => {
            "A new bit is yours to begin: put it on the card when the day is right.".into()
        }
        Unfit::Dropped => "You left it out today.".into(),
    }
}

/// Why something that was wanted found no room.
pub fn no_room(horse: Horse<'_>, worth: &Worth, chosen: &Chosen, index: usize) -> String {
    let new = |index: usize| horse.standings[index].last_asked.is_none();
    let taken = chosen.work.filter(|work| new(index) && work.index != index);
    match taken {
        Some(work) => format!(
            "One new or limiting thing a ride: {} comes first.",
            lower(&horse.ladder.levels[work.index].name)
        ),
        None if chosen
            .all()
            .any(|other| worth.skills[other.index] == worth.skills[index]) =>
        {
            "Another level of it is on the card.".into()
        }
        None => "No room in the minutes there are.".into(),
    }
}

/// What to look out for so that nobody is hurt: those of the tracks and skills on the
/// card, and what today's signs ask for.
pub fn cautions(horse: Horse<'_>, day: &Day, limits: &Limits, blocks: &[Block]) -> Vec<String> {
    let mut cautions: Vec<String> = Vec::new();
    if day.is_far_from_quiet() {
        cautions.push(format!(
            "Took {} min to be quiet; {} is usual. Look {} over before you get on, and keep it short. Pain first: a vet, not this card, answers that.",
            day.quiet_today_min.unwrap_or_default().round(),
            day.usual_quiet_min().round(),
            pronouns(horse.file.sex).him
        ));
    }
    let check_first = horse
        .standings
        .iter()
        .filter(|standing| standing.verdict == crate::judge::Verdict::CheckFirst)
        .count();
    if check_first > 0 {
        cautions.push(format!(
            "{} left out until somebody has looked {} over.",
            capital(&count(check_first as u32, "level")),
            pronouns(horse.file.sex).him
        ));
    }
    cautions.extend(of_planned(horse, day, limits, blocks));
    if limits.first_rides && !limits.in_hand {
        cautions.push("Nobody is tied or wrapped to a horse.".into());
    }
    if is_any_fast(horse, blocks) {
        cautions.push("Look at the ground before anything fast.".into());
    }
    for caution in of_ladder(horse, limits, blocks) {
        if !cautions.contains(&caution) {
            cautions.push(caution);
        }
    }
    cautions
}

/// What speaks against a level that the trainer put on the card and that stays there.
fn of_planned(horse: Horse<'_>, day: &Day, limits: &Limits, blocks: &[Block]) -> Vec<String> {
    let on_card = |level: &Level| {
        let mut named = blocks.iter().flat_map(|block| &block.levels);
        named.any(|named| named.level == *level)
    };
    let planned = day.planned.iter().filter(|block| on_card(&block.level));
    planned
        .filter_map(|block| {
            let index = horse.ladder.position(&block.level)?;
            let why = spoken_against(horse, day, limits, index)?;
            let name = &horse.ladder.levels[index].name;
            Some(format!(
                "You put this on the card: {name}. {}",
                unfit(horse, day, index, why)
            ))
        })
        .collect()
}

/// What the ladder says of the tracks and skills on the card, where it matters: of what is
/// new, fast, or done with cattle, barrels and obstacles; of first rides.
fn of_ladder(horse: Horse<'_>, limits: &Limits, blocks: &[Block]) -> Vec<String> {
    let asked = blocks.iter().filter(|block| block.part != Part::Brake);
    let levels = asked
        .flat_map(|block| &block.levels)
        .filter_map(|named| horse.ladder.position(&named.level));
    let mut cautions = Vec::new();
    for index in levels {
        let level = &horse.ladder.levels[index];
        let standing = &horse.standings[index];
        let new = standing.last_asked.is_none() && !standing.counts_as_held();
        let first = limits.first_rides && !limits.in_hand && !level.ground;
        let of_start = level.level.skill.0.starts_with("start.");
        if first || (!of_start && (new || level.with.is_some() || level.is_fast())) {
            cautions.extend(horse.ladder.tracks[level.track].caution.clone());
            let skill = horse.ladder.skill(&level.level.skill);
            cautions.extend(skill.and_then(|skill| skill.caution.clone()));
        }
    }
    cautions
}
