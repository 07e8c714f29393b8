// SPDX-License-Identifier: GPL-3.0-or-later
// What the map in view needs beside the floor's own fields.
#pragma once
#include "coverage/site_prediction.h"
#include "render/map_choice.h"

namespace yemvo::app {

class Document;
class Results;
class ShownMap;

/// Round the floor in view, for the lens of what is heard outside.
struct Surroundings {
    FloorPrediction floor;
};

/// The floor in view as it was before the last edit, or in another variant.
struct HeldAgainst {
    render::Against against;
    VariantId other;
    std::shared_ptr<const Project> project;
    FloorPrediction floor;
};

/// Nothing by itself: while it is wanted the fields tell how far off they may be.
struct FieldDeviation {};

/// Nothing by itself either: while it is wanted the floors tell how long cables would be.
struct WithCables {};

/// Wanted as the choice of the map says.
void teach_map_results(Results&, ShownMap&, Document&);

}  // namespace yemvo::app
