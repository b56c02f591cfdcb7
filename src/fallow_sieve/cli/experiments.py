"""`experiment`: which bakes, what they tell, whether to go on."""

from __future__ import annotations

from fallow_sieve.cli.common import read_file, say
from fallow_sieve.formats.experiments import ExperimentAnswer, ExperimentFile
from fallow_sieve.formats.shared import parse_json, validate
from fallow_sieve.services.experiments.telling import experiment_answer


def experiment(path: str, json: bool) -> None:
    """Print the plan of an experiment and what its bakes tell."""
    file = validate(ExperimentFile, parse_json(read_file(path, "an experiment file")))
    answer = experiment_answer(file)
    say(answer, _words(answer), json=json)


def _words(a: ExperimentAnswer) -> str:
    rows = []
    if a.map is not None:
        best = a.map.best
        rows += [a.map.stop.say, f"Best {_x(best.x)}: {best.mean:.1f} ({best.low:.1f} to {best.high:.1f})."]
        rows += [f"On today's blend {a.map.gain.say}."]
        rows += [f"{a.map.lucky[:1].upper()}{a.map.lucky[1:]}."] if a.map.lucky else []
    rows += a.checks
    rows.append("Plan:")
    for run in a.runs:
        twin = f", as {run.replicate_of}" if run.replicate_of else ""
        rows.append(f"  {run.order:>2}  day {run.day}  {_x(run.x)}{twin}")
    for model, fit in a.least_squares.items():
        rows.append(f"Least squares, {model}: R² {fit.r2:.2f}, predicted {fit.predicted_r2:.2f}")
        rows += [f"  {n}: {v:.3g} ± {fit.se[n]:.2g} (standard error)" for n, v in fit.coefficients.items()]
    return "\n".join(rows)


def _x(x: dict[str, float]) -> str:
    return ", ".join(f"{n} {100 * v:.1f} %" for n, v in x.items())
