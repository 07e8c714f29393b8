// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/support.h"
#include "demo/demo.h"
#include "propagation/field_store.h"
#include "propagation/shadow_raster.h"
#include "propagation/simd.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::test;

TEST_CASE("crossings of one type err together, types apart") {
    Project p = at_square_entry(one_floor());
    wall(p, "brick-half", {{4, 0}, {4, 10}});
    wall(p, "brick-half", {{6, 0}, {6, 10}});
    wall(p, "plasterboard", {{8, 0}, {8, 10}});
    SceneCache cache(1 << 20);
    const Scene s = make_scene(p, cache);
    // 5 GHz: brick 4 to 14, plasterboard 1 to 6 dB between the 10th and 90th percentile
    const double brick = 10 / 2.5631, board = 5 / 2.5631;
    CHECK(deviation_db(s, trace(s, {2, 5, 1}, {5, 5, 1}), band_5) == Approx(brick).epsilon(1e-3));
    CHECK(deviation_db(s, trace(s, {2, 5, 1}, {7, 5, 1}), band_5) == Approx(2 * brick).epsilon(1e-3));
    CHECK(deviation_db(s, trace(s, {2, 5, 1}, {9, 5, 1}), band_5) ==
          Approx(std::hypot(2 * brick, board)).epsilon(1e-3));
    CHECK(deviation_db(s, trace(s, {2, 5, 1}, {3, 5, 1}), band_5) == 0);
}

TEST_CASE("the raster's deviations are those of the link walk in every cell of the demo") {
    const Project p = demo::compose_venue();
    SceneCache cache(1 << 24);
    const Floor& floor = *all_floors(p)[1];
    const Scene scene = make_scene(p, cache, building_with(p, floor.id).id);
    const Surface s = make_surface(p, scene, floor);
    const auto placed = placed_access_points(p);
    for (std::size_t i = 0; i < placed.size(); i += 7) {
        const Point3 from = antenna_place(scene, *placed[i].floor, *placed[i].access_point);
        const auto drawn = cast_deviation(scene, s, from, {});
        double worst = 0;
        for (std::size_t c = 0; c < s.cells(); c += 3) {
            const auto crossed = trace(scene, from, s.receiver(s.centre(c)));
            worst = std::max(
                worst, std::abs(deviation_db(scene, crossed, band_6) - double{drawn[band_6.index].at(c)}));
        }
        CHECK(worst < 0.01);
    }
}

TEST_CASE("every instruction set draws the same shadows") {
    const Project p = demo::compose_venue();
    SceneCache cache(1 << 24);
    const Floor& floor = *all_floors(p)[0];
    const Scene scene = make_scene(p, cache, building_with(p, floor.id).id);
    const Surface s = make_surface(p, scene, floor);
    const auto placed = placed_access_points(p);
    const AccessPointModel& m = model(p, placed[3].access_point->model);
    for (std::size_t i : {std::size_t{3}, placed.size() - 2}) {
        const Point3 from = antenna_place(scene, *placed[i].floor, *placed[i].access_point);
        use_instruction_set("");
        const Obstruction best = cast_shadows(scene, s, from, {}, no_limit_db);
        const Antenna& antenna = m.radios[1].bands[0].antenna;
        const GainField field = make_gain_field(s, from, {20, 5, 0}, antenna, band_5, best);
        for (const std::string& set : instruction_sets()) {
            use_instruction_set(set);
            CHECK(instruction_set() == set);
            const Obstruction other = cast_shadows(scene, s, from, {}, no_limit_db);
            const GainField gain = make_gain_field(s, from, {20, 5, 0}, antenna, band_5, best);
            double worst = 0;
            int worst_cdb = 0;
            for (std::size_t c = 0; c < s.cells(); ++c) {
                for (const Band& b : bands())
                    worst = std::max(worst, std::abs(double{best.by_band[b.id.index].at(c)} -
                                                     double{other.by_band[b.id.index].at(c)}));
                worst_cdb = std::max(worst_cdb, std::abs(int{gain.gain_cdb[c]} - int{field.gain_cdb[c]}));
            }
            INFO(set);
            CHECK(worst < 0.01);
            CHECK(worst_cdb <= 1);
        }
    }
    use_instruction_set("");
    CHECK_THROWS_AS(use_instruction_set("abacus"), Error);
}

TEST_CASE("what lies beyond the limit is all that the limit takes away") {
    const Project p = demo::compose_venue();
    SceneCache cache(1 << 24);
    for (const Floor* floor : all_floors(p)) {
        const Scene scene = make_scene(p, cache, building_with(p, floor->id).id);
        const Surface s = make_surface(p, scene, *floor);
        for (const auto& placed : placed_access_points(p)) {
            const AccessPointModel& m = model(p, placed.access_point->model);
            const Point3 from = antenna_place(scene, *placed.floor, *placed.access_point);
            const Obstruction whole = cast_shadows(scene, s, from, {}, no_limit_db);
            const Obstruction limited = cast_shadows(scene, s, from, {});
            const RadioBand& can = m.radios[1].bands[0];
            const GainField a = make_gain_field(s, from, {}, can.antenna, can.band, whole, no_limit_db);
            const GainField b = make_gain_field(s, from, {}, can.antenna, can.band, limited);
            int differ = 0;
            for (std::size_t c = 0; c < s.cells(); ++c) {
                const int without = a.gain_cdb[c], with = b.silent ? silent_cdb : b.gain_cdb[c];
                if (with == silent_cdb)
                    differ += without > -13500;  // an antenna adds some dB to the 150 of the way
                else
                    differ += std::abs(without - with) > 1;
            }
            CHECK(differ == 0);
        }
    }
}

TEST_CASE("a wall laid on a wall counts once: the one that takes more") {
    Project p = at_square_entry(one_floor());
    wall(p, "brick-half", {{5, 0}, {5, 10}});
    wall(p, "plasterboard", {{5.01, 2}, {5.01, 12}});
    SceneCache cache(1 << 20);
    const Scene s = make_scene(p, cache);
    const auto at = [&](double y) { return obstruction_db(s, trace(s, {2, y, 1}, {8, y, 1}), band_5); };
    CHECK(at(1) == Approx(8));
    CHECK(at(6) == Approx(8));
    CHECK(at(11) == Approx(3.5));
    // a low wall in a high one of another type
    wall(p, "concrete-200", {{5, 4}, {5, 6}}, 0, 1.2);
    const Scene t = make_scene(p, cache);
    CHECK(obstruction_db(t, trace(t, {2, 5, 1}, {8, 5, 1}), band_5) == Approx(27));
    CHECK(obstruction_db(t, trace(t, {2, 5, 2}, {8, 5, 2}), band_5) == Approx(8));
    // two leaves apart stay two
    wall(p, "plasterboard", {{5.2, 0}, {5.2, 3}});
    const Scene u = make_scene(p, cache);
    CHECK(obstruction_db(u, trace(u, {2, 1, 1}, {8, 1, 1}), band_5) == Approx(11.5));
}

TEST_CASE("a changed wall traces only the access points whose rays can meet it") {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1, 7}, 2, 4);
    for (std::size_t f : {0u, 1u})
        wall(p, "brick-half", {{0, 0}, {30, 0}, {30, 20}, {0, 20}, {0, 0}}, 0, {}, f);
    const WallId far = wall(p, "plasterboard", {{29.4, 1}, {29.4, 3}});
    add_access_point(p, floor_at(p, 0), (*p.models)[1].id, {5, 10});
    add_access_point(p, floor_at(p, 1), (*p.models)[1].id, {15, 10});
    FieldStore store;
    const auto fields = [&] {
        const std::size_t before = store.traced();
        for (const Floor* floor : all_floors(p)) {
            const auto scene = store.scenes()->scene(p, building_with(p, floor->id).id);
            const Surface s = make_surface(p, *scene, *floor);
            for (const auto& placed : placed_access_points(p))
                store.field(store.place(scene, s, antenna_place(*scene, *placed.floor, *placed.access_point)),
                            Antenna{}, {}, band_5, {});
        }
        return store.traced() - before;
    };
    CHECK(fields() == 4);
    CHECK(fields() == 0);
    // on the ground floor: the upper access point's links on its own floor never come down there
    Wall w = *find_wall(*find_floor(p, floor_at(p, 0)), far);
    w.points[0].y = 1.5;
    replace_wall(p, floor_at(p, 0), w);
    CHECK(fields() == 2);
    // no cell lies behind it
    wall(p, "plasterboard", {{29.9, 1}, {29.9, 3}});
    CHECK(fields() == 0);
}
