// A drawing file read from disk or clipboard and opened, ready to be prepared.
#pragma once
#include <QString>
#include <functional>
#include <memory>

#include "render/drawings/drawing_layer.h"

class QObject;

namespace yemvo::app {

struct OpenedFile {
    std::string name;  ///< without its folder
    Shared<Bytes> bytes;
    DrawingSource source;  ///< without an asset name yet
    std::shared_ptr<const render::Sheet> sheet;
};

/// Reads and opens behind the window; one of the two is called on the interface thread, unless `owner` is
/// gone by then.
void open_behind(QObject* owner, const QString& file, const CancelToken&,
                 std::function<void(OpenedFile)> done, std::function<void(QString)> failed);
void open_behind(QObject* owner, std::string name, Shared<Bytes> bytes, int page, const CancelToken&,
                 std::function<void(OpenedFile)> done, std::function<void(QString)> failed);

}  // namespace yemvo::app
