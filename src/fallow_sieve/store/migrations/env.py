"""Runs the migrations on the connection that the application hands over."""

import sqlmodel
from alembic import context

import fallow_sieve.store.tables  # noqa: F401

connection = context.config.attributes["connection"]
context.configure(
    connection=connection,
    target_metadata=sqlmodel.SQLModel.metadata,
    render_as_batch=True,
    compare_type=True,
)
with context.begin_transaction():
    context.run_migrations()
