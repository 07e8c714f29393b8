#pragma once
#include "app/plan/tool.h"

namespace yemvo::app {

/// Gives the floor's drawing its scale: two clicks on it and the true length between them.
class ScaleTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return "Scale"; }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool back() override;
    void leave() override;
    void paint(QPainter&) override;
    void entered(const std::vector<QString>&) override;

private:
    std::vector<Point> ends_;  ///< in metres of the scale as it is
    Point pointer_;
};

/// The drawing enlarged so that the length between two places on it becomes `length_m`; the first stays.
/// Throws Error when they are the same place or the length is not above 0.
Drawing rescaled(Drawing, Point from, Point to, double length_m);

}  // namespace yemvo::app
