// SPDX-License-Identifier: GPL-3.0-or-later
// Lays the floor in view on another one by pairs of places.
#pragma once
#include <optional>
#include <vector>

#include "app/model/drawings_in_view.h"
#include "app/plan/tool.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

class AlignTool : public Tool {
public:
    AlignTool(Workspace&, PlanSurface&);
    QString name() const override { return tr("Align"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override;
    void abandon() override;
    void paint(QPainter&) override;

private:
    const Floor* ghost() const { return find_floor(workspace_.project(), workspace_.drawings().ghost()); }
    void begin();
    std::optional<Point> here_;  ///< the first half of a pair
    Snapped pointer_;
};

/// The floor that this one is usually laid on: the next lower, else the next higher; 0 for none.
FloorId usual_ghost(const Project&, FloorId);
/// Carries the floor in view along by the picked pairs, as one edit; tells what was done or why not.
void align_now(Workspace&);

}  // namespace yemvo::app
