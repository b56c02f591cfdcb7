"""Revisions cannot be replaced either; what is kept of judgements; an index by use."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

_OWNERS = {"revision": "blend_id", "formula_revision": "formula_id"}


def upgrade():
    for table, owner in _OWNERS.items():
        op.execute(
            f"CREATE TRIGGER {table}_no_replace BEFORE INSERT ON {table} "
            f"WHEN EXISTS (SELECT 1 FROM {table} "
            f"WHERE id = NEW.id OR ({owner} = NEW.{owner} AND number = NEW.number)) "
            "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
        )
    op.create_table(
        "kept_standing",
        sa.Column("kind", sa.String(), primary_key=True),
        sa.Column("document_id", sa.Integer(), primary_key=True),
        sa.Column("mark", sa.String(), nullable=False),
        sa.Column("found", sa.JSON(), nullable=False),
    )


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
