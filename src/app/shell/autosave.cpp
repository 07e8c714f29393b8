#include "app/shell/autosave.h"

#include <QStandardPaths>
#include <QThreadPool>

#include "base/error.h"

namespace yemvo::app {

QString Autosave::folder() {
    return QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation) + "/journal";
}

Autosave::Autosave(Document& document, QObject* parent, const QString& root)
    : QObject(parent), document_(document), root_(root), worker_(std::make_unique<QThreadPool>()) {
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
        try {
            if (!journal_) journal_ = std::make_shared<Journal>(root_.toStdString());
            journal_->write(project, file);
            told_ = false;
        } catch (const std::exception& fault) {
            if (!told_) emit failed(QString::fromUtf8(fault.what()));
            told_ = true;
        }
    });
}

void Autosave::forget() {
    timer_.stop();
    worker_->start([this] {
        if (journal_) journal_->clear();
    });
}

}  // namespace yemvo::app
