// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <optional>
#include <vector>

#include "app/plan/following.h"
#include "app/plan/tool.h"
#include "geometry/point.h"
#include "render/tr.h"

namespace yemvo::app {

/// Takes lines of a CAD drawing as walls: click near one, or drag along several.
class FollowTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Follow the drawing"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool back() override;
    void leave() override { taken_.clear(); }
    void paint(QPainter&) override;

private:
    std::optional<TakenLine> at(const PointerEvent&) const;
    void take(const std::optional<TakenLine>&);
    std::optional<TakenLine> near_;
    std::vector<TakenLine> taken_;
    Point dragged_from_;
    bool dragging_ = false;
};

}  // namespace yemvo::app
