"""Houses and their revisions."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None


def upgrade() -> None:
    op.create_table(
        "house",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("touched", sa.Double, nullable=False),
        sa.Column("design", sa.Text, nullable=False),
        sa.Column("record", sa.Text, nullable=False),
    )
    op.create_index("house_touched", "house", [sa.text("touched DESC")])
    op.create_table(
        "revision",
        sa.Column("house_id", sa.String(32), sa.ForeignKey("house.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("version", sa.Integer, primary_key=True),
        sa.Column("made", sa.Double, nullable=False),
        sa.Column("window", sa.String(40), nullable=False),
        sa.Column("gesture", sa.String(40), nullable=False),
        sa.Column("words", sa.Text, nullable=False),
        sa.Column("design", sa.Text, nullable=False),
        sa.Column("record", sa.Text, nullable=False),
    )


def downgrade() -> None:
    op.drop_table("revision")
    op.drop_table("house")
