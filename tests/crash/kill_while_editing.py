#!/usr/bin/python3
"""Kills the editing program at random moments and looks at what is left.

kill_while_editing.py EDITOR FIND_NEWEST DEMO_CLI ROUNDS [SEED]

Fails when the project's file does not open, or when the newest value found, in the file or in the journal, is older
than ten seconds before the kill. Prints the worst and the median age.
"""
import os
import random
import shutil
import signal
import subprocess
import sys
import tempfile
import time

editor, find_newest, cli, rounds = sys.argv[1:4] + [int(sys.argv[4])]
dice = random.Random(int(sys.argv[5]) if len(sys.argv) > 5 else 1)
folder = tempfile.mkdtemp(prefix="yemvo-kill-")
environment = dict(os.environ, QT_QPA_PLATFORM="offscreen", XDG_RUNTIME_DIR=folder, XDG_DATA_HOME=folder + "/data",
                   XDG_CONFIG_HOME=folder + "/config")
journal = folder + "/data/yemvo-crash-test/journal"
ages, from_journal = [], 0
longest = 9.0 if rounds >= 20 else 5.0
try:
    for k in range(rounds):
        file = f"{folder}/venue-{k}.yemvo"
        subprocess.run([cli, "demo", "--out", file], check=True, stdout=subprocess.DEVNULL, env=environment)
        log = open(f"{folder}/log", "w+")
        process = subprocess.Popen([editor, file, str(dice.randrange(10**6))], stdout=log, env=environment)
        time.sleep(dice.uniform(1.0, longest))
        killed_ms = time.time() * 1000
        process.send_signal(signal.SIGKILL)
        process.wait()
        log.seek(0)
        edits = {}
        for line in log.read().splitlines():
            words = line.split()
            if len(words) == 2 and words[0] != "saved":
                edits[words[0]] = int(words[1])
        found = subprocess.run([find_newest, file, journal], stdout=subprocess.PIPE, text=True, env=environment)
        names = found.stdout.split("\n")
        if found.returncode:
            sys.exit(f"round {k}: {found.stdout.strip()}")
        known = [int(n) for n in names if n.isdigit()]
        newest = max(known) if known else 0
        from_journal += len(known) > 1 and names[1].isdigit() and int(names[1]) == newest
        # what came after the newest value found is lost: its first edit tells for how long
        lost = [t for n, t in edits.items() if int(n) > newest and t <= killed_ms]
        ages.append((killed_ms - min(lost)) / 1000 if lost else 0.0)
        if ages[-1] > 10:
            sys.exit(f"round {k}: {ages[-1]:.1f} s of work lost (found {newest} of {len(edits)})")
finally:
    shutil.rmtree(folder, ignore_errors=True)
ages.sort()
print(f"killed {rounds} times while editing and saving: the file opened every time, work lost {ages[-1]:.1f} s at worst, "
      f"{ages[len(ages) // 2]:.1f} s in the median; {from_journal} times the journal was newest")
