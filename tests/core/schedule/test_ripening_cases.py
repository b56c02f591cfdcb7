"""Worked cases of ripening, rising, leaven, ovens and learning, each to the tolerance that it states."""

import json
import math
from datetime import datetime
from itertools import pairwise
from pathlib import Path
from zoneinfo import ZoneInfo

import numpy as np
import pytest

from fallow_sieve.core.formulas.dough_temperature import Mass, water_temperature
from fallow_sieve.core.schedule.learning import FinishedRise, pace_of
from fallow_sieve.core.schedule.ovens import OvenKind
from fallow_sieve.core.schedule.planner.grid import laid_on_grid
from fallow_sieve.core.schedule.planner.problem import Crew, Lengths, Problem, Task
from fallow_sieve.core.schedule.ripening.bodies import (
    Container,
    Leg,
    day_and_night,
    drift_hours,
    drifting,
    steady,
)
from fallow_sieve.core.schedule.ripening.organism import (
    Organism,
    amount_factor,
    ratio_for,
    water_activity,
    water_factor,
)
from fallow_sieve.core.schedule.ripening.path import Dough, ripen
from fallow_sieve.core.schedule.ripening.rise import rim_ripeness, ripeness_at, rise_pct
from fallow_sieve.core.schedule.ripening.watch import Reading, watch

CASES = {c["id"]: c for c in json.loads((Path(__file__).parents[2] / "cases/schedule.json").read_text("utf-8"))}
YEAST = Organism("yeast")
LEAVEN = Organism("leaven", t_max_c=40)
OUT = {name: case["outputs"] for name, case in CASES.items()}
OVEN = OvenKind("electric", "Electric", 16.5, 330, 65, 25, 25, 15, 1, 250)


def near(value, rel=1e-3, absolute=1e-9):
    return pytest.approx(value, rel=rel, abs=absolute)


def hours_until_ripe(hours_at_26, dough_c, around, tau_h, longest=80.0, ripeness=1.0, organism=YEAST):
    return ripen(Dough(organism, hours_at_26, dough_c), [Leg(longest, around, tau_h)]).reaches(ripeness)


@pytest.mark.parametrize(("case", "organism", "within"), [("S01", YEAST, 1e-5), ("S02", LEAVEN, 1e-4)])
def test_speed_by_temperature(case, organism, within):
    for temp, speed in OUT[case].items():
        assert float(organism.speed(float(temp))) == pytest.approx(speed, abs=within)


def test_s03_a_body_cools_as_the_textbook_says():
    tau_min = 5 / math.log((95 - 21) / (80 - 21))
    assert tau_min == near(OUT["S03"]["tau_min"])
    assert drift_hours(95, 21, 50, tau_min) == near(OUT["S03"]["t_min"])


@pytest.mark.parametrize(("kg", "tau"), OUT["S04"].items())
def test_s04_time_constant_by_mass(kg, tau):
    assert Container("covered-bowl", 1.6, 0.42, 1.2, 2.4).tau_h(1000 * float(kg)) == near(tau)


@pytest.mark.parametrize(("temp", "hours"), OUT["S05"].items())
def test_s05_an_hour_at_26_takes_so_long_at_other_temperatures(temp, hours):
    assert hours_until_ripe(1, float(temp), steady(float(temp)), 1.6, 600) == near(hours)


def test_s06_a_fridge_is_slow_to_act():
    path = ripen(Dough(YEAST, 1, 27), [Leg(12, steady(4), 1.6)])
    out = OUT["S06"]
    assert path.at(1)[0] == pytest.approx(out["after_1h_c"], abs=2e-3)
    assert path.at(4)[0] == pytest.approx(out["after_4h_c"], abs=2e-3)
    for hours in (1, 2, 4, 12):
        assert path.at(hours)[1] == pytest.approx(out[f"units_{hours}h"], abs=2e-3)


def test_s07_a_cold_dough_is_slow_to_wake():
    path = ripen(Dough(YEAST, 1, 4), [Leg(10, steady(22), 1.6)])
    ripe = path.reaches(1)
    assert ripe == pytest.approx(OUT["S07"]["hours"], abs=2e-3)
    assert path.at(ripe)[0] == pytest.approx(OUT["S07"]["dough_at_end_c"], abs=2e-2)
    assert 1 / float(YEAST.speed(22)) == near(OUT["S07"]["without_warming_h"])


def test_s08_more_yeast_is_quicker_by_a_power():
    for pct in ("0.3", "0.8", "2.4"):
        assert 1 / amount_factor(float(pct) / 1.6, YEAST) == near(OUT["S08"][pct])
    assert 1 / amount_factor(20 / 35, LEAVEN) == near(OUT["S08"]["leaven 20 for 35"])


def test_s09_salt_and_sugar_act_through_the_water():
    out = OUT["S09"]
    assert water_activity(2, 0, 75, YEAST) == near(out["aw_ref"], 1e-5)
    named = {(2, 0, 75): "2 salt 0 sugar 75 water", (3, 0, 75): "3 salt 0 sugar 75"}
    for dough in ((2, 0, 75), (3, 0, 75), (2, 10, 60), (2, 20, 60), (2, 20, 100)):
        salt, sugar, water = dough
        name = named.get(dough, f"{salt} salt {sugar} sugar {water}")
        assert water_factor(salt, sugar, water, YEAST) == near(out.get(name, out.get(f"{name} water")))
    osmotolerant = Organism("osmotolerant-yeast", aw_min=0.85)
    assert water_factor(2, 20, 60, osmotolerant) == near(out["2 salt 20 sugar 60 osmotolerant 0.85"])


def test_s10_no_knead_takes_a_day():
    out = OUT["S10"]
    assert hours_until_ripe(13, 24, steady(21), 1.6) == pytest.approx(out["hours"], abs=2e-3)
    assert hours_until_ripe(13, 24, steady(25), 1.6) == pytest.approx(out["at_25c_h"], abs=2e-3)
    assert hours_until_ripe(13, 24, steady(18), 1.6) == pytest.approx(out["at_18c_h"], abs=2e-3)


def hours_from_ten(clock):
    at = datetime.strptime(clock, "%H:%M")
    return (at.hour + at.minute / 60 - 22) % 24


def test_s11_a_hot_night_climbs_out_of_the_tin_and_a_cool_one_does_not():
    out, rim = OUT["S11"], rim_ripeness(0.55, 70)
    assert rim == near(out["rim_phi"])
    hot, cool = day_and_night(27, 3, 22), day_and_night(16, 2, 22)
    for name, dough_c, around in (("hot", 28, hot), ("cool", 24, cool)):
        ripe = hours_until_ripe(3.2277, dough_c, around, 1.42)
        assert ripe == pytest.approx(out[f"{name}_ripe_h"], abs=1 / 30)
        assert ripe == pytest.approx(hours_from_ten(out[f"{name}_ripe"]), abs=1 / 30)
        assert hours_until_ripe(3.2277, dough_c, around, 1.42, ripeness=rim) == pytest.approx(
            hours_from_ten(out[f"{name}_rim"]), abs=1 / 30
        )
    assert hours_until_ripe(3.2277, 28, hot, 1.42, ripeness=1.225) == pytest.approx(
        hours_from_ten(out["hot_over"]), abs=1 / 30
    )


def test_s12_the_yeast_for_a_wanted_hour_is_counted_backwards():
    path = ripen(Dough(YEAST, 1, 28), [Leg(8.5, day_and_night(27, 3, 22), 1.42)])
    units = float(path.units[-1])
    assert units == near(OUT["S12"]["units_at_26"])
    assert 1.6 * ratio_for(units, 1.0, YEAST) == near(OUT["S12"]["yeast_pct"])


def test_s13_a_batter_in_warm_water_is_ripe_in_half_an_hour():
    out = OUT["S13"]
    assert 60 * hours_until_ripe(0.7529, 32, steady(38), 0.42) == pytest.approx(out["ripe_min"], abs=0.2)
    assert 60 * hours_until_ripe(0.7529, 22, steady(38), 0.42) == pytest.approx(out["batter_22c_ripe_min"], abs=0.2)
    rim = rim_ripeness(0.55, 70)
    assert 60 * hours_until_ripe(0.7529, 32, steady(38), 0.42, ripeness=rim) == pytest.approx(out["rim_min"], abs=0.2)


def test_s14_an_oven_heated_and_switched_off_is_a_body_of_its_own():
    out, oven = OUT["S14"], drifting(38, 20, 65 / 60)
    path = ripen(Dough(YEAST, 7.5, 22), [Leg(40, oven, 1.95)])
    assert path.reaches(1) == pytest.approx(out["hours"], abs=2e-3 * 10.6)
    assert float(np.max(path.temp_c)) == pytest.approx(out["warmest_dough_c"], abs=1e-2)
    assert hours_until_ripe(7.5, 22, steady(20), 1.95) == pytest.approx(out["room_only_h"], rel=2e-3)
    assert hours_until_ripe(7.5, 22, steady(28), 1.95) == pytest.approx(out["at_28c_h"], rel=2e-3)


def test_s15_the_rise_follows_the_ripeness():
    for name, value in OUT["S15"].items():
        if name.startswith("rise_"):
            assert rise_pct(float(name.removeprefix("rise_")), 70) == near(value, 1e-3, 1e-3)
    assert ripeness_at(0.90) == near(OUT["S15"]["phi_90_of_plateau"])


@pytest.mark.parametrize(("count", "expected"), OUT["S20"].items())
def test_s20_readings_narrow_when_it_will_be_ripe(count, expected):
    given = CASES["S20"]["inputs"]
    readings = [Reading(t, y) for t, y in zip(given["times"], given["rises"], strict=True)][: int(count)]
    found = watch(readings, 55, 1.0)
    seen = [found.plateau_pct, found.slope_pct_per_h, found.lag_h, found.ripe_h, found.low_h, found.high_h]
    assert seen == [near(expected[k], 1e-2) for k in ("A", "mu", "lam", "t", "lo", "hi")]


def test_s21_a_dough_past_its_plateau_is_flagged():
    readings = [Reading(t, y) for t, y in zip(CASES["S21"]["inputs"]["times"], (18, 60, 80, 84, 82), strict=True)]
    found = watch(readings, 70, 1.0)
    assert found.plateau_pct == near(OUT["S21"]["A"], 1e-2)
    assert any("past 90 % of its plateau" in f for f in found.flags)


def test_s22_ovens_heat_and_cool():
    for name, minutes in OUT["S22"].items():
        way, _, how = name.partition(" ")
        a, b = map(float, way.split("-"))
        found = OVEN.warm_up_min(a, b) if b > a else OVEN.cool_down_min(a, b, 22, ajar=how == "ajar")
        assert found == near(minutes)


def test_s23_a_night_over_the_clock_change_is_longer_or_shorter():
    zone, out = ZoneInfo("Europe/London"), OUT["S23"]
    for name, evening, morning in (
        ("autumn", (2026, 10, 24), (2026, 10, 25)),
        ("spring", (2026, 3, 28), (2026, 3, 29)),
    ):
        begin, end = datetime(*evening, 22, tzinfo=zone), datetime(*morning, 6, tzinfo=zone)
        hours = (end.timestamp() - begin.timestamp()) / 3600
        assert hours == out[f"{name}_h"]
        assert hours * float(YEAST.speed(18)) == near(out[f"{name}_units"])


def test_s24_three_rises_teach_the_fourth():
    out = OUT["S24"]
    before, after = (
        pace_of([], "tin-loaf", "f"),
        pace_of([FinishedRise("tin-loaf", "f", 1.0, m / 60) for m in (52, 49, 55)], "tin-loaf", "f"),
    )
    assert after.factor == near(out["factor"])
    assert [60 * after.factor, 60 * after.low_factor, 60 * after.high_factor] == [
        near(out["next_min"]),
        near(out["lo"]),
        near(out["hi"]),
    ]
    assert [60 * before.low_factor, 60 * before.high_factor] == [near(out["before_lo"]), near(out["before_hi"])]
    assert (after.rises, after.level) == (3, "formula")


@pytest.mark.parametrize(("name", "temp"), [("room 26", 26), ("fridge 4", 4), ("cool 14", 14)])
def test_s25_a_fridge_at_the_last_minute_moves_little(name, temp):
    path, out = ripen(Dough(YEAST, 1, 27, 0.75), [Leg(2, steady(temp), 1.42)]), OUT["S25"]
    assert 60 * path.reaches(1) == pytest.approx(out[f"{name} ripe_min"], abs=1)
    assert 60 * path.reaches(1.225) == pytest.approx(out[f"{name} over_min"], abs=1)
    assert path.at(1)[1] == pytest.approx(out[f"{name} phi_after_60"], abs=5e-3)


def test_s26_a_rich_dough_goes_on_in_the_fridge():
    out = OUT["S26"]
    path = ripen(Dough(YEAST, 1.5, 24), [Leg(1.25, steady(24), 1.95), Leg(60, steady(4), 1.95)])
    assert path.at(1.25)[1] == pytest.approx(out["phi_before"], abs=3e-3)
    assert path.at(13.25)[1] == pytest.approx(out["phi_12h"], abs=3e-3)
    assert path.at(61.25)[1] == pytest.approx(out["phi_60h"], abs=3e-3)
    assert drift_hours(24, 4, 8, 1.95) == pytest.approx(out["below_8c_after_h"], abs=3e-3)


@pytest.mark.parametrize(("name", "out"), OUT["S27"].items())
def test_s27_a_rise_before_a_chill_ends_early(name, out):
    tau = float(name.rsplit("tau ", 1)[1])
    adds = ripen(Dough(YEAST, 1.5, 24), [Leg(24, steady(4), tau)]).end_ripeness
    assert adds == pytest.approx(out["the_cold_adds"], abs=5e-3)
    assert 1 - adds == pytest.approx(out["put_away_at"], abs=5e-3)
    assert (1 - adds) * 1.5 / float(YEAST.speed(24)) == pytest.approx(out["after_h_at_24c"], abs=5e-3)


@pytest.mark.parametrize("dough_c", [20, 24, 26, 28, 30])
def test_s31_dough_temperature_is_a_lever(dough_c):
    for kitchen, minutes in zip(CASES["S31"]["inputs"]["kitchen_c"], OUT["S31"][str(dough_c)], strict=True):
        assert 60 * hours_until_ripe(1, dough_c, steady(kitchen), 1.42) == pytest.approx(minutes, abs=0.2)


@pytest.mark.parametrize(
    ("name", "dough_c", "mean", "swing"), [("hot night of S11", 28, 27, 3), ("cool night of S11", 24, 16, 2)]
)
def test_s34_a_later_start_ends_later(name, dough_c, mean, swing):
    starts = [15 * n / 60 for n in range(97)]
    ends = [s + hours_until_ripe(3.2277, dough_c, day_and_night(mean, swing, 22 + s), 1.42) for s in starts]
    gains = [60 * (b - a) for a, b in pairwise(ends)]
    assert min(gains) == pytest.approx(OUT["S34"][name], abs=1)


def test_s34_where_the_surroundings_jump_it_fails_and_the_table_is_mended():
    def jump(begin):
        return lambda hours: np.where(hours + begin < 6, 4.0, 22.0)

    starts = [15 * n / 60 for n in range(97)]
    lengths = np.array([60 * hours_until_ripe(1.5, 28, jump(s), 1.95) for s in starts])
    ends = np.array(starts) * 60 + lengths
    assert min(np.diff(ends)) == pytest.approx(
        OUT["S34"]["surroundings that jump from 4 to 22 °C after 6 h, dough 28 °C"], abs=1
    )
    table = np.interp(np.arange(0, 24 * 60 + 5, 5), np.array(starts) * 60, lengths)
    task = Task("loaf", "proof", Lengths(table, table, table))
    crew = Crew(1, 1, np.zeros(400), np.zeros(400, dtype=bool))
    grid = laid_on_grid(Problem((task,), (), (), crew, (), 22, 288), 5)
    assert (np.diff(grid.ends[0].typical) >= 0).all()


@pytest.mark.parametrize("dough_c", [24, 26, 28, 30])
def test_s30_the_water_for_a_dough_temperature(dough_c):
    others = [Mass("flour", 1000, 21), Mass("sugar", 20, 21), Mass("fat", 40, 21)]
    assert water_temperature(others, 830, dough_c).water_c == pytest.approx(OUT["S30"][str(dough_c)], abs=0.01)
    if dough_c == 28:
        cold = [Mass("flour", 1000, 4), *others[1:]]
        assert water_temperature(cold, 830, 28).water_c == pytest.approx(OUT["S30"]["28 with flour at 4 °C"], abs=0.01)
