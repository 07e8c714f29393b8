// SPDX-License-Identifier: GPL-3.0-or-later
// One link drawn along its way: in elevation, and below it the falling line of level.
#pragma once
#include <QWidget>
#include <vector>

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

private:
    struct Frame;
    void refresh();
    void paintEvent(QPaintEvent*) override;
    void paint_elevation(QPainter&, const Frame&) const;
    void paint_ray(QPainter&, const Frame&) const;
    void paint_labels(QPainter&, const Frame&) const;
    void paint_level(QPainter&, const Frame&) const;
    Workspace& workspace_;
    std::vector<ElevationPart> parts_;
    LevelLine line_;
};

}  // namespace yemvo::app
