// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/rings.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>

namespace yemvo::chart {
namespace {

constexpr float least_strength = 3.0f;  ///< of a line in light grey; noise of paper lies below
constexpr double least_radius = 20;
constexpr int around = 360;  ///< places that are looked at on a ring

struct Way {
    double x, y;
};

const std::array<Way, around>& ways() {
    static const std::array<Way, around> all = [] {
        std::array<Way, around> made;
        for (int i = 0; i < around; ++i) {
            const double a = 2 * std::numbers::pi * i / around;
            made[static_cast<std::size_t>(i)] = {std::sin(a), -std::cos(a)};
        }
        return made;
    }();
    return all;
}

/// Strength of a line there that runs across the way from the centre (a ring) or along it (a spoke).
float strength_at(const Lines& l, double x, double y, Way way, bool ring) {
    const int i = static_cast<int>(std::floor(x)), j = static_cast<int>(std::floor(y));
    if (i < 0 || j < 0 || i >= l.strength.cols || j >= l.strength.rows) return 0;
    const float s = l.strength(j, i);
    if (s < least_strength) return 0;
    const cv::Vec2f n = l.across(j, i);
    const double along = std::abs(n[0] * way.x + n[1] * way.y);
    return (ring ? along > 0.9 : along < 0.35) ? s : 0;
}

/// The share of a ring that is seen.
double seen(const Lines& l, Point centre, double radius) {
    int n = 0;
    for (const Way& w : ways())
        n += strength_at(l, centre.x + radius * w.x, centre.y + radius * w.y, w, true) > 0;
    return static_cast<double>(n) / around;
}

/// Each pixel of a line votes for all places that the line may bend round.
cv::Mat1f votes(const Lines& l, double cell) {
    cv::Mat1f votes(static_cast<int>(l.strength.rows / cell) + 1,
                    static_cast<int>(l.strength.cols / cell) + 1, 0.f);
    const double reach = 0.6 * std::max(l.strength.cols, l.strength.rows);
    for (int y = 1; y + 1 < l.strength.rows; ++y)
        for (int x = 1; x + 1 < l.strength.cols; ++x) {
            const float s = l.strength(y, x);
            if (s < least_strength) continue;
            const cv::Vec2f n = l.across(y, x);
            // the middle of the line alone
            const auto beside = [&](int side) {
                const int i = std::clamp(x + static_cast<int>(std::lround(static_cast<float>(side) * n[0])),
                                         0, l.strength.cols - 1),
                          j = std::clamp(y + static_cast<int>(std::lround(static_cast<float>(side) * n[1])),
                                         0, l.strength.rows - 1);
                return l.strength(j, i);
            };
            if (beside(1) > s || beside(-1) > s) continue;
            for (int side : {-1, 1})
                for (double d = 12; d < reach; d += cell) {
                    const int i = static_cast<int>((x + 0.5 + side * d * n[0]) / cell),
                              j = static_cast<int>((y + 0.5 + side * d * n[1]) / cell);
                    if (i < 0 || j < 0 || i >= votes.cols || j >= votes.rows) break;
                    votes(j, i) += 1;
                }
        }
    cv::GaussianBlur(votes, votes, {}, 1.0);
    return votes;
}

/// Peaks of the share that is seen, over all radii.
std::vector<double> radii_at(const Lines& l, Point centre, double most) {
    constexpr double step = 0.5;
    std::vector<double> share;
    for (double r = 0; r < most; r += step) share.push_back(r < 8 ? 0 : seen(l, centre, r));
    std::vector<double> radii;
    const int beside = 6;
    for (int i = beside; i + beside < static_cast<int>(share.size()); ++i) {
        const double here = share[static_cast<std::size_t>(i)];
        if (here < 0.42) continue;
        bool highest = true;
        for (int k = -beside; k <= beside && highest; ++k) {
            const double other = share[static_cast<std::size_t>(i + k)];
            highest = k < 0 ? other < here : other <= here;
        }
        if (!highest) continue;
        // the middle of what is seen as well
        double sum = 0, weight = 0;
        for (int k = -3; k <= 3; ++k) {
            const double w = std::max(0.0, share[static_cast<std::size_t>(i + k)] - here / 2);
            sum += w * (i + k);
            weight += w;
        }
        radii.push_back(step * sum / weight);
    }
    std::ranges::reverse(radii);
    return radii;
}

/// The place near a peak of the votes, which are coarse, where rings are seen best.
Point settled(const Lines& l, Point peak, double reach) {
    const auto rings_at = [&](Point centre) {
        double sum = 0;
        for (double r = least_radius; r < reach; r += 1) {
            int n = 0;
            for (std::size_t i = 0; i < around; i += 4) {
                const Way& w = ways()[i];
                n += strength_at(l, centre.x + r * w.x, centre.y + r * w.y, w, true) > 0;
            }
            const double share = 4.0 * n / around;
            sum += share > 0.2 ? share * share * share : 0;
        }
        return sum;
    };
    Point best = peak;
    double most = rings_at(peak);
    for (double step : {2.0, 1.0, 0.5}) {
        const Point from = best;
        for (int i = -2; i <= 2; ++i)
            for (int j = -2; j <= 2; ++j) {
                const Point there{from.x + step * i, from.y + step * j};
                if (const double sum = rings_at(there); sum > most) {
                    most = sum;
                    best = there;
                }
            }
    }
    return best;
}

double sharpness(const Lines& l, Point centre, const std::vector<double>& radii) {
    double sum = 0;
    for (double r : radii) {
        double best = 0;
        for (double d = -1; d <= 1; d += 0.5) best = std::max(best, seen(l, centre, r + d));
        sum += best * best;
    }
    return sum;
}

Point refined(const Lines& l, Point centre, const std::vector<double>& radii) {
    double best = sharpness(l, centre, radii);
    for (double step : {2.0, 1.0, 0.5, 0.25})
        for (bool moved = true; moved;) {
            moved = false;
            for (Point by : {Point{step, 0}, Point{-step, 0}, Point{0, step}, Point{0, -step}}) {
                const Point there{centre.x + by.x, centre.y + by.y};
                const double s = sharpness(l, there, radii);
                if (s <= best + 1e-9) continue;
                best = s;
                centre = there;
                moved = true;
            }
        }
    return centre;
}

/// Whether a ring is one of even ones.
bool keeps_to(double step, double outer, double radius) {
    const double k = (outer - radius) / step;
    return std::abs(k - std::round(k)) * step < std::max(1.5, std::min(0.02 * outer, 0.12 * step));
}

/// The step of even rings from the outermost inwards that most of them keep to.
double spacing_of(const std::vector<double>& radii) {
    if (radii.size() < 2) return 0;
    const double outer = radii.front();
    double best = 0, best_score = 0;
    for (std::size_t i = 1; i < radii.size(); ++i)
        for (int parts = 1; parts <= 3; ++parts) {
            const double step = (outer - radii[i]) / parts;
            if (step < 6) continue;
            double met = 0, expected = 0;
            for (double r : radii) met += keeps_to(step, outer, r) ? 1 : -0.7;
            for (double r = outer; r > 0.25 * outer; r -= step) ++expected;
            // a finer step has to be seen, and not only to be met by chance
            const double score = met - 0.7 * std::max(0.0, expected - met);
            if (score <= best_score + 1e-9) continue;
            best_score = score;
            best = step;
        }
    if (best == 0) return 0;
    // over all that keep to it
    double sum_kk = 0, sum_kr = 0;
    for (double r : radii) {
        if (!keeps_to(best, outer, r)) continue;
        const double k = std::round((outer - r) / best);
        sum_kk += k * k;
        sum_kr += k * (outer - r);
    }
    return sum_kk > 0 ? sum_kr / sum_kk : best;
}

/// What does not keep to the step is no ring but a part of a curve that is round.
void leave_even(std::vector<double>& radii, double step) {
    const double outer = radii.front();
    const auto even = std::ranges::count_if(radii, [&](double r) { return keeps_to(step, outer, r); });
    if (even >= 3) std::erase_if(radii, [&](double r) { return !keeps_to(step, outer, r); });
}

/// Of candidates that lie over each other the one with most rings: a lobe can be round as well.
std::vector<Rings> the_clearest(std::vector<Rings> candidates) {
    std::ranges::stable_sort(candidates, std::greater<>(), [](const Rings& r) {
        return r.seen * static_cast<double>(std::min<std::size_t>(r.radii.size(), 4));
    });
    std::vector<Rings> kept;
    for (Rings& c : candidates) {
        const bool over_another = std::ranges::any_of(kept, [&](const Rings& k) {
            return distance(k.centre, c.centre) < std::max(k.radii.front(), c.radii.front());
        });
        if (!over_another) kept.push_back(std::move(c));
    }
    std::ranges::stable_sort(kept, std::greater<>(), [](const Rings& r) { return r.radii.front(); });
    return kept;
}

}  // namespace

std::vector<Rings> find_rings(const Lines& l, const CancelToken& cancel) {
    const double size = std::max(l.strength.cols, l.strength.rows), cell = std::max(1.5, size / 400);
    cv::Mat1f v = votes(l, cell);
    cancel.check();
    std::vector<Rings> found;
    for (int candidate = 0; candidate < 10; ++candidate) {
        cancel.check();
        double most = 0;
        cv::Point at;
        cv::minMaxLoc(v, nullptr, &most, nullptr, &at);
        if (most < 20) break;
        Point centre{(at.x + 0.5) * cell, (at.y + 0.5) * cell};
        cv::circle(v, at, static_cast<int>(std::max(4.0, 0.02 * size / cell)), cv::Scalar(0), cv::FILLED);
        const double reach = 0.75 * size;
        centre = settled(l, centre, reach);
        std::vector<double> radii = radii_at(l, centre, reach);
        if (radii.empty()) continue;
        centre = refined(l, centre, radii);
        radii = radii_at(l, centre, reach);
        std::erase_if(radii, [](double r) { return r < least_radius; });
        // the outermost is seen nearly all round
        while (!radii.empty() && seen(l, centre, radii.front()) < 0.55 &&
               seen(l, centre, radii.front() + 0.5) < 0.55 && seen(l, centre, radii.front() - 0.5) < 0.55)
            radii.erase(radii.begin());
        if (radii.empty()) continue;
        const double spacing = spacing_of(radii);
        if (spacing > 0) leave_even(radii, spacing);
        found.push_back({centre, radii, spacing, seen(l, centre, radii.front())});
    }
    return the_clearest(std::move(found));
}

std::vector<double> find_spokes(const Lines& l, const Rings& rings) {
    constexpr int steps = 3600;  // of 0.1 degrees
    const double outer = rings.radii.front();
    std::vector<double> score(steps);
    for (int i = 0; i < steps; ++i) {
        const double a = 2 * std::numbers::pi * i / steps;
        const Way w{std::sin(a), -std::cos(a)};
        int n = 0, all = 0;
        for (double r = 0.3 * outer; r < 0.97 * outer; r += 1) {
            ++all;
            n += strength_at(l, rings.centre.x + r * w.x, rings.centre.y + r * w.y, w, false) > 0;
        }
        score[static_cast<std::size_t>(i)] = static_cast<double>(n) / std::max(all, 1);
    }
    double best = 0, best_step = 0, best_first = 0;
    for (double step : {90.0, 60.0, 45.0, 30.0, 22.5, 15.0, 10.0, 5.0}) {
        const int count = static_cast<int>(360 / step), stride = static_cast<int>(step * 10);
        for (int first = 0; first < stride; ++first) {
            double sum = 0;
            for (int k = 0; k < count; ++k)
                sum += score[static_cast<std::size_t>((first + k * stride) % steps)];
            // finer spokes have to be there as well
            const double mean = sum / count * (1 + 0.02 * std::log2(count));
            if (mean <= best) continue;
            best = mean;
            best_step = step;
            best_first = first / 10.0;
        }
    }
    std::vector<double> spokes;
    if (best < 0.4) return spokes;
    for (double a = best_first; a < 360 - 1e-6; a += best_step) spokes.push_back(a);
    return spokes;
}

}  // namespace yemvo::chart
