// SPDX-License-Identifier: GPL-3.0-or-later
// What must hold whatever the venue: shown on many random ones.
#include <random>

#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/site_prediction.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

class Random {
public:
    explicit Random(unsigned seed) : engine_(seed) {}
    double any(double low, double high) { return std::uniform_real_distribution<>(low, high)(engine_); }
    Point place() { return {any(0.5, 19.5), any(0.5, 14.5)}; }
    Wall wall(const Project& p) {
        static const char* types[] = {"plasterboard", "brick-half", "glass-partition", "concrete-100",
                                      "screen"};
        Wall w;
        w.type = find_type(p, types[static_cast<int>(any(0, 4.999))]);
        w.points = {place(), place(), place()};
        if (any(0, 1) < 0.3) w.top_m = any(1, 2.5);
        return w;
    }
    Project venue() {
        Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
        for (std::size_t f : {0u, 1u}) {
            test::wall(p, "brick-cavity", {{0, 0}, {20, 0}, {20, 15}, {0, 15}, {0, 0}}, 0, {}, f);
            for (int i = 0; i < 8; ++i) add_wall(p, floor_at(p, f), wall(p));
            for (int i = 0; i < 2; ++i) isotropic_access_point(p, place(), any(2, 3), f);
        }
        return p;
    }

private:
    std::mt19937 engine_;
};

std::vector<float> signal(const Project& p, std::size_t floor, double cell_m = 0.5) {
    Predictor predictor;
    return lens_values(predictor.predict(p, {floor_at(p, floor)}, {cell_m}).floors[0],
                       {LensId::signal, band_5});
}

}  // namespace

TEST_CASE("what is lost from A to B is lost from B to A") {
    Random random(11);
    for (int round = 0; round < 40; ++round) {
        const Project p = random.venue();
        SceneCache masks(1 << 20);
        const Scene s = make_scene(p, masks);
        const Point a = random.place(), b = random.place();
        const Point3 from{a.x, a.y, random.any(0.5, 6.5)}, to{b.x, b.y, random.any(0.5, 6.5)};
        // the engine shifts its source: hand it one that ends where the other began
        const Point3 shift_a = engine_source(s, from) - from, shift_b = engine_source(s, to) - to;
        const double there = obstruction_db(s, trace(s, from, to + shift_b), band_5);
        const double back = obstruction_db(s, trace(s, to, from + shift_a), band_5);
        CHECK(there == Approx(back));
    }
}

TEST_CASE("another wall never raises the signal anywhere") {
    Random random(12);
    for (int round = 0; round < 8; ++round) {
        Project p = random.venue();
        const auto before = signal(p, 0);
        add_wall(p, floor_at(p, 0), random.wall(p));
        const auto after = signal(p, 0);
        REQUIRE(before.size() == after.size());
        for (std::size_t i = 0; i < before.size(); ++i) REQUIRE(after[i] <= before[i] + 0.011f);
    }
}

TEST_CASE("a wall split into pieces on the same line changes nothing") {
    Random random(13);
    for (int round = 0; round < 8; ++round) {
        Project p = random.venue();
        const auto before = signal(p, 0);
        const auto walls = all_floors(p)[0]->walls;  // held: each edit makes the list anew
        for (Wall w : *walls) {
            std::vector<Point> finer{w.points[0]};
            for (int i = 0; i < w.pieces(); ++i) {
                finer.push_back(lerp(w.piece(i).a, w.piece(i).b, random.any(0.2, 0.8)));
                finer.push_back(w.piece(i).b);
            }
            w.points = finer;
            replace_wall(p, floor_at(p, 0), w);
        }
        const auto after = signal(p, 0);
        REQUIRE(before.size() == after.size());
        for (std::size_t i = 0; i < before.size(); ++i) REQUIRE(after[i] == Approx(before[i]).margin(0.011));
    }
}

TEST_CASE("moving everything together changes nothing") {
    Random random(14);
    for (int round = 0; round < 6; ++round) {
        Project p = random.venue();
        const auto before = signal(p, 1);
        const Point by{37.5, -12};
        for (std::size_t f : {0u, 1u}) {
            const auto walls = all_floors(p)[f]->walls;
            const auto placed = access_points(p, floor_at(p, f));
            for (Wall w : *walls) {
                for (Point& q : w.points) q = q + by;
                replace_wall(p, floor_at(p, f), w);
            }
            for (AccessPoint ap : placed) {
                ap.position = ap.position + by;
                replace_access_point(p, floor_at(p, f), ap);
            }
        }
        const auto after = signal(p, 1);
        REQUIRE(before.size() == after.size());
        // a cell whose ray grazes a wall's end may fall to its other side by rounding
        std::size_t differing = 0;
        for (std::size_t i = 0; i < before.size(); ++i) differing += std::abs(after[i] - before[i]) > 0.011f;
        CHECK(differing <= before.size() / 1000);
    }
}

TEST_CASE("more power never lowers the signal, and one access point more never does") {
    Random random(15);
    Project p = random.venue();
    const auto before = signal(p, 0);
    isotropic_access_point(p, {10, 7}, 2.5, 0);
    const auto after = signal(p, 0);
    REQUIRE(before.size() == after.size());
    for (std::size_t i = 0; i < before.size(); ++i) REQUIRE(after[i] >= before[i]);
}
