"""A label on paper: it fits or says what would, every letter is there, its type can be read, its code reads back."""

from __future__ import annotations

from dataclasses import replace
from xml.etree import ElementTree

import pypdfium2
import pytest
import zxingcpp
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.formats.labels import BatchRecord, Printing, RecordPart, lay_out, pdf_of, svg_of
from fallow_sieve.formats.labels.paper import missing_glyphs, wrapped, x_height_mm
from fallow_sieve.formats.labels.record import code_of, record_text
from fallow_sieve.reference.labelling import LANGUAGES, label_sizes, label_text
from fallow_sieve.reference.labelling.texts import _texts

RECORD = BatchRecord(
    "26332-2-Q", "Summit mix R4", "2026-11-28", "2027-01-30", 6008, "3:12", "IN", ("almond",),
    (RecordPart("sorghum flour", "LI-055", 640), RecordPart("sorghum flour", "LI-061", 1091),
     RecordPart("potato starch", "CB-0874", 1270), RecordPart("brown rice flour", "SM-2231", 864)),
)  # fmt: skip
LABEL = Printing(
    name="Summit mix with almond",
    binder="Binder is in: add no more.",
    ingredients=(("Ingredients: ", True), ("sorghum flour, potato starch, brown rice flour, ", False),
                 ("almond", True), (" flour (7.6 %), psyllium husk.", False)),
    table_title="Nutrition per 100 g",
    table=(("Energy", "1522 kJ / 361 kcal", False), ("Fat", "5.6 g", False), ("of which saturates", "0.6 g", True)),
    net="500 g", best_before="Best before 30 01 2027", storage="Keep closed and cool.", opened_on="Opened on:",
    code="26332-2-Q/03", bag="bag 3 of 12", maker="Tarn Line Provisions",
    draft="Draft: to be checked by a competent person.", record=RECORD,
)  # fmt: skip
PRINTED = [n for n in label_sizes() if "sheet" not in n]


def read_back(pdf, page=0):
    image = pypdfium2.PdfDocument(pdf)[page].render(scale=4).to_pil()
    return [code.text for code in zxingcpp.read_barcodes(image)]


def test_the_record_is_in_the_dense_letters_and_says_what_it_is():
    assert record_text(RECORD) == (
        "FSB1$26332-2-Q$SUMMIT MIX R4$MADE 2026-11-28$BB 2027-01-30$6008 G$BAG 3:12$BINDER IN$HAS ALMOND"
        "$SORGHUM FLOUR LI-055 640$SORGHUM FLOUR LI-061 1091$POTATO STARCH CB-0874 1270$BROWN RICE FLOUR SM-2231 864"
    )


@given(st.text(max_size=60))
def test_any_name_becomes_letters_that_the_dense_mode_has(name):
    text, modules = code_of(replace(RECORD, name=name), 38)
    assert set(text) <= set("0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ $%*+-./:")
    assert text.startswith("FSB1$26332-2-Q$")
    assert len(modules) * 0.4 <= 38


def _two_between(fits):
    """A record that was cut, and the one that only lost its lots."""
    cut = next(f for f in fits if f.endswith("..."))
    return cut, next(f for f in fits if "BROWN RICE" in f and "LI-055" not in f)


def test_where_it_is_too_long_lots_go_first_then_parts_and_code_and_binder_never():
    fits = [code_of(RECORD, mm / 10)[0] for mm in range(100, 400, 4)]
    least, few, no_lots, whole = fits[0], *_two_between(fits), fits[-1]
    assert "LI-055" in whole
    assert "LI-055" not in no_lots
    assert "BROWN RICE" not in few
    assert few.endswith("...")
    assert least == "FSB1$26332-2-Q$BINDER IN"


@pytest.mark.parametrize("size", [n for n in PRINTED if n != "a4-8"])
def test_a_second_reader_opens_the_pdf_and_a_second_decoder_reads_its_code(size):
    made = lay_out(LABEL, size)
    pdf = pdf_of([made.page], "label", made.size.per_sheet)
    assert read_back(pdf) == [made.qr_text]
    text = pypdfium2.PdfDocument(pdf)[0].get_textpage().get_text_bounded()
    assert "26332-2-Q/03" in text
    assert "Binder is in" in text.replace("\r\n", " ").replace("\n", " ")


def test_labels_of_many_bags_share_sheets():
    made = [lay_out(replace(LABEL, code=f"26332-2-Q/{n:02d}"), "a4-21") for n in range(1, 24)]
    pdf = pypdfium2.PdfDocument(pdf_of([m.page for m in made], "labels", 21))
    assert len(pdf) == 2
    assert [round(x / 72 * 25.4) for x in pdf[0].get_size()] == [210, 297]


def test_the_preview_is_the_label():
    page = lay_out(LABEL, "bag-100x150").page
    root = ElementTree.fromstring(svg_of(page))
    texts = [e for e in root.iter() if e.tag.endswith("text")]
    assert [t.text for t in texts] == [i.text for i in page.inks]
    assert [float(t.get("x")) for t in texts] == [round(i.x, 2) for i in page.inks]
    assert (root.get("width"), root.get("height")) == ("100.0mm", "150.0mm")


def test_type_is_as_large_as_the_law_wants_read_from_the_font():
    assert x_height_mm(6.9) >= 1.2
    assert x_height_mm(6.0) == pytest.approx(1.05, abs=0.01)
    assert x_height_mm(5.2) >= 0.9
    for size in ("bag-100x150", "bin-148x105", "tag-90x55", "small-57x32"):
        made = lay_out(LABEL, size)
        assert made.x_height_mm >= made.size.least_x_height_mm - 1e-9, size


def test_what_does_not_fit_is_refused_with_the_next_larger():
    much = replace(LABEL, ingredients=(("sorghum flour, " * 60, False),))
    with pytest.raises(BadInputError, match="next larger that it fits is bag-100x150"):
        lay_out(much, "bag-62x100")
    with pytest.raises(BadInputError, match="does not fit"):
        lay_out(replace(much, ingredients=(("sorghum flour, " * 900, False),)), "bag-100x150")
    with pytest.raises(UnknownNameError):
        lay_out(LABEL, "poster")


def test_nothing_stands_outside_its_label_nor_over_the_code():
    for size in ("bag-100x150", "bin-148x105", "tag-90x55"):
        page = lay_out(LABEL, size).page
        (qr,) = page.squares
        for ink in page.inks:
            assert ink.x >= 0
            assert ink.x + ink.width <= page.width
            assert 0 < ink.y <= page.height
            over = ink.x < qr.x + qr.side and ink.x + ink.width > qr.x
            assert not (over and qr.y < ink.y < qr.y + qr.side), (size, ink.text)


def test_a_held_batch_prints_held_across_it():
    page = lay_out(replace(LABEL, held="HELD"), "bag-100x150").page
    assert (page.inks[0].text, page.inks[0].bold) == ("HELD", True)
    assert page.inks[0].size_pt == max(i.size_pt for i in page.inks)


def test_no_label_text_lacks_a_glyph():
    for key in _texts():
        for language in LANGUAGES:
            text = getattr(_texts()[key], language)
            assert missing_glyphs(text) == "", (key, language)
            assert label_text is not None


@given(st.lists(st.tuples(st.text("abc xyz,.", max_size=30), st.booleans()), max_size=6), st.floats(20, 90))
def test_wrapping_keeps_every_word_in_order(runs, width):
    lines = wrapped(runs, width, 8)
    words = "".join(t for t, _ in runs).split()
    joined = "".join(i.text for line in lines for i in line)
    assert joined == "".join(words)


@given(st.text("abc xyz,.", max_size=90), st.floats(20, 90))
def test_a_line_of_more_than_one_word_is_no_wider_than_its_room(text, width):
    for line in wrapped([(text, False)], width, 8):
        assert len(line) < 2 or line[-1].x + line[-1].width <= width + 1e-9
