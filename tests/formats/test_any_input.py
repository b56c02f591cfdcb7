"""Whatever is in a file, reading it gives a blend or one message of ours; never another error."""

from __future__ import annotations

import json

from hypothesis import example, given, settings
from hypothesis import strategies as st

from fallow_sieve.core.errors import BadInputError
from fallow_sieve.core.judgements import judge
from fallow_sieve.formats.blend_csv import read_blend_csv
from fallow_sieve.formats.blend_file import read_blend
from fallow_sieve.formats.documents import analysis_document
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules

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
    for read in (read_blend, read_blend_csv):
        try:
            read(data)
        except BadInputError as error:
            told(error)


@given(FILES)
@settings(max_examples=300)
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
