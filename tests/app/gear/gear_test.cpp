// SPDX-License-Identifier: GPL-3.0-or-later
// The page of gear and what it does to access points, as a person works with it.
#include <QCheckBox>
#include <QClipboard>
#include <QFile>
#include <QListWidget>
#include <QPushButton>
#include <QTableWidget>
#include <QTemporaryDir>

#include "antenna/gain_table.h"
#include "antenna/pattern/measured_pattern.h"
#include "antenna/pattern/pattern_file.h"
#include "app/gear/gear_page.h"
#include "app/gear/lobe_side.h"
#include "app/model/next_things.h"
#include "app/model/tool_id.h"
#include "app/one_placed.h"
#include "app/pattern/lobe_view.h"
#include "app/pattern/polar_plot.h"
#include "app/pattern_file/pattern_file_page.h"
#include "app/plan/aim.h"
#include "project/gear_edits.h"
#include "project/gear_library.h"
#include "project/working_radio.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::turn_of_the_loop;

namespace {

struct Hall : yemvo::app::test::OnePlaced {
    using OnePlaced::OnePlaced;
    GearPage& open() {
        menu("view.gear");
        return window.gear();
    }
    const AccessPointModel& shown() { return model(project(), window.gear().shown().model); }
    int listed() {
        int n = 0;
        for (int i = 0; i < find<QListWidget>("gearList")->count(); ++i)
            n += find<QListWidget>("gearList")->item(i)->flags() != Qt::NoItemFlags;
        return n;
    }
    void choose_gear(const QString& name) {
        auto* list = find<QListWidget>("gearList");
        const auto found = list->findItems(name, Qt::MatchExactly);
        REQUIRE(found.size() == 1);
        list->setCurrentItem(found.front());
    }
    void type_cell(const char* table, int row, int column, const QString& text) {
        find<QTableWidget>(table)->item(row, column)->setText(text);
    }
};

}  // namespace

TEST_CASE("a weaker source changes coverage, rates and what Details say") {
    Hall d;
    CHECK(d.find<QLabel>("apLost")->text() == tr("nothing"));
    const auto rate = [&](double x) {
        render::MapChoice map = d.w().shown().map();
        map.lens = LensId::rate_down;
        map.bands = band_5;
        const FloorPrediction* f = d.w().results().floor_prediction();
        return lens_values(*f, render::look_of(d.project(), map))[*f->surface.cell_at({x, 10})];
    };
    const float before = rate(12);
    d.pick("apSource", "802.3af");
    REQUIRE(d.settle());
    CHECK_THAT(d.find<QLabel>("apLost")->text().toStdString(), Catch::Contains("5 GHz has 2×2:2"));
    CHECK_THAT(d.find<QLabel>("apLost")->text().toStdString(), Catch::Contains("6 GHz is off"));
    CHECK(d.find<QLabel>("eirpRadio2")->text() == tr("no power"));
    CHECK(rate(12) <= before);  // the tablet has two streams of its own
    CHECK(radios_at_work(d.project()).size() == 2);
    CHECK(d.w().results().floor_prediction()->radios->size() == 2);
    d.pick("apAlternative", "6 GHz alone");
    REQUIRE(d.settle());
    CHECK(d.w().results().floor_prediction()->radios->size() == 1);
    d.menu("edit.undo");
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(d.ap().source == PowerSource::bt3);
    CHECK(d.w().results().floor_prediction()->radios->size() == 3);
}

TEST_CASE("a switchable radio takes another band, and another antenna with its cable") {
    Hall d("panel-external");
    CHECK(d.ap().radios[1].channel.band == band_5);
    d.pick("band1", "6");
    CHECK(d.ap().radios[1].channel.band == band_6);
    d.pick("band1", "5");
    REQUIRE(d.settle());
    const float before = d.map_at({10, 18});
    d.pick("antenna1", "Panel 13 dBi, 35° beam");
    d.pick("cable1", "Medium coax, 6 mm");
    d.fill("cableLength1", "4");
    REQUIRE(d.settle());
    CHECK(d.ap().radios[1].cable_m == 4);
    const WorkingRadio working = working_radio(d.project(), d.ap(), 1);
    CHECK(working.antenna.gain_dbi == 13);
    CHECK(working.cable_loss_db == Approx(3.6).margin(0.2));
    CHECK_THAT(d.find<QLabel>("eirpRadio1")->toolTip().toStdString(),
               Catch::Contains(shown_as("13.0").toStdString() + " dBi antenna"));
    CHECK(number_in(d.find<QLabel>("eirpRadio1")->text()) == Approx(working.eirp_dbm()).margin(0.06));
    CHECK(d.map_at({10, 18}) != before);
    // array gain, when the site counts it
    const auto chosen = d.w().selection().items();
    const float level = d.map_at({10, 18});
    d.w().selection().select({});
    QTest::mouseClick(d.find<QCheckBox>("siteArrayGain"), Qt::LeftButton);
    d.w().selection().select(chosen);
    REQUIRE(d.settle());
    CHECK(number_in(d.find<QLabel>("eirpRadio1")->text()) ==
          Approx(working.eirp_dbm() + 10 * std::log10(working.chains.transmit)).margin(0.06));
    CHECK(d.find<QLabel>("eirpRadio1")->toolTip().contains("array gain"));
    CHECK(d.map_at({10, 18}) == level);
    d.menu("edit.undo");
    CHECK_FALSE(d.project().settings.array_gain_in_eirp);
    d.menu("edit.undo");
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK_FALSE(d.ap().radios[1].antenna);
}

TEST_CASE("gear is found by words, band, chains, mount and price") {
    Hall d;
    d.open();
    const int all = d.listed();
    CHECK(all == static_cast<int>(d.project().models->size() + d.project().antennas->size()));
    auto* search = d.find<QLineEdit>("gearSearch");
    QTest::keyClicks(search, "outdoors pole");
    CHECK(d.listed() == 3);
    search->clear();
    d.pick("gearChains", "4×4");
    d.pick("gearBand", "6 GHz");
    const int strong = d.listed();
    CHECK(strong > 2);
    CHECK(strong < all);
    QTest::keyClicks(d.find<QLineEdit>("gearPrice"), "500");
    CHECK(d.listed() == 1);  // Ceiling tri-band
    d.pick("gearMount", tr_mark("pole"));
    CHECK(d.listed() == 0);
}

TEST_CASE("a model of two radios is made from its sheet, placed, and undone") {
    Hall d;
    d.open();
    const std::size_t before = d.project().models->size();
    d.press_button("newModel");
    REQUIRE(d.project().models->size() == before + 1);
    d.fill("modelName", "Hall unit");
    d.pick("modelMount", tr("Wall"));
    d.fill("modelHeight", "4.5");
    d.fill("bodyPrice", "333");
    d.press_button("modelRadio1");
    d.fill("bandChains", "3x3:2");
    d.pick("bandWidest", tr("%1 MHz").arg(160));
    d.fill("bandPowerHigh", "24");
    d.fill("bandPowerLow", "6");
    d.fill("antennaGain", "5");
    d.pick("lobeKind", tr("Sector"));
    d.fill("lobeBeam", "80");
    const AccessPointModel& m = d.shown();
    CHECK(m.name == "Hall unit");
    CHECK(m.mount == Mount::wall);
    CHECK(m.mount_height_m == 4.5);
    CHECK(m.radios[1].bands[0].chains == Chains{3, 3, 2});
    CHECK(m.radios[1].bands[0].widest_mhz == 160);
    CHECK(m.radios[1].bands[0].power == PowerRange{6, 24, 1, {}});
    CHECK(std::get<SectorLobe>(m.radios[1].bands[0].antenna.lobe).horizontal_deg == 80);
    CHECK(m.radios[0].bands[0].antenna.gain_dbi == 3);  // the other radio is as it was
    // a table of what sources leave
    d.type_cell("modelPower", 0, 0, "af");
    CHECK_THAT(d.find<QTableWidget>("modelPower")->item(0, 0)->text().toStdString(),
               Catch::Contains("802.3at"));
    d.type_cell("modelPower", 0, 1, "12.5");
    d.type_cell("modelPower", 0, 0, "af");
    d.type_cell("modelPower", 0, 4, "2x2:2, 18 dBm");
    REQUIRE(d.shown().power.size() == 1);
    CHECK(d.shown().power[0].source == PowerSource::af);
    REQUIRE(d.shown().power[0].alternatives[0].limits.size() == 1);
    CHECK(d.shown().power[0].alternatives[0].limits[0].radio == 1);
    CHECK(d.shown().power[0].alternatives[0].limits[0].power_high_dbm == 18.0);
    const ModelId made = d.window.gear().shown().model;
    d.press_button("placeModel");
    CHECK(d.w().next()->model == made);
    CHECK(d.w().activity().tool() == ToolId::access_point);
    d.click({20, 15});
    REQUIRE(placed_access_points(d.project()).size() == 2);
    CHECK(placed_access_points(d.project())[1].access_point->model == made);
    for (int i = 0; i < 20 && d.project().models->size() > before; ++i) d.menu("edit.undo");
    CHECK(d.project().models->size() == before);
}

TEST_CASE("what cannot be is told at its field and changes nothing") {
    Hall d;
    d.open();
    const Shared<std::vector<AccessPointModel>> before = d.project().models;
    d.fill("bandChains", "none");
    d.fill("bandNoise", "99");
    d.fill("bandPowerHigh", "-40");
    d.type_cell("modelPower", 0, 1, "60");
    d.type_cell("modelPower", 0, 3, "perhaps");
    CHECK(d.project().models.same(before));
}

TEST_CASE("a pattern is read from a file, seen in its figures, changed by hand and written again") {
    Hall d;
    d.open();
    d.choose_gear("Panel 13 dBi, 35° beam");
    d.press_button("antennaBand1");
    const QString file = QString::fromStdString(yemvo::test::test_data()) + "/panel.ant";
    d.window.asking().open_file = [&](const QString&, const QString&) { return file; };
    d.press_button("patternFile");
    REQUIRE(QTest::qWaitFor([&] { return d.window.findChild<PatternFilePage*>()->is_idle(); }, 5000));
    turn_of_the_loop();
    const auto lobe = [&]() -> const Antenna& {
        return find_antenna(d.project(), d.window.gear().shown().antenna)->bands[1].antenna;
    };
    REQUIRE(std::holds_alternative<MeasuredLobe>(lobe().lobe));
    CHECK(lobe().gain_dbi == Approx(11.5));
    const auto& side = *d.window.findChild<LobeSide*>();
    CHECK_THAT(side.words().toStdString(), Catch::Contains(shown_as("11.5").toStdString() + " dBi"));
    CHECK_THAT(d.window.gear().findChild<PolarPlot*>("plotAzimuth")->words().toStdString(),
               Catch::Contains("wide at 3 dB"));

    // a value at +30° is typed over
    auto* values = d.find<QTableWidget>("patternValues");
    const int column = 30 / 15 + 11;
    CHECK(number_in(values->horizontalHeaderItem(column)->text().remove("°")) == 30);
    const Cut azimuth = std::get<MeasuredLobe>(lobe().lobe).pattern().cuts[0].azimuth;
    values->item(0, column)->setText("-9.5");
    const Cut typed = std::get<MeasuredLobe>(lobe().lobe).pattern().cuts[0].azimuth;
    CHECK(typed[30] == -9.5);
    CHECK(typed[45] == azimuth[45]);
    CHECK(typed[15] == azimuth[15]);
    CHECK(typed[37] == Approx(azimuth[37] + (-9.5 - azimuth[30]) * 8 / 15).margin(0.006));
    values->item(0, column)->setText("loud");
    CHECK(std::get<MeasuredLobe>(lobe().lobe).pattern().cuts[0].azimuth == typed);
    d.press_button("evenAzimuth");
    const Cut even = std::get<MeasuredLobe>(lobe().lobe).pattern().cuts[0].azimuth;
    for (int degree = 1; degree < 180; ++degree) CHECK(even[degree] == even[-degree]);
    d.fill("turnAzimuth", "10");
    CHECK(std::get<MeasuredLobe>(lobe().lobe).pattern().cuts[0].azimuth[40] == even[30]);

    QTemporaryDir folder;
    const QString out = folder.filePath("own.ant");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return out; };
    d.press_button("writePattern");
    QFile written(out);
    REQUIRE(written.open(QIODevice::ReadOnly));
    const PatternFile again = read_pattern(written.readAll().toStdString(), "own.ant");
    CHECK(again.cuts[0].azimuth[40] == Approx(even[30]).margin(0.01));
    for (int i = 0; i < 4; ++i) d.menu("edit.undo");
    CHECK_FALSE(std::holds_alternative<MeasuredLobe>(lobe().lobe));
}

TEST_CASE(
    "a pattern of several frequencies is looked at and typed over at each, and its peak is set to the gain") {
    Hall d;
    d.open();
    d.choose_gear("Panel 13 dBi, 35° beam");
    d.press_button("antennaBand1");
    CHECK_FALSE(d.find<QComboBox>("valuesAt")->isVisible());
    d.w().edit("measured", [&](Project& p) {
        AntennaModel a = *find_antenna(p, d.window.gear().shown().antenna);
        PatternCuts low{5200, {}, {}}, high{5800, {}, {}};
        for (int degree = 0; degree < 360; ++degree) {
            low.azimuth[degree] = low.elevation[degree] = -std::abs(std::remainder(degree, 360.0)) / 10;
            high.azimuth[degree] = high.elevation[degree] = 1.5 * low.azimuth[degree];
        }
        a.bands[1].antenna.lobe = MeasuredLobe({"two", PatternFrame::upright, Blend::by_angle, {low, high}});
        replace_antenna(p, a);
    });
    const auto cuts = [&](std::size_t i) {
        const Lobe& lobe = find_antenna(d.project(), d.window.gear().shown().antenna)->bands[1].antenna.lobe;
        return std::get<MeasuredLobe>(lobe).pattern().cuts.at(i);
    };
    REQUIRE(d.find<QComboBox>("valuesAt")->count() == 2);
    const PatternCuts low = cuts(0), high = cuts(1);
    d.pick("valuesAt", shown_as("5800") + " MHz");
    auto* values = d.find<QTableWidget>("patternValues");
    const int front = 11, beside = 30 / 15 + 11;
    CHECK(number_in(values->item(0, beside)->text()) == Approx(high.azimuth[30]));
    values->item(0, beside)->setText("-9.5");
    CHECK(cuts(1).azimuth[30] == -9.5);
    CHECK(cuts(0) == low);
    CHECK(d.find<QComboBox>("valuesAt")->currentText() == shown_as("5800") + " MHz");
    // without its highest value the gain stands for nothing, until the peak is set to it
    values->item(0, front)->setText("-2");
    values->item(1, front)->setText("-2");
    const double highest = std::max(cuts(1).azimuth.highest(), cuts(1).elevation.highest());
    CHECK(highest < -0.05);
    d.press_button("peakToGain");
    CHECK(std::max(cuts(1).azimuth.highest(), cuts(1).elevation.highest()) == 0);
    CHECK(cuts(1).azimuth[90] == Approx(high.azimuth[90] - highest).margin(0.011));
    CHECK(cuts(0) == low);
    d.menu("edit.undo");
    CHECK(cuts(1).azimuth.highest() < 0);
}

TEST_CASE("a file with more than two cuts is read whole, and its further cuts can be left out") {
    Hall d;
    d.open();
    d.choose_gear("Panel 13 dBi, 35° beam");
    d.press_button("antennaBand1");
    QTemporaryDir folder;
    const QString file = folder.filePath("more.csv");
    std::string text = "# 9 dBi, 5500 MHz\ncut,angle_deg,rel_db,at_deg\n";
    for (const auto& [cut, at] :
         {std::pair{"H", 0}, std::pair{"V", 0}, std::pair{"V", 45}, std::pair{"V", 90}})
        for (int a = 0; a < 360; a += 5)
            text += std::string(cut) + "," + std::to_string(a) + "," +
                    plain_number(-std::abs(std::remainder(a, 360.0)) / (at == 45 ? 40 : 10), 2) + "," +
                    std::to_string(at) + "\n";
    QFile out(file);
    REQUIRE(out.open(QIODevice::WriteOnly));
    out.write(text.data(), static_cast<qint64>(text.size()));
    out.close();
    d.window.asking().open_file = [&](const QString&, const QString&) { return file; };
    d.press_button("patternFile");
    REQUIRE(QTest::qWaitFor([&] { return d.window.findChild<PatternFilePage*>()->is_idle(); }, 5000));
    turn_of_the_loop();
    const auto lobe = [&]() -> const Lobe& {
        return find_antenna(d.project(), d.window.gear().shown().antenna)->bands[1].antenna.lobe;
    };
    REQUIRE(std::get<MeasuredLobe>(lobe()).pattern().cuts[0].further.size() == 2);
    CHECK(relative_gain_db(lobe(), {45, 20}) == Approx(-0.5));
    CHECK(d.find<QPushButton>("dropFurther")->text().contains("2"));
    d.press_button("dropFurther");
    CHECK(std::get<MeasuredLobe>(lobe()).pattern().cuts[0].further.empty());
    CHECK(relative_gain_db(lobe(), {45, 20}) < -1);
    d.menu("edit.undo");
    CHECK(std::get<MeasuredLobe>(lobe()).pattern().cuts[0].further.size() == 2);
}

TEST_CASE("a gain that its cuts cannot have is doubted, with what may be wrong") {
    Hall d;
    d.open();
    auto* check = d.find<QLabel>("patternCheck");
    CHECK(check->text().isEmpty());
    d.fill("antennaGain", "14");
    CHECK_THAT(check->text().toStdString(), Catch::Contains("swapped"));
    d.fill("antennaGain", "-3");
    CHECK_THAT(check->text().toStdString(), Catch::Contains("less gain than the cuts have"));
}

TEST_CASE("a model is replaced on all its access points, and what does not fit is told") {
    Hall d;
    d.open();
    REQUIRE(d.window.gear().shown().model);
    d.choose_gear("Ceiling tri-band, 4×4");
    d.pick("replaceModelBy", "Ceiling entry, 2×2");
    d.press_button("replaceModel");
    CHECK(model(d.project(), d.ap().model).key == "ceiling-entry");
    CHECK(d.ap().radios.size() == 2);
    CHECK(d.ap().position == Point{10, 10});
    d.menu("edit.undo");
    CHECK(model(d.project(), d.ap().model).key == "ceiling-tri");
}

TEST_CASE("gear goes to a file and to a person's own library, and comes back") {
    Hall d;
    d.open();
    QTemporaryDir folder;
    const QString file = folder.filePath("gear.json");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return file; };
    d.press_button("writeGear");
    REQUIRE(QFile::exists(file));
    QFile::remove(personal_gear_file());
    d.press_button("newAntenna");
    d.fill("antennaName", "Mine");
    d.press_button("keepGear");
    CHECK(QFile::exists(personal_gear_file()));
    d.press_button("removeGear");
    const std::size_t count = d.project().antennas->size();
    d.press_button("takeGear");
    CHECK(d.project().antennas->size() == count + 1);
    CHECK(d.project().antennas->back().name == "Mine");
    d.press_button("takeGear");
    CHECK(d.project().antennas->size() == count + 1);  // it is there already
    QFile::remove(personal_gear_file());

    const QString table = folder.filePath("models.csv");
    {
        QFile out(table);
        REQUIRE(out.open(QIODevice::WriteOnly));
        out.write(
            "key;name;mount;radio;band_ghz;standard;chains;widest_mhz;power_low_dbm;power_high_dbm;gain_dbi\n"
            "hall;Hall unit;ceiling;1;2.4;ax;2x2:2;20;4;20;3\n"
            "hall;Hall unit;ceiling;2;5;ax;4x4:4;80;4;23;4\n"
            "post;Post unit;pole;1;5;be;2;80;4;23;6,5\n");
    }
    const std::size_t models = d.project().models->size();
    d.window.asking().open_file = [&](const QString&, const QString&) { return table; };
    d.press_button("readGear");
    REQUIRE(d.project().models->size() == models + 2);
    CHECK((*d.project().models)[models].radios.size() == 2);
    CHECK((*d.project().models)[models].radios[1].bands[0].chains == Chains{4, 4, 4});
    CHECK((*d.project().models)[models + 1].radios[0].bands[0].antenna.gain_dbi == 6.5);
}

TEST_CASE("the lobe turns under the hand and by keys") {
    Hall d;
    d.open();
    auto* lobe = d.window.gear().findChild<LobeView*>();
    const QImage before = lobe->grab().toImage();
    QTest::mousePress(lobe, Qt::LeftButton, {}, {100, 100});
    QMouseEvent move(QEvent::MouseMove, QPointF(150, 110), lobe->mapToGlobal(QPointF(150, 110)), Qt::NoButton,
                     Qt::LeftButton, {});
    QApplication::sendEvent(lobe, &move);
    CHECK(lobe->round_deg() == Approx(-35 - 30));
    CHECK(lobe->over_deg() == Approx(22 + 6));
    CHECK(lobe->grab().toImage() != before);
    QTest::keyClick(lobe, Qt::Key_Right);
    CHECK(lobe->round_deg() == Approx(-71));
}

TEST_CASE("a directional access point is aimed by its handle, in steps with Shift, undone at once") {
    Hall d("wall-unit");
    const QPointF centre = d.px({10, 10});
    const auto handle = [&](double azimuth_deg) {
        const double a = azimuth_deg * 3.14159265 / 180;
        return (centre + 78 * QPointF(std::sin(a), -std::cos(a))).toPoint();
    };
    REQUIRE(d.ap().azimuth_deg == 0);
    const auto drag = [&](QPoint from, QPoint to, Qt::KeyboardModifiers keys) {
        QTest::mousePress(&d.plan(), Qt::LeftButton, keys, from);
        QMouseEvent e(QEvent::MouseMove, QPointF(to), d.plan().mapToGlobal(QPointF(to)), Qt::NoButton,
                      Qt::LeftButton, keys);
        QApplication::sendEvent(&d.plan(), &e);
        QTest::mouseRelease(&d.plan(), Qt::LeftButton, keys, to);
    };
    drag(handle(0), handle(90), {});
    CHECK(d.ap().azimuth_deg == Approx(90).margin(1));
    CHECK(d.ap().position == Point{10, 10});
    drag(handle(d.ap().azimuth_deg), handle(52), Qt::ShiftModifier);
    CHECK(d.ap().azimuth_deg == 45);
    d.menu("edit.undo");
    CHECK(d.ap().azimuth_deg == Approx(90).margin(1));
    // what hangs under a ceiling and looks down has none
    Hall round("ceiling-tri");
    CHECK_FALSE(aim_handle(round.plan().map(), round.project(), round.ap()).has_value());
}
