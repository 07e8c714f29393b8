#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes the regulatory database as text, one rule a line as its maintainers write it:
    country DE: DFS-ETSI
        (5150 - 5250 @ 80), (23.01), NO-OUTDOOR, AUTO-BW
A reader of its own, that tests hold the program's against:
    tools/regulatory_text.py data/regulatory.db US DE ... > tests/data/regulatory_text.txt
"""
import struct
import sys

FLAGS = ["NO-OFDM", "NO-OUTDOOR", "DFS", "NO-IR", "AUTO-BW"]
REGIONS = ["", "DFS-FCC", "DFS-ETSI", "DFS-JP"]


def plain(number):
    return f"{number:.3f}".rstrip("0").rstrip(".")


def rule_text(data, at):
    length, flags, eirp, low, high, width = struct.unpack_from(">BBHIII", data, at)
    words = [f"({plain(low / 1000)} - {plain(high / 1000)} @ {plain(width / 1000)})", f"({plain(eirp / 100)})"]
    words += [name for bit, name in enumerate(FLAGS) if flags >> bit & 1]
    return ", ".join(words)


def main():
    data = open(sys.argv[1], "rb").read()
    at = 8
    places = {}
    while True:
        code, place = struct.unpack_from(">2sH", data, at)
        if not place:
            break
        places[code.decode()] = 4 * place
        at += 4
    for code in sys.argv[2:] or sorted(places):
        at = places[code]
        length, count, region = struct.unpack_from(">BBB", data, at)
        print(f"country {code}: {REGIONS[region & 3]}".rstrip())
        for (place,) in struct.iter_unpack(">H", data[at + (length + 1) // 2 * 2 :][: 2 * count]):
            print("\t" + rule_text(data, 4 * place))
        print()


main()
