"""Tastings with seats, answers and a log, frozen when a table was unblinded; experiments with their bakes."""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade():
    _tables()
    op.create_index("ix_seat_tasting_id", "seat", ["tasting_id"])
    op.create_index("ix_tasting_log_tasting_id", "tasting_log", ["tasting_id"])
    _frozen()
    _experiments()


def _tables():
    texts = ("note", "created_at", "updated_at", "opened_at", "closed_at", "unblinded_at", "unblinded_by")
    op.create_table(
        "tasting",
        sa.Column("id", sa.Integer(), primary_key=True),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("name", "stage")),
        *(sa.Column(n, sa.JSON(), nullable=False) for n in ("samples", "asked", "plates")),
        *(sa.Column(n, sa.String(), nullable=False) for n in texts),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_table(
        "seat",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("tasting_id", sa.Integer(), sa.ForeignKey("tasting.id"), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        *(sa.Column(n, sa.JSON(), nullable=False) for n in ("avoids", "left_out", "lifted", "plates")),
        sa.Column("asked", sa.Boolean(), nullable=False),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("begun_at", "handed_in_at", "dropped")),
        sa.UniqueConstraint("tasting_id", "number"),
    )
    op.create_table(
        "seat_answer",
        sa.Column("seat_id", sa.Integer(), sa.ForeignKey("seat.id"), primary_key=True),
        sa.Column("plate", sa.Integer(), primary_key=True),
        sa.Column("method", sa.String(), primary_key=True),
        sa.Column("attribute", sa.String(), primary_key=True),
        sa.Column("late", sa.Boolean(), primary_key=True),
        sa.Column("value", sa.Float(), nullable=True),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("text", "at")),
    )
    op.create_table(
        "tasting_log",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("tasting_id", sa.Integer(), sa.ForeignKey("tasting.id"), nullable=False),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("at", "what", "who", "detail")),
    )


def _frozen():
    for event in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER tasting_log_no_{event.lower()} BEFORE {event} ON tasting_log "
            "BEGIN SELECT RAISE(ABORT, 'the log of a tasting is append-only'); END"
        )
    for event, row in (("INSERT", "NEW"), ("UPDATE", "OLD"), ("DELETE", "OLD")):
        op.execute(
            f"CREATE TRIGGER seat_answer_frozen_{event.lower()} BEFORE {event} ON seat_answer "
            f"WHEN NOT {row}.late AND EXISTS (SELECT 1 FROM seat JOIN tasting ON tasting.id = seat.tasting_id "
            f"WHERE seat.id = {row}.seat_id AND tasting.stage = 'unblinded') "
            "BEGIN SELECT RAISE(ABORT, 'answers are frozen once a table was unblinded'); END"
        )


def _experiments():
    op.create_table(
        "experiment",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("formula_id", sa.Integer(), sa.ForeignKey("formula.id"), nullable=False),
        *(sa.Column(n, sa.JSON(), nullable=False) for n in ("content", "asked")),
        sa.Column("blend_id", sa.Integer(), sa.ForeignKey("blend.id"), nullable=True),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("note", "created_at", "updated_at")),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_index("ix_experiment_formula_id", "experiment", ["formula_id"])
    op.create_table(
        "experiment_run",
        sa.Column("experiment_id", sa.Integer(), sa.ForeignKey("experiment.id"), primary_key=True),
        sa.Column("number", sa.Integer(), primary_key=True),
        sa.Column("day", sa.Integer(), nullable=False),
        sa.Column("x", sa.JSON(), nullable=False),
        sa.Column("replicate_of", sa.Integer(), nullable=True),
        sa.Column("asked_by", sa.String(), nullable=False),
        sa.Column("trial_id", sa.Integer(), sa.ForeignKey("trial.id"), nullable=True),
        *(sa.Column(n, sa.Float(), nullable=True) for n in ("value", "se")),
        sa.Column("failed", sa.Boolean(), nullable=False),
        sa.Column("seen", sa.String(), nullable=False),
    )


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
