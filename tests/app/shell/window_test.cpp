// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QClipboard>
#include <QCloseEvent>
#include <QPushButton>
#include <QSettings>
#include <QTabBar>
#include <QTableView>

#include "app/driver.h"
#include "app/forms/form.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/proof/proof_page.h"
#include "app/proof/proof_table.h"
#include "app/proof/verdict_view.h"
#include "app/schedule/radio_schedule.h"
#include "app/section/section_view.h"
#include "app/shell/header_bar.h"
#include "render/legend.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::turn_of_the_loop;

namespace {

struct Demo : Driver {
    Demo() {
        window.open_demo();
        REQUIRE(settle());
    }
    QTableView* table() { return window.schedule().table(); }
    QModelIndex cell(int row, int column) { return table()->model()->index(row, column); }
};

}  // namespace

TEST_CASE("a click in the section opens the floor") {
    Demo d;
    CHECK(d.floor().name == "Ground floor");
    const FloorId first = find_floor(d.project(), "First floor")->id;
    QTest::mouseClick(&d.window.section(), Qt::LeftButton, {},
                      d.window.section().storey_area(first).center().toPoint());
    CHECK(d.floor().name == "First floor");
    REQUIRE(d.settle());
    CHECK(d.w().results().floor_prediction()->floor == first);
    QTest::keyClick(&d.window.section(), Qt::Key_Down);
    CHECK(d.floor().name == "Ground floor");
    d.press_button("addFloor");
    CHECK(d.floor().name == "Third floor");
    CHECK(d.floor().elevation_m == Approx(12.9));
}

TEST_CASE("steps change tools and say what they hold; the verdict opens the proof") {
    Demo d;
    QTest::mouseClick(d.find<QAbstractButton>("stepVenue"), Qt::LeftButton);
    CHECK(d.w().activity().step() == Step::venue);
    CHECK(d.find<QWidget>("tool-wall")->isVisible());
    QTest::keyClick(&d.window, Qt::Key_3, Qt::ControlModifier);
    CHECK(d.w().activity().step() == Step::placement);
    CHECK_FALSE(d.find<QWidget>("tool-wall")->isVisible());
    CHECK(d.find<StepButton>("stepPlacement")->mark() == "29 access points");
    auto* verdict = d.find<VerdictView>("verdict");
    CHECK(verdict->words().contains("5 GHz"));
    QTest::mouseClick(verdict, Qt::LeftButton);
    CHECK(d.w().activity().step() == Step::proof);
}

TEST_CASE("a harder requirement changes the verdict, and undo brings it back") {
    Demo d;
    d.w().activity().set_step(Step::proof);
    REQUIRE(d.settle());
    const QString before = d.find<VerdictView>("verdict")->words();
    ProofTable& table = d.window.proof().table();
    const auto signal = [&]() -> const Requirement& {
        for (const Requirement* r : requirements_in_force(d.project()))
            if (r->lens == "signal") return *r;
        throw std::logic_error("the demo requires a signal");
    };
    const RequirementId id = signal().id;
    QTest::mouseClick(&table, Qt::LeftButton, {}, table.title_rect(table.row_of(id)).center());
    d.fill("requirementLimit5", "-50");
    REQUIRE(d.settle());
    CHECK(d.find<VerdictView>("verdict")->words() != before);
    CHECK(signal().limit_in(band_5) == -50);
    CHECK(signal().limit_in(band_6) == -70);
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(d.find<VerdictView>("verdict")->words() == before);
}

TEST_CASE(
    "requirement sets are added from the library, held to a zone, turned off and removed, each undoable") {
    Demo d;
    d.w().activity().set_step(Step::proof);
    const auto& sets = [&]() -> const std::vector<RequirementSet>& { return *d.project().requirement_sets; };
    const std::size_t before = sets().size();
    auto* add = d.find<QPushButton>("addSet");
    REQUIRE(add->menu()->actions().size() >= 8);
    for (QAction* a : add->menu()->actions())
        if (a->text() == "Calls on the move") a->trigger();
    REQUIRE(sets().size() == before + 1);
    CHECK(sets().back().requirements.size() == 4);
    const QString tail = QString::number(sets().back().id.value);
    auto* where = d.find<QPushButton>(("setWhere" + tail).toUtf8().constData());
    emit where->menu()->aboutToShow();
    for (QAction* floor : where->menu()->actions())
        if (floor->menu())
            for (QAction* zone : floor->menu()->actions())
                if (zone->text() == QString::fromUtf8("Café")) zone->trigger();
    REQUIRE(sets().back().zones.size() == 1);
    turn_of_the_loop();
    CHECK(where->text().contains(QString::fromUtf8("Café, Ground floor")));
    REQUIRE(d.settle());
    CHECK(d.w().results().verdict()->requirements.back().site.asked == Approx(204).margin(6));
    const std::size_t judged = d.w().results().verdict()->requirements.size();
    QTest::mouseClick(d.find<QCheckBox>(("setOn" + tail).toUtf8().constData()), Qt::LeftButton, {},
                      QPoint(6, 8));
    REQUIRE(d.settle());
    CHECK_FALSE(sets().back().on);
    CHECK(d.w().results().verdict()->requirements.size() == judged - 4);
    d.press_button(("addRequirement" + tail).toUtf8().constData());
    CHECK(sets().back().requirements.size() == 5);
    CHECK(d.w().selection().requirement() == sets().back().requirements.back().id);
    d.choose("requirementEach", "at least one band");
    CHECK(sets().back().requirements.back().any_band);
    d.press_button("removeRequirement");
    CHECK(sets().back().requirements.size() == 4);
    d.press_button(("removeSet" + tail).toUtf8().constData());
    CHECK(sets().size() == before);
    while (d.w().document().history().canUndo()) d.menu("edit.undo");
    CHECK(sets().size() == before);
}

TEST_CASE("the wheel zooms at the pointer, the middle button pans, a double click fits") {
    Demo d;
    const Point under = d.plan().map().to_floor(QPointF(300, 200));
    const double scale = d.plan().map().px_per_m;
    QWheelEvent wheel(QPointF(300, 200), d.plan().mapToGlobal(QPointF(300, 200)), {}, {0, 240}, Qt::NoButton,
                      Qt::NoModifier, Qt::NoScrollPhase, false);
    QApplication::sendEvent(&d.plan(), &wheel);
    CHECK(d.plan().map().px_per_m == Approx(scale * 1.44));
    CHECK(distance(d.plan().map().to_floor(QPointF(300, 200)), under) < 1e-9);
    QTest::mousePress(&d.plan(), Qt::MiddleButton, {}, QPoint(300, 200));
    QTest::mouseMove(&d.plan(), QPoint(340, 230));
    QTest::mouseRelease(&d.plan(), Qt::MiddleButton, {}, QPoint(340, 230));
    CHECK(distance(d.plan().map().to_floor(QPointF(340, 230)), under) < 1e-9);
    QTest::mouseDClick(&d.plan(), Qt::LeftButton, {}, QPoint(20, 20));
    CHECK(d.plan().map().px_per_m == Approx(scale));
}

TEST_CASE("the threshold's handle asks what if: the hatched area grows as it is dragged") {
    Demo d;
    const render::LegendLayout legend(QPointF(d.plan().width(), d.plan().height()), d.w().shown().map());
    const QPoint from = legend.handle().center().toPoint();
    QTest::mousePress(&d.plan(), Qt::LeftButton, {}, from);
    QTest::mouseMove(&d.plan(), QPoint(static_cast<int>(legend.x_of(-50)), from.y()));
    QTest::mouseRelease(&d.plan(), Qt::LeftButton, {}, from);
    CHECK(d.w().shown().map().threshold == Approx(-50).margin(1));
    CHECK(d.w().selection().items().empty());
}

TEST_CASE("the lens and the band of the map are chosen in the bar") {
    Demo d;
    d.choose("barCombo", "Serving access point");
    CHECK(d.w().shown().map().lens == LensId::serving);
    CHECK(d.map_at({9.75, 25.25}) == 1);
    for (auto* b : d.window.findChildren<QToolButton*>("segment"))
        if (b->accessibleName() == "band 2.4") QTest::mouseClick(b, Qt::LeftButton);
    CHECK(d.w().shown().map().bands == band_24);
}

TEST_CASE("the radio schedule is edited in place, filtered, sorted and refuses what cannot be") {
    Demo d;
    d.w().activity().set_step(Step::spectrum);
    d.window.action("view.schedule")->trigger();
    auto* table = d.table();
    REQUIRE(table->isVisible());
    std::size_t radios = 0;
    for (const auto& placed : placed_access_points(d.project())) radios += placed.access_point->radios.size();
    CHECK(table->model()->rowCount() == static_cast<int>(radios));
    const QModelIndex power = d.cell(1, RadioModelTable::power);
    table->setCurrentIndex(power);
    table->edit(power);
    auto* editor = table->findChild<QLineEdit*>();
    REQUIRE(editor);
    editor->selectAll();
    QTest::keyClicks(editor, "20");
    QTest::keyClick(editor, Qt::Key_Return);
    turn_of_the_loop();  // the table takes the value with its next turn
    CHECK(access_points(d.project(), d.w().floor_id())[0].radios[1].power_dbm == 20);
    CHECK(d.w().document().history().undoText() == "Change power of access point 1");
    CHECK_FALSE(table->model()->setData(power, "99", Qt::EditRole));
    CHECK_FALSE(table->model()->setData(d.cell(1, RadioModelTable::width), "320", Qt::EditRole));
    CHECK(table->model()->setData(d.cell(1, RadioModelTable::on), Qt::Unchecked, Qt::CheckStateRole));
    CHECK_FALSE(access_points(d.project(), d.w().floor_id())[0].radios[1].on);
    // a source that leaves less is told in words, and what is not fed has no EIRP
    const int steps = d.w().document().history().index();
    const AccessPoint before = access_points(d.project(), d.w().floor_id())[0];
    CHECK(d.cell(0, RadioModelTable::antenna).data().toString() == "its own");
    CHECK_FALSE(table->model()->setData(d.cell(0, RadioModelTable::source), "steam", Qt::EditRole));
    CHECK(table->model()->setData(d.cell(0, RadioModelTable::source), "802.3af", Qt::EditRole));
    CHECK(access_points(d.project(), d.w().floor_id())[0].source == PowerSource::af);
    CHECK(d.cell(0, RadioModelTable::lost).data().toString().contains("6 GHz is off"));
    CHECK(d.cell(2, RadioModelTable::eirp).data().toString() == "no power");
    // the same source again, as a paste brings it, keeps the way it is used
    d.w().edit("way", [&](Project& p) {
        AccessPoint ap = access_points(p, d.w().floor_id())[0];
        ap.alternative = 1;
        replace_access_point(p, d.w().floor_id(), ap);
    });
    CHECK(table->model()->setData(d.cell(0, RadioModelTable::source), "802.3af", Qt::EditRole));
    CHECK(access_points(d.project(), d.w().floor_id())[0].alternative == 1);
    CHECK(table->model()->setData(d.cell(0, RadioModelTable::tilt), "12", Qt::EditRole));
    CHECK(access_points(d.project(), d.w().floor_id())[0].downtilt_deg == 12);
    CHECK_FALSE(table->model()->setData(d.cell(0, RadioModelTable::tilt), "120", Qt::EditRole));
    CHECK_FALSE(table->model()->setData(d.cell(0, RadioModelTable::lost), "nothing", Qt::EditRole));
    d.w().document().go_to(steps);
    CHECK(access_points(d.project(), d.w().floor_id())[0].source == before.source);
    QTest::keyClicks(d.find<QLineEdit>("scheduleFilter"), "First");
    CHECK(table->model()->rowCount() < 30);
    CHECK(d.cell(0, RadioModelTable::floor).data().toString() == "First floor");
}

TEST_CASE("the schedule goes to a spreadsheet and comes back as one edit") {
    Demo d;
    d.w().activity().set_step(Step::spectrum);
    d.window.action("view.schedule")->trigger();
    auto* table = d.table();
    table->setFocus();
    table->selectionModel()->select(
        QItemSelection(d.cell(0, RadioModelTable::channel), d.cell(1, RadioModelTable::power)),
        QItemSelectionModel::ClearAndSelect);
    CHECK(d.window.schedule().selected_text() == "1\t20\t8\n36\t40\t14");
    table->setCurrentIndex(d.cell(0, RadioModelTable::power));
    QApplication::clipboard()->setText("11\n12\n");
    QTest::keyClick(table, Qt::Key_V, Qt::ControlModifier);
    const auto& radios = access_points(d.project(), d.w().floor_id())[0].radios;
    CHECK(radios[0].power_dbm == 11);
    CHECK(radios[1].power_dbm == 12);
    d.menu("edit.undo");
    CHECK(access_points(d.project(), d.w().floor_id())[0].radios[1].power_dbm == 14);
}

TEST_CASE("closing with unsaved changes asks, and Cancel keeps the window") {
    Demo d;
    d.w().edit("Rename", [](Project& p) { p.name = "Other"; });
    d.unsaved_answer = Asking::Unsaved::cancel;
    CHECK_FALSE(d.window.close());
    CHECK(d.unsaved_asked == 1);
    d.unsaved_answer = Asking::Unsaved::discard;
    CHECK(d.window.close());
}

TEST_CASE("feet and inches hold everywhere once chosen, and undo brings metres back") {
    Demo d;
    d.w().activity().set_step(Step::venue);
    d.choose("siteUnits", "Feet and inches");
    CHECK(d.find<QLineEdit>("floorHeight")->text() == "15' 9\"");
    d.fill("floorHeight", "16'");
    CHECK(d.floor().height_m == Approx(16 * 0.3048));
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK(d.find<QLineEdit>("floorHeight")->text() == shown_as("4.80"));
    d.pick("siteCountry", "United States");
    CHECK(d.project().settings.country == "US");
    // a code that is none of ours is shown as it came
    d.w().edit("Elsewhere", [](Project& p) { p.settings.country = "XK"; });
    d.w().activity().set_step(Step::placement);
    d.w().activity().set_step(Step::venue);
    CHECK(d.find<QComboBox>("siteCountry")->currentIndex() >= -1);
}

TEST_CASE("the access point tool brings the map along, wherever it is taken up") {
    Demo d;
    d.w().activity().set_step(Step::venue);
    CHECK_FALSE(d.w().activity().shows_map());
    d.w().activity().set_tool(ToolId::access_point);
    CHECK(d.w().activity().shows_map());
    CHECK(d.w().activity().tool() == ToolId::access_point);
}

TEST_CASE("numbers typed in fields are read with either decimal sign and held to their range") {
    CHECK(parse_number("3,5", 0, 10, "") == Approx(3.5));
    CHECK(parse_number("14 dBm", 0, 30, "dBm") == 14);
    CHECK_THROWS_AS(parse_number("14 dBm", 0, 10, "dBm"), Error);
    CHECK_THROWS_AS(parse_number("nan", 0, 10, ""), Error);
    CHECK_THROWS_AS(parse_number("", 0, 10, ""), Error);
}

TEST_CASE("every action has a menu place, and no two have the same key") {
    Demo d;
    QMap<QString, QString> keys;
    for (QAction* a : d.window.findChildren<QAction*>()) {
        if (a->shortcut().isEmpty()) continue;
        const QString key = a->shortcut().toString();
        INFO(key.toStdString() << " " << a->text().toStdString());
        CHECK_FALSE(keys.contains(key));
        keys[key] = a->text();
    }
    CHECK(keys.size() > 20);
}

TEST_CASE("the tabs of the tray are there from the first picture on") {
    Demo d;
    const auto* tabs = d.find<QTabBar>("trayTabs");
    REQUIRE(tabs->count() >= 4);
    CHECK(tabs->width() >= tabs->tabRect(tabs->count() - 1).right());
    CHECK(tabs->tabRect(0).width() > 60);
}

TEST_CASE("in a narrow window the header's parts stand beside each other") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    for (const int width : {1100, 1180, 1280, 1600}) {
        d.window.resize(width, 760);
        QCoreApplication::processEvents();
        INFO(width);
        CHECK(d.window.width() == width);
        const auto right_of = [&](const char* name) {
            auto* w = d.window.findChild<QWidget*>(name);
            REQUIRE(w);
            return std::pair(w->x(), w->x() + w->width());
        };
        int from = 0;
        for (const char* name : {"stepVenue", "stepDemand", "stepPlacement", "stepSpectrum", "stepProof",
                                 "verdict", "findingsButton"}) {
            const auto [left, right] = right_of(name);
            INFO(name);
            CHECK(left >= from);
            CHECK(right <= width);
            from = right;
        }
    }
}
