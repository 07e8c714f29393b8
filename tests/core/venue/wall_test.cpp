// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/wall.h"

#include "core/support.h"
#include "venue/wall_type.h"

using namespace yemvo;

namespace {

double area_m2(const std::vector<Panel>& list) {
    double sum = 0;
    for (const Panel& p : list) sum += (p.end_m - p.start_m) * (p.top_m - p.base_m);
    return sum;
}

Wall straight(double length_m) {
    Wall w;
    w.type = WallTypeId{1};
    w.points = {{0, 0}, {length_m, 0}};
    return w;
}

Opening opening(double start_m, double width_m, double sill_m, double head_m) {
    Opening o;
    o.id = OpeningId{static_cast<std::uint32_t>(start_m * 10) + 1};
    o.type = WallTypeId{2};
    o.start_m = start_m;
    o.width_m = width_m;
    o.sill_m = sill_m;
    o.head_m = head_m;
    return o;
}

}  // namespace

TEST_CASE("a wall with a window is cut into the window and what is beside, below and above it") {
    Wall w = straight(10);
    w.openings = {opening(4, 2, 1, 2)};
    const auto list = panels(w, 3);
    CHECK(list.size() == 5);
    CHECK(area_m2(list) == Approx(30));
    const auto glass = std::find_if(list.begin(), list.end(), [](const Panel& p) { return bool(p.opening); });
    REQUIRE(glass != list.end());
    CHECK(glass->start_m == 4);
    CHECK(glass->end_m == 6);
    CHECK(glass->base_m == 1);
    CHECK(glass->top_m == 2);
}

TEST_CASE("a door to the floor leaves nothing below it") {
    Wall w = straight(5);
    w.openings = {opening(0, 1, 0, 2.1)};
    CHECK(panels(w, 3).size() == 3);
}

TEST_CASE("openings beyond their wall are cut off and overlapping ones never count twice") {
    Wall w = straight(5);
    w.openings = {opening(4, 3, 0, 2), opening(-1, 2, 0, 2), opening(4.5, 2, 0, 2), opening(2, 1, 2, 9)};
    CHECK(area_m2(panels(w, 3)) == Approx(15));
    w.base_m = 1;
    w.top_m = 2;
    CHECK(area_m2(panels(w, 3)) == Approx(5));
}

TEST_CASE("loss between two frequencies lies between them and is held beyond the ends") {
    WallType t;
    t.losses = {{2, 4, 3, 5}, {8, 10, 8, 12}};
    CHECK(loss_db(t, 4) == Approx(7));  // half way on a logarithmic axis
    CHECK(loss_db(t, 1) == 4);
    CHECK(loss_db(t, 60) == 10);
    CHECK(loss_db(WallType{}, 5) == 0);
}
