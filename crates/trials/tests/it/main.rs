//! The trials of the judge, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`bench_guard`]: the shipped rule is held to what docs/judge.md says of it, on fewer horses and other seeds than stand there
//! - [`gate_families`]: every family of gates: luck alone opens none of them, the risk that a gate says is the risk it has, and the figures beside the gate in the program editor are those of the bench
//! - [`intake_bench`]: the intake is held to what docs/intake.md says of it, on fewer horses and other seeds; slips and luck are counted anew on the bench of the judge

mod bench_guard;
mod gate_families;
mod intake_bench;
