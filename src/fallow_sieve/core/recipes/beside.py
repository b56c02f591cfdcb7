"""What a line of a recipe says beside the name: to taste, for dusting, plus extra; and words that are shortened."""

from __future__ import annotations

import re

_OUT = (
    r"\b(?:for|to|zum|zur|pour|para|per|till)\s+(?:the\s+|la\s+|le\s+|die\s+)?"
    r"(?:dust\w*|greas\w*|brush\w*|sprinkl\w*|roll\w*|(?:shallow |deep )?fry\w*|serv\w*|glaz\w*|finish\w*|coat\w*"
    r"|smear\w*|fill\w*|garnish\w*|drizzl\w*|decorat\w*|top\w*|pan|griddle|tin|banneton|wash|braten|bestreuen|bestäuben"
    r"|bestreichen|füllen|einfetten|ausfetten|dekorieren|servieren|form|moule|servir|garnir|décor\w*|saupoudrer"
    r"|espolvorear|decorar|engrasar|decorare|spolverare|ungere|servera\w*|pensl\w*|garner\w*|strö|dessus|toppen)\b"
)
_OUTSIDE = re.compile(rf"^\s*,?\s*{_OUT}", re.IGNORECASE)
_AS_LIKED = (
    r"\b(?:as per|to|per|for) taste\b|\bas (?:needed|required)\b|\bif (?:needed|desired|you like)\b|\boptional\b"
    r"|\b(?:au|selon le) goût\b|\b(?:al|a) gusto\b|\befter smak\b|\bnach (?:Geschmack|Bedarf|Belieben)\b"
)
_MORE = r"\b(?:plus|\+) (?:extra|more)\b|\+ (?:extra|more)\b"
_LEFT = re.compile(
    rf"\s*(?:,|;|(?:\bplus\b|\+|&|\band\b)?\s*\b(?:extra|more|some)? ?(?:as needed )?{_OUT}|{_MORE}|{_AS_LIKED})",
    re.IGNORECASE,
)


def is_outside(note: str) -> bool:
    """Return whether a thing only dusts, greases, fills or is served with it, by what is said beside it."""
    return bool(_OUTSIDE.match(note))


def name_part(text: str) -> tuple[str, str]:
    """Return the name, and what is said about it behind a comma or a phrase such as "to taste".

    >>> name_part("potato starch, plus extra for dusting"), name_part("ghee + for smearing")
    (('potato starch', 'plus extra for dusting'), ('ghee', 'for smearing'))
    """
    match = _LEFT.search(text)
    if match is None:
        return text.strip(" .,:;-"), ""
    return text[: match.start()].strip(" .,:;-+&"), text[match.start() :].strip(" .,;+&")


# Sizes as they are shortened on cards, and "to taste" as it is shortened in Italy, France and Germany.
_SHORT_SIZES = (
    (re.compile(r"\b(?:x-?lg|xl)\.?(?=\s)", re.IGNORECASE), "extra large"),
    (re.compile(r"\b(?:lg|lge|lrg)\b\.?(?=\s)", re.IGNORECASE), "large"),
    (re.compile(r"\bmed\.?(?=\s+(?:eggs?|size))", re.IGNORECASE), "medium"),
    (re.compile(r"\bsm\.?(?=\s+eggs?)", re.IGNORECASE), "small"),
    (re.compile(r",?\s+(?:q\. ?b\.|q\. ?s\.|n\. ?B\.|c/n)\s*$"), ", to taste"),
)


def in_full(text: str) -> str:
    """Return `text` with shortened sizes and "to taste" written out."""
    for short, full in _SHORT_SIZES:
        text = short.sub(full, text)
    return text
