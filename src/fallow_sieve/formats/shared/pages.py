"""Pages to print (PDF, A4) in the font of the screens; a question mark stands for what it has no letter for."""

from __future__ import annotations

from importlib.resources import files

from fpdf import FPDF
from fpdf.enums import XPos, YPos

FAMILY = "hyperlegible"
MARGIN_MM = 16.0
PDF_TYPE = "application/pdf"


class Pages(FPDF):
    """A document of A4 pages with the regular and bold font, lengths in mm, sizes in points."""

    def __init__(self, title: str) -> None:
        super().__init__(unit="mm", format="A4")
        folder = files("fallow_sieve.formats.shared").joinpath("fonts")
        self.add_font(FAMILY, "", str(folder.joinpath("regular.ttf")))
        self.add_font(FAMILY, "B", str(folder.joinpath("bold.ttf")))
        self.set_margin(MARGIN_MM)
        self.c_margin = 0.0  # text stands where boxes do
        self.set_auto_page_break(True, MARGIN_MM)
        self.set_title(self._printable(title))
        self.set_draw_color(90)

    def _printable(self, text: str) -> str:
        known = self.fonts[FAMILY].cmap  # type: ignore[union-attr]
        return "".join(c if ord(c) in known else "?" for c in text)

    def say(self, text: str, size: float = 11, *, bold: bool = False) -> None:
        """Print a paragraph at `size` points and go below it."""
        self.set_font(FAMILY, "B" if bold else "", size)
        self.multi_cell(0, size * 0.45, self._printable(text), new_x=XPos.LMARGIN, new_y=YPos.NEXT, align="L")

    def put(self, x: float, y: float, text: str, size: float = 10, *, bold: bool = False) -> None:
        """Print a line at x, y (mm, its baseline) at `size` points."""
        self.set_font(FAMILY, "B" if bold else "", size)
        self.text(x, y, self._printable(text))

    def width_of(self, text: str, size: float) -> float:
        """Return how wide a line is (mm) at `size` points."""
        self.set_font(FAMILY, "", size)
        return float(self.get_string_width(self._printable(text)))

    def room(self, height: float) -> None:
        """Begin a new page unless `height` mm are left on this one."""
        if self.will_page_break(height):
            self.add_page()

    def data(self) -> bytes:
        """Return the document as a file (bytes)."""
        return bytes(self.output())
