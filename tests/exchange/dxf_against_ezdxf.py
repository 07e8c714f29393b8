#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""dxf_against_ezdxf.py YEMVO_CLI: writes drawings with ezdxf, measures them with ezdxf, and holds what
`yemvo-cli drawing` tells against that: pieces, length and box of each layer."""
import json
import math
import os
import random
import subprocess
import sys
import tempfile
import time

import ezdxf
from ezdxf import disassemble, path, units

CLI = sys.argv[1]
FOLDER = tempfile.mkdtemp(prefix="yemvo-dxf-")
UNIT_M = {0: 1.0, 1: 0.0254, 2: 0.3048, 4: 0.001, 5: 0.01, 6: 1.0}


def told(file, *more, code=0):
    environment = dict(os.environ, XDG_RUNTIME_DIR=FOLDER)
    run = subprocess.run([CLI, "drawing", file, "--json", *more], capture_output=True, text=True, env=environment,
                         timeout=60)
    assert run.returncode == code, (file, run.returncode, run.stderr)
    return json.loads(run.stdout) if code == 0 else run.stderr


def pieces(entity):
    """(straight, curved, flattened points of each piece)."""
    kind = entity.dxftype()
    if kind == "LINE":
        return [("straight", [entity.dxf.start, entity.dxf.end])]
    if kind in ("LWPOLYLINE", "POLYLINE"):
        out = []
        for part in entity.virtual_entities():
            out += pieces(part)
        return out
    if kind == "SPLINE":  # evaluated itself; as a path it would be replaced by near Bezier curves
        return [("curved", list(entity.construction_tool().approximate(segments=5000)))]
    if kind in ("ARC", "CIRCLE"):
        start, end = (entity.dxf.start_angle, entity.dxf.end_angle) if kind == "ARC" else (0, 360)
        sweep = (end - start) % 360 or 360
        angles = [start + sweep * i / 180 for i in range(181)]
        angles += [q for q in range(0, 1080, 90) if start < q < start + sweep]  # its outermost points
        return [("curved", list(entity.vertices(sorted(angles))))]
    if kind == "ELLIPSE":
        size = entity.dxf.major_axis.magnitude
        return [("curved", list(path.make_path(entity).flattening(distance=size * 1e-5, segments=16)))]
    return []


def measured(doc, unit_m):
    layers = {}
    for entity in disassemble.recursive_decompose(doc.modelspace()):
        for shape, points in pieces(entity):
            layer = layers.setdefault(entity.dxf.layer, dict(straight=0, curved=0, length=0, x=[], y=[]))
            layer[shape] += 1
            for a, b in zip(points, points[1:]):
                layer["length"] += math.hypot(b[0] - a[0], b[1] - a[1]) * unit_m
            layer["x"] += [p[0] * unit_m for p in points]
            layer["y"] += [p[1] * unit_m for p in points]
    return layers


def compare(name, doc, file=None, only=None, **save):
    file = file or f"{FOLDER}/{name}.dxf"
    if not os.path.exists(file):
        doc.saveas(file, **save)
    unit = UNIT_M[doc.header.get("$INSUNITS", 0)]
    started = time.time()
    answer = told(file, *(["--unit", "m"] if unit == 1.0 else []))
    spent = time.time() - started
    want = measured(doc, unit)
    got = {l["name"]: l for l in answer["layers"]}
    assert set(want) == set(got), (name, sorted(want), sorted(got))
    worst_length = worst_box = 0
    for layer, w in want.items():
        g = got[layer]
        assert (g["segments"], g["arcs"]) == (w["straight"], w["curved"]), (name, layer, g, w["straight"], w["curved"])
        off = abs(g["length_m"] - w["length"]) / w["length"]
        allowed = 0.005 if w["curved"] else 0.001
        assert off < allowed, (name, layer, g["length_m"], w["length"])
        box = [g["bbox_m"]["low"][0] - min(w["x"]), g["bbox_m"]["low"][1] - min(w["y"]),
               g["bbox_m"]["high"][0] - max(w["x"]), g["bbox_m"]["high"][1] - max(w["y"])]
        assert max(map(abs, box)) < 0.001, (name, layer, box)
        worst_length, worst_box = max(worst_length, off), max(worst_box, max(map(abs, box)))
    count = sum(l["segments"] + l["arcs"] for l in answer["layers"])
    print(f"{name:28} {count:7} pieces, lengths within {worst_length * 100:.4f} %, boxes within "
          f"{worst_box * 1000:.3f} mm, {spent:.2f} s")
    return answer


def new(version="R2010", unit=units.M):
    doc = ezdxf.new(version)
    doc.units = unit
    for layer in ("WALLS", "DOORS", "CURVES", "GRID"):
        doc.layers.add(layer)
    return doc


def furnish(block, old=False):
    """A block with every kind of piece that must follow it through turns, mirrors and squeezes."""
    block.add_line((0, 0), (3, 0), dxfattribs={"layer": "WALLS"})
    run = block.add_polyline2d if old else block.add_lwpolyline
    run([(0, 0, 0), (2, 0, 1.8), (2, 1, 0), (0, 1, -0.4)], format="xyb", close=True,
        dxfattribs={"layer": "DOORS"})  # a bulge of 1.8 turns by 244 degrees
    block.add_arc((1, 1), 0.7, 200, 80, dxfattribs={"layer": "CURVES"})
    block.add_circle((3, 2), 0.4, dxfattribs={"layer": "CURVES"})
    if not old:
        block.add_ellipse((0.5, 2), (1.2, 0.3), 0.4, 0.3, 4.1, dxfattribs={"layer": "CURVES"})


def nested(version):
    doc = new(version)
    inner = doc.blocks.new("INNER", base_point=(0.5, 0.25))
    furnish(inner, version == "R12")
    middle = doc.blocks.new("MIDDLE", base_point=(1, 1))
    middle.add_blockref("INNER", (2, 1), dxfattribs={"xscale": -1.5, "yscale": 1.5, "rotation": 33})
    middle.add_blockref("INNER", (6, 3), dxfattribs={"xscale": 1, "yscale": 1, "rotation": -70})
    middle.add_line((0, 0), (8, 5), dxfattribs={"layer": "GRID"})
    outer = doc.blocks.new("OUTER")
    outer.add_blockref("MIDDLE", (0, 0), dxfattribs={"xscale": 2, "yscale": -2, "rotation": 15})
    msp = doc.modelspace()
    msp.add_blockref("OUTER", (10, 20), dxfattribs={"xscale": 1, "yscale": 1, "rotation": 50})
    msp.add_blockref("MIDDLE", (50, 0), dxfattribs={"xscale": 0.5, "yscale": 0.5,
                                                    "row_count": 3, "column_count": 4,
                                                    "row_spacing": 7, "column_spacing": 9, "rotation": 20})
    return doc


def squeezed():
    doc = new()
    furnish(doc.blocks.new("B", base_point=(1, 0)))
    doc.modelspace().add_blockref("B", (3, 4), dxfattribs={"xscale": 3, "yscale": 0.7, "rotation": 25})
    doc.modelspace().add_blockref("B", (30, 4), dxfattribs={"xscale": -1, "yscale": 2.5})
    return doc


def extruded():
    doc = new()
    msp, down = doc.modelspace(), {"extrusion": (0, 0, -1)}
    msp.add_circle((5, 5), 2, dxfattribs={"layer": "CURVES", **down})
    msp.add_arc((9, 1), 3, 20, 140, dxfattribs={"layer": "CURVES", **down})
    msp.add_lwpolyline([(0, 0, 0.5), (4, 0, 0), (4, 3, -1.2)], format="xyb", close=True,
                       dxfattribs={"layer": "WALLS", **down})
    return doc


def curved():
    doc = new()
    msp = doc.modelspace()
    msp.add_cad_spline_control_frame([(0, 0), (3, 4), (7, -2), (12, 5), (15, 0)], dxfattribs={"layer": "CURVES"})
    msp.add_open_spline([(20, 0), (22, 6), (25, -3), (29, 4), (33, 1)], degree=3, dxfattribs={"layer": "CURVES"})
    msp.add_rational_spline([(40, 0), (42, 6), (45, -3), (49, 4)], [1, 3, 0.5, 1], degree=3,
                            dxfattribs={"layer": "CURVES"})
    msp.add_ellipse((5, 20), (6, 2), 0.3, dxfattribs={"layer": "GRID"})
    doc2 = doc.modelspace().add_polyline2d([(0, 30), (5, 30), (5, 34)], dxfattribs={"layer": "WALLS"})
    doc2.close(True)
    doc.modelspace().add_polyline3d([(10, 30, 0), (15, 31, 2), (18, 35, 4)], dxfattribs={"layer": "DOORS"})
    return doc


def many(count):
    doc = new(unit=units.MM)
    doc.header["$INSUNITS"] = 4
    msp, dice = doc.modelspace(), random.Random(5)
    place = lambda: (dice.uniform(0, 60000), dice.uniform(0, 35000))
    for i in range(count):
        x, y = place()
        if i % 10 == 0:
            msp.add_arc((x, y), dice.uniform(100, 900), dice.uniform(0, 360), dice.uniform(0, 360),
                        dxfattribs={"layer": "DOORS"})
        elif i % 10 == 1:
            msp.add_circle((x, y), dice.uniform(100, 900), dxfattribs={"layer": "CURVES"})
        else:
            msp.add_line((x, y), (x + dice.uniform(-4000, 4000), y + dice.uniform(-4000, 4000)),
                         dxfattribs={"layer": "WALLS" if i % 2 else "GRID"})
    return doc


for version in ("R12", "R2000", "R2010", "R2018"):
    compare("nested, mirrored, " + version, nested(version))
compare("squeezed blocks", squeezed())
compare("extruded downwards", extruded())
compare("splines and ellipses", curved())

# a spline given by the points it passes leaves its way between them open: only its length is held
fit = new()
fit.modelspace().add_spline([(0, 0), (3, 4), (7, -2), (12, 5), (15, 0)], dxfattribs={"layer": "CURVES"})
fit.saveas(f"{FOLDER}/fit.dxf")
got, want = told(f"{FOLDER}/fit.dxf")["layers"][0]["length_m"], measured(fit, 1)["CURVES"]["length"]
assert abs(got / want - 1) < 0.02, (got, want)
print(f"spline through points        length {got:.3f} m, by ezdxf {want:.3f} m")

inches = new(unit=units.IN)
inches.header["$INSUNITS"] = 1
inches.header["$MEASUREMENT"] = 0
furnish(inches.modelspace())
answer = compare("inches", inches)
assert answer["unit"] == "in" and not answer["unit_guessed"], answer

compare("20,000 entities", many(20_000))

# the same drawing as a binary file tells the same
both = nested("R2010")
both.saveas(f"{FOLDER}/text.dxf")
both.saveas(f"{FOLDER}/binary.dxf", fmt="bin")
assert told(f"{FOLDER}/text.dxf") == told(f"{FOLDER}/binary.dxf")
old = nested("R12")
old.saveas(f"{FOLDER}/text12.dxf")
old.saveas(f"{FOLDER}/binary12.dxf", fmt="bin")
assert told(f"{FOLDER}/text12.dxf") == told(f"{FOLDER}/binary12.dxf")
print("binary files                 tell the same as text")

# layers off and frozen; names in UTF-8 and in a code page; words in paper space stay out
for version in ("R12", "R2000", "R2018"):
    doc = new(version)
    doc.layers.add("Wände Süd").off()
    doc.layers.add("Möbel").freeze()
    doc.modelspace().add_line((0, 0), (10, 0), dxfattribs={"layer": "Wände Süd"})
    doc.modelspace().add_line((0, 5), (10, 9), dxfattribs={"layer": "Möbel"})
    doc.modelspace().add_line((0, 5), (10, 5), dxfattribs={"layer": "WALLS"})
    doc.layout("Layout1").add_line((500, 500), (900, 900), dxfattribs={"layer": "WALLS"})
    answer = compare(f"layers, {version}", doc)
    shown = {l["name"]: l["visible"] for l in answer["layers"]}
    assert shown == {"Wände Süd": False, "Möbel": False, "WALLS": True}, shown
    assert any("paper space" in s["why"] for s in answer["skipped"]), answer["skipped"]

# a unit the file does not say is guessed and said to be
for size, unit in ((42_000, "mm"), (60, "m")):
    doc = new(unit=0)
    doc.header["$INSUNITS"] = 0
    doc.header["$MEASUREMENT"] = 1
    doc.modelspace().add_line((0, 0), (size, size / 2), dxfattribs={"layer": "WALLS"})
    doc.saveas(f"{FOLDER}/guess.dxf")
    answer = told(f"{FOLDER}/guess.dxf")
    assert answer["unit_guessed"] and answer["unit"] == unit, answer
    assert told(f"{FOLDER}/guess.dxf", "--unit", "ft")["unit_m"] == 0.3048
print("unknown units                guessed")

# broken ones: good parts kept and the rest told, or a message with the name
doc = new()
furnish(doc.modelspace())
doc.saveas(f"{FOLDER}/whole.dxf")
text = open(f"{FOLDER}/whole.dxf", encoding="utf-8").read()
at = text.index("AcDbArc")
open(f"{FOLDER}/broken.dxf", "w", encoding="utf-8").write(text[:at] + "AcDbArc\nnonsense\n" + text[at + 8:])
answer = told(f"{FOLDER}/broken.dxf")
assert any("no group code" in s["why"] for s in answer["skipped"]) and answer["layers"], answer
open(f"{FOLDER}/cut.dxf", "w", encoding="utf-8").write(text[: text.index("AcDbCircle")])
answer = told(f"{FOLDER}/cut.dxf")
assert any("end" in s["why"] for s in answer["skipped"]) and answer["layers"], answer
for name, content in (("empty.dxf", ""), ("letter.dxf", "Dear reader\nhow are you\n")):
    open(f"{FOLDER}/{name}", "w").write(content)
    message = told(f"{FOLDER}/{name}", code=2)
    assert name in message, message
far = new()
for i in range(40):
    far.modelspace().add_line((i, 0), (i, 10), dxfattribs={"layer": "WALLS"})
far.modelspace().add_line((1e9, 1e9), (1e9 + 1, 1e9), dxfattribs={"layer": "WALLS"})
far.blocks.new("FLAT").add_line((0, 0), (1, 1))
far.modelspace().add_blockref("FLAT", (3, 3), dxfattribs={"xscale": 0.0, "yscale": 0.0})
far.saveas(f"{FOLDER}/far.dxf")
zero = open(f"{FOLDER}/far.dxf").read().replace("\n 41\n1.0\n", "\n 41\n0.0\n")
open(f"{FOLDER}/far.dxf", "w").write(zero)
answer = told(f"{FOLDER}/far.dxf")
assert any("far away" in s["why"] for s in answer["skipped"]), answer
assert answer["layers"][0]["bbox_m"]["high"][0] < 100, answer
nan = open(f"{FOLDER}/whole.dxf").read()
at = nan.index("AcDbLine\n")
nan = nan[:at] + nan[at:].replace("\n 10\n0.0\n", "\n 10\nnan\n", 1)
open(f"{FOLDER}/nan.dxf", "w").write(nan)
answer = told(f"{FOLDER}/nan.dxf")
assert any("broken" in s["why"] for s in answer["skipped"]), answer
print("broken files                 good parts kept, the rest told")
