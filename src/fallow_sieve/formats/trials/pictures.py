"""Photos as they are kept: turned upright, no larger than needed, and without anything that a camera wrote."""

from __future__ import annotations

from dataclasses import dataclass
from io import BytesIO

from PIL import Image, ImageOps, UnidentifiedImageError

from fallow_sieve.core.values import BadInputError

MOST_BYTES, MOST_PIXELS = 20 * 1024 * 1024, 50_000_000
LONGEST, THUMBNAIL, QUALITY = 1280, 320, 80
_KINDS = ("JPEG", "PNG", "WEBP")


@dataclass(frozen=True, slots=True)
class Picture:
    """A photo re-encoded as JPEG with its thumbnail; width and height in pixels."""

    picture: bytes
    thumbnail: bytes
    width: int
    height: int


def picture_from(data: bytes) -> Picture:
    """Return a photo as it is kept. Raises BadInputError for what is none, or too large."""
    if len(data) > MOST_BYTES:
        raise BadInputError(f"a photo of {len(data) / 1e6:.0f} MB", right="at most 20 MB")
    try:
        with Image.open(BytesIO(data), formats=_KINDS) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                wrong = f"a photo of {opened.width} × {opened.height} pixels"
                raise BadInputError(wrong, right="at most 50 megapixels")
            upright = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, Image.DecompressionBombError, SyntaxError, ValueError) as error:
        if isinstance(error, BadInputError):
            raise
        raise BadInputError("no photo that can be read", right="send a JPEG, PNG or WebP") from error
    large, small = _within(upright, LONGEST), _within(upright, THUMBNAIL)
    return Picture(_jpeg(large), _jpeg(small), large.width, large.height)


def _within(image: Image.Image, longest: int) -> Image.Image:
    # Drawn on a fresh canvas: nothing of what the file carried beside its pixels comes along.
    fresh = Image.new("RGB", image.size)
    fresh.paste(image)
    fresh.thumbnail((longest, longest))
    return fresh


def _jpeg(image: Image.Image) -> bytes:
    out = BytesIO()
    image.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue()
