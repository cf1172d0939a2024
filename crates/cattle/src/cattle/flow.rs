//! Cheapest pairs under caps: as many pairs as can be, and among those the cheapest.
//!
//! # Formula
//! A flow from a source through the left (each with how many pairs it wants), over pairs that may
//! be (each once), through the right (each with how many it can take) to a sink. Shortest
//! augmenting paths with potentials (Edmonds and Karp 1972, Tomizawa 1971, from memory): each path
//! adds one pair at the least added cost, so that the flow is the cheapest of its size at every
//! step, and ends where no pair can be added. Costs are whole numbers: nothing is rounded.

/// A pair that may be.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Pair {
    /// Index on the left.
    pub left: usize,
    /// Index on the right.
    pub right: usize,
    /// What it costs; 0 is best.
    pub cost: u32,
}

/// An edge of the network and its way back.
struct Edge {
    to: usize,
    room: u32,
    cost: i64,
}

struct Network {
    edges: Vec<Edge>,
    from: Vec<Vec<usize>>,
}

impl Network {
    fn new(nodes: usize) -> Network {
        Network {
            edges: Vec::new(),
            from: vec![Vec::new(); nodes],
        }
    }

    fn add(&mut self, from: usize, to: usize, room: u32, cost: i64) {
        self.from[from].push(self.edges.len());
        self.edges.push(Edge { to, room, cost });
        self.from[to].push(self.edges.len());
        self.edges.push(Edge {
            to: from,
            room: 0,
            cost: -cost,
        });
    }

    /// The cheapest way from a node to all others, by costs that the potentials keep above 0; for
    /// each node its distance and the edge it was reached by.
    fn cheapest(&self, source: usize, potential: &[i64]) -> (Vec<i64>, Vec<Option<usize>>) {
        let nodes = self.from.len();
        let (mut distance, mut by) = (vec![FAR; nodes], vec![None; nodes]);
        let mut done = vec![false; nodes];
        distance[source] = 0;
        // A few hundred nodes: looking for the nearest is quicker than keeping a heap.
        while let Some(node) = (0..nodes)
            .filter(|node| !done[*node] && distance[*node] < FAR)
            .min_by_key(|node| distance[*node])
        {
            done[node] = true;
            for index in &self.from[node] {
                let edge = &self.edges[*index];
                if edge.room == 0 {
                    continue;
                }
                let reached = distance[node] + edge.cost + potential[node] - potential[edge.to];
                if reached < distance[edge.to] {
                    distance[edge.to] = reached;
                    by[edge.to] = Some(*index);
                }
            }
        }
        (distance, by)
    }
}

const FAR: i64 = i64::MAX / 4;

/// Picks pairs: as many as can be, among those the cheapest; of those alike always the same.
/// `wants` and `takes` say how many pairs each of the left wants and each of the right takes.
pub fn cheapest_pairs(wants: &[u32], takes: &[u32], pairs: &[Pair]) -> Vec<Pair> {
    let (source, sink) = (0, wants.len() + takes.len() + 1);
    let left = |index: usize| 1 + index;
    let right = |index: usize| 1 + wants.len() + index;
    let mut network = Network::new(sink + 1);
    // The edge of a pair lies at twice its place.
    for pair in pairs {
        network.add(left(pair.left), right(pair.right), 1, i64::from(pair.cost));
    }
    for (index, many) in wants.iter().enumerate() {
        network.add(source, left(index), *many, 0);
    }
    for (index, many) in takes.iter().enumerate() {
        network.add(right(index), sink, *many, 0);
    }
    let mut potential = vec![0_i64; sink + 1];
    loop {
        let (distance, by) = network.cheapest(source, &potential);
        if distance[sink] >= FAR {
            break;
        }
        for (node, far) in distance.iter().enumerate() {
            potential[node] += (*far).min(distance[sink]);
        }
        let mut node = sink;
        while let Some(index) = by[node] {
            network.edges[index].room -= 1;
            network.edges[index ^ 1].room += 1;
            node = network.edges[index ^ 1].to;
        }
    }
    pairs
        .iter()
        .enumerate()
        .filter(|(index, _)| network.edges[2 * index].room == 0)
        .map(|(_, pair)| *pair)
        .collect()
}
