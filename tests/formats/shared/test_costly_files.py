"""Files made to cost much: refused with their place, for little more than a plain reader of the same bytes takes.

Measured beside that reader in one run, by processor time and memory: never by the clock.
"""

from __future__ import annotations

import io
import time
import tracemalloc
import zipfile
from contextlib import suppress

import pytest
from openpyxl import Workbook, load_workbook

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.formats.blends.csv import read_blend_csv
from fallow_sieve.formats.ingredients.data_package import read_package
from fallow_sieve.formats.shared.csv_rows import Most
from fallow_sieve.formats.shared.spreadsheets import write_xlsx
from fallow_sieve.formats.shared.strict_json import parse_json
from fallow_sieve.formats.shared.tables import XLSX_TYPE, read_csv, read_table

MB = 1024 * 1024
CONTENT = {
    "[Content_Types].xml": '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/></Types>',
    "_rels/.rels": '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>',
    "xl/workbook.xml": '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="a" sheetId="1" r:id="rId1"/></sheets></workbook>',
    "xl/_rels/workbook.xml.rels": '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
}  # fmt: skip


def packed(members):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in members:
            archive.writestr(name, data)
    return out.getvalue()


def sheet_of(rows: bytes) -> bytes:
    head = b'<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>'
    return packed([*CONTENT.items(), ("xl/worksheets/sheet1.xml", head + rows + b"</sheetData></worksheet>")])


def xlsx(data: bytes) -> object:
    return read_table(data, XLSX_TYPE)


def package(first: bytes) -> bytes:
    return packed([("ingredients.csv", first), ("numbers.csv", b"a\n"), ("lots.csv", b"a\n")])


COSTLY = {
    "lines of nothing": (read_csv, lambda: b"\n" * 8 * MB, "line 100001: more than 100000 empty lines"),
    "returns of nothing": (read_csv, lambda: b"\r" * 8 * MB, "empty lines"),
    "rows of two quotes": (read_csv, lambda: b'""\n' * 3 * MB, "empty lines"),
    "one row of commas": (read_csv, lambda: b"," * 8 * MB, "line 1: a row of more than 1000000 characters"),
    "one cell without an end": (read_csv, lambda: b'"' + b"x\n" * 4 * MB, "field larger than"),
    "a row over many lines": (read_csv, lambda: b'"a\n",' * 2 * MB, "a row of more than"),
    "a row a line": (read_csv, lambda: b"a\n" * 4 * MB, "line 20002: more than 20000 rows"),
    "wide rows": (read_csv, lambda: (b"ab," * 499 + b"ab\n") * 6000, "line 4001: more than 2000000 cells"),
    "a header without an end": (read_csv, lambda: b",".join(b"c%d" % n for n in range(100_000)), "500 columns"),
    "a blend of a million parts": (
        read_blend_csv, lambda: b"ingredient,mass_g\n" + b"teff-flour,1\n" * MB, "line 202: more than 200 rows",
    ),
    "a package of nothing": (read_package, lambda: package(b"\n" * 100 * MB), "ingredients.csv, line 100001"),
    "a package of one line": (read_package, lambda: package(b"a" * 100 * MB), "ingredients.csv, line 1: a row of more"),
    "a package of a gigabyte": (read_package, lambda: package(b"a" * 300 * MB), "bytes unpacked"),
    "a package of many files": (
        read_package, lambda: packed((f"{n}.csv", b"") for n in range(30_000)), "an archive of 30000 files",
    ),
    "rows of nothing in a sheet": (xlsx, lambda: sheet_of(b'<row r="1"/>' * MB), "more than 20000 rows"),
    "a cell at the far end": (
        xlsx, lambda: sheet_of(b'<row r="1048576"><c r="XFD1048576"><v>1</v></c></row>'), "500 columns",
    ),
    "a sheet that is nearly empty": (
        xlsx,
        lambda: sheet_of(b'<row r="1"><c r="SA1"><v>1</v></c></row><row r="9999"><c r="A9999"><v>1</v></c></row>'),
        "more than 1200000 cells",
    ),
    "a row of a million cells": (
        xlsx, lambda: sheet_of(b'<row r="1">' + b'<c r="A1"><v>1</v></c>' * MB + b"</row>"), "a row of more than 4 MB",
    ),
    "brackets": (parse_json, lambda: b"[" * 8 * MB, "byte 32: nested more than"),
    "keys": (parse_json, lambda: b"{" + b",".join(b'"k%d":1' % n for n in range(600_000)) + b"}", "texts"),
    "numbers": (parse_json, lambda: b"[" + b"1," * 3 * MB + b"1]", "byte 100002: more than 50000 keys and values"),
    "texts of nothing": (parse_json, lambda: b"[" + b'"",' * 2 * MB + b'""]', "more than 100000 texts"),
}  # fmt: skip


def plain(data: bytes) -> int:
    """What anybody does who looks at each byte once: count its lines and texts."""
    return data.count(b"\n") + len(data.decode("latin-1").split(","))


def cost(work, data) -> tuple[float, int]:
    """Processor time in s, and the most memory that it held, bytes."""
    begun = time.process_time()
    with suppress(BadInputError):
        work(data)
    spent = time.process_time() - begun
    tracemalloc.start()
    with suppress(BadInputError):
        work(data)
    most = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    return spent, most


@pytest.fixture(scope="module")
def usual():
    return cost(plain, b"ab," * (8 * MB // 3))


@pytest.mark.parametrize("name", COSTLY)
def test_a_costly_file_is_refused_with_its_place_for_little_more_than_reading_it(name, usual):
    read, made, says = COSTLY[name]
    data = made()
    with pytest.raises(BadInputError) as caught:
        read(data)
    assert says in str(caught.value)
    spent, most = cost(read, data)
    assert spent <= 10 * usual[0]
    assert most <= usual[1]


def test_as_many_rows_as_are_allowed_are_read():
    table = read_csv(b"a,b\n" + b"1,2\n" * 20_000)
    assert (len(table.rows), table.lines[-1]) == (20_000, 20_001)
    assert len(read_csv(b"a\n" + b"1\n" * 20_001, Most(rows=20_001)).rows) == 20_001


@pytest.mark.parametrize("end", [b"\n", b"\r\n", b"\r"], ids=["unix", "windows", "old mac"])
def test_lines_end_as_they_do_on_any_machine_and_empty_ones_are_counted(end):
    table = read_csv(end.join([b"a,b", b"", b'1,"x', b'y"', b"", b"2,z"]))
    assert [r[0] for r in table.rows] == ["1", "2"]
    assert table.lines == (4, 6)


def book(*rows):
    out, made = io.BytesIO(), Workbook()
    for row in rows:
        made.active.append(row)
    made.save(out)
    return out.getvalue()


def test_a_formula_without_its_value_and_an_error_are_named_not_blank():
    with pytest.raises(BadInputError, match="cell B2: a formula without its value"):
        xlsx(book(["slug", "name"], ["teff", "=A2"]))
    broken = sheet_of(b'<row r="1"><c r="A1" t="str"><v>slug</v></c><c r="B1" s="1" t="e"><v>#DIV/0!</v></c></row>')
    with pytest.raises(BadInputError, match="cell B1: an error instead of a value"):
        xlsx(broken)
    kept = sheet_of(b'<row r="1"><c r="A1"><f>1+1</f><v>2</v></c></row>')
    assert xlsx(kept).header == ("2",)


def test_what_a_spreadsheet_program_writes_is_read_as_it_shows():
    import datetime

    table = xlsx(
        book(["a", "b", "c", None], [7, 2.5, datetime.date(2026, 3, 4), None], [None] * 4, [True, "x ", "1e3", 1])
    )
    assert table.header == ("a", "b", "c")
    assert table.rows == [["7", "2.5", "2026-03-04"], ["yes", "x ", "1e3"]]
    assert table.lines == (2, 4)


def test_a_control_character_of_an_older_record_stays_out_of_the_spreadsheet():
    data = write_xlsx(["code", "g"], [["lot\x07 7", 1.5], ["=1+1", None], ["http://x.test", 2]], "lots")
    sheet = load_workbook(io.BytesIO(data)).worksheets[0]
    assert [[c.value for c in row] for row in sheet.iter_rows(min_row=2)] == [
        ["lot 7", 1.5], ["=1+1", None], ["http://x.test", 2],
    ]  # fmt: skip
    assert sheet["A3"].data_type == "s"


@pytest.mark.parametrize("spoil", ["cut", "flip", "crc", "encrypted"])
def test_a_damaged_archive_is_refused_plainly(spoil):
    data = bytearray(package(b"slug,name\n" * 500))
    if spoil == "cut":
        data = data[: len(data) // 2]
    elif spoil == "flip":
        data[60:90] = bytes(b ^ 0xFF for b in data[60:90])
    elif spoil == "crc":
        data[14:18] = b"\0\0\0\0"
        at = data.rfind(b"PK\x01\x02ingr"[:4])
        data[at + 16 : at + 20] = b"\0\0\0\0"
    else:
        for mark, at in ((b"PK\x03\x04", 6), (b"PK\x01\x02", 8)):
            data[data.find(mark) + at] |= 1
    with pytest.raises(BadInputError):
        read_package(bytes(data))
    with pytest.raises(BadInputError):
        xlsx(bytes(data))
