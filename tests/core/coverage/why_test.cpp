// SPDX-License-Identifier: GPL-3.0-or-later
// Every number can be asked why: probes against lenses, elevations against crossings, costs against both.
#include <random>

#include "core/support.h"
#include "coverage/costs.h"
#include "coverage/lens_map.h"
#include "coverage/probe.h"
#include "demo/demo.h"
#include "propagation/link_elevation.h"

using namespace yemvo;
using namespace yemvo::test;

TEST_CASE("at 300 random cells of all demo floors the probe's terms add up to the lens, for three lenses") {
    const Project p = demo::compose_venue();
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    std::mt19937 random(17);
    int asked = 0;
    double worst = 0;
    while (asked < 300) {
        const FloorPrediction& f = site.floors[random() % site.floors.size()];
        const std::size_t cell = random() % f.surface.cells();
        if (!f.mask->inside[cell]) continue;
        const BandId band = bands()[random() % band_count()].id;
        const auto at = [&](LensId id) { return double{lens_values(f, {id, band})[cell]}; };
        const double signal = at(LensId::signal), next = at(LensId::next_best), snr = at(LensId::snr);
        if (std::isnan(signal) || std::isnan(next)) continue;
        ++asked;
        const auto links = probe(p, *f.scene, *find_floor(p, f.floor), f.surface.centre(cell), band);
        const auto sum = [](const LinkExplanation& l) {
            double dbm = 0;
            for (const LinkTerm& t : l.terms) dbm += t.db;
            return dbm;
        };
        const LinkExplanation* other = nullptr;
        for (const LinkExplanation& l : links)
            if (!other && l.access_point != links[0].access_point) other = &l;
        REQUIRE(other);
        worst = std::max({worst, std::abs(sum(links[0]) - signal), std::abs(sum(*other) - next),
                          std::abs(links[0].snr_db() - snr)});
    }
    CHECK(worst < 0.05);
}

TEST_CASE("an elevation shows what the ray meets, and what it passes over") {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1, 7}, 2, 3);
    for (std::size_t f : {0u, 1u})
        wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}}, 0, {}, f);
    wall(p, "plasterboard", {{8, 0}, {8, 10}}, 0, {}, 1);
    wall(p, "screen", {{12, 0}, {12, 10}}, 0, 1.2, 1);
    SceneCache cache(1 << 22);
    const Scene s = make_scene(p, cache);
    const Point3 from{4, 5, 5.5}, to{16, 5, 4.5};
    const auto parts = elevation(s, from, to);
    const auto of = [&](const char* key) {
        const ElevationPart* found = nullptr;
        for (const ElevationPart& e : parts)
            if (wall_type(p, s.types[static_cast<std::size_t>(e.row)]).key == key) found = &e;
        REQUIRE(found);
        return *found;
    };
    CHECK(of("plasterboard").met);
    CHECK(of("plasterboard").from_m == Approx(4).margin(0.03));
    CHECK_FALSE(of("screen").met);
    CHECK(of("screen").top_m == Approx(4.2));
    CHECK_FALSE(of("slab-concrete-300").met);
    CHECK(of("slab-concrete-300").to_m == Approx(12).margin(0.1));
    int met = 0;
    for (const ElevationPart& e : parts) met += e.met;
    CHECK(met == static_cast<int>(trace(s, from, to).size()));
}

TEST_CASE("what costs most: a wall before half of the floor costs its loss over half of the area") {
    Project p = at_square_entry(one_floor());
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 4}, {0, 4}, {0, 0}});
    wall(p, "concrete-100", {{10, 0}, {10, 4}});
    isotropic_access_point(p, {5, 2}, 1);
    Predictor predictor;
    const FloorPrediction f = predictor.predict(p).floors.front();
    const Costs costs = what_costs(p, f, band_5, f.mask->inside, {});
    REQUIRE(costs.rows.size() == 1);
    CHECK(wall_type(p, costs.rows[0].type).key == "concrete-100");
    CHECK(costs.rows[0].mean_db == Approx(15));
    CHECK(costs.rows[0].area_m2 == Approx(costs.area_m2 / 2).epsilon(0.05));
    CHECK(costs.mean_way_db == Approx(7.5).epsilon(0.05));
    CancelToken stop;
    stop.cancel();
    CHECK_THROWS_AS(what_costs(p, f, band_5, f.mask->inside, stop), Cancelled);
}

TEST_CASE("a link in one sentence") {
    LinkExplanation l;
    l.number = 19;
    l.received_dbm = -76.7;
    l.terms = {{TermKind::power, say("Conducted power"), 14},
               {TermKind::wall, say("Brick"), -11.2},
               {TermKind::wall, say("Glass"), -2.4}};
    CHECK(told(l, "P1", -67) ==
          "Access point 19 reaches P1 at −76.7 dBm, 9.7 dB less than required; Brick takes 11.2 of the 13.6 "
          "dB lost in "
          "the way.");
    l.terms.resize(1);
    l.received_dbm = -60;
    CHECK(told(l, "P2", -67) ==
          "Access point 19 reaches P2 at −60.0 dBm, 7.0 dB more than required; nothing stands in the way.");
}

TEST_CASE("probes live with their floor, and variants are copies of their own") {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1, 7}, 2, 3);
    add_probe(p, floor_at(p, 0), {1, 1});
    CHECK(add_probe(p, floor_at(p, 1), {2, 2}) == 2);
    transform_floor(p, floor_at(p, 1), {1, 0, {5, 0}});
    CHECK(find_probe(p, 2)->place == Point{7, 2});
    remove_floor(p, floor_at(p, 1));
    CHECK_FALSE(find_probe(p, 2));
    CHECK(add_probe(p, floor_at(p, 0), {3, 3}) == 2);
    remove_probe(p, 1);
    CHECK(p.probes->size() == 1);

    add_access_point(p, floor_at(p, 0), (*p.models)[0].id, {1, 1});
    const VariantId first = p.variant;
    const VariantId second = copy_variant(p, "More of them");
    CHECK(p.variant == second);
    add_access_point(p, floor_at(p, 0), (*p.models)[0].id, {4, 4});
    CHECK(access_points(p, floor_at(p, 0)).size() == 2);
    choose_variant(p, first);
    CHECK(access_points(p, floor_at(p, 0)).size() == 1);
    rename_variant(p, first, "Few");
    CHECK(current_variant(p).name == "Few");
    remove_variant(p, first);
    CHECK(p.variant == second);
    CHECK_THROWS_AS(remove_variant(p, second), std::logic_error);
}
