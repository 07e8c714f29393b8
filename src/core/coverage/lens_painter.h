// SPDX-License-Identifier: GPL-3.0-or-later
// What lenses are made of: one set of bands over one floor, reduced. For the lenses' own use.
#pragma once
#include <algorithm>
#include <limits>
#include <memory>
#include <vector>

#include "coverage/lens_kernels.h"
#include "coverage/site_prediction.h"

namespace yemvo {

/// A value a cell, in the lens's unit; NaN where there is none.
using LensPlane = std::vector<float>;

/// A value by server, for the kernels: nobody's first.
class ByServer {
public:
    template <class Value>
    ByServer(const std::vector<RadioField>& radios, float nobody, const Value& value) : values_{nobody} {
        values_.reserve(radios.size() + 1);
        for (const RadioField& f : radios) values_.push_back(static_cast<float>(value(f)));
    }
    const float* data() const { return values_.data(); }

private:
    std::vector<float> values_;
};

class LensPainter {
public:
    static constexpr float no_value = std::numeric_limits<float>::quiet_NaN();
    LensPainter(const FloorPrediction&, const LensChoice&, BandSet);

    const FloorPrediction& floor() const { return floor_; }
    const LensChoice& choice() const { return choice_; }
    BandSet bands() const { return bands_; }
    const std::vector<RadioField>& radios() const { return radios_; }
    std::size_t cells() const { return cells_; }
    const Reduction& reduction() const { return *reduction_; }
    /// Index into radios() a cell, below 0 where nobody serves.
    const std::int16_t* serving() const { return reduction_->serving.data(); }
    /// Among those the choice looks at.
    bool counts(const RadioField&) const;
    /// The least gain with which a radio is heard [hundredths of a dB].
    std::int16_t least_cdb(const RadioField&) const;
    /// The strongest of those that go on. Of one failure, wherever it hurts most, that is the next-best at
    /// each place.
    const std::vector<std::int16_t>& left_after_failure();

    void decibels(const std::vector<std::int16_t>& level_cdbm, LensPlane& values) const {
        kernels::decibels(level_cdbm.data(), cells_, values.data());
    }
    /// A value that the serving radio has.
    template <class Value>
    void of_serving(const Value& value, LensPlane& values) const {
        kernels::of_serving(serving(), ByServer(radios_, no_value, value).data(), cells_, values.data());
    }
    ByServer noise() const {
        return ByServer(radios_, no_value, [](const RadioField& f) { return f.noise_cdbm; });
    }

private:
    const FloorPrediction& floor_;
    const LensChoice& choice_;
    BandSet bands_;
    const std::vector<RadioField>& radios_;
    std::size_t cells_;
    const Reduction* reduction_ = nullptr;
    Reduction own_, left_;
};

}  // namespace yemvo
