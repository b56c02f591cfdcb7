"""What would change in a formula on another revision of its blend."""

import pytest

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import BLEND, Formula
from fallow_sieve.core.formulas.judgement import FormulaSetting, judge_formula
from fallow_sieve.core.formulas.newer_blend import changes_on
from fallow_sieve.core.values.changes import in_words
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from kit import formula_of

SHELF, RULES = library_shelf(), formula_rules()
FLOUR = {"sorghum-flour": 600, "potato-starch": 400, "psyllium-husk": 50}
LOAF = formula_of(
    [(BLEND, 1050, "dry"), ("water", 900, "wet"), ("instant-dry-yeast", 15, "dry")], FLOUR, use="tin-loaf"
)


def said(found):
    return [in_words(c) for c in found]


def changes(formula=LOAF, **masses):
    parts = [Part(s.replace("_", "-"), g) for s, g in masses.items()]
    return said(changes_on(formula, parts, SHELF, RULES, FormulaSetting()))


def test_the_same_parts_change_nothing():
    assert changes(sorghum_flour=600, potato_starch=400, psyllium_husk=50) == []
    assert changes(sorghum_flour=60, potato_starch=40, psyllium_husk=5) == []


def test_parts_stand_first_by_size_in_percent_of_flour():
    found = changes(sorghum_flour=500, potato_starch=400, teff_flour=100, psyllium_husk=50)
    assert set(found[:2]) == {"Sorghum flour (whole grain) 60.0 → 50.0 % of flour", "Teff flour 0.0 → 10.0 % of flour"}


def test_half_the_husk_halves_the_load_and_wants_less_water():
    found = changes(sorghum_flour=600, potato_starch=400, psyllium_husk=25)
    was = judge_formula(LOAF, SHELF, RULES)
    load = was.binder.load
    assert found[0] == "Psyllium husk (whole) 5.0 → 2.5 % of flour"
    assert any(s.startswith(f"Binder load {load:.1f} → ") for s in found)
    # 2.5 % less husk at h g of water each: the table's number, not one written here.
    water = next(s for s in found if s.startswith("Water wanted"))
    before, after = (float(x) for x in water.removeprefix("Water wanted ").removesuffix(" % of flour").split(" → "))
    assert before - after == pytest.approx(2.5 * RULES.holds["psyllium-husk"].typical, abs=0.11)


def test_an_allergen_that_comes_and_a_state_that_changes_are_said():
    found = changes(sorghum_flour=500, potato_starch=400, almond_flour=100)
    assert "tree nuts: now contained" in found
    assert found[-1].startswith("State: ")
    assert "→ Held by" in found[-1]
    back = said(changes_on(
        Formula(LOAF.lines, (Part("sorghum-flour", 500.0), Part("almond-flour", 100.0)), use="tin-loaf"),
        LOAF.blend, SHELF, RULES, FormulaSetting(),
    ))  # fmt: skip
    assert "tree nuts: no more on record" in back


def test_without_a_use_only_what_is_known_changes():
    plain = Formula(LOAF.lines, LOAF.blend)
    found = changes(plain, sorghum_flour=500, potato_starch=500)
    assert set(found) == {
        "Sorghum flour (whole grain) 60.0 → 50.0 % of flour",
        "Potato starch 40.0 → 50.0 % of flour",
        "Psyllium husk (whole) 5.0 → 0.0 % of flour",
    }


def test_parts_that_cannot_be_used_are_refused():
    with pytest.raises(BadInputError):
        changes(no_such_flour=100)
