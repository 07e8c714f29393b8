// SPDX-License-Identifier: GPL-3.0-or-later
// What lies over the plan, told without painting it.
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/found_findings.h"
#include "app/plan/plan_overlay.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

const render::PlanMap ten_px{10, QPointF(0, 400)};  // a metre is 10 px, the floor's zero at the lower left

Finding at(FloorId floor, Point place) {
    Finding f;
    f.floor = floor;
    f.place = place;
    f.has_place = true;
    return f;
}

}  // namespace

TEST_CASE("findings that can be told apart have a mark each, at their places") {
    const FloorId floor{3};
    const auto marks =
        finding_marks({at(floor, {5, 5}), at(floor, {20, 5}), at(floor, {5, 20})}, floor, ten_px, {400, 400});
    REQUIRE(marks.size() == 3);
    for (const FindingMark& m : marks) CHECK(m.count == 1);
    CHECK(std::ranges::any_of(marks, [](const FindingMark& m) { return m.at == QPointF(50, 350); }));
}

TEST_CASE("those too close to be told apart are one mark with their number, in their middle") {
    const FloorId floor{3};
    const std::vector<Finding> close{at(floor, {5.0, 5.0}), at(floor, {5.4, 5.0}), at(floor, {5.2, 5.6})};
    const auto far_off = finding_marks(close, floor, ten_px, {400, 400});
    REQUIRE(far_off.size() == 1);
    CHECK(far_off[0].count == 3);
    CHECK(far_off[0].at.x() == Approx(52));
    CHECK(far_off[0].at.y() == Approx(348));
    // nearer they part
    const auto near_by = finding_marks(close, floor, {200, QPointF(-800, 1300)}, {400, 400});
    CHECK(near_by.size() == 3);
}

TEST_CASE(
    "accepted findings, those of other floors, those without a place and those out of view have no mark") {
    const FloorId floor{3};
    Finding accepted = at(floor, {5, 5});
    accepted.waived = "known";
    Finding nowhere = at(floor, {6, 6});
    nowhere.has_place = false;
    CHECK(finding_marks({accepted, nowhere, at(FloorId{4}, {7, 7}), at(floor, {500, 5})}, floor, ten_px,
                        {400, 400})
              .empty());
}

TEST_CASE("a plan with thousands of findings shows a mark a place, not a mark a finding") {
    const FloorId floor{3};
    std::vector<Finding> many;
    for (int i = 0; i < 5000; ++i) many.push_back(at(floor, {(i % 100) * 0.4, (i / 100) * 0.8}));
    const auto marks = finding_marks(many, floor, ten_px, {400, 400});
    CHECK(marks.size() < 500);
    int told = 0;
    for (const FindingMark& m : marks) told += m.count;
    CHECK(told == 5000);
    // a pan regroups nothing
    const auto panned = finding_marks(many, floor, {10, QPointF(7, 405)}, {460, 460});
    CHECK(panned.size() >= marks.size());
}

TEST_CASE("on the plan findings are seen in the step Venue, and not over a map") {
    Driver d;
    Project p = yemvo::test::one_floor();
    yemvo::test::wall(p, "plasterboard", {{0, 0}, {10, 0}});
    yemvo::test::wall(p, "plasterboard", {{0, 0}, {10, 0}});  // drawn twice
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::venue);
    REQUIRE(QTest::qWaitFor([&] { return d.w().found().open() > 0; }, 5000));
    const Finding f = d.w().found().all()->front();
    REQUIRE(f.has_place);
    const auto ring = [&](const QImage& image) {
        const QPointF c = d.plan().map().to_screen(f.place);
        int count = 0;
        for (int y = -10; y <= 10; ++y)
            for (int x = -10; x <= 10; ++x) {
                const QColor got = image.pixelColor((c + QPointF(x, y)).toPoint()), want = QColor("#C2410C");
                count += std::abs(got.red() - want.red()) + std::abs(got.green() - want.green()) +
                             std::abs(got.blue() - want.blue()) <
                         60;
            }
        return count;
    };
    CHECK(ring(d.plan().grab().toImage()) > 20);
    d.w().activity().set_step(Step::placement);
    CHECK(ring(d.plan().grab().toImage()) == 0);
}
