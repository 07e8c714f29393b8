#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""digits.py: how digits look in common fonts, for reading the labels of charts. Writes data/digits.json.

Each form is 10 columns by 14 rows of grey, 0 to 15 as hexadecimal, of the digit's own box; `wide` is its width over height.
"""
import json
import os

import matplotlib
from PIL import Image, ImageDraw, ImageFont

FOLDER = os.path.join(matplotlib.get_data_path(), "fonts", "ttf")
FONTS = ["DejaVuSans.ttf", "DejaVuSans-Bold.ttf", "DejaVuSerif.ttf", "DejaVuSansMono.ttf", "STIXGeneral.ttf",
         "STIXGeneralBol.ttf", "cmr10.ttf", "cmss10.ttf"]
COLUMNS, ROWS = 10, 14


def form(font, size, digit):
    """The digit drawn at a size, then brought to the grid."""
    face = ImageFont.truetype(os.path.join(FOLDER, font), size)
    picture = Image.new("L", (size * 2, size * 2), 0)
    ImageDraw.Draw(picture).text((size // 2, size // 2), digit, font=face, fill=255)
    box = picture.point(lambda v: 255 if v > 90 else 0).getbbox()
    glyph = picture.crop(box)
    grid = glyph.resize((COLUMNS, ROWS), Image.BILINEAR if size < 20 else Image.BOX)
    return glyph.width / glyph.height, "".join(f"{min(15, v // 16):x}" for v in grid.getdata())


def main():
    forms = []
    for font in FONTS:
        for digit in "0123456789":
            for size in (9, 12, 48):
                wide, grey = form(font, size, digit)
                forms.append({"digit": int(digit), "wide": round(wide, 3), "grey": grey})
    target = os.path.join(os.path.dirname(os.path.dirname(os.path.abspath(__file__))), "data", "digits.json")
    with open(target, "w") as out:
        out.write('{"forms": [\n' + ",\n".join(json.dumps(f) for f in forms) + "\n]}\n")


main()
