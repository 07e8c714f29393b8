// SPDX-License-Identifier: GPL-3.0-or-later
// Access points as they hang in the venue.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "base/id.h"
#include "gear/model.h"
#include "gear/on_site.h"
#include "geometry/point.h"
#include "regulation/device_class.h"
#include "wireless/channel.h"

namespace yemvo {

/// One transceiver as it is set.
struct Radio {
    Channel channel;
    int primary = 36;       ///< number of its 20 MHz primary channel, inside `channel`
    double power_dbm = 14;  ///< conducted, all chains together
    bool on = true;
    AntennaId antenna;  ///< external; none: the radio's own
    std::string cable;  ///< key of the cable's kind that leads to it; empty: none
    double cable_m = 0;
    std::vector<std::string> without = {};  ///< keys of networks that it does not carry
    /// Nobody has chosen its channel yet: what stands there is a proposal, and it counts as if no other radio
    /// were on its spectrum.
    bool channel_open = false;
    bool locked = false;  ///< channel, width and power stay as they are, whatever is worked out
    /// A controller chooses its channel or power and may set other than the plan says.
    bool automatic = false;
    friend bool operator==(const Radio&, const Radio&) = default;
};

struct AccessPoint {
    AccessPointId id;
    int number = 1;         ///< as the plan shows it; unique in the variant
    std::string name = {};  ///< as the site calls it; empty: by its number alone
    ModelId model;
    Mount mount = Mount::ceiling;
    Point position;
    double height_m = 3.0;                   ///< above its floor
    double azimuth_deg = 0;                  ///< clockwise from north
    double downtilt_deg = 0;                 ///< from how the model is made to hang
    std::vector<Radio> radios;               ///< as many as the model has
    std::optional<PowerSource> source = {};  ///< none: not told, nothing is limited
    int alternative = 0;                     ///< of the source's row in the model's power table
    /// As the regulator takes it at 6 GHz; none: as its place suggests (device_class_of).
    std::optional<DeviceClass> device_class = {};
    ClosetId closet = {};  ///< where its cable ends; none, or one that is gone: the nearest
    OnSite on_site = {};
    friend bool operator==(const AccessPoint&, const AccessPoint&) = default;
};

/// Its name; where it has none its number.
inline std::string called(const AccessPoint& ap) {
    return ap.name.empty() ? std::to_string(ap.number) : ap.name;
}

/// "44 / 40 MHz"
inline std::string channel_text(const Radio& r) { return channel_text(r.primary, r.channel.width_mhz); }

/// A new access point of a model with every radio on: its first band, its lowest channel, at most 80 MHz
/// (20 at 2.4 GHz, 40 at 5 GHz), the middle of its power range, and its usual source.
AccessPoint make_access_point(const AccessPointModel&, AccessPointId, int number, Point position);

/// Back to the antenna of the radio itself, which no cable leads to.
void take_own_antenna(Radio&);

/// A radio in a band as a new access point has it.
Radio starting_radio(const RadioBand&);

/// The radio moved to another primary or width of its band: the block round `primary` that holds the old
/// centre if one does, else the lowest. Throws InvalidChannel when there is none.
Radio retuned(Radio, BandId, int primary, int width_mhz);

}  // namespace yemvo
