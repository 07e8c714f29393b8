// SPDX-License-Identifier: GPL-3.0-or-later
// For the search of charts: how far each pixel differs from the ground, and where lines run.
#pragma once
#include <opencv2/core.hpp>

#include "chart/picture.h"

namespace yemvo::chart {

/// All of a picture that the search needs, worked out once.
struct Lines {
    cv::Mat3b colours;     ///< blue, green, red
    cv::Mat3b ground;      ///< of the paper, lines taken away
    cv::Mat1f difference;  ///< from the ground, 0 to 255
    cv::Mat1f strength;    ///< of a line that runs through; 0 where none does
    cv::Mat2f across;      ///< unit vector across the line
};

/// Of the picture shrunk by `scale` [0, 1]: noise and thick lines become those of a plain drawing. Throws
/// Error for a picture that is empty, too small or too large.
Lines find_lines(const Picture&, double scale);

}  // namespace yemvo::chart
