// SPDX-License-Identifier: GPL-3.0-or-later
// The similarity that carries one set of points best onto another.
// Source: S. Umeyama, "Least-squares estimation of transformation parameters between two point patterns",
// IEEE PAMI 13(4), 1991; in the plane its solution is the closed form used here.
#pragma once
#include <optional>
#include <vector>

#include "geometry/similarity.h"

namespace yemvo {

/// A place and where it belongs.
struct PointPair {
    Point here, there;
    friend bool operator==(const PointPair&, const PointPair&) = default;
};

enum class Freedom { shift, shift_turn, shift_turn_scale };
/// Pairs without which a fit is not determined: 1, 2, 2.
std::size_t least_pairs(Freedom);

struct SimilarityFit {
    Similarity map;                  ///< from here to there
    std::vector<double> residual_m;  ///< of each pair: how far the mapped place is from where it belongs
    double rms_m = 0;                ///< root of the mean square of the residuals
    std::optional<std::size_t>
        outlier;  ///< the one pair that disagrees with all others, where that can be told
    double rms_without_outlier_m = 0;
};

/// Least squares over all pairs. Throws Error when there are too few pairs or their places coincide.
SimilarityFit fit_similarity(const std::vector<PointPair>&, Freedom);

/// One distance as it is drawn and as it is known.
struct ScalePair {
    double drawn, known_m;
};
struct ScaleFit {
    double metres_per_unit = 0;
    std::vector<double> disagreement;  ///< of each: (drawn at this scale - known) / known
    double worst() const;              ///< the largest by amount
};
/// The scale s with the least sum of (s drawn - known)^2. Throws Error for a length that is not above 0.
ScaleFit fit_scale(const std::vector<ScalePair>&);
/// A disagreement beyond this share is worth a warning.
inline constexpr double scale_tolerance = 0.02;

}  // namespace yemvo
