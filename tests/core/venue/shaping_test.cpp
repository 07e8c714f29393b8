// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/support.h"
#include "venue/wall_shaping.h"

using namespace yemvo;

namespace {

Wall run(std::vector<Point> points, std::vector<double> bulges = {}) {
    Wall w;
    w.id = WallId{7};
    w.points = std::move(points);
    w.bulges = std::move(bulges);
    return w;
}

Opening opening(int piece, double start_m, double width_m = 1) {
    Opening o;
    o.id = OpeningId{static_cast<std::uint32_t>(100 + piece)};
    o.piece = piece;
    o.start_m = start_m;
    o.width_m = width_m;
    return o;
}

/// Where an opening stands in the plan.
Point middle(const Wall& w, std::size_t i) {
    const Segment s = span(w, w.openings[i]);
    return lerp(s.a, s.b, 0.5);
}

}  // namespace

TEST_CASE("an arc by its bulge: quarter, half, both ways") {
    const Arc half({{0, 0}, {2, 0}}, 1);  // turning left it bows to the right of the way
    CHECK(half.radius_m == Approx(1));
    CHECK(half.at(0.5).y == Approx(-1));
    CHECK(half.length_m() == Approx(3.14159265));
    const Arc quarter({{1, 0}, {0, 1}}, std::tan(3.14159265358979 / 8));
    CHECK(length(quarter.centre) == Approx(0).margin(1e-9));
    CHECK(quarter.at(0.5).x == Approx(std::sqrt(0.5)));
    CHECK(bulge_through({0, 0}, {1, -1}, {2, 0}) == Approx(1));
    CHECK(bulge_through({0, 0}, {1, 1}, {2, 0}) == Approx(-1));
    CHECK(bulge_through({1, 0}, {std::sqrt(0.5), std::sqrt(0.5)}, {0, 1}) ==
          Approx(std::tan(3.14159265358979 / 8)));
    CHECK(bulge_through({0, 0}, {1, 0}, {2, 0}) == 0);
}

TEST_CASE("a corner put into a wall moves no opening; taken out again the wall is as before") {
    Wall w = run({{0, 0}, {10, 0}, {10, 5}});
    w.openings = {opening(0, 1), opening(0, 7), opening(1, 2)};
    const Wall cut = with_corner(w, 0, 4);
    CHECK(cut.points == std::vector<Point>{{0, 0}, {4, 0}, {10, 0}, {10, 5}});
    for (std::size_t i = 0; i < 3; ++i) CHECK(distance(middle(cut, i), middle(w, i)) < 1e-9);
    CHECK(*without_corner(cut, 1) == w);
    CHECK_FALSE(without_corner(run({{0, 0}, {1, 0}}), 0));
}

TEST_CASE("an end taken out goes with its piece and the openings in it") {
    Wall w = run({{0, 0}, {10, 0}, {10, 5}});
    w.openings = {opening(0, 1), opening(1, 2)};
    const Wall shorter = *without_corner(w, 0);
    CHECK(shorter.points == std::vector<Point>{{10, 0}, {10, 5}});
    REQUIRE(shorter.openings.size() == 1);
    CHECK(distance(middle(shorter, 0), middle(w, 1)) < 1e-9);
}

TEST_CASE("the first corner of a closed run can be taken out like any other") {
    Wall w = run({{0, 0}, {4, 0}, {4, 4}, {0, 4}, {0, 0}});
    w.openings = {opening(1, 1)};
    const Wall without = *without_corner(w, 0);
    CHECK(without.closed());
    CHECK(without.pieces() == 3);
    CHECK(distance(middle(without, 0), middle(w, 0)) < 1e-9);
}

TEST_CASE("split and joined again, also the other way round and through an arc") {
    Wall w = run({{0, 0}, {10, 0}, {10, 5}}, {0.3, 0});
    w.openings = {opening(0, 1), opening(1, 2)};
    const auto parts = split(w, 0, 6);
    REQUIRE(parts.size() == 2);
    CHECK(length_m(parts[0]) + length_m(parts[1]) == Approx(length_m(w)));
    CHECK(distance(middle(parts[0], 0), middle(w, 0)) < 1e-6);
    CHECK(distance(middle(parts[1], 0), middle(w, 1)) < 1e-6);
    const auto again = joined(parts[0], reversed(parts[1]), 0.01);
    REQUIRE(again);
    CHECK(length_m(*again) == Approx(length_m(w)));
    CHECK(again->openings.size() == 2);
    CHECK(distance(middle(*again, 1), middle(w, 1)) < 1e-6);
    CHECK_FALSE(joined(run({{0, 0}, {1, 0}}), run({{5, 5}, {6, 5}}), 0.3));
}

TEST_CASE("a closed run is opened where it is cut") {
    Wall w = run({{0, 0}, {4, 0}, {4, 4}, {0, 4}, {0, 0}});
    w.openings = {opening(0, 2.5), opening(3, 1)};
    const auto parts = split(w, 0, 2);
    REQUIRE(parts.size() == 1);
    CHECK(parts[0].points.front() == Point{2, 0});
    CHECK(parts[0].points.back() == Point{2, 0});
    for (std::size_t i = 0; i < 2; ++i) CHECK(distance(middle(parts[0], i), middle(w, i)) < 1e-9);
}

TEST_CASE("turned round, a wall has its openings where they were and swinging the same way") {
    Wall w = run({{0, 0}, {10, 0}});
    w.openings = {opening(0, 1)};
    const Wall back = reversed(w);
    CHECK(distance(middle(back, 0), middle(w, 0)) < 1e-9);
    CHECK(back.openings[0].swings_left != w.openings[0].swings_left);
    CHECK(reversed(back) == w);
}

TEST_CASE("offset keeps corners mitred and arcs concentric") {
    const Wall square = run({{0, 0}, {4, 0}, {4, 4}, {0, 4}, {0, 0}});
    CHECK(offset(square, 1).points == std::vector<Point>{{1, 1}, {3, 1}, {3, 3}, {1, 3}, {1, 1}});
    const Wall half = offset(run({{0, 0}, {4, 0}}, {1}), 0.5);  // bowing right, moved left: inward
    CHECK(Arc(half.piece(0), half.bulge(0)).radius_m == Approx(1.5));
}

TEST_CASE("walls are lengthened or cut back to meet") {
    const Wall floor = run({{0, 0}, {10, 0}});
    // 40 cm short of it: lengthened; 40 cm through it: cut back
    for (const double y : {0.4, -0.4}) {
        const auto m = met(run({{5, 4}, {5, y}}), floor);
        REQUIRE(m);
        CHECK(m->wall.points.back() == Point{5, 0});
        CHECK(m->other == floor);
    }
    // a corner beyond both ends: both move
    const auto corner = met(run({{12, 4}, {12, 1}}), floor);
    REQUIRE(corner);
    CHECK(corner->at == Point{12, 0});
    CHECK(corner->other.points.back() == Point{12, 0});
    CHECK_FALSE(met(run({{0, 1}, {10, 1}}), floor));        // parallel
    CHECK_FALSE(met(run({{5, 100}, {5, 80}}), floor, 50));  // too far
    // the opening near the moved end keeps its place in the plan
    Wall w = run({{5, 4}, {5, 1}});
    w.openings = {opening(0, 1)};
    CHECK(distance(middle(met(reversed(w), floor)->wall, 0), Point{5, 2.5}) < 1e-9);
}
