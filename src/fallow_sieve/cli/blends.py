"""`analyse` and `compare`: what a blend is, and flours side by side."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say, use_asked
from fallow_sieve.core.blends import METRICS, Judgement
from fallow_sieve.core.blends.bought import Opened
from fallow_sieve.core.ingredients import OnBasis, Shelf
from fallow_sieve.core.ingredients import compare as compare_flours
from fallow_sieve.core.values import BadInputError, Basis, parse_basis, shown
from fallow_sieve.formats.blends import analysis_document, opened_answer, read_bag, read_blend
from fallow_sieve.formats.ingredients import comparison_document
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.bought.opening import opened


def analyse(path: str, use: str | None, json: bool, db: Path | None, cup: str | None) -> None:
    """Say what a blend is and how it fits its use."""
    document = read_blend(read_file(path))
    kitchen = kitchen_at(db, cup).with_ingredients(document.ingredients)
    chosen = use_asked(use, document.blend.use)
    judgement = judged_blend(replace(document.blend, use=chosen.slug if chosen else None), kitchen)
    say(analysis_document(judgement), _told(judgement), json=json)
    end_held(judgement.is_held)


def compare(slugs: list[str], basis: str, cup: str | None, json: bool, db: Path | None) -> None:
    """Put flours side by side on one basis."""
    twice = next((s for s in slugs if slugs.count(s) > 1), None)
    if twice:
        raise BadInputError(f"{shown(twice)} stands twice", right="name each ingredient once")
    kitchen = kitchen_at(db, cup)
    amount = parse_basis(basis, kitchen.cup)
    compared = compare_flours(slugs, kitchen.shelf, amount)
    say(comparison_document(amount, compared), _side_by_side(amount, compared), json=json)


def open_bag(path: str, json: bool, db: Path | None) -> None:
    """Say what is in a bought mix: every share with its range."""
    bag, shelf = read_bag(read_file(path, "a bag file")), kitchen_at(db, None).shelf
    found = opened(
        bag.ingredients,
        bag.per_100_g,
        shelf,
        printed_pct=bag.printed_pct,
        convention=bag.carbohydrate,
        under_2_pct=bag.under_2_pct,
    )
    say(opened_answer(found), _opened_in_words(found, shelf), json=json)


def _opened_in_words(found: Opened, shelf: Shelf) -> str:
    lines = [
        f"{s.typical_pct:6.1f} %  ({s.low_pct:.1f}–{s.high_pct:.1f})  {shelf[s.ingredient].name}" for s in found.shares
    ]
    for t in found.together:
        names = " and ".join(shelf[i].name.lower() for i in t.ingredients)
        lines.append(f"{names}: {t.low_pct:.0f}–{t.high_pct:.0f} % together; the panel cannot tell them apart")
    return "\n".join([*lines, f"From {found.draws} draws; 19 times in 20 a share lies within its range."])


_MARKS = {"pass": "passes", "close": "close", "held": "HELD", "unknown": "unknown"}


def _told(judgement: Judgement) -> str:
    lines = [judgement.say, judgement.say_more, ""]
    for s in judgement.sieves:
        metric = METRICS[s.band.metric]
        value = "unknown" if s.estimate.typical is None else f"{s.estimate.typical:.{metric.decimals}f}"
        off = f" ({s.distance:+.{max(1, metric.decimals)}f})" if s.distance else ""
        lines.append(f"{metric.label:<14}{value:>9} {metric.unit:<14}{_MARKS[s.status]}{off}")
    lines += ["", f"Binder: {judgement.binder.say}"]
    lines += [f"- {c.say}" for c in judgement.cautions]
    return "\n".join(lines)


def _side_by_side(basis: Basis, compared: tuple[OnBasis, ...]) -> str:
    lines = [f"per {basis.kind} (cup {basis.cup_ml:.1f} mL)"]
    for c in compared:
        mass = "mass unknown" if c.mass_g is None else f"{c.mass_g:.1f} g ({c.mass_low_g:.1f}–{c.mass_high_g:.1f})"
        lines.append(f"{c.name}: {mass}")
        for name in ("protein_g", "fat_g", "carbohydrate_g", "fibre_g", "starch_g", "energy_kj"):
            e = c.nutrients[name]
            lines.append(
                f"  {name:<16}" + ("unknown" if e.typical is None else f"{e.typical:.1f} ({e.low:.1f}–{e.high:.1f})")
            )
    return "\n".join(lines)
