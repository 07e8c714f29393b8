// What is known of the site's radio: worked out behind the window, of one value of the project.
#pragma once
#include <memory>
#include <optional>
#include <vector>

#include "coverage/verdict.h"
#include "coverage/worst_places.h"

namespace yemvo::app {

/// A prediction as it arrives: first the floor in view, then all with the verdict.
struct Prediction {
    Project project;  ///< that it is of
    int of = 0;       ///< Document::opened_count() when it was asked for
    SitePrediction site;
    std::optional<Verdict> verdict;
    std::optional<FloorPrediction> outside;  ///< round the floor in view, while its lens is looked through
    std::optional<FloorPrediction> other;    ///< the floor in view as it was or in another variant
    std::shared_ptr<const Project> other_project;  ///< that `other` is of
    std::vector<WorstPlace> places;                ///< where requirements are missed, while Proof is in front
};

/// Grids that maps and verdicts are offered on.
inline constexpr std::array<double, 3> grids_m{1, 0.5, 0.25};

}  // namespace yemvo::app
