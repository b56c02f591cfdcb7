"""What a label is made from, and one line of it with how it stands."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date

from fallow_sieve.core.blends import Analysis, BagContents, BinderLoad
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.core.labels.allergens import AllergenRule, Allergens
from fallow_sieve.core.labels.claims import Claim, ClaimRule
from fallow_sieve.core.labels.listing import LabelName, Listed
from fallow_sieve.core.labels.net_mass import MassClass
from fallow_sieve.core.labels.nutrition import Printer, Table, TableRow, Tolerance
from fallow_sieve.core.labels.wording import GlutenPart, GlutenScheme, GlutenTold, MixTest
from fallow_sieve.core.values import Estimate, Status

Texts = Callable[..., str]


@dataclass(frozen=True, slots=True)
class LabelRules:
    """A scheme's tables: allergens, gluten, names, the nutrition table and its rounding, claims, net masses, texts."""

    scheme: str
    allergens: Sequence[AllergenRule]
    gluten: GlutenScheme
    names: Mapping[str, LabelName]
    rows: Sequence[TableRow]
    printer: Printer
    tolerances: Sequence[Tolerance]
    claims: Sequence[ClaimRule]
    net_masses: Sequence[MassClass]
    text: Texts
    wants_contains_line: bool = False
    daily_values: Mapping[str, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class MadeMix:
    """The mix as weighed: name, what is in it, its binder by the use, each draw's gluten, what is eaten of it.

    `off_revision_pct` is how far it left its revision, % of mass; `eaten` are nutrients per 100 g of the bake that the
    bag tells how to make (None: no formula chosen).
    """

    name: str
    analysis: Analysis
    shelf: Shelf
    binder: BinderLoad
    bag: BagContents
    gluten: Sequence[GlutenPart]
    use: str = ""
    fit: float | None = None
    off_revision_pct: float = 0.0
    eaten: Mapping[str, Estimate] | None = None
    storage_kind: str = ""
    storage_words: str = ""
    made_on: date | None = None
    best_before: date | None = None
    best_before_why: str = ""
    code: str = ""
    held_why: str = ""


@dataclass(frozen=True, slots=True)
class LabelAsked:
    """What one asks of a label: g in a bag, a portion (g), a test of the mix, may-contain texts, checked or not."""

    bag_g: float | None = None
    portion_g: float | None = None
    test: MixTest | None = None
    clean_line: bool = True
    may_contain: tuple[tuple[str, str], ...] = ()
    checked: str = ""


@dataclass(frozen=True, slots=True)
class LabelLine:
    """One line: its key and title, the text that prints (empty: none does), how it stands, and the evidence for it."""

    key: str
    title: str
    text: str
    status: Status
    evidence: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Label:
    """A label: its lines in the order in which they stand on it, with the values behind some of them."""

    lines: tuple[LabelLine, ...]
    listed: tuple[Listed, ...]
    allergens: Allergens
    table: Table
    gluten: GlutenTold
    claims: tuple[Claim, ...]
    draft: str

    @property
    def held(self) -> tuple[LabelLine, ...]:
        """The lines that are blocked."""
        return tuple(x for x in self.lines if x.status is Status.HELD)

    def line(self, key: str) -> LabelLine:
        """Return a line by its key."""
        return next(x for x in self.lines if x.key == key)
