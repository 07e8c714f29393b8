// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/demo.h"

#include <set>

#include "core/support.h"
#include "coverage/probe.h"
#include "coverage/verdict.h"

using namespace yemvo;

namespace {

void same_in_map_and_terms(const Project& p, const Scene& scene, const FloorPrediction& fp, const Floor& f,
                           const std::vector<Point>& places) {
    for (Point at : places)
        for (const Band& b : bands()) {
            const float map = lens_values(fp, {LensId::signal, b.id})[*fp.surface.cell_at(at)];
            double best = -1000;
            for (const LinkExplanation& l : probe(p, scene, f, at))
                if (l.channel.band == b.id) best = std::max(best, l.received_dbm);
            INFO(f.name << " at " << at.x << ", " << at.y << ", " << b.name << " GHz");
            CHECK(best == Approx(map).margin(0.05));
        }
}

}  // namespace

TEST_CASE("the demo library is as large and as varied as it says") {
    const Project p = demo::make_demo();
    std::set<std::uint32_t> types;
    std::set<DrawingKind> kinds;
    std::size_t doors = 0, windows = 0, served = 0;
    for (const Floor* f : all_floors(p)) {
        REQUIRE(f->drawings->size() == 1);
        CHECK(f->drawings->front().to_scale());
        kinds.insert(f->drawings->front().source.kind);
        const Box box = *bounds([&] {
            std::vector<Point> all;
            for (const Wall& w : *f->walls) all.insert(all.end(), w.points.begin(), w.points.end());
            return all;
        }());
        const bool garden = f->name == "Garden";
        const bool basement = f->name == "Basement";
        CHECK(box.width() == Approx(garden ? 28 : basement ? 44 : 60));
        CHECK(box.height() == Approx(garden ? 33 : basement ? 26 : 35));
        // the drawing lies under what was drawn on it
        const Box under = extent(f->drawings->front());
        CHECK(under.contains(box.low));
        CHECK(under.contains(box.high));
        for (const Wall& w : *f->walls) {
            types.insert(w.type.value);
            for (const Opening& o : w.openings) {
                (o.kind == OpeningKind::door ? doors : windows)++;
                CHECK(o.start_m >= -1e-9);
                CHECK(o.start_m + o.width_m <= length(w.piece(o.piece)) + 1e-9);
            }
        }
        for (const Zone& z : *f->zones) served += z.kind == ZoneKind::served;
    }
    CHECK(all_floors(p).size() == 5);
    CHECK(kinds == std::set{DrawingKind::picture, DrawingKind::pdf, DrawingKind::dxf});
    CHECK(types.size() >= 8);
    CHECK(doors >= 10);
    CHECK(windows >= 10);
    CHECK(served >= 8);
    CHECK(placed_access_points(p).size() >= 25);
    CHECK(requirements_in_force(p).size() >= 8);
}

TEST_CASE("no two radios of the demo that hear each other well share a 5 GHz channel on a floor") {
    const Project p = demo::compose_venue();
    for (const Floor* f : all_floors(p)) {
        std::set<int> channels_used;
        for (const AccessPoint& ap : access_points(p, f->id))
            for (const Radio& r : ap.radios)
                if (r.on && r.channel.band == band_5 && ap.mount == Mount::ceiling)
                    CHECK(channels_used.insert(r.channel.number).second);
    }
}

TEST_CASE(
    "at places of every floor, the sloping garden among them, the map and the sum of the terms are the "
    "same") {
    const Project p = demo::compose_venue();
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    SceneCache masks(1 << 24);
    for (const Floor* f : all_floors(p)) {
        const Scene scene = make_scene(p, masks, building_with(p, f->id).id);
        const FloorPrediction& fp = *site.find(f->id);
        if (f->name == "Garden") {
            same_in_map_and_terms(p, scene, fp, *f, {{3.25, 12.25}, {20.25, 5.25}, {18.75, 26.25}});
            continue;
        }
        if (f->name == "Basement") {
            same_in_map_and_terms(p, scene, fp, *f, {{50.25, 30.25}, {20.25, 24.25}, {33.25, 12.25}});
            continue;
        }
        same_in_map_and_terms(p, scene, fp, *f,
                              {{9.75, 25.25}, {51.25, 30.25}, {26.25, 4.25}, {57.75, 33.25}, {40.25, 12.25}});
    }
}
