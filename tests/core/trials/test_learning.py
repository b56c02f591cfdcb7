"""What trials teach: worked cases W12–W17, levels, and bands that are only proposed."""

import json
import math
from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.core.formulas.water_learning import learn as learn_water
from fallow_sieve.core.numerics.nested_normal import learn_levels
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.trials.learning.bags import another_bags
from fallow_sieve.core.trials.learning.bands_proposed import JudgedBake, proposals, zone_posterior
from fallow_sieve.core.trials.learning.learner import Learner, Observed, applied, learn
from fallow_sieve.core.trials.learning.observed import core_readings, minutes_to_core, observed_in
from fallow_sieve.core.trials.learning.planning import learnt_plan
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.core.trials.trial import Trial
from fallow_sieve.core.values import Band
from fallow_sieve.formats.shared import validate
from fallow_sieve.formats.trials import TrialFile
from fallow_sieve.reference import learners
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.trials.making import trial_of_file

CASES = json.loads((Path(__file__).parents[2] / "cases/trials/worked.json").read_text("utf-8"))["cases"]
IN, OUT = ({c["id"]: c[k] for c in CASES} for k in ("given", "expect"))
LEARNERS = learners()


def near(value):
    return pytest.approx(value, rel=2e-4)


def test_w12_a_dough_that_felt_wet_did_not_want_what_it_got():
    given_ = IN["W12"]
    pours = [
        Pour(given_["predicted_pct"], a, "blend:1", "yeasted", feel=f)
        for a, f in zip(given_["actual_pct"], given_["feel"], strict=True)
    ]
    found = learn_water(pours, "blend:1", "yeasted")[-1]
    assert (found.mean, found.sd) == (near(OUT["W12"]["ln_factor"]), near(OUT["W12"]["sd"]))
    assert found.factor * given_["predicted_pct"] == near(OUT["W12"]["wanted_pct"])


def test_who_always_pours_too_much_and_says_so_teaches_nothing():
    pours = [Pour(80, 80 * math.exp(0.08), "b", "yeasted", feel=2.0)] * 6
    assert learn_water(pours, "b", "yeasted")[-1].mean == pytest.approx(0, abs=1e-12)
    assert learn_water([replace(p, feel=0.0) for p in pours], "b", "yeasted")[-1].factor == pytest.approx(
        1.08, abs=0.004
    )


def test_w13_bake_loss_at_every_level():
    seen = [Observed(m - IN["W13"]["table_pct"], "yeasted", "a") for m in IN["W13"]["measured_pct"]]
    for name, family, formula in (
        ("formula", "yeasted", "a"),
        ("other_formula", "yeasted", "b"),
        ("other_use", "batter", "c"),
    ):
        found = learn(LEARNERS["bake_loss"], seen, family, formula)
        assert (found.mean, found.sd) == (near(OUT["W13"][name][0]), near(OUT["W13"][name][1]))
    assert [
        learn(LEARNERS["bake_loss"], seen, f, x).level for f, x in (("yeasted", "a"), ("yeasted", "b"), ("batter", "c"))
    ] == ["formula", "use", "kitchen"]


def test_w14_minutes_to_the_core():
    given_, out = IN["W14"], OUT["W14"]
    reached = minutes_to_core([tuple(r) for r in given_["readings"]], given_["target_c"])
    assert reached == near(out["reached_min"])
    ratio = math.log(reached / given_["plan_min"])
    assert ratio == pytest.approx(out["ln_ratio"], abs=1e-6)
    found = learn(LEARNERS["core_time"], [Observed(ratio, "yeasted", "a")], "yeasted", "a")
    assert found.mean == pytest.approx(out["learnt"], abs=5e-5)
    assert applied(found, LEARNERS["core_time"], given_["plan_min"])[0] == near(out["next_min"])


@pytest.mark.parametrize(
    ("readings", "minute"),
    [
        ([(30, 90.0), (40, 100.0)], 36.0),
        ([(40, 97.0), (30, 95.0), (20, 80.0)], 35.0),
        ([(34, 80.0), (38, 90.0)], None),  # more than 4 K under
        ([(38, 95.5)], None),
        ([(34, 97.0), (38, 98.0)], None),  # over it already at the first
        ([(34, 95.5), (38, 95.5)], None),
        ([], None),
    ],
)
def test_when_a_core_reached_its_target_is_told_only_where_it_can_be(readings, minute):
    assert minutes_to_core(readings, 96.0) == (None if minute is None else pytest.approx(minute))


def test_a_core_reading_says_at_which_minute_it_was_taken():
    taken = [
        Reading("core_c", 91.0, method="probe, 34 min"),
        Reading("core_c", 95.5, method="38.5 min"),
        Reading("core_c", 97.0),
    ]
    assert core_readings(taken) == [(34.0, 91.0), (38.5, 95.5)]


def test_w15_hours_to_rise():
    out = OUT["W15"]
    yeast = Organism("yeast")
    plan_h, done_h = (
        IN["W15"][k]["minutes"] / 60 * float(yeast.speed(IN["W15"][k]["temp_c"])) for k in ("plan", "done")
    )
    assert (plan_h, done_h) == (near(out["plan_h_26"]), near(out["done_h_26"]))
    found = learn(LEARNERS["fermentation"], [Observed(math.log(done_h / plan_h), "yeasted", "a")], "yeasted", "a")
    assert (found.mean, found.sd) == (near(out["learnt"]), near(out["sd"]))


def test_w16_an_oven_of_the_kitchen_has_one_level():
    seen = [Observed(k, f, f) for k, f in zip(IN["W16"]["offsets_k"], ("a", "b", "c"), strict=True)]
    found = learn(LEARNERS["oven_offset"], seen, "anything", "else")
    assert (found.mean, found.sd, found.n) == (near(OUT["W16"]["offset_k"]), near(OUT["W16"]["sd"]), 3)
    assert found.say == "3 bakes of this kitchen: 11.1 K less."


def test_an_oven_that_runs_cool_is_set_hotter():
    lesson = learn(LEARNERS["oven_offset"], [Observed(k, "", "") for k in (-12, -9, -14)], "", "")
    plan = learnt_plan(TrialPlan({"set_c": Planned(190.0)}), {"oven_offset": lesson}, LEARNERS, Organism("yeast"))
    assert plan.value("set_c") == 201


def test_what_nothing_was_learnt_of_stays_and_a_slower_dough_takes_longer():
    base = TrialPlan(
        {
            n: Planned(v)
            for n, v in {"proof_h26": 1.47, "proof_min": 75.0, "proof_c": 28.0, "bake_loss_pct": 12.0}.items()
        }
    )
    lessons = {n: learn(x, [], "yeasted", "a") for n, x in LEARNERS.items() if n != "water"}
    assert learnt_plan(base, lessons, LEARNERS, Organism("yeast")) == base
    lessons["fermentation"] = learn(LEARNERS["fermentation"], [Observed(0.192166, "yeasted", "a")], "yeasted", "a")
    slower = learnt_plan(base, lessons, LEARNERS, Organism("yeast"))
    assert slower.value("proof_min") == pytest.approx(86.6, abs=0.3)
    assert slower.value("bake_loss_pct") == 12.0
    assert slower.values["proof_min"].low < 86.6 < slower.values["proof_min"].high


@given(st.lists(st.floats(-1, 1), min_size=1, max_size=8), st.floats(0.02, 0.5))
def test_one_noise_for_all_is_the_same_as_the_same_for_each(values, noise):
    seen = [(("a", "b"), v) for v in values]
    one = learn_levels(seen, ("a", "b"), (0.1, 0.1, 0.1), noise)
    each = learn_levels(seen, ("a", "b"), (0.1, 0.1, 0.1), [noise] * len(values))
    for x, y in zip(one, each, strict=True):
        assert (x.mean, x.sd, x.count) == (pytest.approx(y.mean), pytest.approx(y.sd), y.count)


@given(st.lists(st.floats(-3, 3), max_size=6))
def test_more_bakes_make_the_next_surer_never_surer_than_one_bake_is(values):
    x = Learner("x", "points", (1.0, 1.0, 1.0), 0.7)
    found = [learn(x, [Observed(v, "f", "a") for v in values[:n]], "f", "a") for n in range(len(values) + 1)]
    assert [f.sd for f in found] == sorted((f.sd for f in found), reverse=True)
    assert all(f.next_sd >= 0.7 for f in found)


# What one bake shows.

FILE = {
    "format": "fallow-sieve/trial", "version": 1,
    "formula": {
        "format": "fallow-sieve/formula", "version": 1, "use": "tin-loaf", "pieces": 2,
        "blend": {"parts": [{"ingredient": "sorghum-flour", "mass_g": 500}, {"ingredient": "potato-starch", "mass_g": 450}, {"ingredient": "psyllium-husk", "mass_g": 50}]},
        "lines": [
            {"ingredient": "@blend", "mass_g": 1000, "stage": "dry"}, {"ingredient": "salt", "mass_g": 18, "stage": "dry"},
            {"ingredient": "instant-dry-yeast", "mass_g": 14, "stage": "dry"}, {"ingredient": "water", "mass_g": 880, "stage": "wet"},
        ],
    },
}  # fmt: skip
LOAF = trial_of_file(validate(TrialFile, FILE), bundled_kitchen())


def shown(**noted):
    readings = tuple(Reading(q, float(v), n=3 if q == "oven_c" else 1, id=q) for q, v in noted.items())
    trial = Trial(LOAF.made, LOAF.process, LOAF.plan, readings)
    return observed_in(trial, LOAF.plan)


def test_bake_loss_counts_only_where_the_bake_went_as_it_should():
    assert shown(mass_in_g=1900, mass_out_g=1672, core_c=97)["bake_loss"] == pytest.approx(12 - 14)
    assert "bake_loss" not in shown(mass_in_g=1900, mass_out_g=1672, core_c=90)
    assert "bake_loss" not in shown(mass_in_g=1900, mass_out_g=1672, core_c=97, bake_min=80)
    assert "bake_loss" not in shown(mass_in_g=1900, mass_out_g=1672)


def test_a_rise_counts_only_where_it_was_reached():
    hours = LOAF.plan.value("proof_h26")
    assert shown(proof_min=60 * hours, proof_c=26, rise_pct=70)["fermentation"] == pytest.approx(0)
    assert "fermentation" not in shown(proof_min=60, proof_c=26, rise_pct=40)
    assert "fermentation" not in shown(proof_min=60, rise_pct=70)


def test_friction_needs_the_flours_and_the_liquids_temperature():
    still = shown(dough_c=20, liquid_c=20, room_c=20)
    assert still["friction"] == pytest.approx(-3)
    assert "friction" not in shown(dough_c=26, liquid_c=30)


def test_what_stays_in_the_bowl_needs_all_pieces():
    whole = LOAF.plan.value("mass_in_g")
    assert shown(mass_in_g=0.95 * whole)["mixing_loss"] == pytest.approx(3)
    assert "mixing_loss" not in shown(mass_in_g=0.48 * whole)


def test_an_oven_is_read_three_times():
    assert shown(oven_c=180)["oven_offset"] == pytest.approx(180 - LOAF.plan.value("set_c"))
    once = Trial(LOAF.made, LOAF.process, LOAF.plan, (Reading("oven_c", 180.0),))
    assert "oven_offset" not in observed_in(once, LOAF.plan)


def test_volume_by_seeds_is_taken_per_gram():
    assert shown(volume_seed_ml=3900, mass_out_g=1660)["specific_volume"] == pytest.approx(
        math.log(3900 / 1660 / 2.35), abs=1e-3
    )


# Bands.

FIBRE = Band(2.0, 4.0, 9.0, 12.0)


def bakes(*given_):
    return [JudgedBake(v, verdict, f"blend@{n % 2}") for n, (v, verdict) in enumerate(given_)]


def test_w17_a_zone_that_four_good_and_one_bad_speak_for():
    assert zone_posterior((2, 2), 4, 1)[0] == near(OUT["W17"]["p_over_half"])
    good = [(3.2, 8), (3.4, 7), (3.6, 8), (3.9, 9)]
    (found,) = proposals("fibre_pct", FIBRE, bakes(*good, (3.0, 2)))
    assert (found.side, found.before, found.after, found.widens, found.bakes) == ("low", 4.0, 3.2, True, 5)


@pytest.mark.parametrize(
    "tried",
    [
        [(3.2, 8), (3.4, 7), (3.6, 8), (3.0, 2)],  # three good, one bad: 0.77
        [(3.2, 8), (3.4, 7), (3.6, 8)],  # too few
        [(5.0, 2)] * 8,  # inside it takes nine
        [(1.0, 9)] * 9,  # beyond a hard limit nothing is offered
        [],
    ],
)
def test_what_few_bakes_say_is_not_yet_offered(tried):
    assert proposals("fibre_pct", FIBRE, bakes(*tried)) == ()


def test_four_good_bakes_of_one_blend_are_not_enough():
    assert proposals("fibre_pct", FIBRE, [JudgedBake(3.3, 8, "blend@1")] * 5) == ()
    assert len(proposals("fibre_pct", FIBRE, bakes(*[(3.3, 8)] * 4))) == 1


def test_inside_it_takes_nine_bad_ones_and_no_good_one_to_draw_an_edge_in():
    assert round(zone_posterior((6, 2), 0, 9)[1], 3) >= 0.85 > zone_posterior((6, 2), 0, 8)[1]
    (found,) = proposals("fibre_pct", FIBRE, bakes(*[(4.5, 2)] * 9))
    assert (found.side, found.after, found.widens) == ("low", 6.5, False)


def pour(ratio, feel=0.0):
    return Pour(100.0, 100.0 * ratio, "a mix", "bread", "2026-03-01", feel)


def test_another_bag_is_shown_with_the_bakes_of_each():
    seen = [({"teff-flour": "T1"}, pour(1.00)), ({"teff-flour": "T1"}, pour(1.21)), ({"teff-flour": "T2"}, pour(1.10))]
    (found,) = another_bags(seen)
    # the mean of ln 1.00 and ln 1.21 is ln 1.10
    assert (found.before, found.now) == ("T1", "T2")
    assert (found.ratio_before, found.ratio_now) == (pytest.approx(1.10), pytest.approx(1.10))
    assert (found.bakes_before, found.bakes_now) == (2, 1)


def test_a_bake_that_felt_wet_did_not_want_what_it_got():
    (found,) = another_bags([({"teff-flour": "T1"}, pour(1.0)), ({"teff-flour": "T2"}, pour(math.exp(0.08), feel=2.0))])
    assert found.ratio_now == pytest.approx(1.0)  # 0.08 less 0.04 · 2


def test_one_bag_all_along_is_no_change():
    assert another_bags([({"teff-flour": "T1"}, pour(1.0)), ({"teff-flour": "T1"}, pour(1.2))]) == ()
