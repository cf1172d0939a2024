//! Every limit on a number that comes from outside, in one table. The checks and
//! the error texts read it. The schemas repeat some of them, as their attributes take
//! numbers only: `bounds_as_documented` tries each documented edge and what lies beyond
//! it. So do the tables' checks; the tests of migrations hold those against this table.

mod bound;

use bound::bound;
pub use bound::{
    Bound, FieldError, PLANNED_AHEAD_DAYS, check_past_day, check_planned_day, once, together,
};

/// Seconds from ask to give, or waited in vain. Two minutes of holding is no ask.
pub const TIME_S: Bound = bound("time to give or time waited", "s", 0.0, 120.0);
/// Seconds up to which a restricted mean time is taken.
pub const HORIZON_S: Bound = bound("horizon", "s", 0.1, 1e6);
/// Seconds in a calculator's list of times (any survival data is welcome there).
pub const ANY_TIME_S: Bound = bound("time", "s", 0.0, 1e6);
/// A confidence level.
pub const CONFIDENCE: Bound = bound("confidence", "", 0.5, 0.9999);
/// A count of asks.
pub const ASKED: Bound = bound("asks", "", 1.0, 1e9);
/// A share of a whole.
pub const SHARE: Bound = bound("share", "", 0.0, 1.0);
/// An intra-cluster correlation.
pub const ICC: Bound = bound("intra-cluster correlation", "", 0.0, 0.99);
/// A gate's window in rides.
pub const WINDOW_RIDES: Bound = bound("window in rides", "rides", 1.0, 200.0);
/// A gate's window in days.
pub const WINDOW_DAYS: Bound = bound("window in days", "days", 1.0, 400.0);
/// The least number of reps per side a gate asks for; 0 for no such rail.
pub const LEAST_REPS: Bound = bound("reps per side", "reps", 0.0, 500.0);
/// The least number of days a gate asks for; 0 for no such rail.
pub const LEAST_DAYS: Bound = bound("days", "days", 0.0, 60.0);
/// The number a gate asks for of what adds up; 0 for no such rail.
pub const LEAST_COUNT: Bound = bound("count", "", 0.0, 10_000.0);
/// How sure a rider's offset is.
pub const RIDER_DEVIATION: Bound = bound("standard deviation of an offset", "", 0.001, 10.0);
/// The soft share under which a ride moves a level back.
pub const EASE_SHARE: Bound = bound("share that moves a level back", "", 0.0, 1.0);
/// First asks looked at, and how many of them have to be soft.
pub const FIRST_ASKS: Bound = bound("first asks", "days", 0.0, 30.0);
/// The ratio of the slower side's time to the quicker side's.
pub const TIME_RATIO: Bound = bound("ratio of times", "", 1.0, 20.0);
/// Days after which a held level turns rusty.
pub const RUSTY_DAYS: Bound = bound("days to rusty", "days", 1.0, 400.0);
/// Light bumps of the rein until the give.
pub const BUMPS: Bound = bound("bumps", "bumps", 0.0, 100.0);
/// Steps asked at once.
pub const STEPS: Bound = bound("steps", "steps", 1.0, 60.0);
/// Circles ridden at once.
pub const CIRCLES: Bound = bound("circles", "circles", 1.0, 60.0);
/// Times the nose came up.
pub const NOSE_UPS: Bound = bound("nose-ups", "", 0.0, 200.0);
/// Strides until something happened.
pub const STRIDES: Bound = bound("strides", "strides", 0.0, 60.0);
/// Seconds or circles carried.
pub const CARRIED: Bound = bound("seconds or circles carried", "", 0.0, 3600.0);
/// Seconds or circles asked to be carried.
pub const ASKED_TO_CARRY: Bound = bound("seconds or circles asked", "", 1.0, 3600.0);
/// Times the frame was left.
pub const LEAVES: Bound = bound("times it left the frame", "", 0.0, 200.0);
/// Tries at an obstacle.
pub const TRIES: Bound = bound("tries", "tries", 1.0, 60.0);
/// Feet on an obstacle.
pub const FEET_ON: Bound = bound("feet on", "feet", 0.0, 4.0);
/// A pocket: from the middle of the barrel to the horse's track.
pub const POCKET_FT: Bound = bound("pocket", "ft", 0.0, 60.0);
/// A pocket that a course is laid out with.
pub const COURSE_POCKET_FT: Bound = bound("pocket", "ft", 1.0, 20.0);
/// A measure of the barrel course.
pub const COURSE_FT: Bound = bound("measure of the course", "ft", 20.0, 200.0);
/// How far a barrel stands from where the measures put it.
pub const BARREL_MOVED_FT: Bound = bound("way a barrel is moved", "ft", -150.0, 150.0);
/// By how much a course shrinks at a time.
pub const SHRINK_STEP_FT: Bound = bound("step", "ft", 0.5, 30.0);
/// Room round a course.
pub const CLEARANCE_FT: Bound = bound("room", "ft", 0.0, 120.0);
/// A point on the plan of a place.
pub const ON_PLAN_FT: Bound = bound("point on the plan", "ft", -3_000.0, 3_000.0);
/// Corners of an outline.
pub const CORNERS: Bound = bound("corners of an outline", "corners", 3.0, 60.0);
/// Areas of a place to keep off.
pub const KEEP_OFFS: Bound = bound("areas to keep off", "areas", 0.0, 20.0);
/// Posts of a place to measure from.
pub const POSTS: Bound = bound("posts", "posts", 0.0, 40.0);
/// The width of a gate.
pub const GATE_WIDTH_FT: Bound = bound("width of a gate", "ft", 2.0, 60.0);
/// Which way something points on a plan.
pub const HEADING_DEG: Bound = bound("turn on the plan", "degrees", -360.0, 360.0);
/// Longitude on the earth.
pub const LONGITUDE_DEG: Bound = bound("longitude", "degrees", -180.0, 180.0);
/// Latitude on the earth; a plan so near a pole is no plan.
pub const LATITUDE_DEG: Bound = bound("latitude", "degrees", -85.0, 85.0);
/// The length of a stride.
pub const STRIDE_FT: Bound = bound("stride", "ft", 2.0, 30.0);
/// A horse's speed.
pub const SPEED_FT_S: Bound = bound("speed", "ft/s", 1.0, 80.0);
/// Strides before a barrel at which to rate.
pub const RATE_STRIDES: Bound = bound("strides of rate", "strides", 0.0, 8.0);
/// GeoJSON of a place.
pub const GEOJSON_LETTERS: Bound = bound("GeoJSON", "letters", 2.0, 200_000.0);
/// Corners of a fence and of all there is to keep off, where a course is to be fitted in.
pub const FIT_CORNERS: Bound = bound("corners in all", "corners", 3.0, 400.0);
/// Obstacles of a trail course.
pub const OBSTACLES: Bound = bound("obstacles", "", 1.0, 30.0);
/// Poles or posts of an obstacle.
pub const POLE_COUNT: Bound = bound("poles", "", 1.0, 12.0);
/// From pole to pole.
pub const POLE_SPACING_FT: Bound = bound("spacing", "ft", 0.5, 30.0);
/// The height of an obstacle.
pub const OBSTACLE_HEIGHT_IN: Bound = bound("height", "in", 0.0, 60.0);
/// The width of an obstacle.
pub const OBSTACLE_WIDTH_IN: Bound = bound("width", "in", 4.0, 240.0);
/// The length of an obstacle.
pub const OBSTACLE_LENGTH_FT: Bound = bound("length", "ft", 0.5, 120.0);
/// Points known in a film and on the ground.
pub const FILM_PAIRS: Bound = bound("known points", "", 4.0, 40.0);
/// Times a cow was headed.
pub const HEADINGS: Bound = bound("headings", "", 0.0, 10_000.0);
/// Horses that are matched at once.
pub const HORSES_MATCHED: Bound = bound("horses", "", 0.0, 100.0);
/// Cattle that are matched at once.
pub const CATTLE_MATCHED: Bound = bound("cattle", "", 0.0, 300.0);
/// Works of a horse or a cow on a day.
pub const WORKS: Bound = bound("works", "", 0.0, 6.0);
/// How far a flag can go.
pub const FLAG_FT: Bound = bound("width", "ft", 20.0, 200.0);
/// How long a program of the flag lasts.
pub const FLAG_MIN: Bound = bound("minutes", "min", 0.5, 10.0);
/// Steps of the cow at once: a minute.
pub const COW_STEPS: Bound = bound("steps", "", 1.0, 3_600.0);
/// What the tag of a cow says.
pub const TAG_LETTERS: Bound = bound("letters of a tag", "letters", 1.0, 8.0);
/// The weight of a cow.
pub const COW_LB: Bound = bound("weight", "lb", 60.0, 3_000.0);
/// Works of a cow on a day at the most.
pub const WORKS_A_DAY: Bound = bound("works a day", "works", 1.0, 6.0);
/// Minutes of a cow on a day at the most.
pub const COW_MINUTES_A_DAY: Bound = bound("minutes a day", "min", 1.0, 60.0);
/// Cattle of a barn.
pub const CATTLE_OF_LOT: Bound = bound("cattle", "", 0.0, 300.0);
/// Minutes that settling a herd took.
pub const SETTLING_MIN: Bound = bound("minutes", "min", 1.0, 240.0);
/// How often one that left was put back.
pub const PUT_BACK: Bound = bound("times", "", 0.0, 200.0);
/// Days of a withdrawal.
pub const WITHDRAWAL_DAYS: Bound = bound("days", "days", 0.0, 365.0);
/// Works of a ride.
pub const WORKS_OF_RIDE: Bound = bound("works", "works", 0.0, 60.0);
/// Turns that are looked back on.
pub const TURNS_LATELY: Bound = bound("turns", "turns", 0.0, 2_000.0);
/// Feet along the line of the flag.
pub const FLAG_AT_FT: Bound = bound("place of the flag", "ft", 0.0, 200.0);
/// Speed of the flag; below 0 goes back.
pub const FLAG_FT_S: Bound = bound("speed of the flag", "ft/s", -40.0, 40.0);
/// Points of a track.
pub const TRACK_POINTS: Bound = bound("points", "points", 0.0, 100_000.0);
/// Seconds from the first point or reading: a day.
pub const TRACK_S: Bound = bound("time", "s", 0.0, 86_400.0);
/// Degrees north.
pub const LATITUDE: Bound = bound("latitude", "degrees", -90.0, 90.0);
/// Degrees east.
pub const LONGITUDE: Bound = bound("longitude", "degrees", -180.0, 180.0);
/// The text of a GPX file: a day of a watch with all it puts in beside.
pub const GPX_BYTES: Bound = bound("GPX file", "bytes", 0.0, 30_000_000.0);
/// The text of a gauge's trace.
pub const GAUGE_BYTES: Bound = bound("trace", "bytes", 0.0, 20_000_000.0);
/// Readings that a listener keeps.
pub const GAUGE_LISTENS: Bound = bound("readings kept", "readings", 0.0, 5_000.0);
/// Lines of a gauge at once.
pub const GAUGE_LINES: Bound = bound("lines", "lines", 0.0, 1_000.0);
/// The pull of a rein; a gauge that is not level reads a little below 0.
pub const GAUGE_N: Bound = bound("pull", "N", -20.0, 500.0);
/// Readings of a rein gauge: two hours at 50 a second.
pub const GAUGE_READINGS: Bound = bound("readings", "readings", 0.0, 400_000.0);
/// How much slower the flag goes than it was told.
pub const FLAG_SPEED_PCT: Bound = bound("speed", "%", 25.0, 100.0);
/// Points known on the ground of a tape.
pub const KNOWN_POINTS: Bound = bound("known points", "", 0.0, 80.0);
/// Films of a tape.
pub const FILMS: Bound = bound("films", "", 1.0, 2.0);
/// A moment of a film, or its length.
pub const FILM_S: Bound = bound("time in a film", "s", 0.0, 14_400.0);
/// How long a frame stands.
pub const FRAME_S: Bound = bound("time of a frame", "s", 0.001, 1.0);
/// Width or height of a film.
pub const FILM_PX: Bound = bound("size of a film", "pixels", 16.0, 20_000.0);
/// Marks of a tape in time.
pub const TAPE_MARKS: Bound = bound("marks", "", 0.0, 4_000.0);
/// Points marked in a film.
pub const FILM_MARKS: Bound = bound("marks", "", 0.0, 20_000.0);
/// A point of a film or of the ground beneath it.
pub const FILM_POINT: Bound = bound("point", "", -20_000.0, 20_000.0);
/// Runs that are compared at once.
pub const RUNS: Bound = bound("runs", "runs", 1.0, 500.0);
/// The way round a course.
pub const PATH_FT: Bound = bound("length of the way", "ft", 100.0, 3_000.0);
/// A part of a run.
pub const SPLIT_S: Bound = bound("split", "s", 0.2, 600.0);
/// The length of a tape.
pub const TAPE_FT: Bound = bound("tape", "ft", 25.0, 400.0);
/// What went wrong at timing eyes during a run.
pub const EYE_FAULTS: Bound = bound("faults", "", 0.0, 20.0);
/// Seconds of a run of the pattern.
pub const RUN_S: Bound = bound("time of a run", "s", 5.0, 1800.0);
/// Minutes of being calm.
pub const MINUTES: Bound = bound("minutes", "min", 0.0, 600.0);
/// Seconds of a check-over until the horse was quiet.
pub const QUIET_S: Bound = bound("time until quiet", "s", 0.0, 36_000.0);
/// Levels named, or days remembered, for one card.
pub const OF_A_CARD: Bound = bound("entries", "", 0.0, 400.0);
/// A horse's age.
pub const AGE_YEARS: Bound = bound("age", "years", 0.0, 60.0);
/// Days a horse was ridden before it came.
pub const DAYS_RIDDEN: Bound = bound("days ridden", "days", 0.0, 5_000.0);
/// Horses of a barn.
pub const BARN_HORSES: Bound = bound("horses of a barn", "horses", 0.0, 1_000.0);
/// Which ride of an intake, from 0.
pub const INTAKE_RIDES: Bound = bound("ride of an intake", "", 0.0, 20.0);
/// Minutes there are for a ride.
pub const RIDE_MINUTES: Bound = bound("minutes of a ride", "min", 10.0, 180.0);
/// Temperature of the air.
pub const TEMPERATURE_F: Bound = bound("temperature", "F", -60.0, 140.0);
/// Relative humidity of the air.
pub const HUMIDITY_PCT: Bound = bound("relative humidity", "%", 0.0, 100.0);
/// Rides a week of a horse.
pub const RIDES_A_WEEK: Bound = bound("rides a week", "rides", 0.0, 12.0);
/// Mouthpiece to curb ring.
pub const PURCHASE_IN: Bound = bound("purchase", "in", 0.25, 6.0);
/// Mouthpiece to rein ring.
pub const SHANK_IN: Bound = bound("shank", "in", 0.5, 12.0);
/// Mouthpiece to the chin groove.
pub const JAW_IN: Bound = bound("depth of the jaw", "in", 0.5, 6.0);
/// Pull on a rein.
pub const PULL_LBF: Bound = bound("pull", "lbf", 0.0, 100.0);
/// Angle between rein and shank.
pub const PULL_ANGLE_DEG: Bound = bound("angle between rein and shank", "degrees", 5.0, 175.0);
/// How far a bit is turned. Square to the cheekpiece a strap holds nothing any more.
pub const ROTATION_DEG: Bound = bound("rotation", "degrees", 0.0, 80.0);
/// Half of a curb strap.
pub const HALF_STRAP_IN: Bound = bound("half of the strap", "in", 0.5, 12.0);
/// From hole to hole of a strap.
pub const HOLE_SPACING_IN: Bound = bound("spacing of the holes", "in", 0.125, 2.0);
/// Holes of a strap that are left.
pub const HOLES_LEFT: Bound = bound("holes left", "holes", 0.0, 20.0);
/// A mouthpiece, and a mouth, from side to side.
pub const MOUTH_IN: Bound = bound("width", "in", 3.0, 8.0);
/// From hand to hand.
pub const HANDS_APART_IN: Bound = bound("distance of the hands", "in", 0.0, 60.0);
/// Hands above the rings.
pub const HANDS_HIGH_IN: Bound = bound("height of the hands", "in", -30.0, 30.0);
/// Hands behind the rings.
pub const HANDS_BEHIND_IN: Bound = bound("distance behind the rings", "in", 6.0, 60.0);
/// Any measure of a piece of headgear.
pub const PIECE_IN: Bound = bound("measure", "in", 0.0, 20.0);
/// Weight of a piece of tack.
pub const PIECE_OZ: Bound = bound("weight", "oz", 0.0, 200.0);
/// Steps of a change of bit.
pub const CHANGE_STEPS: Bound = bound("steps", "", 0.0, 100.0);
/// Weeks of the way back for a horse that fights the bit.
pub const RESTORE_WEEKS: Bound = bound("weeks", "", 2.0, 52.0);
/// Riders who are named for it.
pub const NAMED_RIDERS: Bound = bound("riders", "", 1.0, 20.0);
/// Minutes of a ride in the two-rein.
pub const RIDE_MIN: Bound = bound("minutes", "min", 0.0, 600.0);
/// Shares along a ride.
pub const SEGMENTS: Bound = bound("shares", "", 1.0, 200.0);
/// What a horse asked for in a ride.
pub const TWO_REIN_EVENTS: Bound = bound("asks", "", 0.0, 100.0);
/// Rides in the two-rein.
pub const TWO_REIN_RIDES: Bound = bound("rides", "", 1.0, 60.0);
/// A percentage.
pub const PERCENT: Bound = bound("percentage", "%", 0.0, 100.0);
/// Hours of heat in one forecast.
pub const FORECAST_HOURS: Bound = bound("hours of a forecast", "hours", 1.0, 1_000.0);
/// Hours of heat in one day; the day the clock is set back has 25.
pub const HEAT_HOURS: Bound = bound("hours of a day", "hours", 0.0, 25.0);
/// Minutes after work.
pub const COOL_MINUTES: Bound = bound("minutes after work", "min", 0.0, 240.0);
/// Readings of one cool-out sheet.
pub const COOL_READINGS: Bound = bound("readings", "", 0.0, 24.0);
/// Heartbeats a minute.
pub const PULSE: Bound = bound("pulse", "beats a minute", 20.0, 260.0);
/// Breaths a minute.
pub const BREATHS: Bound = bound("breathing", "breaths a minute", 4.0, 200.0);
/// Temperature of a horse.
pub const BODY_TEMPERATURE_F: Bound = bound("temperature of a horse", "F", 90.0, 112.0);
/// Days after which care comes again.
pub const AGAIN_DAYS: Bound = bound("days until it comes again", "days", 7.0, 1_100.0);
/// Load of a day.
pub const DAY_LOAD: Bound = bound("load of a day", "", 0.0, 100_000.0);
/// Days of load at once.
pub const LOAD_DAYS: Bound = bound("days of load", "days", 1.0, 4_000.0);
/// Times of a day at which somebody is busy.
pub const BUSY_TIMES: Bound = bound("busy times of a day", "", 0.0, 50.0);
/// Chips or spots on one rep.
pub const SPOTS: Bound = bound("chips on one rep", "", 0.0, 20.0);
/// Letters of a short name.
pub const WORD_LETTERS: Bound = bound("letters", "letters", 1.0, 40.0);
/// Letters of the name of a person, a horse, a place.
pub const NAME_LETTERS: Bound = bound("letters", "letters", 1.0, 80.0);
/// Letters of a reason or a note.
pub const NOTE_LETTERS: Bound = bound("letters", "letters", 1.0, 600.0);
/// Something counted in one go.
pub const COUNTED: Bound = bound("count", "", 1.0, 1_000.0);
/// How far a device's clock may be off before its times are shifted.
pub const CLOCK_OFF_S: Bound = bound("clock off", "s", 0.0, 120.0);
/// Milliseconds of a device's steady clock since a ride began; two days at most.
pub const RIDE_MS: Bound = bound("time since the ride began", "ms", 0.0, 172_800_000.0);
/// The place of a rep in the order of its ride.
pub const SEQUENCE: Bound = bound("sequence number", "", 0.0, 100_000.0);
/// How often a rep was taken back or brought back, or a ride was opened again.
pub const CHANGES: Bound = bound("changes", "", 0.0, 1_000.0);
/// Seconds by which a device's clock was set forward (below zero: back) in a ride.
pub const SET_FORWARD_S: Bound = bound("clock set forward", "s", -4e9, 4e9);
/// Blocks of one ride.
pub const BLOCKS: Bound = bound("blocks of a ride", "blocks", 0.0, 200.0);
/// Letters of a password.
pub const PASSWORD_LETTERS: Bound = bound("letters of a password", "letters", 0.0, 200.0);
/// Letters of a password that is set.
pub const NEW_PASSWORD_LETTERS: Bound = bound("letters of a password", "letters", 8.0, 200.0);
/// A day of the week, and how many there are.
pub const WEEKDAY: Bound = bound("day of the week (1 is Monday)", "", 1.0, 7.0);
/// Horses that somebody rides in a day.
pub const HORSES_A_DAY: Bound = bound("horses a day", "horses", 0.0, 20.0);
/// Horses in a place at once.
pub const HORSES_AT_ONCE: Bound = bound("horses at once", "horses", 1.0, 40.0);
/// Cattle in a lot.
pub const HEAD: Bound = bound("head of cattle", "head", 1.0, 2_000.0);
/// Rows of a list that is read in one go.
pub const ROWS_AT_ONCE: Bound = bound("rows at once", "rows", 1.0, 500.0);
/// Letters of the name of a file.
pub const FILE_NAME_LETTERS: Bound = bound("letters of a file's name", "letters", 1.0, 200.0);
/// Rows of a CSV sheet that is brought in.
pub const SHEET_ROWS: Bound = bound("rows of a sheet", "rows", 1.0, 200_000.0);
/// Horses of a CSV sheet: every two of them are looked at.
pub const HORSES_OF_SHEET: Bound = bound("horses of a sheet", "horses", 1.0, 2_000.0);
/// Bytes of a file that are looked at before it is read.
pub const SHEET_START: Bound = bound("bytes of a file's start", "bytes", 1.0, 65_536.0);
/// Bookings of a day: every two of them are looked at.
pub const BOOKINGS: Bound = bound("bookings of a day", "", 0.0, 120.0);
/// People, horses or places of a day.
pub const OF_A_DAY: Bound = bound("entries of a day", "", 0.0, 200.0);
/// Minutes from midnight to the start of a booking.
pub const BOOKED_MIN: Bound = bound("start, in minutes from midnight", "min", 0.0, 1439.0);
/// How long a booking takes.
pub const BOOKING_MINUTES: Bound = bound("length of a booking", "min", 5.0, 1440.0);
/// Rides a day of a horse.
pub const RIDES_A_DAY: Bound = bound("rides a day", "rides", 1.0, 4.0);
/// Goals of a horse.
pub const GOALS: Bound = bound("goals", "", 0.0, 20.0);
/// Reps of one simulated horse: rides times asks.
pub const SIMULATED_REPS: Bound = bound("reps of a simulated horse", "reps", 0.0, 10_000.0);
/// A figure that cannot be below zero, in a calculator.
pub const FIGURE: Bound = bound("figure", "", 0.0, 1e9);
/// Any figure in a calculator.
pub const ANY_FIGURE: Bound = bound("figure", "", -1e9, 1e9);
/// The weight of the newest figure in a moving average.
pub const LAMBDA: Bound = bound("weight of the newest figure", "", 0.01, 1.0);
/// Days in one trend: every pair of them is looked at.
pub const SERIES: Bound = bound("figures at once", "", 0.0, 2_000.0);
/// Figures in one chart.
pub const LONG_SERIES: Bound = bound("figures at once", "", 0.0, 100_000.0);
/// Reps in one calculator call or one upload.
pub const REPS_AT_ONCE: Bound = bound("reps at once", "reps", 0.0, 5_000.0);
/// Reps of one horse that are judged at once: years of work.
pub const REPS_OF_A_HORSE: Bound = bound("reps of a horse", "reps", 0.0, 50_000.0);
/// Readiness on the logit scale, for a simulated horse.
pub const LOGIT: Bound = bound("readiness (logit)", "", -10.0, 10.0);
/// Days from one simulated ride to the next.
pub const GAP_DAYS: Bound = bound("days between rides", "days", 1.0, 60.0);
/// Asks of a level and side in a simulated ride; levels of a simulated horse.
pub const ASKS_A_SIDE: Bound = bound("asks at once", "", 0.0, 60.0);
/// A rate or an effect of a simulated horse, on the logit scale.
pub const RATE: Bound = bound("rate or effect", "", 0.0, 10.0);
/// A chance or share of a simulated horse.
pub const CHANCE: Bound = bound("chance", "", 0.0, 1.0);
/// Gates one program changes.
pub const GATE_CHANGES: Bound = bound("gate changes", "", 0.0, 400.0);
/// Rides in one upload.
pub const RIDES_AT_ONCE: Bound = bound("rides at once", "rides", 0.0, 200.0);

/// Days of a week that are planned together.
pub const PLAN_DAYS: Bound = bound("days of a plan", "days", 1.0, 7.0);
/// People of a plan.
pub const PLAN_PEOPLE: Bound = bound("people of a plan", "", 0.0, 60.0);
/// Places, or lots of cattle, of a plan.
pub const PLAN_PLACES: Bound = bound("entries of a plan", "", 0.0, 40.0);
/// What stands already in a week.
pub const PLAN_FIXED: Bound = bound("bookings that stand", "", 0.0, 400.0);
/// Rides of a plan.
pub const PLAN_RIDES: Bound = bound("rides of a plan", "rides", 0.0, 800.0);
/// Minutes from midnight to the start of a ride.
pub const PLAN_MINUTE: Bound = bound("start, in minutes from midnight", "min", 0.0, 1439.0);
/// Minutes of a ride in a plan.
pub const WORK_MINUTES: Bound = bound("minutes of a ride", "min", 5.0, 480.0);
/// Works of a horse, or stretches of quiet hours.
pub const PLAN_WORKS: Bound = bound("entries", "", 0.0, 8.0);
/// Places where a work can be done.
pub const PLACES_OF_WORK: Bound = bound("places", "", 1.0, 40.0);
/// How often a work is done in the week at the most.
pub const WORK_AT_MOST: Bound = bound("times a week", "", 1.0, 12.0);
/// What a work is worth beyond a ride.
pub const WORTH: Bound = bound("worth", "points", 0.0, 200.0);
/// Rides a day of a horse in a plan.
pub const RIDES_AT_MOST: Bound = bound("rides a day", "rides", 1.0, 2.0);
/// Days a week that a horse works.
pub const DAYS_AT_MOST: Bound = bound("days a week", "days", 0.0, 6.0);
/// How much the rides of a horse count.
pub const PLAN_PRIORITY: Bound = bound("priority", "", 0.1, 10.0);
/// What a soft rule counts.
pub const PLAN_WEIGHT: Bound = bound("weight", "points", 0.0, 1000.0);
/// How much more the first ride counts.
pub const MORE: Bound = bound("share more", "", 0.0, 2.0);
/// What a point of heat counts for the young.
pub const YOUNG_HEAT: Bound = bound("weight", "points", 0.0, 100.0);

/// Letters of a part of a report.
pub const REPORT_LETTERS: Bound = bound("the words of a part", "letters", 1.0, 4000.0);
/// A rate of an invoice.
pub const RATE_CENTS: Bound = bound("a rate", "cents", 0.0, 10_000_000.0);
/// Days that a link to a horse works.
pub const LINK_DAYS: Bound = bound("days a link works", "days", 1.0, 400.0);

/// Rides a week on the road to a date: a horse has a day off.
pub const ROAD_RIDES_A_WEEK: Bound = bound("rides a week", "rides", 0.5, 6.0);
/// Levels worked on in a ride.
pub const BLOCKS_A_RIDE: Bound = bound("levels of a ride", "", 1.0, 8.0);
/// Futures that are drawn.
pub const FUTURES: Bound = bound("futures", "", 50.0, 5000.0);
/// Levels named on a road.
pub const ROAD_LEVELS: Bound = bound("levels", "", 0.0, 400.0);
/// Levels of a goal.
pub const GOAL_LEVELS: Bound = bound("levels of a goal", "", 0.0, 60.0);
/// Days on which a horse is not ridden.
pub const ROAD_DAYS_OFF: Bound = bound("days off", "days", 0.0, 400.0);
/// Rides a level takes.
pub const PACE_RIDES: Bound = bound("rides", "rides", 0.5, 2000.0);
/// How quick a horse is.
pub const FACTOR: Bound = bound("factor", "", 0.1, 10.0);
/// How unsure that is.
pub const SPREAD_OF_FACTOR: Bound = bound("spread", "", 0.0, 2.0);
/// Histories of a barn's horses.
pub const HISTORIES: Bound = bound("histories", "", 0.0, 5000.0);
/// Rides of one history.
pub const HISTORY_RIDES: Bound = bound("rides", "rides", 1.0, 2000.0);
