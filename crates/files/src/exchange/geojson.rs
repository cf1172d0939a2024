//! The lay of a place as GeoJSON: a feature for the outline, the gate, each post and each area
//! to keep off, told apart by their property `is`.
//!
//! RFC 7946 knows degrees only. A place that lies on the earth is written in degrees. One that
//! does not is written in meters of its own frame, and the collection says so in the member
//! `frame`: `local_m`; such a file is read back the same way.
//!
//! # Formula
//! A plane touching the earth at the place's origin: x = (longitude - longitude0) cos(latitude0)
//! R, y = (latitude - latitude0) R, with R = 6,371,008.8 m. Over 1,000 ft that is off by less
//! than the thickness of a post.
//!
//! # Source
//! RFC 7946, The GeoJSON Format. Mean radius of the earth: IUGG.

use geojson::{Feature, FeatureCollection, GeoJson, Geometry, GeometryValue, JsonObject, Position};

use crate::bounds::FieldError;
use crate::footing::Footing;
use crate::ground::lay::{FenceKind, Gate, KeepOff, KeepOffKind, OnEarth};
use crate::ground::point::{Point, at};
use crate::ground::{GroundLay, Post};

const EARTH_M: f64 = 6_371_008.8;
const FOOT_M: f64 = 0.3048;
/// The member that says that a file is in meters of the place's own frame.
const FRAME: &str = "frame";
const LOCAL: &str = "local_m";

/// A lay as text.
pub fn written(lay: &GroundLay) -> String {
    let place = |point: &Point| position(*point, lay.on_earth.as_ref());
    let ring = |points: &[Point]| {
        let mut ring: Vec<Position> = points.iter().map(place).collect();
        // The outer ring of RFC 7946 runs counterclockwise and ends where it began.
        if signed(points) < 0.0 {
            ring.reverse();
        }
        ring.extend(ring.first().cloned());
        Geometry::new(GeometryValue::Polygon {
            coordinates: vec![ring],
        })
    };
    let spot = |point: &Point| {
        Geometry::new(GeometryValue::Point {
            coordinates: place(point),
        })
    };
    let mut features = vec![feature(
        ring(&lay.outline),
        &[
            ("is", "outline".into()),
            ("fence", lay.fence.word().into()),
            ("footing", lay.footing.word().into()),
        ],
    )];
    if let Some(gate) = &lay.gate {
        let width = gate.width_ft * FOOT_M;
        features.push(feature(
            spot(&gate.at),
            &[("is", "gate".into()), ("width_m", width.into())],
        ));
    }
    for post in &lay.posts {
        let name = post.name.clone();
        features.push(feature(
            spot(&post.at),
            &[("is", "post".into()), ("name", name.into())],
        ));
    }
    for area in &lay.keep_off {
        features.push(feature(
            ring(&area.outline),
            &[("is", "keep_off".into()), ("kind", area.kind.word().into())],
        ));
    }
    let foreign = lay.on_earth.is_none().then(|| {
        let mut members = JsonObject::new();
        members.insert(FRAME.to_owned(), LOCAL.into());
        members
    });
    FeatureCollection {
        bbox: None,
        features,
        foreign_members: foreign,
    }
    .to_string()
}

fn feature(geometry: Geometry, properties: &[(&str, serde_json::Value)]) -> Feature {
    let properties = properties
        .iter()
        .map(|(name, value)| ((*name).to_owned(), value.clone()))
        .collect();
    Feature {
        bbox: None,
        geometry: Some(geometry),
        id: None,
        properties: Some(properties),
        foreign_members: None,
    }
}

fn signed(points: &[Point]) -> f64 {
    crate::ground::outline::sides(points)
        .map(|[a, b]| a.cross(b))
        .sum()
}

fn position(point: Point, earth: Option<&OnEarth>) -> Position {
    let (x, y) = (point.x * FOOT_M, point.y * FOOT_M);
    match earth {
        None => Position::from([x, y]),
        Some(earth) => {
            let narrow = earth.latitude_deg.to_radians().cos();
            Position::from([
                earth.longitude_deg + (x / (EARTH_M * narrow)).to_degrees(),
                earth.latitude_deg + (y / EARTH_M).to_degrees(),
            ])
        }
    }
}

/// A lay from text: the first polygon, or the one that says it is the outline, is the fence;
/// other polygons are to keep off; points are posts unless they say they are the gate.
///
/// # Errors
/// What cannot be read, or does not fit; the field names the feature.
pub fn read(text: &str) -> Result<GroundLay, FieldError> {
    let wrong = |why: String| FieldError::new("/geojson", why);
    let parsed: GeoJson = text
        .parse()
        .map_err(|error: geojson::Error| wrong(format!("is no GeoJSON: {error}")))?;
    let collection = match parsed {
        GeoJson::FeatureCollection(collection) => collection,
        GeoJson::Feature(feature) => FeatureCollection {
            bbox: None,
            features: vec![feature],
            foreign_members: None,
        },
        GeoJson::Geometry(geometry) => FeatureCollection {
            bbox: None,
            features: vec![feature(geometry, &[])],
            foreign_members: None,
        },
    };
    let local = collection
        .foreign_members
        .as_ref()
        .and_then(|members| members.get(FRAME))
        .is_some_and(|frame| frame == LOCAL);
    let frame = Frame::of(&collection, local)?;
    let mut read = Read {
        frame,
        rings: Vec::new(),
        gate: None,
        posts: Vec::new(),
    };
    for (index, feature) in collection.features.iter().enumerate() {
        read.feature(index, feature)?;
    }
    read.lay()
}

/// How positions become points.
struct Frame {
    earth: Option<OnEarth>,
}

impl Frame {
    fn of(collection: &FeatureCollection, local: bool) -> Result<Frame, FieldError> {
        if local {
            return Ok(Frame { earth: None });
        }
        let first = collection
            .features
            .iter()
            .find_map(|feature| match &feature.geometry.as_ref()?.value {
                GeometryValue::Polygon { coordinates } => coordinates.first()?.first(),
                _ => None,
            })
            .ok_or_else(|| FieldError::new("/geojson", "has no polygon for the outline"))?;
        let earth = OnEarth {
            longitude_deg: first[0],
            latitude_deg: first[1],
        };
        let on_earth = (-180.0..=180.0).contains(&earth.longitude_deg)
            && (-85.0..=85.0).contains(&earth.latitude_deg);
        if !on_earth {
            return Err(FieldError::new(
                "/geojson",
                "must be in degrees of longitude and latitude (RFC 7946), or say \"frame\": \"local_m\" for meters",
            ));
        }
        Ok(Frame { earth: Some(earth) })
    }

    fn point(&self, position: &Position) -> Point {
        match &self.earth {
            None => at(position[0] / FOOT_M, position[1] / FOOT_M),
            Some(earth) => {
                let narrow = earth.latitude_deg.to_radians().cos();
                let x = (position[0] - earth.longitude_deg).to_radians() * EARTH_M * narrow;
                let y = (position[1] - earth.latitude_deg).to_radians() * EARTH_M;
                at(x / FOOT_M, y / FOOT_M)
            }
        }
    }
}

struct Read {
    frame: Frame,
    /// Each ring with the feature that has it.
    rings: Vec<(Vec<Point>, JsonObject)>,
    gate: Option<Gate>,
    posts: Vec<Post>,
}

impl Read {
    fn feature(&mut self, index: usize, feature: &Feature) -> Result<(), FieldError> {
        let properties = feature.properties.clone().unwrap_or_default();
        let text = |name: &str| properties.get(name).and_then(|value| value.as_str());
        match feature.geometry.as_ref().map(|geometry| &geometry.value) {
            Some(GeometryValue::Polygon { coordinates }) => {
                let mut ring: Vec<Point> = coordinates
                    .first()
                    .map(|ring| ring.iter().map(|place| self.frame.point(place)).collect())
                    .unwrap_or_default();
                if ring.len() > 1 && ring.first() == ring.last() {
                    ring.pop();
                }
                self.rings.push((ring, properties));
                Ok(())
            }
            Some(GeometryValue::Point { coordinates }) => {
                let at = self.frame.point(coordinates);
                if text("is") == Some("gate") {
                    let width = properties.get("width_m").and_then(|value| value.as_f64());
                    let width_ft = width.map_or(12.0, |width| width / FOOT_M);
                    self.gate = Some(Gate { at, width_ft });
                } else {
                    let name = text("name")
                        .map_or_else(|| format!("post {}", self.posts.len() + 1), str::to_owned);
                    self.posts.push(Post { name, at });
                }
                Ok(())
            }
            _ => Err(FieldError::new(
                format!("/geojson/features/{index}"),
                "must be a polygon (outline, area to keep off) or a point (post, gate)",
            )),
        }
    }

    fn lay(self) -> Result<GroundLay, FieldError> {
        let mut rings = self.rings;
        let says = |properties: &JsonObject, what: &str| {
            properties.get("is").and_then(|value| value.as_str()) == Some(what)
        };
        let fence = rings
            .iter()
            .position(|(_, properties)| says(properties, "outline"))
            .unwrap_or(0);
        if rings.is_empty() {
            return Err(FieldError::new(
                "/geojson",
                "has no polygon for the outline",
            ));
        }
        let (outline, properties) = rings.remove(fence);
        let word = |properties: &JsonObject, name: &str| {
            let value = properties.get(name).and_then(|value| value.as_str());
            value.unwrap_or_default().to_owned()
        };
        let lay = GroundLay {
            outline,
            fence: FenceKind::from_word(&word(&properties, "fence")).unwrap_or(FenceKind::Pipe),
            footing: Footing::from_word(&word(&properties, "footing")).unwrap_or(Footing::Good),
            gate: self.gate,
            posts: self.posts,
            keep_off: rings
                .into_iter()
                .map(|(outline, properties)| KeepOff {
                    kind: KeepOffKind::from_word(&word(&properties, "kind"))
                        .unwrap_or(KeepOffKind::Other),
                    outline,
                })
                .collect(),
            on_earth: self.frame.earth,
        };
        lay.check()?;
        Ok(lay)
    }
}
