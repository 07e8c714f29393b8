// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/orientation.h"

#include <algorithm>
#include <numbers>

namespace yemvo {
namespace {
constexpr double degree = std::numbers::pi / 180;
}

Orientation::Orientation(const Turn& turn) {
    const double a = turn.azimuth_deg * degree, t = turn.downtilt_deg * degree, r = turn.roll_deg * degree;
    front_ = {std::sin(a) * std::cos(t), std::cos(a) * std::cos(t), -std::sin(t)};
    const Point3 level_right{std::cos(a), -std::sin(a), 0};
    const Point3 level_up = cross(level_right, front_);
    right_ = level_right * std::cos(r) - level_up * std::sin(r);
    up_ = level_up * std::cos(r) + level_right * std::sin(r);
}

LocalDirection Orientation::local(Point3 toward) const {
    const double l = length(toward);
    if (l == 0) return {};
    const double right = dot(toward, right_), front = dot(toward, front_), up = dot(toward, up_);
    return {std::atan2(right, front) / degree, std::asin(std::clamp(up / l, -1.0, 1.0)) / degree};
}

}  // namespace yemvo
