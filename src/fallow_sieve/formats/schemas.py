"""The JSON Schemas of the formats. `python -m fallow_sieve.formats.schemas` writes them beside this file."""

from __future__ import annotations

import json
from pathlib import Path

from pydantic import BaseModel

from fallow_sieve.formats.batches import BatchFile, CodeAnswer, TraceAnswer
from fallow_sieve.formats.blends import AnalysisDocument, BlendFile, OpenedAnswer
from fallow_sieve.formats.briefs import BriefFile, MendOut, ProposalsOut
from fallow_sieve.formats.experiments import ExperimentAnswer, ExperimentFile
from fallow_sieve.formats.formulas import FormulaAnswer, FormulaFile, ScaleAnswer, TemperatureAnswer
from fallow_sieve.formats.ingredients import ComparisonDocument
from fallow_sieve.formats.labels import LabelAnswer
from fallow_sieve.formats.recipes import ConvertAnswer, ReadAnswer
from fallow_sieve.formats.schedule import (
    DoughIn,
    PlanFile,
    RipenAnswer,
    RiseAnswer,
    RiseIn,
    ScheduleAnswer,
    StarterAnswer,
    StarterIn,
)
from fallow_sieve.formats.tastings import TastingAnswer
from fallow_sieve.formats.trials import FaultCaseIn, FaultsAnswer, TrialAnswer, TrialFile

FOLDER = Path(__file__).with_name("schemas")
MODELS: dict[str, type[BaseModel]] = {
    "blend-1.json": BlendFile,
    "analysis-1.json": AnalysisDocument,
    "opened-bag-1.json": OpenedAnswer,
    "comparison-1.json": ComparisonDocument,
    "brief-1.json": BriefFile,
    "proposals-1.json": ProposalsOut,
    "mend-1.json": MendOut,
    "formula-1.json": FormulaFile,
    "formula-answer-1.json": FormulaAnswer,
    "conversion-1.json": ConvertAnswer,
    "recipe-1.json": ReadAnswer,
    "scaling-1.json": ScaleAnswer,
    "temperature-1.json": TemperatureAnswer,
    "dough-1.json": DoughIn,
    "ripening-1.json": RipenAnswer,
    "readings-1.json": RiseIn,
    "rise-1.json": RiseAnswer,
    "leaven-1.json": StarterIn,
    "builds-1.json": StarterAnswer,
    "schedule-1.json": PlanFile,
    "plan-1.json": ScheduleAnswer,
    "trial-1.json": TrialFile,
    "trial-answer-1.json": TrialAnswer,
    "fault-case-1.json": FaultCaseIn,
    "faults-1.json": FaultsAnswer,
    "tasting-1.json": TastingAnswer,
    "experiment-1.json": ExperimentFile,
    "experiment-answer-1.json": ExperimentAnswer,
    "batch-code-1.json": CodeAnswer,
    "batch-1.json": BatchFile,
    "trace-1.json": TraceAnswer,
    "label-1.json": LabelAnswer,
}


def schema_text(name: str) -> str:
    """Return the JSON Schema (2020-12) of the format file `name` as text."""
    schema = {"$schema": "https://json-schema.org/draft/2020-12/schema", **MODELS[name].model_json_schema()}
    return json.dumps(schema, ensure_ascii=False, indent=1, sort_keys=True) + "\n"


def write_schemas() -> None:
    """Write every schema to the package's folder."""
    for name in MODELS:
        FOLDER.joinpath(name).write_text(schema_text(name), encoding="utf-8")


if __name__ == "__main__":
    write_schemas()
