"""Own numbers: one document for each layer of an ingredient or lot; lots in full; label panels and bench tests."""

import json

import sqlalchemy as sa
import sqlmodel
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None

TEXT = sqlmodel.sql.sqltypes.AutoString


def upgrade():
    _numbers()
    _ingredients_and_lots()
    op.create_table(
        "panel",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("ingredient", TEXT(), nullable=False),
        sa.Column("lot_id", sa.Integer(), nullable=True),
        sa.Column("read_on", TEXT(), nullable=False),
        sa.Column("typed", sa.JSON(), nullable=False),
        sa.Column("gives", sa.JSON(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
        sa.Column("created_at", TEXT(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_panel_ingredient_ingredient")),
        sa.ForeignKeyConstraint(["lot_id"], ["lot.id"], name=op.f("fk_panel_lot_id_lot")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_panel")),
    )
    op.create_index(op.f("ix_panel_ingredient"), "panel", ["ingredient"])
    op.create_table(
        "bench_test",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("kind", TEXT(), nullable=False),
        sa.Column("ingredient", TEXT(), nullable=True),
        sa.Column("lot_id", sa.Integer(), nullable=True),
        sa.Column("taken_on", TEXT(), nullable=False),
        sa.Column("note", TEXT(), nullable=False),
        sa.Column("readings", sa.JSON(), nullable=False),
        sa.Column("gives", sa.JSON(), nullable=False),
        sa.Column("withdrawn", sa.Boolean(), nullable=False),
        sa.Column("created_at", TEXT(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_bench_test_ingredient_ingredient")),
        sa.ForeignKeyConstraint(["lot_id"], ["lot.id"], name=op.f("fk_bench_test_lot_id_lot")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_bench_test")),
    )
    op.create_index(op.f("ix_bench_test_ingredient"), "bench_test", ["ingredient"])


def _numbers():
    op.create_table(
        "numbers",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("ingredient", TEXT(), nullable=False),
        sa.Column("lot_id", sa.Integer(), nullable=True),
        sa.Column("layer", TEXT(), nullable=False),
        sa.Column("facts", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_numbers_ingredient_ingredient")),
        sa.ForeignKeyConstraint(["lot_id"], ["lot.id"], name=op.f("fk_numbers_lot_id_lot")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_numbers")),
    )
    _carry_over_own_facts(op.get_bind())
    op.drop_table("fact")
    # Two indexes, as one over all three columns takes two rows without a lot for different ones.
    op.create_index(
        "uq_numbers_ingredient", "numbers", ["ingredient", "layer"], unique=True, sqlite_where=sa.text("lot_id IS NULL")
    )
    op.create_index("uq_numbers_lot_id", "numbers", ["lot_id", "layer"], unique=True)


def _carry_over_own_facts(connection):
    """The library's own facts are loaded anew (its mark is cleared); the user's are kept."""
    own = {}
    query = sa.text("SELECT ingredient, field, low, typical, high, quality, source FROM fact WHERE layer = 'own'")
    for ingredient, field, low, typical, high, quality, source in connection.execute(query):
        own.setdefault(ingredient, {})[field] = [low, typical, high, quality, source, ""]
    insert = sa.text("INSERT INTO numbers (ingredient, layer, facts) VALUES (:ingredient, 'own', :facts)")
    for ingredient, facts in own.items():
        connection.execute(insert, {"ingredient": ingredient, "facts": json.dumps(facts, ensure_ascii=False)})
    connection.execute(sa.text("UPDATE kitchen SET library_version = ''"))


def _ingredients_and_lots():
    with op.batch_alter_table("ingredient") as batch:
        batch.add_column(sa.Column("version", sa.Integer(), nullable=False, server_default="1"))
        batch.add_column(sa.Column("touched", sa.Integer(), nullable=False, server_default="0"))
    with op.batch_alter_table("lot") as batch:
        batch.add_column(sa.Column("bought_on", TEXT(), nullable=True))
        batch.add_column(sa.Column("pack_g", sa.Float(), nullable=True))
        batch.add_column(sa.Column("pack_price", sa.Float(), nullable=True))
        batch.add_column(sa.Column("yield_pct", sa.Float(), nullable=False, server_default="100"))
        batch.add_column(sa.Column("gluten_on", TEXT(), nullable=True))
        batch.add_column(sa.Column("note", TEXT(), nullable=False, server_default=""))
        batch.add_column(sa.Column("archived", sa.Boolean(), nullable=False, server_default="0"))
        batch.add_column(sa.Column("version", sa.Integer(), nullable=False, server_default="1"))
    op.create_index(op.f("ix_ingredient_touched"), "ingredient", ["touched"])


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
