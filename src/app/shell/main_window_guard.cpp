// What keeps a person's work safe, told where it is seen: files that others write, earlier versions, the
// journal.
#include <QApplication>
#include <QDateTime>
#include <QFileInfo>
#include <QLocale>
#include <QStackedWidget>

#include "app/files/autosave.h"
#include "app/files/file_guard.h"
#include "app/files/notice_bar.h"
#include "app/files/project_files.h"
#include "app/files/versions_page.h"
#include "app/plan/plan_view.h"
#include "app/shell/main_window.h"
#include "app/shell/status_line.h"
#include "project/differences.h"
#include "project/project.h"
#include "project/storage.h"

namespace yemvo::app {
namespace {

QString time_of(std::chrono::system_clock::time_point t) {
    const auto seconds = std::chrono::duration_cast<std::chrono::seconds>(t.time_since_epoch()).count();
    const QDateTime at = QDateTime::fromSecsSinceEpoch(seconds);
    return QLocale().toString(at, at.date() == QDate::currentDate() ? "HH:mm" : "d MMMM, HH:mm");
}

}  // namespace

void MainWindow::watch_files() {
    connect(guard_, &FileGuard::changed_on_disk, this, [this] {
        notices_->show_notice(
            {"disk",
             QFileInfo(document_.file()).fileName() + " was changed on disk since it was opened here.",
             true,
             {{"Look at what differs…", "compareWithDisk", [this] { compare_with_disk(); }}}});
    });
    connect(guard_, &FileGuard::gone_from_disk, this, [this] {
        notices_->show_notice({"disk",
                               document_.file() + " is no longer there. Saving writes it again.",
                               true,
                               {{"Save now", "saveAgain", [this] { save(); }}}});
    });
    connect(guard_, &FileGuard::opened_elsewhere, this, [this](const OpenedBy& by) {
        notices_->show_notice(
            {"lock",
             QString("%1 has this project open on %2 since %3. Whoever saves second is asked "
                     "what to do; saving under another name avoids it.")
                 .arg(QString::fromStdString(by.user), QString::fromStdString(by.host), time_of(by.since)),
             false,
             {{"Save as…", "saveAsFromNotice", [this] { save_as(); }}}});
    });
    connect(
        autosave_, &Autosave::failed, this,
        [this](const QString& why, const QString& elsewhere) {
            Notice n{"journal", {}, true, {{"Save now", "saveFromNotice", [this] { save(); }}}};
            n.words = elsewhere.isEmpty()
                          ? "Unsaved work is not protected against a crash: " + why
                          : QString(
                                "Unsaved work is kept in %1 for now, which may not outlive a restart of this "
                                "machine: %2")
                                .arg(elsewhere, why);
            notices_->show_notice(std::move(n));
        },
        Qt::QueuedConnection);
    connect(
        autosave_, &Autosave::works_again, this, [this] { notices_->drop("journal"); }, Qt::QueuedConnection);
    connect(versions_, &VersionsPage::left, this, [this] {
        pages_->setCurrentIndex(document_.is_open() ? 1 : 0);
        if (document_.is_open()) plan_->setFocus();
    });
    connect(versions_, &VersionsPage::open_asked, this,
            [this](const KeptVersion& v) { leave_then([this, v] { bring_back(v, false); }); });
    connect(versions_, &VersionsPage::restore_asked, this,
            [this](const KeptVersion& v) { leave_then([this, v] { bring_back(v, true); }); });
    connect(versions_, &VersionsPage::take_back_asked, this, [this](const Leftover& l) {
        try {
            take_back(l);
            show_start_page();
        } catch (const Error& fault) {
            workspace_.tell(QString::fromUtf8(fault.what()), true);
        }
    });
    connect(qApp, &QGuiApplication::applicationStateChanged, guard_, [this](Qt::ApplicationState state) {
        if (state == Qt::ApplicationActive) guard_->look();
    });
}

void MainWindow::tell_fault(const QString& why) {
    notices_->show_notice({"fault",
                           "That could not be done: " + why + ". The project is as it was before; save it.",
                           true,
                           {{"Save now", "saveAfterFault", [this] { save(); }}}});
}

/// Reads what is on disk behind the window, then asks. `after`: what was to be done once it was saved.
void MainWindow::compare_with_disk(const std::function<void()>& after) {
    const QString file = document_.file();
    if (file.isEmpty()) return workspace_.tell("This project has no file yet: save it first", true);
    files_->read(
        QFileInfo(file).fileName(), [path = file.toStdString()] { return load_project(path); },
        [this, file, after](const Loaded& theirs) { decide_about_disk(file, theirs, after); },
        [this, file, after](const QString& why) {
            // it may be damaged: the person decides all the same
            Loaded none;
            none.mark = mark_of(file.toStdString());
            none.warnings = {"It cannot be read: " + why.toStdString()};
            decide_about_disk(file, none, after);
        });
}

void MainWindow::decide_about_disk(const QString& file, const Loaded& theirs,
                                   const std::function<void()>& after) {
    const bool readable = !theirs.project.buildings.empty();
    QStringList lines;
    for (const std::string& w : theirs.warnings) lines << QString::fromStdString(w);
    if (readable)
        for (const std::string& line : differences(document_.project(), theirs.project))
            lines << QString::fromStdString(line);
    switch (asking_.changed_on_disk(file, lines)) {
        case Asking::OnDisk::save_beside:
            if (const QString other = ask_where_to_save(); !other.isEmpty())
                save_then(
                    other, after ? after : [] {});
            break;
        case Asking::OnDisk::write_over:
            document_.take_mark(theirs.mark);
            save_then(
                file, after ? after : [] {});
            break;
        case Asking::OnDisk::reload:
            if (!readable) return asking_.tell_failure("It could not be opened", lines.join("\n"));
            open_project(theirs.project, file, theirs.mark);
            tell_warnings(theirs.warnings);
            break;
        case Asking::OnDisk::cancel:
            break;
    }
}

void MainWindow::tell_warnings(const std::vector<std::string>& warnings) {
    if (warnings.empty()) return;
    QStringList lines;
    for (const std::string& w : warnings) lines << QString::fromStdString(w);
    notices_->show_notice(
        {"parts", lines.join("\n"), true, {{"Findings", "showSetAside", [this] { show_findings(); }}}});
}

void MainWindow::tell_of_newer_work(const QString& file) {
    const FileMark mark = document_.file_mark();
    leftovers_.clear();
    for (const QString& root : Autosave::folders())
        for (const Leftover& l : leftovers(root.toStdString())) leftovers_.push_back(l);
    for (std::size_t i = 0; i < leftovers_.size(); ++i) {
        const Leftover& l = leftovers_[i];
        const auto written =
            std::chrono::duration_cast<std::chrono::nanoseconds>(l.written.time_since_epoch()).count();
        if (QString::fromStdString(l.file) != file || written <= mark.modified_ns) continue;
        const int index = static_cast<int>(i);
        notices_->show_notice(
            {"newer",
             "There is unsaved work on this project from " + time_of(l.written) + ", newer than the file.",
             false,
             {{"Recover", "recoverNewer",
               [this, index] { leave_then([this, index] { recover_work(index); }); }},
              {"Discard", "discardNewer", [this, index] { throw_away_work(index); }}}});
        return;
    }
}

void MainWindow::throw_away_work(int index) {
    const Leftover l = leftovers_.at(static_cast<std::size_t>(index));
    if (!asking_.throw_away(QString::fromStdString(l.project))) return;
    try {
        const Leftover gone = throw_away(l);
        if (pages_->currentWidget() == pages_->widget(0)) show_start_page();
        notices_->show_notice({"thrown",
                               "The unsaved work on " + QString::fromStdString(l.project) + " was discarded.",
                               false,
                               {{"Undo", "undoThrowAway", [this, gone] {
                                     try {
                                         take_back(gone);
                                     } catch (const Error& fault) {
                                         return workspace_.tell(QString::fromUtf8(fault.what()), true);
                                     }
                                     leave_then([this] { show_start_page(); });
                                 }}}});
    } catch (const Error& fault) {
        workspace_.tell(QString::fromUtf8(fault.what()), true);
    }
}

void MainWindow::show_versions() {
    const Versions kept(ProjectFiles::versions_folder().toStdString());
    const QString file = document_.is_open() ? document_.file() : QString();
    std::vector<Leftover> discarded;
    for (const QString& root : Autosave::folders())
        for (const Leftover& l : thrown_away_leftovers(root.toStdString()))
            if (file.isEmpty() || l.file == file.toStdString()) discarded.push_back(l);
    versions_->list(file, file.isEmpty() ? kept.all() : kept.of(file.toStdString()), discarded);
    pages_->setCurrentWidget(versions_);
}

void MainWindow::bring_back(const KeptVersion& v, bool as_the_file) {
    const QString file = as_the_file ? QString::fromStdString(v.file) : QString();
    read_project(
        QFileInfo(QString::fromStdString(v.file)).fileName(), [path = v.copy] { return load_project(path); },
        [this, file, v](const Loaded& loaded) {
            notices_->clear();
            Project project = loaded.project;
            document_.open_unsaved(std::move(project), file, file.isEmpty() ? FileMark{} : mark_of(v.file));
            show_work();
            tell_warnings(loaded.warnings);
            workspace_.tell(file.isEmpty()
                                ? "A copy of the version of " + time_of(v.saved) + "; it has no file yet"
                                : "The version of " + time_of(v.saved) + " is back; save it to keep it");
        },
        "The version could not be opened");
}

}  // namespace yemvo::app
