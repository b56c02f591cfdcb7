"""Briefs at work: checked, and each with its limits in words, its state, the next step, and its blends."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.blends import Limits, with_changes
from fallow_sieve.core.briefs import BlendState, Progress, progress, wishes
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.reference import rules
from fallow_sieve.services.blends.standing import BlendStanding, blend_standing
from fallow_sieve.services.kitchen import KitchenNow, use_within
from fallow_sieve.store import BLENDS, Brief, Head

BLENDS_SHOWN = 50


@dataclass(frozen=True, slots=True)
class BlendOfBrief:
    """A blend of a brief, and how it stands."""

    head: Head
    standing: BlendStanding


@dataclass(frozen=True, slots=True)
class BriefStanding:
    """A brief with its use's name, its limits in words, how far it is, and its blends with theirs."""

    brief: Brief
    use_name: str
    wishes: tuple[str, ...]
    progress: Progress
    blends: tuple[BlendOfBrief, ...]


def check_brief(use: str, limits: Limits, shelf: Shelf) -> None:
    """Raise BadInputError naming the place unless use, bands and excluded ingredients of a brief are known."""
    found = use_within(use, limits)
    assert found is not None  # a brief has a use
    with_changes(found, limits.bands)
    for n, slug in enumerate(limits.exclude):
        shelf.row(slug, f"/limits/exclude/{n}")


def standing_of_brief(session: Session, brief: Brief, kitchen: KitchenNow) -> BriefStanding:
    """Return how `brief` stands in `kitchen`, whose limits are the brief's."""
    heads = BLENDS.page(session, brief.id, 0, BLENDS_SHOWN)
    blends = tuple(BlendOfBrief(head, blend_standing(session, head, kitchen)) for head in heads)
    names = {i.slug: i.name for i in kitchen.shelf.ingredients}
    return BriefStanding(
        brief=brief,
        use_name=_use_name(brief),
        wishes=wishes(brief.limits, names, kitchen.currency),
        progress=progress([_state(b) for b in blends]),
        blends=blends,
    )


def _use_name(brief: Brief) -> str:
    """The name of what it is for, or the names of several uses, the heaviest first."""
    names = {u.slug: u.name for u in rules().uses.values()}
    named = sorted(brief.limits.uses, key=lambda n: -n.weight)
    if len(named) < 2:
        return names.get(brief.use, brief.use)
    return ", ".join(short_name(names.get(n.use, n.use)) for n in named)


def _state(b: BlendOfBrief) -> BlendState:
    return BlendState(b.head.id, b.head.name, b.standing.state, b.standing.score, b.standing.kept)
