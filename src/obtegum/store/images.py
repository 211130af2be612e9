"""Pictures of the work: JPEG files kept with their house, each once, by the hash of what is in it.

They go with the house: what an earlier version of its record names is still there when that version is looked at.
"""

from hashlib import blake2b

from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from obtegum.store.database import Store
from obtegum.store.models import HouseRow, ImageRow
from obtegum.store.state import NoSuchHouse

__all__ = ["MOST_IMAGE_BYTES", "keep_image", "name_of_image", "read_image", "took_image"]

# As they are kept: one of 1600 pixels rarely has a tenth of it.
MOST_IMAGE_BYTES = 4_000_000


def name_of_image(body: bytes) -> str:
    """Name of an image: 128 bits of BLAKE2b, in hex."""
    return blake2b(body, digest_size=16).hexdigest()


def took_image(session: Session, house_id: str, body: bytes) -> str:
    """Keep an image of a house in a transaction that goes on; returns its name."""
    name = name_of_image(body)
    row = {"house_id": house_id, "name": name, "body": body}
    session.execute(insert(ImageRow).on_conflict_do_nothing(), [row])
    return name


def keep_image(store: Store, house_id: str, body: bytes) -> str:
    """Keep an image of a house; returns its name. Raises: NoSuchHouse, StoreTrouble."""
    with store.writing() as session:
        if session.get(HouseRow, house_id) is None:
            raise NoSuchHouse(house_id)
        return took_image(session, house_id, body)


def read_image(store: Store, house_id: str, name: str) -> bytes:
    """An image of a house. Raises: LookupError."""
    with store.reading() as session:
        row = session.get(ImageRow, (house_id, name))
        if row is None:
            raise LookupError(name)
        return row.body
