"""The sheet's ladders, and every operation that a cause may ask for, on a formula where it applies."""

from datetime import UTC, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.trials.lineage import placed
from fallow_sieve.core.trials.next_change.formula_edits import OPERATIONS, formula_edit
from fallow_sieve.core.trials.next_change.plan_edits import plan_edit
from fallow_sieve.core.trials.next_change.worth import (
    ranked_by_verdict,
    worth_of_mend,
    worth_of_parting,
    worth_of_repeat,
)
from fallow_sieve.core.trials.plan import Planned, TrialPlan
from fallow_sieve.core.trials.quantities import Moment
from fallow_sieve.core.trials.readings import Reading
from fallow_sieve.core.trials.sheet import nice, rung_of, rungs, sheet_of
from fallow_sieve.core.trials.trial import Trial
from fallow_sieve.core.values import BadInputError
from fallow_sieve.demo.trials import TRIALS
from fallow_sieve.formats.shared import validate
from fallow_sieve.formats.trials import TrialFile
from fallow_sieve.reference import fault_tables, quantities
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.trials.making import trial_of_file, trial_rules

CAUSES = fault_tables().causes
QUANTITIES = quantities()
NOW = datetime(2026, 3, 14, tzinfo=UTC)


def made(use, lines, blend=(("white-rice-flour", 300), ("corn-starch", 150), ("psyllium-husk", 25)), **more):
    formula = {
        "format": "fallow-sieve/formula", "version": 1, "use": use, **more,
        "blend": {"parts": [{"ingredient": s, "mass_g": g} for s, g in blend]},
        "lines": [{"ingredient": s, "mass_g": g, "stage": w} for s, g, w in lines],
    }  # fmt: skip
    file = {"format": "fallow-sieve/trial", "version": 1, "formula": formula}
    return trial_of_file(validate(TrialFile, file), bundled_kitchen())


LOAF = made(
    "tin-loaf",
    [("@blend", 475, "dry"), ("water", 760, "wet"), ("salt", 9, "dry"), ("instant-dry-yeast", 20, "dry"),
     ("white-sugar", 30, "dry"), ("olive-oil", 30, "fat"), ("xanthan-gum", 12, "dry"), ("apple-puree", 60, "filling")],
)  # fmt: skip
CAKE = made(
    "quick-bread",
    [("@blend", 300, "dry"), ("baking-powder", 25, "dry"), ("baking-soda", 4, "dry"), ("whole-milk", 200, "wet")],
    blend=(("white-rice-flour", 200), ("corn-starch", 100)),
)
SAUCE = made("thickener", [("whole-milk", 500, "wet"), ("corn-starch", 60, "dry")], blend=(("corn-starch", 100),))
HUSK = made(
    "tin-loaf", [("@blend", 450, "dry"), ("water", 250, "wet"), ("psyllium-husk", 30, "gel")], blend=(("white-rice-flour", 450),)
)  # fmt: skip
POOR = made("tin-loaf", [("@blend", 450, "dry"), ("water", 250, "wet"), ("instant-dry-yeast", 2, "dry")])
FLAT = made("quick-bread", [("@blend", 300, "dry"), ("baking-powder", 3, "dry"), ("whole-milk", 200, "wet")])
ROOT = made("thickener", [("whole-milk", 500, "wet"), ("tapioca-starch", 20, "dry")], blend=(("corn-starch", 100),))
ON_FORMULA = [c for c in CAUSES.values() if c.edit.lever == "formula" and c.edit.target != "water-temperature"]


@pytest.mark.parametrize("cause", ON_FORMULA, ids=[c.cause for c in ON_FORMULA])
def test_every_operation_on_a_formula_is_done_or_says_why_not(cause):
    assert cause.edit.op in OPERATIONS
    done, why = 0, []
    for trial in (LOAF, CAKE, SAUCE, HUSK, POOR, FLAT, ROOT):
        try:
            edit = formula_edit(cause, trial.made, trial_rules().formulas)
        except BadInputError as error:
            why.append(str(error))
            continue
        assert edit.formula.lines != trial.made.formula.lines
        assert all(x.mass_g > 0 for x in edit.formula.lines)
        assert edit.say
        done += 1
    assert done, why


@pytest.mark.parametrize(
    "cause", [c for c in CAUSES.values() if c.edit.lever not in ("formula", "blend", "test")], ids=lambda c: c.cause
)
def test_every_operation_on_a_plan_is_done_or_is_a_line_in_words(cause):
    facts = {"oven_delta": 12.0, "pan_factor": 1.25, "piece_ratio": 1.5}
    if cause.cause == "left-in-tin":  # ten minutes are the plan
        with pytest.raises(BadInputError, match="in the plan already"):
            plan_edit(cause, LOAF.plan, facts)
        return
    edit = plan_edit(cause, LOAF.plan, facts)
    assert edit.say
    assert all(v > 0 for v in edit.values.values())


def on_plan(cause, facts=None, **values):
    return plan_edit(CAUSES[cause], TrialPlan({n: Planned(float(v)) for n, v in values.items()}), facts or {})


@pytest.mark.parametrize(
    ("cause", "facts", "plan", "changed"),
    [
        ("oven-hot", {"oven_delta": 12.0}, {"oven_c": 190, "set_c": 190}, {"oven_c": 178, "set_c": 178}),
        ("oven-hot", {"oven_delta": 45.0}, {"oven_c": 190}, {"oven_c": 170}),  # 20 K at most
        ("fast-browning-flour", {}, {"oven_c": 190}, {"oven_c": 175}),
        ("under-proofed", {}, {"proof_min": 60, "proof_h26": 1.2}, {"proof_min": 75, "proof_h26": 1.5}),
        ("pan-slow", {"pan_factor": 1.25}, {"bake_min": 40}, {"bake_min": 50}),
        ("piece-large", {"piece_ratio": 2.25}, {"bake_min": 40}, {"bake_min": 60}),
        ("starch-not-wetted", {}, {"rest_min": 5}, {"rest_min": 20}),
        ("starch-not-wetted", {}, {}, {"rest_min": 20}),
        ("left-in-tin", {}, {"in_tin_min": 30}, {"in_tin_min": 10}),
        ("fat-soft", {}, {"chill_min": 10}, {"chill_min": 40}),
        ("yeast-killed", {}, {"liquid_c": 52}, {"liquid_c": 37}),
        ("cut-warm", {}, {"cool_min": 90}, {"cool_min": 90}),
        ("oven-hot", {}, {"oven_c": 190}, {}),  # no thermometer of its own: a line in words
        ("not-scraped", {}, {}, {}),
    ],
)
def test_what_a_cause_changes_in_the_plan(cause, facts, plan, changed):
    assert on_plan(cause, facts, **plan).values == pytest.approx(changed)


def test_a_plan_that_is_so_already_is_said():
    with pytest.raises(BadInputError, match="in the plan already"):
        on_plan("starch-not-wetted", {}, rest_min=25)


def test_water_is_repaired_by_what_the_dough_wants():
    edit = formula_edit(CAUSES["too-much-water"], LOAF.made, trial_rules().formulas)
    wanted = LOAF.made.judged.wanted.typical_pct
    assert edit.say.endswith(f"{wanted:.0f} % of flour")


def test_a_bag_that_holds_all_its_binder_is_not_mended_in_the_formula():
    plain = made(
        "tin-loaf",
        [("@blend", 475, "dry"), ("water", 400, "wet")],
        blend=(("white-rice-flour", 400), ("psyllium-husk", 60)),
    )
    with pytest.raises(BadInputError, match="all in the blend"):
        formula_edit(CAUSES["binder-double"], plain.made, trial_rules().formulas)


# The sheet.


def test_five_moments_ask_at_most_four_things_each():
    moments = sheet_of(LOAF, trial_rules())
    assert [m.moment for m in moments] == list(Moment)
    assert all(len(m.ladders) + bool(m.words) <= 4 for m in moments)


def test_what_would_have_told_most_last_time_is_the_first_tap():
    mixing = sheet_of(LOAF, trial_rules(), first="foamed")[0]
    assert mixing.words[0].quantity == "foamed"
    oven = sheet_of(LOAF, trial_rules(), first="oven_delta")[2]
    assert oven.ladders[0].quantity == "oven_c"


def test_a_bakery_that_never_proves_is_not_asked_for_it():
    rising = sheet_of(CAKE, trial_rules())[1]
    assert {x.quantity for x in rising.ladders} == set()
    assert "fault:no-rise" not in {w.quantity for w in (*rising.words, *rising.more_words)}


def test_what_is_tasted_waits_for_the_core():
    cut = sheet_of(LOAF, trial_rules())[3]
    assert "nothing raw is tasted" in cut.waits
    done = Trial(LOAF.made, LOAF.process, LOAF.plan, (Reading("core_c", 97.0),))
    assert sheet_of(done, trial_rules())[3].waits == ""
    through = Trial(LOAF.made, LOAF.process, LOAF.plan, (Reading("baked_through", 1.0),))
    assert sheet_of(through, trial_rules())[3].waits == ""


@given(st.sampled_from(sorted(QUANTITIES)), st.floats(1, 1000))
def test_a_ladder_has_its_plan_in_the_middle_and_stays_within_its_limits(name, planned):
    q = QUANTITIES[name]
    planned = min(max(planned, q.least), q.most)
    found = rungs(q, planned, rung_of(q, planned))
    assert all(q.least - 1e-9 <= r.value <= q.most + 1e-9 for r in found)
    assert [r.value for r in found] == sorted(r.value for r in found)


@given(st.floats(1e-3, 1e6))
def test_a_nice_step_is_one_two_or_five(value):
    assert value / 2 <= nice(value) <= value * 2


# Lineage and worth.


@given(st.lists(st.integers(0, 8), max_size=10))
def test_every_revision_has_one_place_and_a_line_is_not_broken(parents):
    based_on = {n + 1: (p if 0 < p <= n else None) for n, p in enumerate(parents)}
    places = placed(based_on)
    assert [p.revision for p in places] == sorted(based_on)
    for p in places:
        if p.parent is not None:
            assert p.parent < p.revision
    children = [(p.parent, p.column) for p in places if p.parent is not None]
    assert len(children) == len(set(children))


def test_w19_mending_first():
    repeat, mend = worth_of_repeat(0.5, 0.8, (1, 2)), worth_of_mend(0.4075, 3, 3)
    assert (repeat, mend) == (pytest.approx(0.190702, abs=1e-6), pytest.approx(1.22, abs=0.005))
    assert worth_of_parting(-3, 2) == 1.5


def test_one_good_bake_leans_on_the_family():
    best, second = ranked_by_verdict({1: [8.0], 2: [7.0, 7.0, 7.0], 3: []})
    assert (best.key, second.key) == (1, 2)
    assert best.mean < 8.0
    assert ranked_by_verdict({1: []}) == ()


def test_the_demos_bakes_name_what_can_be_noted():
    for t in TRIALS:
        for noted in (t.noted, *t.days.values(), *(m for _, m in t.arms.values())):
            assert set(noted) <= set(QUANTITIES)
