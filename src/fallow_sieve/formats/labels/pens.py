"""Two pens for one layout: a PDF to print, and an SVG to look at, which therefore is the label."""

from __future__ import annotations

from collections.abc import Iterable
from html import escape

from fallow_sieve.formats.labels.paper import MM_PER_PT, EMark, Ink, LabelPage, Squares
from fallow_sieve.formats.shared import FAMILY, Pages

_A4 = (210.0, 297.0)
_SVG_FAMILY = "Atkinson Hyperlegible Next, sans-serif"


def pdf_of(pages: Iterable[LabelPage], title: str, per_sheet: int = 1) -> bytes:
    """Return labels as a PDF: one a page of its own size, or `per_sheet` on sheets of A4."""
    document = Pages(title)
    document.set_auto_page_break(False)
    for n, page in enumerate(pages):
        if per_sheet <= 1:
            document.add_page(format=(page.width, page.height))
            _write(document, page, 0.0, 0.0)
            continue
        columns = max(1, int(_A4[0] // page.width))
        place = n % per_sheet
        if place == 0:
            document.add_page(format=_A4)
        left = (_A4[0] - columns * page.width) / 2
        top = (_A4[1] - (per_sheet // columns) * page.height) / 2
        _write(document, page, left + (place % columns) * page.width, top + (place // columns) * page.height)
    return document.data()


def _write(document: Pages, page: LabelPage, left: float, top: float) -> None:
    document.set_draw_color(0)
    document.set_fill_color(0)
    document.set_text_color(0)
    for ink in page.inks:
        document.set_font(FAMILY, "B" if ink.bold else "", ink.size_pt)
        document.text(left + ink.x, top + ink.y, ink.text)
    for r in page.rules:
        document.set_line_width(r.thick)
        document.line(left + r.x1, top + r.y1, left + r.x2, top + r.y2)
    for s in page.squares:
        for x, y, width, height in bars_of(s):
            document.rect(left + x, top + y, width, height, style="F")
    for m in page.marks:
        _e_mark(document, m, left, top)


def _e_mark(document: Pages, m: EMark, left: float, top: float) -> None:
    document.set_line_width(m.height * 0.14)
    side = m.height * 0.86
    x, y = left + m.x + m.height * 0.07, top + m.y - m.height * 0.93
    document.arc(x, y, side, 40, 360, side)
    middle = y + side / 2
    document.line(x, middle, x + side, middle)


def bars_of(s: Squares) -> list[tuple[float, float, float, float]]:
    """Return the dark bars of a QR, row by row: x, y, width, height in mm; rows overlap a little against seams."""
    step = s.side / len(s.modules)
    found = []
    for j, row in enumerate(s.modules):
        i = 0
        while i < len(row):
            if not row[i]:
                i += 1
                continue
            end = i
            while end < len(row) and row[end]:
                end += 1
            found.append((s.x + i * step, s.y + j * step, (end - i) * step, step * 1.02))
            i = end
    return found


def svg_of(page: LabelPage) -> str:
    """Return a label as an SVG of its own size; each run keeps its measured width."""
    rows = [_text(i) for i in page.inks]
    rows += [
        f'<path d="M{r.x1:.2f} {r.y1:.2f}L{r.x2:.2f} {r.y2:.2f}" stroke="#000" stroke-width="{r.thick:.2f}"/>'
        for r in page.rules
    ]
    rows += [f'<path d="{_squares(s)}"/>' for s in page.squares]
    rows += [_mark(m) for m in page.marks]
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{page.width}mm" height="{page.height}mm" '
        f'viewBox="0 0 {page.width} {page.height}" font-family="{_SVG_FAMILY}" fill="#000">'
        f'<rect width="{page.width}" height="{page.height}" fill="#fff"/>{"".join(rows)}</svg>'
    )


def _text(i: Ink) -> str:
    bold = ' font-weight="600"' if i.bold else ""
    return (
        f'<text x="{i.x:.2f}" y="{i.y:.2f}" font-size="{i.size_pt * MM_PER_PT:.3f}"{bold} '
        f'textLength="{i.width:.2f}" lengthAdjust="spacingAndGlyphs">{escape(i.text)}</text>'
    )


def _squares(s: Squares) -> str:
    return "".join(f"M{x:.3f} {y:.3f}h{w:.3f}v{h:.3f}h-{w:.3f}z" for x, y, w, h in bars_of(s))


def _mark(m: EMark) -> str:
    r = m.height * 0.43
    cx, cy = m.x + m.height / 2, m.y - m.height / 2
    end = f"{cx + r * 0.766:.2f} {cy + r * 0.643:.2f}"
    return (
        f'<path d="M{cx - r:.2f} {cy:.2f}H{cx + r:.2f}A{r:.2f} {r:.2f} 0 1 0 {end}" '
        f'fill="none" stroke="#000" stroke-width="{m.height * 0.14:.2f}"/>'
    )
