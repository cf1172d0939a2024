//! Open formats: text to values and back, one file a format.
//!
//! - [`archive`]: a whole barn as JSON
//! - [`geojson`]: the lay of a place as GeoJSON
//! - [`gpx`]: the track of a ride
//! - [`sheet`]: horses, herd, rides, runs and asks as CSV, out
//! - [`import`]: the same in, from whatever program wrote them
//! - [`gauge`]: the trace of a rein gauge as CSV

pub mod archive;
pub mod gauge;
pub mod geojson;
pub mod gpx;
pub mod import;
pub mod sheet;
