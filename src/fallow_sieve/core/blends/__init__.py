"""Blends: what is in a mix, how it fits a use, and what holds it back."""

from fallow_sieve.core.blends.analysis import Analysis, Contents, analyse, contents, of_mix
from fallow_sieve.core.blends.bag import (
    AMOUNTS,
    BINDER_WALLS,
    GUMS,
    LIFT_WALL,
    BagContents,
    BagKind,
    BinderInBag,
    binder_in_bag,
)
from fallow_sieve.core.blends.binder_load import (
    DOUBLE_DOSE_LOAD,
    GOOD_LOAD,
    BinderLoad,
    DoseBand,
    load_of_binders,
    load_state,
)
from fallow_sieve.core.blends.blend import MAX_MASS_G, MAX_PARTS, Blend, Part, check_parts, drawing_on
from fallow_sieve.core.blends.cautions import Caution, cautions_for, cautions_of, union_of
from fallow_sieve.core.blends.composing import (
    FIRST_FLOUR_G,
    NEW_BINDER_PCT,
    NEW_FLOUR_PCT,
    add_part,
    handy,
    scale_to,
    set_flour_share,
)
from fallow_sieve.core.blends.differences import OF_FLOUR, Difference, difference
from fallow_sieve.core.blends.dosing import doses_mended
from fallow_sieve.core.blends.explanation import Explanation, explain
from fallow_sieve.core.blends.fit import (
    BandChange,
    BandResult,
    Fit,
    Use,
    UseBand,
    UsualRange,
    fit_to,
    rule_of_use,
    with_changes,
)
from fallow_sieve.core.blends.gluten import GlutenEstimate, estimate_gluten, status_of
from fallow_sieve.core.blends.good_for import GoodFor, good_for
from fallow_sieve.core.blends.judgement import Judgement, Quiet, Rules, Setting, judge
from fallow_sieve.core.blends.limits import Limits
from fallow_sieve.core.blends.metrics import BANDED, FIELD_OF_METRIC, KNOWN_STARCH_NEEDED, METRICS, ROLE_SHARES, Metric
from fallow_sieve.core.blends.mix_class import ALL_STARCH_PCT, MixClass, class_of, egg_carries, fresh_egg_of
from fallow_sieve.core.blends.practice import Kept, Record, bands_of, usual_nutrition

__all__ = [
    "ALL_STARCH_PCT",
    "AMOUNTS",
    "BANDED",
    "BINDER_WALLS",
    "DOUBLE_DOSE_LOAD",
    "FIELD_OF_METRIC",
    "FIRST_FLOUR_G",
    "GOOD_LOAD",
    "GUMS",
    "KNOWN_STARCH_NEEDED",
    "LIFT_WALL",
    "MAX_MASS_G",
    "MAX_PARTS",
    "METRICS",
    "NEW_BINDER_PCT",
    "NEW_FLOUR_PCT",
    "OF_FLOUR",
    "ROLE_SHARES",
    "Analysis",
    "BagContents",
    "BagKind",
    "BandChange",
    "BandResult",
    "BinderInBag",
    "BinderLoad",
    "Blend",
    "Caution",
    "Contents",
    "Difference",
    "DoseBand",
    "Explanation",
    "Fit",
    "GlutenEstimate",
    "GoodFor",
    "Judgement",
    "Kept",
    "Limits",
    "Metric",
    "MixClass",
    "Part",
    "Quiet",
    "Record",
    "Rules",
    "Setting",
    "Use",
    "UseBand",
    "UsualRange",
    "add_part",
    "analyse",
    "bands_of",
    "binder_in_bag",
    "cautions_for",
    "cautions_of",
    "check_parts",
    "class_of",
    "contents",
    "difference",
    "doses_mended",
    "drawing_on",
    "egg_carries",
    "estimate_gluten",
    "explain",
    "fit_to",
    "fresh_egg_of",
    "good_for",
    "handy",
    "judge",
    "load_of_binders",
    "load_state",
    "of_mix",
    "rule_of_use",
    "scale_to",
    "set_flour_share",
    "status_of",
    "union_of",
    "usual_nutrition",
    "with_changes",
]
