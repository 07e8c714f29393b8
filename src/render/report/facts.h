// SPDX-License-Identifier: GPL-3.0-or-later
// What a report is made from: the plan's facts, and the chosen maps of every floor.
#pragma once
#include "handover/facts.h"
#include "render/drawings/drawing_layer.h"
#include "render/map_choice.h"

namespace yemvo::render::report {

struct FloorMap {
    MapChoice choice;
    std::vector<float> values;  ///< a cell, as map_values
};

struct FloorFacts {
    FloorPrediction prediction;      ///< its surface and mask alone: the fields are let go
    std::vector<FloorMap> maps;      ///< that the report shows
    std::vector<FloorMap> web_maps;  ///< of one band each, for who chooses as he looks
};

inline constexpr std::size_t drawings_budget_bytes = std::size_t{192} << 20;

struct ReportFacts {
    HandoverFacts plan;
    std::vector<FloorFacts> floors;  ///< as all_floors
    /// Of the drawings under the floors, so that each is opened once.
    std::shared_ptr<SheetCache> drawings =
        std::make_shared<SheetCache>(std::make_shared<MemoryBudget>(drawings_budget_bytes));
    const Project& project() const { return plan.project; }
    const ReportChoice& choice() const { return plan.project.handover.report; }
    const FloorFacts* find(FloorId) const;
};

/// The maps that the report shows of each floor: its own, else signal in every band in use. Those of lenses
/// or bands that are not known are passed over.
std::vector<MapChoice> report_maps(const Project&);
/// For a plan in which lens and band are chosen: signal, SNR and what else the report shows, in every band in
/// use, one by one.
std::vector<MapChoice> web_maps(const Project&);

/// What maps are worked out.
struct WishedMaps {
    bool report = true;  ///< where its section is chosen
    bool web = false;
};

/// One floor's fields at a time in memory. `progress`: told the share that is done. Throws Cancelled.
ReportFacts gather_report(const Project&, Predictor&, const CancelToken& = {},
                          const std::function<void(double)>& progress = {}, const WishedMaps& = {});

}  // namespace yemvo::render::report
