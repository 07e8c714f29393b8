#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""charts_compare.py YEMVO_CLI FOLDER: traces the charts of tools/charts.py and prints how far each is off."""
import glob
import json
import os
import subprocess
import sys

WITHIN_DB = 25


def compare(cli, file):
    with open(os.path.splitext(file)[0] + ".json") as truth_file:
        truth = json.load(truth_file)
    run = subprocess.run([cli, "pattern", "trace", file, "--json", *truth["options"]], capture_output=True, text=True)
    if run.returncode != 0:
        return None, run.stderr.strip()
    traced = json.loads(run.stdout)
    off = sorted(abs(a - b) for a, b in zip(traced["attenuation_db"], truth["attenuation_db"]) if b <= WITHIN_DB)
    return {
        "mean": sum(off) / len(off),
        "high": off[int(0.95 * (len(off) - 1))],
        "guessed": 100 * traced["guessed_share"],
        "stated": traced["error_db"],
        "told": bool(truth["options"]),
        "ring": f"{traced['ring_db']:g}{'?' if traced['ring_db_guessed'] else ''}",
        "zero": f"{traced['zero_deg']:.1f}{'+' if traced['clockwise'] else '-'}{'?' if traced['angles_guessed'] else ''}",
    }, None


def main():
    cli, folder = sys.argv[1:3]
    files = sorted(f for kind in ("png", "jpg", "pdf") for f in glob.glob(f"{folder}/*.{kind}"))
    good = alone = 0
    print(f"{'chart':<18} {'mean dB':>8} {'95 % dB':>8} {'guessed %':>10} {'stated dB':>10} {'ring dB':>8} {'zero':>9}")
    for file in files:
        name = os.path.splitext(os.path.basename(file))[0]
        found, fault = compare(cli, file)
        if fault is not None:
            print(f"{name:<18} {fault}")
            continue
        met = found["mean"] < 0.3 and found["high"] < 1
        good += met
        alone += met and not found["told"]
        print(f"{name:<18} {found['mean']:8.3f} {found['high']:8.3f} {found['guessed']:10.1f} {found['stated']:10.2f}"
              f" {found['ring']:>8} {found['zero']:>9}{'' if met else '  beyond the limits'}")
    print(f"{good} of {len(files)} within 0.3 dB in the mean and 1 dB for 95 of 100 directions; {alone} without any option")
    return 0 if good == len(files) else 1


sys.exit(main())
