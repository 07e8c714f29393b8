#!/usr/bin/python3
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


def main():
    cli = sys.argv[1]
    failed = 0
    with tempfile.TemporaryDirectory() as folder:
        demo = os.path.join(folder, "demo.yemvo")
        subprocess.run([cli, "demo", "--out", demo], check=True, stdout=subprocess.DEVNULL)
        with zipfile.ZipFile(demo) as archive:
            base = json.loads(archive.read("project.json"))
        for name, change in CASES.items():
            project = copy.deepcopy(base)
            change(project)
            file = os.path.join(folder, "case.yemvo")
            with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED, compresslevel=9) as archive:
                archive.writestr("project.json", json.dumps(project))
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
            print(f"{name:34} {file_mb:6.2f} MB, {'read' if code == 0 else 'refused'}, exit {code}: "
                  f"{peak_mb:4.0f} MB of {allowed_mb:4.0f}{'   TOO MUCH' if fault else ''}", flush=True)
    return 1 if failed else 0


sys.exit(main())
