#pragma once
#include "app/plan/tool.h"

namespace yemvo::app {

/// Draws closed outlines: zones, voids in the slab, or how far the slab of a floor reaches. Drag for a
/// rectangle, or click corner after corner.
class OutlineTool : public Tool {
public:
    enum class Makes { zone, slab_void, plate };
    OutlineTool(Workspace& workspace, PlanSurface& surface, Makes makes)
        : Tool(workspace, surface), makes_(makes) {}
    QString name() const override {
        return makes_ == Makes::zone ? "Zone" : makes_ == Makes::plate ? "Plate" : "Void";
    }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool double_click(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override { points_.clear(); }
    void paint(QPainter&) override;

private:
    Snapped snapped(const PointerEvent&) const;
    std::vector<Point> outline() const;
    void finish(std::vector<Point>);
    Makes makes_;
    std::vector<Point> points_;
    Snapped pointer_;
    QPointF pressed_;
    bool dragging_ = false, pointed_ = false;
};

}  // namespace yemvo::app
