"""`batch-code`, `batch`, `label` and `trace`: how a code is meant, a batch as a file, its label, and where it went."""

from __future__ import annotations

import json as jsonlib
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, date, datetime
from pathlib import Path

import typer
from sqlmodel import Session

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say
from fallow_sieve.core.batches.codes import read_code
from fallow_sieve.core.labels.label import label_sentence
from fallow_sieve.core.labels.lines import Label, LabelAsked
from fallow_sieve.core.values import BadInputError, Status, shown
from fallow_sieve.formats.batches import BatchFile, CodeAnswer, TraceAnswer, trace_link
from fallow_sieve.formats.blends import read_blend
from fallow_sieve.formats.labels import label_answer, pdf_of
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.services.batches.files import batch_file, on_file
from fallow_sieve.services.batches.labels.printing import for_bags
from fallow_sieve.services.batches.labels.proof import BatchLabel, ProofAsked, label_of_batch, label_of_file
from fallow_sieve.services.batches.page import on_record
from fallow_sieve.services.kitchen import KitchenNow, kitchen_now
from fallow_sieve.services.labels.making import label_of_blend
from fallow_sieve.services.stock.trace import Trace, trace_batch, trace_lot
from fallow_sieve.store import KitchenStore, settings_of
from fallow_sieve.store.batches import batch_by_code
from fallow_sieve.store.ingredients import all_lots

_MARKS = {Status.PASS: "passes", Status.CLOSE: "close", Status.HELD: "HELD", Status.UNKNOWN: "unknown"}


@dataclass(frozen=True, slots=True)
class LabelOptions:
    """What `label` is asked for: scheme, g in a bag, size, and the file that a PDF goes into."""

    scheme: str = "eu"
    bag_g: float | None = None
    size: str = ""
    pdf: Path | None = None

    @property
    def asked(self) -> ProofAsked:
        """The same as a proof asks it."""
        return ProofAsked(self.scheme, size=self.size, bag_g=self.bag_g)


def batch_code(code: str, json: bool) -> None:
    """Print a code as it is meant; end with 1 where its check does not hold."""
    found = read_code(code)
    words = found.code if found.valid else f"{found.code}: the check character does not hold, look at the bag again"
    say(CodeAnswer(code=found.code, valid=found.valid, bag=found.bag), words, json=json)
    end_held(not found.valid)


@contextmanager
def _kitchen(db: Path | None) -> Iterator[tuple[Session, KitchenNow, date]]:
    if db is None or not db.is_file():
        raise BadInputError(
            f"there is no database {str(db or '')!r}", place="--db", right="name the kitchen's database"
        )
    today = datetime.now(UTC).date()
    with KitchenStore.to_read(db) as store, store.reading() as session:
        yield session, kitchen_now(store, today), today


def _batch_id(session: Session, code: str) -> int:
    found = batch_by_code(session, read_code(code).code)
    if found is None:
        raise BadInputError(f"no batch has the code {shown(code)}", right="read it off the bag again")
    return found.id


def batch(code: str, db: Path | None) -> None:
    """Print a batch as its file."""
    with _kitchen(db) as (session, _, _today):
        typer.echo(batch_file(on_record(session, _batch_id(session, code))).model_dump_json(indent=1))


def label(path: str, options: LabelOptions, json: bool, db: Path | None) -> None:
    """Print the label of a blend or batch; end with 1 where a line of it is held."""
    of_batch, found = _label(path, options, db)
    if options.pdf is not None:
        if of_batch is None:
            raise BadInputError("a PDF of a blend", place="--pdf", right="name a batch: only what was made is printed")
        made, maker = of_batch
        pages = for_bags(made, options.asked, maker)
        batch_name = made.found.batch
        options.pdf.write_bytes(
            pdf_of([p.page for p in pages], f"{batch_name.name} {batch_name.code}", pages[0].size.per_sheet)
        )
    say(label_answer(found, options.scheme), _told(found), json=json)
    end_held(bool(found.held))


def _label(path: str, options: LabelOptions, db: Path | None) -> tuple[tuple[BatchLabel, str] | None, Label]:
    if path != "-" and not Path(path).exists() and read_code(path).valid:
        with _kitchen(db) as (session, here, today):
            made = label_of_batch(session, _batch_id(session, path), options.asked, here, today)
            return (made, settings_of(session).name), made.label
    data = read_file(path, "a blend file, a batch file, or the code of a batch")
    if _is_batch(data):
        file = validate(BatchFile, parse_json(data))
        made = label_of_file(on_file(file), options.asked, kitchen_at(db, None), datetime.now(UTC).date())
        return (made, ""), made.label
    document = read_blend(data)
    kitchen = kitchen_at(db, None).with_ingredients(document.ingredients)
    return None, label_of_blend(document.blend, kitchen, options.scheme, LabelAsked(bag_g=options.bag_g))


def _is_batch(data: bytes) -> bool:
    try:
        found = jsonlib.loads(data)
    except ValueError:
        return False
    return isinstance(found, dict) and found.get("format") == "fallow-sieve/batch"


def _told(label: Label) -> str:
    rows = [label_sentence(label), ""]
    for x in label.lines:
        rows.append(f"{_MARKS[x.status]:<8}{x.title}: {x.text or '—'}")
        rows += [f"          {why}" for why in x.evidence if why]
    rows += ["", *(f"  {r.text:<16}{r.printed:>14} per {r.per}" for r in label.table.rows)]
    return "\n".join([*rows, "", label.draft or "Checked, as recorded.", "Check locally: law is quoted from memory."])


def trace(of: str, json: bool, db: Path | None) -> None:
    """Print where a lot or batch came from and went; end with 1 where a balance fails."""
    with _kitchen(db) as (session, here, _today):
        lots = [x for x in all_lots(session) if x.lot.code.lower() == of.strip().lower()]
        if len(lots) > 1:
            right = f"one of {', '.join(x.ingredient for x in lots)}: give one of them another code"
            raise BadInputError(f"{shown(of)} is the code of {len(lots)} lots", right=right)
        found = (
            trace_lot(session, lots[0].id, here.shelf)
            if lots
            else trace_batch(session, _batch_id(session, of), here.shelf)
        )
    say(_answer(found), _trace_told(found), json=json)
    end_held(not found.balanced)


def _answer(found: Trace) -> TraceAnswer:
    lots, batches = {x.id: x.code for x in found.lots}, {b.id: b.code for b in found.batches}
    return TraceAnswer(
        title=found.title,
        say=found.say,
        links=[trace_link(lots.get(k.lot_id or 0, ""), batches[k.batch_id], k.place, k.mass_g) for k in found.links],
        nobody_knows_g={b.code: round(b.nobody_knows_g, 3) for b in found.batches},
        balanced=found.balanced,
    )


def _trace_told(found: Trace) -> str:
    lots, rows = {x.id: f"{x.code} {x.name.lower()}" for x in found.lots}, [found.say]
    for b in found.batches:
        rows += ["", f"{b.code} {b.name}, made {b.made_on}, {b.in_g:.0f} g{' HELD' if b.held else ''}"]
        for k in (k for k in found.links if k.batch_id == b.id):
            what = f"from {lots.get(k.lot_id, '')}" if k.lot_id else k.place
            rows.append(f"  {k.mass_g:>8.0f} g {k.pct:>5.1f} %  {what}")
        rows.append(f"  {b.nobody_knows_g:>8.0f} g {100 - b.found_pct:>5.1f} %  nobody knows")
    return "\n".join(rows)
