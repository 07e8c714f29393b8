// SPDX-License-Identifier: GPL-3.0-or-later
// A proposal asked why, its map, and single access points of it taken, through the window.
#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/map_results.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "app/proposal/losses_list.h"
#include "app/proposal/proposal_page.h"
#include "app/proposal/proposal_table.h"
#include "app/proposal/why_asked.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// Two rooms behind heavy walls, an access point in a corner of the first.
Project two_rooms() {
    Project p = yemvo::test::one_floor(3.5);
    for (const double x : {0.0, 11.0})
        yemvo::test::wall(p, "concrete-250", {{x, 0}, {x + 10, 0}, {x + 10, 10}, {x, 10}, {x, 0}});
    Zone zone;
    for (const double x : {0.0, 11.0}) {
        zone.name = x > 0 ? "Kitchen" : "Hall";
        zone.outline = {{x, 0}, {x + 10, 0}, {x + 10, 10}, {x, 10}};
        add_zone(p, yemvo::test::floor_at(p, 0), zone);
    }
    yemvo::test::set_requirements(p, {{{}, "signal", band_5, -57, 0.95}});
    add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {1, 1});
    return p;
}

struct WhyDriver : Driver {
    WhyDriver() {
        window.open_project(two_rooms(), {});
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
        window.action("placement.propose")->trigger();
        page().findChild<QComboBox*>("proposalSeconds")->setCurrentIndex(0);
        QTest::mouseClick(page().findChild<QPushButton*>("proposalBegin"), Qt::LeftButton);
        REQUIRE(QTest::qWaitFor([&] { return !page().is_working() && page().shown(); }, 60'000));
        REQUIRE(settle());
        REQUIRE(page().shown()->access_points == 2);
    }
    ProposalPage& page() { return window.proposal(); }
    WhyAsked& why() { return window.proposal_why(); }
    /// In the first room, or the second.
    const ProposalMove& in_room(bool second) {
        for (const ProposalMove& m : page().shown()->plan.moves)
            if ((m.to.x > 10.5) == second && m.kind != MoveKind::removed) return m;
        throw std::runtime_error("nothing hangs there");
    }
    void ask_about(Point at) {
        click(at);
        REQUIRE(QTest::qWaitFor([&] { return why().why().whole; }, 30'000));
        QCoreApplication::processEvents();
    }
    QString details(const char* object) {
        QString all;
        for (const QLabel* l : window.findChildren<QLabel*>(object))
            if (l->isVisible()) all += l->text() + "\n";
        return all;
    }
    QToolButton* segment(const char* words) {
        for (QToolButton* b : window.findChildren<QToolButton*>())
            if (b->accessibleName() == words) return b;
        return nullptr;
    }
};

}  // namespace

TEST_CASE("a click on a proposed access point tells what fails without it, and where it may be moved") {
    WhyDriver d;
    const Project before = d.project();
    CHECK_FALSE(d.why().move());
    const ProposalMove added = d.in_room(true);
    REQUIRE(added.kind == MoveKind::added);
    d.ask_about(added.to);
    REQUIRE(d.why().move());
    CHECK(d.why().move()->number == added.number);
    CHECK(d.details("head").contains(QString("Access point %1, proposed").arg(added.number)));
    auto* list = d.window.findChild<LossesList*>("lossesList");
    REQUIRE((list && list->isVisible()));
    REQUIRE_FALSE(list->lines().isEmpty());
    // half of the area is lost, all of it in the kitchen
    CHECK(list->lines().front().startsWith("Signal −57 dBm: 5"));
    CHECK(list->lines().front().contains("≥ 95"));
    CHECK(list->lines().front().contains("Kitchen"));
    const MovableArea& area = *d.why().why().area;
    REQUIRE_FALSE(area.cells.empty());
    CHECK(d.details("movableWords").contains(QString("%1 m²").arg(render::figure(area.area_m2(), 0))));
    for (const Point& low : area.cells) CHECK((low.x > 11 && low.x + area.step_m < 21));
    picture(d.window, "proposal_why");
    // a click elsewhere ends it, and one on the other asks about that
    d.click({16, 20});
    CHECK_FALSE(d.why().move());
    CHECK_FALSE(d.details("head").contains("proposed"));
    d.ask_about(d.in_room(false).to);
    CHECK(d.window.findChild<LossesList*>("lossesList")->lines().front().contains("Hall"));
    CHECK(d.project() == before);
    // selecting in the plan itself asks about that
    d.w().selection().select({{Item::Kind::zone, d.floor().zones->front().id.value}});
    CHECK_FALSE(d.why().move());
}

TEST_CASE("the map shows the plan as it is, as it is proposed, and the change") {
    WhyDriver d;
    const auto values = [&] {
        REQUIRE(d.settle());
        REQUIRE(QTest::qWaitFor(
            [&] {
                const HeldAgainst* other = d.w().results().find<HeldAgainst>();
                const render::MapChoice& map = d.w().shown().map();
                return !map.needs_other() || (other && other->against == map.against);
            },
            10'000));
        const HeldAgainst* other = d.w().results().find<HeldAgainst>();
        return render::map_values(d.project(), *d.w().results().floor_prediction(), d.w().shown().map(),
                                  other ? other->project.get() : nullptr, other ? &other->floor : nullptr);
    };
    REQUIRE(d.segment("map: Proposed"));
    CHECK(d.segment("map: Proposed")->isVisible());
    CHECK(d.segment("map: Proposed")->isChecked());
    const std::size_t cell = d.w().results().floor_prediction()->surface.cell_at({7.3, 8}).value();
    const float proposed = values()[cell];
    CHECK(d.w().shown().other_name() == "proposed");
    QTest::mouseClick(d.segment("map: Change"), Qt::LeftButton);
    const float change = values()[cell];
    QTest::mouseClick(d.segment("map: Now"), Qt::LeftButton);
    const float now = values()[cell];
    CHECK(proposed > now + 3);
    CHECK(change == Approx(proposed - now).margin(0.02));
    CHECK(d.w().shown().other_name().isEmpty());
    QTest::mouseClick(d.segment("map: Proposed"), Qt::LeftButton);
    CHECK(values()[cell] == proposed);
    QTest::mouseClick(d.page().findChild<QPushButton*>("proposalDrop"), Qt::LeftButton);
    CHECK_FALSE(d.segment("map: Proposed")->isVisible());
    CHECK(values()[cell] == now);
}

TEST_CASE("one access point is taken alone; the others stay proposed, and undo brings it back") {
    WhyDriver d;
    const Project before = d.project();
    const ProposalMove added = d.in_room(true), moved = d.in_room(false);
    d.ask_about(added.to);
    QTest::mouseClick(d.window.findChild<QPushButton*>("proposalTakeOne"), Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return placed_access_points(d.project()).size() == 2; }, 2000));
    const auto placed = placed_access_points(d.project());
    CHECK(placed[0].access_point->position == access_points(before, d.floor().id)[0].position);
    CHECK(placed[1].access_point->position == added.to);
    CHECK(placed[1].access_point->number == added.number);
    REQUIRE(d.page().shown());
    CHECK(d.in_room(true).kind == MoveKind::stays);
    CHECK(d.in_room(false).kind == moved.kind);
    CHECK(d.page().shown()->access_points_before == 2);
    REQUIRE(d.settle());
    CHECK(QTest::qWaitFor([&] { return d.page().shown()->before.met() == d.w().results().verdict()->met(); },
                          5000));
    // then the other: nothing is left to be changed
    d.ask_about(d.in_room(false).to);
    QTest::mouseClick(d.window.findChild<QPushButton*>("proposalTakeOne"), Qt::LeftButton);
    REQUIRE(QTest::qWaitFor(
        [&] { return placed_access_points(d.project())[0].access_point->position == moved.to; }, 2000));
    REQUIRE(d.settle());
    CHECK(d.w().results().verdict()->met());
    d.w().document().history().undo();
    d.w().document().history().undo();
    CHECK(d.project() == before);
    REQUIRE(d.page().shown());
    CHECK(d.in_room(true).kind == MoveKind::added);
}

TEST_CASE("a proposal that was taken stands there again after undo") {
    WhyDriver d;
    const auto found = d.page().shown();
    QTest::mouseClick(d.page().findChild<QPushButton*>("proposalTake"), Qt::LeftButton);
    CHECK_FALSE(d.page().shown());
    d.w().document().history().undo();
    CHECK(d.page().shown() == found);
    // put away for good
    QTest::mouseClick(d.page().findChild<QPushButton*>("proposalDrop"), Qt::LeftButton);
    d.w().document().history().redo();
    d.w().document().history().undo();
    CHECK_FALSE(d.page().shown());
}

TEST_CASE("a search goes on from the plan that is shown, and tells what less would save") {
    WhyDriver d;
    auto* on = d.page().findChild<QPushButton*>("proposalOn");
    auto* less = d.page().findChild<QPushButton*>("proposalLess");
    REQUIRE((on->isEnabled() && less->isEnabled()));
    const Project before = d.project();
    const auto found = d.page().shown();
    QTest::mouseClick(on, Qt::LeftButton);
    CHECK_FALSE(less->isEnabled());
    REQUIRE(QTest::qWaitFor([&] { return !d.page().is_working(); }, 60'000));
    QCoreApplication::processEvents();
    REQUIRE(d.page().shown());
    CHECK(d.page().shown()->access_points <= found->access_points);
    CHECK(d.page().shown()->verdict.met());
    auto* told = d.page().findChild<QLabel*>("proposalRelaxed");
    CHECK_FALSE(told->isVisible());
    QTest::mouseClick(less, Qt::LeftButton);
    CHECK(d.page().is_working());
    REQUIRE(QTest::qWaitFor([&] { return !d.page().is_working(); }, 60'000));
    QCoreApplication::processEvents();
    CHECK(told->isVisible());
    // rooms behind heavy walls take one each however little is asked
    CHECK(told->text() ==
          "Signal, 5 GHz: −60 instead of −57 dBm saves nothing that was found in so short a "
          "time (2 hang there for it).");
    CHECK(d.project() == before);
    QTest::mouseClick(d.page().findChild<QPushButton*>("proposalDrop"), Qt::LeftButton);
    CHECK_FALSE(told->isVisible());
    CHECK_FALSE(on->isEnabled());
}
