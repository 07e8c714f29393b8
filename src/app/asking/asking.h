// SPDX-License-Identifier: GPL-3.0-or-later
// How the window asks a person for files and decisions.
#pragma once
#include <QString>
#include <QStringList>
#include <functional>
#include <optional>

#include "project/edits.h"

class QWidget;

namespace yemvo::app {

/// Tests answer instead of the dialogs.
struct Asking {
    enum class Unsaved { save, discard, cancel };
    std::function<QString(const QString& title, const QString& filter)> open_file;
    std::function<QString(const QString& title, const QString& proposed, const QString& filter)> save_file;
    /// A folder that is there or may be made; empty: not at all.
    std::function<QString(const QString& title)> folder;
    std::function<Unsaved(const QString& project)> unsaved;
    std::function<void(const QString& title, const QString& message)> tell_failure;
    /// Whether a file that exists may be replaced.
    std::function<bool(const QString& file)> overwrite;
    /// What to do about a file that somebody else has written since it was opened.
    enum class OnDisk { cancel, save_beside, reload, write_over };
    std::function<OnDisk(const QString& file, const QStringList& differences)> changed_on_disk;
    /// Whether unsaved work that a crash left may be thrown away.
    std::function<bool(const QString& project)> throw_away;
    /// A name for something; empty: not at all.
    std::function<QString(const QString& title, const QString& proposed)> name;
    /// What comes along when a floor is duplicated; none: not at all.
    std::function<std::optional<FloorParts>(const QString& floor)> duplicate;
};

/// Asks by dialogs over the window.
Asking ask_by_dialogs(QWidget* window);

}  // namespace yemvo::app
