"""A label laid out: every line in its order, what may shrink shrunk to its least, else refused with the next larger."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.labels.flow import Flow
from fallow_sieve.formats.labels.paper import LabelPage, Squares, Styled, x_height_mm
from fallow_sieve.formats.labels.record import MODULE_MM, BatchRecord, code_of
from fallow_sieve.reference.labelling import LabelSize, label_size, label_sizes

USUAL_PT = 8.4
SHORT_MM = 16.0  # a code and its binder leave room on a tag
STEPS = (1.0, 0.94, 0.88, 0.82)


@dataclass(frozen=True, slots=True)
class Printing:
    """What prints: texts by line, the list in runs, rows of the table, the record of the QR, and what is held."""

    name: str
    binder: str
    ingredients: Styled = ()
    allergens: str = ""
    has: str = ""
    may_contain: str = ""
    table_title: str = ""
    table: Sequence[tuple[str, str, bool]] = ()
    gluten: str = ""
    net: str = ""
    best_before: str = ""
    storage: str = ""
    opened_on: str = ""
    use_by: str = ""
    scoop: str = ""
    code: str = ""
    bag: str = ""
    maker: str = ""
    draft: str = ""
    held: str = ""
    record: BatchRecord = field(default_factory=lambda: BatchRecord("", ""))


@dataclass(frozen=True, slots=True)
class LaidOut:
    """A label laid out, its size, the smallest type with its x-height (mm), what its QR holds."""

    page: LabelPage
    size: LabelSize
    least_pt: float
    x_height_mm: float
    qr_text: str


def lay_out(printing: Printing, size_name: str) -> LaidOut:
    """Return a label laid out in a size. Raises UnknownNameError, and BadInputError where it does not fit."""
    size = label_size(size_name)
    found = _fitted(printing, size)
    if found is None:
        larger = _next_larger(printing, size)
        right = f"the next larger that it fits is {larger}" if larger else "shorten its name"
        raise BadInputError(f"this label does not fit {size.name}", place="/size", right=right)
    return found


def _fitted(printing: Printing, size: LabelSize) -> LaidOut | None:
    room_mm = SHORT_MM if size.qr_holds == "short record" else size.qr_mm
    text, modules = code_of(printing.record, room_mm)
    qr = Squares(0, 0, len(modules) * MODULE_MM, modules)
    for shrink in STEPS:
        points = max(size.least_size_pt, USUAL_PT * shrink)
        flow = Flow(size.width_mm, size.height_mm, points, max(size.least_size_pt, points * shrink))
        _fill(flow, printing, size, qr)
        if flow.fits:
            page = flow.page()
            return LaidOut(page, size, page.least_pt, x_height_mm(page.least_pt), text)
    return None


def _next_larger(printing: Printing, size: LabelSize) -> str:
    area = size.width_mm * size.height_mm
    larger = [s for s in label_sizes().values() if s.width_mm * s.height_mm > area and "sheet" not in s.name]
    by_area = sorted(larger, key=lambda s: s.width_mm * s.height_mm)
    return next((s.name for s in by_area if _fitted(printing, s) is not None), "")


def _fill(flow: Flow, p: Printing, size: LabelSize, qr: Squares) -> None:
    kind = "code" if size.qr_holds == "code" else "bin" if size.name.startswith(("bin", "tag")) else "bag"
    if p.held:
        flow.banner(p.held)
    flow.title(p.name)
    if kind == "code":
        _code_only(flow, p, qr)
    elif kind == "bin":
        _bin(flow, p, qr)
    else:
        _bag(flow, p, qr)


def _code_only(flow: Flow, p: Printing, qr: Squares) -> None:
    flow.beside(qr, [(p.code, True), (p.bag, False), (p.best_before, False), (p.binder, True)])


def _bin(flow: Flow, p: Printing, qr: Squares) -> None:
    flow.rule()
    flow.say([(p.binder, True)], 1.15)
    flow.rule()
    flow.blank_line(p.opened_on)
    flow.say([(p.use_by or p.best_before, True)])
    flow.say([(p.scoop, False)])
    flow.say([(p.has, True)])
    flow.foot(qr, [(p.code, True), (p.bag, False), (p.maker, False)], p.draft)


def _bag(flow: Flow, p: Printing, qr: Squares) -> None:
    flow.rule()
    flow.say([(p.binder, True)], 1.15)
    flow.rule()
    flow.say(p.ingredients)
    flow.say([(p.allergens, True)])
    flow.say([(p.may_contain, False)])
    flow.table(
        p.table_title, p.table, [(p.net, True, 1.9), (p.best_before, True, 1.0), (_by_hand(p.opened_on), False, 1.0)]
    )
    flow.say([(p.storage, False)], small=True)
    flow.say([(p.gluten, True)])
    flow.foot(qr, [(p.code, True), (p.bag, False), (p.maker, False)], p.draft)


def _by_hand(text: str) -> str:
    return f"{text} ____________" if text else ""
