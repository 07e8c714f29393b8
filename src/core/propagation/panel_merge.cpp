// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/panel_merge.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

#include "geometry/segment_index.h"

namespace yemvo {
namespace {

constexpr double aside_m = 0.03, least_m = 0.01;

/// Part of `weaker` [0, 1] that lies on `stronger`; an empty range when they do not lie on each other.
struct Stretch {
    double from = 0, to = 0;
};

Stretch shared(const ScenePanel& weaker, const ScenePanel& stronger) {
    const double long_m = distance(weaker.a, weaker.b);
    if (long_m < least_m || weaker.top_m <= stronger.base_m || stronger.top_m <= weaker.base_m) return {};
    const Point along = (weaker.b - weaker.a) * (1 / long_m);
    const Point c = stronger.a - weaker.a, d = stronger.b - weaker.a;
    double low = dot(c, along), high = dot(d, along);
    double low_aside = cross(along, c), high_aside = cross(along, d);
    if (low > high) {
        std::swap(low, high);
        std::swap(low_aside, high_aside);
    }
    if (high - low < least_m) return {};
    const auto off = [&](double at) {
        return low_aside + (high_aside - low_aside) * (at - low) / (high - low);
    };
    const double from = std::max(0.0, low), to = std::min(long_m, high);
    if (to - from < least_m || std::abs(off(from)) > aside_m || std::abs(off(to)) > aside_m) return {};
    return {from / long_m, to / long_m};
}

/// The part of a panel along a stretch and between two heights, where there is any.
void keep(const ScenePanel& panel, double from, double to, double base_m, double top_m,
          std::vector<ScenePanel>& out) {
    if ((to - from) * distance(panel.a, panel.b) < least_m || top_m <= base_m) return;
    ScenePanel part = panel;
    if (from > 0) part.a = lerp(panel.a, panel.b, from);
    if (to < 1) part.b = lerp(panel.a, panel.b, to);
    part.base_m = base_m;
    part.top_m = top_m;
    out.push_back(part);
}

/// What is left of a panel beside, below and above a stretch that another covers.
void cut(const ScenePanel& panel, const Stretch& by, const ScenePanel& other, std::vector<ScenePanel>& out) {
    keep(panel, 0, by.from, panel.base_m, panel.top_m, out);
    keep(panel, by.to, 1, panel.base_m, panel.top_m, out);
    keep(panel, by.from, by.to, panel.base_m, std::min(panel.top_m, other.base_m), out);
    keep(panel, by.from, by.to, std::max(panel.base_m, other.top_m), panel.top_m, out);
}

/// Losses of rows, those that were mixed meanwhile too.
class Losses {
public:
    Losses(const std::vector<std::vector<double>>& by_row,
           const std::function<int(const std::vector<int>&)>& mixed_row)
        : by_row_(by_row), mixed_row_(mixed_row) {}

    /// In the band that decides which panel stays whole.
    double deciding(int row) const { return of(row)[of(row).size() > band_5.index ? band_5.index : 0]; }
    bool takes_more_somewhere(int row, int than) const {
        const auto &a = of(row), &b = of(than);
        for (std::size_t i = 0; i < a.size(); ++i)
            if (a[i] > b[i]) return true;
        return false;
    }
    /// In each band the row of both that takes more.
    int stronger_of_both(int row, int other) {
        std::vector<int> by_band;
        for (std::size_t b = 0; b < of(row).size(); ++b)
            by_band.push_back(own(of(row)[b] >= of(other)[b] ? row : other, b));
        const int mixed = mixed_row_(by_band);
        if (static_cast<std::size_t>(mixed) == by_row_.size()) {
            auto& losses = by_row_.emplace_back();
            for (std::size_t b = 0; b < by_band.size(); ++b)
                losses.push_back(by_row_[static_cast<std::size_t>(by_band[b])][b]);
            mixed_[mixed] = by_band;
        }
        return mixed;
    }

private:
    const std::vector<double>& of(int row) const { return by_row_[static_cast<std::size_t>(row)]; }
    /// The type's own row behind a mixed one.
    int own(int row, std::size_t b) const {
        const auto found = mixed_.find(row);
        return found == mixed_.end() ? row : found->second[b];
    }
    std::vector<std::vector<double>> by_row_;
    const std::function<int(const std::vector<int>&)>& mixed_row_;
    std::map<int, std::vector<int>> mixed_;
};

/// Where a panel that stays is covered by one that takes more in some band, it takes that one's loss there.
void mix(std::vector<ScenePanel>& parts, const ScenePanel& other, Losses& losses) {
    std::vector<ScenePanel> out;
    for (const ScenePanel& part : parts) {
        const Stretch by = shared(part, other);
        if (by.to == 0 || !losses.takes_more_somewhere(other.row, part.row)) {
            out.push_back(part);
            continue;
        }
        cut(part, by, other, out);
        ScenePanel both = part;
        both.row = losses.stronger_of_both(part.row, other.row);
        keep(both, by.from, by.to, std::max(part.base_m, other.base_m), std::min(part.top_m, other.top_m),
             out);
    }
    parts = std::move(out);
}

}  // namespace

void merge_colinear(std::vector<ScenePanel>& panels, const std::vector<std::vector<double>>& losses_db,
                    const std::function<int(const std::vector<int>&)>& mixed_row) {
    std::vector<Segment> lines;
    for (const ScenePanel& p : panels) lines.push_back({p.a, p.b});
    const SegmentIndex index(lines);
    Losses losses(losses_db, mixed_row);
    std::vector<ScenePanel> out;
    out.reserve(panels.size());
    const auto stronger = [&](std::size_t a, std::size_t b) {
        const double la = losses.deciding(panels[a].row), lb = losses.deciding(panels[b].row);
        return la != lb ? la > lb : a < b;
    };
    for (std::size_t i = 0; i < panels.size(); ++i) {
        std::vector<ScenePanel> left{panels[i]};
        std::vector<std::size_t> weaker;
        for (std::uint32_t k : index.near(box_of(lines[i]).grown(aside_m))) {
            if (k == i) continue;
            if (!stronger(k, i)) {
                if (losses.takes_more_somewhere(panels[k].row, panels[i].row)) weaker.push_back(k);
                continue;
            }
            if (shared(panels[i], panels[k]).to == 0) continue;
            std::vector<ScenePanel> rest;
            for (const ScenePanel& part : left) {
                const Stretch by = shared(part, panels[k]);
                if (by.to == 0)
                    rest.push_back(part);
                else
                    cut(part, by, panels[k], rest);
            }
            left = std::move(rest);
        }
        for (std::size_t k : weaker) mix(left, panels[k], losses);
        out.insert(out.end(), left.begin(), left.end());
    }
    panels = std::move(out);
}

}  // namespace yemvo
