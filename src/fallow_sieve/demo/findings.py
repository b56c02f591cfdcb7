"""What the demo kitchen found out about its bags: older lots, bench tests, labels. All of it is invented."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from fallow_sieve.demo.bins import COPPERBECK, LOW_INGS, SCARTH, Bin

# Lots that are used up: days since they were bought, and what they cost.
USED_UP = (
    (310, Bin("sorghum-flour", "LI-038", LOW_INGS, 20, 0, 2.70, -20, 5)),
    (170, Bin("sorghum-flour", "LI-049", LOW_INGS, 20, 0, 2.95, 20, 5)),
    (400, Bin("teff-flour", "SM-2101", SCARTH, 5, 0, 4.90, -90, 5)),
    (250, Bin("teff-flour", "SM-2166", SCARTH, 5, 0, 5.40, 10, 5)),
    (220, Bin("brown-rice-flour", "SM-2180", SCARTH, 25, 0, 2.60, -30, 5)),
    (330, Bin("almond-flour", "CB-0821", COPPERBECK, 5, 0, 10.80, -60, 5)),
    (160, Bin("almond-flour", "CB-0888", COPPERBECK, 5, 0, 13.10, 5, 5)),
)
# A second lot of millet, bought by the pack: a mill's sack of which the sievings are thrown out.
SECOND = Bin("millet-flour", "LI-077", LOW_INGS, 10, 10, 0, 210, 6)
SECOND_PACK_G, SECOND_PACK_PRICE, SECOND_YIELD_PCT = 5000.0, 15.2, 97.0


@dataclass(frozen=True, slots=True)
class DemoTest:
    """A bench test: of which flour and lot, how many days ago, its readings, and a note."""

    kind: str
    ingredient: str | None
    lot: str
    days_ago: int
    readings: Mapping[str, Any]
    note: str = ""


TESTS = (
    DemoTest("scale", None, "", 30, {"readings_g": [8, 8, 8, 7, 8, 8, 8, 9, 8, 8], "readability_g": 1.0}),
    DemoTest(
        "water",
        "teff-flour",
        "SM-2240",
        12,
        {
            "runs": [
                {"flour_g": 50, "drained_g": 165},
                {"flour_g": 50, "drained_g": 167},
                {"flour_g": 50, "drained_g": 166},
            ],
            "cloth_dry_g": 12,
            "cloth_wet_g": 40,
        },
        "The mill has dressed its stones since the last lot.",
    ),
    DemoTest(
        "cup",
        "sorghum-flour",
        "LI-061",
        11,
        {"net_g": [141, 138, 143], "cup_ml": 250, "way": "spooned"},
    ),
    DemoTest(
        "sieve",
        "sorghum-flour",
        "LI-061",
        11,
        {
            "start_g": 100,
            "stack": [
                {"opening_um": 500, "mass_g": 1},
                {"opening_um": 355, "mass_g": 5},
                {"opening_um": 250, "mass_g": 17},
                {"opening_um": 180, "mass_g": 24},
                {"opening_um": 125, "mass_g": 25},
                {"opening_um": 0, "mass_g": 27},
            ],
        },
        "Coarser than it feels.",
    ),
    DemoTest(
        "water",
        "brown-rice-flour",
        "",
        9,
        {
            "runs": [
                {"flour_g": 50, "drained_g": 153},
                {"flour_g": 50, "drained_g": 155},
                {"flour_g": 50, "drained_g": 155},
            ],
            "cloth_dry_g": 12,
            "cloth_wet_g": 41,
        },
    ),
)


@dataclass(frozen=True, slots=True)
class DemoLabel:
    """A label panel: of which flour and lot, how many days ago, and as it was typed."""

    ingredient: str
    lot: str
    days_ago: int
    typed: Mapping[str, Any]


LABELS = (
    DemoLabel(
        "oat-flour",
        "SM-2202",
        8,
        {
            "amount": 100.0,
            "unit": "g",
            "weighs_g": None,
            "convention": "apart",
            "printed": {
                "energy_kj": "1580",
                "energy_kcal": "375",
                "fat_g": "6,9",
                "saturated_fat_g": "1,2",
                "carbohydrate_g": "58",
                "sugars_g": "1,1",
                "fibre_g": "10,2",
                "protein_g": "13,4",
                "salt_g": "0,01",
            },
        },
    ),
    DemoLabel(
        "chickpea-flour",
        "SM-2219",
        8,
        {
            "amount": 0.25,
            "unit": "cup",
            "weighs_g": 30.0,
            "convention": "inside",
            "printed": {
                "energy_kcal": "110",
                "fat_g": "2",
                "carbohydrate_g": "17",
                "fibre_g": "3",
                "sugars_g": "3",
                "protein_g": "7",
                "sodium_mg": "20",
            },
        },
    ),
)

# An ingredient of the kitchen's own: made from one of the library's, then toasted.
OWN_NAME, OWN_FROM = "Toasted millet flour", "millet-flour"
OWN_NUMBERS = {"flavour_index": 4.0, "lightness_l": 74.0, "browning_index": 3.0, "shelf_months": 2.0}
OWN_SOURCE = "our own toasting, 20 min at 150 °C"

# Which parts of a blend draw on which lot.
LOTS_OF_BLENDS = {"Everyday buffet mix": {"sorghum-flour": "LI-061", "oat-flour": "SM-2202"}}
