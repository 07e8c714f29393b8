// SPDX-License-Identifier: GPL-3.0-or-later
// Which segments lie near a place: a grid of buckets over them.
#pragma once
#include <cstdint>
#include <vector>

#include "geometry/polygon.h"
#include "geometry/segment.h"

namespace yemvo {

class SegmentIndex {
public:
    SegmentIndex() = default;
    /// Keeps its own copy; buckets of about one segment each.
    explicit SegmentIndex(std::vector<Segment>);

    const std::vector<Segment>& segments() const { return segments_; }
    /// Calls `use(i)` once for each segment whose box meets the box, in rising order.
    template <class Use>
    void near(const Box& box, Use use) const {
        thread_local std::vector<std::uint32_t> found;  // use() must not ask again
        collect(box, found);
        for (std::uint32_t i : found) use(static_cast<std::size_t>(i));
    }
    std::vector<std::uint32_t> near(const Box&) const;

private:
    void collect(const Box&, std::vector<std::uint32_t>&) const;
    template <class Use>
    void each_bucket(const Box&, Use) const;
    std::vector<Segment> segments_;
    Box box_{};
    double cell_m_ = 1;
    int columns_ = 0, rows_ = 0;
    std::vector<std::uint32_t> first_, entries_;  ///< entries of bucket b: [first_[b], first_[b + 1])
};

Box box_of(const Segment&);

}  // namespace yemvo
