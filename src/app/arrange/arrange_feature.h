// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with what is selected: copied, turned, joined, grouped; by menu, key, or the right button on
// the plan.
#pragma once
#include <QPointF>

#include "app/offer/feature.h"
#include "geometry/point.h"

class QMenu;
class QPoint;

namespace yemvo::app {

class PlanView;

class ArrangeFeature : public Feature {
    Q_OBJECT
public:
    ArrangeFeature(Shell&, PlanView&);
    /// A part of a plan from the clipboard, or a picture or file as a drawing.
    void paste();

private:
    void make_history();
    void make_commands();
    void open_menu(const QPoint& global, QPointF on_plan);
    void pin_probe(Point);
    void add_corner_commands(QMenu*, QPointF on_plan);
    PlanView& plan_;
};

}  // namespace yemvo::app
