"""A database of every released version, filled, comes forward to this one with all that its user put into it."""

from __future__ import annotations

import sqlite3
from datetime import date
from pathlib import Path

import pytest
from alembic.config import Config
from alembic.script import ScriptDirectory

from fallow_sieve.core.formulas.water_learning import Pour, learn
from fallow_sieve.core.ingredients.ingredient import Quality
from fallow_sieve.core.stock.moves import stock_of
from fallow_sieve.reference.ingredients import library
from fallow_sieve.services.batches.bags.bins import bins_seen
from fallow_sieve.store.batches import bags_of, page_of_batches, prints_of, weighings_of
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.briefs import list_briefs
from fallow_sieve.store.database import MIGRATIONS
from fallow_sieve.store.experiments import page_of_experiments, runs_of
from fallow_sieve.store.formulas import FORMULAS
from fallow_sieve.store.ingredients import all_lots
from fallow_sieve.store.kitchen import settings_of
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.stock import is_held, moves_of_lot
from fallow_sieve.store.tastings import answers_of, page_of_tastings, seats_of
from fallow_sieve.store.trials.records import readings_of, trials_of_formula

RELEASED = sorted(Path(__file__).with_name("released").glob("*.sql"))


def versions() -> list[str]:
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    return sorted(s.revision for s in ScriptDirectory.from_config(config).walk_revisions())


def test_there_is_a_filled_database_of_every_version():
    assert [p.stem for p in RELEASED] == versions()


@pytest.fixture(scope="module", params=RELEASED, ids=lambda p: p.stem)
def older(request, tmp_path_factory):
    """A kitchen that was of that version and has come forward: once for all that is only looked at in it."""
    path = tmp_path_factory.mktemp("older") / "older.db"
    with sqlite3.connect(path) as connection:
        connection.executescript(request.param.read_text(encoding="utf-8"))
    kitchen = KitchenStore(path)
    yield kitchen
    kitchen.close()


def test_it_comes_forward_with_its_briefs_blends_and_reasons(older):
    with older.reading() as session:
        assert settings_of(session).name == "Tarn Line Provisions"
        assert list_briefs(session)[0].name == "Summit tin loaf"
        blends = BLENDS.page(session)
        assert len(blends) == 8
        assert [r.number for r in BLENDS.revisions(session, blends[0].id)] == [1, 2, 3, 4]
        assert BLENDS.draft(session, blends[0].id).based_on == 4
        uses = {r.content.use for b in blends for r in BLENDS.revisions(session, b.id)}
        assert "tin-loaf" in uses
        assert None not in uses


def test_its_library_is_brought_up_to_date_and_its_own_numbers_stay(older):
    with older.reading() as session:
        shelf = older.shelf(session, date(2026, 3, 14))
    assert {i.slug for i in shelf.ingredients if not i.own} == {i.slug for i in library()}
    protein = shelf["teff-flour"].facts["protein_g"]
    assert (protein.range.typical, protein.quality) == (13.1, Quality.MEASURED)
    assert shelf["teff-flour"].facts["fibre_g"].quality is not Quality.MEASURED
    assert shelf["teff-flour"].price_per_kg == 5.8


def test_its_tables_keep_their_promises(older):
    with older.reading() as session:
        ask = session.connection().exec_driver_sql
        assert ask("PRAGMA integrity_check").scalar() == "ok"
        assert ask("PRAGMA foreign_key_check").all() == []


def test_its_formulas_come_forward_with_their_revisions_and_bakes(older, request):
    if request.node.callspec.id < "0003":
        pytest.skip("there were no formulas yet")
    with older.reading() as session:
        (row,) = FORMULAS.page(session)
        (kept,) = FORMULAS.revisions(session, row.id)
        found = kept.content
        assert (row.name, kept.why) == ("Summit tin loaf", "The first that held.")
        assert [(x.ingredient, x.mass_g, x.note) for x in found.lines] == [
            ("@blend", 1000, ""), ("water", 830, "tepid"), ("salt", 18, ""),
        ]  # fmt: skip
        assert (found.pin.id, found.pin.revision, len(found.blend)) == (1, 3, 6)
        assert [p.actual_pct for p in older.standing().pours] == [pytest.approx(91.4, abs=1e-12)]
        (baked,) = trials_of_formula(session, row.id)
        assert (baked.formula_revision, baked.formula) == (1, found)
        assert [r.quantity for r in readings_of(session, [baked.id])[baked.id]] == ["water_poured_g"]


def test_its_tables_and_experiments_come_forward(older, request):
    if request.node.callspec.id < "0009":
        pytest.skip("there were none yet")
    with older.reading() as session:
        (table,) = page_of_tastings(session)
        assert (table.stage, table.unblinded_by, [p.code for p in table.plates.values()]) == (
            "unblinded",
            "Berit",
            [418, 572],
        )
        first, second = seats_of(session, [table.id])[table.id]
        assert second.seat.avoids.allergies == {"soya"}
        assert [a.value for a in answers_of(session, [first.id])[first.id]] == [8.0, 6.0]
        (experiment,) = page_of_experiments(session)
        assert [(r.x, r.value) for r in runs_of(session, [experiment.id])[experiment.id]] == [((0.5, 0.5), 6.4)]


def test_its_stock_is_the_sum_of_its_moves(older):
    with older.reading() as session:
        lots = all_lots(session)
        assert lots
        for lot in lots:
            moves = [m.move for m in moves_of_lot(session, lot.id)]
            assert stock_of(moves) == pytest.approx(lot.lot.stock_g, abs=1e-6)


def test_its_batches_come_forward_with_what_was_weighed_bagged_and_held(older, request):
    if request.node.callspec.id < "0010":
        pytest.skip("there were none yet")
    with older.reading() as session:
        (batch,) = page_of_batches(session)
        assert (batch.code, str(batch.state)) == ("26071-1-2", "bagged")
        assert len(weighings_of(session, [batch.id])[batch.id]) == len(batch.targets_g)
        (bag,) = bags_of(session, [batch.id])[batch.id]
        assert (bag.net_g, bag.left_g) == (480.0, 380.0)
        assert is_held(session, batch_id=batch.id)
        assert [p.size for p in prints_of(session, batch.id)] == ["large"]


def test_its_bins_come_forward(older, request):
    if request.node.callspec.id < "0011":
        pytest.skip("there were none yet")
    with older.reading() as session:
        assert [(b.name, b.tare_g, b.stands) for b in bins_seen(session)] == [
            ("Crock", None, "unknown"),
            ("Bin A", 620.0, "clean"),
        ]


# Nine bakes of one loaf as they stood before trials: day, % of flour predicted and poured, set aside or not.
NINE = [
    ("2026-01-21", 80.8, 86.2, 0), ("2026-01-25", 80.8, 89.0, 0), ("2026-01-28", 80.8, 90.5, 0),
    ("2026-02-04", 80.8, 89.3, 0), ("2026-02-11", 80.8, 88.0, 1), ("2026-02-18", 80.8, 90.1, 0),
    ("2026-02-25", 80.8, 89.8, 0), ("2026-03-04", 81.3, 90.9, 0), ("2026-03-11", 80.8, 89.4, 0),
]  # fmt: skip


def test_nine_bakes_teach_the_same_before_and_after_they_became_trials(tmp_path):
    path = tmp_path / "older.db"
    with sqlite3.connect(path) as connection:
        connection.executescript(RELEASED[versions().index("0007")].read_text(encoding="utf-8"))
        connection.execute("DELETE FROM bake")
        for day, predicted, actual, aside in NINE:
            connection.execute(
                "INSERT INTO bake (formula_id, blend, use, family, baked_on, flour_g, poured_g, actual_pct, predicted_pct, "
                "note, withdrawn, created_at) VALUES (1, 'blend:1', 'tin-loaf', 'yeasted', ?, 987.6, 840.3, ?, ?, '', ?, ?)",
                (day, actual, predicted, aside, f"{day}T12:00:00Z"),
            )
    before = learn([Pour(p, a, "blend:1", "yeasted", d) for d, p, a, aside in NINE if not aside], "blend:1", "yeasted")
    kitchen = KitchenStore(path)
    after = learn(kitchen.standing().pours, "blend:1", "yeasted")
    kitchen.close()
    for was, now in zip(before, after, strict=True):
        assert now.factor == pytest.approx(was.factor, abs=1e-12)
        assert now.sd == pytest.approx(was.sd, abs=1e-12)
        assert now.bakes == was.bakes
