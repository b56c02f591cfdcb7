"""What `propose --json` and `mend --json` print: stable documents, made from the core's values."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import Field

from fallow_sieve.core.optimise import Bags, Conflict, Explained, Mend, Mending, Problem, Proposal, Skipped, slack_of
from fallow_sieve.core.values import Value
from fallow_sieve.formats.shared import EstimateOut, Out

_DECIMALS = 10
PROVEN = 1e-6


class ShareOut(Out):
    """An ingredient and its share, % of flour base."""

    ingredient: str
    share_pct: float


class BinderDoseOut(Out):
    """A binder and its dose, % of flour base; `in_mix` False where it is kept apart."""

    binder: str
    dose_pct: float
    in_mix: bool


class BindingOut(Out):
    """A limit that binds: one unit more of it changes the aim's number by `marginal`, in `unit`."""

    limit: str
    side: str
    marginal: float
    unit: str


class BagsOut(Out):
    """Of 100 bags, with how many the blend passes every sieve, gets through all; the sieve that fails most often."""

    passes_pct: float
    through_pct: float
    weakest: str
    draws: int


class ProposalOut(Out):
    """A proposal: shares sum to 100 % of flour base; `value` is what the aim seeks, `gap` 0 where it is proven best."""

    aim: str
    parts: list[ShareOut]
    binder: list[BinderDoseOut]
    fit: float
    margin: float
    value: float
    unit: str
    cost_per_kg: float | None
    metrics: dict[str, EstimateOut]
    binding: list[BindingOut]
    over_usual_most: list[str]
    bags: BagsOut
    gap: float


class ConflictOut(Out):
    """Limits that cannot hold together; what each would have to give at least, all others kept."""

    limits: list[str]
    say: str
    gives: dict[str, float]


class SkippedOut(Out):
    """An aim without a proposal, and why."""

    aim: str
    why: str


class ProposalsOut(Out):
    """The answer to a brief: `optimal`, `stopped` (at a gap, or with none), `least-bad`, `infeasible` or `skipped`."""

    status: str
    proposals: list[ProposalOut]
    conflicts: list[ConflictOut]
    skipped: list[SkippedOut] = Field(default_factory=list)
    notes: list[str] = Field(default_factory=list)
    step_pct: float
    fit_slack: float


class ChangeOut(Out):
    """A part's share before and after, % of flour base."""

    ingredient: str
    from_pct: float
    to_pct: float


class MendingOut(Out):
    """A way to mend: parts handled, mass moved (% of flour), the changes, the fit after; whether every sieve passes."""

    touched: int
    moved_pct: float
    changes: list[ChangeOut]
    fit: float
    passes: bool


class MendOut(Out):
    """The ways to mend a blend, or the sieves that no small change can satisfy."""

    status: str
    options: list[MendingOut]
    beyond: list[str] = Field(default_factory=list)


def proposal_document(problem: Problem, worked: Worked) -> ProposalOut:
    """Return a proposal as it is written."""
    p, explained, bags = worked.proposal, worked.explained, worked.bags
    metrics = {
        name: EstimateOut(typical=_tidy(e.typical), low=_tidy(e.low), high=_tidy(e.high))
        for name, e in p.analysis.metrics.items()
    }
    return ProposalOut(
        aim=str(p.aim),
        parts=[ShareOut(ingredient=s, share_pct=round(x, _DECIMALS)) for s, x in p.parts],
        binder=[
            BinderDoseOut(binder=b.slug, dose_pct=dose, in_mix=not problem.wishes.binder_apart)
            for b, dose in problem.binders
        ],
        fit=round(p.score, _DECIMALS),
        margin=round(p.margin, _DECIMALS),
        value=round(p.value, _DECIMALS),
        unit=p.unit,
        cost_per_kg=_tidy(p.analysis.cost_per_kg.typical) if p.analysis.cost_per_kg.is_known else None,
        metrics=metrics,
        binding=[
            BindingOut(limit=b.limit, side=b.side, marginal=round(b.marginal, _DECIMALS), unit=b.unit)
            for b in explained.binding
        ],
        over_usual_most=list(p.over_usual),
        bags=BagsOut(passes_pct=bags.passes_pct, through_pct=bags.through_pct, weakest=bags.weakest, draws=bags.draws),
        gap=p.gap,
    )


def conflict_document(conflict: Conflict) -> ConflictOut:
    """Return a clash as it is written."""
    gives = {g.limit: round(g.by, _DECIMALS) for g in conflict.gives}
    return ConflictOut(limits=list(conflict.names), say=conflict.say, gives=gives)


def skipped_document(skipped: Skipped) -> SkippedOut:
    """Return an aim without a proposal as it is written."""
    return SkippedOut(aim=str(skipped.aim), why=skipped.why)


def mend_document(found: Mend, *, is_fine: bool) -> MendOut:
    """Return the ways to mend as they are written; `is_fine` where the blend passes as it is."""
    status = "fine" if is_fine else ("mended" if found.options else "beyond")
    return MendOut(status=status, options=[mending_out(m) for m in found.options], beyond=list(found.beyond))


def mending_out(m: Mending) -> MendingOut:
    """Return one way to mend as it is written."""
    changes = [ChangeOut(ingredient=c.what, from_pct=_share(c.before), to_pct=_share(c.after)) for c in m.changes]
    return MendingOut(
        touched=m.touched,
        moved_pct=round(m.moved_pct, 6),
        changes=changes,
        fit=round(m.fit.score or 0.0, _DECIMALS),
        passes=m.passes,
    )


def _share(value: Value) -> float:
    return round(value, 6) if isinstance(value, float) else 0.0


def _tidy(value: float | None) -> float | None:
    return None if value is None else round(value, _DECIMALS)


def status_of(results: Sequence[Proposal | Skipped | Conflict], least_bad: bool) -> str:
    """Return the status of an answer: without a proposal, `infeasible` only where a clash was proven."""
    proposals = [r for r in results if isinstance(r, Proposal)]
    if proposals:
        proven = all(p.gap <= PROVEN for p in proposals)
        return "least-bad" if least_bad and not proposals[0].score else ("optimal" if proven else "stopped")
    if any(isinstance(r, Conflict) for r in results):
        return "infeasible"
    return "skipped" if results else "stopped"


@dataclass(frozen=True, slots=True)
class Worked:
    """A proposal with what binds it, and with how many of 100 bags it passes."""

    proposal: Proposal
    explained: Explained
    bags: Bags


def proposals_document(problem: Problem, found: Sequence[Worked | Skipped | Conflict]) -> ProposalsOut:
    """Return everything that a search found as it is written."""
    proposals = [w.proposal for w in found if isinstance(w, Worked)]
    results = [w.proposal if isinstance(w, Worked) else w for w in found]
    return ProposalsOut(
        status=status_of(results, problem.wishes.least_bad),
        proposals=[proposal_document(problem, w) for w in found if isinstance(w, Worked)],
        conflicts=[conflict_document(r) for r in found if isinstance(r, Conflict)],
        skipped=[skipped_document(r) for r in found if isinstance(r, Skipped)],
        notes=list(problem.notes),
        step_pct=problem.wishes.step,
        fit_slack=slack_of(problem, proposals),
    )
