#include "geometry/polygon.h"
#include "geometry/segment.h"
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
