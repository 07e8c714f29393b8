// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/snapping.h"

#include "app/plan/scale_tool.h"
#include "app/section/section_layout.h"
#include "core/support.h"
#include "demo/demo.h"

using namespace yemvo;
using namespace yemvo::app;

namespace {

Floor floor_with_wall() {
    Floor f;
    Wall w;
    w.id = WallId{1};
    w.points = {{0, 0}, {10, 0}};
    f.walls = std::vector<Wall>{w};
    return f;
}

SnapOptions options() {
    SnapOptions o;
    o.reach_m = 0.4;
    o.grid_m = 0.5;
    return o;
}

}  // namespace

TEST_CASE("ends come before middles, middles before lines, lines before the grid") {
    const Floor f = floor_with_wall();
    CHECK(snap(f, {0.2, 0.2}, options()).kind == SnapKind::end);
    CHECK(snap(f, {0.2, 0.2}, options()).point == Point{0, 0});
    CHECK(snap(f, {5.1, 0.2}, options()).kind == SnapKind::middle);
    CHECK(snap(f, {3.3, 0.2}, options()).kind == SnapKind::on_line);
    CHECK(snap(f, {3.3, 0.2}, options()).point.y == Approx(0));
    CHECK(snap(f, {3.3, 2.2}, options()).kind == SnapKind::grid);
    CHECK(snap(f, {3.3, 2.2}, options()).point == Point{3.5, 2.0});
}

TEST_CASE("Alt leaves the point alone and Shift holds 15 degree steps") {
    const Floor f = floor_with_wall();
    SnapOptions o = options();
    o.suspended = true;
    CHECK(snap(f, {0.2, 0.2}, o).point == Point{0.2, 0.2});
    o = options();
    o.angles = true;
    o.from = Point{0, 5};
    const Snapped s = snap(f, {4, 9.2}, o);
    CHECK(s.kind == SnapKind::angle);
    CHECK(std::abs((s.point.y - 5) / s.point.x) == Approx(1));
}

TEST_CASE("a point nearly level with the one before becomes level") {
    SnapOptions o = options();
    o.from = Point{2, 5};
    const Snapped s = snap(floor_with_wall(), {7.3, 5.1}, o);
    CHECK(s.point == Point{7.5, 5});
}

TEST_CASE("a point on a wall that is nearly plumb with the one before becomes plumb") {
    SnapOptions o = options();
    o.from = Point{3, 6};
    const Snapped s = snap(floor_with_wall(), {3.1, 0.15}, o);
    CHECK(s.kind == SnapKind::perpendicular);
    CHECK(s.point.x == Approx(3));
    CHECK(s.point.y == Approx(0));
}

TEST_CASE("the grid is fine when near and coarse when far") {
    CHECK(grid_step_m(100) == Approx(0.1));
    CHECK(grid_step_m(12) == Approx(1));
    CHECK(grid_step_m(1) == Approx(10));
}

TEST_CASE("the section has storeys in order, slabs under them, dots inside and apart") {
    const Project p = demo::compose_venue();
    const SectionLayout s = lay_out_section(p, {48, 48, 176, 500});
    REQUIRE(s.storeys.size() == 5);
    CHECK(s.storeys[1].room.bottom() < s.storeys[0].room.top());
    CHECK(s.storeys[2].voids_x.size() == 1);
    CHECK(s.stretch > 1);
    for (const SectionStorey& storey : s.storeys)
        for (std::size_t i = 0; i < storey.dots.size(); ++i) {
            CHECK(storey.room.contains(storey.dots[i].second));
            for (std::size_t k = i + 1; k < storey.dots.size(); ++k)
                CHECK(QLineF(storey.dots[i].second, storey.dots[k].second).length() > 7);
        }
}
