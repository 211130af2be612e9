"""Photographs as they come from a phone, made small and bare: no place, no maker, no words are left in them."""

import warnings
from io import BytesIO

from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["MOST_PIXELS", "SIDE_PX", "TYPES", "as_kept"]

TYPES = frozenset({"image/jpeg", "image/png", "image/webp"})
FORMATS = ("JPEG", "PNG", "WEBP")
# The longer side as kept, and how many points one may have that is unpacked here at all.
SIDE_PX, MOST_PIXELS = 1600, 50_000_000
QUALITY = 82
TOO_MANY = "That picture has more points than can be unpacked here. Send it smaller."


def _refuse(sentence: str) -> DesignError:
    return DesignError([Trouble(path="photo", sentence=sentence)])


def as_kept(data: bytes) -> bytes:
    """A photograph as JPEG, upright, its longer side at most ``SIDE_PX``, with nothing in it but the picture.

    Raises: DesignError with a sentence for what is no picture, is broken, or unpacks to more than any camera takes.
    """
    with warnings.catch_warnings():
        # What is wrong in what a maker wrote beside the picture is of no matter: it is left out.
        warnings.simplefilter("ignore")
        return _made(data)


def _made(data: bytes) -> bytes:
    from PIL import Image, ImageOps

    try:
        found = Image.open(BytesIO(data), formats=FORMATS)
    except Image.DecompressionBombError:
        raise _refuse(TOO_MANY) from None
    except Exception:
        # What a decoder makes of bytes that are meant to break it is not to be listed.
        raise _refuse("That is no picture that can be read here: send a JPEG, PNG or WebP.") from None
    with found as image:
        if image.width * image.height > MOST_PIXELS:
            raise _refuse(TOO_MANY)
        try:
            # A JPEG is unpacked at an eighth to the whole of its size here: never more than is needed.
            image.thumbnail((SIDE_PX, SIDE_PX), Image.Resampling.LANCZOS)
            upright = ImageOps.exif_transpose(image).convert("RGBA")
            # On white, where it can be looked through; and only its points go on.
            flat = Image.new("RGB", upright.size, "white")
            flat.paste(upright, mask=upright)
            out = BytesIO()
            flat.save(out, "JPEG", quality=QUALITY, progressive=True)
        except Exception:
            raise _refuse("That picture is cut short or damaged. Take it, or send it, again.") from None
    return out.getvalue()
