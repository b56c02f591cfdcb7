"""A gauge of a formula: one value on its band, with a word for it.

The good band is the usual for the use; the hard limits are each gauge's own. Rules of thumb (docs/method.md).
"""

from __future__ import annotations

from dataclasses import dataclass

from fallow_sieve.core.values import Band, Status

OF_FLOUR = "% of flour"
PASSES = "passes"


@dataclass(frozen=True, slots=True)
class Gauge:
    """One thing a formula is judged by: its value in its unit, how it stands, a word, and its band where it has any.

    `status` is pass, close, held or unknown; without a band (None) nothing but unknown. `why` says what goes wrong
    where it does not pass; `section` is where docs/method.md says how it is worked out.
    """

    name: str
    label: str
    unit: str
    value: float | None
    status: Status
    say: str
    band: Band | None = None
    basis: str = "rule of thumb"
    why: str = ""
    section: str = "gauges"

    @property
    def off_by(self) -> float:
        """Gauges of one status keep the order of the work: widths of unlike bands are no measure."""
        return 0.0

    @property
    def called(self) -> str:
        """The gauge with its word in a sentence."""
        return f"{self.label.lower()} ({self.say})"


def on_band(name: str, label: str, unit: str, value: float, band: Band, say: str = "", why: str = "") -> Gauge:
    """Return the gauge of `value` on its band; `say` is the word where it does not pass, `why` what goes wrong."""
    status = band.status(value)
    passes = status is Status.PASS
    said, why = (PASSES, "") if passes else (say, why)
    return Gauge(name, label, unit, value, status, said, band, why=why, section=section_of(name))


_SECTIONS = {
    "water": "water",
    "binder": "binder",
    "thickness": "thickening",
    **dict.fromkeys(("soda", "yeast", "leaven", "powder"), "leavening"),
}


def section_of(name: str) -> str:
    """Return the section of docs/method.md that says how the gauge of this name is worked out."""
    return _SECTIONS.get(name, "gauges")


def off_the_usual(band: Band, value: float) -> str:
    """Return by how much `value` (% of flour base) misses the good band, in words."""
    off = band.distance(value)
    return f"{abs(off):.{0 if abs(off) >= 10 else 1}f} % {'short' if off < 0 else 'over'}"


def unlimited(name: str, label: str, unit: str, value: float | None, say: str) -> Gauge:
    """Return a gauge without limits to judge by."""
    return Gauge(name, label, unit, value, Status.UNKNOWN, say, section=section_of(name))
