// SPDX-License-Identifier: GPL-3.0-or-later
// Shift, turn and scale: how a drawing lies in the venue, and a building on its site.
#pragma once
#include "geometry/point.h"

namespace yemvo {

/// p -> scale * R(turn_deg) * p + shift; turn counter-clockwise.
struct Similarity {
    double scale = 1;
    double turn_deg = 0;
    Point shift;
    Point apply(Point p) const;
    Point invert(Point p) const;
    friend bool operator==(const Similarity&, const Similarity&) = default;
};

/// First `inner`, then `outer`.
Similarity compose(const Similarity& outer, const Similarity& inner);
Similarity inverse(const Similarity&);
/// Turned and scaled about a point that stays where it is.
Similarity about(Point fixed, double turn_deg, double scale);
/// The same direction in (-180, 180].
double wrapped_deg(double turn_deg);

/// A similarity with its sine and cosine worked out, for many points.
class PointMap {
public:
    PointMap() = default;
    explicit PointMap(const Similarity&);
    Point apply(Point p) const { return {c_ * p.x - s_ * p.y + shift_.x, s_ * p.x + c_ * p.y + shift_.y}; }
    Point invert(Point p) const {
        const Point q = (p - shift_) * inverse_square_;
        return {c_ * q.x + s_ * q.y, c_ * q.y - s_ * q.x};
    }

private:
    double c_ = 1, s_ = 0;  ///< times the scale
    double inverse_square_ = 1;
    Point shift_;
};

}  // namespace yemvo
