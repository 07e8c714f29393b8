// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/measured_lobe.h"

#include <cmath>
#include <stdexcept>

#include "antenna/pattern/measured_pattern.h"
#include "base/content_key.h"

namespace yemvo {
namespace {

void round(Cut& cut) {
    for (int degree = 0; degree < Cut::degrees; ++degree)
        cut[degree] = std::round(cut[degree] * 100) / 100 + 0.0;  // no -0
}

std::uint64_t key_of(const MeasuredPattern& p) {
    ContentKey key;
    key.add(static_cast<int>(p.frame)).add(static_cast<int>(p.blend));
    for (const PatternCuts& c : p.cuts) {
        key.add(c.frequency_mhz);
        for (int degree = 0; degree < Cut::degrees; ++degree)
            key.add(c.azimuth[degree]).add(c.elevation[degree]);
        for (const FurtherCut& f : c.further) {
            key.add(static_cast<int>(f.kind)).add(f.at_deg);
            for (int degree = 0; degree < Cut::degrees; ++degree) key.add(f.cut[degree]);
        }
    }
    return key.value();
}

}  // namespace

MeasuredLobe::MeasuredLobe(MeasuredPattern pattern) {
    if (pattern.cuts.empty()) throw std::invalid_argument("a measured pattern without cuts");
    for (PatternCuts& c : pattern.cuts) {
        each_cut(c, round);
        put_in_order(c.further);
    }
    key_ = key_of(pattern);
    pattern_ = std::make_shared<const MeasuredPattern>(std::move(pattern));
}

bool operator==(const MeasuredLobe& a, const MeasuredLobe& b) {
    return a.pattern_ == b.pattern_ || (a.key_ == b.key_ && *a.pattern_ == *b.pattern_);
}

}  // namespace yemvo
