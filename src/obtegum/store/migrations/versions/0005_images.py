"""Pictures of the work are kept beside the records that name them."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.create_table(
        "image",
        sa.Column("house_id", sa.String(32), sa.ForeignKey("house.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("name", sa.String(32), primary_key=True),
        sa.Column("body", sa.LargeBinary, nullable=False),
    )


def downgrade() -> None:
    raise NotImplementedError("A folder is not brought back to an older version: its copy from before is beside it.")
