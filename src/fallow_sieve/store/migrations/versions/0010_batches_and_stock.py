"""Batches with weighings, bags and labels; stock as the sum of its moves, which begin with what was there."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade():
    _batches()
    _made()
    _stock()
    _lots()
    _append_only("weighing", "batch_step", "label_print", "stock_move")
    op.execute(
        "INSERT INTO stock_move (lot_id, kind, mass_g, at, why, where_to) "
        "SELECT id, 'opening', stock_g, coalesce(bought_on, ''), '', '' FROM lot WHERE stock_g <> 0"
    )


def _texts(*names):
    return (sa.Column(n, sa.String(), nullable=False) for n in names)


def _key():
    return sa.Column("id", sa.Integer(), primary_key=True)


def _of(table, *, name="", nullable=False):
    return sa.Column(name or f"{table}_id", sa.Integer(), sa.ForeignKey(f"{table}.id"), nullable=nullable)


def _numbers(*names, nullable=False):
    return (sa.Column(n, sa.Float(), nullable=nullable) for n in names)


def _batches():
    op.create_table(
        "batch",
        _key(),
        *_texts("code"),
        _of("blend", nullable=True),
        sa.Column("revision", sa.Integer(), nullable=False),
        *_texts("name"),
        sa.Column("use", sa.String(), nullable=True),
        *(sa.Column(n, sa.JSON(), nullable=False) for n in ("parts", "wanted", "targets", "making")),
        *_texts("state", "made_on", "note"),
        sa.Column("archived", sa.Boolean(), nullable=False),
        *_texts("created_at", "updated_at"),
        sa.Column("version", sa.Integer(), nullable=False),
    )
    for column in ("code", "blend_id"):
        op.create_index(f"ix_batch_{column}", "batch", [column])


def _made():
    op.create_table(
        "weighing",
        _key(),
        _of("batch"),
        sa.Column("key", sa.String(), nullable=False),
        *_texts("ingredient"),
        _of("lot", nullable=True),
        *_numbers("target_g", "tolerance_g", "gross_g", "tare_g", "net_g"),
        *_texts("scale"),
        *_numbers("step_g"),
        sa.Column("typed", sa.Boolean(), nullable=False),
        *_texts("at"),
        _of("weighing", name="voids", nullable=True),
        *_texts("why"),
        sa.UniqueConstraint("key"),
    )
    op.create_table(
        "batch_step",
        _key(),
        _of("batch"),
        *_texts("kind"),
        *_numbers("minutes", nullable=True),
        sa.Column("said", sa.JSON(), nullable=False),
        *_texts("note", "at"),
    )
    op.create_table(
        "bag",
        _key(),
        _of("batch"),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("is_bin", sa.Boolean(), nullable=False),
        *_numbers("size_g", "net_g", "left_g"),
        *_texts("place"),
        *(sa.Column(n, sa.String(), nullable=True) for n in ("opened_on", "emptied_on", "cleaned_on")),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.UniqueConstraint("batch_id", "number"),
    )
    op.create_table(
        "label_print",
        _key(),
        _of("batch"),
        *_texts("kind", "at", "scheme", "language", "size"),
        sa.Column("lines", sa.JSON(), nullable=False),
        *_texts("evidence"),
    )
    for table in ("weighing", "batch_step", "bag", "label_print"):
        op.create_index(f"ix_{table}_batch_id", table, ["batch_id"])
    op.create_index("ix_weighing_lot_id", "weighing", ["lot_id"])


def _stock():
    op.create_table(
        "stock_move",
        _key(),
        *(_of(t, nullable=True) for t in ("lot", "bag", "batch", "trial")),
        *_texts("kind"),
        *_numbers("mass_g"),
        *_texts("at", "why", "where_to"),
    )
    for column in ("lot_id", "bag_id", "batch_id"):
        op.create_index(f"ix_stock_move_{column}", "stock_move", [column])
    op.create_table(
        "hold",
        _key(),
        *(_of(t, nullable=True) for t in ("lot", "batch")),
        _of("lot", name="with_lot_id", nullable=True),
        *_texts("since", "why"),
        sa.Column("recalled", sa.Boolean(), nullable=False),
        *_texts("released_at", "released_why"),
    )
    for column in ("lot_id", "batch_id"):
        op.create_index(f"ix_hold_{column}", "hold", [column])
    op.create_table(
        "drill",
        _key(),
        _of("lot"),
        *_texts("begun_at", "ended_at"),
        *_numbers("found_g", "wanted_g", nullable=True),
        *_texts("missing"),
    )


def _lots():
    for name in ("opened_on", "milled_on"):
        op.add_column("lot", sa.Column(name, sa.String(), nullable=True))
    op.add_column("lot", sa.Column("supplier_code", sa.String(), nullable=False, server_default=""))
    op.add_column("kitchen", sa.Column("bulk", sa.JSON(), nullable=False, server_default="{}"))


def _append_only(*tables):
    for table in tables:
        for event in ("UPDATE", "DELETE"):
            op.execute(
                f"CREATE TRIGGER {table}_no_{event.lower()} BEFORE {event} ON {table} "
                f"BEGIN SELECT RAISE(ABORT, 'what is in {table} is only added to'); END"
            )


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
