// SPDX-License-Identifier: GPL-3.0-or-later
// Dragging an access point in the real window at 1280x800: from the edit to the painted plan and the new
// verdict.
#include "app/model/document.h"
#include "app/model/results.h"
#include "bench/timing.h"
#include "bench/window.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

int main(int argc, char** argv) {
    BenchWindow bench(argc, argv);
    AppWindow& window = *bench;
    window.open_demo();
    Workspace& w = window.workspace();
    const auto idle = [&] {
        return window.runner().is_idle() && w.results().prediction() && w.results().prediction()->verdict;
    };
    if (!QTest::qWaitFor(idle, 10000)) return 2;
    QTest::qWait(200);
    PlanView& plan = window.plan();
    const QPoint from = plan.map().to_screen(access_points(w.project(), w.floor_id())[3].position).toPoint();
    const FloorPrediction* f = w.results().floor_prediction();
    std::printf("dragging one access point, floor in view %d x %d cells of %.1f m, plan %d x %d px\n",
                f->surface.columns, f->surface.rows, f->surface.cell_m, plan.width(), plan.height());
    // as fast as frames can follow each other, then as a hand moves, 30 times a second
    for (const int pause_ms : {0, 33}) {
        QTest::mousePress(&plan, Qt::LeftButton, {}, from);
        std::vector<double> frame, verdict, paint, map, edit;
        for (int i = 1; i <= 60; ++i) {
            if (pause_ms > 0) QTest::qWait(pause_ms);
            const Project project = w.project();
            bool moved = false;
            frame.push_back(milliseconds([&] {
                edit.push_back(milliseconds([&] {
                    const QPointF to = QPointF(from) + QPointF(-6 - 2.0 * i, 1.0 * (i % 20));
                    QMouseEvent e(QEvent::MouseMove, to, plan.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                                  Qt::NoModifier);
                    QApplication::sendEvent(&plan, &e);
                }));
                moved = !(w.project() == project);  // a step too small for the snapping grid asks for nothing
                const auto shown = [&] {
                    return w.results().prediction()->project == w.project() &&
                           plan.painted() == w.results().prediction().get();
                };
                for (int waited = 0; moved && waited < 1000 && !shown(); ++waited)
                    QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 1);
            }));
            if (!moved) {
                frame.pop_back();
                edit.pop_back();
                continue;
            }
            verdict.push_back(frame.back() + milliseconds([&] {
                                  for (int waited = 0; waited < 1000 && !w.results().prediction()->verdict;
                                       ++waited)
                                      QCoreApplication::processEvents(
                                          QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 1);
                              }));
            paint.push_back(plan.last_paint_ms());
            map.push_back(plan.last_map_ms());
        }
        QTest::mouseRelease(&plan, Qt::LeftButton, {}, from);
        std::printf("%s\n", pause_ms == 0 ? "frame after frame:" : "33 ms apart:");
        print("one frame: edit, prediction, map painted", figures(frame));
        print("the same until all floors and the verdict are there", figures(verdict));
        print("  of it the edit on the interface thread", figures(edit));
        print("  of it painting the plan", figures(paint));
        print("  of it colouring the map", figures(map));
        w.document().history().undo();
        if (!QTest::qWaitFor(idle, 10000)) return 2;
        QTest::qWait(100);
    }
    return 0;
}
