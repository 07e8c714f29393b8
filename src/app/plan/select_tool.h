// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <optional>
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "project/item.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

/// Selects, moves, and shapes by nodes.
class SelectTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Select"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void paint(QPainter&) override;
    Qt::CursorShape cursor() const override { return Qt::ArrowCursor; }

private:
    struct Node {
        Item item;
        std::size_t index;
    };
    std::optional<Node> node_at(QPointF) const;
    void drag_node(const PointerEvent&);
    /// The access point that is selected alone; null for any other selection.
    const AccessPoint* aimed_one() const;
    void drag_aim(const PointerEvent&);
    void drag_items(const PointerEvent&);
    void nudge(Point by_m);
    bool cycle();
    bool flip();
    enum class Doing { nothing, waiting, items, node, aim, band } doing_ = Doing::nothing;
    QPointF pressed_, pointer_;
    Point pressed_floor_;
    std::optional<Node> node_;
    std::vector<Item> under_;
    Project before_;
    int merge_key_ = 0;
    bool adding_ = false;
};

}  // namespace yemvo::app
