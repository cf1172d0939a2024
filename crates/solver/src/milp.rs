//! The solver from the registry behind a small face: columns with a worth, rows with a
//! limit, a time and a gap at which to stop.

use good_lp::solvers::coin_cbc::coin_cbc;
use good_lp::{
    Expression, ProblemVariables, Solution, SolverModel, Variable, WithInitialSolution, constraint,
    variable,
};

/// A model to be made as large as it can be.
#[derive(Default)]
pub struct Model {
    variables: ProblemVariables,
    worth: Expression,
    rows: Vec<(Expression, f64)>,
    columns: usize,
    whole: Vec<usize>,
}

/// What came of it.
#[derive(Debug, Clone)]
pub struct Found {
    /// The value of each column; none when the time was up before there was any solution.
    pub values: Option<Vec<f64>>,
    /// What they are worth together.
    pub worth: f64,
    /// No solution is worth more.
    pub bound: f64,
    /// It was not cut short: what was found is the best, within the gap that was asked for.
    pub is_proven: bool,
}

/// A column of a model.
#[derive(Debug, Clone, Copy)]
pub struct Column {
    variable: Variable,
    /// Where it stands among the columns.
    pub index: usize,
}

/// When to stop.
#[derive(Debug, Clone, Copy)]
pub struct Until {
    /// Seconds of the clock.
    pub seconds: f64,
    /// Share of the worth that may lie between the solution and the bound.
    pub gap: f64,
}

impl Model {
    /// A column that is 0 or 1.
    pub fn yes_or_no(&mut self, worth: f64) -> Column {
        self.whole.push(self.columns);
        self.column(variable().binary(), worth)
    }

    /// A column from 0 to `most`.
    pub fn amount(&mut self, most: f64, worth: f64) -> Column {
        self.column(variable().min(0.0).max(most), worth)
    }

    fn column(&mut self, definition: good_lp::VariableDefinition, worth: f64) -> Column {
        let variable = self.variables.add(definition);
        self.worth.add_mul(worth, variable);
        let index = self.columns;
        self.columns += 1;
        Column { variable, index }
    }

    /// A row: the sum of these is at most `limit`.
    pub fn at_most(&mut self, parts: impl IntoIterator<Item = (f64, Column)>, limit: f64) {
        let mut sum = Expression::with_capacity(8);
        let mut any = false;
        for (times, column) in parts {
            sum.add_mul(times, column.variable);
            any = true;
        }
        if any {
            self.rows.push((sum, limit));
        }
    }

    /// How many columns there are.
    pub fn columns(&self) -> usize {
        self.columns
    }

    /// Looks for the best solution, beginning from `start` where there is one.
    pub fn solve(self, until: Until, start: &[(Column, f64)]) -> Option<Found> {
        let columns = self.columns;
        let mut problem = self.variables.maximise(self.worth.clone()).using(coin_cbc);
        problem.set_parameter("timeMode", "elapsed");
        problem.set_parameter("seconds", &format!("{:.2}", until.seconds.max(0.05)));
        problem.set_parameter("ratioGap", &until.gap.to_string());
        for (sum, limit) in self.rows {
            problem.add_constraint(constraint!(sum <= limit));
        }
        if !start.is_empty() {
            problem = problem
                .with_initial_solution(start.iter().map(|(one, value)| (one.variable, *value)));
        }
        let solution = problem.solve().ok()?;
        let raw = solution.model();
        let values: Vec<f64> = raw.col_solution().to_vec();
        if values.len() < columns || raw.is_proven_infeasible() {
            return None;
        }
        // Out of time before there was any solution: what it holds then is none.
        let whole = |value: &f64| (value - value.round()).abs() < 1e-5;
        let any = self.whole.iter().all(|column| whole(&values[*column]));
        let worth = solution.eval(&self.worth);
        // It keeps its sense inside: a bound below what was found is rounding.
        let bound = raw.best_possible_value();
        let bound = if bound.abs() < 1e30 {
            bound.abs().max(worth)
        } else {
            f64::INFINITY
        };
        Some(Found {
            values: any.then_some(values),
            worth,
            bound,
            is_proven: raw.is_proven_optimal(),
        })
    }
}
