"""How long a mix keeps: as long as its shortest-lived part, sooner where it is warm."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from fallow_sieve.core.ingredients import Ingredient

REFERENCE_TEMP_C = 20.0
DAYS_PER_MONTH = 365.25 / 12


@dataclass(frozen=True, slots=True)
class Keeping:
    """Months a mix keeps at `temp_c` (°C), which part ends it, and whether a lot's date cut it short.

    `months` is None where a part's keeping is unknown; `unknown_parts` names those (slugs).
    """

    months: float | None
    months_low: float | None
    months_high: float | None
    ended_by: str | None
    cut_by_date: bool
    unknown_parts: tuple[str, ...]
    temp_c: float


def temperature_factor(temp_c: float) -> float:
    """Return by what factor keeping at 20 °C changes at `temp_c` (°C): 2^((20 − T)/10). Rule of thumb.

    >>> temperature_factor(30.0)
    0.5
    """
    return float(2 ** ((REFERENCE_TEMP_C - temp_c) / 10))


def keeping(ingredients: Iterable[Ingredient], temp_c: float = REFERENCE_TEMP_C) -> Keeping:
    """Return the keeping of a mix of `ingredients` stored at `temp_c` (°C), in months.

    The shortest part decides; a lot's best-before cuts it, and is not stretched by a cool store.
    """
    items = list(ingredients)
    factor = temperature_factor(temp_c)
    unknown = tuple(i.slug for i in items if i.range_of("shelf_months") is None)
    if unknown or not items:
        return Keeping(None, None, None, None, False, unknown, temp_c)
    spans = []
    for item in items:
        shelf = item.range_of("shelf_months")
        if shelf is None:  # pragma: no cover - ruled out above, kept for the type checker
            continue
        dated = max(0.0, item.keeps_days / DAYS_PER_MONTH) if item.keeps_days is not None else None
        own = [shelf.typical * factor, shelf.low * factor, shelf.high * factor]
        cut = [min(v, dated) for v in own] if dated is not None else own
        spans.append((cut[0], cut[1], cut[2], item.slug, dated is not None and dated < own[0]))
    typical, _, _, slug, by_date = min(spans)
    low, high = min(s[1] for s in spans), min(s[2] for s in spans)
    return Keeping(typical, low, high, slug, by_date, (), temp_c)
