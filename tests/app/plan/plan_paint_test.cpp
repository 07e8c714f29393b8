// SPDX-License-Identifier: GPL-3.0-or-later
// What the plan keeps painted is what it would paint anew: after each of these the picture is held against
// one made from nothing.
#include <QWheelEvent>

#include "app/driver.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

class Painted : public Driver {
public:
    Painted() {
        window.open_demo();
        REQUIRE(settle());
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
        rest();
    }
    /// Until nothing is on its way: wheel turns are sharpened, drawings painted.
    void rest() {
        plan().grab();
        REQUIRE(settle());
        QTest::qWait(160);
        REQUIRE(QTest::qWaitFor([this] { return !plan().is_reading(); }, 5000));
        turn_of_the_loop();
    }
    QImage now() { return plan().grab().toImage().convertToFormat(QImage::Format_RGB32); }
    /// As a window does that was just opened: all that is kept is thrown away.
    QImage anew() {
        QEvent changed(QEvent::PaletteChange);
        QApplication::sendEvent(&plan(), &changed);
        rest();
        return now();
    }
    /// Share of pixels that are not the same to the eye.
    static double differs(const QImage& a, const QImage& b) {
        REQUIRE(a.size() == b.size());
        int count = 0;
        for (int y = 0; y < a.height(); ++y) {
            const auto* p = reinterpret_cast<const QRgb*>(a.constScanLine(y));
            const auto* q = reinterpret_cast<const QRgb*>(b.constScanLine(y));
            for (int x = 0; x < a.width(); ++x)
                count += std::abs(qRed(p[x]) - qRed(q[x])) + std::abs(qGreen(p[x]) - qGreen(q[x])) +
                             std::abs(qBlue(p[x]) - qBlue(q[x])) >
                         24;
        }
        return static_cast<double>(count) / (a.width() * a.height());
    }
    void check_true() {
        rest();
        const QImage kept = now();
        CHECK(differs(kept, anew()) < 0.002);
    }
    void pan(QPoint by) {
        const QPoint from = plan().rect().center();
        QTest::mousePress(&plan(), Qt::MiddleButton, {}, from);
        for (int i = 1; i <= 8; ++i) {
            const QPointF to = QPointF(from) + QPointF(by) * i / 8;
            QMouseEvent e(QEvent::MouseMove, to, plan().mapToGlobal(to), Qt::NoButton, Qt::MiddleButton, {});
            QApplication::sendEvent(&plan(), &e);
            plan().grab();
        }
        QTest::mouseRelease(&plan(), Qt::MiddleButton, {}, from + by);
    }
    void wheel(Point at, int turns) {
        const QPointF q = plan().map().to_screen(at);
        for (int i = 0; i < std::abs(turns); ++i) {
            QWheelEvent e(q, plan().mapToGlobal(q), {}, {0, turns > 0 ? 120 : -120}, Qt::NoButton, {},
                          Qt::NoScrollPhase, false);
            QApplication::sendEvent(&plan(), &e);
            plan().grab();
        }
    }
    Item item(ItemKind kind) {
        for (const Item& i : all_items(project(), floor()))
            if (i.kind == kind) return i;
        throw std::logic_error("the demo's floor has none");
    }
};

}  // namespace

TEST_CASE("a pan moves what is painted to where it would be painted") {
    Painted d;
    const QImage before = d.now();
    d.pan({64, -40});
    CHECK(Painted::differs(before, d.now()) > 0.05);
    d.check_true();
    d.pan({-300, 176});  // beyond what was drawn round the view
    d.check_true();
}

TEST_CASE("turning the wheel stretches, and what rests is as sharp as anew") {
    Painted d;
    d.wheel({20, 15}, 4);
    d.check_true();
    d.wheel({45, 10}, -7);
    d.check_true();
}

TEST_CASE("choosing things marks them and nothing else, and choosing nothing leaves the picture of before") {
    Painted d;
    d.w().selection().select({});
    d.rest();
    const QImage before = d.now();
    for (const ItemKind kind : {ItemKind::access_point, ItemKind::wall, ItemKind::zone, ItemKind::note}) {
        INFO(static_cast<int>(kind));
        d.w().selection().select({d.item(kind)});
        d.rest();
        const double marked = Painted::differs(before, d.now());
        CHECK(marked > 0.0002);
        CHECK(marked < 0.35);  // a zone is tinted
        d.check_true();
        d.w().selection().select({});
        d.rest();
        CHECK(Painted::differs(before, d.now()) < 0.0005);
    }
}

TEST_CASE("after a drag the map is that of the new place, and undo brings the picture back") {
    Painted d;
    const AccessPoint ap = access_points(d.project(), d.w().floor_id())[3];
    d.w().selection().select({});
    d.rest();
    const QImage before = d.now();
    d.drag(ap.position, ap.position + Point{-6, 4});
    d.w().selection().select({});
    d.check_true();
    CHECK(Painted::differs(before, d.now()) > 0.02);
    d.menu("edit.undo");
    d.w().selection().select({});
    d.rest();
    CHECK(Painted::differs(before, d.now()) < 0.0005);
}

TEST_CASE("what is edited elsewhere on the floor is painted at once: walls, zones, types, hidden kinds") {
    Painted d;
    const FloorId at = d.w().floor_id();
    d.w().edit("Draw wall", [&](Project& p) {
        Wall w;
        w.type = find_type(p, "brick-half");
        w.points = {{22, 14}, {34, 14}};
        add_wall(p, at, w);
    });
    d.check_true();
    d.w().edit("Rename zone", [&](Project& p) {
        Zone z = find_floor(p, at)->zones->front();
        z.name = "Quite another name";
        replace_zone(p, at, z);
    });
    d.check_true();
    d.menu("hide.walls");
    d.check_true();
    d.menu("hide.walls");
    d.menu("hide.zones");
    d.check_true();
    d.w().activity().set_step(Step::venue);
    d.check_true();
}

TEST_CASE("another lens, band, threshold, colouring and floor are painted as if they had been chosen first") {
    Painted d;
    for (const char* action :
         {"map.smooth", "map.opaque-50", "map.labels", "map.band-3", "map.threshold-up"}) {
        INFO(action);
        const QImage before = d.now();
        d.menu(action);
        d.check_true();
        CHECK(Painted::differs(before, d.now()) > 0.0005);
    }
    for (const LensId id : {LensId::serving, LensId::heard, LensId::confidence, LensId::outside}) {
        INFO(lens(id).name);
        d.w().shown().look_through(id);
        d.check_true();
    }
    d.w().shown().look_through(LensId::signal);
    d.w().in_view().show_floor(find_floor(d.project(), "Second floor")->id);
    d.check_true();
}

TEST_CASE("light and dark are two pictures of one plan, and light again is the first") {
    Painted d;
    const QImage light = d.now();
    choose_theme(true);
    d.rest();
    const QImage dark = d.now();
    CHECK(Painted::differs(light, dark) > 0.5);
    choose_theme(false);
    d.rest();
    CHECK(Painted::differs(light, d.now()) < 0.002);
}
