"""The judgement of a blend: everything that the bench, the command line and the print sheet show, in one value."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.bag import BagContents, bag_of
from fallow_sieve.core.blends.binder_load import BinderLoad, DoseBand, load_of_binders
from fallow_sieve.core.blends.blend import Blend, drawing_on
from fallow_sieve.core.blends.care import (
    Caution,
    GlutenEstimate,
    Keeping,
    cautions_for,
    contains_line,
    estimate_gluten,
    keeping,
    union_of,
)
from fallow_sieve.core.blends.limits import LimitResult, Limits, check_limits
from fallow_sieve.core.blends.metrics import NUTRITION
from fallow_sieve.core.blends.narrowing import Rests, rests_on
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import (
    BandResult,
    Fit,
    Use,
    UsualRange,
    common_doses,
    fit_to,
    say_binder,
    say_others,
    say_several,
    with_changes,
)
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.values import CupStandard, Estimate, Status, state_sentence, worst_first


@dataclass(frozen=True, slots=True)
class Rules:
    """The rules a blend is judged by: uses by slug, and dose bands (% of flour base) by use and binder."""

    uses: Mapping[str, Use]
    doses: Mapping[str, Mapping[str, DoseBand]]


@dataclass(frozen=True, slots=True)
class Setting:
    """Where a blend is judged: cup standard, store temperature (°C), currency, and the brief's limits."""

    cup: CupStandard = CupStandard.US
    store_temp_c: float = 20.0
    currency: str = ""
    limits: Limits = field(default_factory=Limits)


@dataclass(frozen=True, slots=True)
class OverUsual:
    """A flour above its usual most: slug, its share and the usual most (both % of flour base), and why."""

    ingredient: str
    name: str
    flour_pct: float
    usual_max_pct: float
    reason: str


@dataclass(frozen=True, slots=True)
class Quiet:
    """What a mix gives to eat, on one metric: not judged unless a brief wishes for it; where the record lies."""

    metric: str
    estimate: Estimate
    usual: UsualRange | None


@dataclass(frozen=True, slots=True)
class Judgement:
    """All that is known about a blend for its use. `fit` has what holds it first; `say` is the state.

    `rests` is what it rests on by weight in the fit, None without a use. `say_binder` says of a mix for several uses
    what binder suits them all.
    """

    analysis: Analysis
    fit: Fit | None
    rests: Rests | None
    quiet: tuple[Quiet, ...]
    limits: tuple[LimitResult, ...]
    binder: BinderLoad
    bag: BagContents
    gluten: GlutenEstimate
    keeping: Keeping
    allergens: tuple[str, ...]
    contains: tuple[str, ...]
    over_usual: tuple[OverUsual, ...]
    cautions: tuple[Caution, ...]
    say: str
    say_more: str
    say_binder: str = ""

    @property
    def sieves(self) -> tuple[BandResult, ...]:
        """How the blend stands at each band of its use, what holds it first; none without a use."""
        return self.fit.bands if self.fit else ()

    @property
    def is_held(self) -> bool:
        """Whether any sieve or limit holds the blend."""
        statuses = [*(s.status for s in self.sieves), *(x.status for x in self.limits)]
        return Status.HELD in statuses


def judge(blend: Blend, shelf: Shelf, use: Use | None, rules: Rules, setting: Setting | None = None) -> Judgement:
    """Return the judgement of `blend` for `use` (None: only what it is). Raises BadInputError for bad parts."""
    where = setting or Setting()
    analysis = analyse(blend, shelf, where.cup)
    shelf = drawing_on(blend.parts, shelf)
    gluten = estimate_gluten(analysis.parts, shelf)
    asked = with_changes(use, where.limits.bands) if use else None
    fit = _fit(asked, analysis) if asked else None
    bag = bag_of(analysis.parts, _usual_doses(use), needs_binder=bool(use and use.doses))
    limits = check_limits(where.limits, analysis, gluten, bag.kind, shelf, where.currency)
    items = [shelf[p.ingredient] for p in analysis.parts]
    over = _over_usual(analysis, shelf, use)
    return Judgement(
        analysis=analysis,
        fit=fit,
        rests=rests_on(analysis, fit, shelf) if fit else None,
        quiet=_quiet(analysis, asked),
        limits=limits,
        binder=load_of_binders(analysis.parts, rules.doses.get(use.slug) if use else None),
        bag=bag,
        gluten=gluten,
        keeping=keeping(items, where.store_temp_c),
        allergens=union_of(i.allergens for i in items),
        contains=contains_line(analysis.parts, shelf),
        over_usual=over,
        cautions=cautions_for(analysis.parts, shelf, gluten),
        say=_state(fit, limits) if fit else "No use is chosen, so nothing is judged.",
        say_more=_second_sentence(fit, limits) if fit and use else "",
        say_binder=say_binder(use, {i.slug: i.name for i in shelf.ingredients}) if use and use.together else "",
    )


def _fit(use: Use, analysis: Analysis) -> Fit:
    found = fit_to(use, analysis)
    return replace(found, bands=worst_first(found.bands))


def _usual_doses(use: Use | None) -> Mapping[str, float]:
    """The usual doses for a use (% of flour base); for several, those that suit all."""
    if use is None or not use.together:
        return use.doses if use else {}
    return {binder: common.typical for binder, common in common_doses(use).items() if common}


def _state(fit: Fit, limits: Sequence[LimitResult]) -> str:
    """The state in one sentence; of several uses, which is the worst, unless a limit holds the mix for all."""
    if fit.each and not any(x.status is Status.HELD for x in limits):
        return say_several(fit)
    return state_sentence([*fit.bands, *limits])


def _quiet(analysis: Analysis, use: Use | None) -> tuple[Quiet, ...]:
    judged = {b.metric for b in use.all_bands} if use else set()
    usual = {u.metric: u for u in use.nutrition} if use else {}
    return tuple(Quiet(m, analysis.metrics[m], usual.get(m)) for m in NUTRITION if m not in judged)


def _second_sentence(fit: Fit, limits: Sequence[LimitResult]) -> str:
    if fit.each:
        return say_others(fit)
    statuses = [*(b.status for b in fit.bands), *(x.status for x in limits)]
    passed = statuses.count(Status.PASS)
    close = fit.count(Status.CLOSE)
    score = f"fit {fit.score:.0f} of 100" if fit.score is not None else "no fit can be stated"
    also = f" · {close} close" if close and Status.HELD in statuses else ""
    return f"{passed} of {len(statuses)} pass{also} · {score}"


def _over_usual(analysis: Analysis, shelf: Shelf, use: Use | None) -> tuple[OverUsual, ...]:
    found = []
    for part in analysis.parts:
        item = shelf[part.ingredient]
        most = use.most_of(item.slug, item.usual_max_pct) if use else item.usual_max_pct
        if most is not None and part.flour_pct is not None and item.in_flour_base and part.flour_pct > most + 1e-9:
            found.append(OverUsual(item.slug, item.name, part.flour_pct, most, item.usual_max_reason))
    return tuple(found)
