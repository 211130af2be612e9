"""What kind of change a revision was, and where a house is kept: standing, put away or deleted."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"


def upgrade() -> None:
    with op.batch_alter_table("revision") as table:
        table.add_column(sa.Column("kind", sa.String(10), nullable=False, server_default="edit"))
    with op.batch_alter_table("house") as table:
        table.add_column(sa.Column("shelf", sa.String(10), nullable=False, server_default="standing"))
    op.execute("UPDATE revision SET kind = 'start' WHERE version = 1")


def downgrade() -> None:
    with op.batch_alter_table("revision") as table:
        table.drop_column("kind")
    with op.batch_alter_table("house") as table:
        table.drop_column("shelf")
