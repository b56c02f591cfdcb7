"""The shelf as a table: out and in the same to the last digit, a preview row by row, all of it or nothing."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.ingredients.ingredient import PROPERTIES, Fact, Quality
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.demo.kitchen import fill
from fallow_sieve.formats.ingredients import lots_table
from fallow_sieve.formats.ingredients.data_package import read_package, write_package
from fallow_sieve.formats.ingredients.lots_table import lot_rows, read_lots
from fallow_sieve.formats.ingredients.numbers_table import number_rows, read_numbers
from fallow_sieve.formats.ingredients.shelf_table import ShelfLine, header, read_shelf, shelf_rows
from fallow_sieve.formats.shared.spreadsheets import write_xlsx
from fallow_sieve.formats.shared.tables import XLSX_TYPE, guarded, read_csv, read_table, unguarded, write_csv
from fallow_sieve.store.ingredients.ingredients import copy_ingredient, put_number
from fallow_sieve.store.ingredients.lot_files import apply_lots, apply_numbers, lot_lines, number_lines, plan_lots
from fallow_sieve.store.ingredients.numbers import layers_of
from fallow_sieve.store.ingredients.shelf_files import plan_import, shelf_lines
from fallow_sieve.store.ingredients.shelf_imports import apply_import, prepare_import
from fallow_sieve.store.kitchen_store import KitchenStore

TODAY = date(2026, 3, 14)


def planned(store, text):
    with store.reading() as session:
        return plan_import(session, read_shelf(read_csv(text.encode())))


def statuses(store, text):
    return [r.status for r in planned(store, text).rows]


def refusals(store, text):
    return [(r.line, r.column) for row in planned(store, text).rows for r in row.refusals]


def put(session, plan, source="x"):
    (*_, ready) = prepare_import(plan, source, "2026-03-14")
    apply_import(session, ready)


def bring(store, text):
    with store.writing() as session:
        plan = plan_import(session, read_shelf(read_csv(text.encode())))
        put(session, plan, "brought in from mine.csv")
        return len(plan.rows)


def exported(store):
    with store.reading() as session:
        return write_csv(header(), shelf_rows(shelf_lines(session)))


@pytest.fixture
def demo(tmp_path, demo_db):
    kitchen = KitchenStore(demo_db)
    with kitchen.writing() as session:
        copy_ingredient(session, "teff-flour", "odd-name", "=Odd, “name”")
        put_number(session, "rice-bran", "fibre_g", Fact(Range(20.1, 0.1 + 22.2, 25.0), Quality.LABEL, "mill"), 1)
    yield kitchen
    kitchen.close()


def test_csv_comes_back_to_the_last_digit(demo, store):
    text = exported(demo)
    assert set(statuses(demo, text)) == {"same"}
    own = [line for line in text.splitlines() if ",no" in line or line.startswith("slug")]
    assert len(own) == len(text.splitlines())
    bring(store, text)
    assert exported(store) == text
    assert set(statuses(store, text)) == {"same"}


def test_a_spreadsheet_holds_the_same(demo):
    with demo.reading() as session:
        data = write_xlsx(header(), shelf_rows(shelf_lines(session)), "shelf")
    read = read_table(data, XLSX_TYPE)
    assert read.header == tuple(header())
    with demo.reading() as session:
        plan = plan_import(session, read_shelf(read))
    assert {r.status for r in plan.rows} == {"same"}


@given(st.text(max_size=30))
def test_a_text_is_guarded_against_being_taken_for_a_formula_and_comes_back(text):
    assert unguarded(guarded(text)) == text
    assert guarded(text)[:1] not in ("=", "+", "-", "@")


@given(st.lists(st.tuples(st.floats(0, 30), st.floats(0, 30), st.floats(0, 30)), min_size=1, max_size=5))
def test_any_range_survives_the_way_through_csv(triples):
    lines = [ShelfLine({"slug": f"f-{n}", "name": "F", "role": "starch"}, {"protein_g": tuple(sorted(t))}) for n, t in enumerate(triples)]  # fmt: skip
    found = read_shelf(read_csv(write_csv(header(), shelf_rows(lines)).encode()))
    protein = found.numbers["protein_g"]
    assert not found.refusals
    back = list(zip(protein.low.tolist(), protein.typical.tolist(), protein.high.tolist(), strict=True))
    assert back == [tuple(sorted(t)) for t in triples]


HEAD = "slug,name,role,protein_g_per_100_g,fat_g_per_100_g"


def test_a_preview_says_what_is_new_changed_the_same_and_refused_and_writes_nothing(store):
    text = f"{HEAD}\nmy-mix,My mix,starch,1.5,0.2\nteff-flour,,,14.2,\ncorn-starch,,,,\nnew-one,,starch,3,\n"
    plan = planned(store, text)
    assert [r.status for r in plan.rows] == ["new", "changed", "same", "refused"]
    assert plan.counts == {"new": 1, "changed": 1, "same": 1, "refused": 1}
    change = plan.rows[1].changes[0]
    assert (change.what, change.before, change.after) == ("protein_g_per_100_g", "13.3 (11.43–14.63)", "14.2 (12.78–15.62)")  # fmt: skip
    assert plan.rows[3].refusals[0].column == "name"
    assert "my-mix" not in exported(store)


def test_what_is_brought_in_counts_with_its_source_and_the_usual_spread(store):
    assert bring(store, f"{HEAD}\nmy-mix,My mix,starch,1.5,0.2\nteff-flour,,,14.2,\n") == 2
    with store.reading() as session:
        shelf = store.shelf(session, TODAY)
    mine, teff = shelf["my-mix"].facts["protein_g"], shelf["teff-flour"].facts["protein_g"]
    assert mine.range == Range(pytest.approx(1.35).expected, 1.5, mine.range.high)
    assert (mine.source, mine.noted_on, mine.quality) == ("brought in from mine.csv", "2026-03-14", Quality.ESTIMATE)
    assert teff.range.typical == 14.2
    assert shelf["my-mix"].own
    assert not shelf["teff-flour"].own


def test_what_is_brought_in_wins_over_a_label_which_stays_on_record(demo):
    with demo.reading() as session:
        before = demo.shelf(session, TODAY)
    assert before["brown-rice-flour"].facts["thirst_g_per_g"].quality is Quality.MEASURED
    bring(demo, "slug,thirst_g_per_g\nbrown-rice-flour,1.33\n")
    with demo.reading() as session:
        assert demo.shelf(session, TODAY)["brown-rice-flour"].facts["thirst_g_per_g"].range.typical == 1.33
        assert "thirst_g_per_g" in layers_of(session, "brown-rice-flour")["measured"]


@pytest.mark.parametrize(
    ("rows", "places"),
    [
        ("my-mix,My mix,starch,x,", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,starch,\"1,5\",", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,starch,nan,", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,starch,inf,", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,starch,-1,", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,starch,101,", [(2, "protein_g_per_100_g")]),
        ("my-mix,My mix,powder,1,", [(2, "role")]),
        ("My Mix,My mix,starch,1,", [(2, "slug")]),
        ("my-mix,My mix,,1,", [(2, "role")]),
        ("teff-flour,Other,,1,", [(2, "name")]),
        ("my-mix,My mix,starch,60,50", [(2, "carbohydrate_g_per_100_g")]),
        ("my-mix,My mix,starch,1", [(2, ""), (2, "slug"), (2, "name"), (2, "role")]),
        ("a,A,starch,1,\na,A,starch,2,", [(3, "slug")]),
        ("a,A,starch,1,\n\n\nb,B,powder,2,", [(5, "role")]),
    ],
)  # fmt: skip
def test_a_cell_that_cannot_be_used_is_named_by_line_and_column(store, rows, places):
    assert refusals(store, f"{HEAD}\n{rows}\n") == places


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "an empty file"),
        ("slug,protein\na,1", "unknown column 'protein'"),
        ("slug,slug\na,a", "stands twice"),
        ("role\nstarch", "neither slug nor name"),
        ("slug,protein_g_per_100_g_low\na,1", "without protein_g_per_100_g"),
        ('slug,name\na,"b', "not CSV"),
    ],
)
def test_a_header_that_cannot_be_used_is_said_before_any_row(text, words):
    with pytest.raises(BadInputError, match=words):
        read_shelf(read_csv(text.encode()))


@pytest.mark.parametrize("data", [b"PK\x03\x04nonsense", b"not a zip"])
def test_a_broken_spreadsheet_or_package_is_refused(data):
    with pytest.raises(BadInputError):
        read_table(data, XLSX_TYPE)
    with pytest.raises(BadInputError):
        read_package(data)


def test_a_name_alone_makes_the_slug(store):
    plan = planned(store, "name,role\nToasted rye-free crumb,other\nTeff flour,\n")
    assert [(r.slug, r.status) for r in plan.rows] == [("toasted-rye-free-crumb", "new"), ("teff-flour", "same")]


def test_all_of_it_comes_in_or_nothing(store):
    text = f"{HEAD}\n" + "".join(f"mix-{n},Mix,starch,1,\n" for n in range(1500))
    with pytest.raises(RuntimeError), store.writing() as session:
        plan = plan_import(session, read_shelf(read_csv(text.encode())))
        put(session, plan)
        raise RuntimeError
    assert "mix-1," not in exported(store)


def test_blank_cells_leave_things_as_they_are(demo):
    before = exported(demo)
    bring(demo, "slug,allergens,protein_g_per_100_g\nalmond-flour,,\n")
    assert exported(demo) == before


def packed(kitchen):
    with kitchen.reading() as session:
        return write_package("K", shelf_rows(shelf_lines(session)), number_rows(number_lines(session)), lot_rows(lot_lines(session)))  # fmt: skip


def test_a_data_package_carries_shelf_lots_and_how_every_number_is_known(demo, store):
    tables = read_package(packed(demo))
    with store.writing() as session:
        put(session, plan_import(session, read_shelf(tables.ingredients)))
        apply_lots(session, plan_lots(session, *read_lots(tables.lots, TODAY)))
        apply_numbers(session, read_numbers(tables.numbers)[0])
    assert packed(store) == packed(demo)
    with demo.reading() as one, store.reading() as other:
        a, b = demo.shelf(one, TODAY), store.shelf(other, TODAY)
    assert {i.slug: i.facts for i in a.ingredients} == {i.slug: i.facts for i in b.ingredients}
    assert len(a.lots) == len(b.lots) > 25


def test_a_package_describes_its_tables_for_machines(demo):
    import json
    import zipfile
    from io import BytesIO

    with zipfile.ZipFile(BytesIO(packed(demo))) as found:
        described = json.loads(found.read("datapackage.json"))
        for resource in described["resources"]:
            lines = read_csv(found.read(resource["path"]))
            assert list(lines.header) == [f["name"] for f in resource["schema"]["fields"]]
            keys = [lines.header.index(k) for k in resource["schema"]["primaryKey"]]
            rows = [tuple(r[k] for k in keys) for r in lines.rows]
            assert len(set(rows)) == len(rows) > 0


LOTS = ",".join(lots_table.COLUMNS)


@pytest.mark.parametrize(
    ("row", "column"),
    [
        ("teff-flour,A,,,100,200,,,,,,,,,,no,,,", "stock_g"),
        ("teff-flour,A,,2027-01-01,100,50,,,,,,,,,,no,,,", "bought_on"),
        ("teff-flour,A,,yesterday,100,50,,,,,,,,,,no,,,", "bought_on"),
        ("teff-flour,A,,,lots,50,,,,,,,,,,no,,,", "bought_g"),
        ("teff-flour,A,,,100,,,,,,,,,,,no,,,", "stock_g"),
        ("teff-flour,A,,,100,50,,,,,,5,,,,no,,,", "gluten_basis"),
        ("teff-flour,A,,,100,50,,,,,,,,,,maybe,,,", "archived"),
        ("nobody,A,,,100,50,,,,,,,,,,no,,,", "ingredient"),
    ],
)
def test_a_lot_that_cannot_be_is_refused_with_its_cell(store, row, column):
    with store.reading() as session:
        plan = plan_lots(session, *read_lots(read_csv(f"{LOTS}\n{row}\n".encode()), TODAY))
    assert [(r.status, r.refusals[0].column) for r in plan.rows] == [("refused", column)]


def test_lots_are_new_changed_or_the_same_by_their_code(demo):
    with demo.reading() as session:
        text = write_csv(list(lots_table.COLUMNS), lot_rows(lot_lines(session)))
    changed = text.replace("4300.0", "4100.0", 1) + "teff-flour,NEW,,,100,50,,,,,,,,,,no,,,\n"
    with demo.writing() as session:
        plan = plan_lots(session, *read_lots(read_csv(changed.encode()), TODAY))
        counts = [r.status for r in plan.rows]
        apply_lots(session, plan)
    assert (counts.count("changed"), counts.count("new"), counts.count("refused")) == (1, 1, 0)
    with demo.reading() as session:
        assert demo.shelf(session, TODAY)["teff-flour"].stock_g == 4150


def test_every_number_has_a_column_with_its_unit():
    names = header()
    assert len(names) == len(set(names))
    assert {f"{n}_per_100_g" for n in NUTRIENTS} | set(PROPERTIES) <= set(names)


def test_the_demo_fills_a_kitchen_once(store):
    from datetime import UTC, datetime

    now = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)
    assert fill(store, now) is True
    assert fill(store, now) is False
