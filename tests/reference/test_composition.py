"""Nothing in the tables is chemically impossible, and nothing is certain that is not."""

import math

import pytest

from fallow_sieve.core.ingredients import NUTRIENTS, Kind, Quality
from fallow_sieve.reference import library
from fallow_sieve.reference.larder import larder_rows

ITEMS = {i.slug: i for i in library()}
CHUNKS = [list(ITEMS)[n::8] for n in range(8)]
INSIDE = (
    ("fibre_g", "carbohydrate_g"), ("sugars_g", "carbohydrate_g"), ("starch_g", "carbohydrate_g"),
    ("saturated_fat_g", "fat_g"),
)  # fmt: skip
SOLIDS = ("water_g", "protein_g", "fat_g", "carbohydrate_g", "ash_g")
SODIUM_OF_SALT = 22.99 / 58.44  # molar masses: no salt holds more
PURE = {"water", "salt", "baking-soda", "white-sugar", "erythritol", "xylitol", "allulose", "hpmc"}
OF_ANIMALS = {
    "whole-milk", "plain-yoghurt", "strained-yoghurt", "skim-milk-powder", "buttermilk-powder", "whey-protein-isolate",
    "egg-white-powder", "whole-egg-powder", "gelatin", "honey",
}  # fmt: skip
# What no part counts: 5 g of acetic acid, and what the larder names beside its rows (alcohol, acid, carbonate).
APART = {"cider-vinegar"} | {r.slug for r in larder_rows() if r.apart}


@pytest.mark.parametrize("chunk", CHUNKS, ids=lambda c: c[0])
def test_no_part_is_more_than_its_whole_or_than_100_g(chunk):
    for slug in chunk:
        item = ITEMS[slug]
        for name, fact in item.facts.items():
            if name in NUTRIENTS and name.endswith("_g"):
                assert fact.range.high <= 100 + 1e-9, name
        for part, whole in INSIDE:
            a, b = item.range_of(part), item.range_of(whole)
            if a is not None and b is not None:
                assert all(x <= y + 1e-9 for x, y in ((a.typical, b.typical), (a.high, b.high))), part
        sodium = item.range_of("sodium_mg")
        assert sodium is None or sodium.high <= 1000 * 100 * SODIUM_OF_SALT


@pytest.mark.parametrize("chunk", CHUNKS, ids=lambda c: c[0])
def test_water_protein_fat_carbohydrate_and_ash_make_up_the_whole(chunk):
    for slug in chunk:
        parts = [ITEMS[slug].range_of(n) for n in SOLIDS]
        if all(parts) and slug not in APART:
            assert math.fsum(p.typical for p in parts) == pytest.approx(100, abs=3)


@pytest.mark.parametrize("chunk", CHUNKS, ids=lambda c: c[0])
def test_what_is_wet_does_not_lose_its_solids_in_the_range_of_its_water(chunk):
    for slug in chunk:
        water = ITEMS[slug].range_of("water_g")
        if water is not None and 40 < water.typical < 99:
            assert water.high - water.typical <= 0.16 * (100 - water.typical) + 0.5


def is_nothing_by_nature(item, name):
    """Pure substances and fats have no other parts; what comes of animals has neither starch nor fibre."""
    fat_only = item.function(Kind.FAT) and item.slug != "unsalted-butter"
    of_animals = item.slug in OF_ANIMALS or item.function(Kind.EGG_PART) or item.slug == "unsalted-butter"
    return item.slug in PURE or bool(fat_only) or (bool(of_animals) and name in ("starch_g", "fibre_g"))


@pytest.mark.parametrize("chunk", CHUNKS, ids=lambda c: c[0])
def test_nothing_is_exactly_zero_that_is_not_by_nature(chunk):
    for slug in chunk:
        item = ITEMS[slug]
        certain = {n for n, f in item.facts.items() if n.endswith("_g") and f.range.high == 0}
        assert {n for n in certain if not is_nothing_by_nature(item, n)} == set()


@pytest.mark.parametrize("chunk", CHUNKS, ids=lambda c: c[0])
def test_how_a_flour_behaves_is_never_certain(chunk):
    for slug in chunk:
        for name, fact in ITEMS[slug].facts.items():
            if name not in NUTRIENTS:
                assert fact.range.high > fact.range.low, name
                assert fact.quality is Quality.ESTIMATE
