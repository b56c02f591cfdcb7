"""The line on the binder: whether it is in, or what the recipe has to add to 100 g of the mix."""

from __future__ import annotations

from fallow_sieve.core.blends import BINDER_WALLS, BagContents, BinderLoad
from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.labels.lines import LabelLine, MadeMix, Texts
from fallow_sieve.core.values import Status

IS_IN = BINDER_WALLS[1]
_TITLE = "Binder line"


def binder_line(mix: MadeMix, text: Texts) -> LabelLine:
    """Return the binder line of a mix: load B of its use; dose per 100 g = (1 − B) × typical % × flour base share."""
    load = mix.binder.load
    if load is None:
        return LabelLine("binder", _TITLE, text("binder_unknown"), Status.CLOSE, (mix.binder.say,))
    said = f"load {load:.2f} of usual{f' for {mix.use}' if mix.use else ''}, in from {IS_IN:g}"
    if load >= IS_IN:
        return LabelLine("binder", _TITLE, text("binder_in"), Status.PASS, (said, *_doses(mix.binder)))
    missing = _bring(mix.bag, mix) if load <= 0 else _top_up(mix.binder, load, _flour_share(mix))
    if missing is None:
        return LabelLine("binder", _TITLE, "", Status.PASS, ("no binder in, and none is usual for this use",))
    name, dose_g = missing
    key = "binder_none" if load <= 0 else "binder_part"
    return LabelLine("binder", _TITLE, text(key, dose=_plain(dose_g), name=name), Status.PASS, (said,))


def _flour_share(mix: MadeMix) -> float:
    return mix.analysis.flour_base_g / mix.analysis.mass_g


def _bring(bag: BagContents, mix: MadeMix) -> tuple[str, float] | None:
    first = next(iter(bag.bring), None)
    if first is None:
        return None
    name = mix.shelf[first.binder].name if first.binder in mix.shelf else first.binder.replace("-", " ")
    return _lower(name), first.g_per_100_g


def _top_up(binder: BinderLoad, load: float, flour_share: float) -> tuple[str, float] | None:
    most = max((d for d in binder.doses if d.usual is not None), key=lambda d: d.dose_pct, default=None)
    if most is None or most.usual is None:
        return None
    return _lower(most.name), (1 - load) * most.usual.typical_pct * flour_share


def _doses(binder: BinderLoad) -> tuple[str, ...]:
    return tuple(f"{_lower(d.name)} {d.dose_pct:.2g} % of flour" for d in binder.doses)


def _lower(name: str) -> str:
    first = short_name(name)
    return first[:1].lower() + first[1:]


def _plain(dose_g: float) -> str:
    return f"{dose_g:.1f}".removesuffix(".0")
