"""Schedules as documents: their content is a schedule file as it is read and written."""

from __future__ import annotations

from fallow_sieve.formats.schedule import PlanFile
from fallow_sieve.store.documents import Documents, Record, Tables, refuse_empty
from fallow_sieve.store.tables import ScheduleDraftRow, ScheduleRevisionRow, ScheduleRow


class ScheduleCodec:
    """A schedule's content is its file; what is as usual is left out."""

    def record(self, content: PlanFile) -> Record:
        """Return the schedule as the record that is stored."""
        return content.model_dump(mode="json", exclude_defaults=True) | {"format": content.format, "version": 1}

    def content(self, record: Record) -> PlanFile:
        """Return a stored record as a schedule."""
        return PlanFile.model_validate(record)

    def check_worth_keeping(self, content: PlanFile) -> None:
        """Raise BadInputError for a schedule of nothing."""
        refuse_empty(content.products, "schedule", "/products")

    def ingredients(self, record: Record) -> set[str]:
        """Return the slugs of the formulas' lines and of their blends' parts."""
        formulas = [p.get("formula") or {} for p in record.get("products", [])]
        lines = [x["ingredient"] for f in formulas for x in f.get("lines", [])]
        return {*lines, *(x["ingredient"] for f in formulas for x in (f.get("blend") or {}).get("parts", []))}


SCHEDULES: Documents[PlanFile] = Documents(
    "schedule", Tables(ScheduleRow, ScheduleDraftRow, ScheduleRevisionRow, "schedule_id"), ScheduleCodec()
)
