"""The smallest change that lets a blend pass: by hand, against every move on a grid, and over any blend."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import Use, UseBand, fit_to
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.optimise.mending import mend
from fallow_sieve.core.optimise.wishes import Wishes
from fallow_sieve.core.values.bands import Status
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples
from kit import priced as flour

LIBRARY = library_shelf()
USES = rules().uses


GRAIN = flour("grain", "whole_grain", 4.0, fibre_g=10.0)
WHITE = flour("white", "refined_flour", 2.0, fibre_g=2.0)
STARCH = flour("starch", "starch", 1.0, fibre_g=0.0)
SHELF = Shelf.of([GRAIN, WHITE, STARCH])
FIBRE = Use("fibre", "Fibre", "general", "dry", (UseBand(1, 3, 6, 9, "fibre_pct"),))


def mended(masses, use=FIBRE, shelf=SHELF, locked=(), wishes=None, touch=3):
    blend = Blend(tuple(Part(s, m, s in locked) for s, m in masses.items()))
    return mend(blend, analyse(blend, shelf), wishes or Wishes(use), shelf, touch)


def test_two_parts_are_mended_by_the_mass_that_one_works_out():
    # 10 % grain, 90 % starch: 1 g fibre. 3 g wants 20 % more of what has 10 g fibre: 20 % moved from starch to grain.
    found = mended({"grain": 100, "starch": 900})
    two = found.options[-1]
    assert two.moved_pct == pytest.approx(20)
    assert {c.what: (c.before, c.after) for c in two.changes} == {
        "grain": (pytest.approx(10), pytest.approx(30)),
        "starch": (pytest.approx(90), pytest.approx(70)),
    }
    assert two.passes


def test_one_part_is_mended_by_setting_its_share_and_the_others_give_in_proportion():
    short = mended({"grain": 100, "white": 450, "starch": 450}, touch=1).options[0]
    # fibre = 10 g + 2 w, with w = (100 − g)/2: 0.1 g + (100 − g)/100 = 3 → g = 200/9
    assert dict(short.shares)["grain"] == pytest.approx(200 / 9)
    assert short.touched == 1


def test_locked_parts_stay_and_stock_limits_hold():
    found = mended({"grain": 100, "white": 300, "starch": 600}, locked=("starch",))
    assert all("starch" not in {c.what for c in m.changes} for m in found.options)
    assert found.options
    short = Shelf.of([replace(GRAIN, stock_g=150.0), replace(WHITE, stock_g=5000.0), replace(STARCH, stock_g=900.0)])
    wishes = Wishes(FIBRE, in_stock=True, batch_g=1000.0)
    for m in mended({"grain": 100, "white": 200, "starch": 700}, shelf=short, wishes=wishes).options:
        assert dict(m.shares)["grain"] <= 15 + 1e-6


def test_at_most_one_part_is_new_and_a_new_one_is_no_pinch():
    found = mended({"white": 500, "starch": 500})
    for m in found.options:
        new = [c for c in m.changes if not c.before]
        assert len(new) <= 1
        assert all(c.after >= 3 - 1e-9 for c in new)


def test_a_blend_that_passes_needs_no_mending_and_one_beyond_it_says_which_sieve():
    assert mended({"grain": 300, "starch": 700}).options == ()
    high = Use("high", "High", "general", "dry", (UseBand(20, 25, 30, 40, "fibre_pct"),))
    found = mended({"grain": 300, "starch": 700}, use=high)
    assert found.options == ()
    assert found.beyond == ("fibre_pct",)


@pytest.mark.parametrize("touch", [2, 3])
def test_no_smaller_move_on_a_grid_mends_it(touch):
    slugs = ("white-rice-flour", "corn-starch", "sorghum-flour")
    masses = {"white-rice-flour": 20, "corn-starch": 75, "sorghum-flour": 5}
    use = USES["scone"]
    found = mended(masses, use, LIBRARY, wishes=Wishes(use, candidates=slugs), touch=touch)
    best = min((m.moved_pct for m in found.options if m.touched <= touch and m.passes), default=None)
    fine = []
    for a in range(0, 101, 1):
        for b in range(0, 101 - a, 1):
            shares = np.array([a, b, 100 - a - b], dtype=float)
            parts = tuple(Part(s, x) for s, x in zip(slugs, shares, strict=True) if x > 0)
            moved = 0.5 * np.abs(shares - np.array([20.0, 75.0, 5.0])).sum()
            if best is not None and moved >= best - 1e-6:
                continue
            if all(r.status == "pass" for r in fit_to(use, analyse(Blend(parts), LIBRARY)).bands):
                fine.append((moved, parts))
    assert fine == []


KITCHEN = (
    "white-rice-flour",
    "sorghum-flour",
    "teff-flour",
    "corn-starch",
    "potato-starch",
    "chickpea-flour",
    "oat-flour",
)


@settings(max_examples=examples(25))
@given(
    st.dictionaries(st.sampled_from(KITCHEN), st.floats(1, 900) | st.integers(1, 900), min_size=2, max_size=6),
    st.sampled_from(["tin-loaf", "scone", "crispbread", "pancake"]),
    st.integers(0, 1),
)
def test_any_blend_is_mended_to_what_its_judgement_calls_mended(masses, use, locks):
    locked = tuple(sorted(masses))[:locks]
    found = mended(masses, USES[use], LIBRARY, locked, Wishes(USES[use], candidates=KITCHEN))
    flour_g = sum(masses.values())
    for m in found.options:
        shares = dict(m.shares)
        assert sum(shares.values()) == pytest.approx(100, abs=1e-6)
        assert all(shares.get(s) == pytest.approx(100 * masses[s] / flour_g) for s in locked)
        assert len(m.changes) <= 3 or m.touched == 1
        seen = fit_to(USES[use], analyse(Blend(tuple(Part(s, x) for s, x in shares.items())), LIBRARY))
        statuses = {b.status for b in seen.bands}
        assert statuses == {Status.PASS} if m.passes else Status.HELD not in statuses


# Explanations, fronts and bags.
