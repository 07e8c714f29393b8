// SPDX-License-Identifier: GPL-3.0-or-later
// Who is in a zone at a busy hour, with which devices, doing what. Profiles, applications, busy hours and
// networks are named by their keys.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace yemvo {

/// A part of a mix. Mixes are counted in parts of their sum, so 45, 30 and 25 are the same as 0.45, 0.30,
/// 0.25.
struct MixPart {
    std::string key;
    double share = 0;
    friend bool operator==(const MixPart&, const MixPart&) = default;
};
using Mix = std::vector<MixPart>;
double sum(const Mix&);
/// Share [0, 1] of its sum that one key has; 0 in an empty mix.
double share_of(const Mix&, std::string_view key);

/// What a zone's people are told by.
enum class PeopleBy {
    count,      ///< counted
    seats,      ///< seats, and the share of them that is taken
    density,    ///< people a square metre
    occupancy,  ///< how many may be there by the fire safety notice, and the share of it that comes
};
std::string_view people_by_name(PeopleBy);
std::optional<PeopleBy> find_people_by(std::string_view name);

/// A busy hour at which less than everybody is there, or more.
struct Presence {
    std::string hour;
    double share = 1;
    friend bool operator==(const Presence&, const Presence&) = default;
};

struct ZoneDemand {
    PeopleBy by = PeopleBy::count;
    double amount = 0;     ///< people, seats, people a m², or the most that may be there
    double taken = 1;      ///< share of the seats, or of the occupancy
    double devices = 1.2;  ///< a head
    double connected = 1;  ///< share of the devices that is on the air at the busy hour
    double growth = 0;     ///< to plan for on top: 0.2 is a fifth more devices
    Mix profiles, applications;
    std::vector<Presence> presence;                 ///< at busy hours where it is not 1
    double limit_down_mbps = 0, limit_up_mbps = 0;  ///< of each client; 0: none
    std::string network;                            ///< its clients use this one; empty: any
    double presence_at(std::string_view hour) const;
    void set_presence(const std::string& hour, double share);
    friend bool operator==(const ZoneDemand&, const ZoneDemand&) = default;
};

/// People at a busy hour.
double people(const ZoneDemand&, double area_m2, std::string_view hour);
/// Devices on the air then, with growth.
double clients(const ZoneDemand&, double area_m2, std::string_view hour);

}  // namespace yemvo
