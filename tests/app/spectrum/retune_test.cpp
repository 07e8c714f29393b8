// SPDX-License-Identifier: GPL-3.0-or-later
// Retuning through the window.
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>
#include <algorithm>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/results.h"
#include "app/model/spectrum.h"
#include "app/picture.h"
#include "app/shell/status_line.h"
#include "app/spectrum/retune_page.h"
#include "project/gear_edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct RetuneDriver : Driver {
    RetuneDriver() {
        window.open_demo();
        w().activity().set_step(Step::spectrum);
        REQUIRE(settle());
        window.action("spectrum.retune")->trigger();
        REQUIRE(page().isVisible());
    }
    RetunePage& page() { return window.retuning(); }
    QPushButton* button(const char* name) { return page().findChild<QPushButton*>(name); }
    bool done() {
        return QTest::qWaitFor([&] { return !page().is_working(); }, 60'000) &&
               (QCoreApplication::processEvents(), true);
    }
    void run() {
        QTest::mouseClick(button("retuneBegin"), Qt::LeftButton);
        REQUIRE(page().is_working());
        REQUIRE(QTest::qWaitFor([&] { return !page().is_working(); }, 60'000));
        REQUIRE(page().result());
    }
};

}  // namespace

TEST_CASE("a plan with less air lost is found, shown with its changes, and taken as one edit") {
    RetuneDriver d;
    d.run();
    const RetuneResult found = *d.page().result();
    CHECK(found.after < found.before);
    CHECK(found.lower_bound <= found.after + 1e-9);
    REQUIRE(d.page().changes().rowCount() > 3);
    for (std::size_t i = 1; i < found.changes.size(); ++i)
        CHECK(found.changes[i - 1].gain >= found.changes[i].gain);
    QCoreApplication::processEvents();  // the words over the table are laid out
    picture(d.window, "retune");
    const Project before = d.project();
    // all but the first
    RetuneTable& table = d.page().changes();
    REQUIRE(table.setData(table.index(0, RetuneTable::radio), Qt::Unchecked, Qt::CheckStateRole));
    QTest::mouseClick(d.button("retuneTake"), Qt::LeftButton);
    for (std::size_t i = 0; i < found.changes.size(); ++i) {
        const RetuneChange& c = found.changes[i];
        const Radio& now = find_access_point(d.project(), c.floor, c.access_point)->radios[c.radio];
        CHECK(now == (i == 0 ? c.before : c.after));
    }
    d.w().document().history().undo();
    CHECK(d.project() == before);
}

TEST_CASE("retuning that is begun before all is known waits for it, and can be stopped before") {
    Driver d;
    d.window.open_demo();
    d.window.action("spectrum.retune")->trigger();
    RetunePage& page = d.window.retuning();
    auto* begin = page.findChild<QPushButton*>("retuneBegin");
    QTest::mouseClick(begin, Qt::LeftButton);
    REQUIRE(page.is_working());
    CHECK(page.doing().contains("Waiting"));
    CHECK(begin->text() == "Stop");
    QTest::mouseClick(begin, Qt::LeftButton);
    CHECK_FALSE(page.is_working());
    CHECK(begin->text() == "Retune");
    QTest::mouseClick(begin, Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return page.result().has_value() && !page.is_working(); }, 60'000));
    CHECK(page.changes().rowCount() > 3);
}

TEST_CASE("channels left out and the widest one are chosen for each band") {
    RetuneDriver d;
    d.page().findChild<QLineEdit*>("retuneLeaveOut6")->setText("1-29");
    auto* widest = d.page().findChild<QComboBox*>("retuneWidest6");
    widest->setCurrentIndex(widest->findData(40));
    d.run();
    int at_6 = 0;
    for (const RetuneChange& c : d.page().result()->changes) {
        if (c.after.channel.band != band_6) continue;
        ++at_6;
        CHECK(c.after.channel.width_mhz <= 40);
        CHECK(low_mhz(c.after.channel) >= low_mhz({band_6, 33, 20}) - 0.1);
    }
    CHECK(at_6 > 0);
    d.page().findChild<QLineEdit*>("retuneLeaveOut6")->setText("1-29-5");
    QTest::mouseClick(d.button("retuneBegin"), Qt::LeftButton);
    CHECK_FALSE(d.page().is_working());
    CHECK(d.window.status().message().contains("1-29-5"));
}

TEST_CASE("locked radios and other bands stay, and a plan can be a variant of its own") {
    RetuneDriver d;
    d.w().edit("Lock", [](Project& p) {
        for (const Floor* f : all_floors(p))
            for (AccessPoint ap : std::vector<AccessPoint>(access_points(p, f->id))) {
                if (ap.number % 2) continue;
                for (Radio& r : ap.radios) r.locked = true;
                replace_access_point(p, f->id, ap);
            }
    });
    REQUIRE(d.settle());
    QTest::mouseClick(d.page().findChild<QCheckBox*>("retuneBand0"), Qt::LeftButton, {}, {8, 8});
    REQUIRE_FALSE(d.page().findChild<QCheckBox*>("retuneBand0")->isChecked());
    d.run();
    const RetuneResult found = *d.page().result();
    REQUIRE_FALSE(found.changes.empty());
    for (const RetuneChange& c : found.changes) {
        CHECK(c.number % 2 == 1);
        CHECK(c.after.channel.band != band_24);
    }
    const std::size_t variants = d.project().variants.size();
    QTest::mouseClick(d.button("retuneVariant"), Qt::LeftButton);
    CHECK(d.project().variants.size() == variants + 1);
    CHECK(current_variant(d.project()).name.find("retuned") != std::string::npos);
    d.w().document().history().undo();
    CHECK(d.project().variants.size() == variants);
}

TEST_CASE("a plan of what has changed since is dropped, and a search can be stopped") {
    RetuneDriver d;
    d.run();
    REQUIRE(d.page().changes().rowCount() > 0);
    const RetuneChange first = d.page().result()->changes.front();
    d.w().edit("Off", [&](Project& p) {
        AccessPoint ap = *find_access_point(p, first.floor, first.access_point);
        ap.radios[first.radio].on = false;
        replace_access_point(p, first.floor, ap);
    });
    CHECK_FALSE(d.page().result());
    CHECK(d.page().changes().rowCount() == 0);
    CHECK_FALSE(d.button("retuneTake")->isEnabled());
    REQUIRE(d.settle());
    QTest::mouseClick(d.button("retuneBegin"), Qt::LeftButton);
    QTest::mouseClick(d.button("retuneBegin"), Qt::LeftButton);
    CHECK(QTest::qWaitFor([&] { return d.button("retuneBegin")->text() == "Retune"; }, 10'000));
    CHECK_FALSE(d.page().is_working());
}

TEST_CASE("without a band or a selection there is nothing to retune, and that is said") {
    RetuneDriver d;
    QTest::mouseClick(d.page().findChild<QCheckBox*>("retuneSelected"), Qt::LeftButton, {}, {8, 8});
    QTest::mouseClick(d.button("retuneBegin"), Qt::LeftButton);
    CHECK_FALSE(d.page().is_working());
    CHECK(d.window.status().message().contains("Select access points"));
    for (int i = 0; i < 3; ++i)
        QTest::mouseClick(d.page().findChild<QCheckBox*>(QString("retuneBand%1").arg(i)), Qt::LeftButton, {},
                          {8, 8});
    QTest::mouseClick(d.button("retuneBegin"), Qt::LeftButton);
    CHECK(d.window.status().message().contains("Choose a band"));
}

TEST_CASE("channels that are left out are taken by nobody, and what is no channel is told") {
    RetuneDriver d;
    d.fill("retuneLeaveOut", "149-165, 36");
    d.press_button("retuneBegin");
    REQUIRE(d.done());
    REQUIRE(d.page().result());
    for (const RetuneChange& c : d.page().result()->changes)
        if (c.after.channel.band == band_5)
            for (int inside : primaries(c.after.channel)) CHECK((inside < 149 && inside != 36));
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    d.fill("retuneLeaveOut", "149-");
    d.press_button("retuneBegin");
    CHECK_FALSE(d.page().is_working());
    CHECK(told.contains("149-"));
}

TEST_CASE("what if: radar, a neighbour, a failure; who moves is told before it happens") {
    RetuneDriver d;
    d.choose("retuneAsIf", "radar is seen on a channel");
    d.pick("retuneRadar", "132");
    d.press_button("retuneBegin");
    REQUIRE(d.done());
    CHECK(d.page().summary().startsWith("Radar on 132: "));
    CHECK(d.page().summary().contains("at once"));
    CHECK(d.page().summary().contains("after the moves"));
    REQUIRE(d.page().result());
    for (const RetuneChange& c : d.page().result()->changes)
        CHECK(std::ranges::count(primaries(c.after.channel), 132) == 0);
    CHECK(d.project().air.radar.empty());  // nothing has happened yet
    picture(d.window, "what_if_radar");

    d.choose("retuneAsIf", "a neighbour turns up at the chosen radio");
    d.w().spectrum().choose({});
    d.press_button("retuneBegin");
    CHECK_FALSE(d.page().is_working());  // told at the foot: choose a radio
    const AirRadio& first = d.w().spectrum().now()->air.radios.front();
    d.w().spectrum().choose({{first.access_point, first.radio}});
    d.press_button("retuneBegin");
    REQUIRE(d.done());
    CHECK(d.page().summary().startsWith("A neighbour heard at"));

    d.choose("retuneAsIf", "the chosen access points fail");
    d.press_button("retuneBegin");
    REQUIRE(d.done());
    CHECK(d.page().summary().contains("radios are gone"));
    for (const RetuneChange& c : d.page().result()->changes) CHECK(c.access_point != first.access_point);
}

TEST_CASE("powers and needless radios are asked for, and worked out with what the prediction brings along") {
    RetuneDriver d;
    d.find<QCheckBox>("retunePowers")->click();
    d.find<QCheckBox>("retuneOff")->click();
    REQUIRE(QTest::qWaitFor([&] { return d.w().results().find<TuningRoom>() != nullptr; }, 20'000));
    d.press_button("retuneBegin");
    REQUIRE(d.done());
    REQUIRE(d.page().result());
    bool off = false;
    for (std::size_t i = 0; i < d.page().result()->changes.size(); ++i)
        if (!d.page().result()->changes[i].after.on) {
            off = true;
            CHECK(d.page().changes().index(static_cast<int>(i), RetuneTable::to).data() == "off");
        }
    CHECK(off);
    picture(d.window, "retune_powers");
    d.press_button("retuneTake");
    REQUIRE(d.settle());
    d.menu("edit.undo");
}
