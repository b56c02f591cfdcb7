"""Evenness tests of a batch: what was measured or counted, and what that shows; never "homogeneous"."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from sqlmodel import Session

from fallow_sieve.core.batches.evenness import counts, evenness
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.store.batches import StepDone, add_step, get_batch, touch_batch

KIND = "evenness"
MOST_SAMPLES = 100
Method = Literal["measured", "counted"]


@dataclass(frozen=True, slots=True)
class EvennessSeen:
    """A test: by which method, so many samples of so many g, what it shows in words, when (ISO, UTC)."""

    at: str
    method: str
    samples: int
    sample_g: float
    say: str


def note_evenness(
    session: Session, batch_id: int, method: Method, values: Sequence[float], sample_g: float, note: str, now: str
) -> EvennessSeen:
    """Note a test of samples of `sample_g` g, and return what it shows. Raises BadInputError under five samples."""
    get_batch(session, batch_id)
    say = _say(method, values)
    said = {"method": method, "values": " ".join(f"{v:g}" for v in values), "sample_g": sample_g}
    add_step(session, batch_id, StepDone(KIND, now, said=said, note=note.strip()))
    touch_batch(session, batch_id, now)
    return EvennessSeen(now, method, len(values), sample_g, say)


def evenness_of(steps: Sequence[StepDone]) -> list[EvennessSeen]:
    """Return what the tests among steps show, worked out anew from what was noted."""
    found = []
    for s in steps:
        if s.kind == KIND:
            values = [float(v) for v in str(s.said["values"]).split()]
            method: Method = "counted" if s.said["method"] == "counted" else "measured"
            found.append(EvennessSeen(s.at, method, len(values), float(s.said["sample_g"]), _say(method, values)))
    return found


def _say(method: Method, values: Sequence[float]) -> str:
    if len(values) > MOST_SAMPLES:
        raise BadInputError(f"{len(values)} samples", place="/values", right=f"at most {MOST_SAMPLES}")
    if method == "counted":
        c = counts(values)
        tail = f"chance alone leaves {c.chance_cv_pct:.1f} % at {c.mean:.0f} grains a sample"
        return (
            f"{c.say[:1].upper()}{c.say[1:]}: spread {c.cv_pct:.1f} %, {tail}. It tests the way of mixing, not the gum."
        )
    if any(v < 0 for v in values):
        raise BadInputError(f"a reading of {shown(min(values))}", place="/values", right="0 or more")
    e = evenness(values)
    words = {"even": "Even", "uneven": "Uneven: mix again", "not shown": "Not shown to be even"}[e.say]
    limits = f"spread {e.cv_pct:.1f} %, from {e.lower95_pct:.1f} to {e.upper95_pct:.1f} %"
    return f"{words}: {limits}; even is where the upper is within 10 %."
