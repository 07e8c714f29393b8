// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/file_guard.h"

namespace yemvo::app {

FileGuard::FileGuard(Document& document, QObject* parent) : QObject(parent), document_(document) {
    timer_.setInterval(every_ms);
    connect(&timer_, &QTimer::timeout, this, &FileGuard::look);
    connect(&document, &Document::opened, this, &FileGuard::follow);
    connect(&document, &Document::state_changed, this, &FileGuard::follow);
    timer_.start();
}

/// The note moves with the document to another file.
void FileGuard::follow() {
    if (document_.file() == file_) return;
    file_ = document_.file();
    told_ = {};
    told_gone_ = false;
    behind_.request({{},
                     [this, file = file_.toStdString()](const AtWork& at) {
                         note_.reset();
                         if (file.empty()) return;
                         note_ = std::make_unique<LockNote>(file);
                         if (const auto other = note_->other())
                             at.hand_over([this, by = *other] { emit opened_elsewhere(by); });
                     },
                     [](const QString&) {}});  // a folder that takes no note has none to show
}

void FileGuard::look() {
    if (!document_.is_open() || file_.isEmpty() || !behind_.is_idle()) return;
    behind_.request(job(
        {}, [file = file_.toStdString()](const AtWork&) { return mark_of(file); },
        [this, file = file_, known = document_.file_mark()](const FileMark& now) {
            // it may have been written by us meanwhile
            if (document_.file_mark() == known) seen(file, now);
        },
        [](const QString&) {}));  // it is looked at again in a moment
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
