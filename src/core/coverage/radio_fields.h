// SPDX-License-Identifier: GPL-3.0-or-later
// The radios that reach a floor, with their fields and settings.
#pragma once
#include <functional>
#include <memory>
#include <vector>

#include "propagation/field_store.h"

namespace yemvo {

struct RadioField {
    AccessPointId access_point;
    int number;  ///< of the access point
    std::size_t radio;
    RadioAbility ability;
    double noise_figure_db;  ///< of its receiver
    BandId band;
    Channel channel;
    double power_dbm;
    int offset_cdb;  ///< power less the cable's loss, and the channel's own frequency; added to the field
    int noise_cdbm;  ///< of the site's client over the channel's width
    std::shared_ptr<const GainField> field;
    /// Standard deviation of what stands in the way, a plane a band; null unless asked for.
    std::shared_ptr<const std::vector<TilePlane>> deviation;
    bool channel_open = false;  ///< shares its spectrum with nobody (Radio)
};

/// What is wanted of each radio.
struct RadioWish {
    bool deviation = false;
    const LossOverlay* overlay = nullptr;
};

/// Every radio that is on, of every floor, on one surface. Worked out in parallel; throws Cancelled.
/// `share_done` is told from any thread how much of it there is.
std::vector<RadioField> radio_fields(const Project&, const std::shared_ptr<const Scene>&, const Surface&,
                                     FieldStore&, const RadioWish&, const CancelToken&,
                                     const std::function<void(double)>& share_done = {});

/// Of all that the radio_fields of a surface are made from, but for those known to be silent there, which no
/// result counts. Traces nothing; throws Cancelled.
std::uint64_t reach_key(const Project&, const std::shared_ptr<const Scene>&, const Surface&, FieldStore&,
                        const RadioWish&, const CancelToken&);

}  // namespace yemvo
