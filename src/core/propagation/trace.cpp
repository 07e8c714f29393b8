// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/trace.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

#include "propagation/crossing_rule.h"
#include "propagation/prism_way.h"

namespace yemvo {
namespace {

double held(double cosine) { return std::clamp(std::abs(cosine), 0.0, 1.0); }

void add_panel(std::vector<Crossing>& out, const ScenePanel& panel, Point3 source, Point3 receiver) {
    const auto wedge = make_wedge(source.flat(), panel.a, panel.b);
    if (!wedge) return;
    const Point r = receiver.flat() - source.flat();
    if (!(cross(wedge->p, r) >= 0) || !(cross(wedge->q, r) < 0)) return;
    const double depth = cross(r, wedge->q - wedge->p);
    if (!(depth > wedge->h * beyond_wall)) return;
    const double share = wedge->h / depth;
    const double z = source.z + share * (receiver.z - source.z);
    if (z < panel.base_m || z >= panel.top_m) return;
    const Point3 way = receiver - source;
    const Point normal = left_of(unit(panel.b - panel.a));
    const double cosine = dot(way.flat(), normal) / length(way);
    out.push_back({panel.opening ? CrossingKind::opening : CrossingKind::wall, panel.row, share, held(cosine),
                   panel.floor, panel.wall, panel.opening});
}

void add_slab(std::vector<Crossing>& out, const SceneSlab& slab, Point3 source, Point3 receiver) {
    const auto share = slab.share(source, receiver);
    if (!share) return;
    const auto row = slab.row_at(lerp(source.flat(), receiver.flat(), *share));
    if (!row) return;
    const Point3 way = receiver - source;
    out.push_back({slab.ceiling ? CrossingKind::ceiling
                   : slab.ramp  ? CrossingKind::ramp
                                : CrossingKind::slab,
                   *row,
                   *share,
                   held((way.z - dot(slab.rise, way.flat())) /
                        (length(way) * std::sqrt(1 + dot(slab.rise, slab.rise)))),
                   slab.floor,
                   {},
                   {}});
}

void add_prism(std::vector<Crossing>& out, const Scene& scene, int index, Point3 source, Point3 receiver) {
    const ScenePrism& prism = scene.prisms[static_cast<std::size_t>(index)];
    const PrismWay way = prism_way(prism, source, receiver);
    if (way.length_m <= 0) return;
    out.push_back(
        {CrossingKind::obstacle, prism.row, way.enters, 1, prism.floor, {}, {}, index, way.length_m});
}

}  // namespace

double Crossing::angle_deg() const { return std::acos(cosine) * 180 / std::numbers::pi; }

std::vector<Crossing> trace(const Scene& scene, Point3 source, Point3 receiver) {
    const Point3 from = engine_source(scene, source);
    std::vector<Crossing> out;
    for (const ScenePanel& panel : scene.panels) add_panel(out, panel, from, receiver);
    for (const SceneSlab& slab : scene.slabs) add_slab(out, slab, from, receiver);
    for (std::size_t i = 0; i < scene.prisms.size(); ++i)
        add_prism(out, scene, static_cast<int>(i), from, receiver);
    std::stable_sort(out.begin(), out.end(),
                     [](const Crossing& a, const Crossing& b) { return a.share < b.share; });
    return out;
}

double loss_db(const Scene& scene, const Crossing& c, BandId band) {
    if (c.prism >= 0)
        return prism_loss_db(scene, scene.prisms[static_cast<std::size_t>(c.prism)], c.length_m, band.index);
    return scene.laws[static_cast<std::size_t>(c.row)][band.index].loss_db(c.cosine);
}

double obstruction_db(const Scene& scene, const std::vector<Crossing>& crossings, BandId band) {
    double sum_db = 0;
    for (const Crossing& c : crossings) sum_db += loss_db(scene, c, band);
    return sum_db;
}

double deviation_db(const Scene& scene, const std::vector<Crossing>& crossings, BandId band) {
    std::map<int, double> by_type;
    for (const Crossing& c : crossings) {
        const auto row = static_cast<std::size_t>(c.row);
        const double deviation = double{scene.deviations[row][band.index].c[0][0]};
        if (c.prism < 0) {
            by_type[c.row] += deviation;
            continue;
        }
        const double per_m = double{scene.laws[row][band.index].c[0][0]};
        if (per_m > 0) by_type[c.row] += loss_db(scene, c, band) * deviation / per_m;
    }
    double squares = 0;
    for (const auto& [row, db] : by_type) squares += db * db;
    return std::sqrt(squares);
}

}  // namespace yemvo
