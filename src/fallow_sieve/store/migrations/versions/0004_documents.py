"""A blend's draft and revisions hold its use beside its parts, as one document; ingredients have functions.

A kept revision did not say what the blend was for: it takes over the blend's present use, the only one on record.
"""

import json

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade():
    _drafts()
    _revisions()
    op.execute('ALTER TABLE blend DROP COLUMN "use"')
    op.add_column("ingredient", sa.Column("functions", sa.JSON(), nullable=False, server_default="[]"))


def _drafts():
    op.add_column("draft", sa.Column("content", sa.JSON(), nullable=False, server_default="{}"))
    _fill("draft", "blend_id")
    op.execute("ALTER TABLE draft DROP COLUMN parts")


def _revisions():
    """Append-only but for this: the triggers stand aside while the same parts take their new place."""
    for verb in ("update", "delete"):
        op.execute(f"DROP TRIGGER revision_no_{verb}")
    op.add_column("revision", sa.Column("content", sa.JSON(), nullable=False, server_default="{}"))
    _fill("revision", "id")
    op.execute("ALTER TABLE revision DROP COLUMN parts")
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER revision_no_{verb.lower()} BEFORE {verb} ON revision "
            "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
        )


def _fill(table, key):
    connection = op.get_bind()
    query = f"SELECT t.{key}, t.parts, b.use FROM {table} t JOIN blend b ON b.id = t.blend_id"
    for row_id, parts, use in connection.exec_driver_sql(query).all():
        content = json.dumps({"use": use, "parts": json.loads(parts)}, ensure_ascii=False)
        connection.exec_driver_sql(f"UPDATE {table} SET content = ? WHERE {key} = ?", (content, row_id))


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
