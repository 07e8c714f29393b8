// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/lines.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

#include "base/error.h"
#include "chart/chart.h"

namespace yemvo::chart {
namespace {

/// The paper under the lines: each pixel's median over a window far wider than any line.
cv::Mat3b ground_of(const cv::Mat3b& colours) {
    constexpr int most = 220;
    const double shrink = std::min(1.0, static_cast<double>(most) / std::max(colours.cols, colours.rows));
    cv::Mat small, wide;
    cv::resize(colours, small, {}, shrink, shrink, cv::INTER_AREA);
    cv::medianBlur(small, small, 17);
    cv::resize(small, wide, colours.size(), 0, 0, cv::INTER_LINEAR);
    return wide;
}

cv::Mat1f difference_of(const cv::Mat3b& colours, const cv::Mat3b& ground) {
    cv::Mat apart;
    cv::absdiff(colours, ground, apart);
    std::vector<cv::Mat> channels;
    cv::split(apart, channels);
    cv::Mat most;
    cv::max(channels[0], channels[1], most);
    cv::max(most, channels[2], most);
    cv::Mat1f difference;
    most.convertTo(difference, CV_32F);
    return difference;
}

/// The stronger curvature of the difference, where it is that of a ridge (C. Steger, An unbiased detector of
/// curvilinear structures, IEEE PAMI 20(2), 1998).
void ridges(const cv::Mat1f& difference, cv::Mat1f& strength, cv::Mat2f& across) {
    cv::Mat1f soft, xx, yy, xy;
    cv::GaussianBlur(difference, soft, {}, 1.0);
    cv::Sobel(soft, xx, CV_32F, 2, 0, 3, 0.25);
    cv::Sobel(soft, yy, CV_32F, 0, 2, 3, 0.25);
    cv::Sobel(soft, xy, CV_32F, 1, 1, 3, 0.25);
    strength.create(difference.size());
    strength.setTo(0);
    across.create(difference.size());
    across.setTo(cv::Scalar::all(0));
    for (int y = 0; y < difference.rows; ++y)
        for (int x = 0; x < difference.cols; ++x) {
            const float a = xx(y, x), b = yy(y, x), c = xy(y, x);
            const float middle = (a + b) / 2, spread = std::hypot((a - b) / 2, c);
            const float strongest = middle - spread;  // most negative: bright on dark of the difference
            if (strongest >= -0.5f) continue;
            strength(y, x) = -strongest;
            // the eigenvector of the most negative curvature
            float vx = c, vy = strongest - a;
            if (std::abs(vx) < 1e-6f && std::abs(vy) < 1e-6f) {
                vx = a <= b ? 1.f : 0.f;
                vy = a <= b ? 0.f : 1.f;
            }
            const float length = std::hypot(vx, vy);
            across(y, x) = {vx / length, vy / length};
        }
}

}  // namespace

Lines find_lines(const Picture& picture, double scale) {
    const auto pixels = static_cast<std::size_t>(std::max(picture.width, 0)) *
                        static_cast<std::size_t>(std::max(picture.height, 0));
    if (picture.width < least_chart_px || picture.height < least_chart_px || picture.rgb.size() != 3 * pixels)
        throw Error(say("is too small to hold a chart: %1 by %2 pixels", picture.width, picture.height),
                    picture.name, say("Choose a picture of at least %1 pixels", least_chart_px));
    if (pixels > most_pixels)
        throw Error(say("has %1 million pixels", pixels / 1'000'000), picture.name,
                    say("Choose a part of it, or a coarser scan"));
    Lines lines;
    const cv::Mat rgb(picture.height, picture.width, CV_8UC3, const_cast<std::uint8_t*>(picture.rgb.data()));
    cv::Mat bgr;
    cv::cvtColor(rgb, bgr, cv::COLOR_RGB2BGR);
    if (scale < 1) cv::resize(bgr, bgr, {}, scale, scale, cv::INTER_AREA);
    lines.colours = bgr;
    lines.ground = ground_of(lines.colours);
    lines.difference = difference_of(lines.colours, lines.ground);
    ridges(lines.difference, lines.strength, lines.across);
    return lines;
}

}  // namespace yemvo::chart
