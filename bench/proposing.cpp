// SPDX-License-Identifier: GPL-3.0-or-later
// proposing [SECONDS]: a proposal for the demo in the real window: how long the event loop stands still while
// it is searched for, shown, stopped, asked why, and while variants stand side by side; and which threads are
// left.
#include <QComboBox>
#include <QPushButton>
#include <QWheelEvent>
#include <fstream>

#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/proposal/proposal_page.h"
#include "app/proposal/why_asked.h"
#include "app/variants/variants_page.h"
#include "bench/gaps.h"
#include "bench/timing.h"
#include "bench/window.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

namespace {

/// Of this process.
int threads() {
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.starts_with("Threads:")) return std::stoi(line.substr(8));
    return -1;
}

void turn_wheel(QWidget& at, int by) {
    const QPointF middle(at.width() / 2.0, at.height() / 2.0);
    QWheelEvent e(middle, at.mapToGlobal(middle), {}, {0, by}, Qt::NoButton, {}, Qt::NoScrollPhase, false);
    QApplication::sendEvent(&at, &e);
}

}  // namespace

int main(int argc, char** argv) {
    const int index = argc > 1 && std::atof(argv[1]) < 30 ? 0 : 1;  // 15 s or a minute
    BenchWindow bench(argc, argv);
    AppWindow& window = *bench;
    Workspace& w = window.workspace();
    window.open_demo();
    w.in_view().show_floor(find_floor(w.project(), "Ground floor")->id);
    w.activity().set_step(Step::placement);
    const auto predicted = [&] {
        return window.runner().is_idle() && w.results().prediction() && w.results().prediction()->verdict;
    };
    if (!QTest::qWaitFor(predicted, 20000)) return 2;
    QTest::qWait(300);
    window.action("placement.propose")->trigger();
    ProposalPage& page = window.proposal();
    page.findChild<QComboBox*>("proposalSeconds")->setCurrentIndex(index);
    auto* begin = page.findChild<QPushButton*>("proposalBegin");
    QTest::qWait(300);
    Gaps gaps;
    // stopped a little later each time
    const int before = threads();
    std::vector<double> stopping;
    for (int i = 0; i < 6; ++i) {
        gaps.take();
        begin->click();
        QTest::qWait(200 + 700 * i);
        begin->click();
        while (page.is_working()) QTest::qWait(1);
        QTest::qWait(100);
        stopping.push_back(gaps.take());
    }
    QTest::qWait(1000);
    const int after = threads();
    begin->click();
    std::vector<double> searching;
    std::size_t plans = 0;
    auto shown = page.shown();
    for (int i = 0; page.is_working(); ++i) {
        gaps.take();
        QTest::qWait(40);
        turn_wheel(window.plan(), i % 20 < 10 ? 60 : -60);
        QTest::mouseMove(&window.plan(), QPoint(200 + i % 300, 120));
        searching.push_back(gaps.take());
        plans += page.shown() != shown;
        shown = page.shown();
    }
    if (!page.shown()) return 2;
    std::printf("search of %.0f s, %zu plans shown\n", page.shown()->seconds, plans);
    print("the window stood still while it was stopped", figures(stopping));
    print("while searched, with the plan zoomed", figures(searching));
    std::vector<double> asking;
    WhyAsked& why = window.proposal_why();
    for (const ProposalMove& m : page.shown()->plan.moves) {
        if (m.floor != w.floor_id() || m.kind == MoveKind::removed) continue;
        gaps.take();
        QTest::mouseClick(&window.plan(), Qt::LeftButton, {}, window.plan().map().to_screen(m.to).toPoint());
        if (!QTest::qWaitFor([&] { return why.why().whole; }, 20000)) return 2;
        asking.push_back(gaps.take());
    }
    print("while asked why", figures(asking));
    page.findChild<QPushButton*>("proposalVariant")->click();
    if (!QTest::qWaitFor(predicted, 20000)) return 2;
    QTest::qWait(300);
    std::vector<double> beside;
    gaps.take();
    window.action("variant.side-by-side")->trigger();
    while (!window.variants().is_idle()) QTest::qWait(1);
    beside.push_back(gaps.take());
    for (int i = 0; i < 30; ++i) {
        turn_wheel(window.variants().map(0), i % 10 < 5 ? 60 : -60);
        QTest::qWait(20);
        beside.push_back(gaps.take());
    }
    print("variants side by side, zoomed", figures(beside));
    std::printf("threads before the searches that were stopped %d, after them %d\n", before, after);
}
