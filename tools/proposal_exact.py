#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Holds proposals against an exact solution that knows nothing of the program but its maps.

  tools/proposal_exact.py YEMVO_CLI BENCH_PROPOSAL_FLOORS [FLOORS] [SECONDS]

For each random floor: every candidate's map by `yemvo-cli predict --access-point N`, on the grid that the proposal looks at; the cover
problem from those maps and the requirements alone; its optimum by CBC; beside it what `yemvo-cli propose` says. Ends with 1 where the
bound is above the optimum or the count is off by more than one.
"""
import csv
import json
import math
import os
import subprocess
import sys
import tempfile
import zipfile


def maps_of(cli, project, floor, band, cell_m, numbers):
    """Signal by cell, of each access point alone; None where nothing arrives."""
    out = {}
    with tempfile.TemporaryDirectory() as folder:
        table = os.path.join(folder, "map.csv")
        for n in numbers:
            subprocess.run([cli, "predict", project, "--floor", floor, "--band", band, "--lens", "signal", "--access-point", str(n),
                            "--cell", str(cell_m), "--out", table], check=True, stdout=subprocess.DEVNULL)
            with open(table, newline="") as f:
                out[n] = [float(r["value"]) if r["value"] else None for r in csv.DictReader(f)]
    return out


def groups_of(requirements, maps):
    """(rows, need, times) of each requirement and band: rows are the sets of candidates that reach the level there."""
    for r in requirements:
        times = {"signal": 1, "next_best": 2}[r["lens"]]
        for band in r["bands_ghz"]:
            level = next((b["limit"] for b in r["band_limits"] if b["band_ghz"] == band), r["limit"])
            cells = len(next(iter(maps[band].values())))
            rows = [frozenset(n for n, m in maps[band].items() if m[c] is not None and m[c] >= level) for c in range(cells)]
            yield rows, math.ceil(r["share_required"] * cells - 1e-9), times


def optimum(groups, numbers, seconds):
    """(cost, bound) by CBC."""
    lines = ["Minimize", " obj: " + " + ".join(f"x{n}" for n in numbers), "Subject To"]
    integers, k = [f"x{n}" for n in numbers], 0
    for g, (rows, need, times) in enumerate(groups):
        alike = {}
        for r in rows:
            alike[r] = alike.get(r, 0) + 1
        need = min(need, sum(n for r, n in alike.items() if len(r) >= times))
        opened = []
        for r, n in alike.items():
            name = f"u{k}"
            k += 1
            lines.append(f" c{k}: " + " + ".join([f"x{i}" for i in sorted(r)] + [f"{times} {name}"]) + f" >= {times}")
            opened.append(f"{n} {name}")
            integers.append(name)
        lines.append(f" g{g}: " + " + ".join(opened) + f" <= {len(rows) - need}")
    lines += ["Binary"] + [f" {i}" for i in integers] + ["End"]
    with tempfile.TemporaryDirectory() as folder:
        model, answer = os.path.join(folder, "m.lp"), os.path.join(folder, "s.txt")
        with open(model, "w") as f:
            f.write("\n".join(lines))
        said = subprocess.run(["cbc", model, "sec", str(seconds), "solve", "solu", answer], capture_output=True, text=True).stdout
        with open(answer) as f:
            status = f.readline()
    bound = None
    for line in said.splitlines():
        if line.startswith("Lower bound:"):
            bound = float(line.split()[2])
    cost = float(status.split()[-1])
    return cost, cost if status.startswith("Optimal") else bound


def main():
    cli, bench = sys.argv[1], sys.argv[2]
    floors = int(sys.argv[3]) if len(sys.argv) > 3 else 5
    seconds = int(sys.argv[4]) if len(sys.argv) > 4 else 120
    failed = False
    with tempfile.TemporaryDirectory() as folder:
        subprocess.run([bench, "--write", folder, str(floors)], check=True)
        for i in range(1, floors + 1):
            project, everything = os.path.join(folder, f"floor-{i}.yemvo"), os.path.join(folder, f"all-{i}.yemvo")
            said = subprocess.run([cli, "propose", project, "--seconds", "30", "--candidates", everything, "--json"],
                                  capture_output=True, text=True, check=True).stdout
            found = json.loads(said)
            with zipfile.ZipFile(project) as z:
                requirements = [r for s in json.loads(z.read("requirements.json"))["requirement_sets"] if s["on"] for r in s["requirements"]]
            cell_m, floor = found["grids"][0]["cell_m"], found["grids"][0]["floor"]
            numbers = range(1, found["candidates"] + 1)
            bands = sorted({b for r in requirements for b in r["bands_ghz"]})
            maps = {b: maps_of(cli, everything, floor, b, cell_m, numbers) for b in bands}
            best, least = optimum(list(groups_of(requirements, maps)), numbers, seconds)
            # where CBC ran out of time, the count has to lie between its bound and what it found
            fits = found["lower_bound"] <= best + 1e-6 and math.ceil(least - 1e-6) - 1 <= found["access_points"] <= best + 1
            failed = failed or not fits
            print(f"floor {i}: {len(numbers)} candidates, CBC {best:.0f} (at least {least}), proposed {found['access_points']}, "
                  f"bound {found['lower_bound']:.0f}: {'agree' if fits else 'DO NOT AGREE'}", flush=True)
    sys.exit(1 if failed else 0)


main()
