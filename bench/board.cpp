// SPDX-License-Identifier: GPL-3.0-or-later
// Dragging a block of the spectrum board in the real window at 1280x800: from the edit to the painted board,
// plan and list; and until prediction, verdict and capacity are there.
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/spectrum.h"
#include "app/spectrum/board_view.h"
#include "app/spectrum/meetings_list.h"
#include "app/spectrum/spectrum_page.h"
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
        return window.runner().is_idle() && w.results().prediction() && w.results().prediction()->verdict &&
               w.results().find<SiteHearing>();
    };
    w.in_view().show_floor(find_floor(w.project(), "First floor")->id);
    w.activity().set_step(Step::spectrum);
    if (!QTest::qWaitFor(idle, 10000)) return 2;
    QTest::qWait(200);
    BoardView& board = window.spectrum().board();
    std::size_t block = 0;
    for (std::size_t i = 0; i < board.radios().size(); ++i)
        if (board.board().blocks[i].channel.band == band_5 && board.board().blocks[i].here) block = i;
    const render::BoardLane& lane = *board.arranged().lane(band_5);
    const QPointF from = board.arranged().rect(block).center();
    const double home = lane.mhz(from.x());
    std::printf("dragging a block of %d MHz among %zu radios, board %d x %d px\n",
                board.board().blocks[block].channel.width_mhz, board.radios().size(), board.width(),
                board.height());
    QTest::mousePress(&board, Qt::LeftButton, {}, from.toPoint());
    std::vector<double> frame, whole, edit, painted_board, painted_plan;
    for (int i = 1; i <= 120; ++i) {
        const Project before = w.project();
        const double mhz = i % 2 ? 5190 + 40 * (i % 8) : 5510 + 40 * (i % 5);
        const QPointF to = from + QPointF((mhz - home) * lane.px_per_mhz, 0);
        QMouseEvent e(QEvent::MouseMove, to, board.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                      Qt::NoModifier);
        const double edited = milliseconds([&] { QApplication::sendEvent(&board, &e); });
        const double on_board = milliseconds([&] { board.repaint(); });
        const double on_plan = milliseconds([&] { window.plan().repaint(); });
        const double in_list = milliseconds([&] { window.spectrum().meetings().repaint(); });
        const double took = edited + on_board + on_plan + in_list;
        if (w.project() == before) continue;
        frame.push_back(took);
        edit.push_back(edited);
        painted_board.push_back(on_board);
        painted_plan.push_back(on_plan);
        whole.push_back(
            took + milliseconds([&] {
                for (int waited = 0; waited < 2000 && !(w.results().prediction()->project == w.project() &&
                                                        w.results().prediction()->verdict);
                     ++waited)
                    QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 1);
            }));
        QTest::qWait(10);
    }
    QTest::mouseRelease(&board, Qt::LeftButton, {}, from.toPoint());
    print("one frame: edit, board, plan and list painted", figures(frame));
    print("  of it the edit", figures(edit));
    print("  of it painting the board", figures(painted_board));
    print("  of it painting the plan", figures(painted_plan));
    print("the same until verdict and capacity are there", figures(whole));
    return 0;
}
