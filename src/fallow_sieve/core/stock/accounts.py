"""Where every gram of a batch is: in stock, used, gone out, counted off, thrown away, and what nobody knows."""

from __future__ import annotations

from dataclasses import dataclass

WITHIN_PCT = 0.5
WITHIN_G_A_BAG = 2.0


@dataclass(frozen=True, slots=True)
class Account:
    """Where what was made is, g."""

    made_g: float
    in_stock_g: float
    used_g: float = 0.0
    gone_out_g: float = 0.0
    thrown_away_g: float = 0.0
    bags: int = 0

    @property
    def found_g(self) -> float:
        """What is accounted for, g: a count that found less is no finding."""
        return self.in_stock_g + self.used_g + self.gone_out_g + self.thrown_away_g

    @property
    def nobody_knows_g(self) -> float:
        """What is missing, g; under 0 where more was found than made."""
        return self.made_g - self.found_g

    @property
    def found_pct(self) -> float:
        """How much of what was made is accounted for, %."""
        return 100.0 * self.found_g / self.made_g if self.made_g else 100.0

    @property
    def within_g(self) -> float:
        """What may be missing, g: half a per cent of what was made, or 2 g a bag handled. Rule of thumb."""
        return max(WITHIN_PCT / 100 * self.made_g, WITHIN_G_A_BAG * self.bags)

    @property
    def balanced(self) -> bool:
        """Whether no more is missing than handling explains."""
        return abs(self.nobody_knows_g) <= self.within_g + 1e-9
