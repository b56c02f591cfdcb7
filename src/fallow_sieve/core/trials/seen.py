"""What a bake measured: each measure with its uncertainty on its band, and how the bake went in one sentence."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.trials.differences.changes import TrialChange, deviations
from fallow_sieve.core.trials.evidence.log import bake_loss_pct
from fallow_sieve.core.trials.measures.volume import specific_volume
from fallow_sieve.core.trials.measures.weighing import Measured, bake_loss
from fallow_sieve.core.trials.quantities import Quantity
from fallow_sieve.core.trials.readings import Reading, State, of_arm
from fallow_sieve.core.trials.trial import Trial, TrialRules, holds, noted, standing
from fallow_sieve.core.values import Band, Status, number_word, state_sentence

HELD_FROM = 2.0  # a fault marked "clearly" holds a bake; a little of it is close


@dataclass(frozen=True, slots=True)
class MeasureSeen:
    """A measure of a bake: value and sd in its unit, how it was taken, whether it was only as planned, and its band."""

    name: str
    label: str
    unit: str
    value: float
    sd: float | None
    how: str
    as_planned: bool
    band: Band | None
    status: Status
    planned: float | None = None

    @property
    def off_by(self) -> float:
        """Measures of one status keep the order of the work."""
        return 0.0

    @property
    def called(self) -> str:
        """The measure in a sentence."""
        return self.label.lower()


@dataclass(frozen=True, slots=True)
class MarkSeen:
    """A fault's mark as it stands in a sentence of state: held from "clearly" on, close for a little, else passed."""

    label: str
    status: Status

    @property
    def off_by(self) -> float:
        """Marks of one status keep their order."""
        return 0.0

    @property
    def called(self) -> str:
        """The fault in a sentence."""
        return self.label.lower()


def mark_seen(label: str, strength: float) -> MarkSeen:
    """Return a fault's mark of `strength` 0–3 as it stands."""
    status = Status.HELD if strength >= HELD_FROM else Status.CLOSE if strength > 0 else Status.PASS
    return MarkSeen(label, status)


def measures_seen(trial: Trial, rules: TrialRules, arm: str = "") -> tuple[MeasureSeen, ...]:
    """Return every measure that an arm has, noted or worked out, in the order of the table.

    Its sd is that of one reading, or what its own readings give; one that was as planned counts twice the sd.
    """
    readings, words = of_arm(trial.readings, arm), holds(trial, rules)
    use, plan = trial.made.use.slug if trial.made.use else "", trial.plan_of(arm)
    found = taken_of(trial, rules, arm)
    found |= derived(found, noted(trial, arm))
    return tuple(
        _on_band(rules.quantities[n], m, readings.get(n), band_of(rules.bands, use, words, n), plan.for_reading(n))
        for n, m in sorted(found.items(), key=lambda x: rules.order[x[0]])
    )


def taken_of(trial: Trial, rules: TrialRules, arm: str = "") -> dict[str, Measured]:
    """Return what was measured of an arm and noted, by quantity, each in its unit with its sd."""
    readings, values = of_arm(trial.readings, arm), noted(trial, arm)
    measures = {n: q for n in values if (q := rules.quantities.get(n)) is not None and q.source == "measure"}
    return {n: _taken(q, readings[n], values[n]) for n, q in measures.items()}


def _taken(q: Quantity, reading: Reading, value: float) -> Measured:
    sd = reading.sd if reading.sd is not None else (q.sd_reading or 0.0) / max(1, reading.n) ** 0.5
    return Measured(value, 2 * sd if reading.state is State.PLANNED else sd, reading.method)


def derived(taken: Mapping[str, Measured], values: Mapping[str, float]) -> dict[str, Measured]:
    """Return what is worked out and never stored: bake loss and volume per gram, with their sd."""
    found: dict[str, Measured] = {}
    loss = bake_loss_pct(values)
    if loss is not None and "bake_loss_pct" not in taken:
        found["bake_loss_pct"] = bake_loss(values["mass_in_g"], values["mass_out_g"])
    out = values.get("mass_out_g")
    for name in ("volume_seed_ml", "volume_shape_ml"):
        if name in taken and out and "specific_volume_ml_g" not in {*found, *taken}:
            way = "seeds" if name == "volume_seed_ml" else taken[name].how or "tin and heights"
            volume = Measured(taken[name].value, taken[name].sd or 0.02 * taken[name].value, way)
            found["specific_volume_ml_g"] = specific_volume(volume, out)
    return found


def _on_band(
    q: Quantity, m: Measured, reading: Reading | None, band: Band | None, planned: float | None
) -> MeasureSeen:
    as_planned = reading is not None and reading.state is State.PLANNED
    status = Status.UNKNOWN if band is None else band.status(m.value)
    return MeasureSeen(q.name, q.label, q.unit, m.value, m.sd or None, m.how, as_planned, band, status, planned)


def band_of(bands: Mapping[tuple[str, str], Band], use: str, words: Collection[str], measure: str) -> Band | None:
    """Return the band of a measure: the use's own, else that of a word that holds, else that of any bake."""
    places = [use, *sorted(words), "any"]
    return next((bands[p, measure] for p in places if (p, measure) in bands), None)


def state_of(measures: Sequence[MeasureSeen], faults: Mapping[str, float], names: Mapping[str, str]) -> str:
    """Return how a bake stands in one sentence: "Held by 1 of 7: gummy."; empty where nothing was judged."""
    judged = [m for m in measures if m.band is not None]
    seen = [mark_seen(names.get(f, f), s) for f, s in faults.items()]
    return state_sentence([*judged, *seen]) if judged or seen else ""


def went(trial: Trial, rules: TrialRules, arm: str = "") -> tuple[tuple[TrialChange, ...], str]:
    """Return what went otherwise by a step or more, and that in one sentence: "To plan but for two: …"."""
    if not trial.readings:
        return (), "Nothing noted yet."
    found = deviations(standing(trial, rules, arm), rules.sizes)
    if not found:
        return (), "All that was noted went to plan."
    listed = ", ".join(c.say[0].lower() + c.say[1:] for c in found)
    return found, f"To plan but for {number_word(len(found)).lower()}: {listed}."
