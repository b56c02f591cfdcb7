"""What readings say against a plan: worked out, never stored; what was not noted says nothing."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.evidence.log import Setting, facts_of_log, values_of, water_pct
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.trials.predicting import in_pan
from fallow_sieve.core.trials.readings import Reading, State
from fallow_sieve.core.values import BadInputError

YEAST = Organism("yeast")
PLAN = TrialPlan(
    {
        name: Planned(value)
        for name, value in {
            "flour_g": 1000.0, "other_water_g": 20.0, "wanted_pct": 86.0, "core_target_c": 96.0, "oven_c": 190.0,
            "dough_c": 26.0, "cool_min": 90.0, "bake_min": 42.0, "bake_loss_pct": 12.0, "piece_g": 950.0, "pieces": 2.0,
            "proof_h26": 1.47, "yeast_limit_c": 43.0, "mix_min": 10.0,
        }.items()
    }
)  # fmt: skip


def log(noted, setting=Setting()):  # noqa: B008 (a frozen value)
    return facts_of_log(noted, PLAN, setting, YEAST)


@pytest.mark.parametrize(
    ("noted", "quantity", "value"),
    [
        ({"water_poured_g": 891.6}, "water_ratio", 1.06),
        ({"core_c": 96.5}, "core_delta", 0.5),
        ({"oven_c": 192.0}, "oven_delta", 2.0),
        ({"dough_c": 22.0}, "dough_temp_delta", -4.0),
        ({"cool_min": 31.5}, "cool_ratio", 0.35),
        ({"bake_min": 46.2}, "bake_ratio", 1.1),
        ({"liquid_c": 52.0}, "liquid_over", 9.0),
        ({"mix_min": 15.0}, "mix_ratio", 1.5),
        ({"mass_in_g": 692.0, "mass_out_g": 621.0}, "bake_loss_delta", -1.7399),
        ({"mass_in_g": 1140.0}, "piece_ratio", 1.2),
        ({"mass_in_g": 1900.0}, "piece_ratio", 1.0),
        ({"proof_min": 128.0, "proof_c": 24.0}, "proof_ratio", 1.78244 / 1.47),
        ({"proof_min": 128.0, "room_c": 24.0}, "proof_ratio", 1.78244 / 1.47),
    ],
)
def test_a_reading_against_its_plan(noted, quantity, value):
    assert log(noted)[quantity] == pytest.approx(value, abs=2e-4)


def test_what_was_not_noted_says_nothing():
    assert set(log({})) == set()
    assert "proof_ratio" not in log({"proof_min": 90.0})  # without the °C of its place


def test_what_was_noted_itself_wins_over_what_is_worked_out():
    assert log({"cool_min": 90.0, "cool_ratio": 0.35})["cool_ratio"] == 0.35


def test_two_thirds_of_the_flour_that_is_dusted_on_count_as_flour():
    assert water_pct({"water_poured_g": 840.0, "flour_dusted_g": 60.0}, PLAN) == pytest.approx(100 * 860 / 1040)


def test_high_up_the_core_that_can_be_reached_is_lower():
    assert log({"core_c": 95.0})["core_delta"] == -1.0
    assert log({"core_c": 95.0}, Setting(altitude_m=1150.0))["core_delta"] == pytest.approx(0.3, abs=0.04)


def test_a_loaf_that_came_out_heavier_is_a_slip_and_says_nothing_of_loss():
    assert "bake_loss_delta" not in log({"mass_in_g": 600.0, "mass_out_g": 700.0})


def test_as_planned_has_the_plans_value_and_is_nothing_where_nothing_was_planned():
    planned = {q: Reading(q, None, state=State.PLANNED) for q in ("core_c", "cool_min", "sheet_mm")}
    assert values_of(planned, PLAN) == {"core_c": 96.0, "cool_min": 90.0}


def test_an_arm_in_a_dark_tin_is_planned_in_its_own_minutes():
    dark = in_pan(PLAN, 0.9)
    assert dark.value("bake_min") == pytest.approx(37.8)
    assert dark.value("pan_factor") == 0.9
    assert PLAN.value("bake_min") == 42.0


@pytest.mark.parametrize(("given_", "place"), [({"coer_c": 1.0}, "/plan/coer_c"), ({"oven_c": 1e9}, "/plan/oven_c")])
def test_a_plan_of_ones_own_is_checked(given_, place):
    with pytest.raises(BadInputError) as error:
        PLAN.with_values(given_, "by hand")
    assert error.value.place == place


@given(st.floats(0.5, 4), st.floats(100, 1200))
def test_scaling_a_batch_changes_no_ratio(times, poured):
    larger = TrialPlan({n: Planned(p.value * (times if n.endswith("_g") else 1)) for n, p in PLAN.values.items()})
    again = facts_of_log({"water_poured_g": poured * times, "mass_in_g": 900 * times}, larger, Setting(), YEAST)
    once = log({"water_poured_g": poured, "mass_in_g": 900.0})
    for ratio in ("water_ratio", "piece_ratio"):
        assert again[ratio] == pytest.approx(once[ratio])
