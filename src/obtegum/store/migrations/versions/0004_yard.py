"""How a house stands in the yard is kept with the version and the rules that it was found by."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    op.create_table(
        "yard",
        sa.Column("house_id", sa.String(32), sa.ForeignKey("house.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("rules", sa.String(22), nullable=False),
        sa.Column("body", sa.Text, nullable=False),
    )


def downgrade() -> None:
    raise NotImplementedError("A folder is not brought back to an older version: its copy from before is beside it.")
