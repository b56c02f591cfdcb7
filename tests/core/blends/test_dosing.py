"""Doses brought to the usual: the smallest mend of a bag whose flours are good."""

import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.dosing import doses_mended
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import fit_to
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules

SHELF, USES = library_shelf(), rules().uses
FLOURS = {"white-rice-flour": 500, "sorghum-flour": 300, "potato-starch": 200}


def mended(use: str, **more: float):
    masses = {**FLOURS, **{k.replace("_", "-"): v for k, v in more.items()}}
    blend = Blend(tuple(Part(s, m) for s, m in masses.items()))
    analysis = analyse(blend, SHELF)
    after, changes = doses_mended(blend, analysis, fit_to(USES[use], analysis))
    statuses = {b.band.metric: b.status for b in fit_to(USES[use], analyse(after, SHELF)).bands}
    return {p.ingredient: p.mass_g for p in after.parts}, changes, statuses


def test_fifteen_times_the_gum_comes_down_to_one_usual_dose():
    # 0.35 % of 1000 g of flour is 3.5 g.
    masses, (change,), statuses = mended("drop-cookie", xanthan_gum=50)
    assert masses["xanthan-gum"] == 3.5
    assert (change.what, change.before, change.after) == ("xanthan-gum", pytest.approx(5), pytest.approx(0.35))
    assert statuses["binder_load"] == "pass"


def test_a_pinch_of_husk_comes_up_and_two_binders_keep_their_ratio():
    masses, _, statuses = mended("tin-loaf", psyllium_husk=5)
    assert (masses["psyllium-husk"], statuses["binder_load"]) == (50, "pass")
    masses, _, _ = mended("tin-loaf", psyllium_husk=75, xanthan_gum=24)
    assert masses["psyllium-husk"] / masses["xanthan-gum"] == pytest.approx(75 / 24, rel=0.02)


def test_salt_and_powder_come_down_to_the_most_that_is_usual_and_the_flours_stay():
    masses, changes, statuses = mended("pancake", xanthan_gum=3, baking_powder=250, salt=60)
    assert {c.what for c in changes} == {"baking-powder", "salt"}
    assert (masses["baking-powder"], masses["salt"]) == (50, 25)
    assert {statuses["chemical_leavening_pct"], statuses["salt_pct"]} == {"pass"}
    assert {s: masses[s] for s in FLOURS} == FLOURS


def test_what_passes_or_is_locked_is_left_alone():
    assert mended("drop-cookie", xanthan_gum=4)[1] == ()
    blend = Blend((Part("white-rice-flour", 1000), Part("xanthan-gum", 50, locked=True)))
    analysis = analyse(blend, SHELF)
    assert doses_mended(blend, analysis, fit_to(USES["drop-cookie"], analysis)) == (blend, ())
