// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

/// A wall as the tools make it next, from the line that was drawn: its face or its centre.
Wall next_wall(const Workspace&, const std::vector<Point>& drawn, std::vector<double> bulges = {});

/// Draws runs of wall: click corner after corner, or type length and angle.
class WallTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Wall"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool double_click(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override;
    void abandon() override;
    void paint(QPainter&) override;
    void entered(const std::vector<QString>&) override;

private:
    Snapped snapped(const PointerEvent&) const;
    /// The next corner: where the pointer is, held to what was typed. Throws Error for what cannot be read.
    Point next(const std::vector<QString>& typed) const;
    void add(Point);
    void finish();
    void open_entry();
    void show_live();
    std::vector<Point> points_;
    Snapped pointer_;
    bool pointed_ = false;
};

}  // namespace yemvo::app
