"""Loads the tables of trials: measures and their bands, evidence, faults, causes, sizes of changes, learners."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.trials.differences.changes import StepSize
from fallow_sieve.core.trials.faults.tables import (
    Cause,
    Edit,
    Evidence,
    Fault,
    FaultTables,
    tests_of,
)
from fallow_sieve.core.trials.learning.learner import Learner
from fallow_sieve.core.trials.quantities import Moment, Quantity, by_name, fault_quantity
from fallow_sieve.core.values import Band
from fallow_sieve.reference.tables import read_table


@dataclass(frozen=True, slots=True)
class MeasureRow:
    """A measure: unit, how it is taken, limits, sd of a reading and from bake to bake, what may be compared.

    `rung` is a step of its ladder on a sheet, in its unit or in % of what is planned; `words` stand for its values.
    """

    measure: str
    name: str
    moment: str
    unit: str
    how: str
    least: float
    most: float
    sd_reading: float | None
    sd_bake: float | None
    prior_df: float | None
    compare_only_within: str
    rung: str
    words: tuple[str, ...]
    basis: str


@dataclass(frozen=True, slots=True)
class EvidenceQuantityRow:
    """A quantity that speaks for or against causes: unit, where it is from, the question on a sheet, limits."""

    quantity: str
    name: str
    moment: str
    unit: str
    source: str
    how: str
    ask: str
    least: float
    most: float
    basis: str


@dataclass(frozen=True, slots=True)
class MeasureBandRow:
    """The band of a measure for a use, or for a word that holds of a bake, in the measure's unit."""

    where: str
    measure: str
    hard_low: float
    good_low: float
    good_high: float
    hard_high: float
    basis: str


@dataclass(frozen=True, slots=True)
class FaultRow:
    """What is seen, in whose words, when, where it belongs, how bad."""

    fault: str
    name: str
    also_called: str
    moment: str
    where: str
    severity: float
    basis: str


@dataclass(frozen=True, slots=True)
class CauseRow:
    """A cause, what has to hold, what it does, and the change to try."""

    cause: str
    name: str
    applies: str
    explanation: str
    change: str
    lever: str
    target: str
    op: str
    size: float
    unit: str
    side_effect: str
    basis: str


@dataclass(frozen=True, slots=True)
class FaultEvidenceRow:
    """A fault and a cause: prior, tests and a sentence."""

    fault: str
    cause: str
    prior: float
    tests: str
    say: str
    basis: str


@dataclass(frozen=True, slots=True)
class ChangeStepRow:
    """A group of changes between two bakes, and what counts as one step."""

    group: str
    quantity: str
    unit: str
    step: float
    basis: str


@dataclass(frozen=True, slots=True)
class LearnerRow:
    """A learner: its scale, what it is predicted from, the three prior sds and that of a bake, and what it moves."""

    learner: str
    scale: str
    predicted_from: str
    sd_kitchen: float | None
    sd_use: float | None
    sd_formula: float | None
    sd_bake: float
    observation: str
    counts_when: str
    moves: str
    basis: str


@cache
def fault_tables() -> FaultTables:
    """Return faults, causes and evidence by name."""
    evidence: dict[str, tuple[Evidence, ...]] = {}
    for r in read_table("fault_evidence", FaultEvidenceRow):
        row = Evidence(r.fault, r.cause, r.prior, tests_of(r.tests), r.say, r.basis)
        evidence[r.fault] = (*evidence.get(r.fault, ()), row)
    return FaultTables(
        {r.fault: _fault(r) for r in read_table("faults", FaultRow)},
        {r.cause: _cause(r) for r in read_table("causes", CauseRow)},
        evidence,
    )


def _fault(r: FaultRow) -> Fault:
    words = tuple(w.strip() for w in r.also_called.split(";"))
    return Fault(r.fault, r.name, words, r.moment, tuple(r.where.split()), r.severity, r.basis)


def _cause(r: CauseRow) -> Cause:
    edit = Edit(r.lever, r.target, r.op, r.size, r.unit)
    return Cause(r.cause, r.name, frozenset(r.applies.split()), r.explanation, r.change, edit, r.side_effect, r.basis)


@cache
def quantities() -> Mapping[str, Quantity]:
    """Return everything that can be noted of a bake, by name: measures, other quantities, and marks of faults."""
    asked = {r.quantity: r for r in read_table("evidence_quantities", EvidenceQuantityRow)}
    measures = [_measure(r, asked.get(r.measure)) for r in read_table("measures", MeasureRow)]
    others = [_other(r) for r in asked.values()]
    faults = [fault_quantity(f.fault, f.name, f.moment, f.also_called) for f in fault_tables().faults.values()]
    return by_name([*measures, *others, *faults])


def _measure(r: MeasureRow, asked: EvidenceQuantityRow | None) -> Quantity:
    return Quantity(
        r.measure, r.name, Moment(r.moment), r.unit, r.how, r.least, r.most, "measure", r.sd_reading, r.sd_bake,
        r.prior_df or 4.0, r.compare_only_within, asked.ask if asked else "", r.basis, (), r.rung, r.words,
    )  # fmt: skip


def _other(r: EvidenceQuantityRow) -> Quantity:
    return Quantity(
        r.quantity, r.name, Moment(r.moment), r.unit, r.how, r.least, r.most, r.source, ask=r.ask, basis=r.basis
    )


@cache
def measure_bands() -> Mapping[tuple[str, str], Band]:
    """Return the band of each measure, in its unit, by use (or a word that holds) and measure."""
    rows = read_table("measure_bands", MeasureBandRow)
    return {(r.where, r.measure): Band(r.hard_low, r.good_low, r.good_high, r.hard_high) for r in rows}


@cache
def step_sizes() -> Mapping[str, StepSize]:
    """Return what counts as one step of a change, by group."""
    return {r.group: StepSize(r.group, r.unit, r.step) for r in read_table("change_steps", ChangeStepRow)}


@cache
def learners() -> Mapping[str, Learner]:
    """Return how each quantity is learnt, by name; a level without an sd is none of it."""
    return {r.learner: _learner(r) for r in read_table("learners", LearnerRow)}


def _learner(r: LearnerRow) -> Learner:
    sds = tuple(sd for sd in (r.sd_kitchen, r.sd_use, r.sd_formula) if sd is not None)
    return Learner(r.learner, r.scale, sds, r.sd_bake, r.moves)
