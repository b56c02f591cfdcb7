"""Juice and zest that are told by the fruit: "juice of ½ lemon", "zest of 1 orange", "1 lime, juiced"."""

from __future__ import annotations

import re

from fallow_sieve.core.recipes.amounts import amount_at

_FRUITS = {
    "lemon": "lemon", "lime": "lime", "orange": "orange", "zitrone": "lemon", "limette": "lime", "citron": "lemon",
    "limón": "lemon", "limon": "lemon", "naranja": "orange", "limone": "lemon", "arancia": "orange",
    "apelsin": "orange",
}  # fmt: skip
_JUICE = r"juice|saft|jus|zumo|jugo|succo"
_ZEST = (
    r"(?:finely )?(?:grated )?(?:zest|rind)|abrieb|(?:fein )?(?:(?:ab)?geriebene )?schale|zeste|ralladura|scorza|skal"
)
_LED = re.compile(
    rf"^(?:the |la |le |il |der |die )?(?:(?P<juice>{_JUICE})|(?P<zest>{_ZEST}))(?: and juice)?\s+"
    r"(?:of|de|d'une?|von|di|av)?\s*",
    re.IGNORECASE,
)
_TOLD = re.compile(
    rf"^.*?,\s*(?:(?P<juice>juiced|{_JUICE})|(?P<zest>(?:finely )?(?:grated )?zest(?:ed)?))\b.*$", re.IGNORECASE
)


def of_fruit(text: str) -> tuple[str, str] | None:
    """Return a line that tells juice or zest by the fruit as an amount, and the slug of what it is; else None.

    >>> of_fruit("juice of 1/2 lemon"), of_fruit("1 orange, zested"), of_fruit("1 tbsp lemon juice")
    (('1/2 ', 'lemon-juice'), ('1 ', 'orange-zest'), None)
    """
    led = _LED.match(text)
    if led is not None:
        found = amount_at(text, led.end())
        fruit = _fruit_in(text[found[1] if found else led.end() :])
        amount = text[led.end() : found[1]] if found else "1"
        return (f"{amount.strip()} ", _slug(fruit, bool(led.group("juice")))) if fruit else None
    told, found = _TOLD.match(text), amount_at(text, 0)
    fruit = _fruit_in(text[found[1] : text.index(",")]) if told and found else None
    if told is None or found is None or fruit is None:
        return None
    return f"{text[: found[1]]} ", _slug(fruit, bool(told.group("juice")))


def _fruit_in(text: str) -> str | None:
    words = re.findall(r"[^\W\d_]+", text.lower())
    named = (_FRUITS.get(w) or _FRUITS.get(w.rstrip("s")) or _FRUITS.get(w.removesuffix("n")) for w in words)
    return next((n for n in named if n), None)


def _slug(fruit: str, is_juice: bool) -> str:
    return f"{fruit}-{'juice' if is_juice else 'zest'}"
