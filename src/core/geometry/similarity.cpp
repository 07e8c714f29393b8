#include "geometry/similarity.h"

#include <numbers>

namespace yemvo {

static Point turned(Point p, double turn_deg) {
    const double a = turn_deg * std::numbers::pi / 180, c = std::cos(a), s = std::sin(a);
    return {c * p.x - s * p.y, s * p.x + c * p.y};
}

Point Similarity::apply(Point p) const { return turned(p, turn_deg) * scale + shift; }

Point Similarity::invert(Point p) const { return turned((p - shift) * (1 / scale), -turn_deg); }

}  // namespace yemvo
