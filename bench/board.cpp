// SPDX-License-Identifier: GPL-3.0-or-later
// Dragging a block of the spectrum board in the real window at 1280x800: from the edit to the painted board,
// plan and list; and until prediction, verdict and capacity are there.
#include <QEvent>
#include <set>

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

namespace {

/// Sees to it that some widgets are painted in each frame, and once.
class Paints : public QObject {
public:
    explicit Paints(std::vector<QWidget*> of) : of_(std::move(of)) {
        for (QWidget* w : of_) w->installEventFilter(this);
    }
    void reset() { seen_.clear(); }
    /// Those that were not are painted now.
    void rest() {
        for (QWidget* w : of_)
            if (!seen_.contains(w)) w->repaint();
    }

private:
    bool eventFilter(QObject* o, QEvent* e) override {
        if (e->type() == QEvent::Paint) seen_.insert(o);
        return false;
    }
    std::vector<QWidget*> of_;
    std::set<QObject*> seen_;
};

}  // namespace

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
    std::vector<double> frame, whole, edit, painted, painted_board, painted_plan;
    Paints paints({&board, &window.plan(), window.spectrum().meetings().viewport()});
    for (int i = 1; i <= 120; ++i) {
        const Project before = w.project();
        const double mhz = i % 2 ? 5190 + 40 * (i % 8) : 5510 + 40 * (i % 5);
        const QPointF to = from + QPointF((mhz - home) * lane.px_per_mhz, 0);
        QMouseEvent e(QEvent::MouseMove, to, board.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                      Qt::NoModifier);
        const double edited = milliseconds([&] { QApplication::sendEvent(&board, &e); });
        // Qt paints all that waits to be painted with the first widget that is: a frame as it reaches the eye
        paints.reset();
        const double on_screen = milliseconds([&] {
            board.repaint();
            paints.rest();
        });
        const double took = edited + on_screen;
        if (w.project() == before) continue;
        frame.push_back(took);
        edit.push_back(edited);
        painted.push_back(on_screen);
        painted_board.push_back(milliseconds([&] { board.repaint(); }));
        painted_plan.push_back(milliseconds([&] { window.plan().repaint(); }));
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
    print("one frame: the edit, and all that it changed painted", figures(frame));
    print("  of it the edit", figures(edit));
    print("  of it painting", figures(painted));
    print("the board alone", figures(painted_board));
    print("the plan alone", figures(painted_plan));
    print("the same until verdict and capacity are there", figures(whole));
    return 0;
}
