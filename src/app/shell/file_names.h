// Kinds of files and their endings, as dialogs show them.
#pragma once
#include <QFileInfo>
#include <QString>

namespace yemvo::app {

inline const QString project_filter = "Yemvo projects (*.yemvo)";
inline const QString drawing_filter =
    "Drawings (*.png *.jpg *.jpeg *.webp *.tif *.tiff *.pdf *.svg *.dxf);;All files (*)";

/// The name with the ending unless it has one; empty stays empty.
inline QString with_ending(QString file, const QString& ending) {
    if (!file.isEmpty() && QFileInfo(file).suffix().isEmpty()) file += ending;
    return file;
}

}  // namespace yemvo::app
