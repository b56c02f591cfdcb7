"""A batch's label as it prints: what is held is left out, and the QR holds the record."""

from __future__ import annotations

from dataclasses import replace

from fallow_sieve.core.batches.batch import poured_g
from fallow_sieve.core.batches.codes import bag_code
from fallow_sieve.core.labels.lines import Label, LabelLine
from fallow_sieve.core.values import Status
from fallow_sieve.formats.labels import BatchRecord, LaidOut, Printing, RecordPart, lay_out
from fallow_sieve.reference.labelling import label_text
from fallow_sieve.services.batches.labels.proof import BatchLabel, ProofAsked
from fallow_sieve.services.batches.mix import SCOOP_ML, scoop_of
from fallow_sieve.services.labels.rules import OWN_LANGUAGE

MOST_LABELS = 500
NO_BAG = 0


def printing_of(of: BatchLabel, asked: ProofAsked, maker: str, bag: int = NO_BAG) -> Printing:
    """Return what prints on the label of a batch, for a bag by its number or for the batch."""
    language = asked.language or OWN_LANGUAGE.get(asked.scheme, "en_gb")
    label, found, batch = of.label, of.found, of.found.batch
    line = {x.key: x for x in label.lines}
    held = line.get("hold")
    return Printing(
        name=batch.name,
        binder=_text(line.get("binder")),
        ingredients=_list(label, line, language),
        allergens=_text(line.get("allergens")),
        has=_has(label, language),
        may_contain=_text(line.get("may contain")),
        table_title=_text(line.get("nutrition")),
        table=_table(label, line, asked, language),
        gluten=_text(line.get("gluten wording")),
        net=_text(line.get("net mass")),
        best_before=_text(line.get("best before")),
        storage=_text(line.get("storage")),
        opened_on=f"{label_text('opened_on', language)}:",
        scoop=_scoop(of, language),
        code=bag_code(batch.code, bag) if bag else batch.code,
        bag=f"bag {bag} of {len(found.bags)}" if bag else "",
        maker=maker,
        draft=label.draft,
        held=label_text("held", language) if held else "",
        record=record_of(of, bag),
    )


def _text(line: LabelLine | None) -> str:
    return line.text if line is not None and line.status is not Status.HELD else ""


def _list(label: Label, line: dict[str, LabelLine], language: str) -> tuple[tuple[str, bool], ...]:
    if not _text(line.get("ingredients")):
        return ()
    runs: list[tuple[str, bool]] = [(f"{label_text('ingredients', language)}: ", True)]
    for n, row in enumerate(label.listed):
        runs += [(r.text, r.bold) for r in row.runs]
        runs.append((", " if n < len(label.listed) - 1 else ".", False))
    return tuple(runs)


def _table(
    label: Label, line: dict[str, LabelLine], asked: ProofAsked, language: str
) -> tuple[tuple[str, str, bool], ...]:
    if not _text(line.get("nutrition")):
        return ()
    per = {r.per for r in label.table.rows}
    wanted = next((p for p in per if p != "100 g"), "100 g") if asked.scheme == "us" else "100 g"
    rows: list[tuple[str, str, bool]] = []
    for r in (r for r in label.table.rows if r.per == wanted):
        name = label_text(r.text, language)
        if rows and rows[-1][0] == name:  # energy in both units stands on one line
            rows[-1] = (name, f"{rows[-1][1]} / {r.printed}", r.indented)
        else:
            rows.append((name, r.printed, r.indented))
    return tuple(rows)


def _has(label: Label, language: str) -> str:
    names = ", ".join(label.allergens.mandatory)
    return f"{label_text('contains', language, names=names)}." if names else ""


def _scoop(of: BatchLabel, language: str) -> str:
    found = scoop_of(of.made)
    return label_text("scoop", language, ml=f"{SCOOP_ML:g}", g=f"{found.typical:.0f}") if found else ""


def record_of(of: BatchLabel, bag: int = NO_BAG) -> BatchRecord:
    """Return the record of a batch that its QR holds."""
    label, found, batch = of.label, of.found, of.found.batch
    have = sorted(poured_g(found.weighings).items(), key=lambda x: -x[1])
    lots = {w.ingredient: found.lot_of[w.lot_id].lot.code for w in found.weighings if w.lot_id in found.lot_of}
    binder = next((x for x in label.lines if x.key == "binder"), None)
    return BatchRecord(
        code=batch.code,
        name=f"{batch.name} R{batch.revision}",
        made_on=batch.made_on,
        best_before=of.best_before,
        made_g=sum(b.net_g for b in found.bags) or sum(g for _, g in have),
        bag=f"{bag}:{len(found.bags)}" if bag else "",
        binder="IN" if binder and "add no more" in binder.text.lower() else "SEE LABEL",
        has=tuple(label.allergens.mandatory),
        parts=tuple(RecordPart(s.replace("-", " "), lots.get(s, ""), g) for s, g in have),
    )


def laid_out(of: BatchLabel, asked: ProofAsked, maker: str, bag: int = NO_BAG) -> LaidOut:
    """Return a label laid out in the size that is asked for. Raises UnknownNameError, BadInputError."""
    return lay_out(printing_of(of, asked, maker, bag), asked.size or USUAL_SIZE)


USUAL_SIZE = "bag-100x150"


def for_bags(of: BatchLabel, asked: ProofAsked, maker: str) -> list[LaidOut]:
    """Return a label for every bag that has something in it; one for the batch where nothing is bagged."""
    found = of.found
    numbers = [b.number for b in found.bags if b.left_g > 0][:MOST_LABELS] or [NO_BAG]
    first = printing_of(of, asked, maker, numbers[0])
    size = asked.size or USUAL_SIZE
    return [
        lay_out(
            replace(
                first,
                code=bag_code(found.batch.code, n) if n else found.batch.code,
                bag=f"bag {n} of {len(found.bags)}" if n else "",
                record=record_of(of, n),
            ),
            size,
        )
        for n in numbers
    ]
