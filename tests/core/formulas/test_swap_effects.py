"""What a swap does to the batch: the difference of two whole formulas, and nothing told from the unknown."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.formulas.swaps.effects import effects_of
from fallow_sieve.core.formulas.swaps.offers import swaps_for
from fallow_sieve.reference.formulas import formula_rules, swap_rules
from fallow_sieve.reference.ingredients import library_shelf
from kit import flour, formula_of, shelf_of

RULES = formula_rules()
RICE = {"water_g": 10, "protein_g": 10, "carbohydrate_g": 80, "fibre_g": 0}
SMALL = shelf_of(
    flour("rice", **RICE, fat_g=0, energy_kj=1500, more={"price_per_kg": 2.0}),
    flour("butter", "other", water_g=20, fat_g=80, protein_g=0, carbohydrate_g=0, fibre_g=0, energy_kj=3000, more={"price_per_kg": 10.0, "allergens": ("milk",)}),
    flour("oil", "other", water_g=0, fat_g=100, protein_g=0, carbohydrate_g=0, fibre_g=0, energy_kj=3700, more={"price_per_kg": 5.0}),
    flour("nut-oil", "other", water_g=0, fat_g=100, protein_g=0, carbohydrate_g=0, fibre_g=0, energy_kj=3700, more={"allergens": ("tree-nuts",)}),
    flour("mystery", "other", water_g=0, protein_g=0, carbohydrate_g=0, more={"price_per_kg": 1.0}),
    flour("water", "other", water_g=100, fat_g=0, protein_g=0, carbohydrate_g=0, fibre_g=0, energy_kj=0),
)  # fmt: skip


def dough(*fat, beside=()):
    lines = [
        Line("rice", 500, When.DRY),
        Line("water", 300, When.WET),
        *(Line(s, g, When.FAT) for s, g in (*fat, *beside)),
    ]
    return Formula(tuple(lines))


def done(before, after, shelf=SMALL):
    was, now = (judge_formula(f, shelf, RULES) for f in (before, after))
    return effects_of(before, was, after, now, shelf)


def size(found, what):
    return next(c.size for c in found.changes if c.what == what)


def test_butter_to_oil_by_hand():
    found = done(dough(("butter", 100)), dough(("oil", 80), ("water", 20)))
    # 100 g of butter cost 1.00, hold 80 g of fat and 3 000 kJ; 80 g of oil cost 0.40, hold 80 g and 2 960 kJ.
    assert size(found, "cost") == pytest.approx(-0.6)
    assert size(found, "energy_kj") == pytest.approx(-40)
    assert size(found, "fat_g") == pytest.approx(0)
    assert (found.rids_of, found.brings, found.unpriced) == (("milk",), (), ())
    water = next(c for c in found.changes if c.what == "hydration_pct")
    assert water.before == pytest.approx(100 * 320 / 500)
    assert water.after == pytest.approx(water.before)


def test_an_allergen_that_comes_is_named_and_so_is_what_has_no_price():
    found = done(dough(("oil", 80)), dough(("nut-oil", 80)))
    assert (found.brings, found.rids_of) == (("tree-nuts",), ())
    assert (size(found, "cost"), found.unpriced) == (None, ("Nut oil",))


def test_a_change_from_the_unknown_is_not_told():
    found = done(dough(("oil", 80)), dough(("mystery", 80)))
    assert size(found, "fat_g") is None
    assert size(found, "cost") == pytest.approx(0.08 - 0.40)


def test_what_stays_need_not_be_known():
    beside = [("nut-oil", 10), ("mystery", 5)]
    found = done(dough(("butter", 100), beside=beside), dough(("oil", 80), ("water", 20), beside=beside))
    assert (size(found, "cost"), size(found, "fat_g")) == (pytest.approx(-0.6), pytest.approx(0))
    more = done(dough(("oil", 80), beside=beside), dough(("oil", 80), beside=[("nut-oil", 12), ("mystery", 5)]))
    assert (size(more, "cost"), size(more, "fat_g")) == (None, pytest.approx(2))


def test_nothing_changed_changes_nothing():
    same = dough(("butter", 100))
    found = done(same, same)
    assert (size(found, "cost"), size(found, "energy_kj"), size(found, "fat_g"), found.brings) == (0, 0, 0, ())


CAKE = formula_of(
    [(BLEND, 500, "dry"), ("white-sugar", 250, "dry"), ("unsalted-butter", 200, "fat"), ("whole-egg", 150, "wet"), ("whole-milk", 200, "wet"), ("water", 100, "wet")],
    {"sorghum-flour": 600, "potato-starch": 400}, use="layer-cake",
)  # fmt: skip


@given(st.integers(1, 4), st.data())
def test_a_swap_and_its_way_back_cancel(at, data):
    shelf = library_shelf()
    found = swaps_for(CAKE, at, shelf, swap_rules("layer-cake"))
    swap = data.draw(st.sampled_from(found))
    after = replace(CAKE, lines=swap.lines)
    there, back = done(CAKE, after, shelf), done(after, CAKE, shelf)
    assert (there.brings, there.rids_of) == (back.rids_of, back.brings)
    for what in ("cost", "energy_kj", "fat_g"):
        one, other = size(there, what), size(back, what)
        assert (one is None) == (other is None)
        if one is not None:
            assert one + other == pytest.approx(0, abs=1e-9)
