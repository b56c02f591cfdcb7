"""The ranking of a fault's causes by this bake's own numbers: p = prior · 2^e over all that apply and something else.

e is the sum of the weights of the tests whose quantity is known, cut to [−2, 2]; unknown gives nothing. p is how the
tables weigh it, not a measured frequency (docs/method.md, Faults).
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.trials.faults.tables import (
    LEVERS,
    MOST_EVIDENCE,
    SOMETHING_ELSE,
    Cause,
    Evidence,
    FaultTables,
)
from fallow_sieve.core.values import UnknownNameError

AS_LIKELY = 0.02 + 1e-9
SHOWN_LEAST, SHOWN_MOST = 2, 4
LIKELIHOODS = ((0.5, "likely"), (0.25, "may well be"), (0.1, "possible"))


@dataclass(frozen=True, slots=True)
class RankedCause:
    """A cause with its rank (ties share one), p, evidence −2…2, and the quantities that were not noted."""

    cause: str
    rank: int
    p: float
    evidence: float
    prior: float
    known: tuple[str, ...] = ()
    not_noted: tuple[str, ...] = ()

    @property
    def likelihood(self) -> str:
        """A word for p; empty under a tenth."""
        return next((word for least, word in LIKELIHOODS if self.p >= least), "")


@dataclass(frozen=True, slots=True)
class Ranking:
    """A fault's causes, the likeliest first, what is left for something else, and which quantities would tell most.

    `speaks` is False where no number of this bake tells: then the order is that of what is common.
    """

    fault: str
    causes: tuple[RankedCause, ...]
    something_else: float
    tells_most: tuple[tuple[str, float], ...]
    speaks: bool

    @property
    def shown(self) -> tuple[RankedCause, ...]:
        """The causes to show: down to half the first one's p, at least two, at most four."""
        likely = [c for c in self.causes if c.p >= self.causes[0].p / 2] if self.causes else []
        return self.causes[: max(SHOWN_LEAST, min(SHOWN_MOST, len(likely)))]

    @property
    def spoken_against(self) -> tuple[RankedCause, ...]:
        """What is not shown because this bake's numbers speak against it."""
        return tuple(c for c in self.causes if c not in self.shown and c.evidence < 0)


def evidence_of(row: Evidence, quantities: Mapping[str, float]) -> tuple[float, tuple[str, ...]]:
    """Return e (−2…2) of a cause from what is known, and which quantities spoke."""
    total, known = 0.0, []
    for test in row.tests:
        curve = next((c for c in test if c.quantity in quantities), None)
        if curve is not None:
            total += curve.weight(quantities[curve.quantity])
            known.append(curve.quantity)
    return max(-MOST_EVIDENCE, min(MOST_EVIDENCE, total)), tuple(known)


def rank(
    fault: str,
    applies: Collection[str],
    quantities: Mapping[str, float],
    tables: FaultTables,
    priors: Mapping[str, float] | None = None,
) -> Ranking:
    """Return the ranking of `fault` for a bake of which `applies` holds and `quantities` are known.

    `priors` are the kitchen's own, by cause; without one the table's holds. Raises UnknownNameError.
    """
    if fault not in tables.evidence:
        raise UnknownNameError("fault", fault, tables.faults, place="/fault")
    holds = {*applies, "always"}
    rows = [r for r in tables.evidence[fault] if tables.causes[r.cause].applies <= holds]
    scored = [_scored(r, quantities, (priors or {}).get(r.cause, r.prior)) for r in rows]
    total = sum(c.prior * 2**c.evidence for c in scored) + SOMETHING_ELSE
    weighed = [replace(c, p=c.prior * 2**c.evidence / total) for c in scored]
    found = _ordered(weighed, tables.causes)
    tells = _tells_most(rows, {c.cause: c.p for c in found}, quantities)
    return Ranking(fault, found, SOMETHING_ELSE / total, tells, any(c.known for c in found))


def _scored(row: Evidence, quantities: Mapping[str, float], prior: float) -> RankedCause:
    evidence, known = evidence_of(row, quantities)
    silent = tuple(test[0].quantity for test in row.tests if not any(c.quantity in known for c in test))
    return RankedCause(row.cause, 0, 0.0, evidence, prior, known, silent)


def _ordered(causes: Sequence[RankedCause], of: Mapping[str, Cause]) -> tuple[RankedCause, ...]:
    """By p falling; what is about as likely as the first of its rank shares it, the cheaper lever first."""
    found: list[RankedCause] = []
    left = sorted(causes, key=lambda c: (-c.p, c.cause))
    while left:
        tied = [c for c in left if c.p >= left[0].p - AS_LIKELY]
        left = left[len(tied) :]
        tied.sort(key=lambda c: (LEVERS.index(of[c.cause].edit.lever), -c.p))
        place = len(found) + 1
        found += [replace(c, rank=place) for c in tied]
    return tuple(found)


def _tells_most(
    rows: Sequence[Evidence], p: Mapping[str, float], quantities: Mapping[str, float]
) -> tuple[tuple[str, float], ...]:
    """Σ p × spread of weights for each quantity not noted, the greatest first."""
    found: dict[str, float] = {}
    for row in rows:
        for test in row.tests:
            if not any(c.quantity in quantities for c in test):
                first = test[0]
                found[first.quantity] = found.get(first.quantity, 0.0) + p[row.cause] * first.spread
    return tuple(sorted(found.items(), key=lambda x: (-x[1], x[0])))
