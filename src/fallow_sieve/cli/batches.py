"""`batch-code` and `label`: how a code is meant, and what stands on the label of a mix."""

from __future__ import annotations

from pathlib import Path

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say
from fallow_sieve.core.batches.codes import read_code
from fallow_sieve.core.labels.label import label_sentence
from fallow_sieve.core.labels.lines import Label, LabelAsked
from fallow_sieve.core.values import Status
from fallow_sieve.formats.batches import CodeAnswer
from fallow_sieve.formats.blends import read_blend
from fallow_sieve.formats.labels import label_answer
from fallow_sieve.services.labels.making import label_of_blend

_MARKS = {Status.PASS: "passes", Status.CLOSE: "close", Status.HELD: "HELD", Status.UNKNOWN: "unknown"}


def batch_code(code: str, json: bool) -> None:
    """Print a code as it is meant; end with 1 where its check does not hold."""
    found = read_code(code)
    words = found.code if found.valid else f"{found.code}: the check character does not hold, look at the bag again"
    say(CodeAnswer(code=found.code, valid=found.valid, bag=found.bag), words, json=json)
    end_held(not found.valid)


def label(path: str, scheme: str, bag_g: float | None, json: bool, db: Path | None) -> None:
    """Print the label of a blend; end with 1 where a line of it is held."""
    document = read_blend(read_file(path))
    kitchen = kitchen_at(db, None).with_ingredients(document.ingredients)
    found = label_of_blend(document.blend, kitchen, scheme, LabelAsked(bag_g=bag_g))
    say(label_answer(found, scheme), _told(found), json=json)
    end_held(bool(found.held))


def _told(label: Label) -> str:
    rows = [label_sentence(label), ""]
    for x in label.lines:
        rows.append(f"{_MARKS[x.status]:<8}{x.title}: {x.text or '—'}")
        rows += [f"          {why}" for why in x.evidence if why]
    rows += ["", *(f"  {r.text:<16}{r.printed:>14} per {r.per}" for r in label.table.rows)]
    return "\n".join([*rows, "", label.draft or "Checked, as recorded.", "Check locally: law is quoted from memory."])
