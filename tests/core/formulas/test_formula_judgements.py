"""The judgement of a formula, the finished bake, and the card."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.card import card_of, grams
from fallow_sieve.core.formulas.finished_bake import finish
from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, When
from fallow_sieve.core.formulas.judgement import FormulaSetting, judge_formula
from fallow_sieve.core.formulas.water_learning import Pour
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from kit import flour, formula_of, shelf_of

SHELF, RULES = library_shelf(), formula_rules()
FLOUR = {"sorghum-flour": 600, "potato-starch": 350, "psyllium-husk": 47.5}
LOAF = [
    (BLEND, 997.5, "dry"), ("salt", 18, "dry"), ("instant-dry-yeast", 15, "dry"), ("water", 850, "wet"), ("olive-oil", 40, "fat"),
]  # fmt: skip


def judged(lines=LOAF, kitchen=None, **more):
    return judge_formula(formula_of(lines, FLOUR, **{"use": "tin-loaf", **more}), SHELF, RULES, kitchen)


def gauge(found, name):
    return next(g for g in found.gauges if g.name == name)


def with_mass(slug, mass):
    return [(s, mass if s == slug else g, stage) for s, g, stage in LOAF]


def test_a_sound_formula_passes_and_says_so():
    found = judged()
    assert found.say == "Nothing holds it."
    assert {g.name: g.status for g in found.gauges} == dict.fromkeys(
        ("water", "binder", "yeast", "salt", "sugar", "fat"), Status.PASS
    )
    assert "950 g flour" in found.say_more


@pytest.mark.parametrize(
    ("slug", "mass", "name", "status", "says"),
    [
        ("water", 300, "water", Status.HELD, "water short"), ("water", 1400, "water", Status.HELD, "water over"),
        ("instant-dry-yeast", 45, "yeast", Status.CLOSE, "over"), ("salt", 60, "salt", Status.HELD, "slows yeast"),
    ],
)  # fmt: skip
def test_what_holds_it_stands_first_with_its_distance(slug, mass, name, status, says):
    found = judged(with_mass(slug, mass))
    assert found.gauges[0].name == name
    assert found.gauges[0].status is status
    assert says in found.say


def test_the_distance_is_grams_of_water_to_the_nearer_wall():
    found = judged(with_mass("water", 300))
    g = gauge(found, "water")
    assert g.say == f"{(g.band.good_low - g.value) / 100 * 950:.0f} g water short"


def test_bakes_of_this_blend_move_the_window():
    bakes = [Pour(80, 96, "blend:1", "yeasted")] * 8
    pinned = Pin("blend", 1, None, "Mix")
    plain, taught = judged(pin=pinned), judged(kitchen=FormulaSetting(pours=bakes), pin=pinned)
    assert taught.wanted.typical_pct == pytest.approx(plain.wanted.typical_pct * 1.2, rel=0.02)
    assert taught.prediction == plain.prediction
    assert (taught.wanted.bakes, taught.wanted.level) == (8, "blend")


def test_a_slip_of_a_unit_is_to_be_looked_at():
    found = judged(with_mass("salt", 190))
    assert any("10 times the usual 2 %" in w for w in found.warnings)
    assert found.say.endswith("to look at.")


def test_temperatures_of_the_method_are_checked():
    found = judged(method="Prove.\nBake at 190 °C (425 °F).")
    assert found.warnings == ("Method, line 2: 190 °C and 425 °F are not the same: 190 °C and 218 °C. Which is meant?",)
    assert found.say == "Nothing holds it. 1 to look at."


def test_without_a_use_it_is_what_it_is_and_nothing_is_judged():
    found = judged(use=None)
    assert found.say == "No use is chosen, so nothing is judged."
    assert found.wanted is None
    assert found.analysis.hydration_pct is not None


def test_consistency_moves_the_window_and_a_wrong_one_is_refused():
    assert judged(consistency="batter").prediction.base_pct == 86
    assert judged().consistency == "soft"
    with pytest.raises(BadInputError, match="use soft or batter|soft"):
        judged(consistency="stiff")


def test_tap_water_is_not_among_what_gluten_is_unknown_for():
    assert "water" not in judged().gluten.unknown_parts
    assert "sorghum-flour" in judged().gluten.unknown_parts


SIMPLE = shelf_of(
    flour("rice", water_g=10, fat_g=0, protein_g=10, carbohydrate_g=80, fibre_g=5, more={"price_per_kg": 2.0}),
    flour("water", "other", water_g=100, fat_g=0, protein_g=0, carbohydrate_g=0, fibre_g=0),
    flour("jam", "other", water_g=30, fat_g=0, protein_g=0, carbohydrate_g=70, fibre_g=0),
)  # fmt: skip
ROLLS = Formula((Line("rice", 500, When.DRY), Line("water", 400, When.WET), Line("water", 100, When.FINISH)), pieces=4)


def done(formula=ROLLS, loss=10.0, **more):
    return finish(formula, analyse_formula(formula, SIMPLE), SIMPLE, loss, **more)


def test_water_leaves_in_the_oven_and_the_rest_stays():
    found = done()
    # 10 % of the 900 g that are baked leave; what is put on afterwards loses nothing.
    assert (found.lost_g, found.after_g, found.piece_g) == (pytest.approx(90), pytest.approx(910), pytest.approx(227.5))
    assert found.per_100_g["protein_g"].typical == pytest.approx(100 * 50 / 910)
    assert found.per_100_g["water_g"].typical == pytest.approx(100 * (50 + 400 + 100 - 90) / 910)
    assert found.per_portion["protein_g"].typical == pytest.approx(50 / 4)


def test_unknown_stays_a_lower_bound_and_a_missing_price_no_price():
    assert done().per_100_g["salt_g"].typical is None
    jam = Formula((*ROLLS.lines, Line("jam", 50, When.FILLING)), pieces=2)
    assert (done(jam).cost, done(jam).unpriced) == (None, ("Jam",))
    assert done().cost_per_portion == pytest.approx(0.5 * 2.0 / 4)


def test_a_bought_blend_is_priced_in_the_blends_place():
    blended = Formula((Line(BLEND, 500, When.DRY), Line("water", 400, When.WET)), (Part("rice", 1),), pieces=5)
    found = done(blended, bought_per_kg=6.0)
    assert (found.cost_per_portion, found.bought_cost_per_portion) == (pytest.approx(0.2), pytest.approx(0.6))


def test_no_more_water_leaves_than_there_is():
    dry = Formula((Line("rice", 100, When.DRY),))
    assert done(dry, 50).lost_g == pytest.approx(10)
    assert "no bake loss is on record" in done(loss=None).say
    with pytest.raises(BadInputError):
        done(loss=100)


@given(st.floats(1, 2000), st.floats(1, 2000), st.floats(0, 60), st.integers(1, 50))
def test_dry_matter_is_conserved_through_the_oven(rice, water, loss, pieces):
    formula = Formula((Line("rice", rice, When.DRY), Line("water", water, When.WET)), pieces=pieces)
    found = done(formula, loss)
    dry = found.after_g * (1 - found.per_100_g["water_g"].typical / 100)
    assert dry == pytest.approx(0.9 * rice, rel=1e-9, abs=1e-9)
    assert found.before_g == pytest.approx(found.after_g + found.lost_g, rel=1e-9)
    assert found.piece_g * pieces == pytest.approx(found.after_g, rel=1e-9)


def steps_of(lines, use="tin-loaf", blend=FLOUR):
    return card_of(judge_formula(formula_of(lines, blend, use=use), SHELF, RULES), "Mix").steps


def told(steps, begins):
    return [s for s in steps if s.startswith(begins)]


def test_the_card_pours_the_water_once_step_by_step():
    steps = steps_of([*LOAF, ("whole-egg", 50, "wet")])
    assert told(steps, "Mix in") == ["Mix in 50 g whole egg, raw."]
    (pour,) = told(steps, "Pour")
    assert "(850 g in the formula, at most " in pour
    assert sum("850 g" in s for s in steps) == 1


def test_the_water_of_a_gel_is_in_already_and_is_not_poured_again():
    gel = [(BLEND, 950, "dry"), ("psyllium-husk", 10, "gel"), ("water", 300, "gel"), ("water", 550, "wet")]
    plain = [(BLEND, 950, "dry"), ("psyllium-husk", 10, "gel"), ("water", 850, "wet")]
    a, b = (judge_formula(formula_of(x, FLOUR, use="tin-loaf"), SHELF, RULES) for x in (gel, plain))
    in_gel = 300 * SHELF["water"].range_of("water_g").typical / 100
    assert a.analysis.water_g == pytest.approx(b.analysis.water_g)
    assert b.pour[0].poured_g - a.pour[0].poured_g == pytest.approx(in_gel)
    assert b.pour[-1].poured_g - a.pour[-1].poured_g == pytest.approx(in_gel)
    assert a.pour[-1].total_pct == pytest.approx(b.pour[-1].total_pct)
    steps = card_of(a).steps
    assert told(steps, "Stir") == ["Stir 10 g psyllium husk (whole), 300 g water to a gel."]
    assert "(550 g in the formula" in told(steps, "Pour")[0]


def test_a_stiff_dough_is_mixed_before_any_water_goes_in():
    pastry = steps_of(
        [(BLEND, 500, "dry"), ("unsalted-butter", 200, "fat"), ("whole-egg", 50, "wet"), ("water", 55, "wet")],
        "short-pastry",
        {"sorghum-flour": 600, "potato-starch": 350},
    )
    assert told(pastry, "Mix,")[0].startswith("Mix, and rest 10–15 minutes; then add water in small steps")
    assert pastry.index("Work in 200 g butter, unsalted.") < pastry.index(told(pastry, "Mix,")[0])


def test_a_dough_that_is_wet_enough_asks_for_no_water():
    batter = steps_of([(BLEND, 300, "dry"), ("whole-milk", 760, "wet"), ("whole-egg", 200, "wet")], "pancake")
    assert told(batter, "Mix,") == ["Mix, and rest 10–15 minutes. It wants no water beside."]


def test_without_a_prediction_the_water_stands_with_its_stage():
    assert "Mix in 300 g water." in steps_of([(BLEND, 300, "dry"), ("water", 300, "wet")], None)


def test_the_card_goes_in_the_order_of_the_work():
    card = card_of(judged([*LOAF, ("whole-milk", 10, "finish"), ("raisins", 90, "fold-in")]), "Summit mix")
    text = "\n".join(card.steps)
    order = ["Whisk together 998 g Summit mix", "Pour ", "Work in 40 g olive oil", "Fold in 90 g raisins", "Bake 1:", "core of 94–98 °C", "Cool 90", "After baking, finish"]  # fmt: skip
    assert [text.index(s) for s in order] == sorted(text.index(s) for s in order)
    assert any("Raw flour and raw egg" in c for c in card.cautions)
    assert len(set(card.cautions)) == len(card.cautions)
    assert "°F" in card_of(judged(), temp_unit="f").steps[-2]


@pytest.mark.parametrize(("g", "said"), [(1234.6, "1235 g"), (10, "10 g"), (9.96, "10.0 g"), (0.456, "0.46 g")])
def test_grams_are_said_as_they_are_weighed(g, said):
    assert grams(g) == said
