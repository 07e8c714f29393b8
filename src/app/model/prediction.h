// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of the site's radio: worked out behind the window, of one value of the project.
#pragma once
#include <memory>
#include <optional>
#include <vector>

#include "app/model/result_kind.h"
#include "coverage/verdict.h"

namespace yemvo::app {

/// A prediction as it arrives: first the floor in view, then all with the verdict.
struct Prediction {
    Project project;  ///< that it is of
    int of = 0;       ///< Document::opened_count() when it was asked for
    SitePrediction site;
    std::optional<Verdict> verdict;
    ResultBag more;  ///< what was wanted of it besides
};

/// Grids that maps and verdicts are offered on.
inline constexpr std::array<double, 3> grids_m{1, 0.5, 0.25};

}  // namespace yemvo::app
