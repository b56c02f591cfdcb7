"""A blend as CSV, and the JSON Schemas that describe what is read and written."""

import json

import jsonschema
import pytest

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.ingredients.side_by_side import compare
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.quantities import parse_basis
from fallow_sieve.formats.blends.answers import analysis_document
from fallow_sieve.formats.blends.csv import read_blend_csv, write_blend_csv
from fallow_sieve.formats.blends.file import write_blend
from fallow_sieve.formats.ingredients.answers import comparison_document
from fallow_sieve.formats.schemas import FOLDER, MODELS, schema_text
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from kit import flour, shelf_of

SHELF = library_shelf()
BLEND = Blend((Part("sorghum-flour", 300.125), Part("potato-starch", 180), Part("psyllium-husk", 24)), "Trial mix")


def test_csv_goes_out_and_comes_back_the_same():
    text = write_blend_csv(analyse(BLEND, SHELF))
    assert text.splitlines()[0] == "ingredient,name,mass_g,flour_pct"
    assert text.splitlines()[2] == "potato-starch,Potato starch,180.0,37.4902"
    assert read_blend_csv(text.encode(), "Trial mix").parts == BLEND.parts


def test_csv_by_hand_needs_two_columns_only_in_any_order():
    assert read_blend_csv(b"mass_g,ingredient\r\n 12.5 , teff-flour \r\n\r\n").parts == (Part("teff-flour", 12.5),)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        (b"", "an empty file"),
        (b"ingredient,grams\na,1", "row 1: no column 'mass_g'"),
        (b"ingredient,mass_g,colour\na,1,red", "row 1, column 3: unknown column 'colour'"),
        (b"ingredient,mass_g,mass_g\na,1,1", "row 1, column 3: the column 'mass_g' stands twice"),
        (b"ingredient,mass_g\n", "row 2: no parts"),
        (b"ingredient,mass_g\na,1\nb,-2", "row 3, column mass_g: a mass of '-2'"),
        (b"ingredient,mass_g\na,nan", "row 2, column mass_g"),
        (b"ingredient,mass_g\na,1e99", "row 2, column mass_g"),
        (b'ingredient,mass_g\na,"1,5"', "a point for decimals"),
        (b"ingredient,mass_g\n,5", "row 2, column ingredient: no ingredient"),
        (b"ingredient,mass_g\na,1,2", "row 2: 3 cells; the header has 2"),
        (b'ingredient,mass_g\n"a,1', "not CSV"),
        (b"\xff\xfe\x00", "not UTF-8 text"),
        (b"ingredient,mass_g\n" + b"".join(b"a%d,1\n" % i for i in range(201)), "line 202: more than 200 rows"),
    ],
    ids=lambda v: str(v)[:40],
)
def test_csv_that_cannot_be_read_names_row_and_column(text, words):
    with pytest.raises(BadInputError) as caught:
        read_blend_csv(text)
    assert words in str(caught.value)


def test_a_name_that_starts_a_formula_is_disarmed_in_csv():
    sly = flour("sly", more={})
    object.__setattr__(sly, "name", "=1+1")
    assert ",'=1+1," in write_blend_csv(analyse(Blend((Part("sly", 1),)), shelf_of(sly)))


@pytest.mark.parametrize("name", MODELS)
def test_the_schema_beside_the_code_is_the_one_the_code_makes(name):
    assert FOLDER.joinpath(name).read_text(encoding="utf-8") == schema_text(name), "run `make schemas`"


def schema(name: str):
    return jsonschema.Draft202012Validator(json.loads(FOLDER.joinpath(name).read_text(encoding="utf-8")))


def test_what_is_written_fits_its_schema():
    schema("blend-1.json").validate(json.loads(write_blend(BLEND, SHELF.ingredients)))
    judged = analysis_document(judge(BLEND, SHELF, rules().uses["tin-loaf"], rules()))
    schema("analysis-1.json").validate(json.loads(judged.model_dump_json()))
    basis = parse_basis("cup")
    side_by_side = comparison_document(basis, compare(["teff-flour", "wheat-flour"], SHELF, basis))
    schema("comparison-1.json").validate(json.loads(side_by_side.model_dump_json()))


def test_the_schema_of_the_blend_file_refuses_what_the_reader_refuses():
    good = json.loads(write_blend(BLEND))
    for broken in ({**good, "extra": 1}, {**good, "version": 2}, {**good, "parts": []}):
        assert not schema("blend-1.json").is_valid(broken)


def test_an_unknown_metric_has_no_typical_value_in_the_document():
    unknown = judge(Blend((Part("f", 1),), "x"), shelf_of(flour("f", protein_g=5)), rules().uses["scone"], rules())
    document = analysis_document(unknown)
    assert document.metrics["grit_index"].typical is None
    band = next(b for b in document.fit.bands if b.metric == "grit_index")
    assert (band.status, band.desirability, band.distance) == ("unknown", None, None)
    assert document.nutrients["fibre_g"].known_mass_pct == 0
