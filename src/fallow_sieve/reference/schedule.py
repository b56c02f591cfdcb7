"""Loads the tables of schedules: what ferments, containers, ovens, starters, and the steps of each use and school."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.schedule.leaven.builds import Ratio, Starter
from fallow_sieve.core.schedule.ovens import OvenKind
from fallow_sieve.core.schedule.ripening.bodies import Container
from fallow_sieve.core.schedule.ripening.organism import Organism
from fallow_sieve.core.schedule.steps.rules import Kind, StepRule, with_cold
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class OrganismRow:
    """What ferments: cardinal temperatures (°C), least water activity, exponent of amount, ripe window."""

    organism: str
    t_min_c: float
    t_max_c: float
    k: float
    t_ref_c: float
    aw_min: float
    amount_exponent: float
    osmotic_nacl: float
    window_low: float
    window_high: float
    basis: str


@dataclass(frozen=True, slots=True)
class ContainerRow:
    """A container: hours of its time constant for 1 kg, exponent of mass, and its range."""

    container: str
    name: str
    tau_1kg_h: float
    mass_exponent: float
    low_tau_1kg_h: float
    high_tau_1kg_h: float
    basis: str


@dataclass(frozen=True, slots=True)
class OvenRow:
    """A kind of oven: time constants (min), temperatures (°C), levels."""

    oven: str
    name: str
    tau_warm_min: float
    full_c: float
    tau_cool_closed_min: float
    tau_cool_ajar_min: float
    stone_extra_min: float
    door_loss_k: float
    levels: int
    max_c: float
    basis: str


@dataclass(frozen=True, slots=True)
class StarterRow:
    """A way of building a leaven: ratio by mass, growth, lag, window as shares of the time to its peak."""

    use: str
    school: str
    ratio_seed: float
    ratio_flour: float
    ratio_water: float
    mu_per_h: float
    lag: float
    lag_per_fridge_day: float
    t_max_c: float
    window_low: float
    window_high: float
    keep_back_g: float
    keep_out_hours_26c: float
    least_build_g: float
    loss_pct: float
    basis: str


@dataclass(frozen=True, slots=True)
class RestRow:
    """How many refreshes a starter wants before the leaven, by its days in the fridge."""

    days_in_fridge_low: float
    days_in_fridge_high: float
    refreshes_before_leaven: int
    note: str
    basis: str


@dataclass(frozen=True, slots=True)
class StageRow:
    """A step of a use and school: minutes, hours at 26 °C, °C, and what it shares."""

    use: str
    school: str
    order: int
    step: str
    after: tuple[str, ...]
    do: str
    kind: str
    minutes_from: str
    min_low: float | None
    min_typical: float | None
    min_high: float | None
    ref_hours_26c: float | None
    ref_of: str
    ref_pct: float | None
    target_rise_pct: float | None
    place: str
    temp_c: float | None
    hands_start_min: float
    hands_end_min: float
    resource: str
    lag_low_min: float
    lag_high_min: float | None
    can_wait_min: float | None
    chill_low_h: float | None
    chill_high_h: float | None
    optional: str
    bake_phase: float | None
    basis: str


@dataclass(frozen=True, slots=True)
class AlikeRow:
    """A use without steps of its own: those of which use it takes, and in which schools."""

    use: str
    like_use: str
    schools: tuple[str, ...]
    basis: str


@cache
def templates() -> dict[tuple[str, str], tuple[StepRule, ...]]:
    """Return the steps of every use and school (minutes, °C)."""
    found: dict[tuple[str, str], tuple[StepRule, ...]] = {}
    for r in read_table("stage_templates", StageRow):
        found[r.use, r.school] = (*found.get((r.use, r.school), ()), _step(r))
    found = {key: with_cold(steps) for key, steps in found.items()}
    for a in read_table("stage_alikes", AlikeRow):
        found |= {(a.use, school): found[a.like_use, school] for school in a.schools}
    return found


def _step(r: StageRow) -> StepRule:
    return StepRule(
        r.step, r.after, r.do, Kind(r.kind), r.minutes_from, r.min_low, r.min_typical, r.min_high, r.ref_hours_26c,
        r.ref_of, r.ref_pct, r.target_rise_pct, r.place, r.temp_c, r.hands_start_min, r.hands_end_min, r.resource,
        r.lag_low_min, r.lag_high_min or 0.0, r.can_wait_min or 0.0, r.chill_low_h, r.chill_high_h, r.optional,
        None if r.bake_phase is None else int(r.bake_phase),
    )  # fmt: skip


def template_named(use: str, school: str | None, place: str = "") -> tuple[StepRule, ...]:
    """Return the steps of a use and school; of the use's first school for None. Raises UnknownNameError."""
    schools = schools_of(use)
    if not schools:
        raise UnknownNameError("use with a template", use, sorted({u for u, _ in templates()}), place=f"{place}/use")
    if school is not None and school not in schools:
        raise UnknownNameError(f"school of {use}", school, schools, place=f"{place}/school")
    return templates()[use, school or schools[0]]


def schools_by_use() -> dict[str, list[str]]:
    """Return every use that has templates, with its schools."""
    return {use: schools_of(use) for use in dict.fromkeys(u for u, _ in templates())}


def oven_names() -> dict[str, str]:
    """Return what each kind of oven is called."""
    return {kind: oven.name for kind, oven in oven_kinds().items()}


def schools_of(use: str) -> list[str]:
    """Return the schools of a use, in the table's order."""
    return [s for u, s in templates() if u == use]


@cache
def organisms() -> dict[str, Organism]:
    """Return what ferments, by name (°C)."""
    rows = read_table("fermentation", OrganismRow)
    return {
        r.organism: Organism(
            r.organism, r.t_min_c, r.t_max_c, r.k, r.t_ref_c, r.aw_min, r.amount_exponent, r.osmotic_nacl,
            r.window_low, r.window_high,
        )
        for r in rows
    }  # fmt: skip


@cache
def containers() -> dict[str, Container]:
    """Return containers by name (hours)."""
    return {
        r.container: Container(r.container, r.tau_1kg_h, r.mass_exponent, r.low_tau_1kg_h, r.high_tau_1kg_h)
        for r in read_table("containers", ContainerRow)
    }


@cache
def oven_kinds() -> dict[str, OvenKind]:
    """Return kinds of ovens by name (minutes, °C)."""
    return {
        r.oven: OvenKind(
            r.oven, r.name, r.tau_warm_min, r.full_c, r.tau_cool_closed_min, r.tau_cool_ajar_min, r.stone_extra_min,
            r.door_loss_k, r.levels, r.max_c,
        )
        for r in read_table("ovens_rates", OvenRow)
    }  # fmt: skip


@cache
def starters() -> dict[str, Starter]:
    """Return the ways of building a leaven, by name (g, hours)."""
    return {r.school: _starter(r) for r in read_table("starters", StarterRow)}


def _starter(r: StarterRow) -> Starter:
    ratio = Ratio(r.ratio_seed, r.ratio_flour, r.ratio_water)
    return Starter(
        r.school, ratio, r.mu_per_h, r.lag, r.lag_per_fridge_day, r.t_max_c, r.window_low, r.window_high,
        r.keep_back_g, r.keep_out_hours_26c, r.least_build_g, r.loss_pct,
    )  # fmt: skip


def refreshes(rest_days: float) -> int:
    """Return how many refreshes a starter wants before the leaven after `rest_days` days in the fridge."""
    rows = read_table("starter_rest", RestRow)
    return next(
        (r.refreshes_before_leaven for r in rows if rest_days <= r.days_in_fridge_high),
        rows[-1].refreshes_before_leaven,
    )


def organism_named(name: str, place: str = "/organism") -> Organism:
    """Return what ferments by its name. Raises UnknownNameError."""
    if name not in organisms():
        raise UnknownNameError("organism", name, list(organisms()), place=place)
    return organisms()[name]


def container_named(name: str, place: str = "/container") -> Container:
    """Return a container by its name. Raises UnknownNameError."""
    if name not in containers():
        raise UnknownNameError("container", name, list(containers()), place=place)
    return containers()[name]


def oven_named(name: str, place: str = "/kind") -> OvenKind:
    """Return a kind of oven by its name. Raises UnknownNameError."""
    if name not in oven_kinds():
        raise UnknownNameError("kind of oven", name, list(oven_kinds()), place=place)
    return oven_kinds()[name]
