"""What kind of line a line of a recipe is: heading, yield, step or note; what is none of these is an ingredient."""

from __future__ import annotations

import html
import re
from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.formulas import When

OUTSIDE = frozenset({"to-finish", "to-serve", "wash", "topping", "icing", "glaze"})
_STAGES: dict[str, When] = {
    "leaven": When.LEAVEN,
    "pre-ferment": When.LEAVEN,
    "gel": When.GEL,
    "soaker": When.SOAK,
    "filling": When.FILLING,
    **dict.fromkeys(OUTSIDE, When.FINISH),
}
_ENGLISH = {
    "ingredients": "ingredients", "you need": "ingredients", "what you need": "ingredients", "steps": "method",
    "preparation": "method", "how to make it": "method", "to make": "method", "cake": "dough", "bread": "dough",
    "loaf": "dough", "pastry": "dough", "starter": "leaven", "preferment": "leaven", "levain": "leaven",
    "finish": "to-finish", "sauce": "filling", "syrup": "filling", "cream": "filling", "custard": "filling",
    "dough": "dough", "main dough": "dough", "final dough": "dough", "batter": "dough", "crust": "dough",
    "base": "dough",
    "leaven": "leaven", "gel": "gel", "psyllium gel": "gel", "scald": "gel", "soaker": "soaker", "filling": "filling",
    "topping": "topping", "glaze": "glaze", "icing": "icing", "frosting": "icing", "crumble": "topping",
    "to finish": "to-finish", "to serve": "to-serve", "egg wash": "wash",
    "tips": "note", "storage": "note", "flour mix": "blend",
}  # fmt: skip
_FOR = re.compile(
    r"^(?:for (?:the )?|the |fürs |für (?:den |die |das )?|pour (?:la |le |les |l')?|para (?:la |el |los |las )?"
    r"|per (?:la |il |lo |l'|i )?|till |till )",
    re.IGNORECASE,
)
_YIELD = re.compile(
    r"^\s*(?:(?:ingredients?|zutaten|ingrédients|ingredientes|ingredienti|ingredienser)\s+)?"
    r"(?:(?:it )?makes(?: enough for)?|yields?|serves|feeds|enough for|cuts into|for|gives|für|ergibt|reicht für"
    r"|pour|para|rinde|per|dosi per|till|räcker till|ger|ca)\s*:?\s*"
    r"(?:about |around |approx\.? |ca\.? |etwa |environ |unos |circa )?(\d{1,4})"
    r"(?:\s*(?:-|–|to|bis|à|a)\s*\d{1,4})?\b[^\d]{0,40}$",
    re.IGNORECASE,
)
_YIELD_WORD = re.compile(
    r"^\s*(\d{1,4})\s+(?:servings?|portions?|portionen|personnes|personas|pers\.?|loaf|loaves)\s*$", re.IGNORECASE
)
_ONE_TIN = re.compile(
    r"^\s*(?:for|für|pour|para|per|till)\s+(?:an?|one|ein\w*|une?|una?|uno|ett?|en)\b[^,;]{0,30}"
    r"\b(?:tin|pan|loaf|\w*form|blech|moule|molde|teglia|stampo|form)\b[^,;]{0,30}$"
    r"|^\s*(?:\w*form|moule|molde|stampo|teglia)\b\D{0,20}\d{1,2}\s*(?:x\s*\d{1,2}\s*)?cm\W*$",
    re.IGNORECASE,
)
_MAKES_ONE = re.compile(r"^\s*(?:makes|yields?)\s*:?\s*(?:one|a|an)\b", re.IGNORECASE)
_VERBS = re.compile(
    r"^(?:pre-?heat|heat|mix|stir|add|whisk|beat|bake|blind bake|sift|knead|rest|leave|cover|line|grease|roll|cut|pour"
    r"|fold|rub|ferment|cream|melt|combine|place|put|let|shape|serve|turn|cool|remove|warm|soak|set|chill|bring|cook|simmer|fry|spread"
    r"|brush|divide|in an? |using|prove|proof|press|scrape|sprinkle|pat|bind|strain|blend|process|dust|tip|toast|boil"
    r"|keep|reduce|lower|transfer|spoon|drop|scoop|return|allow|keep warm|wait|check|store|freeze|gas mark"
    r"|den |die |das |bei |alle |mehl |teig |backen|mischen|verrühren|kneten|schlagen|unterheben"
    r"|mélanger|cuire|enfourner|laisser|préchauffer|battre|ajouter|verser|incorporer|faire|pétrir"
    r"|hornear|mezclar|batir|añadir|precalentar|dejar|amasar|verter"
    r"|cuocere|mescolare|impastare|infornare|aggiungere|lasciare|versare|sbattere|preriscaldare"
    r"|grädda|blanda|vispa|rör|låt|sätt|häll|knåda|tillsätt)(?:\b|(?<= ))",
    re.IGNORECASE,
)
_HEAT_OR_TIME = re.compile(
    r"\d\s*°|°\s*[CF]\b|\b\d+\s*(?:min\b|mins?\b|minut\w*|hours?|hrs?|stunden?|std|heures?|horas?|ore|tim)",
    re.IGNORECASE,
)
_INFINITIVE_LAST = re.compile(r"\s[a-zäöüß]{3,}(?:en|ern|eln)\s*[.!]\s*$")  # "Eiweiß steif schlagen."
_REMARK = re.compile(
    r"^(?:(?:prep|active|total|hands.?on)\w*(?: time)?\s*:?\s*\d|(?:cook|bak|rise|ris|rest|chill)\w* time"
    r"|keeps|better|best|freezes|tip\b|tips\b|note\b|notes\b|optional\b|nb\b|tipp\b|astuce\b|truco\b|nota\b"
    r"|this (?:is|keeps|bread|cake)|these |it (?:keeps|is)|you can|adapted|source)",
    re.IGNORECASE,
)
_TAGS = re.compile(r"</?[a-zA-Z][^<>]{0,80}>")


@dataclass(frozen=True, slots=True)
class Heading:
    """A heading: what kind of part it begins, the stage of its lines (None: as they usually go), and if outside."""

    kind: str
    when: When | None
    outside: bool


def without_markup(row: str) -> str:
    """Return `row` without tags and Markdown, but for the # of a heading, and with what stands for signs put back.

    >>> without_markup("<b>1 cup</b> &frac12; water"), without_markup("- **20 g** [husk](there)")
    ('1 cup ½ water', '- 20 g husk')
    >>> without_markup("| 150 g | tapioca starch |"), without_markup("---")
    ('150 g tapioca starch', '')
    """
    text = html.unescape(_TAGS.sub("", row))
    for marked, plain in _MARKDOWN:
        text = marked.sub(plain, text)
    return _TABLE_ROW.sub(lambda m: " ".join(c.strip() for c in m[1].split("|")), text)


_MARKDOWN = (
    (re.compile(r"^\s*(?:-{3,}|\*{3,}|_{3,}|\|?[\s|:-]*-{3,}[\s|:-]*)\s*$"), ""),  # a rule, or that of a table
    (re.compile(r"!?\[([^\[\]]*)\]\([^()\s]*\)"), r"\1"),
    (re.compile(r"(\*\*|__)(?=\S)(.+?)(?<=\S)\1"), r"\2"),
    (re.compile(r"(?<![\w*])([*_])(?=[^\s*_])([^*_]+?)(?<=\S)\1(?![\w*])"), r"\2"),
    (re.compile(r"`([^`]+)`"), r"\1"),
    (re.compile(r"^\s*>\s?"), ""),
    (re.compile(r"^\s*[-*+]\s+\[[ xX]\]\s+"), "- "),
    (re.compile(r"^\s*\+\s+"), "- "),
)
_TABLE_ROW = re.compile(r"^\s*\|(.*)\|\s*$")


def heading_of(row: str, words: Mapping[str, str], *, in_steps: bool) -> Heading | None:
    """Return the heading that `row` is, by `words` (heading in lower case to its kind), or None.

    A heading holds no amount: it is a known word, or ends with a colon, or is all in capitals.
    """
    bare = re.sub(r"\([^()]*\)", "", row).strip(" #*_\t")
    marked = bare.endswith(":") or row.lstrip().startswith("#")
    said = bare.strip(" :").lower()
    if not said or re.search(r"\d", said) or len(said) > 45:
        return None
    led = _FOR.match(said)
    kind = words.get(said) or _ENGLISH.get(said) or _ENGLISH.get(said.removesuffix("s"))
    if led and kind is None:
        rest = said[led.end() :]
        kind = words.get(rest) or _ENGLISH.get(rest) or ("dough" if not in_steps and len(rest.split()) <= 4 else None)
    kind = kind or _mixture(said, words)
    shouted = bare.isupper() and bool(re.search(r"[^\W\d_]{3}", bare))
    if kind is None and (shouted or marked) and len(said.split()) <= 5 and not in_steps:
        kind = next((k for w, k in {**_ENGLISH, **words}.items() if w in said.split()), "other")
    alone = said in ("dry", "wet")
    if kind is None or (kind in ("dry", "wet") and not (marked or shouted or led or alone or "ingredient" in said)):
        return None
    return Heading(kind, _STAGES.get(kind), kind in OUTSIDE)


def _mixture(said: str, words: Mapping[str, str]) -> str | None:
    """What "yeast mixture" or "wet ingredients" begins: the part that its first words name, else another one."""
    match = _MIXTURE.fullmatch(said)
    return None if match is None else words.get(match[1]) or _ENGLISH.get(match[1]) or "other"


_MIXTURE = re.compile(r"((?:[^\W\d_]+ ){1,2}?[^\W\d_]+|[^\W\d_]+) (?:mixture|ingredients|zutaten)")


def yield_of(row: str) -> int | None:
    """Return how many pieces or portions `row` says the recipe makes, or None where it says nothing of the kind."""
    match = _YIELD.match(row) or _YIELD_WORD.match(row)
    if match:
        return int(match.group(1)) or None
    return 1 if _MAKES_ONE.match(row) or _ONE_TIN.match(row) else None


def is_step(row: str) -> bool:
    """Return whether `row` tells what to do.

    It begins with a verb of the kitchen and says more than two words, or is a sentence with an oven or minutes in it.
    """
    bare = re.sub(r"^\s*(?:[-*•]|\d{1,2}[.)])\s*", "", row)
    sentence = bare.rstrip().endswith((".", "!")) and len(bare.split()) >= 4
    if sentence and (_HEAT_OR_TIME.search(bare) or _INFINITIVE_LAST.search(bare)):
        return True
    return bool(_VERBS.match(bare)) and len(bare.split()) > 2


def is_remark(row: str) -> bool:
    """Return whether `row` is a remark beside the recipe: how it keeps, a tip."""
    return bool(_REMARK.match(row.strip(" *•-")))
