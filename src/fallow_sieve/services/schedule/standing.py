"""How a schedule stands in a list, and what of it can be used at all."""

from __future__ import annotations

from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.schedule.clock import instant_of, zone_named
from fallow_sieve.formats.schedule import PlanFile
from fallow_sieve.reference import template_named
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import SCHEDULES, Head


@dataclass(frozen=True, slots=True)
class ScheduleStanding:
    """How the draft of a schedule stands: its products, when the last is wanted (UTC), and how far it is."""

    products: list[str]
    uses: list[str]
    ready_at: str | None
    state: str
    done: int
    revisions: int


def check_schedule(content: PlanFile, _shelf: Shelf) -> None:
    """Raise BadInputError unless zone, times, uses and schools can be used; what cannot be in time is no error."""
    zone = zone_named(content.zone, "/content/zone")
    instant_of(content.now, zone, "/content/now")
    for n, p in enumerate(content.products):
        place = f"/content/products/{n}"
        if p.ready_at is not None:
            instant_of(p.ready_at, zone, f"{place}/ready_at")
        use = p.use or (p.formula.use if p.formula else None)
        if use is not None:
            template_named(use, p.school, place)


def schedule_standing(session: Session, head: Head, _kitchen: KitchenNow) -> ScheduleStanding:
    """Return how the draft of a schedule stands."""
    content, revisions = SCHEDULES.draft(session, head.id).content, SCHEDULES.revisions(session, head.id)
    zone = zone_named(content.zone)
    ready = sorted(instant_of(p.ready_at, zone, "/ready_at") for p in content.products if p.ready_at)
    done = sum(len(p.done) for p in content.products)
    return ScheduleStanding(
        products=[p.id for p in content.products],
        uses=[p.use or (p.formula.use if p.formula and p.formula.use else "") for p in content.products],
        ready_at=ready[-1].strftime("%Y-%m-%dT%H:%M:%SZ") if ready else None,
        state="empty" if not content.products else "running" if done else "planned",
        done=done,
        revisions=len(revisions),
    )
