"""The record of practice for one use: its mixes as the bench would show them, to be seen beside a blend."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.blends import BANDED, MixClass, analyse, class_of
from fallow_sieve.reference import MixRow, blend_on_record, library_shelf, practice_mixes
from fallow_sieve.services.kitchen import use_named


@dataclass(frozen=True, slots=True)
class MixOnRecord:
    """A mix that people bake: what it is made of in words, what else carries it, why it works, and its metrics."""

    key: str
    mix_class: MixClass
    made_of: str
    carried_by: str
    why: str
    values: dict[str, float]


@cache
def mixes_on_record(use: str) -> tuple[MixOnRecord, ...]:
    """Return the mixes on record for a use, metrics in their units. Raises UnknownNameError."""
    known = use_named(use, "/use")
    assert known is not None
    found = []
    for row in practice_mixes():
        if row.use == use:
            analysis = analyse(blend_on_record(row), library_shelf())
            values = {m: e.typical for m in BANDED if (e := analysis.metrics[m]).typical is not None}
            mix_class = class_of(analysis, known.family, known.classes)
            found.append(MixOnRecord(row.key, mix_class, _in_words(row), row.carried_by, row.why, values))
    return tuple(found)


def _in_words(row: MixRow) -> str:
    parts = blend_on_record(row).parts
    return ", ".join(f"{p.mass_g:g} {library_shelf()[p.ingredient].name.lower()}" for p in parts)
