#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""reading_memory.py YEMVO-CLI: reads files that were made to fill the memory, and as large as a project may be; the
reader must stay below twenty times the file plus 200 MB, whatever it says of the file."""
import copy
import json
import os
import resource
import subprocess
import sys
import tempfile
import zipfile

MOST_MB = 200
TIMES = 20
MANY = 980_000  # about as many values as are read at all


def floor(project):
    return project["buildings"][0]["floors"][0]


def walls(project, count, bad=False):
    like = dict(floor(project)["walls"][0], openings=[])
    far = 1e9 if bad else 5
    floor(project)["walls"] = [dict(like, id=1_000_000 + i, points=[[0, i / 10], [far, i / 10]]) for i in range(count)]


def many_points(project):
    like = dict(floor(project)["walls"][0], openings=[])
    run = [[i % 1000, i % 777] for i in range(99_999)]
    floor(project)["walls"] = [dict(like, id=1_000_000 + i, points=run) for i in range(4)]


def notes(project, count, text):
    floor(project)["notes"] = [
        {"id": 2_000_000 + i, "text": text, "position": [0, 0], "photo": "", "group": 0} for i in range(count)]


def put(place, value):
    return lambda project: project.__setitem__(place, value)


CASES = {
    "walls, 90,000 of them": lambda p: walls(p, 90_000),
    "walls, 90,000 that break a rule": lambda p: walls(p, 90_000, bad=True),
    "walls that are empty": lambda p: floor(p).__setitem__("walls", [{}] * MANY),
    "walls that are numbers": lambda p: floor(p).__setitem__("walls", [0] * MANY),
    "runs of 100,000 corners": many_points,
    "floors that are empty": lambda p: p["buildings"][0].__setitem__("floors", [{}] * MANY),
    "buildings that are empty": put("buildings", [{}] * MANY),
    "waivers that are empty": put("waivers", [{}] * MANY),
    "a waiver of very many things": put("waivers", [{"rule": "gap", "subjects": list(range(MANY)), "note": ""}]),
    "a list that nobody knows": put("zzz", [[]] * MANY),
    "objects that nobody knows": put("zzz", [{"a": 1}] * (MANY // 2)),
    "a name of 47 million characters": put("name", "x" * 47_000_000),
    "notes of 9,000 characters": lambda p: notes(p, 4500, "x" * 9000),
    "probes, 200,000": put("probes", [{"number": i, "floor": 1, "place": [0, 0]} for i in range(200_000)]),
    "requirement sets, 150,000": put("requirement_sets", [
        {"id": 3_000_000 + i, "name": "s", "on": True, "zones": [], "kinds": [], "requirements": []}
        for i in range(150_000)]),
    "wall types, 500,000": put("wall_types", [{"key": f"k{i}"} for i in range(500_000)]),
    "as it should be": lambda p: None,
}
# entries that nobody knows, and a part that is no JSON, each as large as a small file may unpack to
LARGE_ENTRIES = {
    "an entry that nobody knows, 240 MB": "demand.json",
    "a part that is no JSON, 240 MB": "probes.json",
}
CASES.update({name + " (one text)": change for name, change in list(CASES.items())})


def in_one(archive):
    """The parts of a file as one text, which is read as well: what is too much in one is too much in parts."""
    def part(name):
        found = json.loads(archive.read(name))
        del found["part"], found["version"]
        return found
    project = json.loads(archive.read("project.json"))
    del project["part"]
    for name in ("types", "gear", "requirements", "findings", "probes", "display"):
        project.update(part(name + ".json"))
    for building in project["buildings"]:
        for floor in building["floors"]:
            floor.update(part(f"floors/{floor['id']}/things.json"))
    for variant in project["variants"]:
        for told in variant["floors"]:
            told.update(part(f"variants/{variant['id']}/{told['floor']}/access_points.json"))
    return project


def split(project):
    """What the changed project says of its floors, in parts of their own."""
    parts = {}
    outline = dict(project, part="outline")
    for name, keys in (("types", ["wall_types"]), ("gear", ["models", "clients"]), ("requirements", ["requirement_sets"]),
                       ("findings", ["waivers"]), ("probes", ["probes"]), ("display", ["display"])):
        parts[name + ".json"] = {"part": name, "version": 1, **{key: outline.pop(key) for key in keys}}
    for building in outline["buildings"]:
        for floor in building.get("floors", []):
            things = {key: floor.pop(key) for key in list(floor)
                      if key not in ("id", "name", "elevation_m", "height_m", "mezzanine", "slope", "plate", "alignment")}
            parts[f"floors/{floor.get('id', 0)}/things.json"] = {"part": "things", "version": 1, **things}
    for variant in outline["variants"]:
        for told in variant["floors"]:
            parts[f"variants/{variant['id']}/{told['floor']}/access_points.json"] = {
                "part": "access_points", "version": 1, "access_points": told.pop("access_points")}
    return {"project.json": outline, **parts}


def main():
    cli = sys.argv[1]
    failed = 0
    with tempfile.TemporaryDirectory() as folder:
        demo = os.path.join(folder, "demo.yemvo")
        subprocess.run([cli, "demo", "--out", demo], check=True, stdout=subprocess.DEVNULL)
        with zipfile.ZipFile(demo) as archive:
            base = in_one(archive)
        for name in [*CASES, *LARGE_ENTRIES]:
            project = copy.deepcopy(base)
            CASES.get(name, CASES["as it should be"])(project)
            file = os.path.join(folder, "case.yemvo")
            entries = {"project.json": project} if name.endswith("(one text)") else split(project)
            texts = {entry: json.dumps(value) for entry, value in entries.items()}
            if name in LARGE_ENTRIES:
                texts[LARGE_ENTRIES[name]] = "x" * 240_000_000
                texts["assets/plan.png"] = os.urandom(2_500_000)  # what unpacks to so much is not small itself
            with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED, compresslevel=9) as archive:
                for entry, text in texts.items():
                    archive.writestr(entry, text)
            # in a process of its own, so that the peak is that of this one file
            measured = subprocess.run(
                [sys.executable, "-c",
                 "import resource, subprocess, sys\n"
                 "code = subprocess.run(sys.argv[1:], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL).returncode\n"
                 "print(code, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss)", cli, "info", file],
                check=True, capture_output=True, text=True).stdout.split()
            code, peak_mb = int(measured[0]), int(measured[1]) / 1024
            file_mb = os.path.getsize(file) / 1e6
            allowed_mb = TIMES * file_mb + MOST_MB
            fault = peak_mb > allowed_mb or code not in (0, 2)
            failed += fault
            print(f"{name:45} {file_mb:6.2f} MB, {'read' if code == 0 else 'refused'}, exit {code}: "
                  f"{peak_mb:4.0f} MB of {allowed_mb:4.0f}{'   TOO MUCH' if fault else ''}", flush=True)
    return 1 if failed else 0


sys.exit(main())
