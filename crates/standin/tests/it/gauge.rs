//! The simulated rein gauge, heard with the product's own reader: what was asked is the truth it is
//! held against. The WebSocket is spoken by `tokio-tungstenite` (RFC 6455), not by what serves it.

use cavesson_core::Side;
use cavesson_core::device::rein_gauge::{GaugeAsk, GaugeListener};
use cavesson_standin::faults::{Faults, Rates};
use cavesson_standin::gauge::{Ask, Gauge, Rein};
use cavesson_standin::service::listen;
use futures_util::StreamExt;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use tokio_tungstenite::tungstenite::Error;
use tokio_tungstenite::{MaybeTlsStream, WebSocketStream, connect_async};

/// Milliseconds from reading to reading.
const STEP_S: f64 = 0.02;

/// Lets the gauge run for so many seconds of its own.
fn run(gauge: &Gauge, listener: &mut GaugeListener, seconds: f64) -> Vec<GaugeAsk> {
    let mut found = Vec::new();
    for _ in 0..(seconds / STEP_S).round() as usize {
        if let Some(line) = gauge.next() {
            found.extend(listener.take(&line).1);
        }
    }
    found
}

fn side(rein: Rein) -> Side {
    match rein {
        Rein::Left => Side::Left,
        Rein::Right => Side::Right,
        Rein::Both => Side::Both,
    }
}

/// Asks of an hour, found among what goes wrong: precision and recall, and how far the release is
/// off.
fn an_hour(rates: Rates, seed: u64) -> (f64, f64, f64) {
    let gauge = Gauge::new(Faults::new(seed, rates));
    let mut random = ChaCha8Rng::seed_from_u64(seed);
    let mut listener = GaugeListener::default();
    run(&gauge, &mut listener, 5.0);
    let (mut asked, mut found, mut right) = (0, 0, 0);
    let mut off_s: f64 = 0.0;
    for number in 0..300 {
        let rein = [Rein::Left, Rein::Right, Rein::Both][number % 3];
        let ask = Ask {
            rein,
            newtons: random.random_range(4.0..30.0),
            seconds: random.random_range(0.5..4.0),
        };
        gauge.ask(ask);
        asked += 1;
        let got = run(
            &gauge,
            &mut listener,
            ask.seconds + random.random_range(2.0..6.0),
        );
        found += got.len();
        let is_it = |one: &&GaugeAsk| {
            one.side == side(rein) && (one.time_to_give_s - ask.seconds).abs() < 0.35
        };
        if let Some(one) = got.iter().find(is_it) {
            right += 1;
            off_s = off_s.max((one.time_to_give_s - ask.seconds).abs());
        }
    }
    let share = |part: usize, whole: usize| part as f64 / whole as f64;
    (share(right, found), share(right, asked), off_s)
}

#[test]
fn asks_are_found_whatever_goes_wrong() {
    for (rates, seed) in [
        (Rates::default(), 1),
        (
            Rates {
                drop_outs: 0.05,
                broken: 0.02,
                ..Rates::default()
            },
            2,
        ),
        (
            Rates {
                noise: 2.0,
                drift: 0.02,
                ..Rates::default()
            },
            3,
        ),
    ] {
        let (precision, recall, off_s) = an_hour(rates, seed);
        assert!(
            precision >= 0.95 && recall >= 0.95,
            "{rates:?}: {precision} {recall}"
        );
        assert!(off_s < 0.35, "{rates:?}: {off_s}");
    }
}

#[test]
fn what_never_arrives_and_what_is_broken_is_counted() {
    let rates = Rates {
        drop_outs: 0.1,
        broken: 0.1,
        ..Rates::default()
    };
    let gauge = Gauge::new(Faults::new(7, rates));
    let mut listener = GaugeListener::default();
    run(&gauge, &mut listener, 60.0);
    // Of 3000 lines a tenth is dropped; of the rest a tenth is broken. A broken line is missing
    // among the numbers too.
    let near = |count: u32, of: f64| (f64::from(count) - of).abs() < 60.0;
    assert!(near(listener.broken, 270.0), "{}", listener.broken);
    assert!(near(listener.missing, 570.0), "{}", listener.missing);
    // The same seed makes the same faults.
    let again = Gauge::new(Faults::new(7, rates));
    let other = Gauge::new(Faults::new(7, rates));
    assert!((0..500).all(|_| again.next() == other.next()));
}

#[test]
fn its_clock_drifts_as_it_is_told() {
    let at = |drift: f64| {
        let gauge = Gauge::new(Faults::new(
            1,
            Rates {
                drift,
                ..Rates::default()
            },
        ));
        let last = (0..500).fold(String::new(), |last, _| gauge.next().unwrap_or(last));
        last.split(' ').nth(1).unwrap().parse::<f64>().unwrap()
    };
    assert_eq!(
        (at(0.0), at(0.01), at(-0.01)),
        (10_000.0, 10_100.0, 9_900.0)
    );
}

type Stream = WebSocketStream<MaybeTlsStream<tokio::net::TcpStream>>;

async fn lines(stream: &mut Stream, many: usize) -> Vec<String> {
    let mut heard = Vec::new();
    while heard.len() < many {
        let message = stream.next().await.unwrap().unwrap();
        heard.push(message.into_text().unwrap().to_string());
    }
    heard
}

#[tokio::test]
async fn it_streams_over_a_web_socket_and_is_pulled_out_and_back() {
    let listener = listen("127.0.0.1:0".parse().unwrap()).await.unwrap();
    let address = listener.local_addr().unwrap();
    let faults = Faults::default();
    let services = Gauge::new(faults.clone()).routes().merge(faults.routes());
    let served = tokio::spawn(async { axum::serve(listener, services).await });
    let url = format!("ws://{address}/gauge");
    let (mut stream, _) = connect_async(&url).await.unwrap();
    let began = std::time::Instant::now();
    let heard = lines(&mut stream, 100).await;
    // Fifty a second, as far as a busy machine lets it.
    assert!(began.elapsed().as_secs_f64() > 1.8, "{:?}", began.elapsed());
    let mut listener = GaugeListener::default();
    assert!(heard.iter().all(|line| listener.take(line).0.is_some()));
    assert_eq!((listener.missing, listener.broken), (0, 0));
    let post = async |path: &str| {
        let client = reqwest::Client::new();
        let answer = client.post(format!("http://{address}{path}")).send().await;
        answer.unwrap().status().as_u16()
    };
    assert_eq!(
        post("/gauge/asks?rein=left&newtons=12&seconds=0.8").await,
        204
    );
    let heard = lines(&mut stream, 110).await;
    let asks: Vec<GaugeAsk> = heard
        .iter()
        .flat_map(|line| listener.take(line).1)
        .collect();
    assert_eq!((asks.len(), asks[0].side), (1, Side::Left));
    assert!((asks[0].time_to_give_s - 0.8).abs() < 0.1);
    assert_eq!(
        post("/gauge/asks?rein=left&newtons=500&seconds=0.8").await,
        422
    );
    assert_eq!(post("/faults?drop_outs=2").await, 422);
    assert_eq!(post("/faults?drop_outs=0.5").await, 204);

    assert_eq!(post("/gauge/pull-out").await, 204);
    while let Some(Ok(_)) = stream.next().await {}
    let refused = connect_async(&url).await.unwrap_err();
    assert!(matches!(refused, Error::Http(answer) if answer.status() == 503));
    assert_eq!(post("/gauge/plug-in").await, 204);
    let (mut stream, _) = connect_async(&url).await.unwrap();
    lines(&mut stream, 10).await;
    served.abort();
}
