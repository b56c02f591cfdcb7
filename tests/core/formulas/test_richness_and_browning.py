"""Egg, sugar and fat stand on the usual of the use; what browns early on the hottest phase of the bake."""

import pytest

from fallow_sieve.core.formulas import Formula, Line, finish, judge_formula, usual_when
from fallow_sieve.core.formulas.analysis import analyse_formula
from fallow_sieve.core.formulas.gauges.browning import browning_gauge
from fallow_sieve.core.values.bands import Status
from fallow_sieve.reference import formula_rules, library_shelf
from kit import formula_of

SHELF, RULES = library_shelf(), formula_rules()


def judged(use, lines, method=""):
    at = tuple(Line(s, float(g), usual_when(SHELF[s])) for s, g in lines.items())
    return judge_formula(Formula(at, use=use, method=method), SHELF, RULES)


def gauge(name, use, lines, method=""):
    return next((g for g in judged(use, lines, method).gauges if g.name == name), None)


CHOUX = {"white-rice-flour": 80, "tapioca-starch": 50, "unsalted-butter": 90, "water": 200, "salt": 2}
PASTRY = {"white-rice-flour": 200, "corn-starch": 100, "xanthan-gum": 1, "salt": 2, "water": 60}
CAKE = {"white-rice-flour": 120, "potato-starch": 80, "baking-powder": 8, "whole-egg": 150, "unsalted-butter": 120}


@pytest.mark.parametrize(
    ("name", "use", "lines", "status", "say"),
    [
        ("egg", "choux", CHOUX, Status.HELD, "110 % short"),
        ("egg", "choux", {**CHOUX, "whole-egg": 190}, Status.PASS, "passes"),
        ("fat", "short-pastry", {**PASTRY, "unsalted-butter": 20}, Status.HELD, "26 % short"),
        ("fat", "short-pastry", {**PASTRY, "unsalted-butter": 160}, Status.PASS, "passes"),
        ("sugar", "layer-cake", {**CAKE, "white-sugar": 180}, Status.PASS, "passes"),
        ("sugar", "layer-cake", {**CAKE, "white-sugar": 400}, Status.HELD, "90 % over"),
        ("egg", "tin-loaf", {"white-rice-flour": 400, "whole-egg": 420, "instant-dry-yeast": 6}, Status.HELD, "60 % over"),
    ],
)  # fmt: skip
def test_egg_sugar_and_fat_stand_on_the_usual_of_the_use(name, use, lines, status, say):
    found = gauge(name, use, lines)
    assert (found.status, found.say) == (status, say)
    assert bool(found.why) == (status is not Status.PASS)


def test_the_fat_of_nuts_shortens_and_much_egg_is_no_fault_where_it_carries():
    nuts = {"almond-flour": 250, "whole-egg": 60, "white-sugar": 100}
    assert gauge("fat", "rolled-cookie", nuts).status is Status.PASS  # 250 g almonds hold 125 g of fat, half of it free
    rice = {"white-rice-flour": 250, "whole-egg": 60, "white-sugar": 100}
    assert gauge("fat", "rolled-cookie", rice).status is Status.HELD
    assert gauge("egg", "layer-cake", {**nuts, "whole-egg": 600}) is None
    assert gauge("egg", "layer-cake", {**rice, "whole-egg": 600}).status is Status.CLOSE


def test_a_very_thirsty_flour_takes_as_much_more_of_everything():
    rest = {"whole-egg": 250, "honey": 80, "unsalted-butter": 60, "salt": 2}
    assert gauge("fat", "quick-bread", {"coconut-flour": 60, **rest}).status is Status.PASS
    assert gauge("fat", "quick-bread", {"sorghum-flour": 60, **rest}).status is Status.HELD


def test_what_is_folded_in_is_no_part_of_the_crumb():
    lines = [("white-rice-flour", 200, "dry"), ("unsalted-butter", 100, "fat"), ("white-sugar", 80, "dry")]
    plain = judge_formula(formula_of(lines, use="drop-cookie"), SHELF, RULES)
    fruit = judge_formula(formula_of([*lines, ("raisins", 200, "fold-in")], use="drop-cookie"), SHELF, RULES)
    assert [g.value for g in plain.gauges if g.name == "sugar"] == [g.value for g in fruit.gauges if g.name == "sugar"]


PIZZA = {"white-rice-flour": 240, "corn-starch": 100, "psyllium-husk": 14, "instant-dry-yeast": 4, "water": 300}


@pytest.mark.parametrize(
    ("flour", "method", "status"),
    [
        ("soy-flour", "Bake at 240 °C for 30 minutes.", Status.CLOSE), ("soy-flour", "Bake at 210 °C.", Status.PASS),
        ("chickpea-flour", "Bake at 260 °C.", Status.CLOSE), ("soy-flour", "Bake at 210 °C to a core of 95 °C.", Status.PASS),
    ],
)  # fmt: skip
def test_what_burns_early_is_close_at_most_over_the_heat_that_it_stands(flour, method, status):
    assert gauge("browning", "hearth-loaf", {**PIZZA, flour: 160}, method).status is status


def test_buckwheat_and_teff_stand_a_fierce_oven_and_starch_stays_pale():
    for flour in ("buckwheat-flour", "teff-flour"):
        assert gauge("browning", "hearth-loaf", {**PIZZA, flour: 300}, "Bake at 250 °C.") is None
    pale = judged("tin-loaf", {"tapioca-starch": 400, "white-rice-flour": 100, "instant-dry-yeast": 8, "water": 350})
    assert any("stays pale" in w for w in pale.warnings)
    sweet = {"tapioca-starch": 400, "white-rice-flour": 100, "instant-dry-yeast": 8, "water": 350, "white-sugar": 30}
    assert not any("stays pale" in w for w in judged("tin-loaf", sweet).warnings)


def test_a_bake_of_a_few_minutes_bears_more_heat():
    dough = analyse_formula(formula_of({"chickpea-flour": 200, "water": 300}), SHELF)
    assert browning_gauge(dough, 235.0, 60)[0].status is Status.CLOSE
    assert browning_gauge(dough, 235.0, 6)[0].status is Status.PASS
    assert browning_gauge(dough, None, 60) == ()


def test_soda_without_acid_is_a_gauge_of_its_own_and_frees_half_its_gas():
    lines = {"sorghum-flour": 200, "tapioca-starch": 100, "xanthan-gum": 1.5, "water": 300, "baking-soda": 6}
    found = {g.name: g for g in judged("quick-bread", lines).gauges}
    assert (found["soda"].status, found["soda"].value) == (Status.HELD, pytest.approx(2.0))
    assert (found["powder"].status, found["powder"].value) == (Status.PASS, pytest.approx(2.5))
    with_acid = {**lines, "cider-vinegar": 90}
    assert "soda" not in {g.name for g in judged("quick-bread", with_acid).gauges}


def test_the_sodium_of_powder_is_no_salt_to_taste():
    lines = {"white-rice-flour": 200, "tapioca-starch": 100, "water": 300, "baking-powder": 14, "salt": 3}
    assert gauge("salt", "quick-bread", lines).value == pytest.approx(1.0, abs=0.05)


def test_the_water_of_a_finish_is_not_lost_in_the_oven():
    dry = [("white-rice-flour", 100, "dry"), ("whole-milk", 100, "finish")]
    formula = formula_of(dry)
    baked = finish(formula, analyse_formula(formula, SHELF), SHELF, 50)
    moisture = SHELF["white-rice-flour"].range_of("water_g").typical
    assert baked.lost_g == pytest.approx(moisture)  # all that the baked part has, and none of the milk's


@pytest.mark.parametrize(
    ("water", "consistency"), [(0, "soft"), (330, "soft"), (480, "batter"), (180, "stiff")]
)  # fmt: skip
def test_a_dough_whose_consistency_is_not_said_is_judged_at_the_nearest(water, consistency):
    lines = {"white-rice-flour": 300, "tapioca-starch": 200, "psyllium-husk": 15, **({"water": water} if water else {})}
    assert judged("soft-roll", lines).consistency == consistency
