// SPDX-License-Identifier: GPL-3.0-or-later
// Losses on top of what is worked out from walls and distance: of what-ifs and of calibration.
#pragma once
#include <cstdint>
#include <string>

#include "geometry/point.h"
#include "wireless/band.h"

namespace yemvo {

class LossOverlay {
public:
    virtual ~LossOverlay() = default;
    virtual std::uint64_t key() const = 0;  ///< equal for equal losses; part of each field's key
    virtual std::string name() const = 0;   ///< as an explanation tells it: "Correction by survey"
    /// Of a link in the scene [dB]; negative where more arrives. What is silent without it stays silent.
    /// Asked from several threads at once.
    virtual double loss_db(BandId, Point3 source, Point3 receiver) const = 0;
};

}  // namespace yemvo
