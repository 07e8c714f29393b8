// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/files/autosave.h"

#include <unistd.h>

#include <QStandardPaths>

#include "base/error.h"
#include "project/project.h"
#include "render/tr.h"

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
    : QObject(parent), document_(document), roots_(roots) {
    timer_.setSingleShot(true);
    timer_.setInterval(delay_ms);
    connect(&timer_, &QTimer::timeout, this, &Autosave::write);
    connect(&document, &Document::changed, this, &Autosave::edited);
    connect(&document, &Document::state_changed, this, [this] {
        document_.is_modified() ? edited() : forget();  // the first edit is told before it counts as one
    });
}

/// An orderly end: the person has said what becomes of unsaved edits.
Autosave::~Autosave() { forget(); }

std::function<void(const QString&)> Autosave::told_faulty() {
    return [this](const QString& why) { emit failed(why, {}); };
}

void Autosave::take_over(const Leftover& leftover) {
    write();
    behind_.request({{}, [leftover](const AtWork&) { discard(leftover); }, told_faulty()});
}

/// The clock runs from the first edit, so that a long drag is journalled too.
void Autosave::edited() {
    if (document_.is_modified() && !timer_.isActive()) timer_.start();
}

void Autosave::write() {
    if (!document_.is_modified()) return;
    behind_.request({{},
                     [this, project = document_.project(), file = document_.file().toStdString()](
                         const AtWork& at) { write_somewhere(project, file, at); },
                     told_faulty()});
}

/// The first place is tried again each time, since it is the one that lasts.
void Autosave::write_somewhere(const Project& project, const std::string& file, const AtWork& at) {
    QString why;
    for (int i = 0; i < roots_.size(); ++i) {
        try {
            if (!journal_ || place_ != i) {
                auto there = std::make_shared<Journal>(roots_[i].toStdString());
                there->write(project, file);
                if (journal_) journal_->clear();
                journal_ = std::move(there);
                place_ = i;
            } else {
                journal_->write(project, file);
            }
            const QString trouble = i == 0 ? QString() : roots_[i];
            if (trouble != told_)
                at.hand_over([this, i, why] { i == 0 ? emit works_again() : emit failed(why, roots_[i]); });
            told_ = trouble;
            return;
        } catch (const std::exception& fault) {
            if (why.isEmpty()) why = fault_text(fault);
        }
    }
    if (told_ != "nowhere") at.hand_over([this, why] { emit failed(why, {}); });
    told_ = "nowhere";
}

void Autosave::forget() {
    timer_.stop();
    behind_.request({{},
                     [this](const AtWork&) {
                         if (journal_) journal_->clear();
                     },
                     told_faulty()});
}

}  // namespace yemvo::app
