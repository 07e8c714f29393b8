// SPDX-License-Identifier: GPL-3.0-or-later
// DXF as its first ASCII form has it: pairs of a group code and a value, a line each. Programs of every age
// read R12; it holds all that a plan needs.
#include <cstdio>

#include "base/number_text.h"
#include "geometry/polygon.h"
#include "handover/plan_files.h"

namespace yemvo {
namespace {

struct Layer {
    const char* name;
    int colour;  ///< of the format's index
};
constexpr Layer layers[] = {{"WALLS", 7},         {"OPENINGS", 8}, {"ZONES", 9},   {"OBSTACLES", 8},
                            {"TRAYS", 30},        {"OUTLETS", 30}, {"RISERS", 30}, {"CLOSETS", 5},
                            {"ACCESS-POINTS", 1}, {"NAMES", 7}};
constexpr const char* block = "ACCESS-POINT";

class Dxf {
public:
    void pair(int code, std::string_view value) {
        text_ += std::to_string(code) + "\n";
        text_ += value;
        text_ += "\n";
    }
    void pair(int code, int value) { pair(code, std::to_string(value)); }
    void pair(int code, double value) { pair(code, plain_number(value, 6)); }
    void at(int code, Point p) {
        pair(code, p.x);
        pair(code + 10, p.y);
        pair(code + 20, 0.0);
    }
    void section(const char* name) {
        pair(0, "SECTION");
        pair(2, name);
    }
    void end_section() { pair(0, "ENDSEC"); }
    void line(const char* layer, Point a, Point b) {
        pair(0, "LINE");
        pair(8, layer);
        at(10, a);
        at(11, b);
    }
    void circle(const char* layer, Point centre, double radius) {
        pair(0, "CIRCLE");
        pair(8, layer);
        at(10, centre);
        pair(40, radius);
    }
    void poly(const char* layer, const std::vector<Point>& points, bool closed) {
        pair(0, "POLYLINE");
        pair(8, layer);
        pair(66, 1);
        at(10, {});
        pair(70, closed ? 1 : 0);
        for (const Point& p : points) {
            pair(0, "VERTEX");
            pair(8, layer);
            at(10, p);
        }
        pair(0, "SEQEND");
        pair(8, layer);
    }
    void words(const char* layer, Point p, double height, std::string_view text) {
        pair(0, "TEXT");
        pair(8, layer);
        at(10, p);
        pair(40, height);
        pair(1, escaped(text));
    }
    std::string take() {
        pair(0, "EOF");
        return std::move(text_);
    }

    /// The format is older than UTF-8: letters of its code page stand as one byte, others as \U+0153. A
    /// line's end would end the value.
    static std::string escaped(std::string_view utf8) {
        std::string out;
        for (std::size_t i = 0; i < utf8.size();) {
            const auto lead = static_cast<unsigned char>(utf8[i]);
            if (lead < 0x80) {
                out += lead < 0x20 ? ' ' : utf8[i];
                ++i;
                continue;
            }
            const int more = lead >= 0xF0 ? 3 : lead >= 0xE0 ? 2 : 1;
            unsigned code = lead & (0x3F >> more);
            for (int k = 1; k <= more && i + static_cast<std::size_t>(k) < utf8.size(); ++k)
                code = code << 6 | (static_cast<unsigned char>(utf8[i + static_cast<std::size_t>(k)]) & 0x3F);
            if (code >= 0xA0 && code <= 0xFF) {
                out += static_cast<char>(code);
            } else {
                char text[16];
                std::snprintf(text, sizeof text, "\\U+%04X", code > 0xFFFF ? 0xFFFD : code);
                out += text;
            }
            i += static_cast<std::size_t>(more) + 1;
        }
        return out;
    }

private:
    std::string text_;
};

void write_header(Dxf& d) {
    d.section("HEADER");
    d.pair(9, "$ACADVER");
    d.pair(1, "AC1009");
    d.pair(9, "$DWGCODEPAGE");
    d.pair(3, "ANSI_1252");
    d.pair(9, "$INSUNITS");
    d.pair(70, 6);  // metres
    d.end_section();
    d.section("TABLES");
    d.pair(0, "TABLE");
    d.pair(2, "LAYER");
    d.pair(70, static_cast<int>(std::size(layers)));
    for (const Layer& l : layers) {
        d.pair(0, "LAYER");
        d.pair(2, l.name);
        d.pair(70, 0);
        d.pair(62, l.colour);
        d.pair(6, "CONTINUOUS");
    }
    d.pair(0, "ENDTAB");
    d.end_section();
}

/// A circle of 0.3 m with a stroke where its azimuth points: along +x, which an insert turns.
void write_blocks(Dxf& d) {
    d.section("BLOCKS");
    d.pair(0, "BLOCK");
    d.pair(8, "0");
    d.pair(2, block);
    d.pair(70, 2);  // it has attributes
    d.at(10, {});
    d.pair(3, block);
    d.circle("0", {}, 0.15);
    d.line("0", {0.15, 0}, {0.35, 0});
    for (const char* tag : {"NAME", "MODEL"}) {
        d.pair(0, "ATTDEF");
        d.pair(8, "0");
        d.at(10, {});
        d.pair(40, 0.25);
        d.pair(1, "");
        d.pair(3, tag);
        d.pair(2, tag);
        d.pair(70, std::string_view(tag) == "NAME" ? 0 : 1);  // 1: not shown
    }
    d.pair(0, "ENDBLK");
    d.pair(8, "0");
    d.end_section();
}

void attribute(Dxf& d, Point p, const char* tag, std::string_view value, bool hidden) {
    d.pair(0, "ATTRIB");
    d.pair(8, "ACCESS-POINTS");
    d.at(10, p);
    d.pair(40, 0.25);
    d.pair(1, Dxf::escaped(value));
    d.pair(2, tag);
    d.pair(70, hidden ? 1 : 0);
}

void write_access_point(Dxf& d, const Project& project, const AccessPoint& ap) {
    d.pair(0, "INSERT");
    d.pair(8, "ACCESS-POINTS");
    d.pair(66, 1);
    d.pair(2, block);
    d.pair(10, ap.position.x);
    d.pair(20, ap.position.y);
    d.pair(30, ap.height_m);
    d.pair(50, 90 - ap.azimuth_deg);  // clockwise from north, as against counter-clockwise from east
    attribute(d, ap.position + Point{0.25, 0.25}, "NAME", called(ap), false);
    attribute(d, ap.position + Point{0.25, -0.5}, "MODEL", model(project, ap.model).name, true);
    d.pair(0, "SEQEND");
    d.pair(8, "ACCESS-POINTS");
}

void write_floor(Dxf& d, const Project& project, const Floor& floor) {
    constexpr double text_m = 0.3;
    for (const Wall& w : *floor.walls) {
        d.poly("WALLS", flattened(w), false);
        for (const Opening& o : w.openings) d.line("OPENINGS", span(w, o).a, span(w, o).b);
    }
    for (const Zone& z : *floor.zones) {
        d.poly("ZONES", z.outline, true);
        d.words("NAMES", centroid(z.outline), text_m, z.name);
    }
    for (const Obstacle& o : *floor.obstacles)
        if (o.round)
            d.circle("OBSTACLES", o.outline[0], distance(o.outline[0], o.outline[1]));
        else
            d.poly("OBSTACLES", o.outline, true);
    for (const Tray& t : *floor.trays) d.poly("TRAYS", t.points, false);
    for (const Outlet& o : *floor.outlets) {
        d.circle("OUTLETS", o.position, 0.08);
        d.words("NAMES", o.position, text_m, o.name);
    }
    for (const Riser& r : *floor.risers) {
        d.circle("RISERS", r.position, 0.3);
        d.words("NAMES", r.position, text_m, r.name);
    }
    for (const Closet& c : *floor.closets) {
        d.poly("CLOSETS",
               {c.position + Point{-0.4, -0.4}, c.position + Point{0.4, -0.4}, c.position + Point{0.4, 0.4},
                c.position + Point{-0.4, 0.4}},
               true);
        d.words("NAMES", c.position, text_m, c.name);
    }
    for (const AccessPoint& ap : access_points(project, floor.id)) write_access_point(d, project, ap);
}

}  // namespace

std::string plan_dxf(const Project& project, const Floor& floor) {
    Dxf d;
    write_header(d);
    write_blocks(d);
    d.section("ENTITIES");
    write_floor(d, project, floor);
    d.end_section();
    return d.take();
}

}  // namespace yemvo
