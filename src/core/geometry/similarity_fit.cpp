// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/similarity_fit.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "base/error.h"

namespace yemvo {
namespace {

Similarity least_squares(const std::vector<PointPair>& pairs, Freedom freedom) {
    const double n = static_cast<double>(pairs.size());
    Point from, to;
    for (const PointPair& p : pairs) {
        from = from + p.here * (1 / n);
        to = to + p.there * (1 / n);
    }
    Similarity s;
    if (freedom != Freedom::shift) {
        double along = 0, across = 0, spread = 0;
        for (const PointPair& p : pairs) {
            const Point a = p.here - from, b = p.there - to;
            along += dot(a, b);
            across += cross(a, b);
            spread += dot(a, a);
        }
        if (spread < 1e-12 || std::hypot(along, across) < 1e-12)
            throw Error(say("the places of the pairs coincide"), {}, say("Choose places far apart"));
        s.turn_deg = std::atan2(across, along) * 180 / std::numbers::pi;
        if (freedom == Freedom::shift_turn_scale) s.scale = std::hypot(along, across) / spread;
    }
    s.shift = to - s.apply(from);
    return s;
}

double residual(const Similarity& s, const PointPair& p) { return distance(s.apply(p.here), p.there); }

double rms(const Similarity& s, const std::vector<PointPair>& pairs) {
    double sum = 0;
    for (const PointPair& p : pairs) sum += residual(s, p) * residual(s, p);
    return std::sqrt(sum / static_cast<double>(pairs.size()));
}

/// Leaves each pair out in turn: the outlier is the one without which the others agree, and far better than
/// without any other. Needs more pairs than the fit without it would meet exactly.
void find_outlier(SimilarityFit& fit, const std::vector<PointPair>& pairs, Freedom freedom) {
    constexpr double worth_telling_m = 0.05, stands_out = 4;
    const bool exact_without_one = freedom == Freedom::shift              ? pairs.size() < 3
                                   : freedom == Freedom::shift_turn_scale ? pairs.size() < 4
                                                                          : pairs.size() < 3;
    if (exact_without_one) return;
    double best = INFINITY, second = INFINITY;
    std::size_t at = 0;
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        auto others = pairs;
        others.erase(others.begin() + static_cast<std::ptrdiff_t>(i));
        double without;
        try {
            without = rms(least_squares(others, freedom), others);
        } catch (const Error&) {
            return;  // the others coincide: nothing can be told
        }
        if (without < best) {
            second = best;
            best = without;
            at = i;
        } else {
            second = std::min(second, without);
        }
    }
    auto others = pairs;
    others.erase(others.begin() + static_cast<std::ptrdiff_t>(at));
    const double off_m = residual(least_squares(others, freedom), pairs[at]);
    if (off_m < worth_telling_m || off_m < stands_out * std::max(best, 1e-9) || second < 2 * best) return;
    fit.outlier = at;
    fit.rms_without_outlier_m = best;
}

}  // namespace

std::size_t least_pairs(Freedom freedom) { return freedom == Freedom::shift ? 1 : 2; }

SimilarityFit fit_similarity(const std::vector<PointPair>& pairs, Freedom freedom) {
    if (pairs.size() < least_pairs(freedom))
        throw Error(say("needs %1 pairs of points", least_pairs(freedom)), {},
                    say("Choose another place on both floors"));
    SimilarityFit fit;
    fit.map = least_squares(pairs, freedom);
    for (const PointPair& p : pairs) fit.residual_m.push_back(residual(fit.map, p));
    fit.rms_m = rms(fit.map, pairs);
    find_outlier(fit, pairs, freedom);
    return fit;
}

double ScaleFit::worst() const {
    double most = 0;
    for (double d : disagreement)
        if (std::abs(d) > std::abs(most)) most = d;
    return most;
}

ScaleFit fit_scale(const std::vector<ScalePair>& pairs) {
    double product = 0, square = 0;
    for (const ScalePair& p : pairs) {
        if (!(p.known_m > 0) || !std::isfinite(p.known_m)) throw Error(say("the length must be above 0"));
        if (!(p.drawn > 0) || !std::isfinite(p.drawn))
            throw Error(say("the two places are the same"), {}, say("Click two places far apart"));
        product += p.drawn * p.known_m;
        square += p.drawn * p.drawn;
    }
    if (pairs.empty()) throw Error(say("needs a known length"));
    ScaleFit fit;
    fit.metres_per_unit = product / square;
    for (const ScalePair& p : pairs)
        fit.disagreement.push_back((p.drawn * fit.metres_per_unit - p.known_m) / p.known_m);
    return fit;
}

}  // namespace yemvo
