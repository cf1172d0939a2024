//! JSON read strictly, with the place of what does not fit.

use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::bounds::FieldError;

/// Reads a JSON value strictly.
///
/// # Errors
/// The first field that does not fit, as a JSON pointer, and what was expected.
pub fn read<T: DeserializeOwned>(input: Value) -> Result<T, FieldError> {
    serde_path_to_error::deserialize(input)
        .map_err(|error| FieldError::new(pointer(error.path()), error.inner().to_string()))
}

/// A JSON pointer (RFC 6901) from the path of a reading error.
pub fn pointer(path: &serde_path_to_error::Path) -> String {
    use serde_path_to_error::Segment;
    path.iter()
        .filter_map(|segment| match segment {
            Segment::Seq { index } => Some(format!("/{index}")),
            Segment::Map { key } => Some(format!("/{}", key.replace('~', "~0").replace('/', "~1"))),
            Segment::Enum { .. } | Segment::Unknown => None,
        })
        .collect()
}
