// SPDX-License-Identifier: GPL-3.0-or-later
// Drawing on a floor of 10,000 wall pieces in the real window at 1280x800: what a frame takes while the
// pointer moves, what snapping takes of it, and what an added wall takes until it is painted.
#include <random>

#include "app/model/activity.h"
#include "app/plan/snapping.h"
#include "bench/timing.h"
#include "bench/window.h"
#include "project/edits.h"
#include "project/room_walls.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

namespace {

constexpr double hall_width_m = 300, hall_depth_m = 200;

/// Rooms of 6 x 5 m on a hall floor: rows and columns of walls, cut into single pieces with some doors.
Project hall() {
    Project p = new_project("Hall", {LengthUnits::metres, "GB", 1.2, 7}, 1, 4);
    std::vector<Wall> walls;
    const WallTypeId types[] = {find_type(p, "plasterboard"), find_type(p, "brick-half"),
                                find_type(p, "glass-partition"), find_type(p, "timber-frame")};
    const WallTypeId door = find_type(p, "door-timber");
    std::mt19937 engine(1);
    const auto add = [&](Point a, Point b) {
        Wall w;
        w.type = types[engine() % 4];
        w.points = {a, b};
        if (engine() % 4 == 0) {
            Opening o;
            o.type = door;
            o.start_m = 1;
            w.openings.push_back(o);
        }
        walls.push_back(w);
    };
    for (double y = 0; y <= hall_depth_m; y += 3.4)
        for (double x = 0; x < hall_width_m; x += 3.6) add({x, y}, {x + 3.6, y});
    for (double x = 0; x <= hall_width_m + 1; x += 3.6)
        for (double y = 0; y < hall_depth_m - 1; y += 3.4) add({x, y}, {x, y + 3.4});
    while (walls.size() > 10'000) walls.pop_back();
    for (Wall& w : walls) {
        w.id = new_id<WallId>(p);
        for (Opening& o : w.openings) o.id = new_id<OpeningId>(p);
    }
    p.buildings[0].floors[0].walls = std::move(walls);
    return p;
}

void send_move(PlanView& plan, QPointF to) {
    QMouseEvent e(QEvent::MouseMove, to, plan.mapToGlobal(to), Qt::NoButton, Qt::NoButton, Qt::NoModifier);
    QApplication::sendEvent(&plan, &e);
}

void zoomed(PlanView& plan, double px_per_m) { plan.zoom(px_per_m / plan.map().px_per_m); }

}  // namespace

int main(int argc, char** argv) {
    BenchWindow bench(argc, argv);
    AppWindow& window = *bench;
    const Project project = hall();
    window.open_project(project, {});
    Workspace& w = window.workspace();
    w.activity().set_step(Step::venue);
    PlanView& plan = window.plan();
    (void)QTest::qWaitFor([&] { return window.runner().is_idle(); }, 20000);
    QTest::qWait(1500);  // the findings of the floor
    std::printf("a floor of %zu wall pieces, plan %d x %d px\n", w.floor()->walls->size(), plan.width(),
                plan.height());

    w.activity().set_tool(ToolId::wall);
    for (const double px_per_m : {plan.map().px_per_m, 12.0, 40.0}) {
        zoomed(plan, px_per_m);
        QTest::qWait(200);
        std::printf("at %.1f px a metre\n", px_per_m);
        QTest::mouseClick(&plan, Qt::LeftButton, {}, plan.rect().center() - QPoint(200, 150));
        std::vector<double> frame;
        for (int i = 0; i < 120; ++i) {
            const QPointF to =
                QPointF(plan.rect().center()) + QPointF(3.1 * (i % 60) - 90, 1.7 * (i % 37) - 40);
            frame.push_back(milliseconds([&] {
                send_move(plan, to);
                plan.repaint();
            }));
        }
        print("  pointer moves while a wall is drawn, painted", figures(frame));
        std::vector<double> drawn, edits;
        for (int i = 0; i < 12; ++i) {
            (void)QTest::qWaitFor([&] { return window.runner().is_idle(); }, 5000);
            QTest::qWait(450);  // a person is not quicker; what runs behind has ended
            const QPoint to = plan.rect().center() + QPoint(17 * i - 100, 60 + 9 * i);
            drawn.push_back(milliseconds([&] {
                edits.push_back(milliseconds([&] {
                    QTest::mouseClick(&plan, Qt::LeftButton, Qt::AltModifier, to);
                    QTest::keyClick(&plan, Qt::Key_Return);
                }));
                plan.repaint();
            }));
            QTest::mouseClick(&plan, Qt::LeftButton, Qt::AltModifier, to + QPoint(31, 5));
        }
        print("  a wall is added and painted", figures(drawn));
        print("    of it the edit, with all that listens", figures(edits));
        QTest::keyClick(&plan, Qt::Key_Escape);
    }

    const Floor& floor = *all_floors(project)[0];
    std::vector<double> index, snaps;
    SnapLines lines;
    for (int i = 0; i < 20; ++i) index.push_back(milliseconds([&] { lines = SnapLines(floor); }));
    print("lines to snap to, made anew", figures(index));
    std::mt19937 engine(2);
    std::uniform_real_distribution<> x(0, hall_width_m), y(0, hall_depth_m);
    for (int i = 0; i < 2000; ++i) {
        SnapOptions o;
        o.from = Point{x(engine), y(engine)};
        const Point at{x(engine), y(engine)};
        snaps.push_back(milliseconds([&] { (void)snap(lines, at, o); }));
    }
    print("one snap", figures(snaps));
    std::vector<double> rooms;
    for (int i = 0; i < 5; ++i)
        rooms.push_back(milliseconds([&] { RoomFinder(room_edges(project, floor)); }));
    print("all rooms of the floor", figures(rooms));
    SceneCache masks(1 << 22);
    const Scene scene = make_scene(project, masks);
    std::vector<double> checks;
    for (int i = 0; i < 3; ++i) checks.push_back(milliseconds([&] { (void)findings(project, scene); }));
    print("all findings (behind the window)", figures(checks));
    return 0;
}
