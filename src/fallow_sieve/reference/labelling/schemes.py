"""Schemes of labelling by place: what they name as an allergen, what they let one say of gluten, and claims."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.labels.allergens import AllergenRule
from fallow_sieve.core.labels.claims import ClaimRule
from fallow_sieve.core.labels.wording import GlutenScheme
from fallow_sieve.core.values import UnknownNameError, nearest_names
from fallow_sieve.reference.tables import read_table

SCHEMES = {
    "eu": "European Union",
    "us": "United States",
    "ca": "Canada",
    "anz": "Australia, New Zealand",
    "jp": "Japan",
    "codex": "Codex, elsewhere",
}
FALLBACK = "codex"  # of a place without a rule of its own on the wording


@dataclass(frozen=True, slots=True)
class AllergenRow:
    """A mark that a scheme names: how, whether by law, from which content on, and how sure the row is."""

    scheme: str
    place: str
    item: str
    status: str
    mark: str
    name: str
    threshold: str
    sure: str
    source: str
    note: str


@dataclass(frozen=True, slots=True)
class GlutenRow:
    """What a scheme lets one say of gluten: the wording, the limit (mg/kg, empty: none detectable), oats."""

    scheme: str
    wording: str
    limit_mg_per_kg: float | None
    at_limit_passes: bool
    oats_allowed: bool
    oats: str
    source: str
    sure: str
    note: str


@dataclass(frozen=True, slots=True)
class ClaimRow:
    """A claim of nutrition by scheme; see the core's ClaimRule."""

    scheme: str
    claim: str
    nutrient: str
    test: str
    limit: float
    basis: str
    or_limit: float | None
    or_basis: str
    also: str
    wording: str
    source: str
    sure: str


@cache
def _allergens() -> tuple[AllergenRow, ...]:
    return read_table("allergen_schemes", AllergenRow)


@cache
def allergen_rules(scheme: str) -> tuple[AllergenRule, ...]:
    """Return what a scheme names. Raises UnknownNameError."""
    _check(scheme)
    return tuple(
        AllergenRule(r.item, r.status, {r.mark: r.name}, r.sure == "sure", r.source, r.note)
        for r in _allergens()
        if r.scheme == scheme
    )


@cache
def place_of(scheme: str) -> str:
    """Return the place of a scheme in words. Raises UnknownNameError."""
    _check(scheme)
    return next(r.place for r in _allergens() if r.scheme == scheme)


@cache
def gluten_scheme(scheme: str) -> GlutenScheme:
    """Return what a scheme lets one say of gluten; of a place without its own, what Codex says."""
    _check(scheme)
    rows = {r.scheme: r for r in read_table("gluten_wording", GlutenRow)}
    row = rows.get(scheme) or rows[FALLBACK]
    return GlutenScheme(
        row.scheme, row.wording, row.limit_mg_per_kg, row.at_limit_passes, row.oats_allowed, row.source, row.note
    )


@cache
def claim_rules(scheme: str) -> tuple[ClaimRule, ...]:
    """Return the claims of a scheme; none where the table has none."""
    _check(scheme)
    return tuple(
        ClaimRule(r.claim, r.nutrient, r.test, r.limit, r.basis, r.or_limit, r.or_basis, r.wording, r.source, r.also)
        for r in read_table("claims", ClaimRow)
        if r.scheme == scheme
    )


def _check(scheme: str) -> None:
    if scheme not in SCHEMES:
        near = nearest_names(scheme, SCHEMES) or SCHEMES
        raise UnknownNameError("label scheme", scheme, near)
