"""What a mix is good for: judged for every use at once, the uses in order of fit, each with what holds it."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import amounts
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.uses.fit import ForUse, called, rows_of, standing_of
from fallow_sieve.core.blends.uses.use import Use
from fallow_sieve.core.values import Status

_ORDER = (Status.PASS, Status.CLOSE, Status.HELD, Status.UNKNOWN)
_NAMED = 3


@dataclass(frozen=True, slots=True)
class GoodFor:
    """A mix for all uses, the best first, and in one sentence."""

    uses: tuple[ForUse, ...]
    say: str


def good_for(analysis: Analysis, uses: Iterable[Use]) -> GoodFor:
    """Return how a mix stands for each of `uses`, those that nothing holds first, by fit; what is short in its unit."""
    in_bag = amounts(analysis.parts)
    each = (_for_use(use, analysis, in_bag) for use in uses)
    found = sorted(each, key=lambda f: (_ORDER.index(f.status), -(f.score or 0.0)))
    return GoodFor(tuple(found), _sentence(found))


def _for_use(use: Use, analysis: Analysis, in_bag: Mapping[str, float]) -> ForUse:
    """As `fit_alone` judges it, but for the chances: they are not asked for thirty uses at a move of the hand."""
    rows = [(b, e.typical) for b, e in rows_of(use, analysis, in_bag)[1] if e.is_known and e.typical is not None]
    return standing_of(use, rows)


def _sentence(found: Sequence[ForUse]) -> str:
    """The best three by name, and what holds it for the rest."""
    best = [f.name for f in found if f.status is Status.PASS] or [f.name for f in found if f.status is Status.CLOSE]
    if not best:
        return "Something holds it for every use."
    more = f" and {len(best) - _NAMED} more" if len(best) > _NAMED else ""
    return f"Good for {_listed([called(b) for b in best[:_NAMED]], more)}{_held(found)}."


def _listed(names: Sequence[str], more: str) -> str:
    if more or len(names) < 2:
        return ", ".join(names) + more
    return ", ".join(names[:-1]) + f" and {names[-1]}"


def _held(found: Sequence[ForUse]) -> str:
    held = [f for f in found if f.status is Status.HELD]
    if not held:
        return ""
    by = max({f.metric for f in held}, key=lambda m: (sum(f.metric == m for f in held), m))
    of = sum(f.metric == by for f in held)
    return f"; held for {of} {'use' if of == 1 else 'uses'} by {METRICS[by].label.lower()}"
