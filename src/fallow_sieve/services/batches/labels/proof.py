"""The label of a batch, proofed: from what was weighed with its lots, by a scheme, in a language."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass, replace
from datetime import date

from sqlmodel import Session

from fallow_sieve.core.labels.label import label_of, label_sentence
from fallow_sieve.core.labels.lines import Label, LabelAsked, LabelLine
from fallow_sieve.core.labels.wording import MixTest
from fallow_sieve.core.values import BadInputError, Estimate
from fallow_sieve.services.batches.made import Made, mix_for_label
from fallow_sieve.services.batches.page import OnRecord, made_or_planned, on_record
from fallow_sieve.services.batches.parts import parts_seen
from fallow_sieve.services.formulas.working import finished
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.labels.making import US_PORTION_G
from fallow_sieve.services.labels.rules import rules_of
from fallow_sieve.store import FORMULAS, formulas_on_blend
from fallow_sieve.store.batches import Printed, StepDone, add_print, prints_of

_ORDER = {"held": 0, "close": 1, "unknown": 2, "pass": 3}


@dataclass(frozen=True, slots=True)
class ProofAsked:
    """By what a label is proofed: scheme, language (empty: the scheme's own), size, g in a bag, a portion (g).

    Claims are judged on the bake of the formula that is named, for that is what is eaten.
    """

    scheme: str = "eu"
    language: str = ""
    size: str = ""
    bag_g: float | None = None
    portion_g: float | None = None
    formula_id: int | None = None


@dataclass(frozen=True, slots=True)
class BatchLabel:
    """A label with the batch on record that it is of, and the mix as it was made."""

    label: Label
    found: OnRecord
    made: Made

    @property
    def best_before(self) -> str:
        """Until when the mix keeps (ISO); empty where no date is promised."""
        low = self.made.kept.low
        return low.isoformat() if low and self.found.batch.made_on else ""


def label_of_batch(session: Session, batch_id: int, asked: ProofAsked, kitchen: KitchenNow, today: date) -> BatchLabel:
    """Return the label of a batch as weighed; of a plan as it would be drawn.

    Raises NotFoundError, UnknownNameError, and BadInputError where nothing is in it.
    """
    found = on_record(session, batch_id)
    parts = parts_seen(session, found.batch, found.weighings, found.lots, found.held, kitchen.shelf, today)
    made = made_or_planned(found, parts, kitchen, today)
    eaten = _eaten(session, found, made, asked.formula_id, kitchen) if asked.formula_id and made else None
    return _labelled(found, made, asked, kitchen, checked_by(prints_of(session, batch_id), asked.scheme), eaten)


def label_of_file(found: OnRecord, asked: ProofAsked, kitchen: KitchenNow, today: date) -> BatchLabel:
    """Return the label of a batch that was read from a file. Raises as label_of_batch does."""
    return _labelled(found, made_or_planned(found, (), kitchen, today), asked, kitchen, "")


def _labelled(
    found: OnRecord,
    made: Made | None,
    asked: ProofAsked,
    kitchen: KitchenNow,
    checked: str,
    eaten: Mapping[str, Estimate] | None = None,
) -> BatchLabel:
    if made is None:
        raise BadInputError("nothing is in it, or an ingredient is gone from the shelf", right="weigh something first")
    why = found.holds[0].why if found.holds else ""
    mix = replace(mix_for_label(found.batch, made, found.weighings, kitchen, found.held, why), eaten=eaten)
    wants = LabelAsked(
        bag_g=asked.bag_g if asked.bag_g is not None else found.batch.wanted.bag_g,
        portion_g=asked.portion_g if asked.portion_g is not None else (US_PORTION_G if asked.scheme == "us" else None),
        test=_test(found.steps),
        clean_line=_is_clean(found.steps),
        may_contain=_may_contain(found.steps),
        checked=checked,
    )
    return BatchLabel(label_of(mix, rules_of(asked.scheme, asked.language), wants), found, made)


def _eaten(
    session: Session, found: OnRecord, made: Made, formula_id: int, kitchen: KitchenNow
) -> Mapping[str, Estimate]:
    """Nutrients per 100 g of the bake of a formula, with the mix as it was made in it. Raises BadInputError."""
    formula = FORMULAS.draft(session, formula_id).content
    if formula.pin is None or formula.pin.id != found.batch.blend_id:
        raise BadInputError(
            f"formula {formula_id} works with another blend", place="/formula", right="one that works with this one"
        )
    return finished(replace(formula, blend=made.blend.parts), kitchen).per_100_g


def _test(steps: Sequence[StepDone]) -> MixTest | None:
    tests = [s.said for s in steps if s.kind == "gluten-test"]
    return MixTest(**tests[-1]) if tests else None


def _is_clean(steps: Sequence[StepDone]) -> bool:
    """The line counts as clean unless a step says that gluten went before, and none that it was cleaned since."""
    kinds = [s.kind for s in steps if s.kind in ("after-gluten", "clean")]
    return not kinds or kinds[-1] != "after-gluten"


def _may_contain(steps: Sequence[StepDone]) -> tuple[tuple[str, str], ...]:
    return tuple((str(s.said["name"]), s.note) for s in steps if s.kind == "may-contain")


def checked_by(prints: Sequence[Printed], scheme: str) -> str:
    """Return by what evidence the label was last checked for a scheme; empty: it was not."""
    checks = [p for p in prints if p.kind == "checked" and p.scheme == scheme]
    return f"{checks[-1].at[:10]}: {checks[-1].evidence}" if checks else ""


@dataclass(frozen=True, slots=True)
class Proof:
    """A label proofed: its lines as they print, the same with what holds first, one sentence, what is on record."""

    scheme: str
    lines: list[LabelLine]
    proof: list[LabelLine]
    table: list[dict[str, str]]
    say: str
    draft: str
    checked: str
    printed: list[Printed]
    formulas: dict[int, str]


def proof_of(session: Session, of: BatchLabel, asked: ProofAsked) -> Proof:
    """Return a label with its proof, what is held first, and the formulas on which claims can be judged."""
    label, batch = of.label, of.found.batch
    prints = prints_of(session, batch.id)
    formulas = formulas_on_blend(session, batch.blend_id) if batch.blend_id else {}
    order = sorted(label.lines, key=lambda x: _ORDER.get(str(x.status), 2))
    table = [{"text": r.text, "printed": r.printed, "per": r.per} for r in label.table.rows]
    checked = checked_by(prints, asked.scheme)
    return Proof(
        asked.scheme, list(label.lines), order, table, label_sentence(label), label.draft, checked, prints, formulas
    )


def note_print(
    session: Session, batch_id: int, kind: str, asked: ProofAsked, label: Label, evidence: str, now: str
) -> None:
    """Note that a label was `printed` or `checked`. A check says by what evidence. Raises BadInputError."""
    if kind == "checked" and not evidence.strip():
        right = "by what: a laboratory's number, a competent person's word"
        raise BadInputError("checked without evidence", place="/evidence", right=right)
    lines = [{**asdict(x), "status": str(x.status), "evidence": list(x.evidence)} for x in label.lines]
    made = Printed(kind, now, asked.scheme, asked.language, asked.size, lines, evidence.strip())
    add_print(session, batch_id, made)
