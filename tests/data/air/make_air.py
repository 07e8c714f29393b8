#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Writes captures by scapy, which has nothing in common with the program's reader, and beside them what stands in them:
    tests/data/air/make_air.py     (needs the package python3-scapy; writes into its own folder)"""
import json
import os
import struct

from scapy.all import (Dot11, Dot11AssoReq, Dot11Beacon, Dot11Elt, Dot11ProbeReq, Dot11ProbeResp, Ether, IP, RadioTap, Raw, UDP,
                       PcapWriter)

FOLDER = os.path.dirname(os.path.abspath(__file__))


def element(number, body):
    return Dot11Elt(ID=number, info=bytes(body), len=len(body))


def extended(number, body):
    return element(255, bytes([number]) + bytes(body))


def rates(*mbps):
    return element(1, [int(m * 2) | (0x80 if basic else 0) for m, basic in mbps])


def ht_cap(streams, wide=False, refuses=False):
    info = (2 if wide else 0) | (0x4000 if refuses else 0)
    return element(45, struct.pack("<HB", info, 0x17) + bytes([255] * streams + [0] * (16 - streams)) + bytes(7))


def ht_op(primary, offset=0):
    return element(61, bytes([primary, offset | (4 if offset else 0)]) + bytes(20))


def vht_cap(streams, at_160=False):
    rx = sum((2 if s < streams else 3) << (2 * s) for s in range(8))
    return element(191, struct.pack("<IHHHH", 4 if at_160 else 0, rx, 0, rx, 0))


def vht_op(width, segment_0, segment_1):
    return element(192, bytes([width, segment_0, segment_1, 0xFC, 0xFF]))


def he_cap(streams, widths):
    rx = sum((2 if s < streams else 3) << (2 * s) for s in range(8))
    return extended(35, bytes(6) + bytes([widths]) + bytes(10) + struct.pack("<HH", rx, rx))


def he_op(colour, at_6=None):
    parameters = (1 << 17) if at_6 else 0
    return extended(36, struct.pack("<I", parameters)[:3] + bytes([colour, 0xFC, 0xFF]) + (bytes(at_6) if at_6 else b""))


def eht_op(width, segment_0, segment_1):
    return extended(106, bytes([1, 0, 0, 0, 0, width, segment_0, segment_1]))


def load(stations, use):
    return element(11, struct.pack("<HBH", stations, round(use * 255), 0))


def radiotap(mhz, dbm):
    if dbm is None:
        return RadioTap(present="Channel", ChannelFrequency=mhz, ChannelFlags=0)
    return RadioTap(present="Channel+dBm_AntSignal", ChannelFrequency=mhz, ChannelFlags=0, dBm_AntSignal=dbm)


def beacon(bssid, name, mhz, dbm, elements, answer=False):
    kind = Dot11ProbeResp(beacon_interval=100) if answer else Dot11Beacon(beacon_interval=100, cap="ESS+privacy")
    frame = radiotap(mhz, dbm) / Dot11(type=0, subtype=5 if answer else 8, addr1="ff:ff:ff:ff:ff:ff", addr2=bssid, addr3=bssid) / kind
    frame /= element(0, name.encode())
    for e in elements:
        frame /= e
    return frame


def data(bssid, station, mhz, dbm, again, down):
    control = ("from-DS" if down else "to-DS") + ("+retry" if again else "")
    one, two = (station, bssid) if down else (bssid, station)
    return radiotap(mhz, dbm) / Dot11(type=2, subtype=0, FCfield=control, addr1=one, addr2=two, addr3=bssid) / Raw(bytes(60))


NETWORKS = [
    # bssid, name, tuned MHz, level, elements, and what it is
    ("02:1e:5a:07:10:24", "Pier 4 staff", 2412, -48,
     [rates((6, True), (12, False), (24, True)), element(3, [1]), ht_cap(2), ht_op(1), he_cap(2, 0), he_op(5), load(11, 0.38)],
     dict(band_ghz=2.4, primary=1, width_mhz=20, centre_mhz=2412, standard="ax", stations=11, utilisation=0.38)),
    ("02:1e:5a:07:10:25", "Pier 4 guests", 2412, -49,
     [rates((6, True), (24, True)), element(3, [1]), ht_cap(2), ht_op(1), he_cap(2, 0), he_op(5)],
     dict(band_ghz=2.4, primary=1, width_mhz=20, centre_mhz=2412, standard="ax", stations=None, utilisation=None)),
    ("02:33:0b:18:c5:90", "Workshop 2", 2457, -61,
     [rates((1, True), (2, True), (5.5, True), (11, True)), element(3, [10]), ht_cap(1, wide=True), ht_op(10, 3), load(3, 0.24)],
     dict(band_ghz=2.4, primary=10, width_mhz=40, centre_mhz=2447, standard="n", stations=3, utilisation=0.24)),
    ("06:f0:2d:4e:01:7b", "", 2457, -74,  # heard on channel 10, though it is on 9
     [rates((1, True)), element(3, [9]), ht_cap(1), ht_op(9)],
     dict(band_ghz=2.4, primary=9, width_mhz=20, centre_mhz=2452, standard="n", stations=None, utilisation=None)),
    ("02:1e:5a:07:10:26", "Pier 4 staff", 5180, -54,
     [rates((12, True)), ht_cap(4, wide=True), ht_op(36, 1), vht_cap(4), vht_op(1, 42, 0), he_cap(4, 4), he_op(9), load(19, 0.41)],
     dict(band_ghz=5, primary=36, width_mhz=80, centre_mhz=5210, standard="ax", stations=19, utilisation=0.41)),
    ("02:33:0b:18:c5:91", "Workshop 2", 5580, -66,
     [rates((6, True)), ht_cap(2, wide=True), ht_op(116, 1), vht_cap(2, at_160=True), vht_op(1, 122, 114)],
     dict(band_ghz=5, primary=116, width_mhz=160, centre_mhz=5570, standard="ac", stations=None, utilisation=None)),
    ("02:88:17:5c:e4:60", "tidewatch", 5260, -76,
     [rates((6, True)), ht_cap(2, wide=True), ht_op(52, 1), vht_cap(2), vht_op(0, 0, 0)],
     dict(band_ghz=5, primary=52, width_mhz=40, centre_mhz=5270, standard="ac", stations=None, utilisation=None)),
    ("02:1e:5a:07:10:27", "Pier 4 staff", 6135, -57,
     [rates((12, True)), he_cap(4, 4), he_op(9, [37, 2, 39, 0, 6]), extended(108, bytes(8))],
     dict(band_ghz=6, primary=37, width_mhz=80, centre_mhz=6145, standard="be", stations=None, utilisation=None)),
    ("06:9c:41:d2:77:04", "ropewalk-loft", 6295, -73,
     [rates((12, True)), he_cap(2, 12), he_op(3, [69, 3, 71, 79, 6])],
     dict(band_ghz=6, primary=69, width_mhz=160, centre_mhz=6345, standard="ax", stations=None, utilisation=None)),
    ("02:6a:70:13:9d:05", "drawing office", 6055, -69,
     [rates((12, True)), he_cap(2, 12), he_op(3, [21, 3, 23, 15, 6]), eht_op(4, 15, 31), extended(108, bytes(8))],
     dict(band_ghz=6, primary=21, width_mhz=320, centre_mhz=6105, standard="be", stations=None, utilisation=None)),
]


def frames():
    for turn in range(5):
        for bssid, name, mhz, dbm, elements, _ in NETWORKS:
            yield beacon(bssid, name, mhz, dbm + (turn % 3) - 1, elements)
    # the hidden name is told to who asks for it
    yield beacon("06:f0:2d:4e:01:7b", "back room", 2457, -74, NETWORKS[3][4], answer=True)
    client = "0a:00:00:00:00:01"
    for mhz in (2412, 5180):
        yield (radiotap(mhz, -60) / Dot11(type=0, subtype=4, addr1="ff:ff:ff:ff:ff:ff", addr2=client, addr3="ff:ff:ff:ff:ff:ff")
               / Dot11ProbeReq() / element(0, b"") / ht_cap(1, refuses=mhz < 3000))
    joiner = "0a:00:00:00:00:02"
    yield (radiotap(5180, -58) / Dot11(type=0, subtype=0, addr1="02:1e:5a:07:10:26", addr2=joiner, addr3="02:1e:5a:07:10:26")
           / Dot11AssoReq() / element(0, b"Pier 4 staff") / ht_cap(2, wide=True) / vht_cap(2) / he_cap(2, 4))
    for i in range(10):
        yield data("02:1e:5a:07:10:24", client, 2412, -50, i < 3, i % 2 == 0)
    yield beacon("02:05:de:90:3a:11", "scale-room-printer", 2462, None, [element(3, [11]), ht_cap(1), ht_op(11)])


def write_pcapng(every):
    """Scapy's writer of this format knows Ethernet alone: section, interface, and a block a frame, as the draft has them."""
    def block(kind, body):
        body += bytes(-len(body) % 4)
        return struct.pack("<II", kind, len(body) + 12) + body + struct.pack("<I", len(body) + 12)

    with open(os.path.join(FOLDER, "pier.pcapng"), "wb") as out:
        out.write(block(0x0A0D0D0A, struct.pack("<IHHq", 0x1A2B3C4D, 1, 0, -1)))
        out.write(block(1, struct.pack("<HHI", 127, 0, 0)))
        for frame in every:
            data = bytes(frame)
            micro = int(frame.time * 1_000_000)
            out.write(block(6, struct.pack("<IIIII", 0, micro >> 32, micro & 0xFFFFFFFF, len(data), len(data)) + data))


def main():
    every = list(frames())
    for i, frame in enumerate(every):
        frame.time = 1_700_000_000 + i * 0.05
    out = PcapWriter(os.path.join(FOLDER, "pier.pcap"), linktype=127)
    for frame in every:
        out.write(frame)
    out.close()
    write_pcapng(every)
    whole = open(os.path.join(FOLDER, "pier.pcap"), "rb").read()
    open(os.path.join(FOLDER, "cut.pcap"), "wb").write(whole[: len(whole) // 2])
    other = PcapWriter(os.path.join(FOLDER, "wired.pcap"), linktype=1)
    other.write(Ether() / IP() / UDP())
    other.close()
    expected = [dict(bssid=b, ssid="back room" if not n else n, hidden=not n, signal_dbm=d, **what) for b, n, _, d, _, what in NETWORKS]
    expected.append(dict(bssid="02:05:de:90:3a:11", ssid="scale-room-printer", hidden=False, signal_dbm=None, band_ghz=2.4, primary=11,
                         width_mhz=20, centre_mhz=2462, standard="n", stations=None, utilisation=None))
    json.dump(expected, open(os.path.join(FOLDER, "pier.json"), "w"), indent=1)


main()
