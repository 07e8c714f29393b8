#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""charts.py FOLDER, or --sheet FILE.pdf: round charts of known curves in many styles, as data sheets print them, each with its truth.

Writes NAME.png, NAME.jpg or NAME.pdf and NAME.json: {"options": [what a person would have to say], "attenuation_db": [360]},
angles as the chart counts them, 0 to 359.
"""
import io
import json
import sys

import matplotlib

matplotlib.use("Agg")
import matplotlib.pyplot as plt
import numpy as np
from PIL import Image, ImageFilter

DEGREES = np.arange(360)


def sector(width, back, ripple=0.0, seed=1):
    """A main lobe with side lobes between nulls, and a back lobe."""
    a = np.where(DEGREES > 180, DEGREES - 360, DEGREES).astype(float)
    main = -12 * (a / width) ** 2
    side = -back + 4 * np.cos(np.radians(a * 360 / (1.1 * width))) - 6 * (np.abs(a) / 180)
    rear = -back - 2 - 12 * ((180 - np.abs(a)) / 60) ** 2
    rng = np.random.default_rng(seed)
    bumps = ripple * np.cos(np.radians(7 * a + 40 * rng.random()))
    value = 10 * np.log10(10 ** (main / 10) + 10 ** (side / 10) * 0.5 + 10 ** (rear / 10)) + bumps
    return value - value.max()


def downtilted(width, tilt, back):
    a = np.where(DEGREES > 180, DEGREES - 360, DEGREES).astype(float) + tilt
    a = (a + 180) % 360 - 180
    u = np.sin(np.radians(a)) / np.sin(np.radians(width)) * 1.39
    array = np.abs(np.sinc(u / np.pi * 1.0))
    element = np.maximum(np.cos(np.radians(a)), 0.03)
    value = 20 * np.log10(np.maximum(array * element, 10 ** (-back / 20)))
    return value - value.max()


def round_with_lobes(depth, lobes):
    value = -depth / 2 * (1 - np.cos(np.radians(lobes * DEGREES)))
    return value - value.max()


def dumbbell():
    a = np.radians(DEGREES)
    field = np.abs(np.cos(np.pi / 2 * np.sin(a)) / np.maximum(np.abs(np.cos(a)), 1e-3))
    value = 20 * np.log10(np.maximum(field, 0.02))
    return value - value.max()


def axes(size=5, dpi=100, low=-40, high=0, zero="N", direction=-1, hub=None, face="white", figure="white", rect=None):
    fig = plt.figure(figsize=(size, size), dpi=dpi, facecolor=figure)
    ax = fig.add_axes(rect or [0.12, 0.12, 0.76, 0.76], projection="polar", facecolor=face)
    ax.set_theta_zero_location(zero)
    ax.set_theta_direction(direction)
    ax.set_ylim(low, high)
    if hub is not None:
        ax.set_rorigin(hub)
    return fig, ax


def draw(ax, curve, **how):
    angle = np.radians(np.append(DEGREES, 360))
    ax.plot(angle, np.append(curve, curve[0]), **how)


def grid(ax, rings, angles, labels=None, at=22.5, **look):
    ax.set_rgrids(rings, angle=at)
    ax.set_thetagrids(angles, labels=labels)
    ax.grid(**({"color": "#b0b0b0", "linewidth": 0.8} | look))


def image(fig):
    buffer = io.BytesIO()
    fig.savefig(buffer, format="png", facecolor=fig.get_facecolor())
    plt.close(fig)
    return Image.open(buffer).convert("RGB")


def in_font(ax, family):
    for label in ax.get_xticklabels() + ax.get_yticklabels():
        label.set_fontfamily(family)


def both_sides(step):
    return [f"{a if a <= 180 else a - 360}°" for a in range(0, 360, step)]


def plain():
    curve = sector(65, 25)
    fig, ax = axes()
    draw(ax, curve, color="#c01818", linewidth=1.6)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30))
    return image(fig), curve, []


def east_counter():
    curve = downtilted(12, 4, 30)
    fig, ax = axes(zero="E", direction=1)
    draw(ax, curve, color="#1848b8", linewidth=1.4)
    grid(ax, [-40, -30, -20, -10, 0], range(0, 360, 45))
    return image(fig), curve, []


def signed_labels():
    curve = sector(90, 18, 0.3)
    fig, ax = axes(size=6)
    draw(ax, curve, color="#107838", linewidth=2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), both_sides(30), at=100)
    in_font(ax, "Inter")
    return image(fig), curve, []


def with_hub():
    curve = sector(40, 22)
    fig, ax = axes(low=-30, hub=-45)
    draw(ax, curve, color="#a01890", linewidth=1.5)
    grid(ax, [-30, -25, -20, -15, -10, -5, 0], range(0, 360, 30), at=200)
    return image(fig), curve, []


def two_curves():
    curve, other = sector(70, 24), downtilted(15, 0, 28)
    fig, ax = axes(size=5.5)
    draw(ax, other, color="#d08010", linewidth=1.2, linestyle="--")
    draw(ax, curve, color="#1030c0", linewidth=1.8)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), at=140)
    return image(fig), curve, []


def dashed():
    curve = sector(80, 20, 0.4, seed=5)
    fig, ax = axes()
    draw(ax, curve, color="#c04000", linewidth=1.8, linestyle=(0, (4, 2)))
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30))
    return image(fig), curve, []


def filled():
    curve = sector(60, 26)
    fig, ax = axes()
    angle = np.radians(np.append(DEGREES, 360))
    ax.fill(angle, np.append(curve, curve[0]), color="#2070c0", alpha=0.3, linewidth=0)
    draw(ax, curve, color="#2070c0", linewidth=1.8)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), at=160)
    return image(fig), curve, []


def dark_ground():
    curve = sector(75, 23)
    fig, ax = axes(face="#101820", figure="#101820")
    draw(ax, curve, color="#ffd040", linewidth=1.6)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), color="#506070")
    ax.tick_params(colors="#d0d8e0")
    ax.spines["polar"].set_color("#a0a8b0")
    return image(fig), curve, []


def small_jpeg():
    curve = sector(65, 20)
    fig, ax = axes(size=3.2, dpi=100)
    draw(ax, curve, color="#b01010", linewidth=1.4)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30))
    ax.tick_params(labelsize=7)
    return image(fig), curve, {"jpeg": 45}


def turned_scan():
    curve = sector(55, 24, 0.3, seed=9)
    fig, ax = axes(size=6)
    draw(ax, curve, color="#202020", linewidth=2.2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), color="#909090", at=170)
    picture = image(fig).rotate(3, resample=Image.BICUBIC, fillcolor=(255, 255, 255))
    noise = np.random.default_rng(3).normal(0, 7, (picture.height, picture.width, 3))
    paper = np.array(picture).astype(float) * [0.97, 0.95, 0.88] + noise
    return Image.fromarray(np.clip(paper, 0, 255).astype(np.uint8)), curve, []


def black_on_black():
    curve = sector(85, 21)
    fig, ax = axes(size=6, dpi=110)
    draw(ax, curve, color="black", linewidth=2.4)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 15), color="black", linewidth=0.6, at=112)
    in_font(ax, "DejaVu Serif")
    return image(fig), curve, []


def on_a_sheet():
    curve = round_with_lobes(9, 3)
    fig = plt.figure(figsize=(8, 6), dpi=100, facecolor="white")
    ax = fig.add_axes([0.5, 0.25, 0.45, 0.6], projection="polar")
    ax.set_theta_zero_location("N")
    ax.set_theta_direction(-1)
    ax.set_ylim(-25, 5)
    draw(ax, curve, color="#0a7a70", linewidth=1.8)
    grid(ax, [-20, -15, -10, -5, 0, 5], range(0, 360, 30), at=75)
    fig.text(0.06, 0.9, "Made-up ceiling antenna", fontsize=16)
    for i, line in enumerate(["Frequency  5150 to 5850 MHz", "Gain  4.5 dBi", "Connector  N", "Weight  0.4 kg",
                              "Azimuth, relative dB"]):
        fig.text(0.06, 0.8 - 0.06 * i, line, fontsize=10)
    return image(fig), curve, []


def dipole_elevation():
    curve = dumbbell()
    fig, ax = axes(low=-20, zero="E", direction=1)
    draw(ax, curve, color="#cc2288", linewidth=1.6)
    grid(ax, [-18, -15, -12, -9, -6, -3, 0], range(0, 360, 30), at=250)
    return image(fig), curve, []


def fine_rings():
    curve = sector(100, 14, 0.2)
    fig, ax = axes(size=5, low=-30)
    draw(ax, curve, color="#4018a0", linewidth=1.3)
    grid(ax, list(range(-27, 1, 3)), range(0, 360, 10), color="#d0d0d0", linewidth=0.6, at=15)
    ax.set_xticklabels([f"{a}" if a % 30 == 0 else "" for a in range(0, 360, 10)])
    return image(fig), curve, []


def losses_inward():
    curve = sector(72, 22)
    fig, ax = axes(size=5)
    draw(ax, curve, color="#b03060", linewidth=1.5)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), at=50)
    ax.set_yticklabels(["30", "20", "10", "0"])
    return image(fig), curve, []


def grey_thin():
    curve = sector(95, 17, 0.2)
    fig, ax = axes(size=6)
    draw(ax, curve, color="#404040", linewidth=1.2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), color="#c0c0c0", linewidth=0.8, at=80)
    return image(fig), curve, []


def large_scan():
    curve = downtilted(18, 6, 26)
    fig, ax = axes(size=7, dpi=260, zero="E", direction=1)
    draw(ax, curve, color="#151515", linewidth=1.6)
    grid(ax, [-40, -30, -20, -10, 0], range(0, 360, 15), color="#707070", linewidth=0.7, at=200)
    in_font(ax, "STIXGeneral")
    picture = image(fig).rotate(-2.2, resample=Image.BICUBIC, fillcolor=(255, 255, 255))
    noise = np.random.default_rng(4).normal(0, 9, (picture.height, picture.width, 3))
    return Image.fromarray(np.clip(np.array(picture) * 0.96 + noise, 0, 255).astype(np.uint8)), curve, []


def tiny():
    curve = sector(68, 19)
    fig, ax = axes(size=2.4, dpi=100)
    draw(ax, curve, color="#1040c0", linewidth=1.2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 45), linewidth=0.6)
    ax.tick_params(labelsize=6)
    return image(fig), curve, []


def photo():
    curve = sector(78, 24)
    fig, ax = axes(size=6, dpi=120)
    draw(ax, curve, color="#8a1c1c", linewidth=2.2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), color="#888888", at=130)
    picture = image(fig).rotate(1.5, resample=Image.BICUBIC, fillcolor=(255, 255, 255))
    soft = np.array(picture.filter(ImageFilter.GaussianBlur(1.2))).astype(float)
    across = np.linspace(0.62, 1.0, soft.shape[1])[None, :, None]
    down = np.linspace(1.0, 0.85, soft.shape[0])[:, None, None]
    noise = np.random.default_rng(5).normal(0, 5, soft.shape)
    return Image.fromarray(np.clip(soft * across * down + noise, 0, 255).astype(np.uint8)), curve, {"jpeg": 70}


def seen_askew(picture, share):
    """From below: the upper edge is shorter by `share` of the width on both sides."""
    w, h = picture.size
    rows = []
    for (x, y), (u, v) in zip([(share * w, 0), (w - share * w, 0), (w, h), (0, h)], [(0, 0), (w, 0), (w, h), (0, h)]):
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]]
    rows = np.array(rows, dtype=float)
    turn = np.linalg.solve(rows[:, :8], rows[:, 8])
    return picture.transform((w, h), Image.PERSPECTIVE, turn, Image.BICUBIC, fillcolor=(230, 230, 228))


def photo_askew():
    curve = sector(90, 18, 0.3)
    fig, ax = axes(size=6)
    draw(ax, curve, color="#107838", linewidth=2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), both_sides(30), at=100)
    soft = np.array(seen_askew(image(fig), 0.02).filter(ImageFilter.GaussianBlur(0.8))).astype(float)
    light = np.linspace(0.75, 1.0, soft.shape[1])[None, :, None]
    noise = np.random.default_rng(1).normal(0, 5, soft.shape)
    return Image.fromarray(np.clip(soft * light + noise, 0, 255).astype(np.uint8)), curve, {"jpeg": 70}


def two_on_a_page():
    curve, other = sector(66, 25), downtilted(20, 3, 25)
    fig = plt.figure(figsize=(8, 11), dpi=90, facecolor="white")
    for values, rect, zero, direction in [(curve, [0.3, 0.52, 0.6, 0.4], "N", -1), (other, [0.34, 0.06, 0.52, 0.36], "E", 1)]:
        ax = fig.add_axes(rect, projection="polar")
        ax.set_theta_zero_location(zero)
        ax.set_theta_direction(direction)
        ax.set_ylim(-40, 0)
        draw(ax, values, color="#005f9e", linewidth=1.7)
        grid(ax, [-30, -20, -10, 0], range(0, 360, 30), at=160)
    for i, line in enumerate(["Sector antenna, made up", "Horizontal plane", "Frequency 5500 MHz", "Gain 11.5 dBi"]):
        fig.text(0.05, 0.93 - 0.03 * i, line, fontsize=11)
    return image(fig), curve, []


def pdf_sheet():
    curve = sector(58, 23)
    fig = plt.figure(figsize=(8.27, 11.69), facecolor="white")
    ax = fig.add_axes([0.45, 0.5, 0.45, 0.35], projection="polar")
    ax.set_theta_zero_location("N")
    ax.set_theta_direction(-1)
    ax.set_ylim(-40, 0)
    draw(ax, curve, color="#a03000", linewidth=1.2)
    grid(ax, [-30, -20, -10, 0], range(0, 360, 30), at=200)
    for i, line in enumerate(["Panel antenna, made up", "Frequency 5500 MHz", "Gain 12 dBi", "Impedance 50 ohm"]):
        fig.text(0.08, 0.9 - 0.03 * i, line, fontsize=11)
    return fig, curve, {"pdf": True}


CHARTS = [plain, east_counter, signed_labels, with_hub, two_curves, dashed, filled, dark_ground, small_jpeg,
          turned_scan, black_on_black, on_a_sheet, dipole_elevation, fine_rings, losses_inward, grey_thin, large_scan, tiny, photo, photo_askew, two_on_a_page, pdf_sheet]


def panel_sheet(file):
    """The sheet of a made-up panel antenna: a table, and both charts."""
    fig = plt.figure(figsize=(8.27, 11.69), facecolor="white")
    fig.text(0.09, 0.93, "Sector panel, radiation patterns", fontsize=17, fontfamily="DejaVu Serif")
    rows = [("Frequency", "5500 MHz"), ("Gain", "13.0 dBi"), ("Azimuth, -3 dB", "65\u00b0"), ("Elevation, -3 dB", "32\u00b0"),
            ("Front to back", "> 23 dB"), ("Connector", "N"), ("Weight", "1.1 kg")]
    for i, (name, value) in enumerate(rows):
        fig.text(0.09, 0.84 - 0.028 * i, name, fontsize=11, fontfamily="DejaVu Serif")
        fig.text(0.3, 0.84 - 0.028 * i, value, fontsize=11, fontfamily="DejaVu Serif")
    for title, values, rect, zero, direction in [
            ("Horizontal plane", sector(65, 24), [0.42, 0.55, 0.48, 0.34], "N", -1),
            ("Vertical plane", sector(32, 24), [0.42, 0.1, 0.48, 0.34], "E", 1)]:
        ax = fig.add_axes(rect, projection="polar")
        ax.set_theta_zero_location(zero)
        ax.set_theta_direction(direction)
        ax.set_ylim(-40, 0)
        draw(ax, values, color="#202020", linewidth=1.5)
        grid(ax, [-30, -20, -10, 0], range(0, 360, 30), color="#909090", linewidth=0.6, at=200)
        fig.text(0.09, rect[1] + 0.02, title, fontsize=12, fontfamily="DejaVu Serif")
    fig.savefig(file, metadata={"CreationDate": None})
    plt.close(fig)


def main():
    folder = sys.argv[1]
    if folder == "--sheet":
        panel_sheet(sys.argv[2])
        return
    for chart in CHARTS:
        picture, curve, options = chart()
        name = chart.__name__.replace("_", "-")
        if isinstance(options, dict):  # how it is kept
            if "pdf" in options:
                picture.savefig(f"{folder}/{name}.pdf")
            else:
                picture.save(f"{folder}/{name}.jpg", quality=options["jpeg"])
            options = []
        else:
            picture.save(f"{folder}/{name}.png")
        with open(f"{folder}/{name}.json", "w") as out:
            json.dump({"options": options, "attenuation_db": [round(float(-v), 3) for v in curve]}, out)


main()
