"""Tables: houses as they stand, and every revision that led there."""

from sqlalchemy import ForeignKey, Index, String, Text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

__all__ = ["Base", "HouseRow", "RevisionRow"]


class Base(DeclarativeBase):
    """All tables of the data folder."""


class HouseRow(Base):
    """A house as it stands, on its shelf (standing, put away, deleted).

    ``design`` and ``record`` are JSON documents of the core's own models.
    """

    __tablename__ = "house"

    id: Mapped[str] = mapped_column(String(32), primary_key=True)
    version: Mapped[int]
    touched: Mapped[float]
    design: Mapped[str] = mapped_column(Text)
    record: Mapped[str] = mapped_column(Text)
    shelf: Mapped[str] = mapped_column(String(10), server_default="standing")


class RevisionRow(Base):
    """One gesture: the house after it, what was done in words, and which window did it."""

    __tablename__ = "revision"

    house_id: Mapped[str] = mapped_column(ForeignKey("house.id", ondelete="CASCADE"), primary_key=True)
    version: Mapped[int] = mapped_column(primary_key=True)
    made: Mapped[float]
    window: Mapped[str] = mapped_column(String(40))
    gesture: Mapped[str] = mapped_column(String(40))
    words: Mapped[str] = mapped_column(Text)
    kind: Mapped[str] = mapped_column(String(10), server_default="edit")
    design: Mapped[str] = mapped_column(Text)
    record: Mapped[str] = mapped_column(Text)


Index("house_touched", HouseRow.touched.desc())
