"""The water that went into bakes, and what the kitchen learns from it."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from flask import Blueprint, Response

from fallow_sieve.api.formula_models import BakeIn, BakeOut, BakesOut, LearningStep, WithdrawIn
from fallow_sieve.api.formula_values import content_of, judged, kitchen_now
from fallow_sieve.api.http import answer, body, now_text, store, today
from fallow_sieve.api.spec import route
from fallow_sieve.core.formulas.pouring import poured_pct
from fallow_sieve.core.formulas.water_learning import Bake, check_bake, correct, learn
from fallow_sieve.core.values.errors import BadInputError, shown
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.bakes import add_bake, bake_of, bakes_of_formula, withdraw_bake
from fallow_sieve.store.formulas import Content, content_in, get_formula, get_formula_draft
from fallow_sieve.store.tables import BakeRow

routes = Blueprint("bakes", __name__)


@routes.get("/formulas/<int:formula_id>/bakes")
@route(BakesOut)
def bakes(formula_id: int) -> Response:
    """Return the bakes of a formula, and how the wanted water narrowed with each."""
    return answer(_bakes(formula_id))


@routes.post("/formulas/<int:formula_id>/bakes")
@route(BakesOut, status=201, json=BakeIn)
def record(formula_id: int) -> Response:
    """Record the water that really went into a bake of the formula as given."""
    given = body(BakeIn)
    content = content_of(given.content)
    row = _row(formula_id, content, given)
    with store().writing() as session:
        get_formula(session, formula_id)
        add_bake(session, row)
    return answer(_bakes(formula_id), 201)


def _row(formula_id: int, content: Content, given: BakeIn) -> BakeRow:
    found = judged(content)
    predicted = found.prediction.typical_pct
    use = rules().uses.get(content.formula.use or "")
    if predicted is None or use is None:
        raise BadInputError("no water is predicted for this formula", right=found.prediction.say or "choose a use")
    a = found.analysis
    actual = poured_pct(a, given.poured_g)
    key = content.pinned.key if content.pinned else ""
    on = _day(given.baked_on)
    check_bake(Bake(predicted, actual, key, use.family, on))
    return BakeRow(
        formula_id=formula_id,
        blend=key,
        use=use.slug,
        family=use.family,
        baked_on=on,
        flour_g=a.flour_g,
        poured_g=given.poured_g,
        actual_pct=actual,
        predicted_pct=predicted,
        note=given.note.strip(),
        created_at=now_text(),
    )


def _day(given: str | None) -> str:
    if given is None:
        return today().isoformat()
    try:
        return date.fromisoformat(given).isoformat()
    except ValueError as error:
        raise BadInputError(f"the day {shown(given)}", place="/baked_on", right="give it as 2026-03-14") from error


@routes.put("/formulas/<int:formula_id>/bakes/<int:bake_id>")
@route(BakesOut, json=WithdrawIn)
def withdraw(formula_id: int, bake_id: int) -> Response:
    """Set a bake aside, so that nothing is learnt from it, or take it back into account."""
    given = body(WithdrawIn)
    with store().writing() as session:
        withdraw_bake(session, formula_id, bake_id, given.withdrawn)
    return answer(_bakes(formula_id))


def _bakes(formula_id: int) -> BakesOut:
    with store().reading() as session:
        rows = bakes_of_formula(session, formula_id)
        content = content_in(get_formula_draft(session, formula_id).content)
    _, kitchen = kitchen_now(content)
    use = rules().uses.get(content.formula.use or "")
    family = use.family if use else ""
    learnt = learn(kitchen.bakes, kitchen.blend, family)
    items = [BakeOut(**{name: getattr(r, name) for name in BakeOut.model_fields}) for r in rows]
    return BakesOut(items=items, steps=_steps(content, rows, kitchen.bakes, kitchen.blend, family), learnt=list(learnt))


def _steps(
    content: Content, rows: Sequence[BakeRow], bakes: Sequence[Bake], blend: str, family: str
) -> list[LearningStep]:
    """How the range for the formula as it stands narrowed, bake by bake of its blend, on what was known that day."""
    if not content.formula.lines:
        return []
    prediction = judged(content).prediction
    own = [bake_of(r) for r in rows if not r.withdrawn and r.blend == blend]
    others = [b for b in bakes if b.blend != blend]
    steps = []
    for count in range(len(own) + 1):
        on = own[count - 1].on if count else ""
        known = [*own[:count], *(b for b in others if count == 0 or b.on <= on)]
        found = correct(prediction, learn(known if count else [], blend, family))
        if found is None:
            return []
        steps.append(
            LearningStep(
                bakes=count,
                baked_on=on,
                low_pct=found.low_pct,
                typical_pct=found.typical_pct,
                high_pct=found.high_pct,
                actual_pct=own[count - 1].actual_pct if count else None,
            )
        )
    return steps
