"""One line of a recipe: how much of what, its mass with the honest spread, what was guessed, what was not read."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from fallow_sieve.core.formulas import When, usual_when
from fallow_sieve.core.ingredients import Function, Ingredient, Shelf
from fallow_sieve.core.recipes.amounts import ASKED_POINT, COUNT, Amount, Unit, WrittenAmount, measured_at, plain
from fallow_sieve.core.recipes.beside import in_full, is_outside, name_part
from fallow_sieve.core.recipes.flours import (
    ASKED,
    PLAIN,
    FlourWords,
    bought_flour,
    is_bare_flour,
    says_gluten_free,
    without_gluten_free,
)
from fallow_sieve.core.recipes.fruit import of_fruit
from fallow_sieve.core.recipes.names import Lexicon, Named, telling, understand
from fallow_sieve.core.recipes.weights import (
    Piece,
    drained,
    mass_first,
    mass_of,
    mass_of_each,
    no_mass,
    of_kind,
    of_packs,
    volume,
)
from fallow_sieve.core.values import Range


@dataclass(frozen=True, slots=True)
class Words:
    """Everything that reading goes by: units by how they are written, names, and what one counted thing weighs.

    `pieces` are by the slug that tables know them by, or by it and a size or a pack: `whole-egg:large`,
    `fresh-yeast:cube`. `headings` are by their words in lower case.
    """

    units: Mapping[str, Unit]
    names: Lexicon
    pieces: Mapping[str, Piece]
    flours: FlourWords
    headings: Mapping[str, str]


@dataclass(frozen=True, slots=True)
class ReadLine:
    """One line as read. `understood` is yes, guessed, part (name or amount missing) or no.

    `mass` is in g with the spread of density and amount; `mass_twin` and `volume_twin_ml` are the two ways in which
    the line states one thing, where it does. `near` are slugs that the name looks like, `wrong` says what is missing.
    `in_dough` is False of what only dusts, greases, glazes or is served with it. `also` are the further things that
    the same line names.
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
    in_dough: bool = True
    also: tuple[ReadLine, ...] = ()


_BULLET = re.compile(r"^\s*(?:[-*•·▢□☐–]\s+|\d{1,2}[.)]\s+(?=\D))?\s*")
_BRACKETS = re.compile(r"\(([^()]*)\)|\[([^\[\]]*)\]")
_OF = re.compile(r"\s*(?:(?:of|de|di|du|des|von|av)\s+|d['’]\s*)?(?:the\s+|la\s+|l['’]\s*)?", re.IGNORECASE)
_OR = re.compile(r"\s+or\s+", re.IGNORECASE)
_DASHES = re.compile(r"\s*[:–-]\s*$|\s*\.{2,}\s*$")


def read_line(
    text: str, number: int, shelf: Shelf, words: Words, when: When | None = None, chosen: str | None = None
) -> ReadLine | None:
    """Return what the line says, masses in g, or None where it holds no amount at all and names nothing.

    `when` is that of the section it stands in, if it sets one; `chosen` is the ingredient (slug) that a person
    picked for it.
    """
    bare = in_full(plain(_BULLET.sub("", text, count=1)).strip())
    if not bare:
        return None
    body, brackets = _without_brackets(bare)
    fruit = None if chosen else of_fruit(body)
    if fruit is not None:
        body, chosen = fruit
    first = measured_at(body, 0, words.units)
    name, note = body, ""
    if first is not None:
        name = body[first.end :]
    else:
        first, name = _at_the_end(body, words)
    if first is None and chosen is None and understand(name_part(body)[0], words.names).ingredient is None:
        return None
    counted = first
    first, second, name = _twins(first, name, brackets, words)
    name, note = name_part(_OF.sub("", name, count=1))
    beside = "; ".join((note, *brackets))
    named, name, more = (Named(chosen, "", ()), name, ()) if chosen else _named(name, beside, words)
    named = named if chosen else _kept_free(_of_cube(named, counted, shelf), name, bare, shelf, words)
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
_EITHER = re.compile(r"(.*\S)\s+(\w+)/\w+")
_EACH = re.compile(r"\s*(?:each|apiece|per \w+|je|chacun)\b", re.IGNORECASE)


def _twins(
    first: WrittenAmount | None, name: str, brackets: tuple[str, ...], words: Words
) -> tuple[WrittenAmount | None, WrittenAmount | None, str]:
    """A second statement of the same amount: "1 cup / 120 g flour", "1 cup (120 g) flour".

    What the line states wins: the bracket of a pack or of each piece is multiplied, mL stand before cups and spoons.
    """
    if first is None:
        return None, None, name
    slash = _SLASH.match(name)
    if slash:
        second = measured_at(name, slash.end(), words.units)
        if second is not None and second.unit is not COUNT:
            return first, second, name[second.end :]
    for bracket in brackets:
        second = measured_at(bracket, 0, words.units)
        is_each = second is not None and _EACH.match(bracket, second.end)
        if second is not None and second.unit is not COUNT and (first.unit.kind == "pack" or is_each):
            return replace(second, amount=of_packs(first, second.amount)), None, name
    found = [a for b in brackets if (a := _amount_in(b, words))]
    if found and found[0].unit.kind == "volume" == first.unit.kind and found[0].unit.name in _METRIC_VOLUMES:
        return found[0], first, name
    return first, found[0] if found else None, name


_METRIC_VOLUMES = ("ml", "cl", "dl", "l")


def _named(name: str, note: str, words: Words) -> tuple[Named, str, tuple[str, ...]]:
    names = words.names
    bought = bought_flour(name, note, words.flours, names)
    if bought is not None:
        return bought, name, ()
    if is_bare_flour(name):
        return Named(None, "", ("wheat-flour", PLAIN)), name, ()
    whole = understand(name, names)
    for other in (without_gluten_free(name, words.flours), note):  # a translation in brackets says more
        if whole.ingredient is None:
            again = understand(other, names)
            whole = again if again.ingredient else whole
    if whole.ingredient is not None:
        return whole, name, ()
    slashed = _EITHER.fullmatch(name)
    either = understand(f"{slashed[1]} {slashed[2]}", names) if slashed else whole  # tapioca flour/starch
    if either.ingredient is not None:
        return either, name, ()
    choice = _OR.split(name, maxsplit=1)
    if len(choice) == 2:
        first = understand(choice[0], names)
        if first.ingredient is not None:
            return first, choice[0], (f"“or {choice[1].strip()}” left aside",)
    return whole, name, ()


def _of_cube(named: Named, counted: WrittenAmount | None, shelf: Shelf) -> Named:
    """A cube of yeast is fresh yeast, whatever the word for yeast alone is read as."""
    item = shelf[named.ingredient] if named.ingredient and named.ingredient in shelf else None
    if counted is None or counted.unit.name != "cube" or item is None or Function.INSTANT_YEAST not in item.functions:
        return named
    return Named("fresh-yeast", "a cube of yeast is fresh", ())


def _kept_free(named: Named, name: str, line: str, shelf: Shelf, words: Words) -> Named:
    """What says gluten-free never contains gluten: it is the free kind where there is one, else it is open."""
    if named.ingredient is None or named.ingredient not in shelf or not shelf[named.ingredient].contains_gluten:
        return named
    if not says_gluten_free(line, words.flours):
        return named
    free = understand(f"gluten-free {telling(without_gluten_free(name, words.flours), words.names)}", words.names)
    if free.ingredient in shelf and free.ingredient and not shelf[free.ingredient].contains_gluten:
        return Named(free.ingredient, "gluten-free, as the line says", ())
    return Named(None, "", ())


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
    item = shelf[named.ingredient] if named.ingredient in shelf and named.ingredient else None
    first = mass_of_each(pair, item, name, words.pieces) or mass_first(pair)
    mass, guesses, spread = mass_of(first, item, name, words.pieces)
    wrong = _wrong(first, item, name, mass)
    if wrong == _ASKED_POINT:
        mass = None
    if mass is not None and (left := drained(mass, text, note)):
        mass, guesses = left, (*guesses, "drained taken as 60 % of the tin")
    said = [*(first.amount.guesses if first else ()), named.guess, *guesses, *more]
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
        mass_twin=of_kind(pair, "mass"),
        volume_twin_ml=volume(pair),
        spread=spread,
        in_dough=not is_outside(note),
    )


_ASKED_POINT = "Is the point a decimal point, or does it set thousands apart?"


def _wrong(first: WrittenAmount | None, item: Ingredient | None, name: str, mass: Range | None) -> str:
    """What is missing before the line says how much of what; empty where nothing is."""
    if item is None:
        if is_bare_flour(name):
            return ASKED
        return f"“{name}” is not an ingredient that is known here" if name else "It names no ingredient."
    if first and any(g.startswith(ASKED_POINT) for g in first.amount.guesses):
        return _ASKED_POINT
    return no_mass(first, item) if mass is None else ""
