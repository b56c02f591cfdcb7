"""What the analysis of a formula says of it: shares, loads and how far its blend is from what its use wants."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from fallow_sieve.core.blends import Analysis, Use
from fallow_sieve.core.formulas import (
    BLEND,
    Formula,
    FormulaJudgement,
    FormulaRules,
    LineFacts,
    WorkedFormula,
    is_flour,
)
from fallow_sieve.core.formulas.gauges import carried_by, soda_of
from fallow_sieve.core.ingredients import Function, Kind, LookAlike, Role, standard_of

_HUSKS = frozenset({Function.PSYLLIUM_HUSK, Function.PSYLLIUM_POWDER})
_GUMS = frozenset({Function.XANTHAN, Function.GUAR, Function.HPMC})
MATTERS_PCT = 5.0  # % of flour base from which on a part can be behind a fault
# Over the good high and under the good low of the use's own bands, by metric.
_OVER = {
    "sticky_over": "sticky_share_pct",
    "starch_over": "starch_share_pct",
    "fibre_over": "fibre_pct",
    "thirst_over": "thirst_g_per_g",
    "grit_over": "grit_index",
    "flavour_over": "flavour_index",
    "blend_fat_over": "fat_pct",
}
_SHORT = {"sticky_short": "sticky_share_pct", "protein_short": "protein_pct", "lightness_short": "lightness_l"}


@dataclass(frozen=True, slots=True, eq=False)
class Made:
    """A formula that was baked, with all that is known of it: judged, worked out, its use and its blend's analysis.

    It is itself alone: what is worked out of it is kept with it.
    """

    formula: Formula
    judged: FormulaJudgement
    worked: WorkedFormula
    use: Use | None
    mix: Analysis | None


def facts_of_formula(made: Made, rules: FormulaRules, alike: Sequence[LookAlike] = ()) -> dict[str, float]:
    """Return what the analysis says, by quantity in its unit; what is unknown is absent."""
    found = {**_loads(made, rules), **_shares(made), **_off_the_bands(made), **_thick(made)}
    pairs = {p.ingredient for p in alike} | {p.taken_for for p in alike}
    if made.worked.flour_g > 0:
        parts = {p.ingredient for p in made.worked.dough.parts if (p.flour_pct or 0.0) >= MATTERS_PCT}
        found["lookalike_risk"] = float(bool(parts & pairs))
    return found


def _loads(made: Made, rules: FormulaRules) -> dict[str, float]:
    found: dict[str, float] = {}
    binder = _binder(made)
    if binder is not None:
        found["binder_load"] = binder
    for lift in made.judged.lifts:
        if lift.usual is not None and lift.usual.typical_pct > 0 and lift.kind in ("yeast", "powder"):
            found[f"{lift.kind}_ratio"] = lift.value_pct / lift.usual.typical_pct
    for load in made.judged.loads:
        found[f"{load.kind}_pct"] = load.flour_pct
    if made.worked.flour_g > 0:
        found["soda_pct"] = soda_of(made.worked, rules.acids).unmet_pct
    return found


def _binder(made: Made) -> float | None:
    """The binder load as it is judged: egg and gelling seeds fill up what is short.

    Unknown where the use asks for none, or a scald, steam or a ferment carries: being short then says nothing.
    """
    gauge = next((g for g in made.judged.gauges if g.name == "binder"), None)
    if gauge is None or gauge.value is None:
        return None
    return None if gauge.value < 1 and carried_by(made.formula) else gauge.value


def _shares(made: Made) -> dict[str, float]:
    if made.worked.flour_g <= 0:
        return {}
    doses = {standard_of(p.functions, Kind.BINDER) or "": p.flour_pct or 0.0 for p in made.worked.dough.parts}
    usual = {d.binder: d.usual for d in made.judged.binder.doses}
    gums = [p for p in made.worked.dough.parts if standard_of(p.functions, Kind.BINDER) in _GUMS]
    ratios = [
        (p.flour_pct or 0.0) / band.typical_pct for p in gums if (band := usual.get(p.ingredient)) and band.typical_pct
    ]
    found = {
        "husk_pct": sum(v for name, v in doses.items() if name in _HUSKS),
        "bean_pct": sum(p.flour_pct or 0.0 for p in made.worked.dough.parts if p.role is Role.LEGUME),
    }
    fats = [_fat(x) for x in made.worked.lines if x.in_dough and x.ingredient != BLEND and not _is_flour(made, x)]
    if all(f is not None for f in fats):
        found["fat_flour"] = 100 * sum(f or 0.0 for f in fats) / made.worked.flour_g
    if ratios or not gums:
        found["gum_ratio"] = max(ratios, default=0.0)
    browning = _browning(made)
    return found if browning is None else {**found, "browning": browning}


def _fat(line: LineFacts) -> float | None:
    return line.brings_g["fat_g"]


def _is_flour(made: Made, line: LineFacts) -> bool:
    return is_flour(made.worked.shelf[line.ingredient])


def _browning(made: Made) -> float | None:
    """The mean browning of the flour base, by mass; unknown where a part of it has no number."""
    parts = [(p, made.worked.shelf[p.ingredient]) for p in made.worked.dough.parts]
    flours = [(p.mass_g, i.range_of("browning_index")) for p, i in parts if i.in_flour_base]
    total = sum(m for m, _ in flours)
    if total <= 0 or any(r is None for _, r in flours):
        return None
    return sum(m * r.typical for m, r in flours if r is not None) / total


def _off_the_bands(made: Made) -> dict[str, float]:
    """How far the blend is over or under the good bands of its use; where it has none, what is usual there."""
    if made.mix is None:
        return {}
    limits = _limits(made.use)
    values = {n: e.typical for n, e in made.mix.metrics.items() if e.typical is not None}
    found = {q: values[m] - limits[m][1] for q, m in _OVER.items() if m in values and m in limits}
    found |= {q: limits[m][0] - values[m] for q, m in _SHORT.items() if m in values and m in limits}
    if "amylose_pct_of_starch" in values:
        found["amylose_pct"] = values["amylose_pct_of_starch"]
    return found


def _limits(use: Use | None) -> dict[str, tuple[float, float]]:
    if use is None:
        return {}
    usual: Mapping[str, tuple[float, float]] = {u.metric: (u.low, u.high) for u in use.nutrition}
    return {**usual, **{b.metric: (b.good_low, b.good_high) for b in use.bands}}


def _thick(made: Made) -> dict[str, float]:
    sauce = made.judged.thickening
    if sauce is None:
        return {}
    found = {}
    if sauce.per_litre is not None and sauce.wanted.good_low > 0:
        found["thickener_ratio"] = sauce.per_litre / ((sauce.wanted.good_low + sauce.wanted.good_high) / 2)
    if sauce.parts:
        found["acid_weak"] = float(any("acid" in mind for p in sauce.parts for mind in p.minds))
    sticky = made.mix.metrics["sticky_share_pct"].typical if made.mix is not None else None
    return found if sticky is None else {**found, "sticky_mix": sticky}
