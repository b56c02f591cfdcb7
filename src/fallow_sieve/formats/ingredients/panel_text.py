"""Reads the text of a label panel, pasted as it is: fills what it understands, and marks every line it does not."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from fallow_sieve.core.values import BadInputError

MOST_CHARACTERS = 10_000
Status = Literal["taken", "partly", "not", "empty"]


@dataclass(frozen=True, slots=True)
class PanelLine:
    """A line of the text: as it stands, whether it was taken, and what for or why not."""

    text: str
    status: Status
    say: str


@dataclass(frozen=True, slots=True)
class PanelText:
    """What a text was understood as; None and absent where nothing was found. Amounts as printed, units apart."""

    printed: dict[str, str]
    serving: str
    serving_unit: str
    serving_g: str
    convention: Literal["inside", "apart"] | None
    lines: tuple[PanelLine, ...]


# English, then German, French, Spanish, Italian, Swedish.
_OF_WHICH = r"(of which|davon|dont|de (las|los) cuales|di cui|varav)"
_NAMES: tuple[tuple[str, str], ...] = (
    (
        rf"{_OF_WHICH}? ?(saturated fat(ty acids)?|saturates|sat\.? fat|gesättigte fettsäuren|(acides gras )?saturés"
        r"|saturadas|(acidi grassi )?saturi|mättat fett)",
        "saturated_fat_g",
    ),
    (r"(total )?fat|fett|mati[èe]res grasses|lipides|grasas?( totales)?|grassi", "fat_g"),
    (rf"{_OF_WHICH}? ?((total )?sugars?|zucker|sucres|az[úu]cares|zuccheri|sockerarter|socker)", "sugars_g"),
    (r"(dietary )?fib(re|er)s?|ballaststoffe|fibra|fibres alimentaires", "fibre_g"),
    (
        r"(total )?carbohydrates?|(total )?carbs?\.?|kohlenhydrate|glucides|hidratos de carbono|carbohidratos"
        r"|carboidrati|kolhydrat(er)?",
        "carbohydrate_g",
    ),
    (r"protein(er?|as)?|eiwei(ß|ss)|prot[ée]ines|prote[íi]nas", "protein_g"),
    (r"salt|salz|sel|sale|sal", "salt_g"),
    (r"sodium|sodio", "sodium_mg"),
    (r"calcium", "calcium_mg"),
    (r"iron", "iron_mg"),
    (r"potassium", "potassium_mg"),
)
_LABELS = {name: name.rsplit("_", 1)[0].replace("_", " ") for _, name in _NAMES}
_ENERGY = re.compile(r"([eé]nerg(y|ie|[íi]a|i)|brennwert|valor energ[ée]tico|calories|kcal|kj)\b", re.IGNORECASE)
_NUMBER = r"(?:<|≤|less than )?\s?\d{1,5}(?:[.,]\d{1,3})?"
_AMOUNT = re.compile(rf"({_NUMBER})\s?(kcal|kj|cal(?:ories)?|mg|g|µg|mcg)?(?![\w%])", re.IGNORECASE)
_SERVING = re.compile(
    r"(?:(?:serving|serv\.?) size|per serving|portion|serving|per)\s*:?\s*(?:of\s*)?"
    r"(?:about\s*)?((?:\d+\s+)?\d+\s*/\s*\d+|[¼½¾⅓⅔]|\d+(?:[.,]\d+)?)\s*"
    r"(cups?|tbsps?|tablespoons?|tsps?|teaspoons?|g|oz|ml)?"
    r"(?:\s*\(?\s*(\d+(?:[.,]\d+)?)\s*g\)?)?",
    re.IGNORECASE,
)
_PER = re.compile(r"\b(?:per|pro|je|par|pour|por)\s*(\d+(?:[.,]\d+)?)\s*(g|ml)\b", re.IGNORECASE)
_IGNORED = re.compile(
    r"nutrition|typical values|amount per|daily value|servings per|reference intake|ingredients|\*|%\s*dv|cholesterol"
    r"|trans fat|added sugars|mono|poly|vitamin|calories from",
    re.IGNORECASE,
)
_UNITS = {
    "cup": "cup",
    "tbsp": "tablespoon",
    "tablespoon": "tablespoon",
    "tsp": "teaspoon",
    "teaspoon": "teaspoon",
    "g": "g",
    "oz": "oz",
    "ml": "ml",
}
_FRACTIONS = {"¼": 0.25, "½": 0.5, "¾": 0.75, "⅓": 1 / 3, "⅔": 2 / 3}


# Words and measures that panels of the Americas have (fibre inside carbohydrate), and those of elsewhere (apart).
_SIGNS: tuple[tuple[re.Pattern[str], Literal["sure", "hint"], Literal["inside", "apart"]], ...] = (
    (re.compile(rf"{_OF_WHICH}|saturates|\b(salt|salz|sel|sale|sal)\b", re.IGNORECASE), "sure", "apart"),
    (re.compile(r"total carb|dietary fib|calories|total fat|daily value|\b%? ?dv\b", re.IGNORECASE), "sure", "inside"),
    (re.compile(r"serving.*\b(tbsps?|tablespoons?|cups?)\b", re.IGNORECASE), "hint", "inside"),
    (re.compile(r"\bsodium\b", re.IGNORECASE), "hint", "inside"),
    (re.compile(r"\bkj\b", re.IGNORECASE), "hint", "apart"),
    (re.compile(r"\b(?:per|pro|je|par|pour|por)\s*100\s*(g|ml)\b", re.IGNORECASE), "hint", "apart"),
)


class _Found:
    """What was understood so far."""

    def __init__(self) -> None:
        self.printed: dict[str, str] = {}
        self.serving = ("", "", "")
        self.signs: dict[tuple[str, str], int] = {}

    def sign(self, strength: Literal["sure", "hint"], convention: Literal["inside", "apart"]) -> None:
        """Note a sign of where the panel is from."""
        self.signs[strength, convention] = self.signs.get((strength, convention), 0) + 1

    def convention(self) -> Literal["inside", "apart"] | None:
        """What the sure signs say, where they are of one mind; else the hints; None where neither decides."""
        for strength in ("sure", "hint"):
            inside, apart = (self.signs.get((strength, c), 0) for c in ("inside", "apart"))
            if strength == "sure" and inside and apart:
                return None
            if inside != apart:
                return "inside" if inside > apart else "apart"
        return None


def read_label_text(text: str) -> PanelText:
    """Return what a pasted panel is understood as, line by line. Raises BadInputError for one that is too long."""
    if len(text) > MOST_CHARACTERS:
        raise BadInputError(f"{len(text)} characters", place="/text", right=f"a panel has at most {MOST_CHARACTERS}")
    found = _Found()
    lines = tuple(_line(line.strip(), found) for line in text.splitlines())
    amount, unit, grams = found.serving
    return PanelText(found.printed, amount, unit, grams, found.convention(), lines)


def _line(line: str, found: _Found) -> PanelLine:
    if not line:
        return PanelLine(line, "empty", "")
    for pattern, strength, convention in _SIGNS:
        if pattern.search(line):
            found.sign(strength, convention)
    return _serving(line, found) or _energy(line, found) or _nutrient(line, found) or _heading(line)


def _heading(line: str) -> PanelLine:
    if _IGNORED.search(line):
        return PanelLine(line, "empty", "not needed here")
    return PanelLine(line, "not", "not understood: type it in by hand if it matters")


def _serving(line: str, found: _Found) -> PanelLine | None:
    if re.search(r"servings? per|per container", line, re.IGNORECASE):
        return PanelLine(line, "empty", "not needed here")
    per = _PER.search(line)
    if per and not _AMOUNT.search(line[: per.start()]):
        found.serving = found.serving if found.serving[0] else (_comma(per[1]), per[2].lower(), "")
        return PanelLine(line, "taken", f"numbers per {_comma(per[1])} {per[2].lower()}")
    match = _SERVING.match(line)
    if match is None:
        return None
    amount, unit, grams = match.groups()
    unit_name = _UNITS.get((unit or "").lower().rstrip("s"), "")
    if not unit_name:
        return PanelLine(line, "not", "a serving without a unit that is known")
    found.serving = (_fraction(amount), unit_name, _comma(grams or ""))
    weighing = f", which weighs {_comma(grams)} g" if grams else ""
    many = "s" if unit_name in ("cup", "tablespoon", "teaspoon") and float(_fraction(amount)) > 1 else ""
    return PanelLine(line, "taken", f"a serving of {_fraction(amount)} {unit_name}{many}{weighing}")


def _fraction(text: str) -> str:
    text = text.strip()
    if text in _FRACTIONS:
        return f"{_FRACTIONS[text]:g}"
    match = re.fullmatch(r"(?:(\d+)\s+)?(\d+)\s*/\s*(\d+)", text)
    if match and int(match[3]):
        return f"{int(match[1] or 0) + int(match[2]) / int(match[3]):g}"
    return _comma(text)


def _comma(text: str) -> str:
    return text.replace(",", ".")


def _energy(line: str, found: _Found) -> PanelLine | None:
    if not _ENERGY.match(line) or _IGNORED.search(line):
        return None
    took = []
    bare_calories = line.lower().startswith("calories")
    for number, unit in _AMOUNT.findall(line):
        kind = unit.lower() or ("kcal" if bare_calories else "")
        name = {"kj": "energy_kj", "kcal": "energy_kcal", "cal": "energy_kcal", "calories": "energy_kcal"}.get(kind)
        if name and name not in found.printed:
            found.printed[name] = _comma(number.strip())
            took.append(f"{_comma(number.strip())} {'kJ' if name == 'energy_kj' else 'kcal'}")
    if not took:
        return PanelLine(line, "not", "an energy without kJ or kcal")
    return PanelLine(line, "taken", f"energy {' and '.join(took)}")


def _nutrient(line: str, found: _Found) -> PanelLine | None:
    if re.search(r"trans|added|mono|poly|includes", line, re.IGNORECASE):
        return None
    plain = line.lstrip("-–•* \t")
    for pattern, name in _NAMES:
        match = re.match(rf"(?:{pattern})\b(?:(?!less than)[^\d<≤])*", plain, re.IGNORECASE)
        if match:
            return _amount(line, plain[match.end() :], name, found)
    return None


def _amount(line: str, rest: str, name: str, found: _Found) -> PanelLine:
    amounts = _AMOUNT.findall(re.sub(r"\d+(?:[.,]\d+)?\s?%", "", rest))
    if not amounts:
        return PanelLine(line, "not", f"{_LABELS[name]} without a number")
    if name in found.printed:
        return PanelLine(line, "not", f"{_LABELS[name]} stands twice; the first was taken")
    number, unit = _comma(amounts[0][0].strip()).replace("less than ", "<"), amounts[0][1].lower()
    wanted = name.rsplit("_", 1)[1]
    value = _in_unit(number, unit or wanted, wanted)
    if value is None:
        return PanelLine(line, "not", f"{_LABELS[name]} in {unit}, where {wanted} is printed")
    found.printed[name] = value
    say = f"{_LABELS[name]} {value if value != number else f'{value} {wanted}'}"
    if not unit:
        return PanelLine(line, "partly", f"{say}: no unit is printed, {wanted} was taken")
    if len(amounts) > 1:
        return PanelLine(line, "partly", f"{say}: the first of {len(amounts)} numbers was taken")
    return PanelLine(line, "taken", say)


def _in_unit(number: str, unit: str, wanted: str) -> str | None:
    """The number as printed, with its unit where that is another one; None where the unit cannot be right."""
    if unit == wanted:
        return number
    return f"{number} {unit}" if {unit, wanted} == {"g", "mg"} else None
