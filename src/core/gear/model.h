// SPDX-License-Identifier: GPL-3.0-or-later
// The gear library: models of access points.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "antenna/antenna.h"
#include "base/id.h"
#include "gear/body.h"
#include "gear/power_source.h"
#include "wireless/band.h"

namespace yemvo {

enum class Mount { ceiling, wall, pole, desk };

/// Conducted power that a radio can be set to, all chains together.
struct PowerRange {
    double low_dbm = 0, high_dbm = 20, step_db = 1;
    std::vector<double> levels_dbm = {};  ///< rising; those alone where there are any, from low to high
    /// The setting next to a wanted power, at most `most_dbm` where any is.
    double nearest_dbm(double wanted_dbm, double most_dbm = 1000) const;
    friend bool operator==(const PowerRange&, const PowerRange&) = default;
};

struct Chains {
    int transmit = 2, receive = 2, streams = 2;
    friend bool operator==(const Chains&, const Chains&) = default;
};
/// "4x4:4", transmit, receive and streams
std::string chains_text(const Chains&);

/// Noise figure that receivers of access points are taken to have where their sheet tells none [dB].
inline constexpr double access_point_noise_figure_db = 6;

/// What one radio of a model can do in one band.
struct RadioBand {
    BandId band;
    int widest_mhz = 20;
    PowerRange power;
    Chains chains;
    double noise_figure_db = access_point_noise_figure_db;
    Antenna antenna;        ///< its own, or the one it comes with
    std::string connector;  ///< for other antennas; empty: there is none
    friend bool operator==(const RadioBand&, const RadioBand&) = default;
};

struct RadioModel {
    std::string standard;          ///< "ax", "be"
    std::vector<RadioBand> bands;  ///< the bands it can work in; the first is what it starts with
    int most_clients = 0;          ///< associated at once; 0: not told
    friend bool operator==(const RadioModel&, const RadioModel&) = default;
};

struct AccessPointModel {
    ModelId id;
    std::string key;  ///< stable word: "ceiling-entry"
    std::string name;
    Mount mount = Mount::ceiling;  ///< as it is meant to hang
    double mount_height_m = 3.0;
    std::vector<Mount> mounts = {};    ///< other ways that it is made for
    std::vector<RadioModel> radios;    ///< one to five
    std::vector<PowerRow> power = {};  ///< by source; empty: not told, any source will do
    Body body = {};
    friend bool operator==(const AccessPointModel&, const AccessPointModel&) = default;
};

/// What `radio` of a model can do in a band; none when it cannot work there.
const RadioBand* radio_band(const AccessPointModel&, std::size_t radio, BandId);

/// Null where the model has no row for the source.
const PowerRow* power_row(const AccessPointModel&, PowerSource);
/// The weakest source that leaves everything, else the strongest of the table; none without a table.
std::optional<PowerSource> usual_source(const AccessPointModel&);

/// How the pattern's body stands for an access point mounted and aimed so. A tilt of 0 means as it was made
/// to hang: a ceiling pattern on a wall turns its lobe to the azimuth, a panel under a ceiling looks down.
Turn body_turn(PatternFrame, Mount, double azimuth_deg, double downtilt_deg);
/// Where a body turned so is made to look in the venue: the front of an upright pattern, what hangs under a
/// ceiling straight below it. A unit vector.
Point3 look_direction(PatternFrame, const Turn&);
/// The downtilt in whole degrees, -90 to 90, with which it looks along a slope, seen from the side: `along`
/// is a level unit vector, the slope runs `toward.x` along it and rises by `toward.y`. A slope that cannot be
/// met gives the nearest.
double downtilt_towards(PatternFrame, Mount, double azimuth_deg, Point3 along, Point toward);

std::string_view mount_name(Mount);
std::optional<Mount> find_mount(std::string_view name);

}  // namespace yemvo
