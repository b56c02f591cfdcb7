"""The batches of the demo kitchen: one half weighed, one open bin, one held after a drill, one labelled twice.

All of it is invented. What they drew is added to the lots as they were bought, so that the bins hold what they hold.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.batches.batch import BatchState
from fallow_sieve.core.batches.planning import Wanted, needed
from fallow_sieve.core.ingredients import Lot
from fallow_sieve.core.stock.moves import MoveKind
from fallow_sieve.demo.scenario import BLENDS
from fallow_sieve.services.batches.bags.bagging import Filled, Leaving, fill, leave, set_bag
from fallow_sieve.services.batches.labels.proof import ProofAsked, label_of_batch, note_print
from fallow_sieve.services.batches.planning import Planned, begin_plan, set_plan
from fallow_sieve.services.batches.stepping import Going, go_on
from fallow_sieve.services.batches.weighing import Weighed, found_empty, weigh
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.store import BLENDS as DOCUMENTS
from fallow_sieve.store.batches import Bin, StepDone, add_bin, add_step, bins_of, get_batch, page_of_batches
from fallow_sieve.store.ingredients import add_lot, all_lots
from fallow_sieve.store.stock import hold

ALMOND = "Summit mix with almond"
FRESH = (("almond-flour", 350.0),)
FRESH_CODE = "CB-0962"
BINS = (
    Bin("Bin A", "shelf 1", 4000.0, 620.0),
    Bin("Bin B", "shelf 1", 4000.0, 615.0),
    Bin("Crock", "by the oven"),
)
OFF_G = (1.0, -1.0, 0.0, 2.0, 0.0, -1.0)  # how the weighings missed their targets


@dataclass(frozen=True, slots=True)
class DemoBatch:
    """A batch: of which mix, when, how many bags of how much, how many parts are weighed, what is in its bags."""

    mix: str
    days_ago: int
    bags: int
    bag_g: float
    parts_in: int | None = None
    place: str = "shelf 2"
    bin: str = ""
    opened_days_ago: int | None = None
    leaving: tuple[Leaving, ...] = ()
    hold_why: str = ""
    schemes: tuple[str, ...] = ()
    evidence: str = ""

    @property
    def wanted(self) -> Wanted:
        """What is wanted of it."""
        return Wanted(self.bags, self.bag_g)


BATCHES = (
    DemoBatch(
        ALMOND, 24, 1, 3000.0, place="shelf 1", bin="Bin A", opened_days_ago=22,
        leaving=(Leaving(MoveKind.USED, 1640.0),),
    ),
    DemoBatch(
        "Summit mix, pale", 15, 6, 500.0, place="shelf 3", hold_why="drill: one bag was torn, its count is open",
        leaving=(Leaving(MoveKind.GONE_OUT, 500.0, where="Watershed tea room"),),
    ),
    DemoBatch(
        "Summit mix", 9, 8, 500.0, schemes=("eu", "us"), evidence="read against the sacks, sheet 26-14",
        leaving=(
            Leaving(MoveKind.GONE_OUT, 500.0, where="Watershed tea room"),
            Leaving(MoveKind.GONE_OUT, 500.0, where="Viaduct halt"),
            Leaving(MoveKind.USED, 320.0),
        ),
    ),
    DemoBatch("Summit mix", 0, 12, 500.0, parts_in=3),
)  # fmt: skip


def drawn_g() -> dict[str, float]:
    """Return what the demo's batches drew, g by ingredient."""
    found: dict[str, float] = {}
    for given in BATCHES:
        fresh = dict(FRESH) if given.mix == ALMOND else {}
        for slug, mass_g in _masses(given, needed(_mix(given.mix), given.wanted).targets_g).items():
            if slug in fresh:
                continue
            found[slug] = found.get(slug, 0.0) + mass_g
    return found


def _mix(name: str) -> dict[str, float]:
    blend = next(b for b in BLENDS if b.name == name)
    return {slug: float(g) for slug, g in blend.revisions[-1][1].items()}


def _masses(given: DemoBatch, targets_g: Mapping[str, float]) -> dict[str, float]:
    rows = list(targets_g.items())[: given.parts_in]
    return {s: g + OFF_G[n % len(OFF_G)] * (g > 200) for n, (s, g) in enumerate(rows)}


def add_batches(session: Session, kitchen: KitchenNow, now: datetime) -> None:
    """Add the demo's batches as of `now`, with what was weighed, bagged, taken, held and printed."""
    heads = {h.name: h.id for h in DOCUMENTS.page(session, limit=1000)}
    lots = {x.ingredient: x.id for x in all_lots(session) if x.lot.stock_g > 0}
    for found in BINS:  # nobody knows what is in the crock
        add_bin(session, replace(found, cleaned_at=_text(now - timedelta(days=30)) if found.tare_g else ""))
    for given in BATCHES:
        at = now - timedelta(days=given.days_ago)
        own = {s: _fresh(session, s, g, at) for s, g in FRESH if given.mix == ALMOND}
        _add(session, given, heads[given.mix], {**lots, **own}, kitchen, at)
        for lot_id in own.values():
            found_empty(session, _last(session), lot_id, _text(at + timedelta(hours=1)))


def _fresh(session: Session, slug: str, bought_g: float, at: datetime) -> int:
    """A small bag bought for one batch, and used up in it."""
    day = (at - timedelta(days=6)).date()
    lot = Lot(FRESH_CODE, bought_g, bought_g, "Copperbeck Stores", day, day + timedelta(days=200), gluten_mg_per_kg=5.0,
              gluten_basis="supplier's test, at most", gluten_on=day)  # fmt: skip
    return add_lot(session, slug, lot, _text(at)).id


def _last(session: Session) -> int:
    return page_of_batches(session, limit=1)[0].id


def _add(
    session: Session, given: DemoBatch, blend_id: int, lots: Mapping[str, int], kitchen: KitchenNow, at: datetime
) -> None:
    when, day = _text(at), at.date()
    made = begin_plan(session, blend_id, None, when)
    planned = Planned(made.name, given.wanted, replace(made.making, blender="bag-shaken"))
    made = set_plan(session, made.id, planned, made.version, when)
    made = go_on(session, made.id, Going(BatchState.WEIGHING), made.version, when, day)
    for n, (slug, mass_g) in enumerate(_masses(given, made.targets_g).items()):
        key = f"demo-{made.id}-{n:02d}"
        gross_g = mass_g + 850.0
        weighed = Weighed(key, slug, mass_g, lots.get(slug), gross_g, 850.0)
        weigh(session, made.id, weighed, _text(at + timedelta(minutes=2 * n)), day)
    if given.parts_in is None:
        _finish(session, given, made.id, kitchen, at)


def _finish(session: Session, given: DemoBatch, batch_id: int, kitchen: KitchenNow, at: datetime) -> None:
    when = _text(at + timedelta(minutes=30))
    add_step(session, batch_id, StepDone("mix", when, 4.0, {}, "bag 40 % empty, end over end"))
    go_on(session, batch_id, Going(BatchState.BLENDED), get_batch(session, batch_id).version, when, at.date())
    bin_id = next((b.id for b in bins_of(session) if b.name == given.bin), None)
    filled = Filled(given.bags, given.bag_g, given.bag_g, given.place, bin_id=bin_id)
    bags = fill(session, batch_id, filled, when)
    if given.opened_days_ago is not None:
        opened = at + timedelta(days=given.days_ago - given.opened_days_ago)
        set_bag(session, bags[0].id, given.place, opened.date(), _text(opened))
    for bag, leaving in zip(bags, given.leaving, strict=False):
        leave(session, bag.id, leaving, _text(at + timedelta(days=1)))
    for scheme in given.schemes:
        asked = ProofAsked(scheme, bag_g=given.bag_g)
        label = label_of_batch(session, batch_id, asked, kitchen, at.date()).label
        note_print(session, batch_id, "checked", asked, label, given.evidence, when)
        note_print(session, batch_id, "printed", asked, label, "", when)
    if given.hold_why:
        hold(session, when, given.hold_why, batch_id=batch_id)


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")
