"""What a mix is good for: judged for every use at once, the uses in order of fit, each with what holds it."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import amounts
from fallow_sieve.core.blends.fit import Use, UseBand, rows_of, score_of
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.values import WORST_FIRST, Status

_ORDER = (Status.PASS, Status.CLOSE, Status.HELD, Status.UNKNOWN)
_NAMED = 3


@dataclass(frozen=True, slots=True)
class ForUse:
    """How a mix stands for one use: its fit 0–100 (None: nothing can be judged), status, and the worst row in words."""

    use: str
    name: str
    score: float | None
    status: Status
    metric: str
    say: str


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
    """As `fit_to` judges it, but for the chances: they are not asked for thirty uses at a move of the hand."""
    rows = [(b, e.typical) for b, e in rows_of(use, analysis, in_bag)[1] if e.is_known and e.typical is not None]
    score = score_of([(band.desirability(value), band.weight) for band, value in rows])
    if score is None:
        return ForUse(use.slug, use.name, None, Status.UNKNOWN, "", "nothing can be judged")
    band, value = max(rows, key=lambda r: (WORST_FIRST[::-1].index(r[0].status(r[1])), 1 - r[0].desirability(r[1])))
    status = band.status(value)
    return ForUse(use.slug, use.name, score, status, band.metric, _off(band, value, status))


def _off(band: UseBand, value: float, status: Status) -> str:
    """The row that stands worst, by how much: "sticky share 12 % of flour over"."""
    if status is Status.PASS:
        return "nothing holds it"
    metric, distance = METRICS[band.metric], band.distance(value)
    side = "short" if distance < 0 else "over"
    return f"{metric.label.lower()} {abs(distance):.{metric.decimals}f} {metric.unit} {side}"


def _sentence(found: Sequence[ForUse]) -> str:
    """The best three by name, and what holds it for the rest."""
    best = [f.name for f in found if f.status is Status.PASS] or [f.name for f in found if f.status is Status.CLOSE]
    if not best:
        return "Something holds it for every use."
    more = f" and {len(best) - _NAMED} more" if len(best) > _NAMED else ""
    return f"Good for {_listed([_called(b) for b in best[:_NAMED]], more)}{_held(found)}."


def _called(use: str) -> str:
    """A use in a list: "Hearth loaf, sourdough or yeasted" is a hearth loaf."""
    name = short_name(use)
    return name[0].lower() + name[1:]


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
