#include "app/files/project_files.h"

#include <QApplication>
#include <QFileInfo>
#include <QPointer>
#include <QStandardPaths>
#include <QThreadPool>

#include "project/storage.h"

namespace yemvo::app {
namespace {

template <class Work>
void on_window(Work work) {
    QMetaObject::invokeMethod(qApp, std::move(work), Qt::QueuedConnection);
}

}  // namespace

ProjectFiles::ProjectFiles(Document& document, QObject* parent)
    : QObject(parent),
      document_(document),
      readers_(std::make_unique<QThreadPool>()),
      writer_(std::make_unique<QThreadPool>()) {
    writer_->setMaxThreadCount(1);
}

ProjectFiles::~ProjectFiles() {
    writer_->waitForDone();
    readers_->waitForDone();
}

QString ProjectFiles::doing() const {
    if (is_reading()) return "Opening " + what_;
    return is_writing() ? "Saving " + written_ : QString();
}

void ProjectFiles::read(const QString& what, std::function<Loaded()> how, std::function<void(Loaded)> done,
                        Failed failed) {
    what_ = what;
    reading_ = ++last_reading_;
    readers_->start([self = QPointer<ProjectFiles>(this), mine = reading_, how = std::move(how),
                     done = std::move(done), failed = std::move(failed)] {
        auto loaded = std::make_shared<Loaded>();
        QString failure;
        try {
            *loaded = how();
        } catch (const std::exception& fault) {
            failure = QString::fromUtf8(fault.what());
        }
        on_window([self, mine, done, failed, loaded, failure] {
            if (!self || self->reading_ != mine) return;
            self->stop_reading();
            failure.isEmpty() ? done(std::move(*loaded)) : failed(failure);
        });
    });
    emit doing_changed();
}

void ProjectFiles::stop_reading() {
    reading_ = 0;
    emit doing_changed();
}

void ProjectFiles::after_writing(std::function<void()> go) {
    writer_->start([self = QPointer<ProjectFiles>(this), go = std::move(go)] {
        on_window([self, go] {
            if (self) go();
        });
    });
}

void ProjectFiles::write(Writing w) {
    written_ = QFileInfo(w.file).fileName();
    ++writing_;
    writer_->start(
        [self = QPointer<ProjectFiles>(this), saving = document_.begin_saving(), w = std::move(w)] {
            QString failure;
            Saved saved;
            bool changed = false;
            try {
                const std::string file = w.file.toStdString();
                const FileMark now = mark_of(file);
                changed = w.expected && w.expected->exists && now.exists && !(now == *w.expected);
                const Versions versions(versions_folder().toStdString());
                if (!changed) saved = save_project(saving.project, file, &versions);
            } catch (const std::exception& fault) {
                failure = QString::fromUtf8(fault.what());
            }
            on_window([self, of = saving.of, w, saved, failure, changed] {
                if (!self) return;
                --self->writing_;
                const bool written = failure.isEmpty() && !changed;
                self->document_.end_saving(of, written ? w.file : QString(), saved.mark);
                emit self->doing_changed();
                if (changed) return w.changed();
                if (!failure.isEmpty()) return w.failed(failure);
                QStringList warnings;
                for (const std::string& words : saved.warnings) warnings << QString::fromStdString(words);
                w.done(warnings);
            });
        });
    emit doing_changed();
}

QString ProjectFiles::versions_folder() {
    return QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation) + "/versions";
}

}  // namespace yemvo::app
