"""A label put together: every line in its order, each with how it stands and on what evidence."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from fallow_sieve.core.ingredients import short_name
from fallow_sieve.core.labels.allergens import Allergens, allergens_of
from fallow_sieve.core.labels.binder_line import binder_line
from fallow_sieve.core.labels.claims import Claim, claims_of
from fallow_sieve.core.labels.dates import printed_date
from fallow_sieve.core.labels.lines import Label, LabelAsked, LabelLine, LabelRules, MadeMix
from fallow_sieve.core.labels.listing import Listed, list_text, listed, share_text
from fallow_sieve.core.labels.net_mass import net_mass
from fallow_sieve.core.labels.nutrition import Table, table_of
from fallow_sieve.core.labels.us_numbers import with_us_numbers
from fallow_sieve.core.labels.wording import HOT_SPOTS, GlutenTold, Rung, wording_of
from fallow_sieve.core.values import Estimate, Status, counted

FOR_THE_USE = 70.0
OFF_REVISION_PCT = 1.0
RUNGS = {
    Rung.CONTAINS: "contains",
    Rung.UNKNOWN: "unknown",
    Rung.DECLARED: "declared",
    Rung.TESTED_LOTS: "tested lots",
    Rung.TESTED_MIX: "this mix tested",
}


def label_of(mix: MadeMix, rules: LabelRules, asked: LabelAsked | None = None) -> Label:
    """Return the label of a mix by a scheme's rules. Nothing that is held is printed."""
    wants = asked or LabelAsked()
    parts = mix.analysis.parts
    named = allergens_of(parts, mix.shelf, rules.allergens)
    rows = listed(parts, mix.shelf, rules.names, named.named, mix.name)
    nutrients = with_us_numbers(mix.analysis, mix.shelf) if rules.daily_values else _eu_numbers(mix)
    table = table_of(nutrients, rules.rows, rules.printer, rules.tolerances, wants.portion_g)
    told = wording_of(mix.gluten, rules.gluten, wants.test, wants.clean_line)
    claims = claims_of(mix.eaten, rules.claims) if mix.eaten is not None else ()
    lines = (
        _name(mix, rows),
        binder_line(mix, rules.text),
        _ingredients(mix, rules, rows),
        _names(rows, rules),
        _allergens(named, rules),
        *_may_contain(wants, rules),
        _nutrition(table, rules),
        _gluten(told, rules, wants),
        _claims(claims, mix),
        *_net(wants, rules),
        _best_before(mix, rules),
        _storage(mix, rules),
        *([LabelLine("code", "Code", rules.text("batch", code=mix.code), Status.PASS)] if mix.code else []),
        *([LabelLine("hold", "Hold", rules.text("held"), Status.HELD, (mix.held_why,))] if mix.held_why else []),
    )
    return Label(lines, rows, named, table, told, claims, "" if wants.checked else rules.text("draft"))


def label_sentence(label: Label) -> str:
    """Return how a label stands in one sentence."""
    held = label.held
    if held:
        first = f"{held[0].title[:1].lower()}{held[0].title[1:]}"
        return f"Held by {len(held)} of {len(label.lines)}: {first}{f' and {len(held) - 1} more' if held[1:] else ''}."
    close = [x for x in label.lines if x.status is Status.CLOSE]
    return f"Nothing holds it; {counted(len(close), 'line')} to check." if close else "Nothing holds it."


def _eu_numbers(mix: MadeMix) -> Mapping[str, Estimate]:
    return {**mix.analysis.nutrients, "available_carbohydrate_g": mix.analysis.metrics["available_carbohydrate_pct"]}


def _name(mix: MadeMix, rows: Sequence[Listed]) -> LabelLine:
    if not mix.name.strip():
        return LabelLine("name", "Name of the mix", "", Status.CLOSE, ("it has no name yet",))
    shares = [
        f"{r.ingredient.replace('-', ' ')} stands in it: {share_text(r.share_pct)} %" for r in rows if r.shows_share
    ]
    promise = [f"“for {mix.use}” is left out: fit {mix.fit:.0f}, from {FOR_THE_USE:.0f}"] if _no_promise(mix) else []
    return LabelLine("name", "Name of the mix", mix.name, Status.PASS, (*shares, *promise))


def _no_promise(mix: MadeMix) -> bool:
    return mix.fit is not None and mix.fit <= FOR_THE_USE


def _ingredients(mix: MadeMix, rules: LabelRules, rows: Sequence[Listed]) -> LabelLine:
    lacking = [r for r in rows if (n := rules.names.get(r.ingredient)) and n.needs_list and not n.compound]
    if lacking:
        why = tuple(
            f"{short_name(mix.shelf[r.ingredient].name)} has no list of its own: ask the maker" for r in lacking
        )
        return LabelLine("ingredients", "Ingredients", "", Status.HELD, why)
    how = f"{counted(len(rows), 'part')} by mass, {mix.analysis.mass_g:.0f} g"
    off = mix.off_revision_pct
    far = [f"it left its revision by {off:.1f} % of mass"] if off > OFF_REVISION_PCT else []
    text = f"{rules.text('ingredients')}: {list_text(rows)}"
    return LabelLine("ingredients", "Ingredients", text, Status.CLOSE if far else Status.PASS, (how, *far))


def _names(rows: Sequence[Listed], rules: LabelRules) -> LabelLine:
    unsure = [r.ingredient for r in rows if (n := rules.names.get(r.ingredient)) and not n.sure]
    notes = tuple(f"{s.replace('-', ' ')}: {rules.names[s].note or 'name to be checked'}" for s in unsure)
    status = Status.CLOSE if unsure else Status.PASS
    return LabelLine(
        "ingredient names", "Ingredient names", "", status, notes or ("all in the table, or as on the shelf",)
    )


def _allergens(named: Allergens, rules: LabelRules) -> LabelLine:
    if named.unnamed_nuts:
        why = tuple(f"{s.replace('-', ' ')} says nuts, and not which" for s in named.unnamed_nuts)
        return LabelLine("allergens", "Allergens", "", Status.HELD, why)
    names = ", ".join(named.mandatory)
    text = rules.text("contains", names=names) + "." if names and rules.wants_contains_line else ""
    said = f"{names}: in bold in the list" if names else "none that this scheme names"
    advised = [n.name for n in named.named if not n.mandatory]
    unsure = [n.name for n in named.named if not n.sure]
    more = [f"recommended: {', '.join(advised)}"] if advised else []
    check = [f"check the scheme's row for {', '.join(unsure)}"] if unsure else []
    return LabelLine("allergens", "Allergens", text, Status.CLOSE if check else Status.PASS, (said, *more, *check))


def _may_contain(asked: LabelAsked, rules: LabelRules) -> list[LabelLine]:
    if not asked.may_contain:
        return []
    names, whys = zip(*asked.may_contain, strict=True)
    text = rules.text("may_contain", names=", ".join(names)) + "."
    return [LabelLine("may contain", "May contain", text, Status.PASS, tuple(whys))]


def _nutrition(table: Table, rules: LabelRules) -> LabelLine:
    title = rules.text("nutrition_per_100_g")
    if table.lacking:
        why = f"not wholly known: {', '.join(n.rsplit('_', 1)[0].replace('_', ' ') for n in table.lacking)}"
        return LabelLine("nutrition", "Nutrition", "", Status.HELD, (why,))
    outside = tuple(f"{r.nutrient.rsplit('_', 1)[0].replace('_', ' ')} {r.outside}" for r in table.rows if r.outside)
    per_100 = [r for r in table.rows if r.per == "100 g"]
    said = f"{len(per_100)} of {len(per_100) + len(table.not_printed)} known, from typical means"
    return LabelLine("nutrition", "Nutrition", title, Status.CLOSE if outside else Status.PASS, (said, *outside))


def _gluten(told: GlutenTold, rules: LabelRules, asked: LabelAsked) -> LabelLine:
    rung = f"rung {int(told.rung)}, {RUNGS[told.rung]}"
    if told.wording is None:
        return LabelLine("gluten wording", "Gluten wording", "", Status.HELD, (*told.missing, rung, HOT_SPOTS))
    by = f": {asked.test.method}, {asked.test.on} {asked.test.laboratory}".rstrip() if asked.test else ""
    said = (f"{told.known_mg_per_kg:.1f} mg/kg, {rung}{by}", rules.gluten.source, HOT_SPOTS)
    if told.needs_check and not asked.checked:
        wait = f"“{told.wording}” prints once somebody has checked it, and recorded that"
        return LabelLine("gluten wording", "Gluten wording", "", Status.CLOSE, (wait, *said))
    return LabelLine("gluten wording", "Gluten wording", told.wording, Status.PASS, said)


def _claims(claims: Sequence[Claim], mix: MadeMix) -> LabelLine:
    if mix.eaten is None:
        return LabelLine("claims", "Claims", "", Status.PASS, ("left out: no formula is chosen to judge them on",))
    holds = [c for c in claims if c.holds]
    near = tuple(f"{c.rule.wording}: {c.say}" for c in (holds or claims)[:3])
    text = ". ".join(c.rule.wording for c in holds)
    return LabelLine(
        "claims", "Claims", "", Status.PASS, (f"holds, none prints by itself: {text}" if text else "none holds", *near)
    )


def _net(asked: LabelAsked, rules: LabelRules) -> list[LabelLine]:
    if asked.bag_g is None:
        return []
    may = net_mass(asked.bag_g, rules.net_masses)
    text = rules.text("net", mass=f"{asked.bag_g:g} g", g=f"{asked.bag_g:g}", oz=f"{asked.bag_g / 28.349523125:.1f}")
    hint = (
        f"mean at least {asked.bag_g:g} g, none under {may.none_below_g:g} g; refuse under {may.none_below_twice_g:g} g"
    )
    return [LabelLine("net mass", "Net mass", text, Status.PASS, (hint, "a hint: check locally"))]


def _best_before(mix: MadeMix, rules: LabelRules) -> LabelLine:
    if mix.best_before is None or mix.made_on is None:
        why = mix.best_before_why or "keeping is not known: no date is promised"
        return LabelLine("best before", "Best before", rules.text("no_date"), Status.CLOSE, (why,))
    date = printed_date(mix.made_on, mix.best_before)
    key = "best_before_end" if date.is_month_end else "best_before"
    return LabelLine("best before", "Best before", rules.text(key, date=date.text), Status.PASS, (mix.best_before_why,))


def _storage(mix: MadeMix, rules: LabelRules) -> LabelLine:
    text = " ".join(t for t in (mix.storage_words, rules.text("shake"), rules.text("bake")) if t)
    return LabelLine(
        "storage", "Storage and use", text, Status.PASS, (f"kept as {mix.storage_kind}" if mix.storage_kind else "",)
    )
