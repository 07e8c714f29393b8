// SPDX-License-Identifier: GPL-3.0-or-later
// Tools of one click: columns, notes, and the cut through a wall.
#pragma once
#include <optional>
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "render/tr.h"

namespace yemvo::app {

class ColumnTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Column"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void paint(QPainter&) override;

private:
    Obstacle column(Point) const;
    std::optional<Snapped> pointer_;
};

class NoteTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Note"); }
    std::vector<HintPart> hint() const override {
        return {{"", tr("click where the note belongs")}, {tr("Esc"), tr("exit tool")}};
    }
    void press(const PointerEvent&) override;
};

/// Cuts a wall in two where it is clicked.
class SplitTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Split"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void paint(QPainter&) override;

private:
    struct Cut {
        WallId wall;
        int piece;
        double along_m;
    };
    std::optional<Cut> at(const PointerEvent&) const;
    std::optional<Cut> shown_;
};

}  // namespace yemvo::app
