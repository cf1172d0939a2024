//! Every table of an archive: what it holds, what names a row, and its columns in the order
//! of what they refer to, so that tables can be read one after the other.
//!
//! A column is written as its name, its kind, `?` where it may be null, `of` the table that
//! its id is to be found in, and `since` the version of the form in which it came.

/// A table as it is written here: since which version, name, what a row is, key, columns.
pub(super) type Written = (u32, &'static str, &'static str, &'static str, &'static str);

const fn table(
    name: &'static str,
    says: &'static str,
    key: &'static str,
    columns: &'static str,
) -> Written {
    (1, name, says, key, columns)
}

const fn since(version: u32, table: Written) -> Written {
    (version, table.1, table.2, table.3, table.4)
}

pub(super) const TABLES: &[Written] = &[
    table(
        "barn",
        "The barn itself, one row. Its short name, which ends every username, is the server's and not in it.",
        "",
        "name text, time_zone text, made_at instant, units text, quiet_outings_pct integer",
    ),
    table(
        "person",
        "Somebody of the barn, also who left. Passwords are not in it.",
        "person_id",
        "person_id id, sign_in text, name text, role text, made_at instant, left_at instant?, \
         only_horses ids?, cleared_rigs texts, cleared_cattle flag, cleared_first_rides flag, \
         home_by time?, cleared_quiet_hands flag",
    ),
    table(
        "work_hours",
        "From when to when somebody works on a weekday, 1 for Monday.",
        "person_id weekday",
        "person_id id of person, weekday integer, from_time time, to_time time, \
         most_horses integer",
    ),
    table(
        "program",
        "A program: a school and changed gates.",
        "program_id",
        "program_id id, made_at instant, rides_a_week integer, leads_to json",
    ),
    table(
        "program_version",
        "What a program says, version by version.",
        "program_id version",
        "program_id id of program, version integer, ladder_version integer, content json, \
         made_by id of person, made_at instant, content_form integer, from_day day? since 3",
    ),
    since(
        2,
        table(
            "import",
            "A CSV sheet that was brought in.",
            "import_id",
            "import_id id, sheet text, name text, rows integer, made json, by_id id of person, \
             at instant, undone_at instant?",
        ),
    ),
    table(
        "place",
        "An arena, a pen, outside; its lay drawn to scale in feet.",
        "place_id",
        "place_id id, name text, kind text, horses_at_once integer, put_away_at instant?, \
         opens time?, closes time?, lay json?",
    ),
    table(
        "gear",
        "A bit, a bosal, a headstall on the shelf.",
        "gear_id",
        "gear_id id, name text, kind text, note text, put_away_at instant?, measures json, \
         quiet_hands flag, most_hand text?",
    ),
    table(
        "cattle_lot",
        "A lot of cattle.",
        "lot_id",
        "lot_id id, name text, kind text, head integer, note text, put_away_at instant?, \
         works_a_day integer, minutes_a_day integer",
    ),
    table(
        "cow",
        "One of a lot.",
        "cow_id",
        "cow_id id, lot_id id of cattle_lot, tag text, kind text, weight_lb integer?, came day, \
         tempo text, handling text, done flag, note text, put_away_at instant?, \
         import_id id? of import since 2",
    ),
    table(
        "cow_sign",
        "Something seen on one of the cattle.",
        "sign_id",
        "sign_id id, cow_id id of cow, sign text, seen_on day, cleared_on day?, note text, \
         made_by id of person",
    ),
    table(
        "cow_treatment",
        "Something given to one of the cattle, with its withdrawal days.",
        "treatment_id",
        "treatment_id id, cow_id id of cow, given_on day, what text, by_whom text, \
         withdrawal_days integer, note text, made_by id of person",
    ),
    table(
        "settling",
        "A time in which a horse stood among a lot until it settled.",
        "settling_id",
        "settling_id id, lot_id id of cattle_lot, day day, minutes integer, put_back integer, \
         stands flag, note text, made_by id of person, made_at instant",
    ),
    table(
        "horse",
        "A horse, here or gone home.",
        "horse_id",
        "horse_id id, name text, sex text, foaled integer, color text, owner_id id? of person, \
         made_at instant, known_version integer, program_id id? of program, judged_until day?, \
         traits texts, markings text, note text, sent_home_at instant?, \
         import_id id? of import since 2, forgotten_until integer? since 2",
    ),
    table(
        "goal",
        "What a horse is meant for, by which day.",
        "horse_id position",
        "horse_id id of horse, position integer, kind text, name text, day day, levels json",
    ),
    table(
        "care",
        "A note of care.",
        "care_id",
        "care_id id, horse_id id of horse, kind text, day day, cleared_on day?, text text, \
         made_by id of person, made_at instant, again_days integer?",
    ),
    table(
        "overrule",
        "The trainer's call on a level, against Cavesson's.",
        "overrule_id",
        "overrule_id id, horse_id id of horse, skill text, rung text, day day, judge_said text, \
         counts_as text, reason text, made_by id of person, made_at instant, \
         withdrawn_at instant?",
    ),
    since(
        3,
        table(
            "horse_program",
            "From which day on a horse is on which program; null is the standard ladder.",
            "horse_id from_day",
            "horse_id id of horse, from_day day, program_id id? of program",
        ),
    ),
    since(
        3,
        table(
            "horse_placing",
            "Where a horse was placed by hand: levels that count until first asks say otherwise.",
            "placing_id",
            "placing_id id, horse_id id of horse, day day, levels json, made_by id of person, \
             made_at instant, withdrawn_at instant?",
        ),
    ),
    since(
        3,
        table(
            "drop_answer",
            "Who looked at a side that went bad at once, and what came of it.",
            "answer_id",
            "answer_id id, horse_id id of horse, skill text, rung text, side text, day day, \
             says text, made_by id of person, made_at instant",
        ),
    ),
    table(
        "intake",
        "What an intake found.",
        "horse_id",
        "horse_id id of horse, day day, known_version integer, ladder_version integer, \
         kept json, found json, made_at instant",
    ),
    table(
        "card_block",
        "A block put on the card of a coming day.",
        "block_id",
        "block_id id, horse_id id of horse, day day, skill text, rung text, side text?, \
         text text, fault text?, made_by id of person, made_at instant, removed_at instant?",
    ),
    table(
        "program_day",
        "On which weekday a horse is ridden, by whom, where, at what.",
        "horse_id weekday",
        "horse_id id of horse, weekday integer, starts_at time, rider_id id of person, \
         place_id id of place, skill text, rung text",
    ),
    table(
        "booking",
        "Something that stands in a day.",
        "booking_id",
        "booking_id id, day day, kind text, horse_id id? of horse, person_id id? of person, \
         place_id id? of place, place_spot integer?, during span, skill text?, rung text?, \
         note text, skipped_because text?, made_by id? of person, made_at instant, pinned flag",
    ),
    table(
        "day_laid_out",
        "A day that was laid out from the weekdays of the horses.",
        "day",
        "day day",
    ),
    table(
        "course",
        "A barrel course, a drill or a trail course at a place.",
        "course_id",
        "course_id id, place_id id of place, name text, kind text, plan json, \
         put_away_at instant?",
    ),
    table(
        "fitting",
        "What a horse wears, and how it is set.",
        "horse_id gear_id",
        "horse_id id of horse, gear_id id of gear, on_head flag, worn flag, fitting json, \
         fitted_at instant, fitted_by id of person",
    ),
    table(
        "bit_change",
        "A change of bit, step by step.",
        "change_id",
        "change_id id, horse_id id of horse, gear_id id of gear, from_gear_id id? of gear, \
         started_at instant, day day, steps json, made_by id of person",
    ),
    table(
        "restore",
        "The way back to something mild.",
        "restore_id",
        "restore_id id, horse_id id of horse, gear_id id of gear, weeks integer, riders ids, \
         began day, ended day?",
    ),
    table(
        "ride",
        "A ride.",
        "ride_id",
        "ride_id id, horse_id id of horse, rider_id id of person, day day, started_at instant, \
         finished_at instant?, received_at instant, marks texts, note text, \
         device_started_at instant, opened_again integer, quiet_after_s number?, ended text?, \
         mood text?, intake json?, present text?, exertion text?, from_tape flag, \
         import_id id? of import since 2",
    ),
    table(
        "ride_block",
        "A part of a ride with one aim.",
        "ride_id block_id",
        "ride_id id of ride, block_id id, position integer, skill text, rung text, \
         made_at instant",
    ),
    table(
        "ride_rig",
        "What was worn from then on in a ride.",
        "ride_id after_ms",
        "ride_id id of ride, after_ms integer, kind text, name text, gear_id id? of gear",
    ),
    table(
        "ride_share",
        "How much of the asking was the bosal's from then on in a ride.",
        "ride_id after_ms",
        "ride_id id of ride, after_ms integer, bosal_pct number",
    ),
    table(
        "ride_work",
        "One cow, or the flag, for a while.",
        "work_id",
        "ride_id id of ride, work_id id, cow_id id? of cow, after_ms integer, \
         ended_after_ms integer?, ended_how text?",
    ),
    table(
        "horse_asked",
        "What the horse asked for in a ride, at an intake.",
        "ride_id ask_id",
        "ride_id id of ride, ask_id id, after_ms integer, ask text, undone flag",
    ),
    table(
        "block_fault",
        "A fault seen in a part of a ride, not on one ask.",
        "ride_id skill rung fault",
        "ride_id id of ride, skill text, rung text, fault text",
    ),
    table(
        "ride_horse_change",
        "A ride that was put on another horse.",
        "ride_id change",
        "ride_id id of ride, change integer, from_horse id of horse, to_horse id of horse, \
         changed_by id of person, changed_at instant",
    ),
    table(
        "rep",
        "An ask and its answer. Where `measure.kind` is `give`, `time_s` is the time to give.",
        "rep_id",
        "rep_id id, ride_id id of ride, horse_id id, skill text, rung text, side text, \
         asked_at instant, measure json, undone_at instant?, recorded_by id of person, \
         received_at instant, faults texts, known_version integer, block_id id, \
         sequence integer, asked_after_ms integer, device_asked_at instant, changes integer, \
         measure_form integer, import_id id? of import since 2",
    ),
    table(
        "rep_change",
        "An ask that was taken back or brought back.",
        "rep_id changes taken_back",
        "rep_id id of rep, changes integer, taken_back flag, changed_by id of person, \
         changed_at instant",
    ),
    table(
        "kept_verdict",
        "What Cavesson said of a level at the end of a day.",
        "horse_id skill rung day known_version",
        "horse_id id of horse, skill text, rung text, known_version integer, day day, \
         verdict text, state text, ladder_version integer, program_id id?, \
         program_version integer?, kept_at instant",
    ),
    table(
        "rider_comparison",
        "A day on which riders were compared.",
        "day",
        "day day, made_at instant",
    ),
    table(
        "rider_offset",
        "How a rider differed that day, on the scale of log odds.",
        "day rider_id",
        "day day, rider_id id of person, logit_offset number, \
         logit_sd number, asks integer, horses integer",
    ),
    table(
        "cool_out",
        "A cooling out.",
        "cool_out_id",
        "cool_out_id id, horse_id id of horse, started_at instant, day day, note text, \
         made_by id of person",
    ),
    table(
        "cool_reading",
        "A reading while cooling out.",
        "cool_out_id minute",
        "cool_out_id id of cool_out, minute integer, pulse integer, breaths integer, \
         temperature_f number?",
    ),
    table(
        "tape",
        "A film as marks.",
        "tape_id",
        "tape_id id, horse_id id of horse, name text, day day, sheet json, made_by id of person, \
         kept_at instant",
    ),
    table(
        "timed_run",
        "A time of timing eyes.",
        "timed_id",
        "timed_id id, eyes text, at instant, time_ms integer, faults texts, \
         made_by id of person",
    ),
    table(
        "cow_round",
        "A round on the cow of the trainer.",
        "round_id",
        "round_id id, person_id id of person, at instant, level text, stale flag, seed integer, \
         score number, steered json",
    ),
    table(
        "weather_hour",
        "An hour of weather.",
        "at",
        "at instant, temperature_f number, humidity_pct number, read_at instant",
    ),
    table(
        "busy_calendar",
        "A calendar of somebody's other business.",
        "calendar_id",
        "calendar_id id, person_id id of person, name text, made_by id of person, \
         made_at instant",
    ),
    table(
        "busy_time",
        "When somebody is busy elsewhere.",
        "calendar_id during",
        "calendar_id id of busy_calendar, during span",
    ),
    table(
        "owner_note",
        "A note chosen for an owner.",
        "note_id",
        "note_id id, horse_id id of horse, day day, text text, made_by id of person, \
         made_at instant, taken_back_at instant?",
    ),
    table(
        "owner_report",
        "A report of a month for an owner.",
        "report_id",
        "report_id id, horse_id id of horse, month day, told json, sections json, \
         written_by id of person, written_at instant, sent_at instant?, taken_back_at instant?",
    ),
    since(
        2,
        table(
            "device_unplugged",
            "A device that is not heard.",
            "device",
            "device text, by_id id of person, at instant",
        ),
    ),
    since(
        2,
        table(
            "deed",
            "Who changed what, and when.",
            "deed_id",
            "deed_id id, at instant, person_id id of person, operation text, did text, path text, \
             horse_id id? of horse, said json?",
        ),
    ),
];
