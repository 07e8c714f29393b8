#include "propagation/panel_merge.h"

#include <algorithm>
#include <cmath>
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

/// What is left of a panel beside, below and above a stretch that another covers.
void cut(const ScenePanel& panel, const Stretch& by, const ScenePanel& other, std::vector<ScenePanel>& out) {
    const double long_m = distance(panel.a, panel.b);
    const auto keep = [&](double from, double to, double base_m, double top_m) {
        if ((to - from) * long_m < least_m || top_m <= base_m) return;
        ScenePanel part = panel;
        if (from > 0) part.a = lerp(panel.a, panel.b, from);
        if (to < 1) part.b = lerp(panel.a, panel.b, to);
        part.base_m = base_m;
        part.top_m = top_m;
        out.push_back(part);
    };
    keep(0, by.from, panel.base_m, panel.top_m);
    keep(by.to, 1, panel.base_m, panel.top_m);
    keep(by.from, by.to, panel.base_m, std::min(panel.top_m, other.base_m));
    keep(by.from, by.to, std::max(panel.base_m, other.top_m), panel.top_m);
}

}  // namespace

void merge_colinear(std::vector<ScenePanel>& panels, const std::function<double(int row)>& loss_db) {
    std::vector<Segment> lines;
    for (const ScenePanel& p : panels) lines.push_back({p.a, p.b});
    const SegmentIndex index(lines);
    std::vector<ScenePanel> out;
    out.reserve(panels.size());
    const auto stronger = [&](std::size_t a, std::size_t b) {
        const double la = loss_db(panels[a].row), lb = loss_db(panels[b].row);
        return la != lb ? la > lb : a < b;
    };
    for (std::size_t i = 0; i < panels.size(); ++i) {
        std::vector<ScenePanel> left{panels[i]};
        for (std::uint32_t k : index.near(box_of(lines[i]).grown(aside_m))) {
            if (k == i || !stronger(k, i) || shared(panels[i], panels[k]).to == 0) continue;
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
        out.insert(out.end(), left.begin(), left.end());
    }
    panels = std::move(out);
}

}  // namespace yemvo
