"""Whose cups, spoons and eggs: judged from the whole text, by what only some countries write."""

from __future__ import annotations

import re
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Habit:
    """Where a recipe is from: us, uk, au, ca or eu (empty: it does not say), and what in it says so."""

    key: str
    why: tuple[str, ...] = ()


_SIGNS: tuple[tuple[str, str, str], ...] = (
    ("us", r"°\s*F\b|\bdegrees F\b|\d\s?F\b", "°F"),
    ("us", r"\ball[- ]purpose\b", "all-purpose"),
    ("us", r"\bsticks?\b(?= (?:of )?(?:unsalted |salted )?butter)", "sticks of butter"),
    ("us", r"\bkosher salt\b", "kosher salt"),
    ("us", r"\bcornstarch\b", "cornstarch"),
    ("us", r"\b\d+(?:\.\d+)?[- ]?(?:x|×|by)[- ]?\d+(?:\.\d+)?[- ]inch\b|\bskillet\b", "inches"),
    ("uk", r"\bgas(?: mark)? ?\d", "gas mark"),
    ("uk", r"\bcaster sugar\b", "caster sugar"),
    ("uk", r"\bplain flour\b", "plain flour"),
    ("uk", r"\b(?:bicarbonate of soda|cornflour|icing sugar|treacle)\b", "British names"),
    ("uk", r"\b\d+ ?C ?(?:/ ?\d+ ?C)? fan\b|\bfan \d", "fan ovens"),
    ("au", r"\b(?:tbsp|tablespoons?) \(20 ?ml\)", "tablespoons of 20 mL"),
    ("au", r"\bbicarb soda\b|\bcup \(250 ?ml\)", "Australian names"),
    ("au", r"\bmoderate(?:ly hot)? oven\b", "a moderate oven"),
    ("ca", r"\b\d+ mL \(\d", "mL before cups"),
    ("eu", r"\b(?:Mehl|Eier|Zucker|Backpulver|EL|TL|Prise)\b", "German"),
    ("eu", r"\b(?:farine|œufs?|sucre|levure|cuillères?|beurre)\b", "French"),
    ("eu", r"\b(?:harina|huevos?|azúcar|levadura|cucharadas?|aceite)\b", "Spanish"),
    ("eu", r"\b(?:farina|uova|zucchero|lievito|cucchiai|burro)\b", "Italian"),
    ("eu", r"\b(?:mjöl|ägg|smör|bakpulver|tsk|msk)\b|\bdl\b", "Swedish"),
)  # fmt: skip


def habit_of(text: str) -> Habit:
    """Return whose habits a recipe shows most signs of; where two are even it does not say.

    >>> habit_of("2 cups all-purpose flour\\nBake at 350°F").key, habit_of("200g caster sugar, gas mark 4").key
    ('us', 'uk')
    """
    found: dict[str, list[str]] = {}
    for key, pattern, said in _SIGNS:
        if re.search(pattern, text, 0 if said in ("°F", "German") else re.IGNORECASE):
            found.setdefault(key, []).append(said)
    if not found:
        return Habit("")
    key, *others = sorted(found, key=lambda k: -len(found[k]))
    if others and len(found[others[0]]) == len(found[key]):
        return Habit("")
    return Habit(key, tuple(dict.fromkeys(found[key])))
