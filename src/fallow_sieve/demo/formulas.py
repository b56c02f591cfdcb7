"""The formulas of the demo kitchen, and its pantry. All of it is invented."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from sqlmodel import Session

from fallow_sieve.core.formulas import BLEND, WATER, Formula, Line, When
from fallow_sieve.core.values import Pin
from fallow_sieve.demo.bins import COPPERBECK, LOW_INGS, Bin
from fallow_sieve.reference import rules
from fallow_sieve.services.kitchen import KitchenNow
from fallow_sieve.services.recipes import make_over, read_text
from fallow_sieve.store import BLENDS
from fallow_sieve.store import FORMULAS as DOCUMENTS

# What is no flour, and stands on the shelf all the same.
PANTRY = (
    Bin("salt", "CB-1001", COPPERBECK, 10, 7.5, 0.60, 900, 0),
    Bin("instant-dry-yeast", "CB-1004", COPPERBECK, 0.5, 0.32, 14.00, 200, 5),
    Bin("baking-powder", "CB-1007", COPPERBECK, 1, 0.6, 8.50, 300),
    Bin("white-sugar", "CB-1010", COPPERBECK, 10, 6.1, 1.30, 700, 0),
    Bin("olive-oil", "CB-1012", COPPERBECK, 5, 3.4, 9.80, 240, 0),
    Bin("cider-vinegar", "CB-1015", COPPERBECK, 2, 1.2, 3.20, 400),
    Bin("unsalted-butter", "LI-B31", LOW_INGS, 10, 4.5, 8.40, 40, 0),
    Bin("whole-egg", "LI-E12", LOW_INGS, 6, 3.9, 4.60, 18, 0),
    Bin("whole-milk", "LI-M08", LOW_INGS, 10, 4.0, 1.25, 7, 0),
    Bin("honey", "LI-H02", LOW_INGS, 3, 2.2, 11.50, 500),
    Bin("apple-puree", "LI-A05", LOW_INGS, 8, 5.0, 3.10, 60, 0),
)

Lines = tuple[tuple[str, float, str], ...]


@dataclass(frozen=True, slots=True)
class DemoFormula:
    """A formula of the demo on a revision of a blend, if any: kept states as (why, lines), then a draft that differs.

    `recipe` is a wheat recipe that it is made over from.
    """

    name: str
    brief: str | None
    blend: str
    revision: int
    use: str
    kept: tuple[tuple[str, Lines], ...] = ()
    draft: Lines | None = None
    consistency: str | None = None
    pieces: int = 1
    pan: str | None = None
    method: str = ""
    recipe: str = ""


_SUMMIT: Lines = (
    (BLEND, 1000, "dry"), ("salt", 18, "dry"), ("instant-dry-yeast", 14, "dry"), (WATER, 830, "wet"),
    ("honey", 20, "wet"), ("cider-vinegar", 10, "wet"), ("olive-oil", 40, "fat"),
)  # fmt: skip

SIGNAL_BOX_CAKE = """Signal box cake
Makes 12

Ingredients
250 g plain flour
1 1/2 tsp baking powder
1/2 tsp salt
150 g butter, softened
1 cup (200 g) caster sugar
3 large eggs
150 ml milk

Method
Cream butter and sugar until pale, then beat in the eggs one by one.
Fold in the flour with the baking powder and salt, and thin with the milk.
Bake in a round tin at 170 °C until it springs back.
"""

FORMULAS = (
    DemoFormula(
        "Summit tin loaf", "summit", "Summit mix", 3, "tin-loaf",
        (
            (
                "The old buffet formula on the new mix: dry at the crust.",
                (*_SUMMIT[:3], (WATER, 760, "wet"), *_SUMMIT[4:]),
            ),
            ("More water, as the first bakes asked for it.", _SUMMIT),
        ),
        consistency="soft", pieces=2, pan="dark metal",
    ),
    DemoFormula(
        "Viaduct crispbread", "viaduct", "Viaduct seed crisp", 2, "crispbread",
        (
            (
                "Flat, for cheese: snaps, but sheds crumbs.",
                ((BLEND, 500, "dry"), ("salt", 9, "dry"), (WATER, 235, "wet"), ("olive-oil", 40, "fat")),
            ),
        ),
        pieces=24,
    ),
    DemoFormula(
        "Trolley hand pies", "trolley", "Trolley short mix", 2, "short-pastry",
        (
            (
                "Apple inside, so that the trolley smells of it.",
                (
                    (BLEND, 500, "dry"), ("salt", 5, "dry"), ("white-sugar", 25, "dry"),
                    ("unsalted-butter", 210, "fat"), ("whole-egg", 51, "wet"), (WATER, 55, "wet"),
                    ("apple-puree", 420, "filling"), ("corn-starch", 16, "filling"), ("whole-milk", 15, "finish"),
                ),
            ),
        ),
        pieces=14, pan="bright metal",
    ),
    DemoFormula(
        "Night-train dumpling sheets", "night", "Dumpling sheet mix", 1, "fresh-pasta",
        (
            (
                "Rolls to 1.5 mm without tearing.",
                ((BLEND, 500, "dry"), ("salt", 6, "dry"), (WATER, 250, "wet"), ("olive-oil", 15, "fat")),
            ),
        ),
        pieces=40,
    ),
    DemoFormula(
        "Signal box cake", None, "Everyday buffet mix", 1, "layer-cake",
        pieces=12, recipe=SIGNAL_BOX_CAKE,
    ),
    DemoFormula(
        "Points soft rolls", None, "Summit mix, pale", 1, "soft-roll",
        draft=(
            (BLEND, 1000, "dry"), ("salt", 200, "dry"), ("white-sugar", 45, "dry"), ("instant-dry-yeast", 20, "dry"),
            (WATER, 560, "wet"), ("whole-egg", 102, "wet"), ("unsalted-butter", 60, "fat"),
        ),
        consistency="soft", pieces=16,
        method="Prove until half as high again.\nBake at 185 °C (400 °F) until the core is done.",
    ),
    DemoFormula(
        "Coaling stage loaf", None, "Pantry mix", 1, "sourdough-tin-loaf",
        (
            (
                "Leaven overnight, the husk as a gel: it cuts on the second day.",
                (
                    ("brown-rice-flour", 90, "leaven"), (WATER, 110, "leaven"), ("psyllium-husk", 22, "gel"),
                    (WATER, 300, "gel"), (BLEND, 410, "dry"), ("salt", 9, "dry"), ("honey", 12, "wet"),
                    (WATER, 60, "wet"), ("olive-oil", 15, "fat"),
                ),
            ),
        ),
        pan="dark metal",
    ),
    DemoFormula(
        "Buffet custard", None, "", 0, "thickener",
        (
            (
                "Coats a spoon, and the train's window too.",
                (
                    ("whole-milk", 515, "wet"), ("egg-yolk", 54, "wet"), ("white-sugar", 60, "dry"),
                    ("corn-starch", 16, "dry"),
                ),
            ),
        ),
        consistency="batter",
        method="Whisk all of it cold, then stir over a low heat until it coats a spoon; do not let it boil.",
    ),
)  # fmt: skip


def add_formulas(session: Session, kitchen: KitchenNow, briefs: dict[str, int], now: datetime) -> None:
    """Add the demo's formulas on its blends, with their revisions, as of `now`."""
    blends = {h.name: h for h in BLENDS.page(session, limit=1000)}
    for n, made in enumerate(FORMULAS):
        begun = now - timedelta(days=60 - 6 * n)
        based = Formula((), use=made.use)
        if made.blend:
            head = blends[made.blend]
            parts = BLENDS.revision(session, head.id, made.revision).content.parts
            based = replace(based, blend=parts, pin=Pin("blend", head.id, made.revision, head.name))
        _add(session, made, based, briefs, kitchen, (begun, now))


def _add(
    session: Session,
    made: DemoFormula,
    based: Formula,
    briefs: dict[str, int],
    kitchen: KitchenNow,
    span: tuple[datetime, datetime],
) -> None:
    begun, _ = span
    kept = made.kept or (("Made over from the old wheat recipe.", ()),) * bool(made.recipe)
    contents = [(why, _formula(made, based, lines, kitchen)) for why, lines in kept]
    first = contents[0][1] if contents else _formula(made, based, made.draft or (), kitchen)
    head = DOCUMENTS.add(session, made.name, briefs[made.brief] if made.brief else None, first, _text(begun))
    based_on = None
    for day, (why, formula) in enumerate(contents):
        at = _text(begun + timedelta(days=3 * day, hours=2))
        version = DOCUMENTS.draft(session, head.id).version
        draft = DOCUMENTS.save_draft(session, head.id, formula, based_on, version, at)
        based_on = DOCUMENTS.keep(session, head.id, why, draft.version, at).number


def _formula(made: DemoFormula, based: Formula, lines: Lines, kitchen: KitchenNow) -> Formula:
    if made.recipe:
        read = read_text(made.recipe, kitchen).formula
        recipe = replace(read, blend=based.blend, pin=based.pin)
        return make_over(recipe, rules().uses[made.use], kitchen, text=made.recipe).conversion.formula
    return replace(
        based,
        lines=tuple(Line(s, float(g), When(when)) for s, g, when in lines),
        consistency=made.consistency,
        pieces=made.pieces,
        pan=made.pan,
        method=made.method,
    )


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")
