// SPDX-License-Identifier: GPL-3.0-or-later
// One link drawn along its way: in elevation, and below it the falling line of level.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/link_profile/tilt_aim.h"
#include "app/model/workspace.h"
#include "propagation/explain.h"
#include "propagation/link_elevation.h"

namespace yemvo::app {

/// Level [dBm] along the ground from the source, as drawn: straight pieces between the places given.
struct LevelLine {
    std::vector<std::pair<double, double>> points, free_space;  ///< metres, dBm
};
LevelLine level_line(const LinkExplanation&);

class LinkChart : public QWidget {
    Q_OBJECT
public:
    explicit LinkChart(Workspace&, QWidget* parent = nullptr);
    /// Where the antenna is tilted by; none where it looks nowhere in particular, or out of the drawing.
    std::optional<QPointF> tilt_handle() const;

private:
    struct Frame;
    void refresh();
    std::optional<Frame> frame() const;
    SideView side_view(const Frame&) const;
    void tilt_to(QPointF, bool coarse);
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void paint_elevation(QPainter&, const Frame&) const;
    void paint_ray(QPainter&, const Frame&) const;
    void paint_labels(QPainter&, const Frame&) const;
    void paint_level(QPainter&, const Frame&) const;
    Workspace& workspace_;
    std::vector<ElevationPart> parts_;
    LevelLine line_;
    std::optional<TiltAim> aim_;
    int tilting_ = 0;  ///< the key under which the edits of a drag become one; 0: none
};

}  // namespace yemvo::app
