// SPDX-License-Identifier: GPL-3.0-or-later
// A floor's plan with its map as a picture to hand out: title line, legend, scale bar, north.
#pragma once
#include <QImage>
#include <string>

#include "render/heat_map.h"

namespace yemvo::render {

/// What a map of a change is held against.
struct HeldAgainst {
    const Project* project = nullptr;
    const FloorPrediction* floor = nullptr;
    std::string name = {};  ///< "by the last edit"
};

/// About 1600 px wide by default; the plan fills what title and legend leave. A change is shown where `other`
/// is known, else the values themselves.
QImage plan_picture(const Project&, const Floor&, const FloorPrediction&, MapChoice,
                    const HeldAgainst& other = {}, const Palette& = Palette::light(), int width_px = 1600);

/// As PNG, for programs without a window: starts what painting needs on its own. Throws Error naming the file
/// when it cannot be written.
void save_plan_picture(const Project&, const Floor&, const FloorPrediction&, const MapChoice&,
                       const std::string& file, const HeldAgainst& other = {});

}  // namespace yemvo::render
