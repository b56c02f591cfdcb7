"""Amounts as people write them: 1 1/2, 1½, 2,5, 1–2, "a scant cup", "2 x 250 g", "1 lb 4 oz".

What stands for a range stays one (low, typical, high); what had to be guessed is said in `guesses`.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

FRACTIONS = {
    "½": "1/2", "⅓": "1/3", "⅔": "2/3", "¼": "1/4", "¾": "3/4", "⅕": "1/5", "⅖": "2/5", "⅗": "3/5", "⅘": "4/5",
    "⅙": "1/6", "⅚": "5/6", "⅐": "1/7", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅑": "1/9", "⅒": "1/10",
}  # fmt: skip
ASKED_POINT = "a point or a thousand"
_NUMBER_WORDS = {
    "half": 0.5, "quarter": 0.25, "third": 1 / 3, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5,
    "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "twelve": 12, "dozen": 12,
    "halb": 0.5, "halbe": 0.5, "halber": 0.5, "halbes": 0.5, "ein": 1, "eine": 1, "einen": 1, "zwei": 2,
    "drei": 3, "vier": 4, "demi": 0.5, "demie": 0.5, "un": 1, "une": 1, "deux": 2, "trois": 3, "quatre": 4,
    "einer": 1, "einem": 1, "anderthalb": 1.5, "eineinhalb": 1.5, "fünf": 5, "sechs": 6, "acht": 8, "zehn": 10,
    "cinq": 5, "huit": 8, "dix": 10, "douzaine": 12, "dizaine": 10, "vingtaine": 20, "docena": 12,
    "dozzina": 12, "dussin": 12, "medio": 0.5, "media": 0.5, "una": 1, "dos": 2, "tres": 3, "cuatro": 4, "cinco": 5,
    "mezzo": 0.5, "mezza": 0.5, "uno": 1, "due": 2, "quattro": 4, "cinque": 5, "sei": 6, "fyra": 4, "fem": 5, "sex": 6,
    "tre": 3, "halv": 0.5, "halvt": 0.5, "halben": 0.5, "ett": 1, "två": 2,
}  # fmt: skip
# How a spoon or cup is filled: low, typical and high times a level one.
FILLED = {
    "scant": (0.85, 0.93, 1.0), "level": (1.0, 1.0, 1.0), "heaped": (1.0, 1.3, 1.6), "heaping": (1.0, 1.3, 1.6),
    "rounded": (1.0, 1.2, 1.4), "generous": (1.0, 1.08, 1.15), "good": (1.0, 1.08, 1.15), "full": (1.0, 1.0, 1.0),
    **dict.fromkeys(("flat", "gestr", "gestrichene", "gestrichener", "rase", "raso", "rasa", "struken"), (1, 1, 1)),
    **dict.fromkeys(("geh", "gehäufte", "gehäufter", "bombée", "colmo", "colma", "rågad"), (1.0, 1.3, 1.6)),
    **dict.fromkeys(("knapp", "knappe", "knapper"), (0.85, 0.93, 1.0)),
}  # fmt: skip
_ABOUT = re.compile(r"(?:about|around|approximately|approx\.?|roughly|circa|ca\.?|c\.|~|≈)\s*", re.IGNORECASE)
_MIXED = r"\d+\s+(?:and\s+)?\d+\s*/\s*\d+"
_FRACTION = r"\d+\s*/\s*\d+"
_DECIMAL = r"\d{1,3}(?:(?: \d{3})+|(?:,\d{3})+)(?![\d/])(?:\.\d+)?|\d+(?:[.,]\d+)?|\.\d+"
_PARTS = re.compile(r"(?:(\d+)\s+(?:and\s+)?)?(\d+)\s*/\s*(\d+)")
_NUMBER = re.compile(rf"{_MIXED}|{_FRACTION}|{_DECIMAL}")
_TO = re.compile(r"\s*(?:-|–|—|\b(?:to|or|bis|à|a|ou|o|till|eller|oder)\b(?=\s*\d))\s*", re.IGNORECASE)
_TIMES = re.compile(r"\s*[x×]\s*(?=\d)", re.IGNORECASE)
_WORD = re.compile(r"[^\W\d_]+")


@dataclass(frozen=True, slots=True)
class Amount:
    """A number as low ≤ typical ≤ high, without a unit, and what was guessed on the way."""

    low: float
    typical: float
    high: float
    guesses: tuple[str, ...] = ()

    def times(self, low: float, typical: float, high: float) -> Amount:
        """Return the amount times a range, guesses kept."""
        return replace(self, low=self.low * low, typical=self.typical * typical, high=self.high * high)

    def plus(self, other: Amount) -> Amount:
        """Return both together, in one unit."""
        return Amount(
            self.low + other.low, self.typical + other.typical, self.high + other.high, (*self.guesses, *other.guesses)
        )


def plain(text: str) -> str:
    """Return `text` with one kind of space, dash and fraction: "1½" becomes "1 1/2"."""
    for sign, words in FRACTIONS.items():
        text = re.sub(rf"(\d)\s*{sign}", rf"\1 {words}", text).replace(sign, words)
    text = re.sub(r"(\d)-(\d+/\d+)", r"\1 \2", text)  # 1-1/2
    text = text.replace("⁄", "/").replace("–", "-").replace("—", "-").replace("−", "-")
    return re.sub(r"[\u00a0\u2009\u202f\t ]+", " ", text)


def number_at(text: str, at: int) -> tuple[float, int, tuple[str, ...]] | None:
    """Return the number that starts at `at`, where it ends, and guesses; None where there is none there."""
    match = _NUMBER.match(text, at)
    if match is None:
        return None
    said = match.group()
    fraction = _PARTS.fullmatch(said)
    if fraction:
        whole, top, bottom = (float(x) if x else 0.0 for x in fraction.groups())
        return (whole + top / bottom, match.end(), ()) if bottom else None
    return _decimal(said, match.end())


def _decimal(said: str, end: int) -> tuple[float, int, tuple[str, ...]]:
    if re.fullmatch(r"\d{1,3}(?: \d{3})+(?:\.\d+)?", said):
        return float(said.replace(" ", "")), end, ()
    if re.fullmatch(r"\d{1,3}(?:,\d{3})+(?:\.\d+)?", said):
        value = float(said.replace(",", ""))
        return value, end, (f"“{said}” read as {value:g}: the comma taken to set thousands apart",)
    guesses = (
        (f"{ASKED_POINT}: “{said}” may be {said.replace('.', '')}",) if re.fullmatch(r"[1-9]\.\d{3}", said) else ()
    )
    return float(said.replace(",", ".")), end, guesses


def amount_at(text: str, at: int) -> tuple[Amount, int] | None:
    """Return the amount that starts at `at` and where it ends: a number, a range, a product, or a word for one."""
    about = _ABOUT.match(text, at)
    guesses: tuple[str, ...] = ()
    if about:
        at = about.end()
    found = number_at(text, at)
    if found is None:
        return _worded(text, at)
    value, end, more = found
    guesses = (*guesses, *more)
    times = _TIMES.match(text, end)
    if times:
        factor = number_at(text, times.end())
        if factor:
            return Amount(value * factor[0], value * factor[0], value * factor[0], guesses), factor[1]
    to = _TO.match(text, end)
    upper = number_at(text, to.end()) if to else None
    if upper and upper[0] > value:
        middle = (value + upper[0]) / 2
        said = f"{value:g}–{upper[0]:g} taken as {middle:g}"
        return Amount(value, middle, upper[0], (*guesses, said)), upper[1]
    return Amount(value, value, value, guesses), end


_HALF_A = re.compile(
    r"(?:half|quarter|third)(?:\s+(?:of\s+)?an?)?\b|an?\s+(?:half|quarter|third)(?:\s+of)?(?:\s+an?)?\b", re.IGNORECASE
)
_DOZEN = re.compile(r"(half\s+(?:an?\s+)?)?(?:an?\s+)?dozen\b", re.IGNORECASE)
_AN = re.compile(r"an?\b", re.IGNORECASE)
_AND_A_HALF = re.compile(r"\s+and\s+a\s+(half|quarter|third)\b", re.IGNORECASE)


def _worded(text: str, at: int) -> tuple[Amount, int] | None:
    dozen = _DOZEN.match(text, at)
    if dozen:
        value = 6.0 if dozen.group(1) else 12.0
        return Amount(value, value, value), dozen.end()
    part = _HALF_A.match(text, at)
    if part:
        value = next(v for w, v in _NUMBER_WORDS.items() if w in part.group().lower())
        return Amount(value, value, value), part.end()
    one = _AN.match(text, at)
    if one:
        return _and_a_half(text, 1.0, one.end())
    word = _WORD.match(text, at)
    if word is None or word.group().lower() not in _NUMBER_WORDS:
        return None
    value, then = float(_NUMBER_WORDS[word.group().lower()]), _WORD.match(text, word.end() + 1)
    if value == 1 and then and then.group().lower() in _NUMBER_WORDS:  # "einer halben", "une vingtaine"
        return _and_a_half(text, float(_NUMBER_WORDS[then.group().lower()]), then.end())
    return _and_a_half(text, value, word.end())


def _and_a_half(text: str, value: float, end: int) -> tuple[Amount, int]:
    more = _AND_A_HALF.match(text, end)
    if more:
        value, end = value + _NUMBER_WORDS[more.group(1).lower()], more.end()
    return Amount(value, value, value), end


@dataclass(frozen=True, slots=True)
class Unit:
    """A unit: its name, its kind, how many g or mL one is, and what that takes for granted.

    Kinds are mass, volume, count (a clove, a slice) and pack, which holds what the line or a table says. `low` and
    `high` are how far one may lie from its size, × (a handful).
    """

    name: str
    kind: str
    size: float
    guess: str = ""
    low: float = 1.0
    high: float = 1.0


@dataclass(frozen=True, slots=True)
class WrittenAmount:
    """An amount in a unit, as written from `start` to `end`: g for a mass, mL for a volume, else a count."""

    amount: Amount
    unit: Unit
    start: int
    end: int


COUNT = Unit("", "count", 1.0)
_FILL = re.compile(r"\s*(" + "|".join(sorted(FILLED, key=len, reverse=True)) + r")\b\.?", re.IGNORECASE)
_PLUS = re.compile(r"\s*(?:plus|\+|and|&|,)?\s*(?=[\d.]|half\b|a\b)", re.IGNORECASE)


def measured_at(text: str, at: int, units: Mapping[str, Unit]) -> WrittenAmount | None:
    """Return the amount with its unit that starts at `at`: "1 scant cup", "1 lb 4 oz", "2 eggs" (a count).

    `units` are by how they are written, in lower case; a lone T, t or C is told apart by its case.
    """
    filled = _FILL.match(text, at)
    lead = re.match(r"\s*an?\s+(?=" + "|".join(FILLED) + ")", text[at:], re.IGNORECASE)
    if filled and (behind := amount_at(text, filled.end() + 1)):  # "heaping 1/2 cup"
        amount, end = _filled(text, behind[0], at)[0], behind[1]
    else:
        found = amount_at(text, at) or ((Amount(1.0, 1.0, 1.0), at) if filled else _one_of(text, at, units))
        if found is None:
            return None
        amount, end = found
        amount, end = _filled(text, amount, at + len(lead.group()) if lead else end)
    unit, after = unit_at(text, end, units)
    if unit is None:
        return WrittenAmount(amount, COUNT, at, end)
    return _more(text, WrittenAmount(_in(amount, unit), unit, at, after), units)


def _one_of(text: str, at: int, units: Mapping[str, Unit]) -> tuple[Amount, int] | None:
    """ "Pinch of salt": a small unit that stands without a number is one of it."""
    unit, _ = unit_at(text, at, units)
    return (Amount(1.0, 1.0, 1.0), at) if unit is not None and unit.name in _ALONE else None


_ALONE = ("pinch", "dash", "handful", "knob", "splash", "squeeze")


def _filled(text: str, amount: Amount, end: int) -> tuple[Amount, int]:
    match = _FILL.match(text, end)
    if match is None:
        return amount, end
    word = match.group(1).lower()
    low, typical, high = FILLED[word]
    done = amount.times(low, typical, high)
    if low != high:
        done = replace(done, guesses=(*done.guesses, f"“{word}” taken as {typical:g} of a level one, {low:g}–{high:g}"))
    return done, match.end()


def _in(amount: Amount, unit: Unit) -> Amount:
    done = amount.times(unit.size * unit.low, unit.size, unit.size * unit.high)
    return replace(done, guesses=(*done.guesses, unit.guess)) if unit.guess else done


def _more(text: str, first: WrittenAmount, units: Mapping[str, Unit]) -> WrittenAmount:
    """A smaller amount of the same kind that follows: "1 lb 4 oz", "1 cup plus 2 tablespoons"."""
    plus = _PLUS.match(text, first.end)
    if plus is None:
        return first
    at = plus.end()
    found = amount_at(text, at)
    if found is None:
        return first
    amount, end = _filled(text, *found)
    unit, after = unit_at(text, end, units)
    if unit is None or unit.kind != first.unit.kind or unit.size >= first.unit.size:
        return first
    return WrittenAmount(first.amount.plus(_in(amount, unit)), first.unit, first.start, after)


_UNIT_WORD = re.compile(r"\s*-?\s*([^\W\d_]+\.?)")
_WORDS_OF_A_UNIT = 5
CASED = frozenset(("T", "C", "t", "c", "EL", "TL", "KL", "CS", "CC"))


def unit_at(text: str, at: int, units: Mapping[str, Unit]) -> tuple[Unit | None, int]:
    """Return the unit written at `at` (of more words before fewer) and where it ends; None where there is none."""
    tries: list[tuple[str, int]] = []
    end, said = at, ""
    for _ in range(_WORDS_OF_A_UNIT):
        match = _UNIT_WORD.match(text, end)
        if match is None:
            break
        end, said = match.end(), f"{said} {match.group(1)}".strip()
        tries.append((said.replace(".", ""), end))
    for words, upto in reversed(tries):
        key = words if words in CASED else words.lower()
        if key in units:
            return units[key], upto
    return None, at
