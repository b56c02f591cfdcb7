"""`trial` and `faults`: how a bake went, and what may be behind a fault."""

from __future__ import annotations

from pathlib import Path

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say
from fallow_sieve.core.values import Status
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.formats.trials import FaultCaseIn, FaultsAnswer, FaultTold, TrialAnswer, TrialFile
from fallow_sieve.services.trials.making import trial_of_file
from fallow_sieve.services.trials.telling import faults_answer, trial_answer

_HELD_FROM = 2.0


def trial(path: str, against: Path | None, json: bool, db: Path | None) -> None:
    """Print how a bake went. Exit 1 where a measure or mark is held."""
    here = kitchen_at(db, None)
    file = validate(TrialFile, parse_json(read_file(path, "a trial file")))
    now = trial_of_file(file, here)
    before = None
    if against is not None:
        other = validate(TrialFile, parse_json(read_file(str(against), "a trial file")))
        before = trial_of_file(other, here)
    answer = trial_answer(now, file.name, before)
    say(answer, _trial_words(answer), json=json)
    held = any(m.status == Status.HELD for m in answer.measures.values())
    end_held(held or any(f.strength >= _HELD_FROM for f in answer.faults))


def faults(path: str, json: bool) -> None:
    """Print the ranking of a fault's causes."""
    answer = faults_answer(validate(FaultCaseIn, parse_json(read_file(path, "a fault's case"))))
    say(answer, _fault_words(answer), json=json)


def _trial_words(a: TrialAnswer) -> str:
    rows = [a.name, a.say, a.state]
    rows += [_measure_words(a, name) for name in a.measures]
    for fault in a.faults:
        rows += ["", *_fault_rows(fault)]
    if a.difference is not None:
        rows += ["", a.difference.say, *(f"  {c.say} ({c.steps:.1f} steps)" for c in a.difference.changes)]
        rows += [f"  {e.say}" for e in a.difference.effects]
    return "\n".join(r for n, r in enumerate([*rows, "", *a.cautions]) if r or n)


def _measure_words(a: TrialAnswer, name: str) -> str:
    m = a.measures[name]
    spread = f" ± {1.96 * m.sd:.2g}" if m.sd else ""
    if m.word:
        return f"  {m.label}: {m.word}"
    return f"  {m.label}: {m.value:.4g}{spread} {m.unit}".rstrip()


def _fault_rows(f: FaultTold) -> list[str]:
    shown = [c for c in f.causes if c.p >= f.causes[0].p / 2][:4] if f.causes else []
    rows = [f"{f.name}:", *(f"  {c.rank}. {c.name} ({c.p:.2f}). {c.say} {c.against}".rstrip() for c in shown)]
    rows += [f"  Something else ({f.something_else:.2f})."]
    return [*rows, f"  {f.say}", *([f"  {f.asks} It would tell most."] if f.asks else [])]


def _fault_words(a: FaultsAnswer) -> str:
    rows = [f"{c.rank:>2}  {c.p:.2f}  {c.cause}" for c in a.causes]
    return "\n".join([a.fault, *rows, f"    {a.something_else:.2f}  something else"])
