//! The core, held against what it says of itself, against published figures, and against
//! readings of the rules that know nothing of its code.
//!
//! - [`archive_form`]: the archive of a barn: its published form, and what its reader says of what does not fit
//! - [`barn`]: rides and reps for tests, in the trade's words
//! - [`batch_checks`]: what a device sends, checked before the barn is asked; and its times on the server's clock
//! - [`bench_guard`]: the shipped rule is held to what docs/judge.md says of it, on fewer horses and other seeds than stand there
//! - [`bounds_as_documented`]: the least and the most that the API document names for a number or a text are taken, and what lies beyond is refused: the document and the table of bounds are one
//! - [`calculator_judge`]: the calculator `judge` takes what is known of a horse beside its reps: what the page takes along is judged by it
//! - [`calculators`]: the calculators: results, and the documented error for bad input
//! - [`card_rules`]: what holds for every card, and that the choice is the best there is: checked against every card that could be made
//! - [`care_due`]: care that comes again
//! - [`cattle`]: cattle: honesty against its closed form and scipy, matching against brute force and scipy, the flag against the kinematics of even acceleration, the cow against what its model promises
//! - [`clusters`]: asks of one day are alike: intervals that count asks as if each were its own call chance "very likely real" far too often
//! - [`day_rules`]: the rules of a day
//! - [`evidence_always_holds`]: what must hold for any evidence
//! - [`gate_families`]: every family of gates: luck alone opens none of them, the risk that a gate says is the risk it has, and the figures beside the gate in the program editor are those of the bench
//! - [`gear_rules`]: rules of the show ring row by row, and rides in the two-rein on days made by hand
//! - [`gear_statics`]: statics of bits: a table worked by hand (the algebra stands in each module), an independent solve of the same plane, and what holds for every bit
//! - [`gear_tack`]: pieces by their measures, how they sit on a horse, changing the bit, the way back, hands
//! - [`golden_filter`]: the readiness filter, the learning test and the season's comparison against general-purpose libraries: scipy 1.17.1 and statsmodels 0.15.0
//! - [`ground`]: the ground: the way round a barrel course, what fits where, setting out, drills, trail, runs, the film, and the devices and files that belong to it
//! - [`heat_rules`]: heat bands and cooling out: extension-service rule of thumb and practice of endurance riding, both from memory
//! - [`held`]: held is a state: gained, in doubt, lost, regained; the brake first
//! - [`horse_rows`]: several horses from rows
//! - [`intake`]: the intake against counting by hand, and its rules of safety
//! - [`intake_bench`]: the intake is held to what docs/intake.md says of it, on fewer horses and other seeds; slips and luck are counted anew on the bench of the judge
//! - [`judge_give_gate`]: the judge on a gate for gives: one horse for each verdict, each rail alone
//! - [`judge_holes`]: holes: the missing piece under the faults
//! - [`judge_horse`]: the whole horse: needs, states, who should look first, what sends a level down, the trainer's word, exceptional rides
//! - [`judge_intake`]: levels shown at intake: they count as held, first asks confirm or doubt them
//! - [`judge_overview`]: the horse at a glance: soft map, tracks, stiff side, the one thing to do next, how held levels keep
//! - [`judge_sides`]: left against right, the faults that were seen, and the comparison of two shares, against a published table
//! - [`ladder_file`]: the ladder file: what is refused, and where; what the shipped one holds
//! - [`load_figures`]: load against numbers that follow from the published definitions: Williams et al
//! - [`measure_registry`]: every measure, by the registry: what its file says of itself holds together
//! - [`measures`]: every kind of rep: when it is soft, which faults it tells of, what is refused
//! - [`named_by_role`]: rules name roles, never the id of a skill; what is data names skills that are there
//! - [`no_circles`]: the modules of core and store form no circle, neither file by file nor folder by folder: in the core ids and plain values lie at the bottom, then reps, ladder, programs, evidence, judge, rides, and what uses them on top
//! - [`people_rules`]: usernames, passwords, clearances, hours
//! - [`programs`]: programs: schools and changed gates on the ladder
//! - [`published_charts`]: slip alarm and trend against published worked examples and tables
//! - [`published_give_times`]: times to give against a published survival analysis
//! - [`published_shares`]: soft-share bounds against published figures
//! - [`quit_use`]: what came of quitting on a good one, told from the record
//! - [`quitting`]: A good place to quit
//! - [`quitting_riders`]: riders of simulated horses quit as they are said to, and a horse of a rider who quits early is looked at further back
//! - [`report_month`]: A horse's month: figures counted again from the reps by another way, and the sentences, which hold nothing but those figures
//! - [`report_review`]: the trainer's review: hours by kind of work, plans against rides, weeks of runs, days against the program, invoice lines
//! - [`ride_card`]: the ride card, case by case
//! - [`riders`]: how riders differ: held to scikit-learn, found again where they were put in, and taken into account by the judge only where that is very likely real
//! - [`rig`]: the rig an ask was made in
//! - [`rigs`]: rigs in the judge: a rig that is new marks its reps, and soft shares by rig side by side
//! - [`road_gathered`]: what a barn's own asks say of the road: rides until held, where a horse stands, the rides the judge's forecast leaves; what the road makes of it
//! - [`road_pace`]: the barn's pace and the road to a date
//! - [`sheet_read`]: CSV sheets brought in
//! - [`sheet_written`]: sheets as CSV, read back by a reader written here from RFC 4180 alone: a cell in quotes holds anything, quotes in it doubled (2.5 to 2.7); lines end with CRLF (2.1)
//! - [`simulated_horse`]: the simulated horse answers as its traits say
//! - [`tape`]: films as marks: splits and strides against values worked out by hand, the way on the plan against a camera whose place is known
//! - [`track`]: tracks and reins: circles against a published example and circles whose truth is known, gaits against speeds that are, asks against pulls that are, files
//! - [`trips`]: the share of trips on which nothing is asked
//! - [`week_input`]: days, horses, riders and cattle as the planner of a week sees them, counted by hand
//! - [`whole_horse_always_holds`]: what must hold of a whole horse, whatever it answers: simulated horses ridden up the whole ladder, every kind of rep among them

mod archive_form;
mod barn;
mod batch_checks;
mod bench_guard;
mod bounds_as_documented;
mod calculator_judge;
#[cfg(feature = "schema")]
mod calculators;
mod card_rules;
mod care_due;
mod cattle;
mod clusters;
mod day_rules;
mod evidence_always_holds;
mod gate_families;
mod gear_rules;
mod gear_statics;
mod gear_tack;
mod golden_filter;
mod ground;
mod heat_rules;
mod held;
mod horse_rows;
mod intake;
mod intake_bench;
mod judge_give_gate;
mod judge_holes;
mod judge_horse;
mod judge_intake;
mod judge_overview;
mod judge_sides;
mod ladder_file;
mod load_figures;
mod measure_registry;
mod measures;
mod named_by_role;
mod no_circles;
mod people_rules;
mod programs;
mod published_charts;
mod published_give_times;
mod published_shares;
mod quit_use;
mod quitting;
mod quitting_riders;
mod report_month;
mod report_review;
mod ride_card;
mod riders;
mod rig;
mod rigs;
mod road_gathered;
mod road_pace;
mod sheet_read;
mod sheet_written;
mod simulated_horse;
mod tape;
mod track;
mod trips;
mod week_input;
mod whole_horse_always_holds;
