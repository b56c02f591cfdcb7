"""One line of a recipe: how much of what, its mass with the honest spread, what was guessed, what was not read."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field

from fallow_sieve.core.formulas import When, usual_when
from fallow_sieve.core.ingredients import Ingredient, Kind, Shelf
from fallow_sieve.core.recipes.amounts import COUNT, Amount, Unit, WrittenAmount, measured_at, plain
from fallow_sieve.core.recipes.names import Lexicon, Named, understand
from fallow_sieve.core.values import Range


@dataclass(frozen=True, slots=True)
class Piece:
    """What one counted thing weighs, g, and what that takes for granted."""

    mass: Range
    guess: str


@dataclass(frozen=True, slots=True)
class Words:
    """Everything that reading goes by: units by how they are written, names, and what one counted thing weighs.

    `pieces` are by the slug that tables know them by, or by it and a size: `whole-egg:large`.
    """

    units: Mapping[str, Unit]
    names: Lexicon
    pieces: Mapping[str, Piece]


@dataclass(frozen=True, slots=True)
class ReadLine:
    """One line as read. `understood` is yes, guessed, part (name or amount missing) or no.

    `mass` is in g with the spread of density and amount; `mass_twin` and `volume_twin_ml` are the two ways in which
    the line states one thing, where it does. `near` are slugs that the name looks like, `wrong` says what is missing.
    """

    number: int
    text: str
    name: str
    ingredient: str | None
    amount: Amount | None
    unit: str
    kind: str
    mass: Range | None
    when: When
    guesses: tuple[str, ...]
    understood: str
    note: str = ""
    near: tuple[str, ...] = ()
    wrong: str = ""
    mass_twin: Range | None = None
    volume_twin_ml: float | None = None
    spread: str = field(default="")


_BULLET = re.compile(r"^\s*(?:[-*•·▢□☐–]\s+|\d{1,2}[.)]\s+(?=\D))?\s*")
_BRACKETS = re.compile(r"\(([^()]*)\)|\[([^\[\]]*)\]")
_OF = re.compile(r"\s*(?:of\s+)?(?:the\s+)?", re.IGNORECASE)
_LEFT = re.compile(
    r"\s*(?:,|;|\bplus (?:extra|more)\b|\bto taste\b|\bas needed\b|\boptional\b"
    r"|\bfor (?:dusting|the tin|greasing|sprinkling|rolling)\b)",
    re.IGNORECASE,
)
_OR = re.compile(r"\s+or\s+", re.IGNORECASE)
_DASHES = re.compile(r"\s*[:–-]\s*$|\s*\.{2,}\s*$")


def read_line(
    text: str, number: int, shelf: Shelf, words: Words, when: When | None = None, chosen: str | None = None
) -> ReadLine | None:
    """Return what the line says, masses in g, or None where it holds no amount at all and names nothing.

    `when` is that of the section it stands in, if it sets one; `chosen` is the ingredient (slug) that a person
    picked for it.
    """
    bare = plain(_BULLET.sub("", text, count=1)).strip()
    if not bare:
        return None
    body, brackets = _without_brackets(bare)
    first = measured_at(body, 0, words.units)
    name, note = body, ""
    if first is not None:
        name = body[first.end :]
    else:
        first, name = _at_the_end(body, words)
    if first is None and chosen is None and understand(_name_part(body)[0], words.names).ingredient is None:
        return None
    first, second, name = _twins(first, name, brackets, words)
    name, note = _name_part(_OF.sub("", name, count=1))
    named, name, more = (Named(chosen, "", ()), name, ()) if chosen else _named(name, words.names)
    notes = [n for n in (note, *(b for b in brackets if _amount_in(b, words) is None)) if n]
    return _told(text.strip(), number, shelf, words, (first, second), named, name, "; ".join(notes), when, more)


def _without_brackets(text: str) -> tuple[str, tuple[str, ...]]:
    found = tuple((m.group(1) or m.group(2) or "").strip() for m in _BRACKETS.finditer(text))
    return re.sub(r"\s+", " ", _BRACKETS.sub(" ", text)).strip(), tuple(f for f in found if f)


def _amount_in(text: str, words: Words) -> WrittenAmount | None:
    """The amount that a bracket is: all of it, or nothing."""
    at = re.match(r"(?:about|approx\.?|or|=|ca\.?|equals)?\s*", text, re.IGNORECASE)
    found = measured_at(text, at.end() if at else 0, words.units)
    if (
        found is None
        or found.unit is COUNT
        or text[found.end :].strip(" .") not in ("", "total", "in all", "altogether", "each")
    ):
        return None
    return None if text[found.end :].strip(" .") == "each" else found


def _at_the_end(text: str, words: Words) -> tuple[WrittenAmount | None, str]:
    """ "Butter: 100 g" or "flour 500g": the amount behind the name, to the end of the line."""
    for match in re.finditer(r"(?:(?<=[\s:,-])|^)(?=[\d.])", text):
        found = measured_at(text, match.start(), words.units)
        if found is not None and found.unit is not COUNT and not text[found.end :].strip(" .,"):
            return found, _DASHES.sub("", text[: match.start()].rstrip().rstrip(","))
        if found is not None and found.end == len(text) and match.start() > 0:
            return found, _DASHES.sub("", text[: match.start()].rstrip().rstrip(","))
    return None, text


_SLASH = re.compile(r"\s*(?:/|\||=|or)\s*(?=[\d.~]|about\b|half\b)", re.IGNORECASE)


def _twins(
    first: WrittenAmount | None, name: str, brackets: tuple[str, ...], words: Words
) -> tuple[WrittenAmount | None, WrittenAmount | None, str]:
    """A second statement of the same amount: "1 cup / 120 g flour", "1 cup (120 g) flour"."""
    if first is None:
        return None, None, name
    slash = _SLASH.match(name)
    if slash:
        second = measured_at(name, slash.end(), words.units)
        if second is not None and second.unit is not COUNT:
            return first, second, name[second.end :]
    seconds = [found for b in brackets if (found := _amount_in(b, words))]
    return first, seconds[0] if seconds else None, name


def _name_part(text: str) -> tuple[str, str]:
    """The name, and what is said about it behind a comma or a phrase such as "to taste"."""
    match = _LEFT.search(text)
    if match is None:
        return text.strip(" .,:;-"), ""
    return text[: match.start()].strip(" .,:;-"), text[match.start() :].strip(" .,;")


def _named(name: str, names: Lexicon) -> tuple[Named, str, tuple[str, ...]]:
    whole = understand(name, names)
    if whole.ingredient is not None:
        return whole, name, ()
    choice = _OR.split(name, maxsplit=1)
    if len(choice) == 2:
        first = understand(choice[0], names)
        if first.ingredient is not None:
            return first, choice[0], (f"“or {choice[1].strip()}” left aside",)
    return whole, name, ()


def _told(
    text: str,
    number: int,
    shelf: Shelf,
    words: Words,
    pair: tuple[WrittenAmount | None, WrittenAmount | None],
    named: Named,
    name: str,
    note: str,
    when: When | None,
    more: tuple[str, ...],
) -> ReadLine:
    first = _mass_first(pair)
    item = shelf[named.ingredient] if named.ingredient in shelf and named.ingredient else None
    mass, guesses, spread = _mass(first, item, name, words)
    said = [*(first.amount.guesses if first else ()), named.guess, *guesses, *more]
    wrong = "" if item else f"“{name}” is not an ingredient that is known here" if name else "It names no ingredient."
    if item and mass is None:
        wrong = _no_mass(first, item)
    understood = "no" if item is None and first is None else "part" if wrong else "guessed" if any(said) else "yes"
    return ReadLine(
        number=number,
        text=text,
        name=name,
        ingredient=item.slug if item else None,
        amount=first.amount if first else None,
        unit=first.unit.name if first else "",
        kind=first.unit.kind if first else "",
        mass=mass,
        when=when or (usual_when(item) if item else When.WET),
        guesses=tuple(g for g in said if g),
        understood=understood,
        note=note,
        near=named.near,
        wrong=wrong,
        mass_twin=_of_kind(pair, "mass"),
        volume_twin_ml=_volume(pair),
        spread=spread,
    )


def _mass_first(pair: tuple[WrittenAmount | None, WrittenAmount | None]) -> WrittenAmount | None:
    """Of two statements of one amount, the mass: it has no spread."""
    first, second = pair
    if first is not None and second is not None and first.unit.kind != "mass" and second.unit.kind == "mass":
        return second
    return first


def _of_kind(pair: tuple[WrittenAmount | None, WrittenAmount | None], kind: str) -> Range | None:
    if None in pair:
        return None
    found = next((m for m in pair if m is not None and m.unit.kind == kind), None)
    return Range(found.amount.low, found.amount.typical, found.amount.high) if found else None


def _volume(pair: tuple[WrittenAmount | None, WrittenAmount | None]) -> float | None:
    found = _of_kind(pair, "volume")
    return found.typical if found else None


def _mass(
    first: WrittenAmount | None, item: Ingredient | None, name: str, words: Words
) -> tuple[Range | None, tuple[str, ...], str]:
    """The g of what was measured: a mass as it is, a volume by density, a count by what one weighs."""
    if first is None or item is None:
        return None, (), ""
    a = first.amount
    if first.unit.kind == "mass":
        return Range(a.low, a.typical, a.high), (), ""
    if first.unit.kind == "volume":
        density = item.range_of("density_g_per_ml")
        if density is None:
            return None, (), ""
        mass = Range(a.low * density.low, a.typical * density.typical, a.high * density.high)
        return mass, (), f"{mass.typical:.3g} g, {mass.low:.3g}–{mass.high:.3g}"
    size = next((w for w in ("extra large", "large", "medium", "small") if w in name.lower()), "")
    known_as = item.standard(Kind.EGG_PART) or item.slug
    piece = words.pieces.get(f"{known_as}:{size}") or words.pieces.get(known_as)
    if piece is None:
        return None, (), ""
    return Range(a.low * piece.mass.low, a.typical * piece.mass.typical, a.high * piece.mass.high), (piece.guess,), ""


def _no_mass(first: WrittenAmount | None, item: Ingredient) -> str:
    if first is None:
        return f"How much {item.name.lower()}? The line gives no amount."
    if first.unit.kind == "volume":
        return f"The density of {item.name.lower()} is not known: give its mass in g."
    return f"What one {item.name.lower()} weighs is not known: give its mass in g."
