// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/asking/text_files.h"

#include <QFile>
#include <QFileInfo>
#include <QSaveFile>

#include "base/error.h"

namespace yemvo::app {

std::string text_in_file(const QString& name) {
    QFile file(name);
    const std::string said = QFileInfo(name).fileName().toStdString();
    constexpr qint64 largest = 20 << 20;
    if (!file.open(QIODevice::ReadOnly))
        throw Error(say("cannot be opened"), said, say("Check that it exists and that you may read it"));
    if (file.size() > largest)
        throw Error(say("is larger than 20 MB"), said, say("Choose a library, a table or a pattern"));
    return file.readAll().toStdString();
}

bool write_text_file(const QString& name, const std::string& text) {
    QSaveFile file(name);
    return file.open(QIODevice::WriteOnly) &&
           file.write(text.data(), static_cast<qint64>(text.size())) == static_cast<qint64>(text.size()) &&
           file.commit();
}

}  // namespace yemvo::app
