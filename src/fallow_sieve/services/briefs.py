"""Briefs at work: checked, and each with its limits in words, its state, the next step, and its blends."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.blends import Limits, with_changes
from fallow_sieve.core.briefs import BlendState, Progress, progress, wishes
from fallow_sieve.core.ingredients import Shelf, short_name
from fallow_sieve.reference import rules
from fallow_sieve.services.blends.kept import Effort, standings
from fallow_sieve.services.blends.standing import BlendStanding
from fallow_sieve.services.kitchen import KitchenNow, use_within
from fallow_sieve.store import Brief, Head, blends_of_brief

BLENDS_SHOWN = 5
JUDGED_AT_ONCE = 80  # blends judged anew before a page is answered; the rest is looked at behind it


@dataclass(frozen=True, slots=True)
class BlendOfBrief:
    """A blend of a brief, and how it stands."""

    head: Head
    standing: BlendStanding


@dataclass(frozen=True, slots=True)
class BriefStanding:
    """A brief with its use's name, its limits in words, how far it is, and its newest blends with theirs.

    `more` blends are not among these; `unseen` were not judged yet, and count neither way.
    """

    brief: Brief
    use_name: str
    wishes: tuple[str, ...]
    progress: Progress
    blends: tuple[BlendOfBrief, ...]
    more: int
    unseen: int


def check_brief(use: str, limits: Limits, shelf: Shelf) -> None:
    """Raise BadInputError naming the place unless use, bands and excluded ingredients of a brief are known."""
    found = use_within(use, limits)
    assert found is not None  # a brief has a use
    with_changes(found, limits.bands)
    for n, slug in enumerate(limits.exclude):
        shelf.row(slug, f"/limits/exclude/{n}")


def standing_of_brief(session: Session, brief: Brief, kitchen: KitchenNow, effort: Effort) -> BriefStanding:
    """Return how `brief` stands in `kitchen`, whose limits are the brief's, judging anew what `effort` allows."""
    every = blends_of_brief(session, brief.id)
    found = standings(session, every, kitchen, effort)
    known = [BlendOfBrief(b.head, found[b.head.id]) for b in every if b.head.id in found]
    shown = known[-BLENDS_SHOWN:]
    names = {slug: kitchen.shelf[slug].name for slug in brief.limits.exclude if slug in kitchen.shelf}
    return BriefStanding(
        brief=brief,
        use_name=_use_name(brief),
        wishes=wishes(brief.limits, names, kitchen.currency),
        progress=progress([_state(b) for b in known], len(every) - len(known)),
        blends=tuple(shown),
        more=len(every) - len(shown),
        unseen=len(every) - len(known),
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
