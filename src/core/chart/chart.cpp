// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/chart.h"

#include <algorithm>
#include <cmath>

#include "base/error.h"
#include "chart/follow.h"
#include "chart/labels.h"
#include "chart/lines.h"
#include "chart/rings.h"

namespace yemvo {
namespace {

/// The spoke nearest to a direction that labels or habit point to.
double snapped(double direction_deg, const std::vector<double>& spokes) {
    double best = direction_deg, off = 8;
    for (double spoke : spokes)
        if (const double by = std::abs(std::remainder(spoke - direction_deg, 360)); by < off) {
            off = by;
            best = spoke;
        }
    return best;
}

/// The peak of a cut stands at 0 dB. Where it nearly does by the rings, they are right and the line's middle
/// is not: it lies on the outermost ring there, which hides it. Gives what the peak stood for.
double settle_peak(Cut& cut) {
    constexpr double nearly_db = 0.6;
    const double highest_db = cut.highest(), peak_db = std::abs(highest_db) > nearly_db ? highest_db : 0;
    cut.shift_db(-peak_db);
    for (int degree = 0; degree < Cut::degrees; ++degree) cut[degree] = std::min(cut[degree], 0.0);
    cut[cut.peak_deg()] = 0;
    return peak_db;
}

/// The same chart in the picture enlarged by `by`.
FoundChart scaled(FoundChart chart, double by) {
    chart.frame.centre_px = {chart.frame.centre_px.x * by, chart.frame.centre_px.y * by};
    chart.frame.outer_px *= by;
    chart.frame.db_per_px /= by;
    for (double& ring : chart.rings_px) ring *= by;
    return chart;
}

FoundChart described(const chart::Lines& lines, const chart::Rings& rings, const CancelToken& cancel) {
    FoundChart found;
    found.rings_px = rings.radii;
    found.spokes_deg = chart::find_spokes(lines, rings);
    found.frame.centre_px = rings.centre;
    found.frame.outer_px = rings.radii.front();
    const std::vector<chart::Label> labels = chart::read_labels(lines, rings, cancel);
    const chart::AngleReading angles = chart::angles_from(labels, rings);
    const chart::RingReading values = chart::rings_from(labels, rings, angles);
    found.angles_guessed = angles.agreeing == 0;
    found.frame.clockwise = angles.clockwise;
    found.frame.zero_deg = snapped(angles.zero_deg, found.spokes_deg);
    found.frame.zero_deg = std::fmod(found.frame.zero_deg + 720.0005, 360);
    found.ring_db_guessed = values.agreeing == 0;
    found.ring_db = values.ring_db;
    found.frame.outer_db = values.outer_db;
    // with the outermost ring alone it is taken for the first of four
    const double spacing = rings.spacing > 0 ? rings.spacing : rings.radii.front() / 4;
    found.frame.db_per_px = found.ring_db / spacing;
    found.labels_read = angles.agreeing + values.agreeing;
    return found;
}

/// The colour of a line next to the one that was asked for: print and scan have changed it.
Colour chosen_colour(const std::vector<Colour>& seen, const CurveWishes& wishes, const std::string& name) {
    if (seen.empty() && !wishes.colour && !wishes.through.empty()) return {};  // drawn by hand alone
    if (seen.empty() && !wishes.colour)
        throw Error(say("has no curve that can be seen inside of the rings"), name,
                    say("Choose its colour, or draw it by hand"));
    if (!wishes.colour) return seen.front();
    const auto apart = [&](Colour c) {
        return std::hypot(1.0 * c.red - wishes.colour->red, 1.0 * c.green - wishes.colour->green,
                          1.0 * c.blue - wishes.colour->blue);
    };
    constexpr double near = 90;
    const auto nearest = std::ranges::min_element(seen, {}, apart);
    return nearest != seen.end() && apart(*nearest) < near ? *nearest : *wishes.colour;
}

/// A person, or a file, may have put it anywhere.
void check_inside(const Picture& picture, const ChartFrame& f) {
    const bool inside = f.centre_px.x >= 0 && f.centre_px.y >= 0 && f.centre_px.x < picture.width &&
                        f.centre_px.y < picture.height;
    if (!inside || !(f.outer_px >= 5) || f.outer_px > std::max(picture.width, picture.height) ||
        !(f.db_per_px > 0))
        throw Error(say("does not hold such a chart: its centre or its rings lie outside"), picture.name,
                    say("Move centre and rings onto the chart"));
}

}  // namespace

double TracedCurve::guessed_share() const {
    return static_cast<double>(std::ranges::count(guessed, true)) / static_cast<double>(guessed.size());
}

std::vector<FoundChart> find_charts(const Picture& picture, const CancelToken& cancel) {
    constexpr double most_px = 1400;
    const double scale = std::min(1.0, most_px / std::max({picture.width, picture.height, 1}));
    const chart::Lines lines = chart::find_lines(picture, scale);
    std::vector<FoundChart> charts;
    for (const chart::Rings& rings : chart::find_rings(lines, cancel))
        charts.push_back(scaled(described(lines, rings, cancel), 1 / scale));
    return charts;
}

TracedCurve follow_curve(const Picture& picture, const FoundChart& found, const CurveWishes& wishes,
                         const CancelToken& cancel) {
    const ChartFrame& frame = found.frame;
    check_inside(picture, frame);
    constexpr double most_px = 450;
    const double scale = std::min(1.0, most_px / frame.outer_px);
    const chart::Lines lines = chart::find_lines(picture, scale);
    const FoundChart here = scaled(found, scale);
    TracedCurve traced;
    traced.colour = chosen_colour(chart::curve_colours(lines, here), wishes, picture.name);
    auto through = wishes.through;
    for (auto& line : through)
        for (Point& p : line) p = p * scale;
    const chart::Way way = chart::follow(lines, here, traced.colour, through, cancel);
    const auto column_of = [&](double angle_deg) {
        const double direction = frame.direction_deg(angle_deg);
        return std::fmod(std::fmod(direction, 360) + 360, 360) * chart::columns / 360;
    };
    for (int degree = 0; degree < Cut::degrees; ++degree) {
        const double column = column_of(degree);
        const auto first = static_cast<std::size_t>(column) % chart::columns,
                   next = (first + 1) % chart::columns;
        const double radius =
            std::lerp(way.radius_px[first], way.radius_px[next], column - std::floor(column));
        traced.cut[degree] = here.frame.value_db(radius);
        traced.guessed[static_cast<std::size_t>(degree)] =
            way.seen[first] < chart::least_seen && way.seen[next] < chart::least_seen;
    }
    if (traced.guessed_share() > 0.6)
        throw Error(say("has a curve of this colour in %1 of 360 directions alone",
                        std::ranges::count(traced.guessed, false)),
                    picture.name, say("Choose its colour, or move centre and rings"));
    traced.peak_db = settle_peak(traced.cut);
    // half a pixel of the line's middle, and as much of the rings
    traced.error_db = here.frame.db_per_px * 0.7;
    return traced;
}

}  // namespace yemvo
