"""First tables"""

import sqlalchemy as sa
import sqlmodel
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade():
    op.create_table(
        "brief",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("use", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("eaters", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("aim", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("note", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("limits", sa.JSON(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("created_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("updated_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_brief")),
    )
    op.create_table(
        "ingredient",
        sa.Column("slug", sqlmodel.sql.sqltypes.AutoString(length=80), nullable=False),
        sa.Column("name", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("role", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("origin", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("flavour_words", sa.JSON(), nullable=False),
        sa.Column("allergens", sa.JSON(), nullable=False),
        sa.Column("watch", sa.JSON(), nullable=False),
        sa.Column("gluten_risk", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("usual_max_pct", sa.Float(), nullable=True),
        sa.Column("usual_max_reason", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("confidence", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("slug", name=op.f("pk_ingredient")),
    )
    op.create_table(
        "kitchen",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("cup", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("tablespoon", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("mass_unit", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("temp_unit", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("energy_unit", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("currency", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("binder_school", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("store_temp_c", sa.Float(), nullable=False),
        sa.Column("serving_g", sa.Float(), nullable=False),
        sa.Column("library_version", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("shelf_version", sa.Integer(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_kitchen")),
    )
    op.create_table(
        "alias",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("ingredient", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("alias", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("place", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_alias_ingredient_ingredient")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_alias")),
    )
    with op.batch_alter_table("alias", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_alias_ingredient"), ["ingredient"], unique=False)

    op.create_table(
        "blend",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("brief_id", sa.Integer(), nullable=True),
        sa.Column("name", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("use", sqlmodel.sql.sqltypes.AutoString(), nullable=True),
        sa.Column("archived", sa.Boolean(), nullable=False),
        sa.Column("created_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("updated_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["brief_id"], ["brief.id"], name=op.f("fk_blend_brief_id_brief")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_blend")),
    )
    with op.batch_alter_table("blend", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_blend_brief_id"), ["brief_id"], unique=False)

    op.create_table(
        "fact",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("ingredient", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("layer", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("field", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("low", sa.Float(), nullable=False),
        sa.Column("typical", sa.Float(), nullable=False),
        sa.Column("high", sa.Float(), nullable=False),
        sa.Column("quality", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("source", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_fact_ingredient_ingredient")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_fact")),
        sa.UniqueConstraint("ingredient", "layer", "field", name="uq_fact_ingredient_layer_field"),
    )
    with op.batch_alter_table("fact", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_fact_ingredient"), ["ingredient"], unique=False)

    op.create_table(
        "lot",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("ingredient", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("code", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("supplier", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("bought_g", sa.Float(), nullable=False),
        sa.Column("stock_g", sa.Float(), nullable=False),
        sa.Column("price_per_kg", sa.Float(), nullable=True),
        sa.Column("best_before", sqlmodel.sql.sqltypes.AutoString(), nullable=True),
        sa.Column("gluten_mg_per_kg", sa.Float(), nullable=True),
        sa.Column("gluten_basis", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.ForeignKeyConstraint(["ingredient"], ["ingredient.slug"], name=op.f("fk_lot_ingredient_ingredient")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_lot")),
    )
    with op.batch_alter_table("lot", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_lot_ingredient"), ["ingredient"], unique=False)

    op.create_table(
        "draft",
        sa.Column("blend_id", sa.Integer(), nullable=False),
        sa.Column("parts", sa.JSON(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("updated_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(["blend_id"], ["blend.id"], name=op.f("fk_draft_blend_id_blend")),
        sa.PrimaryKeyConstraint("blend_id", name=op.f("pk_draft")),
    )
    op.create_table(
        "revision",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("blend_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("parts", sa.JSON(), nullable=False),
        sa.Column("why", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.Column("based_on", sa.Integer(), nullable=True),
        sa.Column("kept_at", sqlmodel.sql.sqltypes.AutoString(), nullable=False),
        sa.ForeignKeyConstraint(["blend_id"], ["blend.id"], name=op.f("fk_revision_blend_id_blend")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_revision")),
        sa.UniqueConstraint("blend_id", "number", name="uq_revision_blend_id_number"),
    )
    with op.batch_alter_table("revision", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_revision_blend_id"), ["blend_id"], unique=False)
    # A revision is a record of what was tried: the database itself refuses to change or lose one.
    for verb in ("UPDATE", "DELETE"):
        op.execute(
            f"CREATE TRIGGER revision_no_{verb.lower()} BEFORE {verb} ON revision "
            "BEGIN SELECT RAISE(ABORT, 'revisions are append-only'); END"
        )
