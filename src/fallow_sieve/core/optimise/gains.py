"""What a proposal gives and what it gives up, against another blend, in one line."""

from __future__ import annotations

from collections.abc import Collection, Iterator
from dataclasses import dataclass

from fallow_sieve.core.blends import Analysis


@dataclass(frozen=True, slots=True)
class _Telling:
    """A metric worth telling: its words for more and for less, from how much on, and whether more is welcome."""

    metric: str
    more: str
    less: str
    least: float
    decimals: int
    welcome: bool


_TOLD = (
    _Telling("fibre_pct", "{} g more fibre", "{} g less fibre", 0.15, 1, True),
    _Telling("protein_pct", "{} g more protein", "{} g less protein", 0.15, 1, True),
    _Telling("flavour_index", "stronger in flavour by {} of 5", "milder by {} of 5", 0.15, 1, False),
    _Telling("lightness_l", "lighter by {} L*", "darker by {} L*", 1.0, 0, True),
)


def gives_and_gives_up(
    mine: Analysis, other: Analysis, stocked: Collection[str], currency: str = ""
) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Return what `mine` gives against `other`, and what it gives up, in words; nutrients per 100 g of mix.

    `stocked` are the slugs in the bins (empty: stock is not kept, so nothing is said of it).
    """
    told = [*_cost(mine, other, currency), *_metrics(mine, other), *_bins(mine, other), *_to_buy(mine, stocked)]
    return tuple(s for good, s in told if good), tuple(s for good, s in told if not good)


def _cost(mine: Analysis, other: Analysis, currency: str) -> Iterator[tuple[bool, str]]:
    a, b = mine.cost_per_kg, other.cost_per_kg
    if (
        a.is_known
        and b.is_known
        and a.typical is not None
        and b.typical is not None
        and abs(a.typical - b.typical) > 5e-3
    ):
        word = "cheaper" if a.typical < b.typical else "dearer"
        money = f" {currency}" if currency else ""
        yield a.typical < b.typical, f"{abs(a.typical - b.typical):.2f}{money} per kg {word}"


def _metrics(mine: Analysis, other: Analysis) -> Iterator[tuple[bool, str]]:
    for t in _TOLD:
        a, b = mine.metrics[t.metric].typical, other.metrics[t.metric].typical
        if a is not None and b is not None and abs(a - b) >= t.least:
            words = t.more if a > b else t.less
            yield (a > b) is t.welcome, words.format(f"{abs(a - b):.{t.decimals}f}")


def _bins(mine: Analysis, other: Analysis) -> Iterator[tuple[bool, str]]:
    count = [sum(p.in_flour_base for p in x.parts) for x in (mine, other)]
    more = count[0] - count[1]
    if more:
        yield more < 0, f"{abs(more)} bin{'' if abs(more) == 1 else 's'} {'more' if more > 0 else 'fewer'}"


def _to_buy(mine: Analysis, stocked: Collection[str]) -> Iterator[tuple[bool, str]]:
    missing = [p.name.lower() for p in mine.parts if p.ingredient not in stocked]
    if stocked and missing:
        yield False, f"needs {', '.join(missing)}, which you do not stock"
