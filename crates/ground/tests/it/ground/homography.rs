//! From film to ground.

use cavesson_ground::ground::homography::{FilmPair, Homography};
use cavesson_ground::ground::point::{Point, at};
use proptest::prelude::*;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;

/// A camera 12 ft up, 60 ft before the plan's origin, looking up it and down by 15 degrees; a
/// lens of 900 pixels. What it sees is worked out from the camera, not from a homography.
fn filmed(ground: Point) -> Point {
    let (sin, cos) = 15.0_f64.to_radians().sin_cos();
    let (right, ahead, below) = (ground.x, ground.y + 60.0, 12.0);
    let depth = ahead * cos + below * sin;
    let down = below * cos - ahead * sin;
    at(640.0 + 900.0 * right / depth, 400.0 + 900.0 * down / depth)
}

fn pair(ground: Point) -> FilmPair {
    FilmPair {
        film: filmed(ground),
        ground,
    }
}

fn barrels() -> Vec<Point> {
    vec![
        at(45.0, 60.0),
        at(-45.0, 60.0),
        at(0.0, 154.87),
        at(0.0, 0.0),
    ]
}

#[test]
fn four_points_give_every_other_point_of_the_ground_exactly() {
    let pairs: Vec<FilmPair> = barrels().into_iter().map(pair).collect();
    let found = Homography::of(&pairs).unwrap();
    for (x, y) in [(10.0, 20.0), (-30.0, 100.0), (44.0, 150.0), (0.0, 77.0)] {
        let ground = found.ground(filmed(at(x, y))).unwrap();
        assert!(ground.to(at(x, y)) < 1e-6, "{ground:?}");
    }
}

/// By hand: x = u / (1 + u / 2), y = v / (1 + u / 2) takes the unit square to (0, 0), (2/3, 0),
/// (2/3, 2/3), (0, 1), and its middle to (0.4, 0.4).
#[test]
fn a_square_goes_to_a_quadrilateral_as_worked_out_by_hand() {
    let corners = [
        (at(0.0, 0.0), at(0.0, 0.0)),
        (at(1.0, 0.0), at(2.0 / 3.0, 0.0)),
        (at(1.0, 1.0), at(2.0 / 3.0, 2.0 / 3.0)),
        (at(0.0, 1.0), at(0.0, 1.0)),
    ];
    let found = Homography::of(&corners.map(|(film, ground)| FilmPair { film, ground })).unwrap();
    assert!(found.ground(at(0.5, 0.5)).unwrap().to(at(0.4, 0.4)) < 1e-9);
    assert!(found.ground(at(0.5, 0.0)).unwrap().to(at(0.4, 0.0)) < 1e-9);
}

#[test]
fn beyond_the_horizon_there_is_no_ground() {
    let pairs: Vec<FilmPair> = barrels().into_iter().map(pair).collect();
    let found = Homography::of(&pairs).unwrap();
    assert!(found.ground(at(640.0, -200.0)).is_none());
    assert!(found.ground(at(640.0, 500.0)).is_some());
}

#[test]
fn points_on_one_line_tell_no_plane() {
    let line: Vec<FilmPair> = (0..4)
        .map(|step| pair(at(f64::from(step) * 10.0, 50.0)))
        .collect();
    assert!(Homography::of(&line).unwrap_err().detail.contains("line"));
    let three = [at(0.0, 50.0), at(10.0, 50.0), at(20.0, 50.0), at(0.0, 90.0)];
    assert!(Homography::of(&three.map(pair)).is_err());
    let few: Vec<FilmPair> = barrels().into_iter().take(3).map(pair).collect();
    assert_eq!(Homography::of(&few).unwrap_err().field, "/pairs");
}

/// Marks off by up to two pixels: on the ground within two pixels' worth of feet, times the
/// spread of a well laid-out set; and more points make it better.
#[test]
fn noise_on_the_ground_stays_within_what_the_pixels_are_worth() {
    let mut random = ChaCha8Rng::seed_from_u64(7);
    let mut off = |few: bool| {
        let mut points = barrels();
        if !few {
            points.extend([
                at(60.0, 5.0),
                at(-60.0, 5.0),
                at(60.0, 150.0),
                at(-60.0, 150.0),
            ]);
            points.extend([at(20.0, 30.0), at(-25.0, 100.0), at(30.0, 110.0)]);
        }
        let mut worst = 0.0_f64;
        let mut sum = 0.0;
        for _ in 0..200 {
            let mut noisy = |film: Point| {
                film + at(
                    random.random_range(-2.0..2.0),
                    random.random_range(-2.0..2.0),
                )
            };
            let pairs: Vec<FilmPair> = points
                .iter()
                .map(|ground| FilmPair {
                    film: noisy(filmed(*ground)),
                    ground: *ground,
                })
                .collect();
            let found = Homography::of(&pairs).unwrap();
            let seen = found.ground(filmed(at(10.0, 80.0))).unwrap();
            worst = worst.max(seen.to(at(10.0, 80.0)));
            sum += seen.to(at(10.0, 80.0));
        }
        (worst, sum / 200.0)
    };
    // A pixel there is worth 0.155 ft across, and along the view 140 / 12 times as much at this
    // flat an angle: about 1.8 ft. Two pixels: 3.6 ft.
    let (worst_four, mean_four) = off(true);
    let (worst_many, mean_many) = off(false);
    assert!(worst_four < 2.0 * 3.6, "{worst_four}");
    assert!(
        worst_many < 3.6 && mean_many < mean_four,
        "{worst_many} {mean_many} {mean_four}"
    );
}

proptest! {
    /// Any view of the plan from before it.
    #[test]
    fn exact_marks_come_back_exactly(x in -60.0..60.0_f64, y in 0.0..200.0_f64, more in 0_usize..4) {
        let mut points = barrels();
        points.extend([at(60.0, 5.0), at(-60.0, 5.0), at(50.0, 170.0)].into_iter().take(more));
        let pairs: Vec<FilmPair> = points.into_iter().map(pair).collect();
        let found = Homography::of(&pairs).unwrap();
        prop_assert!(found.ground(filmed(at(x, y))).unwrap().to(at(x, y)) < 1e-5);
    }
}
