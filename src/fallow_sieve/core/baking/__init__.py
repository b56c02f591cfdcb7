"""What is known of ovens, pans and doneness."""

from fallow_sieve.core.baking.ovens import (
    GasMark,
    OvenMention,
    OvenSetting,
    in_words,
    mention_c,
    oven_clashes,
    oven_mentions,
    parse_oven,
)
from fallow_sieve.core.baking.phases import BakePlan, Doneness, Pan, Phase, PlannedPhase, pan_named, plan_bake

__all__ = [
    "BakePlan",
    "Doneness",
    "GasMark",
    "OvenMention",
    "OvenSetting",
    "Pan",
    "Phase",
    "PlannedPhase",
    "in_words",
    "mention_c",
    "oven_clashes",
    "oven_mentions",
    "pan_named",
    "parse_oven",
    "plan_bake",
]
