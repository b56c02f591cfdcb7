"""An experiment as a tidy table: a bake a row."""

from __future__ import annotations

from fallow_sieve.formats.shared import guarded, write_csv
from fallow_sieve.services.experiments.page import ExperimentPage

Cell = str | float | None


def tidy_table(page: ExperimentPage) -> str:
    """Return the bakes of an experiment as CSV text: shares of what is varied (0–1) and g a part, the response."""
    names = [p.name for p in page.asked.parts]
    header = ["experiment", "run", "day", "order", *(f"x {n}" for n in names), *(f"{n} g" for n in names), "z",
              "response", "unit", "value", "se", "replicate group"]  # fmt: skip
    rows: list[list[Cell]] = []
    for place, r in enumerate(page.runs, start=1):
        value = None if r.failed else r.value
        rows.append(
            [guarded(page.record.name), str(r.number), str(r.day), str(place), *r.x, *r.grams, "0",
             guarded(page.response.label), page.response.unit, value, r.se or None, str(r.group)]
        )  # fmt: skip
    return write_csv([guarded(h) for h in header], rows)
