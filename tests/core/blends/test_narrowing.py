"""What a judgement rests on adds up, and the tests offered are those that weigh most."""

import pytest

from fallow_sieve.core.blends import Blend, Part, UseBand, analyse, fit_to
from fallow_sieve.core.blends.narrowing import rests_on
from fallow_sieve.core.blends.uses import Use
from fallow_sieve.core.ingredients import Fact, Quality
from fallow_sieve.core.values import exactly
from fallow_sieve.reference import blend_on_record, library_shelf, practice_mixes, rules
from kit import flour, shelf_of

THIRST, GRIT, TASTE = (UseBand(0, 0, 5, 5, m) for m in ("thirst_g_per_g", "grit_index", "flavour_index"))
USE = Use("loaf", "Loaf", "yeasted", "wet", (THIRST, GRIT, TASTE))


def resting(shelf, **masses):
    analysis = analyse(Blend(tuple(Part(s, g) for s, g in masses.items())), shelf)
    return rests_on(analysis, fit_to(USE, analysis), shelf)


def test_two_sieves_and_a_taste_of_one_flour_are_a_third_each():
    found = resting(shelf_of(flour("rice", thirst_g_per_g=1.2, grit_index=2, flavour_index=1)), rice=100)
    assert found.taste_pct == pytest.approx(100 / 3)
    assert {q: pct for q, pct in found.by_quality.items() if pct} == {"table": pytest.approx(200 / 3)}
    assert [(t.kind, t.points_pct) for t in found.tests] == [
        ("water", pytest.approx(100 / 3)),
        ("sieve", pytest.approx(100 / 3)),
    ]
    assert (found.unsure_pct, found.after_pct) == pytest.approx((200 / 3, 0), abs=1e-9)
    assert found.say.startswith("Soak and sieve the rice: 67 → 0 %")


def test_what_is_measured_is_offered_no_test():
    rice = flour("rice", thirst_g_per_g=1.2, grit_index=2, flavour_index=1)
    measured = {**rice.facts, "thirst_g_per_g": Fact(exactly(1.2), Quality.MEASURED)}
    sure = flour("rice").__class__(rice.slug, rice.name, rice.role, measured)
    found = resting(shelf_of(sure), rice=100)
    assert [t.kind for t in found.tests] == ["sieve"]
    assert found.by_quality["measured"] == pytest.approx(100 / 3)


def test_the_flour_that_gives_most_is_tested_first():
    shelf = shelf_of(
        flour("fine", thirst_g_per_g=1, grit_index=0, flavour_index=1),
        flour("coarse", thirst_g_per_g=1, grit_index=4, flavour_index=1),
    )
    # Of the grit the coarse flour has half of the mass and all of the sum: 3/4 of a third.
    found = resting(shelf, fine=50, coarse=50)
    first = found.tests[0]
    assert (first.ingredient, first.kind, first.points_pct) == ("coarse", "sieve", pytest.approx(25))


@pytest.mark.parametrize("row", practice_mixes()[::60], ids=lambda r: r.key)
def test_what_it_rests_on_is_the_whole(row):
    shelf, blend = library_shelf(), blend_on_record(row)
    analysis = analyse(blend, shelf)
    found = rests_on(analysis, fit_to(rules().uses[row.use], analysis), shelf)
    assert sum(found.by_quality.values()) + found.taste_pct == pytest.approx(100)
    assert 0 <= found.after_pct <= found.unsure_pct
