"""Doughs and leavens as files ask about them, with the bundled tables behind them."""

from __future__ import annotations

from fallow_sieve.core.schedule.leaven.builds import LeavenPlan, Ratio, check_ratio, count_back
from fallow_sieve.core.schedule.ripening.asked import Asked, Expected, expected, gates, in_jar, notes
from fallow_sieve.core.schedule.ripening.path import Ripening
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.formats.schedule import DoughIn, RiseIn, StarterIn
from fallow_sieve.reference import container_named, organism_named, refreshes, starters

CAUTIONS = (
    "Lay the lid on, never screw it: a jar that works can burst.",
    "Raw flour is not safe to taste: bake what is made of it.",
)


def asked_of(dough: DoughIn) -> Asked:
    """Return a dough file as what is asked. Raises UnknownNameError for a container or organism that is not known."""
    return Asked(
        organism_named(dough.organism),
        container_named(dough.container),
        dough.mass_g,
        dough.dough_c,
        tuple((leg.hours, leg.env_c) for leg in dough.path),
        dough.reference_hours,
        dough.amount_ratio,
        dough.salt_pct,
        dough.sugar_pct,
        dough.water_pct,
        dough.target_rise_pct,
        dough.fill_pct,
    )


def ripening(dough: DoughIn) -> tuple[Ripening, tuple[str, ...]]:
    """Return when a dough is ripe (hours), and what should be known of that. Raises BadInputError."""
    asked = asked_of(dough)
    return gates(asked), notes(asked)


def watched(dough: RiseIn) -> Expected:
    """Return when a dough that is being read will be ripe (hours). Raises BadInputError."""
    asked = asked_of(dough)
    jar = None
    if dough.jar is not None:
        jar = in_jar(asked, container_named(dough.jar.container, "/jar/container"), dough.jar.mass_g, dough.jar.dough_c)
    return expected(asked, [(r.hours, r.rise_pct) for r in dough.readings], jar)


def leaven(wanted: StarterIn) -> LeavenPlan:
    """Return the builds (g, hours) of a leaven. Raises BadInputError."""
    if wanted.school not in starters():
        raise UnknownNameError("way of building a leaven", wanted.school, list(starters()), place="/school")
    starter = starters()[wanted.school]
    ratio = Ratio(*wanted.ratio) if wanted.ratio else starter.ratio
    check_ratio(ratio)
    ratios = [ratio] * (refreshes(wanted.rest_days) + 1)
    return count_back(wanted.need_g, wanted.keep_back_g, ratios, wanted.temp_c, starter, wanted.rest_days)
