// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/link_elevation.h"

#include <algorithm>
#include <cmath>

#include "geometry/segment.h"
#include "propagation/prism_way.h"

namespace yemvo {
namespace {

class Elevation {
public:
    Elevation(const Scene& scene, Point3 source, Point3 receiver)
        : scene_(scene),
          source_(engine_source(scene, source)),
          receiver_(receiver),
          length_m_(distance(source_.flat(), receiver.flat())),
          low_m_(std::min(source.z, receiver.z) - 6),
          high_m_(std::max(source.z, receiver.z) + 6) {}

    std::vector<ElevationPart> parts() {
        if (length_m_ < 1e-6) return {};
        for (const ScenePanel& p : scene_.panels) add(p);
        for (const SceneSlab& s : scene_.slabs) add(s);
        for (const ScenePrism& p : scene_.prisms) add(p);
        std::stable_sort(parts_.begin(), parts_.end(),
                         [](const ElevationPart& a, const ElevationPart& b) { return a.from_m < b.from_m; });
        return std::move(parts_);
    }

private:
    Point at(double along_m) const { return lerp(source_.flat(), receiver_.flat(), along_m / length_m_); }
    double ray_m(double along_m) const { return source_.z + (receiver_.z - source_.z) * along_m / length_m_; }
    void add(const ScenePanel& p) {
        if (p.top_m < low_m_ || p.base_m > high_m_) return;
        const Segment ground{source_.flat(), receiver_.flat()};
        const auto place = crossing(ground, {p.a, p.b});
        if (!place) return;
        const double along_m = distance(source_.flat(), *place), z = ray_m(along_m);
        parts_.push_back({p.opening ? CrossingKind::opening : CrossingKind::wall, p.row, along_m, along_m,
                          p.base_m, p.top_m, z >= p.base_m && z < p.top_m});
    }
    /// Sampled every few centimetres: only for the eye.
    void add(const SceneSlab& s) {
        const auto level = [&](double along_m) { return s.level_m + dot(s.rise, at(along_m)); };
        if (level(0) < low_m_ || level(0) > high_m_) return;
        constexpr double step_m = 0.05;
        const CrossingKind kind = s.ceiling ? CrossingKind::ceiling
                                  : s.ramp  ? CrossingKind::ramp
                                            : CrossingKind::slab;
        const int steps = std::min(4000, static_cast<int>(std::ceil(length_m_ / step_m)));
        const double each_m = length_m_ / steps;
        const auto share = s.share(source_, receiver_);
        std::optional<int> row;
        double from_m = 0;
        for (int i = 0; i <= steps; ++i) {
            const auto here = i < steps ? s.row_at(at((i + 0.5) * each_m)) : std::nullopt;
            if (here == row && i < steps) continue;
            const double to_m = i * each_m;
            if (row) {
                const double met_m = share ? *share * length_m_ : -1;
                parts_.push_back(
                    {kind, *row, from_m, to_m, level(from_m), level(to_m), met_m >= from_m && met_m < to_m});
            }
            row = here;
            from_m = to_m;
        }
    }
    void add(const ScenePrism& p) {
        if (p.top_m < low_m_ || p.base_m > high_m_) return;
        // the same way level through its middle: where the plane cuts it
        const double middle_m = (p.base_m + p.top_m) / 2;
        const PrismWay cut =
            prism_way(p, {source_.x, source_.y, middle_m}, {receiver_.x, receiver_.y, middle_m});
        if (cut.length_m <= 0) return;
        const double from_m = cut.enters * length_m_;
        parts_.push_back({CrossingKind::obstacle, p.row, from_m, from_m + cut.length_m, p.base_m, p.top_m,
                          prism_way(p, source_, receiver_).length_m > 0});
    }

    const Scene& scene_;
    Point3 source_, receiver_;
    double length_m_, low_m_, high_m_;
    std::vector<ElevationPart> parts_;
};

}  // namespace

std::vector<ElevationPart> elevation(const Scene& scene, Point3 source, Point3 receiver) {
    return Elevation(scene, source, receiver).parts();
}

}  // namespace yemvo
