"""Every bundled table is walked: keys known and once, ranges in order, contents that add up, sources given."""

from __future__ import annotations

import csv
from collections import Counter
from dataclasses import dataclass
from importlib.resources import files

import pytest

from fallow_sieve.core.blends.metrics import BANDED, METRICS
from fallow_sieve.core.formulas.gauges import UsualShare
from fallow_sieve.core.ingredients.ingredient import Quality, Role
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference import doughs, formulas, kitchen, listing, recipes, schedule, sieving, tastings, trials
from fallow_sieve.reference import tables as reading
from fallow_sieve.reference.ingredients import CompositionRow, IngredientRow, PropertyRow, library, library_shelf
from fallow_sieve.reference.labelling import bulk, numbers, schemes, texts
from fallow_sieve.reference.labelling.caps import LabelCapRow
from fallow_sieve.reference.larder import larder_rows
from fallow_sieve.reference.names import AliasRow, look_alikes
from fallow_sieve.reference.practice import practice_failures, practice_mixes
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.use_rows import use_rows
from fallow_sieve.reference.uses import BandRow, DoseRow, NutritionRow, rules, usual_amounts
from fallow_sieve.reference.words import WordInRow

SLUGS = {i.slug for i in library()}
USES = set(rules().uses)
CHUNKS = 8
LOADERS = {
    "aliases": lambda: read_table("aliases", AliasRow), "larder": larder_rows, "words": lambda: read_table("words", WordInRow), "look_alikes": look_alikes, "bake_phases": doughs.bake_phases, "binder_water": doughs.binder_water,
    "doneness": doughs.doneness, "hydration": doughs.hydration, "leavening": doughs.leavening, "eggs": kitchen.eggs,
    "egg_replacers": kitchen.egg_replacers, "gas_marks": kitchen.gas_marks, "pans": kitchen.pans,
    "sweetness": kitchen.sweetness, "thickening": kitchen.thickening,
    "fat_losses": lambda: read_table("fat_losses", formulas.FatLossRow),
    "composition": lambda: read_table("composition", CompositionRow),
    "ingredients": lambda: read_table("ingredients", IngredientRow), "uses": use_rows, "practice_mixes": practice_mixes, "practice_failures": practice_failures,
    "powders": lambda: read_table("powders", formulas.PowderRow), "properties": lambda: read_table("properties", PropertyRow), "usual_amounts": usual_amounts, "acids": lambda: read_table("acids", formulas.AcidRow), "use_nutrition": lambda: read_table("use_nutrition", NutritionRow),
    "dough_traits": lambda: tuple(listing.traits().values()), "grit_mapping": sieving.grit_mapping, "diets": lambda: tuple(listing.diets().values()),
    "recipe_units": lambda: read_table("recipe_units", recipes.UnitRow), "recipe_names": lambda: read_table("recipe_names", recipes.NameRow),
    "recipe_words": lambda: read_table("recipe_words", recipes.WordRow), "tin_fill": lambda: read_table("tin_fill", formulas.TinFillRow),
    "poor_candidates": lambda: read_table("poor_candidates", formulas.PoorRow),
    "usual_shares": lambda: read_table("usual_shares", UsualShare), "sauces": lambda: read_table("sauces", formulas.SauceRow), "portions": lambda: read_table("portions", formulas.PortionRow), "label_caps": lambda: read_table("label_caps", LabelCapRow),
    "fermentation": lambda: read_table("fermentation", schedule.OrganismRow), "containers": lambda: read_table("containers", schedule.ContainerRow),
    "ovens_rates": lambda: read_table("ovens_rates", schedule.OvenRow), "starters": lambda: read_table("starters", schedule.StarterRow),
    "starter_rest": lambda: read_table("starter_rest", schedule.RestRow), "stage_templates": lambda: read_table("stage_templates", schedule.StageRow),
    "stage_alikes": lambda: read_table("stage_alikes", schedule.AlikeRow),
    "measures": lambda: read_table("measures", trials.MeasureRow), "measure_bands": lambda: read_table("measure_bands", trials.MeasureBandRow),
    "evidence_quantities": lambda: read_table("evidence_quantities", trials.EvidenceQuantityRow), "faults": lambda: read_table("faults", trials.FaultRow),
    "causes": lambda: read_table("causes", trials.CauseRow), "fault_evidence": lambda: read_table("fault_evidence", trials.FaultEvidenceRow),
    "change_steps": lambda: read_table("change_steps", trials.ChangeStepRow), "learners": lambda: read_table("learners", trials.LearnerRow),
    "code_meanings": lambda: read_table("code_meanings", tastings.CodeMeaning), "just_right": lambda: read_table("just_right", tastings.JustRight),
    "allergen_schemes": lambda: read_table("allergen_schemes", schemes.AllergenRow), "gluten_wording": lambda: read_table("gluten_wording", schemes.GlutenRow),
    "claims": lambda: read_table("claims", schemes.ClaimRow), "eu_rounding": lambda: read_table("eu_rounding", numbers.RoundingRow),
    "us_rounding": lambda: read_table("us_rounding", numbers.RoundingRow), "eu_tolerances": lambda: read_table("eu_tolerances", numbers.ToleranceRow),
    "us_daily_values": lambda: read_table("us_daily_values", numbers.DailyValueRow), "label_texts": lambda: read_table("label_texts", texts.TextRow),
    "label_names": lambda: read_table("label_names", texts.NameRow), "label_sizes": lambda: read_table("label_sizes", texts.LabelSize),
    "net_mass": lambda: read_table("net_mass", bulk.NetMassRow), "mixing": lambda: read_table("mixing", bulk.Mixing),
    "storage": lambda: read_table("storage", bulk.StorageRow),
    "use_bands": lambda: read_table("use_bands", BandRow), "binder_doses": lambda: read_table("binder_doses", DoseRow),
}  # fmt: skip


def lines_of(name: str) -> list[dict[str, str]]:
    text = files("fallow_sieve.reference").joinpath(f"tables/{name}.csv").read_text(encoding="utf-8")
    return list(csv.DictReader(text.splitlines()))


def test_every_table_that_ships_has_a_loader():
    shipped = {p.name.removesuffix(".csv") for p in files("fallow_sieve.reference").joinpath("tables").iterdir()}
    assert shipped == set(LOADERS)


@pytest.mark.parametrize("name", sorted(LOADERS))
def test_a_table_is_read_whole(name):
    rows = LOADERS[name]()
    assert len(rows) == len(lines_of(name)) > 0


@pytest.mark.parametrize("name", sorted(n for n in LOADERS if "basis" in lines_of(n)[0] or "source" in lines_of(n)[0]))
def test_every_number_says_where_it_is_from(name):
    for n, row in enumerate(lines_of(name), start=2):
        assert row.get("basis") or row.get("source"), f"{name}.csv line {n}"


@pytest.mark.parametrize("name", sorted(LOADERS))
def test_ranges_rise_from_low_over_typical_to_high(name):
    for n, row in enumerate(lines_of(name), start=2):
        for low_name in (c for c in row if "low" in c.split("_") and row[c] not in ("", "yes", "no")):
            same = [low_name.replace("low", w) for w in ("typical", "high")]
            values = [float(row[low_name]), *(float(row[c]) for c in same if row.get(c))]
            assert values == sorted(values), f"{name}.csv line {n}, {low_name}"


KEYS = {
    "ingredients": ("slug",), "larder": ("slug",), "composition": ("ingredient", "nutrient"), "uses": ("use",), "use_bands": ("use", "mix_class", "metric"),
    "practice_mixes": ("key",), "practice_failures": ("key",), "usual_amounts": ("use", "metric"), "properties": ("ingredient", "property"), "acids": ("function",), "use_nutrition": ("use", "metric"),
    "binder_doses": ("use", "binder"), "aliases": ("ingredient", "alias"), "hydration": ("use", "consistency"),
    "binder_water": ("binder",), "doneness": ("use",), "bake_phases": ("use", "phase"), "eggs": ("region", "size"),
    "gas_marks": ("gas_mark",), "pans": ("material",), "look_alikes": ("ingredient", "easily_taken_for"),
    "recipe_units": ("word",), "recipe_names": ("phrase",), "recipe_words": ("word",), "tin_fill": ("use",), "usual_shares": ("ingredient",),
    "poor_candidates": ("word",),
}  # fmt: skip


@pytest.mark.parametrize(("name", "keys"), KEYS.items())
def test_a_key_stands_once(name, keys):
    count = Counter(tuple(row[k] for k in keys) for row in lines_of(name))
    assert [k for k, n in count.items() if n > 1] == []


@pytest.mark.parametrize("name", [n for n in sorted(LOADERS) if n != "uses" and "use" in lines_of(n)[0]])
def test_a_use_that_is_named_is_there(name):
    assert {row["use"] for row in lines_of(name)} <= USES | {"any"}


@pytest.mark.parametrize(("name", "column"), [("composition", "ingredient"), ("aliases", "ingredient"), ("look_alikes", "ingredient"), ("binder_doses", "binder"), ("binder_water", "binder")])  # fmt: skip
def test_an_ingredient_that_is_named_is_there(name, column):
    known = SLUGS | {"egg", "gelatin", "baking-powder"}
    assert {row[column] for row in lines_of(name)} - known == set()


def test_look_alikes_are_both_on_the_shelf_or_at_least_the_first():
    for pair in look_alikes():
        assert pair.ingredient in SLUGS
        assert pair.differ.endswith((".", "it."))


@pytest.mark.parametrize("chunk", range(CHUNKS))
def test_values_of_an_ingredient_are_possible(chunk):
    for item in library()[chunk::CHUNKS]:
        values_are_possible(item)


def values_are_possible(item):
    assert item.role in set(Role)
    for name, fact in item.facts.items():
        r = fact.range
        assert fact.quality in set(Quality)
        assert fact.source, name
        if name in NUTRIENTS and NUTRIENTS[name].unit == "g":
            assert 0 <= r.low <= r.high <= 100, name
    limits = {"density_g_per_ml": (0.03, 2.6), "thirst_g_per_g": (0, 100), "grit_index": (0, 5), "flavour_index": (0, 5), "lightness_l": (0, 100), "stickiness": (0, 1)}  # fmt: skip
    for name, (low, high) in limits.items():
        found = item.range_of(name)
        assert found is None or low <= found.low <= found.high <= high, name
    if item.usual_max_pct is not None:
        assert 0 < item.usual_max_pct <= 100
        assert item.usual_max_reason


def test_every_flour_has_what_its_sieves_ask_for():
    flours = [i for i in library() if i.in_flour_base and not i.in_larder]
    for item in flours:
        for name in ("thirst_g_per_g", "grit_index", "flavour_index", "lightness_l", "stickiness", "density_g_per_ml"):
            assert item.range_of(name) is not None, (item.slug, name)


def test_wheat_is_there_for_reference_only_and_says_that_it_contains_gluten():
    wheats = [i for i in library() if i.contains_gluten]
    assert {i.slug for i in wheats} >= {"wheat-flour", "wheat-bread-flour", "wholemeal-wheat-flour"}
    assert all(i.role is Role.OTHER and i.gluten_mg_per_kg is None for i in wheats)


def test_no_bundled_flour_claims_a_gluten_value():
    assert all(i.gluten_mg_per_kg is None for i in library())


@pytest.mark.parametrize("use", rules().uses.values(), ids=lambda u: u.slug)
def test_a_use_has_bands_on_known_metrics_with_room_to_pass(use):
    assert {b.metric for b in use.bands} <= set(BANDED)
    assert len(use.bands) >= 2
    for band in use.bands:
        metric = METRICS[band.metric]
        assert metric.lowest <= band.hard_low <= band.hard_high <= metric.highest
        assert max(band.hard_high, band.good_high) > band.good_low, band.metric


def test_the_library_lies_on_the_shelf_in_its_order():
    assert [i.slug for i in library_shelf().ingredients] == [i.slug for i in library()]


@dataclass(frozen=True)
class Row:
    """A row of a table that is made up here."""

    name: str
    amount: float
    yes: bool


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("name,amount\na,1", "the columns are"),
        ("name,amount,yes\na,much,yes", "pans.csv line 2, column amount"),
        ("name,amount,yes\na,1,maybe", "column yes"),
    ],
)
def test_a_table_that_cannot_be_read_names_line_and_column(monkeypatch, tmp_path, text, words):
    (tmp_path / "tables").mkdir()
    (tmp_path / "tables/pans.csv").write_text(text)
    monkeypatch.setattr(reading, "files", lambda _package: tmp_path)
    with pytest.raises(BadInputError, match=words):
        read_table("pans", Row)


def test_the_larder_is_large_and_takes_no_name_or_slug_twice():
    rows = larder_rows()
    assert len(library()) >= 600
    assert {r.slug for r in rows}.isdisjoint(r.slug for r in read_table("ingredients", IngredientRow))
    names = Counter(r.name.lower() for r in rows)
    assert [n for n, count in names.items() if count > 1] == []


def test_what_contains_gluten_in_the_larder_is_no_flour_and_says_of_what_cereal():
    for item in (i for i in library() if i.in_larder and i.contains_gluten):
        assert not item.in_flour_base, item.slug
        assert {"wheat", "rye", "barley", "oats"} & {*item.allergens, *item.watch} or "oat" in item.slug, item.slug
