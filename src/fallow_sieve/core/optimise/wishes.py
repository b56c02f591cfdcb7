"""What is asked of a proposal: a use with its bands, limits, locks, requirements, aims, binder and batch."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from fallow_sieve.core.blends import Limits, Use, with_changes
from fallow_sieve.core.ingredients import Diet, Ingredient, Role, Shelf
from fallow_sieve.core.values import BadInputError

MIN_SHARE_PCT = 5.0  # a flour that is used at all is at least so much of the flour base; rules of thumb
ACCENT_PCT = 3.0  # what is dark, bitter or strong may be less
_STRONG, _DARK_L = 3.0, 72.0
MOST_DOSE_PCT = 300.0  # sugar of a complete mix
FIT_SLACK = 1.0  # points of fit that an aim may give up where not everything can pass; rule of thumb


class Aim(StrEnum):
    """What is sought once a blend fits as well as it can (or nearly, by the slack)."""

    NEAREST = "nearest"
    CHEAPEST = "cheapest"
    MOST_FIBRE = "most-fibre"
    MOST_PROTEIN = "most-protein"
    FEWEST_BINS = "fewest-bins"
    MILDEST = "mildest"
    LIGHTEST = "lightest"
    FROM_STOCK = "from-stock"
    WHOLE_GRAIN = "whole-grain"
    LOW_CARBOHYDRATE = "low-carbohydrate"


AIM_LABELS: dict[Aim, str] = {
    Aim.NEAREST: "nearest the use",
    Aim.CHEAPEST: "cheapest",
    Aim.MOST_FIBRE: "most fibre",
    Aim.MOST_PROTEIN: "most protein",
    Aim.FEWEST_BINS: "fewest bins",
    Aim.MILDEST: "mildest",
    Aim.LIGHTEST: "lightest crumb",
    Aim.FROM_STOCK: "from stock",
    Aim.WHOLE_GRAIN: "whole grain",
    Aim.LOW_CARBOHYDRATE: "least carbohydrate",
}


@dataclass(frozen=True, slots=True)
class Share:
    """How much of an ingredient there must be, % of flour base."""

    min_pct: float = MIN_SHARE_PCT
    max_pct: float = 100.0


@dataclass(frozen=True, slots=True)
class Wishes:
    """A brief for the optimiser.

    `candidates` None means every flour of the shelf that may be used; `lock` and `require` are % of flour base;
    `binder` maps binders, and all else that is no flour, to doses, % of flour base, in the mix unless
    `binder_apart`. `step_pct` is the step of a
    share, % (0: none); `batch_g` the mass of the whole mix in g, at which stock must suffice. `robust` asks that hard
    limits hold at the 95 % end; `least_bad` for the least violation where hard limits cannot be met; `fit_slack` is
    points of fit (None: see `slack.slack_in_force`).
    """

    use: Use
    limits: Limits = field(default_factory=Limits)
    diets: tuple[Diet, ...] = ()
    candidates: tuple[str, ...] | None = None
    lock: Mapping[str, float] = field(default_factory=dict)
    require: Mapping[str, Share] = field(default_factory=dict)
    use_up: tuple[str, ...] = ()
    binder: Mapping[str, float] = field(default_factory=dict)
    binder_apart: bool = False
    step_pct: float = 1.0
    batch_g: float | None = None
    in_stock: bool = False
    allow_unknown_gluten: bool = False
    robust: bool = False
    least_bad: bool = False
    fit_slack: float | None = None
    aims: tuple[Aim, ...] = (Aim.NEAREST,)

    @property
    def bands_use(self) -> Use:
        """The use with the brief's own bands in place of its own, but those that its diets contradict."""
        barred = any(Role.WHOLE_GRAIN in d.without_roles for d in self.diets)
        return with_changes(self.use, [b for b in self.limits.bands if not (barred and b.metric in _OF_WHOLE_GRAIN)])

    @property
    def wants_supplements(self) -> bool:
        """Whether fibres and protein powders are asked for: by a band on either, as they are no flours."""
        wished = {b.metric for b in self.limits.bands if b.good_low or b.hard_low}
        return bool(wished & {"fibre_pct", "protein_pct"})

    @property
    def forced(self) -> frozenset[str]:
        """Slugs that a lock, a requirement or "using up" puts in the mix."""
        return frozenset({*(s for s, v in self.lock.items() if v > 0), *self.require, *self.use_up})

    @property
    def step(self) -> float:
        """The step in force, % of flour base: as asked, and no finer than 1 g at the batch size."""
        finest = 100.0 / self.batch_g if self.batch_g else 0.0
        return max(self.step_pct, finest) if self.step_pct > 0 else finest


_OF_WHOLE_GRAIN = ("whole_grain_share_pct",)


def is_supplement(item: Ingredient) -> bool:
    """Return whether `item` is a fibre or a protein powder: weighed in for its numbers, not as a flour."""
    return item.role in (Role.FIBRE, Role.PROTEIN)


def least_share_pct(item: Ingredient) -> float:
    """Return the least share of a flour that is used at all, % of flour base: 5, or 3 of an accent. A rule of thumb."""
    flavour, light = item.range_of("flavour_index"), item.range_of("lightness_l")
    strong = flavour is not None and flavour.typical >= _STRONG
    dark = light is not None and light.typical < _DARK_L
    return ACCENT_PCT if strong or dark or is_supplement(item) else MIN_SHARE_PCT


def check_wishes(wishes: Wishes, shelf: Shelf) -> None:
    """Raise BadInputError, naming the place by JSON pointer, where a wish makes no sense by itself (in %, g)."""
    flours = [
        *((slug, f"/candidates/{n}") for n, slug in enumerate(wishes.candidates or ())),
        *((slug, f"/require/{slug}") for slug in wishes.require),
        *((slug, f"/lock/{slug}") for slug in wishes.lock),
        *((slug, f"/use_up/{n}") for n, slug in enumerate(wishes.use_up)),
    ]
    for slug, place in flours:
        _a_flour(slug, shelf, place)
    for n, slug in enumerate(wishes.limits.exclude):
        shelf.row(slug, f"/exclude/{n}")
    for slug, share in wishes.require.items():
        _in_order(share, f"/require/{slug}")
    for slug, dose in wishes.binder.items():
        _a_binder(slug, shelf, f"/binder/{slug}")
        _within(dose, 0, MOST_DOSE_PCT, f"/binder/{slug}")
    for slug, value in wishes.lock.items():
        _within(value, 0, 100, f"/lock/{slug}")
    _check_numbers(wishes)


def _check_numbers(wishes: Wishes) -> None:
    _within(wishes.step_pct, 0, 50, "/step_pct")
    if wishes.fit_slack is not None:
        _within(wishes.fit_slack, 0, 100, "/fit_slack")
    if wishes.batch_g is not None:
        _within(wishes.batch_g, 10, 1e9, "/batch_g")


def _in_order(share: Share, place: str) -> None:
    if not 0 <= share.min_pct <= share.max_pct <= 100:
        raise BadInputError(
            f"at least {share.min_pct:g} and at most {share.max_pct:g} %",
            place=place,
            right="both must lie within 0–100, the least first",
        )


def _a_binder(slug: str, shelf: Shelf, place: str) -> None:
    if shelf[_known(slug, shelf, place)].in_flour_base:
        raise BadInputError(f"{slug!r} is no binder", place=place, right="name it under require or lock, as a flour")


def _known(slug: str, shelf: Shelf, place: str) -> str:
    shelf.row(slug, place)
    return slug


def _a_flour(slug: str, shelf: Shelf, place: str) -> None:
    item = shelf[_known(slug, shelf, place)]
    if item.contains_gluten:
        raise BadInputError(
            f"{slug!r} is made of a cereal with gluten", place=place, right="name a flour without gluten"
        )
    if not item.in_flour_base:
        raise BadInputError(
            f"{slug!r} is no part of the flour base", place=place, right="give a binder's dose under binder"
        )


def _within(value: float, low: float, high: float, place: str) -> None:
    if not (math.isfinite(value) and low <= value <= high):
        raise BadInputError(f"{value!r}", place=place, right=f"it must lie within {low:g}–{high:g}")
