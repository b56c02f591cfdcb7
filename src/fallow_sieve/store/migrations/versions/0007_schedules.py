"""Schedules with their drafts and revisions; where the kitchen works; starters; what plans taught."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade():
    _documents()
    _append_only()
    op.create_table(
        "workplace",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("zone", sa.String(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    _observations()
    _starters()


def _documents():
    op.create_table(
        "schedule",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("brief_id", sa.Integer(), sa.ForeignKey("brief.id"), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("created_at", sa.String(), nullable=False),
        sa.Column("updated_at", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_index("ix_schedule_brief_id", "schedule", ["brief_id"])
    op.create_table(
        "schedule_draft",
        sa.Column("schedule_id", sa.Integer(), sa.ForeignKey("schedule.id"), primary_key=True),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("updated_at", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_table(
        "schedule_revision",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("schedule_id", sa.Integer(), sa.ForeignKey("schedule.id"), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("why", sa.String(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("kept_at", sa.String(), nullable=False),
        sa.UniqueConstraint("schedule_id", "number", name="uq_schedule_revision_schedule_id_number"),
    )
    op.create_index("ix_schedule_revision_schedule_id", "schedule_revision", ["schedule_id"])


def _append_only():
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER schedule_revision_no_{verb.lower()} BEFORE {verb} ON schedule_revision "
            "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
        )
    op.execute(
        "CREATE TRIGGER schedule_revision_no_replace BEFORE INSERT ON schedule_revision "
        "WHEN EXISTS (SELECT 1 FROM schedule_revision "
        "WHERE id = NEW.id OR (schedule_id = NEW.schedule_id AND number = NEW.number)) "
        "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
    )


def _observations():
    op.create_table(
        "observation",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("schedule_id", sa.Integer(), sa.ForeignKey("schedule.id"), nullable=True),
        sa.Column("learner", sa.String(), nullable=False),
        sa.Column("use", sa.String(), nullable=False),
        sa.Column("formula", sa.String(), nullable=False),
        sa.Column("step", sa.String(), nullable=False),
        sa.Column("expected", sa.Float(), nullable=False),
        sa.Column("seen", sa.Float(), nullable=False),
        sa.Column("seen_at", sa.String(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
    )
    op.create_index("ix_observation_schedule_id", "observation", ["schedule_id"])


def _starters():
    op.create_table(
        "starter",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("school", sa.String(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("created_at", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    op.create_table(
        "feeding",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("starter_id", sa.Integer(), sa.ForeignKey("starter.id"), nullable=False),
        sa.Column("fed_at", sa.String(), nullable=False),
        sa.Column("seed_g", sa.Float(), nullable=False),
        sa.Column("flour_g", sa.Float(), nullable=False),
        sa.Column("water_g", sa.Float(), nullable=False),
        sa.Column("temp_c", sa.Float(), nullable=False),
        sa.Column("peaked_at", sa.String(), nullable=True),
        sa.Column("chilled_at", sa.String(), nullable=True),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
    )
    op.create_index("ix_feeding_starter_id", "feeding", ["starter_id"])


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
