// SPDX-License-Identifier: GPL-3.0-or-later
// A measured pattern as one of the lobes: shared by all antennas that have it, and known by its content.
#pragma once
#include <cstdint>
#include <memory>

namespace yemvo {

struct MeasuredPattern;

class MeasuredLobe {
public:
    /// Values are rounded to 0.01 dB, as files keep them. `pattern`: with cuts at one frequency or more;
    /// throws std::invalid_argument without.
    explicit MeasuredLobe(MeasuredPattern pattern);
    const MeasuredPattern& pattern() const { return *pattern_; }
    /// Of all that gains follow from; the name is none of it.
    std::uint64_t key() const { return key_; }
    friend bool operator==(const MeasuredLobe&, const MeasuredLobe&);

private:
    std::shared_ptr<const MeasuredPattern> pattern_;
    std::uint64_t key_ = 0;
};

}  // namespace yemvo
