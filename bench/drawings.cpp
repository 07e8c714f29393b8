// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings at size: a tower of 40 floors with 8 drawings, a DXF of 20,000 entities, a 36 x 24 inch PDF page.
#include <QBuffer>
#include <QElapsedTimer>
#include <QPdfWriter>
#include <QTemporaryDir>
#include <array>
#include <fstream>
#include <random>
#include <string>

#include "app/drawings/sheet_canvas.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "bench/timing.h"
#include "bench/window.h"
#include "demo/demo.h"
#include "exchange/dxf_reader.h"
#include "project/edits.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::bench;

namespace {

Bytes bytes_of(const std::string& s) {
    const auto* begin = reinterpret_cast<const std::byte*>(s.data());
    return {begin, begin + s.size()};
}

long peak_mb() {
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.starts_with("VmHWM")) return std::stol(line.substr(6)) / 1024;
    return 0;
}

/// 40 storeys as the library's first floor, four access points on each; eight drawings under the lower ones,
/// each with bytes of its own.
Project tower() {
    const Project demo = demo::make_demo();
    const Floor& model = *find_floor(demo, "First floor");
    Project p = new_project("Tower", demo.settings, 40, 3.6);
    std::size_t index = 0;
    const auto types = [&](WallTypeId id) { return find_type(p, wall_type(demo, id).key); };
    for (const Floor* at : all_floors(p)) {
        const FloorId floor = at->id;
        for (Wall w : *model.walls) {
            w.type = types(w.type);
            for (Opening& o : w.openings) o.type = types(o.type);
            add_wall(p, floor, w);
        }
        for (Point place : {Point{8, 18}, {25, 10}, {40, 15}, {52, 28}})
            add_access_point(p, floor, (*p.models)[1].id, place);
        if (index < 8) {
            static constexpr std::array<const char*, 3> drawn{"Ground floor", "First floor", "Garden"};
            const Drawing& source = find_floor(demo, drawn[index % 3])->drawings->front();
            Bytes own = *demo.assets.at(source.source.asset);
            own.push_back(static_cast<std::byte>(index));
            Drawing d = source;
            d.source.asset = add_asset(p, "sheet-" + std::to_string(index) + "-" + source.source.asset, own);
            add_drawing(p, floor, d);
        }
        ++index;
    }
    return p;
}

std::string cad_of(int entities) {
    std::mt19937 dice(4);
    std::uniform_real_distribution<> x(0, 60000), y(0, 35000), d(-3000, 3000);
    std::string s = "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
    for (int i = 0; i < entities; ++i) {
        const double px = x(dice), py = y(dice);
        const std::string at =
            "\n8\nL" + std::to_string(i % 20) + "\n10\n" + std::to_string(px) + "\n20\n" + std::to_string(py);
        if (i % 5 == 0)
            s += "0\nARC" + at + "\n40\n" + std::to_string(std::abs(d(dice)) + 50) + "\n50\n20\n51\n290\n";
        else
            s += "0\nLINE" + at + "\n11\n" + std::to_string(px + d(dice)) + "\n21\n" +
                 std::to_string(py + d(dice)) + "\n";
    }
    return s + "0\nENDSEC\n0\nEOF\n";
}

/// A 36 x 24 inch page with 40,000 strokes.
QString large_pdf(const QString& folder) {
    const QString file = folder + "/large.pdf";
    QPdfWriter pdf(file);
    pdf.setPageMargins(QMarginsF(0, 0, 0, 0));
    pdf.setPageSize(QPageSize(QSizeF(36, 24), QPageSize::Inch));
    pdf.setResolution(300);
    QPainter p(&pdf);
    std::mt19937 dice(4);
    std::uniform_int_distribution<> x(0, 10800), y(0, 7200), d(-300, 300);
    for (int i = 0; i < 40'000; ++i) {
        const QPoint a(x(dice), y(dice));
        p.drawLine(a, a + QPoint(d(dice), d(dice)));
    }
    return file;
}

/// Longest time the interface thread did not come round, while `done` is not yet so.
template <class Done>
double longest_block_ms(Done done, int timeout_ms = 60'000) {
    QElapsedTimer all, last;
    all.start();
    last.start();
    double longest = 0;
    while (!done() && all.elapsed() < timeout_ms) {
        QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 2);
        longest = std::max(longest, static_cast<double>(last.nsecsElapsed()) / 1e6);
        last.restart();
    }
    return longest;
}

void pan_and_zoom(AppWindow& window, const char* what) {
    PlanView& plan = window.plan();
    std::vector<double> paint;
    QPointF at = plan.rect().center();
    QTest::mousePress(&plan, Qt::MiddleButton, {}, at.toPoint());
    for (int i = 0; i < 60; ++i) {
        at += QPointF(i % 20 < 10 ? 7 : -7, i % 14 < 7 ? 4 : -4);
        QMouseEvent e(QEvent::MouseMove, at, plan.mapToGlobal(at), Qt::NoButton, Qt::MiddleButton,
                      Qt::NoModifier);
        paint.push_back(milliseconds([&] {
            QApplication::sendEvent(&plan, &e);
            plan.repaint();
        }));
        QCoreApplication::processEvents();
    }
    QTest::mouseRelease(&plan, Qt::MiddleButton, {}, at.toPoint());
    std::vector<double> zoom;
    for (int i = 0; i < 30; ++i) {
        QWheelEvent e(at, plan.mapToGlobal(at), {}, QPoint(0, i % 10 < 5 ? 60 : -60), Qt::NoButton,
                      Qt::NoModifier, Qt::NoScrollPhase, false);
        zoom.push_back(milliseconds([&] {
            QApplication::sendEvent(&plan, &e);
            plan.repaint();
        }));
        QCoreApplication::processEvents();
    }
    std::printf("%s\n", what);
    print("  a frame while panning", figures(paint));
    print("  a frame while zooming", figures(zoom));
}

}  // namespace

int main(int argc, char** argv) {
    BenchWindow bench(argc, argv);
    AppWindow& window = *bench;
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    QTemporaryDir folder;
    Workspace& w = window.workspace();

    const Bytes cad = bytes_of(cad_of(20'000));
    std::vector<double> reads;
    std::size_t pieces = 0;
    for (int i = 0; i < 7; ++i)
        reads.push_back(milliseconds([&] { pieces = read_dxf(cad, "bench.dxf").pieces(); }));
    std::printf("DXF of 20,000 entities, %zu pieces\n", pieces);
    print("reading it", figures(reads));

    const QString pdf = large_pdf(folder.path());
    window.open_project(new_project("PDF", {}, 1, 3.5), {});
    QTest::qWait(100);
    std::printf("\nPDF page of 36 x 24 inch, 40,000 strokes\n");
    double blocked = 0;
    const double shown_ms = milliseconds([&] {
        window.import_drawing(pdf);
        blocked = longest_block_ms([&] { return !window.is_working(); });
    });
    std::printf(
        "opened and painted on the preparation page after %.0f ms, the window blocked for at most %.0f ms\n",
        shown_ms, blocked);

    const std::string file = (folder.path() + "/tower.yemvo").toStdString();
    save_project(tower(), file);
    std::printf("\nTower: 40 floors, %zu walls a floor, 160 access points, 8 drawings\n",
                find_floor(demo::compose_venue(), "First floor")->walls->size());
    const double open_ms = milliseconds([&] {
        window.open_file(QString::fromStdString(file));
        longest_block_ms([&] { return !window.is_working(); });
        window.plan().repaint();
        longest_block_ms([&] { return !window.plan().is_reading(); });
    });
    std::printf("opened, the first floor's plan and drawing painted after %.0f ms\n", open_ms);
    w.activity().set_step(Step::venue);
    window.runner().cancel();  // a prediction would take the machine's second core
    QTest::qWait(300);
    pan_and_zoom(window, "plan of 776 x 658 px over a CAD drawing");
    w.in_view().show_floor(all_floors(w.project())[2]->id);
    window.runner().cancel();
    QTest::qWait(300);
    pan_and_zoom(window, "the same over a picture");

    w.activity().set_step(Step::placement);
    QElapsedTimer all;
    all.start();
    w.edit("again", [](Project& p) { p.name += "."; });
    const double predict_block = longest_block_ms(
        [&] {
            return window.runner().is_idle() && w.results().prediction() && w.results().prediction()->verdict;
        },
        580'000);
    std::printf(
        "all maps of all floors and the verdict after %.1f s, the window blocked for at most %.0f ms\n",
        static_cast<double>(all.elapsed()) / 1000, predict_block);
    std::vector<double> switches;
    for (const Floor* f : all_floors(w.project()))
        switches.push_back(milliseconds([&] {
            w.in_view().show_floor(f->id);
            window.plan().repaint();
            QCoreApplication::processEvents();
        }));
    print("another floor shown with its map", figures(switches));
    std::printf("peak memory %ld MB\n", peak_mb());
    return 0;
}
