// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/files_feature.h"

#include <QFileInfo>
#include <QMenu>
#include <QSettings>

#include "app/asking/file_names.h"
#include "app/files/autosave.h"
#include "app/files/file_guard.h"
#include "app/files/project_files.h"
#include "app/files/start_page.h"
#include "app/files/versions_page.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/wishes.h"
#include "app/offer/notice_bar.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/storage.h"
#include "render/tr.h"

namespace yemvo::app {

static constexpr int most_recent = 8;

FilesFeature::FilesFeature(Shell& shell)
    : Feature(shell),
      document_(workspace_.document()),
      start_(new StartPage(shell.frame())),
      versions_(new VersionsPage(shell.frame())),
      autosave_(std::make_unique<Autosave>(document_)),
      files_(std::make_unique<ProjectFiles>(document_)),
      guard_(std::make_unique<FileGuard>(document_)) {
    shell.home(start_);
    shell.page(versions_, [] { return Hint{tr("Earlier versions"), {{tr("Esc"), tr("back")}}}; });
    shell.before_closing([this](const std::function<void()>& go) { leave_then(go); });
    shell.takes_dropped([this](const QStringList& dropped, QPoint) {
        const QString& file = dropped.front();
        if (!file.endsWith(".yemvo", Qt::CaseInsensitive)) return false;
        leave_then([this, file] { open_file(file); });
        return true;
    });
    shell.works({[this] { return files_->doing(); }, [this] { files_->stop_reading(); },
                 [this] { return files_->is_reading(); }});
    connect(files_.get(), &ProjectFiles::doing_changed, this, [this] { shell_.work_changed(); });
    make_commands();
    connect_start();
    watch();
    show_start();
}

FilesFeature::~FilesFeature() = default;

void FilesFeature::make_commands() {
    shell_.command("file.open", {"file.new", tr("New project…"), QKeySequence::New, [this] { show_start(); },
                                 Needs::nothing});
    shell_.command("file.open",
                   {"file.open", tr("Open…"), QKeySequence::Open, [this] { open_asked(); }, Needs::nothing});
    QMenu* recent = shell_.menu("file.open", tr("Open recent"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { fill_recent(recent); });
    shell_.command("file.save",
                   {"file.save", tr("Save"), QKeySequence::Save, [this] { save(); }, Needs::project});
    shell_.command("file.save", {"file.save-as", tr("Save as…"), QKeySequence("Ctrl+Shift+S"),
                                 [this] { save_as(); }, Needs::project});
    shell_.command("file.save", {"file.versions", tr("Earlier versions…"), QKeySequence("Ctrl+Alt+O"),
                                 [this] { show_versions(); }, Needs::nothing});
    shell_.command("file.save",
                   {"file.compare", tr("Compare with disk…"), {}, [this] { compare_with_disk(); }});
    shell_.command("help", {"help.demo",
                            tr("Open the demo library"),
                            {},
                            [this] { leave_then([this] { open_demo(); }); },
                            Needs::nothing});
}

void FilesFeature::connect_start() {
    connect(start_, &StartPage::create_asked, this,
            [this](const Project& p) { leave_then([this, p] { open_project(p, {}); }); });
    connect(start_, &StartPage::open_asked, this, &FilesFeature::open_asked);
    connect(start_, &StartPage::open_file_asked, this,
            [this](const QString& name) { leave_then([this, name] { open_file(name); }); });
    connect(start_, &StartPage::demo_asked, this, [this] { leave_then([this] { open_demo(); }); });
    connect(start_, &StartPage::back_asked, this, [this] { shell_.leave_page(); });
    connect(start_, &StartPage::recover_asked, this, &FilesFeature::recover_work);
    connect(start_, &StartPage::discard_asked, this, &FilesFeature::throw_away_work);
}

void FilesFeature::find_leftovers() {
    leftovers_.clear();
    for (const QString& root : Autosave::folders()) {
        const auto more = leftovers(root.toStdString());
        leftovers_.insert(leftovers_.end(), more.begin(), more.end());
    }
}

void FilesFeature::show_start() {
    find_leftovers();
    start_->prepare(QSettings().value("recent").toStringList(), leftovers_, document_.is_open());
    shell_.show_page(start_);
}

void FilesFeature::open_asked() {
    const QString name = shell_.asking().open_file(tr("Open a project"), project_filter());
    if (!name.isEmpty()) leave_then([this, name] { open_file(name); });
}

void FilesFeature::open_project(const Project& project, const QString& file, const FileMark& mark) {
    shell_.notices().clear();
    files_->stop_reading();  // this one is wanted, not what may still be on its way
    document_.open(project, file, mark);
    opened();
}

void FilesFeature::opened() {
    workspace_.activity().set_step(placed_access_points(document_.project()).empty() ? Step::venue
                                                                                     : Step::placement);
    shell_.leave_page();
    emit workspace_.wishes().fit_plan();
}

void FilesFeature::open_file(const QString& file) {
    const QString path = QFileInfo(file).absoluteFilePath();
    read_project(
        QFileInfo(file).fileName(), [path] { return load_project(path.toStdString()); },
        [this, path](const Loaded& loaded) {
            open_project(loaded.project, path, loaded.mark);
            remember(path);
            tell_warnings(loaded.warnings);
            tell_of_newer_work(path);
        },
        tr("The project could not be opened"));
}

/// What is done to the open project while another is read has to be left like any other work.
void FilesFeature::read_project(const QString& what, std::function<Loaded()> how,
                                std::function<void(const Loaded&)> done, const QString& failure) {
    files_->read(
        what, std::move(how),
        [this, done = std::move(done), before = document_.project()](const Loaded& loaded) {
            if (!document_.is_open() || document_.project() == before) return done(loaded);
            leave_then([done, loaded] { done(loaded); });
        },
        [this, failure](const QString& why) { shell_.asking().tell_failure(failure, why); });
}

void FilesFeature::recover_work(int index) {
    const Leftover leftover = leftovers_.at(static_cast<std::size_t>(index));
    read_project(
        QString::fromStdString(leftover.project),
        [leftover] {
            return Loaded{recover(leftover), {}, leftover.file.empty() ? FileMark{} : mark_of(leftover.file)};
        },
        [this, leftover](const Loaded& loaded) {
            shell_.notices().clear();
            document_.open_unsaved(loaded.project, QString::fromStdString(leftover.file), loaded.mark);
            opened();
            autosave_->take_over(leftover);
            workspace_.tell(tr("Recovered what was not saved; save it to keep it"));
        },
        tr("The unsaved work could not be recovered"));
}

void FilesFeature::open_demo() { open_project(demo::make_demo(), {}); }

void FilesFeature::save() {
    const QString file = document_.file().isEmpty() ? ask_where_to_save() : document_.file();
    if (!file.isEmpty()) save_then(file, [] {});
}

void FilesFeature::save_as() {
    const QString file = ask_where_to_save();
    if (!file.isEmpty()) save_then(file, [] {});
}

QString FilesFeature::ask_where_to_save() {
    const QString proposed = document_.file().isEmpty()
                                 ? file_name_for(QString::fromStdString(document_.project().name), ".yemvo")
                                 : document_.file();
    return ask_where_to_write(shell_.asking(), tr("Save the project"), proposed, project_filter(), ".yemvo");
}

void FilesFeature::save_then(const QString& file, const std::function<void()>& go) {
    ProjectFiles::Writing w;
    w.file = file;
    if (file == document_.file()) w.expected = document_.file_mark();
    w.done = [this, file, go](const QStringList& warnings) {
        shell_.notices().drop("disk");
        remember(file);
        workspace_.tell(tr("Saved %1").arg(file));
        for (const QString& warning : warnings) workspace_.tell(tr("Saved, but %1").arg(warning), true);
        go();
    };
    w.failed = [this](const QString& why) {
        shell_.asking().tell_failure(tr("The project could not be saved"), why);
    };
    w.changed = [this, go] { compare_with_disk(go); };
    files_->write(std::move(w));
}

bool FilesFeature::is_working() const { return !files_->doing().isEmpty(); }

void FilesFeature::remember(const QString& file) {
    QSettings settings;
    QStringList recent = settings.value("recent").toStringList();
    recent.removeAll(file);
    recent.prepend(file);
    while (recent.size() > most_recent) recent.removeLast();
    settings.setValue("recent", recent);
}

void FilesFeature::fill_recent(QMenu* menu) {
    menu->clear();
    for (const QString& file : QSettings().value("recent").toStringList())
        menu->addAction(file, this, [this, file] { leave_then([this, file] { open_file(file); }); });
    if (menu->isEmpty()) menu->addAction(tr("Nothing yet"))->setEnabled(false);
}

void FilesFeature::leave_then(const std::function<void()>& go) {
    if (files_->is_writing()) return files_->after_writing([this, go] { leave_then(go); });
    if (!document_.is_modified()) return go();
    switch (shell_.asking().unsaved(QString::fromStdString(document_.project().name))) {
        case Asking::Unsaved::save: {
            const QString file = document_.file().isEmpty() ? ask_where_to_save() : document_.file();
            // what is edited while the file is written is asked about again
            if (!file.isEmpty()) save_then(file, [this, go] { leave_then(go); });
            break;
        }
        case Asking::Unsaved::discard:
            return go();
        case Asking::Unsaved::cancel:
            break;
    }
}

}  // namespace yemvo::app
