//! What a person is cleared for: which horses, which headgear, cattle, first rides.
//! Whoever is not cleared is stopped when the ride is given to them, with the reason;
//! a ride that is under way is never stopped.
//!
//! Source: common practice of the trade, no source.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::role::Role;
use crate::bounds::{BARN_HORSES, FieldError, SPOTS};
use crate::ride::rig::RigKind;

/// What a person is cleared for.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Clearance {
    /// The only horses they may ride; null for all.
    #[cfg_attr(feature = "schema", schema(max_items = 1000))]
    pub only_horses: Option<Vec<Uuid>>,
    /// Headgear they may ride in.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub rigs: Vec<RigKind>,
    /// Work on cattle.
    pub cattle: bool,
    /// First rides of a horse.
    pub first_rides: bool,
    /// Quiet hands: may ride in tack that is kept for them.
    #[serde(default)]
    pub quiet_hands: bool,
}

/// What a ride asks of whoever is on the horse.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RideNeeds<'a> {
    /// Who is to ride.
    pub person_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The headgear, where it is known.
    pub rig: Option<RigKind>,
    /// Work on cattle.
    pub cattle: bool,
    /// One of the horse's first rides.
    pub first_rides: bool,
    /// The headgear is kept for quiet hands.
    pub quiet_hands: bool,
    /// The only riders named for the horse for now; none for all.
    pub only_riders: Option<&'a [Uuid]>,
}

/// Why a person may not be given a ride.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum NotCleared {
    /// They do not ride.
    Role,
    /// Not this horse.
    Horse,
    /// Not in this headgear.
    Rig,
    /// Not on cattle.
    Cattle,
    /// No first rides.
    FirstRides,
    /// Not in tack that is kept for quiet hands.
    QuietHands,
    /// The horse is ridden by named riders for now.
    NotNamed,
}

impl Clearance {
    /// Everything.
    pub fn all() -> Clearance {
        Clearance {
            only_horses: None,
            rigs: RigKind::ALL.to_vec(),
            cattle: true,
            first_rides: true,
            quiet_hands: true,
        }
    }

    /// What somebody new is cleared for until a trainer says more: every horse, in mild
    /// headgear, no cattle, no first rides. A trainer is cleared for everything.
    pub fn for_new(role: Role) -> Clearance {
        match role {
            Role::Trainer => Clearance::all(),
            _ => Clearance {
                only_horses: None,
                rigs: vec![RigKind::Halter, RigKind::Snaffle, RigKind::Bosal],
                cattle: false,
                first_rides: false,
                quiet_hands: false,
            },
        }
    }

    /// All reasons why somebody of `role` with this clearance may not be given a ride.
    pub fn stops(&self, role: Role, needs: &RideNeeds<'_>) -> Vec<NotCleared> {
        match role {
            Role::Trainer => return Vec::new(),
            Role::Helper | Role::Owner => return vec![NotCleared::Role],
            Role::Rider => {}
        }
        let horse = self
            .only_horses
            .as_ref()
            .is_some_and(|only| !only.contains(&needs.horse_id));
        let rig = needs.rig.is_some_and(|rig| !self.rigs.contains(&rig));
        let not_named = needs
            .only_riders
            .is_some_and(|only| !only.contains(&needs.person_id));
        [
            (horse, NotCleared::Horse),
            (rig, NotCleared::Rig),
            (needs.cattle && !self.cattle, NotCleared::Cattle),
            (
                needs.first_rides && !self.first_rides,
                NotCleared::FirstRides,
            ),
            (
                needs.quiet_hands && !self.quiet_hands,
                NotCleared::QuietHands,
            ),
            (not_named, NotCleared::NotNamed),
        ]
        .into_iter()
        .filter_map(|(stopped, why)| stopped.then_some(why))
        .collect()
    }

    /// Checks how much is named.
    ///
    /// # Errors
    /// Too many entries, or headgear named twice.
    pub fn check(&self) -> Result<(), FieldError> {
        let horses = self.only_horses.as_ref().map_or(0, Vec::len);
        BARN_HORSES.check_count("/only_horses", horses)?;
        SPOTS.check_count("/rigs", self.rigs.len())?;
        for (index, rig) in self.rigs.iter().enumerate() {
            if self.rigs[..index].contains(rig) {
                return Err(FieldError::new(
                    format!("/rigs/{index}"),
                    format!("{} is named twice", rig.word()),
                ));
            }
        }
        Ok(())
    }
}

impl NotCleared {
    /// The reason in words, about `name`.
    pub fn text(self, name: &str) -> String {
        match self {
            NotCleared::Role => format!("{name} doesn't ride here; give it to a rider"),
            NotCleared::Horse => format!("{name} isn't cleared for this horse"),
            NotCleared::Rig => format!("{name} isn't cleared for this headgear"),
            NotCleared::Cattle => format!("{name} isn't cleared for cattle"),
            NotCleared::FirstRides => format!("{name} isn't cleared for first rides"),
            NotCleared::QuietHands => {
                format!("{name} isn't cleared for tack that is kept for quiet hands")
            }
            NotCleared::NotNamed => {
                format!("{name} isn't one of the riders named for this horse on the way back")
            }
        }
    }
}
