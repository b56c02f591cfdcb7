"""A blend and a brief in one line each: how they stand, and what comes next."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, Literal

from sqlmodel import Session

from fallow_sieve.api.http import store, today
from fallow_sieve.api.requests import LimitsIn
from fallow_sieve.api.responses import BlendHead, BlendSummary, BriefOut, BriefSummary, LayerOut, PartOut
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.fit import BandChange
from fallow_sieve.core.blends.judgement import Judgement, Setting, judge
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.briefs.brief import BlendState, progress, wishes
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.bands import Status
from fallow_sieve.core.values.quantities import CupStandard
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.blends import get_draft, parts_in, revisions_of
from fallow_sieve.store.kitchens import kitchen_of
from fallow_sieve.store.tables import BlendRow, BriefRow, DraftRow, RevisionRow

State = Literal["empty", "held", "close", "passes", "unjudged"]


def limits_of(stored: dict[str, Any]) -> Limits:
    """Return a brief's stored limits as the core's."""
    given = LimitsIn.model_validate(stored)
    return Limits(
        exclude_allergens=tuple(given.exclude_allergens),
        exclude=tuple(given.exclude),
        price_cap_per_kg=given.price_cap_per_kg,
        max_bins=given.max_bins,
        gluten_cap_mg_per_kg=given.gluten_cap_mg_per_kg,
        bands=tuple(BandChange(**b.model_dump()) for b in given.bands),
    )


def judge_parts(parts: Sequence[Part], use: str | None, brief_id: int | None) -> Judgement:
    """Return the judgement of `parts` for a use, within a brief's limits where there is one."""
    standing = store().standing(brief_id)
    limits = limits_of(standing.limits) if standing.limits is not None else Limits()
    setting = Setting(CupStandard(standing.cup), standing.store_temp_c, standing.currency, limits)
    found = rules().uses.get(use) if use else None
    return judge(Blend(tuple(parts), use=use), store().shelf_now(standing, today()), found, rules(), setting)


def part_out(part: Part) -> PartOut:
    """Return a part as the API gives it."""
    return PartOut(ingredient=part.ingredient, mass_g=part.mass_g, locked=part.locked, lot_id=part.lot_id)


def blend_head(row: BlendRow) -> BlendHead:
    """Return a blend without its parts."""
    return BlendHead(**{name: getattr(row, name) for name in BlendHead.model_fields})


def blend_summary(session: Session, row: BlendRow) -> BlendSummary:
    """Return how the draft of a blend stands."""
    assert row.id is not None
    draft, revisions = get_draft(session, row.id), revisions_of(session, row.id)
    kept = _is_kept(draft, revisions)
    head = blend_head(row)
    if not draft.parts:
        return BlendSummary(
            blend=head,
            state="empty",
            say="Nothing in it yet.",
            score=None,
            cost_per_kg=None,
            layers=[],
            revisions=len(revisions),
            kept=False,
        )
    judgement = judge_parts(parts_in(draft.parts), row.use, row.brief_id)
    cost = judgement.analysis.cost_per_kg
    return BlendSummary(
        blend=head,
        state=_state(judgement),
        say=judgement.say,
        score=judgement.fit.score if judgement.fit else None,
        cost_per_kg=cost.typical if cost.is_known else None,
        layers=[LayerOut(ingredient=p.ingredient, role=p.role, mix_pct=p.mix_pct) for p in judgement.analysis.parts],
        revisions=len(revisions),
        kept=kept,
    )


def _is_kept(draft: DraftRow, revisions: Sequence[RevisionRow]) -> bool:
    return any(_bare(r.parts) == _bare(draft.parts) for r in revisions)


def _bare(parts: Sequence[dict[str, Any]]) -> list[tuple[str, float, int]]:
    return sorted((p["ingredient"], p["mass_g"], p.get("lot_id") or 0) for p in parts)


def _state(judgement: Judgement) -> State:
    if judgement.fit is None:
        return "unjudged"
    if judgement.is_held:
        return "held"
    return "close" if judgement.fit.count(Status.CLOSE) else "passes"


def brief_out(row: BriefRow) -> BriefOut:
    """Return a brief as stored."""
    return BriefOut(**{name: getattr(row, name) for name in BriefOut.model_fields})


def brief_summary(session: Session, row: BriefRow, blends: Sequence[BlendRow], shelf: Shelf) -> BriefSummary:
    """Return a brief with its limits in words, its state, the next step and its blends."""
    summaries = [blend_summary(session, b) for b in blends]
    state = progress([BlendState(s.blend.id, s.blend.name, s.state, s.score, s.kept) for s in summaries])
    names = {i.slug: i.name for i in shelf.ingredients}
    use = rules().uses.get(row.use)
    return BriefSummary(
        brief=brief_out(row),
        use_name=use.name if use else row.use,
        wishes=list(wishes(limits_of(row.limits), names, kitchen_of(session).currency)),
        say=state.say,
        next_step=state.next_step,
        next_action=state.action,
        next_blend=state.blend_id,
        blends=summaries,
    )
