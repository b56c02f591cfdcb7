"""Trials with readings, photos, steps and sheets; the pours that were on record become trials with one reading."""

import json

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade():
    op.add_column("kitchen", sa.Column("trials_version", sa.Integer(), nullable=False, server_default="1"))
    _trial()
    _reading()
    _others()
    _bakes_become_trials()
    op.drop_table("bake")
    _append_only()


def _trial():
    op.create_table(
        "trial",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("formula_id", sa.Integer(), sa.ForeignKey("formula.id"), nullable=False),
        sa.Column("formula_revision", sa.Integer(), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("plan", sa.JSON(), nullable=False),
        sa.Column("setup", sa.JSON(), nullable=False),
        sa.Column("because", sa.JSON(), nullable=False),
        sa.Column("blend", sa.String(), nullable=False),
        sa.Column("use", sa.String(), nullable=False),
        sa.Column("family", sa.String(), nullable=False),
        sa.Column("baked_on", sa.String(), nullable=False),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("parent_id", sa.Integer(), sa.ForeignKey("trial.id"), nullable=True),
        sa.Column("dough_of", sa.Integer(), sa.ForeignKey("trial.id"), nullable=True),
        sa.Column("kept_h", sa.Float(), nullable=True),
        sa.Column("kept_c", sa.Float(), nullable=True),
        sa.Column("schedule_id", sa.Integer(), sa.ForeignKey("schedule.id"), nullable=True),
        sa.Column("set_aside", sa.Boolean(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
        sa.Column("created_at", sa.String(), nullable=False),
        sa.Column("updated_at", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_index("ix_trial_formula_id", "trial", ["formula_id"])
    op.create_index("ix_trial_parent_id", "trial", ["parent_id"])


def _reading():
    op.create_table(
        "reading",
        sa.Column("id", sa.String(), primary_key=True),
        sa.Column("trial_id", sa.Integer(), sa.ForeignKey("trial.id"), nullable=False),
        sa.Column("quantity", sa.String(), nullable=False),
        sa.Column("value", sa.Float(), nullable=True),
        sa.Column("arm", sa.String(), nullable=False),
        sa.Column("method", sa.String(), nullable=False),
        sa.Column("n", sa.Integer(), nullable=False),
        sa.Column("sd", sa.Float(), nullable=True),
        sa.Column("day", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
        sa.Column("replaces", sa.String(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
    )
    op.create_index("ix_reading_trial_id", "reading", ["trial_id"])
    op.create_index("ix_reading_quantity", "reading", ["quantity"])


def _others():
    op.create_table(
        "photo",
        sa.Column("id", sa.String(), primary_key=True),
        sa.Column("trial_id", sa.Integer(), sa.ForeignKey("trial.id"), nullable=False),
        sa.Column("moment", sa.String(), nullable=False),
        sa.Column("arm", sa.String(), nullable=False),
        sa.Column("picture", sa.LargeBinary(), nullable=False),
        sa.Column("thumbnail", sa.LargeBinary(), nullable=False),
        sa.Column("width", sa.Integer(), nullable=False),
        sa.Column("height", sa.Integer(), nullable=False),
        sa.Column("at", sa.String(), nullable=False),
    )
    op.create_index("ix_photo_trial_id", "photo", ["trial_id"])
    op.create_table(
        "step",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("from_trial", sa.Integer(), sa.ForeignKey("trial.id"), nullable=False),
        sa.Column("to_trial", sa.Integer(), sa.ForeignKey("trial.id"), nullable=False),
        sa.Column("fault", sa.String(), nullable=False),
        sa.Column("cause", sa.String(), nullable=False),
        sa.Column("change", sa.String(), nullable=False),
        sa.Column("found_by_hand", sa.String(), nullable=False),
        sa.Column("created_at", sa.String(), nullable=False),
    )
    op.create_index("ix_step_from_trial", "step", ["from_trial"])
    op.create_index("ix_step_to_trial", "step", ["to_trial"])
    op.create_table(
        "sheet",
        sa.Column("token_hash", sa.String(), primary_key=True),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("about_id", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.String(), nullable=False),
        sa.Column("ends_at", sa.String(), nullable=False),
    )


_BAKES = (
    "SELECT b.id, b.formula_id, b.blend, b.use, b.family, b.baked_on, b.flour_g, b.poured_g, b.actual_pct, "
    "b.predicted_pct, b.note, b.withdrawn, b.created_at, f.name, d.content FROM bake b "
    "JOIN formula f ON f.id = b.formula_id JOIN formula_draft d ON d.formula_id = b.formula_id ORDER BY b.id"
)
_KEPT = "SELECT number, content FROM formula_revision WHERE formula_id = ? ORDER BY number"
_OF_THE_DAY = (
    "SELECT number, content FROM formula_revision WHERE formula_id = ? AND substr(kept_at, 1, 10) <= ? "
    "ORDER BY number DESC LIMIT 1"
)


def _bakes_become_trials():
    """Each pour becomes a trial on its formula's revision of that day, or the first, with one reading."""
    ask = op.get_bind().exec_driver_sql
    for row in ask(_BAKES).all():
        (
            bake,
            formula,
            blend,
            use,
            family,
            on,
            flour,
            poured,
            actual,
            predicted,
            note,
            withdrawn,
            made,
            name,
            draft,
        ) = row
        kept = ask(_OF_THE_DAY, (formula, on)).first() or ask(_KEPT, (formula,)).first()
        number, content = kept if kept is not None else (None, draft)
        plan = {
            "predicted_pct": [predicted, None, None, "thirst and binder"],
            "flour_g": [flour, None, None, "the formula"],
            "other_water_g": [actual * flour / 100 - poured, None, None, "the formula"],
        }
        ask(
            "INSERT INTO trial (id, formula_id, formula_revision, name, content, plan, setup, because, blend, use, "
            "family, baked_on, note, set_aside, withdrawn, created_at, updated_at, version) "
            "VALUES (?, ?, ?, ?, ?, ?, '{}', '{}', ?, ?, ?, ?, ?, ?, 0, ?, ?, 1)",
            (
                bake,
                formula,
                number,
                name,
                content,
                json.dumps(plan),
                blend,
                use,
                family,
                on,
                note,
                withdrawn,
                made,
                made,
            ),
        )
        ask(
            "INSERT INTO reading (id, trial_id, quantity, value, arm, method, n, day, at, replaces, withdrawn) "
            "VALUES (?, ?, 'water_poured_g', ?, '', '', 1, 0, ?, '', 0)",
            (f"bake-{bake}", bake, poured, made),
        )


def _append_only():
    for table in ("trial", "step", "reading"):
        op.execute(
            f"CREATE TRIGGER {table}_no_delete BEFORE DELETE ON {table} "
            f"BEGIN SELECT RAISE(ABORT, '{table}s are never deleted'); END"
        )
        op.execute(
            f"CREATE TRIGGER {table}_no_replace BEFORE INSERT ON {table} "
            f"WHEN EXISTS (SELECT 1 FROM {table} WHERE id = NEW.id) "
            f"BEGIN SELECT RAISE(ABORT, '{table}s are never replaced'); END"
        )
    op.execute(
        "CREATE TRIGGER reading_no_update BEFORE UPDATE OF id, trial_id, quantity, value, arm, method, n, sd, day, at, "
        "replaces ON reading BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END"
    )


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
