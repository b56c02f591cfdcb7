"""Worked cases of leavens and preferments, each to the tolerance that it states."""

import json
from datetime import datetime, timedelta
from pathlib import Path

import pytest

from fallow_sieve.core.schedule.leaven.builds import Ratio, Starter, count_back, dilution_for, peak_hours, preferment
from fallow_sieve.core.schedule.ripening.bodies import Leg, steady
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.schedule.ripening.path import Dough, ripen

CASES = json.loads((Path(__file__).parents[2] / "cases/schedule.json").read_text("utf-8"))
OUT = {case["id"]: case["outputs"] for case in CASES}
YEAST = Organism("yeast")
STARTER = Starter("liquid leaven", Ratio(1, 2, 2), 0.28, 0.4, 0.05, 40, 0.8, 1.25, 60, 2.0, 30, 3)


def near(value, rel=1e-3):
    return pytest.approx(value, rel=rel)


@pytest.mark.parametrize(("name", "hours"), OUT["S16"].items())
def test_s16_time_to_the_peak_of_a_build(name, hours):
    dilution, temp = name.removeprefix("D").removesuffix("C").split()
    assert peak_hours(float(dilution), float(temp), STARTER) == near(hours)


def test_s17_grams_are_counted_back_to_the_jar():
    out = OUT["S17"]
    plan = count_back(350, 60, [Ratio(1, 2, 2)] * 2, 24, STARTER, 5)
    refresh, leaven = plan.builds
    assert [leaven.total_g, leaven.seed_g, leaven.flour_g, leaven.water_g] == [
        out["leaven_g"],
        out["leaven_seed_g"],
        out["leaven_flour_g"],
        out["leaven_water_g"],
    ]
    assert [refresh.total_g, refresh.seed_g, refresh.flour_g] == [
        out["refresh_g"],
        out["refresh_seed_g"],
        out["refresh_flour_g"],
    ]
    assert [leaven.peak_h, refresh.peak_h] == [near(out["peak_leaven_h"]), near(out["peak_refresh_h"])]
    wanted = datetime(2026, 11, 14, 8)
    begins = wanted - timedelta(hours=leaven.peak_h)
    assert f"{begins:%a %H:%M}" == out["start_leaven"]
    assert abs(begins - timedelta(hours=refresh.peak_h) - datetime(2026, 11, 13, 13, 45)) < timedelta(minutes=1)


def test_s17b_the_ratio_that_peaks_at_a_wanted_hour():
    dilution = dilution_for(11, 24, STARTER)
    assert dilution == near(OUT["S17b"]["dilution"])
    assert (dilution - 1) / 2 == near(OUT["S17b"]["ratio_flour"])


def test_s18_a_kept_back_jar_lasts_a_week_in_the_fridge():
    out = OUT["S18"]
    path = ripen(Dough(YEAST, 1, 22), [Leg(3, steady(22), 1.0), Leg(7 * 24 - 3, steady(4), 1.0)])
    assert peak_hours(3, 26, STARTER) == near(out["peak_units"])
    for hours, name in ((3, "after_3h"), (24, "after_1d"), (168, "after_7d")):
        assert path.at(hours)[1] == pytest.approx(out[name], rel=5e-3)


def test_s19_a_preferment_gets_its_yeast_from_the_wanted_hours():
    out = OUT["S19"]
    units = 12 * float(YEAST.speed(20))
    found = preferment(1000, 30, 100, units, 3.0, 1.0)
    assert units == near(out["units"])
    assert [found.flour_g, found.water_g, found.yeast_g, found.yeast_pct] == [
        out["flour_g"],
        out["water_g"],
        near(out["yeast_g"]),
        near(out["yeast_pct_of_its_flour"]),
    ]
