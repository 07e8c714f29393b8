// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/trace.h"

#include "core/support.h"
#include "propagation/explain.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

Scene scene_of(const Project& p) {
    static SceneCache masks(1 << 20);
    return make_scene(p, masks);
}

double loss_5(const Project& p, const char* type) { return loss_db(wall_type(p, find_type(p, type)), 5.5); }

std::vector<std::string> kinds(const Project& p, Point3 from, Point3 to) {
    std::vector<std::string> names;
    for (const Crossing& c : trace(scene_of(p), from, to))
        names.push_back(c.kind == CrossingKind::wall      ? "wall"
                        : c.kind == CrossingKind::opening ? "opening"
                                                          : "slab");
    return names;
}

double crossed_db(const Project& p, Point3 from, Point3 to) {
    const Scene s = scene_of(p);
    return obstruction_db(s, trace(s, from, to), band_5);
}

using Names = std::vector<std::string>;

}  // namespace

TEST_CASE("a wall between two places costs its loss, and one beside them nothing") {
    Project p = at_square_entry(one_floor());
    wall(p, "brick-cavity", {{5, 0}, {5, 10}});
    CHECK(crossed_db(p, {2, 5, 2}, {8, 5, 1}) == Approx(loss_5(p, "brick-cavity")));
    CHECK(crossed_db(p, {2, 5, 2}, {4, 5, 1}) == 0);
    CHECK(crossed_db(p, {2, 12, 2}, {8, 12, 1}) == 0);
    CHECK(crossed_db(p, {8, 5, 2}, {2, 5, 1}) == Approx(loss_5(p, "brick-cavity")));
}

TEST_CASE("crossings come in order, with the angle to the normal") {
    Project p = one_floor();
    wall(p, "plasterboard", {{4, 0}, {4, 10}});
    wall(p, "concrete-200", {{2, 0}, {2, 10}});
    const Scene s = scene_of(p);
    const auto list = trace(s, {0, 1, 1}, {8, 9, 1});
    REQUIRE(list.size() == 2);
    CHECK(wall_type(p, s.types[static_cast<std::size_t>(list[0].row)]).key == "concrete-200");
    CHECK(list[0].share == Approx(0.25).margin(0.01));
    CHECK(list[1].share == Approx(0.5).margin(0.01));
    CHECK(list[0].angle_deg() == Approx(45).margin(0.3));
}

TEST_CASE("a ray over a half-height partition loses nothing, one through it does") {
    Project p = one_floor();
    wall(p, "screen", {{5, 0}, {5, 10}}, 0, 1.5);
    CHECK(crossed_db(p, {2, 5, 2.8}, {6, 5, 1.0}) == Approx(loss_5(p, "screen")));  // at 5 m it is 1.45 m up
    CHECK(crossed_db(p, {2, 5, 2.8}, {9, 5, 1.0}) == 0);                            // at 5 m it is 2.03 m up
}

TEST_CASE("a ray through a door or a window takes its loss instead of the wall's") {
    Project p = one_floor();
    const WallId id = wall(p, "concrete-200", {{5, 0}, {5, 10}});
    Opening door;
    door.type = find_type(p, "door-timber");
    door.start_m = 4.5;
    door.width_m = 1;
    add_opening(p, floor_at(p, 0), id, door);
    CHECK(kinds(p, {2, 5, 1}, {8, 5, 1}) == Names{"opening"});
    CHECK(crossed_db(p, {2, 5, 1}, {8, 5, 1}) == Approx(loss_5(p, "door-timber")));
    CHECK(kinds(p, {2, 2, 1}, {8, 2, 1}) == Names{"wall"});
    CHECK(kinds(p, {2, 5, 2.6}, {8, 5, 2.6}) == Names{"wall"});  // over the door's head
}

TEST_CASE("a ray through the joint of two pieces counts one of them") {
    Project p = one_floor();
    wall(p, "brick-half", {{5, 0}, {5, 5}, {5, 10}});
    Point3 from{2, 5, 1};
    const Point3 engine = engine_source(scene_of(p), from);
    // aim so that the shifted ray runs exactly through (5, 5)
    const Point3 to{5 + (5 - engine.x), 5 + (5 - engine.y), 1};
    CHECK(kinds(p, from, to).size() == 1);
    // and all round on a lattice
    for (int k = 0; k <= 20; ++k) CHECK(kinds(p, {0, 5, 1}, {10, 0.5 * k, 1}).size() == 1);
}

TEST_CASE("a receiver on a wall is before it, and a source at a wall stays on its side") {
    Project p = one_floor();
    wall(p, "brick-half", {{5, 0}, {5, 10}});
    CHECK(crossed_db(p, {2, 5, 1}, {5, 5, 1}) == 0);
    CHECK(crossed_db(p, {4.995, 5, 1}, {3, 5, 1}) == 0);
    CHECK(crossed_db(p, {4.995, 5, 1}, {7, 5, 1}) == Approx(loss_5(p, "brick-half")));
}

TEST_CASE("a slab between floors costs its loss, a void in it nothing, and none lies outside the building") {
    Project p = at_square_entry(new_project("P", {LengthUnits::metres, "GB", 1, 7}, 2, 4));
    for (std::size_t f : {0u, 1u})
        wall(p, "brick-cavity", {{0, 0}, {20, 0}, {20, 20}, {0, 20}, {0, 0}}, 0, {}, f);
    add_void(p, floor_at(p, 1), {{}, "Atrium", {{8, 8}, {12, 8}, {12, 12}, {8, 12}}});
    CHECK(crossed_db(p, {4, 4, 3}, {4, 5, 5}) == Approx(loss_5(p, "slab-concrete-300")));
    CHECK(kinds(p, {10, 10, 3}, {10.5, 10, 5}).empty());
    CHECK(kinds(p, {4, 4, 3}, {4, 4, 1}).empty());
    CHECK(kinds(p, {30, 10, 3}, {31, 10, 5}).empty());
    CHECK(kinds(p, {30, 10, 3}, {16, 10, 5}) == Names{"wall"});  // in through the upper wall, over the slab
    CHECK(kinds(p, {4, 4, 3}, {4, 5, -2}) == Names{"slab"});     // down through the ground slab
}

TEST_CASE("the terms of a link add up to what is received, and each is what it should be") {
    Project p = one_floor();
    wall(p, "plasterboard", {{5, 0}, {5, 10}});
    const AccessPointId id = isotropic_access_point(p, {2, 5}, 1.0);
    const Floor& f = *find_floor(p, floor_at(p, 0));
    const AccessPoint& ap = *find_access_point(p, f.id, id);
    const LinkExplanation link = explain(p, scene_of(p), f, ap, 1, {12, 5, 1});
    REQUIRE(link.terms.size() == 4);
    CHECK(link.distance_m == Approx(10));
    CHECK(link.terms[0].db == ap.radios[1].power_dbm);
    CHECK(link.terms[1].db == Approx(0));
    CHECK(link.terms[2].db == Approx(-free_space_loss_db(centre_mhz(ap.radios[1].channel), 10)));
    CHECK(link.terms[3].kind == TermKind::wall);
    CHECK(link.terms[3].name == "Plasterboard");
    CHECK(link.terms[3].db == Approx(-loss_5(p, "plasterboard")));
    double sum = 0;
    for (const LinkTerm& t : link.terms) sum += t.db;
    CHECK(link.received_dbm == Approx(sum));
    CHECK(link.noise_dbm == Approx(noise_dbm(ap.radios[1].channel.width_mhz, 7)));
}

TEST_CASE("a link in free space is the one worked out by hand elsewhere") {
    Project p = one_floor();
    const AccessPointId id = isotropic_access_point(p, {0, 0}, 1.0);
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    std::vector<AccessPointModel> models = *p.models;
    models[1].radios[1].bands[0].antenna.gain_dbi = 4 - 0.5;  // with the feeder's loss
    p.models = models;
    ap.radios[1].power_dbm = 17;
    // the check value is at 5500 MHz: move it to the centre of channel 100
    const double expected = check_value("u.11");
    ap.radios[1] = retuned(ap.radios[1], band_5, 100, 20);
    replace_access_point(p, floor_at(p, 0), ap);
    const LinkExplanation link = explain(p, scene_of(p), *find_floor(p, floor_at(p, 0)), ap, 1, {10, 0, 1});
    CHECK(centre_mhz(ap.radios[1].channel) == 5500);
    CHECK(link.received_dbm == Approx(expected).margin(0.001));
}
