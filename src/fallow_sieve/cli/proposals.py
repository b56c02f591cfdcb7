"""`propose` and `mend`: blends for a brief, and the smallest changes with which one passes."""

from __future__ import annotations

import os
import sys
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import replace
from pathlib import Path
from time import monotonic

from fallow_sieve.cli.common import end_held, kitchen_at, read_file, say, use_asked
from fallow_sieve.core.numerics.programs import Effort
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.blends import read_blend
from fallow_sieve.formats.briefs import MendOut, ProposalsOut, mend_document, proposals_document, read_brief
from fallow_sieve.services.blends.asking import posed
from fallow_sieve.services.blends.mending import mended
from fallow_sieve.services.blends.proposals import found_for


def propose(brief: str, json: bool, db: Path | None, cup: str | None, library: bool, seconds: float) -> None:
    """Find blends for a brief."""
    document = read_brief(read_file(brief, "a brief file"))
    kitchen = kitchen_at(db, cup).with_ingredients(document.ingredients)
    asked = posed(document.wishes, (), kitchen, library=library)
    with ThreadPoolExecutor(2) as pool, _nothing_else_on_stdout():
        effort = _effort(seconds * len(document.wishes.aims), pool)
        found = proposals_document(asked.problem, list(found_for(asked, effort)))
    say(found, _proposed(found), json=json)
    end_held(not found.proposals)


def mend(path: str, use: str | None, touch: int, json: bool, db: Path | None, cup: str | None) -> None:
    """Find the smallest changes with which a blend passes."""
    document = read_blend(read_file(path))
    kitchen = kitchen_at(db, cup).with_ingredients(document.ingredients)
    chosen = use_asked(use, document.blend.use)
    if chosen is None:
        raise BadInputError("no use is named", place="--use", right="say what the mix is for")
    with _nothing_else_on_stdout():
        done = mended(replace(document.blend, use=chosen.slug), kitchen, touch, _effort(seconds=30.0))
    answer = mend_document(done.found, is_fine=done.is_fine)
    say(answer, _mended(answer), json=json)
    end_held(answer.status == "beyond")


@contextmanager
def _nothing_else_on_stdout() -> Iterator[None]:
    """Send what the solver's own code may print to standard error: standard output is for the document alone."""
    sys.stdout.flush()
    kept = os.dup(1)
    os.dup2(2, 1)
    try:
        yield
    finally:
        os.dup2(kept, 1)
        os.close(kept)


def _effort(seconds: float, pool: ThreadPoolExecutor | None = None) -> Effort:
    end = monotonic() + seconds
    return Effort(lambda: end - monotonic(), map=pool.map if pool else map)


def _proposed(found: ProposalsOut) -> str:
    lines = [c.say for c in found.conflicts]
    for p in found.proposals:
        mix = ", ".join(f"{x.share_pct:g} % {x.ingredient}" for x in p.parts)
        lines += [f"{p.aim} ({p.value:.3g} {p.unit}, fit {p.fit:.1f}, passes with {p.bags.passes_pct:.0f} of 100 bags)"]
        lines += [f"  {mix}" + (f"  gap {p.gap:.2%}" if p.gap > 1e-6 else "")]
    lines += [f"{x.aim}: none, {x.why}" for x in found.skipped]
    return "\n".join([*lines, *(f"- {n}" for n in found.notes)])


def _mended(found: MendOut) -> str:
    if found.status == "fine":
        return "It passes as it is."
    if not found.options:
        return f"No change of so few parts mends it: {', '.join(found.beyond) or 'see propose'}."
    lines = []
    for m in found.options:
        changes = ", ".join(f"{c.ingredient} {c.from_pct:.1f} → {c.to_pct:.1f} %" for c in m.changes)
        end = "passes" if m.passes else "nothing holds it"
        lines.append(f"{m.touched} touched, {m.moved_pct:.1f} % moved, {end} (fit {m.fit:.0f}): {changes}")
    return "\n".join(lines)
