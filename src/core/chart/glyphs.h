// SPDX-License-Identifier: GPL-3.0-or-later
// A digit by its form.
#pragma once
#include <opencv2/core.hpp>
#include <optional>

namespace yemvo::chart {

/// `ink`: the digit's own box, 0 to 1; none for what looks like no digit.
std::optional<int> digit_of(const cv::Mat1f& ink);

}  // namespace yemvo::chart
