"""What a revision's row says is sealed, so that damage to it is told."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    op.add_column("revision", sa.Column("seal", sa.String(22)))


def downgrade() -> None:
    raise NotImplementedError("A folder is not brought back to an older version: its copy from before is beside it.")
