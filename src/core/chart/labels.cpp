// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart/labels.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>

#include "chart/glyphs.h"

namespace yemvo::chart {
namespace {

constexpr double radian = std::numbers::pi / 180;

/// The part of the picture round a chart, enlarged so that small print can be told apart.
struct Close {
    cv::Mat1f ink;  ///< 0 to 1
    double scale = 1;
    Point origin;  ///< of the part in the picture
    Point in_picture(double x, double y) const { return {origin.x + x / scale, origin.y + y / scale}; }
};

Close close_up(const Lines& l, const Rings& rings, bool without_rings) {
    const double outer = rings.radii.front(), reach = 1.4 * outer;
    const cv::Rect all(0, 0, l.difference.cols, l.difference.rows);
    const cv::Rect part =
        all & cv::Rect(static_cast<int>(rings.centre.x - reach), static_cast<int>(rings.centre.y - reach),
                       static_cast<int>(2 * reach), static_cast<int>(2 * reach));
    cv::Mat1f ink = l.difference(part).clone();
    if (without_rings)
        for (int y = 0; y < ink.rows; ++y)
            for (int x = 0; x < ink.cols; ++x) {
                const double r =
                    std::hypot(part.x + x + 0.5 - rings.centre.x, part.y + y + 0.5 - rings.centre.y);
                for (double ring : rings.radii)
                    if (std::abs(r - ring) < 1.3) ink(y, x) = 0;
            }
    Close close;
    close.scale = std::clamp(700 / outer, 1.0, 5.0);
    close.origin = {static_cast<double>(part.x), static_cast<double>(part.y)};
    cv::resize(ink, close.ink, {}, close.scale, close.scale, cv::INTER_CUBIC);
    if (without_rings) {
        const int gap = 2 * static_cast<int>(std::ceil(1.6 * close.scale)) + 1;
        cv::Mat closed;
        cv::morphologyEx(close.ink, closed, cv::MORPH_CLOSE,
                         cv::getStructuringElement(cv::MORPH_ELLIPSE, {gap, gap}));
        close.ink = closed;
    }
    // the darkest hundredth is ink through and through
    std::vector<float> sorted(close.ink.begin(), close.ink.end());
    const auto high =
        sorted.begin() + static_cast<std::ptrdiff_t>(0.995 * static_cast<double>(sorted.size() - 1));
    std::nth_element(sorted.begin(), high, sorted.end());
    const float most = std::max(*high, 30.f);
    close.ink = cv::max(cv::min(close.ink / most, 1.0), 0.0);
    return close;
}

struct Blob {
    cv::Rect box;
    int area;
    double middle() const { return box.y + box.height / 2.0; }
};

std::vector<Blob> blobs_of(const cv::Mat1f& ink, double threshold, double outer) {
    cv::Mat marks, stats, centres;
    cv::Mat solid;
    cv::compare(ink, threshold, solid, cv::CMP_GT);
    const int n = cv::connectedComponentsWithStats(solid, marks, stats, centres, 8);
    std::vector<Blob> blobs;
    for (int i = 1; i < n; ++i) {
        const Blob b{{stats.at<int>(i, cv::CC_STAT_LEFT), stats.at<int>(i, cv::CC_STAT_TOP),
                      stats.at<int>(i, cv::CC_STAT_WIDTH), stats.at<int>(i, cv::CC_STAT_HEIGHT)},
                     stats.at<int>(i, cv::CC_STAT_AREA)};
        if (b.box.height < 0.12 * outer && b.box.width < 0.12 * outer && b.area > 6) blobs.push_back(b);
    }
    std::ranges::sort(blobs, {}, [](const Blob& b) { return b.box.x; });
    return blobs;
}

/// A digit as high as the word, a stroke at half its height, or what is neither.
struct Read {
    std::string text;
    bool clean = true;
};

Read read_word(const std::vector<Blob>& word, double height, double top, const cv::Mat1f& ink) {
    Read read;
    for (const Blob& b : word) {
        const double share = b.box.height / height, middle = (b.middle() - top) / height;
        if (share > 0.78) {
            // the sides soften by the enlargement
            const auto digit = digit_of(ink(b.box).clone());
            if (!digit) {
                read.clean = false;
                return read;
            }
            read.text += static_cast<char>('0' + *digit);
        } else if (share < 0.35 && b.box.width > 1.2 * b.box.height && middle > 0.3 && middle < 0.8) {
            if (!read.text.empty()) {
                read.clean = false;
                return read;
            }
            read.text += '-';
        }
        // the ring of degrees, points: left out
    }
    return read;
}

void words_of(const Close& close, double threshold, double outer, std::vector<Label>& labels) {
    const std::vector<Blob> blobs = blobs_of(close.ink, threshold, outer * close.scale);
    std::vector<bool> used(blobs.size());
    const double least = 0.02 * outer * close.scale;
    for (std::size_t first = 0; first < blobs.size(); ++first) {
        const Blob& seed = blobs[first];
        if (used[first] || seed.box.height < least) continue;
        // from a digit to both sides
        double height = seed.box.height;
        const double top = seed.box.y;
        std::vector<std::size_t> members{first};
        double left = seed.box.x, right = seed.box.x + seed.box.width;
        for (bool grown = true; grown;) {
            grown = false;
            for (std::size_t i = 0; i < blobs.size(); ++i) {
                if (std::ranges::count(members, i)) continue;
                const Blob& b = blobs[i];
                if (b.middle() < top - 0.1 * height || b.middle() > top + 1.1 * height ||
                    b.box.height > 1.25 * height)
                    continue;
                const double gap = std::max(b.box.x - right, left - (b.box.x + b.box.width));
                if (gap > 0.55 * height || gap < -0.5 * height) continue;
                if (b.box.height > 0.78 * height && std::abs(b.box.y - top) > 0.2 * height) continue;
                members.push_back(i);
                left = std::min<double>(left, b.box.x);
                right = std::max<double>(right, b.box.x + b.box.width);
                grown = true;
            }
        }
        std::vector<Blob> word;
        for (std::size_t i : members) word.push_back(blobs[i]);
        std::ranges::sort(word, {}, [](const Blob& b) { return b.box.x; });
        for (const Blob& b : word)
            height = std::max<double>(height, std::min<double>(b.box.height, 1.2 * height));
        const Read read = read_word(word, height, top, close.ink);
        const auto digits = std::ranges::count_if(read.text, [](char ch) { return ch != '-'; });
        if (!read.clean || digits == 0 || digits > 3 || read.text.back() == '-') continue;
        for (std::size_t i : members) used[i] = true;
        labels.push_back({std::stod(read.text), close.in_picture((left + right) / 2, top + height / 2),
                          height / close.scale});
    }
}

double direction_deg(Point from, Point to) { return std::atan2(to.x - from.x, -(to.y - from.y)) / radian; }

double turn_between(double a, double b) { return std::remainder(a - b, 360); }

}  // namespace

std::vector<Label> read_labels(const Lines& l, const Rings& rings, const CancelToken& cancel) {
    std::vector<Label> labels;
    for (bool without_rings : {false, true}) {
        const Close close = close_up(l, rings, without_rings);
        for (double threshold : {0.35, 0.5, 0.65}) {
            cancel.check();
            std::vector<Label> more;
            words_of(close, threshold, rings.radii.front(), more);
            for (const Label& m : more) {
                const bool known = std::ranges::any_of(labels, [&](const Label& k) {
                    return k.number == m.number && distance(k.place, m.place) < m.height;
                });
                if (!known) labels.push_back(m);
            }
        }
    }
    return labels;
}

AngleReading angles_from(const std::vector<Label>& labels, const Rings& rings) {
    const double outer = rings.radii.front();
    struct At {
        double number, direction, height;
    };
    std::vector<At> round;
    for (const Label& label : labels) {
        const double r = distance(label.place, rings.centre);
        if (r > 1.02 * outer && r < 1.38 * outer && std::abs(label.number) <= 360)
            round.push_back({label.number, direction_deg(rings.centre, label.place), label.height});
    }
    AngleReading best;
    for (bool clockwise : {true, false})
        for (const At& seed : round) {
            const double sign = clockwise ? 1 : -1, zero = seed.direction - sign * seed.number;
            int agreeing = 0;
            double off = 0;
            std::vector<double> heights;
            for (const At& a : round) {
                const double by = turn_between(a.direction, zero + sign * a.number);
                if (std::abs(by) > 5) continue;
                ++agreeing;
                off += by;
                heights.push_back(a.height);
            }
            if (agreeing <= best.agreeing) continue;
            const auto middle = heights.begin() + static_cast<std::ptrdiff_t>(heights.size() / 2);
            std::nth_element(heights.begin(), middle, heights.end());
            best = {zero + off / agreeing, clockwise, agreeing, *middle};
        }
    if (best.agreeing < 3) best = {};
    return best;
}

namespace {

bool tells_ring(const Label& label, const Rings& rings, const AngleReading& angles) {
    const double r = distance(label.place, rings.centre), outer = rings.radii.front();
    if (r > 1.2 * outer || std::abs(label.number) > 100) return false;
    if (angles.agreeing == 0) return true;
    if (std::abs(label.height / angles.height - 1) > 0.35) return false;
    const double expected = angles.zero_deg + (angles.clockwise ? 1 : -1) * label.number;
    return r < 1.02 * outer || std::abs(turn_between(direction_deg(rings.centre, label.place), expected)) > 5;
}

}  // namespace

RingReading rings_from(const std::vector<Label>& labels, const Rings& rings, const AngleReading& angles) {
    RingReading best;
    if (rings.spacing <= 0) return best;
    const double outer = rings.radii.front();
    struct At {
        double value, radius;
    };
    std::vector<At> on;
    for (const Label& label : labels)
        if (tells_ring(label, rings, angles))
            on.push_back({label.number, distance(label.place, rings.centre)});
    double best_score = 0;
    for (double ring_db : {10.0, 5.0, 3.0, 20.0, 6.0, 2.0, 1.0, 15.0, 2.5})
        for (double sign : {1.0, -1.0})  // values rise outwards, or losses fall
            for (const At& seed : on) {
                const double slope = sign * ring_db / rings.spacing;
                std::vector<double> values;
                double nearest = seed.radius, farthest = seed.radius;
                for (const At& a : on) {
                    const double expected = seed.value + slope * (a.radius - seed.radius);
                    if (std::abs(a.value - expected) < 0.3 * ring_db &&
                        std::ranges::count(values, a.value) == 0 &&
                        std::abs(std::remainder(a.value, ring_db)) < 0.01)
                        values.push_back(a.value);
                    else
                        continue;
                    nearest = std::min(nearest, a.radius);
                    farthest = std::max(farthest, a.radius);
                }
                // few labels far from each other agree by chance
                if (static_cast<double>(values.size()) - 1 < 0.6 * (farthest - nearest) / rings.spacing)
                    continue;
                const double score = static_cast<double>(values.size());
                if (score <= best_score) continue;
                best_score = score;
                const double at_outer = seed.value + slope * (outer - seed.radius);
                best = {ring_db, sign * std::round(at_outer / ring_db) * ring_db,
                        static_cast<int>(values.size())};
            }
    if (best.agreeing < 2) best = {};
    return best;
}

}  // namespace yemvo::chart
