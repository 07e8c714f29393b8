// SPDX-License-Identifier: GPL-3.0-or-later
// A map beside others: all of a page look at the same place, at the same scale.
#pragma once
#include <QWidget>
#include <functional>
#include <optional>

#include "render/heat_map.h"

namespace yemvo::app {

/// What all maps of a page share.
struct StepView {
    render::PlanMap map;
    render::MapChoice choice;
    std::optional<Point> pointed;  ///< the place whose value each map tells
    void zoom_at(QPointF at, double by);
    /// All of a box in the middle of so much room.
    void fit(const Box&, QSizeF room);
};

class MapInStep : public QWidget {
    Q_OBJECT
public:
    explicit MapInStep(QWidget* parent = nullptr);
    /// What is done to this one is done to the view; `moved` and `told` see to the other maps.
    void lead(StepView&, std::function<void()> moved, std::function<void()> told);

signals:
    void chosen();
    void resized();
    void panned(QPointF by);
    void zoomed(QPointF at, double by);
    void pointed(std::optional<yemvo::Point>);

protected:
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void leaveEvent(QEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    /// What is held by the pointer in place of the map.
    virtual bool grasps(QPointF) { return false; }
    virtual void drag(QPointF) {}

    /// Ground, map, solids and walls.
    void paint_floor(QPainter&, const Project&, const FloorPrediction&, const std::vector<float>& values,
                     const render::MapChoice&) const;
    /// The place that is pointed at, with its value.
    void paint_pointed(QPainter&, const QString& words) const;
    void paint_waiting(QPainter&) const;
    const StepView* view_ = nullptr;

private:
    bool dragging_ = false;
    std::optional<QPointF> panned_from_;
};

/// "−61.2 dBm", of a difference "+3.1 dB"; empty where there is no value.
QString value_words(const FloorPrediction&, const std::vector<float>& values, LensId, bool difference, Point);

}  // namespace yemvo::app
