//! What kinds of things have in common: a word for each, as it is stored and sent.

/// The kinds of something: an enum with a word for each, as it is stored and sent.
#[macro_export]
macro_rules! word_enum {
    ($(#[doc = $all:literal])* $name:ident { $($(#[doc = $about:literal])* $kind:ident = $word:literal,)* }) => {
        $(#[doc = $all])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, serde::Serialize, serde::Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum $name {
            $($(#[doc = $about])* $kind,)*
        }

        impl $name {
            /// All of them.
            pub const ALL: &[$name] = &[$($name::$kind,)*];

            /// The word as it is stored and sent.
            pub fn word(self) -> &'static str {
                match self { $($name::$kind => $word,)* }
            }

            /// The kind of that word, if there is one.
            pub fn from_word(word: &str) -> Option<$name> {
                $name::ALL.iter().copied().find(|kind| kind.word() == word)
            }
        }
    };
}
pub use word_enum;
