"""Best before as it is printed: the day up to three months, then the last whole month that ends by the date."""

from __future__ import annotations

import calendar
from dataclasses import dataclass
from datetime import date, timedelta

DAY_MONTHS = 3


@dataclass(frozen=True, slots=True)
class PrintedDate:
    """A date as figures, and whether it is the end of a month."""

    text: str
    is_month_end: bool

    @property
    def words(self) -> str:
        """The date with "end" in front where it is a month's."""
        return f"end {self.text}" if self.is_month_end else self.text


def printed_date(made_on: date, best_before: date) -> PrintedDate:
    """Return a best-before date as it is printed; a month never promises more than the day did.

    >>> printed_date(date(2026, 11, 28), date(2027, 4, 17)).words
    'end 03 2027'
    """
    if best_before <= months_after(made_on, DAY_MONTHS):
        return PrintedDate(f"{best_before:%d %m %Y}", False)
    last = best_before
    if (best_before + timedelta(days=1)).day != 1:
        last = best_before.replace(day=1) - timedelta(days=1)
    return PrintedDate(f"{last:%m %Y}", True)


def months_after(day: date, months: int) -> date:
    """Return the same day so many months on, or that month's last.

    >>> months_after(date(2026, 11, 30), 3)
    datetime.date(2027, 2, 28)
    """
    year, month = divmod(day.month - 1 + months, 12)
    year, month = day.year + year, month + 1
    return date(year, month, min(day.day, calendar.monthrange(year, month)[1]))
