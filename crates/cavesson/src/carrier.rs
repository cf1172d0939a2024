//! What carries between a device and the barn: where the barn is, and who answers for it.

use anyhow::Context;
use cavesson_client::Client;

/// Where the barn is, and who answers for what is carried.
#[derive(clap::Args)]
pub struct ToBarn {
    /// The barn's address
    #[arg(long, default_value = "http://127.0.0.1:7420")]
    address: String,
    /// Who answers for it: a trainer, rider or helper
    #[arg(long)]
    sign_in: String,
    /// Their password; better in the environment than on the command line
    #[arg(long, env = "CAVESSON_PASSWORD", hide_env_values = true)]
    password: String,
}

impl ToBarn {
    /// Signs in.
    pub async fn sign_in(&self) -> anyhow::Result<Client> {
        Client::sign_in(&self.address, &self.sign_in, &self.password)
            .await
            .context(
                "cannot sign in; is the barn's server running, and are sign-in and password right?",
            )
    }
}
