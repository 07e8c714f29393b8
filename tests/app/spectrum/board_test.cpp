// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum board, driven by mouse and keyboard, and what plan, list and Details say with it.
#include <QListWidget>
#include <QPushButton>

#include "app/details/where_it_could_go.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/spectrum.h"
#include "app/picture.h"
#include "app/shell/status_line.h"
#include "app/spectrum/board_view.h"
#include "app/spectrum/meetings_list.h"
#include "app/spectrum/spectrum_page.h"
#include "project/edits.h"
#include "project/gear_edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct BoardDriver : Driver {
    BoardDriver() {
        window.open_demo();
        w().in_view().show_floor(find_floor(project(), "First floor")->id);
        w().activity().set_step(Step::spectrum);
        w().shown().set({LensId::serving, band_5, 0});
        REQUIRE(settle());
    }
    BoardView& board() { return window.spectrum().board(); }
    RadioRef ref(int number, BandId band) {
        for (const AirRadio& r : w().spectrum().now()->air.radios)
            if (r.number == number && r.channel.band == band) return {r.access_point, r.radio};
        throw std::runtime_error("no such radio");
    }
    const Radio& radio(int number, BandId band) { return radio_here(w(), ref(number, band))->set(); }
    std::size_t block(const RadioRef& of) {
        const auto at = std::ranges::find(board().radios(), of);
        REQUIRE(at != board().radios().end());
        return static_cast<std::size_t>(at - board().radios().begin());
    }
    QPoint middle(const RadioRef& of) { return board().arranged().rect(block(of)).center().toPoint(); }
    void move_mouse(QPoint to, Qt::KeyboardModifiers keys = {}) {
        QMouseEvent e(QEvent::MouseMove, QPointF(to), board().mapToGlobal(QPointF(to)), Qt::NoButton,
                      Qt::LeftButton, keys);
        QApplication::sendEvent(&board(), &e);
    }
    /// By so many MHz.
    void drag(const RadioRef& of, QPoint from, double mhz, Qt::KeyboardModifiers keys = {}) {
        const double px = mhz * board().arranged().lane(radio_here(w(), of)->set().channel.band)->px_per_mhz;
        QTest::mousePress(&board(), Qt::LeftButton, {}, from);
        for (int i = 1; i <= 4; ++i)
            move_mouse(from + QPoint(static_cast<int>(std::lround(px * i / 4)), 0), keys);
    }
    void drop() { QTest::mouseRelease(&board(), Qt::LeftButton, {}, {5, 5}); }
    void set(int number, BandId band, const Channel& c, int primary) {
        REQUIRE(tune(w(), {{ref(number, band), c, primary}}));
        REQUIRE(settle());
    }
};

}  // namespace

TEST_CASE(
    "every radio that is on stands on the board at its channel, and a click chooses it on the plan as well") {
    BoardDriver d;
    const SpectrumNow& now = *d.w().spectrum().now();
    REQUIRE(d.board().isVisible());
    CHECK(d.board().radios().size() == now.air.radios.size());
    CHECK(now.heard);
    for (std::size_t i = 0; i < d.board().board().blocks.size(); ++i) {
        const render::BoardBlock& b = d.board().board().blocks[i];
        const render::BoardLane* lane = d.board().arranged().lane(b.channel.band);
        const QRectF box = d.board().arranged().rect(i);
        CHECK(lane->mhz(box.left()) == Approx(low_mhz(b.channel)).margin(2));
        CHECK(lane->mhz(box.right()) == Approx(high_mhz(b.channel)).margin(2));
        CHECK(lane->area.contains(box));
        for (std::size_t k = 0; k < i; ++k) CHECK_FALSE(box.intersects(d.board().arranged().rect(k)));
    }
    picture(d.window, "board");
    // one of another floor: the plan goes there
    const RadioRef six = d.ref(6, band_5);
    QTest::mouseClick(&d.board(), Qt::LeftButton, {}, d.middle(six));
    CHECK(d.w().selection().has({ItemKind::access_point, six.access_point.value}));
    CHECK(d.floor().name == "Ground floor");
    CHECK(d.w().spectrum().current() == six);
    REQUIRE(d.settle());
    picture(d.window, "board_chosen");
}

TEST_CASE("dragging a block retunes its radio live, as one edit, among what is permitted") {
    BoardDriver d;
    const RadioRef r = d.ref(17, band_5);
    d.set(17, band_5, {band_5, 38, 40}, 36);
    const Project before = d.project();
    d.drag(r, d.middle(r), 40);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 46, 40});
    CHECK(d.board().drag_words().startsWith("44 / 40"));
    picture(d.window, "board_dragged");
    d.drop();
    CHECK(d.board().drag_words().isEmpty());
    d.w().document().history().undo();
    CHECK(d.project() == before);

    // what lies between 5350 and 5470 MHz is barred: the block stays at the nearest that is not
    d.drag(r, d.middle(r), 215);
    CHECK(d.radio(17, band_5).channel != Channel{band_5, 78, 40});
    CHECK(permit_of(d.project(), yemvo::Place::indoors, *radio_here(d.w(), r)->ap,
                    d.radio(17, band_5).channel));
    // back to where it began when Escape is pressed
    QTest::keyClick(&d.board(), Qt::Key_Escape);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 38, 40});
    d.drop();
    CHECK(d.project() == before);
}

TEST_CASE("with Alt a block goes where the country bars it, and the tag says so") {
    BoardDriver d;
    d.w().edit("Country", [](Project& p) { p.settings.country = "CN"; });
    REQUIRE(d.settle());
    const RadioRef r = d.ref(17, band_5);
    d.set(17, band_5, {band_5, 36, 20}, 36);
    d.drag(r, d.middle(r), 320);
    CHECK(d.radio(17, band_5).channel.number < 70);
    for (int i = 0; i < 2; ++i) d.move_mouse(d.middle(r) + QPoint(1000, 0));
    d.drop();
    d.set(17, band_5, {band_5, 36, 20}, 36);
    d.drag(r, d.middle(r), 320, Qt::AltModifier);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 100, 20});
    CHECK(d.board().drag_words().contains("barred"));
    d.drop();
}

TEST_CASE("the edge of a block widens it round its primary") {
    BoardDriver d;
    const RadioRef r = d.ref(17, band_5);
    d.set(17, band_5, {band_5, 38, 40}, 36);
    const QRectF box = d.board().arranged().rect(d.block(r));
    d.drag(r, QPoint(static_cast<int>(box.right()) - 1, static_cast<int>(box.center().y())), 40);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 42, 80});
    CHECK(d.radio(17, band_5).primary == 36);
    d.drop();
    const QRectF wide = d.board().arranged().rect(d.block(r));
    d.drag(r, QPoint(static_cast<int>(wide.right()) - 1, static_cast<int>(wide.center().y())), -62);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 36, 20});
    d.drop();
}

TEST_CASE("several blocks move together, and locked ones stay") {
    BoardDriver d;
    d.set(17, band_5, {band_5, 36, 20}, 36);
    d.set(15, band_5, {band_5, 40, 20}, 40);
    const RadioRef a = d.ref(17, band_5), b = d.ref(15, band_5);
    QTest::mouseClick(&d.board(), Qt::LeftButton, {}, d.middle(b));
    QTest::mouseClick(&d.board(), Qt::LeftButton, Qt::ShiftModifier, d.middle(a));
    REQUIRE(d.w().spectrum().chosen().size() == 2);
    d.drag(a, d.middle(a), 40);
    d.drop();
    CHECK(d.radio(17, band_5).channel.number == 44);
    CHECK(d.radio(15, band_5).channel.number == 48);
    d.w().document().history().undo();
    CHECK(d.radio(17, band_5).channel.number == 36);
    CHECK(d.radio(15, band_5).channel.number == 40);

    d.w().spectrum().choose({b});
    d.board().setFocus();
    QTest::keyClick(&d.board(), Qt::Key_L);
    CHECK(d.radio(15, band_5).locked);
    d.drag(b, d.middle(b), 40);
    d.drop();
    CHECK(d.radio(15, band_5).channel.number == 40);
    CHECK(d.window.status().message().contains("locked"));
    QTest::keyClick(&d.board(), Qt::Key_Right);
    CHECK(d.radio(15, band_5).channel.number == 40);
    QTest::keyClick(&d.board(), Qt::Key_L);
    CHECK_FALSE(d.radio(15, band_5).locked);
}

TEST_CASE("arrow keys retune, widen and go from block to block") {
    BoardDriver d;
    d.set(17, band_5, {band_5, 36, 20}, 36);
    const RadioRef r = d.ref(17, band_5);
    d.w().spectrum().choose({r});
    d.board().setFocus();
    QTest::keyClick(&d.board(), Qt::Key_Right);
    CHECK(d.radio(17, band_5).channel.number == 40);
    QTest::keyClick(&d.board(), Qt::Key_Left);
    CHECK(d.radio(17, band_5).channel.number == 36);
    QTest::keyClick(&d.board(), Qt::Key_Right, Qt::ShiftModifier);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 38, 40});
    QTest::keyClick(&d.board(), Qt::Key_Left, Qt::ShiftModifier);
    CHECK(d.radio(17, band_5).channel == Channel{band_5, 36, 20});
    QTest::keyClick(&d.board(), Qt::Key_Up);
    REQUIRE(d.w().spectrum().current());
    CHECK(*d.w().spectrum().current() != r);
    QTest::keyClick(&d.board(), Qt::Key_Down);
    CHECK(*d.w().spectrum().current() == r);
}

TEST_CASE("two radios that hear each other are told with what they lose, and a click chooses both") {
    BoardDriver d;
    d.set(13, band_5, {band_5, 106, 80}, 100);
    d.set(12, band_5, {band_5, 110, 40}, 108);
    MeetingsList& list = d.window.spectrum().meetings();
    int row = -1;
    for (int i = 0; i < list.count(); ++i)
        if (list.words(i).startsWith("12 from 13") || list.words(i).startsWith("13 from 12")) row = i;
    REQUIRE(row >= 0);
    CHECK(list.words(row).contains("heard at"));
    list.scrollToItem(list.item(row));
    QTest::mouseClick(list.viewport(), Qt::LeftButton, {}, list.visualItemRect(list.item(row)).center());
    CHECK(d.w().spectrum().chosen().size() == 2);
    CHECK(d.w().spectrum().is_chosen(d.ref(13, band_5)));
    CHECK(d.w().spectrum().is_chosen(d.ref(12, band_5)));
    REQUIRE(d.settle());
    picture(d.window, "board_meeting");
}

TEST_CASE("where a radio could go stands in Details, least lost first, and a button moves it") {
    BoardDriver d;
    d.set(17, band_5, {band_5, 106, 80}, 100);
    QTest::mouseClick(&d.board(), Qt::LeftButton, {}, d.middle(d.ref(17, band_5)));
    REQUIRE(d.settle());
    auto* where = d.window.findChild<WhereItCouldGo*>();
    REQUIRE(where);
    REQUIRE(where->rows().size() > 20);
    for (std::size_t i = 1; i < where->rows().size(); ++i)
        CHECK(where->rows()[i - 1].air.lost + where->rows()[i - 1].air.taken <=
              where->rows()[i].air.lost + where->rows()[i].air.taken + 0.002);
    CHECK(std::ranges::count_if(where->rows(), [](const auto& r) { return r.now; }) == 1);
    picture(d.window, "board_where");
    QTest::mouseClick(where->list()->viewport(), Qt::LeftButton, {},
                      where->list()->visualItemRect(where->list()->item(0)).center());
    const Channel to = where->rows()[0].open.permit.channel;
    auto* move = where->findChild<QPushButton*>("moveRadio");
    REQUIRE(move->isEnabled());
    QTest::mouseClick(move, Qt::LeftButton);
    CHECK(d.radio(17, band_5).channel == to);
    REQUIRE(d.settle());
    CHECK_FALSE(move->isEnabled());
}

TEST_CASE("the board of an empty project says what to do, and stands without demand") {
    Driver d;
    d.window.open_project(new_project("Empty", {}), {});
    d.w().activity().set_step(Step::spectrum);
    QTest::qWait(50);
    CHECK(d.window.spectrum().summary().contains("place access points"));
    CHECK(d.window.spectrum().board().radios().empty());
    picture(d.window, "board_empty");
}
