// SPDX-License-Identifier: GPL-3.0-or-later
// From a printed sheet to a placed access point, as a person does it.
#include "app/charts/chart_page.h"

#include <QComboBox>
#include <QListWidget>
#include <QPushButton>

#include "antenna/pattern/measured_pattern.h"
#include "app/charts/chart_canvas.h"
#include "app/charts/cuts_strip.h"
#include "app/driver.h"
#include "app/gear/gear_page.h"
#include "app/model/activity.h"
#include "app/pattern/polar_plot.h"
#include "app/picture.h"
#include "project/working_radio.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::picture;
using yemvo::app::test::turn_of_the_loop;

namespace {

QString sheet_file() {
    return QString::fromStdString(yemvo::test::test_data()) + "/../../demo/gear/panel-sheet.pdf";
}

/// Every deed of a person counts: a click, a choice, a field filled in.
struct Person : Driver {
    Person() {
        Project p = yemvo::test::one_floor();
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {30, 0}, {30, 20}, {0, 20}, {0, 0}});
        window.open_project(p, {});
        w().activity().set_step(Step::placement);
        window.asking().open_file = [this](const QString&, const QString&) {
            ++actions;  // the file is chosen
            return file;
        };
    }
    void act(const std::function<void()>& deed) {
        ++actions;
        deed();
    }
    /// Along points, with Shift: the curve by hand.
    void draw_on_sheet(const std::vector<QPointF>& line) {
        QTest::mousePress(&canvas(), Qt::LeftButton, Qt::ShiftModifier, line.front().toPoint());
        for (const QPointF& at : line) {
            QMouseEvent e(QEvent::MouseMove, at, canvas().mapToGlobal(at), Qt::NoButton, Qt::LeftButton,
                          Qt::ShiftModifier);
            QApplication::sendEvent(&canvas(), &e);
        }
        picture(window, "drawing");
        QTest::mouseRelease(&canvas(), Qt::LeftButton, Qt::ShiftModifier, line.back().toPoint());
        sheet_is_read();
    }
    const TracedChart& chart(std::size_t i = 0) { return window.charts().sheet().charts[i]; }
    void sheet_is_read() {
        REQUIRE(QTest::qWaitFor([this] { return window.charts().is_idle(); }, 20000));
        turn_of_the_loop();
    }
    ChartCanvas& canvas() { return *window.findChild<ChartCanvas*>("chartCanvas"); }
    void drag_on_sheet(QPointF from, QPointF to) {
        QTest::mousePress(&canvas(), Qt::LeftButton, {}, from.toPoint());
        QMouseEvent e(QEvent::MouseMove, to, canvas().mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                      Qt::NoModifier);
        QApplication::sendEvent(&canvas(), &e);
        QTest::mouseRelease(&canvas(), Qt::LeftButton, {}, to.toPoint());
        sheet_is_read();
    }
    /// Opens the sheet for a new antenna.
    void open_sheet() {
        menu("view.gear");
        press_button("newAntenna");
        press_button("patternChart");
        sheet_is_read();
    }
    QString file = sheet_file();
    int actions = 0;
};

}  // namespace

TEST_CASE("from a sheet with two charts and a table to a placed access point, in at most 60 actions") {
    Person d;
    d.act([&] { d.menu("view.gear"); });
    d.act([&] { d.press_button("newAntenna"); });
    d.act([&] { d.fill("antennaName", "Sector panel"); });
    d.act([&] { d.fill("bodyWeight", "1.1"); });
    d.act([&] { d.press_button("patternChart"); });
    d.sheet_is_read();
    REQUIRE(d.window.charts().sheet().charts.size() == 2);
    CHECK(d.window.charts().isVisible());
    // what the table of the sheet says
    CHECK(number_in(d.find<QLineEdit>("chartGain")->text()) == 13);
    CHECK(number_in(d.find<QLineEdit>("chartFrequency")->text()) == 5500);
    d.act([&] { d.press_main("acceptChart"); });
    const AntennaModel& made = *find_antenna(d.project(), d.window.gear().shown().antenna);
    CHECK(made.name == "Sector panel");
    CHECK(made.bands[0].antenna.gain_dbi == 13);
    const auto* lobe = std::get_if<MeasuredLobe>(&made.bands[0].antenna.lobe);
    REQUIRE(lobe);
    const PatternCuts& cuts = lobe->pattern().cuts.front();
    CHECK(cuts.frequency_mhz == 5500);
    // the curves that the sheet was drawn from: 65 and 32 degrees wide
    CHECK(measures(cuts).azimuth_width_deg == Approx(65).margin(1.5));
    CHECK(measures(cuts).elevation_width_deg == Approx(32).margin(1.5));
    // onto an access point
    d.act([&] { d.find<QLineEdit>("gearSearch")->setText("panel unit"); });
    d.act([&] {
        auto* list = d.find<QListWidget>("gearList");
        list->setCurrentItem(list->findItems("Panel unit with connectors, 4×4", Qt::MatchExactly).front());
    });
    d.act([&] { d.press_button("placeModel"); });
    d.act([&] { d.click({15, 3}); });
    d.act([&] { d.key(Qt::Key_Escape); });
    d.act([&] { d.click({15, 3}); });
    d.act([&] { d.pick("antenna1", "Sector panel"); });
    REQUIRE(d.settle());
    const PlacedAccessPoint placed = placed_access_points(d.project()).front();
    CHECK(working_radio(d.project(), *placed.access_point, 1).antenna.gain_dbi == 13);
    CHECK(std::holds_alternative<MeasuredLobe>(
        working_radio(d.project(), *placed.access_point, 1).antenna.lobe));
    INFO(d.actions << " actions");
    CHECK(d.actions <= 60);
    CHECK(d.actions <= 20);  // it is far fewer
}

TEST_CASE("what the program found is corrected by handles, fields and arrow keys") {
    Person d;
    d.open_sheet();
    const auto frame = [&](std::size_t i = 0) { return d.window.charts().sheet().charts[i].found.frame; };
    const ChartFrame found = frame();
    CHECK(found.zero_deg == Approx(0).margin(1));
    CHECK(d.window.charts().sheet().charts[0].use == ChartUse::azimuth);
    CHECK(d.window.charts().sheet().charts[1].use == ChartUse::elevation);
    CHECK(frame(1).zero_deg == Approx(90).margin(1));
    CHECK_FALSE(frame(1).clockwise);

    // 0 turned by its handle to the right
    const QPointF zero = d.canvas().px({found.centre_px.x, found.centre_px.y - found.outer_px});
    d.drag_on_sheet(zero, d.canvas().px({found.centre_px.x + found.outer_px, found.centre_px.y}));
    CHECK(frame().zero_deg == Approx(90).margin(1));
    d.fill("chartZero", "0");
    d.sheet_is_read();
    CHECK(frame().zero_deg == 0);
    d.fill("chartRing", "5");
    d.sheet_is_read();
    CHECK(frame().db_per_px == Approx(found.db_per_px / 2));
    d.fill("chartRing", "10");
    d.pick("chartRuns", tr("counter-clockwise"));
    d.sheet_is_read();
    CHECK_FALSE(frame().clockwise);
    d.canvas().setFocus();
    QTest::keyClick(&d.canvas(), Qt::Key_Space);  // from 0, which was touched last, to the centre
    QTest::keyClick(&d.canvas(), Qt::Key_Right);
    d.sheet_is_read();
    CHECK(frame().centre_px.x == Approx(found.centre_px.x + 0.5));
    // the outermost ring by its handle
    const double a = 45 * 3.14159265 / 180;
    const auto on_ring = [&](double radius) {
        return d.canvas().px(
            {frame().centre_px.x + radius * std::sin(a), frame().centre_px.y - radius * std::cos(a)});
    };
    d.drag_on_sheet(on_ring(frame().outer_px), on_ring(frame().outer_px * 1.1));
    CHECK(frame().outer_px == Approx(found.outer_px * 1.1).epsilon(0.02));
}

TEST_CASE(
    "rings and 0 move by arrow keys as the centre does, whichever was touched last or chosen by Space") {
    Person d;
    d.open_sheet();
    const ChartFrame found = d.chart().found.frame;
    d.canvas().setFocus();
    const auto press = [&](Qt::Key key, Qt::KeyboardModifiers keys = {}) {
        QTest::keyClick(&d.canvas(), key, keys);
        d.sheet_is_read();
    };
    press(Qt::Key_Space);  // the outermost ring: inner ones stay where they are in its measure
    press(Qt::Key_Up);
    press(Qt::Key_Right, Qt::ShiftModifier);
    CHECK(d.chart().found.frame.outer_px == Approx(found.outer_px + 5.5));
    CHECK(d.chart().found.frame.db_per_px * (found.outer_px + 5.5) ==
          Approx(found.db_per_px * found.outer_px));
    press(Qt::Key_Space);  // the ring at -20 dB
    const double before = d.chart().found.frame.radius_px(-20);
    press(Qt::Key_Up);
    CHECK(d.chart().found.frame.radius_px(-20) == Approx(before + 0.5));
    press(Qt::Key_Space);  // 0
    press(Qt::Key_Right);
    CHECK(d.chart().found.frame.zero_deg == Approx(found.zero_deg + 0.5));
    press(Qt::Key_Space);  // the centre again
    press(Qt::Key_Down);
    CHECK(d.chart().found.frame.centre_px.y == Approx(found.centre_px.y + 0.5));
}

TEST_CASE("the curve is drawn by hand where it was guessed, and taken back stretch by stretch") {
    Person d;
    d.open_sheet();
    const ChartFrame f = d.chart().found.frame;
    const auto at = [&](double direction_deg, double db) {
        const double a = direction_deg * 3.14159265 / 180, r = f.radius_px(f.outer_db + db);
        return d.canvas().px({f.centre_px.x + r * std::sin(a), f.centre_px.y - r * std::cos(a)});
    };
    const Cut found = d.chart().curve->cut;
    std::vector<QPointF> line;
    for (int a = 90; a <= 130; a += 2) line.push_back(at(a, -15));
    d.draw_on_sheet(line);
    CHECK(d.chart().curve->cut[110] == Approx(-15).margin(0.4));
    CHECK(d.chart().curve->cut[30] == Approx(found[30]).margin(0.1));
    CHECK(d.find<QLabel>("chartFault")->text().contains("1 place or stretch is drawn by hand"));
    // with the button, without Shift: one place, and the line is followed to it
    QTest::mouseClick(d.find<QPushButton>("chartDraw"), Qt::LeftButton);
    CHECK(d.canvas().is_drawing());
    QTest::mouseClick(&d.canvas(), Qt::LeftButton, {}, at(200, -18).toPoint());
    d.sheet_is_read();
    // a pixel of the screen is half a degree there
    const auto near_200 = [&] {
        double highest = -99;
        for (int a = 199; a <= 201; ++a) highest = std::max(highest, d.chart().curve->cut[a]);
        return highest;
    };
    CHECK(d.chart().drawn.size() == 2);
    CHECK(near_200() == Approx(-18).margin(3));
    CHECK(d.chart().found.frame.centre_px == f.centre_px);
    QTest::keyClick(&d.canvas(), Qt::Key_Backspace);
    d.sheet_is_read();
    CHECK(near_200() == Approx(found[200]).margin(0.3));
    QTest::keyClick(&d.canvas(), Qt::Key_Backspace);
    QTest::keyClick(&d.canvas(), Qt::Key_Backspace);  // nothing is left to take back
    d.sheet_is_read();
    CHECK(d.chart().curve->cut == found);
    QTest::keyClick(&d.canvas(), Qt::Key_Escape);  // out of drawing, not out of the page
    CHECK_FALSE(d.canvas().is_drawing());
    CHECK_FALSE(d.find<QPushButton>("chartDraw")->isChecked());
    CHECK(d.window.charts().isVisible());
}

TEST_CASE("both cuts stand against each other where they look the same way, within what a person allows") {
    Person d;
    d.open_sheet();
    auto* strip = d.find<CutsStrip>("cutsStrip");
    const QString apart = tr("too far apart");
    CHECK(strip->words().startsWith(tr("ahead")));
    CHECK(strip->words().endsWith(apart));
    CHECK(strip->words().contains(tr("behind") + " " + shown_as("-1.3")));
    d.fill("chartTolerance", "2");
    CHECK_FALSE(strip->words().contains(apart));
    d.fill("chartTolerance", "-1");
    CHECK(d.find<QLineEdit>("chartTolerance")->property("fault").toBool());
    const QString why = d.find<QLineEdit>("chartTolerance")->toolTip();
    CHECK_FALSE(why.isEmpty());
    d.fill("chartTolerance", "wide");  // wrong in another way
    CHECK(d.find<QLineEdit>("chartTolerance")->toolTip() != why);
    d.fill("chartTolerance", "1");
    CHECK(strip->words().endsWith(apart));
    picture(d.window, "strip");
    d.pick("chartBehindTake", tr("mean"));
    CHECK_FALSE(strip->words().contains(apart));
}

TEST_CASE(
    "a chart is used as the other cut, its colour is picked, and nothing is taken where it is discarded") {
    Person d;
    d.open_sheet();
    const Shared<std::vector<AntennaModel>> before = d.project().antennas;
    d.pick("chartUse", tr("elevation"));
    CHECK(d.window.charts().sheet().charts[0].use == ChartUse::elevation);
    CHECK(d.window.charts().sheet().charts[1].use == ChartUse::azimuth);
    d.pick("chartUse", tr("azimuth"));
    d.press_button("chartColour");
    CHECK(d.canvas().is_picking());
    const ChartFrame f = d.window.charts().sheet().charts[0].found.frame;
    QTest::mouseClick(&d.canvas(), Qt::LeftButton, {},
                      d.canvas().px({f.centre_px.x, f.centre_px.y - f.outer_px * 0.5}).toPoint());
    d.sheet_is_read();
    CHECK(d.window.charts().sheet().charts[0].colour.has_value());
    QTest::keyClick(&d.window.charts(), Qt::Key_Escape);
    CHECK(d.window.gear().isVisible());
    CHECK(d.project().antennas.same(before));
}

TEST_CASE("a sheet without a chart is told, and one can be laid by hand; a broken file is told too") {
    Person d;
    d.file = QString::fromStdString(yemvo::test::test_data()) + "/../../docs/screenshots/venue.png";
    d.open_sheet();
    CHECK(d.window.charts().sheet().charts.empty());
    d.press_button("addChart");
    d.sheet_is_read();
    REQUIRE(d.window.charts().sheet().charts.size() == 1);
    CHECK(d.window.charts().sheet().charts[0].use == ChartUse::azimuth);
    d.press_button("addChart");
    CHECK(d.window.charts().sheet().charts[1].use == ChartUse::elevation);
    d.sheet_is_read();
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& said, bool) { told = said; });
    d.press_button("discardChart");
    d.file = QString::fromStdString(yemvo::test::test_data()) + "/panel_cuts.csv";
    d.press_button("patternChart");
    d.sheet_is_read();
    CHECK_FALSE(told.isEmpty());
    CHECK(d.window.gear().isVisible());
}

TEST_CASE("cuts that disagree behind are brought together by their rings, within a pixel") {
    TracedChart a, e;
    for (TracedChart* c : {&a, &e}) {
        c->found.ring_db = 10;
        c->found.frame.outer_px = 200;
        c->found.frame.db_per_px = 0.2;  // 50 px a ring
        c->curve = TracedCurve{};
    }
    a.curve->cut[180] = -24;
    e.curve->cut[180] = -24.4;
    const JointFit fit = fit_jointly(a, e);
    CHECK(fit.behind_db == Approx(0).margin(0.01));
    CHECK(fit.rings_px == Approx(0.2 / 24.2 * 50).margin(0.01));
    e.curve->cut[180] = -30;  // too much for a pixel
    CHECK(fit_jointly(a, e).rings_px == Approx(1).margin(0.02));
}

TEST_CASE(
    "a chart becomes a cut as it is drawn: azimuths from above, elevations with up above, whichever way its "
    "numbers run") {
    TracedChart c;
    c.curve = TracedCurve{};
    for (int degree = 0; degree < 360; ++degree) c.curve->cut[degree] = -0.01 * degree;
    const auto at_30 = [&](ChartUse use, double zero_deg, bool clockwise) {
        c.use = use;
        c.found.frame.zero_deg = zero_deg;
        c.found.frame.clockwise = clockwise;
        return as_cut(c)[30];
    };
    // what a number of 30 or of 330 stands for
    CHECK(at_30(ChartUse::azimuth, 0, true) == Approx(-0.3));
    CHECK(at_30(ChartUse::azimuth, 0, false) == Approx(-3.3));
    CHECK(at_30(ChartUse::azimuth, 90, false) == Approx(-3.3));
    CHECK(at_30(ChartUse::elevation, 90, false) == Approx(-0.3));  // front to the right, numbers run upwards
    CHECK(at_30(ChartUse::elevation, 90, true) == Approx(-3.3));   // they run downwards
    CHECK(at_30(ChartUse::elevation, 270, true) == Approx(-0.3));  // front to the left
    CHECK(at_30(ChartUse::elevation, 270, false) == Approx(-3.3));
    CHECK(at_30(ChartUse::elevation, 0, true) == Approx(-0.3));  // nothing tells: as they are numbered
    CHECK(at_30(ChartUse::elevation, 0, false) == Approx(-0.3));
}
