#include "propagation/shadow_raster.h"

#include <algorithm>
#include <cmath>

#include "propagation/crossing_rule.h"
#include "propagation/prism_way.h"

namespace yemvo {
namespace {

/// f(column, row) = c0 + cx column + cy row, kept where f >= 0, or where f > 0 when strict.
struct HalfPlane {
    double c0, cx, cy;
    bool strict;
};

/// A linear function of the place, in metres, turned into one of the cell.
HalfPlane on_cells(const Surface& s, double k0, double kx, double ky, bool strict) {
    const Point first = s.centre(0, 0);
    return {k0 + kx * first.x + ky * first.y, kx * s.cell_m, ky * s.cell_m, strict};
}

struct Span {
    double low, high;  ///< columns [low, high)
};

/// Cuts the span to the half plane in one row.
inline void cut(Span& span, const HalfPlane& f, double inverse_cx, int row) {
    const double k0 = f.c0 + f.cy * row;
    if (f.cx == 0) {
        if (f.strict ? !(k0 > 0) : !(k0 >= 0)) span.high = span.low;
        return;
    }
    const double at = -k0 * inverse_cx;
    if (f.cx > 0)
        span.low = std::max(span.low, f.strict ? std::floor(at) + 1 : std::ceil(at));
    else
        span.high = std::min(span.high, f.strict ? std::ceil(at) : std::floor(at) + 1);
}

class ShadowCaster {
public:
    ShadowCaster(const Scene& scene, const Surface& surface, Point3 source)
        : scene_(scene), surface_(surface), source_(engine_source(scene, source)) {
        out_.by_band.assign(band_count(), std::vector<float>(surface.cells(), 0.0f));
        const Box box = surface.box();
        for (Point p : {box.low, box.high, Point{box.low.x, box.high.y}, Point{box.high.x, box.low.y}}) {
            lowest_m_ = std::min(lowest_m_, surface.height_m(p));
            highest_m_ = std::max(highest_m_, surface.height_m(p));
        }
    }

    void cast(const ScenePanel& panel) {
        if (panel.top_m <= lowest_m_ || panel.base_m > highest_m_) return;  // no ray reaches its heights
        const auto wedge = make_wedge(source_.flat(), panel.a, panel.b);
        if (!wedge) return;
        set_planes(panel, *wedge);
        for (int row = 0; row < surface_.rows; ++row) {
            Span span{0, static_cast<double>(surface_.columns)};
            for (int k = 0; k < planes_; ++k) cut(span, plane_[k], inverse_[k], row);
            if (span.low < span.high)
                add(panel.row, row, static_cast<int>(span.low), static_cast<int>(span.high));
        }
    }

    void cast(const SceneSlab& slab) {
        if (!slab.ramp && (slab.level_m <= lowest_m_ || slab.level_m > highest_m_)) return;
        for (int row = 0; row < surface_.rows; ++row)
            for (int column = 0; column < surface_.columns; ++column) {
                const Point3 receiver = surface_.receiver(surface_.centre(column, row));
                const auto share = slab.share(source_, receiver);
                if (!share) continue;
                if (const auto loss_row = slab.row_at(lerp(source_.flat(), receiver.flat(), *share)))
                    add(*loss_row, row, column, column + 1);
            }
    }

    void cast(const ScenePrism& prism) {
        if (prism.top_m <= lowest_m_ || prism.base_m > highest_m_) return;
        set_planes(prism);
        for (int row = 0; row < surface_.rows; ++row) {
            Span span{0, static_cast<double>(surface_.columns)};
            for (int k = 0; k < planes_; ++k) cut(span, plane_[k], inverse_[k], row);
            for (int c = static_cast<int>(span.low); c < static_cast<int>(span.high); ++c) {
                const Point3 receiver = surface_.receiver(surface_.centre(c, row));
                const double way_m = prism_way(prism, source_, receiver).length_m;
                if (way_m <= 0) continue;
                for (std::size_t band = 0; band < out_.by_band.size(); ++band)
                    out_.by_band[band][surface_.index(c, row)] +=
                        static_cast<float>(prism_loss_db(scene_, prism, way_m, band));
            }
        }
    }

    Obstruction take() { return std::move(out_); }

private:
    void set_planes(const ScenePanel& panel, const Wedge& w) {
        planes_ = 0;
        const Point a = source_.flat(), e = w.q - w.p;
        // cross(v, r - a) as a linear function of r
        const auto side = [&](Point v, double sign, bool strict) {
            push(on_cells(surface_, sign * (-v.x * a.y + v.y * a.x), -sign * v.y, sign * v.x, strict));
        };
        side(w.p, 1, false);
        side(w.q, -1, true);
        // depth = cross(r - a, e) beyond the wall
        const double d0 = -a.x * e.y + a.y * e.x, dx = e.y, dy = -e.x;
        push(on_cells(surface_, d0 - w.h * beyond_wall, dx, dy, true));
        // the ray's height at the wall: source.z + (h / depth) (z_r - source.z), against base and top
        const double r0 = w.h * (surface_.z0 - source_.z), rx = w.h * surface_.slope_x,
                     ry = w.h * surface_.slope_y;
        const double base = panel.base_m - source_.z, top = panel.top_m - source_.z;
        if (panel.base_m > lowest_m_)
            push(on_cells(surface_, r0 - base * d0, rx - base * dx, ry - base * dy, false));
        if (panel.top_m <= highest_m_)
            push(on_cells(surface_, top * d0 - r0, top * dx - rx, top * dy - ry, true));
    }
    /// A little more than the cells that its shadow and its own ground can lie in; prism_way decides each.
    void set_planes(const ScenePrism& prism) {
        planes_ = 0;
        const Point a = source_.flat();
        Point centre{};
        for (Point p : prism.outline)
            centre = centre + (p - a) * (1.0 / static_cast<double>(prism.outline.size()));
        const Point ahead = unit(centre);
        double nearest_m = 1e9;
        for (Point p : prism.outline) nearest_m = std::min(nearest_m, dot(p - a, ahead));
        if (nearest_m <= 0.01) return;  // beside or round the source: every cell is asked
        Point right = prism.outline[0] - a, left = right;
        for (Point p : prism.outline) {
            if (cross(left, p - a) > 0) left = p - a;
            if (cross(right, p - a) < 0) right = p - a;
        }
        constexpr double slack_m = 1e-6;
        const auto keep = [&](Point n, double least) {
            push(on_cells(surface_, -dot(n, a) - least + slack_m, n.x, n.y, false));
        };
        keep(left_of(unit(right)), 0);
        keep(left_of(unit(left)) * -1.0, 0);
        keep(ahead, nearest_m);
    }
    void push(const HalfPlane& f) {
        plane_[planes_] = f;
        inverse_[planes_] = f.cx == 0 ? 0 : 1 / f.cx;
        ++planes_;
    }
    void add(int loss_row, int row, int from, int to) {
        const LossRow& losses = scene_.losses[static_cast<std::size_t>(loss_row)];
        for (std::size_t band = 0; band < losses.size(); ++band) {
            const float loss_db = losses[band];
            float* cells = out_.by_band[band].data() + surface_.index(0, row);
            for (int c = from; c < to; ++c) cells[c] += loss_db;
        }
    }

    const Scene& scene_;
    const Surface& surface_;
    Point3 source_;
    double lowest_m_ = source_.z, highest_m_ = source_.z;  ///< of any ray
    HalfPlane plane_[5];
    double inverse_[5];
    int planes_ = 0;
    Obstruction out_;
};

}  // namespace

Obstruction cast_shadows(const Scene& scene, const Surface& surface, Point3 source,
                         const CancelToken& cancel) {
    ShadowCaster caster(scene, surface, source);
    for (std::size_t i = 0; i < scene.panels.size(); ++i) {
        if (i % 64 == 0) cancel.check();
        caster.cast(scene.panels[i]);
    }
    for (const SceneSlab& slab : scene.slabs) {
        cancel.check();
        caster.cast(slab);
    }
    for (const ScenePrism& prism : scene.prisms) {
        cancel.check();
        caster.cast(prism);
    }
    return caster.take();
}

}  // namespace yemvo
