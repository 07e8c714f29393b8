// SPDX-License-Identifier: GPL-3.0-or-later
// Opens the demo library in the real window and saves pictures of its main views.
//   yemvo_screens FOLDER [TRANSLATION.qm]
#include <QAbstractButton>
#include <QApplication>
#include <QDir>
#include <QFile>
#include <QLineEdit>
#include <QListWidget>
#include <QStandardPaths>
#include <QTableView>
#include <QTest>
#include <cstdio>

#include "app/app_window.h"
#include "app/cables/cables_page.h"
#include "app/drawings/sheet_canvas.h"
#include "app/findings/findings_page.h"
#include "app/first_answer/answer_page.h"
#include "app/gear/gear_page.h"
#include "app/handover/handover_page.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/found_findings.h"
#include "app/model/going.h"
#include "app/model/in_view.h"
#include "app/model/next_things.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/spectrum.h"
#include "app/model/tuning.h"
#include "app/on_air/on_air_page.h"
#include "app/on_air/rule_list.h"
#include "app/plan/plan_view.h"
#include "app/prediction/prediction_runner.h"
#include "app/proof/missed_places.h"
#include "app/proposal/proposal_page.h"
#include "app/proposal/why_asked.h"
#include "app/variants/variants_page.h"
#include "project/edits.h"
#include "project/kinds/thing_edits.h"
#include "render/report/access_point_sheet.h"
#include "render/report/figure_picture.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;

namespace {

bool settle(AppWindow& window) {
    window.plan().grab();  // the plan asks for its drawings when it is painted
    return QTest::qWaitFor(
               [&] {
                   return window.runner().is_idle() && !window.plan().is_reading() &&
                          window.workspace().results().prediction() &&
                          window.workspace().results().prediction()->verdict.has_value();
               },
               20000) &&
           (QTest::qWait(60), true);
}

bool shoot(AppWindow& window, const QString& folder, const char* name) {
    const QString file = folder + "/" + name + ".png";
    const bool done = settle(window) && window.grab().save(file);
    std::printf("%s %s\n", done ? "wrote" : "could not write", qPrintable(file));
    return done;
}

QPoint at(AppWindow& window, Point p) { return window.plan().map().to_screen(p).toPoint(); }

void drag_to(QWidget* widget, QPoint to) { QTest::mouseMove(widget, to); }

void press_main(AppWindow& window, const char* name) {
    for (auto* b : window.findChildren<QAbstractButton*>())
        if (b->property("tests").toString() == name) QTest::mouseClick(b, Qt::LeftButton);
}

void click(AppWindow& window, Point p) {
    QTest::mouseMove(&window.plan(), at(window, p));
    QTest::mouseClick(&window.plan(), Qt::LeftButton, Qt::NoModifier, at(window, p));
}

/// The ground floor's DXF prepared again with a layer left out and a frame round the building.
bool shoot_preparation(AppWindow& window, const QString& folder) {
    const Drawing d = *window.workspace().drawings().drawing();
    window.prepare_again(d.id);
    if (!QTest::qWaitFor([&] { return !window.is_working(); }, 10000)) return false;
    auto* layers = window.findChild<QListWidget*>("prepareLayers");
    for (int i = 0; i < layers->count(); ++i)
        if (layers->item(i)->text().startsWith("GRID")) layers->item(i)->setCheckState(Qt::Unchecked);
    SheetCanvas& canvas = window.prepare().canvas();
    const QPoint from = canvas.px({-1000, -36'000}).toPoint(), to = canvas.px({61'000, 1000}).toPoint();
    QTest::mousePress(&canvas, Qt::LeftButton, Qt::NoModifier, from);
    for (int i = 1; i <= 4; ++i) {
        const QPointF here = from + (to - from) * i / 4;
        QMouseEvent e(QEvent::MouseMove, here, canvas.mapToGlobal(here), Qt::NoButton, Qt::LeftButton,
                      Qt::NoModifier);
        QApplication::sendEvent(&canvas, &e);
    }
    QTest::mouseRelease(&canvas, Qt::LeftButton, Qt::NoModifier, to);
    if (!QTest::qWaitFor([&] { return !window.is_working(); }, 10000)) return false;
    QTest::qWait(60);
    const bool done = window.grab().save(folder + "/prepare.png");
    std::printf("%s %s/prepare.png\n", done ? "wrote" : "could not write", qPrintable(folder));
    QTest::keyClick(&canvas, Qt::Key_Escape);
    return done;
}

bool shoot_drawings(AppWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    const FloorId ground = find_floor(w.project(), "Ground floor")->id;
    w.activity().set_step(Step::venue);
    w.in_view().show_floor(ground);
    settle(window);
    bool done = shoot_preparation(window, folder);

    press_main(window, "siteButton");
    w.in_view().choose_building(w.project().buildings[1].id);
    done = shoot(window, folder, "site") && done;
    w.in_view().show_site(false);
    return done;
}

void trigger(AppWindow& window, const char* command) {
    QAction* a = window.action(command);
    if (!a) throw std::logic_error(std::string("no command ") + command);
    a->trigger();
}

/// A capture that stands with the tests, read without a plan.
bool shoot_on_air(AppWindow& window, const QString& folder) {
    trigger(window, "view.on-air");
    window.on_air().open(QStringLiteral(AIR_CAPTURE));
    if (!QTest::qWaitFor([&] { return window.on_air().air() != nullptr; }, 10'000)) return false;
    QTest::qWait(50);
    window.on_air().rules().setCurrentRow(0);
    QTest::qWait(50);
    const bool done = window.grab().save(folder + "/on-air.png");
    std::printf("%s %s/on-air.png\n", done ? "wrote" : "could not write", qPrintable(folder));
    QTest::keyClick(&window.on_air(), Qt::Key_Escape);
    return done;
}

/// A block widened until it meets others, and the plan that mends that.
bool shoot_spectrum(AppWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    std::optional<RadioRef> chosen;
    for (const AirRadio& r : w.spectrum().now()->air.radios)
        if (r.number == 17 && r.channel.band == band_5) chosen = RadioRef{r.access_point, r.radio};
    if (!chosen) return false;
    w.edit("Heard", [&](Project& p) {
        ListeningPlace place{{}, "Stairs", {27, 26}, {}};
        place.heard.push_back(
            {"ropewalk-loft", "02:06:9c:41:d2:77", {band_5, 58, 80}, 52, -71, 0.17, 5, 1, "ax"});
        place.heard.push_back({"tidewatch", "02:88:17:5c:e4:60", {band_24, 6, 20}, 6, -66, 0.12, 2, 1, "ac"});
        add_thing(p, w.floor_id(), place);
    });
    w.spectrum().choose({*chosen});
    tune(w, {{*chosen, {band_5, 106, 80}, 100}});
    bool done = shoot(window, folder, "spectrum");
    w.document().history().undo();
    w.document().history().undo();
    w.spectrum().choose({});
    settle(window);
    return done;
}

/// What is drawn, composed and found in the step Venue.
bool shoot_building(AppWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    const FloorId ground = find_floor(w.project(), "Ground floor")->id;
    w.activity().set_step(Step::venue);

    bool done = true;
    w.in_view().show_floor(ground);
    trigger(window, "view.gear");
    for (const AccessPointModel& m : *w.project().models)
        if (m.key == "density-switch") window.gear().show_gear({m.id, {}});
    QTest::mouseClick(window.findChild<QAbstractButton*>("modelRadio2"), Qt::LeftButton);
    done = shoot(window, folder, "gear") && done;
    window.gear().left();

    // three things that cannot be meant
    w.edit("Slips", [&](Project& p) {
        Wall wall;
        wall.type = find_type(p, "plasterboard");
        wall.points = {{38, 34.9}, {38, 30}};
        add_wall(p, ground, wall);
        wall.points = {{36, 11}, {43.3, 11}};
        add_wall(p, ground, wall);
        add_zone(p, ground, {{}, "Quiet corner", ZoneKind::served, {{10, 2}, {20, 2}, {20, 6}, {10, 6}}});
    });
    trigger(window, "view.findings");
    (void)QTest::qWaitFor([&] { return w.found().open() >= 3; }, 5000);
    window.findings().table()->selectRow(0);
    done = shoot(window, folder, "findings") && done;
    w.document().history().undo();
    trigger(window, "view.tray");
    w.selection().select({});
    return done;
}

/// The proposed access point of a floor that may be moved furthest is asked why.
bool ask_why(AppWindow& window, FloorId floor) {
    WhyAsked& why = window.proposal_why();
    std::pair<double, AccessPointId> widest{0, {}};
    const auto ask = [&](AccessPointId id) {
        why.choose(id);
        return QTest::qWaitFor([&] { return why.why().whole; }, 20'000);
    };
    for (const ProposalMove& m : window.proposal().shown()->plan.moves) {
        if (!(m.floor == floor) || m.kind == MoveKind::removed || m.kind == MoveKind::stays) continue;
        if (!ask(m.access_point)) return false;
        const double area = why.why().area->area_m2();
        if (area > widest.first) widest = {area, m.access_point};
    }
    return widest.first > 0 && ask(widest.second);
}

/// The proposal as a variant beside the plan, in the dark theme.
bool shoot_variants(AppWindow& window, const QString& folder) {
    QTest::mouseClick(window.findChild<QAbstractButton*>("proposalVariant"), Qt::LeftButton);
    settle(window);
    trigger(window, "variant.side-by-side");
    if (!QTest::qWaitFor([&] { return window.variants().is_idle(); }, 60'000)) return false;
    choose_theme(true);
    const bool done = shoot(window, folder, "variants");
    choose_theme(false);
    emit window.variants().left();
    window.workspace().document().history().undo();
    settle(window);
    return done;
}

/// The cables of the first floor, one of them chosen.
bool shoot_cables(AppWindow& window, const QString& folder, FloorId floor) {
    Workspace& w = window.workspace();
    w.activity().set_step(Step::placement);
    w.in_view().show_floor(floor);
    w.shown().set({LensId::signal, band_5, -67});
    trigger(window, "view.cables");
    for (const AccessPoint& ap : access_points(w.project(), floor))
        if (ap.number == 16) w.selection().select({{Item::Kind::access_point, ap.id.value}});
    settle(window);
    window.plan().fit();
    QTest::qWait(300);
    if (!QTest::qWaitFor([&] { return window.cables().planned() && !window.cables().is_working(); }, 30'000))
        return false;
    return shoot(window, folder, "cables");
}

/// The report with its pages beside it, and a sheet for an installer.
bool shoot_handover(AppWindow& window, const QString& folder) {
    trigger(window, "file.handover");
    HandoverPage& page = window.handover();
    const auto made = [&] { return page.preview().report() && !page.is_working(); };
    if (!QTest::qWaitFor(made, 60'000)) return false;
    page.preview().set_columns(2);
    page.preview().go_to(2);
    QTest::qWait(100);
    bool done = QTest::qWaitFor(made, 60'000) && window.grab().save(folder + "/report.png");
    std::printf("wrote %s/report.png\n", qPrintable(folder));
    const auto& laid = *page.preview().report();
    const auto facts = laid.facts;
    for (const Floor* f : all_floors(facts->project()))
        for (const AccessPoint& ap : access_points(facts->project(), f->id))
            if (ap.number == 28) {
                const auto sheet = render::report::access_point_sheet(*facts, *f, ap);
                done = render::report::figure_picture(sheet.paint, sheet.size_mm, 4)
                           .save(folder + "/sheet.png") &&
                       done;
                std::printf("wrote %s/sheet.png\n", qPrintable(folder));
            }
    emit page.left();
    return done;
}

/// A proposal for all floors beside the present plan.
bool shoot_proposal(AppWindow& window, const QString& folder, FloorId floor) {
    Workspace& w = window.workspace();
    w.activity().set_step(Step::placement);
    w.in_view().show_floor(floor);
    w.shown().set({LensId::signal, band_5, -67});
    w.selection().select({});
    window.plan().fit();
    settle(window);
    trigger(window, "placement.propose");
    window.proposal().begin();
    if (!QTest::qWaitFor([&] { return !window.proposal().is_working(); }, 120'000)) return false;
    QCoreApplication::processEvents();
    settle(window);
    bool done = ask_why(window, floor) && shoot(window, folder, "proposal");
    done = shoot_variants(window, folder) && done;
    QTest::mouseClick(window.findChild<QAbstractButton*>("proposalDrop"), Qt::LeftButton);
    return done;
}

/// A probe in the study rooms with the link that comes through most walls.
bool shoot_asking(AppWindow& window, const QString& folder, FloorId floor) {
    Workspace& w = window.workspace();
    w.selection().select({});
    w.activity().set_tool(ToolId::probe);
    settle(window);
    window.plan().fit();
    click(window, {51, 13});
    settle(window);
    w.probing().choose_link(2);
    bool done = shoot(window, folder, "link-profile");
    w.document().history().undo();
    w.activity().set_tool(ToolId::select);
    QTest::keyClick(&window, Qt::Key_T, Qt::ControlModifier);
    w.in_view().show_floor(floor);
    w.selection().select({});
    w.shown().set({LensId::signal, band_5, -67});
    return done;
}

bool shoot_all(AppWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    const FloorId ground = find_floor(w.project(), "Ground floor")->id,
                  first = find_floor(w.project(), "First floor")->id;
    bool done = true;

    w.activity().set_step(Step::placement);
    w.in_view().show_floor(first);
    settle(window);
    window.plan().fit();
    w.selection().select({{Item::Kind::access_point, access_points(w.project(), first)[6].id.value}});
    done = shoot(window, folder, "placement") && done;

    done = shoot_asking(window, folder, first) && done;

    w.selection().select({});
    w.in_view().show_floor(ground);

    w.activity().set_step(Step::proof);
    w.in_view().show_floor(first);
    settle(window);
    if (const MissedPlaces* missed = w.results().find<MissedPlaces>(); missed && !missed->places.empty()) {
        const WorstPlace place = missed->places.front();
        const Requirement r = *find_requirement(w.project(), place.requirement);
        w.selection().choose_requirement(r.id);
        look_at(w, r, place.band, place.floor, place.place);
    }
    done = shoot(window, folder, "proof") && done;
    w.in_view().mark_place({});

    w.activity().set_step(Step::spectrum);
    w.shown().set({LensId::snr, band_5, 25});
    settle(window);
    window.plan().fit();
    trigger(window, "view.schedule");
    done = shoot(window, folder, "schedule") && done;
    w.shown().set({LensId::serving, band_5, 0});
    trigger(window, "view.spectrum");
    done = shoot_spectrum(window, folder) && done;
    done = shoot_on_air(window, folder) && done;
    QTest::keyClick(&window, Qt::Key_T, Qt::ControlModifier);

    done = shoot_drawings(window, folder) && done;
    done = shoot_building(window, folder) && done;

    // Venue while a wall is being drawn
    w.activity().set_step(Step::venue);
    w.in_view().show_floor(ground);
    window.plan().fit();
    w.activity().set_tool(ToolId::wall);
    w.next().change([&](NextKinds& n) { n.wall_type = find_type(w.project(), "glass-partition"); });
    settle(window);
    window.plan().fit();
    QTest::mouseClick(&window.plan(), Qt::LeftButton, Qt::NoModifier, at(window, {35, 20}));
    drag_to(&window.plan(), at(window, {43.1, 20.1}));
    done = shoot(window, folder, "venue") && done;
    QTest::keyClick(&window.plan(), Qt::Key_Escape);
    w.activity().set_tool(ToolId::select);
    done = shoot_cables(window, folder, find_floor(w.project(), "First floor")->id) && done;
    done = shoot_handover(window, folder) && done;
    // last: taken and undone, it leaves a verdict to be compared with
    done = shoot_proposal(window, folder, ground) && done;
    return done;
}

/// Who is there on the author's evening, and the first answer for it.
bool shoot_demand(AppWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    const FloorId ground = find_floor(w.project(), "Ground floor")->id;
    w.in_view().show_floor(ground);
    w.activity().set_step(Step::demand);
    w.edit("Evening", [](Project& p) { p.demand.hour = "evening"; });
    for (const Zone& z : *w.floor()->zones)
        if (z.name == "Auditorium") w.selection().select_alone({Item{Item::Kind::zone, z.id.value}});
    window.plan().fit();
    bool done = shoot(window, folder, "demand");
    trigger(window, "view.answer");
    QTest::qWait(60);
    done = window.grab().save(folder + "/answer.png") && done;
    std::printf("wrote %s/answer.png\n", qPrintable(folder));
    emit window.answer().left();
    w.document().history().undo();
    return done;
}

}  // namespace

int main(int argc, char** argv) {
    if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    app.setApplicationName("yemvo-screens");
    app.setOrganizationName("yemvo-screens");
    if (argc < 2 || argc > 3 || (argc == 3 && !use_translation(QString::fromLocal8Bit(argv[2])))) {
        std::fprintf(stderr, "usage: yemvo_screens FOLDER [TRANSLATION.qm]\n");
        return 2;
    }
    apply_theme(app);
    const QString folder = QString::fromLocal8Bit(argv[1]);
    AppWindow window;
    window.resize(1280, 800);
    window.show();
    window.open_demo();
    const bool done = settle(window) && shoot_all(window, folder) && shoot_demand(window, folder);
    return done ? 0 : 2;
}
