"""The experiments of the demo kitchen: one of nine bakes on three days, one half done. All of it is invented."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.experiments.varied import Varied
from fallow_sieve.services.experiments.known import experiment_now
from fallow_sieve.services.experiments.making import Setting, begin_experiment, change, note_run, plan
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import FORMULAS
from fallow_sieve.store.experiments import get_experiment


@dataclass(frozen=True, slots=True)
class DemoExperiment:
    """An experiment: on which formula, what is varied (% of flour), bakes and days, and how far it got.

    A bake's liking is a plain hill over the parts (top and slopes), with what the oven and the day did to each.
    """

    name: str
    formula: str
    days_ago: int
    parts: tuple[tuple[str, str, float, float], ...]
    bakes: int
    days: int
    seed: int
    top_pct: tuple[float, ...]
    slope: float
    by_chance: tuple[float, ...]
    failed: int | None = None
    words: tuple[tuple[int, str], ...] = ()


EXPERIMENTS = (
    DemoExperiment(
        "Summit, best three", "Summit tin loaf", 12,
        (("Sorghum", "sorghum-flour", 17, 41), ("Teff", "teff-flour", 0, 22),
         ("Potato starch", "potato-starch", 15, 39)),
        9, 3, 3, (33.0, 5.0, 27.0), 0.0075,
        (-0.2, -0.1, 0.1, 0.1, -0.3, 0.0, 0.1, 0.2, 0.0), 8,
        ((2, "crumbly"), (4, "a little bland"), (8, "sank"), (9, "tallest")),
    ),
    DemoExperiment(
        "Crispbread, two flours", "Viaduct crispbread", 5,
        (("Buckwheat", "buckwheat-flour", 10, 46), ("Sorghum", "sorghum-flour", 6, 40)),
        6, 2, 5, (24.0, 26.0), 0.004, (0.0, 0.2, -0.1), None, ((2, "bitter"),),
    ),
)  # fmt: skip
HIGHEST, LEAST, MOST = 6.9, 1.0, 9.0
PANEL_SE = 0.4  # of six tasters' mean


def add_experiments(session: Session, kitchen: KitchenNow, now: datetime) -> None:
    """Add the demo's experiments with what their bakes came to, as of `now`."""
    heads = {h.name: h.id for h in FORMULAS.page(session, limit=1000)}
    for given in EXPERIMENTS:
        _add(session, given, heads[given.formula], kitchen, now - timedelta(days=given.days_ago))


def _add(session: Session, given: DemoExperiment, formula_id: int, kitchen: KitchenNow, at: datetime) -> None:
    when = at.strftime("%Y-%m-%dT%H:%M:%SZ")
    made = begin_experiment(session, formula_id, given.name, kitchen, when)
    here = experiment_now(session, made, kitchen)
    parts = tuple(Varied(name, {slug: 1.0}, low, high) for name, slug, low, high in given.parts)
    asked = replace(here.asked, parts=parts, bakes=given.bakes, days=given.days, seed=given.seed)
    version = get_experiment(session, made).version
    change(session, made, Setting(given.name, asked), version, kitchen, when)
    plan(session, made, kitchen)
    words = dict(given.words)
    here = experiment_now(session, made, kitchen)
    for run, chance in zip(here.runs, given.by_chance, strict=False):
        failed = run.number == given.failed
        value = None if failed else _liking(given, here.mixture.flour_pct(run.x), chance)
        noted = replace(
            run, value=value, se=None if failed else PANEL_SE, failed=failed, seen=words.get(run.number, "")
        )
        note_run(session, made, noted)


def _liking(given: DemoExperiment, pct: tuple[float, ...], chance: float) -> float:
    away = sum((p - t) ** 2 for p, t in zip(pct, given.top_pct, strict=True))
    return round(min(MOST, max(LEAST, HIGHEST - given.slope * away + chance)), 1)
