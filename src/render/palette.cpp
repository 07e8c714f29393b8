// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/palette.h"

#include <cmath>

namespace yemvo::render {

QColor with_alpha(QColor c, double share) {
    c.setAlphaF(static_cast<float>(share));
    return c;
}

/// Even steps from one colour to another over a third in the middle.
static std::array<QColor, 12> ramp(const QColor& weak, const QColor& middle, const QColor& strong) {
    std::array<QColor, 12> steps;
    const auto mix = [](const QColor& a, const QColor& b, double t) {
        const auto part = [t](int x, int y) { return static_cast<int>(std::lround(x + t * (y - x))); };
        return QColor(part(a.red(), b.red()), part(a.green(), b.green()), part(a.blue(), b.blue()));
    };
    for (std::size_t i = 0; i < steps.size(); ++i) {
        const double t = static_cast<double>(i) / 11;
        steps[i] = t < 0.5 ? mix(weak, middle, 2 * t) : mix(middle, strong, 2 * t - 1);
    }
    return steps;
}

const Palette& Palette::light() {
    static const Palette palette = [] {
        Palette p;
        p.paper = "#FAF8F4";
        p.floor = "#FFFFFF";
        p.chrome = "#EEF0F2";
        p.field = p.tile = p.button = "#FFFFFF";
        p.line = "#D5D9DE";
        p.line2 = "#E3E6E9";
        p.ink = "#22262B";
        p.muted = "#5F6773";
        p.edge = "#808894";
        p.accent = "#3B4BA3";
        p.on_accent = "#FFFFFF";
        p.accent_tint = "#E3E6F4";
        p.bands = {BandColour{"#B7791F", "#F4E8D3", "#1F1604"}, BandColour{"#0F766E", "#D5E8E5", "#FFFFFF"},
                   BandColour{"#7E3AA8", "#EADDF2", "#FFFFFF"}};
        p.not_met = "#B53C0B";
        p.not_met_tint = "#F9E3D8";
        p.near = "#96620F";
        p.hatch = "#A2340A";
        p.casing = with_alpha("#FAF8F4", 0.85);
        p.concrete = "#2A3038";
        p.slab = "#343B44";
        p.brick = "#6B4034";
        p.board = "#78818D";
        p.glass = "#4A7FA8";
        p.timber = "#8A6536";
        p.steel = "#4B5563";
        p.furniture = with_alpha(p.ink, 0.50);
        p.faint = with_alpha(p.ink, 0.26);
        p.grid = with_alpha(p.ink, 0.055);
        p.contour = with_alpha(p.ink, 0.30);
        p.steps = {"#A187AF", "#A095B9", "#9CA1BF", "#97ACC1", "#92B7C1", "#8EC1C1",
                   "#8CCBBE", "#93D5B9", "#A4DDB0", "#BBE5A2", "#D8EB90", "#F3EE87"};
        p.blues = ramp("#5B6E94", "#93B2CF", "#E3EFF4");
        p.greys = ramp("#808080", "#B4B4B4", "#F0F0F0");
        p.change = {"#A1704A", "#C78549", "#E7A353", "#FCCA8C", "#FDE7C7", "#F8F7F6",
                    "#DCEAF1", "#AFD3E4", "#76AFD1", "#5E8FC0", "#4A688A"};
        p.serving = {"#C9D6E6", "#EEDCC6", "#DCCFE4", "#DCDDB0", "#CFE0CB", "#C4E0E2"};
        p.zones = {"#5B7396", "#A3814C", "#5F8A6B", "#96637F", "#4F8A90", "#7B6AA3", "#A8685B", "#7C8152"};
        return p;
    }();
    return palette;
}

const Palette& Palette::dark() {
    static const Palette palette = [] {
        Palette p;
        p.paper = "#171A1E";
        p.floor = "#1E2226";
        p.chrome = "#24282D";
        p.field = "#1A1D21";
        p.tile = "#14171A";
        p.button = "#2C3137";
        p.line = "#3B4148";
        p.line2 = "#2F343A";
        p.ink = "#E6E8EB";
        p.muted = "#A0A8B3";
        p.edge = "#6E7782";
        p.accent = "#98A5F2";
        p.on_accent = "#14171C";
        p.accent_tint = "#333A5C";
        p.bands = {BandColour{"#DFA645", "#42361F", "#1F1604"}, BandColour{"#3DB8AB", "#1E3E3B", "#14171C"},
                   BandColour{"#C495EA", "#3B2D48", "#14171C"}};
        p.not_met = "#F58A5B";
        p.not_met_tint = "#4A2A1C";
        p.near = "#E5B45C";
        p.hatch = "#FFA27A";
        p.casing = with_alpha("#14161A", 0.72);
        p.concrete = "#F2F4F6";
        p.slab = "#A3ACB7";
        p.brick = "#D9B3A5";
        p.board = "#A9B1BC";
        p.glass = "#8CC0E6";
        p.timber = "#D2AC77";
        p.steel = "#C3CAD4";
        p.furniture = with_alpha("#EBEEF2", 0.46);
        p.faint = with_alpha("#EBEEF2", 0.22);
        p.grid = with_alpha(QColor(Qt::white), 0.05);
        p.contour = with_alpha(QColor(Qt::white), 0.28);
        p.steps = {"#390D4A", "#3A235E", "#363669", "#2E486D", "#27586F", "#21676F",
                   "#1C756C", "#238465", "#3A9258", "#5E9E43", "#87A629", "#B0AC1C"};
        p.blues = ramp("#2B3A55", "#44698F", "#7FB0CE");
        p.greys = ramp("#3A3A3A", "#6A6A6A", "#B0B0B0");
        p.change = {"#D59751", "#C98035", "#AB6621", "#7F4A1B", "#4C331F", "#22262B",
                    "#203A4F", "#28547B", "#3671A0", "#558EBB", "#84ADCE"};
        p.serving = {"#34465E", "#5C482F", "#4C3C57", "#4B4B27", "#37502F", "#2B4E52"};
        p.zones = {"#8CA6CC", "#D2AC72", "#8DC09B", "#CC93B2", "#7FC0C6", "#B0A0DC", "#DC9788", "#B2B884"};
        return p;
    }();
    return palette;
}

const BandColour& Palette::band(BandId id) const { return bands[id.index % bands.size()]; }

const QColor& Palette::family(Family f) const {
    switch (f) {
        case Family::concrete:
            return concrete;
        case Family::brick:
            return brick;
        case Family::board:
            return board;
        case Family::glass:
            return glass;
        case Family::timber:
            return timber;
        case Family::steel:
            return steel;
        case Family::special:
            break;
    }
    return muted;
}

}  // namespace yemvo::render
