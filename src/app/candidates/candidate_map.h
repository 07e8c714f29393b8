// SPDX-License-Identifier: GPL-3.0-or-later
// The map of one candidate, or of the difference of two: all of a page look at the same place.
#pragma once
#include <memory>

#include "app/maps_in_step/map_in_step.h"
#include "coverage/candidates.h"

namespace yemvo::app {

/// One candidate as it was worked out.
struct CandidateResult {
    Project alone;
    FloorId floor;
    FloorPrediction predicted;
    std::vector<float> values;
    CandidateFigures figures;
};

class CandidateMap : public MapInStep {
    Q_OBJECT
public:
    explicit CandidateMap(QWidget* parent = nullptr);
    void show_result(std::shared_ptr<const CandidateResult>, const StepView*);
    /// `first` is held against: the map shows by how much the other is stronger.
    void show_difference(std::shared_ptr<const CandidateResult> other,
                         std::shared_ptr<const CandidateResult> first, const StepView*);
    /// Where the access point stands, for tests.
    QPointF place_px() const;

signals:
    void dragged(yemvo::Point to);

protected:
    void paintEvent(QPaintEvent*) override;
    bool grasps(QPointF) override;
    void drag(QPointF at) override { emit dragged(view_->map.to_floor(at)); }

private:
    const AccessPoint* access_point() const;
    std::shared_ptr<const CandidateResult> result_, first_;
    std::vector<float> change_;
};

}  // namespace yemvo::app
