// SPDX-License-Identifier: GPL-3.0-or-later
// An access point in Details, the lens bar, the start page: every field and button as a person uses it.
#include <QCheckBox>
#include <QSettings>
#include <QSpinBox>
#include <QTabBar>

#include "app/driver.h"
#include "app/files/start_page.h"
#include "app/map/lens_bar.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/shell/status_line.h"
#include "project/edits.h"
#include "project/json_project.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// A walled floor with an access point of three radios, selected.
class Selected : public Driver {
public:
    Selected() {
        Project p = yemvo::test::one_floor();
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        for (const AccessPointModel& m : *p.models)
            if (m.key == "ceiling-tri") chosen_model = m.id;
        add_access_point(p, yemvo::test::floor_at(p, 0), chosen_model, {5, 5});
        add_access_point(p, yemvo::test::floor_at(p, 0), chosen_model, {15, 8});
        window.open_project(p, {});
        w().activity().set_step(Step::placement);
        w().selection().select({{ItemKind::access_point, ap(0).id.value}});
        REQUIRE(settle());
    }
    const AccessPoint& ap(std::size_t i) { return access_points(project(), w().floor_id())[i]; }
    const Radio& radio(std::size_t i) { return ap(0).radios[i]; }
    int edits() { return w().document().history().count(); }
    QString text(const char* name) { return find<QLineEdit>(name)->text(); }
    ModelId chosen_model;
};

struct Demo : Driver {
    Demo() {
        window.open_demo();
        REQUIRE(settle());
    }
    QToolButton* button(const QString& accessible) {
        for (auto* b : window.findChild<LensBar*>()->findChildren<QToolButton*>())
            if (b->accessibleName() == accessible) return b;
        throw std::logic_error("no button " + accessible.toStdString());
    }
    QMenu* menu_titled(const char* title) {
        for (auto* m : window.findChildren<QMenu*>())
            if (m->title() == title) return m;
        throw std::logic_error(title);
    }
};

}  // namespace

TEST_CASE("an access point is placed, raised and aimed by typed figures, each one step of undo") {
    Selected d;
    const int before = d.edits();
    d.fill("apX", "7.25");
    d.fill("apY", "9'10\"");
    d.fill("apHeight", "2.6 m");
    d.fill("apAzimuth", "135");
    d.fill("apTilt", "-12");
    CHECK(d.ap(0).position.x == Approx(7.25));
    CHECK(d.ap(0).position.y == Approx(2.9972));
    CHECK(d.ap(0).height_m == Approx(2.6));
    CHECK(d.ap(0).azimuth_deg == 135);
    CHECK(d.ap(0).downtilt_deg == -12);
    CHECK(d.edits() == before + 5);
    for (int i = 0; i < 5; ++i) d.menu("edit.undo");
    CHECK(d.ap(0).position == Point{5, 5});
    CHECK(d.text("apX") == shown_as("5.00"));
}

TEST_CASE("figures that cannot be are marked at their field and change nothing") {
    Selected d;
    const Project before = d.project();
    const std::pair<const char*, const char*> wrong[] = {{"apX", "over there"}, {"apHeight", "-1"},
                                                         {"apTilt", "120"},     {"apAzimuth", "nan"},
                                                         {"apNumber", "0"},     {"powerRadio1", "60"}};
    for (const auto& [field, typed] : wrong) {
        INFO(field << " " << typed);
        d.fill(field, typed);
        CHECK(d.find<QLineEdit>(field)->property("fault").toBool());
        CHECK_FALSE(d.window.status().message().isEmpty());
        CHECK(d.project() == before);
        QTest::keyClick(d.find<QLineEdit>(field), Qt::Key_Escape);
        CHECK_FALSE(d.find<QLineEdit>(field)->property("fault").toBool());
    }
}

TEST_CASE("a radio is retuned, widened and switched in Details, and its EIRP follows its power") {
    Selected d;
    d.pick("channelRadio1", "100");
    CHECK(d.radio(1).primary == 100);
    d.pick("widthRadio1", "80");
    CHECK(d.radio(1).channel == Channel{band_5, 106, 80});
    // the primary moves inside its block without moving the block
    d.pick("channelRadio1", "108");
    CHECK(d.radio(1).channel == Channel{band_5, 106, 80});
    CHECK(d.radio(1).primary == 108);
    const double eirp = number_in(d.find<QLabel>("eirpRadio1")->text());
    const double power = d.radio(1).power_dbm;
    d.fill("powerRadio1", qPrintable(QString::number(power - 3)));
    CHECK(number_in(d.find<QLabel>("eirpRadio1")->text()) == Approx(eirp - 3).margin(0.11));
    QTest::mouseClick(d.find<QCheckBox>("onRadio1"), Qt::LeftButton);
    CHECK_FALSE(d.radio(1).on);
    REQUIRE(d.settle());
    // the map of that band is the other access point's alone
    const Point beside = d.ap(0).position;
    const FloorPrediction* f = d.w().results().floor_prediction();
    const auto cell = *f->surface.cell_at(beside);
    const auto serving = lens_values(*f, {LensId::serving, band_5});
    CHECK(serving[cell] == static_cast<float>(d.ap(1).number));
}

TEST_CASE(
    "a channel that the band does not have at the width is refused with both, and the field shows what "
    "holds") {
    Selected d;
    d.pick("widthRadio1", "160");
    const Radio before = d.radio(1);
    REQUIRE(before.channel.width_mhz == 160);
    auto* combo = d.find<QComboBox>("channelRadio1");
    d.pick("channelRadio1", "132");  // no block of 160 MHz has it
    CHECK(d.radio(1) == before);
    CHECK(d.window.status().message().contains("160"));
    CHECK(combo->currentText() == QString::number(before.primary));
}

TEST_CASE("another model keeps the place, and its radios are its own") {
    Selected d;
    const Point place = d.ap(0).position;
    d.pick("apModel", QString::fromStdString((*d.project().models)[0].name));
    CHECK(d.ap(0).model == (*d.project().models)[0].id);
    CHECK(d.ap(0).radios.size() == (*d.project().models)[0].radios.size());
    CHECK(d.ap(0).position == place);
    CHECK(d.ap(0).number == 1);
    d.menu("edit.undo");
    CHECK(d.ap(0).radios.size() == 3);
}

TEST_CASE("Details tell what the failure of an access point leaves unserved, in the bands of the map") {
    Selected d;
    auto* told = d.find<QLabel>("apFailure");
    CHECK(told->text().contains("of the site at 5 GHz"));
    d.key(Qt::Key_3, Qt::AltModifier);
    REQUIRE(d.settle());
    CHECK(told->text().contains("at 6 GHz"));
    CHECK_FALSE(told->text().contains("at 5 GHz"));
}

TEST_CASE("access points ticked in the list are those that the map shows") {
    Demo d;
    QMenu* list = d.button("radios Ticked")->menu();
    REQUIRE(list);
    emit list->aboutToShow();
    REQUIRE(list->actions().size() == static_cast<int>(placed_access_points(d.project()).size()));
    list->actions()[2]->toggle();
    list->actions()[4]->toggle();
    CHECK(d.w().shown().map().only.size() == 2);
    CHECK(d.button("radios Ticked")->isChecked());
    emit list->aboutToShow();
    CHECK(list->actions()[2]->isChecked());
    CHECK_FALSE(list->actions()[3]->isChecked());
    list->actions()[2]->toggle();
    CHECK(d.w().shown().map().only.size() == 1);
    QTest::mouseClick(d.button("radios All"), Qt::LeftButton);
    CHECK(d.w().shown().map().only.empty());
}

TEST_CASE("the colouring of the bar and of the menu is one: what is chosen in one is checked in the other") {
    Demo d;
    QMenu* menu = d.button("Colouring")->menu();
    REQUIRE(menu);
    CHECK(menu == d.menu_titled("Colouring"));
    const auto checked = [&](const char* text) {
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->text() == text) return a->isChecked();
        throw std::logic_error(text);
    };
    CHECK(checked("In steps"));
    CHECK(checked("100 % opaque"));
    CHECK(checked("A value every 0.5 m"));
    d.menu("map.smooth");
    d.menu("map.opaque-25");
    CHECK(checked("Smooth"));
    CHECK_FALSE(checked("In steps"));
    CHECK(checked("25 % opaque"));
    CHECK(d.button("Colouring")->text().startsWith("Colours"));
    d.menu("map.change-by-last-edit");
    CHECK(checked("Change by the last edit"));
    CHECK(d.button("Colouring")->text().startsWith("Change"));
    d.menu("map.change-by-last-edit");
    CHECK_FALSE(checked("Change by the last edit"));
}

TEST_CASE("a map's step, range and palette are chosen from a menu, undone, reset and kept in the file") {
    Demo d;
    auto* menu = d.find<QMenu>("lensColours");
    const auto choose = [&](const QString& text) {
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->text() == text) return a->trigger();
        FAIL("no entry " << text.toStdString());
    };
    d.w().shown().look_through(LensId::signal);
    choose("Steps of 3 dBm");
    CHECK(render::scale_of(d.w().shown().map()).step == 3);
    choose("Blues");
    CHECK(d.project().display.colours.size() == 1);
    // the verdict knows nothing of it
    REQUIRE(d.settle());
    d.w().shown().look_through(LensId::snr);
    CHECK(render::scale_of(d.w().shown().map()).step == lens(LensId::snr).step);
    d.w().shown().look_through(LensId::signal);
    CHECK(render::scale_of(d.w().shown().map()).palette == "blue");
    const Project reread = project_from_json(project_to_json(d.project()));
    CHECK(reread.display == d.project().display);
    choose("As usual");
    CHECK(d.project().display.colours.empty());
    CHECK(render::scale_of(d.w().shown().map()).step == lens(LensId::signal).step);
    d.menu("edit.undo");
    CHECK(render::scale_of(d.w().shown().map()).palette == "blue");
    choose("Steps of 5 dBm");
    choose("Violet to yellow");
    CHECK(d.project().display.colours.empty());  // which is as usual
}

TEST_CASE("colours that come with a project or a step far back find nothing chosen that is gone") {
    Demo d;
    d.w().shown().look_through(LensId::signal);
    // one step of the history takes the selected access point and the colours away together
    AccessPointId made;
    d.w().edit("Place", [&](Project& p) {
        made = add_access_point(p, d.w().floor_id(), p.models->front().id, {5, 5});
    });
    d.w().edit("Colour", [](Project& p) { set_colours(p, {"signal", -80, 2, "grey"}); });
    d.w().selection().select({{ItemKind::access_point, made.value}});
    d.w().document().go_to(0);
    CHECK(d.w().selection().items().empty());
    CHECK_FALSE(d.w().shown().map().colours);
    // another project has colours, and none of what is selected
    d.w().selection().select(
        {{ItemKind::access_point, access_points(d.project(), d.w().floor_id()).front().id.value}});
    Project other = yemvo::test::one_floor();
    set_colours(other, {"signal", -80, 2, "blue"});
    d.window.open_project(other, {});
    CHECK(d.w().selection().items().empty());
    CHECK(d.w().shown().map().colours->palette == "blue");
}

TEST_CASE("other variants to hold the map against are listed, and without any the list says so") {
    Demo d;
    auto* others = d.find<QMenu>("othersMenu");
    emit others->aboutToShow();
    REQUIRE(others->actions().size() == 1);
    CHECK_FALSE(others->actions()[0]->isEnabled());
    d.window.asking().name = [](const QString&, const QString&) { return QString("Fewer"); };
    d.menu("variant.new");
    emit others->aboutToShow();
    REQUIRE(others->actions().size() == 1);
    others->actions()[0]->trigger();
    CHECK(d.w().shown().map().is_change());
    CHECK(d.w().shown().other_name() == "against variant A");
}

TEST_CASE("lenses that depend on a client offer clients, others say at which height they hold") {
    Demo d;
    auto* bar = d.window.findChild<LensBar*>();
    QComboBox* client = nullptr;
    for (auto* c : bar->findChildren<QComboBox*>())
        if (c->accessibleName() == "Client") client = c;
    REQUIRE(client);
    CHECK_FALSE(client->isVisible());
    d.w().shown().look_through(LensId::rate_down);
    CHECK(client->isVisible());
    CHECK(client->count() == static_cast<int>(d.project().clients->size()));
    const float before = d.map_at(access_points(d.project(), d.w().floor_id())[0].position);
    client->setCurrentIndex(client->count() - 1);
    emit client->activated(client->count() - 1);
    REQUIRE(d.settle());
    CHECK(d.project().settings.client == d.project().clients->back().key);
    CHECK(d.map_at(access_points(d.project(), d.w().floor_id())[0].position) != before);
    d.menu("edit.undo");
    CHECK(client->currentIndex() != client->count() - 1);
}

TEST_CASE("nothing in the bar is cut or covered, whatever the lens and the width of the window") {
    Demo d;
    auto* bar = d.window.findChild<LensBar*>();
    for (const auto& [width, against] : {std::pair{1100, render::Against::nothing},
                                         {1280, render::Against::nothing},
                                         {1280, render::Against::last_edit},
                                         {1600, render::Against::nothing}}) {
        d.window.resize(width, 800);
        d.w().shown().hold_against(against);
        for (const Step step : {Step::placement, Step::proof}) {
            d.w().activity().set_step(step);
            for (const LensInfo& info : lenses()) {
                d.w().shown().look_through(info.id);
                turn_of_the_loop();
                INFO(width << " " << info.name << " " << static_cast<int>(step));
                std::vector<QWidget*> shown;
                for (auto* w : bar->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly))
                    if (w->isVisible() && !qobject_cast<QLabel*>(w)) shown.push_back(w);
                REQUIRE(shown.size() >= (info.of_radios() ? 4 : 1));
                for (std::size_t i = 0; i < shown.size(); ++i) {
                    CHECK(bar->rect().contains(shown[i]->geometry()));
                    for (std::size_t k = 0; k < i; ++k)
                        CHECK_FALSE(shown[i]->geometry().intersects(shown[k]->geometry()));
                }
                for (auto* combo : bar->findChildren<QComboBox*>())
                    if (combo->isVisible() && combo->accessibleName() == "Lens")
                        CHECK(combo->fontMetrics().horizontalAdvance(combo->currentText()) + 29 <=
                              combo->width());
            }
        }
    }
}

TEST_CASE("the bar is there where there is a map, and elsewhere says what lies under the floor") {
    Demo d;
    auto* bar = d.window.findChild<LensBar*>();
    const auto says = [&](const char* words) {
        for (auto* label : bar->findChildren<QLabel*>())
            if (label->isVisible() && label->text().contains(words)) return true;
        return false;
    };
    CHECK(d.button("Colouring")->isVisible());
    d.w().activity().set_step(Step::venue);
    CHECK_FALSE(d.button("Colouring")->isVisible());
    CHECK(says("library-ground.dxf"));
    d.w().in_view().show_site(true);
    CHECK(says("the site from above"));
}

TEST_CASE("a project is begun with the name, country, floors and heights that were typed") {
    Driver d;
    auto* name = d.find<QLineEdit>("newName");
    name->selectAll();
    QTest::keyClicks(name, "Harbour sheds");
    d.pick("newCountry", "Norway");
    d.find<QSpinBox>("newFloors")->setValue(3);
    auto* height = d.find<QLineEdit>("newHeight");
    height->selectAll();
    QTest::keyClicks(height, "4.2 m");
    QTest::keyClick(height, Qt::Key_Return);
    REQUIRE(d.w().document().is_open());
    CHECK(d.project().name == "Harbour sheds");
    CHECK(d.project().settings.country == "NO");
    REQUIRE(all_floors(d.project()).size() == 3);
    CHECK(all_floors(d.project())[2]->elevation_m == Approx(8.4));
    CHECK(d.window.windowTitle().startsWith("Harbour sheds"));
    CHECK(d.w().activity().step() == Step::venue);
}

TEST_CASE("a recent project is opened by its button; one that is gone is told by name") {
    const yemvo::test::TemporaryFolder folder;
    Project p = yemvo::test::one_floor();
    p.name = "Known";
    save_project(p, folder / "known.yemvo");
    const QString known = QString::fromStdString(folder / "known.yemvo"),
                  gone = QString::fromStdString(folder / "gone.yemvo");
    QSettings().setValue("recent", QStringList{known, gone});
    Driver d;
    const auto press = [&](const char* part) {
        for (auto* b : d.window.findChild<StartPage*>()->findChildren<QAbstractButton*>())
            if (b->isVisible() && (b->text().contains(part) || b->toolTip().contains(part)))
                return QTest::mouseClick(b, Qt::LeftButton);
        FAIL("no recent file " << part);
    };
    press("gone");
    REQUIRE(QTest::qWaitFor([&] { return !d.failure.isEmpty(); }, 5000));
    CHECK(d.failure.contains("gone.yemvo"));
    press("known");
    REQUIRE(QTest::qWaitFor([&] { return d.w().document().is_open(); }, 5000));
    CHECK(d.project().name == "Known");
}
