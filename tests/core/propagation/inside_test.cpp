// SPDX-License-Identifier: GPL-3.0-or-later
// Where the inside of a floor ends, for buildings of every shape, and what follows from it.
#include <cmath>
#include <numbers>

#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/probe.h"
#include "coverage/verdict.h"
#include "propagation/floor_mask.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

Wall run(std::vector<Point> points) {
    Wall w;
    w.points = std::move(points);
    return w;
}

std::vector<Point> turned(std::vector<Point> points, double deg, Point by = {}) {
    const double c = std::cos(deg * std::numbers::pi / 180), s = std::sin(deg * std::numbers::pi / 180);
    for (Point& p : points) p = {c * p.x - s * p.y + by.x, s * p.x + c * p.y + by.y};
    return points;
}

const std::vector<Point> l_shape{{0, 0}, {30, 0}, {30, 8}, {8, 8}, {8, 25}, {0, 25}, {0, 0}};
const std::vector<Point> u_shape{{0, 0}, {30, 0}, {30, 20}, {24, 20}, {24, 6},
                                 {6, 6}, {6, 20}, {0, 20},  {0, 0}};
const std::vector<Point> triangle{{0, 0}, {30, 0}, {0, 18}, {0, 0}};

double area_of(const std::vector<Point>& outline) { return std::abs(area_m2(outline)); }

/// A building of that outline with an access point in it, judged for signal at 5 GHz.
Project building(const std::vector<Point>& outline, Point access_point) {
    Project p = one_floor();
    wall(p, "concrete-200", outline);
    isotropic_access_point(p, access_point);
    set_requirements(p, {{{}, "signal", band_5, -80, 0.9}});
    return p;
}

Verdict judged(const Project& p) {
    Predictor predictor;
    return judge(p, predictor.predict(p, {}, wish_to_judge(p)));
}

}  // namespace

TEST_CASE("buildings of every shape count as enclosed, however they lie on the sheet") {
    for (const auto& shape : {l_shape, u_shape, triangle})
        for (double deg : {0.0, 17.0, 45.0, 133.0}) {
            const FloorMask mask({run(turned(shape, deg, {500, -300}))});
            INFO(shape.size() << " corners, turned by " << deg);
            REQUIRE(mask.enclosed());
            // the cells that the wall runs through are inside, about half of them beyond its middle line
            double round = 0;
            for (std::size_t i = 0; i + 1 < shape.size(); ++i) round += distance(shape[i], shape[i + 1]);
            CHECK(mask.area_m2() == Approx(area_of(shape)).margin(0.25 * round));
        }
}

TEST_CASE("the yard of an L and the court of a U are outside") {
    const FloorMask l({run(l_shape)}), u({run(u_shape)});
    CHECK(l.inside({4, 20}));
    CHECK(l.inside({25, 4}));
    CHECK_FALSE(l.inside({20, 18}));
    CHECK_FALSE(l.inside({8.6, 8.6}));
    CHECK_FALSE(u.inside({15, 12}));
    CHECK_FALSE(u.inside({15, 19.5}));
    CHECK(u.inside({3, 18}));
}

TEST_CASE("strays, garden walls and open ends change nothing elsewhere and enclose nothing") {
    const std::vector<Wall> alone{run(l_shape)};
    std::vector<Wall> with = alone;
    with.push_back(run({{52, 3}, {60, 3}}));                            // a stray 22 m away
    with.push_back(run({{-10, -10}, {45, -10}, {45, 30}, {-10, 30}}));  // a garden wall with an open side
    with.push_back(run({{8, 25}, {14, 25}}));                           // an open end
    const FloorMask mask(with), bare(alone);
    CHECK(mask.area_m2() == Approx(bare.area_m2()).margin(0.5));
    for (Point p : {Point{4, 20}, Point{25, 4}}) CHECK(mask.inside(p));
    for (Point p : {Point{20, 18}, Point{55, 3}, Point{45, 10}, Point{12, 25}, Point{-10, 0}})
        CHECK_FALSE(mask.inside(p));
}

TEST_CASE("a stray wall far away costs no raster of all that lies between") {
    std::vector<Wall> walls{run(l_shape), run({{90'000, 0}, {90'001, 0}}), run({{-80'000, 5}, {-80'000, 9}})};
    const FloorMask mask(walls);
    REQUIRE(mask.enclosed());
    CHECK(mask.box().width() < 40);
    CHECK(mask.inside({4, 20}));
    CHECK_FALSE(mask.inside({90'000.5, 0}));
}

TEST_CASE("two buildings far apart on one floor are both inside, on a coarser raster") {
    std::vector<Wall> walls{run(l_shape)};
    walls.push_back(run(turned(l_shape, 0, {5000, 0})));
    const FloorMask mask(walls);
    CHECK(mask.inside({4, 15}));
    CHECK(mask.inside({5004, 15}));
    CHECK_FALSE(mask.inside({2500, 10}));
}

TEST_CASE("a courtyard is outside where it is marked as open to the sky, a light well's walls stay") {
    const std::vector<Point> court{{10, 6}, {20, 6}, {20, 14}, {10, 14}};
    std::vector<Point> ring = court;
    ring.push_back(court.front());
    const std::vector<Wall> walls{run({{0, 0}, {30, 0}, {30, 20}, {0, 20}, {0, 0}}), run(ring)};
    const FloorMask roofed(walls), open(walls, {court});
    CHECK(roofed.inside({15, 10}));
    CHECK_FALSE(open.inside({15, 10}));
    CHECK(open.inside({5, 10}));
    CHECK(roofed.area_m2() - open.area_m2() == Approx(80).margin(12));
    CHECK(roofed.key() != open.key());
}

TEST_CASE("where the inside ends is told as lines along its edge") {
    const FloorMask mask({run(l_shape)});
    double round = 0;
    Box box{{1e9, 1e9}, {-1e9, -1e9}};
    for (const Segment& s : mask.edges()) {
        CHECK((s.a.x == s.b.x || s.a.y == s.b.y));
        round += length(s);
        box.include(s.a);
        box.include(s.b);
        // one side is inside and the other is not
        const Point middle = lerp(s.a, s.b, 0.5), aside = s.a.x == s.b.x ? Point{0.1, 0} : Point{0, 0.1};
        CHECK(mask.inside(middle + aside) != mask.inside(middle - aside));
    }
    CHECK(round == Approx(110).margin(4));
    CHECK(box.width() == Approx(30).margin(0.6));
}

TEST_CASE("runs along a row say the same as place by place") {
    const FloorMask mask({run(turned(u_shape, 17))});
    for (double y = -5; y < 30; y += 0.37) {
        std::vector<char> runs(200), places(200);
        mask.along({-15, y}, {0.29, 0}, 200, [&](int from, int to) {
            for (int i = from; i < to; ++i) runs[static_cast<std::size_t>(i)] = 1;
        });
        for (int i = 0; i < 200; ++i) places[static_cast<std::size_t>(i)] = mask.inside({-15 + 0.29 * i, y});
        REQUIRE(runs == places);
    }
}

TEST_CASE("an L is judged within its walls: the yard neither counts nor is shown") {
    const Project p = building(l_shape, {6, 6});
    const Verdict v = judged(p);
    CHECK(v.demanded_m2() == Approx(area_of(l_shape)).margin(20));
    Project strayed = p;
    wall(strayed, "concrete-200", {{52, 3}, {60, 3}});
    const Verdict with_stray = judged(strayed);
    CHECK(with_stray.demanded_m2() == v.demanded_m2());
    CHECK(with_stray.requirements[0].share_met() == v.requirements[0].share_met());
    // turned on its sheet it is the same building
    Project askew = building(turned(l_shape, 30), turned({{6, 6}}, 30).front());
    // but for the cells along its walls, 110 m of them
    CHECK(judged(askew).demanded_m2() == Approx(v.demanded_m2()).margin(0.15 * 110));
    CHECK(judged(askew).requirements[0].share_met() == Approx(v.requirements[0].share_met()).margin(0.03));
}

TEST_CASE("a slab ends where its storey does: a ray through the yard of an L crosses none") {
    Project p = new_project("L", {}, 2, 3);
    for (std::size_t floor : {0u, 1u}) wall(p, "plasterboard", l_shape, 0, {}, floor);
    isotropic_access_point(p, {26, 6}, 2, 1);
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    const auto slabs_to = [&](Point place) {
        int slabs = 0;
        for (const Crossing& c : trace(scene, {26, 6, 5}, {place.x, place.y, 1}))
            slabs += c.kind == CrossingKind::slab;
        return slabs;
    };
    CHECK(slabs_to({20, 4}) == 1);   // through the storey's own slab
    CHECK(slabs_to({20, 20}) == 0);  // out over the yard
}

TEST_CASE("a wall made an arc has another inside") {
    Project p = building({{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}}, {10, 6});
    Predictor predictor;
    const auto demanded = [&] { return judge(p, predictor.predict(p)).demanded_m2(); };
    const double straight = demanded();
    Wall w = all_floors(p)[0]->walls->front();
    w.bulges = {0.5, 0, 0, 0};  // bellies out below y = 0
    replace_wall(p, floor_at(p, 0), w);
    CHECK(demanded() > straight + 50);
}

TEST_CASE("where nothing is enclosed there is no verdict, and what is missing is said") {
    Project p = one_floor();
    isotropic_access_point(p, {0, 0});
    isotropic_access_point(p, {30, 0});
    set_requirements(p, {{{}, "signal", band_5, -80, 0.9}});
    const Verdict v = judged(p);
    CHECK(v.demanded_m2() == 0);
    CHECK_FALSE(v.met());
    CHECK_THAT(lacks_to_judge(p, v).english(),
               Catch::Contains("where service is needed") && Catch::Contains("zone"));
    // a map is shown all the same
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    CHECK(std::count(site.floors[0].mask->shown.begin(), site.floors[0].mask->shown.end(), 1) > 0);
    SECTION("a zone says it") {
        add_zone(p, floor_at(p, 0), {{}, "Lawn", ZoneKind::served, {{0, 0}, {10, 0}, {10, 10}, {0, 10}}});
        CHECK(judged(p).demanded_m2() == Approx(100));
        CHECK(lacks_to_judge(p, judged(p)).empty());
    }
    SECTION("a plate says it") {
        set_plate(p, floor_at(p, 0), {{0, 0}, {20, 0}, {20, 10}, {0, 10}});
        CHECK(judged(p).demanded_m2() == Approx(200));
    }
    SECTION("walls that close round a room say it") {
        wall(p, "plasterboard", {{0, 0}, {8, 0}, {8, 6}, {0, 6}, {0, 0}});
        CHECK(judged(p).demanded_m2() == Approx(48).margin(6));
    }
    SECTION("what else is missing comes first") {
        Project bare = one_floor();
        CHECK_THAT(lacks_to_judge(bare, judged(bare)).english(), Catch::Contains("Place an access point"));
        bare.requirement_sets = {};
        CHECK_THAT(lacks_to_judge(bare, judged(bare)).english(), Catch::Contains("requirement"));
    }
}

TEST_CASE("a floor too large for its grid says on which it is judged") {
    Project p = building({{0, 0}, {1500, 0}, {1500, 1200}, {0, 1200}, {0, 0}}, {700, 600});
    p.settings.grid_m = 0.5;
    const Verdict v = judged(p);
    CHECK(v.grid_m == 0.5);
    REQUIRE(v.coarse.size() == 1);
    CHECK(v.coarse[0].cell_m == 1);
    CHECK(judged(building(l_shape, {6, 6})).coarse.empty());
}

TEST_CASE("a wall laid on another never raises the signal, in any band") {
    // every pair of types, one on the other; by name the ones that cross over between bands
    Project p = one_floor();
    const auto& types = *p.wall_types;
    std::vector<WallTypeId> walls;
    for (const WallType& t : types)
        if (t.use == TypeUse::wall) walls.push_back(t.id);
    SceneCache masks(1 << 20);
    const Point3 from{0, -3, 1.5}, to{1.5, 3, 1.2};
    const auto losses = [&](const std::vector<WallTypeId>& laid) {
        Project q = p;
        for (WallTypeId type : laid) {
            Wall w;
            w.type = type;
            w.points = {{-10, 0}, {10, 0}};
            add_wall(q, floor_at(q, 0), w);
        }
        const Scene scene = make_scene(q, masks);
        const auto crossed = trace(scene, from, to);
        std::vector<double> by_band;
        for (const Band& b : bands()) by_band.push_back(obstruction_db(scene, crossed, b.id));
        return by_band;
    };
    int crossing_over = 0;
    for (std::size_t a = 0; a < walls.size(); ++a)
        for (std::size_t b = a + 1; b < walls.size(); ++b) {
            const auto one = losses({walls[a]}), other = losses({walls[b]}),
                       both = losses({walls[a], walls[b]});
            bool more = false, less = false;
            for (std::size_t k = 0; k < both.size(); ++k) {
                INFO(wall_type(p, walls[a]).key << " and " << wall_type(p, walls[b]).key << ", band " << k);
                // which takes more is decided at square entry; at this angle another may by a little
                CHECK(both[k] >= std::max(one[k], other[k]) - 1.0);
                CHECK(both[k] <= std::max(one[k], other[k]) + 0.1);
                more = more || one[k] > other[k] + 0.5;
                less = less || one[k] < other[k] - 0.5;
            }
            crossing_over += more && less;
        }
    CHECK(crossing_over > 0);
}

TEST_CASE("the raster draws walls on each other as the link walk crosses them") {
    Project p = one_floor();
    wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    std::vector<WallTypeId> walls;
    for (const WallType& t : *p.wall_types)
        if (t.use == TypeUse::wall) walls.push_back(t.id);
    // a stack of every type on one line, in stretches that overlap in part
    for (std::size_t i = 0; i < walls.size(); ++i) {
        Wall w;
        w.type = walls[i];
        w.points = {{0.5 * static_cast<double>(i), 6}, {6 + 0.5 * static_cast<double>(i), 6}};
        if (i % 3 == 0) w.top_m = 1.5 + 0.1 * static_cast<double>(i);
        add_wall(p, floor_at(p, 0), w);
    }
    isotropic_access_point(p, {10, 2});
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    const FloorPrediction& f = site.floors[0];
    const Floor& floor = *all_floors(p)[0];
    double worst = 0;
    int compared = 0;
    for (const Band& b : bands()) {
        const auto map = lens_values(f, {LensId::signal, b.id});
        for (std::size_t i = 0; i < f.surface.cells(); i += 3) {
            const auto links = probe(p, *f.scene, floor, f.surface.centre(i), b.id);
            if (links.empty() || std::isnan(map[i])) continue;
            worst = std::max(worst, std::abs(links[0].received_dbm - double{map[i]}));
            ++compared;
        }
    }
    CHECK(compared > 200);
    CHECK(worst < 0.1);
}
