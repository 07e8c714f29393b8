// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <optional>
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "render/tr.h"

namespace yemvo::app {

/// Places access points of the chosen model.
class AccessPointTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Access point"); }
    std::vector<HintPart> hint() const override {
        return {{"", tr("click where it hangs")}, {tr("Alt"), tr("no grid")}, {tr("Esc"), tr("exit tool")}};
    }
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void paint(QPainter&) override;

private:
    Point place(const PointerEvent&) const;
    std::optional<Point> shown_;
};

}  // namespace yemvo::app
