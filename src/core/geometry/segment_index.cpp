// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/segment_index.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

bool meet(const Box& a, const Box& b) {
    return a.low.x <= b.high.x && b.low.x <= a.high.x && a.low.y <= b.high.y && b.low.y <= a.high.y;
}

}  // namespace

Box box_of(const Segment& s) {
    return {{std::min(s.a.x, s.b.x), std::min(s.a.y, s.b.y)},
            {std::max(s.a.x, s.b.x), std::max(s.a.y, s.b.y)}};
}

template <class Use>
void SegmentIndex::each_bucket(const Box& box, Use use) const {
    const auto cell = [&](double v, double low, int count) {
        return std::clamp(static_cast<int>(std::floor((v - low) / cell_m_)), 0, count - 1);
    };
    const int c0 = cell(box.low.x, box_.low.x, columns_), c1 = cell(box.high.x, box_.low.x, columns_);
    const int r0 = cell(box.low.y, box_.low.y, rows_), r1 = cell(box.high.y, box_.low.y, rows_);
    for (int r = r0; r <= r1; ++r)
        for (int c = c0; c <= c1; ++c)
            use(static_cast<std::size_t>(r) * static_cast<std::size_t>(columns_) +
                static_cast<std::size_t>(c));
}

SegmentIndex::SegmentIndex(std::vector<Segment> segments) : segments_(std::move(segments)) {
    if (segments_.empty()) return;
    std::vector<Point> ends;
    for (const Segment& s : segments_) ends.insert(ends.end(), {s.a, s.b});
    box_ = bounds(ends)->grown(0.01);
    const double wanted = std::clamp(std::sqrt(static_cast<double>(segments_.size())), 1.0, 400.0);
    cell_m_ = std::max({box_.width(), box_.height(), 0.1}) / wanted;
    columns_ = static_cast<int>(box_.width() / cell_m_) + 1;
    rows_ = static_cast<int>(box_.height() / cell_m_) + 1;
    const std::size_t buckets = static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_);
    first_.assign(buckets + 1, 0);
    for (const Segment& s : segments_) each_bucket(box_of(s), [&](std::size_t b) { ++first_[b + 1]; });
    for (std::size_t b = 0; b < buckets; ++b) first_[b + 1] += first_[b];
    entries_.resize(first_.back());
    auto next = first_;
    for (std::uint32_t i = 0; i < segments_.size(); ++i)
        each_bucket(box_of(segments_[i]), [&](std::size_t b) { entries_[next[b]++] = i; });
}

void SegmentIndex::collect(const Box& box, std::vector<std::uint32_t>& found) const {
    found.clear();
    if (segments_.empty() || !meet(box, box_)) return;
    each_bucket(box, [&](std::size_t b) {
        for (std::uint32_t k = first_[b]; k < first_[b + 1]; ++k)
            if (meet(box, box_of(segments_[entries_[k]]))) found.push_back(entries_[k]);
    });
    std::sort(found.begin(), found.end());
    found.erase(std::unique(found.begin(), found.end()), found.end());
}

std::vector<std::uint32_t> SegmentIndex::near(const Box& box) const {
    std::vector<std::uint32_t> found;
    collect(box, found);
    return found;
}

}  // namespace yemvo
