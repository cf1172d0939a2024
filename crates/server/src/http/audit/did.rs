//! Each operation that changes something, in plain words. What is not kept says why.

/// What an operation is to the changes of a barn.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Did {
    /// It is kept, in these words.
    Kept(&'static str),
    /// It is not, because of this.
    Left(&'static str),
}

use Did::Kept;

const CHANGES_NOTHING: Did = Did::Left("it changes nothing");
const OF_A_DEVICE: Did = Did::Left("a device says what it sees");
const OWN_HISTORY: Did = Did::Left("asks and rides have their own history");
const NOBODY_YET: Did = Did::Left("nobody is signed in yet");

/// What an operation did; none of one that is not known.
pub fn did(operation: &str) -> Option<Did> {
    let at = OPERATIONS.binary_search_by_key(&operation, |(known, _)| known);
    at.ok().map(|at| OPERATIONS[at].1)
}

/// By the name of the operation.
const OPERATIONS: &[(&str, Did)] = &[
    ("add_booking", Kept("booked")),
    ("add_busy_calendar", Kept("added a busy calendar")),
    ("add_card_block", Kept("put something on a card")),
    ("add_care", Kept("noted care")),
    ("add_cattle_lot", Kept("added a lot of cattle")),
    ("add_course", Kept("added a course")),
    ("add_cow", Kept("added one to the herd")),
    ("add_cow_rows", Kept("added to the herd from rows")),
    ("add_gear", Kept("added a piece of tack")),
    ("add_horse", Kept("added a horse")),
    ("add_horse_rows", Kept("added horses from rows")),
    ("add_overrule", Kept("overrode Cavesson")),
    ("add_owner_note", Kept("told the owner something")),
    ("add_person", Kept("added a person")),
    ("add_place", Kept("added a place")),
    ("add_program", Kept("added a program")),
    (
        "answer_drop",
        Kept("said who looked at a side that went bad"),
    ),
    ("begin_solve", CHANGES_NOTHING),
    ("bring_back_booking", Kept("brought a booking back")),
    (
        "bring_back_owner_note",
        Kept("showed a note to the owner again"),
    ),
    (
        "bring_barn_in",
        Did::Left("the archive taken out again is to be the same"),
    ),
    ("build_card", CHANGES_NOTHING),
    ("change_barn", Kept("changed the barn")),
    ("change_cattle_lot", Kept("changed a lot of cattle")),
    ("change_course", Kept("changed a course")),
    ("change_cow", Kept("changed one of the herd")),
    ("change_gear", Kept("changed a piece of tack")),
    ("change_horse", Kept("changed a horse's sheet")),
    ("change_password", Kept("changed their password")),
    ("change_person", Kept("changed a person")),
    ("change_place", Kept("changed a place")),
    ("change_program", Kept("changed a program")),
    ("change_report", Kept("changed the words of a report")),
    ("check_sheet", CHANGES_NOTHING),
    ("clear_care", Kept("changed a note of care")),
    ("draw_lay", Kept("drew a place")),
    ("end_other_devices", Kept("signed their other devices out")),
    ("end_restore", Kept("ended a way back")),
    ("fit_tack", Kept("set a piece of tack")),
    ("hear_flag", OF_A_DEVICE),
    ("horse_comes_back", Kept("brought a horse back")),
    ("import_sheet", Kept("brought in a sheet")),
    ("look_at_link", NOBODY_YET),
    ("look_into_archive", CHANGES_NOTHING),
    ("make_calendar_link", Kept("made a calendar link")),
    ("make_horse_link", Kept("made a link to a horse")),
    ("make_link", Kept("made a link for a person")),
    ("make_report_draft", Kept("made a report a draft again")),
    ("move_booking", Kept("moved a booking")),
    ("open_horse_link", NOBODY_YET),
    ("open_report_by_link", NOBODY_YET),
    ("order_flag", OF_A_DEVICE),
    ("person_comes_back", Kept("brought a person back")),
    ("person_leaves", Kept("put down that a person left")),
    ("place_horse", Kept("placed a horse by hand")),
    ("plan_restore", Kept("planned a way back")),
    ("plug_device", Kept("plugged a device in, or out")),
    ("preview_program", CHANGES_NOTHING),
    ("put_away_cattle_lot", Kept("put a lot away, or back")),
    ("put_away_course", Kept("put a course away, or back")),
    ("put_away_cow", Kept("put one of the herd away, or back")),
    ("put_away_gear", Kept("put a piece of tack away, or back")),
    ("put_away_place", Kept("put a place away, or back")),
    ("put_bit_change", Kept("went on with a change of bit")),
    ("put_cool_out", Kept("cooled a horse out")),
    ("put_cow_round", Did::Left("a round of a game")),
    ("put_cow_sign", Kept("noted a sign on one of the herd")),
    ("put_cow_treatment", Kept("noted a treatment")),
    ("put_horse_program", Kept("put a horse on a program")),
    ("put_ride_horse", Kept("put a ride under another horse")),
    ("put_settling", Kept("noted a settled herd")),
    ("put_tape", Kept("marked a film")),
    ("put_timed_run", OF_A_DEVICE),
    ("put_weather", Kept("put in weather")),
    ("remove_booking", Kept("took a booking out")),
    ("remove_busy_calendar", Kept("took a busy calendar out")),
    ("remove_card_block", Kept("took something off a card")),
    ("revoke_calendar_link", Kept("took a calendar link back")),
    ("revoke_horse_link", Kept("took a link to a horse back")),
    ("revoke_link", Kept("took a person's link back")),
    ("run_calculator", CHANGES_NOTHING),
    ("see_news", CHANGES_NOTHING),
    ("send_horse_home", Kept("sent a horse home")),
    ("send_report", Kept("sent a report")),
    ("set_care_again", Kept("set when care comes again")),
    ("set_goals", Kept("set goals")),
    ("set_leads_to", Kept("set what a program leads to")),
    (
        "set_rides_a_week",
        Kept("set the rides a week of a program"),
    ),
    ("set_traits", Kept("set a horse's traits")),
    ("sign_in", NOBODY_YET),
    ("sign_out", NOBODY_YET),
    ("skip_booking", Kept("skipped a booking")),
    ("stop_solve", CHANGES_NOTHING),
    ("store_batch", OWN_HISTORY),
    ("swap_bookings", Kept("swapped two bookings")),
    ("take_back_owner_note", Kept("hid a note from the owner")),
    ("take_back_report", Kept("threw a report away")),
    ("take_lay_away", Kept("took the drawing of a place away")),
    ("take_link", NOBODY_YET),
    ("take_off_tack", Kept("took a piece of tack off a horse")),
    ("take_out_cattle_lot", Kept("took a lot out")),
    ("take_out_course", Kept("took a course out")),
    ("take_out_cow", Kept("took one out of the herd")),
    ("take_out_cow_treatment", Kept("took a treatment out")),
    ("take_out_gear", Kept("took a piece of tack out")),
    ("take_out_place", Kept("took a place out")),
    ("take_out_settling", Kept("took a settled herd out")),
    ("take_out_tape", Kept("took a film's marks out")),
    ("take_week", Kept("took a week's plan over")),
    ("undo_import", Kept("took a sheet back")),
    ("withdraw_overrule", Kept("took an override back")),
    ("withdraw_placing", Kept("took a placing back")),
    ("write_report", Kept("wrote a report")),
];

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_operations_are_in_order_and_each_is_found() {
        assert!(OPERATIONS.is_sorted_by(|a, b| a.0 < b.0));
        for (operation, what) in OPERATIONS {
            assert_eq!(did(operation), Some(*what));
        }
        assert_eq!(did("nothing_of_the_kind"), None);
    }
}
