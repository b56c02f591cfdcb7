"""Documents with revisions, blends and formulas alike: what goes in comes back, a stale or broken save keeps nothing."""

from __future__ import annotations

import sqlite3
import subprocess
import sys
import textwrap
import threading
from contextlib import closing
from dataclasses import dataclass, replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy.exc import DBAPIError

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.formulas.formula import BLEND, Formula, Line, When
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.documents import Documents
from fallow_sieve.store.errors import NotFoundError, StaleSaveError
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.tables.columns import RevisionColumns

NOW, LATER = "2026-03-14T09:30:00Z", "2026-03-15T09:30:00Z"
PARTS = (Part("sorghum-flour", 300.0), Part("potato-starch", 200.0, locked=True))
LINES = (Line(BLEND, 500.0, When.DRY), Line("water", 400.0, When.WET, "by hand"))
MIX = Blend(PARTS, use="tin-loaf")
LOAF = Formula(
    LINES, PARTS, use="tin-loaf", consistency="soft", pieces=2, method="Bake.", pin=Pin("blend", 1, 3, "Mix")
)


@dataclass(frozen=True)
class Noun:
    """A kind of document with a content, the same with another mass, and an empty one."""

    documents: Documents
    content: object
    empty: object
    revision_table: str

    def weighing(self, mass_g: float):
        """The content with another mass."""
        if isinstance(self.content, Blend):
            return replace(self.content, parts=(replace(PARTS[0], mass_g=mass_g), PARTS[1]))
        return replace(self.content, lines=(LINES[0], replace(LINES[1], mass_g=mass_g)))


BLEND_NOUN, FORMULA_NOUN = (
    Noun(BLENDS, MIX, Blend(()), "revision"),
    Noun(FORMULAS, LOAF, Formula(()), "formula_revision"),
)


@pytest.fixture(params=[BLEND_NOUN, FORMULA_NOUN], ids=["blend", "formula"])
def noun(request):
    return request.param


def made(store, noun, content=None, name="Loaf"):
    with store.writing() as session:
        return noun.documents.add(session, name, None, content or noun.content, NOW).id


def keep(store, noun, id_, why="first", version=1):
    with store.writing() as session:
        return noun.documents.keep(session, id_, why, version, NOW)


def save(store, noun, id_, content, version=1, based_on=None):
    with store.writing() as session:
        return noun.documents.save_draft(session, id_, content, based_on, version, LATER)


def draft_of(store, noun, id_):
    with store.reading() as session:
        found = noun.documents.draft(session, id_)
    return found.content, found.version, found.based_on


_slugs = st.text("abcdefgh-", min_size=1, max_size=12)
_masses = st.floats(0.001, 1e6)
_parts = st.lists(st.builds(Part, _slugs, _masses, st.booleans(), st.none() | st.integers(1, 9)), max_size=4).map(tuple)
_lines = st.lists(st.builds(Line, _slugs, _masses, st.sampled_from(When), st.text(max_size=20)), max_size=6).map(tuple)
_ids = st.none() | st.integers(1, 99)
_formulas = st.builds(
    Formula, _lines, _parts, use=st.none() | _slugs, pieces=st.integers(1, 500), method=st.text(max_size=60),
    pin=st.builds(Pin, st.just("blend"), _ids, _ids, st.text(max_size=9)),
)  # fmt: skip


@given(st.builds(Blend, _parts, use=st.none() | _slugs))
def test_a_blend_comes_back_from_its_record_as_it_went(content):
    assert BLENDS.codec.content(BLENDS.codec.record(content)) == content


@given(_formulas)
def test_a_formula_comes_back_from_its_record_as_it_went(content):
    assert FORMULAS.codec.content(FORMULAS.codec.record(content)) == content


def test_a_record_of_an_earlier_version_without_a_method_is_read():
    old = {k: v for k, v in FORMULAS.codec.record(LOAF).items() if k != "method"}
    assert FORMULAS.codec.content(old) == replace(LOAF, method="")


def test_a_draft_is_saved_by_version_and_a_stale_save_carries_both(store, noun):
    id_ = made(store, noun)
    save(store, noun, id_, noun.weighing(410))
    assert draft_of(store, noun, id_) == (noun.weighing(410), 2, None)
    with pytest.raises(StaleSaveError) as error:
        save(store, noun, id_, noun.weighing(999))
    assert error.value.current["content"] == noun.documents.codec.record(noun.weighing(410))
    assert error.value.submitted["content"] == noun.documents.codec.record(noun.weighing(999))
    assert draft_of(store, noun, id_)[0] == noun.weighing(410)


def test_a_failure_in_the_middle_keeps_nothing_of_a_save(store, noun):
    id_ = made(store, noun)
    with pytest.raises(RuntimeError, match="power cut"), store.writing() as session:
        noun.documents.save_draft(session, id_, noun.weighing(1), None, 1, LATER)
        noun.documents.keep(session, id_, "half done", 2, LATER)
        raise RuntimeError("power cut")
    assert draft_of(store, noun, id_) == (noun.content, 1, None)
    with store.reading() as session:
        assert noun.documents.revisions(session, id_) == []


def test_a_revision_is_numbered_and_the_draft_rests_on_it(store, noun):
    id_ = made(store, noun)
    keep(store, noun, id_)
    save(store, noun, id_, noun.weighing(420), 2, based_on=1)
    assert keep(store, noun, id_, "wetter", 3).number == 2
    with store.reading() as session:
        found = noun.documents.revisions(session, id_)
        assert [(r.number, r.why, r.based_on) for r in found] == [(1, "first", None), (2, "wetter", 1)]
        assert noun.documents.revision(session, id_, 1).content == noun.content
        assert noun.documents.newest(session, id_).content == noun.weighing(420)
        with pytest.raises(NotFoundError):
            noun.documents.revision(session, id_, 3)
    assert draft_of(store, noun, id_) == (noun.weighing(420), 4, 2)


def test_a_blends_use_is_kept_with_each_of_its_revisions(store):
    id_ = made(store, BLEND_NOUN)
    keep(store, BLEND_NOUN, id_)
    save(store, BLEND_NOUN, id_, replace(MIX, use="scone"), 2, based_on=1)
    keep(store, BLEND_NOUN, id_, "for scones", 3)
    with store.reading() as session:
        assert [r.content.use for r in BLENDS.revisions(session, id_)] == ["tin-loaf", "scone"]


def test_keeping_what_someone_else_has_changed_is_refused_and_so_is_an_empty_draft(store, noun):
    id_, empty = made(store, noun), made(store, noun, noun.empty)
    save(store, noun, id_, noun.weighing(1))
    with pytest.raises(StaleSaveError):
        keep(store, noun, id_, "mine", 1)
    with pytest.raises(BadInputError, match=f"empty {noun.documents.kind}"):
        keep(store, noun, empty, "nothing", 1)


@pytest.mark.parametrize("sql", ["UPDATE {} SET why = 'other'", "DELETE FROM {}"])
def test_the_database_itself_refuses_to_change_a_kept_revision(store, noun, sql):
    id_ = made(store, noun)
    keep(store, noun, id_)
    with pytest.raises(DBAPIError, match="append-only|never|revision"), store.writing() as session:
        session.connection().exec_driver_sql(sql.format(noun.revision_table))
    with store.reading() as session:
        assert noun.documents.revision(session, id_, 1).why == "first"


def test_a_duplicate_starts_from_the_draft_and_lives_on_its_own(store, noun):
    id_ = made(store, noun)
    with store.writing() as session:
        copy = noun.documents.duplicate(session, id_, "Copy", NOW)
    save(store, noun, copy.id, noun.weighing(7))
    assert draft_of(store, noun, id_)[0] == noun.content
    assert draft_of(store, noun, copy.id)[0] == noun.weighing(7)


def test_those_put_away_are_not_listed_but_stay_and_lists_come_in_pages(store, noun):
    ids = [made(store, noun, name=f"Loaf {n}") for n in range(5)]
    with store.writing() as session:
        noun.documents.save(session, ids[1], {"name": "Old", "brief_id": None, "archived": True}, 1, LATER)
    with store.reading() as session:
        assert [r.id for r in noun.documents.page(session)] == [ids[0], *ids[2:]]
        assert [r.id for r in noun.documents.page(session, after=ids[2], limit=1)] == [ids[3]]
        assert [r.name for r in noun.documents.page(session, archived=True)] == ["Old"]
        assert noun.documents.get(session, ids[1]).version == 2


def test_what_is_not_there_is_said_by_kind(store, noun):
    for ask in (noun.documents.get, noun.documents.draft):
        with store.reading() as session, pytest.raises(NotFoundError, match=f"there is no {noun.documents.kind} 99"):
            ask(session, 99)


def test_what_an_ingredient_is_in_counts_lines_blends_and_kept_revisions(store):
    id_ = made(store, FORMULA_NOUN)
    keep(store, FORMULA_NOUN, id_)
    save(store, FORMULA_NOUN, id_, Formula((Line("teff-flour", 100.0, When.DRY),)), 2, based_on=1)
    with store.reading() as session:
        found = {s: FORMULAS.mentioning(session, s) for s in ("teff-flour", "potato-starch", "water", "butter")}
    assert found == {"teff-flour": ["Loaf"], "potato-starch": ["Loaf"], "water": ["Loaf"], "butter": []}


def test_two_writers_wait_for_each_other_and_lose_nothing(store, noun):
    id_ = made(store, noun)
    saved = []

    def save_often(name: str):
        for n in range(20):
            while True:
                try:
                    with store.writing() as session:
                        version = noun.documents.draft(session, id_).version
                        noun.documents.save_draft(session, id_, noun.weighing(n + 1.0), None, version, name)
                    saved.append(name)
                    break
                except StaleSaveError:
                    continue

    threads = [threading.Thread(target=save_often, args=(n,)) for n in ("one", "two")]
    [t.start() for t in threads]
    [t.join() for t in threads]
    assert draft_of(store, noun, id_)[1] == 1 + len(saved) == 41


KILLED = """
    import os, sys
    from pathlib import Path
    from fallow_sieve.core.blends.blend import Blend, Part
    from fallow_sieve.store.blends import BLENDS
    from fallow_sieve.store.kitchen_store import KitchenStore
    kitchen = KitchenStore(Path(sys.argv[1]))
    for n in range(1, 10_000):
        with kitchen.writing() as session:
            BLENDS.save_draft(session, 1, Blend((Part("teff-flour", float(n)),)), None, n, "now")
        print(n, flush=True)
        if n == 25:
            with kitchen.writing() as session:
                BLENDS.save_draft(session, 1, Blend(()), None, n + 1, "now")
                session.flush()
                os.kill(os.getpid(), 9)
"""


def test_a_process_killed_in_the_middle_of_a_save_loses_nothing_that_was_saved(store):
    made(store, BLEND_NOUN)
    path = store.path
    store.close()
    child = subprocess.run([sys.executable, "-c", textwrap.dedent(KILLED), str(path)], capture_output=True, timeout=60, check=False)  # fmt: skip
    assert child.returncode == -9, child.stderr
    again = KitchenStore(path)
    assert draft_of(again, BLEND_NOUN, 1) == (Blend((Part("teff-flour", 25.0),)), 26, None)
    again.close()


KEPT = {t.__table__.name: t.__table__ for t in RevisionColumns.__subclasses__()}
AS_STORED = {"INTEGER": 1, "VARCHAR": "as it was", "JSON": "{}"}


@pytest.mark.parametrize("name", sorted(KEPT))
@pytest.mark.parametrize(
    "verb",
    ["UPDATE {} SET why = 'another'", "DELETE FROM {}", "INSERT OR REPLACE INTO {} {}"],
    ids=["changed", "away", "replaced"],
)
def test_a_kept_revision_of_any_noun_is_never_changed_taken_away_or_replaced(empty_db, name, verb):
    row = {c.name: AS_STORED[str(c.type)] for c in KEPT[name].columns}
    values = f"({', '.join(row)}) VALUES ({', '.join('?' for _ in row)})"
    with closing(sqlite3.connect(empty_db)) as database:
        database.execute(f"INSERT INTO {name} {values}", tuple(row.values()))
        given = tuple({**row, "why": "another"}.values()) if "REPLACE" in verb else ()
        with pytest.raises(sqlite3.IntegrityError, match="append-only"):
            database.execute(verb.format(name, values), given)
        assert database.execute(f"SELECT why FROM {name}").fetchall() == [("as it was",)]
