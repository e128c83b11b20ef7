"""Pictures to send: drawn here, never somebody's."""

from io import BytesIO

import pillow_heif
from PIL import Image

GPS, ORIENTATION, CAMERA = 0x8825, 0x0112, 0x010F


def picture(form="JPEG", size=(640, 400), **more):
    """A picture whose left half is red and whose right half is green."""
    image = Image.new("RGB", size, (200, 30, 30))
    image.paste((30, 160, 40), (size[0] // 2, 0, *size))
    out = BytesIO()
    if form == "HEIF":
        pillow_heif.from_pillow(image).save(out, quality=60)
    else:
        image.save(out, form, **more)
    return out.getvalue()


def with_place(orientation=1):
    """A JPEG that says where it was taken, by which camera, and which way is up."""
    exif = Image.Exif()
    exif[CAMERA] = "A camera"
    exif[ORIENTATION] = orientation
    exif.get_ifd(GPS).update({1: "N", 2: (51.0, 30.0, 0.0), 3: "W", 4: (0.0, 7.0, 0.0)})
    return picture(exif=exif)


PNG = picture("PNG", (40, 30))
