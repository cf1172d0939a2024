//! The demo's barns and who signs in there. All invented.

use std::collections::HashMap;

use cavesson_core::person::{Clearance, Role};
use cavesson_core::yard::PlaceKind;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Person;
use uuid::Uuid;

use super::horse::DemoHorse;
use super::horses;
use super::programs::{self, DemoProgram};

/// One barn of the demo.
pub struct DemoBarn {
    pub handle: &'static str,
    pub name: &'static str,
    pub people: &'static [DemoPerson],
    pub places: &'static [(&'static str, PlaceKind)],
    pub horses: &'static [DemoHorse],
    pub programs: &'static [DemoProgram],
    /// Whether hours, yard, goals and appointments are set up too.
    pub sets_up: bool,
}

/// One person of the demo.
pub struct DemoPerson {
    pub sign_in: &'static str,
    pub name: &'static str,
    pub role: Role,
}

/// Every demo person's password.
pub const PASSWORD: &str = "loose-rein-26";

pub const SALTGRASS: DemoBarn = DemoBarn {
    handle: "saltgrass",
    name: "Saltgrass Bench",
    people: &[
        DemoPerson {
            sign_in: "wren",
            name: "Wren Aldecott",
            role: Role::Trainer,
        },
        DemoPerson {
            sign_in: "tobin",
            name: "Tobin Marrash",
            role: Role::Rider,
        },
        DemoPerson {
            sign_in: "pia",
            name: "Pia Lundgard",
            role: Role::Helper,
        },
        DemoPerson {
            sign_in: "odell",
            name: "Odell Krantzen",
            role: Role::Owner,
        },
    ],
    places: &[
        ("Round pen", PlaceKind::RoundPen),
        ("Big arena", PlaceKind::Arena),
        ("Cattle pen", PlaceKind::CattlePen),
    ],
    horses: horses::SALTGRASS,
    programs: programs::SALTGRASS,
    sets_up: true,
};

pub const TWO_CEDARS: DemoBarn = DemoBarn {
    handle: "twocedars",
    name: "Two Cedars",
    people: &[DemoPerson {
        sign_in: "ines",
        name: "Ines Varrow",
        role: Role::Trainer,
    }],
    places: &[("Arena", PlaceKind::Arena)],
    horses: horses::TWO_CEDARS,
    programs: &[],
    sets_up: false,
};

/// The handles of the demo's barns.
pub const DEMO_HANDLES: [&str; 2] = [SALTGRASS.handle, TWO_CEDARS.handle];

/// Adds a barn's people; their ids by sign-in.
pub async fn add(
    barn: &mut BarnTransaction,
    demo: &DemoBarn,
) -> anyhow::Result<HashMap<&'static str, Uuid>> {
    let mut ids = HashMap::new();
    for demo_person in demo.people {
        let hash = cavesson_server::http::password::hash(PASSWORD);
        let stored = Person {
            person_id: Uuid::now_v7(),
            sign_in: demo_person.sign_in.to_owned(),
            name: demo_person.name.to_owned(),
            role: demo_person.role,
        };
        person::add(barn, &stored, Some(&hash), &Clearance::all()).await?;
        ids.insert(demo_person.sign_in, stored.person_id);
    }
    Ok(ids)
}

/// Prints who can sign in.
pub fn print_sign_ins() {
    println!("Sign-ins of the demo (password for all: {PASSWORD})");
    for barn in [SALTGRASS, TWO_CEDARS] {
        for person in barn.people {
            let sign_in = format!("{}@{}", person.sign_in, barn.handle);
            println!(
                "  {sign_in:<18} {}, {} at {}",
                person.name,
                person.role.word(),
                barn.name
            );
        }
    }
}
