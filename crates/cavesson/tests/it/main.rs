//! The program as it is run, and what it ships with.
//!
//! - [`calc`]: the calculators on the command line
//! - [`plain_words`]: sentences of the core and labels of the screens keep to plain words: what was worded otherwise once does not come back

mod calc;
mod plain_words;
