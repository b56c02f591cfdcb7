"""The formulas of the demo kitchen, what their bakes took, and its pantry. All of it is invented."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import datetime, timedelta

from sqlmodel import Session, select

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import BLEND, WATER, Formula, Line, Stage
from fallow_sieve.core.formulas.judgement import Kitchen, judge_formula
from fallow_sieve.core.formulas.pouring import poured_pct
from fallow_sieve.core.ingredients.shelf import Shelf
from fallow_sieve.core.values.quantities import CupStandard, SpoonStandard
from fallow_sieve.demo.scenario import COPPERBECK, LOW_INGS, Bin
from fallow_sieve.reference.conversions import make_over, read_text
from fallow_sieve.reference.formulas import formula_rules
from fallow_sieve.reference.uses import rules
from fallow_sieve.store.bakes import add_bake
from fallow_sieve.store.blends import get_revision, parts_in
from fallow_sieve.store.formulas import (
    Content,
    Pinned,
    add_formula,
    get_formula_draft,
    keep_formula_revision,
    save_formula_draft,
)
from fallow_sieve.store.tables import BakeRow, BlendRow

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
    """A formula of the demo on a revision of a blend: kept states as (why, lines), then the draft if it differs.

    `bakes` are days ago, g of water poured, and a note; `recipe` is a wheat recipe that it is made over from.
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
    bakes: tuple[tuple[int, float, str], ...] = field(default=())
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
        bakes=(
            (52, 862, "cracked along the shoulder"), (48, 890, "better"), (45, 905, "a little sticky to shape"),
            (38, 893, ""), (31, 880, "damp day"), (24, 901, ""),
            (17, 898, "the one to beat"), (10, 909, "new sorghum bag"), (3, 894, ""),
        ),
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
)  # fmt: skip


def add_formulas(session: Session, shelf: Shelf, briefs: dict[str, int], now: datetime) -> None:
    """Add the demo's formulas on its blends, with their revisions and bakes, as of `now`."""
    blends = {b.name: b for b in session.exec(select(BlendRow))}
    for n, made in enumerate(FORMULAS):
        begun = now - timedelta(days=60 - 6 * n)
        blend = blends[made.blend]
        assert blend.id is not None
        parts = parts_in(get_revision(session, blend.id, made.revision).parts)
        pinned = Pinned(blend.id, made.revision, blend.name, parts)
        _add(session, made, pinned, briefs, shelf, begun, now)


def _add(
    session: Session,
    made: DemoFormula,
    pinned: Pinned,
    briefs: dict[str, int],
    shelf: Shelf,
    begun: datetime,
    now: datetime,
) -> None:
    kept = made.kept or (("Made over from the old wheat recipe.", ()),) * bool(made.recipe)
    contents = [(why, _content(made, pinned, lines, shelf)) for why, lines in kept]
    first = contents[0][1] if contents else _content(made, pinned, made.draft or (), shelf)
    row = add_formula(session, made.name, briefs[made.brief] if made.brief else None, first, _text(begun))
    assert row.id is not None
    based_on = None
    for day, (why, content) in enumerate(contents):
        at = _text(begun + timedelta(days=3 * day, hours=2))
        version = get_formula_draft(session, row.id).version
        draft = save_formula_draft(session, row.id, content, based_on, version, at)
        based_on = keep_formula_revision(session, row.id, why, draft.version, at).number
    last = contents[-1][1] if contents else first
    for days_ago, poured_g, note in made.bakes:
        add_bake(session, _bake(row.id, last, (now - timedelta(days=days_ago)), poured_g, note, shelf))


def _content(made: DemoFormula, pinned: Pinned, lines: Lines, shelf: Shelf) -> Content:
    if made.recipe:
        return Content(_made_over(made, pinned.parts, shelf), pinned)
    formula = Formula(
        lines=tuple(Line(s, float(g), Stage(stage)) for s, g, stage in lines),
        blend=pinned.parts,
        use=made.use,
        consistency=made.consistency,
        pieces=made.pieces,
        pan=made.pan,
        method=made.method,
    )
    return Content(formula, pinned)


def _made_over(made: DemoFormula, parts: tuple[Part, ...], shelf: Shelf) -> Formula:
    kitchen = Kitchen(CupStandard.METRIC)
    read = read_text(made.recipe, shelf, kitchen, SpoonStandard.METRIC)
    return make_over(read.formula, parts, rules().uses[made.use], shelf, kitchen, text=made.recipe).conversion.formula


def _bake(formula_id: int, content: Content, at: datetime, poured_g: float, note: str, shelf: Shelf) -> BakeRow:
    found = judge_formula(content.formula, shelf, formula_rules())
    a, use = found.analysis, rules().uses[content.formula.use or ""]
    predicted = found.prediction.typical_pct
    assert predicted is not None
    assert content.pinned is not None
    return BakeRow(
        formula_id=formula_id,
        blend=content.pinned.key,
        use=use.slug,
        family=use.family,
        baked_on=at.date().isoformat(),
        flour_g=a.flour_g,
        poured_g=poured_g,
        actual_pct=poured_pct(a, poured_g),
        predicted_pct=predicted,
        note=note,
        created_at=_text(at),
    )


def _text(at: datetime) -> str:
    return at.strftime("%Y-%m-%dT%H:%M:%SZ")
