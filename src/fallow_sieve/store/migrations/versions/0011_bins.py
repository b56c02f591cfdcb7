"""Bins as things of their own; a mix drawn into another; a move that takes another back."""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None

# Written out: a table that is only added to keeps its triggers only if it is not made anew.
_NEW_COLUMNS = (("bag", "bin_id", "bin"), ("weighing", "bag_id", "bag"), ("stock_move", "undoes", "stock_move"))


def upgrade():
    op.create_table(
        "bin",
        sa.Column("id", sa.Integer(), primary_key=True),
        *(sa.Column(n, sa.String(), nullable=False) for n in ("name", "place")),
        *(sa.Column(n, sa.Float(), nullable=True) for n in ("capacity_g", "tare_g")),
        sa.Column("cleaned_at", sa.String(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.UniqueConstraint("name"),
    )
    for table, column, of in _NEW_COLUMNS:
        op.execute(f"ALTER TABLE {table} ADD COLUMN {column} INTEGER REFERENCES {of}(id)")
        op.create_index(f"ix_{table}_{column}", table, [column])


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
