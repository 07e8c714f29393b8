#include "app/files/autosave.h"

#include <unistd.h>
#include <QStandardPaths>
#include <QThreadPool>

#include "base/error.h"
#include "project/project.h"

namespace yemvo::app {

QStringList Autosave::folders() {
    using Paths = QStandardPaths;
    QStringList found{Paths::writableLocation(Paths::AppLocalDataLocation) + "/journal"};
    if (const QString runtime = Paths::writableLocation(Paths::RuntimeLocation); !runtime.isEmpty())
        found << runtime + "/yemvo-journal";
    found << Paths::writableLocation(Paths::TempLocation) + QString("/yemvo-journal-%1").arg(::getuid());
    return found;
}

Autosave::Autosave(Document& document, QObject* parent, const QStringList& roots)
    : QObject(parent), document_(document), roots_(roots), worker_(std::make_unique<QThreadPool>()) {
    worker_->setMaxThreadCount(1);
    timer_.setSingleShot(true);
    timer_.setInterval(delay_ms);
    connect(&timer_, &QTimer::timeout, this, &Autosave::write);
    connect(&document, &Document::changed, this, &Autosave::edited);
    connect(&document, &Document::state_changed, this, [this] {
        document_.is_modified() ? edited() : forget();  // the first edit is told before it counts as one
    });
}

/// An orderly end: the person has said what becomes of unsaved edits.
Autosave::~Autosave() {
    forget();
    worker_->waitForDone();
}

void Autosave::take_over(const Leftover& leftover) {
    write();
    worker_->start([leftover] { discard(leftover); });
}

/// The clock runs from the first edit, so that a long drag is journalled too.
void Autosave::edited() {
    if (document_.is_modified() && !timer_.isActive()) timer_.start();
}

void Autosave::write() {
    if (!document_.is_modified()) return;
    worker_->start([this, project = document_.project(), file = document_.file().toStdString()] {
        // the worker is waited for before this object goes
        write_somewhere(project, file);
    });
}

/// The first place is tried again each time, since it is the one that lasts.
void Autosave::write_somewhere(const Project& project, const std::string& file) {
    QString why;
    for (int i = 0; i < roots_.size(); ++i) {
        try {
            if (!journal_ || at_ != i) {
                auto there = std::make_shared<Journal>(roots_[i].toStdString());
                there->write(project, file);
                if (journal_) journal_->clear();
                journal_ = std::move(there);
                at_ = i;
            } else {
                journal_->write(project, file);
            }
            const QString trouble = i == 0 ? QString() : roots_[i];
            if (trouble != told_) i == 0 ? emit works_again() : emit failed(why, roots_[i]);
            told_ = trouble;
            return;
        } catch (const std::exception& fault) {
            if (why.isEmpty()) why = QString::fromUtf8(fault.what());
        }
    }
    if (told_ != "nowhere") emit failed(why, {});
    told_ = "nowhere";
}

void Autosave::forget() {
    timer_.stop();
    worker_->start([this] {
        if (journal_) journal_->clear();
    });
}

}  // namespace yemvo::app
