// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/project_files.h"

#include <QFileInfo>
#include <QStandardPaths>

#include "project/storage.h"
#include "render/tr.h"

namespace yemvo::app {
ProjectFiles::ProjectFiles(Document& document, QObject* parent) : QObject(parent), document_(document) {}

QString ProjectFiles::doing() const {
    if (is_reading()) return tr("Opening %1").arg(what_);
    return is_writing() ? tr("Saving %1").arg(written_) : QString();
}

void ProjectFiles::read(const QString& what, std::function<Loaded()> how, std::function<void(Loaded)> done,
                        Failed failed) {
    reader_.stop();
    what_ = what;
    reading_ = true;
    reader_.request(job(
        {}, [how = std::move(how)](const AtWork&) { return how(); },
        [this, done = std::move(done)](Loaded loaded) {
            stop_reading();
            done(std::move(loaded));
        },
        [this, failed = std::move(failed)](const QString& why) {
            stop_reading();
            failed(why);
        }));
    emit doing_changed();
}

void ProjectFiles::stop_reading() {
    reader_.stop();
    reading_ = false;
    emit doing_changed();
}

void ProjectFiles::after_writing(std::function<void()> go) {
    writer_.request({{}, [](const AtWork&) {}, [](const QString&) {}, std::move(go)});
}

namespace {

struct Outcome {
    Saved saved;
    bool changed = false;  ///< somebody else wrote the file meanwhile: nothing was written
};

Outcome write_unless_changed(const Project& project, const QString& name,
                             const std::optional<FileMark>& expected) {
    const std::string file = name.toStdString();
    const FileMark now = mark_of(file);
    if (expected && expected->exists && now.exists && !(now == *expected)) return {{}, true};
    const Versions versions(ProjectFiles::versions_folder().toStdString());
    return {save_project(project, file, &versions)};
}

}  // namespace

void ProjectFiles::write(Writing w) {
    written_ = QFileInfo(w.file).fileName();
    ++writing_;
    const auto ended = [this](int of, const QString& file, const FileMark& mark) {
        --writing_;
        document_.end_saving(of, file, mark);
        emit doing_changed();
    };
    const Document::Saving saving = document_.begin_saving();
    writer_.request(job(
        {},
        [project = saving.project, file = w.file, expected = w.expected](const AtWork&) {
            return write_unless_changed(project, file, expected);
        },
        [w, ended, of = saving.of](const Outcome& outcome) {
            ended(of, outcome.changed ? QString() : w.file, outcome.saved.mark);
            if (outcome.changed) return w.changed();
            QStringList warnings;
            for (const Said& words : outcome.saved.warnings) warnings << said_text(words);
            w.done(warnings);
        },
        [w, ended, of = saving.of](const QString& why) {
            ended(of, {}, {});
            w.failed(why);
        }));
    emit doing_changed();
}

QString ProjectFiles::versions_folder() {
    return QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation) + "/versions";
}

}  // namespace yemvo::app
