"""What a mix is for: a use with its bands, or several uses at once."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.mix_class import MixClass
from fallow_sieve.core.values import BadInputError, Band, Status, UnknownNameError

MOST_WEIGHT = 10.0


@dataclass(frozen=True, slots=True)
class UseBand(Band):
    """A band of a use on one metric, in its unit; weight ≥ 0, and from where it is.

    A side that does not hold has no bake on record that fails there: beyond it a mix is close, never held. `why` says
    what fails beyond the side that does; `mixes` how many mixes it was made from.
    """

    metric: str
    weight: float = 1.0
    basis: str = "rule of thumb"
    holds_low: bool = True
    holds_high: bool = True
    mixes: int = 0
    why: str = ""

    def __post_init__(self) -> None:
        if self.metric not in METRICS:
            raise UnknownNameError("metric", self.metric, METRICS)
        try:
            Band.__post_init__(self)
        except BadInputError as error:
            raise BadInputError(f"{self.metric}: {error.wrong}", right=error.right) from error
        if not (math.isfinite(self.weight) and self.weight >= 0):
            raise BadInputError(f"a weight of {self.weight!r}", right="it must be 0 or more")

    def status(self, value: float) -> Status:
        """Return how `value` stands; beyond a side that does not hold it is close."""
        found = Band.status(self, value)
        holds = self.holds_low if value < self.good_low else self.holds_high
        return Status.CLOSE if found is Status.HELD and not holds else found


@dataclass(frozen=True, slots=True)
class UsualRange:
    """Where the mixes on record for a use lie on a number that is not judged: the middle 80 %, and how many mixes."""

    metric: str
    low: float
    high: float
    mixes: int


@dataclass(frozen=True, slots=True)
class Use:
    """What a mix is for: slug, name, family (yeasted, batter, short, sheet, other), moisture and its bands.

    `classes` are the bands of mixes that are another kind of bake (see `mix_class`), `bag` those of what lies in the
    bag beside flour, `nutrition` where its mixes lie on what is not judged, `doses` the usual dose of each binder (% of
    flour base), `needs_binder` whether a dough for it falls apart that neither binder, egg, scald nor ferment carries,
    `familiar` the share of its mixes on record (0–1) that hold a flour, `usual_most` how much of one practice goes to
    there (% of flour base). `together` names all uses of a mix that is for several, this one among them.
    """

    slug: str
    name: str
    family: str
    moisture: str
    bands: tuple[UseBand, ...]
    classes: Mapping[MixClass, tuple[UseBand, ...]] = field(default_factory=dict)
    bag: tuple[UseBand, ...] = ()
    nutrition: tuple[UsualRange, ...] = ()
    doses: Mapping[str, float] = field(default_factory=dict)
    needs_binder: bool = False
    familiar: Mapping[str, float] = field(default_factory=dict)
    usual_most: Mapping[str, float] = field(default_factory=dict)
    together: tuple[WeighedUse, ...] = ()

    def __hash__(self) -> int:
        return hash(self.slug)  # few have the same, and a hash of every band is slow at each move of a hand

    @property
    def weighed(self) -> tuple[WeighedUse, ...]:
        """All that a mix for it is for: this use alone, or each of several."""
        return self.together or (WeighedUse(self),)

    @property
    def all_bands(self) -> tuple[UseBand, ...]:
        """The bands of all that a mix for it is for."""
        return tuple(b for w in self.weighed for b in w.use.bands)

    def most_of(self, slug: str, usual_max_pct: float | None) -> float | None:
        """Return the usual most of a flour for this use, % of flour base: its own, or what practice goes to here."""
        if usual_max_pct is None or self.made_of_one_part:
            return None
        return max(usual_max_pct, self.usual_most.get(slug, 0.0))

    @property
    def made_of_one_part(self) -> bool:
        """Whether a blend for it is commonly one part only, so that the usual most does not apply."""
        return self.family == "other"


@dataclass(frozen=True, slots=True)
class WeighedUse:
    """One of several uses of a mix; the weight counts among those that are not the worst."""

    use: Use
    weight: float = 1.0


@dataclass(frozen=True, slots=True)
class NamedUse:
    """One of the uses that a brief names, with its weight among them."""

    use: str
    weight: float = 1.0


def together(uses: Sequence[WeighedUse]) -> Use:
    """Return the first of `uses` as the use of a mix that is for all of them."""
    return replace(uses[0].use, together=tuple(uses)) if len(uses) > 1 else uses[0].use


def rule_of_use(
    uses: Mapping[str, Use], slug: str, place: str = "/use", named: Sequence[NamedUse] = (), places: str = "/uses"
) -> Use:
    """Return the use named `slug`, with all that are `named` beside it where it is one of them.

    Raises BadInputError at `place` or `places`, an UnknownNameError with the nearest names.
    """
    if slug not in uses:
        raise UnknownNameError("use", slug, uses, place=place)
    if slug not in [n.use for n in named]:
        return uses[slug]
    for n, one in enumerate(named):
        if one.use not in uses:
            raise UnknownNameError("use", one.use, uses, place=f"{places}/{n}/use")
    check_named(named, places)
    return together([WeighedUse(uses[n.use], n.weight) for n in sorted(named, key=lambda n: n.use != slug)])


def check_named(named: Sequence[NamedUse], place: str) -> None:
    """Raise BadInputError unless each of several uses is named once, with a weight that makes sense."""
    for n, one in enumerate(named):
        if not (math.isfinite(one.weight) and 0 < one.weight <= MOST_WEIGHT):
            right = f"it must be over 0, at most {MOST_WEIGHT:g}"
            raise BadInputError(f"a weight of {one.weight:g}", place=f"{place}/{n}/weight", right=right)
        if one.use in [u.use for u in named[:n]]:
            raise BadInputError(f"{one.use!r} stands twice", place=f"{place}/{n}/use", right="name each use once")
