// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/dxf_entities.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <unordered_map>

namespace yemvo {
namespace {

constexpr double degree = std::numbers::pi / 180;

}  // namespace

bool usable(Point3 p) {
    const auto near = [](double v) { return std::abs(v) <= farthest_cad_unit; };  // false for NaN
    return near(p.x) && near(p.y) && near(p.z);
}

void DxfEntityReader::add(const DxfEntity& e, DxfShapes& to) {
    if (e.integer(67) == 1) return skip(e.type, say("it lies in paper space"));
    if (e.integer(60) == 1) return skip(e.type, say("it is marked invisible"));
    if (polyline_ && (e.type == "VERTEX" || e.type == "SEQEND")) {
        if (e.type == "VERTEX")
            vertices_.push_back(e);
        else
            finish_polyline();
        return;
    }
    finish_polyline();
    using Add = bool (DxfEntityReader::*)(const DxfEntity&, DxfShapes&);
    static const std::unordered_map<std::string, Add> known{
        {"LINE", &DxfEntityReader::add_line},
        {"ARC", &DxfEntityReader::add_arc},
        {"CIRCLE", &DxfEntityReader::add_arc},
        {"ELLIPSE", &DxfEntityReader::add_ellipse},
        {"LWPOLYLINE", &DxfEntityReader::add_light_polyline},
        {"POLYLINE", &DxfEntityReader::begin_polyline},
        {"SPLINE", &DxfEntityReader::add_spline},
        {"INSERT", &DxfEntityReader::add_insert},
        {"DIMENSION", &DxfEntityReader::add_dimension},
        {"TEXT", &DxfEntityReader::add_text},
        {"ATTRIB", &DxfEntityReader::add_text},
        {"MTEXT", &DxfEntityReader::add_mtext},
        {"SOLID", &DxfEntityReader::add_solid},
        {"TRACE", &DxfEntityReader::add_solid},
        {"3DFACE", &DxfEntityReader::add_face},
        {"LEADER", &DxfEntityReader::add_leader}};
    if (e.type == "ATTDEF" || e.type == "SEQEND" || e.type == "VIEWPORT" || e.type == "VERTEX") return;
    const auto found = known.find(e.type);
    if (found == known.end()) return skip(e.type, say("a kind of object that is not drawn"));
    if (!(this->*found->second)(e, to)) skip(e.type, say("its numbers are missing, broken or beyond reason"));
}

int DxfEntityReader::layer_of(const DxfEntity& e) {
    const std::string* name = e.find(8);
    return name && !name->empty() ? needs_.layer(*name) : 0;
}

bool DxfEntityReader::add_piece(DxfShapes& to, Point3 a, Point3 b, int layer) {
    if (!usable(a) || !usable(b)) return false;
    to.lines.push_back({a, b, layer});
    return true;
}

bool DxfEntityReader::add_line(const DxfEntity& e, DxfShapes& to) {
    return add_piece(to, e.point(10), e.point(11), layer_of(e));
}

bool DxfEntityReader::add_arc(const DxfEntity& e, DxfShapes& to) {
    const Affine3 axes = object_axes(e.normal());
    const double r = e.number(40);
    if (!usable(e.point(10)) || !(r > 0) || r > farthest_cad_unit) return false;
    DxfArc arc{axes.apply(e.point(10)), axes.direction({r, 0, 0}), axes.direction({0, r, 0}), 0,
               2 * std::numbers::pi};
    if (e.type == "ARC") {
        const double from = e.number(50, DxfEntity::missing), to_deg = e.number(51, DxfEntity::missing);
        if (!std::isfinite(from) || !std::isfinite(to_deg)) return false;
        double sweep = std::fmod(to_deg - from, 360);
        if (sweep <= 0) sweep += 360;
        arc.from = std::fmod(from, 360) * degree;
        arc.sweep = sweep * degree;
    }
    to.arcs.push_back({arc, layer_of(e)});
    return true;
}

bool DxfEntityReader::add_ellipse(const DxfEntity& e, DxfShapes& to) {
    const Point3 major = e.point(11);
    const double ratio = e.number(40, 1), from = e.number(41, 0), until = e.number(42, 2 * std::numbers::pi);
    Point3 n = e.normal();
    if (!usable(e.point(10)) || !usable(major) || !usable(n) || !std::isfinite(ratio) ||
        std::abs(ratio) > 1e6 || !std::isfinite(from) || !std::isfinite(until) || !(length(major) > 0) ||
        !(length(n) > 0))
        return false;
    n = n * (1 / length(n));
    double sweep = std::fmod(until - from, 2 * std::numbers::pi);
    if (sweep <= 1e-12) sweep += 2 * std::numbers::pi;
    to.arcs.push_back(
        {{e.point(10), major, cross(n, major) * ratio, std::fmod(from, 2 * std::numbers::pi), sweep},
         layer_of(e)});
    return true;
}

bool DxfEntityReader::add_run(const std::vector<Vertex>& run, bool closed, const Affine3& axes, int layer,
                              DxfShapes& to) {
    if (run.size() < 2) return false;
    bool good = true;
    const std::size_t pieces = run.size() - (closed ? 0 : 1);
    for (std::size_t i = 0; i < pieces; ++i) {
        const Vertex &a = run[i], &b = run[(i + 1) % run.size()];
        if (!usable(a.at) || !usable(b.at) || !std::isfinite(a.bulge) || std::abs(a.bulge) > 1e6) {
            good = false;
        } else if (const auto arc = bulge_arc(a.at, b.at, a.bulge)) {
            to.arcs.push_back({{axes.apply(arc->centre), axes.direction(arc->u), axes.direction(arc->v),
                                arc->from, arc->sweep},
                               layer});
        } else {
            if (length(b.at - a.at) > 0) add_piece(to, axes.apply(a.at), axes.apply(b.at), layer);
        }
    }
    return good;
}

bool DxfEntityReader::add_light_polyline(const DxfEntity& e, DxfShapes& to) {
    std::vector<Vertex> run;
    const double z = e.number(38);
    for (const DxfEntity::Value& v : e.values) {
        if (v.code == 10)
            run.push_back({{dxf_number(v.text), DxfEntity::missing, z}, 0});
        else if (v.code == 20 && !run.empty())
            run.back().at.y = dxf_number(v.text);
        else if (v.code == 42 && !run.empty())
            run.back().bulge = dxf_number(v.text);
    }
    return add_run(run, (e.integer(70) & 1) != 0, object_axes(e.normal()), layer_of(e), to);
}

bool DxfEntityReader::begin_polyline(const DxfEntity& e, DxfShapes& to) {
    polyline_ = &to;
    polyline_head_ = e;
    vertices_.clear();
    return true;
}

void DxfEntityReader::finish_polyline() {
    if (!polyline_) return;
    DxfShapes& to = *polyline_;
    polyline_ = nullptr;
    const long flags = polyline_head_.integer(70);
    if (flags & (16 | 64)) return skip(std::string("POLYLINE"), say("a surface mesh"));
    const bool in_space = (flags & 8) != 0;
    std::vector<Vertex> run;
    for (const DxfEntity& v : vertices_) {
        if (v.integer(70) & 16) continue;  // frame of a fitted curve
        Point3 at = v.point(10);
        if (!in_space) at.z = polyline_head_.number(30);
        run.push_back({at, in_space ? 0 : v.number(42)});
    }
    const Affine3 axes = in_space ? Affine3{} : object_axes(polyline_head_.normal());
    if (!add_run(run, (flags & 1) != 0, axes, layer_of(polyline_head_), to))
        skip(std::string("POLYLINE"), say("its numbers are missing, broken or beyond reason"));
    vertices_.clear();
}

void DxfEntityReader::drop_unfinished() {
    if (!polyline_) return;
    polyline_ = nullptr;
    vertices_.clear();
    skip(std::string("POLYLINE"), say("the file ends within it"));
}

bool DxfEntityReader::add_spline(const DxfEntity& e, DxfShapes& to) {
    DxfSpline s;
    s.degree = static_cast<int>(std::clamp(e.integer(71, 3), -1L, 100L));
    s.closed = (e.integer(70) & 1) != 0;
    for (const DxfEntity::Value& v : e.values) {
        const double n = v.code >= 10 && v.code <= 41 ? dxf_number(v.text) : 0;
        const auto last = [&](std::vector<Point3>& list, double Point3::*axis) {
            if (!list.empty()) list.back().*axis = n;
        };
        switch (v.code) {
            case 40:
                s.knots.push_back(n);
                break;
            case 41:
                s.weights.push_back(n);
                break;
            case 10:
                s.control.push_back({n, DxfEntity::missing, 0});
                break;
            case 20:
                last(s.control, &Point3::y);
                break;
            case 30:
                last(s.control, &Point3::z);
                break;
            case 11:
                s.fit.push_back({n, DxfEntity::missing, 0});
                break;
            case 21:
                last(s.fit, &Point3::y);
                break;
            case 31:
                last(s.fit, &Point3::z);
                break;
            default:
                break;
        }
    }
    std::vector<Point3> points = spline_points(s);
    if (points.empty() || !std::all_of(points.begin(), points.end(), usable)) return false;
    to.curves.push_back({std::move(points), layer_of(e)});
    return true;
}

bool DxfEntityReader::add_insert(const DxfEntity& e, DxfShapes& to) {
    const auto scale = [&](int code) { return e.number(code, 1); };
    const double sx = scale(41), sy = scale(42), sz = scale(43), turn = e.number(50) * degree;
    const Point3 at = e.point(10);
    if (!usable(at) || !std::isfinite(sx) || !std::isfinite(sy) || !std::isfinite(sz) ||
        !std::isfinite(turn) || std::max({std::abs(sx), std::abs(sy), std::abs(sz)}) > 1e9)
        return false;
    if (sx == 0 || sy == 0) return false;
    const Point3 right{std::cos(turn), std::sin(turn), 0}, up{-std::sin(turn), std::cos(turn), 0};
    const Affine3 axes = object_axes(e.normal());
    DxfShapes::Insert insert;
    insert.block = e.text(2);
    insert.placed = axes * Affine3{right * sx, up * sy, {0, 0, sz}, at};
    insert.columns = std::clamp(e.integer(70, 1), 1L, 32767L);
    insert.rows = std::clamp(e.integer(71, 1), 1L, 32767L);
    insert.column_step = axes.direction(right * e.number(44));
    insert.row_step = axes.direction(up * e.number(45));
    insert.layer = layer_of(e);
    if (!usable(insert.column_step) || !usable(insert.row_step)) return false;
    to.inserts.push_back(std::move(insert));
    return true;
}

bool DxfEntityReader::add_dimension(const DxfEntity& e, DxfShapes& to) {
    if (!e.find(2)) return false;
    DxfShapes::Insert insert;
    insert.block = e.text(2);
    insert.columns = insert.rows = 1;
    insert.layer = layer_of(e);
    to.inserts.push_back(std::move(insert));
    return true;
}

bool DxfEntityReader::push_text(const DxfEntity& e, DxfShapes& to, Point3 at, double turn, double height,
                                const Affine3& axes, double align_x, double align_y, std::string words) {
    if (!usable(at) || !(height > 0) || height > farthest_cad_unit || !std::isfinite(turn)) return false;
    if (words.empty() || (e.type == "ATTRIB" && (e.integer(70) & 1))) return true;
    const Point3 along{std::cos(turn) * height, std::sin(turn) * height, 0};
    to.texts.push_back({axes.apply(at), axes.direction(along), axes.direction({-along.y, along.x, 0}),
                        align_x, align_y, std::move(words), layer_of(e)});
    return true;
}

bool DxfEntityReader::add_text(const DxfEntity& e, DxfShapes& to) {
    const long across = e.integer(72), upward = e.integer(e.type == "ATTRIB" ? 74 : 73);
    const bool aligned = (across != 0 || upward != 0) && e.find(11);
    const double align_x = across == 1 || across == 4 ? 0.5 : across == 2 ? 1 : 0;
    const double align_y = across == 4 || upward == 2 ? 0.5 : upward == 3 ? 1 : 0;
    return push_text(e, to, aligned && across != 3 && across != 5 ? e.point(11) : e.point(10),
                     e.number(50) * degree, e.number(40), object_axes(e.normal()), align_x, align_y,
                     plain_text(decoder_.decode(e.text(1))));
}

bool DxfEntityReader::add_mtext(const DxfEntity& e, DxfShapes& to) {
    std::string raw;
    for (const DxfEntity::Value& v : e.values)
        if (v.code == 3 || v.code == 1) raw += v.text;
    const long anchor = std::clamp(e.integer(71, 1), 1L, 9L) - 1;
    double turn = e.number(50) * degree;
    if (e.find(11)) turn = std::atan2(e.number(21), e.number(11));
    Affine3 axes;
    if (e.find(230) && e.number(230) < 0) axes = object_axes(e.normal());
    return push_text(e, to, e.point(10), turn, e.number(40), axes, static_cast<double>(anchor % 3) / 2,
                     1 - static_cast<double>(anchor / 3) / 2, plain_mtext(decoder_.decode(raw)));
}

bool DxfEntityReader::add_outline(const std::vector<Point3>& corners, int layer, DxfShapes& to) {
    if (!std::all_of(corners.begin(), corners.end(), usable)) return false;
    for (std::size_t i = 0; i < corners.size(); ++i) {
        const Point3 a = corners[i], b = corners[(i + 1) % corners.size()];
        if (length(b - a) > 0) add_piece(to, a, b, layer);
    }
    return true;
}

bool DxfEntityReader::add_solid(const DxfEntity& e, DxfShapes& to) {
    const Affine3 axes = object_axes(e.normal());
    const Point3 last = e.find(13) ? e.point(13) : e.point(12);
    return add_outline(
        {axes.apply(e.point(10)), axes.apply(e.point(11)), axes.apply(last), axes.apply(e.point(12))},
        layer_of(e), to);
}

bool DxfEntityReader::add_face(const DxfEntity& e, DxfShapes& to) {
    return add_outline({e.point(10), e.point(11), e.point(12), e.find(13) ? e.point(13) : e.point(12)},
                       layer_of(e), to);
}

bool DxfEntityReader::add_leader(const DxfEntity& e, DxfShapes& to) {
    std::vector<Vertex> run;
    for (const DxfEntity::Value& v : e.values) {
        if (v.code == 10) run.push_back({{dxf_number(v.text), DxfEntity::missing, 0}, 0});
        if (v.code == 20 && !run.empty()) run.back().at.y = dxf_number(v.text);
    }
    return add_run(run, false, Affine3{}, layer_of(e), to);
}

}  // namespace yemvo
