// SPDX-License-Identifier: GPL-3.0-or-later
// The site from above: buildings and yards, placed and turned against each other by hand.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/model/workspace.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

class SiteView : public QWidget {
    Q_OBJECT
public:
    explicit SiteView(Workspace&, QWidget* parent = nullptr);
    void fit();
    /// Where a place of the site is shown, and the handle that turns the chosen building; for tests.
    QPointF px(Point site) const { return map_.to_screen(site); }
    QPointF turn_handle() const;

signals:
    void open_asked(yemvo::FloorId);
    void pointer_moved(const yemvo::Point& at, bool inside);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void leaveEvent(QEvent*) override;

private:
    struct Drag {
        enum class What { move, turn, pan } what;
        Point from;
        QPointF from_px;
        Building before;
        int key = 0;
    };
    std::optional<BuildingId> building_at(Point site) const;
    void paint_building(QPainter&, const Building&);
    Workspace& workspace_;
    render::PlanMap map_;
    bool fitted_ = true;
    std::optional<Drag> drag_;
};

/// Corners of the box round a building, in the site's metres; of a standard lot for an empty one.
std::vector<Point> lot(const Building&);

}  // namespace yemvo::app
