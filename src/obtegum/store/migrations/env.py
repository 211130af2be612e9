"""Alembic's entry: runs on the connection that `open_store` hands over."""

from alembic import context

from obtegum.store.models import Base

context.configure(
    connection=context.config.attributes["connection"],
    target_metadata=Base.metadata,
    render_as_batch=True,
    # The transaction that `open_store` began holds it all, the version's number too.
    transactional_ddl=True,
    transaction_per_migration=False,
)
with context.begin_transaction():
    context.run_migrations()
