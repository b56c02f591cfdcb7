"""What somebody says is in the bins: names with how much there is and what it cost, in any order, no guess silent."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.recipes.amounts import ASKED_POINT, COUNT, measured_at, plain
from fallow_sieve.core.recipes.lines import ReadLine, Words
from fallow_sieve.core.recipes.names import is_known
from fallow_sieve.core.recipes.pasted_mix import read_mix
from fallow_sieve.core.values import BadInputError, shown, without_long_runs

MOST_CHARACTERS = 20_000
MOST_BINS = 300
LONGEST_BIN = 300  # characters that name one
G_PER_LB = 453.59237
_NUMBER = r"(\d+(?:[.,]\d+)?)"
_MONEY = r"(?:R\$|[€£$¥₹円]|\bzł|\b(?:eur|euros?|usd|gbp|chf|sek|nok|dkk|kr|fr|pounds?|dollars?|bucks)\b\.?)"
_AT = r"at|for|@|à|a|por|zu"  # what stands before a price
_BASIS = r"(100\s*g|kilos?|kilograms?|kg|lbs?|pound)"
_PER = re.compile(
    rf"(?:\b(?:{_AT})\s+)?{_MONEY}?\s*{_NUMBER}\s*{_MONEY}?\s*(?:/|\b(?:per|an?|the|je|pro|le|al"
    rf"|por)\b)\s*{_BASIS}\b",
    re.I,
)
_PACK = re.compile(
    rf"(?:\b(?:{_AT}|costs?|paid)\s+)?(?:{_MONEY}\s*{_NUMBER}|{_NUMBER}\s*{_MONEY})(?:\s*(?:each|apiece))?",
    re.I,
)
_BARE_PRICE = re.compile(rf"(?<=\s)(?:{_AT})?\s*(\d+[.,]\d{{2}})\s*$", re.I)
_LEAD = re.compile(
    r"^\s*(?:in (?:the|my|our) (?:bins?|shelf|larder|pantry|cupboard)\b[\s:,]*|there(?:'s| is| are)\b"
    r"|i(?:'ve| have)(?: got)?\b"
    r"|we(?:'ve| have)(?: got)?\b|also\b|some\b|(?:is|are)\b)\s*",
    re.I,
)
_HOLDER = re.compile(
    r"\b(?:(?:half|most|a quarter|the rest)\s+(?:of\s+)?)?(?:(?:an?|the|one)\s+)?(?:bags?|sacks?|packets?"
    r"|packs?|tubs?|jars?|boxe?s?"
    r"|bins?|canisters?|sack|beutel|päckchen|paquets?|sacs?)\b(?:\s+of\b)?",
    re.I,
)
_PART_OF = re.compile(r"\b(?:half|most|quarter|rest)\b", re.I)
_HALF = re.compile(r"\bhalf(?:\s+an?)?\s+(kilos?|kg|pounds?|lbs?)\b", re.I)
_VAGUE = re.compile(
    r"^(?:an?\s+)?(?:few|couple(?:\s+of)?|little|bit(?:\s+of)?|lots?(?:\s+of)?|plenty(?:\s+of)?|some)\s+"
    r"(?:(?:kilos?|kgs?|grams?|pounds?|lbs?|cups?)\s+(?:of\s+)?)?",
    re.I,
)
_BETWEEN = re.compile(r"\s*[;+&\n]\s*|\s*,(?!\d)\s*(?![^()]*\))|\s+(?:and|und|et|y|och|e)\s+(?=\S)", re.I)
_ONLY_AMOUNT = re.compile(r"^[\d.,\s]*(?:k?g|lbs?|oz|kilos?)?\s*$", re.I)
_HEAD_WORDS = re.compile(r"\b(?:kg|g|grams?|price|stock|preis|menge|prix|amount|flour|name|ingredient)\b", re.I)


@dataclass(frozen=True, slots=True)
class ReadBin:
    """One thing that is in the bins: its text, slug (None: not understood), g there, price per kg, guesses, likenesses.

    None is not said: neither zero nor free. `wrong` says what is missing.
    """

    text: str
    name: str
    ingredient: str | None
    stock_g: float | None
    price_per_kg: float | None
    guesses: tuple[str, ...] = ()
    near: tuple[str, ...] = ()
    wrong: str = ""


def read_bins(text: str, shelf: Shelf, words: Words) -> tuple[ReadBin, ...]:
    """Return what `text` says is in the bins, in its order. Raises BadInputError for nothing, or for far too much."""
    if not text.strip():
        raise BadInputError(
            "there is nothing to read", place="/text", right="write what is there, such as sorghum 5 kg"
        )
    pieces = _pieces(plain_lines(without_long_runs(text)), words) if len(text) <= MOST_CHARACTERS else []
    if len(text) > MOST_CHARACTERS or len(pieces) > MOST_BINS:
        right = f"at most {MOST_CHARACTERS} characters and {MOST_BINS} bins"
        raise BadInputError(f"{len(text)} characters, {len(pieces)} bins", place="/text", right=right)
    _check_length(pieces)
    return tuple(b for p in _joined(pieces) if (b := _read(p, shelf, words)) is not None)


def _check_length(pieces: Sequence[str]) -> None:
    """No bin takes a paragraph to name, and a run of digits without end would be looked at for minutes."""
    for p in pieces:
        if len(p) > LONGEST_BIN:
            raise BadInputError(
                f"{len(p)} characters for one bin: {shown(p)}", place="/text", right="put each bin on a line of its own"
            )


def plain_lines(text: str) -> str:
    """Return `text` with one kind of space, and a table with a head as lines of name, amount and price."""
    lines = [plain(x).strip() for x in text.replace("\t", ";").splitlines() if x.strip()]
    head = lines[0].split(";") if lines else []
    if len(head) < 2 or not _HEAD_WORDS.search(lines[0]) or re.search(r"\d", lines[0]):
        return "\n".join(lines)
    return "\n".join(_row(head, line.split(";")) for line in lines[1:])


def _row(head: list[str], cells: list[str]) -> str:
    said = []
    for title, cell in zip(head, cells, strict=False):
        bare = re.fullmatch(r"\s*\d+(?:[.,]\d+)?\s*", cell)
        if bare and re.search(r"price|preis|prix|cost", title, re.I):
            said.append(f"{cell.strip()}/kg")
        elif bare:
            said.append(f"{cell.strip()} {'g' if re.search(r'^g|gram', title.strip(), re.I) else 'kg'}")
        else:
            said.append(cell.strip())
    return " ".join(said)


def _pieces(text: str, words: Words) -> list[str]:
    """The things named, one each; "and" parts them only where something that is known follows."""
    found: list[str] = []
    at = 0
    for m in _BETWEEN.finditer(text):
        is_word = m.group().strip().isalpha()
        rest = text[m.end() :].split(",")[0].split("\n")[0]
        if (
            is_word
            and not re.match(r"\s*(?:\d|half|an?\b|some)", rest, re.I)
            and not is_known(rest.strip(), words.names)
        ):
            continue
        found.append(text[at : m.start()])
        at = m.end()
    found.append(text[at:])
    return [re.sub(r"^\s*(?:[-*•·–]\s+|\d{1,2}[.)]\s+(?=\D))", "", p).strip(" .") for p in found if p.strip(" .")]


def _joined(pieces: list[str]) -> list[str]:
    """A price or an amount that stands alone belongs to what was named before it."""
    found: list[str] = []
    for p in pieces:
        alone = _ONLY_AMOUNT.fullmatch(p) or not _without_price(p)[0].strip(" ()-:@")
        if found and alone and re.search(r"\d", p):
            found[-1] += f" {p}"
        else:
            found.append(p)
    return found


def _without_price(piece: str) -> tuple[str, float | None, str]:
    """The piece without its price: per kg and "kg", or of the whole pack and "pack"."""
    per = _PER.search(piece)
    if per:
        by = re.sub(r"\s", "", per[2].lower())
        factor = 10.0 if by == "100g" else 1000 / G_PER_LB if by.startswith(("lb", "pound")) else 1.0
        return piece[: per.start()] + " " + piece[per.end() :], _value(per[1]) * factor, "kg"
    pack = _PACK.search(piece)
    if pack:
        return piece[: pack.start()] + " " + piece[pack.end() :], _value(pack[1] or pack[2]), "pack"
    bare = _BARE_PRICE.search(piece)
    if bare and re.search(r"\d\s*(?:k?g|lbs?|oz|kilos?)\b", piece[: bare.start()], re.I):
        return piece[: bare.start()], _value(bare[1]), "pack"
    return piece, None, ""


def _value(text: str) -> float:
    return float(text.replace(",", "."))


def _read(piece: str, shelf: Shelf, words: Words) -> ReadBin | None:
    bare, price, basis = _without_price(_LEAD.sub("", _HALF.sub(r"0.5 \1", piece)))
    is_part = bool(_PART_OF.search(bare))
    bare = re.sub(r"\(([^()]*\d[^()]*)\)", r" \1 ", bare)  # an amount in brackets
    bare = re.sub(r"\(\s*\)|\s[-–:@]\s*$|\s{2,}", " ", _HOLDER.sub(" ", bare)).strip(" ,;:-–@()")
    bare = re.sub(r"^(?:an?|the|one)\s+(?=\d)", "", bare, flags=re.I)
    bare = _VAGUE.sub("", bare)
    if not bare:
        return None
    bare, guessed = _in_kilos(bare, words)
    line = next(iter(read_mix(bare, shelf, words)), None)
    if line is None:
        return ReadBin(piece, bare, None, None, price if basis == "kg" else None, wrong="What is this?")
    stock_g, more = _stock(line, is_part)
    return _priced(piece, line, stock_g, price, basis, (*guessed, *more))


def _in_kilos(bare: str, words: Words) -> tuple[str, tuple[str, ...]]:
    """A number without a unit is kg: nobody keeps 5 g in a bin."""
    at_end = re.fullmatch(r"(?P<name>.*?[^\W\d])[\s:=]+(?P<n>\d+(?:[.,]\d+)?)", bare)
    found = measured_at(bare, 0, words.units)
    at_start = found is not None and found.unit is COUNT
    if at_end and measured_at(bare, 0, words.units) is None:
        return f"{at_end['n']} kg {at_end['name']}", (f"{at_end['n']} taken as kg",)
    if at_start and found is not None and found.amount.typical <= 100:
        return f"{found.amount.typical:g} kg {bare[found.end :].strip()}", (f"{found.amount.typical:g} taken as kg",)
    return bare, ()


def _stock(line: ReadLine, is_part: bool) -> tuple[float | None, tuple[str, ...]]:
    if line.amount is None or (is_part and line.mass is None):
        return None, ()
    asked = any(g.startswith(ASKED_POINT) for g in line.guesses)
    if asked and line.unit in ("g", "gram") and line.amount is not None:
        return line.amount.typical * 1000, ("the point taken to set thousands apart",)
    if line.mass is None or line.mass.typical is None or line.kind == "count":
        return None, ()
    return round(line.mass.typical, 1), ()


def _priced(
    piece: str, line: ReadLine, stock_g: float | None, price: float | None, basis: str, guesses: tuple[str, ...]
) -> ReadBin:
    per_kg, said = price, tuple(g for g in line.guesses if not g.startswith(ASKED_POINT) and "bare number" not in g)
    if basis == "pack" and price is not None:
        per_kg = round(price / stock_g * 1000, 4) if stock_g else None
        said = (*said, f"{price:g} taken for all of it" if stock_g else f"{price:g}: for how much?")
    wrong = "" if line.ingredient else "What is this?"
    found = ReadBin(piece, line.name or piece, line.ingredient, stock_g, per_kg, (*guesses, *said), line.near, wrong)
    return replace(found, wrong="How much of it?") if line.ingredient and stock_g is None else found
