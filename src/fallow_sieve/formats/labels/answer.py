"""What `label --json` prints: the lines of a label as they would stand on it, and what is held."""

from __future__ import annotations

from fallow_sieve.core.labels.lines import Label
from fallow_sieve.core.labels.listing import list_text
from fallow_sieve.formats.shared import Out, rounded


class DeclaredOut(Out):
    """A nutrient per 100 g or per portion: unrounded, and as it is printed."""

    nutrient: str
    per: str
    value: float
    printed: str


class GlutenWordingOut(Out):
    """The rung (0–4), the wording that is offered, or what is missing for it; mg/kg by what is known."""

    rung: int
    wording: str | None
    known_mg_per_kg: float
    missing: list[str]


class LineOut(Out):
    """A line of the label: how it stands and on what evidence; `text` is empty where nothing prints."""

    line: str
    title: str
    text: str
    status: str
    evidence: list[str]


class HeldOut(Out):
    """A line that is blocked, and why."""

    line: str
    why: str


class LabelAnswer(Out):
    """The answer of `fallow-sieve label --json`."""

    name: str
    scheme: str
    binder_line: str
    ingredients: str
    allergens: list[str]
    recommended: list[str]
    nutrition: list[DeclaredOut]
    gluten: GlutenWordingOut
    claims: list[str]
    held: list[HeldOut]
    lines: list[LineOut]
    draft: str


def label_answer(label: Label, scheme: str) -> LabelAnswer:
    """Return a label as `label` prints it."""
    is_held = {x.key for x in label.held}
    return LabelAnswer(
        name=label.line("name").text,
        scheme=scheme,
        binder_line=label.line("binder").text,
        ingredients="" if "ingredients" in is_held else list_text(label.listed),
        allergens=list(label.allergens.mandatory),
        recommended=[n.name for n in label.allergens.named if not n.mandatory],
        nutrition=_nutrition(label) if "nutrition" not in is_held else [],
        gluten=GlutenWordingOut(
            rung=int(label.gluten.rung),
            wording=label.gluten.wording,
            known_mg_per_kg=rounded(label.gluten.known_mg_per_kg) or 0.0,
            missing=list(label.gluten.missing),
        ),
        claims=[c.rule.wording for c in label.claims if c.holds],
        held=[HeldOut(line=x.key, why=" ".join(x.evidence)) for x in label.held],
        lines=[
            LineOut(line=x.key, title=x.title, text=x.text, status=str(x.status), evidence=list(x.evidence))
            for x in label.lines
        ],
        draft=label.draft,
    )


def _nutrition(label: Label) -> list[DeclaredOut]:
    return [
        DeclaredOut(nutrient=r.nutrient, per=r.per, value=rounded(r.value) or 0.0, printed=r.printed)
        for r in label.table.rows
    ]
