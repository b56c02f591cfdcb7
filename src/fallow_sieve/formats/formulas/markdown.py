"""A formula as Markdown, to read, print or keep in a folder of notes. It is written, not read back."""

from __future__ import annotations

from fallow_sieve.core.formulas import Card, Finished, FormulaJudgement, label_nutrients
from fallow_sieve.core.ingredients import NUTRIENTS
from fallow_sieve.core.values import grams

# What Markdown would take for its own.
_SPECIAL = str.maketrans({c: "\\" + c for c in "\\`*_{}[]<>#|"})


def write_markdown(name: str, judgement: FormulaJudgement, card: Card, finished: Finished, blend_name: str) -> str:
    """Return the formula as Markdown: lines in g and % of flour, the state, the steps, nutrition and cautions."""
    a = judgement.analysis
    rows = ["| stage | ingredient | g | % of flour |", "|---|---|---:|---:|"]
    for x in a.lines:
        shown = blend_name if x.ingredient == "@blend" else x.name
        pct = "" if x.flour_pct is None else f"{x.flour_pct:.1f}"
        rows.append(f"| {x.when} | {plain(shown)} | {grams(x.mass_g).removesuffix(' g')} | {pct} |")
    parts = [
        f"# {plain(name)}",
        judgement.say + " " + judgement.say_more + ".",
        "\n".join(rows),
        "## Steps",
        "\n".join(f"{n}. {plain(s)}" for n, s in enumerate(card.steps, start=1)),
        "## The finished bake",
        finished.say,
        "\n".join(_nutrition(finished)),
        "## Cautions",
        "\n".join(f"- {plain(c)}" for c in card.cautions),
    ]
    return "\n\n".join(parts) + "\n"


def plain(text: str) -> str:
    """Return `text` with what Markdown would take for its own set apart, on one line."""
    return " ".join(text.split()).translate(_SPECIAL)


def _nutrition(finished: Finished) -> list[str]:
    portion = f"{plain(finished.portion.name)} of {finished.portion.mass_g:.0f} g"
    rows = [f"| per | 100 g | {portion} | known |", "|---|---:|---:|---:|"]
    for name in label_nutrients():
        n, whole, eaten = NUTRIENTS[name], finished.per_100_g[name], finished.per_portion[name]
        if whole.typical is None or eaten.typical is None:
            continue
        at_least = "" if whole.is_known else "≥ "
        values = f"{at_least}{whole.typical:.1f} | {at_least}{eaten.typical:.1f}"
        rows.append(f"| {n.label}, {n.unit} | {values} | {whole.known_mass_pct:.0f} % |")
    return rows
