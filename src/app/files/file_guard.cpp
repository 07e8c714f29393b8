#include "app/files/file_guard.h"

#include <QApplication>
#include <QPointer>
#include <QThreadPool>

namespace yemvo::app {

FileGuard::FileGuard(Document& document, QObject* parent)
    : QObject(parent), document_(document), worker_(std::make_unique<QThreadPool>()) {
    worker_->setMaxThreadCount(1);
    timer_.setInterval(every_ms);
    connect(&timer_, &QTimer::timeout, this, &FileGuard::look);
    connect(&document, &Document::opened, this, &FileGuard::follow);
    connect(&document, &Document::state_changed, this, &FileGuard::follow);
    timer_.start();
}

FileGuard::~FileGuard() {
    worker_->waitForDone();
    note_.reset();
}

/// The note moves with the document to another file.
void FileGuard::follow() {
    if (document_.file() == file_) return;
    file_ = document_.file();
    told_ = {};
    told_gone_ = false;
    worker_->start([self = QPointer<FileGuard>(this), this, file = file_.toStdString()] {
        // the worker is waited for before this object goes
        note_.reset();
        if (file.empty()) return;
        note_ = std::make_unique<LockNote>(file);
        if (const auto other = note_->other())
            QMetaObject::invokeMethod(
                qApp,
                [self, by = *other] {
                    if (self) emit self->opened_elsewhere(by);
                },
                Qt::QueuedConnection);
    });
}

void FileGuard::look() {
    if (!document_.is_open() || file_.isEmpty() || worker_->activeThreadCount() > 0) return;
    worker_->start([self = QPointer<FileGuard>(this), file = file_, known = document_.file_mark()] {
        const FileMark now = mark_of(file.toStdString());
        QMetaObject::invokeMethod(
            qApp,
            [self, file, known, now] {
                // it may have been written by us meanwhile
                if (self && self->document_.file_mark() == known) self->seen(file, now);
            },
            Qt::QueuedConnection);
    });
}

void FileGuard::seen(const QString& file, const FileMark& now) {
    // while it is written by us its mark is on its way
    if (file != document_.file() || document_.is_saving() || !document_.file_mark().exists) return;
    if (!now.exists) {
        if (!told_gone_) emit gone_from_disk();
        told_gone_ = true;
        return;
    }
    told_gone_ = false;
    if (now == document_.file_mark() || now == told_) return;
    told_ = now;
    emit changed_on_disk(now);
}

}  // namespace yemvo::app
