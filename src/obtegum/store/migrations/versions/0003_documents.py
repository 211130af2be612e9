"""What revisions hold is kept once by its content; requests are remembered; undo says what it undid.

Nothing here reads the models of today: an older folder is brought to what this version was, whatever
comes after it. How texts are cut and named is part of the format.
"""

import json

import sqlalchemy as sa
from alembic import op

from obtegum.store.documents import cut, hash_of

revision = "0003"
down_revision = "0002"


def upgrade() -> None:
    op.create_table(
        "document",
        sa.Column("hash", sa.String(22), primary_key=True),
        sa.Column("body", sa.Text, nullable=False),
    )
    op.create_table(
        "house_0003",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("touched", sa.Double, nullable=False),
        sa.Column("shelf", sa.String(10), nullable=False, server_default="standing"),
    )
    op.create_table(
        "revision_0003",
        sa.Column("house_id", sa.String(32), sa.ForeignKey("house_0003.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("version", sa.Integer, primary_key=True),
        sa.Column("made", sa.Double, nullable=False),
        sa.Column("window", sa.String(40), nullable=False),
        sa.Column("gesture", sa.String(40), nullable=False),
        sa.Column("words", sa.Text, nullable=False),
        sa.Column("kind", sa.String(10), nullable=False, server_default="edit"),
        sa.Column("design", sa.String(22), nullable=False),
        sa.Column("record", sa.String(22), nullable=False),
        sa.Column("undoes", sa.Integer, nullable=True),
    )
    op.execute("INSERT INTO house_0003 SELECT id, version, touched, shelf FROM house")
    _carry_revisions()
    # The old revisions go first: a dropped house takes its own with it.
    op.drop_table("revision")
    op.drop_table("house")
    op.rename_table("house_0003", "house")
    op.rename_table("revision_0003", "revision")
    op.create_index("house_touched", "house", [sa.text("touched DESC")])
    op.create_table(
        "request",
        sa.Column("key", sa.String(64), primary_key=True),
        sa.Column("house_id", sa.String(32), sa.ForeignKey("house.id", ondelete="CASCADE"), nullable=False),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("made", sa.Double, nullable=False),
    )
    op.create_index("request_house", "request", ["house_id"])


def _carry_revisions() -> None:
    connection = op.get_bind()
    old = sa.table(
        "revision", *(sa.column(name) for name in ("house_id", "version", "made", "window", "gesture", "words", "kind"))
    )
    texts = sa.table("revision", *(sa.column(name) for name in ("house_id", "version", "design", "record")))
    keep = sa.text("INSERT OR IGNORE INTO document (hash, body) VALUES (:hash, :body)")
    place = sa.text(
        "INSERT INTO revision_0003 VALUES "
        "(:house_id, :version, :made, :window, :gesture, :words, :kind, :design, :record, NULL)"
    )
    before = listed_before = ""
    for row in connection.execute(sa.select(old).order_by(old.c.house_id, old.c.version)).mappings().all():
        design, record = connection.execute(
            sa.select(texts.c.design, texts.c.record).where(
                texts.c.house_id == row["house_id"], texts.c.version == row["version"]
            )
        ).one()
        bodies = [design]
        if record != before:
            pieces = cut(_with_spot_ids(record))
            before, listed_before = record, "\n".join(hash_of(piece) for piece in pieces)
            bodies += [*pieces, listed_before]
        connection.execute(keep, [{"hash": hash_of(body), "body": body} for body in bodies])
        connection.execute(place, {**row, "design": hash_of(design), "record": hash_of(listed_before)})


def _with_spot_ids(record: str) -> str:
    """Spots were a list; each stands under its place in centimetres now, the last one read there."""
    try:
        document = json.loads(record)
        spots = document["levels"]["spots"]
        if not isinstance(spots, list):
            return record
        placed: dict[str, object] = {}
        for spot in spots:
            name = f"{round(spot['x_m'] * 100)}:{round(spot['y_m'] * 100)}"
            placed.pop(name, None)
            placed[name] = spot
    except (ValueError, KeyError, TypeError):
        return record
    document["levels"]["spots"] = placed
    return json.dumps(document, separators=(",", ":"), ensure_ascii=False)


def downgrade() -> None:
    raise NotImplementedError("A folder is not brought back to an older version: its copy from before is beside it.")
