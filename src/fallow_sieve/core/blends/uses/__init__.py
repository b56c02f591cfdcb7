"""What a mix is for: a use and its bands, the fit to it or to several at once, and what a mix is good for."""

from fallow_sieve.core.blends.uses.changes import BandChange, with_changes
from fallow_sieve.core.blends.uses.fit import BandResult, Fit
from fallow_sieve.core.blends.uses.good_for import GoodFor, good_for
from fallow_sieve.core.blends.uses.several import common_doses, fit_to, say_binder, say_others, say_several
from fallow_sieve.core.blends.uses.use import NamedUse, Use, UseBand, UsualRange, WeighedUse, rule_of_use

__all__ = [
    "BandChange",
    "BandResult",
    "Fit",
    "GoodFor",
    "NamedUse",
    "Use",
    "UseBand",
    "UsualRange",
    "WeighedUse",
    "common_doses",
    "fit_to",
    "good_for",
    "rule_of_use",
    "say_binder",
    "say_others",
    "say_several",
    "with_changes",
]
