//! The judge, and what a ride is by it, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`batch_checks`]: what a device sends, checked before the barn is asked; and its times on the server's clock
//! - [`card_rules`]: what holds for every card, and that the choice is the best there is: checked against every card that could be made
//! - [`care_due`]: care that comes again
//! - [`evidence_always_holds`]: what must hold for any evidence
//! - [`heat_rules`]: heat bands and cooling out: extension-service rule of thumb and practice of endurance riding, both from memory
//! - [`held`]: held is a state: gained, in doubt, lost, regained; the brake first
//! - [`intake`]: the intake against counting by hand, and its rules of safety
//! - [`judge_give_gate`]: the judge on a gate for gives: one horse for each verdict, each rail alone
//! - [`judge_holes`]: holes: the missing piece under the faults
//! - [`judge_horse`]: the whole horse: needs, states, who should look first, what sends a level down, the trainer's word, exceptional rides
//! - [`judge_intake`]: levels shown at intake: they count as held, first asks confirm or doubt them
//! - [`judge_overview`]: the horse at a glance: soft map, tracks, stiff side, the one thing to do next, how held levels keep
//! - [`judge_sides`]: left against right, the faults that were seen, and the comparison of two shares, against a published table
//! - [`load_figures`]: load against numbers that follow from the published definitions: Williams et al
//! - [`quit_use`]: what came of quitting on a good one, told from the record
//! - [`quitting`]: A good place to quit
//! - [`quitting_riders`]: riders of simulated horses quit as they are said to, and a horse of a rider who quits early is looked at further back
//! - [`ride_card`]: the ride card, case by case
//! - [`riders`]: how riders differ: held to scikit-learn, found again where they were put in, and taken into account by the judge only where that is very likely real
//! - [`rig`]: the rig an ask was made in
//! - [`rigs`]: rigs in the judge: a rig that is new marks its reps, and soft shares by rig side by side
//! - [`road_gathered`]: what a barn's own asks say of the road: rides until held, where a horse stands, the rides the judge's forecast leaves; what the road makes of it
//! - [`road_pace`]: the barn's pace and the road to a date
//! - [`track`]: tracks and reins: circles against a published example and circles whose truth is known, gaits against speeds that are, asks against pulls that are, files
//! - [`whole_horse_always_holds`]: what must hold of a whole horse, whatever it answers: simulated horses ridden up the whole ladder, every kind of rep among them

mod batch_checks;
mod card_rules;
mod care_due;
mod evidence_always_holds;
mod heat_rules;
mod held;
mod intake;
mod judge_give_gate;
mod judge_holes;
mod judge_horse;
mod judge_intake;
mod judge_overview;
mod judge_sides;
mod load_figures;
mod quit_use;
mod quitting;
mod quitting_riders;
mod ride_card;
mod riders;
mod rig;
mod rigs;
mod road_gathered;
mod road_pace;
mod track;
mod whole_horse_always_holds;
