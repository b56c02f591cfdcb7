"""The brief file, `fallow-sieve/brief` version 1: what is asked of a blend, read strictly."""

from __future__ import annotations

import json
from dataclasses import dataclass
from typing import Annotated, Literal, cast

from pydantic import Field

from fallow_sieve.core.blends import BagKind, BandChange, Limits, NamedUse, Use, rule_of_use, with_changes
from fallow_sieve.core.ingredients import Diet, Ingredient
from fallow_sieve.core.optimise import MIN_SHARE_PCT, Aim, Share, Wishes
from fallow_sieve.core.values import BadInputError, UnknownNameError
from fallow_sieve.formats.ingredients import DefinitionIn, defined
from fallow_sieve.formats.shared import Slug, Strict, no_twice, parse_json, validate
from fallow_sieve.reference import diets, rules

FORMAT = "fallow-sieve/brief"
_LIMITS = ("hard_low", "good_low", "good_high", "hard_high")


AimName = Literal[
    "nearest",
    "cheapest",
    "most-fibre",
    "most-protein",
    "fewest-bins",
    "mildest",
    "lightest",
    "from-stock",
    "whole-grain",
    "low-carbohydrate",
]


DEFAULT_AIMS: tuple[AimName, ...] = (
    "nearest",
    "cheapest",
    "most-fibre",
    "most-protein",
    "fewest-bins",
    "mildest",
)


class ShareIn(Strict):
    """How much of an ingredient there must be, % of flour base."""

    min_pct: float = Field(default=MIN_SHARE_PCT, ge=0, le=100)
    max_pct: float = Field(default=100.0, ge=0, le=100)


class BandIn(Strict):
    """A band of the brief on a metric, in its unit; what is absent stays as the use has it."""

    metric: str = Field(max_length=60)
    hard_low: float | None = None
    good_low: float | None = None
    good_high: float | None = None
    hard_high: float | None = None


class NamedUseIn(Strict):
    """One of several uses, with its weight among them."""

    use: Slug
    weight: float = Field(default=1.0, gt=0, le=10)


class WishListIn(Strict):
    """What is wished of a blend. Shares and doses are % of flour base."""

    use: Slug
    uses: list[NamedUseIn] = Field(default_factory=list, max_length=12)
    exclude_allergens: list[Slug] = Field(default_factory=list, max_length=40)
    exclude: list[Slug] = Field(default_factory=list, max_length=200)
    diets: list[Slug] = Field(default_factory=list, max_length=10)
    candidates: list[Slug] | None = Field(default=None, min_length=1, max_length=500)
    require: dict[Slug, ShareIn] = Field(default_factory=dict, max_length=100)
    lock: dict[Slug, float] = Field(default_factory=dict, max_length=100)
    use_up: list[Slug] = Field(default_factory=list, max_length=50)
    max_bins: int | None = Field(default=None, ge=1, le=200)
    step_pct: float = Field(default=1.0, ge=0, le=50)
    batch_g: float | None = Field(default=None, gt=0, le=1e9)
    in_stock: bool = False
    price_cap_per_kg: float | None = Field(default=None, ge=0, le=1e6)
    gluten_cap_mg_per_kg: float | None = Field(default=None, ge=0, le=1e6)
    allow_unknown_gluten: bool = False
    bands: list[BandIn] = Field(default_factory=list, max_length=20)
    bag: Annotated[BagKind, Field(strict=False)] | None = None
    max_gum_pct: float | None = Field(default=None, ge=0, le=20)
    aims: list[AimName] = Field(default_factory=lambda: list(DEFAULT_AIMS), min_length=1, max_length=12)
    binder: dict[Slug, float] = Field(default_factory=dict, max_length=10)
    binder_apart: bool = False
    robust: bool = False
    least_bad: bool = False
    fit_slack: float | None = Field(default=None, ge=0, le=100)


class BriefFile(WishListIn):
    """A brief file, version 1: wishes with a name, and definitions of own ingredients."""

    format: Literal["fallow-sieve/brief"]
    version: Literal[1]
    name: str = Field(default="", max_length=200)
    ingredients: list[DefinitionIn] = Field(default_factory=list, max_length=200)


@dataclass(frozen=True, slots=True)
class BriefDocument:
    """What a brief file holds: its name, the wishes, and the ingredients that it defines itself."""

    name: str
    wishes: Wishes
    ingredients: tuple[Ingredient, ...]


def read_brief(data: bytes) -> BriefDocument:
    """Return the brief that a brief file holds. Raises BadInputError naming the place by JSON pointer."""
    file = validate(BriefFile, parse_json(data))
    own = tuple(defined(i, f"/ingredients/{n}") for n, i in enumerate(file.ingredients))
    no_twice([i.slug for i in own], "/ingredients", "slug")
    use = rule_of_use(rules().uses, file.use, named=named_uses(file))
    return BriefDocument(file.name, wishes_of(file, use), own)


def named_uses(file: WishListIn) -> tuple[NamedUse, ...]:
    """Return the uses that wishes name, where it is several."""
    return tuple(NamedUse(u.use, u.weight) for u in file.uses)


def wishes_of(file: WishListIn, use: Use) -> Wishes:
    """Return the wishes of a brief for `use`. Raises BadInputError naming the place."""
    for key in ("candidates", "exclude", "use_up", "aims", "diets", "exclude_allergens"):
        _each_once(getattr(file, key) or [], key)
    limits = Limits(
        tuple(file.exclude_allergens),
        tuple(file.exclude),
        file.price_cap_per_kg,
        file.max_bins,
        file.gluten_cap_mg_per_kg,
        tuple(_changed(b, n, use) for n, b in enumerate(file.bands)),
        file.bag,
        file.max_gum_pct,
        named_uses(file),
    )
    return Wishes(
        use=use,
        limits=limits,
        diets=tuple(_diet(d, n) for n, d in enumerate(file.diets)),
        candidates=tuple(file.candidates) if file.candidates is not None else None,
        lock=dict(file.lock),
        require={s: Share(x.min_pct, x.max_pct) for s, x in file.require.items()},
        use_up=tuple(file.use_up),
        binder=dict(file.binder),
        binder_apart=file.binder_apart,
        step_pct=file.step_pct,
        batch_g=file.batch_g,
        in_stock=file.in_stock,
        allow_unknown_gluten=file.allow_unknown_gluten,
        robust=file.robust,
        least_bad=file.least_bad,
        fit_slack=file.fit_slack,
        aims=tuple(Aim(a) for a in file.aims),
    )


def _changed(band: BandIn, n: int, use: Use) -> BandChange:
    change = BandChange(band.metric, *(getattr(band, name) for name in _LIMITS))
    try:
        with_changes(use, [change])
    except BadInputError as error:
        place = "/metric" if isinstance(error, UnknownNameError) else ""
        raise error.at(f"/bands/{n}{place}") from error
    return change


def _diet(name: str, n: int) -> Diet:
    if name not in diets():
        raise UnknownNameError("diet", name, diets(), place=f"/diets/{n}")
    return diets()[name]


def _each_once(names: list[str], key: str) -> None:
    for n, name in enumerate(names):
        if name in names[:n]:
            raise BadInputError(f"{name!r} stands twice", place=f"/{key}/{n}", right="keep one")


def body_of(wishes: Wishes) -> WishListIn:
    """Return wishes as they are written in a brief file."""
    limits = wishes.limits
    return WishListIn(
        use=wishes.use.slug,
        uses=[NamedUseIn(use=u.use, weight=u.weight) for u in limits.uses],
        exclude_allergens=list(limits.exclude_allergens),
        exclude=list(limits.exclude),
        diets=[d.name for d in wishes.diets],
        candidates=list(wishes.candidates) if wishes.candidates is not None else None,
        require={s: ShareIn(min_pct=x.min_pct, max_pct=x.max_pct) for s, x in wishes.require.items()},
        lock=dict(wishes.lock),
        use_up=list(wishes.use_up),
        max_bins=limits.max_bins,
        step_pct=wishes.step_pct,
        batch_g=wishes.batch_g,
        in_stock=wishes.in_stock,
        price_cap_per_kg=limits.price_cap_per_kg,
        gluten_cap_mg_per_kg=limits.gluten_cap_mg_per_kg,
        allow_unknown_gluten=wishes.allow_unknown_gluten,
        bag=limits.bag,
        max_gum_pct=limits.max_gum_pct,
        bands=[BandIn(**{k: getattr(b, k) for k in ("metric", *_LIMITS)}) for b in limits.bands],
        aims=[cast(AimName, str(a)) for a in wishes.aims],
        binder=dict(wishes.binder),
        binder_apart=wishes.binder_apart,
        robust=wishes.robust,
        least_bad=wishes.least_bad,
        fit_slack=wishes.fit_slack,
    )


def write_brief(name: str, wishes: Wishes) -> str:
    """Return the brief file of `wishes` as JSON text; what is at its default is left out."""
    given = body_of(wishes).model_dump(exclude_defaults=True, exclude_none=True)
    document = {"format": FORMAT, "version": 1, "name": name, **given, "aims": [str(a) for a in wishes.aims]}
    return json.dumps(document, ensure_ascii=False, indent=2) + "\n"
