// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/shadow_raster.h"

#include <random>

#include "core/support.h"
#include "demo/demo.h"
#include "propagation/explain.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// Largest difference between the raster and the link walk over a surface, and how many cells differ at all.
std::pair<double, int> compare(const Scene& scene, const Surface& surface, Point3 source) {
    const Obstruction raster = cast_shadows(scene, surface, source, {}, no_limit_db);
    double worst = 0;
    int differing = 0;
    for (std::size_t i = 0; i < surface.cells(); ++i) {
        const auto crossings = trace(scene, source, surface.receiver(surface.centre(i)));
        for (const Band& b : bands()) {
            const double d =
                std::abs(obstruction_db(scene, crossings, b.id) - double{raster.by_band[b.id.index].at(i)});
            if (d > 1e-3) ++differing;
            worst = std::max(worst, d);
        }
    }
    return {worst, differing};
}

}  // namespace

TEST_CASE("raster and link walk agree in every cell of all demo floors, from every access point") {
    const Project p = demo::compose_venue();
    SceneCache masks(1 << 24);
    for (const Floor* floor : all_floors(p)) {
        const Scene scene = make_scene(p, masks, building_with(p, floor->id).id);
        const Surface surface = make_surface(p, scene, *floor, 0.5);
        REQUIRE(surface.cells() >= (floor->name == "Garden"     ? 3000u
                                    : floor->name == "Basement" ? 4500u
                                                                : 8400u));
        for (const auto& placed : placed_access_points(p)) {
            const auto [worst, differing] =
                compare(scene, surface, antenna_place(scene, *placed.floor, *placed.access_point));
            INFO(floor->name << ", access point " << placed.access_point->number << ", " << differing
                             << " cells differ");
            CHECK(worst < 0.05);
        }
    }
}

TEST_CASE("raster and link walk agree in random scenes, also on a sloping surface") {
    std::mt19937 random(3);
    const auto any = [&](double low, double high) {
        return std::uniform_real_distribution<>(low, high)(random);
    };
    for (int round = 0; round < 12; ++round) {
        Project p = new_project("P", {LengthUnits::metres, "GB", 1, 7}, 2, 4);
        const char* types[] = {"plasterboard", "brick-half", "glass-partition", "concrete-100"};
        for (int i = 0; i < 40; ++i) {
            const Point a{any(0, 30), any(0, 20)};
            const WallId id = wall(p, types[i % 4],
                                   {a, a + Point{any(-8, 8), any(-8, 8)}, a + Point{any(-8, 8), any(-8, 8)}},
                                   any(0, 1), any(1.2, 4), i % 2);
            Opening o;
            o.type = find_type(p, "door-timber");
            o.start_m = any(0, 3);
            add_opening(p, floor_at(p, i % 2), id, o);
        }
        SceneCache masks(1 << 20);
        const Scene scene = make_scene(p, masks);
        Surface s = make_surface(p, scene, *find_floor(p, floor_at(p, round % 2)), 0.4);
        if (round > 5) {
            s.slope_x = 0.04;
            s.slope_y = -0.03;
        }
        const auto [worst, differing] = compare(scene, s, {any(2, 28), any(2, 18), any(0.5, 7.5)});
        INFO("round " << round);
        CHECK(differing == 0);
        CHECK(worst < 0.001);
    }
}

TEST_CASE("a computation that is cancelled stops") {
    const Project p = demo::compose_venue();
    SceneCache masks(1 << 24);
    const Scene scene = make_scene(p, masks);
    const CancelToken token;
    token.cancel();
    CHECK_THROWS_AS(cast_shadows(scene, make_surface(p, scene, *all_floors(p)[0]), {5, 5, 3}, token),
                    Cancelled);
}
