// SPDX-License-Identifier: GPL-3.0-or-later
// What keeps a person's work safe, told where it is seen: files that others write, earlier versions, the
// journal.
#include <QApplication>
#include <QDateTime>
#include <QFileInfo>
#include <QLocale>

#include "app/asking/asking.h"
#include "app/files/autosave.h"
#include "app/files/file_guard.h"
#include "app/files/files_feature.h"
#include "app/files/project_files.h"
#include "app/files/start_page.h"
#include "app/files/versions_page.h"
#include "app/model/document.h"
#include "app/model/wishes.h"
#include "app/offer/notice_bar.h"
#include "project/differences.h"
#include "project/edits.h"
#include "project/project.h"
#include "project/storage.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString time_of(std::chrono::system_clock::time_point t) {
    const auto seconds = std::chrono::duration_cast<std::chrono::seconds>(t.time_since_epoch()).count();
    const QDateTime at = QDateTime::fromSecsSinceEpoch(seconds);
    return QLocale().toString(at, at.date() == QDate::currentDate() ? "HH:mm" : "d MMMM, HH:mm");
}

}  // namespace

void FilesFeature::watch() {
    connect(guard_.get(), &FileGuard::changed_on_disk, this, [this] {
        shell_.notices().show_notice(
            {"disk",
             tr("%1 was changed on disk since it was opened here.")
                 .arg(QFileInfo(document_.file()).fileName()),
             true,
             {{tr("Look at what differs…"), "compareWithDisk", [this] { compare_with_disk(); }}}});
    });
    connect(guard_.get(), &FileGuard::gone_from_disk, this, [this] {
        shell_.notices().show_notice(
            {"disk",
             tr("%1 is no longer there. Saving writes it again.").arg(document_.file()),
             true,
             {{tr("Save now"), "saveAgain", [this] { save(); }}}});
    });
    connect(guard_.get(), &FileGuard::opened_elsewhere, this, [this](const OpenedBy& by) {
        shell_.notices().show_notice(
            {"lock",
             tr("%1 has this project open on %2 since %3. Whoever saves second is asked "
                "what to do; saving under another name avoids it.")
                 .arg(QString::fromStdString(by.user), QString::fromStdString(by.host), time_of(by.since)),
             false,
             {{tr("Save as…"), "saveAsFromNotice", [this] { save_as(); }}}});
    });
    connect(
        autosave_.get(), &Autosave::failed, this,
        [this](const QString& why, const QString& elsewhere) {
            Notice n{"journal", {}, true, {{tr("Save now"), "saveFromNotice", [this] { save(); }}}};
            n.words = elsewhere.isEmpty()
                          ? tr("Unsaved work is not protected against a crash: %1").arg(why)
                          : tr("Unsaved work is kept in %1 for now, which may not outlive a restart of this "
                               "machine: %2")
                                .arg(elsewhere, why);
            shell_.notices().show_notice(std::move(n));
        },
        Qt::QueuedConnection);
    connect(
        autosave_.get(), &Autosave::works_again, this, [this] { shell_.notices().drop("journal"); },
        Qt::QueuedConnection);
    connect(versions_, &VersionsPage::left, this, [this] { shell_.leave_page(); });
    connect(versions_, &VersionsPage::open_asked, this,
            [this](const KeptVersion& v) { leave_then([this, v] { bring_back(v, false); }); });
    connect(versions_, &VersionsPage::restore_asked, this,
            [this](const KeptVersion& v) { leave_then([this, v] { bring_back(v, true); }); });
    connect(versions_, &VersionsPage::take_back_asked, this, [this](const Leftover& l) {
        try {
            take_back(l);
            show_start();
        } catch (const Error& fault) {
            workspace_.tell(fault_text(fault), true);
        }
    });
    connect(qApp, &QGuiApplication::applicationStateChanged, guard_.get(),
            [this](Qt::ApplicationState state) {
                if (state == Qt::ApplicationActive) guard_->look();
            });
}

/// Reads what is on disk behind the window, then asks. `after`: what was to be done once it was saved.
void FilesFeature::compare_with_disk(const std::function<void()>& after) {
    const QString file = document_.file();
    if (file.isEmpty()) return workspace_.tell(tr("This project has no file yet: save it first"), true);
    files_->read(
        QFileInfo(file).fileName(), [path = file.toStdString()] { return load_project(path); },
        [this, file, after](const Loaded& theirs) { decide_about_disk(file, theirs, after); },
        [this, file, after](const QString& why) {
            // it may be damaged: the person decides all the same
            Loaded none;
            none.mark = mark_of(file.toStdString());
            none.warnings = {say("It cannot be read: %1", why.toStdString())};
            decide_about_disk(file, none, after);
        });
}

void FilesFeature::decide_about_disk(const QString& file, const Loaded& theirs,
                                     const std::function<void()>& after) {
    const bool readable = !theirs.project.buildings.empty();
    QStringList lines;
    for (const Said& w : theirs.warnings) lines << said_text(w);
    if (readable)
        for (const Said& line : differences(document_.project(), theirs.project)) lines << said_text(line);
    switch (shell_.asking().changed_on_disk(file, lines)) {
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
            if (!readable)
                return shell_.asking().tell_failure(tr("It could not be opened"), lines.join("\n"));
            open_project(theirs.project, file, theirs.mark);
            tell_warnings(theirs.warnings);
            break;
        case Asking::OnDisk::cancel:
            break;
    }
}

void FilesFeature::tell_warnings(const std::vector<Said>& warnings) {
    if (warnings.empty()) return;
    QStringList lines;
    for (const Said& w : warnings) lines << said_text(w);
    shell_.notices().show_notice({"parts", lines.join("\n"), true, {{tr("Findings"), "showSetAside", [this] {
                                                                         emit workspace_.wishes().findings();
                                                                     }}}});
}

void FilesFeature::tell_of_newer_work(const QString& file) {
    const FileMark mark = document_.file_mark();
    find_leftovers();
    for (std::size_t i = 0; i < leftovers_.size(); ++i) {
        const Leftover& l = leftovers_[i];
        const auto written =
            std::chrono::duration_cast<std::chrono::nanoseconds>(l.written.time_since_epoch()).count();
        if (QString::fromStdString(l.file) != file || written <= mark.modified_ns) continue;
        const int index = static_cast<int>(i);
        shell_.notices().show_notice(
            {"newer",
             tr("There is unsaved work on this project from %1, newer than the file.")
                 .arg(time_of(l.written)),
             false,
             {{tr("Recover"), "recoverNewer",
               [this, index] { leave_then([this, index] { recover_work(index); }); }},
              {tr("Discard"), "discardNewer", [this, index] { throw_away_work(index); }}}});
        return;
    }
}

void FilesFeature::throw_away_work(int index) {
    const Leftover l = leftovers_.at(static_cast<std::size_t>(index));
    if (!shell_.asking().throw_away(QString::fromStdString(l.project))) return;
    try {
        const Leftover gone = throw_away(l);
        if (shell_.is_in_front(start_)) show_start();
        shell_.notices().show_notice(
            {"thrown",
             tr("The unsaved work on %1 was discarded.").arg(QString::fromStdString(l.project)),
             false,
             {{tr("Undo"), "undoThrowAway", [this, gone] {
                   try {
                       take_back(gone);
                   } catch (const Error& fault) {
                       return workspace_.tell(fault_text(fault), true);
                   }
                   leave_then([this] { show_start(); });
               }}}});
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void FilesFeature::show_versions() {
    const Versions kept(ProjectFiles::versions_folder().toStdString());
    const QString file = document_.is_open() ? document_.file() : QString();
    std::vector<Leftover> discarded;
    for (const QString& root : Autosave::folders())
        for (const Leftover& l : thrown_away_leftovers(root.toStdString()))
            if (file.isEmpty() || l.file == file.toStdString()) discarded.push_back(l);
    versions_->list(file, file.isEmpty() ? kept.all() : kept.of(file.toStdString()), discarded);
    shell_.show_page(versions_);
}

void FilesFeature::bring_back(const KeptVersion& v, bool as_the_file) {
    const QString file = as_the_file ? QString::fromStdString(v.file) : QString();
    read_project(
        QFileInfo(QString::fromStdString(v.file)).fileName(), [path = v.copy] { return load_project(path); },
        [this, file, v](const Loaded& loaded) {
            shell_.notices().clear();
            Project project = loaded.project;
            document_.open_unsaved(std::move(project), file, file.isEmpty() ? FileMark{} : mark_of(v.file));
            opened();
            tell_warnings(loaded.warnings);
            workspace_.tell(file.isEmpty()
                                ? tr("A copy of the version of %1; it has no file yet").arg(time_of(v.saved))
                                : tr("The version of %1 is back; save it to keep it").arg(time_of(v.saved)));
        },
        tr("The version could not be opened"));
}

}  // namespace yemvo::app
