#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Kills the editing program at random moments and looks at what is left.

kill_while_editing.py EDITOR FIND_NEWEST DEMO_CLI ROUNDS [SEED]

Each round is one of four: a plain file; a link to one; a file on a disk that is full, so that saving fails and the
journal alone holds the work; two windows with the same file, each writing over the other's.

Fails when the project's file does not open, when a link is no link any more, or when the newest value of a window
found, in the file, in a journal or among the earlier versions, is older than ten seconds before the kill. Prints the
worst and the median age.
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
state = folder + "/data/yemvo-crash-test"
ages, from_journal, done = [], 0, {}
longest = 9.0 if rounds >= 20 else 5.0


def small_disk(place):
    """A disk of a few megabytes, where the machine lets us have one."""
    os.mkdir(place)
    return subprocess.run(["mount", "-t", "tmpfs", "-o", "size=4m", "tmpfs", place], stderr=subprocess.DEVNULL).returncode == 0


def edits_of(log):
    """When each edit was made, by its number."""
    log.seek(0)
    found = {}
    for line in log.read().splitlines():
        words = line.split()
        if len(words) == 2 and words[0] != "saved":
            found[int(words[0])] = int(words[1])
    return found


def check(kind, windows, killed_ms, names):
    """How long each window's lost work goes back."""
    global from_journal
    for letter, log in windows:
        edits = edits_of(log)
        numbers = [int(n[1:]) for n in names if n.startswith(letter) and n[1:].isdigit()]
        newest = max(numbers) if numbers else 0
        from_journal += newest > 0 and names[0] != f"{letter}{newest}"
        # what came after the newest value found is lost: its first edit tells for how long
        lost = [t for n, t in edits.items() if n > newest and t <= killed_ms]
        ages.append((killed_ms - min(lost)) / 1000 if lost else 0.0)
        if ages[-1] > 10:
            sys.exit(f"{kind}: {ages[-1]:.1f} s of work lost (found {newest} of {len(edits)})")


mounted = None
try:
    for k in range(rounds):
        kind = ["plain", "link", "full disk", "two windows"][k % 4]
        real = file = f"{folder}/venue-{k}.yemvo"
        if kind == "link":
            os.mkdir(f"{folder}/real-{k}")
            real = f"{folder}/real-{k}/venue.yemvo"
            os.symlink(real, file)
        if kind == "full disk":
            if not small_disk(f"{folder}/disk-{k}"):
                print("a full disk could not be made here (no mount): left out")
                continue
            mounted = f"{folder}/disk-{k}"
            real = file = mounted + "/venue.yemvo"
        subprocess.run([cli, "demo", "--out", file], check=True, stdout=subprocess.DEVNULL, env=environment)
        if kind == "full disk":
            with open(mounted + "/filling", "wb", buffering=0) as filling:
                try:
                    while True:
                        filling.write(b"x" * 4096)
                except OSError:
                    pass
        windows, processes = [], []
        for letter in "ab" if kind == "two windows" else "a":
            log = open(f"{folder}/log-{letter}", "w+")
            windows.append((letter, log))
            processes.append(subprocess.Popen([editor, file, str(dice.randrange(10**6)), letter], stdout=log, env=environment))
        time.sleep(dice.uniform(1.5, longest))
        killed_ms = time.time() * 1000
        for process in processes:
            process.send_signal(signal.SIGKILL)
        for process in processes:
            process.wait()
        if kind == "link" and not os.path.islink(file):
            sys.exit("link: the link is gone")
        found = subprocess.run([find_newest, file, state], stdout=subprocess.PIPE, text=True, env=environment)
        if found.returncode:
            sys.exit(f"{kind}: {found.stdout.strip()}")
        check(kind, windows, killed_ms, found.stdout.split("\n"))
        done[kind] = done.get(kind, 0) + 1
        if mounted:
            subprocess.run(["umount", mounted])
            mounted = None
        shutil.rmtree(state + "/versions", ignore_errors=True)
finally:
    if mounted:
        subprocess.run(["umount", mounted])
    shutil.rmtree(folder, ignore_errors=True)
ages.sort()
print(", ".join(f"{n} times {kind}" for kind, n in done.items()) + f": the file opened every time, work lost "
      f"{ages[-1]:.1f} s at worst, {ages[len(ages) // 2]:.1f} s in the median; {from_journal} times something newer than the "
      "file was found")
