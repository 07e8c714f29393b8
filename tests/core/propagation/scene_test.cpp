// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/scene.h"

#include <set>

#include "core/support.h"
#include "demo/demo.h"
#include "propagation/surface.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

FloorId ground(const Project& p) { return find_floor(p, "Ground floor")->id; }

const std::vector<Point> square{{0, 0}, {10, 0}, {10, 8}, {0, 8}, {0, 0}};

FloorMask mask_of(std::vector<std::vector<Point>> runs) {
    std::vector<Wall> walls;
    for (auto& run : runs) {
        Wall w;
        w.points = std::move(run);
        walls.push_back(w);
    }
    return FloorMask(walls);
}

std::uint64_t key_of(const Project& p) {
    SceneCache masks(1 << 22);
    return make_scene(p, masks).key;
}

}  // namespace

TEST_CASE("what walls close round is inside, whatever order they are drawn in") {
    const FloorMask one = mask_of({square});
    CHECK(one.enclosed());
    CHECK(one.inside({5, 4}));
    CHECK_FALSE(one.inside({-1, 4}));
    CHECK_FALSE(one.inside({5, 20}));
    const FloorMask four =
        mask_of({{{0, 8}, {0, 0}}, {{10, 0}, {10, 8}}, {{0, 0}, {10, 0}}, {{10, 8}, {0, 8}}});
    CHECK(four.enclosed());
    CHECK(four.inside({5, 4}));
    CHECK_FALSE(four.inside({11, 4}));
}

TEST_CASE("a court between the wings of a building is outside") {
    const FloorMask u = mask_of({{{0, 0}, {12, 0}, {12, 9}, {8, 9}, {8, 4}, {4, 4}, {4, 9}, {0, 9}, {0, 0}}});
    CHECK(u.enclosed());
    CHECK(u.inside({2, 7}));
    CHECK(u.inside({10, 7}));
    CHECK_FALSE(u.inside({6, 7}));
}

TEST_CASE("while the walls do not close everything counts as inside") {
    CHECK_FALSE(mask_of({{{0, 0}, {10, 0}, {10, 8}}}).enclosed());
    CHECK(mask_of({{{0, 0}, {10, 0}, {10, 8}}}).inside({-50, 90}));
    // what is enclosed is inside, however small beside what stands open
    const FloorMask room = mask_of({{{0, 0}, {30, 0}, {30, 20}}, {{1, 1}, {3, 1}, {3, 3}, {1, 3}, {1, 1}}});
    CHECK(room.inside({2, 2}));
    CHECK_FALSE(room.inside({20, 5}));
    CHECK_FALSE(mask_of({}).enclosed());
}

TEST_CASE("walls far apart do not ask for a raster of the world") {
    const FloorMask far = mask_of({{{-90000, 0}, {90000, 0}, {90000, 90000}, {-90000, 90000}, {-90000, 0}}});
    CHECK(far.enclosed());
    CHECK(far.inside({0, 40000}));
    CHECK_FALSE(far.inside({0, -1000}));
}

TEST_CASE("a scene of equal content has an equal key, and every change of what is traced another") {
    const Project p = demo::compose_venue();
    const std::uint64_t key = key_of(p);
    CHECK(key_of(p) == key);
    Project renamed = p;
    renamed.name = "Other";
    AccessPoint ap = access_points(p, ground(p)).front();
    ap.position.x += 3;
    replace_access_point(renamed, ground(p), ap);
    CHECK(key_of(renamed) == key);  // access points are not part of it

    const auto changed = [&](const std::function<void(Project&)>& change) {
        Project q = p;
        change(q);
        return key_of(q);
    };
    std::set<std::uint64_t> keys{key};
    keys.insert(changed([&](Project& q) {
        Wall w = find_floor(q, "Ground floor")->walls->front();
        w.points[1].x += 0.001;
        replace_wall(q, ground(q), w);
    }));
    keys.insert(changed([&](Project& q) {
        Wall w = find_floor(q, "Ground floor")->walls->front();
        w.top_m = 2;
        replace_wall(q, ground(q), w);
    }));
    keys.insert(changed([&](Project& q) {
        auto types = *q.wall_types;
        types[0].losses[0].loss_db += 0.5;
        q.wall_types = types;
    }));
    keys.insert(changed([&](Project& q) {
        Slab s = *find_floor(q, "First floor")->slab;
        s.thickness_m += 0.1;
        set_slab(q, find_floor(q, "First floor")->id, s);
    }));
    keys.insert(changed([&](Project& q) {
        remove_void(q, find_floor(q, "First floor")->id, find_floor(q, "First floor")->slab->voids[0].id);
    }));
    CHECK(keys.size() == 6);
}

TEST_CASE("a source is moved by a few centimetres, to 3 cm off a wall at least, and never through one") {
    Project p = one_floor();
    wall(p, "brick-half", {{5, 0}, {5, 10}});
    wall(p, "brick-half", {{0, 5}, {10, 5}});
    SceneCache masks(1 << 20);
    const Scene s = make_scene(p, masks);
    for (double dx : {-0.005, 0.005})
        for (double dy : {-0.005, 0.005}) {
            const Point3 from{5 + dx, 5 + dy, 1};
            const Point3 moved = engine_source(s, from);
            CHECK(distance(moved.flat(), from.flat()) < 0.09);
            CHECK(std::abs(moved.x - 5) >= 0.03);
            CHECK(std::abs(moved.y - 5) >= 0.03);
            CHECK((moved.x > 5) == (from.x > 5));
            CHECK((moved.y > 5) == (from.y > 5));
        }
    CHECK(distance(engine_source(s, {2, 2, 1}).flat(), {2, 2}) < 0.02);
}

TEST_CASE("a surface covers its floor at the client's height, cell centres on a lattice") {
    Project p = one_floor();
    p.settings.client_height_m = 1.4;
    set_floor(p, ground(p), "F", 3, 3);
    wall(p, "plasterboard", square);
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    const Surface s = make_surface(p, scene, *all_floors(p)[0]);
    CHECK(s.columns == 20);
    CHECK(s.rows == 16);
    CHECK(s.height_m({5, 5}) == Approx(4.4));
    CHECK(s.centre(0, 0) == Point{0.25, 0.25});
    for (std::size_t i = 0; i < s.cells(); i += 13) CHECK(s.cell_at(s.centre(i)) == i);
    CHECK_FALSE(s.cell_at({-0.01, 1}));
    CHECK_FALSE(s.cell_at({1, 8.01}));
    CHECK_FALSE(s.cell_at({std::nan(""), 1}));
}

TEST_CASE("a surface never has more cells than memory allows: the grid gets coarser") {
    Project p = one_floor();
    wall(p, "plasterboard", {{0, 0}, {1900, 0}, {1900, 1900}, {0, 1900}, {0, 0}});
    SceneCache masks(1 << 26);
    const Surface s = make_surface(p, make_scene(p, masks), *all_floors(p)[0], 0.5);
    CHECK(s.cells() <= most_cells);
    CHECK(s.cell_m == 1);
}

TEST_CASE("a floor with nothing but an access point is predicted round it") {
    Project p = one_floor();
    isotropic_access_point(p, {100, 50});
    SceneCache masks(1 << 20);
    const Surface s = make_surface(p, make_scene(p, masks), *all_floors(p)[0]);
    CHECK(s.box().contains({100, 50}));
    CHECK(s.box().width() == Approx(30).margin(1));
}
