// SPDX-License-Identifier: GPL-3.0-or-later
// Walls drawn as rectangles and arcs.
#pragma once
#include <optional>
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "render/tr.h"

namespace yemvo::app {

/// Two opposite corners, by dragging or by two clicks; typed width and depth.
class WallRectangleTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Wall rectangle"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override;
    void paint(QPainter&) override;
    void entered(const std::vector<QString>&) override;

private:
    Point opposite() const;
    void finish(Point opposite);
    std::optional<Point> first_;
    Snapped pointer_;
    QPointF pressed_;
    bool pointed_ = false;
};

/// Start, end, and a place the arc passes through.
class WallArcTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Wall arc"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool back() override;
    void leave() override { points_.clear(); }
    void paint(QPainter&) override;

private:
    std::vector<Point> points_;
    Snapped pointer_;
    bool pointed_ = false;
};

}  // namespace yemvo::app
