// SPDX-License-Identifier: GPL-3.0-or-later
// The drawings under a floor as one picture of what is seen of them.
#pragma once
#include <optional>

#include "base/content_key.h"
#include "render/drawings/sheet.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// One sheet as it lies on the floor.
struct LaidSheet {
    std::shared_ptr<const Sheet> sheet;
    DrawingSource source;
    std::vector<Point> crop;  ///< as Drawing::crop
    Similarity placement;     ///< as Drawing::placement
    double opacity = 1, lighten = 0;
    bool inverted = false;
    std::optional<QColor> tint;  ///< all ink in this colour
    bool on_dark = false;        ///< it lies on dark paper: dark ink is shown light, in its own hue
};
LaidSheet laid(const Drawing&, std::shared_ptr<const Sheet>);

/// From sheet coordinates to the map's pixels.
QTransform sheet_to_px(const Similarity& placement, const PlanMap&);

/// The sheets over each other on nothing, the first lowest. `size` in pixels of the map. Throws Cancelled.
QImage paint_sheets(const std::vector<LaidSheet>&, const PlanMap&, QSize size, const CancelToken& = {});

/// What both have stays grey; what only the older has is drawn in `gone`, what only the newer has in `come`.
QImage paint_difference(const LaidSheet& older, const LaidSheet& newer, const PlanMap&, QSize size,
                        const QColor& gone, const QColor& come, const CancelToken& = {});

/// Opened sheets by the bytes they came from, the least lately used dropped first. Safe from several threads.
class SheetCache {
public:
    explicit SheetCache(const std::shared_ptr<MemoryBudget>& budget) : opened_(budget) {}
    /// Throws Error as open_sheet does.
    std::shared_ptr<const Sheet> open(const Shared<Bytes>&, const DrawingSource&, const CancelToken& = {});
    std::size_t bytes() const { return opened_.used_bytes(); }

private:
    struct Opened {
        Shared<Bytes> bytes;  ///< keeps the address, which the key is made of, from being used again
        std::shared_ptr<const Sheet> sheet;
    };
    ContentCache<Opened> opened_;
};

/// The floor's drawings that are shown, as paint_sheets. Throws Error for one that cannot be read.
QImage drawings_picture(const Project&, const Floor&, SheetCache&, const PlanMap&, QSize size);

}  // namespace yemvo::render
