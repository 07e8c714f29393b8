// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <numbers>
#include <random>

#include "geometry/arc.h"
#include "geometry/polygon_sets.h"
#include "geometry/segment_index.h"
#include "geometry/similarity.h"

using namespace yemvo;

TEST_CASE("area and centre of an L are those of its two rectangles") {
    const std::vector<Point> l{{0, 0}, {4, 0}, {4, 1}, {1, 1}, {1, 3}, {0, 3}};
    CHECK(area_m2(l) == Approx(6));
    CHECK(centroid(l).x == Approx((4 * 2 + 2 * 0.5) / 6));
    CHECK(centroid(l).y == Approx((4 * 0.5 + 2 * 2) / 6));
    CHECK(contains(l, {0.5, 2}));
    CHECK_FALSE(contains(l, {2, 2}));
    const std::vector<Point> turned(l.rbegin(), l.rend());
    CHECK(area_m2(turned) == Approx(6));
}

TEST_CASE("a point on the edge between two neighbours is in one of them") {
    const std::vector<Point> left{{0, 0}, {1, 0}, {1, 1}, {0, 1}}, right{{1, 0}, {2, 0}, {2, 1}, {1, 1}};
    CHECK(contains(left, {1, 0.5}) + contains(right, {1, 0.5}) == 1);
}

TEST_CASE("segments cross in one point, or not") {
    const auto p = crossing({{0, 0}, {4, 4}}, {{0, 4}, {4, 0}});
    REQUIRE(p);
    CHECK(p->x == Approx(2));
    CHECK_FALSE(crossing({{0, 0}, {1, 1}}, {{0, 4}, {4, 0}}));
    CHECK_FALSE(crossing({{0, 0}, {4, 0}}, {{0, 1}, {4, 1}}));
    CHECK(distance(Segment{{0, 0}, {4, 0}}, Point{6, 0}) == Approx(2));
    CHECK(distance(Segment{{1, 1}, {1, 1}}, Point{1, 3}) == Approx(2));
}

TEST_CASE("a similarity undoes itself") {
    const Similarity s{0.02, 37, {12, -4}};
    const Point p = s.invert(s.apply({310, -45}));
    CHECK(p.x == Approx(310));
    CHECK(p.y == Approx(-45));
    CHECK(distance(s.apply({0, 0}), s.apply({100, 0})) == Approx(2));
}

TEST_CASE("an arc through three points passes all of them, and its pieces stay within the sag") {
    const Point a{0, 0}, b{10, 0};
    for (Point by : {Point{5, 5}, Point{5, 1}, Point{2, 2}, Point{5, -3}, Point{9, -8}}) {
        const Arc arc({a, b}, bulge_through(a, by, b));
        CHECK(arc.at(0) == a);
        CHECK(arc.at(1) == b);
        CHECK(distance(arc.centre, by) == Approx(arc.radius_m));
        // the place is on this side of the circle, not on the other
        double nearest = 1e9;
        for (int i = 0; i <= 1000; ++i) nearest = std::min(nearest, distance(arc.at(i / 1000.0), by));
        CHECK(nearest < 0.02);
        for (double sag_m : {0.1, 0.01, 0.001}) {
            const int n = arc.chords(sag_m);
            for (int i = 0; i < n; ++i) {
                const Point middle = lerp(arc.at(static_cast<double>(i) / n), arc.at((i + 1.0) / n), 0.5);
                CHECK(distance(middle, arc.at((i + 0.5) / n)) <= sag_m * 1.001);
            }
            CHECK(arc.chords(sag_m / 4) >= n);
        }
    }
    const Arc half({a, b}, 1);
    CHECK(half.length_m() == Approx(std::numbers::pi * 5));
    CHECK(half.centre.x == Approx(5));
    CHECK(bulge_through(a, {4, 0}, b) == 0);
    CHECK(bulge_through(a, {5, 5}, b) == Approx(-bulge_through(b, {5, 5}, a)));
}

TEST_CASE("the index finds the segments that a look at each of them finds, in their order") {
    std::mt19937 random(11);
    const auto any = [&](double low, double high) {
        return std::uniform_real_distribution<>(low, high)(random);
    };
    for (int count : {1, 2, 17, 400}) {
        std::vector<Segment> segments;
        for (int i = 0; i < count; ++i) {
            const Point a{any(-50, 50), any(0, 8)};
            const Point by = i % 7 == 0 ? Point{any(-60, 60), any(-8, 8)} : Point{any(-2, 2), any(-2, 2)};
            segments.push_back({a, i % 11 == 0 ? a : a + by});
        }
        const SegmentIndex index(segments);
        for (int k = 0; k < 200; ++k) {
            const Point low{any(-70, 60), any(-10, 12)};
            const Box box{low, low + Point{any(0, 20), any(0, 6)}};
            std::vector<std::uint32_t> expected;
            for (std::uint32_t i = 0; i < segments.size(); ++i) {
                const Box b = box_of(segments[i]);
                if (b.low.x <= box.high.x && box.low.x <= b.high.x && b.low.y <= box.high.y &&
                    box.low.y <= b.high.y)
                    expected.push_back(i);
            }
            CHECK(index.near(box) == expected);
        }
    }
    CHECK(SegmentIndex().near({{-1, -1}, {1, 1}}).empty());
}

TEST_CASE("what two polygons share and what one leaves of the other add up to the first") {
    std::mt19937 random(5);
    const auto star = [&](Point centre) {
        std::vector<Point> outline;
        const int corners = 4 + static_cast<int>(random() % 6);
        for (int i = 0; i < corners; ++i) {
            const double angle = 2 * std::numbers::pi * i / corners;
            const double r = std::uniform_real_distribution<>(1, 4)(random);
            outline.push_back(centre + Point{r * std::cos(angle), r * std::sin(angle)});
        }
        return outline;
    };
    int holes = 0;
    for (int i = 0; i < 300; ++i) {
        const auto a = star({0, 0}), b = star({(i % 9) * 0.7, (i % 5) * 0.6});
        const Remainder rest = without(a, b);
        double left = 0;
        for (const auto& part : rest.parts) left += area_m2(part);
        for (std::size_t k = 1; k < rest.parts.size(); ++k)
            CHECK(area_m2(rest.parts[k - 1]) >= area_m2(rest.parts[k]) - 1e-9);
        if (rest.has_holes) {
            ++holes;  // the hole is told, and its area stays in
            continue;
        }
        CHECK(left + shared_area_m2(a, b) == Approx(area_m2(a)).margin(1e-6));
        CHECK(shared_area_m2(a, b) == Approx(shared_area_m2(b, a)).margin(1e-6));
    }
    CHECK(holes < 100);
    const std::vector<Point> square{{0, 0}, {2, 0}, {2, 2}, {0, 2}}, far{{9, 9}, {10, 9}, {10, 10}};
    CHECK(shared_area_m2(square, far) == 0);
    CHECK(without(square, square).parts.empty());
    CHECK(without(square, far).parts.size() == 1);
}

TEST_CASE("a place is inside a polygon as often as the winding of a slow count says") {
    std::mt19937 random(3);
    const std::vector<Point> comb{{0, 0}, {8, 0}, {8, 5}, {7, 5}, {7, 1}, {5, 1},
                                  {5, 5}, {4, 5}, {4, 1}, {2, 1}, {2, 5}, {0, 5}};
    const auto slow = [&](Point p) {
        double turned = 0;
        for (std::size_t i = 0; i < comb.size(); ++i) {
            const Point u = comb[i] - p, v = comb[(i + 1) % comb.size()] - p;
            turned += std::atan2(cross(u, v), dot(u, v));
        }
        return std::abs(turned) > 3;
    };
    for (int i = 0; i < 2000; ++i) {
        const Point p{std::uniform_real_distribution<>(-1, 9)(random),
                      std::uniform_real_distribution<>(-1, 6)(random)};
        CHECK(contains(comb, p) == slow(p));
    }
    CHECK(area_m2(comb) == Approx(8 * 1 + 2 * 4 + 1 * 4 + 1 * 4));
}

TEST_CASE("the nearest place of a segment is nearer than any other of it") {
    std::mt19937 random(9);
    const auto any = [&] { return std::uniform_real_distribution<>(-5, 5)(random); };
    for (int i = 0; i < 200; ++i) {
        const Segment s{{any(), any()}, {any(), any()}};
        const Point p{any(), any()};
        const double found = distance(s, p);
        for (int k = 0; k <= 50; ++k) CHECK(found <= distance(lerp(s.a, s.b, k / 50.0), p) + 1e-12);
    }
}
