"""Changing a blend, and telling what changed."""

import pytest

from fallow_sieve.core.blends.binder_load import DoseBand
from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.blends.composing import add_part, scale_to, set_flour_share
from fallow_sieve.core.blends.differences import difference
from fallow_sieve.core.values.errors import BadInputError
from kit import flour, mix, shelf_of

SHELF = shelf_of(
    flour("a", protein_g=10, fibre_g=4), flour("b", protein_g=6, fibre_g=2), flour("c", protein_g=2),
    flour("husk", "binder", does="psyllium-husk", fibre_g=80),
)  # fmt: skip
PARTS = (Part("a", 300), Part("b", 150), Part("c", 50), Part("husk", 25))


def masses(parts) -> dict[str, float]:
    return {p.ingredient: pytest.approx(p.mass_g) for p in parts}


def test_a_share_is_taken_from_the_others_in_proportion():
    # a to 60 % of 500 g is 300 already; to 80 % is 400, so b and c share 100 g as 3 : 1.
    assert masses(set_flour_share(PARTS, "a", 80, SHELF)) == {"a": 400, "b": 75, "c": 25, "husk": 25}


def test_a_locked_part_gives_nothing():
    parts = (Part("a", 300), Part("b", 150, locked=True), Part("c", 50))
    assert masses(set_flour_share(parts, "a", 65, SHELF)) == {"a": 325, "b": 150, "c": 25}


def test_a_share_that_the_locks_leave_no_room_for_says_how_much_there_is():
    parts = (Part("a", 300), Part("b", 150, locked=True), Part("c", 50))
    with pytest.raises(BadInputError, match=r"room for less than 70\.0 %"):
        set_flour_share(parts, "a", 71, SHELF)


def test_a_binders_share_is_on_the_flour_and_changes_the_total_only():
    assert masses(set_flour_share(PARTS, "husk", 4, SHELF)) == {"a": 300, "b": 150, "c": 50, "husk": 20}


@pytest.mark.parametrize(
    ("parts", "slug", "share", "words"),
    [
        (PARTS, "x", 5, "not in the blend"),
        (PARTS, "husk", 0, "more than 0 %"),
        (PARTS, "a", 100, "room for less than 100"),
        ((Part("husk", 5),), "husk", 5, "no flour"),
    ],
)
def test_a_share_that_cannot_be_set_says_why(parts, slug, share, words):
    with pytest.raises(BadInputError, match=words):
        set_flour_share(parts, slug, share, SHELF)


def test_scaling_keeps_every_share_and_locks_too():
    parts = (Part("a", 300, locked=True), Part("b", 100))
    assert scale_to(parts, 1000, SHELF) == (Part("a", 750, locked=True), Part("b", 250))


@pytest.mark.parametrize("mass_g", [0, -1, 1.1e7, float("nan")])
def test_a_batch_out_of_reason_is_refused(mass_g):
    with pytest.raises(BadInputError, match="batch"):
        scale_to(PARTS, mass_g, SHELF)


def test_the_first_part_starts_as_500_g():
    assert add_part((), "a", SHELF) == (Part("a", 500),)


@pytest.mark.parametrize(
    ("slug", "usual", "mass_g"),
    [
        ("c", None, 45),
        ("husk", None, 9),
        ("husk", {"psyllium-husk": DoseBand(3, 5, 7)}, 23),
    ],  # 450 g of flour; 22.5 rounds to 22 or 23
)
def test_a_part_starts_at_a_tenth_of_the_flour_and_a_binder_at_its_usual_dose(slug, usual, mass_g):
    added = add_part((Part("a", 300), Part("b", 150)), slug, SHELF, usual)[-1]
    assert added.mass_g == pytest.approx(mass_g, abs=1)


def test_a_small_dose_starts_in_tenths_of_a_gram():
    assert add_part((Part("a", 60),), "husk", SHELF)[-1].mass_g == 1.2


def test_a_part_that_is_there_is_not_added_twice():
    with pytest.raises(BadInputError, match="in the blend already"):
        add_part(PARTS, "a", SHELF)


def test_a_difference_lists_the_parts_by_how_far_they_moved():
    before, after = mix({"a": 60, "b": 40}, SHELF), mix({"a": 50, "b": 30, "c": 20}, SHELF)
    found = difference(before, after)
    assert [(c.what, round(c.size, 9)) for c in found.parts] == [("c", 20), ("a", -10), ("b", -10)]
    assert found.parts[0].before is None
    assert found.moved_pct == pytest.approx(20)


def test_a_difference_says_what_it_did_to_each_metric():
    before, after = mix({"a": 60, "b": 40}, SHELF), mix({"a": 50, "b": 50}, SHELF)
    changes = {m.what: m for m in difference(before, after).metrics}
    # Protein: 8.4 to 8.0.
    assert changes["protein_pct"].size == pytest.approx(-0.4)
    assert changes["thirst_g_per_g"].size is None


def test_a_metric_unknown_on_one_side_has_no_change():
    found = difference(mix({"a": 1}, SHELF), mix({"a": 1, "c": 1}, SHELF))
    fibre = next(m for m in found.metrics if m.what == "fibre_pct")
    assert fibre.size is None
