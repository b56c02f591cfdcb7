"""The schedule of the demo kitchen, and where it works. All of it is invented."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from sqlmodel import Session

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.formats.formulas import FormulaFile, formula_dict
from fallow_sieve.formats.schedule import KitchenIn, OvenIn, PlanFile, ProductIn
from fallow_sieve.services.formulas.working import defined_in_file
from fallow_sieve.store import FORMULAS, SCHEDULES, Head, add_feeding, add_starter, save_workplace

ZONE = "Europe/London"
ROLLS: dict[str, Any] = {"use": "soft-roll", "school": "chill-shape"}
PLACE = KitchenIn(
    hours=[["06:00", "23:00"]],
    room_c=22.0,
    night_c=18.6,
    box_c=30.0,
    ovens=[OvenIn(id="deck", kind="deck"), OvenIn(id="fan", kind="fan")],
)


def add_schedules(session: Session, shelf: Shelf, now: datetime) -> None:
    """Add where the demo kitchen works, its starter, and a schedule for the day after `now`."""
    record = PLACE.model_dump(exclude_defaults=True) | {"ovens": [o.model_dump() for o in PLACE.ovens]}
    save_workplace(session, ZONE, record, 1)
    heads = {h.name: h for h in FORMULAS.page(session, limit=1000)}
    sunday = (now + timedelta(days=1)).date().isoformat()
    loaf, tin = (_formula(session, heads[name], shelf) for name in ("Coaling stage loaf", "Summit tin loaf"))
    products = [
        ProductIn(id="Coaling stage loaf", ready_at=f"{sunday}T11:00", starter_id=_add_starter(session, now), **loaf),
        ProductIn(
            id="Sleeper rolls",
            use="soft-roll",
            school="chill-shape",
            dough_g=1264,
            pieces=16,
            ready_at=f"{sunday}T09:30",
        ),
        ProductIn(id="Summit tin loaf", ready_at=f"{sunday}T13:00", dough_g=1900, pieces=2, **tin),
    ]
    at = _text(now)
    content = PlanFile(format="fallow-sieve/schedule", version=1, zone=ZONE, now=at, products=products)
    SCHEDULES.add(session, "Night train, Sunday", None, content, at)


def _formula(session: Session, head: Head, shelf: Shelf) -> dict[str, Any]:
    """A formula of the demo as a product carries it: its newest revision, and which it is."""
    kept = FORMULAS.newest(session, head.id)
    assert kept is not None  # every formula that is planned here is kept
    formula, pin = kept.content, kept.content.pin
    name, revision = (pin.name, pin.revision) if pin else ("", None)
    file = formula_dict(formula, name, revision, defined_in_file(formula, shelf)) | {"name": head.name}
    return {"formula": FormulaFile.model_validate(file), "formula_id": head.id, "formula_revision": kept.number}


def _add_starter(session: Session, now: datetime) -> int:
    """Add the demo's jar with what it was fed and when it peaked; return its id."""
    made = add_starter(session, "Brown rice jar", "liquid leaven", _text(now))
    for days, hours in ((8, 7.6), (5, 7.9), (1, 7.4)):
        fed = now - timedelta(days=days)
        peak, cold = fed + timedelta(hours=hours), fed + timedelta(hours=10)
        given = {"fed_at": _text(fed), "seed_g": 30.0, "flour_g": 60.0, "water_g": 60.0, "temp_c": 23.0, "note": ""}
        add_feeding(session, made.id, {**given, "peaked_at": _text(peak), "chilled_at": _text(cold)})
    return made.id


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")
