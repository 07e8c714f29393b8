// SPDX-License-Identifier: GPL-3.0-or-later
// Proposals through the window.
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "app/proposal/bound_rail.h"
#include "app/proposal/proposal_page.h"
#include "app/proposal/proposal_table.h"
#include "app/proposal/search_chart.h"
#include "app/shell/status_line.h"
#include "core/support.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// Three rooms behind heavy walls on each of two floors, and what hangs in the first of them.
Project six_rooms() {
    Project p = new_project("Rooms", {LengthUnits::metres, "GB", 1.0, 7}, 2, 3.5);
    for (std::size_t f = 0; f < 2; ++f)
        for (const double x : {0.0, 11.0, 22.0})
            yemvo::test::wall(p, "concrete-250", {{x, 0}, {x + 10, 0}, {x + 10, 10}, {x, 10}, {x, 0}}, 0, {},
                              f);
    yemvo::test::set_requirements(p, {{{}, "signal", band_5, -57, 0.95}});
    for (const double x : {1.0, 3.0, 8.0})
        add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {x, 1});
    return p;
}

struct ProposalDriver : Driver {
    ProposalDriver() : Driver() {
        window.open_project(six_rooms(), {});
        show();
    }
    void show() {
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
        window.action("placement.propose")->trigger();
        REQUIRE(page().isVisible());
    }
    ProposalPage& page() { return window.proposal(); }
    QPushButton* button(const char* name) { return page().findChild<QPushButton*>(name); }
    void run() {
        page().findChild<QComboBox*>("proposalSeconds")->setCurrentIndex(0);
        QTest::mouseClick(button("proposalBegin"), Qt::LeftButton);
        REQUIRE(page().is_working());
        CHECK(button("proposalBegin")->text() == "Stop");
        REQUIRE(QTest::qWaitFor([&] { return !page().is_working(); }, 60'000));
        QCoreApplication::processEvents();
        REQUIRE(page().shown());
    }
    std::size_t hang(std::size_t floor) {
        return access_points(project(), yemvo::test::floor_at(project(), floor)).size();
    }
};

}  // namespace

TEST_CASE("a proposal stands beside the present plan, with its bound, and is taken as one edit") {
    ProposalDriver d;
    const Project before = d.project();
    d.run();
    CHECK(d.project() == before);
    const Proposal& p = *d.page().shown();
    CHECK(p.access_points == 6);
    CHECK(p.lower_bound == 6);
    CHECK(d.page().summary().startsWith("6 access points instead of 3: every requirement holds"));
    CHECK(d.page().rail().figures() == BoundRail::Figures{6, 6, 3});
    CHECK_FALSE(d.page().chart().stands().empty());
    const ProposalTable& table = d.page().table();
    REQUIRE(table.rowCount() == 3);
    const auto cell = [&](int row, int column) {
        return table.data(table.index(row, column), Qt::DisplayRole).toString();
    };
    // the upper floor first, the whole last
    CHECK(cell(0, ProposalTable::count) == "0 → 3");
    CHECK(cell(0, ProposalTable::changes) == "+3");
    CHECK(cell(1, ProposalTable::count) == "3");
    CHECK(cell(2, ProposalTable::count) == "3 → 6");
    CHECK(cell(0, ProposalTable::band_5_column).startsWith("0.0"));
    picture(d.window, "proposal");
    QTest::mouseClick(d.button("proposalTake"), Qt::LeftButton);
    CHECK(d.hang(0) == 3);
    CHECK(d.hang(1) == 3);
    CHECK_FALSE(d.page().shown());
    REQUIRE(d.settle());
    CHECK(d.window.runner().is_idle());
    d.w().document().history().undo();
    CHECK(d.project() == before);
}

TEST_CASE("floors are taken singly, and the whole as a variant of its own") {
    ProposalDriver d;
    const Project before = d.project();
    d.run();
    ProposalTable& table = d.page().table();
    REQUIRE(table.setData(table.index(1, ProposalTable::floor), Qt::Unchecked, Qt::CheckStateRole));
    CHECK(d.button("proposalTake")->text() == "Take 1 floor");
    QTest::mouseClick(d.button("proposalTake"), Qt::LeftButton);
    CHECK(d.hang(1) == 3);
    CHECK(access_points(d.project(), yemvo::test::floor_at(d.project(), 0)) ==
          access_points(before, yemvo::test::floor_at(before, 0)));
    d.w().document().history().undo();
    d.run();
    QTest::mouseClick(d.button("proposalVariant"), Qt::LeftButton);
    REQUIRE(d.project().variants.size() == before.variants.size() + 1);
    CHECK(QString::fromStdString(current_variant(d.project()).name).endsWith("proposed"));
    CHECK(d.hang(0) + d.hang(1) == 6);
    std::set<std::uint32_t> ids;
    for (const Variant& v : d.project().variants)
        for (const auto& [floor, list] : v.access_points)
            for (const AccessPoint& ap : *list) CHECK(ids.insert(ap.id.value).second);
}

TEST_CASE("what is asked is kept: the floor in view, what hangs stays, one more for failures") {
    ProposalDriver d;
    d.w().in_view().show_floor(yemvo::test::floor_at(d.project(), 1));
    d.page().findChild<QComboBox*>("proposalFloors")->setCurrentIndex(1);
    d.run();
    for (const ProposalMove& m : d.page().shown()->plan.moves)
        CHECK(m.floor == yemvo::test::floor_at(d.project(), 1));
    d.page().findChild<QComboBox*>("proposalFloors")->setCurrentIndex(0);
    d.page().findChild<QComboBox*>("proposalPresent")->setCurrentIndex(1);
    d.run();
    for (const ProposalMove& m : d.page().shown()->plan.moves)
        CHECK((m.kind == MoveKind::stays || m.kind == MoveKind::added));
    CHECK(d.page().shown()->access_points == 8);
    d.page().findChild<QComboBox*>("proposalPresent")->setCurrentIndex(0);
    d.page().findChild<QCheckBox*>("proposalSurvive")->setChecked(true);
    d.run();
    CHECK(d.page().shown()->access_points == 12);
    d.page().findChild<QCheckBox*>("proposalSurvive")->setChecked(false);
    QTest::mouseClick(d.page().findChild<QCheckBox*>("proposalCabled"), Qt::LeftButton);
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return !d.page().is_working(); }, 10'000));
    CHECK(d.window.status().message().contains("no closet stands"));
}

TEST_CASE("a search that is stopped or overtaken leaves the project as it is") {
    ProposalDriver d;
    const Project before = d.project();
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    CHECK(QTest::qWaitFor([&] { return !d.page().is_working(); }, 10'000));
    CHECK(d.project() == before);
    d.run();
    // another plan beside it would tell wrong differences
    d.w().edit("Move", [&](Project& p) {
        AccessPoint ap = access_points(p, yemvo::test::floor_at(p, 0)).front();
        ap.position.x += 1;
        replace_access_point(p, yemvo::test::floor_at(p, 0), ap);
    });
    CHECK_FALSE(d.page().shown());
    d.run();
    QTest::mouseClick(d.button("proposalDrop"), Qt::LeftButton);
    CHECK_FALSE(d.page().shown());
    CHECK_FALSE(d.button("proposalTake")->isEnabled());
}

TEST_CASE("a proposal is dropped where the building changes, and what is new gets ids that nothing has") {
    ProposalDriver d;
    d.run();
    d.w().edit("Wall", [&](Project& p) { yemvo::test::wall(p, "plasterboard", {{4, 4}, {6, 4}}); });
    CHECK_FALSE(d.page().shown());
    d.run();
    const HungPlan plan = d.page().shown()->plan;
    Project p = d.project();
    // ids go to something else meanwhile
    const auto other = yemvo::test::wall(p, "plasterboard", {{4, 6}, {6, 6}});
    take_plan(p, plan, {yemvo::test::floor_at(p, 0), yemvo::test::floor_at(p, 1)});
    std::set<std::uint32_t> ids{other.value};
    for (const PlacedAccessPoint& placed : placed_access_points(p))
        CHECK(ids.insert(placed.access_point->id.value).second);
    CHECK(ids.size() == 7);
    CHECK(*ids.rbegin() < p.next_id);
}

TEST_CASE("with another goal the bound is told in what it counts, and not among access points") {
    ProposalDriver d;
    d.page().findChild<QComboBox*>("proposalGoal")->setCurrentIndex(static_cast<int>(ProposalGoal::watts));
    d.run();
    CHECK_FALSE(d.page().rail().isVisible());
    bool told = false;
    for (const QLabel* l : d.page().findChildren<QLabel*>())
        told = told || l->text().contains(" W, at least ");
    CHECK(told);
    CHECK(d.page().shown()->cost > d.page().shown()->access_points);
    for (const ProposalStand& s : d.page().chart().stands()) CHECK(s.lower_bound == 0);
}

TEST_CASE("what cannot be proposed is said, and nothing is lost") {
    ProposalDriver d;
    for (int b = 0; b < 3; ++b)
        d.page().findChild<QCheckBox*>("proposalBand" + QString::number(b))->setChecked(false);
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    CHECK(d.window.status().message().contains("Choose a band"));
    d.page().findChild<QCheckBox*>("proposalBand2")->setChecked(true);
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return !d.page().is_working(); }, 30'000));
    CHECK(QTest::qWaitFor([&] { return d.window.status().message().contains("no requirement in force"); },
                          2000));
    CHECK_FALSE(d.page().shown());
}

TEST_CASE("the demo's proposal as it looks") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::placement);
    REQUIRE(d.settle());
    d.w().in_view().show_floor(find_floor(d.project(), "Ground floor")->id);
    d.window.action("placement.propose")->trigger();
    ProposalPage& page = d.window.proposal();
    page.findChild<QComboBox*>("proposalSeconds")->setCurrentIndex(0);
    QTest::mouseClick(page.findChild<QPushButton*>("proposalBegin"), Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return !page.is_working() && page.shown(); }, 60'000));
    REQUIRE(d.settle());
    CHECK(page.shown()->access_points < page.shown()->access_points_before);
    picture(d.window, "proposal_demo");
}

TEST_CASE("what hangs now may move a little, or the selected stay, or zones alone are asked about") {
    ProposalDriver d;
    auto* present = d.page().findChild<QComboBox*>("proposalPresent");
    present->setCurrentIndex(3);
    d.run();
    std::size_t kept = 0;
    for (const ProposalMove& m : d.page().shown()->plan.moves) {
        CHECK(m.kind != MoveKind::removed);
        if (m.kind == MoveKind::added) continue;
        ++kept;
        CHECK(distance(m.from, m.to) <= 3.001);
    }
    CHECK(kept == 3);
    const AccessPoint first = access_points(d.project(), yemvo::test::floor_at(d.project(), 0))[2];
    d.w().selection().select({{Item::Kind::access_point, first.id.value}});
    present->setCurrentIndex(2);
    d.run();
    bool stays = false;
    for (const ProposalMove& m : d.page().shown()->plan.moves)
        stays = stays || (m.access_point == first.id && m.kind == MoveKind::stays);
    CHECK(stays);
    present->setCurrentIndex(0);
    // zones: none selected is told
    d.page().findChild<QComboBox*>("proposalFloors")->setCurrentIndex(2);
    QTest::mouseClick(d.button("proposalBegin"), Qt::LeftButton);
    CHECK_FALSE(d.page().is_working());
    CHECK(d.window.status().message().contains("Select the zones"));
}
