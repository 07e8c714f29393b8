// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <optional>
#include <vector>

#include "app/plan/picking.h"
#include "app/plan/tool.h"
#include "render/tr.h"

namespace yemvo::app {

/// Puts doors or windows into the wall under the pointer.
class OpeningTool : public Tool {
public:
    OpeningTool(Workspace& workspace, PlanSurface& surface, OpeningKind kind)
        : Tool(workspace, surface), kind_(kind) {}
    QString name() const override { return kind_ == OpeningKind::door ? tr("Door") : tr("Window"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    void paint(QPainter&) override;

private:
    std::optional<std::pair<WallId, Opening>> at(const PointerEvent&) const;
    OpeningKind kind_;
    std::optional<std::pair<WallId, Opening>> shown_;
    bool flipped_ = false;
    std::optional<PointerEvent> last_;
};

}  // namespace yemvo::app
