//! Open formats: text to values and back, one file a format.
//!
//! - [`geojson`]: the lay of a place as GeoJSON

pub mod geojson;
