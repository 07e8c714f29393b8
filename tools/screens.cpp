// Opens the demo library in the real window and saves pictures of its main views.
//   yemvo_screens FOLDER
#include <QApplication>
#include <QComboBox>
#include <QLineEdit>
#include <QStandardPaths>
#include <QTest>
#include <cstdio>

#include "app/plan/plan_view.h"
#include "app/shell/main_window.h"
#include "app/shell/theme.h"

using namespace yemvo;
using namespace yemvo::app;

namespace {

bool settle(MainWindow& window) {
    return QTest::qWaitFor(
               [&] {
                   return window.runner().is_idle() && !window.plan().is_reading() &&
                          window.workspace().prediction() &&
                          window.workspace().prediction()->verdict.has_value();
               },
               20000) &&
           (QTest::qWait(60), true);
}

bool shoot(MainWindow& window, const QString& folder, const char* name) {
    const QString file = folder + "/" + name + ".png";
    const bool done = settle(window) && window.grab().save(file);
    std::printf("%s %s\n", done ? "wrote" : "could not write", qPrintable(file));
    return done;
}

QPoint at(MainWindow& window, Point p) { return window.plan().map().to_screen(p).toPoint(); }

void drag_to(QWidget* widget, QPoint to) { QTest::mouseMove(widget, to); }

bool shoot_all(MainWindow& window, const QString& folder) {
    Workspace& w = window.workspace();
    const auto floors = all_floors(w.project());
    const FloorId ground = floors[0]->id, first = floors[1]->id;
    bool done = true;

    w.set_step(Step::placement);
    w.show_floor(first);
    settle(window);
    window.plan().fit();
    w.select({{Item::Kind::access_point, access_points(w.project(), first)[6].id.value}});
    done = shoot(window, folder, "placement") && done;

    w.select({});
    w.show_floor(ground);
    w.set_map({LensId::serving, band_5, 0});
    done = shoot(window, folder, "serving") && done;

    w.set_map({LensId::signal, band_6, -70});
    w.set_step(Step::proof);
    done = shoot(window, folder, "proof") && done;

    w.set_step(Step::spectrum);
    w.set_map({LensId::snr, band_5, 25});
    done = shoot(window, folder, "schedule") && done;
    QTest::keyClick(&window, Qt::Key_T, Qt::ControlModifier);

    // Venue while a wall is being drawn
    w.set_step(Step::venue);
    w.show_floor(ground);
    window.plan().fit();
    w.set_tool(ToolId::wall);
    w.wall_kind = find_type(w.project(), "glass-partition");
    w.kinds_were_changed();
    QTest::mouseClick(&window.plan(), Qt::LeftButton, Qt::NoModifier, at(window, {35, 20}));
    drag_to(&window.plan(), at(window, {43.1, 20.1}));
    done = shoot(window, folder, "venue") && done;
    QTest::keyClick(&window.plan(), Qt::Key_Escape);
    w.set_tool(ToolId::select);
    return done;
}

}  // namespace

int main(int argc, char** argv) {
    if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    app.setApplicationName("yemvo-screens");
    app.setOrganizationName("yemvo-screens");
    if (argc != 2) {
        std::fprintf(stderr, "usage: yemvo_screens FOLDER\n");
        return 2;
    }
    apply_theme(app);
    const QString folder = QString::fromLocal8Bit(argv[1]);
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    bool done = window.grab().save(folder + "/start.png");
    std::printf("wrote %s/start.png\n", qPrintable(folder));
    window.open_demo();
    done = settle(window) && shoot_all(window, folder) && done;
    return done ? 0 : 2;
}
