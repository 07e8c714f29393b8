#include "render/palette.h"

namespace yemvo::render {

QColor with_alpha(QColor c, double share) {
    c.setAlphaF(static_cast<float>(share));
    return c;
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
        p.accent = "#3B4BA3";
        p.on_accent = "#FFFFFF";
        p.accent_tint = "#E3E6F4";
        p.bands = {BandColour{"#B7791F", "#F4E8D3", "#1F1604"}, BandColour{"#0F766E", "#D5E8E5", "#FFFFFF"},
                   BandColour{"#7E3AA8", "#EADDF2", "#FFFFFF"}};
        p.not_met = "#C2410C";
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
        p.serving = {"#C9D6E6", "#EEDCC6", "#DCCFE4", "#DCDDB0", "#CFE0CB", "#C4E0E2"};
        p.zones = {"#5B7396", "#A3814C", "#5F8A6B", "#96637F", "#4F8A90", "#7B6AA3", "#A8685B", "#7C8152"};
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
