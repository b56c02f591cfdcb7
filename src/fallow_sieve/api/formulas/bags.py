"""Complete mixes over HTTP: all that is dry in a formula in one bag, and the way back. Nothing is stored."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.formula_content import FormulaContentIn, FormulaContentOut, content_out
from fallow_sieve.api.formulas.work_models import OnContentIn
from fallow_sieve.api.http import answer, body, kitchen
from fallow_sieve.api.models import In, Out
from fallow_sieve.api.spec import route
from fallow_sieve.core.blends import BagContents, Part
from fallow_sieve.core.formulas import Stays
from fallow_sieve.services.formulas.whole_bags import InBag, WaterToAdd, bagged, opened_bag
from fallow_sieve.services.formulas.working import check_settings

routes = Blueprint("whole_bags", __name__)


class WholeBagIn(In):
    """A formula to make a complete mix of; `dry_egg` puts egg into the bag as powder."""

    content: FormulaContentIn
    dry_egg: bool = False


class MixOut(Out):
    """What is in the mix, for its blend."""

    use: str | None
    parts: list[Part]


_SHOWN = ("name", "in_bag", "water", "stays", "notes", "is_as_before", "bag", "mix_say", "dough_say")


class WholeBagOut(Out):
    """A complete mix (see services.whole_bags.ShownBag), with the blend and the formula that it becomes."""

    name: str
    in_bag: list[InBag]
    water: WaterToAdd
    stays: list[Stays]
    notes: list[str]
    is_as_before: bool
    bag: BagContents
    mix_say: str
    dough_say: str
    blend: MixOut
    formula: FormulaContentOut


@routes.post("/whole-bags")
@route(WholeBagOut, json=WholeBagIn)
def make() -> Response:
    """Return the complete mix of a formula: what lies in 100 g of it, and what to add."""
    given = body(WholeBagIn)
    formula = given.content.formula
    check_settings(formula)
    found = bagged(formula, kitchen(), dry_egg=given.dry_egg)
    values = {n: getattr(found, n) for n in _SHOWN}
    blend = MixOut(use=found.blend.use, parts=list(found.blend.parts))
    return answer(WholeBagOut(**values, blend=blend, formula=content_out(found.formula)))


class OpenedBagOut(Out):
    """A formula with its bag taken apart; null where the bag holds nothing but flour and binder, or there is none."""

    content: FormulaContentOut | None


@routes.post("/opened-bags")
@route(OpenedBagOut, json=OnContentIn)
def take_apart() -> Response:
    """Return a formula with its bag taken apart: flours and binder stay the blend, the rest become lines."""
    formula = body(OnContentIn).content.formula
    check_settings(formula)
    found = opened_bag(formula, kitchen())
    return answer(OpenedBagOut(content=content_out(found) if found else None))
