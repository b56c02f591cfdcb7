"""A bag's list and panel as they were pasted: read, opened, and judged for a use."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass

from fallow_sieve.core.blends import Blend, Judgement, Part
from fallow_sieve.core.blends.bought import Opened
from fallow_sieve.core.recipes import Listed, read_list
from fallow_sieve.formats.ingredients import PanelText, read_label_text
from fallow_sieve.services.blends.judging import judged_blend
from fallow_sieve.services.bought.opening import opened
from fallow_sieve.services.kitchen import KitchenNow, words_here

_PER_SERVING = re.compile(r"\bper (?:serv(?:ing|e)|portion)\b", re.I)
BAG_G = 1000.0  # what the blend of an opened bag weighs


@dataclass(frozen=True, slots=True)
class OpenedBag:
    """A bag as read: its list, its panel, what is in it (None: nothing was understood), the parts (g), how they stand.

    `left_out` are names of the list that are not known here: the shares are as if they were not in the bag.
    """

    listed: tuple[Listed, ...]
    panel: PanelText | None
    opened: Opened | None
    parts: tuple[Part, ...]
    judgement: Judgement | None
    left_out: tuple[str, ...]
    panel_say: str = ""


def opened_bag(
    text: str, panel: str, kitchen: KitchenNow, chosen: Mapping[int, str] | None = None, use: str | None = None
) -> OpenedBag:
    """Return what a bag's pasted list and panel say is in it; `chosen` are ingredients by place in the list.

    Raises BadInputError for a list that is empty or cannot be.
    """
    listed = read_list(text, words_here(kitchen).names, kitchen.shelf, chosen)
    read: PanelText | None = read_label_text(panel) if panel.strip() else None
    serving_g, panel_say = _serving(read)
    known = [x for x in listed if x.ingredient is not None]
    left_out = tuple(x.text for x in listed if x.ingredient is None)
    if not known:
        return OpenedBag(listed, read, None, (), None, left_out, panel_say)
    found = opened(
        [x.ingredient or "" for x in known],
        read.printed if read and serving_g else {},
        kitchen.shelf,
        printed_pct={x.ingredient or "": x.printed_pct for x in known if x.printed_pct},
        convention=(read.convention or "") if read else "",
        serving_g=serving_g,
        under_2_pct=[x.ingredient or "" for x in known if x.under_2],
    )
    parts = parts_of(found)
    return OpenedBag(listed, read, found, parts, judged_blend(Blend(parts, use=use), kitchen), left_out, panel_say)


def _serving(read: PanelText | None) -> tuple[float | None, str]:
    """The g that the numbers stand for (None: not known), and that in words."""
    if read is None or not read.printed:
        return None, "No panel yet: the order of the list alone leaves wide ranges."
    if read.serving_g or (read.serving_unit == "g" and read.serving):
        grams = float((read.serving_g or read.serving).replace(",", "."))
        return (grams, f"Numbers per {grams:g} g.") if grams > 0 else (None, "A serving of 0 g.")
    if not read.serving and any(_PER_SERVING.search(line.text) for line in read.lines):
        return None, "Its numbers are per serving, and what that weighs is not known: write “serving size 30 g” there."
    if not read.serving:
        return 100.0, "Taken as per 100 g: the panel does not say what its numbers are for."
    unit = read.serving_unit or "serving"
    return None, f"Its numbers are per {read.serving} {unit}, and what that weighs is not known: add its grams."


def parts_of(found: Opened) -> tuple[Part, ...]:
    """Return an opened bag as parts of 1 kg (g), each with the range that its share has."""
    return tuple(
        Part(
            s.ingredient,
            BAG_G * s.typical_pct / 100,
            low_ratio=s.low_pct / s.typical_pct,
            high_ratio=min(1000.0, s.high_pct / s.typical_pct),
        )
        for s in found.shares
        if s.typical_pct > 0
    )
