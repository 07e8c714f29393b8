// SPDX-License-Identifier: GPL-3.0-or-later
// Asking why: lenses in the bar, probes on the plan, the link profile, the journal, the dark theme.
#include <QComboBox>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QTableWidget>
#include <QToolButton>
#include <set>

#include "app/driver.h"
#include "app/files/autosave.h"
#include "app/link_profile/link_chart.h"
#include "app/link_profile/link_profile_page.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/picture.h"
#include "capacity/link_story.h"
#include "core/support.h"
#include "project/storage.h"
#include "render/text_style.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::picture;
using yemvo::app::test::turn_of_the_loop;
using yemvo::test::one_floor;
using yemvo::test::TemporaryFolder;

namespace {

struct Demo : Driver {
    Demo() {
        window.open_demo();
        REQUIRE(settle());
    }
};

LinkProfilePage& page(Demo& d) { return *d.window.findChild<LinkProfilePage*>(); }

void click_segment(Demo& d, const char* name, Qt::KeyboardModifiers keys = {}) {
    for (auto* b : d.window.findChildren<QToolButton*>())
        if (b->accessibleName() == name) QTest::mouseClick(b, Qt::LeftButton, keys);
}

}  // namespace

TEST_CASE("every lens is chosen by name and shows a map with its own threshold") {
    Demo d;
    for (const LensInfo& info : lenses()) {
        d.choose("barCombo", info.name.c_str());
        REQUIRE(d.w().shown().map().lens == info.id);
        CHECK(d.w().shown().map().threshold == info.limit);
        INFO(info.name);
        REQUIRE(QTest::qWaitFor([&] { return d.w().results().map_prediction() != nullptr; }, 10000));
        d.settle();
        const FloorPrediction* p = d.w().results().map_prediction();
        const auto values = lens_values(*p, render::look_of(d.w().project(), d.w().shown().map()));
        std::size_t shown = 0;
        for (std::size_t i = 0; i < values.size(); ++i) shown += p->mask->shown[i] && !std::isnan(values[i]);
        CHECK(shown > 1000);
    }
}

TEST_CASE("Ctrl adds a band, and the map is the best of them; one band always stays") {
    Demo d;
    click_segment(d, "band 5");
    click_segment(d, "band 2.4", Qt::ControlModifier);
    CHECK(d.w().shown().map().bands == BandSet(band_5).with(band_24));
    click_segment(d, "band 5", Qt::ControlModifier);
    CHECK(d.w().shown().map().bands == BandSet(band_24));
    click_segment(d, "band 2.4", Qt::ControlModifier);
    CHECK(d.w().shown().map().bands == BandSet(band_24));
}

TEST_CASE("the map of the selected or ticked access points is theirs alone") {
    Demo d;
    const Point at{9.75, 25.25};
    const double all = d.map_at(at);
    const auto aps = access_points(d.w().project(), d.w().floor_id());
    d.w().selection().select({{ItemKind::access_point, aps.back().id.value}});
    click_segment(d, "radios Selected");
    const double theirs = d.map_at(at);
    CHECK(theirs < all - 10);
    d.w().selection().select({});
    CHECK(d.map_at(at) == all);
    d.w().shown().tick(aps.back().id, true);
    click_segment(d, "radios Ticked");
    CHECK(d.map_at(at) == theirs);
    click_segment(d, "radios All");
    CHECK(d.map_at(at) == all);
}

TEST_CASE("value labels write figures on the map, smooth colours have more shades than steps") {
    Demo d;
    const QImage plain = d.plan().grab().toImage();
    render::MapChoice choice = d.w().shown().map();
    choice.labels = true;
    d.w().shown().set(choice);
    CHECK(d.plan().grab().toImage() != plain);
    const auto shades = [&] {
        const QImage picture = d.plan().grab().toImage();
        std::set<QRgb> colours;
        for (int x = 100; x < picture.width() - 100; ++x)
            colours.insert(picture.pixel(x, picture.height() / 2));
        return colours.size();
    };
    choice.labels = false;
    d.w().shown().set(choice);
    const auto stepped = shades();
    choice.smooth = true;
    d.w().shown().set(choice);
    CHECK(shades() > stepped + 20);
}

TEST_CASE("the client that rates are for is chosen in the bar, in one undoable step") {
    Demo d;
    d.choose("barCombo", "Downlink PHY rate");
    const double tablet = d.map_at({9.75, 25.25});
    for (auto* c : d.window.findChildren<QComboBox*>())
        if (c->accessibleName() == "Client") {
            const int at = c->findText("Hand scanner, 1 chain");
            REQUIRE(at >= 0);
            c->setCurrentIndex(at);
            emit c->activated(at);
        }
    CHECK(d.w().project().settings.client == "scanner");
    CHECK(d.map_at({9.75, 25.25}) < tablet);
    d.w().document().history().undo();
    CHECK(d.w().project().settings.client == "tablet");
}

TEST_CASE("a probe is pinned, dragged, told in terms that add up, and taken away; all of it undoes") {
    Demo d;
    d.w().activity().set_step(Step::placement);
    d.w().activity().set_tool(ToolId::probe);
    d.settle();
    d.click({20.25, 20.25});
    REQUIRE(d.w().project().probes->size() == 1);
    REQUIRE(d.w().probing().place());
    CHECK(page(d).isVisible());
    CHECK(page(d).heard()->count() == static_cast<int>(d.w().probing().place()->links.size()));
    const LinkExplanation& strongest = *d.w().probing().place()->link();
    // what the list calls strongest is what the map shows there
    CHECK(strongest.received_dbm == Approx(d.map_at({20.25, 20.25})).margin(0.5));
    auto* terms = page(d).terms();
    double sum = 0;
    const int received = static_cast<int>(strongest.terms.size());
    for (int r = 0; r < received; ++r) sum += number_in(terms->item(r, 1)->text());
    CHECK(number_in(terms->item(received, 2)->text()) == Approx(strongest.received_dbm).margin(0.051));
    // on the other side what the client gets, and why
    const ClientProfile& client = yemvo::client(d.project(), d.project().settings.client);
    const LinkStory story = link_story(d.project(), strongest, client);
    REQUIRE(story.down.because.size() == 4);
    REQUIRE(terms->rowCount() == received + 1);
    QToolButton* rate = nullptr;
    for (QToolButton* b : page(d).findChildren<QToolButton*>())
        if (b->text() == "Rate") rate = b;
    REQUIRE(rate);
    QTest::mouseClick(rate, Qt::LeftButton);
    CHECK_FALSE(terms->isVisible());
    const QString told = d.find<QLabel>("linkRates")->text();
    picture(d.window, "link_rates");
    CHECK(told.contains("Down to " + QString::fromStdString(client.name)));
    CHECK(told.contains(render::figure(story.down.mbps, story.down.mbps < 100 ? 1 : 0) + " Mbit/s"));
    for (const Said& why : story.down.because) CHECK(told.contains(said_text(why).toHtmlEscaped()));
    CHECK(sum == Approx(strongest.received_dbm).margin(0.05 * terms->rowCount()));
    CHECK(page(d).sentence().contains("reaches P1 at"));
    // a weaker link by keyboard
    page(d).heard()->setFocus();
    QTest::keyClick(page(d).heard(), Qt::Key_Down);
    CHECK(d.w().probing().place()->chosen == 1);
    // moved by hand
    d.drag({20.25, 20.25}, {28.25, 12.25});
    CHECK(distance(d.w().project().probes->front().place, {28.25, 12.25}) < 0.2);
    d.w().document().history().undo();
    CHECK(distance(d.w().project().probes->front().place, {20.25, 20.25}) < 0.2);
    d.plan().setFocus();
    QTest::keyClick(&d.plan(), Qt::Key_Delete);
    CHECK(d.w().project().probes->empty());
    CHECK_FALSE(d.w().probing().place());
    d.w().document().history().undo();
    CHECK(d.w().project().probes->size() == 1);
}

TEST_CASE("the line of level falls by each wall at its place, and ends at what arrives") {
    LinkExplanation l;
    l.channel = {band_5, 36, 20};
    l.source = {0, 0, 2.5};
    l.receiver = {10, 0, 1};
    l.distance_m = 10.112;
    l.terms = {{TermKind::power, say("Conducted power"), 14},
               {TermKind::antenna, say("Antenna gain, this direction"), 2},
               {TermKind::free_space, say("Free-space loss"), -66.8},
               {TermKind::wall, say("Brick"), -8, 0.5, 0, 0},
               {TermKind::obstacle, say("Rack"), -6, 0.7, 0, 2.0224}};
    const LevelLine line = level_line(l);
    CHECK(line.points.back().second == Approx(14 + 2 - 66.8 - 14).margin(0.1));
    const auto at = [&](double m) {
        for (std::size_t i = 1; i < line.points.size(); ++i)
            if (line.points[i].first >= m) return line.points[i].second;
        return 0.0;
    };
    const auto free_at = [&](double m) {
        for (const auto& [x, dbm] : line.free_space)
            if (x >= m) return dbm;
        return 0.0;
    };
    CHECK(at(4.9) == Approx(free_at(4.9)).margin(1e-6));
    CHECK(at(6.0) == Approx(free_at(6.0) - 8).margin(1e-6));
    CHECK(at(8.0) == Approx(free_at(8.0) - 8 - 3).margin(0.15));  // half way through the rack
}

TEST_CASE("unsaved edits are journalled and found by the next program; saved ones are not") {
    const TemporaryFolder folder;
    const QString root = QString::fromStdString((folder / "journal").string());
    const std::filesystem::path file = folder / "p.yemvo";
    std::filesystem::create_directory(root.toStdString());
    {
        // a program that ends without its destructors: its journal is copied while it runs
        Document document;
        Autosave autosave(document, nullptr, {root});
        document.open(one_floor(), QString::fromStdString(file.string()));
        document.edit("Rename", [](Project& p) { p.name = "Never saved"; });
        REQUIRE(QTest::qWaitFor(
            [&] {
                for (const auto& e : std::filesystem::recursive_directory_iterator(root.toStdString()))
                    if (e.path().filename() == "work.json") return true;
                return false;
            },
            Autosave::delay_ms + 4000));
        CHECK(leftovers(root.toStdString()).empty());  // it is still running
        std::filesystem::copy(root.toStdString(), folder / "crashed",
                              std::filesystem::copy_options::recursive);
        const auto saving = document.begin_saving();
        save_project(saving.project, file);
        document.end_saving(saving.of, QString::fromStdString(file.string()));
        REQUIRE(QTest::qWaitFor(
            [&] {
                for (const auto& e : std::filesystem::recursive_directory_iterator(root.toStdString()))
                    if (e.path().filename() == "work.json") return false;
                return true;
            },
            4000));
    }
    const auto found = leftovers(folder / "crashed");
    REQUIRE(found.size() == 1);
    CHECK(found[0].project == "Never saved");
    CHECK(found[0].file == file.string());
    CHECK(recover(found[0]).name == "Never saved");
    discard(found[0]);
    CHECK(leftovers(folder / "crashed").empty());
}

TEST_CASE("the start page offers what was not saved, and recovering it opens it as unsaved") {
    const std::filesystem::path root = Autosave::folders().front().toStdString();
    std::filesystem::remove_all(root);
    const TemporaryFolder folder;
    {
        Journal journal(root);
        Project p = one_floor();
        p.name = "Lost and found";
        journal.write(p, "");
    }
    Driver d;
    auto* recover = d.window.findChild<QPushButton*>("recover0");
    REQUIRE(recover);
    QTest::mouseClick(recover, Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return d.w().document().is_open(); }, 5000));
    CHECK(d.w().project().name == "Lost and found");
    CHECK(d.w().document().is_modified());
    // thrown away only once this program's own journal holds it
    REQUIRE(QTest::qWaitFor([&] { return leftovers(root).empty(); }, 4000));
}

TEST_CASE("the dark theme turns everything at once and back again") {
    Demo d;
    choose_theme(true);
    d.settle();
    const QImage dark = d.window.grab().toImage();
    CHECK(dark.pixelColor(5, 300).lightness() < 80);
    choose_theme(false);
    d.settle();
    CHECK(d.window.grab().toImage().pixelColor(5, 300).lightness() > 200);
    // the order of contrast is the same, and text is readable on every ground
    const auto contrast = [](const QColor& a, const QColor& b) {
        const auto luminance = [](const QColor& c) {
            const auto part = [](double v) {
                return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
            };
            return 0.2126 * part(c.redF()) + 0.7152 * part(c.greenF()) + 0.0722 * part(c.blueF());
        };
        const double x = luminance(a), y = luminance(b);
        return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
    };
    for (const render::Palette* p : {&render::Palette::light(), &render::Palette::dark()})
        for (const QColor& ground : {p->paper, p->chrome, p->field, p->tile}) {
            CHECK(contrast(p->ink, ground) > 7);
            CHECK(contrast(p->muted, ground) > 4.5);
            CHECK(contrast(p->accent, ground) > 4.5);
            for (const auto& b : p->bands) CHECK(contrast(b.solid, ground) > 3);
        }
}

TEST_CASE("words written before the theme changed are readable after it") {
    Demo d;
    d.menu("view.tray");
    d.w().activity().set_tool(ToolId::probe);
    const Point place = access_points(d.project(), d.w().floor_id()).front().position;
    d.click(place + Point{1.5, 1});
    REQUIRE(d.settle());
    const auto* terms = page(d).terms();
    REQUIRE(terms->rowCount() > 3);
    const auto readable = [&] {
        for (int r = 0; r < terms->rowCount(); ++r)
            for (int c = 0; c < 3; ++c) {
                if (!terms->item(r, c)) continue;
                const int ink = terms->item(r, c)->foreground().color().lightness();
                if (std::abs(ink - theme().paper.lightness()) < 90) return false;
            }
        return true;
    };
    CHECK(readable());
    choose_theme(true);
    turn_of_the_loop();
    CHECK(readable());
    choose_theme(false);
    turn_of_the_loop();
    CHECK(readable());
}

TEST_CASE("a variant is made, changed, switched, renamed and deleted; the other one stays as it was") {
    Demo d;
    const auto count = [&] { return placed_access_points(d.w().project()).size(); };
    const std::size_t before = count();
    d.window.asking().name = [](const QString&, const QString&) { return QString("Fewer"); };
    d.menu("variant.new");
    CHECK(current_variant(d.w().project()).name == "Fewer");
    d.w().selection().select(
        {{ItemKind::access_point, access_points(d.w().project(), d.w().floor_id()).front().id.value}});
    d.w().selection().remove();
    CHECK(count() == before - 1);
    d.menu("variant.next");
    CHECK(count() == before);
    d.menu("variant.next");
    CHECK(count() == before - 1);
    d.window.asking().name = [](const QString&, const QString& proposed) { return proposed + " still"; };
    d.menu("variant.rename");
    CHECK(current_variant(d.w().project()).name == "Fewer still");
    d.menu("variant.delete");
    CHECK(count() == before);
    CHECK(d.w().project().variants.size() == 1);
    d.menu("variant.delete");
    CHECK(d.w().project().variants.size() == 1);
    d.w().document().history().undo();
    CHECK(d.w().project().variants.size() == 2);
    d.window.asking().name = [](const QString&, const QString&) { return QString(); };
    d.menu("variant.new");
    CHECK(d.w().project().variants.size() == 2);
}

TEST_CASE("Why here, on the plan's menu, pins a probe there and opens its link profile") {
    Demo d;
    const Point at{12, 5};
    const std::size_t before = d.project().probes->size();
    QContextMenuEvent e(QContextMenuEvent::Mouse, d.px(at), d.plan().mapToGlobal(d.px(at)));
    QApplication::sendEvent(&d.plan(), &e);
    auto* menu = d.window.findChild<QMenu*>("planMenu");
    REQUIRE(menu);
    for (QAction* a : menu->actions())
        if (a->text() == "Why here?") a->trigger();
    menu->close();
    REQUIRE(d.project().probes->size() == before + 1);
    CHECK(distance(d.project().probes->back().place, at) < 0.2);
    REQUIRE(d.settle());
    CHECK(d.w().probing().place().has_value());
    CHECK(page(d).isVisible());
}
