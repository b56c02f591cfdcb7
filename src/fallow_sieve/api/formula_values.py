"""Formulas between the API, the store and the core: what is asked, stored and judged."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session

from fallow_sieve.api.formula_models import ContentIn, ContentOut, LineOut, PinnedIn, PinnedOut
from fallow_sieve.api.http import as_parts, store, today
from fallow_sieve.api.summaries import part_out
from fallow_sieve.core.baking.phases import pan_named
from fallow_sieve.core.blends.blend import check_parts
from fallow_sieve.core.blends.fit import rule_of_use
from fallow_sieve.core.formulas.formula import Formula, Line, Stage, check_lines
from fallow_sieve.core.formulas.judgement import FormulaJudgement, Kitchen, judge_formula
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.quantities import CupStandard
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.formulas import Content, Pinned


def content_of(given: ContentIn) -> Content:
    """Return what a request carries as the store's content. Raises BadInputError for an unknown use or pan."""
    if given.use is not None:
        rule_of_use(rules().uses, given.use)
    pan_named(given.pan, formula_rules().pans)
    pinned = pinned_of(given.blend) if given.blend else None
    lines = tuple(Line(x.ingredient, x.mass_g, Stage(x.stage), x.note) for x in given.lines)
    formula = Formula(
        lines=lines,
        blend=pinned.parts if pinned else (),
        use=given.use,
        consistency=given.consistency,
        school=given.school,
        pieces=given.pieces,
        pan=given.pan,
        method=given.method,
    )
    return Content(formula, pinned)


def pinned_of(given: PinnedIn) -> Pinned:
    """Return a pinned blend of a request as the store's."""
    return Pinned(given.blend_id, given.revision, given.name, as_parts(given.parts))


def content_out(content: Content) -> ContentOut:
    """Return a content as the API gives it."""
    f, p = content.formula, content.pinned
    pinned = None
    if p is not None:
        parts = [part_out(x) for x in p.parts]
        pinned = PinnedOut(blend_id=p.blend_id, revision=p.revision, name=p.name, parts=parts)
    return ContentOut(
        use=f.use,
        consistency=f.consistency,
        school=f.school,
        pieces=f.pieces,
        pan=f.pan,
        method=f.method,
        blend=pinned,
        lines=lines_out(f.lines),
    )


def lines_out(lines: Sequence[Line]) -> list[LineOut]:
    """Return lines (g) as the API gives them."""
    return [line_out(x) for x in lines]


def line_out(x: Line) -> LineOut:
    """Return a line (g) as the API gives it."""
    return LineOut(ingredient=x.ingredient, mass_g=x.mass_g, stage=str(x.stage), note=x.note)


def check_content(session: Session, content: Content) -> None:
    """Raise BadInputError unless the lines and the blend can be used; an empty formula is where each one starts."""
    shelf = store().shelf(session, today())
    if content.pinned is not None:
        check_parts(content.pinned.parts, shelf, "/content/blend/parts")
    if content.formula.lines:
        check_lines(content.formula.lines, shelf, content.pinned is not None, "/content/lines")


def kitchen_now(content: Content | None = None) -> tuple[Shelf, Kitchen]:
    """Return the shelf and the kitchen by which `content` is judged now, its bakes known by its blend."""
    standing = store().formula_standing()
    key = content.pinned.key if content and content.pinned else ""
    kitchen = Kitchen(CupStandard(standing.cup), standing.school, standing.bakes, key)
    return store().shelf_now(standing, today()), kitchen


def judged(content: Content) -> FormulaJudgement:
    """Return the judgement of a content in this kitchen. Raises BadInputError."""
    shelf, kitchen = kitchen_now(content)
    if content.pinned is not None:
        check_parts(content.pinned.parts, shelf, "/content/blend/parts")
    return judge_formula(content.formula, shelf, formula_rules(), kitchen)
