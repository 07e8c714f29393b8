// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/follow.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>

namespace yemvo::chart {
namespace {

constexpr double step_px = 0.5;  ///< between rows of the unrolled chart
constexpr double hole_px = 3;    ///< about the centre all directions are one

double column_rad(int column) { return 2 * std::numbers::pi * column / columns; }

bool on_ring(const FoundChart& c, double r) {
    return std::ranges::any_of(c.rings_px, [&](double ring) { return std::abs(ring - r) < 2.2; });
}

bool on_spoke(const FoundChart& c, double direction_deg, double r) {
    return std::ranges::any_of(c.spokes_deg, [&](double spoke) {
        return std::abs(std::remainder(spoke - direction_deg, 360)) * r * std::numbers::pi / 180 < 2.2;
    });
}

/// How much of a colour over the ground a pixel has, 0 to 1; other hues have none.
class Share {
public:
    Share(const Lines& l, Colour colour) : l_(l), colour_(colour.blue, colour.green, colour.red) {}
    float at(int x, int y) const {
        const cv::Vec3f ground = l_.ground(y, x), pixel = l_.colours(y, x);
        const cv::Vec3f full = colour_ - ground, here = pixel - ground;
        const float size = full.dot(full);
        if (size < 400) return 0;
        const float share = here.dot(full) / size;
        if (share <= 0.1f) return 0;
        const cv::Vec3f other = here - share * full;
        const float apart = other.dot(other) / (28.f * 28.f);
        return std::min(share, 1.f) * std::exp(-apart);
    }

private:
    const Lines& l_;
    cv::Vec3f colour_;
};

cv::Mat1f share_map(const Lines& l, Colour colour) {
    cv::Mat1f map(l.colours.size());
    const Share share(l, colour);
    for (int y = 0; y < map.rows; ++y)
        for (int x = 0; x < map.cols; ++x) map(y, x) = share.at(x, y);
    return map;
}

/// The chart unrolled: a row a half pixel outwards, a column half a degree.
cv::Mat1f unrolled(const cv::Mat1f& map, const ChartFrame& f, double reach_px) {
    const int rows = static_cast<int>(reach_px / step_px);
    cv::Mat1f xs(rows, columns), ys(rows, columns), out;
    for (int c = 0; c < columns; ++c) {
        const double a = column_rad(c);
        for (int r = 0; r < rows; ++r) {
            // remap counts from the middle of pixels
            xs(r, c) = static_cast<float>(f.centre_px.x + r * step_px * std::sin(a) - 0.5);
            ys(r, c) = static_cast<float>(f.centre_px.y - r * step_px * std::cos(a) - 0.5);
        }
    }
    cv::remap(map, out, xs, ys, cv::INTER_LINEAR, cv::BORDER_CONSTANT, 0);
    return out;
}

float median(std::vector<float>& v) {
    const auto middle = v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

float median_of_row(const cv::Mat1f& seen, int row) {
    std::vector<float> line(seen.ptr<float>(row), seen.ptr<float>(row) + columns);
    return median(line);
}

/// What rings and spokes add where they have something of the curve's colour is taken away. Inner rings are
/// drawn alike: one that has more than the others has the curve on it.
void take_rings_away(cv::Mat1f& seen, const FoundChart& chart) {
    const auto rows_of = [&](double ring) {
        return std::pair(std::max(0, static_cast<int>((ring - 2.2) / step_px)),
                         std::min(seen.rows - 1, static_cast<int>((ring + 2.2) / step_px)));
    };
    std::vector<float> highest;
    for (double ring : chart.rings_px) {
        float most = 0;
        const auto [first, last] = rows_of(ring);
        for (int r = first; r <= last; ++r) most = std::max(most, median_of_row(seen, r));
        highest.push_back(most);
    }
    const float alike = highest.size() > 2 ? *std::min_element(highest.begin() + 1, highest.end()) : 1.f;
    for (std::size_t i = 0; i < highest.size(); ++i) {
        const float share = i == 0 || highest[i] <= alike ? 1 : alike / highest[i];
        const auto [first, last] = rows_of(chart.rings_px[i]);
        for (int r = first; r <= last; ++r) {
            const float ring = share * median_of_row(seen, r);
            if (ring < 0.1f) continue;
            for (int c = 0; c < columns; ++c)
                seen(r, c) = std::max(0.f, seen(r, c) - ring) * (1 - 0.5f * ring);
        }
    }
}

void take_spokes_away(cv::Mat1f& seen, const FoundChart& chart) {
    std::vector<float> line;
    for (int c = 0; c < columns; ++c) {
        if (!on_spoke(chart, c * 360.0 / columns, 0.7 * chart.frame.outer_px)) continue;
        line.clear();
        for (int r = static_cast<int>(0.25 * seen.rows); r < static_cast<int>(0.9 * seen.rows); ++r)
            line.push_back(seen(r, c));
        const float spoke = median(line);
        if (spoke < 0.1f) continue;
        for (int r = 0; r < seen.rows; ++r)
            seen(r, c) = std::max(0.f, seen(r, c) - spoke) * (1 - 0.5f * spoke);
    }
}

constexpr float sideways = 0.16f;  ///< what a row up or down costs where nothing is seen, against a column

/// From the costs of a column's rows to the cheapest when it may be left at any row.
void relax(std::vector<float>& cost, std::vector<int>& from, const cv::Mat1f& price, int column) {
    const int rows = static_cast<int>(cost.size());
    const auto row_price = [&](int r) { return sideways * (0.12f + price(r, column)); };
    for (int r = 1; r < rows; ++r)
        if (const float c = cost[static_cast<std::size_t>(r - 1)] + row_price(r);
            c < cost[static_cast<std::size_t>(r)]) {
            cost[static_cast<std::size_t>(r)] = c;
            from[static_cast<std::size_t>(r)] = from[static_cast<std::size_t>(r - 1)];
        }
    for (int r = rows - 2; r >= 0; --r)
        if (const float c = cost[static_cast<std::size_t>(r + 1)] + row_price(r);
            c < cost[static_cast<std::size_t>(r)]) {
            cost[static_cast<std::size_t>(r)] = c;
            from[static_cast<std::size_t>(r)] = from[static_cast<std::size_t>(r + 1)];
        }
}

/// The cheapest way once round, which ends where it began: two turns are walked, the second half of the first
/// and the first half of the second are kept.
std::vector<std::pair<int, int>> cheapest(const cv::Mat1f& price, const CancelToken& cancel) {
    const int rows = price.rows, turns = 2 * columns;
    std::vector<float> cost(static_cast<std::size_t>(rows), 0);
    std::vector<std::vector<int>> came(static_cast<std::size_t>(turns),
                                       std::vector<int>(static_cast<std::size_t>(rows)));
    for (int step = 0; step < turns; ++step) {
        if (step % 90 == 0) cancel.check();
        const int column = step % columns;
        auto& from = came[static_cast<std::size_t>(step)];
        for (int r = 0; r < rows; ++r) from[static_cast<std::size_t>(r)] = r;
        relax(cost, from, price, column);
        for (int r = 0; r < rows; ++r) cost[static_cast<std::size_t>(r)] += price(r, column);
    }
    int row = static_cast<int>(std::min_element(cost.begin(), cost.end()) - cost.begin());
    std::vector<std::pair<int, int>> way(
        static_cast<std::size_t>(columns));  // rows where a column is entered and left
    for (int step = turns - 1; step >= 0; --step) {
        const int before = came[static_cast<std::size_t>(step)][static_cast<std::size_t>(row)];
        if (step >= columns / 2 && step < columns + columns / 2)
            way[static_cast<std::size_t>(step % columns)] = {before, row};
        row = before;
    }
    return way;
}

/// The middle of what is seen about a row.
double centred(const cv::Mat1f& seen, int column, double row) {
    double sum = 0, weight = 0;
    for (int r = std::max(0, static_cast<int>(row) - 5);
         r <= std::min(seen.rows - 1, static_cast<int>(row) + 5); ++r) {
        const double w = seen(r, column) * seen(r, column);
        sum += w * r;
        weight += w;
    }
    return weight > 0.3 ? sum / weight : row;
}

/// The radius at each column that a person has told [px].
using Given = std::vector<std::optional<double>>;

Given given_at(const std::vector<std::vector<Point>>& through, Point centre) {
    Given given(columns);
    constexpr double column_width = 2 * std::numbers::pi / columns;
    const auto put = [&](double direction_rad, double radius_px) {
        const double column = direction_rad / column_width;
        given[static_cast<std::size_t>(((std::lround(column) % columns) + columns) % columns)] = radius_px;
    };
    for (const std::vector<Point>& line : through)
        for (std::size_t i = 0; i < line.size(); ++i) {
            const auto polar = [&](Point p) {
                return std::pair(std::atan2(p.x - centre.x, -(p.y - centre.y)), distance(p, centre));
            };
            const auto [direction, radius] = polar(line[i]);
            for (int beside : {-1, 0, 1}) put(direction + beside * column_width, radius);  // a whole degree
            if (i + 1 == line.size()) break;
            const auto [next, next_radius] = polar(line[i + 1]);
            const double turn = std::remainder(next - direction, 2 * std::numbers::pi);
            const int steps = static_cast<int>(std::abs(turn) * columns / std::numbers::pi) + 1;
            for (int k = 1; k < steps; ++k)
                put(direction + turn * k / steps, std::lerp(radius, next_radius, 1.0 * k / steps));
        }
    return given;
}

/// Any other way past a place that was told costs more than the worst that is seen.
void hold_to(cv::Mat1f& price, const Given& given) {
    constexpr float forbidden = 8;
    for (int c = 0; c < columns; ++c) {
        const auto& radius = given[static_cast<std::size_t>(c)];
        if (!radius) continue;
        for (int r = 0; r < price.rows; ++r)
            price(r, c) = std::abs(r * step_px - *radius) <= 2 * step_px ? 0 : forbidden;
    }
}

/// Where nothing of the curve is seen it runs straight from one end to the other.
void bridge(Way& way) {
    const auto seen = [&](int c) {
        return way.seen[static_cast<std::size_t>((c + columns) % columns)] >= least_seen;
    };
    const auto radius = [&](int c) -> double& {
        return way.radius_px[static_cast<std::size_t>((c + columns) % columns)];
    };
    for (int first = 0; first < columns; ++first) {
        if (seen(first) || !seen(first - 1)) continue;
        int last = first;
        while (!seen(last + 1) && last + 1 < first + columns) ++last;
        const double from = radius(first - 1), to = radius(last + 1);
        for (int c = first; c <= last; ++c)
            radius(c) = std::lerp(from, to, static_cast<double>(c - first + 1) / (last - first + 2));
    }
}

}  // namespace

std::vector<Colour> curve_colours(const Lines& l, const FoundChart& chart) {
    const ChartFrame& f = chart.frame;
    // the middles of lines off the grid
    std::vector<cv::Vec3f> points;
    std::vector<int> directions;
    const int reach = static_cast<int>(f.outer_px * 1.02);
    for (int y = std::max(1, static_cast<int>(f.centre_px.y) - reach);
         y < std::min(l.colours.rows - 1, static_cast<int>(f.centre_px.y) + reach); ++y)
        for (int x = std::max(1, static_cast<int>(f.centre_px.x) - reach);
             x < std::min(l.colours.cols - 1, static_cast<int>(f.centre_px.x) + reach); ++x) {
            const float s = l.strength(y, x);
            if (s < 4 || l.difference(y, x) < 25) continue;
            const cv::Vec2f n = l.across(y, x);
            const auto beside = [&](int side) {
                return l.strength(y + static_cast<int>(std::lround(static_cast<float>(side) * n[1])),
                                  x + static_cast<int>(std::lround(static_cast<float>(side) * n[0])));
            };
            if (beside(1) > s || beside(-1) > s) continue;
            const double dx = x + 0.5 - f.centre_px.x, dy = y + 0.5 - f.centre_px.y, r = std::hypot(dx, dy);
            const double direction = std::atan2(dx, -dy) * 180 / std::numbers::pi;
            if (r < 6 || r > f.outer_px * 1.01 || on_ring(chart, r) || on_spoke(chart, direction, r))
                continue;
            const cv::Vec3b c = l.colours(y, x);
            points.emplace_back(c);
            directions.push_back((static_cast<int>(direction) + 360) % 360);
        }
    std::vector<Colour> colours;
    if (points.size() < 60) return colours;
    cv::Mat samples(static_cast<int>(points.size()), 3, CV_32F, points.data()), marks, centres;
    const int clusters = std::min<int>(5, static_cast<int>(points.size()) / 20);
    cv::setRNGSeed(1);  // the same picture gives the same colours
    cv::kmeans(samples, clusters, marks, {cv::TermCriteria::EPS | cv::TermCriteria::COUNT, 30, 0.5}, 3,
               cv::KMEANS_PP_CENTERS, centres);
    struct Cluster {
        Colour colour;
        double score;
    };
    std::vector<Cluster> all;
    for (int k = 0; k < clusters; ++k) {
        std::array<bool, 360> covered{};
        std::vector<std::array<float, 3>> members;
        for (int i = 0; i < samples.rows; ++i)
            if (marks.at<int>(i) == k) {
                covered[static_cast<std::size_t>(directions[static_cast<std::size_t>(i)])] = true;
                members.push_back({points[static_cast<std::size_t>(i)][0],
                                   points[static_cast<std::size_t>(i)][1],
                                   points[static_cast<std::size_t>(i)][2]});
            }
        if (members.size() < 20) continue;
        // its fullest third: the rest is softened by the ground
        const cv::Vec3f ground = l.ground(static_cast<int>(f.centre_px.y), static_cast<int>(f.centre_px.x));
        std::ranges::sort(members, std::greater<>(), [&](const auto& m) {
            return std::abs(m[0] - ground[0]) + std::abs(m[1] - ground[1]) + std::abs(m[2] - ground[2]);
        });
        members.resize(std::max<std::size_t>(1, members.size() / 3));
        cv::Vec3f mean{};
        for (const auto& m : members) mean += cv::Vec3f(m[0], m[1], m[2]);
        mean *= 1.f / static_cast<float>(members.size());
        const float contrast = static_cast<float>(cv::norm(mean - ground)) / 441;
        const float chroma =
            (std::max({mean[0], mean[1], mean[2]}) - std::min({mean[0], mean[1], mean[2]})) / 255;
        const double coverage = static_cast<double>(std::ranges::count(covered, true)) / 360;
        const auto byte = [](float v) {
            return static_cast<std::uint8_t>(std::clamp(std::lround(v), 0l, 255l));
        };
        all.push_back({{byte(mean[2]), byte(mean[1]), byte(mean[0])},
                       coverage * (0.6 + 0.3 * contrast + 0.4 * chroma)});
    }
    std::ranges::sort(all, std::greater<>(), &Cluster::score);
    for (const Cluster& c : all) colours.push_back(c.colour);
    return colours;
}

Way follow(const Lines& l, const FoundChart& chart, Colour colour,
           const std::vector<std::vector<Point>>& through, const CancelToken& cancel) {
    const ChartFrame& f = chart.frame;
    cv::Mat1f seen = unrolled(share_map(l, colour), f, f.outer_px * 1.04 + 4);
    cancel.check();
    take_rings_away(seen, chart);
    take_spokes_away(seen, chart);
    for (int r = 0; r < static_cast<int>(hole_px / step_px); ++r) seen.row(r) = 0;
    cv::Mat1f price(seen.size());
    for (int r = 0; r < seen.rows; ++r)
        for (int k = 0; k < columns; ++k) price(r, k) = 1 - std::min(seen(r, k) * 1.25f, 1.f);
    const Given given = given_at(through, f.centre_px);
    hold_to(price, given);
    const auto way = cheapest(price, cancel);
    Way out;
    for (int c = 0; c < columns; ++c) {
        const auto [in, left] = way[static_cast<std::size_t>(c)];
        const double row = std::abs(in - left) <= 6 ? centred(seen, c, (in + left) / 2.0) : (in + left) / 2.0;
        float most = 0;
        for (int r = std::max(0, std::min(in, left) - 2);
             r <= std::min(seen.rows - 1, std::max(in, left) + 2); ++r)
            most = std::max(most, seen(r, c));
        const auto& told = given[static_cast<std::size_t>(c)];
        out.radius_px.push_back(told.value_or(row * step_px));
        out.seen.push_back(told ? 1 : most);
    }
    bridge(out);
    return out;
}

}  // namespace yemvo::chart
