"""The best known plan of a week: one monolithic constraint model (CP-SAT of ortools) of the
same file that `cavesson calc week` reads, searched for as long as one likes. Start times lie
on the same grid of a quarter of an hour.

    week.py CAVESSON FILE SECONDS    prints the objective and the bound of CP-SAT
"""

import datetime
import json
import subprocess
import sys

from ortools.sat.python import cp_model

STEP = 15
STILL_READY = 30
SCALE = 1000


def hottest(day, start, end):
    touched = [
        hour["temperature_f"] + hour["humidity_pct"]
        for hour in day.get("heat", [])
        if hour["from_min"] < end and start < hour["from_min"] + 60
    ]
    return max(touched, default=None)


def main(binary, path, seconds):
    given = json.load(open(path))
    week = given["instance"]
    weights = week["weights"]
    days = week["days"]
    dates = [datetime.date.fromisoformat(day["date"]) for day in days]
    following = [(d, d + 1) for d in range(len(days) - 1) if (dates[d + 1] - dates[d]).days == 1]
    riders = {one["person_id"]: one for one in week["riders"]}
    places = {one["place_id"]: one for one in week["places"]}
    fixed = week.get("fixed", [])
    model = cp_model.CpModel()
    worth = []

    def meets(booking, start, end):
        return booking["from_min"] < end and start < booking["from_min"] + booking["minutes"]

    options = []
    for h, horse in enumerate(week["horses"]):
        if horse["check_first"]:
            continue
        for w, work in enumerate(horse["works"]):
            for d, day in enumerate(days):
                if d in horse["days_off"]:
                    continue
                hard = work["kind"] in ("cattle", "pattern")
                if hard and d == 0 and horse["hard_before"]:
                    continue
                for person_id, rider in riders.items():
                    hours = next((one for one in rider["days"] if one["day"] == d), None)
                    clearance = rider["clearance"]
                    if hours is None or hours["most_horses"] == 0 or rider["role"] in ("helper", "owner"):
                        continue
                    if rider["role"] == "rider":
                        if work["kind"] == "cattle" and not clearance["cattle"]:
                            continue
                        if horse["first_rides"] and not clearance["first_rides"]:
                            continue
                        only = clearance["only_horses"]
                        if only is not None and horse["horse_id"] not in only:
                            continue
                    known = next((one["share"] for one in rider["knows"] if one["horse_id"] == horse["horse_id"]), 0.0)
                    for start in range(0, 24 * 60, STEP):
                        end = start + work["minutes"]
                        if start < max(hours["from_min"], day["not_before_min"]) or end > hours["to_min"]:
                            continue
                        if any(one["day"] == d and one["from_min"] < end and start < one["to_min"] for one in rider["busy"]):
                            continue
                        of_day = [one["booking"] for one in fixed if one["day"] == d]
                        if any(
                            person_id == one.get("person_id") or horse["horse_id"] == one.get("horse_id")
                            for one in of_day
                            if meets(one, start, end)
                        ):
                            continue
                        heat = hottest(day, start, end)
                        if heat is not None and (
                            heat > 180 or (heat >= 150 and (work["kind"] == "cattle" or work["minutes"] > 20))
                        ):
                            continue
                        for place_id in work["place_ids"]:
                            place = places[place_id]
                            if place["opens_min"] is not None and start < place["opens_min"]:
                                continue
                            if place["closes_min"] is not None and end > place["closes_min"]:
                                continue
                            if any(
                                one["kind"] == "ground_dragged" and one["place_id"] == place_id
                                for one in of_day
                                if meets(one, start, end)
                            ):
                                continue
                            points = work["worth"] + weights["knows"] * known
                            if work["gate_soon"]:
                                points += weights["gate_soon"] * (1 - d / len(days))
                            quiet = day["quiet"]
                            if horse["hot_or_green"] and quiet and not any(
                                one["from_min"] <= start and end <= one["to_min"] for one in quiet
                            ):
                                points -= weights["quiet"]
                            if horse["young"] and heat is not None and heat > 130:
                                points -= weights["young_heat"] * (heat - 130)
                            options.append((h, w, d, person_id, place_id, start, end, points, model.new_bool_var("")))

    def of(test):
        return [one for one in options if test(one)]

    by_horse, by_rider_day, by_place_day = {}, {}, {}
    for one in options:
        by_horse.setdefault(one[0], []).append(one)
        by_rider_day.setdefault((one[3], one[2]), []).append(one)
        by_place_day.setdefault((one[4], one[2]), []).append(one)
        worth.append(round(SCALE * one[7]) * one[8])

    for h, horse in enumerate(week["horses"]):
        own = by_horse.get(h, [])
        wanted = horse["wanted"]
        if not own:
            continue
        total = sum(one[8] for one in own)
        model.add(total <= wanted)
        parts = [model.new_bool_var("") for _ in range(wanted)]
        model.add(sum(parts) <= total)
        for nth, part in enumerate(parts):
            still = (wanted - 1 - nth) / (max(wanted, 2) - 1)
            points = weights["ride"] * horse["priority"] * (1 + weights["first_rides_more"] * still)
            worth.append(round(SCALE * points) * part)
        ridden = []
        for d in range(len(days)):
            of_day = [one[8] for one in own if one[2] == d]
            assert horse["most_rides_a_day"] == 1
            day_ridden = model.new_bool_var("")
            model.add(sum(of_day) == day_ridden)
            ridden.append(day_ridden)
        model.add(sum(ridden) <= horse["most_days"])
        for w, work in enumerate(horse["works"]):
            model.add(sum(one[8] for one in own if one[1] == w) <= work["at_most"])
        hard = lambda one: horse["works"][one[1]]["kind"] in ("cattle", "pattern")
        for d, after in following:
            model.add(sum(one[8] for one in own if one[2] in (d, after) and hard(one)) <= 1)
        dense = 2 * wanted >= len(days)
        for d, after in following:
            if wanted == 0 or d in horse["days_off"] or after in horse["days_off"]:
                continue
            unspread = model.new_bool_var("")
            if dense:
                model.add(unspread + ridden[d] + ridden[after] >= 1)
            else:
                model.add(unspread >= ridden[d] + ridden[after] - 1)
            worth.append(-round(SCALE * weights["spread"]) * unspread)
    # Horses nobody can ride are unevenly ridden too.
    constant = 0.0
    for h, horse in enumerate(week["horses"]):
        if h in by_horse or horse["wanted"] == 0 or 2 * horse["wanted"] < len(days):
            continue
        for d, after in following:
            if d not in horse["days_off"] and after not in horse["days_off"]:
                constant -= weights["spread"]

    for lot in week["cattle"]:
        on_lot = of(lambda one: week["horses"][one[0]]["works"][one[1]]["lot_id"] == lot["lot_id"])
        model.add(sum(one[8] for one in on_lot) <= lot["works_left"])
        if lot["works_a_day"] is not None:
            for d in range(len(days)):
                model.add(sum(one[8] for one in on_lot if one[2] == d) <= lot["works_a_day"])

    def interval(one, booked):
        length = -(-(one[6] - one[5]) // STEP) * STEP
        return model.new_optional_fixed_size_interval_var(one[5], length, booked, "")

    for (person_id, d), own in by_rider_day.items():
        hours = next(one for one in riders[person_id]["days"] if one["day"] == d)
        model.add(sum(one[8] for one in own) <= hours["most_horses"])
        model.add_no_overlap([interval(one, one[8]) for one in own])
        home_by = riders[person_id].get("home_by_min")
        if home_by is not None:
            late = model.new_int_var(0, 96, "")
            for one in own:
                quarters = -(-max(0, one[6] - home_by) // 15)
                if quarters:
                    model.add(late >= quarters).only_enforce_if(one[8])
            worth.append(-round(SCALE * weights["home"]) * late)
    for (place_id, d), own in by_place_day.items():
        at = [interval(one, one[8]) for one in own]
        taken = [
            model.new_fixed_size_interval_var(one["booking"]["from_min"], one["booking"]["minutes"], "")
            for one in fixed
            if one["day"] == d and one["booking"].get("place_id") == place_id and one["booking"].get("horse_id")
        ]
        model.add_cumulative(at + taken, [1] * len(at + taken), places[place_id]["horses_at_once"])
        for kind, weight in (("cattle", weights["herd"]), ("pattern", weights["barrels"])):
            work = [one for one in own if week["horses"][one[0]]["works"][one[1]]["kind"] == kind]
            for start in sorted({one[5] for one in work}):
                made = model.new_bool_var("")
                before = [one[8] for one in work if one[5] < start <= one[6] + STILL_READY]
                for one in work:
                    if one[5] == start:
                        model.add(made + sum(before) >= one[8])
                worth.append(-round(SCALE * weight) * made)
    for h, w, d, person_id, _, start, end, _, booked in options:
        horse = week["horses"][h]
        if not (horse["first_rides"] or horse["works"][w]["helper"]):
            continue
        by = []
        for other_id, other in riders.items():
            hours = next((one for one in other["days"] if one["day"] == d), None)
            if other_id == person_id or hours is None or other["role"] == "owner":
                continue
            if hours["from_min"] > start or end > hours["to_min"]:
                continue
            stands = model.new_bool_var("")
            for one in by_rider_day.get((other_id, d), []):
                if one[5] < end and start < one[6]:
                    model.add_implication(stands, one[8].negated())
            by.append(stands)
        model.add_bool_or(by + [booked.negated()])

    model.maximize(sum(worth))
    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = float(seconds)
    solver.parameters.num_workers = 2
    status = solver.solve(model)
    best = solver.objective_value / SCALE + constant
    bound = solver.best_objective_bound / SCALE + constant
    ours = json.loads(
        subprocess.run([binary, "calc", "week"], stdin=open(path), check=True, capture_output=True).stdout
    )
    away = (best - ours["objective"]) / best
    print(f"{path}: CP-SAT {solver.status_name(status)} in {seconds} s: {best:.1f} (bound {bound:.1f}); "
          f"cavesson {ours['objective']:.1f} in {ours['seconds']:.1f} s (bound {ours['bound']:.1f}), "
          f"{100 * away:.2f} % below the best known")


if __name__ == "__main__":
    main(*sys.argv[1:4])
