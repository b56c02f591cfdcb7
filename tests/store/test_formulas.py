"""Formulas and bakes in the store: what goes in comes back, a stale or broken save keeps nothing, revisions stay."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy.exc import DBAPIError, IntegrityError

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, Stage
from fallow_sieve.core.formulas.water_learning import Bake
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.store.bakes import add_bake, bake_of, bakes_of_formula, bakes_of_kitchen, withdraw_bake
from fallow_sieve.store.errors import NotFoundError, StaleSaveError
from fallow_sieve.store.formulas import (
    Content,
    Pinned,
    add_formula,
    content_in,
    content_out,
    formula_revisions,
    formulas_with,
    get_formula,
    get_formula_draft,
    get_formula_revision,
    keep_formula_revision,
    list_formulas,
    save_formula,
    save_formula_draft,
)
from fallow_sieve.store.tables import BakeRow

NOW, LATER = "2026-03-14T09:30:00Z", "2026-03-15T09:30:00Z"
PINNED = Pinned(1, 3, "Mix", (Part("sorghum-flour", 300.0), Part("potato-starch", 200.0, locked=True)))
LINES = (Line(BLEND, 500.0, Stage.DRY), Line("water", 400.0, Stage.WET, "by hand"))
CONTENT = Content(Formula(LINES, PINNED.parts, use="tin-loaf", consistency="soft", pieces=2, method="Bake."), PINNED)


def made(store, content=CONTENT, name="Loaf"):
    with store.writing() as session:
        return add_formula(session, name, None, content, NOW).id


def with_water(mass_g):
    lines = (LINES[0], replace(LINES[1], mass_g=mass_g))
    return replace(CONTENT, formula=replace(CONTENT.formula, lines=lines))


def draft_of(store, formula_id):
    with store.reading() as session:
        row = get_formula_draft(session, formula_id)
        return content_in(row.content), row.version, row.based_on


_slugs = st.text("abcdefgh-", min_size=1, max_size=12)
_masses = st.floats(0.001, 1e6)
_lines = st.lists(st.builds(Line, _slugs, _masses, st.sampled_from(Stage), st.text(max_size=20)), max_size=6)
_parts = st.lists(
    st.builds(Part, _slugs, _masses, st.booleans(), st.none() | st.integers(1, 9)), min_size=1, max_size=4
)
_pins = st.none() | st.builds(
    Pinned, st.none() | st.integers(1, 99), st.none() | st.integers(1, 99), st.text(max_size=9), _parts.map(tuple)
)


@given(_lines, _pins, st.none() | _slugs, st.integers(1, 500), st.text(max_size=60))
def test_a_content_comes_back_from_its_record_as_it_went(lines, pinned, use, pieces, method):
    formula = Formula(tuple(lines), pinned.parts if pinned else (), use=use, pieces=pieces, method=method)
    content = Content(formula, pinned)
    assert content_in(content_out(content)) == content


def test_a_record_of_an_earlier_version_without_a_method_is_read():
    old = {k: v for k, v in content_out(CONTENT).items() if k != "method"}
    assert content_in(old) == replace(CONTENT, formula=replace(CONTENT.formula, method=""))


def test_a_draft_is_saved_by_version_and_a_stale_save_carries_both(store):
    formula_id = made(store)
    with store.writing() as session:
        save_formula_draft(session, formula_id, with_water(410), None, 1, LATER)
    assert draft_of(store, formula_id) == (with_water(410), 2, None)
    with pytest.raises(StaleSaveError) as error, store.writing() as session:
        save_formula_draft(session, formula_id, with_water(999), None, 1, LATER)
    assert error.value.current["content"] == content_out(with_water(410))
    assert error.value.submitted["content"] == content_out(with_water(999))
    assert draft_of(store, formula_id)[0] == with_water(410)


def test_a_failure_in_the_middle_keeps_nothing_of_a_save(store):
    formula_id = made(store)
    with pytest.raises(RuntimeError, match="power cut"), store.writing() as session:
        save_formula_draft(session, formula_id, with_water(1), None, 1, LATER)
        keep_formula_revision(session, formula_id, "half done", 2, LATER)
        raise RuntimeError("power cut")
    assert draft_of(store, formula_id) == (CONTENT, 1, None)
    with store.reading() as session:
        assert formula_revisions(session, formula_id) == []


def test_a_revision_is_numbered_and_the_draft_rests_on_it(store):
    formula_id = made(store)
    with store.writing() as session:
        keep_formula_revision(session, formula_id, "first", 1, NOW)
    with store.writing() as session:
        save_formula_draft(session, formula_id, with_water(420), 1, 2, LATER)
        keep_formula_revision(session, formula_id, "wetter", 3, LATER)
    with store.reading() as session:
        first, second = formula_revisions(session, formula_id)
        assert [(r.number, r.why, r.based_on) for r in (first, second)] == [(1, "first", None), (2, "wetter", 1)]
        assert content_in(get_formula_revision(session, formula_id, 1).content) == CONTENT
        with pytest.raises(NotFoundError):
            get_formula_revision(session, formula_id, 3)
    assert draft_of(store, formula_id) == (with_water(420), 4, 2)


def test_keeping_what_someone_else_has_changed_is_refused_and_so_is_an_empty_draft(store):
    formula_id, empty = made(store), made(store, Content(Formula(()), None))
    with store.writing() as session:
        save_formula_draft(session, formula_id, with_water(1), None, 1, LATER)
    with pytest.raises(StaleSaveError), store.writing() as session:
        keep_formula_revision(session, formula_id, "mine", 1, LATER)
    with pytest.raises(BadInputError, match="empty formula"), store.writing() as session:
        keep_formula_revision(session, empty, "nothing", 1, LATER)


@pytest.mark.parametrize("sql", ["UPDATE formula_revision SET why = 'other'", "DELETE FROM formula_revision"])
def test_the_database_itself_refuses_to_change_a_kept_revision(store, sql):
    formula_id = made(store)
    with store.writing() as session:
        keep_formula_revision(session, formula_id, "first", 1, NOW)
    with pytest.raises(DBAPIError, match="append-only|never"), store.writing() as session:
        session.connection().exec_driver_sql(sql)
    with store.reading() as session:
        assert get_formula_revision(session, formula_id, 1).why == "first"


def test_those_put_away_are_not_listed_but_stay(store):
    ids = [made(store, name=f"Loaf {n}") for n in range(5)]
    with store.writing() as session:
        save_formula(session, ids[1], {"name": "Old", "brief_id": None, "archived": True}, 1, LATER)
    with store.reading() as session:
        assert [r.id for r in list_formulas(session)] == [ids[0], *ids[2:]]
        assert [r.id for r in list_formulas(session, after=ids[2], limit=1)] == [ids[3]]
        assert [r.name for r in list_formulas(session, archived=True)] == ["Old"]
        assert get_formula(session, ids[1]).version == 2


def test_what_an_ingredient_is_in_counts_lines_blends_and_kept_revisions(store):
    formula_id = made(store)
    with store.writing() as session:
        keep_formula_revision(session, formula_id, "first", 1, NOW)
        plain = Content(Formula((Line("teff-flour", 100.0, Stage.DRY),)), None)
        save_formula_draft(session, formula_id, plain, 1, 2, LATER)
    with store.reading() as session:
        assert formulas_with(session, "teff-flour") == formulas_with(session, "potato-starch") == ["Loaf"]
        assert formulas_with(session, "water") == ["Loaf"]  # in the revision that was kept
        assert formulas_with(session, "butter") == []


def bake(formula_id, day, actual=90.0, predicted=80.0):
    return BakeRow(
        formula_id=formula_id, blend="blend:1", use="tin-loaf", family="yeasted", baked_on=day, flour_g=500.0,
        poured_g=450.0, actual_pct=actual, predicted_pct=predicted, note="", created_at=NOW,
    )  # fmt: skip


def test_bakes_stand_by_their_day_and_one_set_aside_teaches_nothing(store):
    formula_id, other = made(store), made(store, name="Other")
    with store.writing() as session:
        late = add_bake(session, bake(formula_id, "2026-03-12", 92)).id
        add_bake(session, bake(formula_id, "2026-03-10", 88))
        add_bake(session, bake(other, "2026-03-11", 70))
    with store.reading() as session:
        assert [b.baked_on for b in bakes_of_formula(session, formula_id)] == ["2026-03-10", "2026-03-12"]
        assert [b.actual_pct for b in bakes_of_kitchen(session)] == [88, 70, 92]
    with store.writing() as session:
        withdraw_bake(session, formula_id, late, True)
    with store.reading() as session:
        assert [b.actual_pct for b in bakes_of_kitchen(session)] == [88, 70]
        assert len(bakes_of_formula(session, formula_id)) == 2  # still on record
    with store.writing() as session:
        withdraw_bake(session, formula_id, late, False)
        assert bake_of(bakes_of_formula(session, formula_id)[1]) == Bake(80, 92, "blend:1", "yeasted", "2026-03-12")


def test_a_bake_of_another_formula_cannot_be_set_aside_through_this_one(store):
    formula_id, other = made(store), made(store)
    with store.writing() as session:
        bake_id = add_bake(session, bake(formula_id, "2026-03-12")).id
    with pytest.raises(NotFoundError), store.writing() as session:
        withdraw_bake(session, other, bake_id, True)


def test_a_bake_rests_on_a_formula_that_is_there(store):
    with pytest.raises(IntegrityError), store.writing() as session:
        add_bake(session, bake(99, "2026-03-12"))


@pytest.mark.parametrize(
    ("pinned", "key"),
    [(PINNED, "blend:1"), (replace(PINNED, blend_id=None), "named:Mix"), (replace(PINNED, revision=9), "blend:1")],
)
def test_bakes_are_kept_under_the_blend_whatever_its_revision(pinned, key):
    assert pinned.key == key
