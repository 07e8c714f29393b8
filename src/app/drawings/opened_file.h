// SPDX-License-Identifier: GPL-3.0-or-later
// A drawing file read from disk or clipboard and opened, ready to be prepared.
#pragma once
#include <QString>
#include <memory>

#include "render/drawings/drawing_layer.h"

namespace yemvo::app {

struct OpenedFile {
    std::string name;  ///< without its folder
    Shared<Bytes> bytes;
    DrawingSource source;  ///< without an asset name yet
    std::shared_ptr<const render::Sheet> sheet;
};

/// Reads the file and opens it; takes long, so it is called behind the window. Throws Error, and Cancelled.
OpenedFile open_drawing(const QString& file, const CancelToken&);
OpenedFile open_drawing(const std::string& name, const Shared<Bytes>&, int page, const CancelToken&);

}  // namespace yemvo::app
