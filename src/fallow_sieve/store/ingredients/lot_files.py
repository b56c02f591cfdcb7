"""Lots, and every number with how it is known, as tables: out, and in again, all or nothing."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from sqlmodel import Session, col, select

from fallow_sieve.core.ingredients import Lot, price_per_usable_kg
from fallow_sieve.core.values import Change
from fallow_sieve.formats.ingredients import LotLine, NumberLine, Refusal
from fallow_sieve.store.ingredients.lots import LotOnRecord, all_lots, write_lots
from fallow_sieve.store.ingredients.numbers import Stored, layers_of, put_aside, put_layer, stacked, stored
from fallow_sieve.store.ingredients.shelf_files import RowChange
from fallow_sieve.store.kitchen import touch_shelf
from fallow_sieve.store.tables import IngredientRow, NumbersRow


def lot_lines(session: Session) -> Iterator[LotLine]:
    """Give every lot as a line of a table."""
    for n, row in enumerate(all_lots(session), start=2):
        yield LotLine(n, row.ingredient, row.lot, row.archived)


def number_lines(session: Session) -> Iterator[NumberLine]:
    """Give every number of the kitchen's own layers as a line of a table."""
    codes: dict[int | None, str] = {x.id: x.lot.code for x in all_lots(session)}
    query = select(NumbersRow).where(col(NumbersRow.layer) != "table")
    rows = session.exec(query.order_by(col(NumbersRow.ingredient), col(NumbersRow.lot_id), col(NumbersRow.layer)))
    for row in rows:
        lot = codes.get(row.lot_id, "")
        for name, layers in stacked({row.layer: row.facts}).items():
            yield NumberLine(0, row.ingredient, lot, row.layer, name, layers[0].fact, layers[0].aside)


@dataclass(frozen=True, slots=True)
class LotPlan:
    """What a table of lots would do: a change for each row, and the lots to write."""

    rows: list[RowChange]
    lines: list[LotLine]


def plan_lots(
    session: Session, lines: Sequence[LotLine], refusals: Sequence[Refusal], to_come: frozenset[str] = frozenset()
) -> LotPlan:
    """Return what the lots of a table would do, row by row; `to_come` are slugs that come with the same file."""
    known = {(r.ingredient, r.lot.code): r for r in all_lots(session)}
    slugs = {*session.exec(select(IngredientRow.slug)), *to_come}
    rows = [RowChange(r.line, "", "", "refused", (), (r,)) for r in refusals]
    seen: set[tuple[str, str]] = set()
    for x in lines:
        key = (x.ingredient, x.lot.code)
        rows.append(_row(x, known.get(key), x.ingredient in slugs, key in seen))
        seen.add(key)
    return LotPlan(sorted(rows, key=lambda r: r.line), list(lines))


def _row(x: LotLine, row: LotOnRecord | None, has_ingredient: bool, twice: bool) -> RowChange:
    name = f"lot {x.lot.code}"
    if not has_ingredient or twice:
        wrong, right = ("the same lot again", "keep one") if twice else ("no such ingredient", "add it first")
        column = "code" if twice else "ingredient"
        return RowChange(x.line, x.ingredient, name, "refused", (), (Refusal(x.line, column, wrong, right),))
    if row is None:
        return RowChange(x.line, x.ingredient, name, "new")
    changes = tuple(_changes(row.lot, x.lot, row.archived, x.archived))
    return RowChange(x.line, x.ingredient, name, "changed" if changes else "same", changes)


def _changes(old: Lot, new: Lot, was_away: bool, is_away: bool) -> Iterator[Change]:
    for name in Lot.__dataclass_fields__:
        before, after = getattr(old, name), getattr(new, name)
        if name == "price_per_kg":
            before, after = price_per_usable_kg(old), price_per_usable_kg(new)
        if before != after:
            yield Change(name, name, "" if before is None else str(before), "" if after is None else str(after))
    if was_away != is_away:
        yield Change("archived", "archived", "yes" if was_away else "no", "yes" if is_away else "no")


def apply_lots(session: Session, plan: LotPlan) -> None:
    """Write the lots of `plan` that are new or changed."""
    ids = {(r.ingredient, r.lot.code): r.id for r in all_lots(session)}
    wanted = {r.line for r in plan.rows if r.status in ("new", "changed")}
    lines = [x for x in plan.lines if x.line in wanted]
    new = [(x.ingredient, x.lot, x.archived) for x in lines if (x.ingredient, x.lot.code) not in ids]
    changed = [(ids[key], x.lot, x.archived) for x in lines if (key := (x.ingredient, x.lot.code)) in ids]
    write_lots(session, new, changed)
    touch_shelf(session, {x.ingredient for x in lines})


def apply_numbers(session: Session, lines: Sequence[NumberLine]) -> None:
    """Write numbers as the whole of their layers. Every ingredient and lot must be there."""
    lots = {(r.ingredient, r.lot.code): r.id for r in all_lots(session)}
    documents: dict[tuple[str, int | None, str], Stored] = defaultdict(dict)
    for x in lines:
        lot_id = lots[x.ingredient, x.lot] if x.lot else None
        record = stored({x.field: x.fact})[x.field]
        documents[x.ingredient, lot_id, x.layer][x.field] = put_aside(record, x.aside)
    for (slug, lot_id, layer), facts in documents.items():
        put_layer(session, slug, lot_id, layer, facts)
    touch_shelf(session, {x.ingredient for x in lines})


def plan_numbers(
    session: Session,
    lines: Sequence[NumberLine],
    refusals: Sequence[Refusal],
    slugs: set[str],
    lots: set[tuple[str, str]],
) -> list[RowChange]:
    """Return what numbers would do to each ingredient or lot; `slugs` and `lots` come with the same file."""
    here = {*session.exec(select(IngredientRow.slug)), *slugs}
    bins = {(r.ingredient, r.lot.code): r.id for r in all_lots(session)}
    rows = [RowChange(r.line, "", "numbers", "refused", (), (r,)) for r in refusals]
    groups: dict[tuple[str, str, str], list[NumberLine]] = defaultdict(list)
    for x in lines:
        groups[x.ingredient, x.lot, x.layer].append(x)
    for (slug, lot, layer), group in groups.items():
        first = group[0].line
        if slug not in here or (lot and (slug, lot) not in bins and (slug, lot) not in lots):
            refusal = Refusal(
                first, "lot" if slug in here else "ingredient", f"no such {'lot' if lot else 'ingredient'}", ""
            )
            rows.append(RowChange(first, slug, f"{layer} numbers", "refused", (), (refusal,)))
            continue
        old = (
            layers_of(session, slug, bins.get((slug, lot)) if lot else None).get(layer, {}) if slug not in slugs else {}
        )
        if lot and (slug, lot) not in bins:
            old = {}
        new = {x.field: put_aside(stored({x.field: x.fact})[x.field], x.aside) for x in group}
        status = "same" if old == new else "changed" if old else "new"
        name = f"{layer} numbers" + (f" of lot {lot}" if lot else "")
        rows.append(RowChange(first, slug, name, status))  # type: ignore[arg-type]
    return rows
