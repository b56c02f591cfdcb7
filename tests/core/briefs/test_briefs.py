"""A brief's limits, its wishes in words, and how far the work on it is."""

import pytest

from fallow_sieve.core.blends.bag import BagKind, bag_of
from fallow_sieve.core.blends.care.gluten import estimate_gluten
from fallow_sieve.core.blends.limits import Limits, check_limits
from fallow_sieve.core.blends.uses import BandChange
from fallow_sieve.core.briefs.brief import BlendState, progress, wishes
from kit import flour, mix, shelf_of

SHELF = shelf_of(
    flour("rice", more={"price_per_kg": 2.0, "gluten_mg_per_kg": 5.0}),
    flour("almond", "nut_seed", more={"price_per_kg": 12.0, "allergens": ("tree-nuts",)}),
    flour("maize", more={"watch": ("maize",), "gluten_mg_per_kg": 15.0}),
    flour("gum", "binder", does="xanthan"),
    flour("rye", more={"gluten_risk": "contains-gluten"}),
)


def stands(limits: Limits, masses: dict[str, float]) -> dict[str, tuple[str, str]]:
    found = mix(masses, SHELF)
    results = check_limits(
        limits,
        found,
        estimate_gluten(found.parts, SHELF),
        bag_of(found.parts, {}, needs_binder=False).kind,
        SHELF,
        "TL",
    )
    return {r.limit: (r.status.value, r.say) for r in results}


def test_no_limits_ask_nothing():
    assert stands(Limits(), {"rice": 1}) == {}


@pytest.mark.parametrize(
    ("limits", "masses", "limit", "status", "words"),
    [
        (Limits(exclude_allergens=("tree-nuts",)), {"rice": 90, "almond": 10}, "allergens", "held", "Almond (tree nuts)"),
        (Limits(exclude_allergens=("maize",)), {"maize": 10}, "allergens", "held", "Maize (maize)"),
        (Limits(exclude_allergens=("egg",)), {"rice": 1}, "allergens", "pass", "No part is recorded as containing egg"),
        (Limits(exclude=("almond",)), {"almond": 1}, "exclude", "held", "leaves out: Almond"),
        (Limits(exclude=("almond",)), {"rice": 1}, "exclude", "pass", "nothing that the brief leaves out"),
        # 90 % at 2 and 10 % at 12 is 3.00 per kg.
        (Limits(price_cap_per_kg=2.5), {"rice": 90, "almond": 10}, "price", "held", "0.50 TL per kg over: costs 3.00"),
        (Limits(price_cap_per_kg=3.0), {"rice": 90, "almond": 10}, "price", "pass", "3.00 TL per kg, 0.00 under"),
        (Limits(price_cap_per_kg=9.0), {"rice": 50, "maize": 50}, "price", "unknown", "50 % of the mix has a price"),
        # The priced half alone is over the cap already.
        (Limits(price_cap_per_kg=5.0), {"almond": 50, "maize": 50}, "price", "held", "costs at least 6.00"),
        (Limits(max_bins=1), {"rice": 1, "almond": 1}, "bins", "held", "2 bins of at most 1"),
        (Limits(max_bins=2), {"rice": 1, "almond": 1}, "bins", "pass", "2 bins of at most 2"),
        (Limits(gluten_cap_mg_per_kg=20), {"rice": 1, "maize": 1}, "gluten", "pass", "add up to 10.0 of 20 mg/kg"),
        (Limits(gluten_cap_mg_per_kg=8), {"rice": 1, "maize": 1}, "gluten", "held", "known parts give 10.0"),
        (Limits(gluten_cap_mg_per_kg=20), {"almond": 1, "rice": 1}, "gluten", "unknown", "1 part has no declared"),
        (Limits(gluten_cap_mg_per_kg=20), {"rye": 1}, "gluten", "held", "Made with a gluten cereal"),
        (Limits(bag=BagKind.WITH_BINDER), {"rice": 1}, "bag", "held", "It is flours; flours with binder is wanted"),
        (Limits(bag=BagKind.WITH_BINDER), {"rice": 99, "gum": 1}, "bag", "pass", "as is wanted"),
        (Limits(max_gum_pct=0.5), {"rice": 100, "gum": 0.8}, "gum", "held", "0.8 % of flour; at most 0.5 % wanted"),
        (Limits(max_gum_pct=0.0), {"rice": 100, "gum": 0.1}, "gum", "held", "0.1 % of flour; none wanted"),
        (Limits(max_gum_pct=0.0), {"rice": 100}, "gum", "pass", "None; none wanted"),
    ],
    ids=str,
)  # fmt: skip
def test_a_limit_says_how_the_blend_stands_with_numbers(limits, masses, limit, status, words):
    found_status, say = stands(limits, masses)[limit]
    assert found_status == status
    assert words in say


def test_a_held_limit_comes_before_one_that_passes():
    limits = Limits(exclude_allergens=("egg",), max_bins=1)
    assert list(stands(limits, {"rice": 1, "almond": 1})) == ["bins", "allergens"]


def test_wishes_are_said_in_words():
    limits = Limits(
        exclude_allergens=("tree-nuts", "animal"),
        exclude=("almond", "gone"),
        price_cap_per_kg=4.2,
        max_bins=6,
        gluten_cap_mg_per_kg=20,
        bands=(
            BandChange("fibre_pct", good_low=6),
            BandChange("grit_index", good_high=1),
            BandChange("protein_pct", hard_low=5, good_high=9),
        ),
    )
    assert wishes(limits, {"almond": "Almond flour"}, "TL") == (
        "no tree nuts",
        "no animal products",
        "without almond flour",
        "without gone",
        "at least 6 g/100 g fibre",
        "at most 1 of 5 grit",
        "protein 5–9 g/100 g",
        "under 4.20 TL per kg",
        "at most 6 bins",
        "gluten under 20 mg/kg by test",
    )


def state(state: str, score: float | None = None, kept: bool = True, blend_id: int = 1) -> BlendState:
    return BlendState(blend_id, f"Mix {blend_id}", state, score, kept)


@pytest.mark.parametrize(
    ("blends", "action", "say", "step"),
    [
        ([], "compose", "No blend yet.", "Compose a first blend"),
        ([state("empty")], "open", "1 blend, nothing in it yet.", "Add flours to Mix 1"),
        ([state("held", 0), state("held", 0, blend_id=2)], "open", "2 blends, all held.", "See what holds"),
        ([state("passes", 99, kept=False)], "keep", "1 of 1 blend gets through.", "Keep Mix 1 as a revision"),
        ([state("close", 90), state("held", 0, blend_id=2)], "open", "1 of 2 blends gets through.", "from close to passing"),
        ([state("close", 99), state("passes", 80, blend_id=2)], "print", "2 of 2 blends get through.", "Print Mix 2"),
    ],
    ids=str,
)  # fmt: skip
def test_a_brief_says_how_far_it_is_and_what_comes_next(blends, action, say, step):
    found = progress(blends)
    assert (found.action, found.say) == (action, say)
    assert step in found.next_step
