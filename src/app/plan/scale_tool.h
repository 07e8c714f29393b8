// SPDX-License-Identifier: GPL-3.0-or-later
// Gives a drawing its scale: known lengths, a known area; and checks it.
#pragma once
#include <vector>

#include "app/model/drawings_in_view.h"
#include "app/plan/tool.h"
#include "geometry/point.h"
#include "render/tr.h"

namespace yemvo::app {

class ScaleTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Scale"); }
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    bool double_click(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override;
    void entered(const std::vector<QString>&) override;
    void paint(QPainter&) override;

private:
    bool by_area() const { return workspace_.drawings().scale_mode() == ScaleMode::area; }
    bool checking() const { return workspace_.drawings().scale_mode() == ScaleMode::check; }
    void ask(QPointF at);
    void close_outline();
    void set_length(double length_m);
    void set_area(double area_m2);
    void tell_check(double length_m);
    void paint_known(QPainter&, const Drawing&);
    void paint_line(QPainter&, Point a, Point b, const QColor&);
    std::vector<Point> points_;
    bool asked_ = false;  ///< all places are given, the value is awaited
    QString checked_;     ///< what the last check told
    Point pointer_;
};

/// "12.5", "12.5 m²", "135 sq ft" in square metres; bare numbers in the units' own. Throws Error.
double parse_area_m2(const QString&, LengthUnits);

}  // namespace yemvo::app
