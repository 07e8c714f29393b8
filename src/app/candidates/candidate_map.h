// SPDX-License-Identifier: GPL-3.0-or-later
// The map of one candidate, or of the difference of two: all of a page look at the same place.
#pragma once
#include <QWidget>
#include <memory>
#include <optional>

#include "coverage/candidates.h"
#include "render/heat_map.h"

namespace yemvo::app {

/// One candidate as it was worked out.
struct CandidateResult {
    Project alone;
    FloorId floor;
    FloorPrediction predicted;
    std::vector<float> values;
    CandidateFigures figures;
};

/// What all maps of the page share.
struct CandidateView {
    render::PlanMap map;
    render::MapChoice choice;
    std::optional<Point> pointed;  ///< the place whose value each map tells
};

class CandidateMap : public QWidget {
    Q_OBJECT
public:
    explicit CandidateMap(QWidget* parent = nullptr);
    void show_result(std::shared_ptr<const CandidateResult>, const CandidateView*);
    /// `first` is held against: the map shows by how much the other is stronger.
    void show_difference(std::shared_ptr<const CandidateResult> other,
                         std::shared_ptr<const CandidateResult> first, const CandidateView*);
    /// Where the access point stands, for tests.
    QPointF place_px() const;

signals:
    void chosen();
    void resized();
    void dragged(yemvo::Point to);
    void panned(QPointF by);
    void zoomed(QPointF at, double by);
    void pointed(std::optional<yemvo::Point>);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void leaveEvent(QEvent*) override;
    void resizeEvent(QResizeEvent*) override;

private:
    const AccessPoint* access_point() const;
    QString told_at(Point) const;
    std::shared_ptr<const CandidateResult> result_, first_;
    std::vector<float> change_;
    const CandidateView* view_ = nullptr;
    bool dragging_ = false;
    std::optional<QPointF> panned_from_;
};

}  // namespace yemvo::app
