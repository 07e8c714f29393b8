// SPDX-License-Identifier: GPL-3.0-or-later
// A hall of 300 m x 200 m with 10,000 pieces and 200 access points in the real window: how long the event
// loop stands still while everything is predicted anew, while that is cancelled, and while an access point is
// dragged.
#include <QTemporaryDir>

#include "app/model/activity.h"
#include "app/model/results.h"
#include "app/shell/status_line.h"
#include "bench/gaps.h"
#include "bench/scenes.h"
#include "bench/timing.h"
#include "bench/window.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

namespace {

bool idle(AppWindow& window) {
    Workspace& w = window.workspace();
    return window.runner().is_idle() && w.results().prediction() && w.results().prediction()->verdict &&
           w.results().prediction()->project == w.project();
}

void wait(AppWindow& window) {
    while (!idle(window)) QTest::qWait(1);
}

}  // namespace

int main(int argc, char** argv) {
    BenchWindow bench(argc, argv);
    AppWindow& window = *bench;
    Workspace& w = window.workspace();
    Project project = hall();
    project.settings.grid_m = 1;
    const double opened = milliseconds([&] {
        window.open_project(project, {});
        w.activity().set_step(Step::placement);
    });
    wait(window);
    QTest::qWait(500);
    std::printf("hall of 300 m x 200 m, 10,000 pieces, 200 access points, 1 m grid, in the window\n");
    std::printf("%-66s %8.1f ms\n", "put into the window", opened);

    Gaps gaps;
    std::vector<double> whole, recomputed, cancelled, dragged, probed, saved, opened_again;
    for (int i = 1; i <= 5; ++i) {
        gaps.take();
        whole.push_back(milliseconds([&] {
            w.edit("Height", [&](Project& p) { p.settings.client_height_m = 1.2 + 0.05 * i; });
            wait(window);
        }));
        QTest::qWait(100);
        recomputed.push_back(gaps.take());
        w.edit("Height", [&](Project& p) { p.settings.client_height_m = 0.9 - 0.05 * i; });
        QTest::qWait(350);
        emit window.status().cancel_asked();
        while (!window.runner().is_idle()) QTest::qWait(1);
        QTest::qWait(100);
        cancelled.push_back(gaps.take());
    }
    w.edit("Height", [&](Project& p) { p.settings.client_height_m = 1.2; });
    wait(window);
    PlanView& plan = window.plan();
    const QPoint from = plan.map().to_screen(access_points(w.project(), w.floor_id())[77].position).toPoint();
    const auto drag = [&](std::vector<double>& worst) {
        gaps.take();
        QTest::mousePress(&plan, Qt::LeftButton, {}, from);
        for (int i = 1; i <= 20; ++i) {
            const QPointF to = QPointF(from) + QPointF(3.0 * i, 2.0 * i);
            QMouseEvent e(QEvent::MouseMove, to, plan.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                          Qt::NoModifier);
            QApplication::sendEvent(&plan, &e);
            QTest::qWait(30);
            worst.push_back(gaps.take());
        }
        QTest::mouseRelease(&plan, Qt::LeftButton, {}, from);
    };
    drag(dragged);
    wait(window);
    w.activity().set_tool(ToolId::probe);
    drag(probed);
    // a file of that size, read and written behind the window
    QTemporaryDir folder;
    const QString file = folder.path() + "/hall.yemvo";
    window.asking().save_file = [&](const QString&, const QString&, const QString&) { return file; };
    const auto at_rest = [&] { return !window.is_working(); };
    for (int i = 0; i < 5; ++i) {
        gaps.take();
        window.save();
        if (!QTest::qWaitFor(at_rest, 60'000)) return 2;
        saved.push_back(gaps.take());
    }
    wait(window);
    for (int i = 0; i < 5; ++i) {
        gaps.take();
        window.open_file(file);
        if (!QTest::qWaitFor(at_rest, 60'000)) return 2;
        wait(window);
        opened_again.push_back(gaps.take());
    }
    print("everything predicted anew, until painted with verdict", figures(whole));
    print("longest gap of the event loop meanwhile", figures(recomputed));
    print("longest gap while that is cancelled", figures(cancelled));
    print("longest gap in a move of an access point", figures(dragged));
    print("longest gap in a move of a probe", figures(probed));
    print("longest gap while it is saved", figures(saved));
    print("longest gap while it is opened and predicted", figures(opened_again));
    return 0;
}
