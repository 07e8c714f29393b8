#include "exchange/dxf_reader.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>
#include <unordered_map>

#include "exchange/dxf_groups.h"
#include "exchange/dxf_shapes.h"
#include "exchange/dxf_text.h"

namespace yemvo {
namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr double farthest_unit = 1e11;
constexpr int deepest_nesting = 24;
constexpr std::size_t most_inserts = 500'000;
constexpr std::size_t most_groups_an_entity = 400'000;

/// One entity with its groups. Values are kept as text: most are never looked at.
struct Entity {
    std::string type;
    struct Value {
        int code;
        std::string text;
    };
    std::vector<Value> values;

    const std::string* find(int code) const {
        for (const Value& v : values)
            if (v.code == code) return &v.text;
        return nullptr;
    }
    double number(int code, double otherwise = 0) const {
        const std::string* v = find(code);
        return v ? dxf_number(*v) : otherwise;
    }
    long integer(int code, long otherwise = 0) const {
        const std::string* v = find(code);
        return v ? dxf_integer(*v, otherwise) : otherwise;
    }
    Point3 point(int code) const { return {number(code), number(code + 10), number(code + 20)}; }
    Point3 normal() const { return find(230) ? point(210) : Point3{0, 0, 1}; }
    std::string text(int code) const {
        const std::string* v = find(code);
        return v ? *v : std::string();
    }
};

bool usable(Point3 p) {
    const auto near = [](double v) { return std::abs(v) <= farthest_unit; };  // false for NaN
    return near(p.x) && near(p.y) && near(p.z);
}

/// What a block holds, in its own coordinates.
struct Shapes {
    struct Line {
        Point3 a, b;
        int layer;
    };
    struct Arc {
        DxfArc arc;
        int layer;
    };
    struct Curve {
        std::vector<Point3> points;
        int layer;
    };
    struct Text {
        Point3 at, along, up;  ///< along: one text height to the right, up: one upwards
        double align_x, align_y;
        std::string words;
        int layer;
    };
    struct Insert {
        std::string block;
        Affine3 placed;
        long columns, rows;
        Point3 column_step, row_step;
        int layer;
    };
    std::vector<Line> lines;
    std::vector<Arc> arcs;
    std::vector<Curve> curves;
    std::vector<Text> texts;
    std::vector<Insert> inserts;
};

struct Block {
    Shapes shapes;
    Point3 base;
    bool outside_reference = false;
};

class DxfReader {
public:
    DxfReader(const Bytes& bytes, const std::string& name, const CancelToken& cancel)
        : name_(name),
          cancel_(cancel),
          groups_({reinterpret_cast<const char*>(bytes.data()), bytes.size()}) {}

    CadDrawing read() {
        layer("0");
        try {
            read_sections();
        } catch (const Error& fault) {
            if (!sections_) throw Error("is not DXF: " + fault.summary(), name_ + ", " + fault.where());
            skip("everything from " + fault.where() + " on", fault.summary());
        }
        finish_entity();
        if (!sections_) throw Error("is not DXF: no SECTION in it", name_, "Choose a DXF file");
        put(model_, Affine3{}, Inherit{}, 0);
        leave_out_far_pieces();
        sum_layers();
        if (out_.pieces() == 0) {
            std::string why = "holds nothing to show";
            for (const CadSkipped& s : skipped_list()) why += "; left out: " + s.what + " (" + s.why + ")";
            throw Error(why, name_, "Export the plan again with its lines in model space");
        }
        out_.skipped = skipped_list();
        return std::move(out_);
    }

private:
    enum class Section { none, header, tables, blocks, entities, other };

    struct Inherit {
        int layer = 0;  ///< that pieces on layer 0 take
        int gate = -1;  ///< layer of the frozen reference they came in with
    };

    // ---- groups to entities

    void read_sections() {
        DxfGroup g;
        long count = 0;
        while (groups_.next(g)) {
            if (++count % 4096 == 0) cancel_.check();
            if (g.code == 0) {
                finish_entity();
                if (g.value == "EOF") return;
                if (g.value == "SECTION")
                    awaiting_section_name_ = true;
                else if (g.value == "ENDSEC")
                    section_ = Section::none;
                else
                    entity_ = Entity{std::string(g.value), {}};
            } else if (awaiting_section_name_ && g.code == 2) {
                begin_section(g.value);
            } else if (section_ == Section::header) {
                header(g);
            } else if (!entity_.type.empty() && section_ != Section::other) {
                if (entity_.values.size() < most_groups_an_entity)
                    entity_.values.push_back({g.code, std::string(g.value)});
                else
                    too_long_ = true;
            }
        }
        if (sections_) skip("what may have followed", "the file ends without its end mark");
    }

    void begin_section(std::string_view name) {
        awaiting_section_name_ = false;
        ++sections_;
        section_ = name == "HEADER"     ? Section::header
                   : name == "TABLES"   ? Section::tables
                   : name == "BLOCKS"   ? Section::blocks
                   : name == "ENTITIES" ? Section::entities
                                        : Section::other;
    }

    void header(const DxfGroup& g) {
        if (g.code == 9) {
            variable_ = g.value;
            return;
        }
        if (variable_ == "$INSUNITS") {
            const double m = unit_metres(dxf_integer(g.value));
            if (m > 0) out_.unit_m = m;
        } else if (variable_ == "$MEASUREMENT") {
            out_.imperial = dxf_integer(g.value, 1) == 0;
        } else if (variable_ == "$ACADVER") {
            version_ = g.value;
        } else if (variable_ == "$DWGCODEPAGE") {
            code_page_ = g.value;
        }
        decoder_ = DxfTextDecoder(version_, code_page_);
    }

    /// $INSUNITS by the reference's table.
    static double unit_metres(long code) {
        static const std::map<long, double> known{
            {1, 0.0254},  {2, 0.3048},  {3, 1609.344}, {4, 0.001}, {5, 0.01}, {6, 1},    {7, 1000},
            {8, 2.54e-8}, {9, 2.54e-5}, {10, 0.9144},  {14, 0.1},  {15, 10},  {16, 100}, {21, 1200.0 / 3937}};
        const auto found = known.find(code);
        return found == known.end() ? 0 : found->second;
    }

    void finish_entity() {
        if (entity_.type.empty()) return;
        Entity e = std::move(entity_);
        entity_ = {};
        if (too_long_) {
            too_long_ = false;
            skip(e.type, "it has more than " + std::to_string(most_groups_an_entity) + " groups");
        }
        if (section_ == Section::tables) {
            if (e.type == "LAYER") add_layer(e);
        } else if (section_ == Section::blocks) {
            if (e.type == "BLOCK") {
                finish_polyline();
                block_ = &blocks_[e.text(2)];
                block_->base = e.point(10);
                if (!usable(block_->base)) block_->base = {};
                block_->outside_reference = (e.integer(70) & 4) != 0;
            } else if (e.type == "ENDBLK") {
                finish_polyline();
                block_ = nullptr;
            } else if (block_) {
                add(e, block_->shapes);
            }
        } else if (section_ == Section::entities) {
            add(e, model_);
        }
    }

    void skip(const std::string& what, const std::string& why, std::size_t count = 1) {
        skipped_[{what, why}] += count;
    }

    std::vector<CadSkipped> skipped_list() const {
        std::vector<CadSkipped> list;
        for (const auto& [key, count] : skipped_) list.push_back({key.first, key.second, count});
        return list;
    }

    // ---- layers

    int layer(const std::string& raw) {
        const auto known = layer_index_.find(raw);
        if (known != layer_index_.end()) return known->second;
        CadLayer made;
        made.name = decoder_.decode(raw);
        const int index = static_cast<int>(out_.layers.size());
        out_.layers.push_back(std::move(made));
        layer_index_[raw] = index;
        return index;
    }

    void add_layer(const Entity& e) {
        CadLayer& l = out_.layers[static_cast<std::size_t>(layer(e.text(2)))];
        frozen_.resize(out_.layers.size(), false);
        const bool frozen = (e.integer(70) & 1) != 0;
        l.visible = !frozen && e.integer(62, 7) >= 0;
        frozen_[static_cast<std::size_t>(layer(e.text(2)))] = frozen;
    }

    // ---- entities to shapes

    void add(const Entity& e, Shapes& to) {
        if (e.integer(67) == 1) return skip(e.type, "it lies in paper space");
        if (e.integer(60) == 1) return skip(e.type, "it is marked invisible");
        if (polyline_ && (e.type == "VERTEX" || e.type == "SEQEND")) {
            if (e.type == "VERTEX")
                vertices_.push_back(e);
            else
                finish_polyline();
            return;
        }
        finish_polyline();
        using Add = bool (DxfReader::*)(const Entity&, Shapes&);
        static const std::unordered_map<std::string, Add> known{
            {"LINE", &DxfReader::add_line},
            {"ARC", &DxfReader::add_arc},
            {"CIRCLE", &DxfReader::add_arc},
            {"ELLIPSE", &DxfReader::add_ellipse},
            {"LWPOLYLINE", &DxfReader::add_light_polyline},
            {"POLYLINE", &DxfReader::begin_polyline},
            {"SPLINE", &DxfReader::add_spline},
            {"INSERT", &DxfReader::add_insert},
            {"DIMENSION", &DxfReader::add_dimension},
            {"TEXT", &DxfReader::add_text},
            {"ATTRIB", &DxfReader::add_text},
            {"MTEXT", &DxfReader::add_mtext},
            {"SOLID", &DxfReader::add_solid},
            {"TRACE", &DxfReader::add_solid},
            {"3DFACE", &DxfReader::add_face},
            {"LEADER", &DxfReader::add_leader}};
        if (e.type == "ATTDEF" || e.type == "SEQEND" || e.type == "VIEWPORT" || e.type == "VERTEX") return;
        const auto found = known.find(e.type);
        if (found == known.end()) return skip(e.type, "a kind of object that is not drawn");
        if (!(this->*found->second)(e, to)) skip(e.type, "its numbers are missing, broken or beyond reason");
    }

    int layer_of(const Entity& e) {
        const std::string* name = e.find(8);
        return name ? layer(*name) : 0;
    }

    static bool add_piece(Shapes& to, Point3 a, Point3 b, int layer) {
        if (!usable(a) || !usable(b)) return false;
        to.lines.push_back({a, b, layer});
        return true;
    }

    bool add_line(const Entity& e, Shapes& to) {
        return add_piece(to, e.point(10), e.point(11), layer_of(e));
    }

    bool add_arc(const Entity& e, Shapes& to) {
        const Affine3 axes = object_axes(e.normal());
        const double r = e.number(40);
        if (!usable(e.point(10)) || !(r > 0) || r > farthest_unit) return false;
        DxfArc arc{axes.apply(e.point(10)), axes.direction({r, 0, 0}), axes.direction({0, r, 0}), 0,
                   2 * std::numbers::pi};
        if (e.type == "ARC") {
            const double from = e.number(50), to_deg = e.number(51);
            if (!std::isfinite(from) || !std::isfinite(to_deg)) return false;
            double sweep = std::fmod(to_deg - from, 360);
            if (sweep <= 0) sweep += 360;
            arc.from = std::fmod(from, 360) * degree;
            arc.sweep = sweep * degree;
        }
        to.arcs.push_back({arc, layer_of(e)});
        return true;
    }

    bool add_ellipse(const Entity& e, Shapes& to) {
        const Point3 major = e.point(11);
        const double ratio = e.number(40, 1), from = e.number(41, 0),
                     until = e.number(42, 2 * std::numbers::pi);
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

    struct Vertex {
        Point3 at;
        double bulge;
    };

    bool add_run(const std::vector<Vertex>& run, bool closed, const Affine3& axes, int layer, Shapes& to) {
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

    bool add_light_polyline(const Entity& e, Shapes& to) {
        std::vector<Vertex> run;
        const double z = e.number(38);
        for (const Entity::Value& v : e.values) {
            if (v.code == 10)
                run.push_back({{dxf_number(v.text), 0, z}, 0});
            else if (v.code == 20 && !run.empty())
                run.back().at.y = dxf_number(v.text);
            else if (v.code == 42 && !run.empty())
                run.back().bulge = dxf_number(v.text);
        }
        return add_run(run, (e.integer(70) & 1) != 0, object_axes(e.normal()), layer_of(e), to);
    }

    bool begin_polyline(const Entity& e, Shapes& to) {
        polyline_ = &to;
        polyline_head_ = e;
        vertices_.clear();
        return true;
    }

    void finish_polyline() {
        if (!polyline_) return;
        Shapes& to = *polyline_;
        polyline_ = nullptr;
        const long flags = polyline_head_.integer(70);
        if (flags & (16 | 64)) return skip("POLYLINE", "a surface mesh");
        const bool in_space = (flags & 8) != 0;
        std::vector<Vertex> run;
        for (const Entity& v : vertices_) {
            if (v.integer(70) & 16) continue;  // frame of a fitted curve
            Point3 at = v.point(10);
            if (!in_space) at.z = polyline_head_.number(30);
            run.push_back({at, in_space ? 0 : v.number(42)});
        }
        const Affine3 axes = in_space ? Affine3{} : object_axes(polyline_head_.normal());
        if (!add_run(run, (flags & 1) != 0, axes, layer_of(polyline_head_), to))
            skip("POLYLINE", "its numbers are missing, broken or beyond reason");
        vertices_.clear();
    }

    bool add_spline(const Entity& e, Shapes& to) {
        DxfSpline s;
        s.degree = static_cast<int>(std::clamp(e.integer(71, 3), -1L, 100L));
        s.closed = (e.integer(70) & 1) != 0;
        for (const Entity::Value& v : e.values) {
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
                    s.control.push_back({n, 0, 0});
                    break;
                case 20:
                    last(s.control, &Point3::y);
                    break;
                case 30:
                    last(s.control, &Point3::z);
                    break;
                case 11:
                    s.fit.push_back({n, 0, 0});
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

    bool add_insert(const Entity& e, Shapes& to) {
        const auto scale = [&](int code) { return e.number(code, 1); };
        const double sx = scale(41), sy = scale(42), sz = scale(43), turn = e.number(50) * degree;
        const Point3 at = e.point(10);
        if (!usable(at) || !std::isfinite(sx) || !std::isfinite(sy) || !std::isfinite(sz) ||
            !std::isfinite(turn) || std::max({std::abs(sx), std::abs(sy), std::abs(sz)}) > 1e9)
            return false;
        if (sx == 0 || sy == 0) return false;
        const Point3 right{std::cos(turn), std::sin(turn), 0}, up{-std::sin(turn), std::cos(turn), 0};
        const Affine3 axes = object_axes(e.normal());
        Shapes::Insert insert;
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

    /// A dimension is drawn by a block of its own.
    bool add_dimension(const Entity& e, Shapes& to) {
        if (!e.find(2)) return false;
        Shapes::Insert insert;
        insert.block = e.text(2);
        insert.columns = insert.rows = 1;
        insert.layer = layer_of(e);
        to.inserts.push_back(std::move(insert));
        return true;
    }

    bool push_text(const Entity& e, Shapes& to, Point3 at, double turn, double height, const Affine3& axes,
                   double align_x, double align_y, std::string words) {
        if (!usable(at) || !(height > 0) || height > farthest_unit || !std::isfinite(turn)) return false;
        if (words.empty() || (e.type == "ATTRIB" && (e.integer(70) & 1))) return true;
        const Point3 along{std::cos(turn) * height, std::sin(turn) * height, 0};
        to.texts.push_back({axes.apply(at), axes.direction(along), axes.direction({-along.y, along.x, 0}),
                            align_x, align_y, std::move(words), layer_of(e)});
        return true;
    }

    bool add_text(const Entity& e, Shapes& to) {
        const long across = e.integer(72), upward = e.integer(e.type == "ATTRIB" ? 74 : 73);
        const bool aligned = (across != 0 || upward != 0) && e.find(11);
        const double align_x = across == 1 || across == 4 ? 0.5 : across == 2 ? 1 : 0;
        const double align_y = across == 4 || upward == 2 ? 0.5 : upward == 3 ? 1 : 0;
        return push_text(e, to, aligned && across != 3 && across != 5 ? e.point(11) : e.point(10),
                         e.number(50) * degree, e.number(40), object_axes(e.normal()), align_x, align_y,
                         plain_text(decoder_.decode(e.text(1))));
    }

    bool add_mtext(const Entity& e, Shapes& to) {
        std::string raw;
        for (const Entity::Value& v : e.values)
            if (v.code == 3 || v.code == 1) raw += v.text;
        const long anchor = std::clamp(e.integer(71, 1), 1L, 9L) - 1;
        double turn = e.number(50) * degree;
        if (e.find(11)) turn = std::atan2(e.number(21), e.number(11));
        Affine3 axes;
        if (e.find(230) && e.number(230) < 0) axes = object_axes(e.normal());
        return push_text(e, to, e.point(10), turn, e.number(40), axes, static_cast<double>(anchor % 3) / 2,
                         1 - static_cast<double>(anchor / 3) / 2, plain_mtext(decoder_.decode(raw)));
    }

    bool add_outline(const std::vector<Point3>& corners, int layer, Shapes& to) {
        if (!std::all_of(corners.begin(), corners.end(), usable)) return false;
        for (std::size_t i = 0; i < corners.size(); ++i) {
            const Point3 a = corners[i], b = corners[(i + 1) % corners.size()];
            if (length(b - a) > 0) add_piece(to, a, b, layer);
        }
        return true;
    }

    /// Its corners run in a Z.
    bool add_solid(const Entity& e, Shapes& to) {
        const Affine3 axes = object_axes(e.normal());
        const Point3 last = e.find(13) ? e.point(13) : e.point(12);
        return add_outline(
            {axes.apply(e.point(10)), axes.apply(e.point(11)), axes.apply(last), axes.apply(e.point(12))},
            layer_of(e), to);
    }

    bool add_face(const Entity& e, Shapes& to) {
        return add_outline({e.point(10), e.point(11), e.point(12), e.find(13) ? e.point(13) : e.point(12)},
                           layer_of(e), to);
    }

    bool add_leader(const Entity& e, Shapes& to) {
        std::vector<Vertex> run;
        for (const Entity::Value& v : e.values) {
            if (v.code == 10) run.push_back({{dxf_number(v.text), 0, 0}, 0});
            if (v.code == 20 && !run.empty()) run.back().at.y = dxf_number(v.text);
        }
        return add_run(run, false, Affine3{}, layer_of(e), to);
    }

    // ---- shapes to the flat drawing

    template <class Piece>
    void place(Piece& piece, int layer, const Inherit& inherit) {
        piece.layer = layer == 0 ? inherit.layer : layer;
        piece.gate = inherit.gate;
    }

    bool room(std::size_t weight = 1) {
        kept_ += weight;
        if (kept_ <= most_cad_pieces) return true;
        full_ = true;
        return false;
    }

    void put(const Shapes& shapes, const Affine3& t, const Inherit& inherit, int depth) {
        cancel_.check();
        for (const auto& s : shapes.lines) {
            if (!room()) break;
            CadLine line;
            place(line, s.layer, inherit);
            line.a = t.apply(s.a).flat();
            line.b = t.apply(s.b).flat();
            out_.lines.push_back(line);
        }
        for (const auto& s : shapes.arcs) {
            if (!room()) break;
            CadArc arc;
            place(arc, s.layer, inherit);
            arc.centre = t.apply(s.arc.centre).flat();
            arc.u = t.direction(s.arc.u).flat();
            arc.v = t.direction(s.arc.v).flat();
            arc.from = s.arc.from;
            arc.sweep = s.arc.sweep;
            out_.arcs.push_back(arc);
        }
        for (const auto& s : shapes.curves) {
            if (!room(s.points.size())) break;
            CadCurve curve;
            place(curve, s.layer, inherit);
            for (Point3 p : s.points) curve.points.push_back(t.apply(p).flat());
            out_.curves.push_back(std::move(curve));
        }
        for (const auto& s : shapes.texts) {
            if (!room()) break;
            const Point along = t.direction(s.along).flat(), up = t.direction(s.up).flat();
            CadText text;
            place(text, s.layer, inherit);
            text.at = t.apply(s.at).flat();
            text.height = length(up);
            // mirrored words are turned to read from left to right
            const bool mirrored = cross(along, up) < 0;
            text.turn_deg = std::atan2(along.y, along.x) / degree + (mirrored ? 180 : 0);
            text.align_x = mirrored ? 1 - s.align_x : s.align_x;
            text.align_y = s.align_y;
            text.words = s.words;
            if (text.height > 0) out_.texts.push_back(std::move(text));
        }
        for (const auto& insert : shapes.inserts) put(insert, t, inherit, depth);
    }

    void put(const Shapes::Insert& insert, const Affine3& t, const Inherit& inherit, int depth) {
        const auto found = blocks_.find(insert.block);
        if (found == blocks_.end()) return skip("INSERT", "its block is not in the file");
        const Block& block = found->second;
        if (block.outside_reference) return skip("INSERT", "it refers to another file");
        if (depth >= deepest_nesting) return skip("INSERT", "blocks are nested too deep or in a circle");
        Inherit inner = inherit;
        inner.layer = insert.layer == 0 ? inherit.layer : insert.layer;
        if (static_cast<std::size_t>(inner.layer) < frozen_.size() &&
            frozen_[static_cast<std::size_t>(inner.layer)])
            inner.gate = inner.layer;
        const Affine3 to_base{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}, block.base * -1.0};
        for (long row = 0; row < insert.rows; ++row)
            for (long column = 0; column < insert.columns; ++column) {
                if (full_ || ++inserts_ > most_inserts) {
                    full_ = true;
                    return;
                }
                Affine3 placed = insert.placed;
                placed.origin = placed.origin + insert.column_step * static_cast<double>(column) +
                                insert.row_step * static_cast<double>(row);
                put(block.shapes, t * placed * to_base, inner, depth + 1);
            }
    }

    // ---- at the end

    /// A few strays far from all else would make the rest a dot: they are left out.
    void leave_out_far_pieces() {
        if (full_)
            skip("what goes beyond", "there are more than " + std::to_string(most_cad_pieces) +
                                         " pieces or too many blocks in blocks");
        std::vector<double> xs, ys;
        const auto note = [&](Point p) {
            xs.push_back(p.x);
            ys.push_back(p.y);
        };
        for (const CadLine& l : out_.lines) note(lerp(l.a, l.b, 0.5));
        for (const CadArc& a : out_.arcs) note(a.centre);
        for (const CadCurve& c : out_.curves) note(c.points.front());
        if (xs.size() < 8)
            return drop_unusable({{-farthest_unit, -farthest_unit}, {farthest_unit, farthest_unit}});
        const auto share = [](std::vector<double>& v, double q) {
            const auto at = v.begin() + static_cast<std::ptrdiff_t>(q * static_cast<double>(v.size() - 1));
            std::nth_element(v.begin(), at, v.end());
            return *at;
        };
        Box core{{share(xs, 0.1), share(ys, 0.1)}, {share(xs, 0.9), share(ys, 0.9)}};
        const double reach = 50 * std::max(core.width(), core.height());
        if (!(reach > 0))
            return drop_unusable({{-farthest_unit, -farthest_unit}, {farthest_unit, farthest_unit}});
        drop_unusable(core.grown(reach));
    }

    void drop_unusable(const Box& within) {
        const std::size_t before = out_.pieces();
        const auto outside = [&](Point p) { return !within.contains(p); };  // true for NaN as well
        std::erase_if(out_.lines, [&](const CadLine& l) { return outside(l.a) || outside(l.b); });
        std::erase_if(out_.arcs, [&](const CadArc& a) {
            const Box b = bounds(a);
            return outside(b.low) || outside(b.high) || !(std::max(length(a.u), length(a.v)) > 0);
        });
        std::erase_if(out_.curves, [&](const CadCurve& c) {
            return std::any_of(c.points.begin(), c.points.end(), outside);
        });
        std::erase_if(out_.texts, [&](const CadText& t) { return outside(t.at); });
        if (out_.pieces() < before)
            skip("pieces", "they lie far away from all others", before - out_.pieces());
    }

    void sum_layers() {
        const auto add_to = [&](const CadPlace& place, bool curved, double length, const Box& box) {
            CadLayer& l = out_.layers[static_cast<std::size_t>(place.layer)];
            ++(curved ? l.arcs : l.segments);
            l.length += length;
            if (!l.box) l.box = box;
            l.box->include(box.low);
            l.box->include(box.high);
        };
        for (const CadLine& l : out_.lines) {
            Box box{l.a, l.a};
            box.include(l.b);
            add_to(l, false, distance(l.a, l.b), box);
        }
        for (const CadArc& a : out_.arcs) add_to(a, true, yemvo::length(a), bounds(a));
        for (const CadCurve& c : out_.curves) {
            double sum = 0;
            for (std::size_t i = 1; i < c.points.size(); ++i) sum += distance(c.points[i - 1], c.points[i]);
            add_to(c, true, sum, *bounds(c.points));
        }
    }

    std::string name_;
    CancelToken cancel_;
    DxfGroups groups_;
    Section section_ = Section::none;
    bool awaiting_section_name_ = false, too_long_ = false, full_ = false;
    int sections_ = 0;
    std::size_t inserts_ = 0, kept_ = 0;
    std::string variable_, version_, code_page_;
    DxfTextDecoder decoder_{"", ""};
    Entity entity_;
    std::unordered_map<std::string, Block> blocks_;
    Block* block_ = nullptr;
    Shapes model_;
    Shapes* polyline_ = nullptr;
    Entity polyline_head_;
    std::vector<Entity> vertices_;
    std::unordered_map<std::string, int> layer_index_;
    std::vector<bool> frozen_;
    std::map<std::pair<std::string, std::string>, std::size_t> skipped_;
    CadDrawing out_;
};

}  // namespace

CadDrawing read_dxf(const Bytes& bytes, const std::string& name, const CancelToken& cancel) {
    if (bytes.empty())
        throw Error("is empty", name, "Choose the file again; it may not have been copied whole");
    return DxfReader(bytes, name, cancel).read();
}

bool looks_like_dxf(const Bytes& bytes) {
    const std::string_view text(reinterpret_cast<const char*>(bytes.data()), bytes.size());
    try {
        DxfGroups groups(text);
        if (groups.is_binary()) return true;
        DxfGroup g;
        return groups.next(g) && g.code == 0 && g.value == "SECTION";
    } catch (const Error&) {
        return false;
    }
}

}  // namespace yemvo
