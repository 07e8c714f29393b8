// SPDX-License-Identifier: GPL-3.0-or-later
// DXF entities turned into shapes in the coordinates of the block they stand in.
// Source: the published DXF reference, "ENTITIES section".
#pragma once
#include <functional>
#include <limits>
#include <string>
#include <vector>

#include "base/said.h"
#include "exchange/dxf_groups.h"
#include "exchange/dxf_shapes.h"
#include "exchange/dxf_text.h"

namespace yemvo {

/// A coordinate beyond this is a mistake.
inline constexpr double farthest_cad_unit = 1e11;

/// One entity with its groups. Values are kept as text: most are never looked at.
struct DxfEntity {
    std::string type;
    struct Value {
        int code;
        std::string text;
    };
    std::vector<Value> values;

    static constexpr double missing = std::numeric_limits<double>::quiet_NaN();

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
    /// Not usable where x or y is missing: what is not in the file is not made up.
    Point3 point(int code) const {
        return {number(code, missing), number(code + 10, missing), number(code + 20)};
    }
    Point3 normal() const { return find(230) ? point(210) : Point3{0, 0, 1}; }
    std::string text(int code) const {
        const std::string* v = find(code);
        return v ? *v : std::string();
    }
};

/// What a block holds, in its own coordinates.
struct DxfShapes {
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

/// All three coordinates are numbers and none beyond reason.
bool usable(Point3);

/// Reads entities one after the other; an old polyline's vertices are entities of their own, so finish() must
/// follow the last.
class DxfEntityReader {
public:
    struct Needs {
        std::function<int(const std::string& raw_name)> layer;
        std::function<void(const Said& what, const Said& why)> skip;
    };
    explicit DxfEntityReader(Needs needs) : needs_(std::move(needs)) {}
    void set_decoder(const DxfTextDecoder& decoder) { decoder_ = decoder; }
    void add(const DxfEntity&, DxfShapes& to);
    void finish() { finish_polyline(); }
    /// The file ends within what is being read: it is left out.
    void drop_unfinished();

private:
    struct Vertex {
        Point3 at;
        double bulge;
    };

    int layer_of(const DxfEntity& e);
    static bool add_piece(DxfShapes& to, Point3 a, Point3 b, int layer);
    bool add_line(const DxfEntity& e, DxfShapes& to);
    bool add_arc(const DxfEntity& e, DxfShapes& to);
    bool add_ellipse(const DxfEntity& e, DxfShapes& to);
    bool add_run(const std::vector<Vertex>& run, bool closed, const Affine3& axes, int layer, DxfShapes& to);
    bool add_light_polyline(const DxfEntity& e, DxfShapes& to);
    bool begin_polyline(const DxfEntity& e, DxfShapes& to);
    void finish_polyline();
    bool add_spline(const DxfEntity& e, DxfShapes& to);
    bool add_insert(const DxfEntity& e, DxfShapes& to);
    /// A dimension is drawn by a block of its own.
    bool add_dimension(const DxfEntity& e, DxfShapes& to);
    bool push_text(const DxfEntity& e, DxfShapes& to, Point3 at, double turn, double height,
                   const Affine3& axes, double align_x, double align_y, std::string words);
    bool add_text(const DxfEntity& e, DxfShapes& to);
    bool add_mtext(const DxfEntity& e, DxfShapes& to);
    bool add_outline(const std::vector<Point3>& corners, int layer, DxfShapes& to);
    /// Its corners run in a Z.
    bool add_solid(const DxfEntity& e, DxfShapes& to);
    bool add_face(const DxfEntity& e, DxfShapes& to);
    bool add_leader(const DxfEntity& e, DxfShapes& to);
    void skip(const Said& what, const Said& why) { needs_.skip(what, why); }

    Needs needs_;
    DxfTextDecoder decoder_{"", ""};
    DxfShapes* polyline_ = nullptr;
    DxfEntity polyline_head_;
    std::vector<DxfEntity> vertices_;
};

}  // namespace yemvo
