"""How a kept blend stands, in one line: for lists, where each is judged as on its bench."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from sqlmodel import Session

from fallow_sieve.core.blends import Blend, Judgement
from fallow_sieve.core.values import Status
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import BLENDS, Head

State = Literal["empty", "held", "close", "passes", "unjudged"]


@dataclass(frozen=True, slots=True)
class Layer:
    """One layer of a small column: an ingredient, its role and % of the mix."""

    ingredient: str
    role: str
    mix_pct: float


@dataclass(frozen=True, slots=True)
class BlendStanding:
    """How the draft of a blend stands: its use, state, sentence, score, cost per kg, layers, and what is kept."""

    use: str | None
    state: State
    say: str
    score: float | None
    cost_per_kg: float | None
    layers: tuple[Layer, ...]
    revisions: int
    kept: bool


def blend_standing(session: Session, head: Head, kitchen: KitchenNow) -> BlendStanding:
    """Return how the draft of a blend stands in `kitchen`, whose limits are its brief's."""
    draft, revisions = BLENDS.draft(session, head.id).content, BLENDS.revisions(session, head.id)
    if not draft.parts:
        return BlendStanding(draft.use, "empty", "Nothing in it yet.", None, None, (), len(revisions), False)
    found = judged_blend(draft, kitchen)
    cost = found.analysis.cost_per_kg
    return BlendStanding(
        use=draft.use,
        state=_state(found),
        say=found.say,
        score=found.fit.score if found.fit else None,
        cost_per_kg=cost.typical if cost.is_known else None,
        layers=tuple(Layer(p.ingredient, str(p.role), round(p.mix_pct, 2)) for p in found.analysis.parts),
        revisions=len(revisions),
        kept=any(_bare(r.content) == _bare(draft) for r in revisions),
    )


def _bare(blend: Blend) -> list[tuple[str, float, int]]:
    return sorted((p.ingredient, p.mass_g, p.lot_id or 0) for p in blend.parts)


def _state(judgement: Judgement) -> State:
    if judgement.fit is None:
        return "unjudged"
    if judgement.is_held:
        return "held"
    return "close" if judgement.fit.count(Status.CLOSE) else "passes"
