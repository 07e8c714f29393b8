// SPDX-License-Identifier: GPL-3.0-or-later
// Kinds of files and their endings, as dialogs show them.
#pragma once
#include <QFileInfo>
#include <QString>

#include "app/asking/asking.h"
#include "render/tr.h"

namespace yemvo::app {

inline QString project_filter() { return tr("Yemvo projects (*.yemvo)"); }
inline QString drawing_filter() {
    return tr("Drawings (*.png *.jpg *.jpeg *.webp *.tif *.tiff *.pdf *.svg *.dxf);;All files (*)");
}

/// The name with the ending unless it has just that one ("Plan v1.2" has none); empty stays empty.
inline QString with_ending(QString file, const QString& ending) {
    if (!file.isEmpty() && !file.endsWith(ending, Qt::CaseInsensitive)) file += ending;
    return file;
}

/// A file name for a project of that name: what a file name cannot hold becomes a hyphen.
inline QString file_name_for(const QString& project, const QString& ending) {
    QString name = project.trimmed();
    for (QChar& c : name)
        if (c == '/' || c == '\\' || c.unicode() < 32 || c == QChar(127)) c = '-';
    while (name.startsWith('.')) name.remove(0, 1);  // it would be hidden
    while (name.toUtf8().size() > 200) name.chop(1);
    return (name.isEmpty() ? tr("Project") : name) + ending;
}

/// Asks where to write: the ending is added, and what would be replaced unasked is asked about. Empty: not at
/// all.
inline QString ask_where_to_write(const Asking& asking, const QString& title, const QString& proposed,
                                  const QString& filter, const QString& ending) {
    const QString typed = asking.save_file(title, proposed, filter);
    if (typed.isEmpty()) return {};
    QString file = QFileInfo(with_ending(typed, ending)).absoluteFilePath();
    // the dialog has asked about the name as it was typed
    const bool asked = file == QFileInfo(typed).absoluteFilePath();
    if (!asked && QFileInfo::exists(file) && !asking.overwrite(file)) return {};
    return file;
}

}  // namespace yemvo::app
