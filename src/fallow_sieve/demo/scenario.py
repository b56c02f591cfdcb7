"""The demo scenario as data: briefs and blends of Tarn Line Provisions. All of it is invented."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any


@dataclass(frozen=True, slots=True)
class DemoBrief:
    """A brief of the demo."""

    key: str
    name: str
    use: str
    eaters: str
    aim: str
    note: str
    limits: dict[str, Any]


BRIEFS = (
    DemoBrief(
        "summit",
        "Summit tin loaf",
        "tin-loaf",
        "coeliac walkers, egg-free and soya-free",
        "nearest",
        "Sliced at the top station, toasted the day after. Must hold a spread.",
        {
            "exclude_allergens": ["egg", "soya"],
            "price_cap_per_kg": 4.2,
            "bands": [{"metric": "fibre_pct", "good_low": 6.0}],
        },
    ),
    DemoBrief(
        "viaduct",
        "Viaduct crispbread",
        "crispbread",
        "everyone at the buffet, nut-free",
        "more-fibre",
        "Baked flat on sheets, two days ahead, for cheese.",
        {"exclude_allergens": ["tree-nuts"], "max_bins": 7, "bands": [{"metric": "fibre_pct", "good_low": 8.0}]},
    ),
    DemoBrief(
        "trolley",
        "Trolley short pastry",
        "short-pastry",
        "the trolley's pie eaters, buckwheat-free",
        "nearest",
        "Hand pies for the down train: rolled thin, must not crack at the crimp.",
        {"exclude_allergens": ["buckwheat"], "price_cap_per_kg": 4.0},
    ),
    DemoBrief(
        "night",
        "Night-train dumpling sheets",
        "fresh-pasta",
        "sleeper passengers, egg-free",
        "more-protein",
        "Rolled to 1.5 mm in the galley, boiled from chilled.",
        {"exclude_allergens": ["egg"], "max_bins": 6},
    ),
    DemoBrief(
        "halt",
        "Halt platform biscuits",
        "rolled-cookie",
        "day trippers, oat-free",
        "cheapest",
        "The halt has one shelf: two bins, little money, and still the fibre on the poster. Too much to ask?",
        {
            "exclude_allergens": ["oats"],
            "max_bins": 2,
            "price_cap_per_kg": 2.4,
            "bands": [{"metric": "fibre_pct", "hard_low": 7.0, "good_low": 7.0}],
        },
    ),
    DemoBrief(
        "pantry",
        "Station pantry mix",
        "drop-cookie",
        "whoever minds the station kitchens, nut-free",
        "nearest",
        "One bag on every shelf along the line, for five bakes; most of it goes into cookies.",
        {
            "exclude_allergens": ["tree-nuts"],
            "price_cap_per_kg": 3.2,
            "uses": [
                {"use": "drop-cookie", "weight": 3.0},
                {"use": "layer-cake", "weight": 1.0},
                {"use": "quick-bread", "weight": 2.0},
                {"use": "pancake", "weight": 1.0},
                {"use": "short-pastry", "weight": 2.0},
            ],
        },
    ),
)

Mix = dict[str, float]


@dataclass(frozen=True, slots=True)
class DemoBlend:
    """A blend of the demo: revisions as (why, mix in g), then the draft where it differs from the last one."""

    name: str
    brief: str | None
    use: str
    revisions: tuple[tuple[str, Mix], ...]
    draft: Mix | None = None
    locked: tuple[str, ...] = field(default=())


BLENDS = (
    DemoBlend(
        "Summit mix", "summit", "tin-loaf",
        (
            (
                "First try: half starch, as the old buffet mix was.",
                {"brown-rice-flour": 300, "potato-starch": 300, "tapioca-starch": 200, "sorghum-flour": 200, "psyllium-husk": 30},
            ),
            (
                "Less starch, more sorghum: rev 1 was dry on the second day.",
                {"sorghum-flour": 300, "brown-rice-flour": 230, "potato-starch": 250, "tapioca-starch": 170, "teff-flour": 50, "psyllium-husk": 40},
            ),
            (
                "Teff up for colour and fibre.",
                {"sorghum-flour": 300, "brown-rice-flour": 180, "teff-flour": 100, "potato-starch": 250, "tapioca-starch": 170, "psyllium-husk": 50},
            ),
            (
                "Chickpea for protein and browning; a pinch less tapioca, rev 3 pulled in the mouth.",
                {"sorghum-flour": 300, "brown-rice-flour": 150, "teff-flour": 110, "chickpea-flour": 70, "potato-starch": 220, "tapioca-starch": 150, "psyllium-husk": 50},
            ),
        ),
        {"sorghum-flour": 290, "brown-rice-flour": 140, "teff-flour": 120, "chickpea-flour": 80, "potato-starch": 220, "tapioca-starch": 150, "psyllium-husk": 50},
        ("psyllium-husk",),
    ),
    DemoBlend(
        "Summit mix, pale", "summit", "tin-loaf",
        (
            (
                "For the visitors who want it white.",
                {"white-rice-flour": 480, "corn-starch": 240, "tapioca-starch": 280, "xanthan-gum": 12},
            ),
        ),
    ),
    DemoBlend(
        "Summit mix with almond", "summit", "tin-loaf",
        (
            (
                "Almond for softness on day two.",
                {"sorghum-flour": 280, "brown-rice-flour": 150, "teff-flour": 100, "almond-flour": 120, "potato-starch": 200, "tapioca-starch": 150, "psyllium-husk": 50},
            ),
        ),
    ),
    DemoBlend(
        "Viaduct seed crisp", "viaduct", "crispbread",
        (
            (
                "Sunflower and flax, buckwheat for the bite.",
                {"buckwheat-flour": 280, "sorghum-flour": 200, "sunflower-seed-flour": 150, "ground-flaxseed": 60, "millet-flour": 160, "potato-starch": 150},
            ),
            (
                "Less flax: rev 1 bent instead of snapping.",
                {"buckwheat-flour": 280, "sorghum-flour": 220, "sunflower-seed-flour": 150, "ground-flaxseed": 40, "millet-flour": 160, "potato-starch": 150},
            ),
        ),
    ),
    DemoBlend(
        "Viaduct plain", "viaduct", "crispbread",
        (
            (
                "Cheapest that might do.",
                {"white-rice-flour": 420, "millet-flour": 250, "corn-starch": 330},
            ),
        ),
    ),
    DemoBlend(
        "Trolley short mix", "trolley", "short-pastry",
        (
            (
                "White rice and corn starch: rolls well, tastes of nothing.",
                {"white-rice-flour": 500, "corn-starch": 350, "tapioca-starch": 150, "xanthan-gum": 6},
            ),
            (
                "Sorghum and oat in for flavour, rice down against the sand.",
                {"sorghum-flour": 260, "oat-flour": 160, "white-rice-flour": 140, "corn-starch": 280, "potato-starch": 110, "chickpea-flour": 50, "xanthan-gum": 6},
            ),
        ),
    ),
    DemoBlend(
        "Dumpling sheet mix", "night", "fresh-pasta",
        (
            (
                "Tapioca for stretch, chickpea for bite.",
                {"brown-rice-flour": 220, "sorghum-flour": 200, "chickpea-flour": 160, "tapioca-starch": 220, "potato-starch": 180, "xanthan-gum": 15},
            ),
        ),
        {"brown-rice-flour": 120, "sorghum-flour": 260, "oat-flour": 100, "chickpea-flour": 150, "tapioca-starch": 190, "potato-starch": 160, "xanthan-gum": 15},
    ),
    DemoBlend(
        "Everyday buffet mix", None, "all-purpose",
        (
            (
                "One bag for sauces, scones and breading, until each has its own.",
                {"sorghum-flour": 250, "brown-rice-flour": 200, "oat-flour": 130, "potato-starch": 200, "tapioca-starch": 130, "chickpea-flour": 60, "xanthan-gum": 5},
            ),
        ),
    ),
    DemoBlend(
        "Halt biscuit mix", "halt", "rolled-cookie",
        (
            (
                "Two bins, as the brief asks: sands, and no fibre to speak of.",
                {"white-rice-flour": 600, "corn-starch": 400},
            ),
        ),
    ),
    DemoBlend(
        "Halt mix, self-raising", None, "scone",
        (
            (
                "For the halt: nobody there weighs baking powder.",
                {"white-rice-flour": 330, "sorghum-flour": 250, "potato-starch": 250, "tapioca-starch": 170, "xanthan-gum": 6, "baking-powder": 50, "salt": 6},
            ),
        ),
    ),
    DemoBlend(
        "Night-train pancakes, just add water", None, "pancake",
        (
            (
                "The galley has a kettle and a griddle: milk and egg go in as powder.",
                {"white-rice-flour": 280, "sorghum-flour": 250, "oat-flour": 100, "potato-starch": 200, "tapioca-starch": 110, "skim-milk-powder": 60, "whole-egg-powder": 70, "white-sugar": 80, "baking-powder": 38, "salt": 9, "xanthan-gum": 3},
            ),
        ),
    ),
    DemoBlend(
        "Buffet cookies, as weighed", None, "drop-cookie",
        (
            (
                "Copied from the card: 5 g of gum on a kilogram of flour.",
                {"white-rice-flour": 450, "sorghum-flour": 250, "potato-starch": 200, "tapioca-starch": 100, "xanthan-gum": 4},
            ),
        ),
        {"white-rice-flour": 450, "sorghum-flour": 250, "potato-starch": 200, "tapioca-starch": 100, "xanthan-gum": 50},
    ),
    DemoBlend(
        "Pantry mix", "pantry", "drop-cookie",
        (
            (
                "Much corn starch, as bought bags have it: fine in a cake, sand in a pancake.",
                {"white-rice-flour": 280, "corn-starch": 420, "tapioca-starch": 120, "potato-starch": 180},
            ),
            (
                "Sorghum and buckwheat in for fibre and colour.",
                {"sorghum-flour": 250, "white-rice-flour": 150, "brown-rice-flour": 100, "light-buckwheat-flour": 80, "corn-starch": 220, "potato-starch": 120, "tapioca-starch": 80},
            ),
        ),
        {"sorghum-flour": 180, "white-rice-flour": 120, "brown-rice-flour": 60, "light-buckwheat-flour": 40, "corn-starch": 300, "potato-starch": 160, "tapioca-starch": 140},
    ),
)  # fmt: skip
