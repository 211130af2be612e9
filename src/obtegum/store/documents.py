"""What revisions hold, each text kept once by the hash of its content.

A design is one document. A site record may be large and changes a little at a time, so its text is cut
into pieces where its content says so: a change moves no cut but those beside it, and only the pieces
that it touches are new. The record's own document lists its pieces; a long list is cut the same way, into
lists that it names with a star before them.
"""

from base64 import urlsafe_b64encode
from collections.abc import Collection, Mapping
from hashlib import blake2b
from zlib import crc32

from sqlalchemy import select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from obtegum.store.models import DocumentRow

__all__ = [
    "LIST",
    "MissingDocument",
    "cut",
    "hash_of",
    "in_pieces",
    "keep_documents",
    "keep_pieces",
    "keep_text",
    "parts_of",
    "read_pieces",
    "read_text",
    "texts",
]

LOOKS_BACK = 48
CUTS_ONE_IN = 32
LEAST = 512
# A list of more pieces than this is cut, one hash in so many ending a part.
LONGEST_LIST = 24
LIST_CUTS_ONE_IN = 10
LIST = "*"
AT_ONCE = 500


class MissingDocument(LookupError):
    """A document that a revision names isn't there, or isn't what its hash says: it was damaged."""


def hash_of(body: str) -> str:
    """Name of a text: 128 bits of BLAKE2b, in 22 letters."""
    return urlsafe_b64encode(blake2b(body.encode(), digest_size=16).digest()).decode().rstrip("=")


def cut(text: str) -> list[str]:
    """A text in pieces, cut after commas that its own content chooses; joined, they are the text."""
    data, pieces, start = text.encode(), list[str](), 0
    place = data.find(b",", LEAST)
    while place >= 0:
        if crc32(data[max(place - LOOKS_BACK, 0) : place]) % CUTS_ONE_IN == 0:
            pieces.append(data[start : place + 1].decode())
            start = place + 1
            place = data.find(b",", start + LEAST)
        else:
            place = data.find(b",", place + 1)
    return [*pieces, data[start:].decode()]


def keep_documents(session: Session, bodies: Mapping[str, str]) -> None:
    """Keep texts under their hashes; those that are there already are left, and one that was damaged is whole again."""
    if bodies:
        rows = [{"hash": name, "body": body} for name, body in bodies.items()]
        kept = insert(DocumentRow)
        damaged = DocumentRow.body != kept.excluded.body
        session.execute(kept.on_conflict_do_update(set_={"body": kept.excluded.body}, where=damaged), rows)


def keep_text(session: Session, text: str) -> str:
    """Keep a text whole; returns its hash."""
    name = hash_of(text)
    keep_documents(session, {name: text})
    return name


def in_pieces(text: str) -> tuple[str, dict[str, str]]:
    """The documents that a text is kept in: the name of the one that lists the others, and all of them by name."""
    bodies: dict[str, str] = {}

    def named(body: str) -> str:
        name = hash_of(body)
        bodies[name] = body
        return name

    names = [named(piece) for piece in cut(text)]
    if len(names) > LONGEST_LIST:
        lists, part = list[str](), list[str]()
        for name in names:
            part.append(name)
            if crc32(name.encode()) % LIST_CUTS_ONE_IN == 0:
                lists.append(LIST + named("\n".join(part)))
                part = []
        names = [*lists, *part]
    return named("\n".join(names)), bodies


def keep_pieces(session: Session, text: str) -> str:
    """Keep a text in pieces; returns the hash of the list of them."""
    name, bodies = in_pieces(text)
    keep_documents(session, bodies)
    return name


def texts(session: Session, names: Collection[str]) -> dict[str, str]:
    """The texts of some hashes, those that are there whole."""
    found: dict[str, str] = {}
    wanted = list(dict.fromkeys(names))
    for start in range(0, len(wanted), AT_ONCE):
        rows = session.execute(
            select(DocumentRow.hash, DocumentRow.body).where(DocumentRow.hash.in_(wanted[start : start + AT_ONCE]))
        )
        found.update((name, body) for name, body in rows if hash_of(body) == name)
    return found


def _pieces(session: Session, name: str) -> list[str]:
    """The pieces of a record's document, in order. Raises: MissingDocument when a list is missing."""
    names = read_text(session, name).split("\n")
    found = texts(session, [each.removeprefix(LIST) for each in names if each.startswith(LIST)])
    pieces: list[str] = []
    for each in names:
        if not each.startswith(LIST):
            pieces.append(each)
        elif (listed := found.get(each.removeprefix(LIST))) is not None:
            pieces += listed.split("\n")
        else:
            raise MissingDocument(name)
    return pieces


def parts_of(session: Session, names: Collection[str]) -> set[str]:
    """Every document that those of some records name, lists and pieces, as far as they are there."""
    named = {each for listed in texts(session, names).values() for each in listed.split("\n")}
    lists = {each.removeprefix(LIST) for each in named if each.startswith(LIST)}
    inner = {each for listed in texts(session, lists).values() for each in listed.split("\n")}
    return {each for each in named if not each.startswith(LIST)} | lists | inner


def read_text(session: Session, name: str) -> str:
    """A text by its hash. Raises: MissingDocument."""
    found = session.get(DocumentRow, name)
    if found is None or hash_of(found.body) != name:
        raise MissingDocument(name)
    return found.body


def read_pieces(session: Session, name: str) -> str:
    """A text that was kept in pieces, put together. Raises: MissingDocument."""
    names = _pieces(session, name)
    found = texts(session, names)
    if not found.keys() >= set(names):
        raise MissingDocument(name)
    return "".join(found[each] for each in names)
