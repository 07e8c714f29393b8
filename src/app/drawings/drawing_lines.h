// SPDX-License-Identifier: GPL-3.0-or-later
// The lines of CAD drawings as they lie on a floor, for snapping and following.
#pragma once
#include <memory>
#include <mutex>
#include <optional>
#include <vector>

#include "geometry/segment_index.h"
#include "render/drawings/drawing_layer.h"
#include "venue/drawing.h"

namespace yemvo {
struct CadDrawing;
}

namespace yemvo::app {

/// Lines with the layer each is on; a layer's number holds for one drawing only.
struct DrawingLines {
    SegmentIndex lines;
    std::vector<int> layers;
};

/// Of the layers that are shown and inside the crop, in metres of the floor; arcs by chords.
void add_lines(std::vector<Segment>& lines, std::vector<int>& layers, const CadDrawing&, const Drawing&);

/// Hands lines from the thread that opens drawings to the window.
class FoundLines {
public:
    struct Lines {
        FloorId floor;
        std::vector<Drawing> drawings;
        std::shared_ptr<const DrawingLines> lines;  ///< null: none of the drawings has any
    };
    /// `sheets`: opened, in any order; matched by their source.
    void put(FloorId, const std::vector<Drawing>&, const std::vector<render::LaidSheet>& sheets);
    std::optional<Lines> take();

private:
    std::mutex mutex_;
    std::optional<Lines> lines_;
};

}  // namespace yemvo::app
