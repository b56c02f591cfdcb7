"""Formulas with their drafts and revisions, and the water that went into bakes."""

import sqlalchemy as sa
import sqlmodel
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None

TEXT = sqlmodel.sql.sqltypes.AutoString


def upgrade():
    op.create_table(
        "formula",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("brief_id", sa.Integer(), nullable=True),
        sa.Column("name", TEXT(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("created_at", TEXT(), nullable=False),
        sa.Column("updated_at", TEXT(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["brief_id"], ["brief.id"], name=op.f("fk_formula_brief_id_brief")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_formula")),
    )
    op.create_index(op.f("ix_formula_brief_id"), "formula", ["brief_id"])
    op.create_table(
        "formula_draft",
        sa.Column("formula_id", sa.Integer(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("updated_at", TEXT(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["formula_id"], ["formula.id"], name=op.f("fk_formula_draft_formula_id_formula")),
        sa.PrimaryKeyConstraint("formula_id", name=op.f("pk_formula_draft")),
    )
    _revisions()
    _bakes()


def _revisions():
    op.create_table(
        "formula_revision",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("formula_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("content", sa.JSON(), nullable=False),
        sa.Column("why", TEXT(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("kept_at", TEXT(), nullable=False),
        sa.ForeignKeyConstraint(["formula_id"], ["formula.id"], name=op.f("fk_formula_revision_formula_id_formula")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_formula_revision")),
        sa.UniqueConstraint("formula_id", "number", name="uq_formula_revision_formula_id_number"),
    )
    op.create_index(op.f("ix_formula_revision_formula_id"), "formula_revision", ["formula_id"])
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER formula_revision_no_{verb.lower()} BEFORE {verb} ON formula_revision "
            "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
        )


def _bakes():
    op.create_table(
        "bake",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("formula_id", sa.Integer(), nullable=False),
        sa.Column("blend", TEXT(), nullable=False),
        sa.Column("use", TEXT(), nullable=False),
        sa.Column("family", TEXT(), nullable=False),
        sa.Column("baked_on", TEXT(), nullable=False),
        sa.Column("flour_g", sa.Float(), nullable=False),
        sa.Column("poured_g", sa.Float(), nullable=False),
        sa.Column("actual_pct", sa.Float(), nullable=False),
        sa.Column("predicted_pct", sa.Float(), nullable=False),
        sa.Column("note", TEXT(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
        sa.Column("created_at", TEXT(), nullable=False),
        sa.ForeignKeyConstraint(["formula_id"], ["formula.id"], name=op.f("fk_bake_formula_id_formula")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_bake")),
    )
    op.create_index(op.f("ix_bake_formula_id"), "bake", ["formula_id"])


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
