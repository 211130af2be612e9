"""Tables: houses, every revision that led to them, what the revisions hold, and the requests that made them."""

from sqlalchemy import ForeignKey, Index, LargeBinary, String, Text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

__all__ = ["Base", "DocumentRow", "HouseRow", "ImageRow", "RequestRow", "RevisionRow", "YardRow"]


class Base(DeclarativeBase):
    """All tables of the data folder."""


class DocumentRow(Base):
    """A text kept once, by the hash of its content; see `obtegum.store.documents`."""

    __tablename__ = "document"

    hash: Mapped[str] = mapped_column(String(22), primary_key=True)
    body: Mapped[str] = mapped_column(Text)


class HouseRow(Base):
    """A house, the version it is at, and its shelf (standing, put away, deleted)."""

    __tablename__ = "house"

    id: Mapped[str] = mapped_column(String(32), primary_key=True)
    version: Mapped[int]
    touched: Mapped[float]
    shelf: Mapped[str] = mapped_column(String(10), server_default="standing")


class RevisionRow(Base):
    """One change: the house after it, what was done in words, and which window did it.

    ``design`` and ``record`` name documents. ``undoes`` is the last version of the gesture that was
    undone or made again; ``seal`` is the hash of what else the row says (`obtegum.store.seals`).
    """

    __tablename__ = "revision"

    house_id: Mapped[str] = mapped_column(ForeignKey("house.id", ondelete="CASCADE"), primary_key=True)
    version: Mapped[int] = mapped_column(primary_key=True)
    made: Mapped[float]
    window: Mapped[str] = mapped_column(String(40))
    gesture: Mapped[str] = mapped_column(String(40))
    words: Mapped[str] = mapped_column(Text)
    kind: Mapped[str] = mapped_column(String(10), server_default="edit")
    design: Mapped[str] = mapped_column(String(22))
    record: Mapped[str] = mapped_column(String(22))
    undoes: Mapped[int | None]
    seal: Mapped[str | None] = mapped_column(String(22))


class RequestRow(Base):
    """A request that was carried out, by the name its sender gave it: sent again, it gets the same answer."""

    __tablename__ = "request"

    key: Mapped[str] = mapped_column(String(64), primary_key=True)
    house_id: Mapped[str] = mapped_column(ForeignKey("house.id", ondelete="CASCADE"))
    version: Mapped[int]
    made: Mapped[float]


class YardRow(Base):
    """How a house stands in the yard, found at a version by the rules of the job of that name."""

    __tablename__ = "yard"

    house_id: Mapped[str] = mapped_column(ForeignKey("house.id", ondelete="CASCADE"), primary_key=True)
    version: Mapped[int]
    rules: Mapped[str] = mapped_column(String(22))
    body: Mapped[str] = mapped_column(Text)


class ImageRow(Base):
    """A picture of the work on a house, as JPEG, by the hash of its content; records name it."""

    __tablename__ = "image"

    house_id: Mapped[str] = mapped_column(ForeignKey("house.id", ondelete="CASCADE"), primary_key=True)
    name: Mapped[str] = mapped_column(String(32), primary_key=True)
    body: Mapped[bytes] = mapped_column(LargeBinary)


Index("house_touched", HouseRow.touched.desc())
Index("request_house", RequestRow.house_id)
