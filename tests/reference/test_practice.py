"""The record of practice: what people bake is let through, what fails is held, and the bands are made from it."""

from __future__ import annotations

from dataclasses import replace
from importlib.resources import files
from statistics import median

import pytest

from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.mix_class import MixClass
from fallow_sieve.core.blends.practice import bands_of, quantile, usual_nutrition
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import fit_to
from fallow_sieve.core.formulas.formula import Formula, Line, When
from fallow_sieve.core.formulas.judgement import judge_formula
from fallow_sieve.core.values.bands import Status
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.practice import blend_on_record, practice_failures, practice_mixes, record
from fallow_sieve.reference.uses import rules

SHELF, USES, RECORD = library_shelf(), rules().uses, record()
FLAVOUR_ALONE = "flavour_index"  # palate can be close at most
SAME = {"flour_fat_pct", "flour_starch_pct"}  # of a mix of nuts they say one thing


def fit_of(row, use=None):
    return fit_to(use or USES[row.use], analyse(blend_on_record(row), SHELF))


def held_by(fit):
    return {b.band.metric for b in fit.bands if b.status is Status.HELD}


def without(row):
    """The use of a mix, its bands made from the record without it."""
    left = replace(RECORD, mixes=[m for m in RECORD.mixes if m.key != row.key])
    classes = {m.mix_class for m in left.mixes if m.use == row.use} - {MixClass.PLAIN}
    apart = {c: bands_of(left, row.use, c) for c in classes}
    return replace(USES[row.use], bands=bands_of(left, row.use), classes=apart)


def test_the_bands_of_every_use_are_those_that_the_record_gives():
    for use in USES.values():
        assert use.bands == bands_of(RECORD, use.slug), use.slug
        assert all(bands == bands_of(RECORD, use.slug, c) for c, bands in use.classes.items()), use.slug
        assert use.nutrition == usual_nutrition(RECORD, use.slug), use.slug


def test_left_out_one_by_one_what_people_bake_is_let_through():
    fits = [fit_of(row, without(row)) for row in practice_mixes()]
    let_through = [f for f in fits if not held_by(f)]
    assert len(let_through) / len(fits) >= 0.95
    assert median(f.score for f in fits) >= 80
    assert min(f.score for f in fits) > 0


def in_a_mix():
    """The failures that a mix alone can show: water has no row there, and no binder in the bag is a choice."""
    for row in practice_failures():
        no_binder = row.held_by == "binder_load" and not any(b.band.metric == "binder_load" for b in fit_of(row).bands)
        if row.held_by not in ("water", FLAVOUR_ALONE) and not no_binder:
            yield row


def test_what_is_known_to_fail_is_held_and_mostly_by_the_row_that_should():
    rows = list(in_a_mix())
    held = {row.key: held_by(fit_of(row)) for row in rows}
    right = [r for r in rows if r.held_by in held[r.key] or (r.held_by in SAME and SAME & held[r.key])]
    assert sum(map(bool, held.values())) / len(rows) >= 0.95
    assert len(right) / len(rows) >= 0.85


def test_what_only_tastes_strong_is_close_and_not_held():
    for row in practice_failures():
        if row.held_by == FLAVOUR_ALONE:
            statuses = {b.band.metric: b.status for b in fit_of(row).bands}
            assert statuses[FLAVOUR_ALONE] is Status.CLOSE, row.key


@pytest.mark.parametrize("use", sorted(USES))
def test_a_side_that_holds_says_what_fails_there(use):
    for bands in (USES[use].bands, *USES[use].classes.values()):
        for band in bands:
            slopes_low, slopes_high = band.hard_low < band.good_low, band.hard_high > band.good_high
            if (slopes_low and band.holds_low) or (slopes_high and band.holds_high):
                assert band.why, band.metric


def test_every_ingredient_on_record_is_in_the_library_and_every_row_says_why():
    for row in (*practice_mixes(), *practice_failures()):
        assert {p.ingredient for p in blend_on_record(row).parts} <= set(SHELF.row_of), row.key
        assert row.why, row.key
    metrics = {*METRICS, "water"}
    assert {row.held_by for row in practice_failures()} <= metrics


def test_a_quantile_of_weights_is_worked_out_by_hand():
    # Weights 1, 1 and 2 have their middles at 1/8, 3/8 and 3/4 of the whole.
    values = [(10, 1), (20, 1), (40, 2)]
    assert quantile(values, 0.25) == pytest.approx(15)
    assert quantile(values, 9 / 16) == pytest.approx(30)
    assert (quantile(values, 0.0), quantile(values, 1.0)) == (10, 40)


@pytest.mark.parametrize(
    ("use", "parts", "metric"),
    [
        ("drop-cookie", "white-rice-flour:60;tapioca-starch:40;xanthan-gum:5", "binder_load"),
        ("tin-loaf", "sorghum-flour:60;potato-starch:40;psyllium-husk:17", "binder_load"),
        ("tin-loaf", "sorghum-flour:60;potato-starch:40;psyllium-husk:5;salt:7", "salt_pct"),
        ("pancake", "white-rice-flour:70;potato-starch:30;baking-powder:25", "chemical_leavening_pct"),
    ],
)
def test_what_ruins_a_bake_in_the_bag_holds_it(use, parts, metric):
    row = replace(practice_mixes()[0], use=use, parts=parts, extras="")
    assert held_by(fit_of(row)) == {metric}


def test_no_binder_in_the_bag_is_a_choice_and_enters_nothing():
    row = replace(practice_mixes()[0], use="tin-loaf", parts="sorghum-flour:60;potato-starch:40", extras="")
    assert "binder_load" not in {b.band.metric for b in fit_of(row).bands}


def test_the_tables_that_are_made_stand_beside_the_record():
    shipped = {p.name for p in files("fallow_sieve.reference").joinpath("tables").iterdir()}
    assert {"practice_mixes.csv", "practice_failures.csv", "use_bands.csv", "use_nutrition.csv"} <= shipped


def as_formula(row):
    """The failing mix at work: what it is made of, and the water that is usual unless the row says otherwise."""
    parts = {p.ingredient: p.mass_g for p in blend_on_record(row).parts}
    written = dict(p.split(":") for p in row.extras.split(";") if p)
    flour_g = sum(m for s, m in parts.items() if SHELF[s].in_flour_base)
    bands = formula_rules().hydration[row.use]
    usual = bands[min(bands, key=lambda c: abs(bands[c].typical_pct - 80))].typical_pct
    water_g = float(written.get("water", usual)) * flour_g / 100
    lines = [Line(s, m, When.DRY) for s, m in parts.items()]
    return Formula((*lines, Line("water", water_g, When.WET)), use=row.use)


def test_what_a_mix_alone_cannot_show_is_held_in_the_formula():
    shown_in_a_mix = {row.key for row in in_a_mix()}
    for row in practice_failures():
        if row.key not in shown_in_a_mix and row.held_by != FLAVOUR_ALONE:
            found = judge_formula(as_formula(row), SHELF, formula_rules())
            held = {g.name for g in found.gauges if g.status is Status.HELD}
            assert {"water": "water", "binder_load": "binder"}[row.held_by] in held, row.key


@pytest.mark.parametrize(
    ("method", "word"),
    [("Scald the flour with boiling water, then knead.", "a scald"), ("Ferment overnight.", "a long ferment")],
)
def test_what_a_scald_or_a_ferment_carries_is_said_and_not_held(method, word):
    bare = Formula((Line("white-rice-flour", 100, When.DRY), Line("water", 80, When.WET)), use="wrap")
    for formula, status in ((bare, Status.HELD), (replace(bare, method=method), Status.CLOSE)):
        gauge = next(g for g in judge_formula(formula, SHELF, formula_rules()).gauges if g.name == "binder")
        assert gauge.status is status
    assert gauge.say == f"carried by {word}"


def test_egg_carries_a_cake_without_any_gum():
    lines = (("white-rice-flour", 60), ("corn-starch", 40), ("whole-egg", 100), ("white-sugar", 90))
    found = judge_formula(
        Formula(tuple(Line(s, m, When.DRY) for s, m in lines), use="layer-cake"), SHELF, formula_rules()
    )
    assert next(g for g in found.gauges if g.name == "binder").status is Status.PASS
