"""Photographs: checked, turned upright, made smaller where they are huge, and without what the camera wrote into them
(place, time, owner)."""

from __future__ import annotations

import io
import warnings
from hashlib import sha256
from typing import TYPE_CHECKING, NamedTuple

from ..core.errors import InputError

if TYPE_CHECKING:
    from PIL import Image

KINDS = {"JPEG", "PNG", "WEBP"}
MOST_PIXELS = 60_000_000
# The longer side as kept, and as shown in a list.
KEPT, SMALL = 2400, 320


class Made(NamedTuple):
    """A photograph to keep: by what it contains, its size, itself and small, both JPEG."""

    file: str
    width: int
    height: int
    data: bytes
    small: bytes


def read_photo(raw: bytes) -> Made:
    """A photograph from a file. Raises InputError: not a picture, one of a kind that is not read, too large, broken."""
    from PIL import Image, ImageOps, UnidentifiedImageError  # large, and read in a process of its own

    allowed = "a JPEG, PNG or WebP picture"
    if not raw:
        raise InputError("/photo", "the file is empty", allowed=allowed)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            opened = Image.open(io.BytesIO(raw), formats=sorted(KINDS))
            if opened.width * opened.height > MOST_PIXELS:
                raise InputError("/photo", "the picture is too large", allowed="60 megapixels at most")
            opened.load()
            turned = ImageOps.exif_transpose(opened).convert("RGB")
    except (Warning, Image.DecompressionBombError):
        raise InputError("/photo", "the picture is too large", allowed="60 megapixels at most") from None
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError) as bad:
        if isinstance(bad, InputError):
            raise
        raise InputError("/photo", "this is not a picture that can be read", allowed=allowed) from None
    turned.thumbnail((KEPT, KEPT))
    data = _jpeg(turned, 85)
    little = turned.copy()
    little.thumbnail((SMALL, SMALL))
    return Made(sha256(data).hexdigest(), turned.width, turned.height, data, _jpeg(little, 80))


def _jpeg(image: Image.Image, quality: int) -> bytes:
    from PIL import Image

    # A new picture of the same points: nothing that came with the file is carried along.
    bare = Image.new("RGB", image.size)
    bare.paste(image)
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=quality, optimize=True)
    return out.getvalue()
