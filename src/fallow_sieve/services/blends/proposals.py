"""The search for blends at work: wishes laid out, a problem posed on a kitchen, what is found made ready to show."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from fallow_sieve.core.blends import Analysis, BandResult, Part
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.numerics.programs import Array, Effort
from fallow_sieve.core.optimise import (
    AIM_LABELS,
    SEED,
    Aim,
    Bags,
    Binding,
    Conflict,
    Give,
    More,
    NoVariant,
    Proposal,
    Skipped,
    Slack,
    Variant,
    bags_of,
    blend_of,
    explain_proposal,
    front,
    front_between,
    gives_and_gives_up,
    judged,
    near_variants,
    prices_of_more,
    proposal_of,
    search,
)
from fallow_sieve.core.values import worst_first
from fallow_sieve.formats.briefs import Worked
from fallow_sieve.services.blends.asking import Posed

FLOUR_G = 1000.0  # of a proposal where nothing says how much


@dataclass(frozen=True, slots=True)
class ProposedPart:
    """A part of a proposal as the bench would have it (g), and its share in % of flour base."""

    ingredient: str
    mass_g: float
    locked: bool
    lot_id: int | None
    name: str
    role: str
    in_flour_base: bool
    share_pct: float


@dataclass(frozen=True, slots=True)
class Surety:
    """With how many of 100 bags it passes every sieve, gets through all, and which sieve fails most often."""

    passes_pct: float
    through_pct: float
    weakest: str


@dataclass(frozen=True, slots=True)
class ShownProposal:
    """A proposal as it is shown: parts in g, fit 0–100, what it gives and gives up, what binds it, its sieves.

    `value` is what the aim seeks, in `unit`; `gap` is 0 where proven best, where `not_looked_at` is over 0 among the
    other flours; `better_by` bounds what all of them could add (None: not known). `cost_per_kg` None where unknown.
    """

    aim: str
    label: str
    parts: tuple[ProposedPart, ...]
    score: float
    margin: float
    tightest: str
    value: float
    unit: str
    gap: float
    not_looked_at: int
    better_by: float | None
    cost_per_kg: float | None
    over_usual_most: tuple[str, ...]
    gives: tuple[str, ...]
    gives_up: tuple[str, ...]
    bags: Surety
    binding: tuple[Binding, ...]
    sieves: tuple[BandResult, ...]


@dataclass(frozen=True, slots=True)
class SkippedAim:
    """An aim without a proposal, and why."""

    aim: str
    label: str
    why: str


@dataclass(frozen=True, slots=True)
class ClashingLimit:
    """One of the limits that cannot hold together."""

    limit: str
    side: str
    say: str


@dataclass(frozen=True, slots=True)
class Clash:
    """Limits that cannot hold together, and the least that each would have to give."""

    say: str
    limits: tuple[ClashingLimit, ...]
    gives: tuple[Give, ...]


def shown_as_found(asked: Posed, effort: Effort) -> Iterator[ShownProposal | SkippedAim | Clash]:
    """Give one by one what a search finds, proposals set against the blend on the bench, or else the first one."""
    first = asked.now
    for found in search(asked.problem, asked.shelf, effort):
        if isinstance(found, Proposal):
            yield shown(asked, found, first)
            first = first or found.analysis
        else:
            yield _other(found)


def found_for(asked: Posed, effort: Effort) -> Iterator[Worked | Skipped | Conflict]:
    """Give one by one what a search finds, proposals with what binds them and how many bags they pass with."""
    for found in search(asked.problem, asked.shelf, effort):
        if isinstance(found, Proposal):
            explained = explain_proposal(asked.problem, found.aim, found.shares)
            yield Worked(found, explained, bags_for(found.analysis, asked))
        else:
            yield found


def _other(found: Skipped | Conflict) -> SkippedAim | Clash:
    if isinstance(found, Skipped):
        return SkippedAim(str(found.aim), AIM_LABELS[found.aim], found.why)
    limits = tuple(ClashingLimit(x.name, x.side, x.say) for x in found.limits)
    return Clash(found.say, limits, found.gives)


def shown(asked: Posed, p: Proposal, against: Analysis | None) -> ShownProposal:
    """Return a proposal as it is shown, set `against` another blend where there is one."""
    gives, up = _gains(asked, p, against)
    found = bags_for(p.analysis, asked)
    return ShownProposal(
        aim=str(p.aim),
        label=AIM_LABELS[p.aim],
        parts=_parts(asked, p.shares),
        score=p.score,
        margin=p.margin,
        tightest=p.tightest,
        value=p.value,
        unit=p.unit,
        gap=p.gap,
        not_looked_at=asked.problem.not_looked_at,
        better_by=p.better_by,
        cost_per_kg=p.analysis.cost_per_kg.typical if p.analysis.cost_per_kg.is_known else None,
        over_usual_most=p.over_usual,
        gives=gives,
        gives_up=up,
        bags=Surety(found.passes_pct, found.through_pct, found.weakest),
        binding=explain_proposal(asked.problem, p.aim, p.shares).binding,
        sieves=worst_first(p.fit.bands),
    )


def _gains(asked: Posed, p: Proposal, against: Analysis | None) -> tuple[tuple[str, ...], tuple[str, ...]]:
    if against is None:
        return (), ()
    stocked = frozenset(i.slug for i in asked.shelf.ingredients if i.stock_g > 0)  # binders in their jars too
    return gives_and_gives_up(p.analysis, against, stocked, asked.currency)


def bags_for(analysis: Analysis, asked: Posed) -> Bags:
    """Return with how many of 100 bags a blend passes, by draws that are the same every time."""
    problem = asked.problem
    rng = np.random.default_rng(SEED)
    return bags_of(analysis, asked.shelf, problem.wishes.bands_use, rng, cup=problem.mix.cup)


def _parts(asked: Posed, shares: Array) -> tuple[ProposedPart, ...]:
    bench, shelf = {p.ingredient: p for p in asked.bench}, asked.shelf
    flour_g = sum(p.mass_g for p in asked.bench if shelf[p.ingredient].in_flour_base)
    flour_g = flour_g or asked.problem.wishes.batch_g or FLOUR_G
    return tuple(_part(p, bench, shelf, flour_g) for p in blend_of(asked.problem, shares, flour_g).parts)


def _part(part: Part, bench: Mapping[str, Part], shelf: Shelf, flour_g: float) -> ProposedPart:
    """A part with the lock and lot that the bench has for it."""
    was, item = bench.get(part.ingredient), shelf[part.ingredient]
    return ProposedPart(
        part.ingredient,
        round(part.mass_g, 6),
        was.locked if was else False,
        was.lot_id if was else None,
        item.name,
        str(item.role),
        item.in_flour_base,
        100 * part.mass_g / flour_g,
    )


@dataclass(frozen=True, slots=True)
class FrontPoint(ShownProposal):
    """A blend on the front of two aims, `x` and `y` in their units."""

    x: float
    y: float


def shown_front(asked: Posed, x: Aim, y: Aim, effort: Effort) -> Iterator[FrontPoint]:
    """Give one by one the blends between the aims `x` and `y`. Raises BadInputError at once for a wrong pair."""
    for point in front(asked.problem, x, y, effort):
        made = shown(asked, proposal_of(asked.problem, asked.shelf, x, point.shares, point.gap), None)
        values = {name: getattr(made, name) for name in ShownProposal.__dataclass_fields__}
        yield FrontPoint(**values, x=point.x, y=point.y)


def shown_front_between(asked: Posed, use: str, effort: Effort) -> Iterator[FrontPoint]:
    """Give one by one the blends between the best for one `use` and the best for the others; x and y are fits.

    Raises BadInputError at once for a use that is none of several.
    """
    for point in front_between(asked.problem, use, effort):
        made = shown(asked, proposal_of(asked.problem, asked.shelf, Aim.NEAREST, point.shares, point.gap), None)
        values = {name: getattr(made, name) for name in ShownProposal.__dataclass_fields__}
        yield FrontPoint(**values, x=point.x, y=point.y)


@dataclass(frozen=True, slots=True)
class NearOne:
    """A kind of variant near a proposal: the blend, what it does and % of flour moved; or why there is none."""

    kind: str
    say: str
    moved_pct: float
    proposal: ShownProposal | None


def shown_near(asked: Posed, aim: Aim, shares_pct: Mapping[str, float], effort: Effort) -> tuple[NearOne, ...]:
    """Return the variants near a proposal, given by its shares (% of flour base), set against it."""
    shares = np.array([shares_pct.get(s, 0.0) for s in asked.problem.slugs])
    _, was = judged(asked.problem, asked.shelf, shares)
    return tuple(_near(asked, aim, found, was) for found in near_variants(asked.problem, shares, effort))


def _near(asked: Posed, aim: Aim, found: Variant | NoVariant, was: Analysis) -> NearOne:
    if isinstance(found, NoVariant):
        return NearOne(str(found.kind), found.why, 0.0, None)
    made = proposal_of(asked.problem, asked.shelf, aim, found.shares, found.gap)
    return NearOne(str(found.kind), found.say, found.moved_pct, shown(asked, made, was))


@dataclass(frozen=True, slots=True)
class PricesOfMore:
    """What one unit more of each usual metric costs, and how far the limits that do not bind are."""

    prices: tuple[More, ...]
    slack: tuple[Slack, ...]


def prices_near(asked: Posed, aim: Aim, shares_pct: Mapping[str, float]) -> PricesOfMore:
    """Return what a little more fibre, protein and the like would cost in a proposal, given by its shares."""
    shares = np.array([shares_pct.get(s, 0.0) for s in asked.problem.slugs])
    prices: Sequence[More] = prices_of_more(asked.problem, aim, shares)
    return PricesOfMore(tuple(prices), explain_proposal(asked.problem, aim, shares).slack)
