// SPDX-License-Identifier: GPL-3.0-or-later
// The report of the demo and of a tower in the real window: how long the event loop stands still while pages
// are made and painted, sections are ticked, a report and files are written.
#include <QAbstractButton>
#include <QListWidget>
#include <QScrollBar>
#include <QTemporaryDir>

#include "app/handover/handover_page.h"
#include "app/handover/report_side.h"
#include "bench/gaps.h"
#include "bench/scenes.h"
#include "bench/timing.h"
#include "bench/window.h"
#include "demo/demo.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

namespace {

/// Gaps while something goes on, a figure every 40 ms.
template <class Busy>
std::vector<double> gaps_while(Gaps& gaps, Busy busy) {
    std::vector<double> all;
    gaps.take();
    do {
        QTest::qWait(40);
        all.push_back(gaps.take());
    } while (busy());
    return all;
}

void told(Gaps& gaps, const char* what, const std::vector<double>& gaps_ms) {
    print(what, figures(gaps_ms));
    std::printf("    of which it computed, worst %.2f ms\n", gaps.take_computed());
}

bool run(AppWindow& window, const char* name, const Project& project) {
    window.open_project(project, {});
    if (!QTest::qWaitFor([&] { return window.runner().is_idle(); }, 120'000)) return false;
    QTest::qWait(500);
    HandoverPage& page = window.handover();
    const QTemporaryDir folder;
    window.asking().save_file = [&](const QString&, const QString&, const QString&) {
        return folder.filePath("plan.pdf");
    };
    window.asking().folder = [&](const QString&) { return folder.filePath("files"); };
    const auto busy = [&] { return page.is_working(); };
    Gaps gaps;
    gaps.take();
    window.action("file.handover")->trigger();
    auto making = gaps_while(gaps, [&] { return busy() || !page.preview().report(); });
    std::printf("%s, %zu pages\n", name, page.preview().report()->pages.pages.size());
    told(gaps, "the window stood still while the report was made", making);
    std::vector<double> scrolling;
    QScrollBar* bar = page.preview().verticalScrollBar();
    for (int i = 0; i < 60; ++i) {
        gaps.take();
        bar->setValue(bar->maximum() * i / 60);
        QTest::qWait(30);
        scrolling.push_back(gaps.take());
    }
    told(gaps, "while its pages were leafed through", scrolling);
    std::vector<double> ticking;
    QListWidget& sections = page.side().sections();
    for (const Qt::CheckState state : {Qt::Unchecked, Qt::Checked}) {
        sections.item(1)->setCheckState(state);
        for (double gap : gaps_while(gaps, busy)) ticking.push_back(gap);
    }
    told(gaps, "while sections were ticked", ticking);
    page.write_report();
    told(gaps, "while the report was written", gaps_while(gaps, busy));
    page.write_files();
    told(gaps, "while all files were written", gaps_while(gaps, busy));
    emit page.left();
    return true;
}

}  // namespace

int main(int argc, char** argv) {
    BenchWindow bench(argc, argv);
    const bool done = run(*bench, "demo", demo::make_demo()) &&
                      run(*bench, "tower of 40 storeys", tower(40, 50, 30, 200, 10));
    return done ? 0 : 2;
}
