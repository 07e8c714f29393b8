// SPDX-License-Identifier: GPL-3.0-or-later
// A variant's map with its access points, or two of them with a divider to drag between.
#pragma once
#include <memory>

#include "app/maps_in_step/map_in_step.h"
#include "capacity/site_capacity.h"
#include "coverage/verdict.h"
#include "project/gear_sum.h"

namespace yemvo::app {

/// One variant as it was worked out, of the floor that is looked at.
struct VariantResult {
    Project project;  ///< the variant is its current one
    FloorPrediction predicted;
    std::vector<float> values;
    GearSum gear;
    std::optional<Verdict> verdict;                ///< of the whole site, once it is known
    std::shared_ptr<const SiteCapacity> capacity;  ///< null without demand
};

class VariantMap : public MapInStep {
    Q_OBJECT
public:
    explicit VariantMap(QWidget* parent = nullptr);
    void show_result(std::shared_ptr<const VariantResult>, const StepView*);
    /// The second lies to the right of the divider.
    void show_both(std::shared_ptr<const VariantResult> left, std::shared_ptr<const VariantResult> right,
                   const StepView*);
    /// `first` is held against: the map shows by how much this one is stronger.
    void show_difference(std::shared_ptr<const VariantResult>,
                         const std::shared_ptr<const VariantResult>& first, const StepView*);
    double divider_px() const;
    QString told() const;  ///< at the place that is pointed at

protected:
    void paintEvent(QPaintEvent*) override;
    bool grasps(QPointF) override;
    void drag(QPointF) override;
    void mouseMoveEvent(QMouseEvent*) override;

private:
    void paint_variant(QPainter&, const VariantResult&) const;
    const VariantResult* at(QPointF) const;
    std::shared_ptr<const VariantResult> left_, right_;
    std::vector<float> change_;
    bool is_difference_ = false;
    double divider_ = 0.5;  ///< share of the width
};

}  // namespace yemvo::app
