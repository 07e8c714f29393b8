// Shift, turn and scale: how a drawing lies in the venue.
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

}  // namespace yemvo
