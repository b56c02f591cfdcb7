"""What `compare --json` prints."""

from __future__ import annotations

from collections.abc import Iterable

from fallow_sieve.core.ingredients import OnBasis
from fallow_sieve.core.values import Basis
from fallow_sieve.formats.shared import EstimateOut, Out, estimate_out, rounded


class BasisOut(Out):
    """The basis of a comparison, and the cup that volumes were taken by."""

    kind: str
    cup_ml: float


class ComparedOut(Out):
    """One ingredient on the basis; masses are null where its density is unknown."""

    ingredient: str
    mass_g: float | None
    mass_low_g: float | None
    mass_high_g: float | None
    nutrients: dict[str, EstimateOut]


class ComparisonDocument(Out):
    """The answer of `fallow-sieve compare --json`."""

    basis: BasisOut
    ingredients: list[ComparedOut]


def comparison_document(basis: Basis, compared: Iterable[OnBasis]) -> ComparisonDocument:
    """Return the document of a comparison: g and nutrients for the basis."""
    return ComparisonDocument(
        basis=BasisOut(kind=basis.kind, cup_ml=round(basis.cup_ml, 3)),
        ingredients=[
            ComparedOut(
                ingredient=c.ingredient,
                mass_g=rounded(c.mass_g),
                mass_low_g=rounded(c.mass_low_g),
                mass_high_g=rounded(c.mass_high_g),
                nutrients={n: estimate_out(e) for n, e in c.nutrients.items()},
            )
            for c in compared
        ],
    )
