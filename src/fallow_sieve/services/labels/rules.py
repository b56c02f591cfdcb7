"""The rules of a scheme with the texts of a language, from the bundled tables."""

from __future__ import annotations

from functools import cache, partial

from fallow_sieve.core.labels.lines import LabelRules
from fallow_sieve.core.labels.nutrition import EU_ROWS, US_ROWS
from fallow_sieve.core.values import UnknownNameError
from fallow_sieve.reference.labelling import (
    LANGUAGES,
    allergen_rules,
    claim_rules,
    daily_values,
    eu_tolerances,
    gluten_scheme,
    label_names,
    label_text,
    net_masses,
    print_eu,
    print_us,
)

US_LIKE = ("us",)
OWN_LANGUAGE = {"us": "en_us", "ca": "en_us"}


@cache
def rules_of(scheme: str, language: str = "") -> LabelRules:
    """Return the rules of a scheme in a language (empty: the scheme's own). Raises UnknownNameError.

    Places whose tables are not here are printed by the European Union's order and rounding.
    """
    spoken = language or OWN_LANGUAGE.get(scheme, "en_gb")
    if spoken not in LANGUAGES:
        raise UnknownNameError("language", spoken, LANGUAGES, place="/language")
    is_us = scheme in US_LIKE
    return LabelRules(
        scheme=scheme,
        allergens=allergen_rules(scheme),
        gluten=gluten_scheme(scheme),
        names=label_names(scheme),
        rows=US_ROWS if is_us else EU_ROWS,
        printer=print_us if is_us else print_eu,
        tolerances=() if is_us else eu_tolerances(),
        claims=claim_rules(scheme),
        net_masses=net_masses(),
        text=partial(_text, spoken),
        wants_contains_line=is_us,
        daily_values=daily_values() if is_us else {},
    )


def _text(language: str, key: str, **values: str) -> str:
    return label_text(key, language, **values)
