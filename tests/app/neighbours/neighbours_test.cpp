// SPDX-License-Identifier: GPL-3.0-or-later
// Other people's networks through the window: typed, read, dropped on the plan, met on the board, undone.
#include <QDropEvent>
#include <QFile>
#include <QLineEdit>
#include <QListWidget>
#include <QMimeData>
#include <QPushButton>
#include <QTemporaryDir>
#include <QUrl>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/spectrum.h"
#include "app/on_air/on_air_page.h"
#include "app/picture.h"
#include "app/spectrum/board_view.h"
#include "app/spectrum/meetings_list.h"
#include "app/spectrum/spectrum_page.h"
#include "project/kinds/thing_edits.h"
#include "project/storage.h"
#include "test_data.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct NeighbourDriver : Driver {
    NeighbourDriver() {
        window.open_demo();
        w().in_view().show_floor(find_floor(project(), "First floor")->id);
        w().activity().set_step(Step::spectrum);
        w().shown().set({LensId::serving, band_5, 0});
        REQUIRE(settle());
        plan().fit();
    }
    const std::vector<ListeningPlace>& places() { return *floor().listening_places; }
    double pixel_m() { return 1 / plan().map().px_per_m; }
    BoardView& board() { return window.spectrum().board(); }
    std::size_t ghosts() {
        std::size_t n = 0;
        for (const RadioRef& r : board().radios()) n += !r.access_point;
        return n;
    }
    bool read() {
        return QTest::qWaitFor([&] { return !window.is_hearing(); }, 10'000) &&
               (QCoreApplication::processEvents(), true);
    }
    void drop_on_window(const QString& file, QPointF at) {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(file)});
        QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&window, &enter);
        QDropEvent e(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&window, &e);
    }
    void drop(const QString& file, Point at) {
        drop_on_window(file, window.mapFromGlobal(plan().mapToGlobal(plan().map().to_screen(at))));
        REQUIRE(read());
    }
    QString air_file(const char* name) {
        return QString::fromStdString(yemvo::test::test_data() + "/air/" + name);
    }
};

}  // namespace

TEST_CASE("a neighbour is typed where it was heard, met by the radios near, undone") {
    NeighbourDriver d;
    const AccessPoint near = access_points(d.project(), d.w().floor_id())[3];
    const auto radio = std::ranges::find(near.radios, band_5, [](const Radio& r) { return r.channel.band; });
    REQUIRE(radio != near.radios.end());
    const Point at = near.position + Point{2.6, 2.0};
    d.key(Qt::Key_N, Qt::ShiftModifier);
    CHECK(d.w().activity().tool() == ToolId::listening_place);
    d.click(at);
    REQUIRE(d.places().size() == 1);
    CHECK(distance(d.places()[0].position, at) < d.pixel_m());
    CHECK(d.places()[0].name == "Place 1");
    CHECK(d.w().activity().tool() == ToolId::select);
    d.press_button("heardAdd");
    REQUIRE(d.places()[0].heard.size() == 1);
    d.fill("heardName", "Loft upstairs");
    d.fill("heardPrimary", QByteArray::number(radio->primary).constData());
    d.pick("heardWidth", "80 MHz");
    d.fill("heardLevel", "-52");
    d.fill("heardUse", "40");
    d.fill("heardStations", "6");
    d.fill("heardAddress", "02:1E:5A:07:10:24");
    const Neighbour& n = d.places()[0].heard[0];
    CHECK(n.name == "Loft upstairs");
    CHECK(n.primary == radio->primary);
    CHECK(n.channel.width_mhz == 80);
    CHECK(n.level_dbm == -52);
    CHECK(n.use == Approx(0.4));
    CHECK(n.stations == 6);
    CHECK(n.address == "02:1e:5a:07:10:24");
    REQUIRE(d.settle());
    CHECK(d.ghosts() == 1);
    CHECK(d.window.spectrum().summary().contains("1 neighbour"));
    bool told = false;
    MeetingsList& list = d.window.spectrum().meetings();
    for (int i = 0; i < list.count(); ++i) told = told || list.words(i).contains("Loft upstairs");
    CHECK(told);
    picture(d.window, "neighbour_typed");

    // what cannot be is refused at the field, and nothing is lost
    d.fill("heardPrimary", "37");
    CHECK(d.places()[0].heard[0].primary == radio->primary);
    d.fill("heardAddress", "loft");
    CHECK(d.places()[0].heard[0].address == "02:1e:5a:07:10:24");
    d.menu("edit.undo");
    CHECK(d.places()[0].heard[0].address.empty());
    d.menu("edit.redo");

    // several entries, the chosen one alone is changed
    d.press_button("heardAdd");
    d.fill("heardName", "Second");
    CHECK(d.places()[0].heard[0].name == "Loft upstairs");
    CHECK(d.places()[0].heard[1].name == "Second");
    CHECK(d.places()[0].heard[1].channel == d.places()[0].heard[0].channel);
    d.press_button("heardRemove");
    REQUIRE(d.places()[0].heard.size() == 1);
    d.pick("heardWhose", QString("access point %1").arg(near.number));
    CHECK(d.places()[0].heard[0].own == near.id);
    REQUIRE(d.settle());
    CHECK(d.ghosts() == 0);  // it is none of other people's any more

    // it keeps in the file
    QTemporaryDir folder;
    const std::filesystem::path file = folder.filePath("heard.yemvo").toStdString();
    save_project(d.project(), file);
    CHECK(load_project(file).project == d.project());
    // moved by hand, deleted, brought back
    d.w().selection().select({});
    d.drag(d.places()[0].position, at + Point{2, 0}, Qt::AltModifier);
    CHECK(distance(d.places()[0].position, at + Point{2, 0}) < 2 * d.pixel_m());  // taken and dropped
    d.key(Qt::Key_Delete);
    CHECK(d.places().empty());
    d.menu("edit.undo");
    CHECK(d.places().size() == 1);
}

TEST_CASE("a capture dropped on a place of the plan stands there with all its radios") {
    NeighbourDriver d;
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    d.drop(d.air_file("pier.pcap"), {20, 14});
    REQUIRE(d.places().size() == 1);
    CHECK(d.places()[0].name == "pier");
    CHECK(distance(d.places()[0].position, {20, 14}) < d.pixel_m());
    CHECK(d.places()[0].heard.size() == 9);  // two names are one radio; one has no level
    CHECK(told.contains("1 radio without a level"));
    CHECK_FALSE(d.window.on_air().isVisible());
    REQUIRE(d.settle());
    CHECK(d.ghosts() == 9);
    picture(d.window, "neighbours_dropped");
    // a ghost on the board is a row of the list in Details
    BoardView& board = d.board();
    for (std::size_t i = 0; i < board.radios().size(); ++i)
        if (!board.radios()[i].access_point && board.board().blocks[i].label == "tidewatch") {
            QTest::mouseClick(&board, Qt::LeftButton, {}, board.arranged().rect(i).center().toPoint());
            break;
        }
    REQUIRE(d.w().spectrum().neighbour());
    const std::size_t index = d.w().spectrum().neighbour()->index;
    CHECK(d.places()[0].heard[index].name == "tidewatch");
    auto* list = d.window.findChild<QListWidget*>("heardHere");
    REQUIRE(list);
    CHECK(list->currentRow() == static_cast<int>(index));
    CHECK(d.find<QLineEdit>("heardName")->text() == "tidewatch");
    // it cannot be dragged: nobody here tunes it
    const Neighbour before = d.places()[0].heard[index];
    QTest::keyClick(&board, Qt::Key_Right);
    CHECK(d.places()[0].heard[index] == before);
    // read once more at the same place: what is known is brought up to date, not doubled
    d.window.asking().open_file = [&](const QString&, const QString&) { return d.air_file("pier.pcapng"); };
    d.press_button("heardRead");
    REQUIRE(d.read());
    CHECK(d.places()[0].heard.size() == 9);
    // out into a table and in again
    QTemporaryDir folder;
    const QString table = folder.filePath("heard.csv");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return table; };
    d.press_button("heardWrite");
    const std::vector<Neighbour> heard = d.places()[0].heard;
    while (!d.places()[0].heard.empty()) d.press_button("heardRemove");
    d.window.asking().open_file = [&](const QString&, const QString&) { return table; };
    d.press_button("heardRead");
    REQUIRE(d.read());
    REQUIRE(d.places()[0].heard.size() == 9);
    CHECK(d.places()[0].heard[0].address == heard[0].address);
}

TEST_CASE("what cannot be read is told, and nothing is put down") {
    NeighbourDriver d;
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    QTemporaryDir folder;
    const QString broken = folder.filePath("broken.pcap");
    QFile file(broken);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write("no capture at all");
    file.close();
    d.drop(broken, {20, 14});
    CHECK(d.places().empty());
    CHECK(told.contains("broken.pcap"));
    d.drop(d.air_file("wired.pcap"), {20, 14});
    CHECK(d.places().empty());
    CHECK_FALSE(told.isEmpty());
    // beside the plan a capture is looked at without any
    d.drop_on_window(d.air_file("pier.pcap"), {20, 20});
    CHECK(d.window.on_air().isVisible());
    REQUIRE(QTest::qWaitFor([&] { return d.window.on_air().behind().is_idle(); }, 10'000));
    QCoreApplication::processEvents();
    CHECK(d.places().empty());
    // and from there it is put where the plan is clicked
    d.press_button("airPut");
    CHECK_FALSE(d.window.on_air().isVisible());
    CHECK(d.w().activity().tool() == ToolId::listening_place);
    d.click({15, 12});
    REQUIRE(d.places().size() == 1);
    CHECK(d.places()[0].name == "pier");
    CHECK(d.places()[0].heard.size() == 9);
    // the next one is empty again
    d.key(Qt::Key_N, Qt::ShiftModifier);
    d.click({12, 10});
    REQUIRE(d.places().size() == 2);
    CHECK(d.places()[1].heard.empty());
}

TEST_CASE("a radio of the plan's own in a capture is known, and what it does otherwise is found and mended") {
    NeighbourDriver d;
    // the plan sends the names of the capture
    d.w().edit("Names", [](Project& p) {
        for (Network& n : p.demand.networks.edit()) n.name = "Pier 4 staff";
    });
    REQUIRE(d.settle());
    // where the nearest access point is as loud as the capture says
    const AccessPoint near = access_points(d.project(), d.w().floor_id())[3];
    d.drop(d.air_file("pier.pcap"), near.position + Point{2.5, 0});
    REQUIRE(d.places().size() == 1);
    std::size_t own = 0;
    for (const Neighbour& n : d.places()[0].heard) own += n.own.has_value();
    CHECK(own >= 1);
    CHECK(own < 10);
    REQUIRE(d.settle());
    CHECK(d.ghosts() == 9 - own);
}
