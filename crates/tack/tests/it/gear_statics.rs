//! Statics of bits: a table worked by hand (the algebra stands in each module), an independent
//! solve of the same plane, and what holds for every bit.

use cavesson_calc::calc::{curb, snaffle};
use cavesson_tack::gear::strap::{half_strap_in, takes_hold_deg};
use cavesson_tack::gear::{Curb, Hands, Snaffle, Strap, Vector};
use proptest::prelude::*;
use serde_json::{Value, json};

const SQUARE: Curb = Curb {
    purchase_in: 2.0,
    shank_in: 6.0,
    jaw_in: 2.0,
    pull_lbf: 4.0,
    pull_angle_deg: 90.0,
    rotation_deg: 0.0,
};

fn near(found: f64, by_hand: f64) {
    assert!(
        (found - by_hand).abs() < 1e-6 * by_hand.abs().max(1.0),
        "{found}, by hand {by_hand}"
    );
}

/// By hand. Not turned, square pull: d = sqrt(4 + 4), e = 2/d = 1/sqrt 2, C = 12 sqrt 2; the
/// strap pulls back 12 and down 12, the rein back 4: the mouth holds (16, -12), 20 in all.
#[test]
fn a_bit_that_hangs_by_hand() {
    let found = SQUARE.forces();
    near(found.leverage, 3.0);
    near(found.curb_lbf, 12.0 * 2.0_f64.sqrt());
    near(found.mouth.back, 16.0);
    near(found.mouth.up, -12.0);
    near(found.mouth_lbf, 20.0);
    assert_eq!(found.poll_with_loose_strap_lbf, None);
}

/// Turned so that the strap pulls square to the cheek: sin t = -P / J has no positive angle,
/// so the square strap is approached with a deep jaw; there C -> T L / P and the mouth
/// T (1 + L / P) as J grows.
#[test]
fn square_to_the_cheek_it_is_the_lever_of_the_book() {
    let deep = Curb {
        jaw_in: 2e6,
        ..SQUARE
    };
    let found = deep.forces();
    assert!((found.curb_lbf - 4.0 * 3.0).abs() < 1e-4);
    assert!((found.mouth_lbf - 4.0 * (1.0 + 3.0)).abs() < 1e-4);
}

/// By hand: turned by 30 degrees, P = J = 2, L = 6, T = 4 square. d = sqrt(8 + 4) = 2 sqrt 3,
/// e = 2 (sqrt 3 / 2) / (2 sqrt 3) = 1/2, C = 24 / (2 / 2) = 24. The headstall's arm is
/// 2 sin 30 = 1: alone it would hold 24.
#[test]
fn a_bit_that_is_turned_by_hand() {
    let found = Curb {
        rotation_deg: 30.0,
        ..SQUARE
    }
    .forces();
    near(found.curb_lbf, 24.0);
    near(found.poll_with_loose_strap_lbf.unwrap(), 24.0);
    // The strap runs from (-1, sqrt 3) to (2, 0): (3, -sqrt 3) / (2 sqrt 3).
    near(found.curb.back, 24.0 * 3.0_f64.sqrt() / 2.0);
    near(found.curb.up, -12.0);
    // The rein: (cos 30, sin 30) * 4.
    near(found.rein.back, 4.0 * 3.0_f64.sqrt() / 2.0);
    near(found.rein.up, 2.0);
}

/// By hand: half straps of P = J = 2 are sqrt(8 + 8 sin t).
#[test]
fn a_table_of_straps_by_hand() {
    for (deg, half) in [(0.0, 8.0_f64.sqrt()), (30.0, 12.0_f64.sqrt()), (90.0, 4.0)] {
        near(half_strap_in(2.0, 2.0, deg), half);
        near(takes_hold_deg(2.0, 2.0, half).unwrap(), deg);
    }
    assert_eq!(takes_hold_deg(2.0, 2.0, 4.1), None);
}

/// A linear solve of the three equations of rest (two forces, one moment) for the strap's pull
/// and the mouth's two parts, by Cramer's rule, with the geometry set up anew.
fn solved(curb: &Curb) -> [f64; 3] {
    let t = curb.rotation_deg.to_radians();
    let a = curb.pull_angle_deg.to_radians();
    let ring = [-curb.purchase_in * t.sin(), curb.purchase_in * t.cos()];
    let rein_at = [curb.shank_in * t.sin(), -curb.shank_in * t.cos()];
    // The rein stands at the angle a from the line that runs from its ring to the mouthpiece,
    // towards the hand: the direction of that line is pi/2 + t.
    let line = std::f64::consts::FRAC_PI_2 + t - a;
    let rein = [curb.pull_lbf * line.cos(), curb.pull_lbf * line.sin()];
    let (dx, dy) = (curb.jaw_in - ring[0], -ring[1]);
    let d = dx.hypot(dy);
    let strap = [dx / d, dy / d];
    // Unknowns: C, Mx, My: strap C - M = -rein; the moment about the rein ring is nought.
    let from = [ring[0] - rein_at[0], ring[1] - rein_at[1]];
    let rows = [
        [strap[0], -1.0, 0.0, -rein[0]],
        [strap[1], 0.0, -1.0, -rein[1]],
        [
            from[0] * strap[1] - from[1] * strap[0],
            // The mouth holds at the origin, seen from the rein ring.
            -(rein_at[1]),
            rein_at[0],
            0.0,
        ],
    ];
    let det = |m: [[f64; 3]; 3]| {
        m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1])
            - m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0])
            + m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0])
    };
    let with = |column: usize| {
        let mut m = [[0.0; 3]; 3];
        for (row, from) in m.iter_mut().zip(&rows) {
            row.copy_from_slice(&from[..3]);
            if column < 3 {
                row[column] = from[3];
            }
        }
        det(m)
    };
    let whole = with(3);
    [0, 1, 2].map(|column| with(column) / whole)
}

fn curbs() -> impl Strategy<Value = Curb> {
    (
        0.25..6.0,
        0.5..12.0,
        0.5..6.0,
        0.0..100.0,
        5.0..175.0,
        0.0..80.0,
    )
        .prop_map(
            |(purchase_in, shank_in, jaw_in, pull_lbf, pull_angle_deg, rotation_deg)| Curb {
                purchase_in,
                shank_in,
                jaw_in,
                pull_lbf,
                pull_angle_deg,
                rotation_deg,
            },
        )
}

proptest! {
    /// Forces and moments of the cheek sum to nought, about any point.
    #[test]
    fn a_bit_is_at_rest(curb in curbs(), back in -5.0..5.0f64, up in -5.0..5.0f64) {
        let found = curb.forces();
        let small = 1e-9 * (1.0 + found.curb_lbf + found.mouth_lbf);
        let held = found.mouth.times(-1.0);
        let sum = found.rein.plus(found.curb).plus(held);
        prop_assert!(sum.size() < small);
        let about = Vector { back, up };
        let moment = |at: Vector, force: Vector| at.minus(about).moment_of(force);
        let turning = moment(found.rein_ring, found.rein)
            + moment(found.curb_ring, found.curb)
            + moment(Vector { back: 0.0, up: 0.0 }, held);
        prop_assert!(turning.abs() < 100.0 * small, "{turning}");
        prop_assert!(found.curb_lbf >= 0.0, "a strap never pushes");
    }

    /// An independent solve says the same.
    #[test]
    fn a_linear_solve_says_the_same(curb in curbs()) {
        let [strap, back, up] = solved(&curb);
        let found = curb.forces();
        let close = |a: f64, b: f64| (a - b).abs() < 1e-7 * (1.0 + found.mouth_lbf);
        prop_assert!(close(strap, found.curb_lbf), "{strap} {}", found.curb_lbf);
        prop_assert!(close(back, found.mouth.back) && close(up, found.mouth.up));
    }

    /// The take-hold formula inverts.
    #[test]
    fn half_strap_and_rotation_are_each_others_inverse(
        purchase in 0.25..6.0f64, jaw in 0.5..6.0f64, deg in 0.0..80.0f64,
    ) {
        let half = half_strap_in(purchase, jaw, deg);
        prop_assert!((takes_hold_deg(purchase, jaw, half).unwrap() - deg).abs() < 1e-5);
        // A longer strap takes hold later.
        prop_assert!(half_strap_in(purchase, jaw, deg + 1.0) > half);
    }

    /// The hole that is named is the best of those there are.
    #[test]
    fn no_other_hole_comes_closer(
        purchase in 1.0..3.0f64, jaw in 1.0..3.0f64, now in 5.0..60.0f64, wanted in 20.0..50.0f64,
        spacing in 0.25..1.0f64, shorter in 0u8..6, longer in 0u8..6,
    ) {
        let curb = Curb { purchase_in: purchase, jaw_in: jaw, ..SQUARE };
        let half = half_strap_in(purchase, jaw, now);
        let strap = Strap {
            half_length_in: half,
            hole_spacing_in: spacing,
            holes_shorter: shorter,
            holes_longer: longer,
        };
        let fit = strap.fit(&curb, wanted);
        prop_assert!((fit.takes_hold_deg - now).abs() < 1e-5);
        let off = |holes: i32| (half + f64::from(holes) * spacing / 2.0 - fit.change.half_strap_in).abs();
        let there = i32::from(fit.change.holes);
        prop_assert!((-i32::from(shorter)..=i32::from(longer)).contains(&there));
        for other in -i32::from(shorter)..=i32::from(longer) {
            prop_assert!(off(there) <= off(other) + 1e-9);
        }
    }

    /// Every part of a snaffle is at rest: each ring, and the joint.
    #[test]
    fn a_snaffle_is_at_rest(
        mouth in 4.0..5.5f64, more in 0.1..1.5f64, apart in 0.0..60.0f64, high in -30.0..30.0f64,
        behind in 6.0..60.0f64, pull in 0.1..50.0f64,
    ) {
        let snaffle = Snaffle { mouthpiece_in: mouth + more, mouth_in: mouth };
        let hands = Hands { pull_lbf: pull, apart_in: apart, high_in: high, behind_in: behind };
        let found = snaffle.forces(&hands);
        let [out, back, up] = snaffle.pull(&hands).map(|part| part * pull);
        let half = (found.joint_deg / 2.0).to_radians();
        prop_assert!((found.arm_lbf * half.cos() - back).abs() < 1e-6, "ring, back");
        let side = out + found.squeeze_lbf - found.arm_lbf * half.sin();
        prop_assert!(side.abs() < 1e-6, "ring, to the side: {side}");
        prop_assert!((found.tongue_lbf - 2.0 * found.arm_lbf * half.cos()).abs() < 1e-6, "joint");
        prop_assert!((found.lift_lbf - 2.0 * up).abs() < 1e-6);
        // Either it lies at the lips, or nothing squeezes.
        let at_lips = 2.0 * (mouth / (mouth + more)).asin().to_degrees();
        prop_assert!(found.joint_deg > at_lips - 1e-6);
        prop_assert!((found.joint_deg - at_lips).abs() < 1e-6 || found.squeeze_lbf < 1e-6);
    }

    /// Wide opens the joint and squeezes less, low lifts less.
    #[test]
    fn wide_hands_squeeze_less_and_low_ones_lift_less(
        apart in 4.0..40.0f64, wider in 0.5..20.0f64, high in -10.0..10.0f64, lower in 0.5..10.0f64,
    ) {
        let snaffle = Snaffle { mouthpiece_in: 5.5, mouth_in: 5.0 };
        let hands = Hands { pull_lbf: 5.0, apart_in: apart, high_in: high, behind_in: 20.0 };
        let one = snaffle.forces(&hands);
        let wide = snaffle.forces(&Hands { apart_in: apart + wider, ..hands });
        prop_assert!(wide.squeeze_lbf <= one.squeeze_lbf + 1e-9);
        prop_assert!(wide.joint_deg >= one.joint_deg - 1e-9);
        let low = snaffle.forces(&Hands { high_in: high - lower, ..hands });
        prop_assert!(low.lift_lbf < one.lift_lbf);
    }
}

fn refused(of: impl Fn(Value) -> Option<String>, input: Value) -> String {
    of(input).expect("refused")
}

#[test]
fn what_cannot_be_is_said() {
    let of = |input: Value| {
        let input = serde_json::from_value(input).unwrap();
        curb::calculate(input)
            .err()
            .map(|error| format!("{}: {}", error.field, error.detail))
    };
    let bit = |field: &str, value: f64| {
        let mut bit = json!(SQUARE);
        bit[field] = json!(value);
        json!({"curb": bit})
    };
    for (field, value) in [
        ("purchase_in", 0.0),
        ("jaw_in", -1.0),
        ("rotation_deg", 90.0),
    ] {
        let said = refused(of, bit(field, value));
        assert!(said.starts_with(&format!("/curb/{field}: ")), "{said}");
    }
    let strap = |half: f64| json!({"curb": SQUARE, "strap": {"half_length_in": half, "hole_spacing_in": 0.5}});
    assert!(of(strap(2.9)).is_none());
    let said = refused(of, strap(4.2));
    assert!(said.contains("a strap's half is 0.00 to 4.00 in"), "{said}");
    let said = snaffle::calculate(
        serde_json::from_value(json!({
            "snaffle": {"mouthpiece_in": 5.0, "mouth_in": 5.0},
            "hands": {"pull_lbf": 2.0, "apart_in": 10.0, "high_in": 0.0, "behind_in": 20.0},
        }))
        .unwrap(),
    )
    .unwrap_err();
    assert_eq!(said.field, "/snaffle/mouth_in");
}

#[test]
fn a_strap_says_what_is_to_be_looked_at() {
    let says = |deg: f64, shorter: u8, longer: u8| {
        let half = half_strap_in(2.0, 2.0, deg);
        let strap = json!({
            "half_length_in": half, "hole_spacing_in": 0.25,
            "holes_shorter": shorter, "holes_longer": longer,
        });
        let input = json!({"curb": SQUARE, "strap": strap, "take_hold_deg": 37.5});
        let found = curb::calculate(serde_json::from_value(input).unwrap()).unwrap();
        found.says.join(" ")
    };
    assert_eq!(says(37.5, 2, 2), "This is the hole.");
    let early = says(10.0, 3, 6);
    assert!(
        early.contains("at once") && early.contains("longer"),
        "{early}"
    );
    let late = says(70.0, 6, 3);
    assert!(late.contains("late") && late.contains("shorter"), "{late}");
    assert!(says(70.0, 0, 3).contains("another strap"), "no holes left");
    assert!(says(-5.0, 0, 9).contains("tight while the bit hangs"));
}
