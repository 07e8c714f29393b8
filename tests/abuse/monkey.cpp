// SPDX-License-Identifier: GPL-3.0-or-later
// abuse_window SECONDS SEED: a monkey at the real window. Clicks, drags, keys, menu entries, typed and pasted
// extremes; again and again the project is saved, opened by the reader, and held against the document.
#include <malloc.h>
#include <sys/resource.h>
#include <unistd.h>

#include <QAbstractButton>
#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QElapsedTimer>
#include <QLineEdit>
#include <QMenu>
#include <QPointer>
#include <QStandardPaths>
#include <QTableView>
#include <QTest>
#include <QTimer>
#include <filesystem>
#include <fstream>
#include <iostream>
#include <random>

#include "app/app_window.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/plan/plan_view.h"
#include "app/schedule/radio_schedule.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/rules.h"
#include "project/storage.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::app;
namespace fs = std::filesystem;

namespace {

long used_mb() {
    std::ifstream in("/proc/self/statm");
    long pages = 0, resident = 0;
    in >> pages >> resident;
    return resident * sysconf(_SC_PAGESIZE) / (1 << 20);
}

class Monkey {
public:
    Monkey(unsigned seed, fs::path folder) : random_(seed), folder_(std::move(folder)) {
        Asking& a = window_.asking();
        a.open_file = [](const QString&, const QString&) { return QString(); };
        a.save_file = [this](const QString&, const QString&, const QString&) { return file("typed"); };
        a.overwrite = [this](const QString&) { return chance(0.5); };
        a.changed_on_disk = [this](const QString&, const QStringList&) {
            return static_cast<Asking::OnDisk>(pick(4));
        };
        a.throw_away = [](const QString&) { return false; };
        a.unsaved = [this](const QString&) {
            return chance(0.5) ? Asking::Unsaved::discard : Asking::Unsaved::cancel;
        };
        a.tell_failure = [this](const QString& title, const QString& why) {
            last_failure_ = title + ": " + why;
        };
        a.name = [this](const QString&, const QString& proposed) {
            return chance(0.2) ? extreme() : proposed;
        };
        a.duplicate = [this](const QString&) {
            return std::optional(FloorParts{chance(0.5), true, true, true, chance(0.5)});
        };
        // what waits for an answer is closed again, also from within
        QObject::connect(&closer_, &QTimer::timeout, [] {
            if (QWidget* popup = QApplication::activePopupWidget()) popup->close();
            if (QWidget* modal = QApplication::activeModalWidget()) modal->close();
        });
        closer_.start(100);
        window_.resize(1280, 800);
        window_.show();
        open_something();
    }

    int edits() { return window_.workspace().document().history().count(); }
    /// What caches hold together.
    /// As the program's own loop does: what was to be deleted later goes too.
    static void breathe() {
        QApplication::processEvents();
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    }
    /// The menus change it too.
    long budget_mb() { return static_cast<long>(window_.workspace().memory()->limit_bytes() >> 20); }
    long kept_mb() { return static_cast<long>(window_.workspace().memory()->used_bytes() >> 20); }

    void act() {
        try {
            one_action();
            breathe();
        } catch (const std::exception& fault) {
            complain(std::string("an exception left an event: ") + fault.what());
        }
        while (QWidget* popup = QApplication::activePopupWidget()) {
            popup->close();
            breathe();
        }
        while (QWidget* modal = QApplication::activeModalWidget()) {
            modal->close();
            breathe();
        }
        ++actions_;
    }

    /// Saved, read, compared.
    void check() {
        const Project& p = window_.workspace().project();
        if (!window_.workspace().document().is_open()) return open_something();
        try {
            check_references(p);
            check_all(p);
            Project expected = p;
            drop_unused_assets(expected);
            const fs::path path = folder_ / "saved.yemvo";
            save_project(p, path);
            Loaded loaded = load_project(path);
            if (!(loaded.project == expected)) complain("what was saved reads back as something else");
            if (!loaded.project.aside->empty() && p.aside->empty())
                complain("a part was set aside: " + loaded.warnings.front().english());
        } catch (const std::exception& fault) {
            complain(std::string("the project is not sound: ") + fault.what());
        }
        ++checks_;
        // so that a run does not end in a heap of walls that nobody would draw
        if (checks_ % 4 == 0) open_something();
    }

    int actions() const { return actions_; }
    int checks() const { return checks_; }
    int faults() const { return faults_; }

private:
    double any(double low, double high) { return std::uniform_real_distribution<>(low, high)(random_); }
    std::size_t pick(std::size_t n) { return random_() % n; }
    bool chance(double share) { return any(0, 1) < share; }
    QString file(const char* name) const { return QString::fromStdString((folder_ / name).string()); }

    void complain(const std::string& what) {
        ++faults_;
        std::cerr << std::flush << "after " << actions_ << " actions, last '" << last_.toStdString()
                  << "': " << what << "\n";
    }

    void open_something() {
        if (chance(0.4))
            window_.open_demo();
        else
            window_.open_project(
                new_project("Monkey",
                            {chance(0.3) ? LengthUnits::feet_inches : LengthUnits::metres, "GB", 1.2, 7},
                            1 + static_cast<int>(pick(3)), 3.2),
                {});
        breathe();
    }

    QString extreme() {
        static const QStringList list{"3200",
                                      "-1",
                                      "0",
                                      "1e300",
                                      "nan",
                                      "inf",
                                      "100001",
                                      "-100001",
                                      "0.0001",
                                      "3,5",
                                      "12'6\"",
                                      "\u0663\u0662",
                                      "",
                                      " ",
                                      "x",
                                      "360",
                                      "99999999999999999999",
                                      "-0"};
        switch (pick(8)) {
            case 0:
                return QString(3000, QChar(0x56FE));
            case 1:
                return QString(11'000, 'n');
            case 2:
                return QString("line\nbreak\ttab");
            case 3:
                return QString(QChar(0xD800)) + "half";
            default:
                return list[static_cast<qsizetype>(pick(static_cast<std::size_t>(list.size())))];
        }
    }

    QPoint place() {
        return {static_cast<int>(any(0, plan().width())), static_cast<int>(any(0, plan().height()))};
    }
    PlanView& plan() { return window_.plan(); }

    void one_action() {
        switch (pick(16)) {
            case 0:
            case 1:
            case 2:
                return click();
            case 3:
            case 4:
                return drag();
            case 5:
            case 6:
                return key();
            case 7:
            case 8:
                return menu();
            case 9:
                return fill();
            case 10:
                return choose();
            case 11:
                return press();
            case 12:
                return paste_into_schedule();
            case 13:
                last_ = "tool";
                return window_.workspace().activity().set_tool(static_cast<ToolId>(pick(22)));
            case 14:
                last_ = "step";
                return window_.workspace().activity().set_step(static_cast<Step>(pick(5)));
            default: {
                last_ = "undo";
                auto& history = window_.workspace().document().history();
                for (std::size_t i = 0, n = pick(5); i < n; ++i)
                    chance(0.6) ? history.undo() : history.redo();
            }
        }
    }

    Qt::KeyboardModifiers keys() {
        Qt::KeyboardModifiers k;
        if (chance(0.15)) k |= Qt::ShiftModifier;
        if (chance(0.1)) k |= Qt::AltModifier;
        return k;
    }

    void click() {
        last_ = "click";
        const QPoint at = place();
        QTest::mouseMove(&plan(), at);
        if (chance(0.15)) return QTest::mouseDClick(&plan(), Qt::LeftButton, keys(), at);
        QTest::mouseClick(&plan(), chance(0.1) ? Qt::RightButton : Qt::LeftButton, keys(), at);
    }

    void drag() {
        last_ = "drag";
        const QPoint from = place(), to = place();
        const auto k = keys();
        const Qt::MouseButton button = chance(0.1) ? Qt::MiddleButton : Qt::LeftButton;
        QTest::mousePress(&plan(), button, k, from);
        for (int i = 1; i <= 4; ++i) {
            const QPointF at = QPointF(from) + QPointF(to - from) * (i / 4.0);
            QMouseEvent e(QEvent::MouseMove, at, plan().mapToGlobal(at), Qt::NoButton, button, k);
            QApplication::sendEvent(&plan(), &e);
        }
        QTest::mouseRelease(&plan(), button, k, to);
    }

    void key() {
        static constexpr int list[] = {
            Qt::Key_Escape, Qt::Key_Return, Qt::Key_Tab,  Qt::Key_Delete, Qt::Key_Backspace, Qt::Key_Left,
            Qt::Key_Right,  Qt::Key_Up,     Qt::Key_Down, Qt::Key_Space,  Qt::Key_1,         Qt::Key_9,
            Qt::Key_0,      Qt::Key_Comma,  Qt::Key_W,    Qt::Key_D,      Qt::Key_Z,         Qt::Key_V,
            Qt::Key_A,      Qt::Key_J,      Qt::Key_M,    Qt::Key_R,      Qt::Key_PageUp,    Qt::Key_PageDown,
            Qt::Key_Plus,   Qt::Key_Minus,  Qt::Key_Home};
        last_ = "key";
        QWidget* target = QApplication::focusWidget() && window_.isAncestorOf(QApplication::focusWidget())
                              ? QApplication::focusWidget()
                              : &plan();
        QTest::keyClick(target, static_cast<Qt::Key>(list[pick(std::size(list))]), keys());
    }

    void menu() {
        // what leaves the program, or waits for a dialog of the desktop, is not for monkeys
        static const QStringList never{"Quit", "Newproject", "Open", "Whatthekeysdo"};
        const auto all = window_.findChildren<QAction*>();
        QAction* a = all[static_cast<qsizetype>(pick(static_cast<std::size_t>(all.size())))];
        if (!a->isEnabled() || a->menu() || never.contains(a->objectName())) return;
        last_ = "menu " + a->objectName();
        a->trigger();
    }

    template <class T>
    T* some_visible() {
        QList<T*> list;
        for (T* w : window_.findChildren<T*>())
            if (w->isVisible() && w->isEnabled()) list << w;
        return list.isEmpty() ? nullptr
                              : list[static_cast<qsizetype>(pick(static_cast<std::size_t>(list.size())))];
    }

    void fill() {
        auto* field = some_visible<QLineEdit>();
        if (!field) return;
        last_ = "fill " + field->objectName();
        field->setFocus();
        field->selectAll();
        field->insert(extreme());
        field->setModified(true);
        QTest::keyClick(field, Qt::Key_Return);
    }

    void choose() {
        auto* combo = some_visible<QComboBox>();
        if (!combo || combo->count() == 0) return;
        last_ = "choose in " + combo->objectName();
        const int index = static_cast<int>(pick(static_cast<std::size_t>(combo->count())));
        combo->setCurrentIndex(index);
        emit combo->activated(index);
    }

    void press() {
        auto* button = some_visible<QAbstractButton>();
        if (!button) return;
        last_ = "press " + button->objectName();
        QTest::mouseClick(button, Qt::LeftButton);
    }

    void paste_into_schedule() {
        last_ = "paste into the schedule";
        QTableView* table = window_.schedule().table();
        if (!table->model() || table->model()->rowCount() == 0) return;
        table->setCurrentIndex(table->model()->index(
            static_cast<int>(pick(static_cast<std::size_t>(table->model()->rowCount()))),
            static_cast<int>(pick(11))));
        window_.schedule().paste(extreme() + "\t" + extreme() + "\n" + extreme());
    }

    std::mt19937 random_;
    fs::path folder_;
    QTimer closer_;
    AppWindow window_;
    QString last_, last_failure_;
    int actions_ = 0, checks_ = 0, faults_ = 0;
};

}  // namespace

int main(int argc, char** argv) {
    give_back_large_blocks();  // as the program does
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    app.setApplicationName("yemvo-abuse");
    app.setOrganizationName("yemvo-abuse");
    apply_theme(app);
    const double seconds = argc > 1 ? std::atof(argv[1]) : 20;
    const unsigned seed = argc > 2 ? static_cast<unsigned>(std::atoi(argv[2])) : 1;
    std::string pattern = (fs::temp_directory_path() / "yemvo-monkey-XXXXXX").string();
    if (!mkdtemp(pattern.data())) return 2;
    int actions = 0, checks = 0, faults = 0;
    long at_start_mb = 0, most_mb = 0, most_kept_mb = 0;
    {
        Monkey monkey(seed, pattern);
        QElapsedTimer whole, since_check;
        whole.start();
        since_check.start();
        const double every_s = std::min(30.0, seconds / 4);
        while (static_cast<double>(whole.elapsed()) < seconds * 1000) {
            monkey.act();
            if (static_cast<double>(since_check.elapsed()) < every_s * 1000) continue;
            monkey.check();
            since_check.restart();
            most_mb = std::max(most_mb, used_mb());
            most_kept_mb = std::max(most_kept_mb, monkey.kept_mb());
            if (seconds > 120)
                std::cout << whole.elapsed() / 1000 << " s: " << used_mb() << " MB, " << monkey.kept_mb()
                          << " of " << monkey.budget_mb() << " MB of it kept, " << monkey.edits()
                          << " edits to undo, heap " << (mallinfo2().uordblks >> 20) << " + "
                          << (mallinfo2().hblkhd >> 20) << " MB in use, " << QApplication::allWidgets().size()
                          << " widgets" << std::endl;
            if (at_start_mb == 0) at_start_mb = used_mb();
        }
        monkey.check();
        actions = monkey.actions();
        checks = monkey.checks();
        faults = monkey.faults();
    }
    fs::remove_all(pattern);
    std::cout << actions << " actions in " << seconds << " s, saved and opened again " << checks
              << " times; memory " << at_start_mb << " MB at the first, " << most_mb << " MB at most, "
              << most_kept_mb << " MB of it results kept; " << faults << " faults\n";
    return faults == 0 ? 0 : 1;
}
