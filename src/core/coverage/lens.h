// SPDX-License-Identifier: GPL-3.0-or-later
// Lenses: the quantities that can be looked at as a map. One table describes each.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "gear/client.h"
#include "wireless/band.h"

namespace yemvo {

enum class LensId {
    signal,
    next_best,
    third,
    snr,
    rate_down,
    rate_up,
    serving,
    serving_band,
    heard,
    contention,
    balance,
    confidence,
    failure,
    failure_loss,
    outside,
    mbps_client,
    satisfied,
    air_used,
    radio_clients,
    headroom,
    sinr,
    interference,
    air_here,
    cable,
};

/// Which part of a plan a quantity speaks of.
enum class LensGroup { reach, air, service, cabling };

/// What the values of a lens are.
enum class LensKind {
    amount,
    access_point,  ///< numbers of access points
    band,          ///< indices of bands
};

/// What a lens asks for besides the fields of the floor.
struct LensNeeds {
    bool deviation = false;     ///< how far off the fields may be
    bool surroundings = false;  ///< the ground round the building instead of the floor
    bool client = false;        ///< which client: its rates, its power
    bool level = false;         ///< the signal that requirements ask for
    bool capacity = false;      ///< what is known of the radios' air at the busy hour
    bool neighbours = false;    ///< other people's radios
    bool cables = false;        ///< ways of cables instead of radios
};

/// What the share of a requirement is a share of.
enum class RequirementCounts { area, clients, radios };

/// How several bands make one value.
enum class LensBands {
    together,  ///< their radios are looked at as one set
    best       ///< each band by itself; the best value counts
};

struct LensInfo {
    LensId id;
    LensGroup group;
    LensKind kind;
    std::string key;     ///< in files and on the command line: "next_best"
    std::string name;    ///< on screen
    std::string unit;    ///< "dBm", "dB", "Mbit/s", "%", "radios", ""
    double low, step;    ///< the legend begins at low and has twelve steps
    double limit;        ///< where the threshold starts
    double change_step;  ///< of the legend of a change
    bool more_is_better;
    std::string meaning;  ///< one sentence
    LensBands bands = LensBands::together;
    LensNeeds needs = {};
    bool of_failure = false;  ///< the access points chosen are those that fail
    RequirementCounts counts = RequirementCounts::area;
    bool is_choice() const { return kind != LensKind::amount; }
    /// A requirement may be about it.
    bool may_require() const { return !is_choice() && !needs.surroundings && of_radios(); }
    /// Bands and access points make a difference.
    bool of_radios() const { return !needs.cables; }
    double high() const { return low + 12 * step; }
};

const std::vector<LensInfo>& lenses();
const LensInfo& lens(LensId);
std::optional<LensId> find_lens(std::string_view key);
/// "reach", "air", "service", "cabling"
std::string_view lens_group_name(LensGroup);

/// What is looked at: a quantity, in one band or the best of several, for all radios or some access points'.
struct LensChoice {
    LensId lens = LensId::signal;
    BandSet bands = band_5;
    std::vector<AccessPointId> only = {};  ///< empty: all; of the lenses of failure: those that fail
    ClientProfile client = {};             ///< for rates and the way up
    double level_dbm = -67;                ///< confidence: the signal that must hold
    double heard_dbm = -82;                ///< a radio from here up is heard, and deferred to
    friend bool operator==(const LensChoice&, const LensChoice&) = default;
};

}  // namespace yemvo
