// SPDX-License-Identifier: GPL-3.0-or-later
// Names, states and lists of access points through the window.
#include "app/on_site/on_site_page.h"

#include <QComboBox>
#include <QPushButton>
#include <QTableView>
#include <QTemporaryDir>

#include "app/driver.h"
#include "app/model/document.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "demo/demo.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

Project hall() {
    Project p = yemvo::test::one_floor(3.5);
    yemvo::test::wall(p, "brick-half", {{0, 0}, {30, 0}, {30, 10}, {0, 10}, {0, 0}});
    for (double x : {25.0, 15.0, 5.0})
        add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {x, 5});
    return p;
}

struct SiteDriver : Driver {
    explicit SiteDriver(const Project& p) {
        window.open_project(p, {});
        REQUIRE(settle());
        window.asking().open_file = [this](const QString&, const QString&) { return opened; };
        window.action("view.on-site")->trigger();
        REQUIRE(page().isVisible());
        QObject::connect(&w(), &Workspace::told, [this](const QString& words, bool) { told = words; });
    }
    OnSitePage& page() { return window.on_site(); }
    QModelIndex at(int row, int column) { return page().table().model()->index(row, column); }
    QString cell(int row, int column) { return at(row, column).data().toString(); }
    bool type(int row, int column, const QString& words) {
        return page().table().model()->setData(at(row, column), words, Qt::EditRole);
    }
    void press(const char* name) {
        auto* b = page().findChild<QPushButton*>(name);
        REQUIRE(b);
        REQUIRE(b->isVisible());
        REQUIRE(b->isEnabled());
        QTest::mouseClick(b, Qt::LeftButton);
    }
    const AccessPoint& ap(int number) {
        for (const auto& placed : placed_access_points(project()))
            if (placed.access_point->number == number) return *placed.access_point;
        throw std::logic_error("no such access point");
    }
    void list(const char* text) {
        opened = dir.filePath("list.csv");
        QFile file(opened);
        REQUIRE(file.open(QIODevice::WriteOnly));
        file.write(text);
        file.close();
        press("readList");
    }
    QString opened, told;
    void empty(const char* name) {
        auto* field = find<QLineEdit>(name);
        field->setFocus();
        field->selectAll();
        QTest::keyClick(field, Qt::Key_Delete);
        QTest::keyClick(field, Qt::Key_Return);
    }
    QTemporaryDir dir;
};

}  // namespace

TEST_CASE("names are shown before they are given, as one edit") {
    SiteDriver d(hall());
    CHECK(d.page().table().isColumnHidden(OnSiteTable::change));
    d.press("nameAccessPoints");
    d.fill("namePattern", "H-{n}");
    // the third hangs furthest west
    CHECK(d.cell(0, OnSiteTable::change) == "H-03");
    CHECK(d.cell(2, OnSiteTable::change) == "H-01");
    CHECK(d.ap(1).name.empty());
    QTest::qWait(20);  // the layout follows
    picture(d.window, "on-site-names");
    d.press("giveNames");
    CHECK(d.ap(3).name == "H-01");
    CHECK(d.cell(2, OnSiteTable::name) == "H-01");
    d.w().document().history().undo();
    CHECK(d.ap(3).name.empty());
}

TEST_CASE("a pattern that names nothing is told, and no names can be given") {
    SiteDriver d(hall());
    d.press("nameAccessPoints");
    d.fill("namePattern", "{wing}-{n}");
    CHECK_FALSE(d.page().findChild<QPushButton*>("giveNames")->isEnabled());
    d.fill("namePattern", "all alike");
    CHECK_FALSE(d.page().findChild<QPushButton*>("giveNames")->isEnabled());
}

TEST_CASE("only the chosen ones are named") {
    SiteDriver d(hall());
    d.press("nameAccessPoints");
    d.fill("namePattern", "X{n}");
    d.w().selection().select({{ItemKind::access_point, d.ap(2).id.value}});
    d.page().findChild<QComboBox*>("nameScope")->setCurrentIndex(2);
    d.press("giveNames");
    CHECK(d.ap(2).name == "X01");
    CHECK(d.ap(1).name.empty());
}

TEST_CASE("what hangs gets its day, its serial number and its address") {
    SiteDriver d(hall());
    CHECK(d.type(0, OnSiteTable::state, "Hung"));
    CHECK(d.ap(1).on_site.state == SiteState::hung);
    CHECK(d.ap(1).on_site.date == today());
    CHECK(d.type(0, OnSiteTable::address, "02-1E-5A-07-10-24"));
    CHECK(d.ap(1).on_site.address == "02:1e:5a:07:10:24");
    CHECK_FALSE(d.type(0, OnSiteTable::address, "not an address"));
    CHECK_FALSE(d.type(0, OnSiteTable::date, "2026-02-30"));
    CHECK_FALSE(d.type(0, OnSiteTable::state, "lost"));
    CHECK(d.ap(1).on_site.date == today());
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("1 hung"));
    CHECK(d.type(0, OnSiteTable::state, "Planned"));
    CHECK(d.ap(1).on_site.date.empty());
}

TEST_CASE("what a list changes is shown, then taken over or left") {
    SiteDriver d(hall());
    d.list("name,x_m,y_m,floor,model,serial\n1,24,5,,,MU-1\nNew-1,10,8,Ground floor,ceiling-entry,\n");
    INFO(d.told.toStdString());
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("1 new, 1 changed"));
    CHECK_THAT(d.cell(0, OnSiteTable::change).toStdString(), Catch::Contains("1.00 m"));
    CHECK(d.cell(3, OnSiteTable::number) == "new");
    picture(d.window, "on-site-list");
    CHECK(placed_access_points(d.project()).size() == 3);
    d.press("leaveList");
    CHECK(placed_access_points(d.project()).size() == 3);
    CHECK(d.page().table().model()->rowCount() == 3);
    d.press("readList");
    d.press("takeList");
    CHECK(placed_access_points(d.project()).size() == 4);
    CHECK(d.ap(1).on_site.serial == "MU-1");
    CHECK(d.ap(1).position.x == 24);
    d.w().document().history().undo();
    CHECK(placed_access_points(d.project()).size() == 3);
}

TEST_CASE("a list with faults is refused by row, and the plan stays") {
    SiteDriver d(hall());
    const Project before = d.project();
    d.list("name,floor\n1,Attic\n1,\n");
    CHECK_THAT(d.told.toStdString(), Catch::Contains("Attic") && Catch::Contains("twice"));
    CHECK(d.project() == before);
    CHECK(d.page().findChild<QPushButton*>("readList")->isVisible());
}

TEST_CASE("an access point's Details hold its name and its state") {
    SiteDriver d(hall());
    d.w().selection().select({{ItemKind::access_point, d.ap(1).id.value}});
    d.fill("apName", "Door 4");
    CHECK(d.ap(1).name == "Door 4");
    d.empty("apName");
    CHECK(d.ap(1).name.empty());
    d.pick("apState", "Checked");
    CHECK(d.ap(1).on_site.state == SiteState::checked);
    CHECK(d.ap(1).on_site.date == today());
}
