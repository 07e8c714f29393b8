// SPDX-License-Identifier: GPL-3.0-or-later
// The report of a tower: how long it takes from the project to the bytes of a PDF, and how much memory.
//   bench_handover [STOREYS] [ACCESS_POINTS]
#include <sys/resource.h>

#include <chrono>
#include <cstdio>
#include <cstdlib>

#include "bench/scenes.h"
#include "demo/demo.h"
#include "render/headless.h"
#include "render/report/sections.h"
#include "render/report/written_report.h"
#include "render/web_plan/web_plan.h"

using namespace yemvo;
using namespace yemvo::bench;
namespace report = yemvo::render::report;

namespace {

class Clock {
public:
    double lap_s() {
        const auto now = std::chrono::steady_clock::now();
        const double s = std::chrono::duration<double>(now - at_).count();
        at_ = now;
        return s;
    }

private:
    std::chrono::steady_clock::time_point at_ = std::chrono::steady_clock::now();
};

void run(const char* name, Project p) {
    p.handover.report.maps = {{"signal", {"5"}}, {"snr", {"5"}}, {"next_best", {"5"}}};
    Clock clock;
    report::ReportFacts facts;
    {
        Predictor predictor;
        facts = report::gather_report(p, predictor, {}, {}, {true, true});
    }
    const double gathered_s = clock.lap_s();
    const report::Report made = report::make_report(facts);
    const auto pages = report::lay_out(made).pages.size();
    const double laid_s = clock.lap_s();
    const QByteArray pdf = report::report_pdf(made);
    const double written_s = clock.lap_s();
    const std::string page = render::web_plan(facts);
    const double web_s = clock.lap_s();
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    std::printf(
        "%s: %zu floors, %zu access points, %zu pages: gathered in %.1f s, laid out in %.1f s, written in "
        "%.1f s (%.1f MB), "
        "%.1f s in all; as one web page in %.1f s (%.1f MB); %.0f MB of memory at most\n",
        name, all_floors(p).size(), placed_access_points(p).size(), pages, gathered_s, laid_s, written_s,
        double(pdf.size()) / 1e6, gathered_s + laid_s + written_s, web_s, double(page.size()) / 1e6,
        double(used.ru_maxrss) / 1024);
    std::fflush(stdout);
}

}  // namespace

int main(int argc, char** argv) {
    const render::Headless headless;
    const int storeys = argc > 1 ? std::atoi(argv[1]) : 40, points = argc > 2 ? std::atoi(argv[2]) : 400;
    if (storeys < 1 || points < storeys) {
        std::fprintf(stderr, "usage: bench_handover [STOREYS] [ACCESS_POINTS]\n");
        return 2;
    }
    run("demo", demo::make_demo());
    run("tower", tower(storeys, 50, 30, 200, points / storeys));
}
