// SPDX-License-Identifier: GPL-3.0-or-later
// Paints drawings behind the window, always the newest view it was asked for.
#pragma once
#include <QImage>
#include <QObject>
#include <functional>

#include "app/behind/behind.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

/// A picture and the view it was painted for.
struct PaintedView {
    QImage image;
    render::PlanMap map;  ///< in the image's own pixels
    double ratio = 1;     ///< image pixels a logical pixel
};

class DrawingRunner : public QObject {
    Q_OBJECT
public:
    explicit DrawingRunner(QObject* parent = nullptr);

    using Paint = std::function<QImage(const CancelToken&)>;
    /// Replaces what waits and stops what runs. `map`: that `paint` paints for.
    void request(Paint paint, const render::PlanMap& map, double ratio);
    bool is_idle() const { return behind_.is_idle(); }

signals:
    void painted(const yemvo::app::PaintedView&);
    void failed(const QString& message);

private:
    Behind behind_;
};

/// Draws a painted view where it belongs in another view of the same floor: moved exactly when the scale is
/// the same, else stretched until the sharp one arrives.
void draw_view(QPainter&, const PaintedView&, const render::PlanMap& now);

}  // namespace yemvo::app
