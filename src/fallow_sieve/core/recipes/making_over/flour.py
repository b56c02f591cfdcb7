"""The flour of a recipe changed for a blend, what self-raising flour brought, and wheat beside the dough."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from fallow_sieve.core.formulas import BLEND, OUTSIDE_DOUGH, SAUCE, Formula, Line, When, egg_lines
from fallow_sieve.core.ingredients import Kind
from fallow_sieve.core.recipes.making_over.flour_lines import flour_g, is_wheat, thirst_of
from fallow_sieve.core.recipes.making_over.steps import Making, Step, step
from fallow_sieve.core.values import grams

VERY_THIRSTY_G_PER_G = 3.0
SHARE_OF_VERY_THIRSTY = 0.30
SELF_RAISING_PCT = 5.0  # of baking powder in self-raising flour: rule of thumb
EGG, POWDER, STARCH, DUSTING = "whole-egg", "baking-powder", "corn-starch", "white-rice-flour"
_WHEAT = "wheat-flour"


def flour(state: Formula, m: Making) -> Step:
    """Return the blend in the place of the flour: the same grams, or else where one of them is very thirsty."""
    old = [state.lines[n] for n in m.replaced.places]
    own_g = flour_g(old, m.shelf)
    factor, reason = _factor(state, old, m)
    blend_g = own_g * factor
    first = m.replaced.places[0]
    shares = [x.mass_g / own_g if x.ingredient in m.shelf.row_of and flour_g([x], m.shelf) else 0.0 for x in old]
    lines: list[Line] = []
    for n, x in enumerate(state.lines):
        if n not in m.replaced.places:
            lines.append(x)
        elif not m.replaced.own_mix:
            lines.append(replace(x, ingredient=BLEND, mass_g=blend_g * shares[m.replaced.places.index(n)]))
        elif n == first:
            lines.append(Line(BLEND, blend_g, When.DRY))
    say = f"{_said(old, own_g, m)} → {_as_blend(own_g, blend_g)}"
    return step("flour", say, reason, blend_g), replace(state, lines=_merged(lines))


def _said(old: Sequence[Line], own_g: float, m: Making) -> str:
    if not m.replaced.own_mix:
        return f"{own_g:.0f} g wheat flour"
    binder_g = sum(x.mass_g for x in old) - own_g
    with_binder = f" and {grams(binder_g)} of binder" if binder_g > 0 else ""
    return f"{own_g:.0f} g of its own flours{with_binder}"


def _as_blend(own_g: float, blend_g: float) -> str:
    return "the same grams of the blend." if abs(blend_g - own_g) < 1e-9 else f"{blend_g:.0f} g of the blend."


def _factor(state: Formula, old: Sequence[Line], m: Making) -> tuple[float, str]:
    if m.rules.use.slug == SAUCE:
        return _by_power(state, old, m)
    very = _is_very_thirsty(state, m)
    thirst = thirst_of([(x.ingredient, x.mass_g) for x in old], m.shelf)
    was = m.replaced.own_mix and thirst is not None and thirst > VERY_THIRSTY_G_PER_G
    if very and not was:
        return (
            SHARE_OF_VERY_THIRSTY,
            "This blend is very thirsty: 25–35 % of the flour's grams is as far as it goes, never one for one.",
        )
    if was and not very:
        return (
            1 / SHARE_OF_VERY_THIRSTY,
            "Its own flour was very thirsty: about three times the grams of a common blend stand for it.",
        )
    return 1.0, "Weight for weight: a cup of another flour differs by up to a quarter."


def _by_power(state: Formula, old: Sequence[Line], m: Making) -> tuple[float, str]:
    """In a sauce flour thickens: grams follow its power, and that of the blend's parts where all are on record."""
    parts = [(p.mass_g, _power(p.ingredient, m)) for p in state.blend]
    if any(p is None for _, p in parts):
        return 1.0, "How this blend thickens is not on record: begin with the same grams, and judge it hot."
    new = sum(g * (p or 0.0) for g, p in parts) / sum(g for g, _ in parts)
    own = [(x.mass_g, _power(x.ingredient, m) or _power(_WHEAT, m) or 1.0) for x in old]
    was = sum(g * p for g, p in own) / sum(g for g, _ in own)
    return was / new, f"In a sauce it thickens: 1 g of it does what {was / new:.1f} g of the blend do."


def _power(slug: str, m: Making) -> float | None:
    """The thickening power of an ingredient by what it does, whatever it is called; None where it is not on record."""
    return m.rules.thickening.get(m.shelf[slug].standard(Kind.THICKENER) or "")


def _is_very_thirsty(state: Formula, m: Making) -> bool:
    thirst = thirst_of([(p.ingredient, p.mass_g) for p in state.blend], m.shelf)
    return thirst is not None and thirst > VERY_THIRSTY_G_PER_G


def _merged(lines: Sequence[Line]) -> tuple[Line, ...]:
    """Blend lines of one moment put together: a recipe with two wheat flours has one line of blend."""
    done: list[Line] = []
    for x in lines:
        same = next((n for n, y in enumerate(done) if x.ingredient == y.ingredient == BLEND and x.when == y.when), None)
        if same is None:
            done.append(x)
        else:
            done[same] = replace(done[same], mass_g=done[same].mass_g + x.mass_g)
    return tuple(done)


def raising(state: Formula, m: Making) -> Step:
    """Give back the baking powder that a self-raising flour brought, before anything is multiplied."""
    gone = [x for x in _replaced(m) if m.shelf[x.ingredient].function(Kind.SELF_RAISING)]
    if not gone or any(x in state.lines for x in gone):
        return None
    back = SELF_RAISING_PCT / 100 * sum(x.mass_g for x in gone)
    at = next((n for n, x in enumerate(state.lines) if x.ingredient == POWDER and x.when not in OUTSIDE_DOUGH), None)
    lines = list(state.lines)
    if at is None:
        lines.append(Line(POWDER, back, When.DRY))
    else:
        lines[at] = replace(lines[at], mass_g=lines[at].mass_g + back)
    say = f"{back:.1f} g baking powder given back."
    why = f"Self-raising flour holds about {SELF_RAISING_PCT:g} %; the blend does not. Its label may say otherwise."
    return step("raising", say, why, back), replace(state, lines=tuple(lines))


def _replaced(m: Making) -> list[Line]:
    return [m.recipe.lines[n] for n in m.replaced.places]


def egg(state: Formula, m: Making) -> Step:
    """Return more egg for a very thirsty flour; the others keep the recipe's."""
    blend_g = sum(x.mass_g for x in state.lines if x.ingredient == BLEND)
    was = thirst_of([(x.ingredient, x.mass_g) for x in _replaced(m)], m.shelf) or 0.0
    if blend_g <= 0 or not _is_very_thirsty(state, m) or was > VERY_THIRSTY_G_PER_G:
        return None
    at = next(iter(egg_lines(state.lines, m.shelf)), None)
    lines = list(state.lines)
    if at is None:
        lines.append(Line(EGG, blend_g, When.WET))
    else:
        lines[at] = replace(lines[at], mass_g=lines[at].mass_g + blend_g)
    why = "A very thirsty flour falls apart without: about one egg for 50 g."
    return step("egg", f"{blend_g:.0f} g more egg.", why, blend_g), replace(state, lines=tuple(lines))


def elsewhere(state: Formula, m: Making) -> Step:
    """Return wheat of a filling or glaze changed by power for a starch, and that for dusting for rice flour."""
    lines, said, size = list(state.lines), [], 0.0
    for n, x in enumerate(state.lines):
        if x.when in OUTSIDE_DOUGH and is_wheat(x, m.shelf):
            slug = STARCH if x.when is When.FILLING else DUSTING
            ratio = _power_ratio(x, m) if slug == STARCH else 1.0
            lines[n] = replace(x, ingredient=slug, mass_g=x.mass_g * ratio)
            said.append(f"{grams(x.mass_g)} → {grams(lines[n].mass_g)} {m.shelf[slug].name.lower()}")
            size += lines[n].mass_g
    if not said:
        return None
    why = "What thickens goes by power, what dusts gram for gram: no wheat may stay beside the dough either."
    return step("elsewhere", f"{'; '.join(said)}.", why, size), replace(state, lines=tuple(lines))


def _power_ratio(line: Line, m: Making) -> float:
    return (_power(line.ingredient, m) or _power(_WHEAT, m) or 1.0) / (_power(STARCH, m) or 1.0)
