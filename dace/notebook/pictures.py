"""Pictures as they come, checked by their content and written anew without what they carry."""

from __future__ import annotations

import os
import shutil
import uuid
from dataclasses import dataclass
from io import BytesIO
from pathlib import Path
from typing import Literal

import pillow_heif
from django.conf import settings
from PIL import Image, ImageOps, UnidentifiedImageError

from dace.core.api import DaceError

MOST_BYTES = 20_000_000
WOULD_DO = "a JPEG, PNG, WebP or HEIC picture of up to 20 MB would do"
Size = Literal["large", "small"]
_MOST_PIXELS = 60_000_000
_FEWER = f"up to {_MOST_PIXELS // 10**6} megapixels would do"
_SIDES: dict[Size, int] = {"large": 1600, "small": 320}
_QUALITY = 82
_FORMATS = ("JPEG", "PNG", "WEBP", "HEIF")

pillow_heif.register_heif_opener()


@dataclass(frozen=True)
class Picture:
    """A picture written anew in each size, as WebP bytes; ``width`` and ``height`` of the large."""

    large: bytes
    small: bytes
    width: int
    height: int


def read_picture(data: bytes) -> Picture:
    """A picture turned upright and scaled, with nothing kept but its pixels.

    Whatever it says it is called, its content decides. Place, camera and time stay behind.

    Raises
    ------
    DaceError
        On ``photo``: empty, too large, no picture, a broken one, or one of too many pixels.
    """
    if not data:
        raise DaceError("photo", "an empty file", WOULD_DO)
    if len(data) > MOST_BYTES:
        raise DaceError("photo", f"{len(data) / 1e6:.0f} MB", WOULD_DO)
    try:
        with Image.open(BytesIO(data), formats=_FORMATS) as found:
            width, height = found.size
            if width * height > _MOST_PIXELS:
                read = f"{width} x {height} pixels"
                raise DaceError("photo", read, _FEWER)
            found.draft("RGB", (_SIDES["large"], _SIDES["large"]))  # a JPEG need not be read whole
            upright = ImageOps.exif_transpose(found).convert("RGB")
    except UnidentifiedImageError:
        raise DaceError("photo", "no picture", WOULD_DO) from None
    except Image.DecompressionBombError:
        raise DaceError("photo", "far too many pixels", _FEWER) from None
    except DaceError:
        raise
    except Exception as error:  # whatever a decoder says of a broken file
        raise DaceError("photo", "a broken picture", WOULD_DO) from error
    large = ImageOps.contain(upright, _bounds(upright, "large"))
    small = ImageOps.contain(large, _bounds(large, "small"))
    return Picture(_written(large), _written(small), *large.size)


def _bounds(picture: Image.Image, size: Size) -> tuple[int, int]:
    """The box of a size, or the picture's own where that is smaller."""
    side = min(_SIDES[size], max(picture.size))
    return side, side


def _written(picture: Image.Image) -> bytes:
    bare = Image.new("RGB", picture.size)
    bare.paste(picture)  # pixels alone: no profile, no place, no comment goes along
    out = BytesIO()
    bare.save(out, "WEBP", quality=_QUALITY, method=4)
    return out.getvalue()


def where(household: uuid.UUID, photo: uuid.UUID, size: Size) -> Path:
    """The file of a photo in a size."""
    return _folder(household) / f"{photo.hex}-{size}.webp"


def keep(household: uuid.UUID, photo: uuid.UUID, picture: Picture) -> None:
    """Write both sizes, each whole or not at all, for this account's eyes only."""
    folder = _folder(household)
    folder.mkdir(mode=0o700, parents=True, exist_ok=True)
    for size, data in (("large", picture.large), ("small", picture.small)):
        _write(folder / f"{photo.hex}-{size}.webp", data)


def _write(path: Path, data: bytes) -> None:
    beside = path.with_suffix(".part")
    descriptor = os.open(beside, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
    with os.fdopen(descriptor, "wb") as file:
        file.write(data)
        file.flush()
        os.fsync(file.fileno())
    beside.replace(path)


def check_kept(data: bytes, size: Size) -> None:
    """That a file is as ``keep`` writes it: WebP of that size, pixels alone.

    Raises
    ------
    DaceError
        On ``photo``.
    """
    try:
        with Image.open(BytesIO(data), formats=("WEBP",)) as found:
            bare = not {"exif", "icc_profile", "xmp"} & set(found.info)
            fits = max(found.size) <= _SIDES[size] and getattr(found, "n_frames", 1) == 1
            found.load()
    except Exception as error:  # whatever a decoder says of a broken file
        raise DaceError("photo", "a broken picture", WOULD_DO) from error
    if not (bare and fits):
        raise DaceError("photo", "a picture that Dace did not write", "take the photo in anew")


def keep_as_it_is(household: uuid.UUID, photo: uuid.UUID, size: Size, data: bytes) -> None:
    """Write one size of a photo that was kept before, once it is checked."""
    _folder(household).mkdir(mode=0o700, parents=True, exist_ok=True)
    _write(where(household, photo, size), data)


def forget(household: uuid.UUID, photo: uuid.UUID) -> None:
    """Delete a photo's files."""
    for size in _SIDES:
        where(household, photo, size).unlink(missing_ok=True)


def forget_all(household: uuid.UUID) -> None:
    """Delete every photo of a household."""
    shutil.rmtree(_folder(household), ignore_errors=True)


def _folder(household: uuid.UUID) -> Path:
    return Path(settings.DACE_PHOTOS) / household.hex
