"""Loads what formulas are judged and made by: water, leavening, baking, tins, swaps, and the words of recipes."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache

from fallow_sieve.core.baking import Doneness, GasMark, Pan, Phase
from fallow_sieve.core.formulas import (
    FillRule,
    FormulaRules,
    HydrationBand,
    LeaveningRule,
    Portion,
    PowderRule,
    SauceBand,
    Thickener,
    Usual,
    UsualAmount,
    UsualShare,
    by_school,
)
from fallow_sieve.core.formulas.swaps import EggReplacer, FatRule, SwapRules, Sweetener
from fallow_sieve.core.ingredients import Function
from fallow_sieve.core.values import Band, Range
from fallow_sieve.reference.doughs import (
    LeaveningRow,
    bake_phases,
    binder_water,
    doneness,
    hydration,
    leavening,
)
from fallow_sieve.reference.kitchen import ThickeningRow, egg_replacers, gas_marks, pans, sweetness, thickening
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.uses import rules, usual_amounts


@dataclass(frozen=True, slots=True)
class TinFillRow:
    """How full a tin goes in for a use (0–1), and what it rises to (times its volume)."""

    use: str
    fill: float
    rise: float
    basis: str


@dataclass(frozen=True, slots=True)
class SauceRow:
    """A consistency of sauces, and the power a litre that it wants (g of corn starch)."""

    consistency: str
    label: str
    low: float
    typical: float
    high: float
    basis: str


@dataclass(frozen=True, slots=True)
class PortionRow:
    """The usual portion of a use: its name, and its g (finished) or how many equal shares a piece gives."""

    use: str
    name: str
    mass_g: float | None
    shares: float | None
    basis: str


@dataclass(frozen=True, slots=True)
class PoorRow:
    """A word of a recipe whose bake needs gluten, and why."""

    word: str
    why: str
    basis: str


@dataclass(frozen=True, slots=True)
class AcidRow:
    """The g of soda that 1 g of something acid meets, by function (`leaven` for a ripe leaven)."""

    function: str
    soda_g_per_g: float
    basis: str


def _usual_amounts() -> dict[str, list[UsualAmount]]:
    found: dict[str, list[UsualAmount]] = defaultdict(list)
    for r in usual_amounts():
        band = Band(r.hard_low or 0.0, r.good_low, r.good_high, r.hard_high)
        found[r.use].append(UsualAmount(r.metric, band, r.fails_under, r.fails_over))
    return found


@cache
def formula_rules() -> FormulaRules:
    """Return the bundled rules for formulas, by use (%, °C, min as their names say)."""
    water: dict[str, dict[str, HydrationBand]] = defaultdict(dict)
    for h in hydration():
        water[h.use][h.consistency] = HydrationBand(h.water_low_pct, h.water_typical_pct, h.water_high_pct)
    phases: dict[str, list[Phase]] = defaultdict(list)
    for p in bake_phases():
        minutes = (p.minutes_low, p.minutes_typical, p.minutes_high)
        phases[p.use].append(Phase(p.oven_c, *minutes, p.covered, p.steam, p.in_tin))
    return FormulaRules(
        uses=rules().uses,
        doses=rules().doses,
        hydration=dict(water),
        holds={
            b.binder: Range(b.water_low_g_per_g, b.water_typical_g_per_g, b.water_high_g_per_g) for b in binder_water()
        },
        leavening={r.use: _leavening(r) for r in leavening()},
        phases={use: tuple(found) for use, found in phases.items()},
        doneness={
            d.use: Doneness(d.core_low_c, d.core_high_c, d.cool_minutes_before_cutting, d.bake_loss_pct)
            for d in doneness()
        },
        pans=tuple(Pan(p.material, p.time_factor, p.note) for p in pans()),
        marks=marks(),
        usual_shares=read_table("usual_shares", UsualShare),
        usual=_usual_amounts(),
        acids={a.function: a.soda_g_per_g for a in read_table("acids", AcidRow)},
        thickeners={t.thickener: _thickener(t) for t in thickening()},
        sauces={s.consistency: s for s in _sauces()},
    )


def _sauces() -> Iterator[SauceBand]:
    for r in read_table("sauces", SauceRow):
        yield SauceBand(r.consistency, r.label, r.low, r.typical, r.high)


def _thickener(t: ThickeningRow) -> Thickener:
    power = Range(t.power_low, t.power_typical, t.power_high)
    return Thickener(t.thickener, power, t.look, t.on_cooling, t.note, t.acid, t.long_boil, t.freeze_thaw)


def _leavening(r: LeaveningRow) -> LeaveningRule:
    return LeaveningRule(
        _usual(r.instant_yeast_low_pct, r.instant_yeast_typical_pct, r.instant_yeast_high_pct),
        _usual(r.leaven_low_pct, r.leaven_typical_pct, r.leaven_high_pct),
        _usual(r.baking_powder_low_pct, r.baking_powder_typical_pct, r.baking_powder_high_pct),
        r.note,
    )


def _usual(low: float | None, typical: float | None, high: float | None) -> Usual | None:
    return None if low is None or typical is None or high is None else Usual(low, typical, high)


@dataclass(frozen=True, slots=True)
class PowderRow:
    """A powder that stands for a liquid by what that does: g of it for 1 g, and what is lost."""

    function: str
    powder: str
    powder_g_per_g: float
    note: str
    basis: str


@cache
def powders() -> tuple[PowderRule, ...]:
    """Return the powders that stand for liquids in a complete mix (g for 1 g)."""
    rows = read_table("powders", PowderRow)
    return tuple(PowderRule(Function(r.function), r.powder, r.powder_g_per_g, r.note) for r in rows)


@cache
def marks() -> tuple[GasMark, ...]:
    """Return the gas marks with their oven °C."""
    return tuple(GasMark(m.gas_mark, m.oven_c) for m in gas_marks())


@cache
def tin_fills() -> dict[str, FillRule]:
    """Return how full a tin goes in by use (0–1), and what it rises to."""
    return {r.use: FillRule(r.fill, r.rise, r.basis) for r in read_table("tin_fill", TinFillRow)}


@cache
def poor_candidates() -> dict[str, str]:
    """Return why a bake needs gluten, by a word of its recipe."""
    return {r.word: r.why for r in read_table("poor_candidates", PoorRow)}


@cache
def portions() -> dict[str, Portion]:
    """Return the usual portion by use; what is eaten by the piece is not among them."""
    rows = read_table("portions", PortionRow)
    return {r.use: Portion(r.name, r.mass_g, int(r.shares) if r.shares else None) for r in rows}


@cache
def thickening_power(school: str = "") -> dict[str, float]:
    """Return the power of thickeners per gram, by slug and by a school of thickening; corn starch is 1."""
    return {slug: t.power.typical for slug, t in swap_rules(None, school).thickeners.items()}


@cache
def _swaps() -> SwapRules:
    return SwapRules(
        fats={f.function: f for f in _fats()},
        sweeteners={s.slug: s for s in _sweeteners()},
        eggs=[
            EggReplacer(
                r.replacer, r.dry_ingredient, r.dry_g_per_50_g_egg, r.water_g_per_50_g_egg, r.binding, r.lift, r.not_for
            )
            for r in egg_replacers()
        ],
        thickeners=formula_rules().thickeners,
        doses={},
        holds=formula_rules().holds,
        acids=formula_rules().acids,
    )


@dataclass(frozen=True, slots=True)
class FatLossRow:
    """What is lost where a fat goes, and what one brings, with weights from 1 (little) to 3 (much)."""

    function: str
    lost_weight: int
    lost: str
    brought_weight: int
    brought: str
    basis: str


def _fats() -> Iterator[FatRule]:
    for r in read_table("fat_losses", FatLossRow):
        yield FatRule(Function(r.function), r.lost_weight, r.lost, r.brought_weight, r.brought)


def _sweeteners() -> Iterator[Sweetener]:
    for r in sweetness():
        span = Range(r.sweetness_low, r.sweetness_typical, r.sweetness_high)
        yield Sweetener(r.sweetener, span, r.browns, r.feeds_yeast == "yes", r.note)


def swap_rules(use: str | None, thickener_school: str = "") -> SwapRules:
    """Return what swaps go by, with the dose bands (% of flour base) of `use`, by a school of thickening.

    Two for one: two grams of tapioca do what one of corn starch does; else it counts by its own power.
    """
    found = _swaps()
    thickeners = by_school(found.thickeners, thickener_school)
    return replace(found, doses=rules().doses.get(use or "", {}), thickeners=thickeners)
