"""What holds of a bake, so that causes that cannot apply are left out, and where a fault belongs."""

from __future__ import annotations

from collections.abc import Collection, Iterable

from fallow_sieve.core.formulas import BLEND, When
from fallow_sieve.core.formulas.gauges import SAUCE
from fallow_sieve.core.ingredients import Function, Kind, Role, of_kind, standard_of
from fallow_sieve.core.schedule.steps.rules import StepRule
from fallow_sieve.core.trials.evidence.composition import Made
from fallow_sieve.core.trials.faults.tables import Fault

_GUMS = frozenset({Function.XANTHAN, Function.GUAR, Function.HPMC})
_HUSKS = frozenset({Function.PSYLLIUM_HUSK, Function.PSYLLIUM_POWDER})
_IN_TIN = frozenset({"fill"})
_ROLLED = frozenset({"roll", "sheet", "laminate", "press"})
_BOILED = frozenset({"boil", "boil-again"})
_FAT_PCT = 3.0  # % of flour base from which on fat can melt out


def what_holds(made: Made, steps: Iterable[StepRule], pan: str | None = None, lookalike: bool = False) -> set[str]:
    """Return the words that hold of a bake: has-yeast, in-tin, baked and so on, from its formula and its steps."""
    names = {s.step for s in steps}
    parts = made.worked.dough.parts
    functions = [f for p in parts for f in p.functions]
    kinds = {k for p in parts for k in Kind if of_kind(p.functions, k) is not None}
    binders = {standard_of(p.functions, Kind.BINDER) for p in parts if p.role is Role.BINDER}
    family = made.use.family if made.use else ""
    in_tin = pan is not None or bool(names & _IN_TIN) or any(p.in_tin for p in made.judged.bake.phases)
    holds = {
        "always": True,
        "baked": bool(made.judged.bake.phases),
        "in-tin": in_tin,
        "has-yeast": Kind.YEAST in kinds or any(x.when is When.LEAVEN for x in made.worked.lines),
        "has-powder": Function.BAKING_POWDER in functions or Function.BAKING_SODA in functions,
        "has-soda": Function.BAKING_SODA in functions,
        "has-binder": bool(binders),
        "has-husk": bool(binders & _HUSKS),
        "has-gum": bool(binders & _GUMS),
        "has-legume": any(p.role is Role.LEGUME for p in parts),
        "has-filling": any(x.when is When.FILLING for x in made.worked.lines),
        "has-fat": _fat_pct(made) >= _FAT_PCT,
        "has-lookalike": lookalike,
        "sheeted": family == "sheet" or bool(names & _ROLLED),
        "boiled": bool(names & _BOILED),
        "thickened": bool(made.use and made.use.slug == SAUCE),
    }
    return {word for word, yes in holds.items() if yes}


def _fat_pct(made: Made) -> float:
    fats = (x.brings_g["fat_g"] or 0.0 for x in made.worked.lines if x.in_dough and x.ingredient != BLEND)
    return 100 * sum(fats) / made.worked.flour_g if made.worked.flour_g > 0 else 0.0


def belongs(fault: Fault, use: str, family: str, holds: Collection[str]) -> bool:
    """Return whether a fault can be seen on a bake of `use`: anywhere, in its family, at the use, or by what holds."""
    return any(word == "any" or word in (use, family) or word in holds for word in fault.where)
