// SPDX-License-Identifier: GPL-3.0-or-later
// A lens over a floor: what each cell shows.
#pragma once
#include <vector>

#include "coverage/site_prediction.h"

namespace yemvo {

/// The wish with what the lens needs of the fields and floors besides.
PredictionWish wish_to_show(LensId, PredictionWish = {});

/// Values a cell, in the lens's unit (of a choice: the access point's number, the band's index); NaN where
/// there is none. Of several bands the best counts; radios heard add up. Confidence needs fields with
/// deviations.
std::vector<float> lens_values(const FloorPrediction&, const LensChoice&);
/// The same, kept: for what is asked for again after each edit.
std::shared_ptr<const std::vector<float>> lens_plane(const FloorPrediction&, const LensChoice&);

/// By how much each cell of `now` changed against the same place of `before`, which may have another surface;
/// NaN where only one of them holds the place. What no radio reaches counts as the low end of the lens's
/// range, what no cable reaches as the high end. Of amounts only.
std::vector<float> lens_change(const FloorPrediction& now, const std::vector<float>& values,
                               const FloorPrediction& before, const std::vector<float>& values_before,
                               const LensInfo&);

/// Standard deviation of a prediction [dB]: the model's own residual (3 dB where nothing stands in the way,
/// else 5) and what walls may be off by.
double total_deviation_db(double material_deviation_db);
/// How likely a level holds that is predicted so: the normal distribution's share above it.
double confidence(double predicted_dbm, double level_dbm, double deviation_db);

}  // namespace yemvo
