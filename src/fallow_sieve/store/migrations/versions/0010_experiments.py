"""Experiments with their bakes."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade():
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
