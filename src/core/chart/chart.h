// SPDX-License-Identifier: GPL-3.0-or-later
// Round charts of antenna patterns in pictures: found with their rings and angles, and their curve followed
// to a value at every degree.
//
// Places are pixels of the picture, x to the right, y down, (0, 0) the corner of the first pixel. Directions
// are degrees clockwise from straight up.
#pragma once
#include <array>
#include <optional>
#include <vector>

#include "antenna/pattern/cuts.h"
#include "base/progress.h"
#include "chart/picture.h"
#include "geometry/point.h"

namespace yemvo {

/// How a chart lies in its picture and what it means.
struct ChartFrame {
    Point centre_px;
    double outer_px = 0;  ///< radius of the outermost ring
    double outer_db =
        0;  ///< that it stands for; a cut is relative, so that only the difference of rings counts
    double db_per_px = 0;   ///< falling towards the centre
    double zero_deg = 0;    ///< direction in the picture of the chart's 0
    bool clockwise = true;  ///< which way the chart's angles run
    double value_db(double radius_px) const { return outer_db - (outer_px - radius_px) * db_per_px; }
    double radius_px(double value_db) const { return outer_px - (outer_db - value_db) / db_per_px; }
    /// Of an angle of the chart.
    double direction_deg(double angle_deg) const { return zero_deg + (clockwise ? angle_deg : -angle_deg); }
    friend bool operator==(const ChartFrame&, const ChartFrame&) = default;
};

/// A chart that was found, and what of it had to be guessed.
struct FoundChart {
    ChartFrame frame;
    std::vector<double> rings_px;    ///< radii, from the outermost
    std::vector<double> spokes_deg;  ///< directions in the picture
    double ring_db = 10;             ///< between two rings
    bool ring_db_guessed = true;     ///< no labels told it
    bool angles_guessed = true;      ///< where 0 is and which way angles run
    int labels_read = 0;
};

/// Charts of the picture, the largest first. Throws Cancelled, and Error for a picture that is too small or
/// empty.
std::vector<FoundChart> find_charts(const Picture&, const CancelToken& = {});

/// What a person knows better; empty: as the program finds it.
struct CurveWishes {
    std::optional<Colour> colour;
    /// Places that the curve goes through, whatever is seen there; those of one line are joined, round the
    /// centre. Between lines the curve is followed.
    std::vector<std::vector<Point>> through = {};
};

struct TracedCurve {
    Cut cut;                                   ///< relative: its highest value is 0 dB
    double peak_db = 0;                        ///< what its peak stands for on the chart
    std::array<bool, Cut::degrees> guessed{};  ///< nothing of the curve was seen there
    Colour colour;                             ///< that was followed
    double error_db = 0;  ///< that a value may be off by, from the width of a pixel and of the line
    double guessed_share() const;
};
/// Throws Error where no curve can be seen or the chart does not lie in the picture, Cancelled.
TracedCurve follow_curve(const Picture&, const FoundChart&, const CurveWishes& = {}, const CancelToken& = {});

inline constexpr int least_chart_px = 60;  ///< across
inline constexpr std::size_t most_pixels = 80'000'000;

}  // namespace yemvo
