"""Loads the record of practice: mixes that work (practice_mixes.csv) and that fail (practice_failures.csv).

Each is put together from the library's typical values, so that its numbers are those the bench would show.
"""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cache

from fallow_sieve.core.blends import BANDED, Analysis, Blend, Kept, MixClass, Part, Record, analyse, class_of
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.tables import read_table
from fallow_sieve.reference.use_rows import use_rows


@dataclass(frozen=True, slots=True)
class MixRow:
    """A mix that people bake: parts in % of flour, extras (binder, egg, what else lies in the bag) likewise."""

    key: str
    use: str
    school: str
    parts: str
    extras: str
    carried_by: str
    why: str
    basis: str


@dataclass(frozen=True, slots=True)
class FailureRow:
    """A mix that fails, by which metric it should be held, and what happens; water has no row in a mix."""

    key: str
    use: str
    parts: str
    extras: str
    held_by: str
    why: str
    basis: str


@cache
def practice_mixes() -> tuple[MixRow, ...]:
    """Return the mixes on record, as written."""
    return read_table("practice_mixes", MixRow)


@cache
def practice_failures() -> tuple[FailureRow, ...]:
    """Return the failures on record, as written."""
    return read_table("practice_failures", FailureRow)


def blend_on_record(row: MixRow | FailureRow) -> Blend:
    """Return the blend of a row, g for 100 g of its flours; water is left out, it lies in no bag.

    Raises ValueError where a part is not written as ingredient:number.
    """
    written = [p.split(":") for text in (row.parts, row.extras) for p in text.split(";") if p]
    return Blend(tuple(Part(slug, float(g)) for slug, g in written if slug != "water"), use=row.use)


@cache
def record() -> Record:
    """Return the record of practice with every mix analysed."""
    families = {u.use: u.family for u in use_rows()}
    kin = {u.use: u.kin for u in use_rows() if u.kin}
    works = {(r.key): analyse(blend_on_record(r), library_shelf()) for r in practice_mixes()}
    classes = _classes(families, works)
    mixes = [
        _kept(r, r.school, works[r.key], class_of(works[r.key], families[r.use], classes[r.use]), "")
        for r in practice_mixes()
    ]
    failures = []
    for f in practice_failures():
        found = analyse(blend_on_record(f), library_shelf())
        failures.append(_kept(f, "", found, class_of(found, families[f.use], classes[f.use]), f.held_by))
    return Record(mixes, failures, families, kin)


def _classes(families: dict[str, str], works: dict[str, Analysis]) -> dict[str, set[MixClass]]:
    """Which classes a use knows: those of which it has a mix on record."""
    every = set(MixClass) - {MixClass.PLAIN}
    found: dict[str, set[MixClass]] = {use: set() for use in families}
    for row in practice_mixes():
        allowed = every if row.use == "soft-roll" else {MixClass.LOW_CARB}  # cheese breads are rolls
        found[row.use].add(class_of(works[row.key], families[row.use], allowed))
    return {use: classes - {MixClass.PLAIN} for use, classes in found.items()}


def _kept(row: MixRow | FailureRow, school: str, found: Analysis, mix_class: MixClass, held_by: str) -> Kept:
    values = {m: e.typical for m in BANDED if (e := found.metrics[m]).typical is not None}
    return Kept(row.key, row.use, school, mix_class, values, row.why, held_by)


_AS_FAMILIAR = {"superfine-rice-flour": "white-rice-flour", "light-buckwheat-flour": "buckwheat-flour"}  # finer grinds
KIN_COUNTS = 0.5
ENOUGH_ALONE = 8  # mixes on record, from which a use needs no kin


@cache
def familiar_flours() -> dict[str, dict[str, float]]:
    """Return how large a share (0–1) of the mixes on record for a use, or half of that for its kin, hold each flour."""
    own = {use: _held_by_share(use) for use in {row.use for row in practice_mixes()}}
    found: dict[str, dict[str, float]] = {}
    for u in use_rows():
        mixes = sum(row.use == u.use for row in practice_mixes())
        mine, kin = own.get(u.use, {}), own.get(u.kin, {}) if mixes < ENOUGH_ALONE else {}
        known = {s: max(mine.get(s, 0.0), KIN_COUNTS * kin.get(s, 0.0)) for s in {*mine, *kin}}
        found[u.use] = known | {fine: known[s] for fine, s in _AS_FAMILIAR.items() if s in known}
    return found


def most_in_practice(use: str) -> dict[str, float]:
    """Return how much of each flour the mixes on record for a use go to, % of flour base: the second most of it."""
    shares: dict[str, list[float]] = defaultdict(list)
    for row in practice_mixes():
        if row.use == use:
            for part in row.parts.split(";"):
                slug, share = part.split(":")
                shares[slug].append(float(share))
    return {slug: sorted(found)[-2] for slug, found in shares.items() if len(found) > 1}


def _held_by_share(use: str) -> dict[str, float]:
    mixes = [{part.split(":")[0] for part in row.parts.split(";")} for row in practice_mixes() if row.use == use]
    return {s: sum(s in m for m in mixes) / len(mixes) for s in set().union(*mixes)}
