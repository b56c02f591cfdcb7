"""A mix like a bought one, from a kitchen's own bins."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.blends import Analysis, Blend, Judgement, Limits, Part, analyse
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.optimise import Likeness, Wishes, blend_of, most_alike
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.blends.asking import posed
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.kitchen import KitchenNow, use_within

MIX_G = 1000.0
CHEAPER = 0.85  # of what the bag's own parts would cost


@dataclass(frozen=True, slots=True)
class LikeIt:
    """A mix like another: its parts (g), how it stands, metric by metric how alike, and what could not be kept."""

    parts: tuple[Part, ...]
    judgement: Judgement
    likeness: tuple[Likeness, ...]
    notes: tuple[str, ...]


def like_it(
    parts: Sequence[Part],
    use: str,
    kitchen: KitchenNow,
    effort: Effort,
    *,
    without: Sequence[str] = (),
    cheaper: bool = False,
) -> LikeIt:
    """Return the mix of the kitchen's bins most like `parts` (g) as judged for `use`, leaving out slugs of `without`.

    Raises BadInputError where there is nothing to choose from.
    """
    bag = Blend(tuple(p for p in parts if p.ingredient not in without), use=use)
    asked_use = use_within(use, kitchen.limits)
    assert asked_use is not None  # the search is for a use
    analysis = analyse(Blend(tuple(parts)), kitchen.shelf, kitchen.cup)
    limits = replace(kitchen.limits, exclude=(*kitchen.limits.exclude, *without))
    notes = []
    if cheaper:
        limits, said = _cheaper(limits, analysis)
        notes += said
    doses = {p.ingredient: p.flour_pct for p in analysis.parts if _is_dose(p.ingredient, kitchen) and p.flour_pct}
    wishes = Wishes(asked_use, limits, binder={s: d for s, d in doses.items() if s not in without})
    problem = posed(wishes, (), kitchen).problem
    wanted = {m: e.typical for m, e in analysis.metrics.items() if e.typical is not None and e.is_known}
    found = most_alike(problem, wanted, effort)
    if found is None:
        raise BadInputError(
            "no mix of what is in the bins can be made", place="/without", right="leave out less, or fill a bin"
        )
    if not found.within_limits:
        notes.append("The limits of the use could not all be kept: it is the most alike without them.")
    made = blend_of(problem, found.shares, MIX_G)
    return LikeIt(made.parts, judged_blend(replace(made, use=bag.use), kitchen), found.likeness, tuple(notes))


def _is_dose(slug: str, kitchen: KitchenNow) -> bool:
    return not kitchen.shelf[slug].in_flour_base


def _cheaper(limits: Limits, analysis: Analysis) -> tuple[Limits, list[str]]:
    cost = analysis.cost_per_kg
    if not cost.is_known or cost.typical is None:
        return limits, ["What the bag's parts cost is not known of all: cheaper could not be asked."]
    return replace(limits, price_cap_per_kg=CHEAPER * cost.typical), []
