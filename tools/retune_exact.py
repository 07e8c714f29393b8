#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Holds `yemvo-cli retune` against the exact optimum of random instances, by the solver CBC as an integer programme.
The costs of pairs are worked out here anew, from docs/format/retune-instance.md; nothing of the program is used for them.

    tools/retune_exact.py build/release/bin/yemvo-cli [COUNT]

Prints the gaps; ends with 1 where the mean is 1 % or more, one is over 5 %, or one took 2 s. Needs the package coinor-cbc."""
import json
import os
import random
import re
import subprocess
import sys
import tempfile
import time


def block(number, width):
    """The 20 MHz channels of one at 5 GHz, by the number of its centre."""
    first = number - (width // 20 - 1) * 2
    return {first + 4 * k for k in range(width // 20)}


def share(own, other):
    """What `own` loses of the time that `other` sends."""
    mine, theirs = block(own["channel"], own["width_mhz"]), block(other["channel"], other["width_mhz"])
    if not mine & theirs:
        return 0.0
    if own["primary"] in theirs:
        return 1.0
    # the widest block round the primary that the other leaves free
    width = own["width_mhz"]
    while width > 20:
        width //= 2
        members = sorted(mine)
        at = members.index(own["primary"]) // (width // 20) * (width // 20)
        if not set(members[at : at + width // 20]) & theirs:
            break
    return 1 - width / own["width_mhz"]


def heard(power, loss, threshold):
    return 1.0 if loss is None else min(1.0, max(0.0, (power - loss - threshold) / 10 + 0.5))


def pair_cost(instance, pair, a, b):
    radios = {r["radio"]: r for r in instance["radios"]}
    ra, rb = radios[pair["a"]], radios[pair["b"]]
    there, back = pair.get("loss_db"), pair.get("loss_back_db", pair.get("loss_db"))
    limit = instance["heard_dbm"]
    return pair["weight"] * 0.5 * (
        ra["weight"] * share(a, b) * b["air"] * heard(b["power_dbm"], back, limit)
        + rb["weight"] * share(b, a) * a["air"] * heard(a["power_dbm"], there, limit)
    )


def make(seed):
    r = random.Random(seed)
    n = r.randint(6, 14)
    blocks = [(36, 20), (40, 20), (44, 20), (48, 20), (38, 40), (46, 40), (42, 80)][: r.randint(3, 7)]
    radios = []
    for i in range(n):
        allowed = []
        for number, width in r.sample(blocks, r.randint(2, len(blocks))):
            allowed.append(
                {
                    "channel": number,
                    "width_mhz": width,
                    "primary": r.choice(sorted(block(number, width))),
                    "power_dbm": r.choice([8, 14, 17]),
                    "cost": round(r.uniform(0, 0.4), 3),
                    "air": round(r.uniform(0.1, 1.0), 3),
                }
            )
        radios.append({"radio": str(i), "band_ghz": 5, "allowed": allowed, "weight": round(r.uniform(0.5, 2), 3)})
        if r.random() < 0.7:
            radios[-1]["now"] = r.randrange(len(allowed))
    pairs = []
    for a in range(n):
        for b in range(a + 1, n):
            if r.random() < 0.5:
                pair = {"a": str(a), "b": str(b), "weight": round(r.uniform(0.2, 2), 3)}
                if r.random() < 0.6:
                    pair["loss_db"] = round(r.uniform(80, 105), 1)
                    if r.random() < 0.5:
                        pair["loss_back_db"] = round(r.uniform(80, 105), 1)
                pairs.append(pair)
    return {"heard_dbm": -82, "change_cost": r.choice([0, 0.05]), "radios": radios, "pairs": pairs}


def optimum(instance, folder):
    """min sum c x + sum w y, where y of a pair of settings is at least x + x - 1, in the tight form of marginals."""
    names = {r["radio"]: k for k, r in enumerate(instance["radios"])}
    lines, rows, binaries = [], [], []
    for i, r in enumerate(instance["radios"]):
        for s, setting in enumerate(r["allowed"]):
            cost = setting["cost"] + (instance["change_cost"] if r.get("now", -1) != s else 0)
            lines.append(f"+ {cost:.9f} x{i}_{s}")
            binaries.append(f"x{i}_{s}")
        rows.append(" + ".join(f"x{i}_{s}" for s in range(len(r["allowed"]))) + " = 1")
    for k, pair in enumerate(instance["pairs"]):
        i, j = names[pair["a"]], names[pair["b"]]
        own, other = instance["radios"][i]["allowed"], instance["radios"][j]["allowed"]
        for s in range(len(own)):
            for t in range(len(other)):
                cost = pair_cost(instance, pair, own[s], other[t])
                lines.append(f"+ {cost:.9f} y{k}_{s}_{t}")
        for s in range(len(own)):
            rows.append(" + ".join(f"y{k}_{s}_{t}" for t in range(len(other))) + f" - x{i}_{s} = 0")
        for t in range(len(other)):
            rows.append(" + ".join(f"y{k}_{s}_{t}" for s in range(len(own))) + f" - x{j}_{t} = 0")
    path = os.path.join(folder, "one.lp")
    with open(path, "w") as out:
        out.write("Minimize\n obj: " + "\n ".join(lines) + "\nSubject To\n")
        for k, row in enumerate(rows):
            out.write(f" r{k}: {row}\n")
        out.write("Binaries\n " + "\n ".join(binaries) + "\nEnd\n")
    text = subprocess.run(["cbc", path, "ratioGap", "0", "allowableGap", "0", "solve"], capture_output=True, text=True).stdout
    found = re.search(r"Objective value:\s+([-0-9.eE+]+)", text)
    if "Optimal solution found" not in text or not found:
        sys.exit("cbc did not prove an optimum:\n" + text)
    return float(found.group(1))


def main():
    program, count = sys.argv[1], int(sys.argv[2]) if len(sys.argv) > 2 else 200
    gaps, longest, proven = [], 0.0, 0
    with tempfile.TemporaryDirectory() as folder:
        for seed in range(count):
            instance = make(seed)
            path = os.path.join(folder, "one.json")
            json.dump(instance, open(path, "w"))
            begun = time.monotonic()
            answer = json.loads(subprocess.run([program, "retune", path, "--json"], capture_output=True, text=True, check=True).stdout)
            longest = max(longest, time.monotonic() - begun)
            best = optimum(instance, folder)
            proven += answer["proven"]
            gaps.append((answer["objective"] - best) / max(best, 1e-6) if answer["objective"] - best > 1e-6 else 0.0)
            if answer["lower_bound"] > best + 1e-5:
                sys.exit(f"seed {seed}: the bound {answer['lower_bound']} lies above the optimum {best}")
            if answer["objective"] < best - 1e-5:
                sys.exit(f"seed {seed}: {answer['objective']} is below the optimum {best}: the costs differ")
    mean, worst = sum(gaps) / len(gaps), max(gaps)
    print(f"{count} instances: mean gap {100 * mean:.4f} %, worst {100 * worst:.4f} %, {proven} proven, longest {longest:.2f} s")
    sys.exit(mean >= 0.01 or worst > 0.05 or longest >= 2)


main()
