"""Writes use_bands.csv and use_nutrition.csv anew from the record of practice: `make bands`, after a mix was added or a number changed."""

from __future__ import annotations

import csv
import sys
from collections.abc import Sequence
from pathlib import Path

from fallow_sieve.core.blends import MixClass, UseBand, bands_of, usual_nutrition
from fallow_sieve.reference import record

HEADER = (
    "use", "mix_class", "metric", "hard_low", "good_low", "good_high", "hard_high", "holds_low", "holds_high",
    "weight", "mixes", "why", "basis",
)  # fmt: skip


def rows() -> list[list[str]]:
    """Return the table: a row for each use, class and metric."""
    kept = record()
    found = []
    for use in kept.families:
        classes = {m.mix_class for m in kept.mixes if m.use == use}
        for mix_class in MixClass:
            if mix_class in classes or mix_class is MixClass.PLAIN:
                found += [_row(use, mix_class, band) for band in bands_of(kept, use, mix_class)]
    return found


def nutrition_rows() -> list[list[str]]:
    """Return where the mixes of each use lie on what is not judged."""
    kept = record()
    return [
        [use, u.metric, f"{u.low:g}", f"{u.high:g}", str(u.mixes)]
        for use in kept.families
        for u in usual_nutrition(kept, use)
    ]


def write(name: str, header: Sequence[str], table: list[list[str]]) -> None:
    """Write one table into the folder that the command names."""
    with Path(sys.argv[1], f"{name}.csv").open("w", encoding="utf-8", newline="") as file:
        csv.writer(file, lineterminator="\n").writerows([header, *table])


def _row(use: str, mix_class: MixClass, band: UseBand) -> list[str]:
    holds = ("yes" if h else "no" for h in (band.holds_low, band.holds_high))
    limits = (f"{x:g}" for x in band.limits)
    return [use, mix_class, band.metric, *limits, *holds, f"{band.weight:g}", str(band.mixes), band.why, band.basis]


if __name__ == "__main__":
    write("use_bands", HEADER, rows())
    write("use_nutrition", ("use", "metric", "low", "high", "mixes"), nutrition_rows())
