// SPDX-License-Identifier: GPL-3.0-or-later
// A tool of the plan: what the pointer and the keys do while it is chosen.
#pragma once
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <memory>
#include <vector>

#include "app/model/workspace.h"
#include "app/offer/hint.h"
#include "app/plan/snapping.h"
#include "geometry/point.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

class EntryBox;

/// What a tool may ask of the plan it works on.
class PlanSurface {
public:
    virtual ~PlanSurface() = default;
    virtual const render::PlanMap& map() const = 0;
    virtual EntryBox& entry() = 0;
    virtual void repaint_tool() = 0;
};

struct PointerEvent {
    QPointF screen;
    Point floor;
    Qt::KeyboardModifiers keys;
    Qt::MouseButton button = Qt::LeftButton;
};

class Tool {
public:
    Tool(Workspace& workspace, PlanSurface& surface) : workspace_(workspace), surface_(surface) {}
    virtual ~Tool() = default;
    virtual QString name() const = 0;
    virtual std::vector<HintPart> hint() const = 0;
    virtual void press(const PointerEvent&) {}
    virtual void move(const PointerEvent&) {}
    virtual void release(const PointerEvent&) {}
    virtual bool double_click(const PointerEvent&) { return false; }
    /// True when the key was the tool's.
    virtual bool key(QKeyEvent&) { return false; }
    /// One step back; false when there was nothing to go back from.
    virtual bool back() { return false; }
    /// Another tool is chosen: what was begun is finished, or dropped where it cannot be.
    virtual void leave() {}
    /// The floor or the project under the tool changed: what was begun is dropped.
    virtual void abandon() { leave(); }
    virtual void paint(QPainter&) {}
    /// What was typed into the entry box, field by field; empty for a field left alone. Enter was pressed.
    virtual void entered(const std::vector<QString>&) {}
    virtual Qt::CursorShape cursor() const { return Qt::CrossCursor; }

protected:
    const Floor* floor() const { return workspace_.floor(); }
    const render::PlanMap& map() const { return surface_.map(); }
    SnapOptions snap_options(const PointerEvent&) const;
    /// On the floor in view; its lines are kept from one move to the next.
    Snapped snapped_to(Point at, const SnapOptions&) const;
    void paint_snap(QPainter&, const Snapped&) const;
    Workspace& workspace_;
    PlanSurface& surface_;

private:
    mutable SnapLines snap_lines_;
};

}  // namespace yemvo::app
