#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Reads what was handed over back with programs that others wrote, and prints what they found as JSON.

  read_back.py dxf FILE       positions and names of the blocks, layers with how many things each (ezdxf)
  read_back.py xlsx FILE      heads, rows and formulas of every sheet (openpyxl)
  read_back.py calc FILE      the values of every sheet as LibreOffice computes them from the formulas alone
  read_back.py pdf FILE       pages with their sizes in mm, words (poppler)
  read_back.py line FILE PAGE SHARE   middles in mm of the dark stretches along a level line of a page (poppler)
  read_back.py geojson FILE   faults against the JSON schema of RFC 7946's objects
"""
import json
import subprocess
import sys


def dxf(path):
    import ezdxf

    document = ezdxf.readfile(path)
    auditor = document.audit()
    blocks, layers, lengths = [], {}, {}
    for entity in document.modelspace():
        layer = entity.dxf.layer
        layers[layer] = layers.get(layer, 0) + 1
        if entity.dxftype() == "INSERT":
            at = entity.dxf.insert
            blocks.append({"x": at.x, "y": at.y, "z": at.z, "block": entity.dxf.name,
                           "name": entity.get_attrib_text("NAME"), "model": entity.get_attrib_text("MODEL")})
        if entity.dxftype() == "POLYLINE" and layer == "WALLS":
            lengths.setdefault("walls", []).append([[p.x, p.y] for p in entity.points()])
    return {"blocks": blocks, "layers": layers, "walls": lengths.get("walls", []),
            "units": document.header.get("$INSUNITS"), "faults": [str(e.message) for e in auditor.errors]}


def xlsx(path):
    from openpyxl import load_workbook

    formulas, values = load_workbook(path), load_workbook(path, data_only=True)
    sheets = {}
    for sheet in formulas:
        rows = [[c.value for c in row] for row in sheet.iter_rows()]
        kept = [[c.value for c in row] for row in values[sheet.title].iter_rows()]
        sheets[sheet.title] = {"head": rows[0], "rows": rows[1:], "values": kept[1:]}
    return sheets


def calc(path):
    import os
    import tempfile

    from openpyxl import load_workbook

    with tempfile.TemporaryDirectory() as folder:
        bare = os.path.join(folder, "bare.xlsx")
        load_workbook(path).save(bare)  # leaves the values that were written beside the formulas out
        done = os.path.join(folder, "done")
        subprocess.run(["soffice", "--headless", f"-env:UserInstallation=file://{folder}/profile", "--convert-to", "xlsx",
                        "--outdir", done, bare], check=True, capture_output=True)
        book = load_workbook(os.path.join(done, "bare.xlsx"), data_only=True)
        return {sheet.title: [[c.value for c in row] for row in sheet.iter_rows()] for sheet in book}


def pdf(path):
    info = subprocess.run(["pdfinfo", "-f", "1", "-l", "9999", path], check=True, capture_output=True, text=True)
    sizes = []
    for line in info.stdout.splitlines():
        if line.startswith("Page ") and "size:" in line:
            words = line.split()
            sizes.append([float(words[3]) / 72 * 25.4, float(words[5]) / 72 * 25.4])
    text = subprocess.run(["pdftotext", "-layout", path, "-"], check=True, capture_output=True, text=True).stdout
    fonts = subprocess.run(["pdffonts", path], check=True, capture_output=True, text=True).stdout.splitlines()[2:]
    return {"sizes_mm": sizes, "pages": text.split("\f")[:-1], "fonts_embedded": [f.split()[-5] == "yes" for f in fonts]}


def line(path, page, share):
    from PIL import Image

    dots_per_mm = 10
    name = path + ".line"
    subprocess.run(["pdftoppm", "-r", str(25.4 * dots_per_mm), "-f", page, "-l", page, "-gray", "-singlefile", path, name],
                   check=True)
    picture = Image.open(name + ".pgm")
    y = int(picture.height * float(share))
    dark = [picture.getpixel((x, y)) < 128 for x in range(picture.width)]
    middles, begin = [], None
    for x, is_dark in enumerate(dark + [False]):
        if is_dark and begin is None:
            begin = x
        if not is_dark and begin is not None:
            middles.append((begin + x) / 2 / dots_per_mm)
            begin = None
    return middles


POSITION = {"type": "array", "items": {"type": "number"}, "minItems": 2, "maxItems": 3}
GEOMETRY = {
    "oneOf": [
        {"properties": {"type": {"const": "Point"}, "coordinates": POSITION}},
        {"properties": {"type": {"const": "LineString"},
                        "coordinates": {"type": "array", "minItems": 2, "items": POSITION}}},
        {"properties": {"type": {"const": "Polygon"},
                        "coordinates": {"type": "array", "items": {"type": "array", "minItems": 4, "items": POSITION}}}},
    ],
    "required": ["type", "coordinates"],
}
FEATURES = {
    "type": "object",
    "required": ["type", "features"],
    "properties": {
        "type": {"const": "FeatureCollection"},
        "features": {
            "type": "array",
            "items": {
                "type": "object",
                "required": ["type", "geometry", "properties"],
                "properties": {"type": {"const": "Feature"}, "geometry": GEOMETRY, "properties": {"type": "object"}},
            },
        },
    },
}


def geojson(path):
    from jsonschema import Draft7Validator

    with open(path, encoding="utf-8") as file:
        whole = json.load(file)
    return {"faults": [e.message for e in Draft7Validator(FEATURES).iter_errors(whole)],
            "features": len(whole["features"])}


if __name__ == "__main__":
    json.dump({"dxf": dxf, "xlsx": xlsx, "calc": calc, "pdf": pdf, "geojson": geojson, "line": line}[sys.argv[1]](*sys.argv[2:]), sys.stdout)
