"""The kitchen's own words, and its school of thickening."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade():
    op.create_table(
        "kitchen_word",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("phrase", sa.String(), nullable=False, unique=True),
        sa.Column("ingredient", sa.String(), nullable=False),
        sa.Column("said_on", sa.String(), nullable=False),
    )
    op.add_column("kitchen", sa.Column("thickener_school", sa.String(), nullable=False, server_default="by-power"))


def downgrade():
    raise NotImplementedError("migrations go forward only: restore a backup instead")
