"""Whatever is in a file, reading it gives a blend or one message of ours; never another error."""

from __future__ import annotations

import json

from hypothesis import example, given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.formats.blends.answers import analysis_document
from fallow_sieve.formats.blends.csv import read_blend_csv
from fallow_sieve.formats.blends.file import read_blend
from fallow_sieve.formats.briefs.answers import proposals_document
from fallow_sieve.formats.briefs.file import read_brief
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.blends.asking import posed
from fallow_sieve.services.blends.proposals import found_for
from fallow_sieve.services.kitchen import bundled_kitchen
from fuzzing import examples

SHELF = library_shelf()
VALUES = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=20),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=12), inner, max_size=4),
    max_leaves=12,
)
NUMBERS = VALUES | st.fixed_dictionaries({"low": st.floats(), "typical": st.floats(), "high": st.floats()})
DEFINITION = st.fixed_dictionaries(
    {"slug": st.just("mine"), "role": st.sampled_from(["starch", "binder", "grain"])},
    optional={
        "per_100_g": st.dictionaries(st.sampled_from(["protein_g", "fibre_g", "energy_kj", "water"]), NUMBERS),
        "lab": VALUES,
        "price_per_kg": NUMBERS,
        "density_g_per_ml": NUMBERS,
        "allergens": VALUES,
        "name": VALUES,
    },
)
FILES = st.fixed_dictionaries(
    {"format": st.just("fallow-sieve/blend"), "version": st.just(1), "parts": st.lists(st.fixed_dictionaries({"ingredient": st.sampled_from(["teff-flour", "mine", "nobody"]), "mass_g": NUMBERS}), max_size=4)},
    optional={"use": VALUES, "name": VALUES, "ingredients": st.lists(DEFINITION, max_size=2) | VALUES},
)  # fmt: skip


def told(error: BadInputError) -> None:
    assert str(error)
    assert len(str(error)) < 1000
    assert "Traceback" not in str(error)


@given(st.binary(max_size=400) | VALUES.map(lambda v: json.dumps(v).encode()))
@example(b"\xef\xbb\xbf")
@example(b'{"a": "\\ud800"}')
def test_any_bytes_are_a_blend_or_a_message(data):
    for read in (read_blend, read_blend_csv, read_brief):
        try:
            read(data)
        except BadInputError as error:
            told(error)


@given(FILES)
@settings(max_examples=examples(300))
def test_any_blend_file_is_judged_or_refused_with_a_message(file):
    try:
        document = read_blend(json.dumps(file).encode())
        shelf = SHELF.with_ingredients(document.ingredients)
        found = analysis_document(judge(document.blend, shelf, rules().uses["scone"], rules()))
    except BadInputError as error:
        told(error)
    else:
        written = found.model_dump_json()
        assert "NaN" not in written
        assert "Infinity" not in written


FLOUR = st.sampled_from(["teff-flour", "corn-starch", "oat-flour", "white-rice-flour", "mine"])
ANY_FLOUR = FLOUR | st.sampled_from(["nobody", "psyllium-husk"])
PERCENT = st.sampled_from([0, 3, 10, 25.5, 60, 120]) | st.floats()
BRIEFS = st.fixed_dictionaries(
    {
        "format": st.just("fallow-sieve/brief"),
        "version": st.just(1),
        "use": st.sampled_from(["scone", "thickener", "tin-loaf"]),
        "candidates": st.lists(FLOUR, min_size=1, max_size=4, unique=True),
        "aims": st.lists(st.sampled_from(["nearest", "cheapest", "most-fibre", "from-stock"]), min_size=1, max_size=2),
    },
    optional={
        "lock": st.dictionaries(ANY_FLOUR, PERCENT, max_size=2),
        "require": st.dictionaries(ANY_FLOUR, st.fixed_dictionaries({}, optional={"min_pct": PERCENT, "max_pct": PERCENT}), max_size=2),
        "use_up": st.lists(ANY_FLOUR, max_size=2),
        "exclude": st.lists(ANY_FLOUR, max_size=2),
        "exclude_allergens": st.lists(st.sampled_from(["oats", "maize"]), max_size=1),
        "max_bins": st.integers(-1, 4),
        "step_pct": st.sampled_from([0, 0.5, 1, 5, 7, 100]),
        "batch_g": st.sampled_from([1, 20, 1000]),
        "price_cap_per_kg": st.floats(0, 10),
        "gluten_cap_mg_per_kg": st.floats(0, 30),
        "bands": st.lists(
            st.fixed_dictionaries(
                {"metric": st.sampled_from(["fibre_pct", "cup_g", "amylose_pct_of_starch", "energy_kj", "noise"])},
                optional={"hard_low": st.floats(0, 200), "good_high": st.floats(0, 400)},
            ),
            max_size=2,
        ),
        "binder": st.dictionaries(st.sampled_from(["psyllium-husk", "xanthan-gum", "teff-flour"]), PERCENT, max_size=2),
        "robust": st.booleans(),
        "least_bad": st.booleans(),
        "fit_slack": st.floats(0, 100),
        "ingredients": st.lists(DEFINITION, max_size=1),
    },
)  # fmt: skip


@given(BRIEFS)
@settings(max_examples=examples(60))
def test_any_brief_file_is_answered_or_refused_with_a_message(file):
    try:
        document = read_brief(json.dumps(file).encode())
        asked = posed(document.wishes, (), bundled_kitchen().with_ingredients(document.ingredients), library=True)
        found = proposals_document(asked.problem, list(found_for(asked, Effort(lambda: 30.0))))
    except BadInputError as error:
        told(error)
    else:
        assert found.proposals or found.conflicts or found.skipped
        written = found.model_dump_json()
        assert "NaN" not in written
        assert "Infinity" not in written
        for p in found.proposals:
            assert abs(sum(x.share_pct for x in p.parts) - 100) < 1e-6
